// SPDX-License-Identifier: GPL-3.0-or-later
// Inside the module: ID3v2.2, 2.3 and 2.4 (the informal standards of id3.org). Frames stay as they stand,
// damaged and empty ones too; the version stays unless it cannot hold a value.
#pragma once

#include <optional>

#include "core/base/byte_source.h"
#include "core/tags/id3/frame_texts.h"
#include "core/tags/tag.h"

namespace moorfrost::tags {

class Id3v2Tag : public Tag {
public:
    /// A new one, version 2.4.
    Id3v2Tag() = default;
    /// `bytes`: the whole tag with its header. nullopt where they are none, or coded in a way that is not
    /// known.
    static std::optional<Id3v2Tag> parse(std::string_view bytes);

    std::string name() const override { return "ID3v2." + std::to_string(version_); }
    int version() const { return version_; }
    bool isEmpty() const { return items_.empty(); }
    /// A tag of version 2.2 becomes one of 2.4 first, where it has no name for what a picture is.
    Result<bool> changePictures(const PictureChanges& changes, bool mayAdd = true) override;
    /// Bytes that the tag needs at least, with its header.
    uint64_t leastLength() const;
    /// With zeros behind the frames so that it is `length` bytes long (where that is more than it needs; a
    /// tag with a footer has no room).
    std::string render(uint64_t length) const;
    /// Whether zeros may stand behind the frames.
    bool mayHaveRoom() const { return !footer_; }

    /// Languages of the comment and the lyrics that are shown, where they are others than English or unknown:
    /// pairs of a name for people and a code.
    std::vector<std::pair<std::string, std::string>> languages() const;

protected:
    std::optional<Picture> pictureOf(const TagItem& item, bool withBytes) const override;
    Result<TagItem> pictureItem(const Picture& picture) override;
    Status set(const std::string& key, const std::vector<std::string>& values) override;
    size_t appendAt() const override;

private:
    /// Works out again what the frames say: they depend on each other (languages of comments, parts of a
    /// date).
    void understand();
    Status setDate(const std::string& key, const std::string& value);
    Status setWords(const std::string& key, const std::vector<std::string>& values);
    Status setPeople(const std::string& key, const std::vector<std::string>& values);
    Status setWebsite(const std::vector<std::string>& values);
    Status setFrames(const std::string& key, const std::vector<std::string>& values);
    /// To 2.4: frames keep what they hold, only their headers are written anew.
    Status upgrade();
    TagItem frame(std::string_view id, std::string_view content) const;
    std::string contentOf(const TagItem& item) const;
    std::string idOf(const TagItem& item) const;
    size_t headLength() const { return version_ == 2 ? 6 : 10; }
    std::string bodyBytes() const;

    int version_ = 4;
    bool unsynchronised_ = false; // the tag as a whole (2.2, 2.3), or every frame (2.4)
    bool footer_ = false;
    std::string extended_; // extended header without a checksum, as it stands
};

/// The bytes of the ID3v2 tag at `offset`, with its header; "" where there is none, or one that is too large
/// to be one.
std::string id3v2Bytes(const ByteSource& source, uint64_t offset);

} // namespace moorfrost::tags
