// SPDX-License-Identifier: GPL-3.0-or-later
// A thin hold on SQLite: a connection and prepared statements. Errors are thrown as DatabaseError and stay
// inside library/store.
#pragma once

#include <cstdint>
#include <memory>
#include <stdexcept>
#include <string>
#include <string_view>

#include "core/base/result.h"

struct sqlite3;
struct sqlite3_stmt;

namespace moorfrost::library {

class DatabaseError : public std::runtime_error {
public:
    using std::runtime_error::runtime_error;
};

class Statement {
public:
    Statement(sqlite3* db, std::string_view sql);
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

    /// True while there is a row.
    bool step();
    /// Runs to the end and makes it ready to be bound again.
    void run();
    void reset();

    int64_t integer(int column) const;
    double real(int column) const;
    std::string string(int column) const; // text or blob
    bool isNull(int column) const;

private:
    void check(int code) const;
    sqlite3* db_;
    sqlite3_stmt* statement_ = nullptr;
    int next_ = 1;
};

class Database {
public:
    explicit Database(const Path& file);
    ~Database();
    Database(const Database&) = delete;
    Database& operator=(const Database&) = delete;

    void execute(const char* sql);
    int64_t lastId() const;
    sqlite3* handle() const { return db_; }

private:
    friend class Transaction;
    sqlite3* db_ = nullptr;
    bool filesChanged_ = false; // rows of "file", since the transaction began
};

/// Rolls back unless committed. Marks, with the commit, that files were changed (Store::changes). Inside
/// another transaction it is a part of that one.
class Transaction {
public:
    explicit Transaction(Database& db);
    ~Transaction();
    Transaction(const Transaction&) = delete;
    Transaction& operator=(const Transaction&) = delete;
    void commit();

private:
    Database& db_;
    bool own_;
};

} // namespace moorfrost::library
