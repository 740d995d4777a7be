// SPDX-License-Identifier: GPL-3.0-or-later
// Inside the module: ID3v1 and 1.1, the 128 bytes at the end of a file: 30 bytes of title, artist, album, 4
// of a year, 30 of a comment (28 where a track number stands in its last byte), one of a genre.
#pragma once

#include "core/tags/tag.h"

namespace moorfrost::tags {

class Id3v1Tag : public Tag {
public:
    static constexpr size_t length = 128;

    /// `bytes`: 128 of them, beginning with "TAG".
    explicit Id3v1Tag(std::string bytes);
    std::string name() const override { return "ID3v1"; }
    const std::string& bytes() const { return bytes_; }

protected:
    Status set(const std::string& key, const std::vector<std::string>& values) override;
    Status setPair(const std::string& numberKey, const std::string& number, const std::string& totalKey,
                   const std::string& total) override;

private:
    void read();
    bool hasTrackByte() const { return bytes_[125] == '\0'; }

    std::string bytes_;
};

} // namespace moorfrost::tags
