// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/store/salvage.h"

#include <limits>
#include <map>
#include <memory>
#include <optional>
#include <vector>

#include "core/library/store/database.h"
#include "core/library/store/path_key.h"
#include "core/library/store/recording_table.h"
#include "core/text/text.h"

namespace moorfrost::library {

namespace {

struct Table {
    std::string name; // quoted
    bool hasRowId = true;
};

std::vector<Table> tablesOf(Database& db) {
    std::vector<Table> out;
    Statement s(db, "SELECT name, wr FROM pragma_table_list WHERE schema='main' AND type='table'"
                    " AND name NOT LIKE 'sqlite_%' AND name NOT IN ('generation', 'changed_file')");
    while (s.step())
        out.push_back({'"' + s.string(0) + '"', s.integer(1) == 0});
    return out;
}

/// nullopt where the database cannot tell because it is damaged.
std::optional<bool> tryStep(Statement& row) {
    try {
        return row.step();
    } catch (const DatabaseError&) {
        return std::nullopt;
    }
}

/// Pages that were overwritten may still look like rows.
bool isSound(const Table& table, const Statement& row, int first) {
    for (int c = first; c < row.columns(); ++c)
        if (row.isText(c) && !text::isUtf8(row.view(c)))
            return false;
    if (table.name == "\"file\"") // id, path, path_key
        return row.view(first + 1).starts_with('/') &&
               (row.integer(first + 2) == pathKey(row.view(first + 1)) || row.integer(first + 2) == 0);
    return true;
}

class Copier {
public:
    Copier(Database& from, Database& to) : from_(from), to_(to) {}

    void copy(const Table& table) {
        if (table.hasRowId)
            copyByNumber(table);
        else if (!copyFrom(table, "SELECT * FROM " + table.name)) // then from the other end
            copyFrom(table, "SELECT * FROM " + table.name + " ORDER BY " + keyOf(table));
    }
    size_t copied(const std::string& table) const {
        auto it = copied_.find(table);
        return it == copied_.end() ? 0 : it->second;
    }

private:
    void put(const Table& table, const Statement& row, int first) {
        if (!isSound(table, row, first))
            return;
        std::string marks = "?";
        for (int c = first + 1; c < row.columns(); ++c)
            marks += ",?";
        Statement add(to_, "INSERT OR IGNORE INTO " + table.name + " VALUES (" + marks + ")");
        for (int c = first; c < row.columns(); ++c)
            add.bindSame(row, c);
        add.run();
        ++copied_[table.name];
    }

    /// Where it cannot go on, it goes on a little further: twice as far each time.
    void copyByNumber(const Table& table) {
        int64_t after = 0;
        for (int64_t leap = 1; leap < std::numeric_limits<int64_t>::max() / 4;) {
            std::optional<bool> more = std::nullopt;
            try {
                Statement row(from_,
                              "SELECT rowid, * FROM " + table.name + " WHERE rowid > ? ORDER BY rowid");
                row.bind(after);
                while ((more = tryStep(row)).value_or(false)) {
                    after = row.integer(0);
                    leap = 1;
                    put(table, row, 1);
                }
            } catch (const DatabaseError&) {
                if (more) // it was the writing
                    throw;
                return; // there is no such table
            }
            if (more)
                return;
            after += leap;
            leap *= 2;
        }
    }

    /// False if it could not be read to the end.
    bool copyFrom(const Table& table, const std::string& sql) {
        std::optional<bool> more = std::nullopt;
        try {
            Statement row(from_, sql);
            while ((more = tryStep(row)).value_or(false))
                put(table, row, 0);
        } catch (const DatabaseError&) {
            if (more)
                throw;
        }
        return more.has_value();
    }

    std::string keyOf(const Table& table) {
        std::string key;
        Statement s(to_, "SELECT name FROM pragma_table_info(?) WHERE pk > 0 ORDER BY pk");
        s.bind(table.name.substr(1, table.name.size() - 2));
        while (s.step())
            key += (key.empty() ? "\"" : ", \"") + s.string(0) + "\" DESC";
        return key;
    }

    Database &from_, &to_;
    std::map<std::string, size_t> copied_;
};

/// What refers to something that could not be read.
void dropOrphans(Database& db, const Table& table) {
    struct Reference {
        std::string parent, column;
        bool canBeNull = false;
    };
    std::vector<Reference> references;
    {
        Statement s(db, "SELECT \"table\", \"from\", on_delete FROM pragma_foreign_key_list(?)");
        s.bind(table.name.substr(1, table.name.size() - 2));
        while (s.step())
            references.push_back({s.string(0), '"' + s.string(1) + '"', s.view(2) == "SET NULL"});
    }
    for (const Reference& r : references) {
        const std::string lost = " WHERE " + r.column + " IS NOT NULL AND " + r.column +
                                 " NOT IN (SELECT id FROM " + r.parent + ")";
        db.execute((r.canBeNull ? "UPDATE " + table.name + " SET " + r.column + "=NULL" + lost
                                : "DELETE FROM " + table.name + lost)
                       .c_str());
    }
}

} // namespace

Salvage salvage(const Path& file, Database& fresh) {
    std::unique_ptr<Database> damaged;
    try {
        damaged = std::make_unique<Database>(file, Database::ReadOnly{});
        Statement ours(fresh, "PRAGMA user_version"), theirs(*damaged, "PRAGMA user_version");
        if (!ours.step() || !theirs.step() || ours.integer(0) != theirs.integer(0))
            return {};
    } catch (const DatabaseError&) {
        return {}; // it is no database any more
    }
    fresh.execute("PRAGMA foreign_keys=OFF");
    Copier copier(*damaged, fresh);
    Transaction transaction(fresh);
    const std::vector<Table> tables = tablesOf(fresh);
    for (const Table& table : tables)
        copier.copy(table);
    RecordingTable(fresh).complete();
    for (const Table& table : tables)
        dropOrphans(fresh, table);
    transaction.commit();
    fresh.execute("PRAGMA foreign_keys=ON");
    return {{}, copier.copied("\"file\""), copier.copied("\"draft\""), copier.copied("\"file_set\"")};
}

} // namespace moorfrost::library
