// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/store/store.h"

#include <algorithm>
#include <cstdlib>
#include <ctime>
#include <system_error>

#include <nlohmann/json.hpp>
#include <sqlite3.h>

#include "core/library/store/details.h"
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
    Statement version(db_.handle(), "PRAGMA user_version");
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
        Statement copy(db_.handle(), "VACUUM INTO ?");
        std::error_code error;
        std::filesystem::remove(backup, error);
        copy.bind(backup.native()).run();
    }
    Transaction transaction(db_);
    // Another process may have been quicker.
    Statement again(db_.handle(), "PRAGMA user_version");
    again.step();
    have = static_cast<size_t>(again.integer(0));
    again.reset();
    for (size_t n = have; n < want; ++n)
        db_.execute(migrations()[n]);
    db_.execute(("PRAGMA user_version = " + std::to_string(want)).c_str());
    transaction.commit();
}

FileId Store::writeRow(const files::ScannedFile& f, int64_t shelf) {
    tags::TagFile none;
    none.facts.size = f.state.size;
    const tags::TagFile& t = f.tags ? *f.tags : none;
    Statement insert(
        db_.handle(),
        "INSERT INTO file (path, size, modified_ns, format, codec, duration, sample_rate, channels, "
        "bit_depth,"
        " bitrate, damaged, notes, error, details, added) VALUES (?,?,?,?,?,?,?,?,?,?,?,?,?,?,?)"
        " ON CONFLICT(path) DO UPDATE SET size=excluded.size, modified_ns=excluded.modified_ns,"
        " format=excluded.format, codec=excluded.codec, duration=excluded.duration,"
        " sample_rate=excluded.sample_rate, channels=excluded.channels, bit_depth=excluded.bit_depth,"
        " bitrate=excluded.bitrate, damaged=excluded.damaged, notes=excluded.notes, error=excluded.error,"
        " details=excluded.details"
        " RETURNING id");
    insert.bindPath(f.path).bind(static_cast<int64_t>(f.state.size)).bind(f.state.modifiedNs);
    insert.bind(audio::formatName(t.format))
        .bind(t.facts.codec)
        .bind(t.facts.duration)
        .bind(t.facts.sampleRate);
    insert.bind(t.facts.channels).bind(t.facts.bitDepth).bind(t.facts.bitrate).bind(t.damaged ? 1 : 0);
    insert.bind(text::join(t.notes, "\n")).bind(f.error).bind(detailsText(t)).bind(now());
    insert.step();
    FileId id = insert.integer(0);
    insert.reset();
    for (const char* sql : {"DELETE FROM value WHERE file=?", "DELETE FROM picture WHERE file=?"})
        Statement(db_.handle(), sql).bind(id).run();
    writeValues(id, t.fields);
    Statement picture(db_.handle(), "INSERT INTO picture VALUES (?,?,?,?,?,?,?,?)");
    for (size_t i = 0; i < t.pictures.size(); ++i) {
        const tags::PictureInfo& p = t.pictures[i];
        picture.bind(id).bind(static_cast<int64_t>(i)).bind(p.type).bind(p.mime).bind(p.description);
        picture.bind(p.width).bind(p.height).bind(static_cast<int64_t>(p.bytes)).run();
    }
    if (shelf >= 0) {
        Statement set(db_.handle(), "UPDATE file SET shelf=? WHERE id=?");
        shelf > 0 ? set.bind(shelf) : set.bindNull();
        set.bind(id).run();
    }
    return id;
}

FileId Store::saveFile(const files::ScannedFile& file, int64_t shelf) {
    Transaction transaction(db_);
    FileId id = writeRow(file, shelf);
    transaction.commit();
    return id;
}

std::vector<FileId> Store::saveFiles(const std::vector<files::ScannedFile>& files, int64_t batch) {
    std::vector<FileId> ids;
    Transaction transaction(db_);
    Statement add(db_.handle(), "INSERT OR IGNORE INTO batch_file (batch, file) VALUES (?,?)");
    for (const files::ScannedFile& file : files) {
        ids.push_back(writeRow(file, -1));
        if (batch > 0)
            add.bind(batch).bind(ids.back()).run();
    }
    transaction.commit();
    return ids;
}

