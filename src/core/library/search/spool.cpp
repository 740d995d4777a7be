// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/search/spool.h"

#include <algorithm>

namespace moorfrost::library {

void RowNumbers::set(Row row, uint32_t number, Spool& spool) {
    if (number == 0)
        return;
    if (row / blockRows != lastBlock_) {
        putAway(spool);
        lastBlock_ = row / blockRows;
    }
    last_.resize(row % blockRows + 1);
    last_.back() = number;
    ++filled_;
}

void RowNumbers::putAway(Spool& spool) {
    const auto some = static_cast<size_t>(
        std::count_if(last_.begin(), last_.end(), [](uint32_t number) { return number != 0; }));
    if (some == 0)
        return;
    blocks_.resize(lastBlock_ + 1);
    Block& block = blocks_.back();
    block.isPairs = some * 4 < last_.size();
    std::vector<uint32_t> pairs;
    for (uint32_t i = 0; block.isPairs && i < last_.size(); ++i)
        if (last_[i] != 0)
            pairs.insert(pairs.end(), {i, last_[i]});
    const std::vector<uint32_t>& all = block.isPairs ? pairs : last_;
    block.piece = spool.keep({reinterpret_cast<const char*>(all.data()), all.size() * sizeof(uint32_t)});
    last_.clear();
}

void RowNumbers::Reader::load(size_t block) {
    block_ = block;
    now_ = {};
    if (block == numbers_.lastBlock_ && !numbers_.last_.empty()) {
        now_ = numbers_.last_;
        return;
    }
    if (block >= numbers_.blocks_.size())
        return;
    const Block& b = numbers_.blocks_[block];
    const std::string_view bytes = view_[b.piece];
    const std::span<const uint32_t> all(reinterpret_cast<const uint32_t*>(bytes.data()),
                                        bytes.size() / sizeof(uint32_t));
    now_ = all;
    if (!b.isPairs)
        return;
    unpacked_.assign(all[all.size() - 2] + 1, 0);
    for (size_t i = 0; i < all.size(); i += 2)
        unpacked_[all[i]] = all[i + 1];
    now_ = unpacked_;
}

std::vector<std::string_view> RowNumbers::pieces(Row rows, const Spool::View& view,
                                                 std::vector<std::vector<uint32_t>>& space) const {
    std::vector<std::string_view> out;
    auto add = [&](std::span<const uint32_t> numbers) {
        out.emplace_back(reinterpret_cast<const char*>(numbers.data()), numbers.size() * sizeof(uint32_t));
    };
    Reader reader(*this, view);
    for (Row first = 0; first < rows; first += blockRows) {
        const size_t count = std::min<size_t>(blockRows, rows - first), block = first / blockRows;
        if (block < blocks_.size() && !blocks_[block].isPairs && blocks_[block].piece.size == count * 4) {
            out.push_back(view[blocks_[block].piece]);
            continue;
        }
        std::vector<uint32_t>& numbers = space.emplace_back(count);
        for (size_t i = 0; i < count; ++i)
            numbers[i] = reader.at(first + static_cast<Row>(i));
        add(numbers);
    }
    return out;
}

} // namespace moorfrost::library
