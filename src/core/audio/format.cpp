// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/audio/format.h"

#include <algorithm>

#include "core/text/text.h"

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
        {Format::OggVorbis, "Ogg Vorbis", {".ogg", ".oga"}},
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
    std::string ending = text::fold(path.extension().native());
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
        return Format::Unknown;
    }
    if ((b.starts_with("RIFF") || b.starts_with("RF64")) && b.substr(8, 4) == "WAVE")
        return Format::Wav;
    if (b.starts_with("FORM") && (b.substr(8, 4) == "AIFF" || b.substr(8, 4) == "AIFC"))
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
    if (mpegHeader(b, 0))
        return Format::Mp3;
    // A few stray bytes ahead of the first frame are common after an ID3v2 tag.
    if (start > 0) {
        std::string more = source.bytes(start, 4096);
        for (size_t i = 0; i + 4 <= more.size(); ++i)
            if (mpegHeader(more, i))
                return Format::Mp3;
    }
    return Format::Unknown;
}

} // namespace moorfrost::audio
