// SPDX-License-Identifier: GPL-3.0-or-later
// How the new content of a file is made from its old content: runs of old bytes and new bytes, in order. The
// way back (the old content from the new) is a recipe too.
#pragma once

#include <cstdint>
#include <string>
#include <vector>

#include "core/base/byte_source.h"

namespace moorfrost {

/// A run of bytes: of the old content, or of the recipe's own fresh bytes.
struct Extent {
    bool fresh = false;
    uint64_t offset = 0; // in the old content, or in the fresh bytes
    uint64_t length = 0;
    bool operator==(const Extent&) const = default;
};

struct Recipe {
    std::vector<Extent> extents;
    std::string fresh;

    uint64_t size() const;
    bool operator==(const Recipe&) const = default;
};

/// Whether all runs lie inside the old content and the fresh bytes.
bool isSound(const Recipe& recipe, uint64_t oldSize);

/// Reads as the new content. Both must outlive it.
class RecipeSource : public ByteSource {
public:
    RecipeSource(const ByteSource& old, const Recipe& recipe);
    uint64_t size() const override { return size_; }
    size_t read(uint64_t offset, char* into, size_t n) const override;

private:
    const ByteSource& old_;
    const Recipe& recipe_;
    std::vector<uint64_t> starts_; // of each extent, in the new content
    uint64_t size_ = 0;
};

/// How a recipe can be carried out on the file itself.
enum class CommitClass {
    Nothing, // the new content is the old content
    InPlace, // some bytes are replaced by as many others
    Tail,    // all old bytes that stay keep their place, only the end moves
    Rewrite, // bytes change their place: a new file is needed
};
const char* name(CommitClass how);

/// `old` is what the recipe is made for. Fresh bytes that equal the old ones are no change.
CommitClass classify(const Recipe& recipe, const ByteSource& old);

/// A replacement at one place of the file: `before` bytes become `after` bytes. Only the last of a list may
/// differ in length (the end of the file moves then).
struct Patch {
    uint64_t offset = 0;
    std::string before, after;
    bool operator==(const Patch&) const = default;
};

/// For recipes that are in place or tail. Not for rewrites.
std::vector<Patch> patchesOf(const Recipe& recipe, const ByteSource& old);

/// The recipe that makes the old content from the new.
Recipe inverseOf(const Recipe& recipe, const ByteSource& old);
/// The same, from patches; `newSize` is the size of the new content.
Recipe inverseOf(const std::vector<Patch>& patches, uint64_t newSize);

} // namespace moorfrost
