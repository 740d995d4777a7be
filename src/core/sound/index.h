// SPDX-License-Identifier: GPL-3.0-or-later
// Fingerprints of up to millions of recordings, to be asked which of them a sound is: inverted lists of the
// stable bits of items, votes for what lies equally far apart, and the best compared bit by bit. Built once,
// then asked from any thread. (The voting is that of Haitsma and Kalker 2002 and of Wang 2003; keys and
// limits were measured for this, docs/identify.md.)
#pragma once

#include <memory>
#include <optional>
#include <span>
#include <string>
#include <vector>

#include "core/files/arena.h"
#include "core/sound/compare.h"

namespace moorfrost::sound {

struct Hit {
    int64_t id = 0;  // of the recording, as it was added
    Overlap overlap; // item i of the question is item i + offset of the recording
};

class SoundIndex {
public:
    /// The best first, one for each recording, none below `least`. `most`: so many recordings.
    std::vector<Hit> find(std::span<const uint32_t> items, double least = possibly, size_t most = 12) const;

    size_t size() const { return ids_.size(); }           // recordings
    std::span<const int64_t> ids() const { return ids_; } // rising
    std::span<const uint32_t> itemsAt(size_t place) const {
        return items_.subspan(starts_[place], starts_[place + 1] - starts_[place]);
    }
    /// nullopt: it is not here.
    std::optional<size_t> placeOf(int64_t id) const;
    uint64_t bytes() const { return arena_ ? arena_->size() : 0; }

    /// What save() left with this revision; nullptr where there is none or it is damaged.
    static std::shared_ptr<const SoundIndex> open(const Path& file, const std::string& revision);

private:
    friend class SoundIndexBuilder;
    explicit SoundIndex(std::shared_ptr<const files::Arena> arena);
    bool isWhole() const;

    std::shared_ptr<const files::Arena> arena_;
    std::span<const int64_t> ids_;
    std::span<const uint64_t> starts_;   // in items_, of each recording, and the end
    std::span<const uint32_t> items_;    // of all of them
    std::span<const uint32_t> begins_;   // in postings_, of each bucket, and the end
    std::span<const uint32_t> postings_; // places in items_
    unsigned bits_ = 0;                  // of the key that name a bucket
};

/// Takes recordings in any order; of two with the same id the later counts.
class SoundIndexBuilder {
public:
    /// Of all recordings; places are told in 32 bits. What would be more is left out.
    static constexpr uint64_t mostItems = 4'200'000'000;

    /// `owner` keeps the items until the index is made.
    void add(int64_t id, std::span<const uint32_t> items, std::shared_ptr<const void> owner);
    void add(int64_t id, std::vector<uint32_t> items);
    size_t size() const { return entries_.size(); }
    std::shared_ptr<const SoundIndex> finish();
    /// The same as a file.
    Status save(const Path& file, const std::string& revision);

private:
    struct Entry {
        int64_t id;
        std::span<const uint32_t> items;
        std::shared_ptr<const void> owner;
    };
    files::ArenaWriter parts();
    std::vector<Entry> entries_;
    uint64_t items_ = 0;
};

} // namespace moorfrost::sound
