// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/store/collection_table.h"

#include <algorithm>

namespace moorfrost::library {

namespace {

const std::string columns = "SELECT id, kind, name, note, query, seen_by, people, created FROM collection ";

std::string peopleText(const std::vector<std::string>& people) {
    std::string out;
    for (const std::string& one : people)
        out += (out.empty() ? "" : "\n") + one;
    return out;
}

std::vector<std::string> peopleFrom(std::string_view text) {
    std::vector<std::string> out;
    while (!text.empty()) {
        const size_t end = std::min(text.find('\n'), text.size());
        if (end > 0)
            out.emplace_back(text.substr(0, end));
        text.remove_prefix(std::min(end + 1, text.size()));
    }
    return out;
}

Collection collectionFrom(const Statement& s) {
    Collection out;
    out.id = s.integer(0);
    out.kind = static_cast<Collection::Kind>(std::clamp<int64_t>(s.integer(1), 0, 2));
    out.name = s.string(2);
    out.note = s.string(3);
    out.query = s.string(4);
    out.seenBy = static_cast<Collection::SeenBy>(std::clamp<int64_t>(s.integer(5), 0, 2));
    out.people = peopleFrom(s.string(6));
    out.created = s.integer(7);
    return out;
}

} // namespace

std::map<CollectionId, Collection> CollectionTable::all() {
    std::map<CollectionId, Collection> out;
    Statement s(db_, columns);
    while (s.step())
        out[s.integer(0)] = collectionFrom(s);
    return out;
}

Collection CollectionTable::find(CollectionId id) {
    Statement s(db_, columns + "WHERE id=?");
    return s.bind(id).step() ? collectionFrom(s) : Collection{};
}

CollectionId CollectionTable::fresh() {
    // Numbers that were in use once stay with the journal.
    Statement s(db_,
                "SELECT max((SELECT coalesce(max(id), 0) FROM collection),"
                " (SELECT coalesce(max(subject), 0) FROM library_change_part WHERE kind='collection')) + 1");
    return s.step() ? s.integer(0) : 1;
}

void CollectionTable::save(const Collection& c) {
    Statement(db_, "INSERT INTO collection (id, kind, name, note, query, seen_by, people, created)"
                   " VALUES (?,?,?,?,?,?,?,?) ON CONFLICT (id) DO UPDATE SET kind=excluded.kind,"
                   " name=excluded.name, note=excluded.note, query=excluded.query,"
                   " seen_by=excluded.seen_by, people=excluded.people, created=excluded.created")
        .bind(c.id)
        .bind(static_cast<int64_t>(c.kind))
        .bind(c.name)
        .bind(c.note)
        .bind(c.query)
        .bind(static_cast<int64_t>(c.seenBy))
        .bind(peopleText(c.people))
        .bind(c.created)
        .run();
}

void CollectionTable::remove(CollectionId id) {
    Statement(db_, "DELETE FROM collection WHERE id=?").bind(id).run();
}

std::vector<CollectionId> CollectionTable::childrenOf(CollectionId folder) {
    std::vector<CollectionId> out;
    Statement s(db_, "SELECT collection FROM collection_place WHERE folder=? ORDER BY position");
    s.bind(folder);
    while (s.step())
        out.push_back(s.integer(0));
    return out;
}

std::map<CollectionId, std::vector<CollectionId>> CollectionTable::allChildren() {
    std::map<CollectionId, std::vector<CollectionId>> out;
    Statement s(db_, "SELECT folder, collection FROM collection_place ORDER BY folder, position");
    while (s.step())
        out[s.integer(0)].push_back(s.integer(1));
    return out;
}

void CollectionTable::setChildren(CollectionId folder, const std::vector<CollectionId>& children) {
    Transaction t(db_);
    Statement(db_, "DELETE FROM collection_place WHERE folder=?").bind(folder).run();
    Statement add(db_, "INSERT INTO collection_place (folder, position, collection) VALUES (?,?,?)");
    for (size_t i = 0; i < children.size(); ++i)
        add.bind(folder).bind(static_cast<int64_t>(i)).bind(children[i]).run();
    t.commit();
}

std::vector<CollectionId> CollectionTable::foldersOf(CollectionId id) {
    std::vector<CollectionId> out;
    Statement s(db_, "SELECT folder FROM collection_place WHERE collection=? ORDER BY folder");
    s.bind(id);
    while (s.step())
        out.push_back(s.integer(0));
    return out;
}

size_t CollectionTable::countOf(CollectionId list) {
    Statement s(db_, "SELECT count(*) FROM collection_recording WHERE collection=?");
    return s.bind(list).step() ? static_cast<size_t>(s.integer(0)) : 0;
}

std::map<CollectionId, size_t> CollectionTable::counts() {
    std::map<CollectionId, size_t> out;
    Statement s(db_, "SELECT collection, count(*) FROM collection_recording GROUP BY collection");
    while (s.step())
        out[s.integer(0)] = static_cast<size_t>(s.integer(1));
    return out;
}

std::vector<ListEntry> CollectionTable::entries(CollectionId list, size_t at, size_t most) {
    std::vector<ListEntry> out;
    Statement s(db_, "SELECT recording, coalesce(file, 0) FROM collection_recording WHERE collection=?"
                     " AND position>=? ORDER BY position LIMIT ?");
    s.bind(list).bind(static_cast<int64_t>(at));
    s.bind(static_cast<int64_t>(std::min<size_t>(most, INT64_MAX)));
    while (s.step())
        out.push_back({s.integer(0), s.integer(1)});
    return out;
}

void CollectionTable::splice(CollectionId list, size_t at, size_t removed,
                             const std::vector<ListEntry>& inserted) {
    Transaction t(db_);
    const auto from = static_cast<int64_t>(at), behind = static_cast<int64_t>(at + removed),
               by = static_cast<int64_t>(inserted.size()) - static_cast<int64_t>(removed);
    Statement(db_, "DELETE FROM collection_recording WHERE collection=? AND position>=? AND position<?")
        .bind(list)
        .bind(from)
        .bind(behind)
        .run();
    if (by != 0) { // by way of places below 0, where none is taken
        Statement(db_, "UPDATE collection_recording SET position = -1 - (position + ?)"
                       " WHERE collection=? AND position>=?")
            .bind(by)
            .bind(list)
            .bind(behind)
            .run();
        Statement(db_, "UPDATE collection_recording SET position = -1 - position"
                       " WHERE collection=? AND position<0")
            .bind(list)
            .run();
    }
    Statement add(db_, "INSERT INTO collection_recording (collection, position, recording, file)"
                       " VALUES (?,?,?,?)");
    for (size_t i = 0; i < inserted.size(); ++i) {
        add.bind(list).bind(from + static_cast<int64_t>(i)).bind(inserted[i].recording);
        inserted[i].file != 0 ? add.bind(inserted[i].file) : add.bindNull();
        add.run();
    }
    t.commit();
}

std::vector<std::pair<CollectionId, size_t>> CollectionTable::placesOf(RecordingId recording) {
    std::vector<std::pair<CollectionId, size_t>> out;
    Statement s(db_, "SELECT collection, position FROM collection_recording WHERE recording=?"
                     " ORDER BY collection, position");
    s.bind(recording);
    while (s.step())
        out.emplace_back(s.integer(0), static_cast<size_t>(s.integer(1)));
    return out;
}

} // namespace moorfrost::library
