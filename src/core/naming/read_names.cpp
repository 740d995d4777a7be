// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/naming/read_names.h"

#include <algorithm>
#include <cmath>
#include <functional>
#include <map>

#include "core/naming/name_text.h"
#include "core/naming/positions.h"
#include "core/text/text.h"

namespace moorfrost::naming {

namespace {

using Values = std::map<std::string, std::string>;

struct Part {
    std::vector<const Piece*> pieces;
};

/// A plan's folders and name, each with its own pieces.
std::vector<Part> partsOf(const Plan& plan) {
    std::vector<Part> parts(1);
    for (const Piece& piece : plan.pieces) {
        if (piece.kind == Piece::Kind::Folder)
            parts.emplace_back();
        else
            parts.back().pieces.push_back(&piece);
    }
    return parts;
}

/// How many bytes of `s` at `at` the literal takes, npos if it does not stand there. A space stands for any
/// run of spaces and underscores, a hyphen for any dash; case does not matter.
size_t literalLength(const std::string& literal, const std::string& s, size_t at) {
    static const std::string dashes[] = {"-", "\u2010", "\u2013", "\u2014"};
    size_t p = at;
    for (size_t i = 0; i < literal.size();) {
        char c = literal[i];
        if (c == ' ' || c == '_') {
            size_t start = p;
            while (p < s.size() && (s[p] == ' ' || s[p] == '_'))
                ++p;
            if (p == start)
                return std::string::npos;
            while (i < literal.size() && (literal[i] == ' ' || literal[i] == '_'))
                ++i;
            continue;
        }
        if (c == '-') {
            auto dash = std::find_if(std::begin(dashes), std::end(dashes),
                                     [&](const std::string& d) { return s.compare(p, d.size(), d) == 0; });
            if (dash == std::end(dashes))
                return std::string::npos;
            p += dash->size();
            ++i;
            continue;
        }
        auto low = [](char x) { return x >= 'A' && x <= 'Z' ? static_cast<char>(x + 32) : x; };
        if (p >= s.size() || low(s[p]) != low(c))
            return std::string::npos;
        ++p;
        ++i;
    }
    return p - at;
}

class Matcher {
public:
    Matcher(const Part& part, const std::string& s) : part_(part), s_(s) { step(0, 0, {}); }
    const std::vector<Values>& readings() const { return readings_; }

private:
    static constexpr size_t mostReadings = 48;
    static constexpr size_t mostSteps = 20000;

    void step(size_t piece, size_t at, Values values) {
        if (readings_.size() >= mostReadings || ++steps_ > mostSteps)
            return;
        if (piece == part_.pieces.size()) {
            if (text::trim(s_.substr(at)).empty() &&
                std::find(readings_.begin(), readings_.end(), values) == readings_.end())
                readings_.push_back(std::move(values));
            return;
        }
        const Piece& p = *part_.pieces[piece];
        if (p.kind == Piece::Kind::Literal) {
            size_t n = literalLength(p.literal, s_, at);
            if (n != std::string::npos)
                step(piece + 1, at + n, values);
            return;
        }
        takeField(p, piece, at, values);
        if (p.optional())
            step(piece + 1, at, values);
    }

    void takeField(const Piece& p, size_t piece, size_t at, const Values& values) {
        std::string before, after;
        for (const Modifier& m : p.modifiers) {
            if (m.kind == Modifier::Kind::Before)
                before = m.text;
            if (m.kind == Modifier::Kind::After)
                after = m.text;
        }
        size_t lead = literalLength(before, s_, at);
        if (lead == std::string::npos)
            return;
        size_t from = at + lead;
        for (size_t end = from + 1; end <= s_.size(); ++end) {
            if (end < s_.size() && (static_cast<unsigned char>(s_[end]) & 0xC0) == 0x80)
                continue; // inside a character
            std::string value = text::trim(s_.substr(from, end - from));
            size_t tail = literalLength(after, s_, end);
            if (value.empty() || tail == std::string::npos || !suits(p, s_.substr(from, end - from), end))
                continue;
            Values next = values;
            if (p.kind == Piece::Kind::Field && !record(p, value, next))
                continue;
            step(piece + 1, end + tail, std::move(next));
        }
    }

