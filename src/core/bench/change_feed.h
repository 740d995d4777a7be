// SPDX-License-Identifier: GPL-3.0-or-later
// One feed of changes for all who keep a picture of what is worked on (sleeves, counts, kinds, places): what
// has changed, and in which revision. Lives on one thread.
#pragma once

#include <cstdint>
#include <functional>
#include <set>
#include <vector>

#include "core/library/records.h"

namespace moorfrost::bench {

struct Changes {
    uint64_t revision = 0; // the state that these led to; set by the feed
    /// What is known of these is otherwise: read, written, moved, forgotten; or they came to the batch in
    /// sight or left it.
    std::set<library::FileId> files;
    std::set<library::FileId> drafts; // what is proposed for these
    std::set<library::FileId> kinds;  // what kind of sound these are, or are believed to be
    std::set<library::FileId> places; // where these will be
    bool batch = false;               // another batch is in sight: nothing is as before

    bool isEmpty() const {
        return files.empty() && drafts.empty() && kinds.empty() && places.empty() && !batch;
    }
};

class ChangeFeed {
public:
    using Reader = std::function<void(const Changes&)>;

    /// Told of every change from now on, in the order of subscribing. There is no way to leave: readers live
    /// as long as the feed.
    void subscribe(Reader reader) { readers_.push_back(std::move(reader)); }
    /// Nothing happens if it is empty. What a reader publishes meanwhile is told when all know of this.
    void publish(Changes changes);
    /// Another after each change.
    uint64_t revision() const { return revision_; }

private:
    std::vector<Reader> readers_;
    std::vector<Changes> waiting_;
    uint64_t revision_ = 0;
    bool publishing_ = false;
};

} // namespace moorfrost::bench
