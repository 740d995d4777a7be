// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/tags/refit.h"

#include <optional>

#include "core/base/numbers.h"

namespace moorfrost::tags {

using audio::Format;

namespace {

constexpr uint64_t newPadding = 4096;

struct FlacBlocks {
    uint64_t end = 0;     // where the audio begins
    uint64_t padding = 0; // where the last block begins, if it is padding
    uint64_t before = 0;  // where the block before that begins
};

std::optional<FlacBlocks> flacBlocks(const ByteSource& s) {
    FlacBlocks out;
    uint64_t at = audio::id3v2Length(s, 0);
    if (s.bytes(at, 4) != "fLaC")
        return std::nullopt;
    at += 4;
    uint64_t previous = 0;
    for (bool last = false; !last;) {
        std::string h = s.bytes(at, 4);
        if (h.size() < 4)
            return std::nullopt;
        last = (h[0] & 0x80) != 0;
        if (last && (h[0] & 0x7F) == 1) {
            out.padding = at;
            out.before = previous;
        }
        previous = at;
        at += 4 + bigEndian(std::string_view(h).substr(1));
    }
    out.end = at;
    return out;
}

void refitFlac(OverlayStream& stream) {
    auto old = flacBlocks(*stream.original()), now = flacBlocks(stream);
    if (!old || !now || old->end == now->end || now->padding == 0)
        return;
    uint64_t wanted = now->padding; // everything but padding
    if (wanted + 4 <= old->end && old->end - wanted - 4 < (1u << 24)) {
        auto zeros = static_cast<uint32_t>(old->end - wanted - 4);
        stream.replaceRange(now->padding, now->end - now->padding,
                            "\x81" + asBigEndian(zeros, 3) + std::string(zeros, '\0'));
    } else if (wanted == old->end) { // it fits without any padding
        char type = stream.bytes(now->before, 1)[0];
        stream.replaceRange(now->padding, now->end - now->padding, {});
        stream.replaceRange(now->before, 1, std::string(1, static_cast<char>(type | 0x80)));
    }
}

/// Where the frames of the ID3v2 tag at the beginning end, 0 if that cannot be told.
uint64_t framesEnd(const ByteSource& s, uint64_t length) {
    std::string head = s.bytes(0, 10);
    if (head.size() < 10 || head[3] < 3 || (head[5] & 0x7F) != 0) // flags: nothing that TagLib writes
        return 0;
    uint64_t at = 10;
    while (at + 10 <= length) {
        std::string h = s.bytes(at, 10);
        if (h.size() < 10 || h[0] == 0)
            break;
        uint32_t size = bigEndian(std::string_view(h).substr(4, 4));
        if (head[3] == 4) // seven bits a byte
            size = synchSafe(std::string_view(h).substr(4, 4));
        at += 10 + uint64_t{size};
    }
    return at <= length ? at : 0;
}

void refitId3v2(OverlayStream& stream) {
    uint64_t old = audio::id3v2Length(*stream.original(), 0), now = audio::id3v2Length(stream, 0);
    if (old == 0 || now == 0 || old == now)
        return;
    uint64_t used = framesEnd(stream, now);
    if (used == 0)
        return;
    uint64_t total = used <= old ? old : used + newPadding;
    if (total - 10 >= (1u << 28))
        return;
    stream.replaceRange(used, now - used, std::string(static_cast<size_t>(total - used), '\0'));
    auto n = static_cast<uint32_t>(total - 10);
    stream.replaceRange(
        6, 4,
        asBigEndian((n >> 21 & 0x7F) << 24 | (n >> 14 & 0x7F) << 16 | (n >> 7 & 0x7F) << 8 | (n & 0x7F), 4));
}

/// Where the audio chunk begins, 0 if there is none.
uint64_t riffData(const ByteSource& s) {
    for (uint64_t at = 12; at + 8 <= s.size();) {
        std::string h = s.bytes(at, 8);
        if (h.size() < 8)
            return 0;
        if (h.starts_with("data"))
            return at;
        uint64_t length = littleEndian(std::string_view(h).substr(4));
        at += 8 + length + (length & 1);
    }
    return 0;
}

void refitRiff(OverlayStream& stream) {
    uint64_t old = riffData(*stream.original()), now = riffData(stream);
    if (now == 0 || old < now + 8)
        return;
    // A chunk in front of the audio went to the end: an empty one takes its room.
    auto gap = static_cast<uint32_t>(old - now - 8);
    stream.replaceRange(now, 0, "JUNK" + asLittleEndian(gap) + std::string(gap, '\0'));
    stream.replaceRange(4, 4, asLittleEndian(static_cast<uint32_t>(stream.size() - 8)));
}

struct OggPage {
    uint64_t at = 0, data = 0, length = 0; // header, payload
    std::string lacing;
    std::string serial;
};

std::optional<OggPage> oggPage(const ByteSource& s, uint64_t at) {
    std::string h = s.bytes(at, 27);
    if (h.size() < 27 || !h.starts_with("OggS"))
        return std::nullopt;
    OggPage page;
    page.at = at;
    page.lacing = s.bytes(at + 27, static_cast<unsigned char>(h[26]));
    page.data = at + 27 + page.lacing.size();
    page.serial = h.substr(14, 4);
    for (char c : page.lacing)
        page.length += static_cast<unsigned char>(c);
    return page;
}

/// Where the bytes of the second packet lie, page by page. Empty where the stream is not plain enough to
/// tell.
std::vector<std::pair<OggPage, uint64_t>> commentPages(const ByteSource& s) {
    auto first = oggPage(s, 0);
    if (!first || first->lacing.empty() || first->lacing.back() == '\xFF')
        return {};
    std::vector<std::pair<OggPage, uint64_t>> pages;
    for (uint64_t at = first->data + first->length;;) {
        auto page = oggPage(s, at);
        if (!page || page->serial != first->serial || pages.size() > 4096)
            return {};
        uint64_t bytes = 0;
        bool ends = false;
        for (char c : page->lacing) {
            bytes += static_cast<unsigned char>(c);
            if (c != '\xFF') {
                ends = true;
                break;
            }
        }
        pages.emplace_back(*page, bytes);
        if (ends)
            return pages;
        at = page->data + page->length;
    }
}

} // namespace

void refit(OverlayStream& stream, Format format) {
    if (format == Format::Flac)
        refitFlac(stream);
    else if (format == Format::Mp3 || format == Format::TrueAudio)
        refitId3v2(stream);
    else if (format == Format::Wav)
        refitRiff(stream);
}

std::string oggComment(const ByteSource& source, uint64_t most) {
    std::string out;
    for (const auto& [page, bytes] : commentPages(source))
        if (out.size() + bytes <= most)
            out += source.bytes(page.data, static_cast<size_t>(bytes));
    return out;
}

bool saveOggComment(TagLib::Ogg::File& file, OverlayStream& stream, const TagLib::ByteVector& packet) {
    auto pages = commentPages(stream);
    uint64_t room = 0;
    for (const auto& [page, bytes] : pages)
        room += bytes;
    if (pages.empty() || packet.size() > room) {
        TagLib::ByteVector padded = packet;
        padded.resize(static_cast<unsigned int>(packet.size() + newPadding), 0);
        file.setPacket(1, padded);
        return file.TagLib::Ogg::File::save();
    }
    std::string bytes(packet.data(), packet.size());
    bytes.resize(static_cast<size_t>(room), '\0');
    uint64_t done = 0;
    for (const auto& [page, length] : pages) {
        stream.replaceRange(
            page.data, length,
            std::string_view(bytes).substr(static_cast<size_t>(done), static_cast<size_t>(length)));
        done += length;
        stream.replaceRange(page.at + 22, 4, std::string(4, '\0'));
        std::string all = stream.bytes(page.at, static_cast<size_t>(page.data - page.at + page.length));
        unsigned int sum = TagLib::ByteVector(all.data(), static_cast<unsigned int>(all.size())).checksum();
        stream.replaceRange(page.at + 22, 4, asLittleEndian(sum));
    }
    return true;
}

} // namespace moorfrost::tags
