// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/naming/plan.h"

#include <algorithm>
#include <cctype>
#include <cstdlib>
#include <set>

#include "core/tags/custom_fields.h"
#include "core/text/text.h"

namespace moorfrost::naming {

namespace {

using Kind = Modifier::Kind;

constexpr const char* modifierHelp =
    "2 digits, year, upper, lower, title case, sentence case, sort form, first 1, first value, join \"; \", "
    "if several, before \"x\", after \"x\", replace \"a\" with \"b\", plain letters or at most 40";

struct Part {
    std::string text;
    size_t offset;
};

/// Splits at `separator` outside quotes; offsets count from the start of the plan.
std::vector<Part> splitOutsideQuotes(std::string_view s, size_t offset, char separator) {
    std::vector<Part> parts;
    size_t from = 0;
    bool quoted = false;
    for (size_t i = 0; i <= s.size(); ++i) {
        if (i < s.size() && s[i] == '"')
            quoted = !quoted;
        if (i == s.size() || (s[i] == separator && !quoted)) {
            std::string_view part = s.substr(from, i - from);
            size_t lead = std::min(part.find_first_not_of(' '), part.size());
            parts.push_back({text::trim(part), offset + from + lead});
            from = i + 1;
        }
    }
    return parts;
}

std::optional<std::string> unquoted(std::string_view s) {
    if (s.size() < 2 || s.front() != '"' || s.back() != '"')
        return std::nullopt;
    std::string_view inside = s.substr(1, s.size() - 2);
    return inside.find('"') == std::string_view::npos ? std::optional<std::string>(inside) : std::nullopt;
}

std::optional<int> wholeNumber(std::string_view s) {
    return text::isDigits(s) && s.size() <= 4 ? std::optional<int>(std::atoi(std::string(s).c_str()))
                                              : std::nullopt;
}

std::optional<Modifier> parseModifier(const std::string& original) {
    static const std::vector<std::pair<std::string, Kind>> plain = {{"year", Kind::Year},
                                                                    {"upper", Kind::Upper},
                                                                    {"lower", Kind::Lower},
                                                                    {"title case", Kind::TitleCase},
                                                                    {"sentence case", Kind::SentenceCase},
                                                                    {"sort form", Kind::SortForm},
                                                                    {"first value", Kind::FirstValue},
                                                                    {"if several", Kind::IfSeveral},
                                                                    {"plain letters", Kind::PlainLetters}};
    std::string s = text::lower(original);
    for (const auto& [name, kind] : plain)
        if (s == name)
            return Modifier{kind, 0, {}, {}};
    auto rest = [&](std::string_view start) {
        return text::trim(std::string_view(original).substr(start.size()));
    };
    if (s.ends_with(" digits"))
        if (auto n = wholeNumber(text::trim(s.substr(0, s.size() - 7))); n && *n >= 1 && *n <= 9)
            return Modifier{Kind::Digits, *n, {}, {}};
    if (s.starts_with("first "))
        if (auto n = wholeNumber(rest("first ")); n && *n >= 1)
            return Modifier{Kind::First, *n, {}, {}};
    if (s.starts_with("at most "))
        if (auto n = wholeNumber(rest("at most ")); n && *n >= 1)
            return Modifier{Kind::AtMost, *n, {}, {}};
    const std::pair<const char*, Kind> withText[] = {
        {"join ", Kind::Join}, {"before ", Kind::Before}, {"after ", Kind::After}};
    for (const auto& [name, kind] : withText)
        if (s.starts_with(name))
            if (auto t = unquoted(rest(name)))
                return Modifier{kind, 0, *t, {}};
    if (s.starts_with("replace ")) {
        std::string r = rest("replace ");
        size_t close = r.size() > 1 ? r.find('"', 1) : std::string::npos;
        if (r.starts_with('"') && close != std::string::npos && close > 1) {
            std::string tail = text::trim(r.substr(close + 1));
            if (text::lower(tail).starts_with("with "))
                if (auto with = unquoted(text::trim(tail.substr(5))))
                    return Modifier{Kind::Replace, 0, r.substr(1, close - 1), *with};
        }
    }
    return std::nullopt;
}

/// The known name closest to a mistyped one, "" if none is close.
std::string closestName(const std::string& typed, const std::vector<std::string>& custom) {
    auto distance = [](const std::string& a, const std::string& b) {
        std::vector<size_t> row(b.size() + 1);
        for (size_t j = 0; j <= b.size(); ++j)
            row[j] = j;
        for (size_t i = 1; i <= a.size(); ++i) {
            size_t diagonal = row[0];
            row[0] = i;
            for (size_t j = 1; j <= b.size(); ++j) {
                size_t up = row[j];
                row[j] = std::min({row[j] + 1, row[j - 1] + 1, diagonal + (a[i - 1] != b[j - 1])});
                diagonal = up;
            }
        }
        return row[b.size()];
    };
    std::string best;
    size_t bestDistance = 3;
    auto consider = [&](const std::string& name) {
        size_t d = distance(typed, name);
        if (d < bestDistance) {
            bestDistance = d;
            best = name;
        }
    };
    for (const tags::FieldDef& def : tags::fieldTable())
        consider(text::lower(def.label));
    for (const tags::CustomField& field : tags::definedCustomFields())
        consider(text::lower(field.label));
    for (const std::string& name : factNames())
        consider(name);
    for (const std::string& name : custom)
        consider(name);
    return best;
}

class Parser {
public:
    Parser(std::string_view text, const std::vector<std::string>& custom) : text_(text), custom_(custom) {}

