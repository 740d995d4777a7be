// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/reference/release.h"

#include <algorithm>

namespace moorfrost::reference {

std::string Credit::text() const {
    std::string out;
    for (size_t i = 0; i < names.size(); ++i) {
        out += names[i].name;
        if (i + 1 < names.size())
            out += names[i].join.empty() ? ", " : names[i].join;
    }
    return out;
}

size_t Release::trackCount() const {
    size_t n = 0;
    for (const Medium& m : media)
        n += m.tracks.size();
    return n;
}

int64_t Release::lengthMs() const {
    int64_t sum = 0;
    for (const Medium& m : media)
        for (const Track& t : m.tracks) {
            if (t.lengthMs <= 0)
                return 0;
            sum += t.lengthMs;
        }
    return sum;
}

namespace {

const ReleaseDate* firstOf(const std::vector<ReleaseDate>& dates) {
    const auto first = std::ranges::min_element(dates, {}, &ReleaseDate::date);
    return first == dates.end() ? nullptr : &*first;
}

} // namespace

std::string Release::date() const {
    const ReleaseDate* first = firstOf(dates);
    return first ? first->date : std::string();
}

std::string Release::country() const {
    const ReleaseDate* first = firstOf(dates);
    return first ? first->country : std::string();
}

std::string Release::carrier() const {
    std::vector<std::pair<std::string, size_t>> counts;
    for (const Medium& m : media) {
        if (m.carrier.empty())
            continue;
        const auto same = std::ranges::find(counts, m.carrier, &std::pair<std::string, size_t>::first);
        if (same == counts.end())
            counts.emplace_back(m.carrier, 1);
        else
            ++same->second;
    }
    std::string out;
    for (const auto& [carrier, count] : counts) {
        if (!out.empty())
            out += " + ";
        if (count > 1)
            out += std::to_string(count) + " \u00D7 ";
        out += carrier;
    }
    return out;
}

} // namespace moorfrost::reference
