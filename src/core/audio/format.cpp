// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/audio/format.h"

#include <algorithm>
#include <array>

namespace moorfrost::audio {

namespace {

struct Known {
    Format format;
    const char* name;
    std::vector<std::string> extensions;
};

const std::vector<Known>& known() {
    static const std::vector<Known> table = {
        {Format::Mp3, "MP3", {".mp3", ".mp2"}},
        {Format::Flac, "FLAC", {".flac", ".fla"}},
        {Format::OggVorbis, "Ogg Vorbis", {".ogg"}},
        {Format::Opus, "Opus", {".opus"}},
        {Format::Speex, "Speex", {".spx"}},
        {Format::Mp4, "M4A", {".m4a", ".mp4", ".m4b"}},
        {Format::Wav, "WAV", {".wav", ".wave"}},
        {Format::Aiff, "AIFF", {".aiff", ".aif", ".aifc"}},
        {Format::WavPack, "WavPack", {".wv"}},
        {Format::MonkeysAudio, "Monkey's Audio", {".ape"}},
        {Format::Musepack, "Musepack", {".mpc"}},
        {Format::TrueAudio, "TrueAudio", {".tta"}},
        {Format::Asf, "WMA", {".wma", ".asf"}},
        {Format::OggFlac, "Ogg FLAC", {".oga"}},
        {Format::Dsf, "DSF", {".dsf"}},
        {Format::Dsdiff, "DSDIFF", {".dff"}},
        {Format::Ac3, "AC-3", {".ac3", ".eac3"}},
        {Format::Aac, "AAC", {".aac", ".adts"}},
        {Format::Tak, "TAK", {".tak"}},
        {Format::Dts, "DTS", {".dts"}},
        {Format::Au, "AU", {".au", ".snd"}},
        {Format::Caf, "CAF", {".caf"}},
        {Format::Wave64, "Wave64", {".w64"}},
        {Format::Amr, "AMR", {".amr"}},
        {Format::Matroska, "Matroska", {".mka", ".webm"}},
        {Format::Shorten, "Shorten", {".shn"}},
        {Format::Voc, "VOC", {".voc"}},
        {Format::TrueHd, "TrueHD", {".thd", ".mlp"}},
    };
    return table;
}

/// Whether an MPEG audio frame header (layer I to III) stands at `p`.
bool mpegHeader(const std::string& b, size_t p) {
    if (b.size() < p + 4)
        return false;
    auto at = [&](size_t i) { return static_cast<unsigned char>(b[p + i]); };
    return at(0) == 0xFF && (at(1) & 0xE0) == 0xE0 && (at(1) & 0x18) != 0x08 && (at(1) & 0x06) != 0 &&
           (at(2) & 0xF0) != 0xF0 && (at(2) & 0x0C) != 0x0C;
}

/// Whether three frames of MPEG audio, layer I to III, follow each other at `p`, all of the same kind
/// (ISO/IEC 11172-3, 2.4.1.3).
bool mpegFrames(const ByteSource& source, uint64_t p) {
    static constexpr std::array<std::array<int, 16>, 5> kbits = {{
        {0, 32, 64, 96, 128, 160, 192, 224, 256, 288, 320, 352, 384, 416, 448, 0}, // version 1, layer I
        {0, 32, 48, 56, 64, 80, 96, 112, 128, 160, 192, 224, 256, 320, 384, 0},    // II
        {0, 32, 40, 48, 56, 64, 80, 96, 112, 128, 160, 192, 224, 256, 320, 0},     // III
        {0, 32, 48, 56, 64, 80, 96, 112, 128, 144, 160, 176, 192, 224, 256, 0},    // version 2, layer I
        {0, 8, 16, 24, 32, 40, 48, 56, 64, 80, 96, 112, 128, 144, 160, 0},         // II, III
    }};
    static constexpr std::array<int, 3> rates = {44100, 48000, 32000};
    int kind = -1;
    for (int i = 0; i < 3; ++i) {
        std::string b = source.bytes(p, 4);
        if (b.size() < 4 || !mpegHeader(b, 0))
            return false;
        auto at = [&](size_t k) { return static_cast<unsigned char>(b[k]); };
        int version = at(1) >> 3 & 3, layer = 4 - (at(1) >> 1 & 3), code = at(2) >> 2 & 3;
        if (kind >= 0 && kind != (at(1) & 0xFE))
            return false;
        kind = at(1) & 0xFE;
        bool one = version == 3;
        size_t row = one ? static_cast<size_t>(layer - 1) : layer == 1 ? 3 : 4;
        int rate = rates[static_cast<size_t>(code)] >> (one ? 0 : version == 2 ? 1 : 2);
        int bits = kbits[row][at(2) >> 4] * 1000, padding = at(2) >> 1 & 1;
        if (bits == 0)
            return false;
        int length = layer == 1 ? (12 * bits / rate + padding) * 4
                                : (layer == 3 && !one ? 72 : 144) * bits / rate + padding;
        p += static_cast<uint64_t>(length);
    }
    return true;
}

/// Whether two frames of AAC with ADTS headers follow each other at `p` (ISO/IEC 13818-7, 6.2).
bool adtsFrames(const ByteSource& source, uint64_t p) {
    for (int i = 0; i < 2; ++i) {
        std::string b = source.bytes(p, 7);
        auto at = [&](size_t k) { return static_cast<unsigned char>(b[k]); };
        if (b.size() < 7 || at(0) != 0xFF || (at(1) & 0xF6) != 0xF0 || (at(2) & 0x3C) > (12 << 2))
            return false;
        uint64_t length = static_cast<uint64_t>((at(3) & 3) << 11 | at(4) << 3 | at(5) >> 5);
        if (length < 7)
            return false;
        p += length;
    }
    return true;
}

/// The formats that only FFmpeg reads, by their first bytes.
Format otherFormat(const ByteSource& source, const std::string& b, uint64_t start) {
    static const std::vector<std::pair<std::string_view, Format>> beginnings = {
        {"DSD ", Format::Dsf},
        {"\x0B\x77", Format::Ac3},
        {"tBaK", Format::Tak},
        {"\x7F\xFE\x80\x01", Format::Dts},
        {".snd", Format::Au},
        {"caff", Format::Caf},
        {"riff\x2E\x91\xCF\x11", Format::Wave64},
        {"#!AMR", Format::Amr},
        {"\x1A\x45\xDF\xA3", Format::Matroska},
        {"ajkg", Format::Shorten},
        {"Creative Voice File", Format::Voc}};
    for (const auto& [bytes, format] : beginnings)
        if (b.starts_with(bytes))
            return format;
    if (b.starts_with("FRM8") && b.size() >= 16 && b.substr(12, 4) == "DSD ")
        return Format::Dsdiff;
    if (b.size() >= 8 && b.substr(4, 3) == "\xF8\x72\x6F")
        return Format::TrueHd;
    return adtsFrames(source, start) ? Format::Aac : Format::Unknown;
}

} // namespace

std::string formatName(Format format) {
    for (const Known& k : known())
        if (k.format == format)
            return k.name;
    return "unknown";
}

Format formatFromName(std::string_view name) {
    for (const Known& k : known())
        if (name == k.name)
            return k.format;
    return Format::Unknown;
}

const std::vector<std::string>& extensionsOf(Format format) {
    static const std::vector<std::string> none;
    for (const Known& k : known())
        if (k.format == format)
            return k.extensions;
    return none;
}

Format formatByExtension(const Path& path) {
    const std::string& name = path.native();
    size_t dot = name.rfind('.');
    if (dot == std::string::npos || name.size() - dot > 6)
        return Format::Unknown;
    std::string ending = name.substr(dot);
    for (char& c : ending)
        c = c >= 'A' && c <= 'Z' ? static_cast<char>(c + 32) : c;
    for (const Known& k : known())
        if (std::find(k.extensions.begin(), k.extensions.end(), ending) != k.extensions.end())
            return k.format;
    return Format::Unknown;
}

uint64_t id3v2Length(const ByteSource& source, uint64_t offset) {
    std::string h = source.bytes(offset, 10);
    if (h.size() < 10 || !h.starts_with("ID3"))
        return 0;
    uint64_t size = 0;
    for (size_t i = 6; i < 10; ++i) {
        if (h[i] & 0x80)
            return 0;
        size = size << 7 | static_cast<unsigned char>(h[i]);
    }
    return size + 10 + (h[5] & 0x10 ? 10 : 0);
}

Format detectFormat(const ByteSource& source) {
    uint64_t start = 0;
    // More than one tag in front has been seen; padding with zeros after one too.
    for (int i = 0; i < 4; ++i) {
        uint64_t n = id3v2Length(source, start);
        if (n == 0)
            break;
        start += n;
    }
    std::string b = source.bytes(start, 64);
    if (b.starts_with("fLaC"))
        return Format::Flac;
    if (b.starts_with("OggS")) {
        std::string page = source.bytes(start, 512);
        if (page.find("OpusHead") != std::string::npos)
            return Format::Opus;
        if (page.find("Speex   ") != std::string::npos)
            return Format::Speex;
        if (page.find("\x01vorbis") != std::string::npos)
            return Format::OggVorbis;
        if (page.find("\x7F"
                      "FLAC") != std::string::npos)
            return Format::OggFlac;
        return Format::Unknown;
    }
    std::string_view kind = b.size() >= 12 ? std::string_view(b).substr(8, 4) : std::string_view();
    if ((b.starts_with("RIFF") || b.starts_with("RF64") || b.starts_with("BW64")) && kind == "WAVE")
        return Format::Wav;
    if (b.starts_with("FORM") && (kind == "AIFF" || kind == "AIFC"))
        return Format::Aiff;
    if (b.size() >= 12 && b.substr(4, 4) == "ftyp")
        return Format::Mp4;
    if (b.starts_with("wvpk"))
        return Format::WavPack;
    if (b.starts_with("MAC "))
        return Format::MonkeysAudio;
    if (b.starts_with("MPCK") || b.starts_with("MP+"))
        return Format::Musepack;
    if (b.starts_with("TTA1") || b.starts_with("TTA2"))
        return Format::TrueAudio;
    if (b.starts_with("\x30\x26\xB2\x75\x8E\x66\xCF\x11"))
        return Format::Asf;
    if (Format other = otherFormat(source, b, start); other != Format::Unknown)
        return other;
    if (mpegHeader(b, 0))
        return Format::Mp3;
    // Stray bytes ahead of the first frame are common: frames that follow each other tell.
    std::string more = source.bytes(start, 65536);
    for (size_t i = 0; i + 4 <= more.size(); ++i)
        if (more[i] == '\xFF' && mpegFrames(source, start + i))
            return Format::Mp3;
    return Format::Unknown;
}

} // namespace moorfrost::audio
