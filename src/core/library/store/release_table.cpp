// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/store/release_table.h"

namespace moorfrost::library {

std::vector<ReleaseId> ReleaseTable::all() {
    std::vector<ReleaseId> out;
    Statement s(db_, "SELECT id FROM release ORDER BY id");
    while (s.step())
        out.push_back(s.integer(0));
    return out;
}

bool ReleaseTable::has(ReleaseId id) {
    return sinceOf(id) != 0;
}

ReleaseId ReleaseTable::fresh() {
    // Numbers that were in use once stay with the journal.
    Statement s(db_,
                "SELECT max((SELECT coalesce(max(id), 0) FROM release),"
                " (SELECT coalesce(max(subject), 0) FROM library_change_part WHERE kind='release')) + 1");
    return s.step() ? s.integer(0) : 1;
}

void ReleaseTable::add(ReleaseId id, int64_t since) {
    Statement(db_, "INSERT OR REPLACE INTO release (id, since) VALUES (?,?)").bind(id).bind(since).run();
}

int64_t ReleaseTable::sinceOf(ReleaseId id) {
    Statement s(db_, "SELECT since FROM release WHERE id=?");
    return s.bind(id).step() ? s.integer(0) : 0;
}

void ReleaseTable::remove(ReleaseId id) {
    Statement(db_, "DELETE FROM release WHERE id=?").bind(id).run();
}

std::map<int, std::vector<KeptTrack>> ReleaseTable::tracks(ReleaseId id) {
    std::map<int, std::vector<KeptTrack>> out;
    Statement s(db_, "SELECT medium, content, coalesce(recording, 0) FROM release_track WHERE release=?"
                     " ORDER BY medium, number");
    s.bind(id);
    while (s.step())
        out[static_cast<int>(s.integer(0))].push_back({s.string(1), s.integer(2)});
    return out;
}

std::map<ReleaseId, std::map<int, std::vector<KeptTrack>>> ReleaseTable::allTracks() {
    std::map<ReleaseId, std::map<int, std::vector<KeptTrack>>> out;
    Statement s(db_, "SELECT release, medium, content, coalesce(recording, 0) FROM release_track"
                     " ORDER BY release, medium, number");
    while (s.step())
        out[s.integer(0)][static_cast<int>(s.integer(1))].push_back({s.string(2), s.integer(3)});
    return out;
}

std::vector<KeptTrack> ReleaseTable::tracks(ReleaseId id, int medium) {
    std::vector<KeptTrack> out;
    Statement s(db_, "SELECT content, coalesce(recording, 0) FROM release_track WHERE release=? AND medium=?"
                     " ORDER BY number");
    s.bind(id).bind(medium);
    while (s.step())
        out.push_back({s.string(0), s.integer(1)});
    return out;
}

void ReleaseTable::setTracks(ReleaseId id, int medium, const std::vector<KeptTrack>& tracks) {
    Transaction t(db_);
    Statement(db_, "DELETE FROM release_track WHERE release=? AND medium=?").bind(id).bind(medium).run();
    Statement add(db_, "INSERT INTO release_track (release, medium, number, content, recording)"
                       " VALUES (?,?,?,?,?)");
    for (size_t i = 0; i < tracks.size(); ++i) {
        add.bind(id).bind(medium).bind(static_cast<int64_t>(i)).bind(tracks[i].content);
        tracks[i].recording == 0 ? add.bindNull() : add.bind(tracks[i].recording);
        add.run();
    }
    t.commit();
}

std::vector<TrackPlace> ReleaseTable::placesOf(RecordingId recording) {
    std::vector<TrackPlace> out;
    Statement s(db_, "SELECT release, medium, number FROM release_track WHERE recording=?"
                     " ORDER BY release, medium, number");
    s.bind(recording);
    while (s.step())
        out.push_back({s.integer(0), static_cast<int>(s.integer(1)), static_cast<size_t>(s.integer(2))});
    return out;
}

std::vector<FileId> ReleaseTable::filesOf(ReleaseId id) {
    std::vector<FileId> out;
    Statement s(db_, "SELECT file FROM release_file WHERE release=? ORDER BY file");
    s.bind(id);
    while (s.step())
        out.push_back(s.integer(0));
    return out;
}

ReleaseId ReleaseTable::releaseOf(FileId file) {
    Statement s(db_, "SELECT release FROM release_file WHERE file=?");
    return s.bind(file).step() ? s.integer(0) : 0;
}

std::map<FileId, ReleaseId> ReleaseTable::allFiles() {
    std::map<FileId, ReleaseId> out;
    Statement s(db_, "SELECT file, release FROM release_file ORDER BY file");
    while (s.step())
        out.emplace_hint(out.end(), s.integer(0), s.integer(1));
    return out;
}

void ReleaseTable::putFile(FileId file, ReleaseId id) {
    if (id == 0)
        Statement(db_, "DELETE FROM release_file WHERE file=?").bind(file).run();
    else
        Statement(db_, "INSERT OR REPLACE INTO release_file (file, release) VALUES (?,?)")
            .bind(file)
            .bind(id)
            .run();
}

} // namespace moorfrost::library
