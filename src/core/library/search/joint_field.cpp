// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/search/joint_field.h"

#include <algorithm>

namespace moorfrost::library {

JointField::JointField(const std::string& key, const Layer& below, const Layer* above, Row start,
                       const std::vector<Row>& replaced)
    : below_(below.columns().field(key)), above_(above ? above->columns().field(key) : nullptr),
      start_(start) {
    if (below_)
        belowLists_ = below_->listCount();
    if (!above_)
        return;
    numbers_.assign(above_->listCount(), 0);
    // Most of what is in a changed row is as it was: looked at first, since finding it in the order is slow.
    if (below_ && !below.columns().field(key + "_sort") && !above->columns().field(key + "_sort"))
        above_->eachRow([&](Row row, uint32_t list) {
            if (numbers_[list] != 0 || replaced[row] == UINT32_MAX)
                return;
            uint32_t old = below_->listOf(replaced[row]);
            if (old != 0 && below_->text(old) == above_->text(list))
                numbers_[list] = old;
        });
    for (uint32_t list = 1; list < above_->listCount(); ++list)
        if (numbers_[list] == 0)
            findAmongOrder(key, below, *above, list);
}

void JointField::findAmongOrder(const std::string& key, const Layer& below, const Layer& above,
                                uint32_t list) {
    static const std::vector<uint32_t> none;
    const std::vector<uint32_t>& sorted = below_ ? below.listOrder(key).lists : none;
    const std::string wanted = above.sortKeyOf(key, list), text = above_->text(list);
    auto at = std::lower_bound(sorted.begin(), sorted.end(), wanted,
                               [&](uint32_t l, const std::string& w) { return below.sortKeyOf(key, l) < w; });
    const bool same = at != sorted.end() && below.sortKeyOf(key, *at) == wanted;
    for (auto other = at; same && other != sorted.end() && below_->ranks[*other] == below_->ranks[*at];
         ++other)
        if (below_->text(*other) == text)
            numbers_[list] = *other;
    if (numbers_[list] != 0)
        return;
    numbers_[list] = static_cast<uint32_t>(belowLists_ + newLists_.size());
    newLists_.push_back(list);
    const uint64_t rank = same ? below_->ranks[*at] : at == sorted.begin() ? 0 : below_->ranks[*(at - 1)];
    newPlaces_.push_back(rank << 32 | (same ? 0 : above_->ranks[list]));
}

} // namespace moorfrost::library
