// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/search.h"

#include <algorithm>

#include "core/text/text.h"

namespace moorfrost::library {

SearchIndex::SearchIndex(const std::vector<std::shared_ptr<const FileRecord>>& files) {
    for (const auto& file : files) {
        starts_.push_back(text_.size());
        for (const auto& [field, values] : file->tags.fields)
            for (const std::string& value : values)
                text_ += text::fold(value) + '\n';
        text_ += text::fold(text::forDisplay(file->path.filename().native())) + '\n';
    }
    starts_.push_back(text_.size());
}

std::vector<size_t> SearchIndex::search(std::string_view query) const {
    std::vector<std::string> words;
    for (const std::string& word : text::split(text::fold(query), " "))
        if (!word.empty())
            words.push_back(word);
    std::vector<size_t> hits;
    for (size_t i = 0; i + 1 < starts_.size(); ++i) {
        std::string_view record = std::string_view(text_).substr(starts_[i], starts_[i + 1] - starts_[i]);
        bool all = std::all_of(words.begin(), words.end(), [&](const std::string& w) {
            return record.find(w) != std::string_view::npos;
        });
        if (all)
            hits.push_back(i);
    }
    return hits;
}

} // namespace moorfrost::library
