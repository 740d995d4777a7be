// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/findings/near_values.h"

#include <algorithm>
#include <map>
#include <unordered_map>

#include <xxhash.h>

#include "core/text/likeness.h"
#include "core/text/similarity.h"
#include "core/text/text.h"

namespace moorfrost::library {

namespace {

constexpr size_t mostTogether = 64; // values with one key: more of them have nothing special in common

struct Form {
    std::string text;    // likenessForm, or folded where nothing can be spelled so
    std::string letters; // the same without spaces and "and"
    std::vector<std::string> words;
};

Form formOf(const std::string& value) {
    Form out;
    out.text = text::likenessForm(value);
    if (out.text.empty())
        out.text = text::fold(value);
    out.words = text::split(out.text, " ");
    for (const std::string& word : out.words)
        if (word != "and" && word != "the")
            out.letters += word;
    return out;
}

uint64_t hashOf(char kind, std::string_view key) {
    return XXH3_64bits_withSeed(key.data(), key.size(), static_cast<XXH64_hash_t>(kind));
}

/// What two values may have in common that are nearly the same.
void keysOf(const Form& form, std::vector<uint64_t>& out) {
    out.clear();
    out.push_back(hashOf('l', form.letters));
    std::vector<std::string> sorted = form.words;
    std::ranges::sort(sorted);
    out.push_back(hashOf('s', text::join(sorted, " ")));
    if (form.words.size() > 1) {
        for (size_t i = 0; i < form.words.size(); ++i) {
            std::string rest = std::to_string(i) + "/" + std::to_string(form.words.size());
            for (size_t w = 0; w < form.words.size(); ++w)
                if (w != i)
                    rest += " " + form.words[w];
            out.push_back(hashOf('w', rest));
        }
    }
    const std::string& letters = form.letters;
    out.push_back(hashOf('d', letters));
    for (size_t i = 0; i < letters.size() && letters.size() <= 40; ++i)
        out.push_back(hashOf('d', letters.substr(0, i) + letters.substr(i + 1)));
}

enum class Near { No, Writing, Spelling };

bool hasSameNumbers(const std::string& a, const std::string& b) {
    auto digits = [](const std::string& text) {
        std::string out;
        for (const char c : text)
            if (c >= '0' && c <= '9')
                out += c;
        return out;
    };
    return digits(a) == digits(b);
}

Near near(const Form& a, const Form& b) {
    if (a.letters.empty() || b.letters.empty())
        return Near::No;
    if (a.letters == b.letters)
        return Near::Writing;
    if (!hasSameNumbers(a.text, b.text))
        return Near::No;
    if (a.words.size() == b.words.size() && a.words.size() > 1) {
        std::vector<std::string> one = a.words, other = b.words;
        std::ranges::sort(one);
        std::ranges::sort(other);
        if (one == other)
            return Near::Writing;
    }
    return text::isMisspelling(a.text, b.text) ? Near::Spelling : Near::No;
}

/// Short words of one letter's difference are often other names: "Bell" and "Ball".
bool isLongEnough(const Form& a, const Form& b) {
    return std::min(a.letters.size(), b.letters.size()) >= 6;
}

} // namespace

std::vector<NearValues> nearValues(const std::vector<CountedValue>& values, std::stop_token stop) {
    std::vector<Form> forms;
    forms.reserve(values.size());
    std::vector<std::pair<uint64_t, uint32_t>> keys;
    std::vector<uint64_t> own;
    for (size_t i = 0; i < values.size(); ++i) {
        if (stop.stop_requested())
            return {};
        forms.push_back(formOf(values[i].text));
        keysOf(forms.back(), own);
        for (const uint64_t key : own)
            keys.emplace_back(key, static_cast<uint32_t>(i));
    }
    std::ranges::sort(keys);
    keys.erase(std::unique(keys.begin(), keys.end()), keys.end());
    // Of each value the one that it is probably meant to be.
    struct Meant {
        uint32_t of = UINT32_MAX;
        bool sure = false;
    };
    std::vector<Meant> meant(values.size());
    auto isBetter = [&](uint32_t a, uint32_t b) { // to be kept
        return values[a].count != values[b].count ? values[a].count > values[b].count
                                                  : values[a].text < values[b].text;
    };
    auto compare = [&](uint32_t a, uint32_t b) {
        if (isBetter(b, a))
            std::swap(a, b); // b may be meant to be a
        if (meant[b].of == a)
            return;
        const Near how = near(forms[a], forms[b]);
        const bool sure = how == Near::Writing;
        if (how == Near::No)
            return;
        if (!sure && (!isLongEnough(forms[a], forms[b]) || values[a].count < values[b].count * 4))
            return;
        if (meant[b].of == UINT32_MAX || (sure && !meant[b].sure) ||
            (sure == meant[b].sure && isBetter(a, meant[b].of)))
            meant[b] = {a, sure};
    };
    for (size_t from = 0; from < keys.size() && !stop.stop_requested();) {
        size_t to = from + 1;
        while (to < keys.size() && keys[to].first == keys[from].first)
            ++to;
        if (to - from <= mostTogether)
            for (size_t i = from; i < to; ++i)
                for (size_t j = i + 1; j < to; ++j)
                    compare(keys[i].second, keys[j].second);
        from = to;
    }
    std::map<size_t, NearValues> out;
    for (uint32_t i = 0; i < meant.size(); ++i) {
        uint32_t top = i;
        bool sure = true;
        // What is kept may itself be meant to be another.
        for (int steps = 0; meant[top].of != UINT32_MAX && steps < 8; ++steps) {
            sure = sure && meant[top].sure;
            top = meant[top].of;
        }
        if (top == i)
            continue;
        NearValues& group = out.try_emplace(top, NearValues{top, {}, true}).first->second;
        group.others.push_back(i);
        group.isSure = group.isSure && sure;
    }
    std::vector<NearValues> list;
    for (auto& [kept, group] : out)
        list.push_back(std::move(group));
    return list;
}

} // namespace moorfrost::library
