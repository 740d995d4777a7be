// SPDX-License-Identifier: GPL-3.0-or-later
// Fingerprints that are kept: an index as a file, and beside it a log of what has come since. The sound can
// be listened to again, so damage costs time and nothing else: a damaged index is begun anew, a log that
// breaks off counts as far as it goes. Safe from any thread; one program at a time writes.
#pragma once

#include <memory>
#include <shared_mutex>
#include <unordered_map>
#include <vector>

#include "core/sound/index.h"

namespace moorfrost::sound {

class SoundStore {
public:
    /// `file`: the index; the log is "....new" beside it. They are read when they are first needed.
    explicit SoundStore(Path file);

    struct Print {
        int64_t id = 0;
        std::vector<uint32_t> items; // none: it is forgotten
    };
    /// In place of what was kept of the same. The Error of a disk that does not take it: then it is known for
    /// as long as this object is there.
    Status add(std::vector<Print> prints);

    bool has(int64_t id);
    /// Empty where it is not known.
    std::vector<uint32_t> itemsOf(int64_t id);
    std::vector<Hit> find(std::span<const uint32_t> items, double least = possibly, size_t most = 12);
    size_t size();
    /// Of all that is kept, rising.
    std::vector<int64_t> ids();

    /// Makes one index of both where that is worth its time, or `always`.
    Status fold(bool always = false);
    static Path logOf(const Path& file);

private:
    using Items = std::shared_ptr<const std::vector<uint32_t>>;
    void open();
    void readLog();
    Status append(const std::vector<Print>& prints);
    std::shared_ptr<const SoundIndex> recent();
    bool isKept(int64_t id) const;

    const Path file_;
    std::shared_mutex mutex_; // of all that follows
    bool open_ = false;
    std::shared_ptr<const SoundIndex> index_;  // as it lies on disk; nullptr: none
    std::unordered_map<int64_t, Items> since_; // nullptr: forgotten
    std::shared_ptr<const SoundIndex> recent_; // of since_; nullptr: to be made
    uint64_t logSize_ = 0;                     // bytes of the log that are good
};

} // namespace moorfrost::sound
