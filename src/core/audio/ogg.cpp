// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/audio/ogg.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <cstring>

#include "core/base/numbers.h"

namespace moorfrost::audio {

namespace {

constexpr size_t headBytes = 27; // and a table of lengths
constexpr uint64_t noPacketEnds = UINT64_MAX;

/// The page that begins there; nullopt where none does or its head is not whole.
std::optional<OggPage> pageIn(std::string_view b, size_t at, uint64_t placeOfBytes) {
    if (b.size() < at + headBytes || b.compare(at, 4, "OggS") != 0)
        return std::nullopt;
    const std::string_view h = b.substr(at, headBytes);
    const auto segments = static_cast<unsigned char>(h[26]);
    OggPage page;
    page.marked = (h[5] & 4) != 0;
    page.granule = littleEndian(h.substr(6, 4)) | uint64_t{littleEndian(h.substr(10, 4))} << 32;
    page.end = placeOfBytes + at + headBytes + segments;
    for (char length : b.substr(at + headBytes, segments))
        page.end += static_cast<unsigned char>(length);
    return page;
}

/// Where the last "OggS" is. Most of the bytes are sound, in which an O is rare.
size_t lastHead(std::string_view b) {
    for (size_t n = b.size(); n > 0;) {
        const void* o = ::memrchr(b.data(), 'O', n);
        if (!o)
            break;
        n = static_cast<size_t>(static_cast<const char*>(o) - b.data());
        if (b.compare(n, 4, "OggS") == 0)
            return n;
    }
    return std::string::npos;
}

/// Where the pages with sound begin; 0 where they are not found.
uint64_t soundBegins(const ByteSource& source) {
    constexpr int mostPages = 4096;
    std::array<char, headBytes + 255> bytes;
    uint64_t at = 0;
    for (int pages = 0; pages < mostPages; ++pages) {
        const std::string_view b(bytes.data(), source.read(at, bytes.data(), bytes.size()));
        auto page = pageIn(b, 0, at);
        if (!page)
            return 0;
        if (page->granule != 0 && page->granule != noPacketEnds)
            return at;
        at = page->end;
    }
    return 0;
}

} // namespace

std::optional<OggPage> lastOggPage(const ByteSource& source) {
    for (size_t most : {size_t{4096}, size_t{12288}, size_t{65536 + 512}}) { // a page is rarely so long
        const std::string_view b = tailOf(source, source.size(), most);
        if (size_t at = lastHead(b); at != std::string::npos)
            return pageIn(b, at, source.size() - b.size());
    }
    return std::nullopt;
}

std::optional<OggSound> oggSound(const ByteSource& source, Format format) {
    const std::string first = source.bytes(0, 128);
    const std::string_view mark = format == Format::Opus ? "OpusHead" : "\x01vorbis";
    const size_t at = first.find(mark);
    if ((format != Format::Opus && format != Format::OggVorbis) || !first.starts_with("OggS") ||
        at == std::string::npos)
        return std::nullopt;
    const std::string_view head = std::string_view(first).substr(at + mark.size());
    const auto last = lastOggPage(source);
    if (head.size() < 23 || !last || last->granule == noPacketEnds)
        return std::nullopt;
    OggSound out;
    uint64_t samples = last->granule;
    if (format == Format::Opus) {
        out.channels = static_cast<unsigned char>(head[1]);
        out.preSkip = littleEndian(head.substr(2, 2));
        out.sampleRate = 48000; // whatever it was made from
        samples -= std::min<uint64_t>(samples, out.preSkip);
    } else {
        out.channels = static_cast<unsigned char>(head[4]);
        out.sampleRate = static_cast<int>(std::min(littleEndian(head.substr(5, 4)), 100'000'000u));
        const auto most = static_cast<int32_t>(littleEndian(head.substr(9, 4))),
                   least = static_cast<int32_t>(littleEndian(head.substr(17, 4)));
        out.constant = least > 0 && least == most;
    }
    const uint64_t from = soundBegins(source);
    if (out.sampleRate == 0 || out.channels == 0 || samples == 0 || from == 0)
        return std::nullopt;
    out.seconds = static_cast<double>(samples) / out.sampleRate;
    const double rate = static_cast<double>(source.size() - from) * 8 / out.seconds;
    out.bitrate = static_cast<int>(std::min(std::round(rate / 1000), 2e6)) * 1000;
    return out;
}

} // namespace moorfrost::audio
