// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/store/store.h"

#include <algorithm>
#include <cstdlib>
#include <ctime>
#include <system_error>

#include <nlohmann/json.hpp>
#include <sqlite3.h>

#include "core/library/store/keeping.h"
#include "core/library/store/schema.h"
#include "core/text/text.h"

namespace moorfrost::library {

using nlohmann::json;

namespace {
/// How the values of a draft are stored.
std::string valuesText(const std::vector<std::string>& values) {
    return json(values).dump(-1, ' ', false, json::error_handler_t::replace);
}

int64_t now() {
    return static_cast<int64_t>(std::time(nullptr));
}
} // namespace

Path Store::defaultPath() {
    const char* data = std::getenv("XDG_DATA_HOME");
    if (data && *data == '/')
        return Path(data) / "moorfrost" / "library.db";
    const char* home = std::getenv("HOME");
    return Path(home ? home : ".") / ".local" / "share" / "moorfrost" / "library.db";
}

Result<std::unique_ptr<Store>> Store::open(const Path& file) {
    std::error_code error;
    std::filesystem::create_directories(file.parent_path(), error);
    endPutBack(file);
    bool existed = std::filesystem::exists(file, error);
    try {
        std::unique_ptr<Store> store(new Store(file));
        store->migrate(file, existed);
        return store;
    } catch (const DatabaseError& e) {
        return Error{ErrorKind::Io, file,
                     "The library " + text::forDisplay(file.native()) + " cannot be opened: " + e.what() +
                         "."};
    }
}

void Store::migrate(const Path& file, bool existed) {
    Statement version(db_, "PRAGMA user_version");
    version.step();
    auto have = static_cast<size_t>(version.integer(0));
    version.reset();
    size_t want = migrations().size();
    if (have == want)
        return;
    if (have > want)
        throw DatabaseError("it was made by a newer Moorfrost; this one would damage it");
    if (existed && have > 0) {
        Path backup = file;
        backup += ".before-" + std::to_string(want);
        Statement copy(db_, "VACUUM INTO ?");
        std::error_code error;
        std::filesystem::remove(backup, error);
        copy.bind(backup.native()).run();
    }
    db_.execute("PRAGMA foreign_keys=OFF"); // tables are made anew; what refers to them refers to their names
    Transaction transaction(db_);
    // Another process may have been quicker.
    Statement again(db_, "PRAGMA user_version");
    again.step();
    have = static_cast<size_t>(again.integer(0));
    again.reset();
    for (size_t n = have; n < want; ++n) {
        db_.execute(migrations()[n].sql);
        if (migrations()[n].work)
            migrations()[n].work(db_);
    }
    db_.execute(("PRAGMA user_version = " + std::to_string(want)).c_str());
    transaction.commit();
    db_.execute("PRAGMA foreign_keys=ON");
}

int64_t Store::addBatch(const std::string& name) {
    Statement(db_, "INSERT INTO batch (name, created) VALUES (?,?)").bind(name).bind(now()).run();
    return db_.lastId();
}

void Store::describeBatch(int64_t id, const std::string& name, const std::string& note) {
    Statement(db_, "UPDATE batch SET name=?, note=? WHERE id=?").bind(name).bind(note).bind(id).run();
}

void Store::noteOrigins(int64_t batch, const std::vector<Path>& places) {
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

void Store::sendToBatch(int64_t batch, const std::vector<FileId>& files) {
    Transaction transaction(db_);
    addToBatch(batch, files);
    Statement came(db_, "UPDATE batch_file SET came=? WHERE batch=? AND file=? AND came=0");
    for (FileId id : files)
        came.bind(now()).bind(batch).bind(id).run();
    transaction.commit();
}

std::vector<BatchOrigin> Store::batchOrigins(int64_t batch) {
    std::vector<BatchOrigin> out;
    Statement s(db_, "SELECT origin, came, count(*) FROM batch_file WHERE batch=? GROUP BY origin, came"
                     " ORDER BY came, origin");
    s.bind(batch);
    while (s.step())
        out.push_back({Path(s.string(0)), s.integer(1), static_cast<size_t>(s.integer(2))});
    return out;
}

void Store::forgetBatch(int64_t id) {
    Transaction transaction(db_);
    Statement(db_,
              "DELETE FROM file WHERE shelf IS NULL AND id IN (SELECT file FROM batch_file WHERE batch=?1)"
              " AND id NOT IN (SELECT file FROM batch_file WHERE batch<>?1)")
        .bind(id)
        .run();
    Statement(db_, "DELETE FROM batch WHERE id=?").bind(id).run();
    transaction.commit();
}

std::vector<Batch> Store::batches() {
    std::vector<Batch> out;
    Statement s(db_, "SELECT id, name, created, note FROM batch ORDER BY id");
    while (s.step())
        out.push_back({s.integer(0), s.string(1), s.integer(2), s.string(3)});
    return out;
}

std::vector<BatchFile> Store::batchFiles(int64_t batch) {
    std::vector<BatchFile> out;
    Statement s(db_, "SELECT file, sleeve, by_hand FROM batch_file WHERE batch=?");
    s.bind(batch);
    while (s.step())
        out.push_back({s.integer(0), s.string(1), s.integer(2) != 0});
    return out;
}

void Store::addToBatch(int64_t batch, const std::vector<FileId>& files) {
    Transaction transaction(db_);
    Statement add(db_, "INSERT OR IGNORE INTO batch_file (batch, file) VALUES (?,?)");
    for (FileId id : files)
        add.bind(batch).bind(id).run();
    transaction.commit();
}

void Store::removeFromBatch(int64_t batch, const std::vector<FileId>& files) {
    Transaction transaction(db_);
    Statement remove(db_, "DELETE FROM batch_file WHERE batch=? AND file=?");
    Statement forget(
        db_, "DELETE FROM file WHERE id=? AND shelf IS NULL AND id NOT IN (SELECT file FROM batch_file)");
    for (FileId id : files) {
        remove.bind(batch).bind(id).run();
        forget.bind(id).run();
    }
    transaction.commit();
}

int64_t Store::batchOf(FileId file) {
    Statement s(db_, "SELECT batch FROM batch_file WHERE file=? ORDER BY batch DESC");
    s.bind(file);
    return s.step() ? s.integer(0) : 0;
}

void Store::setSleeves(int64_t batch, const std::map<FileId, std::string>& sleeves) {
    Transaction transaction(db_);
    Statement set(db_,
                  "UPDATE batch_file SET sleeve=?1 WHERE batch=? AND file=? AND by_hand=0 AND sleeve<>?1");
    for (const auto& [file, sleeve] : sleeves)
        set.bind(sleeve).bind(batch).bind(file).run();
    transaction.commit();
}

void Store::putIntoSleeve(int64_t batch, const std::vector<FileId>& files, const std::string& key,
                          bool byHand) {
    Transaction transaction(db_);
    Statement put(db_, "UPDATE batch_file SET sleeve=?, by_hand=? WHERE batch=? AND file=?");
    for (FileId id : files)
        put.bind(key).bind(byHand ? 1 : 0).bind(batch).bind(id).run();
    transaction.commit();
}

std::map<std::string, SleeveNote> Store::sleeveNotes(int64_t batch) {
    std::map<std::string, SleeveNote> out;
    Statement s(db_, "SELECT key, name, why FROM sleeve WHERE batch=?");
    s.bind(batch);
    while (s.step())
        out[s.string(0)] = {s.string(1), s.string(2)};
    return out;
}

void Store::setSleeveNotes(int64_t batch, const std::map<std::string, SleeveNote>& notes) {
    Transaction transaction(db_);
    Statement(db_, "DELETE FROM sleeve WHERE batch=?").bind(batch).run();
    Statement add(db_, "INSERT INTO sleeve SELECT ?1,?,?,? WHERE EXISTS (SELECT 1 FROM batch WHERE id=?1)");
    for (const auto& [key, note] : notes)
        add.bind(batch).bind(key).bind(note.name).bind(note.why).run();
    transaction.commit();
}

void Store::changeSleeveNotes(int64_t batch, const std::map<std::string, SleeveNote>& changed,
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

int64_t Store::addShelf(const std::string& name, const Path& path) {
    Statement s(
        db_,
        "INSERT INTO shelf (name, path) VALUES (?,?) ON CONFLICT(path) DO UPDATE SET path=path RETURNING id");
    s.bind(name).bindPath(path);
    s.step();
    return s.integer(0);
}

void Store::renameShelf(int64_t id, const std::string& name) {
    Statement(db_, "UPDATE shelf SET name=? WHERE id=?").bind(name).bind(id).run();
}

void Store::removeShelf(int64_t id) {
    Transaction transaction(db_);
    Statement(db_, "DELETE FROM shelf WHERE id=?").bind(id).run();
    transaction.commit();
}

std::vector<Shelf> Store::shelves() {
    std::vector<Shelf> out;
    Statement s(db_, "SELECT id, name, path FROM shelf ORDER BY id");
    while (s.step())
        out.push_back({s.integer(0), s.string(1), Path(s.string(2))});
    return out;
}

std::vector<std::tuple<FileId, std::string, Draft>> Store::drafts() {
    std::vector<std::tuple<FileId, std::string, Draft>> out;
    Statement s(db_, "SELECT file, field, \"values\", origin, \"when\" FROM draft");
    while (s.step()) {
        json values = json::parse(s.string(2), nullptr, false);
        Draft draft{{}, s.string(3), s.integer(4)};
        if (values.is_array())
            draft.values = values.get<std::vector<std::string>>();
        out.emplace_back(s.integer(0), s.string(1), std::move(draft));
    }
    return out;
}

void Store::saveDrafts(const std::vector<DraftChange>& changes) {
    Transaction transaction(db_);
    Statement put(
        db_, "INSERT OR REPLACE INTO draft SELECT ?,?,?,?,? WHERE EXISTS (SELECT 1 FROM file WHERE id=?)");
    Statement drop(db_, "DELETE FROM draft WHERE file=? AND field=?");
    for (const DraftChange& change : changes) {
        if (change.after) {
            put.bind(change.file)
                .bind(change.field)
                .bind(valuesText(change.after->values))
                .bind(change.after->origin);
            put.bind(change.after->when).bind(change.file).run();
        } else {
            drop.bind(change.file).bind(change.field).run();
        }
    }
    transaction.commit();
}

void Store::removeWritten(FileId file, const tags::Fields& written, bool moved) {
    Transaction transaction(db_);
    // What was typed while the write went on is a new draft and stays.
    Statement drop(db_, "DELETE FROM draft WHERE file=? AND field=? AND \"values\"=?");
    for (const auto& [field, values] : written)
        drop.bind(file).bind(field).bind(valuesText(values)).run();
    if (moved)
        Statement(db_, "DELETE FROM draft WHERE file=? AND field=?").bind(file).bind(placeKey).run();
    transaction.commit();
}

std::string Store::setting(const std::string& key) {
    Statement s(db_, "SELECT value FROM setting WHERE key=?");
    s.bind(key);
    return s.step() ? s.string(0) : std::string();
}

void Store::setSetting(const std::string& key, const std::string& value) {
    Statement(db_, "INSERT OR REPLACE INTO setting VALUES (?,?)").bind(key).bind(value).run();
}

} // namespace moorfrost::library
