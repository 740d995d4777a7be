// SPDX-License-Identifier: GPL-3.0-or-later
// The essence of a sound file: its audio bytes without tags, headers of tags or padding. What a tag write
// must never change. The parts are found by walking each format's own structure:
//   MP3, WavPack, Monkey's Audio, Musepack, TrueAudio: what is left without ID3v2 in front and APE, ID3v1
//   behind FLAC: the stream information block and all frames      WAV: "fmt " and "data"      AIFF: "COMM"
//   and "SSND" MP4: all "mdat" boxes       Ogg: the packets of all streams without the comment packet and
//   without page headers       ASF: stream properties and packets       formats that are never written and
//   have no known structure here: all bytes
#pragma once

#include <cstdint>
#include <span>
#include <string>

#include "core/audio/format.h"
#include "core/base/recipe.h"
#include "core/base/result.h"

namespace moorfrost::audio {

struct Essence {
    std::string hash;   // XXH3-128 of the audio bytes, 32 hex digits
    uint64_t bytes = 0; // how many audio bytes there are
};

/// Reads the whole file. Unsupported for formats whose structure is not known here; Damaged where the
/// structure is broken or cut short.
Result<Essence> essenceOf(const ByteSource& source, Format format);

/// SHA-256 of the same bytes, 64 hex digits: for keeping over years and for other programs.
Result<std::string> essenceSha256(const ByteSource& source, Format format);

/// Shows that a changed file has the essence of the original: the same bytes in the same order. Runs that the
/// recipe takes from the original unmoved or moved as a whole need not be read. An Error says what is wrong.
Status sameEssence(const ByteSource& original, const Recipe& recipe, Format format);

/// A sentence if the structure says the file is cut short, else "". Reads headers and the end only.
/// `thorough`: checksums of the last frame, too, as before a write.
std::string whyCutShort(const ByteSource& source, Format format, bool thorough = false);

/// XXH3-128 of all bytes, 32 hex digits.
std::string contentHash(const ByteSource& source);
/// The same of a file and of what a recipe makes of it, reading each byte once where the recipe goes through
/// the file from its beginning to its end.
struct ContentHashes {
    std::string before, after;
};
ContentHashes contentHashes(const ByteSource& original, const Recipe& recipe);
std::string bytesHash(std::string_view bytes);

} // namespace moorfrost::audio
