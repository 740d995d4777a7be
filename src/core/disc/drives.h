// SPDX-License-Identifier: GPL-3.0-or-later
// What discs are read in: drives of the machine, and disc images in simulated ones.
#pragma once

#include "core/disc/drive.h"

namespace moorfrost::disc {

bool isDevice(const Path& drive);
/// By its device or the cue sheet of an image. For the process that rips; see disc/ripper.
Result<std::unique_ptr<Drive>> openDrive(const Path& drive);

} // namespace moorfrost::disc
