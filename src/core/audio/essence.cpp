// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/audio/essence.h"

#include <algorithm>
#include <cstring>
#include <functional>
#include <memory>

#include <optional>
#include <vector>

#include <fmt/format.h>
#include <xxhash.h>

extern "C" {
#include <libavutil/mem.h>
#include <libavutil/sha.h>
}

#include "core/audio/cut_short.h"
#include "core/text/text.h"

namespace moorfrost::audio {

namespace {

class Hasher {
public:
    Hasher() : state_(XXH3_createState(), &XXH3_freeState) { XXH3_128bits_reset(state_.get()); }

    void add(const char* data, size_t n) {
        XXH3_128bits_update(state_.get(), data, n);
        bytes_ += n;
    }
    /// False if the source ends before the range does.
    bool addRange(const ByteSource& source, uint64_t from, uint64_t to) {
        buffer_.resize(1u << 18);
        while (from < to) {
            size_t n = source.read(from, buffer_.data(),
                                   static_cast<size_t>(std::min<uint64_t>(buffer_.size(), to - from)));
            if (n == 0)
                return false;
            add(buffer_.data(), n);
            from += n;
        }
        return true;
    }
    Essence result() const {
        XXH128_hash_t h = XXH3_128bits_digest(state_.get());
        return {fmt::format("{:016x}{:016x}", h.high64, h.low64), bytes_};
    }

private:
    std::unique_ptr<XXH3_state_t, XXH_errorcode (*)(XXH3_state_t*)> state_;
    uint64_t bytes_ = 0;
    std::string buffer_;
};

uint32_t number(const std::string& b, size_t at, size_t n, bool bigEndian) {
    uint32_t v = 0;
    for (size_t i = 0; i < n; ++i)
        v = v << 8 | static_cast<unsigned char>(b[at + (bigEndian ? i : n - 1 - i)]);
    return v;
}

Error damaged(const std::string& what) {
    return {ErrorKind::Damaged, {}, what};
}

std::string missingBytes(uint64_t wanted, uint64_t there) {
    return fmt::format("The file is cut short: {} bytes should be there, {} are.", wanted, there);
}

using Range = std::function<bool(uint64_t from, uint64_t to)>;

/// Calls `audio` for each range of audio bytes. An error where the structure is broken.
Status walkChunks(const ByteSource& s, Format format, const Range& audio) {
    bool aiff = format == Format::Aiff;
    uint64_t at = 12;
    bool sawAudio = false;
    for (int chunks = 0; at + 8 <= s.size(); ++chunks) {
        std::string h = s.bytes(at, 8);
        if (h.size() < 8)
            return damaged("The file could not be read to its end.");
        if (h == std::string(8, '\0') || chunks > 100000)
            return damaged(fmt::format("The last {} bytes of the file belong to nothing.", s.size() - at));
        uint64_t length = number(h, 4, 4, aiff);
        std::string id = h.substr(0, 4);
        bool isAudio = id == (aiff ? "SSND" : "data");
        if (at + 8 + length > s.size()) {
            if (isAudio || !sawAudio)
                return damaged(missingBytes(at + 8 + length, s.size()));
            return damaged("The part \"" + id + "\" says it is longer than the file.");
        }
        if (isAudio || id == (aiff ? "COMM" : "fmt "))
            if (!audio(at + 8, at + 8 + length))
                return damaged("The file could not be read to its end.");
        sawAudio |= isAudio;
        at += 8 + length + (length & 1);
    }
    if (!sawAudio)
        return damaged("The file has no audio part.");
    return Done{};
}

Status walkMp4(const ByteSource& s, const Range& audio) {
    uint64_t at = 0;
    bool sawAudio = false, sawIndex = false;
    while (at + 8 <= s.size()) {
        std::string h = s.bytes(at, 16);
        if (h.size() < 8)
            return damaged("The file could not be read to its end.");
        uint64_t length = number(h, 0, 4, true);
        uint64_t header = 8;
        std::string id = h.substr(4, 4);
        if (length == 1 && h.size() == 16) {
            length = uint64_t{number(h, 8, 4, true)} << 32 | number(h, 12, 4, true);
            header = 16;
        } else if (length == 0) {
            length = s.size() - at;
        }
        if (length < header)
            return damaged("The part \"" + id + "\" has an impossible length.");
        if (at + length > s.size() || at + length < at)
            return damaged(missingBytes(at + length, s.size()));
        if (id == "mdat") {
            sawAudio = true;
            if (!audio(at + header, at + length))
                return damaged("The file could not be read to its end.");
        }
        sawIndex |= id == "moov";
        at += length;
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
        uint64_t length = number(h, 1, 3, true);
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
        return damaged("The file could not be read to its end.");
    return Done{};
}

/// Length of the APE tag that ends at `end`, 0 if there is none.
uint64_t apeLength(const ByteSource& s, uint64_t end) {
    if (end < 32)
        return 0;
    std::string f = s.bytes(end - 32, 32);
    if (f.size() < 32 || !f.starts_with("APETAGEX"))
        return 0;
    uint64_t length = number(f, 12, 4, false);
    if (number(f, 20, 4, false) & 0x80000000u)
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
        return damaged("The file could not be read to its end.");
    return Done{};
}

/// Ogg by packets: the payload of every page; of the packets of a stream, the second (the comments) is left
/// out.
Status walkOgg(const ByteSource& s, const Range& audio, uint64_t until = UINT64_MAX) {
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

/// ASF objects: the description of the stream, and the packets.
Status walkAsf(const ByteSource& s, const Range& audio) {
    static const std::string streamProperties(
        "\x91\x07\xDC\xB7\xB7\xA9\xCF\x11\x8E\xE6\x00\xC0\x0C\x20\x53\x65", 16);
    static const std::string data("\x36\x26\xB2\x75\x8E\x66\xCF\x11\xA6\xD9\x00\xAA\x00\x62\xCE\x6C", 16);
    bool sawAudio = false;
    // Objects inside the header lie behind its 30 bytes; behind them the others follow at the top.
    auto lengthOf = [](const std::string& h) {
        return uint64_t{number(h, 20, 4, false)} << 32 | number(h, 16, 4, false);
    };
    std::string head = s.bytes(0, 30);
    uint64_t headerEnd = head.size() == 30 ? lengthOf(head) : 0;
    for (uint64_t at = 30; at + 24 <= s.size();) {
        std::string h = s.bytes(at, 24);
        if (h.size() < 24)
            return damaged("The file could not be read to its end.");
        uint64_t length = lengthOf(h);
        bool isData = at >= headerEnd && h.starts_with(data);
        if (length < 24)
            return damaged("A part of the file has an impossible length.");
        if (length > s.size() - at || (at < headerEnd && at + length > headerEnd))
            return damaged(missingBytes(at + length, s.size()));
        if (isData || (at < headerEnd && h.starts_with(streamProperties)))
            if (!audio(at + 24, at + length))
                return damaged("The file could not be read to its end.");
        sawAudio |= isData;
        at += length;
    }
    if (!sawAudio)
        return damaged("The file is cut short: it has no sound.");
    return Done{};
}

Status walkAll(const ByteSource& s, const Range& audio) {
    return audio(0, s.size()) ? Status(Done{}) : damaged("The file could not be read to its end.");
}

Status walk(const ByteSource& source, Format format, const Range& audio) {
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

bool isOgg(Format format) {
    return format == Format::OggVorbis || format == Format::Opus || format == Format::Speex ||
           format == Format::OggFlac;
}

using Ranges = std::vector<std::pair<uint64_t, uint64_t>>;

void append(Ranges& ranges, uint64_t from, uint64_t to) {
    if (from == to)
        return;
    if (!ranges.empty() && ranges.back().second == from)
        ranges.back().second = to;
    else
        ranges.emplace_back(from, to);
}

/// Where bytes of the changed file come from; asked in rising order.
class Origins {
public:
    explicit Origins(const Recipe& recipe) : recipe_(recipe) {}
    /// The end of the run that `at` lies in (0 behind the last), and its place in the original if it has one.
    std::pair<uint64_t, std::optional<uint64_t>> of(uint64_t at) {
        while (i_ < recipe_.extents.size() && start_ + recipe_.extents[i_].length <= at)
            start_ += recipe_.extents[i_++].length;
        if (i_ == recipe_.extents.size())
            return {0, std::nullopt};
        const Extent& e = recipe_.extents[i_];
        return {start_ + e.length, e.fresh ? std::nullopt : std::optional(e.offset + (at - start_))};
    }

private:
    const Recipe& recipe_;
    size_t i_ = 0;
    uint64_t start_ = 0;
};

} // namespace

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

Status sameEssence(const ByteSource& original, const Recipe& recipe, Format format) {
    RecipeSource changed(original, recipe);
    Ranges before, after;
    auto into = [](Ranges& ranges) {
        return [&ranges](uint64_t a, uint64_t b) {
            append(ranges, a, b);
            return true;
        };
    };
    uint64_t until = UINT64_MAX;
    if (isOgg(format) && recipe.size() == original.size()) {
        // Pages behind the last fresh byte are the original's own.
        uint64_t at = 0, last = 0;
        bool inPlace = true;
        for (const Extent& e : recipe.extents) {
            inPlace = inPlace && (e.fresh || e.offset == at);
            at += e.length;
            last = e.fresh ? at : last;
        }
        if (inPlace)
            until = last + 1;
    }
    auto walkBoth = [&](const ByteSource& s, Ranges& ranges) {
        return isOgg(format) ? walkOgg(s, into(ranges), until) : walk(s, format, into(ranges));
    };
    if (Status walked = walkBoth(original, before); !walked)
        return walked;
    if (Status walked = walkBoth(changed, after); !walked)
        return walked;
    const Error differs{
        ErrorKind::Damaged, {}, "This change would alter the sound itself, so it was refused."};
    Origins origins(recipe);
    size_t i = 0, k = 0;
    uint64_t a = before.empty() ? 0 : before[0].first, b = after.empty() ? 0 : after[0].first;
    while (i < before.size() && k < after.size()) {
        auto [end, origin] = origins.of(b);
        uint64_t n = end > b ? std::min({before[i].second - a, after[k].second - b, end - b}) : 0;
        if (n == 0 || b + n > changed.size() || a + n > original.size())
            return differs;
        for (uint64_t done = 0; origin != a && done < n;) { // not shown by its place: read and compare
            auto part = static_cast<size_t>(std::min<uint64_t>(n - done, 1u << 18));
            std::string x = original.bytes(a + done, part);
            if (x.size() != part || x != changed.bytes(b + done, part))
                return differs;
            done += part;
        }
        a += n;
        b += n;
        if (a == before[i].second && ++i < before.size())
            a = before[i].first;
        if (b == after[k].second && ++k < after.size())
            b = after[k].first;
    }
    return i == before.size() && k == after.size() ? Status(Done{}) : Status(differs);
}

Result<std::string> essenceSha256(const ByteSource& source, Format format) {
    std::unique_ptr<AVSHA, void (*)(void*)> sha(av_sha_alloc(), &av_free);
    av_sha_init(sha.get(), 256);
    std::string buffer(1u << 18, '\0');
    Status walked = walk(source, format, [&](uint64_t from, uint64_t to) {
        while (from < to) {
            size_t n = source.read(from, buffer.data(),
                                   static_cast<size_t>(std::min<uint64_t>(buffer.size(), to - from)));
            if (n == 0)
                return false;
            av_sha_update(sha.get(), reinterpret_cast<const uint8_t*>(buffer.data()), n);
            from += n;
        }
        return true;
    });
    if (!walked)
        return walked.error();
    std::string digest(32, '\0');
    av_sha_final(sha.get(), reinterpret_cast<uint8_t*>(digest.data()));
    return text::hex(digest);
}

Result<Essence> essenceOf(const ByteSource& source, Format format) {
    Hasher hasher;
    Status walked =
        walk(source, format, [&](uint64_t a, uint64_t b) { return hasher.addRange(source, a, b); });
    if (!walked)
        return walked.error();
    return hasher.result();
}

namespace {

/// Where the last "OggS" is. Most of the bytes are sound, in which an O is rare.
size_t lastPage(std::string_view b) {
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

} // namespace

std::string whyCutShort(const ByteSource& source, Format format, bool thorough) {
    if (isOgg(format)) { // walking every page would read the whole file: the last page tells
        std::string_view b;
        size_t page = std::string::npos;
        for (size_t most : {size_t{12288}, size_t{65536 + 512}}) { // a page is rarely so long
            b = tailOf(source, source.size(), most);
            if ((page = lastPage(b)) != std::string::npos)
                break;
        }
        if (page == std::string::npos || b.size() < page + 27)
            return "The file is cut short in the middle of a page.";
        auto segments = static_cast<unsigned char>(b[page + 26]);
        size_t end = page + 27 + segments;
        for (size_t i = 0; i < segments && page + 27 + i < b.size(); ++i)
            end += static_cast<unsigned char>(b[page + 27 + i]);
        if (end > b.size())
            return "The file is cut short in the middle of a page.";
        return b[page + 5] & 4 ? "" : "The file is cut short: its last page is missing.";
    }
    Ranges parts;
    Status walked = walk(source, format, [&](uint64_t from, uint64_t to) {
        parts.emplace_back(from, to);
        return to <= source.size();
    });
    if (walked && format == Format::Flac && parts.size() == 2)
        return whyFlacCutShort(source, parts[0].first, parts[1].first, parts[1].second, thorough);
    if (walked && format == Format::Mp3)
        return whyMp3CutShort(source, parts[0].first, parts[0].second);
    return walked || walked.error().kind == ErrorKind::Unsupported ? std::string() : walked.error().message;
}

std::string contentHash(const ByteSource& source) {
    Hasher hasher;
    hasher.addRange(source, 0, source.size());
    return hasher.result().hash;
}

std::string bytesHash(std::string_view bytes) {
    Hasher hasher;
    hasher.add(bytes.data(), bytes.size());
    return hasher.result().hash;
}

} // namespace moorfrost::audio
