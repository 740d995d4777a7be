// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/disc/cd_text.h"

#include <algorithm>
#include <array>
#include <cstdint>

#include <unicode/ucnv.h>

#include "core/text/encodings.h"
#include "core/text/text.h"

namespace moorfrost::disc {

namespace {

enum Type : uint8_t {
    Title = 0x80,
    Performer,
    Songwriter,
    Composer,
    Arranger,
    Message,
    DiscId,
    Genre,
    Codes = 0x8E,
    Sizes = 0x8F
};

constexpr std::pair<uint8_t, const char*> textTypes[] = {{Title, "title"},           {Performer, "performer"},
                                                         {Songwriter, "songwriter"}, {Composer, "composer"},
                                                         {Arranger, "arranger"},     {Message, "message"}};

/// Of EBU Tech 3264, as far as music is sold in them.
constexpr std::pair<uint8_t, const char*> languages[] = {
    {0x01, "sq"}, {0x02, "br"}, {0x03, "ca"}, {0x04, "hr"}, {0x05, "cy"}, {0x06, "cs"}, {0x07, "da"},
    {0x08, "de"}, {0x09, "en"}, {0x0A, "es"}, {0x0B, "eo"}, {0x0C, "et"}, {0x0D, "eu"}, {0x0E, "fo"},
    {0x0F, "fr"}, {0x10, "fy"}, {0x11, "ga"}, {0x12, "gd"}, {0x13, "gl"}, {0x14, "is"}, {0x15, "it"},
    {0x16, "se"}, {0x17, "la"}, {0x18, "lv"}, {0x19, "lb"}, {0x1A, "lt"}, {0x1B, "hu"}, {0x1C, "mt"},
    {0x1D, "nl"}, {0x1E, "no"}, {0x1F, "oc"}, {0x20, "pl"}, {0x21, "pt"}, {0x22, "ro"}, {0x23, "rm"},
    {0x24, "sr"}, {0x25, "sk"}, {0x26, "sl"}, {0x27, "fi"}, {0x28, "sv"}, {0x29, "tr"}, {0x2A, "nl"},
    {0x2B, "wa"}, {0x65, "ko"}, {0x69, "ja"}, {0x70, "el"}, {0x75, "zh"}, {0x56, "ru"}};

constexpr uint8_t latin1 = 0x00, ascii = 0x01, japanese = 0x80, korean = 0x81, mandarin = 0x82;

uint8_t byteAt(std::string_view bytes, size_t at) {
    return static_cast<uint8_t>(bytes[at]);
}

/// CRC-16 of CCITT over the first 16 bytes, inverted.
uint16_t checksum(std::string_view pack) {
    uint16_t crc = 0;
    for (size_t i = 0; i < 16; ++i) {
        crc = static_cast<uint16_t>(crc ^ byteAt(pack, i) << 8);
        for (int bit = 0; bit < 8; ++bit)
            crc = static_cast<uint16_t>(crc & 0x8000 ? crc << 1 ^ 0x1021 : crc << 1);
    }
    return static_cast<uint16_t>(~crc);
}

struct Block {
    std::map<uint8_t, std::string> bytes; // of each type, one after the other
    std::map<uint8_t, int> first;         // the track that each begins with
    std::map<uint8_t, bool> wide;         // two bytes a character
    std::string sizes;
};

std::string decoded(const std::string& bytes, uint8_t charset) {
    std::optional<std::string> text;
    if (charset == japanese)
        text = text::decode(bytes, "ibm-943_P15A-2003");
    else if (charset == korean)
        text = text::decode(bytes, "windows-949-2000");
    else if (charset == mandarin)
        text = text::decode(bytes, "gb18030");
    if (!text && text::isUtf8(bytes)) // some write it all the same
        text = bytes;
    std::string out = text.value_or(text::fromLatin1(bytes));
    std::erase_if(out, [](char c) { return static_cast<unsigned char>(c) < 0x20 && c != '\t'; });
    return text::trim(out) == "" && out != "\t" ? std::string() : out;
}

/// The texts of one type, one after the other, ended by zeros.
std::vector<std::string> textsIn(const std::string& bytes, bool wide, uint8_t charset) {
    std::vector<std::string> out;
    std::string one;
    const size_t step = wide ? 2 : 1;
    for (size_t i = 0; i + step <= bytes.size(); i += step) {
        if (bytes[i] == 0 && (!wide || bytes[i + 1] == 0)) {
            out.push_back(decoded(one, charset));
            one.clear();
        } else {
            one.append(bytes, i, step);
        }
    }
    return out; // what is not ended was cut off
}

void take(const Block& from, CdTextBlock& to) {
    const uint8_t charset = from.sizes.empty() ? latin1 : byteAt(from.sizes, 0);
    const auto wideOf = [&](uint8_t type) {
        const auto it = from.wide.find(type);
        return it != from.wide.end() && it->second;
    };
    for (const auto& [type, name] : textTypes) {
        const auto it = from.bytes.find(type);
        if (it == from.bytes.end() || !from.first.contains(type)) // only the end of it is left
            continue;
        std::string before;
        int track = from.first.at(type);
        for (std::string& value : textsIn(it->second, wideOf(type), charset)) {
            if (text::trim(value).empty() && value.find('\t') != std::string::npos)
                value = before; // the same as of the track before
            std::erase(value, '\t');
            if (track > 99)
                break;
            if (!text::trim(value).empty())
                to.entries[track].texts[name] = text::trim(value);
            before = value;
            ++track;
        }
    }
    if (const auto it = from.bytes.find(Codes); it != from.bytes.end() && from.first.contains(Codes)) {
        int track = from.first.at(Codes);
        for (const std::string& code : textsIn(it->second, false, ascii)) {
            if (!code.empty() && track <= 99)
                to.entries[track].code = text::trim(code);
            ++track;
        }
    }
    if (const auto it = from.bytes.find(DiscId); it != from.bytes.end())
        if (const auto texts = textsIn(it->second, false, charset); !texts.empty())
            to.discId = text::trim(texts.front());
    if (const auto it = from.bytes.find(Genre); it != from.bytes.end() && it->second.size() > 2)
        if (const auto texts = textsIn(it->second.substr(2), false, charset); !texts.empty())
            to.genre = text::trim(texts.front()); // behind a number of the standard's own list
}

} // namespace

CdText decodeCdText(std::string_view packs) {
    CdText out;
    if (packs.size() % cdTextPackBytes == 4) // the header of a drive's answer
        packs.remove_prefix(4);
    std::array<Block, 8> blocks;
    std::array<bool, 8> any{};
    for (; packs.size() >= cdTextPackBytes; packs.remove_prefix(cdTextPackBytes)) {
        const std::string_view pack = packs.substr(0, cdTextPackBytes);
        const uint8_t type = byteAt(pack, 0);
        if (type < Title || type > Sizes)
            continue; // padding
        const auto stored = static_cast<uint16_t>(byteAt(pack, 16) << 8 | byteAt(pack, 17));
        if (stored != checksum(pack) && stored != 0) { // some writers leave it out
            ++out.damaged;
            continue;
        }
        Block& block = blocks[byteAt(pack, 3) >> 4 & 7];
        any[byteAt(pack, 3) >> 4 & 7] = true;
        const std::string_view text = pack.substr(4, 12);
        if (type == Sizes) {
            block.sizes += text;
            continue;
        }
        const int track = byteAt(pack, 1) & 0x7F, character = byteAt(pack, 3) & 15;
        std::string& bytes = block.bytes[type];
        if (bytes.empty() && !block.first.contains(type)) {
            block.first[type] = track;
            block.wide[type] = (byteAt(pack, 3) & 0x80) != 0;
            if (character > 0) { // its beginning is lost: what is whole begins behind the next end
                const size_t end = text.find('\0');
                if (end == std::string_view::npos) {
                    block.first.erase(type);
                    continue;
                }
                block.first[type] = track + 1;
                bytes += text.substr(end + 1);
                continue;
            }
        } else {
            // Where a pack was lost, the number of ended texts tells: those between are blank.
            const auto ended = static_cast<int>(std::ranges::count(bytes, '\0'));
            if (type != Genre && type != DiscId && !block.wide[type] && track > block.first[type] + ended) {
                const size_t last = bytes.rfind('\0');
                bytes.resize(last == std::string::npos ? 0 : last + 1);
                bytes.append(static_cast<size_t>(track - block.first[type] -
                                                 static_cast<int>(std::ranges::count(bytes, '\0'))),
                             '\0');
                if (character > 0) { // and of this one only the end is left
                    const size_t end = text.find('\0');
                    bytes += '\0';
                    if (end != std::string_view::npos)
                        bytes += text.substr(end + 1);
                    continue;
                }
            }
        }
        bytes += text;
    }
    for (size_t i = 0; i < blocks.size(); ++i) {
        if (!any[i])
            continue;
        CdTextBlock block;
        take(blocks[i], block);
        // Languages of all blocks stand in each table of sizes.
        for (const Block& b : blocks)
            if (b.sizes.size() >= 36 && block.language.empty())
                for (const auto& [code, name] : languages)
                    if (code == byteAt(b.sizes, 28 + i))
                        block.language = name;
        if (!block.entries.empty() || !block.genre.empty() || !block.discId.empty())
            out.blocks.push_back(std::move(block));
    }
    return out;
}

namespace {

std::string jisBytes(const std::string& text) {
    UErrorCode error = U_ZERO_ERROR;
    std::string out(text.size() * 2 + 8, '\0');
    const int32_t n = ucnv_convert("ibm-943_P15A-2003", "UTF-8", out.data(), static_cast<int32_t>(out.size()),
                                   text.data(), static_cast<int32_t>(text.size()), &error);
    out.resize(U_SUCCESS(error) && n > 0 ? static_cast<size_t>(n) : 0);
    return out;
}

} // namespace

std::string encodeCdText(const CdText& text) {
    std::string out;
    std::array<uint8_t, 8> last{}, spoken{};
    for (size_t i = 0; i < std::min<size_t>(8, text.blocks.size()); ++i)
        for (const auto& [code, name] : languages)
            if (text.blocks[i].language == name && spoken[i] == 0)
                spoken[i] = code;
    for (size_t i = 0; i < std::min<size_t>(8, text.blocks.size()); ++i) {
        const CdTextBlock& block = text.blocks[i];
        const bool jis = block.language == "ja";
        int lastTrack = 0;
        for (const auto& [track, entry] : block.entries)
            lastTrack = std::max(lastTrack, track);
        uint8_t sequence = 0;
        std::array<uint8_t, 16> counts{};
        auto put = [&](uint8_t type, int firstTrack, const std::vector<std::string>& texts, bool wide) {
            std::string all;
            std::vector<std::pair<int, size_t>> from; // of each byte: its track, where its text began
            for (size_t t = 0; t < texts.size(); ++t) {
                const size_t begin = all.size();
                all += texts[t] + std::string(wide ? 2 : 1, '\0');
                from.resize(all.size(), {firstTrack + static_cast<int>(t), begin});
            }
            for (size_t at = 0; at < all.size(); at += 12) {
                std::string pack;
                pack += static_cast<char>(type);
                pack += static_cast<char>(from[at].first);
                pack += static_cast<char>(sequence++);
                pack += static_cast<char>((wide ? 0x80 : 0) | i << 4 |
                                          std::min<size_t>(15, (at - from[at].second) / (wide ? 2 : 1)));
                pack += all.substr(at, 12);
                pack.resize(16, '\0');
                const uint16_t crc = checksum(pack);
                pack += static_cast<char>(crc >> 8);
                pack += static_cast<char>(crc & 255);
                out += pack;
                ++counts[type - Title];
            }
        };
        for (const auto& [type, name] : textTypes) {
            std::vector<std::string> texts;
            bool some = false;
            for (int track = 0; track <= lastTrack; ++track) {
                const auto entry = block.entries.find(track);
                const auto value = entry == block.entries.end()
                                       ? std::map<std::string, std::string>::const_iterator()
                                       : entry->second.texts.find(name);
                const bool has = entry != block.entries.end() && value != entry->second.texts.end();
                some = some || has;
                const std::string said = has ? value->second : std::string();
                texts.push_back(jis ? jisBytes(said) : text::toLatin1(said).value_or(said));
            }
            if (some)
                put(type, 0, texts, jis);
        }
        if (!block.discId.empty())
            put(DiscId, 0, {block.discId}, false);
        if (!block.genre.empty())
            put(Genre, 0, {std::string("\0\0", 2) + block.genre}, false);
        std::vector<std::string> codes;
        bool some = false;
        for (int track = 0; track <= lastTrack; ++track) {
            const auto entry = block.entries.find(track);
            codes.push_back(entry == block.entries.end() ? std::string() : entry->second.code);
            some = some || !codes.back().empty();
        }
        if (some)
            put(Codes, 0, codes, false);
        counts[Sizes - Title] = 3;
        last[i] = static_cast<uint8_t>(sequence + 2);
        std::string size;
        size += static_cast<char>(jis ? japanese : latin1);
        size += '\1';
        size += static_cast<char>(lastTrack);
        size += '\0';
        size.append(counts.begin(), counts.end());
        size.append(last.begin(), last.end());
        size.append(spoken.begin(), spoken.end());
        for (size_t part = 0; part < 3; ++part) {
            std::string pack;
            pack += static_cast<char>(Sizes);
            pack += static_cast<char>(part);
            pack += static_cast<char>(sequence++);
            pack += static_cast<char>(i << 4);
            pack += size.substr(part * 12, 12);
            const uint16_t crc = checksum(pack);
            pack += static_cast<char>(crc >> 8);
            pack += static_cast<char>(crc & 255);
            out += pack;
        }
    }
    return out;
}

} // namespace moorfrost::disc
