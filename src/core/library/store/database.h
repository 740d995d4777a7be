// SPDX-License-Identifier: GPL-3.0-or-later
// A thin hold on SQLite: a connection and prepared statements. Errors are thrown as DatabaseError; jobs and
// the library's thread make values of them (errorOfException).
#pragma once

#include <cstdint>
#include <map>
#include <string>
#include <string_view>
#include <vector>

#include "core/base/result.h"

struct sqlite3;
struct sqlite3_stmt;

namespace moorfrost::library {

/// Kinds: NoSpace, Permission, Damaged and Io, where the disk or another program is the reason and the same
/// may succeed later; Invalid, where what was asked for makes no sense.
class DatabaseError : public Failure {
public:
    DatabaseError(ErrorKind kind, std::string sentence) : Failure({kind, {}, std::move(sentence)}) {}
    /// Of SQLite, with its own words.
    DatabaseError(int sqliteCode, std::string_view says);
};

class Database;

/// Prepared once and kept by the database for the next time. Not to outlive the database.
class Statement {
public:
    Statement(Database& db, std::string_view sql);
    ~Statement();
    Statement(const Statement&) = delete;
    Statement& operator=(const Statement&) = delete;

    Statement& bind(int64_t value);
    Statement& bind(int value) { return bind(static_cast<int64_t>(value)); }
    Statement& bind(double value);
    Statement& bind(std::string_view textValue);
    Statement& bind(const char* textValue) { return bind(std::string_view(textValue)); }
    Statement& bindBlob(std::string_view bytes);
    Statement& bindPath(const Path& path) { return bindBlob(path.native()); }
    Statement& bindNull();
    /// The value of a column of another statement's row, whatever its type.
    Statement& bindSame(const Statement& row, int column);

    /// True while there is a row.
    bool step();
    /// Runs to the end and makes it ready to be bound again.
    void run();
    void reset();

    int64_t integer(int column) const;
    double real(int column) const;
    std::string string(int column) const; // text or blob
    /// The same, until the next step.
    std::string_view view(int column) const;
    bool isNull(int column) const;
    bool isText(int column) const;
    int columns() const;

private:
    void check(int code) const;
    Database& db_;
    std::vector<sqlite3_stmt*>* idle_; // of this text: where it goes back to
    sqlite3_stmt* statement_ = nullptr;
    int next_ = 1;
};

class Database {
public:
    explicit Database(const Path& file);
    struct ReadOnly {};
    /// Nothing of the file is changed, nothing is asked of it yet.
    Database(const Path& file, ReadOnly);
    ~Database();
    Database(const Database&) = delete;
    Database& operator=(const Database&) = delete;

    void execute(const char* sql);
    int64_t lastId() const;
    /// Gives back what is kept in memory of the file: after reading all of it none of that is of use.
    void forgetPages();
    sqlite3* handle() const { return db_; }

private:
    friend class Transaction;
    friend class Statement;
    void open(const Path& file, int flags);
    sqlite3* db_ = nullptr;
    std::map<std::string, std::vector<sqlite3_stmt*>, std::less<>> idle_;
    bool filesChanged_ = false; // rows of "file", since the transaction began
};

/// Rolls back unless committed. Notes, with the commit, that files were changed (Store::changes). Inside
/// another transaction it is a part of that one.
class Transaction {
public:
    explicit Transaction(Database& db);
    ~Transaction();
    Transaction(const Transaction&) = delete;
    Transaction& operator=(const Transaction&) = delete;
    void commit();

private:
    static constexpr int64_t mostChangedFiles = 20000;
    void noteChanges();
    Database& db_;
    bool own_;
};

} // namespace moorfrost::library
