// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/audio/mpeg_info.h"

#include <algorithm>

namespace moorfrost::audio {

namespace {

uint64_t bigEndian(std::string_view b, size_t at, size_t n) {
    uint64_t v = 0;
    for (size_t i = 0; i < n && at + i < b.size(); ++i)
        v = v << 8 | static_cast<uint8_t>(b[at + i]);
    return v;
}

bool isName(std::string_view s) {
    return s.size() >= 4 && std::all_of(s.begin(), s.begin() + 4, [](char c) { return c > ' ' && c < 0x7F; });
}

} // namespace

std::optional<MpegInfo> mpegInfo(const ByteSource& source, uint64_t start) {
    std::string b = source.bytes(start, 256);
    if (b.size() < 64 || bigEndian(b, 0, 1) != 0xFF || (bigEndian(b, 1, 1) & 0xE0) != 0xE0)
        return std::nullopt;
    bool version1 = (b[1] & 0x18) == 0x18, mono = (bigEndian(b, 3, 1) & 0xC0) == 0xC0;
    MpegInfo info;
    if (b.compare(36, 4, "VBRI") == 0) {
        info.variable = true;
        info.bytes = bigEndian(b, 46, 4);
        info.frames = bigEndian(b, 50, 4);
        return info;
    }
    size_t at = version1 ? (mono ? 21 : 36) : (mono ? 13 : 21);
    std::string_view mark = std::string_view(b).substr(at, 4);
    if (mark != "Xing" && mark != "Info")
        return std::nullopt;
    info.variable = mark == "Xing";
    uint64_t flags = bigEndian(b, at + 4, 4);
    at += 8;
    if (flags & 1) {
        info.frames = bigEndian(b, at, 4);
        at += 4;
    }
    if (flags & 2) {
        info.bytes = bigEndian(b, at, 4);
        at += 4;
    }
    at += (flags & 4 ? 100 : 0) + (flags & 8 ? 4 : 0);
    if (b.size() < at + 24 || !isName(std::string_view(b).substr(at, 9)))
        return info;
    info.encoder = b.substr(at, 9);
    auto last =
        std::find_if(info.encoder.begin(), info.encoder.end(), [](char c) { return c < ' ' || c > '~'; });
    info.encoder.erase(last, info.encoder.end());
    while (info.encoder.ends_with(' '))
        info.encoder.pop_back();
    auto both = static_cast<uint32_t>(bigEndian(b, at + 21, 3));
    info.delay = both >> 12;
    info.padding = both & 0xFFF;
    return info;
}

} // namespace moorfrost::audio