    /// Whether the field may hold this text. `raw` is untrimmed.
    bool suits(const Piece& p, const std::string& raw, size_t end) const {
        if (p.kind == Piece::Kind::Skip)
            return true;
        if (p.sources.front().key == positionFact)
            return wholePosition(text::trim(raw)).has_value() &&
                   !(end < s_.size() && s_[end] >= '0' && s_[end] <= '9');
        const tags::FieldDef* def = tags::fieldByKey(p.sources.front().key);
        if (!def)
            return true;
        bool digitFollows = end < s_.size() && s_[end] >= '0' && s_[end] <= '9';
        if (def->kind == tags::FieldKind::Number)
            return text::isDigits(raw) && raw.size() <= 4 &&
                   !(digitFollows && raw.size() < 3 && !p.has(Modifier::Kind::First) && !nextIsNumber(p));
        if (def->kind == tags::FieldKind::Date) {
            bool year = raw.size() == 4 && text::isDigits(raw) && !digitFollows;
            if (p.has(Modifier::Kind::Year))
                return year;
            return tags::whyNotValid(def->key, {raw}).empty() && !digitFollows;
        }
        return true;
    }

    bool nextIsNumber(const Piece& p) const {
        auto it = std::find(part_.pieces.begin(), part_.pieces.end(), &p);
        if (it == part_.pieces.end() || ++it == part_.pieces.end() || (*it)->sources.empty())
            return false;
        const tags::FieldDef* def = tags::fieldByKey((*it)->sources.front().key);
        return def && def->kind == tags::FieldKind::Number;
    }

    /// False where the same field was read with another value before.
    static bool record(const Piece& p, std::string value, Values& values) {
        const std::string& key = p.sources.front().key;
        const tags::FieldDef* def = tags::fieldByKey(key);
        if (def && def->kind == tags::FieldKind::Number) {
            size_t first = std::min(value.find_first_not_of('0'), value.size() - 1);
            value = value.substr(first);
        }
        auto [it, fresh] = values.try_emplace(key, value);
        return fresh || it->second == value;
    }

