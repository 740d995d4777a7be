// SPDX-License-Identifier: GPL-3.0-or-later
// Counts how often SQLite waits for the disk, by standing between it and its own way of doing that. For one
// test program; before the first database is opened.
#pragma once

#include <atomic>
#include <map>
#include <memory>
#include <mutex>
#include <sqlite3.h>

namespace moorfrost::test {

class CountedFlushes {
public:
    static int count() { return count_; }

    static void begin() {
        if (system_)
            return;
        sqlite3_initialize();
        system_ = sqlite3_vfs_find(nullptr);
        static sqlite3_vfs ours = *system_;
        ours.zName = "counted";
        ours.xOpen = [](sqlite3_vfs*, const char* name, sqlite3_file* file, int flags, int* out) {
            const int code = system_->xOpen(system_, name, file, flags, out);
            if (code == SQLITE_OK && file->pMethods)
                file->pMethods = counted(file->pMethods);
            return code;
        };
        sqlite3_vfs_register(&ours, 1);
    }

private:
    struct Table {
        sqlite3_io_methods ours;
        const sqlite3_io_methods* theirs;
    };
    /// The same functions but for this one. SQLite has a few tables of them, by kind of file.
    static const sqlite3_io_methods* counted(const sqlite3_io_methods* theirs) {
        static std::mutex mutex;
        static std::map<const sqlite3_io_methods*, std::unique_ptr<Table>> tables;
        std::lock_guard lock(mutex);
        auto& table = tables[theirs];
        if (!table) {
            table = std::make_unique<Table>(Table{*theirs, theirs});
            table->ours.xSync = [](sqlite3_file* file, int how) {
                ++count_;
                return reinterpret_cast<const Table*>(file->pMethods)->theirs->xSync(file, how);
            };
        }
        return &table->ours;
    }
    static inline sqlite3_vfs* system_ = nullptr;
    static inline std::atomic<int> count_ = 0;
};

} // namespace moorfrost::test
