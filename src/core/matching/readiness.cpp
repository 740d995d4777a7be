// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/matching/readiness.h"

#include <algorithm>
#include <set>

#include <fmt/format.h>

namespace moorfrost::matching {

namespace {

Met metBy(size_t having, size_t all) {
    return having == all ? Met::Yes : having == 0 ? Met::No : Met::Partly;
}

template<class Has>
ReadinessPart part(const char* name, const char* what, const std::vector<ReadinessInput>& files, Has has) {
    auto having = static_cast<size_t>(std::count_if(files.begin(), files.end(), has));
    return {name, metBy(having, files.size()),
            fmt::format("{} of {} files have {}", having, files.size(), what), files.size() - having};
}

} // namespace

std::vector<ReadinessPart> readinessOf(const std::vector<ReadinessInput>& files) {
    auto has = [](const char* key) {
        return [key](const ReadinessInput& f) { return f.fields.contains(key); };
    };
    std::vector<ReadinessPart> parts;
    parts.push_back(part("Titles and artists", "both", files, [](const ReadinessInput& f) {
        return f.fields.contains("title") && f.fields.contains("artist");
    }));
    parts.push_back(part("Album", "an album", files, has("album")));
    std::set<std::string> albums, dates;
    for (const ReadinessInput& f : files) {
        albums.insert(tags::firstValue(f.fields, "album"));
        dates.insert(tags::firstValue(f.fields, "date"));
    }
    if (parts.back().met == Met::Yes && albums.size() > 1) {
        parts.back().met = Met::Partly;
        parts.back().detail = fmt::format("{} different albums", albums.size());
    }
    parts.push_back(part("Date", "a date", files, has("date")));
    if (parts.back().met == Met::Yes && dates.size() > 1) {
        parts.back().met = Met::Partly;
        parts.back().detail = fmt::format("{} different dates", dates.size());
    }
    parts.push_back(part("Track numbers", "a track number", files, has("track")));
    std::set<std::string> numbers;
    for (const ReadinessInput& f : files)
        if (f.fields.contains("track"))
            numbers.insert(tags::firstValue(f.fields, "disc") + "/" + tags::firstValue(f.fields, "track"));
    if (parts.back().met == Met::Yes && numbers.size() < files.size()) {
        parts.back().met = Met::Partly;
        parts.back().detail = "The same track number twice";
    }
    parts.push_back(
        part("Front cover", "a picture", files, [](const ReadinessInput& f) { return f.hasPicture; }));
    return parts;
}

size_t gapsOf(const std::vector<ReadinessPart>& parts) {
    size_t gaps = 0;
    for (const ReadinessPart& p : parts)
        if (p.name != "Front cover")
            gaps += p.gaps;
    return gaps;
}

} // namespace moorfrost::matching
