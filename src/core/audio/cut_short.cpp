// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/audio/cut_short.h"

#include <algorithm>
#include <array>
#include <cstring>
#include <optional>

#include <fmt/format.h>

#include "core/audio/mpeg_info.h"

namespace moorfrost::audio {

namespace {

uint8_t byteAt(std::string_view b, size_t i) {
    return static_cast<uint8_t>(b[i]);
}

uint64_t bigEndian(std::string_view b, size_t at, size_t n) {
    uint64_t v = 0;
    for (size_t i = 0; i < n; ++i)
        v = v << 8 | byteAt(b, at + i);
    return v;
}

/// CRC-8 with the polynomial x^8 + x^2 + x + 1.
uint8_t crc8(std::string_view bytes) {
    uint8_t crc = 0;
    for (char c : bytes) {
        crc = static_cast<uint8_t>(crc ^ static_cast<uint8_t>(c));
        for (int i = 0; i < 8; ++i)
            crc = static_cast<uint8_t>(crc & 0x80 ? crc << 1 ^ 0x07 : crc << 1);
    }
    return crc;
}

using Crc16Tables = std::array<std::array<uint16_t, 256>, 8>;

/// CRC-16 with the polynomial x^16 + x^15 + x^2 + 1; table n is for a byte with n more behind it.
const Crc16Tables& crc16Tables() {
    static const Crc16Tables tables = [] {
        Crc16Tables t{};
        for (unsigned i = 0; i < 256; ++i) {
            unsigned v = i << 8;
            for (int k = 0; k < 8; ++k)
                v = v & 0x8000 ? v << 1 ^ 0x8005 : v << 1;
            t[0][i] = static_cast<uint16_t>(v);
        }
        for (size_t n = 1; n < 8; ++n)
            for (size_t i = 0; i < 256; ++i)
                t[n][i] = static_cast<uint16_t>(t[n - 1][i] << 8 ^ t[0][t[n - 1][i] >> 8]);
        return t;
    }();
    return tables;
}

uint16_t crc16(std::string_view b, uint16_t crc = 0) {
    const Crc16Tables& t = crc16Tables();
    size_t i = 0;
    for (; i + 8 <= b.size(); i += 8) {
        unsigned a = byteAt(b, i) ^ crc >> 8, c = byteAt(b, i + 1) ^ (crc & 0xFFu);
        crc = static_cast<uint16_t>(t[7][a] ^ t[6][c] ^ t[5][byteAt(b, i + 2)] ^ t[4][byteAt(b, i + 3)] ^
                                    t[3][byteAt(b, i + 4)] ^ t[2][byteAt(b, i + 5)] ^ t[1][byteAt(b, i + 6)] ^
                                    t[0][byteAt(b, i + 7)]);
    }
    for (; i < b.size(); ++i)
        crc = static_cast<uint16_t>(crc << 8 ^ t[0][(crc >> 8 ^ byteAt(b, i)) & 0xFF]);
    return crc;
}

struct FrameHeader {
    uint64_t firstSample = 0;
    uint64_t samples = 0;
};

std::optional<FrameHeader> frameHeader(std::string_view b, uint64_t blockSize) {
    if (b.size() < 6 || byteAt(b, 0) != 0xFF || (byteAt(b, 1) & 0xFE) != 0xF8 || (byteAt(b, 3) & 1) != 0)
        return std::nullopt;
    unsigned sizeCode = byteAt(b, 2) >> 4, rateCode = byteAt(b, 2) & 15;
    if (sizeCode == 0 || rateCode == 15)
        return std::nullopt;
    // The number is coded like UTF-8, in up to seven bytes.
    unsigned first = byteAt(b, 4);
    size_t more = 0;
    while (more < 7 && first & (0x80u >> more))
        ++more;
    if (more == 1 || more > 7)
        return std::nullopt;
    size_t length = more == 0 ? 1 : more;
    if (b.size() < 4 + length + 5)
        return std::nullopt;
    uint64_t number = more == 0 ? first : first & (0x7Fu >> more);
    for (size_t i = 1; i < length; ++i) {
        if ((byteAt(b, 4 + i) & 0xC0) != 0x80)
            return std::nullopt;
        number = number << 6 | (byteAt(b, 4 + i) & 0x3Fu);
    }
    size_t at = 4 + length;
    FrameHeader header;
    if (sizeCode == 1)
        header.samples = 192;
    else if (sizeCode <= 5)
        header.samples = 576u << (sizeCode - 2);
    else if (sizeCode == 6)
        header.samples = bigEndian(b, at++, 1) + 1;
    else if (sizeCode == 7)
        header.samples = bigEndian(b, (at += 2) - 2, 2) + 1;
    else
        header.samples = 256u << (sizeCode - 8);
    at += rateCode == 12 ? 1 : rateCode >= 13 ? 2 : 0;
    if (b.size() <= at || crc8(b.substr(0, at)) != byteAt(b, at))
        return std::nullopt;
    header.firstSample = byteAt(b, 1) & 1 ? number : number * blockSize;
    return header;
}

/// Whether some first part of these bytes is a frame with the right checksum: what follows it is none of
/// ours.
bool hasWholeFrame(std::string_view b) {
    if (crc16(b) == 0) // the checksum is the last two bytes
        return true;
    uint16_t crc = 0;
    for (size_t i = 0; i < b.size(); ++i) {
        if (i >= 8 && i + 1 < b.size() && crc == bigEndian(b, i, 2))
            return true;
        crc = crc16(b.substr(i, 1), crc);
    }
    return false;
}

} // namespace

namespace {

struct LastFrame {
    uint64_t samples = 0; // at its end
    std::string_view bytes;
};

/// The bytes are valid until the next look at the end of a file on this thread.
std::optional<LastFrame> lastFrame(const ByteSource& source, const std::string& info, uint64_t start,
                                   uint64_t end) {
    if (info.size() < 18 || end <= start)
        return std::nullopt;
    const uint64_t blockSize = bigEndian(info, 0, 2), largest = bigEndian(info, 7, 3);
    const uint64_t window = std::min<uint64_t>(end - start, (largest > 0 ? largest : 256 * 1024) + 64);
    const std::string_view tail = tailOf(source, end, static_cast<size_t>(window));
    for (size_t n = tail.size(); n > 0;) {
        const void* sync = ::memrchr(tail.data(), 0xFF, n);
        if (!sync)
            break;
        const size_t i = n = static_cast<size_t>(static_cast<const char*>(sync) - tail.data());
        if (auto header = frameHeader(tail.substr(i), blockSize))
            return LastFrame{header->firstSample + header->samples, tail.substr(i)};
    }
    return std::nullopt;
}

} // namespace

std::optional<uint64_t> flacSamples(const ByteSource& source, uint64_t streamInfo, uint64_t start,
                                    uint64_t end) {
    const auto last = lastFrame(source, source.bytes(streamInfo, 18), start, end);
    return last ? std::optional(last->samples) : std::nullopt;
}

std::string whyFlacCutShort(const ByteSource& source, uint64_t streamInfo, uint64_t start, uint64_t end,
                            bool thorough) {
    const std::string info = source.bytes(streamInfo, 18);
    const uint64_t total =
        info.size() < 18 ? 0 : (bigEndian(info, 13, 1) & 15) << 32 | bigEndian(info, 14, 4);
    if (total == 0)
        return {}; // not known, says the file
    const auto last = lastFrame(source, info, start, end);
    if (!last)
        return {};
    if (last->samples < total)
        return fmt::format("The file is cut short: about {} of {} samples are there.", last->samples, total);
    if (last->samples == total && thorough && !hasWholeFrame(last->bytes))
        return "The file is cut short in its last frame.";
    return {};
}

std::string whyMp3CutShort(const ByteSource& source, uint64_t start, uint64_t end) {
    auto info = mpegInfo(source, start);
    if (!info || !info->bytes)
        return {};
    uint64_t wanted = *info->bytes;
    // Encoders count a frame more or less, or their own tags: only what is clearly missing is told.
    if (end - start + 2048 >= wanted || (end - start) * 100 >= wanted * 99)
        return {};
    return fmt::format("The file is cut short: {} bytes of sound should be there, {} are.", wanted,
                       end - start);
}

} // namespace moorfrost::audio
