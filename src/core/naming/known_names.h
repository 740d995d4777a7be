// SPDX-License-Identifier: GPL-3.0-or-later
// Artists that are known already, found again however a file name spells them. Immutable once made; any
// thread.
#pragma once

#include <vector>

#include "core/text/text.h"
#include <string>
#include <string_view>
#include <unordered_map>

namespace moorfrost::naming {

class KnownNames {
public:
    /// The first spelling of a name is the one that is told.
    void add(std::string_view name);
    size_t size() const { return spellings_.size(); }
    bool empty() const { return spellings_.empty(); }
    /// How it is spelled; nullptr if nobody of that name is known. Case, marks, "&", punctuation and spaces
    /// do not matter.
    const std::string* find(std::string_view name) const;
    /// The longest known name that these words begin with (end with), as the number of its words; 0 if there
    /// is none. Not all of them.
    size_t atBegin(const std::vector<std::string>& words) const;
    size_t atEnd(const std::vector<std::string>& words) const;
    /// Calls `each(name)` with every name, folded (text/text).
    template<class Each>
    void eachFolded(Each&& each) const {
        for (const auto& [key, spelling] : spellings_)
            each(text::fold(spelling));
    }
    /// "asa linn brakke"; "" where nothing is left.
    static std::string keyOf(std::string_view name);

private:
    std::unordered_map<std::string, std::string> spellings_; // by key
    size_t longest_ = 0;                                     // words of a key
};

} // namespace moorfrost::naming
