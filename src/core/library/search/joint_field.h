// SPDX-License-Identifier: GPL-3.0-or-later
// Inside the search: a field of the library as it was, and of the rows laid over it, as one. A list of values
// that the rows above share with those below has the number it has there; others have numbers behind them,
// and places in between.
#pragma once

#include "core/library/search/layer.h"

namespace moorfrost::library {

class JointField {
public:
    /// `above`: nullptr for none; its rows begin at `start`. `replaced`: the row below that each takes the
    /// place of, UINT32_MAX for none.
    JointField(const std::string& key, const Layer& below, const Layer* above, Row start,
               const std::vector<Row>& replaced);

    uint32_t listOf(Row row) const {
        if (row < start_)
            return below_ ? below_->listOf(row) : 0;
        return above_ ? numbers_[above_->listOf(row - start_)] : 0;
    }
    size_t listCount() const { return belowLists_ + newLists_.size(); }
    std::string text(uint32_t list) const {
        return list < belowLists_ ? below_->text(list) : above_->text(newLists_[list - belowLists_]);
    }
    /// Sorts lists as people do; 0 for blank.
    uint64_t placeOf(uint32_t list) const {
        if (list >= belowLists_)
            return newPlaces_[list - belowLists_];
        return below_ ? uint64_t{below_->ranks[list]} << 32 : 0;
    }

private:
    void findAmongOrder(const std::string& key, const Layer& below, const Layer& above, uint32_t list);
    const FieldColumn *below_, *above_;
    Row start_;
    size_t belowLists_ = 1;          // with blank
    std::vector<uint32_t> numbers_;  // of the lists above
    std::vector<uint32_t> newLists_; // lists above that are not below
    std::vector<uint64_t> newPlaces_;
};

} // namespace moorfrost::library
