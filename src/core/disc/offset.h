// SPDX-License-Identifier: GPL-3.0-or-later
// The offset of a drive: found with a disc of which others have read the same sound.
#pragma once

#include <optional>
#include <stop_token>
#include <vector>

#include "core/disc/drive.h"
#include "core/reference/release.h"

namespace moorfrost::disc {

/// By which offset (in frames, what the drive reads comes so much later on the disc) a track has one of these
/// checksums: CRC-32 of its samples. The one nearest to 0; nullopt where none within mostOffset has.
/// `length`: of the track in sectors. An Error where it cannot be read.
Result<std::optional<int>> findOffset(Drive& drive, int32_t from, int32_t length,
                                      const std::vector<uint32_t>& checksums, std::stop_token stop);

/// The same with a disc: the shortest of its tracks that two readings of somebody else are known of, but
/// neither the first nor the last, whose ends a drive may not reach.
Result<std::optional<int>> findOffset(Drive& drive, const Toc& toc, const reference::Medium& known,
                                      std::stop_token stop);

} // namespace moorfrost::disc
