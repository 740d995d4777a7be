// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/releases/release_tags.h"

#include <algorithm>

#include "core/text/text.h"

namespace moorfrost::library {

namespace {

std::vector<std::string> namesOf(const reference::Credit& credit) {
    std::vector<std::string> out;
    // Names with words of their own between them ("feat.") stay together as they are printed.
    const bool plain = std::ranges::all_of(credit.names, [&](const auto& n) {
        return &n == &credit.names.back() || n.join.empty() || n.join == ", " || n.join == "; ";
    });
    if (!plain)
        return {credit.text()};
    for (const auto& n : credit.names)
        out.push_back(n.name);
    return out;
}

} // namespace

const std::vector<std::pair<std::string, std::string>>& trackFacts() {
    static const std::vector<std::pair<std::string, std::string>> all = {{"track title", "title"},
                                                                         {"track artist", "artist"},
                                                                         {"track number", "track"},
                                                                         {"track code", "isrc"}};
    return all;
}

tags::Fields tagsOfTrack(const ReleaseView& view, size_t medium, size_t number,
                         const std::set<std::string>& leftOut) {
    tags::Fields out;
    auto isLeftOut = [&](const char* key) { return leftOut.contains(key); };
    for (const FactDef& def : releaseFacts()) {
        if (isLeftOut(def.key) || !*def.field)
            continue;
        const std::vector<std::string> values = factOf(view.release, def.key);
        const auto fact = view.facts.find(def.key);
        const bool none = fact != view.facts.end() && fact->second.none;
        if (values.empty() && !none)
            continue;
        for (auto& [field, texts] : tagsOfFact(def.key, values))
            if (!texts.empty() || (none && field == def.field))
                out[field] = texts;
    }
    // The credit goes name by name, or as it is printed.
    if (!isLeftOut("credit") && !view.release.credit.names.empty()) {
        const auto names = namesOf(view.release.credit);
        out["album_artist"] = names;
        if (names.size() != view.release.credit.names.size())
            out.erase("album_artist_sort");
    }
    const MediumView& m = view.media[medium];
    if (!isLeftOut(mediaFact) && !m.carrier.empty())
        out["carrier"] = {m.carrier};
    const reference::Track& t = m.tracks[number].printed;
    if (!isLeftOut("track title") && !t.title.empty())
        out["title"] = {t.title};
    if (!isLeftOut("track artist")) {
        const reference::Credit& credit = t.credit.names.empty() ? view.release.credit : t.credit;
        if (!credit.names.empty())
            out["artist"] = namesOf(credit);
    }
    if (!isLeftOut("track number")) {
        // Places on sides are counted on through the medium.
        out["track"] = {text::isDigits(t.position) && !t.position.empty() ? t.position
                                                                          : std::to_string(number + 1)};
        out["tracks"] = {std::to_string(m.tracks.size())};
        if (view.media.size() > 1) {
            out["disc"] = {std::to_string(medium + 1)};
            out["discs"] = {std::to_string(view.media.size())};
        }
    }
    if (!isLeftOut("track code") && !t.isrcs.empty())
        out["isrc"] = t.isrcs;
    return out;
}

} // namespace moorfrost::library
