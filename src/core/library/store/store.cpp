// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/store/store.h"

#include <cstdlib>
#include <system_error>

#include "core/library/store/keeping.h"
#include "core/library/store/schema.h"
#include "core/text/text.h"

namespace moorfrost::library {

Path Store::defaultPath() {
    const char* data = std::getenv("XDG_DATA_HOME");
    if (data && *data == '/')
        return Path(data) / "moorfrost" / "library.db";
    const char* home = std::getenv("HOME");
    return Path(home ? home : ".") / ".local" / "share" / "moorfrost" / "library.db";
}

Result<std::unique_ptr<Store>> Store::open(const Path& file) {
    std::error_code error;
    std::filesystem::create_directories(file.parent_path(), error);
    endPutBack(file);
    bool existed = std::filesystem::exists(file, error);
    try {
        std::unique_ptr<Store> store(new Store(file));
        store->migrate(file, existed);
        return store;
    } catch (const DatabaseError& e) {
        return Error{e.error().kind, file,
                     "The library " + text::forDisplay(file.native()) + " cannot be opened. " + e.what()};
    }
}

void Store::migrate(const Path& file, bool existed) {
    Statement version(db_, "PRAGMA user_version");
    version.step();
    auto have = static_cast<size_t>(version.integer(0));
    version.reset();
    size_t want = migrations().size();
    if (have == want)
        return;
    if (have > want)
        throw DatabaseError(ErrorKind::Unsupported,
                            "It was made by a newer Moorfrost; this one would damage it.");
    if (existed && have > 0) {
        Path backup = file;
        backup += ".before-" + std::to_string(want);
        Statement copy(db_, "VACUUM INTO ?");
        std::error_code error;
        std::filesystem::remove(backup, error);
        copy.bind(backup.native()).run();
    }
    db_.execute("PRAGMA foreign_keys=OFF"); // tables are made anew; what refers to them refers to their names
    Transaction transaction(db_);
    // Another process may have been quicker.
    Statement again(db_, "PRAGMA user_version");
    again.step();
    have = static_cast<size_t>(again.integer(0));
    again.reset();
    for (size_t n = have; n < want; ++n) {
        db_.execute(migrations()[n].sql);
        if (migrations()[n].work)
            migrations()[n].work(db_);
    }
    db_.execute(("PRAGMA user_version = " + std::to_string(want)).c_str());
    transaction.commit();
    db_.execute("PRAGMA foreign_keys=ON");
}

std::vector<FileId> Store::saveFiles(const std::vector<files::ScannedFile>& files, int64_t batch,
                                     int64_t shelf) {
    Transaction transaction(db_);
    std::vector<FileId> ids = files_.saveAll(files, shelf);
    if (batch > 0)
        batches_.addFiles(batch, ids);
    transaction.commit();
    return ids;
}

} // namespace moorfrost::library
