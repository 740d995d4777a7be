// SPDX-License-Identifier: GPL-3.0-or-later
// Inside the module: what the headers of a file tell of its sound, without decoding it.
#pragma once

#include <optional>

#include "core/audio/format.h"
#include "core/tags/overlay_stream.h"
#include "core/tags/tag_file.h"

namespace moorfrost::tags {

/// nullopt where the headers make no sense, or the format is not known here. The size, and what only tags
/// tell, is not filled in. FLAC (RFC 9639), WAV, AIFF, Ogg Vorbis and Opus are read here, others by TagLib.
std::optional<Facts> readFacts(OverlayStream& stream, audio::Format format);

/// How the sound was encoded, where the format or the first frame tells.
void readEncoding(const ByteSource& source, audio::Format format, Facts& facts);

/// "iTunSMPB" of an MP4: hexadecimal numbers; the second is the delay, the third the padding.
Gapless gaplessOfMp4(const std::string& text);

/// What a recorder wrote in a WAV, in "bext" (EBU Tech 3285) and "iXML": names for people and texts.
std::vector<std::pair<std::string, std::string>> wavRemarks(const ByteSource& source);

} // namespace moorfrost::tags
