// SPDX-License-Identifier: GPL-3.0-or-later
// Inside the making of columns: one field while its values are collected, split and put into their order.
#pragma once

#include "core/library/search/columns.h"
#include "core/library/search/interner.h"
#include "core/library/search/spool.h"

namespace moorfrost::library {

struct BuiltField {
    static constexpr char between = '\0'; // of the values of a list: tags hold no such byte

    std::string key;
    RowNumbers lists; // of each row
    Interner texts;   // of lists; number 0 is blank. None any more once it is split
    // Made by split():
    std::vector<uint32_t> valueStarts;
    Spool::Piece valueBytes;
    std::vector<uint32_t> listStarts, listValues;
    std::vector<uint32_t> odd, oddStarts = {0}; // as in FieldColumn
    std::string oddBytes;
    // Made by rank():
    std::vector<uint32_t> ranks;

    explicit BuiltField(std::string_view k) : key(k) { texts.add({}); }
    void set(Row row, std::string_view list, Spool& spool) {
        if (list != last_) {
            last_ = list;
            lastList_ = texts.add(list);
        }
        lists.set(row, lastList_, spool);
    }
    /// Takes the lists apart into values, and puts those away.
    void split(Spool& spool);
    /// `instead`: of each list, the text that it is sorted by, where that is another.
    void rank(const std::vector<std::string>& instead, const Spool::View& view);

    // Once it is split:
    bool oneEach() const { return listStarts.empty(); } // list n is value n - 1
    size_t listCount() const { return oneEach() ? valueStarts.size() : listStarts.size() - 1; }
    Texts values(const Spool::View& view) const { return {valueStarts, view[valueBytes]}; }
    /// All values on one line (tags::shownValues).
    std::string textOf(size_t list, const Texts& values) const;
    /// Calls `each(text)` with the values in their order, folded.
    template<class Each>
    void eachFolded(const Texts& values, Each&& each) const;

private:
    std::string last_; // what was set last: files of one album have much in common
    uint32_t lastList_ = 0;
};

template<class Each>
void BuiltField::eachFolded(const Texts& values, Each&& each) const {
    std::string lower;
    size_t next = 0;
    for (size_t v = 0; v < values.size(); ++v) {
        if (next < odd.size() && odd[next] == v) {
            each(std::string_view(oddBytes).substr(oddStarts[next], oddStarts[next + 1] - oddStarts[next]));
            ++next;
            continue;
        }
        lower = values[v];
        for (char& c : lower)
            c = c >= 'A' && c <= 'Z' ? static_cast<char>(c + 32) : c;
        each(lower);
    }
}

} // namespace moorfrost::library
