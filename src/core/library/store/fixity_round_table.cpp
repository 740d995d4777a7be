// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/store/fixity_round_table.h"

namespace moorfrost::library {

namespace {

const std::string columns = "SELECT f.id, f.path, f.size, coalesce(f.shelf, 0), coalesce(x.verified, 0), "
                            "coalesce(x.trouble, t.trouble, '') ";
const std::string together =
    "FROM file f LEFT JOIN fixity x ON x.path = f.path LEFT JOIN fixity_tried t ON t.path = f.path ";
// Of those that can be read and are where they were.
const std::string onShelves = "f.shelf IS NOT NULL AND f.absent = 0 AND f.error = '' ";

} // namespace

std::vector<FixityDue> FixityRoundTable::due(Statement& rows) {
    std::vector<FixityDue> out;
    while (rows.step()) {
        FixityDue& one = out.emplace_back();
        one.file = rows.integer(0);
        one.path = rows.string(1);
        one.bytes = static_cast<uint64_t>(rows.integer(2));
        one.shelf = rows.integer(3);
        one.verified = rows.integer(4);
        one.trouble = rows.string(5);
    }
    return out;
}

std::vector<FixityDue> FixityRoundTable::oldest(uint64_t bytes, bool withNew, int64_t before,
                                                const std::set<int64_t>& absentShelves) {
    const std::string last = "coalesce(x.verified, t.\"when\", 0)";
    Statement rows(db_, columns + together + "WHERE " + onShelves +
                            (withNew ? "" : "AND x.path IS NOT NULL ") + "AND " + last + " < ? ORDER BY " +
                            last + ", f.path");
    rows.bind(before);
    std::vector<FixityDue> out;
    uint64_t sum = 0;
    while (sum < bytes && rows.step()) {
        FixityDue one{rows.integer(0), rows.string(1),  static_cast<uint64_t>(rows.integer(2)),
                      rows.integer(3), rows.integer(4), rows.string(5)};
        if (absentShelves.contains(one.shelf))
            continue;
        if (!out.empty() && sum + one.bytes > bytes)
            break;
        sum += one.bytes;
        out.push_back(std::move(one));
    }
    return out;
}

void FixityRoundTable::note(const Path& path, int64_t when, const std::string& trouble) {
    Statement known(db_, "SELECT 1 FROM fixity WHERE path = ?");
    if (known.bindPath(path).step())
        Statement(db_, "UPDATE fixity SET verified = ?, trouble = ? WHERE path = ?")
            .bind(when)
            .bind(trouble)
            .bindPath(path)
            .run();
    else
        Statement(db_, "INSERT OR REPLACE INTO fixity_tried (path, \"when\", trouble) VALUES (?,?,?)")
            .bindPath(path)
            .bind(when)
            .bind(trouble)
            .run();
}

FixityStanding FixityRoundTable::standing() {
    FixityStanding out;
    Statement rows(
        db_, "SELECT count(*), coalesce(sum(f.size), 0), count(x.path), "
             "coalesce(sum(CASE WHEN x.path IS NULL THEN 0 ELSE f.size END), 0), "
             "coalesce(sum(coalesce(x.trouble, t.trouble, '') <> ''), 0), coalesce(min(x.verified), 0) " +
                 together + "WHERE " + onShelves);
    if (rows.step()) {
        out.files = static_cast<uint64_t>(rows.integer(0));
        out.bytes = static_cast<uint64_t>(rows.integer(1));
        out.withFixity = static_cast<uint64_t>(rows.integer(2));
        out.withBytes = static_cast<uint64_t>(rows.integer(3));
        out.trouble = static_cast<uint64_t>(rows.integer(4));
        out.oldest = rows.integer(5);
    }
    return out;
}

std::vector<FixityDue> FixityRoundTable::troubled() {
    Statement rows(db_, columns + together + "WHERE " + onShelves +
                            "AND (x.trouble <> '' OR (x.path IS NULL AND t.trouble <> '')) ORDER BY f.path");
    return due(rows);
}

std::vector<FixityDue> FixityRoundTable::verifiedBetween(int64_t from, int64_t to, size_t most) {
    Statement rows(db_, columns + together +
                            "WHERE f.shelf IS NOT NULL AND x.verified >= ? AND "
                            "x.verified < ? ORDER BY x.trouble = '', x.verified DESC LIMIT ?");
    rows.bind(from).bind(to).bind(static_cast<int64_t>(most));
    return due(rows);
}

void FixityRoundTable::save(const FixityRound& r) {
    Statement(db_,
              "INSERT OR REPLACE INTO fixity_round (began, ended, files, bytes, taken, trouble, stopped) "
              "VALUES (?,?,?,?,?,?,?)")
        .bind(r.began)
        .bind(r.ended)
        .bind(static_cast<int64_t>(r.files))
        .bind(static_cast<int64_t>(r.bytes))
        .bind(static_cast<int64_t>(r.taken))
        .bind(static_cast<int64_t>(r.trouble))
        .bind(int64_t{r.stopped})
        .run();
}

std::vector<FixityRound> FixityRoundTable::rounds(int64_t since) {
    std::vector<FixityRound> out;
    Statement rows(db_, "SELECT began, ended, files, bytes, taken, trouble, stopped FROM fixity_round "
                        "WHERE began >= ? ORDER BY began");
    rows.bind(since);
    while (rows.step())
        out.push_back({rows.integer(0), rows.integer(1), static_cast<uint64_t>(rows.integer(2)),
                       static_cast<uint64_t>(rows.integer(3)), static_cast<uint64_t>(rows.integer(4)),
                       static_cast<uint64_t>(rows.integer(5)), rows.integer(6) != 0});
    return out;
}

} // namespace moorfrost::library