void Store::readRows(const std::string& which, std::optional<FileId> only,
                     const std::function<void(FileRecord&&)>& each) {
    // Three walks side by side, each in the order of the files' numbers.
    auto prepare = [&](const std::string& sql, const char* order) {
        auto s = std::make_unique<Statement>(db_.handle(), sql + " ORDER BY " + order);
        if (only)
            s->bind(*only);
        return s;
    };
    auto rows = prepare(
        "SELECT id, path, size, modified_ns, format, codec, duration, sample_rate, channels, bit_depth,"
        " bitrate, damaged, notes, error, shelf, added, details FROM file" +
            which,
        "id");
    auto values = prepare(std::string("SELECT file, field, value FROM value") + (only ? " WHERE file=?" : ""),
                          "file, field, position");
    auto pictures =
        prepare(std::string("SELECT file, type, mime, description, width, height, bytes FROM picture") +
                    (only ? " WHERE file=?" : ""),
                "file, position");
    bool moreValues = values->step(), morePictures = pictures->step();
    while (rows->step()) {
        FileRecord r;
        r.id = rows->integer(0);
        r.path = rows->string(1);
        r.state = {static_cast<uint64_t>(rows->integer(2)), rows->integer(3)};
        r.tags.format = audio::formatFromName(rows->string(4));
        r.tags.facts.codec = rows->string(5);
        r.tags.facts.duration = rows->real(6);
        r.tags.facts.sampleRate = static_cast<int>(rows->integer(7));
        r.tags.facts.channels = static_cast<int>(rows->integer(8));
        r.tags.facts.bitDepth = static_cast<int>(rows->integer(9));
        r.tags.facts.bitrate = static_cast<int>(rows->integer(10));
        r.tags.facts.size = r.state.size;
        r.tags.damaged = rows->integer(11) != 0;
        if (std::string notes = rows->string(12); !notes.empty())
            r.tags.notes = text::split(notes, "\n");
        r.error = rows->string(13);
        r.shelf = rows->integer(14);
        r.added = rows->integer(15);
        takeDetails(rows->string(16), r.tags);
        for (; moreValues && values->integer(0) <= r.id; moreValues = values->step())
            if (values->integer(0) == r.id)
                r.tags.fields[values->string(1)].push_back(values->string(2));
        for (; morePictures && pictures->integer(0) <= r.id; morePictures = pictures->step())
            if (pictures->integer(0) == r.id)
                r.tags.pictures.push_back({pictures->string(1), pictures->string(2), pictures->string(3),
                                           static_cast<int>(pictures->integer(4)),
                                           static_cast<int>(pictures->integer(5)),
                                           static_cast<uint64_t>(pictures->integer(6))});
        each(std::move(r));
    }
}

std::vector<FileRecord> Store::allFiles() {
    std::vector<FileRecord> out;
    eachFile(false, [&](FileRecord&& r) { out.push_back(std::move(r)); });
    return out;
}

void Store::eachFile(bool putAway, const std::function<void(FileRecord&&)>& each) {
    readRows(putAway ? " WHERE shelf IS NOT NULL" : "", std::nullopt, each);
}

std::optional<FileRecord> Store::file(FileId id) {
    std::optional<FileRecord> out;
    readRows(" WHERE id=?", id, [&](FileRecord&& r) { out = std::move(r); });
    return out;
}

std::string Store::changes() {
    return setting("changes");
}

FileId Store::fileByPath(const Path& path) {
    return filesByPath({path}).front();
}

std::vector<FileId> Store::filesByPath(const std::vector<Path>& paths) {
    std::vector<FileId> ids;
    Statement s(db_.handle(), "SELECT id FROM file WHERE path=?");
    for (const Path& path : paths) {
        ids.push_back(s.bindPath(path).step() ? s.integer(0) : 0);
        s.reset();
    }
    return ids;
}

