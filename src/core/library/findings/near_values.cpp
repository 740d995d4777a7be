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

constexpr uint32_t commonWord = 40; // values: what stands in more of them tells nothing
constexpr size_t mostTogether = 64; // values with one key: more of them have nothing special in common

struct Form {
    std::string text;    // likenessForm, or folded where nothing can be spelled so
    std::string letters; // the same without spaces and articles
    std::vector<std::string> words;
    bool hasComma = false;
};

Form formOf(const std::string& value) {
    Form out;
    out.text = text::likenessForm(value);
    if (out.text.empty())
        out.text = text::fold(value);
    out.words = text::split(out.text, " ");
    out.hasComma = value.find(',') != std::string::npos;
    for (const std::string& word : out.words)
        if (word != "the")
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

/// What stands beside a word that differs.
enum class Beside { Nothing, Common, Telling };

/// One word is probably the other, misspelled. Doubled letters and swapped ones are slips of the hand; a
/// letter more, less or changed in a short word is often another word, the less so the more is told by what
/// stands beside it. The first letter is hardly ever wrong.
bool isSlip(const std::string& a, const std::string& b, Beside beside) {
    const size_t shorter = std::min(a.size(), b.size());
    if (shorter < 3)
        return false;
    if (text::editDistance(a, b, 1) > 1)
        return shorter >= 8 && text::isMisspelling(a, b);
    bool isByHand = false, isChanged = false;
    if (a.size() == b.size()) {
        size_t first = 0;
        while (a[first] == b[first])
            ++first;
        isByHand = first + 1 < a.size() && a[first] == b[first + 1] && a[first + 1] == b[first];
        isChanged = !isByHand;
    } else {
        const std::string &longer = a.size() > b.size() ? a : b, &other = a.size() > b.size() ? b : a;
        size_t at = 0;
        while (at < other.size() && longer[at] == other[at])
            ++at;
        isByHand = at > 0 && longer[at] == longer[at - 1];
    }
    if (a[0] != b[0] && !isByHand && shorter < 8 && beside != Beside::Telling)
        return false;
    const size_t least = beside == Beside::Nothing  ? isByHand ? 6 : 8
                         : beside == Beside::Common ? isByHand    ? 4
                                                      : isChanged ? 6
                                                                  : 5
                         : isChanged                ? 4
                                                    : 3;
    return shorter >= least;
}

/// In how many values a word stands.
using WordCounts = std::unordered_map<std::string, uint32_t>;

Near near(const Form& a, const Form& b, const WordCounts& counts) {
    if (a.letters.empty() || b.letters.empty())
        return Near::No;
    if (a.letters == b.letters)
        return Near::Writing;
    if (!hasSameNumbers(a.text, b.text))
        return Near::No;
    if (a.words.size() > 1 && a.hasComma != b.hasComma) {
        std::vector<std::string> one = a.words, other = b.words;
        std::ranges::sort(one);
        std::ranges::sort(other);
        if (one == other)
            return Near::Writing; // "Varnholt, Isla"
    }
    if (a.words.size() != b.words.size()) // a space astray, and nothing else
        return Near::No;
    size_t different = 0, at = 0;
    Beside beside = a.words.size() == 1 ? Beside::Nothing : Beside::Common;
    for (size_t i = 0; i < a.words.size(); ++i)
        if (a.words[i] != b.words[i]) {
            ++different;
            at = i;
        } else if (const auto count = counts.find(a.words[i]);
                   a.words[i].size() >= 4 && (count == counts.end() || count->second <= commonWord)) {
            beside = Beside::Telling;
        }
    return different == 1 && isSlip(a.words[at], b.words[at], beside) ? Near::Spelling : Near::No;
}

} // namespace

std::vector<NearValues> nearValues(const std::vector<CountedValue>& values, std::stop_token stop) {
    std::vector<Form> forms;
    forms.reserve(values.size());
    std::vector<std::pair<uint64_t, uint32_t>> keys;
    std::vector<uint64_t> own;
    WordCounts counts;
    for (size_t i = 0; i < values.size(); ++i) {
        if (stop.stop_requested())
            return {};
        forms.push_back(formOf(values[i].text));
        for (const std::string& word : forms.back().words)
            ++counts[word];
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
        const Near how = near(forms[a], forms[b], counts);
        const bool sure = how == Near::Writing;
        if (how == Near::No)
            return;
        if (!sure && values[a].count < values[b].count * 3)
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
