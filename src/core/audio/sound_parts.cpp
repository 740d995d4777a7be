// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/audio/sound_parts.h"

#include <fmt/format.h>

#include "core/audio/parts.h"
#include "core/base/numbers.h"

namespace moorfrost::audio {

namespace {

using Range = SoundRange;

Error damaged(const std::string& what) {
    return {ErrorKind::Damaged, {}, what};
}

Error unreadable() {
    return damaged("The file could not be read to its end.");
}

std::string missingBytes(uint64_t wanted, uint64_t there) {
    return fmt::format("The file is cut short: {} bytes should be there, {} are.", wanted, there);
}

Status walkChunks(const ByteSource& s, Format format, const Range& audio) {
    const bool aiff = format == Format::Aiff;
    const LongChunks longer = aiff ? LongChunks() : longChunks(s);
    uint64_t at = 12;
    bool sawAudio = false;
    for (int chunks = 0; at + 8 <= s.size(); ++chunks) {
        auto chunk = chunkAt(s, at, aiff, longer);
        if (!chunk)
            return unreadable();
        if ((chunk->id == std::string(4, '\0') && chunk->length() == 0) || chunks > 100000)
            return damaged(fmt::format("The last {} bytes of the file belong to nothing.", s.size() - at));
        bool isAudio = chunk->id == (aiff ? "SSND" : "data");
        if (chunk->end > s.size()) {
            if (isAudio || !sawAudio)
                return damaged(missingBytes(chunk->end, s.size()));
            return damaged("The part \"" + chunk->id + "\" says it is longer than the file.");
        }
        if (isAudio || chunk->id == (aiff ? "COMM" : "fmt "))
            if (!audio(chunk->content, chunk->end))
                return unreadable();
        sawAudio |= isAudio;
        at = chunk->nextChunk();
    }
    if (!sawAudio)
        return damaged("The file has no audio part.");
    return Done{};
}

Status walkMp4(const ByteSource& s, const Range& audio) {
    bool sawAudio = false, sawIndex = false;
    for (uint64_t at = 0; at + 8 <= s.size();) {
        auto box = boxAt(s, at, s.size());
        if (!box)
            return damaged(fmt::format("What is at byte {} of the file has an impossible length.", at));
        if (box->end > s.size())
            return damaged(missingBytes(box->end, s.size()));
        if (box->id == "mdat") {
            sawAudio = true;
            if (!audio(box->content, box->end))
                return unreadable();
        }
        sawIndex |= box->id == "moov";
        at = box->end;
    }
    if (!sawAudio || !sawIndex)
        return damaged("The file is cut short: its index or its sound is missing.");
    return Done{};
}

Status walkFlac(const ByteSource& s, const Range& audio) {
    uint64_t at = id3v2Length(s, 0) + 4;
    for (bool last = false; !last;) {
        std::string h = s.bytes(at, 4);
        if (h.size() < 4)
            return damaged("The file is cut short inside its headers.");
        last = (h[0] & 0x80) != 0;
        uint64_t length = bigEndian(std::string_view(h).substr(1));
        if ((h[0] & 0x7F) == 0 && !audio(at + 4, at + 4 + length))
            return damaged("The file is cut short inside its headers.");
        at += 4 + length;
    }
    if (at >= s.size())
        return damaged("The file is cut short: it has headers but no sound.");
    uint64_t end = s.size();
    if (end - at > 128 && s.bytes(end - 128, 3) == "TAG")
        end -= 128;
    if (!audio(at, end))
        return unreadable();
    return Done{};
}

/// Length of the APE tag that ends at `end`, 0 if there is none.
uint64_t apeLength(const ByteSource& s, uint64_t end) {
    if (end < 32)
        return 0;
    std::string f = s.bytes(end - 32, 32);
    if (f.size() < 32 || !f.starts_with("APETAGEX"))
        return 0;
    uint64_t length = littleEndian(std::string_view(f).substr(12, 4));
    if (littleEndian(std::string_view(f).substr(20, 4)) & 0x80000000u)
        length += 32;
    return length <= end ? length : 0;
}

Status walkFramed(const ByteSource& s, const Range& audio) {
    const uint64_t start = framesStart(s);
    uint64_t end = s.size();
    for (int i = 0; i < 3; ++i) { // ID3v1 and APE in either order
        if (end >= start + 128 && s.bytes(end - 128, 3) == "TAG")
            end -= 128;
        if (uint64_t n = apeLength(s, end); n > 0 && end - n >= start)
            end -= n;
    }
    if (start >= end)
        return damaged("The file has tags but no sound.");
    if (!audio(start, end))
        return unreadable();
    return Done{};
}

/// ASF objects: the description of the stream, and the packets.
Status walkAsf(const ByteSource& s, const Range& audio) {
    static const std::string streamProperties(
        "\x91\x07\xDC\xB7\xB7\xA9\xCF\x11\x8E\xE6\x00\xC0\x0C\x20\x53\x65", 16);
    static const std::string data("\x36\x26\xB2\x75\x8E\x66\xCF\x11\xA6\xD9\x00\xAA\x00\x62\xCE\x6C", 16);
    bool sawAudio = false;
    // Objects inside the header lie behind its 30 bytes; behind them the others follow at the top.
    auto lengthOf = [](const std::string& h) {
        std::string_view b = h;
        return uint64_t{littleEndian(b.substr(20, 4))} << 32 | littleEndian(b.substr(16, 4));
    };
    std::string head = s.bytes(0, 30);
    uint64_t headerEnd = head.size() == 30 ? lengthOf(head) : 0;
    for (uint64_t at = 30; at + 24 <= s.size();) {
        std::string h = s.bytes(at, 24);
        if (h.size() < 24)
            return unreadable();
        uint64_t length = lengthOf(h);
        bool isData = at >= headerEnd && h.starts_with(data);
        if (length < 24)
            return damaged("A part of the file has an impossible length.");
        if (length > s.size() - at || (at < headerEnd && at + length > headerEnd))
            return damaged(missingBytes(at + length, s.size()));
        if (isData || (at < headerEnd && h.starts_with(streamProperties)))
            if (!audio(at + 24, at + length))
                return unreadable();
        sawAudio |= isData;
        at += length;
    }
    if (!sawAudio)
        return damaged("The file is cut short: it has no sound.");
    return Done{};
}

Status walkAll(const ByteSource& s, const Range& audio) {
    return audio(0, s.size()) ? Status(Done{}) : unreadable();
}

} // namespace

Status walkOgg(const ByteSource& s, const Range& audio, uint64_t until) {
    uint64_t at = 0;
    uint64_t packet = 0;
    const bool partly = until < s.size(); // the end is not looked at then
    bool ended = partly;
    while (at < s.size() && at < until) {
        std::string h = s.bytes(at, 27);
        if (h.size() < 27 || !h.starts_with("OggS"))
            return damaged(at + 27 > s.size() ? "The file is cut short in the middle of a page."
                                              : "The pages of the file do not follow each other.");
        auto segments = static_cast<unsigned char>(h[26]);
        std::string table = s.bytes(at + 27, segments);
        uint64_t data = at + 27 + segments;
        ended = partly || (h[5] & 4) != 0;
        if (h[5] & 2)
            packet = 0;
        uint64_t from = data, length = 0;
        for (size_t i = 0; i < table.size(); ++i) {
            auto lacing = static_cast<unsigned char>(table[i]);
            length += lacing;
            if (lacing == 255 && i + 1 < table.size())
                continue;
            if (packet != 1 && length > 0 && !audio(from, from + length))
                return damaged("The file is cut short in the middle of a page.");
            from += length;
            length = 0;
            if (lacing < 255)
                ++packet;
        }
        at = from;
        if (table.size() < segments || at > s.size())
            return damaged("The file is cut short in the middle of a page.");
    }
    if (!ended)
        return damaged("The file is cut short: its last page is missing.");
    return Done{};
}

Status walkSound(const ByteSource& source, Format format, const Range& audio) {
    switch (format) {
    case Format::Wav:
    case Format::Aiff:
        return walkChunks(source, format, audio);
    case Format::Mp4:
        return walkMp4(source, audio);
    case Format::Flac:
        return walkFlac(source, audio);
    case Format::OggVorbis:
    case Format::Opus:
    case Format::Speex:
    case Format::OggFlac:
        return walkOgg(source, audio);
    case Format::Mp3:
    case Format::WavPack:
    case Format::MonkeysAudio:
    case Format::Musepack:
    case Format::TrueAudio:
        return walkFramed(source, audio);
    case Format::Ac3:
    case Format::Aac:
    case Format::Tak:
    case Format::Dts:
    case Format::Amr:
    case Format::Shorten:
    case Format::TrueHd:
        return walkFramed(source, audio);
    case Format::Asf:
        return walkAsf(source, audio);
    case Format::Dsf:
    case Format::Dsdiff:
    case Format::Au:
    case Format::Caf:
    case Format::Wave64:
    case Format::Matroska:
    case Format::Voc:
        return walkAll(source, audio);
    case Format::Unknown:
        break;
    }
    return Error{ErrorKind::Unsupported,
                 {},
                 "Where the sound lies in " + formatName(format) + " files is not known to Moorfrost."};
}

uint64_t framesStart(const ByteSource& source) {
    constexpr uint64_t mostPadding = 1u << 24;
    uint64_t start = 0;
    for (uint64_t n = id3v2Length(source, start); n > 0; n = id3v2Length(source, start))
        start += n;
    // Padding of the tag that its header does not count.
    for (uint64_t past = 0; past < mostPadding;) {
        std::string zeros = source.bytes(start + past, past == 0 ? 16 : 4096);
        size_t n = zeros.find_first_not_of('\0');
        if (zeros.empty())
            break;
        if (n != std::string::npos)
            return start + past + n;
        past += zeros.size();
    }
    return start;
}

} // namespace moorfrost::audio
