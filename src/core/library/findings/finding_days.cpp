// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/findings/finding_days.h"

#include <algorithm>

namespace moorfrost::library {

FindingDays::FindingDays(Pairs kept) : days_(std::move(kept)) {
    std::ranges::sort(days_);
}

int32_t FindingDays::of(uint64_t key) const {
    const auto at = std::ranges::lower_bound(days_, key, {}, &Pairs::value_type::first);
    return at != days_.end() && at->first == key ? at->second : 0;
}

FindingDays::Change FindingDays::see(std::vector<uint64_t> keys, int32_t today) {
    std::ranges::sort(keys);
    keys.erase(std::unique(keys.begin(), keys.end()), keys.end());
    Change out;
    Pairs now;
    now.reserve(keys.size());
    auto known = days_.begin();
    for (const uint64_t key : keys) {
        for (; known != days_.end() && known->first < key; ++known)
            out.gone.push_back(known->first);
        if (known != days_.end() && known->first == key) {
            now.push_back(*known++);
        } else {
            now.emplace_back(key, today);
            out.found.emplace_back(key, today);
        }
    }
    for (; known != days_.end(); ++known)
        out.gone.push_back(known->first);
    days_ = std::move(now);
    return out;
}

} // namespace moorfrost::library