    const Part& part_;
    const std::string& s_;
    std::vector<Values> readings_;
    size_t steps_ = 0;
};

bool isPersonKey(const std::string& key) {
    return key == "artist" || key == "album_artist" || key == "composer" || key == "conductor" ||
           key == "performer";
}

int balance(const std::string& value) {
    int depth = 0;
    for (char c : value)
        depth += c == '(' || c == '[' ? 1 : c == ')' || c == ']' ? -1 : 0;
    return depth;
}

/// Better readings have higher scores; readings with the same score cannot be told apart.
int score(const Values& values, const std::function<bool(const std::string&)>& isKnown) {
    int points = 0;
    for (const auto& [key, value] : values) {
        if (isPersonKey(key) && isKnown(text::fold(value)))
            points += 10;
        if (balance(value) != 0)
            points -= 3;
        // A value that begins or ends with a separator was cut at the wrong place.
        if (value.front() == '-' || value.back() == '-' || value.front() == '.' || value.front() == ',')
            points -= 5;
    }
    return points;
}

std::vector<Values> allReadings(const std::vector<Part>& parts, const Path& path, std::string& why) {
    std::vector<std::string> names;
    Path folder = path;
    folder.replace_extension();
    for (const Path& part : folder)
        names.push_back(readableName(part.native(), true));
    names.back() = readableName(folder.filename().native());
    size_t wanted = parts.size();
    if (names.size() < wanted + 1) {
        why = "It is not in as many folders as the plan has.";
        return {};
    }
    std::vector<Values> combined = {Values{}};
    for (size_t i = 0; i < wanted; ++i) {
        const std::string& name = names[names.size() - wanted + i];
        Matcher matcher(parts[i], name);
        std::vector<Values> next;
        for (const Values& a : combined)
            for (const Values& b : matcher.readings()) {
                Values both = a;
                bool agree = true;
                for (const auto& [key, value] : b)
                    if (auto [it, fresh] = both.try_emplace(key, value); !fresh && it->second != value)
                        agree = false;
                if (agree && next.size() < 64)
                    next.push_back(std::move(both));
            }
        if (next.empty()) {
            why = matcher.readings().empty() ? "\"" + name + "\" does not fit the plan."
                                             : "The same field would have two different values.";
            return {};
        }
        combined = std::move(next);
    }
    return combined;
}

/// One value is what stands there; several only where the plan says how they are joined.
std::vector<std::string> valuesOf(const Plan& plan, const std::string& key, const std::string& text) {
    for (const Piece& piece : plan.pieces)
        if (piece.kind == Piece::Kind::Field && piece.sources.front().key == key)
            for (const Modifier& m : piece.modifiers)
                if (m.kind == Modifier::Kind::Join && !m.text.empty()) {
                    std::vector<std::string> values;
                    for (const std::string& part : text::split(text, m.text))
                        if (std::string v = text::trim(part); !v.empty())
                            values.push_back(std::move(v));
                    return values;
                }
    return {text};
}

std::string shown(const Values& values, const Values& other) {
    for (const auto& [key, value] : values)
        if (auto it = other.find(key); it != other.end() && it->second != value)
            return tags::labelOf(key) + " \"" + value + "\" or \"" + it->second + "\"";
    return "which fields it holds";
}

} // namespace

std::vector<NameReading> readNames(const Plan& plan, const std::vector<Path>& paths,
                                   const std::set<std::string>& knownArtists) {
    std::vector<Part> parts = partsOf(plan);
    std::vector<NameReading> out(paths.size());
    std::vector<std::vector<Values>> readings(paths.size());
    // Artists that a sleeve-mate's name leaves no doubt about count as known within the folder.
    std::map<Path, std::map<std::string, int>> certain;
    for (size_t i = 0; i < paths.size(); ++i) {
        readings[i] = allReadings(parts, paths[i], out[i].why);
        if (readings[i].size() == 1)
            for (const auto& [key, value] : readings[i].front())
                if (isPersonKey(key))
                    ++certain[paths[i].parent_path()][text::fold(value)];
    }
    std::map<Path, std::vector<Position>> told;
    for (size_t i = 0; i < paths.size(); ++i)
        if (!readings[i].empty())
            if (const auto it = readings[i].front().find(positionFact); it != readings[i].front().end())
                if (const auto p = wholePosition(it->second))
                    told[paths[i].parent_path()].push_back(*p);
    std::map<Path, Positions> positions;
    for (const auto& [folder, all] : told)
        positions.emplace(folder, Positions(all));
    for (size_t i = 0; i < paths.size(); ++i) {
        if (readings[i].empty())
            continue;
        const std::map<std::string, int>& mates = certain[paths[i].parent_path()];
        auto known = [&](const std::string& folded) {
            return knownArtists.contains(folded) || mates.contains(folded);
        };
        std::vector<std::pair<int, size_t>> ranked;
        for (size_t r = 0; r < readings[i].size(); ++r)
            ranked.emplace_back(-score(readings[i][r], known), r);
        std::sort(ranked.begin(), ranked.end());
        const Values& best = readings[i][ranked[0].second];
        out[i].fits = true;
        auto fieldsOf = [&](const Values& values) {
            tags::Fields fields;
            for (const auto& [key, value] : values)
                if (!isFact(key)) // a fact is told by the file itself, never by its name
                    fields[key] = valuesOf(plan, key, value);
            if (const auto it = values.find(positionFact); it != values.end())
                if (const auto p = wholePosition(it->second)) {
                    const auto at = positions.find(paths[i].parent_path());
                    (at == positions.end() ? Positions({}) : at->second).put(*p, 0, fields);
                }
            return fields;
        };
        out[i].values = fieldsOf(best);
        if (ranked.size() > 1) {
            out[i].other = fieldsOf(readings[i][ranked[1].second]);
            const int margin = ranked[1].first - ranked[0].first;
            out[i].certainty = 1 / (1 + std::exp(-margin / 3.0));
        }
        if (ranked.size() > 1 && ranked[0].first == ranked[1].first) {
            out[i].doubtful = true;
            out[i].why = "It can be read in " + std::to_string(ranked.size()) +
                         " ways: " + shown(best, readings[i][ranked[1].second]) + "?";
        }
    }
    return out;
}

} // namespace moorfrost::naming
