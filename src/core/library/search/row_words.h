// SPDX-License-Identifier: GPL-3.0-or-later
// Inside the making of columns: the folded words of all fields, and the rows that have each.
#pragma once

#include <span>

#include "core/files/arena.h"
#include "core/library/search/built_field.h"

namespace moorfrost::library {

class RowWords {
public:
    /// The field has been split. It must live as long; of it only its lists are needed afterwards.
    void add(const BuiltField& field, const Spool::View& view);
    /// Once, when all are added.
    void finish(Row rows, const Spool::View& view, files::ArenaWriter& out);

private:
    struct Field {
        const BuiltField* field;
        std::vector<uint32_t> starts, words; // of each list
    };
    template<class Each>
    void eachRowWord(Row rows, const Spool::View& view, Each&& each) const;
    void placeWords(files::ArenaWriter& out);

    Interner words_;
    std::vector<Field> fields_;
    std::vector<uint64_t> letters_; // of each word in order: which it holds
    size_t count_ = 0;              // of words
};

} // namespace moorfrost::library
