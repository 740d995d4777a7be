// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/carry_library.h"

#include <fcntl.h>
#include <unistd.h>

#include <algorithm>
#include <vector>

#include <fmt/format.h>

#include "core/files/checksums.h"
#include "core/files/copy_file.h"
#include "core/files/disk.h"
#include "core/files/file_system.h"
#include "core/files/io.h"
#include "core/files/staged_folder.h"
#include "core/files/trash.h"
#include "core/library/own_library.h"
#include "core/library/store/keeping.h"
#include "core/library/store/schema.h"
#include "core/library/store/store.h"
#include "core/text/text.h"

namespace moorfrost::library {

namespace {

namespace fs = std::filesystem;

/// Called after the library: "library.db.pictures". What only holds while it is open, or is worked out of it
/// at once, is none of it.
bool belongs(const std::string& name, const std::string& library) {
    if (!name.starts_with(library + "."))
        return false;
    const std::string end = name.substr(library.size());
    for (const char* passing : {".lock", ".writing", ".columns", ".readiness", ".fresh", ".copy.part"})
        if (end.starts_with(passing))
            return false;
    return true;
}

/// Beside the library, itself not among them; relative to its folder, in a stable order.
std::vector<Path> besideIt(const Path& library) {
    std::vector<Path> out;
    std::error_code error;
    const Path folder = library.parent_path();
    files::eachEntry(
        folder,
        [&](const std::string& name) {
            if (!belongs(name, library.filename().native()))
                return;
            const auto what = fs::symlink_status(folder / name, error);
            if (fs::is_regular_file(what))
                out.emplace_back(name);
            if (!fs::is_directory(what))
                return;
            out.emplace_back(name);
            for (fs::recursive_directory_iterator at(folder / name, error), end; !error && at != end;
                 at.increment(error))
                out.push_back(at->path().lexically_relative(folder));
        },
        error);
    std::ranges::sort(out); // a folder before what is in it
    return out;
}

Error moved(const Error& e, const Path& folder) {
    return Error{e.kind, folder, e.message};
}

Status copyBeside(const Path& from, const Path& to, std::stop_token stop) {
    std::error_code error;
    const auto what = fs::symlink_status(from, error);
    if (fs::is_directory(what))
        return files::makeFolders(to);
    if (!fs::is_regular_file(what))
        return Done{}; // a link or a device is nothing of ours
    if (auto copied = files::copyFile(from, to, stop); !copied)
        return copied.error();
    const auto untold = [](uint64_t) {};
    const auto a = files::sha256Of(from, stop, untold), b = files::sha256Of(to, stop, untold);
    if (!a || !b)
        return a ? b.error() : a.error();
    if (*a != *b)
        return Error{ErrorKind::Io, from,
                     "What was written does not read back the same. Is the disk failing?"};
    return Done{};
}

Status copyItself(const Path& library, const Path& to) {
    try {
        Database db(library);
        Statement(db, "VACUUM INTO ?").bind(to.native()).run();
    } catch (const DatabaseError& e) {
        return Error{e.error().kind, library,
                     std::string("The copy of the library could not be made. ") + e.what()};
    }
    const int fd = ::open(to.c_str(), O_RDWR | O_CLOEXEC);
    const bool kept = fd >= 0 && files::io::flush(fd) == 0;
    if (fd >= 0)
        ::close(fd);
    if (!kept)
        return Error{ErrorKind::Io, to, "The copy of the library could not be put in its place."};
    if (std::string damage = damageOf(to); !damage.empty())
        return Error{ErrorKind::Damaged, to, damage};
    return Done{};
}

} // namespace

LibraryBulk bulkOf(const Path& library) {
    LibraryBulk out;
    std::error_code error;
    auto count = [&](const Path& path) {
        if (!fs::is_regular_file(fs::symlink_status(path, error)))
            return;
        ++out.files;
        if (const auto size = fs::file_size(path, error); !error)
            out.bytes += size;
    };
    count(library);
    for (const Path& one : besideIt(library))
        count(library.parent_path() / one);
    return out;
}

Result<Path> carryLibrary(const Path& library, const Path& folder, std::stop_token stop,
                          work::Progress& progress) {
    if (!files::isThere(library))
        return Error{ErrorKind::NotFound, library, "The library is not there."};
    if (folder.native().starts_with(library.parent_path().native() + "/" + library.filename().native() + "."))
        return Error{ErrorKind::Invalid, folder, "The library cannot be brought into a folder of its own."};
    const LibraryBulk bulk = bulkOf(library);
    if (const uint64_t free = files::fileSystemOf(folder).free; free < bulk.bytes)
        return Error{
            ErrorKind::NoSpace, folder,
            fmt::format("There is not enough room in this folder: {:.1f} MB are needed, {:.1f} MB are free.",
                        static_cast<double>(bulk.bytes) / 1e6, static_cast<double>(free) / 1e6)};
    if (std::string damage = damageOf(library, stop); !damage.empty())
        return Error{ErrorKind::Damaged, library, damage};
    auto staged = files::StagedFolder::begin(folder, "");
    if (!staged)
        return moved(staged.error(), folder);
    const std::vector<Path> beside = besideIt(library);
    progress.begin(beside.size() + 1);
    for (const Path& one : beside) {
        if (stop.stop_requested())
            return Error{ErrorKind::Cancelled, folder, "It was stopped."};
        Path to = staged->path() / one;
        // Whatever it was called: where it is brought, it is a library of the usual name.
        const std::string own = library.filename().native(), name = one.native();
        to = staged->path() / ("library.db" + name.substr(own.size()));
        if (Status copied = copyBeside(library.parent_path() / one, to, stop); !copied)
            return copied.error();
        progress.stepPath(one);
    }
    if (Status copied = copyItself(library, staged->path() / "library.db"); !copied)
        return copied.error();
    progress.stepPath(library);
    if (stop.stop_requested())
        return Error{ErrorKind::Cancelled, folder, "It was stopped."};
    if (Status done = staged->finish(); !done)
        return moved(done.error(), folder);
    return folder / "library.db";
}

Status trashLibrary(const Path& library) {
    // Where another program has it open still, some of it is not in the file itself yet.
    std::vector<Path> all{library.filename(), Path(library.filename()) += "-wal"};
    for (const Path& one : besideIt(library))
        if (one.parent_path().empty())
            all.push_back(one);
    for (const Path& one : all) {
        const Path from = library.parent_path() / one;
        if (!files::isThere(from))
            continue;
        const auto place = files::placeInTrash(from);
        if (!place)
            return place.error();
        if (const int error = files::io::renameFree(from, *place); error != 0) {
            files::forgetTrashed(*place);
            return systemError(error, from, "Putting into the trash");
        }
    }
    for (const char* end : {"-shm", ".lock", ".writing", ".columns", ".readiness"})
        if (const Path rest = Path(library) += end; files::isThere(rest))
            files::removeFile(rest).ignore(); // of no use without it
    return Done{};
}

Result<Path> bringLibrary(const Path& folder, bool becomesOwn, std::stop_token stop,
                          work::Progress& progress) {
    const auto from = carriedLibrary(folder);
    if (!from)
        return from.error();
    const Path data = Store::defaultPath().parent_path();
    Path into = data / "library";
    for (int n = 2; files::isThere(into); ++n)
        into = data / ("library " + std::to_string(n));
    const auto carried = carryLibrary(*from, into, stop, progress);
    if (carried && becomesOwn)
        if (const Status noted = setOwnLibrary(*carried); !noted)
            return noted.error();
    return carried;
}

Result<Path> carriedLibrary(const Path& folder) {
    const Path library = folder / "library.db";
    if (!files::isThere(library))
        return Error{ErrorKind::NotFound, folder,
                     "There is no library in this folder: \"library.db\" is missing."};
    if (std::string damage = damageOf(library); !damage.empty())
        return Error{ErrorKind::Damaged, library, damage};
    try {
        Database db(library);
        Statement version(db, "PRAGMA user_version");
        version.step();
        if (static_cast<size_t>(version.integer(0)) > migrations().size())
            return Error{ErrorKind::Unsupported, library,
                         "It was made by a newer Moorfrost; this one would damage it."};
        if (version.integer(0) == 0)
            return Error{ErrorKind::Invalid, library, "This is no library of Moorfrost."};
    } catch (const DatabaseError& e) {
        return e.error();
    }
    return library;
}

} // namespace moorfrost::library