    std::variant<Plan, PlanError> parse() {
        Plan plan;
        plan.text = std::string(text_);
        std::string literal;
        size_t literalAt = 0;
        auto flush = [&](size_t end) {
            if (!literal.empty())
                plan.pieces.push_back({Piece::Kind::Literal, literal, {}, {}, literalAt, end - literalAt});
            literal.clear();
        };
        for (size_t i = 0; i < text_.size();) {
            char c = text_[i];
            bool doubled = i + 1 < text_.size() && text_[i + 1] == c;
            if ((c == '{' || c == '}') && doubled) {
                if (literal.empty())
                    literalAt = i;
                literal += c;
                i += 2;
            } else if (c == '}') {
                return PlanError{
                    i, 1, "There is a } without a { before it. For a brace in the name itself, write }}."};
            } else if (c == '{') {
                flush(i);
                size_t close = endOfBraces(i);
                if (close == std::string_view::npos)
                    return PlanError{i, text_.size() - i,
                                     "This { is never closed. Expected a } after the field."};
                if (auto error = parseField(i, close, plan))
                    return *error;
                i = close + 1;
            } else if (c == '/') {
                flush(i);
                bool nothingBefore = plan.pieces.empty() || plan.pieces.back().kind == Piece::Kind::Folder;
                if (nothingBefore)
                    return PlanError{
                        i, 1, "There is no name before this /. Expected a field or text for the folder."};
                plan.pieces.push_back({Piece::Kind::Folder, "/", {}, {}, i, 1});
                ++i;
            } else {
                if (literal.empty())
                    literalAt = i;
                literal += c;
                ++i;
            }
        }
        flush(text_.size());
        if (plan.pieces.empty())
            return PlanError{0, 0, "The plan is blank. Expected at least one field, such as {title}."};
        if (plan.pieces.back().kind == Piece::Kind::Folder)
            return PlanError{text_.size() - 1, 1,
                             "The plan ends with a folder. Expected the name of the file after the last /."};
        return plan;
    }

private:
    size_t endOfBraces(size_t open) const {
        bool quoted = false;
        for (size_t i = open + 1; i < text_.size(); ++i) {
            if (text_[i] == '"')
                quoted = !quoted;
            if (!quoted && text_[i] == '}')
                return i;
            if (!quoted && text_[i] == '{')
                return std::string_view::npos;
        }
        return std::string_view::npos;
    }

