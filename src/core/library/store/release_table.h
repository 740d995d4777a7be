// SPDX-License-Identifier: GPL-3.0-or-later
// Releases that a person has said something of: facts, tracks, which files are of it. What the tags of the
// files tell is not repeated here (library/releases/release_view puts the two together). Nothing here is
// journalled: library/releases/release_changes does that.
#pragma once

#include <map>
#include <optional>
#include <string>
#include <vector>

#include "core/library/store/fact_rows.h"
#include "core/library/store/recording_table.h"

namespace moorfrost::library {

using ReleaseId = int64_t;

/// A place on a medium.
struct KeptTrack {
    std::string content;       // library/releases/facts.h, trackText()
    RecordingId recording = 0; // 0: not known
    bool operator==(const KeptTrack&) const = default;
};

struct TrackPlace {
    ReleaseId release = 0;
    int medium = 0; // from 0 on, as is
    size_t number = 0;
};

class ReleaseTable {
public:
    explicit ReleaseTable(Database& db) : db_(db), facts_(db, "release_fact", "release") {}

    std::vector<ReleaseId> all();
    bool has(ReleaseId id);
    /// A number that no release has had.
    ReleaseId fresh();
    void add(ReleaseId id, int64_t since);
    /// Nothing is kept of it any more. Since when it was there; 0: it was not.
    int64_t sinceOf(ReleaseId id);
    void remove(ReleaseId id);

    Facts facts(ReleaseId id) { return facts_.of(id); }
    std::map<ReleaseId, Facts> allFacts() { return facts_.all(); }
    std::optional<Fact> fact(ReleaseId id, const std::string& field) { return facts_.find(id, field); }
    void setFact(ReleaseId id, const std::string& field, const std::optional<Fact>& fact) {
        facts_.set(id, field, fact);
    }
    /// Those whose fact "set" is this number.
    std::vector<ReleaseId> inSet(ReleaseId set) { return facts_.with("set", {std::to_string(set)}); }

    /// Of each medium of which tracks are kept.
    std::map<int, std::vector<KeptTrack>> tracks(ReleaseId id);
    std::map<ReleaseId, std::map<int, std::vector<KeptTrack>>> allTracks();
    std::vector<KeptTrack> tracks(ReleaseId id, int medium);
    void setTracks(ReleaseId id, int medium, const std::vector<KeptTrack>& tracks);
    std::vector<TrackPlace> placesOf(RecordingId recording);

    /// Files that are of it, in the order of their numbers.
    std::vector<FileId> filesOf(ReleaseId id);
    ReleaseId releaseOf(FileId file);
    std::map<FileId, ReleaseId> allFiles();
    /// 0: of none.
    void putFile(FileId file, ReleaseId id);

private:
    Database& db_;
    FactRows facts_;
};

} // namespace moorfrost::library
