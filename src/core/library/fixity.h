// SPDX-License-Identifier: GPL-3.0-or-later
// Fixity: proof over years that the sound of a file is the sound that it was. It is taken of the essence, so
// tags may be written and names may change.
#pragma once

#include "core/audio/format.h"
#include "core/library/records.h"

namespace moorfrost::library {

/// Reads all of the file. `sha256`: also the checksum that other programs know, which takes longer.
Result<Fixity> fixityOf(const Path& path, bool sha256);

enum class FixityState { Same, Changed, Missing, Unreadable };
struct FixityCheck {
    FixityState state = FixityState::Same;
    Fixity now;
    std::string error; // a sentence, when it is not the same
};

/// Compares with what was stored: by SHA-256 where that was stored, else by XXH3.
FixityCheck checkFixity(const Fixity& stored);

} // namespace moorfrost::library
