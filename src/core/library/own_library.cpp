// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/own_library.h"

#include "core/files/disk.h"
#include "core/files/whole_file.h"
#include "core/library/store/store.h"
#include "core/text/text.h"

namespace moorfrost::library {

namespace {

constexpr uint64_t longestPath = 1 << 16;

/// In the data folder, whether a library is in it or not.
Path noteFile() {
    return Store::defaultPath().parent_path() / "library-place";
}

} // namespace

Path ownLibraryPlace() {
    const Result<std::string> noted = files::wholeFile(noteFile(), longestPath);
    if (!noted)
        return Store::defaultPath();
    const Path place(noted->substr(0, noted->find('\0')));
    return place.is_absolute() ? place : Store::defaultPath();
}

Result<Path> ownLibrary() {
    const Path place = ownLibraryPlace();
    if (place != Store::defaultPath() && !files::isThere(place))
        return Error{ErrorKind::NotFound, place,
                     "The library was moved to " + text::forDisplay(place.native()) +
                         ", and is not there. Is its disk connected?"};
    return place;
}

Status setOwnLibrary(const Path& library) {
    if (library == Store::defaultPath())
        return files::isThere(noteFile()) ? files::removeFile(noteFile()) : Status(Done{});
    if (Status made = files::makeFolders(noteFile().parent_path()); !made)
        return made;
    // Ended by a zero: a name can hold line breaks.
    return files::writeWhole(noteFile(), library.native() + std::string(1, '\0'));
}

} // namespace moorfrost::library
