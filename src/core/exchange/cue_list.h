// SPDX-License-Identifier: GPL-3.0-or-later
// A list of files as a cue sheet: a FILE for each track. Any thread.
#pragma once

#include "core/exchange/playlist.h"

namespace moorfrost::exchange {

/// At most 99 tracks stand in a cue sheet; the rest is left out.
inline constexpr size_t mostCueTracks = 99;
/// Quotation marks in texts and names become single ones: the form cannot hold them.
std::string cueText(const Playlist& list);

} // namespace moorfrost::exchange
