// SPDX-License-Identifier: GPL-3.0-or-later
// On which day each finding was found first. A finding that goes and comes again was found anew. One thread
// at a time; copies may be on others.
#pragma once

#include <cstdint>
#include <vector>

namespace moorfrost::library {

class FindingDays {
public:
    using Pairs = std::vector<std::pair<uint64_t, int32_t>>; // key of the finding, day since 1970
    FindingDays() = default;
    explicit FindingDays(Pairs kept); // rising

    /// 0: it is not known yet.
    int32_t of(uint64_t key) const;

    struct Change {
        Pairs found;
        std::vector<uint64_t> gone;
        bool isEmpty() const { return found.empty() && gone.empty(); }
    };
    /// These are all that are there by now (in any order). What that changes is to be kept.
    Change see(std::vector<uint64_t> keys, int32_t today);

private:
    Pairs days_;
};

} // namespace moorfrost::library
