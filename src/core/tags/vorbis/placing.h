// SPDX-License-Identifier: GPL-3.0-or-later
// Inside the module: where Vorbis comments lie in FLAC and Ogg files, and putting others in their place.
#pragma once

#include <optional>

#include "core/audio/format.h"
#include "core/tags/overlay_stream.h"
#include "core/tags/vorbis/comment.h"

namespace moorfrost::tags {

/// What the blocks in front of the sound of a FLAC file hold (RFC 9639, 8).
struct FlacBlocks {
    std::optional<VorbisComment> comment; // the first one counts
    std::vector<Picture> pictures;
    std::vector<std::string> pictureBlocks; // the same as they stand
    int damagedPictures = 0;                // blocks that make no sense
};
/// nullopt where the blocks cannot be walked through.
std::optional<FlacBlocks> readFlacBlocks(const ByteSource& source, bool withBytes);

/// Puts the comment (if any) into the place of the first one, or a new block, and these blocks of pictures
/// (if they change) into the place of those that there are. Padding grows or shrinks so that the sound stays
/// where it is, if it can; all other blocks stay as they are.
Status placeFlacBlocks(OverlayStream& stream, const VorbisComment* comment,
                       const std::optional<std::vector<std::string>>& pictures);
/// What the blocks of pictures are to be; nullopt where they stay as they are. An Error as
/// Tag::changePictures has it.
Result<std::optional<std::vector<std::string>>> changedPictureBlocks(const FlacBlocks& blocks,
                                                                     const PictureChanges& changes);

/// The comment of the first stream of an Ogg file; nullopt where there is none.
std::optional<VorbisComment> readOggComment(const ByteSource& source, audio::Format format);

/// Puts the comment into the pages of the old one, with zeros behind it (RFC 7845 allows them for Opus;
/// readers of Vorbis and Speex pass them over), else all pages are made anew. An Error where streams lie
/// between each other.
Status placeOggComment(OverlayStream& stream, audio::Format format, const VorbisComment& comment);

} // namespace moorfrost::tags
