// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/releases/label_numbers.h"

#include <algorithm>
#include <map>

#include <fmt/format.h>

#include "core/text/text.h"

namespace moorfrost::library {

namespace {
constexpr size_t fewest = 3; // others of the label that tell a pattern
} // namespace

std::string numberPrefix(std::string_view number) {
    const std::string folded = text::fold(number);
    std::string out;
    for (const char c : folded) {
        if (c >= '0' && c <= '9')
            break;
        if (c != ' ' && c != '-' && c != '.' && c != '/')
            out += c;
    }
    return out;
}

std::string whyOddNumber(const ReleaseList& list, const ReleaseEntry& entry) {
    if (entry.label.empty() || entry.number.empty())
        return {};
    const std::string label = text::fold(entry.label), own = numberPrefix(entry.number);
    std::map<std::string, std::pair<size_t, const ReleaseEntry*>> prefixes;
    size_t others = 0;
    for (const ReleaseEntry& e : list.entries()) {
        if (&e == &entry || e.label.empty() || e.number.empty() || text::fold(e.label) != label ||
            e.number == entry.number)
            continue;
        auto& [count, example] = prefixes[numberPrefix(e.number)];
        ++count;
        example = &e;
        ++others;
    }
    if (others < fewest || prefixes.contains(own))
        return {};
    const auto most = std::ranges::max_element(prefixes, {}, [](const auto& p) { return p.second.first; });
    if (most->second.first * 5 < others * 4)
        return {}; // it has no pattern
    return fmt::format("Numbers of {} look like \"{}\": this may be another label of the same name.",
                       entry.label, most->second.second->number);
}

} // namespace moorfrost::library
