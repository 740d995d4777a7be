// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/store/change_table.h"

#include <array>
#include <ctime>

#include <nlohmann/json.hpp>

namespace moorfrost::library {

using nlohmann::json;

namespace {

constexpr std::array kindNames = {"value",      "member",  "best",     "file", "collection",
                                  "children",   "entries", "release",  "fact", "tracks",
                                  "of release", "card",    "card fact"};

const char* nameOf(ChangePart::Kind kind) {
    return kindNames[static_cast<size_t>(kind)];
}

ChangePart::Kind kindFrom(std::string_view name) {
    for (size_t i = 0; i < kindNames.size(); ++i)
        if (name == kindNames[i])
            return static_cast<ChangePart::Kind>(i);
    throw DatabaseError(ErrorKind::Damaged, "The journal of the library holds a change of an unknown kind.");
}

std::string listText(const std::vector<std::string>& list) {
    return json(list).dump(-1, ' ', false, json::error_handler_t::replace);
}

std::vector<std::string> listFrom(const std::string& text) {
    const json list = json::parse(text, nullptr, false);
    std::vector<std::string> out;
    if (list.is_array())
        for (const json& v : list)
            if (v.is_string())
                out.push_back(v.get<std::string>());
    return out;
}

const std::string columns =
    "SELECT id, \"when\", title, taken_back,"
    " (SELECT count(*) FROM library_change_part WHERE change=library_change.id) FROM library_change ";

LibraryChange changeFrom(const Statement& s) {
    return {s.integer(0), s.integer(1), s.string(2), s.integer(3) != 0, static_cast<size_t>(s.integer(4))};
}

} // namespace

int64_t ChangeTable::add(const std::string& title, const std::vector<ChangePart>& parts) {
    Transaction t(db_);
    Statement(db_, "INSERT INTO library_change (\"when\", title) VALUES (?,?)")
        .bind(static_cast<int64_t>(std::time(nullptr)))
        .bind(title)
        .run();
    const int64_t id = db_.lastId();
    Statement add(db_, "INSERT INTO library_change_part VALUES (?,?,?,?,?,?,?,?)");
    for (size_t i = 0; i < parts.size(); ++i) {
        const ChangePart& p = parts[i];
        add.bind(id).bind(static_cast<int64_t>(i)).bind(nameOf(p.kind)).bind(p.subject).bind(p.field);
        add.bind(listText(p.before)).bind(listText(p.after)).bind(p.shown).run();
    }
    t.commit();
    return id;
}

std::vector<LibraryChange> ChangeTable::all() {
    std::vector<LibraryChange> out;
    Statement s(db_, columns + "ORDER BY id DESC");
    while (s.step())
        out.push_back(changeFrom(s));
    return out;
}

std::optional<LibraryChange> ChangeTable::find(int64_t id) {
    Statement s(db_, columns + "WHERE id=?");
    return s.bind(id).step() ? std::optional(changeFrom(s)) : std::nullopt;
}

std::vector<ChangePart> ChangeTable::parts(int64_t id) {
    std::vector<ChangePart> out;
    Statement s(db_,
                "SELECT kind, subject, field, before, after, shown FROM library_change_part WHERE change=?"
                " ORDER BY number");
    s.bind(id);
    while (s.step())
        out.push_back({kindFrom(s.view(0)), s.integer(1), s.string(2), listFrom(s.string(3)),
                       listFrom(s.string(4)), s.string(5)});
    return out;
}

std::vector<ChangePart> ChangeTable::factChanges(const std::string& field) {
    std::vector<ChangePart> out;
    Statement s(db_, "SELECT kind, subject, field, before, after, shown FROM library_change_part"
                     " WHERE kind=? AND field=?");
    s.bind(nameOf(ChangePart::Kind::Fact)).bind(field);
    while (s.step())
        out.push_back({kindFrom(s.view(0)), s.integer(1), s.string(2), listFrom(s.string(3)),
                       listFrom(s.string(4)), s.string(5)});
    return out;
}

std::vector<std::pair<LibraryChange, ChangePart>>
ChangeTable::ofSubject(ChangePart::Kind kind, int64_t subject, const std::string& field) {
    std::vector<std::pair<LibraryChange, ChangePart>> out;
    Statement s(db_, "SELECT change, kind, subject, field, before, after, shown FROM library_change_part"
                     " WHERE kind=? AND subject=? AND field=? ORDER BY change DESC, number DESC");
    s.bind(nameOf(kind)).bind(subject).bind(field);
    while (s.step())
        if (auto change = find(s.integer(0)))
            out.emplace_back(std::move(*change),
                             ChangePart{kindFrom(s.view(1)), s.integer(2), s.string(3), listFrom(s.string(4)),
                                        listFrom(s.string(5)), s.string(6)});
    return out;
}

void ChangeTable::setTakenBack(int64_t id, bool takenBack) {
    Statement(db_, "UPDATE library_change SET taken_back=? WHERE id=?")
        .bind(takenBack ? 1 : 0)
        .bind(id)
        .run();
}

std::optional<LibraryChange> ChangeTable::laterOn(int64_t id, const ChangePart& part) {
    // Of a list, a change at one place moves the others.
    const bool whole = part.kind == ChangePart::Kind::Entries;
    Statement s(db_, columns + "WHERE id>? AND taken_back=0 AND id IN (SELECT change FROM library_change_part"
                               " WHERE kind=? AND subject=? AND (field=? OR ?)) ORDER BY id DESC LIMIT 1");
    s.bind(id).bind(nameOf(part.kind)).bind(part.subject).bind(part.field).bind(whole ? 1 : 0);
    return s.step() ? std::optional(changeFrom(s)) : std::nullopt;
}

} // namespace moorfrost::library
