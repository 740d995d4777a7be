// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/bench/change_feed.h"

#include <utility>

namespace moorfrost::bench {

void ChangeFeed::publish(Changes changes) {
    if (changes.isEmpty())
        return;
    waiting_.push_back(std::move(changes));
    if (std::exchange(publishing_, true))
        return;
    while (!waiting_.empty()) {
        Changes next = std::move(waiting_.front());
        waiting_.erase(waiting_.begin());
        next.revision = ++revision_;
        for (size_t i = 0; i < readers_.size(); ++i)
            readers_[i](next);
    }
    publishing_ = false;
}

} // namespace moorfrost::bench
