// SPDX-License-Identifier: GPL-3.0-or-later
// Numbers as the formats store them. Of fewer than four bytes the rest counts as zero; of more, the last ones
// count.
#pragma once

#include <cstdint>
#include <string>
#include <string_view>

namespace moorfrost {

inline uint32_t bigEndian(std::string_view b) {
    uint32_t v = 0;
    for (char c : b)
        v = v << 8 | static_cast<unsigned char>(c);
    return v;
}

inline uint32_t littleEndian(std::string_view b) {
    uint32_t v = 0;
    for (size_t i = b.size(); i-- > 0;)
        v = v << 8 | static_cast<unsigned char>(b[i]);
    return v;
}

/// Seven bits a byte, as in ID3v2.4.
inline uint32_t synchSafe(std::string_view b) {
    uint32_t v = 0;
    for (char c : b)
        v = v << 7 | (static_cast<unsigned char>(c) & 0x7F);
    return v;
}

inline std::string asBigEndian(uint32_t v, size_t bytes) {
    std::string out(bytes, '\0');
    for (size_t i = 0; i < bytes; ++i)
        out[bytes - 1 - i] = static_cast<char>(v >> (8 * i));
    return out;
}

inline std::string asLittleEndian(uint32_t v) {
    std::string out = asBigEndian(v, 4);
    return {out.rbegin(), out.rend()};
}

} // namespace moorfrost
