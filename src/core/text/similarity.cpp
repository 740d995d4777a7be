// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/text/similarity.h"

#include <algorithm>
#include <string>
#include <vector>

#include <unicode/unistr.h>

#include "core/text/words.h"

namespace moorfrost::text {

namespace {

std::u32string codePoints(std::string_view s) {
    if (std::all_of(s.begin(), s.end(), [](char c) { return static_cast<unsigned char>(c) < 0x80; }))
        return std::u32string(s.begin(), s.end());
    const auto text =
        icu::UnicodeString::fromUTF8(icu::StringPiece(s.data(), static_cast<int32_t>(s.size())));
    std::u32string out;
    for (int32_t i = 0; i < text.length(); i = text.moveIndex32(i, 1))
        out += static_cast<char32_t>(text.char32At(i));
    return out;
}

bool hasDigit(std::string_view word) {
    return std::any_of(word.begin(), word.end(), [](char c) { return c >= '0' && c <= '9'; });
}

std::string wordsWithDigits(std::string_view s) {
    std::string out;
    eachWord(s, [&](std::string_view word) {
        if (hasDigit(word))
            (out += word) += ' ';
    });
    return out;
}

} // namespace

size_t editDistance(std::string_view first, std::string_view second, size_t limit) {
    const std::u32string a = codePoints(first), b = codePoints(second);
    if (std::max(a.size(), b.size()) - std::min(a.size(), b.size()) > limit)
        return limit + 1;
    std::vector<size_t> before2, before(b.size() + 1), row(b.size() + 1);
    for (size_t j = 0; j <= b.size(); ++j)
        before[j] = j;
    for (size_t i = 1; i <= a.size(); ++i) {
        row[0] = i;
        size_t least = i;
        for (size_t j = 1; j <= b.size(); ++j) {
            row[j] = std::min({before[j] + 1, row[j - 1] + 1, before[j - 1] + (a[i - 1] != b[j - 1])});
            if (i > 1 && j > 1 && a[i - 1] == b[j - 2] && a[i - 2] == b[j - 1])
                row[j] = std::min(row[j], before2[j - 2] + 1);
            least = std::min(least, row[j]);
        }
        if (least > limit)
            return limit + 1;
        before2 = before;
        std::swap(before, row);
    }
    return std::min(before[b.size()], limit + 1);
}

bool isMisspelling(std::string_view a, std::string_view b) {
    const size_t letters = std::max(a.size(), b.size());
    const size_t allowed = letters < 4 ? 0 : letters < 10 ? 1 : letters < 20 ? 2 : 3;
    return a == b || (allowed > 0 && editDistance(a, b, allowed) <= allowed &&
                      wordsWithDigits(a) == wordsWithDigits(b));
}

} // namespace moorfrost::text
