// SPDX-License-Identifier: GPL-3.0-or-later
// Keeping a library whole: finding out that its file was damaged (by a bad disk, a cut copy, another
// program), a copy of it from when it was whole, and putting that back.
#pragma once

#include <optional>
#include <stop_token>

#include "core/base/result.h"

namespace moorfrost::library {

/// What is wrong with the file of the library, a sentence; "" if it is whole, or was not looked through to
/// the end. Reads all of it; others may work with it meanwhile. Any thread.
std::string damageOf(const Path& library, std::stop_token stop = {});

struct KeptCopy {
    Path file;
    int64_t when = 0; // seconds since 1970
};
/// The copy beside the library, if there is one.
std::optional<KeptCopy> keptCopy(const Path& library);
/// Makes the copy anew; the one from before stays until it is whole. To be called for a whole library.
Status keepCopy(const Path& library);

/// Puts the copy in the place of the library. No connection may be open. What was there stays beside it, and
/// its place is returned: nothing is thrown away.
Result<Path> putBackCopy(const Path& library);
/// What was taken over from a damaged library.
struct Salvage {
    Path aside; // where the damaged one is now
    size_t files = 0, drafts = 0, sets = 0;
    bool fromCopy = false; // nothing could be read of the damaged one itself
};
/// Puts a library in the place of the damaged one that holds all that can still be read of it (if that is
/// nothing, what its copy has), and notes in
/// it (settings::readShelves) that the folders of its shelves are to be read again. Otherwise like
/// putBackCopy.
Result<Salvage> makeAnew(const Path& library);

/// Where putting back was cut off between two steps, ends it. Before the library is opened.
void endPutBack(const Path& library);

} // namespace moorfrost::library
