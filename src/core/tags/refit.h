// SPDX-License-Identifier: GPL-3.0-or-later
// Fitting what TagLib saved onto the overlay into the room that was there, so that the audio stays where it
// is and the change can be made in place: padding is made as long as it has to be. Inside tags/ only.
#pragma once

#include <taglib/oggfile.h>

#include "core/audio/format.h"
#include "core/tags/overlay_stream.h"

namespace moorfrost::tags {

/// After a save: FLAC, ID3v2 in front (MP3, TrueAudio), RIFF WAVE. Leaves other formats alone, and what does
/// not fit.
void refit(OverlayStream& stream, audio::Format format);

/// The second packet of an Ogg stream, the one with the comments; "" where the stream is not plain enough to
/// tell. What is beyond `most` bytes is left out.
std::string oggComment(const ByteSource& source, uint64_t most);

/// Saves the comment packet (the second one) of an Ogg stream: in its old pages, with padding behind it,
/// where it fits; otherwise through TagLib, with some padding for the next time. Zeros behind the comments
/// are allowed by RFC 7845 (Opus) and passed over by readers of Vorbis and Speex.
bool saveOggComment(TagLib::Ogg::File& file, OverlayStream& stream, const TagLib::ByteVector& packet);

} // namespace moorfrost::tags
