// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/releases/facts.h"

#include <algorithm>
#include <chrono>
#include <cstdio>
#include <cstdlib>

#include <fmt/format.h>
#include <nlohmann/json.hpp>

#include "core/audit/codes.h"
#include "core/reference/release_json.h"
#include "core/text/text.h"

namespace moorfrost::library {

namespace {

using reference::Release;
using Texts = std::vector<std::string>;

constexpr size_t mostValues = 300, longestText = 4000, longestNotes = 40000;

std::string partsText(std::initializer_list<std::string_view> parts) {
    std::string out;
    for (const std::string_view part : parts) {
        out += part;
        out += partBreak;
    }
    while (!out.empty() && out.back() == partBreak)
        out.pop_back();
    return out;
}

Texts partsOf(std::string_view value, size_t count) {
    Texts out(count);
    for (std::string& part : out) {
        const size_t end = std::min(value.find(partBreak), value.size());
        part = value.substr(0, end);
        value.remove_prefix(std::min(end + 1, value.size()));
    }
    return out;
}

std::string Release::*textOf(std::string_view key) {
    static const std::map<std::string, std::string Release::*, std::less<>> texts = {
        {"title", &Release::title},         {"edition", &Release::edition},
        {"barcode", &Release::barcode},     {"first_date", &Release::firstDate},
        {"packaging", &Release::packaging}, {"status", &Release::status},
        {"language", &Release::language},   {"script", &Release::script},
        {"rights", &Release::rights},       {"notes", &Release::notes}};
    const auto it = texts.find(key);
    return it == texts.end() ? nullptr : it->second;
}

Texts Release::*listOf(std::string_view key) {
    return key == "genres" ? &Release::genres : key == "links" ? &Release::links : nullptr;
}

Texts splitTyping(std::string_view line) {
    Texts out;
    for (const std::string& part : text::split(line, ";"))
        if (std::string clean = text::trim(part); !clean.empty())
            out.push_back(std::move(clean));
    return out;
}

/// "Kestrel [ & ] Rook = Rook, The".
Texts namesFromTyping(std::string_view line) {
    Texts out;
    while (!line.empty()) {
        const size_t open = line.find('[');
        const size_t close = open == std::string_view::npos ? open : line.find(']', open);
        const bool joins = close != std::string_view::npos;
        const std::string_view name = line.substr(0, joins ? open : line.size());
        const std::string_view join = joins ? line.substr(open + 1, close - open - 1) : std::string_view();
        const size_t equals = name.find('=');
        std::string one = text::trim(name.substr(0, equals));
        if (!one.empty())
            out.push_back(partsText(
                {one, join, equals == std::string_view::npos ? "" : text::trim(name.substr(equals + 1))}));
        line.remove_prefix(joins ? close + 1 : line.size());
    }
    return out;
}

std::string dateTrouble(const std::string& date) {
    if (const std::string why = tags::whyNotValid("date", {date}); !why.empty())
        return fmt::format("\"{}\" is no date: {}", date, why);
    int year = 0;
    unsigned month = 0, day = 0;
    if (std::sscanf(date.c_str(), "%d-%u-%u", &year, &month, &day) == 3 &&
        !std::chrono::year_month_day(std::chrono::year(year), std::chrono::month(month),
                                     std::chrono::day(day))
             .ok())
        return fmt::format("\"{}\" is no date: there is no such day.", date);
    return {};
}

} // namespace

const std::vector<FactDef>& releaseFacts() {
    using enum FactKind;
    static const std::vector<FactDef> table = {
        {"title", "Title", Text, "album", "", false},
        {"credit", "Artist", Credit, "album_artist", "album_artist_sort", false},
        {"edition", "Edition", Text, "", "", false},
        {"labels", "Label", Labels, "label", "catalogue_number", true},
        {"dates", "Released", Dates, "date", "country", true},
        {"first_date", "First released", Text, "original_date", "", false},
        {"barcode", "Barcode", Code, "barcode", "", true},
        {"packaging", "Packaging", Text, "", "", true},
        {"status", "Status", Text, "", "", false},
        {"language", "Language", Text, "language", "", true},
        {"script", "Script", Text, "script", "", false},
        {"rights", "Rights", Text, "copyright", "", true},
        {"genres", "Genre", List, "genre", "", false},
        {"notes", "Notes", LongText, "", "", false},
        {"links", "Links", List, "website", "", false},
    };
    return table;
}

const FactDef* factByKey(std::string_view key) {
    const auto& table = releaseFacts();
    const auto it = std::ranges::find_if(table, [&](const FactDef& f) { return f.key == key; });
    return it == table.end() ? nullptr : &*it;
}

const FactDef* factByName(std::string_view name) {
    const std::string wanted = text::fold(text::trim(name));
    for (const FactDef& f : releaseFacts())
        if (wanted == text::fold(f.key) || wanted == text::fold(f.label) || wanted == f.field)
            return &f;
    return nullptr;
}

Texts factOf(const Release& r, std::string_view key) {
    Texts out;
    if (const auto text = textOf(key)) {
        if (!(r.*text).empty())
            out = {r.*text};
    } else if (const auto list = listOf(key)) {
        out = r.*list;
    } else if (key == "credit") {
        for (const auto& n : r.credit.names)
            out.push_back(partsText({n.name, n.join, n.sortForm}));
    } else if (key == "labels") {
        for (const auto& l : r.labels)
            out.push_back(partsText({l.name, l.catalogueNumber}));
    } else if (key == "dates") {
        for (const auto& d : r.dates)
            out.push_back(partsText({d.date, d.country}));
    } else if (key == mediaFact) {
        for (const auto& m : r.media) {
            std::string table;
            for (const int64_t at : m.discTable)
                table += (table.empty() ? "" : " ") + std::to_string(at);
            out.push_back(partsText({m.carrier, m.title, table}));
        }
    }
    return out;
}

void putFact(Release& r, std::string_view key, const Texts& values) {
    if (const auto text = textOf(key)) {
        r.*text = values.empty() ? std::string() : values.front();
    } else if (const auto list = listOf(key)) {
        r.*list = values;
    } else if (key == "credit") {
        r.credit.names.clear();
        for (const std::string& v : values) {
            const Texts parts = partsOf(v, 3);
            r.credit.names.push_back({parts[0], {}, parts[2], parts[1]});
        }
        if (!r.credit.names.empty() && r.credit.names.back().join == ", ")
            r.credit.names.back().join.clear();
    } else if (key == "labels") {
        r.labels.clear();
        for (const std::string& v : values) {
            const Texts parts = partsOf(v, 2);
            r.labels.push_back({parts[0], parts[1]});
        }
    } else if (key == "dates") {
        r.dates.clear();
        for (const std::string& v : values) {
            const Texts parts = partsOf(v, 2);
            r.dates.push_back({parts[0], parts[1]});
        }
    } else if (key == mediaFact) {
        r.media.resize(values.size());
        for (size_t i = 0; i < values.size(); ++i) {
            const Texts parts = partsOf(values[i], 3);
            r.media[i].carrier = parts[0];
            r.media[i].title = parts[1];
            r.media[i].discTable.clear();
            for (const std::string& at : text::split(parts[2], " "))
                if (!at.empty())
                    r.media[i].discTable.push_back(std::strtoll(at.c_str(), nullptr, 10));
        }
    }
}

std::string shownFact(std::string_view key, const Texts& values) {
    Release r;
    putFact(r, key, values);
    if (key == "credit")
        return r.credit.text();
    Texts out;
    for (const auto& l : r.labels)
        out.push_back(l.name.empty()              ? l.catalogueNumber
                      : l.catalogueNumber.empty() ? l.name
                                                  : l.name + " \u00B7 " + l.catalogueNumber);
    for (const auto& d : r.dates)
        out.push_back(d.country.empty() ? d.date : d.date + " " + d.country);
    if (!out.empty())
        return text::join(out, ", ");
    if (key == mediaFact)
        return r.carrier();
    return text::join(values, ", ");
}

std::string typingLine(std::string_view key, const Texts& values) {
    if (key == "credit") {
        std::string out;
        for (size_t i = 0; i < values.size(); ++i) {
            const Texts parts = partsOf(values[i], 3);
            out += parts[0] + (parts[2].empty() ? "" : " = " + parts[2]);
            if (i + 1 < values.size())
                out += " [" + (parts[1].empty() ? ", " : parts[1]) + "] ";
        }
        return out;
    }
    Texts out;
    for (const std::string& v : values) {
        const Texts parts = partsOf(v, 2);
        const char* between = key == "labels" ? " = " : " ";
        out.push_back(parts[1].empty() ? parts[0] : parts[0] + between + parts[1]);
    }
    return text::join(out, "; ");
}

Texts factFromTyping(std::string_view key, std::string_view line) {
    const FactDef* def = factByKey(key);
    const std::string clean = text::trim(line);
    if (!def || clean.empty())
        return {};
    Texts out;
    switch (def->kind) {
    case FactKind::Text:
    case FactKind::LongText:
        return {clean};
    case FactKind::Code:
        return {clean};
    case FactKind::List:
        return splitTyping(clean);
    case FactKind::Credit:
        return namesFromTyping(clean);
    case FactKind::Labels:
        for (const std::string& one : splitTyping(clean)) {
            const size_t equals = one.find('=');
            out.push_back(equals == std::string::npos ? one
                                                      : partsText({text::trim(one.substr(0, equals)),
                                                                   text::trim(one.substr(equals + 1))}));
        }
        return out;
    case FactKind::Dates:
        for (const std::string& one : splitTyping(clean)) {
            const size_t space = one.find(' ');
            const std::string country =
                space == std::string::npos ? std::string() : text::trim(one.substr(space + 1));
            out.push_back(
                partsText({one.substr(0, space), text::isDigits(country) ? country : text::upper(country)}));
        }
        return out;
    }
    return {};
}

std::string whyNotFact(std::string_view key, const Texts& values) {
    const FactDef* def = factByKey(key);
    if (!def)
        return key == mediaFact ? std::string() : fmt::format("A release has no \"{}\".", key);
    if (values.size() > mostValues)
        return fmt::format("{}: at most {} values.", def->label, mostValues);
    const bool isLong = def->kind == FactKind::LongText;
    for (const std::string& value : values) {
        if (!text::isUtf8(value))
            return fmt::format("{}: this is no text.", def->label);
        if (value.size() > (isLong ? longestNotes : longestText))
            return fmt::format("{} has at most {} letters.", def->label, isLong ? longestNotes : longestText);
        if (std::ranges::any_of(value, [&](char c) {
                return static_cast<unsigned char>(c) < 0x20 && c != partBreak && !(isLong && c == '\n');
            }))
            return fmt::format("{}: one line of text, without control characters.", def->label);
    }
    if (key == "title" && values.empty())
        return "A release needs a title.";
    if (key == "first_date" && !values.empty())
        return dateTrouble(values.front());
    if (def->kind == FactKind::Dates)
        for (const std::string& value : values)
            if (std::string why = dateTrouble(partsOf(value, 2)[0]); !why.empty())
                return why;
    return {};
}

std::string whatIsOdd(std::string_view key, const Texts& values) {
    if (key != "barcode" || values.empty())
        return {};
    std::string why = audit::whyNotCode(key, values.front());
    return why;
}

tags::Fields tagsOfFact(std::string_view key, const Texts& values) {
    tags::Fields out;
    const FactDef* def = factByKey(key);
    if (!def || !*def->field)
        return out;
    Texts& first = out[def->field];
    if (!*def->secondField) {
        first = values;
        return out;
    }
    Texts& second = out[def->secondField];
    const bool isDates = def->kind == FactKind::Dates;
    Texts ordered = values;
    if (isDates) // tags hold one: the first
        std::ranges::sort(ordered);
    for (const std::string& value : ordered) {
        const Texts parts = partsOf(value, 3);
        first.push_back(parts[0]);
        second.push_back(parts[def->kind == FactKind::Credit ? 2 : 1]);
        if (isDates)
            break;
    }
    if (std::ranges::all_of(second, &std::string::empty))
        second.clear();
    if (std::ranges::all_of(first, &std::string::empty))
        first.clear();
    if (def->kind == FactKind::Credit && std::ranges::any_of(second, &std::string::empty))
        for (size_t i = 0; i < second.size(); ++i)
            if (second[i].empty())
                second[i] = first[i];
    if (def->kind == FactKind::Labels) {
        std::erase(first, std::string());
        std::erase(second, std::string());
    }
    return out;
}

std::string trackText(const reference::Track& track) {
    return reference::toJson(track);
}

reference::Track trackFrom(const std::string& text) {
    const auto track = reference::trackFromJson(text);
    return track ? *track : reference::Track{};
}

std::string sourceText(const ReleaseSource& source) {
    return partsText({std::to_string(source.when), source.what, source.link, source.taken});
}

ReleaseSource sourceFrom(const std::string& text) {
    const Texts parts = partsOf(text, 4);
    return {std::strtoll(parts[0].c_str(), nullptr, 10), parts[1], parts[2], parts[3]};
}

} // namespace moorfrost::library
