// SPDX-License-Identifier: GPL-3.0-or-later
// Sorting the files of a batch into sleeves: what is believed to be one release. docs/sleeves.md says by
// what.
#pragma once

#include <compare>
#include <cstdint>
#include <memory>
#include <string>
#include <vector>

#include "core/base/result.h"
#include "core/tags/tag_file.h"

namespace moorfrost::matching {

struct SleeveInput {
    int64_t id = 0;
    Path path;
    tags::Fields fields;
    std::string format = {}; // two copies of a release may differ by it
    uint64_t picture = 0;    // the same for the same picture; 0 for none
    double seconds = 0;      // how long it is; 0: not known
    int64_t modified = 0;    // when it was last written, seconds since 1970; 0: not known
};

/// `fields`: as they will be, drafts included.
SleeveInput sleeveInput(int64_t id, const Path& path, const tags::TagFile& tags, const tags::Fields& fields,
                        int64_t modifiedNs);

struct Sleeve {
    std::string key;          // stable while the files are the same; "" for the strays
    std::vector<int64_t> ids; // in the order in which an album is listened to
    std::string why;          // sentences: why these belong together
    bool compilation = false; // of different artists
};

struct SleeveChanges {
    std::vector<Sleeve> changed;   // new ones, and those whose files or reasons are others now
    std::vector<std::string> gone; // keys
};

/// Keeps what was worked out, so that a file that comes or changes costs little. One thread at a time.
class SleeveForming {
public:
    SleeveForming();
    ~SleeveForming();
    SleeveForming(SleeveForming&&) noexcept;
    SleeveForming& operator=(SleeveForming&&) noexcept;

    /// A new file, or one that changed.
    void put(const SleeveInput& file);
    void remove(int64_t id);
    size_t size() const;
    /// In the order of their folders; the strays, if there are any, come last. They hold until the next call
    /// of any function.
    std::vector<const Sleeve*> sleeves();
    /// What is otherwise than it was the last time that this was asked.
    SleeveChanges changes();

private:
    struct Impl;
    std::unique_ptr<Impl> impl_;
};

/// All at once.
std::vector<Sleeve> formSleeves(const std::vector<SleeveInput>& files);

/// The folder of the release that a file is in: disc folders count as their parent.
Path releaseFolder(const Path& file);

/// Orders files of a release as they are listened to: disc, track, name (by the rules of text::compare).
struct PlayKey {
    int disc = 0;
    int track = 0;
    std::string name;
    auto operator<=>(const PlayKey&) const = default;
};
PlayKey playKey(const SleeveInput& file);

} // namespace moorfrost::matching