    std::optional<PlanError> parseField(size_t open, size_t close, Plan& plan) {
        std::string_view inside = text_.substr(open + 1, close - open - 1);
        Piece piece;
        piece.kind = Piece::Kind::Field;
        piece.offset = open;
        piece.length = close - open + 1;
        std::vector<Part> halves = splitOutsideQuotes(inside, open + 1, ':');
        if (halves[0].text.empty())
            return PlanError{
                open, piece.length,
                "There is nothing between the braces. Expected the name of a field, such as {title}."};
        if (halves.size() > 2)
            return PlanError{halves[2].offset, std::max<size_t>(1, halves[2].text.size()),
                             "There is a second colon here. Expected a comma between two things to do."};
        if (text::lower(halves[0].text) == "skip") {
            piece.kind = Piece::Kind::Skip;
            plan.pieces.push_back(piece);
            return std::nullopt;
        }
        size_t colon = halves.size() > 1 ? inside.find(':', 0) : inside.size();
        // The colon may stand inside quotes; take the one that the split found.
        if (halves.size() > 1) {
            bool quoted = false;
            for (colon = 0; colon < inside.size(); ++colon) {
                if (inside[colon] == '"')
                    quoted = !quoted;
                if (!quoted && inside[colon] == ':')
                    break;
            }
        }
        bool first = true;
        for (const Part& part : splitOutsideQuotes(inside.substr(0, colon), open + 1, ',')) {
            if (auto error = parseSource(part, first, piece))
                return error;
            first = false;
        }
        if (halves.size() > 1)
            for (const Part& part : splitOutsideQuotes(inside.substr(colon + 1), open + 2 + colon, ',')) {
                auto modifier = parseModifier(part.text);
                if (!modifier)
                    return PlanError{
                        part.offset, std::max<size_t>(1, part.text.size()),
                        (part.text.empty()
                             ? std::string("Something is missing after the colon or comma.")
                             : "\"" + part.text + "\" is not something that can be done with a value.") +
                            " Expected " + modifierHelp + "."};
                piece.modifiers.push_back(*modifier);
            }
        plan.pieces.push_back(piece);
        return std::nullopt;
    }

    std::optional<PlanError> parseSource(const Part& part, bool first, Piece& piece) {
        std::string name = part.text;
        size_t at = part.offset;
        if (!first) {
            std::string low = text::lower(name);
            if (!low.starts_with("else ") || text::trim(name.substr(4)).empty())
                return PlanError{
                    at, std::max<size_t>(1, name.size()),
                    "Expected \"else\" and another field here, such as {album artist, else artist}."};
            std::string rest = text::trim(name.substr(5));
            at += name.size() - rest.size();
            name = rest;
        }
        if (auto literal = unquoted(name)) {
            if (first)
                return PlanError{
                    at, name.size(),
                    "Expected the name of a field first; text in quotes may follow after \"else\"."};
            piece.sources.push_back({{}, *literal});
            return std::nullopt;
        }
        if (const tags::FieldDef* def = tags::fieldByName(name)) {
            piece.sources.push_back({def->key, {}});
            return std::nullopt;
        }
        std::string low = text::lower(name);
        std::replace(low.begin(), low.end(), '_', ' ');
        const auto& facts = factNames();
        if (std::find(facts.begin(), facts.end(), low) != facts.end()) {
            piece.sources.push_back({low, {}});
            return std::nullopt;
        }
        std::string exact = text::lower(name);
        if (std::find(custom_.begin(), custom_.end(), exact) != custom_.end()) {
            piece.sources.push_back({exact, {}});
            return std::nullopt;
        }
        std::string near = closestName(low, custom_);
        return PlanError{at, std::max<size_t>(1, name.size()),
                         "\"" + name + "\" is not the name of a field. " +
                             (near.empty()
                                  ? std::string("Expected one such as title, artist, album, track or date.")
                                  : "Expected perhaps \"" + near + "\".")};
    }

