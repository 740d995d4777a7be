// SPDX-License-Identifier: GPL-3.0-or-later
// Where in a file its sound lies, by walking each format's own structure (audio/essence says which parts).
#pragma once

#include <cstdint>
#include <functional>

#include "core/audio/format.h"
#include "core/base/byte_source.h"
#include "core/base/result.h"

namespace moorfrost::audio {

/// A range of audio bytes. False: it could not be read, and no more is wanted.
using SoundRange = std::function<bool(uint64_t from, uint64_t to)>;

/// Calls `audio` for each range in its order. An error where the structure is broken; Unsupported for formats
/// whose structure is not known here.
Status walkSound(const ByteSource& source, Format format, const SoundRange& audio);

/// Ogg by packets: the payload of every page; of the packets of a stream, the second (the comments) is left
/// out. `until`: what begins behind that is not looked at.
Status walkOgg(const ByteSource& source, const SoundRange& audio, uint64_t until = UINT64_MAX);

/// Where the sound begins in formats that are frames with tags around them (MP3, WavPack ...).
uint64_t framesStart(const ByteSource& source);

} // namespace moorfrost::audio
