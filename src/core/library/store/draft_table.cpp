// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/store/draft_table.h"

#include <nlohmann/json.hpp>

#include "core/tags/kept_pictures.h"

namespace moorfrost::library {

using nlohmann::json;

namespace {
/// How the values of a draft are stored.
std::string valuesText(const std::vector<std::string>& values) {
    return json(values).dump(-1, ' ', false, json::error_handler_t::replace);
}

Draft draftFrom(const std::string& valuesText, const std::string& origin, int64_t when) {
    Draft out{{}, origin, when};
    if (json values = json::parse(valuesText, nullptr, false); values.is_array())
        out.values = values.get<std::vector<std::string>>();
    return out;
}
} // namespace

std::vector<std::tuple<FileId, std::string, Draft>> DraftTable::all() {
    std::vector<std::tuple<FileId, std::string, Draft>> out;
    Statement s(db_, "SELECT file, field, \"values\", origin, \"when\" FROM draft");
    while (s.step())
        out.emplace_back(s.integer(0), s.string(1), draftFrom(s.string(2), s.string(3), s.integer(4)));
    return out;
}

std::map<std::string, Draft> DraftTable::of(FileId file) {
    std::map<std::string, Draft> out;
    Statement s(db_, "SELECT field, \"values\", origin, \"when\" FROM draft WHERE file=?");
    s.bind(file);
    while (s.step())
        out.emplace(s.string(0), draftFrom(s.string(1), s.string(2), s.integer(3)));
    return out;
}

std::set<std::string> DraftTable::pictureNames() {
    std::set<std::string> out;
    for (const auto& [file, field, draft] : all())
        for (const tags::PictureInfo& p : tags::picturesIn({{field, draft.values}}))
            out.insert(tags::keptName(p));
    return out;
}

bool DraftTable::has(FileId file) {
    Statement s(db_, "SELECT 1 FROM draft WHERE file=? LIMIT 1");
    return s.bind(file).step();
}

void DraftTable::save(const std::vector<DraftChange>& changes) {
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

void DraftTable::removeWritten(FileId file, const tags::Fields& written, bool moved) {
    Transaction transaction(db_);
    // What was typed while the write went on is a new draft and stays.
    Statement drop(db_, "DELETE FROM draft WHERE file=? AND field=? AND \"values\"=?");
    for (const auto& [field, values] : written)
        drop.bind(file).bind(field).bind(valuesText(values)).run();
    if (moved)
        Statement(db_, "DELETE FROM draft WHERE file=? AND field=?").bind(file).bind(placeKey).run();
    transaction.commit();
}

} // namespace moorfrost::library
