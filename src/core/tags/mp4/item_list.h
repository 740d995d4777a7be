// SPDX-License-Identifier: GPL-3.0-or-later
// Inside the module: the list of tags of an MP4 file ("ilst" in moov/udta/meta): an atom each, with its
// values in "data" atoms; other names stand in "----" atoms with a "mean" and a "name".
#pragma once

#include "core/base/byte_source.h"
#include "core/tags/overlay_stream.h"
#include "core/tags/tag.h"

namespace moorfrost::tags {

class Mp4List : public Tag {
public:
    /// The content of an "ilst" atom.
    static Mp4List parse(std::string_view bytes);

    std::string name() const override { return "MP4"; }
    std::vector<Picture> pictures(bool withBytes) const override;
    /// All pictures stand in one atom.
    Result<bool> changePictures(const PictureChanges& changes, bool mayAdd = true) override;
    /// The content of the atom.
    std::string render() const;

    /// The text of a "----" atom of that name; "" if there is none.
    std::string freeText(std::string_view name) const;

protected:
    /// The first of an atom.
    std::optional<Picture> pictureOf(const TagItem& item, bool withBytes) const override;
    Status set(const std::string& key, const std::vector<std::string>& values) override;

private:
    std::string tail_; // what could not be taken apart
};

/// Empty where the file has no list.
Mp4List readMp4List(const ByteSource& source);

/// Puts the list into the file: into the room of the old one and of empty atoms beside it, else there is more
/// room made and all tables that tell where the sound is are brought in step. An Error where the index cannot
/// be adjusted.
Status placeMp4List(OverlayStream& stream, const Mp4List& list);

/// Whether the tables of the index that are adjusted when the sound moves are as long as they say.
bool isMp4IndexSound(const ByteSource& source);

} // namespace moorfrost::tags
