// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/bench/sleeve_norms.h"

#include <algorithm>

namespace moorfrost::bench {

const std::vector<std::string>& SleeveNorms::keys() {
    static const std::vector<std::string> all = {
        "album",   "album_artist", "date",  "label",       "catalogue_number",
        "barcode", "country",      "discs", "compilation", "@picture:front cover"};
    return all;
}

void SleeveNorms::setSleeves(const std::vector<std::vector<FileId>>& sleeves) {
    sleeves_ = sleeves;
    sleeveOf_.clear();
    norms_.clear();
    for (size_t s = 0; s < sleeves_.size(); ++s)
        for (FileId file : sleeves_[s])
            sleeveOf_[file] = s;
}

const std::vector<std::pair<std::string, std::string>>& SleeveNorms::normsOf(size_t sleeve) {
    const auto [it, fresh] = norms_.try_emplace(sleeve);
    if (!fresh)
        return it->second;
    const std::vector<FileId>& files = sleeves_[sleeve];
    if (files.size() < 3)
        return it->second;
    for (const std::string& key : keys()) {
        std::unordered_map<std::string, size_t> counts;
        for (FileId file : files)
            ++counts[says_(file, key)];
        if (counts.size() < 2)
            continue;
        const auto most =
            std::ranges::max_element(counts, {}, [](const auto& entry) { return entry.second; });
        if (most->second * 3 >= files.size() * 2)
            it->second.emplace_back(key, most->first);
    }
    return it->second;
}

const std::string* SleeveNorms::otherwise(FileId file, const std::string& key) {
    const auto sleeve = sleeveOf_.find(file);
    if (sleeve == sleeveOf_.end())
        return nullptr;
    for (const auto& [field, norm] : normsOf(sleeve->second))
        if (field == key)
            return says_(file, key) == norm ? nullptr : &norm;
    return nullptr;
}

bool SleeveNorms::differs(FileId file) {
    const auto sleeve = sleeveOf_.find(file);
    return sleeve != sleeveOf_.end() && std::ranges::any_of(normsOf(sleeve->second), [&](const auto& norm) {
               return says_(file, norm.first) != norm.second;
           });
}

} // namespace moorfrost::bench
