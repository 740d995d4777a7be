// SPDX-License-Identifier: GPL-3.0-or-later
// The parts of the command "disc".
#pragma once

#include "cli/common.h"
#include "core/disc/ripper.h"

namespace moorfrost::cli {

/// A drive, or the cue sheet of an image.
Result<disc::DriveLook> lookAt(const Path& drive);
int ripDiscs(const Options& options);

} // namespace moorfrost::cli
