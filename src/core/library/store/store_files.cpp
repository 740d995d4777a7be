// SPDX-License-Identifier: GPL-3.0-or-later
// The part of the store that holds what is known of files, and which of it has changed.
#include <algorithm>
#include <cmath>
#include <ctime>

#include "core/library/store/path_key.h"
#include "core/library/store/store.h"
#include "core/tags/packed.h"

namespace moorfrost::library {

namespace {

const std::string recordColumns =
    "SELECT id, path, size, modified_ns, error, shelf, added, content,"
    " (SELECT value FROM kept_value WHERE file=file.id AND field='kind') FROM file ";

FileRecord recordFrom(const Statement& row) {
    FileRecord r;
    r.id = row.integer(0);
    r.path = row.string(1);
    r.state = {static_cast<uint64_t>(row.integer(2)), row.integer(3)};
    r.error = row.string(4);
    r.shelf = row.integer(5);
    r.added = row.integer(6);
    r.kind = row.string(8);
    if (!tags::unpack(row.view(7), r.tags) && r.error.empty())
        r.error = "What the library knew of this file is damaged. Bring it in again.";
    r.tags.facts.size = r.state.size;
    return r;
}

} // namespace

FileId Store::writeRow(const files::ScannedFile& f, int64_t shelf) {
    static const tags::TagFile none;
    const std::string content = tags::packed(f.tags ? *f.tags : none);
    FileId id = fileByPath(f.path);
    if (id != 0) {
        Statement update(db_, "UPDATE file SET size=?, modified_ns=?, error=?, content=? WHERE id=?");
        update.bind(static_cast<int64_t>(f.state.size)).bind(f.state.modifiedNs);
        update.bind(f.error).bindBlob(content).bind(id).run();
    } else {
        Statement insert(db_,
                         "INSERT INTO file (path, path_key, size, modified_ns, error, content, added, shelf)"
                         " VALUES (?,?,?,?,?,?,?,?)");
        insert.bindPath(f.path).bind(pathKey(f.path.native()));
        insert.bind(static_cast<int64_t>(f.state.size)).bind(f.state.modifiedNs);
        insert.bind(f.error).bindBlob(content).bind(static_cast<int64_t>(std::time(nullptr)));
        shelf > 0 ? insert.bind(shelf) : insert.bindNull();
        insert.run();
        return db_.lastId();
    }
    if (shelf >= 0)
        setShelf({id}, shelf);
    return id;
}

void Store::setShelf(const std::vector<FileId>& files, int64_t shelf) {
    Transaction transaction(db_);
    Statement set(db_, "UPDATE file SET shelf=? WHERE id=?");
    for (FileId id : files) {
        shelf > 0 ? set.bind(shelf) : set.bindNull();
        set.bind(id).run();
    }
    transaction.commit();
}

FileId Store::saveFile(const files::ScannedFile& file, int64_t shelf) {
    Transaction transaction(db_);
    FileId id = writeRow(file, shelf);
    transaction.commit();
    return id;
}

std::vector<FileId> Store::saveFiles(const std::vector<files::ScannedFile>& files, int64_t batch,
                                     int64_t shelf) {
    std::vector<FileId> ids;
    Transaction transaction(db_);
    Statement add(db_, "INSERT OR IGNORE INTO batch_file (batch, file) VALUES (?,?)");
    for (const files::ScannedFile& file : files) {
        ids.push_back(writeRow(file, shelf));
        if (batch > 0)
            add.bind(batch).bind(ids.back()).run();
    }
    transaction.commit();
    return ids;
}

std::vector<FileRecord> Store::allFiles() {
    std::vector<FileRecord> out;
    eachFile(false, [&](FileRecord&& r) {
        out.push_back(std::move(r));
        return true;
    });
    return out;
}

void Store::eachFile(bool putAway, const std::function<bool(FileRecord&&)>& each) {
    Statement rows(db_, recordColumns + (putAway ? "WHERE shelf IS NOT NULL ORDER BY id" : "ORDER BY id"));
    while (rows.step() && each(recordFrom(rows))) {
    }
}

void Store::eachPacked(const std::function<bool(const PackedRecord&)>& each) {
    Statement row(db_, recordColumns + "WHERE shelf IS NOT NULL ORDER BY id");
    while (row.step() &&
           each({row.integer(0), row.view(1), static_cast<uint64_t>(row.integer(2)), row.view(4).empty(),
                 row.integer(5), row.integer(6), row.view(7), row.view(8)})) {
    }
    db_.forgetPages();
}

std::vector<FileRecord> Store::files(const std::vector<FileId>& ids) {
    std::vector<FileRecord> out;
    Statement row(db_, recordColumns + "WHERE id=?");
    for (FileId id : ids) {
        if (row.bind(id).step())
            out.push_back(recordFrom(row));
        row.reset();
    }
    return out;
}

std::optional<FileRecord> Store::file(FileId id) {
    std::vector<FileRecord> found = files({id});
    return found.empty() ? std::nullopt : std::optional(std::move(found.front()));
}

FileId Store::fileByPath(const Path& path) {
    Statement s(db_, "SELECT id FROM file WHERE path_key=? AND path=?");
    return s.bind(pathKey(path.native())).bindPath(path).step() ? s.integer(0) : 0;
}

std::vector<FileId> Store::filesByPath(const std::vector<Path>& paths) {
    std::vector<FileId> ids;
    for (const Path& path : paths)
        ids.push_back(fileByPath(path));
    return ids;
}

void Store::moveFile(FileId id, const Path& to) {
    Transaction transaction(db_);
    if (FileId other = fileByPath(to); other != 0 && other != id)
        forgetFile(other);
    Statement(db_, "UPDATE file SET path=?, path_key=? WHERE id=?")
        .bindPath(to)
        .bind(pathKey(to.native()))
        .bind(id)
        .run();
    transaction.commit();
}

void Store::moveFiles(const std::vector<std::pair<FileId, Path>>& moves) {
    Transaction transaction(db_);
    // They may change places: none may be taken for one that was there before.
    Statement away(db_, "UPDATE file SET path=x'', path_key=0 WHERE id=?");
    for (const auto& [id, to] : moves)
        away.bind(id).run();
    for (const auto& [id, to] : moves)
        moveFile(id, to);
    transaction.commit();
}

void Store::updateFile(FileId id, const files::FileState& state, const std::optional<tags::Fields>& fields,
                       int64_t shelf) {
    Transaction transaction(db_);
    Statement update(db_, "UPDATE file SET size=?, modified_ns=?, shelf=? WHERE id=?");
    update.bind(static_cast<int64_t>(state.size)).bind(state.modifiedNs);
    shelf > 0 ? update.bind(shelf) : update.bindNull();
    update.bind(id).run();
    if (auto before = fields ? file(id) : std::nullopt) {
        tags::TagFile& t = before->tags;
        // What is written is written into all tags of a file.
        std::erase_if(t.differences, [&](const tags::Difference& d) {
            auto old = std::as_const(t.fields).find(d.key), now = fields->find(d.key);
            return (old == t.fields.cend()) != (now == fields->end()) ||
                   (now != fields->end() && old->second != now->second);
        });
        t.fields = *fields;
        Statement(db_, "UPDATE file SET content=? WHERE id=?").bindBlob(tags::packed(t)).bind(id).run();
    }
    transaction.commit();
}

void Store::forgetFile(FileId id) {
    Transaction transaction(db_);
    Statement(db_, "DELETE FROM file WHERE id=?").bind(id).run();
    transaction.commit();
}

std::vector<float> Store::peaks(FileId file, const files::FileState& state) {
    Statement s(db_, "SELECT shape FROM peaks WHERE file=? AND size=? AND modified_ns=?");
    std::vector<float> out;
    if (s.bind(file).bind(static_cast<int64_t>(state.size)).bind(state.modifiedNs).step())
        for (char c : s.view(0))
            out.push_back(static_cast<float>(static_cast<unsigned char>(c)) / 255);
    return out;
}

void Store::savePeaks(FileId file, const files::FileState& state, const std::vector<float>& heights) {
    std::string shape;
    for (float h : heights)
        shape += static_cast<char>(std::lround(std::clamp(h, 0.0f, 1.0f) * 255));
    Statement s(db_,
                "INSERT OR REPLACE INTO peaks SELECT ?,?,?,? WHERE EXISTS (SELECT 1 FROM file WHERE id=?)");
    s.bind(file)
        .bind(static_cast<int64_t>(state.size))
        .bind(state.modifiedNs)
        .bindBlob(shape)
        .bind(file)
        .run();
}

Store::KeptValues Store::kept(const std::string& field, const std::vector<FileId>& files) {
    KeptValues out;
    Statement s(db_, "SELECT value FROM kept_value WHERE file=? AND field=? ORDER BY position");
    for (FileId file : files) {
        s.bind(file).bind(field);
        while (s.step())
            out[file].push_back(s.string(0));
        s.reset();
    }
    return out;
}

void Store::keep(const std::string& field, const KeptValues& values) {
    Transaction t(db_);
    Statement drop(db_, "DELETE FROM kept_value WHERE file=? AND field=?");
    Statement add(db_, "INSERT INTO kept_value SELECT ?,?,?,? WHERE EXISTS (SELECT 1 FROM file WHERE id=?)");
    for (const auto& [file, list] : values) {
        drop.bind(file).bind(field).run();
        for (size_t i = 0; i < list.size(); ++i)
            add.bind(file).bind(field).bind(static_cast<int64_t>(i)).bind(list[i]).bind(file).run();
    }
    t.commit();
}

std::string Store::changes() {
    return setting("changes");
}

std::vector<std::string> Store::generations() {
    std::vector<std::string> out;
    Statement s(db_, "SELECT mark FROM generation ORDER BY number DESC");
    while (s.step())
        out.push_back(s.string(0));
    return out;
}

std::string Store::beginGeneration() {
    try {
        Transaction transaction(db_);
        Statement begin(db_, "INSERT INTO generation VALUES (NULL, hex(randomblob(12))) RETURNING mark");
        begin.step();
        std::string mark = begin.string(0);
        begin.run();
        transaction.commit();
        return mark;
    } catch (const DatabaseError&) {
        std::vector<std::string> known = generations();
        if (known.empty())
            throw;
        return known.front();
    }
}

std::optional<std::vector<FileId>> Store::changedSince(const std::string& generation) {
    Statement known(db_, "SELECT number FROM generation WHERE mark=?");
    if (!known.bind(generation).step())
        return std::nullopt;
    std::vector<FileId> out;
    Statement s(db_, "SELECT file FROM changed_file WHERE generation>=? ORDER BY file");
    s.bind(known.integer(0));
    while (s.step())
        out.push_back(s.integer(0));
    return out;
}

void Store::keepGenerations(const std::vector<std::string>& needed) {
    const std::vector<std::string> known = generations();
    Transaction transaction(db_);
    Statement forget(db_, "DELETE FROM generation WHERE mark=?");
    for (size_t i = 1; i < known.size(); ++i)
        if (std::find(needed.begin(), needed.end(), known[i]) == needed.end())
            forget.bind(known[i]).run();
    Statement(db_, "DELETE FROM changed_file WHERE generation < (SELECT min(number) FROM generation)").run();
    transaction.commit();
}

} // namespace moorfrost::library
