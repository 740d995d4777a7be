// SPDX-License-Identifier: GPL-3.0-or-later
// Inside the module: Vorbis comments ("Ogg Vorbis I format specification: comment field and header
// specification"), as in FLAC and Ogg, with pictures in METADATA_BLOCK_PICTURE.
#pragma once

#include <optional>
#include <string_view>

#include "core/tags/tag.h"

namespace moorfrost::tags {

class VorbisComment : public Tag {
public:
    /// `bytes` from the vendor on. What follows the list (a framing bit, padding) is `rest`.
    static VorbisComment parse(std::string_view bytes);
    /// An empty one, by a named vendor.
    explicit VorbisComment(std::string vendor = {}) : vendor_(std::move(vendor)) {}

    std::string name() const override { return "Vorbis comment"; }

    const std::string& vendor() const { return vendor_; }
    const std::string& rest() const { return rest_; }
    /// False where the list is longer than its bytes: it is read as far as it goes, and must not be written.
    bool isWhole() const { return whole_; }
    /// Without what follows the list.
    std::string render() const;

protected:
    std::optional<Picture> pictureOf(const TagItem& item, bool withBytes) const override;
    Result<TagItem> pictureItem(const Picture& picture) override;
    Status set(const std::string& key, const std::vector<std::string>& values) override;
    Status setPair(const std::string& numberKey, const std::string& number, const std::string& totalKey,
                   const std::string& total) override;

private:
    std::string vendor_, rest_;
    bool whole_ = true;
};

/// A picture block of FLAC (RFC 9639, 8.8), also as it stands in a comment; nullopt where it makes no sense.
std::optional<Picture> flacPicture(std::string_view block, bool withBytes);
/// The same made of a picture.
std::string flacPictureBlock(const Picture& picture);

} // namespace moorfrost::tags
