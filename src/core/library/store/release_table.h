// SPDX-License-Identifier: GPL-3.0-or-later
// Releases that a person has said something of: facts, tracks, which files are of it. What the tags of the
// files tell is not repeated here (library/releases/release_view puts the two together). Nothing here is
// journalled: library/releases/release_changes does that.
#pragma once

#include <map>
#include <optional>
#include <string>
#include <vector>

#include "core/library/store/recording_table.h"

namespace moorfrost::library {

using ReleaseId = int64_t;

/// What is kept of one matter of a release, and where it came from.
struct Fact {
    std::vector<std::string> values; // library/releases/facts.h
    bool none = false;               // known to be none ("no barcode"): not the same as not known
    std::string origin;              // "typed", "Cairn, edition 4417" ...
    int64_t when = 0;                // seconds since 1970
    bool operator==(const Fact&) const = default;
};
using Facts = std::map<std::string, Fact, std::less<>>;

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
    explicit ReleaseTable(Database& db) : db_(db) {}

    std::vector<ReleaseId> all();
    bool has(ReleaseId id);
    /// A number that no release has had.
    ReleaseId fresh();
    void add(ReleaseId id, int64_t since);
    /// Nothing is kept of it any more. Since when it was there; 0: it was not.
    int64_t sinceOf(ReleaseId id);
    void remove(ReleaseId id);

    Facts facts(ReleaseId id);
    std::map<ReleaseId, Facts> allFacts();
    std::optional<Fact> fact(ReleaseId id, const std::string& field);
    void setFact(ReleaseId id, const std::string& field, const std::optional<Fact>& fact);
    /// Those whose fact "set" is this number.
    std::vector<ReleaseId> inSet(ReleaseId set);

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
};

} // namespace moorfrost::library
