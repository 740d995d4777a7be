// SPDX-License-Identifier: GPL-3.0-or-later
// A library as a whole, brought to another folder: itself, and all that lies beside it and cannot be worked
// out again (pictures and documents that are kept, sound prints, its copy). Nobody has it open meanwhile, but
// for reading.
#pragma once

#include <stop_token>

#include "core/base/result.h"
#include "core/work/progress.h"

namespace moorfrost::library {

struct LibraryBulk {
    size_t files = 0;
    uint64_t bytes = 0;
};
/// What carrying it would copy.
LibraryBulk bulkOf(const Path& library);

/// Copies it into a folder of that name, which is not there yet or empty; the folder takes its name when all
/// of it is there, compared byte for byte, and whole. The library that was copied stays as it is. Returns the
/// new library. An Error: Exists, NoSpace, Damaged (a library that is not whole is not carried), Cancelled
/// and others; then nothing is left there.
Result<Path> carryLibrary(const Path& library, const Path& folder, std::stop_token stop,
                          work::Progress& progress);

/// Puts a library that was carried away, and what lies beside it, into the trash. Ends with the first that
/// cannot be.
Status trashLibrary(const Path& library);

/// Makes a library that was carried on another machine this person's own: copied into a folder of its own
/// beside the usual place, of which it is told. Errors as of carriedLibrary and carryLibrary.
Result<Path> bringLibrary(const Path& folder, bool becomesOwn, std::stop_token stop,
                          work::Progress& progress);

/// The library in a folder that was carried there ("library.db"), if it is one that this version can open;
/// else why not.
Result<Path> carriedLibrary(const Path& folder);

} // namespace moorfrost::library
