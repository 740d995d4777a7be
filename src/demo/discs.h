// SPDX-License-Identifier: GPL-3.0-or-later
// Three discs of the invented world, as images: cue sheets with their files.
#pragma once

#include <cstdint>
#include <vector>

#include "core/base/result.h"

namespace moorfrost::demo {

/// Into this folder, each in one of its own, by number:
/// - "Night Post EP": all tracks in one FLAC, the sheet tells nothing but the table;
/// - "Processional": CUE with BIN as from a machine of its time, CD-TEXT in two languages, ISRCs, a media
///   number, a track with pre-emphasis, a bell before track 1;
/// - "Salt Road": a FLAC a track, the sheet written when they were WAV; scratched, in a drive with an offset.
Status makeDisc(const Path& folder, size_t number);
inline constexpr size_t discs = 3;

/// CRC-32 of the tracks of a disc as the first and the third are, from the seed of its first track.
std::vector<uint32_t> checksumsOfDisc(uint32_t seed, size_t tracks);

} // namespace moorfrost::demo