void Store::moveFile(FileId id, const Path& to) {
    Transaction transaction(db_);
    Statement(db_.handle(), "DELETE FROM file WHERE path=? AND id<>?").bindPath(to).bind(id).run();
    Statement(db_.handle(), "UPDATE file SET path=? WHERE id=?").bindPath(to).bind(id).run();
    transaction.commit();
}

void Store::moveFiles(const std::vector<std::pair<FileId, Path>>& moves) {
    Transaction transaction(db_);
    // Paths are unique: names in between, which no file can have.
    Statement away(db_.handle(), "UPDATE file SET path=? WHERE id=?");
    for (const auto& [id, to] : moves)
        away.bindBlob(std::string("\0", 1) + std::to_string(id)).bind(id).run();
    for (const auto& [id, to] : moves)
        moveFile(id, to);
    transaction.commit();
}

void Store::updateFile(FileId id, const files::FileState& state, const std::optional<tags::Fields>& fields,
                       int64_t shelf) {
    Transaction transaction(db_);
    Statement update(db_.handle(), "UPDATE file SET size=?, modified_ns=?, shelf=? WHERE id=?");
    update.bind(static_cast<int64_t>(state.size)).bind(state.modifiedNs);
    shelf > 0 ? update.bind(shelf) : update.bindNull();
    update.bind(id).run();
    if (fields) {
        dropSettledDifferences(id, *fields);
        Statement(db_.handle(), "DELETE FROM value WHERE file=?").bind(id).run();
        writeValues(id, *fields);
    }
    transaction.commit();
}

void Store::dropSettledDifferences(FileId id, const tags::Fields& written) {
    auto before = file(id);
    if (!before || before->tags.differences.empty())
        return;
    // What is written is written into all tags of a file.
    std::erase_if(before->tags.differences, [&](const tags::Difference& d) {
        auto old = std::as_const(before->tags.fields).find(d.key), now = written.find(d.key);
        return (old == before->tags.fields.cend()) != (now == written.end()) ||
               (now != written.end() && old->second != now->second);
    });
    Statement(db_.handle(), "UPDATE file SET details=? WHERE id=?")
        .bind(detailsText(before->tags))
        .bind(id)
        .run();
}

void Store::writeValues(FileId id, const tags::Fields& fields) {
    Statement value(db_.handle(), "INSERT INTO value VALUES (?,?,?,?)");
    for (const auto& [field, values] : fields)
        for (size_t i = 0; i < values.size(); ++i)
            value.bind(id).bind(field).bind(static_cast<int64_t>(i)).bind(values[i]).run();
}

void Store::forgetFile(FileId id) {
    Transaction transaction(db_);
    Statement(db_.handle(), "DELETE FROM file WHERE id=?").bind(id).run();
    transaction.commit();
}

int64_t Store::addBatch(const std::string& name) {
    Statement(db_.handle(), "INSERT INTO batch (name, created) VALUES (?,?)").bind(name).bind(now()).run();
    return db_.lastId();
}

void Store::renameBatch(int64_t id, const std::string& name) {
    Statement(db_.handle(), "UPDATE batch SET name=? WHERE id=?").bind(name).bind(id).run();
}

void Store::forgetBatch(int64_t id) {
    Transaction transaction(db_);
    Statement(db_.handle(),
              "DELETE FROM file WHERE shelf IS NULL AND id IN (SELECT file FROM batch_file WHERE batch=?1)"
              " AND id NOT IN (SELECT file FROM batch_file WHERE batch<>?1)")
        .bind(id)
        .run();
    Statement(db_.handle(), "DELETE FROM batch WHERE id=?").bind(id).run();
    transaction.commit();
}

std::vector<Batch> Store::batches() {
    std::vector<Batch> out;
    Statement s(db_.handle(), "SELECT id, name, created FROM batch ORDER BY id");
    while (s.step())
        out.push_back({s.integer(0), s.string(1), s.integer(2)});
    return out;
}

std::vector<BatchFile> Store::batchFiles(int64_t batch) {
    std::vector<BatchFile> out;
    Statement s(db_.handle(), "SELECT file, sleeve FROM batch_file WHERE batch=?");
    s.bind(batch);
    while (s.step())
        out.push_back({s.integer(0), s.string(1)});
    return out;
}

