// SPDX-License-Identifier: GPL-3.0-or-later
// A file as TagLib would change it, without changing it: TagLib reads and writes here, the file stays as it
// is. The result is a list of extents, runs of bytes of the original or of new bytes, from which the changed
// file can be built, and from which what it replaced can be kept.
#pragma once

#include <memory>
#include <string>
#include <vector>

#include <taglib/tiostream.h>

#include "core/base/recipe.h"

namespace moorfrost::tags {

class OverlayStream : public TagLib::IOStream, public ByteSource {
public:
    OverlayStream(std::shared_ptr<FileSource> original, const Path& path);

    // TagLib::IOStream
    TagLib::FileName name() const override { return name_.c_str(); }
    TagLib::ByteVector readBlock(unsigned long length) override;
    void writeBlock(const TagLib::ByteVector& data) override;
    void insert(const TagLib::ByteVector& data, unsigned long start = 0, unsigned long replace = 0) override;
    void removeBlock(unsigned long start = 0, unsigned long length = 0) override;
    bool readOnly() const override { return false; }
    bool isOpen() const override { return true; }
    void seek(long offset, Position p = Beginning) override;
    long tell() const override { return position_; }
    long length() override { return static_cast<long>(size_); }
    void truncate(long length) override;

    // ByteSource
    uint64_t size() const override { return size_; }
    size_t read(uint64_t offset, char* into, size_t n) const override;

    /// Whether a parser has asked for more bytes than any tags could have, as it does when it looks for
    /// something through a long file that does not hold it. It gets nothing any more from then on.
    bool isExhausted() const { return asked_ > mostAsked; }

    /// Puts `data` in the place of `length` bytes.
    void replaceRange(uint64_t start, uint64_t length, std::string_view data);
    /// How the changed file is made from the original; neighbouring runs that continue each other are joined,
    /// and fresh bytes that were replaced again are left out.
    Recipe recipe() const;
    const std::shared_ptr<FileSource>& original() const { return original_; }

private:
    static constexpr uint64_t mostAsked = uint64_t{256} << 20;

    size_t locate(uint64_t offset, uint64_t& startOfRun) const;
    size_t splitAt(uint64_t offset);

    std::shared_ptr<FileSource> original_;
    std::string name_;
    std::vector<Extent> runs_;
    std::string fresh_;
    uint64_t size_;
    long position_ = 0;
    uint64_t asked_ = 0;
    // Where the last look-up ended: parsing goes forward, so the next one starts from here.
    mutable size_t cursorRun_ = 0;
    mutable uint64_t cursorStart_ = 0;
};

} // namespace moorfrost::tags
