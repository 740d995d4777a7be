// SPDX-License-Identifier: GPL-3.0-or-later
// A set of rows of the columns, one bit each.
#pragma once

#include <algorithm>
#include <bit>
#include <cstdint>
#include <span>
#include <vector>

namespace moorfrost::library {

using Row = uint32_t;

class RowSet {
public:
    explicit RowSet(Row size = 0, bool all = false)
        : words_((size + 63) / 64, all ? ~uint64_t{0} : 0), size_(size) {
        clearEnd();
    }

    RowSet(Row size, std::span<const uint64_t> words) : words_(words.begin(), words.end()), size_(size) {}

    /// `below`, and behind it, from `start` on, the rows of `above`. `start`: a multiple of 64, not less than
    /// below.size().
    static RowSet joint(const RowSet& below, Row start, const RowSet& above) {
        RowSet out(start + above.size());
        std::copy(below.words_.begin(), below.words_.end(), out.words_.begin());
        std::copy(above.words_.begin(), above.words_.end(), out.words_.begin() + start / 64);
        return out;
    }

    Row size() const { return size_; }
    bool has(Row r) const { return words_[r >> 6] >> (r & 63) & 1; }
    void add(Row r) { words_[r >> 6] |= uint64_t{1} << (r & 63); }
    size_t count() const {
        size_t n = 0;
        for (uint64_t w : words_)
            n += static_cast<size_t>(std::popcount(w));
        return n;
    }
    RowSet& operator&=(const RowSet& o) {
        for (size_t i = 0; i < words_.size(); ++i)
            words_[i] &= o.words_[i];
        return *this;
    }
    RowSet& operator|=(const RowSet& o) {
        for (size_t i = 0; i < words_.size(); ++i)
            words_[i] |= o.words_[i];
        return *this;
    }
    RowSet& flip() {
        for (uint64_t& w : words_)
            w = ~w;
        clearEnd();
        return *this;
    }
    /// In rising order; those from `from` on, below `to` (multiples of 64).
    template<class Each>
    void each(Each&& f, Row from = 0, Row to = ~Row{0}) const {
        for (size_t i = from / 64; i < std::min<size_t>(words_.size(), to / 64 + 1) && i * 64 < to; ++i)
            for (uint64_t w = words_[i]; w != 0; w &= w - 1)
                f(static_cast<Row>(i * 64 + static_cast<size_t>(std::countr_zero(w))));
    }
    const std::vector<uint64_t>& words() const { return words_; }
    bool operator==(const RowSet&) const = default;

private:
    void clearEnd() {
        if (size_ & 63)
            words_.back() &= (uint64_t{1} << (size_ & 63)) - 1;
    }

    std::vector<uint64_t> words_;
    Row size_;
};

} // namespace moorfrost::library
