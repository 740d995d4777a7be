// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/text/words.h"

#include <unicode/uchar.h>

namespace moorfrost::text {

namespace {

/// The character at `at`, which moves behind it. Folded text is valid UTF-8; of what is not, every byte is
/// one.
UChar32 nextCharacter(std::string_view s, size_t& at) {
    auto byte = [&](size_t i) { return i < s.size() ? static_cast<unsigned char>(s[i]) : 0; };
    const int lead = byte(at);
    const size_t more = lead >= 0xF0 ? 3 : lead >= 0xE0 ? 2 : lead >= 0xC0 ? 1 : 0;
    UChar32 c = more == 0 ? lead : lead & (0x3F >> more);
    for (size_t i = 1; i <= more; ++i) {
        if ((byte(at + i) & 0xC0) != 0x80) {
            ++at;
            return 0;
        }
        c = c << 6 | (byte(at + i) & 0x3F);
    }
    at += more + 1;
    return c;
}

} // namespace

void eachWord(std::string_view folded, const std::function<void(std::string_view)>& each) {
    size_t from = 0;
    for (size_t i = 0; i < folded.size();) {
        const size_t at = i;
        const char c = folded[i];
        bool inWord = (c >= 'a' && c <= 'z') || (c >= '0' && c <= '9');
        if (inWord || (c & 0x80) == 0) {
            ++i;
        } else {
            UChar32 wide = nextCharacter(folded, i);
            inWord = u_isalnum(wide) || (U_GET_GC_MASK(wide) & U_GC_M_MASK) != 0;
        }
        if (!inWord) {
            if (at > from)
                each(folded.substr(from, at - from));
            from = i;
        }
    }
    if (folded.size() > from)
        each(folded.substr(from));
}

} // namespace moorfrost::text