void Store::addToBatch(int64_t batch, const std::vector<FileId>& files) {
    Transaction transaction(db_);
    Statement add(db_.handle(), "INSERT OR IGNORE INTO batch_file (batch, file) VALUES (?,?)");
    for (FileId id : files)
        add.bind(batch).bind(id).run();
    transaction.commit();
}

void Store::removeFromBatch(int64_t batch, const std::vector<FileId>& files) {
    Transaction transaction(db_);
    Statement remove(db_.handle(), "DELETE FROM batch_file WHERE batch=? AND file=?");
    Statement forget(
        db_.handle(),
        "DELETE FROM file WHERE id=? AND shelf IS NULL AND id NOT IN (SELECT file FROM batch_file)");
    for (FileId id : files) {
        remove.bind(batch).bind(id).run();
        forget.bind(id).run();
    }
    transaction.commit();
}

int64_t Store::batchOf(FileId file) {
    Statement s(db_.handle(), "SELECT batch FROM batch_file WHERE file=? ORDER BY batch DESC");
    s.bind(file);
    return s.step() ? s.integer(0) : 0;
}

void Store::setSleeves(int64_t batch, const std::map<FileId, std::string>& sleeves) {
    Transaction transaction(db_);
    Statement set(db_.handle(), "UPDATE batch_file SET sleeve=? WHERE batch=? AND file=?");
    for (const auto& [file, sleeve] : sleeves)
        set.bind(sleeve).bind(batch).bind(file).run();
    transaction.commit();
}

int64_t Store::addShelf(const std::string& name, const Path& path) {
    Statement s(
        db_.handle(),
        "INSERT INTO shelf (name, path) VALUES (?,?) ON CONFLICT(path) DO UPDATE SET path=path RETURNING id");
    s.bind(name).bindPath(path);
    s.step();
    return s.integer(0);
}

void Store::renameShelf(int64_t id, const std::string& name) {
    Statement(db_.handle(), "UPDATE shelf SET name=? WHERE id=?").bind(name).bind(id).run();
}

void Store::removeShelf(int64_t id) {
    Transaction transaction(db_);
    Statement(db_.handle(), "DELETE FROM shelf WHERE id=?").bind(id).run();
    transaction.commit();
}

std::vector<Shelf> Store::shelves() {
    std::vector<Shelf> out;
    Statement s(db_.handle(), "SELECT id, name, path FROM shelf ORDER BY id");
    while (s.step())
        out.push_back({s.integer(0), s.string(1), Path(s.string(2))});
    return out;
}

std::vector<std::tuple<FileId, std::string, Draft>> Store::drafts() {
    std::vector<std::tuple<FileId, std::string, Draft>> out;
    Statement s(db_.handle(), "SELECT file, field, \"values\", origin, \"when\" FROM draft");
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
        db_.handle(),
        "INSERT OR REPLACE INTO draft SELECT ?,?,?,?,? WHERE EXISTS (SELECT 1 FROM file WHERE id=?)");
    Statement drop(db_.handle(), "DELETE FROM draft WHERE file=? AND field=?");
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
    Statement drop(db_.handle(), "DELETE FROM draft WHERE file=? AND field=? AND \"values\"=?");
    for (const auto& [field, values] : written)
        drop.bind(file).bind(field).bind(valuesText(values)).run();
    if (moved)
        Statement(db_.handle(), "DELETE FROM draft WHERE file=? AND field=?").bind(file).bind(placeKey).run();
    transaction.commit();
}

std::string Store::setting(const std::string& key) {
    Statement s(db_.handle(), "SELECT value FROM setting WHERE key=?");
    s.bind(key);
    return s.step() ? s.string(0) : std::string();
}

void Store::setSetting(const std::string& key, const std::string& value) {
    Statement(db_.handle(), "INSERT OR REPLACE INTO setting VALUES (?,?)").bind(key).bind(value).run();
}

} // namespace moorfrost::library
