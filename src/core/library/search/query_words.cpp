// SPDX-License-Identifier: GPL-3.0-or-later
// A query told back to the person, and changed by clicks.
#include <algorithm>
#include <array>

#include "core/library/search/query_fields.h"
#include "core/tags/fields.h"
#include "core/text/text.h"

namespace moorfrost::library {

namespace {

using How = Wanted::How;

constexpr std::array specials = {
    Special{"year", ValueKind::Number, "year"},
    Special{"decade", ValueKind::Number, "decade"},
    Special{"length", ValueKind::Length, "length"},
    Special{"added", ValueKind::Date, "added"},
    Special{"size", ValueKind::Number, "size in MB"},
    Special{"rate", ValueKind::Number, "sample rate"},
    Special{"channels", ValueKind::Number, "channels"},
    Special{"bits", ValueKind::Number, "bits"},
    Special{"bitrate", ValueKind::Number, "kbit/s"},
    Special{"format", ValueKind::Text, "format"},
    Special{"codec", ValueKind::Text, "codec"},
    Special{"kind", ValueKind::Text, "kind"},
    Special{"rating", ValueKind::Number, "rating"},
    Special{"note", ValueKind::Text, "note"},
    Special{"playout", ValueKind::Text, "playout number"},
    Special{"used", ValueKind::Text, "used in"},
    Special{"last_used", ValueKind::Date, "last used"},
    Special{"bookmark", ValueKind::Text, "bookmark"},
    Special{"family", ValueKind::Text, "family"},
    Special{"version", ValueKind::Text, "version"},
    Special{"unmet", ValueKind::Number, "rules not met:"},
    Special{"lacks", ValueKind::Text, "lacks"},
    Special{"file", ValueKind::Text, "file"},
    Special{"folder", ValueKind::Text, "folder"},
    Special{"missing", ValueKind::Words, "no"},
    Special{"has", ValueKind::Words, "has"},
    Special{"differs", ValueKind::Words, "tags differ in"},
    Special{"is", ValueKind::Words, "is"},
};

} // namespace

const Special* specialOf(std::string_view name) {
    auto it =
        std::find_if(specials.begin(), specials.end(), [&](const Special& s) { return name == s.name; });
    return it == specials.end() ? nullptr : &*it;
}

std::vector<std::string> specialNames() {
    std::vector<std::string> out;
    for (const Special& s : specials)
        out.emplace_back(s.name);
    return out;
}

ValueKind kindOfField(std::string_view field) {
    if (const Special* s = specialOf(field))
        return s->kind;
    const tags::FieldDef* def = tags::fieldByKey(field);
    if (tags::isNumber(def))
        return ValueKind::Number;
    if (def && def->kind == tags::FieldKind::Date)
        return ValueKind::Date;
    return ValueKind::Text;
}

namespace {

std::string labelOfField(const std::string& field) {
    if (const Special* s = specialOf(field))
        return s->label;
    if (field == "picture")
        return "picture";
    std::string label = tags::labelOf(field);
    return label == text::upper(label) ? label : text::lower(label);
}

std::string describeWanted(const Wanted& w, ValueKind kind) {
    bool number = kind != ValueKind::Text && kind != ValueKind::Words;
    switch (w.how) {
    case How::Contains:
    case How::Is:
        return w.how == How::Is && !number ? "\u201C" + w.text + "\u201D" : w.text;
    case How::Below:
        return (kind == ValueKind::Date ? "before " : "under ") + w.text;
    case How::UpTo:
        return "up to " + w.text;
    case How::Above:
        return (kind == ValueKind::Date ? "after " : "over ") + w.text;
    case How::From:
        return "from " + w.text;
    case How::Between:
        return w.text + " to " + w.textEnd;
    }
    return {};
}

std::string describeAny(const Query& q) {
    switch (q.kind) {
    case Query::Kind::All:
        return {};
    case Query::Kind::Term:
        return describe(q.term);
    case Query::Kind::Not:
        return "not " + describeAny(q.parts.front());
    default: {
        std::vector<std::string> parts;
        for (const Query& p : q.parts)
            parts.push_back(p.kind == Query::Kind::And || p.kind == Query::Kind::Or
                                ? "(" + describeAny(p) + ")"
                                : describeAny(p));
        return text::join(parts, q.kind == Query::Kind::And ? " and " : " or ");
    }
    }
}

std::pair<size_t, size_t> placeOf(const Query& q) {
    if (q.to > 0)
        return {q.from, q.to};
    if (q.kind == Query::Kind::Term)
        return {q.term.from, q.term.to};
    std::pair<size_t, size_t> out{std::string::npos, 0};
    for (const Query& p : q.parts) {
        auto [from, to] = placeOf(p);
        out = {std::min(out.first, from), std::max(out.second, to)};
    }
    return out;
}

} // namespace

std::string describe(const Term& term) {
    if (term.field.empty())
        return term.phrase ? "\u201C" + term.wanted.front().text + "\u201D" : term.wanted.front().text;
    ValueKind kind = kindOfField(term.field);
    std::vector<std::string> parts;
    for (const Wanted& w : term.wanted)
        parts.push_back(kind == ValueKind::Words && term.field != "is" ? labelOfField(w.text)
                                                                       : describeWanted(w, kind));
    return labelOfField(term.field) + " " + text::join(parts, " or ");
}

std::vector<Chip> chipsOf(const Query& query) {
    std::vector<Chip> out;
    auto add = [&](const Query& q) {
        if (q.kind == Query::Kind::All || (q.kind == Query::Kind::Term && q.term.field.empty()))
            return;
        auto [from, to] = placeOf(q);
        out.push_back({describeAny(q), from, to});
    };
    if (query.kind == Query::Kind::And)
        std::for_each(query.parts.begin(), query.parts.end(), add);
    else
        add(query);
    return out;
}

std::string wholeValue(const std::string& value) {
    return "=\"" + text::replaceAll(value, "\"", "\"\"") + "\"";
}

namespace {

/// A term as a click makes it: only whole values, at the top.
bool isChoice(const Query& q, const std::string& field) {
    auto whole = [&](const Wanted& w) {
        return w.how == How::Is || (kindOfField(field) != ValueKind::Text && w.how == How::Contains);
    };
    return q.kind == Query::Kind::Term && q.term.field == field &&
           std::all_of(q.term.wanted.begin(), q.term.wanted.end(), whole);
}

std::vector<const Query*> tops(const Query& query) {
    std::vector<const Query*> out;
    if (query.kind == Query::Kind::And)
        for (const Query& p : query.parts)
            out.push_back(&p);
    else
        out.push_back(&query);
    return out;
}

bool holds(const Term& term, const std::string& value) {
    return std::any_of(term.wanted.begin(), term.wanted.end(),
                       [&](const Wanted& w) { return w.text == value; });
}

std::string nameInQuery(const std::string& field) {
    bool plain =
        std::all_of(field.begin(), field.end(), [](char c) { return c > ' ' && c != '"' && c != '('; });
    return plain ? field : text::replaceAll(field, " ", "_");
}

std::string choiceText(const std::string& field, const std::vector<std::string>& values) {
    std::string out;
    const bool text = kindOfField(field) == ValueKind::Text;
    for (const std::string& v : values)
        out += (out.empty() ? nameInQuery(field) + ":" : ",") + (text ? wholeValue(v) : v);
    return out;
}

/// The query with the quotes and brackets closed that are still open while it is typed.
std::string closed(const std::string& query) {
    bool quoted = false;
    size_t depth = 0;
    for (char c : query) {
        if (c == '"')
            quoted = !quoted;
        else if (!quoted && c == '(')
            ++depth;
        else if (!quoted && c == ')' && depth > 0)
            --depth;
    }
    return query + (quoted ? "\"" : "") + std::string(depth, ')');
}

} // namespace

bool isChosen(const Query& query, const std::string& field, const std::string& value) {
    for (const Query* q : tops(query))
        if (isChoice(*q, field) && holds(q->term, value))
            return true;
    return false;
}

Query withBeginnings(Query query) {
    query.term.beginnings = query.kind == Query::Kind::Term && query.term.field.empty();
    for (Query& part : query.parts)
        part = withBeginnings(std::move(part));
    return query;
}

Query withoutChosen(Query query, const std::string& field) {
    if (isChoice(query, field))
        return {};
    if (query.kind == Query::Kind::And)
        std::erase_if(query.parts, [&](const Query& q) { return isChoice(q, field); });
    return query.kind == Query::Kind::And && query.parts.empty() ? Query{} : query;
}

std::string withChosen(const std::string& query, const std::string& field, const std::string& value,
                       const std::vector<std::string>& customFields) {
    Query parsed = parseQuery(query, customFields).query;
    const bool all = kindOfField(field) == ValueKind::Words; // each has a term of its own
    auto replaced = [&](const Term& t, const std::string& with) {
        std::string out = text::trim(query.substr(0, t.from));
        for (const std::string& part : {with, text::trim(query.substr(t.to))})
            if (!part.empty())
                out += (out.empty() ? "" : " ") + part;
        return out;
    };
    for (const Query* q : tops(parsed)) {
        if (!isChoice(*q, field) || (all && !holds(q->term, value)))
            continue;
        std::vector<std::string> values;
        for (const Wanted& w : q->term.wanted)
            if (w.text != value)
                values.push_back(w.text);
        if (!holds(q->term, value))
            values.push_back(value);
        return replaced(q->term, choiceText(field, values));
    }
    const std::string before = closed(text::trim(query)), choice = choiceText(field, {value});
    if (before.empty())
        return choice;
    // It must hold for all that is asked: beside an "or" the rest goes into brackets.
    const std::string plain = before + " " + choice;
    return isChosen(parseQuery(plain, customFields).query, field, value) ? plain
                                                                         : "(" + before + ") " + choice;
}

} // namespace moorfrost::library
