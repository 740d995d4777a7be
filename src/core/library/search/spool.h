// SPDX-License-Identifier: GPL-3.0-or-later
// Inside the making of columns: what is done with for the time being is put away, so that a library of a
// million tracks needs no memory for all of it at once.
#pragma once

#include <algorithm>
#include <cstdint>
#include <span>
#include <string_view>
#include <vector>

#include "core/files/spool.h"
#include "core/library/search/row_set.h"

namespace moorfrost::library {

using files::Spool;

/// Values one behind the other.
template<class T>
class Spooled {
public:
    void add(T value, Spool& spool) {
        last_.push_back(value);
        if (last_.size() == blockSize) {
            pieces_.push_back(spool.keep(bytesOf(last_)));
            last_.clear();
        }
        ++size_;
    }
    size_t size() const { return size_; }
    std::vector<std::string_view> pieces(const Spool::View& view) const {
        std::vector<std::string_view> out;
        for (const Spool::Piece& p : pieces_)
            out.push_back(view[p]);
        out.push_back(bytesOf(last_));
        return out;
    }

private:
    static constexpr size_t blockSize = 8192;
    static std::string_view bytesOf(const std::vector<T>& list) {
        return {reinterpret_cast<const char*>(list.data()), list.size() * sizeof(T)};
    }
    std::vector<Spool::Piece> pieces_;
    std::vector<T> last_;
    size_t size_ = 0;
};

/// A number for each row, 0 for most of them where few rows have any. Set in rising order of the rows.
class RowNumbers {
public:
    void set(Row row, uint32_t number, Spool& spool);
    /// How many are not 0.
    size_t filled() const { return filled_; }

    /// Reads them, fast in rising order of the rows.
    class Reader {
    public:
        Reader(const RowNumbers& numbers, const Spool::View& view) : numbers_(numbers), view_(view) {}
        uint32_t at(Row row) {
            if (row / blockRows != block_)
                load(row / blockRows);
            return row % blockRows < now_.size() ? now_[row % blockRows] : 0;
        }

        template<class Each>
        void eachOf(size_t block, Each&& each) {
            load(block);
            for (size_t i = 0; i < now_.size(); ++i)
                if (now_[i] != 0)
                    each(static_cast<Row>(block * blockRows + i), now_[i]);
        }

    private:
        void load(size_t block);
        const RowNumbers& numbers_;
        const Spool::View& view_;
        size_t block_ = SIZE_MAX;
        std::span<const uint32_t> now_;
        std::vector<uint32_t> unpacked_;
    };

    /// Calls `each(row, number)` for those that are not 0.
    template<class Each>
    void each(const Spool::View& view, Each&& each) const {
        Reader reader(*this, view);
        const size_t blocks = std::max(blocks_.size(), last_.empty() ? 0 : lastBlock_ + 1);
        for (size_t block = 0; block < blocks; ++block)
            reader.eachOf(block, each);
    }
    /// All of them, one behind the other. `space`: what was not there in that form.
    std::vector<std::string_view> pieces(Row rows, const Spool::View& view,
                                         std::vector<std::vector<uint32_t>>& space) const;

private:
    static constexpr size_t blockRows = 8192;
    struct Block {
        Spool::Piece piece;
        bool isPairs = false; // of row within the block and number
    };
    void putAway(Spool& spool);
    std::vector<Block> blocks_; // may be fewer than there are rows for
    std::vector<uint32_t> last_;
    size_t lastBlock_ = 0, filled_ = 0;
};

} // namespace moorfrost::library
