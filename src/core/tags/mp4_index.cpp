// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/tags/mp4_index.h"

#include "core/base/numbers.h"

namespace moorfrost::tags {

namespace {

bool isContainer(std::string_view id) {
    for (const char* name : {"moov", "trak", "mdia", "minf", "stbl", "moof", "traf"})
        if (id == name)
            return true;
    return false;
}

bool isSound(const ByteSource& s, uint64_t at, uint64_t end, int depth, int& boxes) {
    while (at + 8 <= end) {
        std::string h = s.bytes(at, 16);
        if (h.size() < 8 || ++boxes > 100000)
            return false;
        uint64_t length = bigEndian(std::string_view(h).substr(0, 4)), header = 8;
        std::string_view id = std::string_view(h).substr(4, 4);
        if (length == 1 && h.size() == 16) {
            length = uint64_t{bigEndian(std::string_view(h).substr(8, 4))} << 32 |
                     bigEndian(std::string_view(h).substr(12, 4));
            header = 16;
        } else if (length == 0) {
            length = end - at;
        }
        if (length < header || length > end - at)
            return false;
        if (id == "stco" || id == "co64") {
            uint64_t count = bigEndian(s.bytes(at + header + 4, 4)), width = id == "stco" ? 4 : 8;
            if (length < header + 8 || count > (length - header - 8) / width)
                return false;
        } else if (isContainer(id) &&
                   (depth >= 16 || !isSound(s, at + header, at + length, depth + 1, boxes))) {
            return false;
        }
        at += length;
    }
    return true;
}

} // namespace

bool isMp4IndexSound(const ByteSource& source) {
    int boxes = 0;
    return isSound(source, 0, source.size(), 0, boxes);
}

} // namespace moorfrost::tags
