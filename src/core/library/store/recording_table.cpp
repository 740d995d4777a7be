// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/store/recording_table.h"

#include <algorithm>
#include <ctime>
#include <set>

namespace moorfrost::library {

std::string fileIsKept() {
    return keptCondition("(SELECT recording FROM recording_file WHERE file = file.id)");
}

std::string keptCondition(const std::string& recording) {
    return "(EXISTS (SELECT 1 FROM recording_value WHERE recording = " + recording +
           ") OR EXISTS (SELECT 1 FROM recording WHERE id = " + recording +
           " AND best IS NOT NULL) OR EXISTS (SELECT 1 FROM recording_file AS member WHERE recording = " +
           recording +
           " AND by_hand <> 0) OR EXISTS (SELECT 1 FROM collection_recording WHERE recording = " + recording +
           ") OR EXISTS (SELECT 1 FROM \"use\" WHERE recording = " + recording +
           ") OR EXISTS (SELECT 1 FROM family_recording WHERE recording = " + recording +
           ") OR EXISTS (SELECT 1 FROM release_track WHERE recording = " + recording + "))";
}

RecordingPlace RecordingTable::placeOf(FileId file) {
    Statement s(db_, "SELECT recording, by_hand FROM recording_file WHERE file=?");
    return s.bind(file).step() ? RecordingPlace{s.integer(0), s.integer(1) != 0} : RecordingPlace{};
}

RecordingId RecordingTable::add() {
    Statement(db_, "INSERT INTO recording (since) VALUES (?)")
        .bind(static_cast<int64_t>(std::time(nullptr)))
        .run();
    return db_.lastId();
}

RecordingId RecordingTable::ensure(FileId file) {
    if (const RecordingId has = placeOf(file).recording; has != 0)
        return has;
    Transaction t(db_);
    const RecordingId made = add();
    put(file, {made, false});
    t.commit();
    return made;
}

void RecordingTable::put(FileId file, const RecordingPlace& place) {
    Transaction t(db_);
    if (place.recording == 0) {
        Statement(db_, "DELETE FROM recording_file WHERE file=?").bind(file).run();
    } else {
        Statement(db_, "INSERT OR IGNORE INTO recording (id, since) VALUES (?,?)")
            .bind(place.recording)
            .bind(static_cast<int64_t>(std::time(nullptr)))
            .run();
        Statement(db_,
                  "INSERT INTO recording_file (file, recording, by_hand) VALUES (?,?,?) ON CONFLICT (file)"
                  " DO UPDATE SET recording=excluded.recording, by_hand=excluded.by_hand")
            .bind(file)
            .bind(place.recording)
            .bind(place.byHand ? 1 : 0)
            .run();
    }
    t.commit();
}

std::vector<FileId> RecordingTable::filesOf(RecordingId recording) {
    std::vector<FileId> out;
    Statement s(db_, "SELECT file FROM recording_file WHERE recording=? ORDER BY file");
    s.bind(recording);
    while (s.step())
        out.push_back(s.integer(0));
    return out;
}

std::vector<FileId> RecordingTable::withOthers(const std::vector<FileId>& files) {
    std::set<FileId> out(files.begin(), files.end());
    std::set<RecordingId> seen;
    for (FileId file : files)
        if (const RecordingId r = placeOf(file).recording; r != 0 && seen.insert(r).second)
            for (FileId other : filesOf(r))
                out.insert(other);
    return {out.begin(), out.end()};
}

std::map<FileId, size_t> RecordingTable::othersOf(const std::vector<FileId>& files) {
    std::map<FileId, size_t> out;
    Statement s(db_, "SELECT count(*) FROM recording_file WHERE recording="
                     "(SELECT recording FROM recording_file WHERE file=?)");
    for (FileId file : files) {
        if (s.bind(file).step() && s.integer(0) > 1)
            out[file] = static_cast<size_t>(s.integer(0)) - 1;
        s.reset();
    }
    return out;
}

FileId RecordingTable::chosenOf(RecordingId recording) {
    Statement s(db_, "SELECT best FROM recording WHERE id=?");
    return s.bind(recording).step() ? s.integer(0) : 0;
}

void RecordingTable::choose(RecordingId recording, FileId file) {
    Statement s(db_, "UPDATE recording SET best=? WHERE id=?");
    file > 0 ? s.bind(file) : s.bindNull();
    s.bind(recording).run();
}

namespace {

/// The name of a field itself, not a parameter: only so are the few of some fields found without going
/// through all values.
std::string quoted(const std::string& field) {
    std::string out = "'";
    for (const char c : field)
        out += c == '\'' ? "''" : std::string(1, c);
    return out + "'";
}

} // namespace

std::vector<RecordingId> RecordingTable::withValue(const std::string& field, const std::string& value) {
    std::vector<RecordingId> out;
    Statement s(db_, "SELECT DISTINCT recording FROM recording_value WHERE field=" + quoted(field) +
                         " AND value=? ORDER BY recording");
    s.bind(value);
    while (s.step())
        out.push_back(s.integer(0));
    return out;
}

std::vector<std::pair<RecordingId, std::vector<std::string>>>
RecordingTable::allWith(const std::string& field) {
    std::vector<std::pair<RecordingId, std::vector<std::string>>> out;
    Statement s(db_, "SELECT recording, value FROM recording_value WHERE field=" + quoted(field) +
                         " ORDER BY recording, position");
    while (s.step()) {
        if (out.empty() || out.back().first != s.integer(0))
            out.emplace_back(s.integer(0), std::vector<std::string>());
        out.back().second.push_back(s.string(1));
    }
    return out;
}

std::vector<std::string> RecordingTable::values(RecordingId recording, const std::string& field) {
    std::vector<std::string> out;
    Statement s(db_, "SELECT value FROM recording_value WHERE recording=? AND field=? ORDER BY position");
    s.bind(recording).bind(field);
    while (s.step())
        out.push_back(s.string(0));
    return out;
}

std::map<std::string, std::vector<std::string>> RecordingTable::allValues(RecordingId recording) {
    std::map<std::string, std::vector<std::string>> out;
    Statement s(db_, "SELECT field, value FROM recording_value WHERE recording=? ORDER BY field, position");
    s.bind(recording);
    while (s.step())
        out[s.string(0)].push_back(s.string(1));
    return out;
}

void RecordingTable::setValues(RecordingId recording, const std::string& field,
                               const std::vector<std::string>& values) {
    Transaction t(db_);
    Statement(db_, "DELETE FROM recording_value WHERE recording=? AND field=?")
        .bind(recording)
        .bind(field)
        .run();
    Statement add(db_, "INSERT INTO recording_value VALUES (?,?,?,?)");
    for (size_t i = 0; i < values.size(); ++i)
        add.bind(recording).bind(field).bind(static_cast<int64_t>(i)).bind(values[i]).run();
    t.commit();
}

KeptValues RecordingTable::valuesOfFiles(const std::string& field, const std::vector<FileId>& files) {
    KeptValues out;
    Statement s(db_, "SELECT value FROM recording_value WHERE field=?2 AND recording="
                     "(SELECT recording FROM recording_file WHERE file=?1) ORDER BY position");
    for (FileId file : files) {
        s.bind(file).bind(field);
        while (s.step())
            out[file].push_back(s.string(0));
        s.reset();
    }
    return out;
}

bool RecordingTable::isKept(FileId file) {
    const RecordingId recording = placeOf(file).recording;
    if (recording == 0)
        return false;
    Statement s(db_, "SELECT " + keptCondition("?1"));
    return s.bind(recording).step() && s.integer(0) != 0;
}

void RecordingTable::join(FileId from, FileId to) {
    const RecordingPlace source = placeOf(from), target = placeOf(to);
    if (source.recording == 0 || source.recording == target.recording)
        return;
    Transaction t(db_);
    for (const auto& [field, list] : allValues(target.recording)) // "" where there is none
        if (values(source.recording, field).empty())
            setValues(source.recording, field, list);
    put(to, {source.recording, source.byHand});
    t.commit();
}

std::vector<FileId> RecordingTable::unlooked() {
    std::vector<FileId> out;
    Statement s(db_, "SELECT file FROM recording_file WHERE looked=0 ORDER BY file");
    while (s.step())
        out.push_back(s.integer(0));
    return out;
}

void RecordingTable::setLooked(const std::vector<FileId>& files) {
    Transaction t(db_);
    Statement s(db_, "UPDATE recording_file SET looked=1 WHERE file=?");
    for (FileId file : files)
        s.bind(file).run();
    t.commit();
}

void RecordingTable::complete() {
    Transaction t(db_);
    const std::string now = std::to_string(std::time(nullptr));
    for (const char* table : {"recording_file", "recording_value", "collection_recording", "\"use\"",
                              "family_recording", "release_track"})
        db_.execute(("INSERT OR IGNORE INTO recording (id, since) SELECT DISTINCT recording, " + now +
                     " FROM " + table + " WHERE recording IS NOT NULL")
                        .c_str());
    std::vector<FileId> without;
    {
        Statement s(db_, "SELECT id FROM file WHERE shelf IS NOT NULL"
                         " AND NOT EXISTS (SELECT 1 FROM recording_file WHERE file=file.id)");
        while (s.step())
            without.push_back(s.integer(0));
    }
    for (FileId file : without)
        ensure(file);
    t.commit();
}

} // namespace moorfrost::library
