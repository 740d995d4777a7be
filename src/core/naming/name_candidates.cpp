// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/naming/name_candidates.h"

#include <algorithm>
#include <regex>

#include "core/text/text.h"

namespace moorfrost::naming {

namespace {

constexpr size_t mostCandidates = 60;
using Parts = std::vector<std::string>;

std::string joined(const Parts& parts, size_t from, size_t to, const std::string& separator) {
    return text::join(Parts(parts.begin() + static_cast<std::ptrdiff_t>(from),
                            parts.begin() + static_cast<std::ptrdiff_t>(to)),
                      separator);
}

int depthOf(const std::string& s) {
    int depth = 0;
    for (char c : s)
        depth += c == '(' || c == '[' ? 1 : c == ')' || c == ']' ? -1 : 0;
    return depth;
}

/// What makes a value look cut at the wrong place.
double oddness(const std::string& value) {
    double points = 0;
    if (depthOf(value) != 0)
        points -= 4;
    const char first = value.front(), last = value.back();
    if (first == '-' || last == '-' || first == ',' || last == ',' || first == '.' || first == ')')
        points -= 4;
    if (text::isDigits(value))
        points -= 3;
    return points;
}

class Builder {
public:
    Builder(const KnownNames& known, std::vector<NameCandidate>& out) : known_(known), out_(out) {}

    std::optional<Position> position;
    std::string head; // of the shape: "{position} "
    int couldPeel = 0;
    std::string date, tail; // a year at the end, and how the shape has it
    double base = 0;

