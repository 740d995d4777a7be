// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/naming/known_names.h"

#include <algorithm>
#include <vector>

#include "core/text/likeness.h"
#include "core/text/text.h"

namespace moorfrost::naming {

std::string KnownNames::keyOf(std::string_view name) {
    std::string form = text::likenessForm(name); // "&" is "and" there
    return form.empty() ? text::fold(name) : form;
}

void KnownNames::add(std::string_view name) {
    const std::string key = keyOf(name);
    if (key.size() < 2)
        return;
    spellings_.try_emplace(key, name);
    longest_ = std::max(longest_, text::split(key, " ").size());
}

const std::string* KnownNames::find(std::string_view name) const {
    const auto it = spellings_.find(keyOf(name));
    return it == spellings_.end() ? nullptr : &it->second;
}

size_t KnownNames::atBegin(const std::vector<std::string>& words) const {
    for (size_t n = std::min(longest_ + 2, words.size() - std::min<size_t>(1, words.size())); n > 0; --n)
        if (find(text::join({words.begin(), words.begin() + static_cast<std::ptrdiff_t>(n)}, " ")))
            return n;
    return 0;
}

size_t KnownNames::atEnd(const std::vector<std::string>& words) const {
    for (size_t n = std::min(longest_ + 2, words.size() - std::min<size_t>(1, words.size())); n > 0; --n)
        if (find(text::join({words.end() - static_cast<std::ptrdiff_t>(n), words.end()}, " ")))
            return n;
    return 0;
}

} // namespace moorfrost::naming
