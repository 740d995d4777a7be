// SPDX-License-Identifier: GPL-3.0-or-later
// Inside the module: which tags a file of each format has, and changing all of them together.
#pragma once

#include <memory>

#include "core/audio/format.h"
#include "core/tags/overlay_stream.h"
#include "core/tags/tag.h"

namespace moorfrost::tags {

/// What the tags of a file say.
struct TaggedFile {
    /// In the order in which they are believed; only those that hold anything.
    std::vector<std::unique_ptr<Tag>> tags;
    std::vector<Picture> pictures;
    std::vector<std::string> unknown; // of what is in no tag: blocks that make no sense
    std::string encoder;              // as the tags name it
    std::string gapless;              // of an MP4: numbers as text, "" where there are none
    std::string variable;             // of a WMA: "1" or "0", "" where it is not told
    std::vector<std::pair<std::string, std::string>> languages; // of texts: a name for people and a code

    /// What the tags say together: of each property, what the first says that has it.
    Fields fields() const;
    std::vector<Difference> differences() const;
    std::vector<std::string> allUnknown() const;
};
/// Whether the comment of an Ogg file can be found at all.
bool hasOggComment(const ByteSource& source, audio::Format format);
TaggedFile readTagged(const ByteSource& source, audio::Format format, bool withPictureBytes);

/// What is to change: fields without those of pictures, and pictures. `wanted`: all fields as they shall be,
/// for a tag that is made anew and must not hide what others hold.
struct TagChanges {
    const Fields& fields;
    const Fields& wanted;
    const PictureChanges& pictures;
};
/// Puts the changes into the tags of the file. `notes` gets a sentence for every further tag that was brought
/// in step.
Status changeTags(OverlayStream& stream, audio::Format format, const TagChanges& changes,
                  std::vector<std::string>& notes);

} // namespace moorfrost::tags
