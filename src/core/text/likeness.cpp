// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/text/likeness.h"

#include <algorithm>

#include "core/text/text.h"

namespace moorfrost::text {

namespace {

/// 1 to 36; 0 for what is neither letter nor digit.
uint32_t numberOf(char c) {
    if (c >= 'a' && c <= 'z')
        return static_cast<uint32_t>(c - 'a') + 1;
    if (c >= '0' && c <= '9')
        return static_cast<uint32_t>(c - '0') + 27;
    return 0;
}

bool isAscii(std::string_view text) {
    return std::ranges::all_of(text, [](char c) { return static_cast<unsigned char>(c) < 0x80; });
}

} // namespace

std::string likenessForm(std::string_view text) {
    const std::string plain = isAscii(text) ? std::string(text) : plainLetters(fold(text));
    std::string out;
    out.reserve(plain.size());
    auto space = [&out] {
        if (!out.empty() && out.back() != ' ')
            out += ' ';
    };
    for (char c : plain) {
        if (c >= 'A' && c <= 'Z')
            out += static_cast<char>(c - 'A' + 'a');
        else if (numberOf(c) > 0)
            out += c;
        else if (c == '&' || c == '+') {
            space();
            out += "and ";
        } else if (c != '\'' && c != '`') { // "keeper's" is one word
            space();
        }
    }
    while (!out.empty() && out.back() == ' ')
        out.pop_back();
    return out;
}

std::vector<uint16_t> letterGroups(std::string_view form) {
    std::vector<uint16_t> out;
    out.reserve(form.size() + 8);
    for (size_t at = 0; at < form.size();) {
        size_t end = std::min(form.find(' ', at), form.size());
        // The edge of a word is a letter of its own.
        for (size_t i = at; i <= end; ++i) {
            const uint32_t a = i > at ? numberOf(form[i - 1]) : 0;
            const uint32_t b = i < end ? numberOf(form[i]) : 0;
            const uint32_t c = i + 1 < end ? numberOf(form[i + 1]) : 0;
            if (a + b + c > 0 && (i < end || end - at == 1))
                out.push_back(static_cast<uint16_t>((a * 37 + b) * 37 + c));
        }
        at = end + 1;
    }
    std::ranges::sort(out);
    out.erase(std::ranges::unique(out).begin(), out.end());
    return out;
}

double likeness(const Likened& a, const Likened& b) {
    if (a.empty() || b.empty())
        return 0;
    if (a.form == b.form)
        return 1;
    size_t common = 0;
    for (auto i = a.groups.begin(), j = b.groups.begin(); i != a.groups.end() && j != b.groups.end();) {
        if (*i == *j) {
            ++common;
            ++i;
            ++j;
        } else if (*i < *j) {
            ++i;
        } else {
            ++j;
        }
    }
    const auto shorter = static_cast<double>(std::min(a.groups.size(), b.groups.size()));
    const auto both = static_cast<double>(a.groups.size() + b.groups.size());
    const double shared = 2.0 * static_cast<double>(common) / both;
    const double within = static_cast<double>(common) / shorter;
    const double trust = std::min(1.0, shorter / 12); // a short word is within much
    return std::max(shared, std::min(0.95, 0.55 * within * trust + 0.45 * shared));
}

} // namespace moorfrost::text
