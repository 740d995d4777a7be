// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/store/batch_table.h"

#include <ctime>

#include "core/library/store/recording_table.h"

namespace moorfrost::library {

namespace {
int64_t now() {
    return static_cast<int64_t>(std::time(nullptr));
}
} // namespace

int64_t BatchTable::add(const std::string& name) {
    Statement(db_, "INSERT INTO batch (name, created) VALUES (?,?)").bind(name).bind(now()).run();
    return db_.lastId();
}

void BatchTable::describe(int64_t id, const std::string& name, const std::string& note) {
    Statement(db_, "UPDATE batch SET name=?, note=? WHERE id=?").bind(name).bind(note).bind(id).run();
}

void BatchTable::noteOrigins(int64_t batch, const std::vector<Path>& places) {
    Transaction transaction(db_);
    // Blobs are compared byte by byte: what lies in a folder is between "folder/" and "folder0".
    Statement in(db_,
                 "UPDATE batch_file SET origin=?1, came=?2 WHERE batch=?3 AND came=0 AND EXISTS"
                 " (SELECT 1 FROM file WHERE id=batch_file.file AND (path=?1 OR (path>=?4 AND path<?5)))");
    for (const Path& place : places) {
        std::string folder = place.native();
        if (folder.ends_with('/'))
            folder.pop_back();
        in.bindBlob(folder).bind(now()).bind(batch).bindBlob(folder + '/').bindBlob(folder + '0').run();
    }
    transaction.commit();
}

void BatchTable::send(int64_t batch, const std::vector<FileId>& files) {
    Transaction transaction(db_);
    addFiles(batch, files);
    Statement came(db_, "UPDATE batch_file SET came=? WHERE batch=? AND file=? AND came=0");
    for (FileId id : files)
        came.bind(now()).bind(batch).bind(id).run();
    transaction.commit();
}

std::vector<BatchOrigin> BatchTable::origins(int64_t batch) {
    std::vector<BatchOrigin> out;
    Statement s(db_, "SELECT origin, came, count(*) FROM batch_file WHERE batch=? GROUP BY origin, came"
                     " ORDER BY came, origin");
    s.bind(batch);
    while (s.step())
        out.push_back({Path(s.string(0)), s.integer(1), static_cast<size_t>(s.integer(2))});
    return out;
}

namespace {
constexpr const char* notLookedAt = " AND NOT EXISTS (SELECT 1 FROM looked_at WHERE looked_at.file=file.id)";
} // namespace

void BatchTable::forget(int64_t id) {
    Transaction transaction(db_);
    const std::string ofNoOther = " IN (SELECT file FROM batch_file WHERE batch=?1) AND NOT EXISTS"
                                  " (SELECT 1 FROM batch_file AS other WHERE batch<>?1 AND other.file=";
    Statement(db_, "DELETE FROM draft WHERE file" + ofNoOther + "draft.file)").bind(id).run();
    Statement(db_, "DELETE FROM file WHERE shelf IS NULL AND id" + ofNoOther + "file.id) AND NOT " +
                       fileIsKept() + notLookedAt)
        .bind(id)
        .run();
    Statement(db_, "DELETE FROM batch WHERE id=?").bind(id).run();
    transaction.commit();
}

std::vector<Batch> BatchTable::all() {
    std::vector<Batch> out;
    Statement s(db_, "SELECT id, name, created, note FROM batch ORDER BY id");
    while (s.step())
        out.push_back({s.integer(0), s.string(1), s.integer(2), s.string(3)});
    return out;
}

std::vector<BatchFile> BatchTable::files(int64_t batch) {
    std::vector<BatchFile> out;
    Statement s(db_, "SELECT file, sleeve, by_hand FROM batch_file WHERE batch=?");
    s.bind(batch);
    while (s.step())
        out.push_back({s.integer(0), s.string(1), s.integer(2) != 0});
    return out;
}

void BatchTable::addFiles(int64_t batch, const std::vector<FileId>& files) {
    Transaction transaction(db_);
    Statement add(db_, "INSERT OR IGNORE INTO batch_file (batch, file) VALUES (?,?)");
    for (FileId id : files)
        add.bind(batch).bind(id).run();
    transaction.commit();
}

void BatchTable::removeFiles(int64_t batch, const std::vector<FileId>& files) {
    Transaction transaction(db_);
    Statement remove(db_, "DELETE FROM batch_file WHERE batch=? AND file=?");
    const std::string lost = "=? AND NOT EXISTS (SELECT 1 FROM batch_file WHERE batch_file.file=file.id)"
                             " AND shelf IS NULL";
    Statement drop(db_, "DELETE FROM draft WHERE file IN (SELECT id FROM file WHERE id" + lost + ")");
    Statement forget(db_, "DELETE FROM file WHERE id" + lost + " AND NOT " + fileIsKept() + notLookedAt);
    for (FileId id : files) {
        remove.bind(batch).bind(id).run();
        drop.bind(id).run();
        forget.bind(id).run();
    }
    transaction.commit();
}

std::map<FileId, std::map<int64_t, BatchFile>> BatchTable::placesOf(const std::vector<FileId>& files) {
    std::map<FileId, std::map<int64_t, BatchFile>> out;
    Statement s(db_, "SELECT batch, sleeve, by_hand FROM batch_file WHERE file=?");
    for (FileId id : files) {
        s.bind(id);
        while (s.step())
            out[id][s.integer(0)] = {id, s.string(1), s.integer(2) != 0};
        s.reset();
    }
    return out;
}

void BatchTable::setSleeves(int64_t batch, const std::map<FileId, std::string>& sleeves) {
    Transaction transaction(db_);
    Statement set(db_,
                  "UPDATE batch_file SET sleeve=?1 WHERE batch=? AND file=? AND by_hand=0 AND sleeve<>?1");
    for (const auto& [file, sleeve] : sleeves)
        set.bind(sleeve).bind(batch).bind(file).run();
    transaction.commit();
}

void BatchTable::putIntoSleeve(int64_t batch, const std::vector<FileId>& files, const std::string& key,
                               bool byHand) {
    Transaction transaction(db_);
    Statement put(db_, "UPDATE batch_file SET sleeve=?, by_hand=? WHERE batch=? AND file=?");
    for (FileId id : files)
        put.bind(key).bind(byHand ? 1 : 0).bind(batch).bind(id).run();
    transaction.commit();
}

std::map<std::string, SleeveNote> BatchTable::notes(int64_t batch) {
    std::map<std::string, SleeveNote> out;
    Statement s(db_, "SELECT key, name, why FROM sleeve WHERE batch=?");
    s.bind(batch);
    while (s.step())
        out[s.string(0)] = {s.string(1), s.string(2)};
    return out;
}

void BatchTable::setNotes(int64_t batch, const std::map<std::string, SleeveNote>& notes) {
    Transaction transaction(db_);
    Statement(db_, "DELETE FROM sleeve WHERE batch=?").bind(batch).run();
    Statement add(db_, "INSERT INTO sleeve SELECT ?1,?,?,? WHERE EXISTS (SELECT 1 FROM batch WHERE id=?1)");
    for (const auto& [key, note] : notes)
        add.bind(batch).bind(key).bind(note.name).bind(note.why).run();
    transaction.commit();
}

void BatchTable::changeNotes(int64_t batch, const std::map<std::string, SleeveNote>& changed,
                             const std::vector<std::string>& gone) {
    Transaction transaction(db_);
    Statement drop(db_, "DELETE FROM sleeve WHERE batch=? AND key=?");
    for (const std::string& key : gone)
        drop.bind(batch).bind(key).run();
    Statement put(db_, "INSERT INTO sleeve SELECT ?1,?,?,? WHERE EXISTS (SELECT 1 FROM batch WHERE id=?1)"
                       " ON CONFLICT (batch, key) DO UPDATE SET name=excluded.name, why=excluded.why");
    for (const auto& [key, note] : changed)
        put.bind(batch).bind(key).bind(note.name).bind(note.why).run();
    transaction.commit();
}

} // namespace moorfrost::library
