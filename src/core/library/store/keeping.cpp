// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/store/keeping.h"

#include <fcntl.h>
#include <sys/stat.h>
#include <unistd.h>

#include <sqlite3.h>

#include "core/files/disk.h"
#include "core/files/io.h"
#include "core/library/store/salvage.h"
#include "core/library/store/store.h"
#include "core/text/text.h"

namespace moorfrost::library {

namespace {

Path copyOf(const Path& library) {
    return Path(library) += ".copy";
}

Path freshOf(const Path& library) {
    return Path(library) += ".fresh";
}

bool isDamage(int code) {
    return (code & 0xFF) == SQLITE_CORRUPT || (code & 0xFF) == SQLITE_NOTADB;
}

/// With the words of SQLite, of which the last line says most.
std::string sentence(const std::string& words) {
    return "The file of the library is damaged (" + text::forDisplay(words.substr(words.rfind('\n') + 1)) +
           ").";
}

/// The place of the library that is to be the next one, with nothing in it.
Path emptyPlace(const Path& library) {
    for (const char* end : {"", "-wal", "-shm"})
        if (const Path left = freshOf(library) += end; files::isThere(left))
            files::removeFile(left).ignore(); // opening it tells
    return freshOf(library);
}

/// Puts the fresh library in the place of the one that is there; tells where that one is now.
Result<Path> exchange(const Path& library) {
    Path aside;
    for (int n = 1; aside.empty() || files::isThere(aside); ++n)
        aside = Path(library) += ".damaged-" + std::to_string(n);
    // What belongs to the damaged file goes with it: it must not be taken for that of the other.
    for (const char* end : {"", "-wal", "-shm"}) {
        const Path from = Path(library) += end;
        if (files::isThere(from) && files::io::rename(from, Path(aside) += end) != 0)
            return Error{ErrorKind::Io, from, "The damaged library could not be set aside."};
    }
    if (files::io::rename(freshOf(library), library) != 0)
        return Error{ErrorKind::Io, library, "The new file could not be put in the place of the library."};
    files::io::flushFolder(library.parent_path());
    return aside;
}

} // namespace

std::string damageOf(const Path& library, std::stop_token stop) {
    sqlite3* db = nullptr;
    sqlite3_stmt* check = nullptr;
    int code = sqlite3_open_v2(library.c_str(), &db, SQLITE_OPEN_READWRITE | SQLITE_OPEN_NOMUTEX, nullptr);
    if (code == SQLITE_OK) {
        sqlite3_progress_handler(
            db, 10000, [](void* s) { return static_cast<std::stop_token*>(s)->stop_requested() ? 1 : 0; },
            &stop);
        code = sqlite3_prepare_v2(db, "PRAGMA quick_check(1)", -1, &check, nullptr);
    }
    std::string found;
    if (code == SQLITE_OK)
        code = sqlite3_step(check);
    if (code == SQLITE_ROW) {
        std::string said = reinterpret_cast<const char*>(sqlite3_column_text(check, 0));
        if (said != "ok")
            found = sentence(said);
    } else if (isDamage(code)) {
        found = sentence(sqlite3_errmsg(db));
    }
    sqlite3_finalize(check);
    sqlite3_close(db);
    return found;
}

std::optional<KeptCopy> keptCopy(const Path& library) {
    struct stat st {};
    const Path file = copyOf(library);
    if (::stat(file.c_str(), &st) != 0 || !S_ISREG(st.st_mode))
        return std::nullopt;
    return KeptCopy{file, st.st_mtime};
}

Status keepCopy(const Path& library) {
    const Path copy = copyOf(library), part = Path(copy) += ".part";
    if (files::isThere(part))
        if (auto removed = files::removeFile(part); !removed)
            return removed;
    try {
        Database db(library);
        Statement(db, "VACUUM INTO ?").bind(part.native()).run();
    } catch (const DatabaseError& e) {
        if (files::isThere(part))             // of a full disk, say
            files::removeFile(part).ignore(); // the next copy does
        return Error{ErrorKind::Io, library,
                     std::string("The copy of the library could not be made. ") + e.what()};
    }
    int fd = ::open(part.c_str(), O_RDWR | O_CLOEXEC);
    const bool kept = fd >= 0 && files::io::flush(fd) == 0 && files::io::rename(part, copy) == 0;
    if (fd >= 0)
        ::close(fd);
    if (!kept)
        return Error{ErrorKind::Io, copy, "The copy of the library could not be put in its place."};
    return Done{};
}

Result<Path> putBackCopy(const Path& library) {
    auto copy = keptCopy(library);
    if (!copy)
        return Error{ErrorKind::NotFound, library, "There is no copy of the library."};
    if (std::string damage = damageOf(copy->file); !damage.empty())
        return Error{ErrorKind::Damaged, copy->file, "The copy is damaged, too. " + damage};
    // The copy takes its place only as a whole; its own copy stays for another time.
    const Path fresh = emptyPlace(library);
    try {
        Database db(copy->file);
        Statement(db, "VACUUM INTO ?").bind(fresh.native()).run();
    } catch (const DatabaseError& e) {
        return Error{ErrorKind::Io, library,
                     std::string("The copy could not be put back: ") + e.what() + "."};
    }
    return exchange(library);
}

Result<Salvage> makeAnew(const Path& library) {
    Salvage taken;
    try {
        auto store = Store::open(emptyPlace(library));
        if (!store)
            return store.error();
        taken = salvage(library, (*store)->database());
        // Where not even the list of tables can be read, the copy still knows the shelves, and more.
        if (auto copy = keptCopy(library); copy && taken.files == 0 && (*store)->shelves().all().empty()) {
            taken = salvage(copy->file, (*store)->database());
            taken.fromCopy = true;
        }
        (*store)->settings().set(settings::readShelves, true);
    } catch (const DatabaseError& e) {
        return Error{ErrorKind::Io, library, std::string("The library could not be made anew. ") + e.what()};
    }
    auto aside = exchange(library);
    if (!aside)
        return aside.error();
    taken.aside = *aside;
    return taken;
}

void endPutBack(const Path& library) {
    // The fresh one is whole as soon as the damaged one is gone from its place.
    if (!files::isThere(library) && files::isThere(freshOf(library)))
        files::io::rename(freshOf(library), library);
}

} // namespace moorfrost::library