    void put(const std::string& shape, const std::string& artist, const std::string& album,
             const std::string& title, double points) {
        if (title.empty() || out_.size() >= mostCandidates)
            return;
        NameCandidate c;
        c.shape = head + shape + tail;
        c.artist = artist;
        c.album = album;
        c.title = title;
        c.date = date;
        c.artistKey = artist.empty() ? std::string() : KnownNames::keyOf(artist);
        c.albumKey = album.empty() ? std::string() : KnownNames::keyOf(album);
        c.titleKey = KnownNames::keyOf(titleParts(title).title);
        c.position = position;
        c.couldPeel = couldPeel;
        c.base = base + points + oddness(title);
        if (!artist.empty()) {
            c.base += oddness(artist) - (text::isDigits(artist) ? 8 : 0);
            if (artist.size() > 60)
                c.base -= 2;
            if (!position && leadingPosition(artist) && !known_.find(artist))
                c.base -= 3;
        }
        if (!album.empty())
            c.base += oddness(album) - (text::isDigits(album) ? 8 : 0);
        out_.push_back(std::move(c));
    }

private:
    const KnownNames& known_;
    std::vector<NameCandidate>& out_;
};

/// Parts that separators set apart, as fields.
void assign(Builder& b, const Parts& parts, const std::string& sep, double points) {
    const size_t n = parts.size();
    const std::string &s = sep, joint = sep == "-" ? "-" : " - ";
    if (n == 2) {
        b.put("{artist}" + s + "{title}", parts[0], {}, parts[1], points);
        b.put("{title}" + s + "{artist}", parts[1], {}, parts[0], points - 3);
        b.put("{album}" + s + "{title}", {}, parts[0], parts[1], points - 2);
    }
    if (n >= 3) {
        b.put("{artist}" + s + "{album}" + s + "{title}", parts[0], joined(parts, 1, n - 1, joint),
              parts[n - 1], points - 0.5 - 0.5 * static_cast<double>(n - 3));
        b.put("{artist}" + s + "{title}", parts[0], {}, joined(parts, 1, n, joint),
              points - 1.5 * static_cast<double>(n - 2));
        b.put("{album}" + s + "{artist}" + s + "{title}", parts[1], parts[0], joined(parts, 2, n, joint),
              points - 2.5);
        b.put("{title}" + s + "{artist}", parts[n - 1], {}, joined(parts, 0, n - 1, joint), points - 5);
        b.put("{artist}" + s + "{title}", joined(parts, 0, n - 1, joint), {}, parts[n - 1], points - 4);
        if (const std::string year = yearIn(parts[1]); !year.empty() && n >= 4) {
            const std::string before = b.date;
            b.date = year;
            b.put("{artist}" + s + "{date: year}" + s + "{album}" + s + "{title}", parts[0],
                  joined(parts, 2, n - 1, joint), parts[n - 1], points + 2);
            b.date = before;
        }
    }
    b.put("{title}", {}, {}, joined(parts, 0, n, joint), points - 2.5 * static_cast<double>(n - 1));
}

/// A position that stands as a part of its own, or at the beginning of the last part, is taken out first.
void assignWithPositions(Builder& b, const Parts& parts, const std::string& sep, double points) {
    if (!b.position && parts.size() >= 2) {
        for (size_t i = 0; i < parts.size(); ++i) {
            const bool last = i + 1 == parts.size();
            auto p = wholePosition(parts[i]);
            std::string title;
            if (!p && last) {
                p = leadingPosition(parts[i]);
                if (p && p->strict)
                    title = parts[i].substr(p->end);
                else
                    p.reset();
            }
            if (!p || (last && title.empty()))
                continue;
            Parts rest = parts;
            if (last)
                rest.back() = title;
            else
                rest.erase(rest.begin() + static_cast<std::ptrdiff_t>(i));
            Builder with = b;
            with.position = p;
            with.couldPeel = 0;
            // The shape has the position where it stands.
            const std::string mark = last ? "{position} " : "{position}" + sep;
            const size_t n = rest.size();
            if (n == 1) {
                with.head += mark;
                with.put("{title}", {}, {}, rest[0], points);
            } else if (i == 0) {
                with.head += mark;
                assign(with, rest, sep, points);
            } else if (n == 2) {
                with.put("{artist}" + sep + mark + "{title}", rest[0], {}, rest[1], points + 0.5);
                with.put("{album}" + sep + mark + "{title}", {}, rest[0], rest[1], points - 1.5);
            } else {
                const std::string joint = sep == "-" ? "-" : " - ";
                if (i == n - 1) {
                    with.put("{artist}" + sep + "{album}" + sep + mark + "{title}", rest[0],
                             joined(rest, 1, n - 1, joint), rest[n - 1], points + 1);
                    with.put("{album}" + sep + "{artist}" + sep + mark + "{title}", rest[1], rest[0],
                             joined(rest, 2, n, joint), points - 1.5);
                } else if (i == 1) {
                    with.put("{artist}" + sep + mark + "{title}", rest[0], {}, joined(rest, 1, n, joint),
                             points);
                    with.put("{album}" + sep + mark + "{artist}" + sep + "{title}", rest[1], rest[0],
                             joined(rest, 2, n, joint), points + 0.5);
                }
            }
        }
    }
    assign(b, parts, sep, points);
}

void assignText(Builder& b, const std::string& text, const KnownNames& known) {
    const Parts spaced = spacedParts(text);
    if (spaced.size() >= 2) {
        assignWithPositions(b, spaced, " - ", 0);
        return;
    }
    b.put("{title}", {}, {}, text, 0);
    // Hyphens without spaces: each may part, or belong to a word.
    const Parts pieces = hyphenParts(text);
    if (pieces.size() >= 2 && pieces.size() <= 7) {
        const size_t n = pieces.size();
        for (size_t at = 1; at < n; ++at) {
            assignWithPositions(b, {joined(pieces, 0, at, "-"), joined(pieces, at, n, "-")}, "-", -0.5);
            for (size_t next = at + 1; next < n; ++next)
                assignWithPositions(
                    b,
                    {joined(pieces, 0, at, "-"), joined(pieces, at, next, "-"), joined(pieces, next, n, "-")},
                    "-", -1.5);
        }
    }
    // No separator at all: somebody who is known, and the rest.
    std::string loose = text;
    if (text.find(' ') == std::string::npos)
        std::ranges::replace(loose, '-', ' ');
    Parts words;
    for (const std::string& w : text::split(loose, " "))
        if (!w.empty())
            words.push_back(w);
    if (const size_t n = known.atBegin(words); n > 0) {
        std::string rest = joined(words, n, words.size(), " ");
        while (!rest.empty() && (rest.front() == '-' || rest.front() == ':' || rest.front() == ','))
            rest = text::trim(rest.substr(1));
        b.put("{artist} {title}", joined(words, 0, n, " "), {}, rest, -1);
    }
    if (const size_t n = known.atEnd(words); n > 0) {
        std::string rest = joined(words, 0, words.size() - n, " ");
        std::string shape = "{title} {artist}";
        if (const std::string folded = text::fold(rest); folded.ends_with(" by")) {
            rest = text::trim(rest.substr(0, rest.size() - 3));
            shape = "{title} by {artist}";
        }
        b.put(shape, joined(words, words.size() - n, words.size(), " "), {}, rest, -1.5);
    }
    if (text.ends_with(')'))
        if (const size_t at = text.rfind(" ("); at != std::string::npos && at > 0) {
            const std::string who = text.substr(at + 2, text.size() - at - 3);
            if (known.find(who))
                b.put("{title} ({artist})", who, {}, text::trim(text.substr(0, at)), -1);
        }
    static const std::regex by(R"(^(.+\S)\s+by\s+(\S.+)$)", std::regex::icase | std::regex::optimize);
    std::smatch m;
    if (std::regex_match(text, m, by))
        b.put("{title} by {artist}", m[2], {}, m[1], -0.5);
}

} // namespace

std::vector<NameCandidate> nameCandidates(const std::string& whole, const KnownNames& known) {
    std::vector<NameCandidate> out;
    const TitleParts parts = withoutGuests(whole); // they say nothing of the rest
    const std::string& name = parts.title;
    if (name.empty())
        return out;
    const auto position = leadingPosition(name);
    auto with = [&](Builder b, const std::string& text) {
        assignText(b, text, known);
        // A year at the end, in brackets.
        static const std::regex year(R"(^(.+\S)\s*[\(\[]((?:19|20)\d\d)[\)\]]$)", std::regex::optimize);
        std::smatch m;
        if (std::regex_match(text, m, year)) {
            b.date = m[2];
            b.tail = " ({date: year})";
            b.base += 1.5;
            assignText(b, m[1], known);
        }
    };
    if (position && position->end < name.size()) {
        Builder b(known, out);
        b.position = position;
        // What parts it from the rest, as the plan has it.
        const std::string rest = name.substr(position->end);
        std::string between = name.substr(0, position->end);
        const size_t last = between.find_last_of("0123456789");
        between = last == std::string::npos ? " " : between.substr(last + 1);
        const std::string first = name.front() == '[' || name.front() == '(' ? name.substr(0, 1) : "";
        b.head = first + "{position}" + between;
        with(b, rest);
    }
    Builder b(known, out);
    b.couldPeel = position ? position->strict ? 2 : 1 : 0;
    with(b, name);
    for (NameCandidate& c : out)
        c.guests = parts.guests;
    if (out.size() > 1 && wholePosition(name))
        for (NameCandidate& c : out)
            c.base -= 3;
    return out;
}

} // namespace moorfrost::naming
