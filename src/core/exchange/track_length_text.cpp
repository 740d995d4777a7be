// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/exchange/track_length_text.h"

#include "core/exchange/track_list_line.h"
#include "core/text/text.h"

namespace moorfrost::exchange {

bool readDigits(std::string_view s, size_t& at, int most, int64_t& out) {
    const size_t from = at;
    out = 0;
    while (at < s.size() && isDigit(s[at]) && static_cast<int>(at - from) < most)
        out = out * 10 + (s[at++] - '0');
    return at > from && !(at < s.size() && isDigit(s[at]));
}

namespace {

std::optional<FoundLength> lengthAt(std::string_view s, size_t from) {
    if (from > 0 && (isDigit(s[from - 1]) || s[from - 1] == ':' || s[from - 1] == '.'))
        return std::nullopt;
    size_t at = from;
    int64_t first = 0, second = 0, third = 0;
    if (!readDigits(s, at, 4, first))
        return std::nullopt;
    auto skipBlank = [&] {
        while (at < s.size() && s[at] == ' ')
            ++at;
    };
    FoundLength out{from, 0, 0, false, false};
    auto word = [&](std::string_view w) {
        const size_t next = at + w.size();
        if (text::lower(s.substr(at, w.size())) != w || (next < s.size() && isLetter(s[next])))
            return false;
        at = next;
        return true;
    };
    if (at < s.size() &&
        (s[at] == ':' || s[at] == '\'' || s.substr(at).starts_with("\u2019") || s[at] == '.')) {
        out.dotted = s[at] == '.';
        const bool minutes = s[at] == '\'' || s.substr(at).starts_with("\u2019");
        at += s.substr(at).starts_with("\u2019") ? 3 : 1;
        const size_t begin = at;
        if (!readDigits(s, at, 2, second) || at - begin != 2 || second > 59)
            return std::nullopt;
        if (!out.dotted && !minutes && at + 2 < s.size() && s[at] == ':' && isDigit(s[at + 1])) {
            ++at;
            const size_t third0 = at;
            if (!readDigits(s, at, 2, third) || at - third0 != 2 || third > 59)
                return std::nullopt;
            out.ms = ((first * 60 + second) * 60 + third) * 1000;
        } else {
            out.ms = (first * 60 + second) * 1000;
        }
        if (!out.dotted && !minutes && at + 1 < s.size() && (s[at] == '.' || s[at] == ',') &&
            isDigit(s[at + 1])) {
            int64_t scale = 100;
            for (++at; at < s.size() && isDigit(s[at]); ++at, scale /= 10)
                out.ms += scale * (s[at] - '0');
        }
        if (minutes) {
            if (at < s.size() && s[at] == '"')
                ++at;
            else if (s.substr(at).starts_with("\u201D"))
                at += 3;
            else if (s.substr(at).starts_with("''"))
                at += 2;
        } else {
            const size_t had = at;
            skipBlank();
            if (!(word("min") || word("mins") || word("min.") || word("minutes") || word("h")))
                at = had;
        }
    } else { // "3 min 41 s", "3m41s", "3m 41"
        skipBlank();
        if (!(word("minutes") || word("min") || word("mins") || (s.substr(at, 1) == "m" && (++at, true))))
            return std::nullopt;
        skipBlank();
        const size_t begin = at;
        if (!readDigits(s, at, 2, second) || second > 59) {
            at = begin;
            return std::nullopt;
        }
        skipBlank();
        if (!(word("seconds") || word("sec") || word("s")) && at < s.size() && isLetter(s[at]))
            return std::nullopt;
        out.ms = (first * 60 + second) * 1000;
    }
    if (at < s.size() && (isDigit(s[at]) || isLetter(s[at])))
        return std::nullopt;
    out.end = at;
    return out;
}

} // namespace

std::optional<FoundLength> lengthIn(std::string_view s) {
    std::optional<FoundLength> bracketed, last;
    for (size_t i = 0; i < s.size(); ++i) {
        if (!isDigit(s[i]))
            continue;
        auto found = lengthAt(s, i);
        if (!found)
            continue;
        size_t before = found->begin, after = found->end;
        while (before > 0 && s[before - 1] == ' ')
            --before;
        while (after < s.size() && s[after] == ' ')
            ++after;
        if (before > 0 && after < s.size() &&
            ((s[before - 1] == '(' && s[after] == ')') || (s[before - 1] == '[' && s[after] == ']'))) {
            found->begin = before - 1;
            found->end = after + 1;
            found->bracketed = true;
            bracketed = found;
        } else {
            last = found;
        }
        i = found->end > i ? found->end - 1 : i;
    }
    if (bracketed)
        return bracketed;
    if (!last)
        return std::nullopt;
    // Bare ones count at the ends of the line only.
    const bool atEnd = withoutEnds(s.substr(last->end)).empty();
    const bool atStart = withoutEnds(s.substr(0, last->begin)).empty();
    const bool parted = last->begin == 0 || !isLetter(s[last->begin - 1]);
    if (parted && (atEnd || (atStart && !last->dotted)))
        return last;
    if (!last->dotted) // one that stands in front may be followed by another at the end that is none
        for (size_t i = 0; i < s.size() && i < 3; ++i)
            if (isDigit(s[i]))
                return lengthAt(s, i);
    return std::nullopt;
}

} // namespace moorfrost::exchange
