// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/store/file_table.h"

#include <algorithm>
#include <ctime>

#include "core/library/store/path_key.h"
#include "core/library/store/recording_table.h"
#include "core/tags/packed.h"
#include "core/tags/picture_changes.h"
#include "core/text/text.h"

namespace moorfrost::library {

namespace {

const std::string recordColumns =
    "SELECT id, path, size, modified_ns, error, shelf, added, content,"
    " (SELECT group_concat(field || char(31) || value, char(30)) FROM recording_value WHERE recording="
    "(SELECT recording FROM recording_file WHERE file=file.id)"
    " AND field IN ('kind','rating','note','playout number','use','bookmark','family','path elsewhere')), "
    "absent FROM file ";

FileRecord recordFrom(const Statement& row) {
    FileRecord r;
    r.id = row.integer(0);
    r.path = row.string(1);
    r.state = {static_cast<uint64_t>(row.integer(2)), row.integer(3)};
    r.error = row.string(4);
    r.shelf = row.integer(5);
    r.added = row.integer(6);
    r.kept = unpackKept(row.view(8));
    if (const auto kind = r.kept.find(kindField); kind != r.kept.end())
        r.kind = kind->second.front();
    r.absent = row.integer(9);
    if (!tags::unpack(row.view(7), r.tags) && r.error.empty())
        r.error = "What the library knew of this file is damaged. Bring it in again.";
    r.tags.facts.size = r.state.size;
    return r;
}

PackedRecord packedFrom(const Statement& row) {
    return {row.integer(0),      row.view(1),    static_cast<uint64_t>(row.integer(2)),
            row.view(4).empty(), row.integer(5), row.integer(6),
            row.view(7),         row.view(8),    row.integer(9) != 0,
            row.integer(3)};
}

} // namespace

FileId FileTable::writeRow(const files::ScannedFile& f, int64_t shelf) {
    static const tags::TagFile none;
    const std::string content = tags::packed(f.tags ? *f.tags : none);
    FileId id = idOf(f.path);
    if (id != 0) {
        // Something else has changed it: it may be another sound.
        Statement(db_, "UPDATE recording_file SET looked=0 WHERE file=?1 AND looked<>0 AND EXISTS"
                       " (SELECT 1 FROM file WHERE id=?1 AND (size<>?2 OR modified_ns<>?3))")
            .bind(id)
            .bind(static_cast<int64_t>(f.state.size))
            .bind(f.state.modifiedNs)
            .run();
        Statement update(db_,
                         "UPDATE file SET size=?, modified_ns=?, error=?, content=?, absent=0 WHERE id=?");
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
        id = db_.lastId();
        if (shelf > 0)
            cameToShelf(id);
        return id;
    }
    if (shelf >= 0)
        setShelf({id}, shelf);
    return id;
}

void FileTable::setShelf(const std::vector<FileId>& files, int64_t shelf) {
    Transaction transaction(db_);
    Statement set(db_, "UPDATE file SET shelf=? WHERE id=?");
    for (FileId id : files) {
        shelf > 0 ? set.bind(shelf) : set.bindNull();
        set.bind(id).run();
        if (shelf > 0)
            cameToShelf(id);
    }
    transaction.commit();
}

void FileTable::cameToShelf(FileId id) {
    RecordingTable(db_).ensure(id);
}

std::vector<FileId> FileTable::saveAll(const std::vector<files::ScannedFile>& files, int64_t shelf) {
    std::vector<FileId> ids;
    Transaction transaction(db_);
    for (const files::ScannedFile& file : files)
        ids.push_back(writeRow(file, shelf));
    transaction.commit();
    return ids;
}

FileId FileTable::save(const files::ScannedFile& file, int64_t shelf) {
    Transaction transaction(db_);
    FileId id = writeRow(file, shelf);
    transaction.commit();
    return id;
}

std::vector<FileRecord> FileTable::all() {
    std::vector<FileRecord> out;
    each(false, [&](FileRecord&& r) {
        out.push_back(std::move(r));
        return true;
    });
    return out;
}

void FileTable::each(bool putAway, const std::function<bool(FileRecord&&)>& each) {
    Statement rows(db_, recordColumns + (putAway ? "WHERE shelf IS NOT NULL ORDER BY id" : "ORDER BY id"));
    while (rows.step() && each(recordFrom(rows))) {
    }
}

void FileTable::eachPacked(const std::function<bool(const PackedRecord&)>& each) {
    Statement row(db_, recordColumns + "WHERE shelf IS NOT NULL ORDER BY id");
    while (row.step() && each(packedFrom(row))) {
    }
    db_.forgetPages();
}

void FileTable::eachPackedOf(const std::vector<FileId>& ids,
                             const std::function<bool(const PackedRecord&)>& each) {
    Statement row(db_, recordColumns + "WHERE id=?");
    for (FileId id : ids) {
        if (row.bind(id).step() && !each(packedFrom(row)))
            return;
        row.reset();
    }
}

namespace {

const std::string knownColumns = "SELECT id, path, size, modified_ns, error, content, shelf FROM file WHERE ";

FileTable::Known knownFrom(const Statement& row, tags::TagFile& file) {
    // What a very old version read had no details: it had no tags at all.
    const bool whole = row.view(4).empty() && tags::unpack(row.view(5), file) &&
                       (!file.tags.empty() || tags::isOfToday(row.view(5)));
    return {row.integer(0), {static_cast<uint64_t>(row.integer(2)), row.integer(3)}, row.integer(6), whole};
}

} // namespace

void FileTable::eachKnown(const std::function<void(std::string_view, const Known&)>& each) {
    Statement row(db_, knownColumns + "shelf IS NOT NULL AND path_key<>0");
    tags::TagFile file;
    while (row.step())
        each(row.view(1), knownFrom(row, file));
}

std::optional<FileTable::Known> FileTable::knownAt(const Path& path) {
    const FileId id = idOf(path);
    Statement row(db_, knownColumns + "id=?");
    tags::TagFile file;
    if (id == 0 || !row.bind(id).step())
        return std::nullopt;
    return knownFrom(row, file);
}

std::vector<FileRecord> FileTable::findAll(const std::vector<FileId>& ids) {
    std::vector<FileRecord> out;
    Statement row(db_, recordColumns + "WHERE id=?");
    for (FileId id : ids) {
        if (row.bind(id).step())
            out.push_back(recordFrom(row));
        row.reset();
    }
    return out;
}

std::optional<FileRecord> FileTable::find(FileId id) {
    std::vector<FileRecord> found = findAll({id});
    return found.empty() ? std::nullopt : std::optional(std::move(found.front()));
}

FileId FileTable::idOf(const Path& path) {
    Statement s(db_, "SELECT id FROM file WHERE path_key=? AND path=?");
    return s.bind(pathKey(path.native())).bindPath(path).step() ? s.integer(0) : 0;
}

std::vector<FileId> FileTable::idsOf(const std::vector<Path>& paths) {
    std::vector<FileId> ids;
    for (const Path& path : paths)
        ids.push_back(idOf(path));
    return ids;
}

void FileTable::move(FileId id, const Path& to) {
    Transaction transaction(db_);
    if (FileId other = idOf(to); other != 0 && other != id)
        letGo(other);
    Statement(db_, "UPDATE file SET path=?, path_key=?, absent=0 WHERE id=?")
        .bindPath(to)
        .bind(pathKey(to.native()))
        .bind(id)
        .run();
    transaction.commit();
}

void FileTable::moveAll(const std::vector<std::pair<FileId, Path>>& moves) {
    Transaction transaction(db_);
    // They may change places: none may be taken for one that was there before.
    Statement away(db_, "UPDATE file SET path=x'', path_key=0 WHERE id=?");
    for (const auto& [id, to] : moves)
        away.bind(id).run();
    for (const auto& [id, to] : moves)
        move(id, to);
    transaction.commit();
}

/// What was worked out from the sound of a file as it was is as true of it after a write, which leaves the
/// sound alone.
void FileTable::carryWorkedOut(FileId id, const files::FileState& state) {
    std::vector<std::string> fields;
    Statement asItIs(
        db_, "SELECT size.field FROM kept_value size "
             "JOIN kept_value time ON time.file=size.file AND time.field=size.field "
             "JOIN file ON file.id=size.file "
             "WHERE size.file=? AND size.field IN ('essence', 'sound print', 'loudness') AND size.position=1 "
             "AND time.position=2 AND size.value=CAST(file.size AS TEXT) "
             "AND time.value=CAST(file.modified_ns AS TEXT)");
    asItIs.bind(id);
    while (asItIs.step())
        fields.push_back(asItIs.string(0));
    for (const std::string& field : fields) {
        Statement carry(db_, "UPDATE kept_value SET value=? WHERE file=? AND field=? AND position=?");
        carry.bind(std::to_string(state.size)).bind(id).bind(field).bind(1).run();
        carry.bind(std::to_string(state.modifiedNs)).bind(id).bind(field).bind(2).run();
    }
}

void FileTable::update(FileId id, const files::FileState& state, const std::optional<tags::Fields>& fields,
                       int64_t shelf) {
    Transaction transaction(db_);
    carryWorkedOut(id, state);
    Statement update(db_, "UPDATE file SET size=?, modified_ns=?, shelf=?, absent=0 WHERE id=?");
    update.bind(static_cast<int64_t>(state.size)).bind(state.modifiedNs);
    shelf > 0 ? update.bind(shelf) : update.bindNull();
    update.bind(id).run();
    if (shelf > 0)
        cameToShelf(id);
    if (auto before = fields ? find(id) : std::nullopt) {
        tags::TagFile& t = before->tags;
        // Pictures that stay keep their order; others come behind them.
        std::vector<tags::PictureInfo> now = tags::picturesIn(*fields), pictures;
        for (const tags::PictureInfo& p : t.pictures)
            if (auto same = std::ranges::find_if(now,
                                                 [&](const auto& n) {
                                                     return tags::pictureText(n) == tags::pictureText(p) &&
                                                            n.type == p.type;
                                                 });
                same != now.end()) {
                pictures.push_back(p);
                now.erase(same);
            }
        pictures.insert(pictures.end(), now.begin(), now.end());
        t.pictures = std::move(pictures);
        // What is written is written into all tags of a file.
        std::erase_if(t.differences, [&](const tags::Difference& d) {
            auto old = std::as_const(t.fields).find(d.key), now = fields->find(d.key);
            return (old == t.fields.cend()) != (now == fields->end()) ||
                   (now != fields->end() && old->second != now->second);
        });
        t.fields = tags::withoutPictures(*fields);
        Statement(db_, "UPDATE file SET content=? WHERE id=?").bindBlob(tags::packed(t)).bind(id).run();
    }
    transaction.commit();
}

void FileTable::forget(FileId id) {
    Transaction transaction(db_);
    Statement(db_, "DELETE FROM file WHERE id=?").bind(id).run();
    transaction.commit();
}

bool FileTable::letGo(FileId id) {
    Transaction transaction(db_);
    Statement shelf(db_, "SELECT shelf IS NOT NULL FROM file WHERE id=?");
    const bool stays = shelf.bind(id).step() && (shelf.integer(0) != 0 || RecordingTable(db_).isKept(id));
    if (stays) {
        // Its place is another's now: it is not found by its path any more.
        Statement(db_, "UPDATE file SET path_key=0, absent=? WHERE id=?")
            .bind(static_cast<int64_t>(std::time(nullptr)))
            .bind(id)
            .run();
        Statement(db_, "DELETE FROM batch_file WHERE file=?").bind(id).run();
        Statement(db_, "DELETE FROM draft WHERE file=?").bind(id).run();
        Statement(db_, "DELETE FROM looked_at WHERE file=?").bind(id).run();
    } else {
        forget(id);
    }
    transaction.commit();
    return stays;
}

void FileTable::setAbsent(const std::vector<FileId>& files, int64_t since) {
    Transaction transaction(db_);
    Statement set(db_, "UPDATE file SET absent=?1 WHERE id=?2 AND (absent=0) <> (?1=0)");
    for (FileId id : files)
        set.bind(since).bind(id).run();
    transaction.commit();
}

size_t FileTable::countOnShelf(int64_t shelf) {
    Statement s(db_, "SELECT count(*) FROM file WHERE shelf=?");
    return s.bind(shelf).step() ? static_cast<size_t>(s.integer(0)) : 0;
}

std::vector<ShelfFile> FileTable::onShelf(int64_t shelf) {
    std::vector<ShelfFile> out;
    Statement s(db_,
                "SELECT id, path, size, modified_ns, absent, path_key FROM file WHERE shelf=? ORDER BY id");
    s.bind(shelf);
    while (s.step())
        out.push_back({s.integer(0),
                       Path(s.string(1)),
                       {static_cast<uint64_t>(s.integer(2)), s.integer(3)},
                       s.integer(4) != 0,
                       s.integer(5) == 0});
    return out;
}

std::vector<std::string> FileTable::row(FileId id) {
    Statement s(db_, "SELECT lower(hex(path)), path_key, size, modified_ns, error, lower(hex(content)), "
                     "coalesce(shelf, 0), added,"
                     " absent FROM file WHERE id=?");
    std::vector<std::string> out;
    if (s.bind(id).step())
        for (int i = 0; i < s.columns(); ++i)
            out.push_back(s.string(i));
    return out;
}

void FileTable::putRow(FileId id, const std::vector<std::string>& row) {
    Transaction transaction(db_);
    auto number = [&](size_t i) {
        return static_cast<int64_t>(std::strtoll(row.at(i).c_str(), nullptr, 10));
    };
    // Where another file is at its place by now, or its shelf is gone, it is known all the same.
    const std::string path = text::fromHex(row.at(0));
    const int64_t key = idOf(path) == 0 ? number(1) : 0;
    Statement put(db_,
                  "INSERT OR REPLACE INTO file (id, path, path_key, size, modified_ns, error, content, added,"
                  " absent, shelf) VALUES (?,?,?,?,?,?,?,?,?,(SELECT id FROM shelf WHERE id=?))");
    put.bind(id).bindBlob(path).bind(key).bind(number(2)).bind(number(3)).bind(row.at(4));
    put.bindBlob(text::fromHex(row.at(5))).bind(number(7)).bind(number(8)).bind(number(6)).run();
    transaction.commit();
}

} // namespace moorfrost::library
