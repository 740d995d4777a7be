// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/search/row_words.h"

#include <algorithm>
#include <bit>
#include <numeric>

#include "core/library/search/columns.h"
#include "core/library/search/parts.h"
#include "core/text/words.h"

namespace moorfrost::library {

namespace {

/// Calls `each(byte)` for a distance, seven bits a byte, the low ones first.
template<class Each>
void eachByte(uint32_t distance, Each&& each) {
    for (; distance > 0x7F; distance >>= 7)
        each(static_cast<uint8_t>(distance | 0x80));
    each(static_cast<uint8_t>(distance));
}

/// For each letter, the rows that have it, gathered row by row.
class LetterRows {
public:
    explicit LetterRows(Row rows) : each_((rows + 63) / 64), sets_(each_ * letterCount, 0) {}
    void add(Row row, uint64_t letters) {
        if (row != row_)
            endRow();
        row_ = row;
        letters_ |= letters;
    }
    std::vector<uint64_t> take() {
        endRow();
        return std::move(sets_);
    }

private:
    void endRow() {
        for (; letters_ != 0; letters_ &= letters_ - 1)
            sets_[static_cast<size_t>(std::countr_zero(letters_)) * each_ + (row_ >> 6)] |= uint64_t{1}
                                                                                            << (row_ & 63);
    }
    size_t each_;
    std::vector<uint64_t> sets_;
    Row row_ = 0;
    uint64_t letters_ = 0; // of the row
};

} // namespace

void RowWords::add(const BuiltField& field, const Spool::View& view) {
    Field f{&field, {0}, {}};
    if (field.oneEach())
        f.starts.push_back(0); // blank
    // More than there are: memory that is not touched costs nothing, and growing would need all of it twice.
    f.starts.reserve(field.listCount() + 1);
    f.words.reserve(field.valueBytes.size / 2 + 1);
    field.eachFolded(field.values(view), [&](std::string_view folded) {
        text::eachWord(folded, [&](std::string_view word) { f.words.push_back(words_.add(word)); });
        f.starts.push_back(static_cast<uint32_t>(f.words.size()));
    });
    if (!field.oneEach()) {
        // These were of values: put them together for the lists.
        const Field ofValues = std::exchange(f, {&field, {0}, {}});
        for (size_t list = 0; list < field.listCount(); ++list) {
            for (uint32_t i = field.listStarts[list]; i < field.listStarts[list + 1]; ++i)
                f.words.insert(f.words.end(), ofValues.words.begin() + ofValues.starts[field.listValues[i]],
                               ofValues.words.begin() + ofValues.starts[field.listValues[i] + 1]);
            f.starts.push_back(static_cast<uint32_t>(f.words.size()));
        }
    }
    fields_.push_back(std::move(f));
}

void RowWords::placeWords(files::ArenaWriter& out) {
    words_.forgetSlots();
    count_ = words_.size();
    std::vector<uint32_t> order(count_), place(count_);
    std::iota(order.begin(), order.end(), 0u);
    std::sort(order.begin(), order.end(), [&](uint32_t a, uint32_t b) { return words_[a] < words_[b]; });
    std::string bytes;
    std::vector<uint32_t> starts;
    starts.reserve(count_);
    letters_.assign(count_, 0);
    for (size_t i = 0; i < order.size(); ++i) {
        const std::string_view word = words_[order[i]];
        place[order[i]] = static_cast<uint32_t>(i);
        starts.push_back(static_cast<uint32_t>(bytes.size()));
        bytes += word;
        bytes += '\n';
        for (char c : word)
            if (int n = letterNumber(c); n >= 0)
                letters_[i] |= uint64_t{1} << n;
    }
    words_ = {};
    for (Field& f : fields_)
        for (uint32_t& word : f.words)
            word = place[word];
    out.add(part::words, 0, std::move(bytes));
    out.add(part::wordStarts, 0, std::move(starts));
}

/// Each word once a row.
template<class Each>
void RowWords::eachRowWord(Row rows, const Spool::View& view, Each&& each) const {
    std::vector<Row> last(count_, UINT32_MAX);
    std::vector<RowNumbers::Reader> lists;
    for (const Field& f : fields_)
        lists.emplace_back(f.field->lists, view);
    for (Row row = 0; row < rows; ++row) {
        for (size_t n = 0; n < lists.size(); ++n) {
            const Field& f = fields_[n];
            const uint32_t list = lists[n].at(row);
            for (uint32_t i = f.starts[list]; i < f.starts[list + 1]; ++i)
                if (uint32_t w = f.words[i]; last[w] != row) {
                    last[w] = row;
                    each(w, row);
                }
        }
        if (row % 65536 == 65535)
            view.letGo();
    }
}

void RowWords::finish(Row rows, const Spool::View& view, files::ArenaWriter& out) {
    placeWords(out);
    // Twice over all rows, to count and then to fill.
    std::vector<uint32_t> starts(count_ + 1, 0);
    std::vector<Row> before(count_, 0);
    eachRowWord(rows, view, [&](uint32_t w, Row row) {
        eachByte(row - std::exchange(before[w], row), [&](uint8_t) { ++starts[w + 1]; });
    });
    std::partial_sum(starts.begin(), starts.end(), starts.begin());
    std::vector<uint8_t> bytes(starts.back());
    std::vector<uint32_t> next(starts.begin(), starts.end() - 1);
    before.assign(count_, 0);
    LetterRows letters(rows); // single letters are in most rows: their sets are made beforehand
    eachRowWord(rows, view, [&](uint32_t w, Row row) {
        eachByte(row - std::exchange(before[w], row), [&](uint8_t b) { bytes[next[w]++] = b; });
        letters.add(row, letters_[w]);
    });
    fields_ = {};
    out.add(part::letters, 0, letters.take());
    out.add(part::rowStarts, 0, std::move(starts));
    out.add(part::wordRows, 0, std::move(bytes));
}

} // namespace moorfrost::library
