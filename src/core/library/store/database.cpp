// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/store/database.h"

#include <sqlite3.h>

namespace moorfrost::library {

namespace {

Error errorOf(int code, std::string_view says) {
    switch (code & 0xff) { // the rest tells more of the same
    case SQLITE_FULL:
        return {ErrorKind::NoSpace, {}, "The disk that the library is on is full."};
    case SQLITE_READONLY:
    case SQLITE_PERM:
    case SQLITE_AUTH:
        return {ErrorKind::Permission, {}, "The library may not be written to: it or its disk is read-only."};
    case SQLITE_CORRUPT:
    case SQLITE_NOTADB:
        return {ErrorKind::Damaged, {}, "The file of the library is damaged (" + std::string(says) + ")."};
    case SQLITE_BUSY:
    case SQLITE_LOCKED:
        return {ErrorKind::Io, {}, "Another program has kept the library locked for too long."};
    case SQLITE_NOMEM:
    case SQLITE_IOERR:
    case SQLITE_CANTOPEN:
    case SQLITE_PROTOCOL:
        return {ErrorKind::Io, {}, "The disk that the library is on fails (" + std::string(says) + ")."};
    default:
        return {ErrorKind::Invalid, {}, "The library refuses it (" + std::string(says) + ")."};
    }
}

} // namespace

DatabaseError::DatabaseError(int sqliteCode, std::string_view says) : Failure(errorOf(sqliteCode, says)) {}

Statement::Statement(Database& db, std::string_view sql) : db_(db) {
    auto it = db.idle_.find(sql);
    if (it == db.idle_.end())
        it = db.idle_.emplace(std::string(sql), std::vector<sqlite3_stmt*>()).first;
    idle_ = &it->second;
    if (idle_->empty()) {
        check(sqlite3_prepare_v3(db.db_, sql.data(), static_cast<int>(sql.size()), SQLITE_PREPARE_PERSISTENT,
                                 &statement_, nullptr));
    } else {
        statement_ = idle_->back();
        idle_->pop_back();
    }
}

Statement::~Statement() {
    reset();
    idle_->push_back(statement_);
}

void Statement::check(int code) const {
    if (code != SQLITE_OK && code != SQLITE_ROW && code != SQLITE_DONE)
        throw DatabaseError(sqlite3_extended_errcode(db_.db_), sqlite3_errmsg(db_.db_));
}

Statement& Statement::bind(int64_t value) {
    check(sqlite3_bind_int64(statement_, next_++, value));
    return *this;
}

Statement& Statement::bind(double value) {
    check(sqlite3_bind_double(statement_, next_++, value));
    return *this;
}

Statement& Statement::bind(std::string_view v) {
    check(sqlite3_bind_text(statement_, next_++, v.data() ? v.data() : "", static_cast<int>(v.size()),
                            SQLITE_TRANSIENT));
    return *this;
}

Statement& Statement::bindBlob(std::string_view v) {
    check(sqlite3_bind_blob(statement_, next_++, v.data() ? v.data() : "", static_cast<int>(v.size()),
                            SQLITE_TRANSIENT));
    return *this;
}

Statement& Statement::bindNull() {
    check(sqlite3_bind_null(statement_, next_++));
    return *this;
}

Statement& Statement::bindSame(const Statement& row, int column) {
    check(sqlite3_bind_value(statement_, next_++, sqlite3_column_value(row.statement_, column)));
    return *this;
}

bool Statement::step() {
    int code = sqlite3_step(statement_);
    check(code);
    return code == SQLITE_ROW;
}

void Statement::run() {
    while (step()) {
    }
    reset();
}

void Statement::reset() {
    sqlite3_reset(statement_);
    sqlite3_clear_bindings(statement_);
    next_ = 1;
}

int64_t Statement::integer(int column) const {
    return sqlite3_column_int64(statement_, column);
}

double Statement::real(int column) const {
    return sqlite3_column_double(statement_, column);
}

std::string_view Statement::view(int column) const {
    const void* data = sqlite3_column_blob(statement_, column);
    auto size = static_cast<size_t>(sqlite3_column_bytes(statement_, column));
    return data ? std::string_view(static_cast<const char*>(data), size) : std::string_view();
}

std::string Statement::string(int column) const {
    return std::string(view(column));
}

bool Statement::isNull(int column) const {
    return sqlite3_column_type(statement_, column) == SQLITE_NULL;
}

bool Statement::isText(int column) const {
    return sqlite3_column_type(statement_, column) == SQLITE_TEXT;
}

int Statement::columns() const {
    return sqlite3_column_count(statement_);
}

void Database::open(const Path& file, int flags) {
    if (sqlite3_open_v2(file.c_str(), &db_, flags | SQLITE_OPEN_NOMUTEX, nullptr) != SQLITE_OK) {
        const DatabaseError error(sqlite3_extended_errcode(db_), sqlite3_errmsg(db_));
        sqlite3_close(db_);
        throw error;
    }
    sqlite3_busy_timeout(db_, 15000);
}

Database::Database(const Path& file, ReadOnly) {
    open(file, SQLITE_OPEN_READONLY);
}

Database::Database(const Path& file) {
    open(file, SQLITE_OPEN_READWRITE | SQLITE_OPEN_CREATE);
    execute("PRAGMA journal_mode=WAL");
    execute("PRAGMA synchronous=FULL"); // commits record changes to files: they must outlive a power cut
    execute("PRAGMA foreign_keys=ON");
    sqlite3_exec(db_, "PRAGMA cache_size=-32000", nullptr, nullptr, nullptr); // kilobytes
    // Every change of what is known of a file touches one of these.
    sqlite3_update_hook(
        db_,
        [](void* self, int, const char*, const char* table, sqlite3_int64) {
            auto* db = static_cast<Database*>(self);
            const std::string_view name(table);
            db->filesChanged_ = db->filesChanged_ || name == "file" || name == "changed_file";
        },
        this);
}

Database::~Database() {
    for (auto& [sql, statements] : idle_)
        for (sqlite3_stmt* s : statements)
            sqlite3_finalize(s);
    sqlite3_close(db_);
}

void Database::forgetPages() {
    sqlite3_db_release_memory(db_);
}

void Database::execute(const char* sql) {
    char* message = nullptr;
    if (sqlite3_exec(db_, sql, nullptr, nullptr, &message) != SQLITE_OK) {
        const DatabaseError error(sqlite3_extended_errcode(db_), message ? message : "");
        sqlite3_free(message);
        throw error;
    }
}

int64_t Database::lastId() const {
    return sqlite3_last_insert_rowid(db_);
}

Transaction::Transaction(Database& db) : db_(db), own_(sqlite3_get_autocommit(db.handle()) != 0) {
    if (own_) {
        db_.filesChanged_ = false;
        db_.execute("BEGIN IMMEDIATE");
    }
}

void Transaction::commit() {
    if (own_ && db_.filesChanged_)
        noteChanges();
    if (own_)
        db_.execute("COMMIT");
    own_ = false;
}

void Transaction::noteChanges() {
    // Not counted but drawn: a library that is made anew or put back from a copy never comes to the same
    // again.
    db_.execute("INSERT INTO setting VALUES ('changes', hex(randomblob(12)))"
                " ON CONFLICT (key) DO UPDATE SET value = excluded.value");
    Statement held(db_, "SELECT count(*) FROM changed_file");
    held.step();
    if (held.integer(0) > mostChangedFiles) // more than is worth a list: whoever has columns makes them anew
        db_.execute("DELETE FROM changed_file; DELETE FROM generation; INSERT INTO generation VALUES (NULL, "
                    "hex(randomblob(12)))");
}

Transaction::~Transaction() {
    if (own_)
        sqlite3_exec(db_.handle(), "ROLLBACK", nullptr, nullptr, nullptr);
}

} // namespace moorfrost::library
