// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/releases/release_groups.h"

#include <algorithm>
#include <charconv>

#include "core/library/search/joint_field.h"
#include "core/library/search/release_rows.h"
#include "core/matching/clues.h"
#include "core/text/likeness.h"
#include "core/text/text.h"

namespace moorfrost::library {

namespace {

constexpr std::string_view numberBegins = "library:release-";
constexpr double sameTitle = 0.7; // the number may come from the tags of another library

} // namespace

std::string numberInTags(ReleaseId release) {
    return std::string(numberBegins) + std::to_string(release);
}

ReleaseId releaseOfNumber(const std::string& number) {
    if (!number.starts_with(numberBegins))
        return 0;
    ReleaseId out = 0;
    const char* end = number.data() + number.size();
    const auto [at, error] = std::from_chars(number.data() + numberBegins.size(), end, out);
    return error == std::errc() && at == end && out > 0 ? out : 0;
}

KeptReleases keptReleases(Store& store) {
    KeptReleases out{
        store.releases().allFacts(), store.releases().allTracks(), store.releases().allFiles(), {}};
    for (const ReleaseId id : store.releases().all())
        out.facts.try_emplace(id);
    for (const auto& [id, media] : out.tracks)
        for (const auto& [medium, tracks] : media)
            for (const KeptTrack& t : tracks)
                if (t.recording != 0 && !out.fileOf.contains(t.recording))
                    if (const auto files = store.recordings().filesOf(t.recording); !files.empty())
                        out.fileOf[t.recording] = files.front();
    return out;
}

ReleaseGroups releaseGroups(const Searcher& library, const KeptReleases& kept, std::stop_token stop) {
    ReleaseGroups out;
    for (const auto& [id, facts] : kept.facts)
        out.kept[id];
    const JointField& numbers = library.field(matching::referenceNumberField);
    /// Whose its tags say it is.
    auto named = [&](Row row) -> ReleaseId {
        const uint32_t list = numbers.listOf(row);
        const ReleaseId id = list == 0 ? 0 : releaseOfNumber(numbers.text(list));
        const auto facts = id == 0 ? kept.facts.end() : kept.facts.find(id);
        if (facts == kept.facts.end())
            return 0;
        const auto title = facts->second.find("title");
        if (title != facts->second.end() && !title->second.values.empty() &&
            text::likeness(text::Likened(title->second.values.front()),
                           text::Likened(library.text(row, "album"))) > sameTitle)
            return id;
        // It may be called otherwise since: its tracks are what they were.
        const std::string track = text::fold(library.text(row, "title"));
        if (const auto tracks = kept.tracks.find(id); tracks != kept.tracks.end() && !track.empty())
            for (const auto& [medium, some] : tracks->second)
                for (const KeptTrack& t : some)
                    if (text::fold(trackFrom(t.content).title) == track)
                        return id;
        return 0;
    };
    for (std::vector<Row>& rows : rowsByRelease(library, stop)) {
        // Files that are of a release which is kept are there; the others of the same sleeve go with them
        // where they are all of one.
        std::map<ReleaseId, size_t> owners;
        for (const Row row : rows)
            if (const auto owner = kept.files.find(library.idOf(row)); owner != kept.files.end())
                if (kept.facts.contains(owner->second))
                    ++owners[owner->second];
        if (owners.empty() && !rows.empty())
            if (const ReleaseId id = named(rows.front()); id != 0) // one number is one group
                owners[id] = rows.size();
        if (owners.empty()) {
            out.told.push_back(std::move(rows));
            continue;
        }
        const auto first = std::ranges::max_element(owners, {}, [](const auto& o) { return o.second; });
        for (const Row row : rows) {
            const auto owner = kept.files.find(library.idOf(row));
            const bool isOwned = owner != kept.files.end() && owners.contains(owner->second);
            out.kept[isOwned ? owner->second : first->first].push_back(row);
        }
    }
    if (stop.stop_requested())
        return {};
    // Files without an album may be of a release, too.
    for (const auto& [file, id] : kept.files)
        if (const auto row = library.rowOf(file); row && kept.facts.contains(id)) {
            auto& rows = out.kept[id];
            if (std::ranges::find(rows, *row) == rows.end())
                rows.push_back(*row);
        }
    return out;
}

} // namespace moorfrost::library
