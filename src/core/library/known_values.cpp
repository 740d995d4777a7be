// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/known_values.h"

#include <algorithm>
#include <bit>
#include <cstring>
#include <functional>

#include "core/text/similarity.h"
#include "core/text/text.h"

namespace moorfrost::library {

namespace {

constexpr size_t rare = 20;         // so many times as frequent is "far more"
constexpr size_t longestFold = 300; // bytes: nobody misspells more, and a line of lyrics is no name

uint64_t hashOf(std::string_view text) {
    return std::hash<std::string_view>()(text);
}

bool beginsWord(std::string_view text, size_t at) {
    const auto c = static_cast<unsigned char>(text[at - 1]);
    return c < 0x80 && !std::isalnum(c);
}

} // namespace

KnownValues::Form KnownValues::formOf(std::string_view folded) {
    Form out{0, static_cast<uint32_t>(folded.size())};
    for (char c : folded)
        out.letters |= uint64_t{1} << (static_cast<unsigned char>(c) & 63);
    return out;
}

KnownValues::KnownValues(std::vector<Value> values) : values_(std::move(values)) {
    std::ranges::stable_sort(values_, std::greater(), &Value::count);
    starts_.reserve(values_.size() + 1);
    forms_.reserve(values_.size());
    byHash_.reserve(values_.size());
    for (size_t i = 0; i < values_.size(); ++i) {
        std::string folded = text::fold(values_[i].text);
        std::ranges::replace(folded, '\n', ' ');
        if (folded_.size() + folded.size() + 1 > UINT32_MAX) {
            values_.resize(i);
            break;
        }
        forms_.push_back(formOf(folded));
        folded_ += folded;
        folded_ += '\n';
        starts_.push_back(static_cast<uint32_t>(folded_.size()));
        byHash_.emplace_back(hashOf(values_[i].text), static_cast<uint32_t>(i));
    }
    std::ranges::sort(byHash_);
}

size_t KnownValues::countOf(std::string_view text) const {
    const uint64_t hash = hashOf(text);
    for (auto it = std::ranges::lower_bound(byHash_, std::pair<uint64_t, uint32_t>(hash, 0));
         it != byHash_.end() && it->first == hash; ++it)
        if (values_[it->second].text == text)
            return values_[it->second].count;
    return 0;
}

std::vector<KnownValues::Value> KnownValues::complete(std::string_view typed, size_t most) const {
    const std::string wanted = text::fold(text::trim(typed));
    if (wanted.empty() || wanted.find('\n') != std::string::npos || most == 0)
        return {};
    std::vector<uint32_t> begin, word, inside; // most frequent first, because that is how they are met
    const std::string_view all = folded_;
    for (size_t at = 0; begin.size() < most;) {
        const void* hit = memmem(all.data() + at, all.size() - at, wanted.data(), wanted.size());
        if (!hit)
            break;
        const auto place = static_cast<uint32_t>(static_cast<const char*>(hit) - all.data());
        const auto i = static_cast<uint32_t>(std::ranges::upper_bound(starts_, place) - starts_.begin() - 1);
        const std::string_view folded = foldedOf(i);
        if (folded.starts_with(wanted)) {
            begin.push_back(i);
        } else {
            // It may stand at the beginning of a later word.
            bool begins = false;
            for (size_t p = folded.find(wanted); p != std::string_view::npos && !begins;
                 p = folded.find(wanted, p + 1))
                begins = beginsWord(folded, p);
            std::vector<uint32_t>& list = begins ? word : inside;
            if (list.size() < most)
                list.push_back(i);
        }
        at = starts_[i + 1];
    }
    std::vector<Value> out;
    for (const auto* list : {&begin, &word, &inside})
        for (uint32_t i : *list)
            if (out.size() < most)
                out.push_back(values_[i]);
    return out;
}

std::optional<KnownValues::Value> KnownValues::meant(std::string_view typed) const {
    const std::string folded = text::fold(text::trim(typed));
    if (folded.empty() || folded.size() > longestFold)
        return std::nullopt;
    const size_t own = countOf(typed);
    const Form form = formOf(folded);
    const bool plain =
        std::ranges::all_of(folded, [](char c) { return static_cast<unsigned char>(c) < 0x80; });
    for (size_t i = 0; i < values_.size(); ++i) {
        const Value& value = values_[i];
        if (value.count < 2 || value.count < own * rare)
            break; // they become fewer from here
        if (value.text == typed)
            return std::nullopt; // nothing that is more frequent is like it
        // Each change takes a letter away and puts one (text::isMisspelling); beyond ASCII a letter is
        // several bytes.
        const uint32_t longer = std::max(form.length, forms_[i].length);
        const int changes = (longer < 10 ? 1 : longer < 20 ? 2 : 3) * (plain ? 1 : 4);
        if (longer - std::min(form.length, forms_[i].length) > static_cast<uint32_t>(changes) ||
            std::popcount(form.letters ^ forms_[i].letters) > 2 * changes)
            continue;
        const std::string_view other = foldedOf(i);
        if (other == folded || text::isMisspelling(folded, other))
            return value;
    }
    return std::nullopt;
}

} // namespace moorfrost::library