    std::string_view text_;
    const std::vector<std::string>& custom_;
};

} // namespace

bool Piece::has(Modifier::Kind wanted) const {
    return std::any_of(modifiers.begin(), modifiers.end(),
                       [&](const Modifier& m) { return m.kind == wanted; });
}

bool Piece::optional() const {
    return has(Modifier::Kind::IfSeveral) || has(Modifier::Kind::Before) || has(Modifier::Kind::After);
}

size_t Plan::folderCount() const {
    return static_cast<size_t>(std::count_if(pieces.begin(), pieces.end(),
                                             [](const Piece& p) { return p.kind == Piece::Kind::Folder; }));
}

std::vector<std::string> Plan::keys() const {
    std::vector<std::string> out;
    for (const Piece& piece : pieces)
        for (const Source& source : piece.sources)
            if (!source.key.empty() && std::find(out.begin(), out.end(), source.key) == out.end())
                out.push_back(source.key);
    return out;
}

const std::vector<std::string>& factNames() {
    static const std::vector<std::string> names = {"format", "codec",  "sample rate", "bit depth",
                                                   "name",   "folder", positionFact};
    return names;
}

bool isFact(std::string_view key) {
    const std::vector<std::string>& facts = factNames();
    return std::find(facts.begin(), facts.end(), key) != facts.end();
}

std::variant<Plan, PlanError> parsePlan(std::string_view text, const std::vector<std::string>& customFields) {
    return Parser(text, customFields).parse();
}

std::string modifierText(const Modifier& m) {
    switch (m.kind) {
    case Kind::Digits:
        return std::to_string(m.number) + " digits";
    case Kind::Year:
        return "year";
    case Kind::Upper:
        return "upper";
    case Kind::Lower:
        return "lower";
    case Kind::TitleCase:
        return "title case";
    case Kind::SentenceCase:
        return "sentence case";
    case Kind::SortForm:
        return "sort form";
    case Kind::First:
        return "first " + std::to_string(m.number);
    case Kind::FirstValue:
        return "first value";
    case Kind::Join:
        return "join \"" + m.text + "\"";
    case Kind::IfSeveral:
        return "if several";
    case Kind::Before:
        return "before \"" + m.text + "\"";
    case Kind::After:
        return "after \"" + m.text + "\"";
    case Kind::Replace:
        return "replace \"" + m.text + "\" with \"" + m.with + "\"";
    case Kind::PlainLetters:
        return "plain letters";
    case Kind::AtMost:
        return "at most " + std::to_string(m.number);
    }
    return {};
}

namespace {
std::string sourceName(const Source& source) {
    if (source.key.empty())
        return "\"" + source.literal + "\"";
    const tags::FieldDef* def = tags::fieldByKey(source.key);
    return def ? text::lower(def->label) : source.key;
}
} // namespace

std::string pieceText(const Piece& piece) {
    switch (piece.kind) {
    case Piece::Kind::Folder:
        return "/";
    case Piece::Kind::Skip:
        return "{skip}";
    case Piece::Kind::Literal:
        return text::replaceAll(text::replaceAll(piece.literal, "{", "{{"), "}", "}}");
    case Piece::Kind::Field:
        break;
    }
    std::string out = "{";
    for (size_t i = 0; i < piece.sources.size(); ++i)
        out += (i ? ", else " : "") + sourceName(piece.sources[i]);
    for (size_t i = 0; i < piece.modifiers.size(); ++i)
        out += (i ? ", " : ": ") + modifierText(piece.modifiers[i]);
    return out + "}";
}

std::string planText(const std::vector<Piece>& pieces) {
    std::string out;
    for (const Piece& piece : pieces)
        out += pieceText(piece);
    return out;
}

std::string pieceLabel(const Piece& piece) {
    if (piece.kind == Piece::Kind::Skip)
        return "skip";
    if (piece.kind != Piece::Kind::Field)
        return piece.literal;
    std::string out;
    for (size_t i = 0; i < piece.sources.size(); ++i) {
        const Source& s = piece.sources[i];
        out += i ? ", else " : "";
        out += s.key.empty() ? "\"" + s.literal + "\"" : tags::labelOf(s.key);
    }
    for (const Modifier& m : piece.modifiers)
        out += " \u00B7 " + modifierText(m);
    return out;
}

} // namespace moorfrost::naming
