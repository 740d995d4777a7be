// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/tags/facts.h"

#include <algorithm>
#include <cmath>
#include <cstdlib>

#include <taglib/apefile.h>
#include <taglib/asffile.h>
#include <taglib/id3v2framefactory.h>
#include <taglib/mp4file.h>
#include <taglib/mpcfile.h>
#include <taglib/mpegfile.h>
#include <taglib/oggflacfile.h>
#include <taglib/opusfile.h>
#include <taglib/speexfile.h>
#include <taglib/trueaudiofile.h>
#include <taglib/vorbisfile.h>
#include <taglib/wavpackfile.h>

#include "core/audio/cut_short.h"
#include "core/audio/mpeg_info.h"
#include "core/audio/ogg.h"
#include "core/audio/parts.h"
#include "core/audio/sound_parts.h"
#include "core/base/numbers.h"
#include "core/text/text.h"

namespace moorfrost::tags {

using audio::Format;

namespace {

constexpr double longest = 100.0 * 86400; // seconds: damaged headers give any number

double plausible(double seconds) {
    return seconds >= 0 && seconds < longest ? seconds : 0;
}

int bitsPerSecond(uint64_t bytes, double seconds) {
    return seconds > 0 ? static_cast<int>(std::min(static_cast<double>(bytes) * 8 / seconds, 2e9)) : 0;
}

/// What a STREAMINFO block says (RFC 9639, 8.2).
std::optional<Facts> fromStreamInfo(std::string_view b, uint64_t& samples) {
    if (b.size() < 18)
        return std::nullopt;
    Facts facts;
    facts.codec = "FLAC";
    facts.sampleRate = static_cast<int>(bigEndian(b.substr(10, 3)) >> 4);
    facts.channels = (static_cast<uint8_t>(b[12]) >> 1 & 7) + 1;
    facts.bitDepth = ((static_cast<uint8_t>(b[12]) & 1) << 4 | static_cast<uint8_t>(b[13]) >> 4) + 1;
    samples = uint64_t{static_cast<uint8_t>(b[13]) & 15u} << 32 | bigEndian(b.substr(14, 4));
    if (facts.sampleRate == 0)
        return std::nullopt;
    return facts;
}

std::optional<Facts> flacFacts(const ByteSource& s) {
    struct Part {
        uint64_t from, to;
    };
    std::vector<Part> parts; // STREAMINFO, frames
    const Status walked = audio::walkSound(s, Format::Flac, [&](uint64_t from, uint64_t to) {
        parts.push_back({from, to});
        return true;
    });
    if (parts.empty() || (!walked && walked.error().kind != ErrorKind::Damaged))
        return std::nullopt;
    uint64_t samples = 0;
    auto facts = fromStreamInfo(s.bytes(parts[0].from, 18), samples);
    if (!facts)
        return std::nullopt;
    if (parts.size() == 2 && samples == 0) // encoded from a pipe: the last frame tells
        samples = audio::flacSamples(s, parts[0].from, parts[1].from, parts[1].to).value_or(0);
    facts->duration = plausible(static_cast<double>(samples) / facts->sampleRate);
    if (parts.size() == 2)
        facts->bitrate = bitsPerSecond(parts[1].to - parts[1].from, facts->duration) / 1000 * 1000;
    return facts;
}

std::optional<Facts> oggFlacFacts(const ByteSource& s) {
    using namespace std::string_view_literals;
    const std::string first = s.bytes(0, 128);
    const size_t at = first.find("\x7F"
                                 "FLAC"sv);
    if (at == std::string::npos || first.size() < at + 13 + 4 + 18 || first.compare(at + 9, 4, "fLaC") != 0)
        return std::nullopt;
    uint64_t samples = 0;
    auto facts = fromStreamInfo(std::string_view(first).substr(at + 13 + 4), samples);
    if (!facts)
        return std::nullopt;
    if (const auto last = audio::lastOggPage(s); samples == 0 && last && last->granule != UINT64_MAX)
        samples = last->granule;
    facts->duration = plausible(static_cast<double>(samples) / facts->sampleRate);
    return facts;
}

/// The chunks of a WAV or AIFF with the last one cut where the file ends.
std::vector<audio::Part> chunksToTheEnd(const ByteSource& s, bool big) {
    std::vector<audio::Part> out;
    const audio::LongChunks longer = big ? audio::LongChunks() : audio::longChunks(s);
    for (uint64_t at = 12; out.size() < 100000;) {
        auto chunk = audio::chunkAt(s, at, big, longer);
        if (!chunk)
            break;
        chunk->end = std::min(chunk->end, s.size());
        at = chunk->nextChunk();
        out.push_back(std::move(*chunk));
    }
    return out;
}

std::optional<Facts> wavFacts(const ByteSource& s) {
    Facts facts;
    uint64_t bytes = 0, samples = 0, rate = 0;
    unsigned kind = 0;
    for (const audio::Part& chunk : chunksToTheEnd(s, false)) {
        if (chunk.id == "fmt " && facts.sampleRate == 0) {
            const std::string content =
                s.bytes(chunk.content, static_cast<size_t>(std::min<uint64_t>(40, chunk.length())));
            const std::string_view b = content;
            if (b.size() < 16)
                return std::nullopt;
            kind = littleEndian(b.substr(0, 2));
            if (kind == 0xFFFE && b.size() >= 26) // the kind stands in the extension
                kind = littleEndian(b.substr(24, 2));
            facts.channels = static_cast<int>(littleEndian(b.substr(2, 2)));
            facts.sampleRate = static_cast<int>(littleEndian(b.substr(4, 4)) & 0x7FFFFFFF);
            rate = littleEndian(b.substr(8, 4));
            facts.bitDepth = static_cast<int>(littleEndian(b.substr(14, 2)));
        } else if (chunk.id == "data") {
            bytes += chunk.length();
        } else if (chunk.id == "fact" && chunk.length() >= 4) {
            samples = littleEndian(s.bytes(chunk.content, 4));
        }
    }
    if (facts.sampleRate == 0)
        return std::nullopt;
    facts.codec = kind == 3 ? "PCM float" : "PCM";
    if (kind != 1 && kind != 3 && samples > 0)
        facts.duration = plausible(static_cast<double>(samples) / facts.sampleRate);
    else if (rate > 0)
        facts.duration = plausible(static_cast<double>(bytes) / static_cast<double>(rate));
    facts.bitrate = bitsPerSecond(bytes, facts.duration) / 1000 * 1000;
    return facts;
}

/// A number of 80 bits as IEEE 754 has them.
double extended(std::string_view b) {
    const int exponent = static_cast<int>(bigEndian(b.substr(0, 2)) & 0x7FFF) - 16383 - 63;
    const uint64_t mantissa = uint64_t{bigEndian(b.substr(2, 4))} << 32 | bigEndian(b.substr(6, 4));
    return exponent > 64 ? 0 : std::ldexp(static_cast<double>(mantissa), exponent);
}

std::optional<Facts> aiffFacts(const ByteSource& s) {
    Facts facts;
    uint64_t bytes = 0, frames = 0;
    for (const audio::Part& chunk : chunksToTheEnd(s, true)) {
        if (chunk.id == "COMM" && facts.sampleRate == 0) {
            const std::string b = s.bytes(chunk.content, 18);
            if (b.size() < 18)
                return std::nullopt;
            facts.channels = static_cast<int>(bigEndian(std::string_view(b).substr(0, 2)));
            frames = bigEndian(std::string_view(b).substr(2, 4));
            facts.bitDepth = static_cast<int>(bigEndian(std::string_view(b).substr(6, 2)));
            facts.sampleRate =
                static_cast<int>(std::clamp(extended(std::string_view(b).substr(8, 10)), 0.0, 1e9));
        } else if (chunk.id == "SSND") {
            bytes = chunk.length();
        }
    }
    if (facts.sampleRate == 0)
        return std::nullopt;
    facts.codec = "PCM";
    facts.duration = plausible(static_cast<double>(frames) / facts.sampleRate);
    facts.bitrate = bitsPerSecond(bytes, facts.duration) / 1000 * 1000;
    return facts;
}

Facts factsOf(const audio::OggSound& sound, Format format) {
    Facts facts;
    facts.codec = format == Format::OggVorbis ? "Vorbis" : audio::formatName(format);
    facts.duration = plausible(sound.seconds);
    facts.sampleRate = sound.sampleRate;
    facts.channels = sound.channels;
    facts.bitrate = sound.bitrate;
    if (format == Format::Opus)
        facts.gapless = {true, sound.preSkip, 0};
    facts.rateKind = sound.constant ? RateKind::Constant : RateKind::Unknown;
    return facts;
}

std::unique_ptr<TagLib::File> openWithTagLib(TagLib::IOStream* stream, Format format) {
    const auto style = TagLib::AudioProperties::Average;
    auto* frames = TagLib::ID3v2::FrameFactory::instance();
    stream->seek(0);
    switch (format) {
    case Format::Mp3:
        return std::make_unique<TagLib::MPEG::File>(stream, frames, true, style);
    case Format::OggVorbis:
        return std::make_unique<TagLib::Ogg::Vorbis::File>(stream, true, style);
    case Format::Opus:
        return std::make_unique<TagLib::Ogg::Opus::File>(stream, true, style);
    case Format::Speex:
        return std::make_unique<TagLib::Ogg::Speex::File>(stream, true, style);
    case Format::Mp4:
        return std::make_unique<TagLib::MP4::File>(stream, true, style);
    case Format::WavPack:
        return std::make_unique<TagLib::WavPack::File>(stream, true, style);
    case Format::MonkeysAudio:
        return std::make_unique<TagLib::APE::File>(stream, true, style);
    case Format::Musepack:
        return std::make_unique<TagLib::MPC::File>(stream, true, style);
    case Format::TrueAudio:
        return std::make_unique<TagLib::TrueAudio::File>(stream, frames, true, style);
    case Format::Asf:
        return std::make_unique<TagLib::ASF::File>(stream, true, style);
    default:
        return nullptr;
    }
}

std::optional<Facts> factsByTagLib(OverlayStream& stream, Format format) {
    auto file = openWithTagLib(&stream, format);
    if (!file || !file->isValid())
        return std::nullopt;
    Facts facts;
    const TagLib::AudioProperties* p = file->audioProperties();
    if (!p)
        return facts;
    facts.duration = plausible(p->lengthInMilliseconds() / 1000.0);
    facts.sampleRate = p->sampleRate();
    facts.channels = p->channels();
    facts.bitrate = std::clamp(p->bitrate(), 0, 2000000) * 1000;
    facts.codec = audio::formatName(format);
    switch (format) {
    case Format::Mp4: {
        const auto* mp4 = static_cast<const TagLib::MP4::Properties*>(p);
        const bool lossless = mp4->codec() == TagLib::MP4::Properties::ALAC;
        facts.codec = lossless ? "ALAC" : "AAC";
        facts.bitDepth = lossless ? mp4->bitsPerSample() : 0;
        break;
    }
    case Format::WavPack:
        facts.bitDepth = static_cast<const TagLib::WavPack::Properties*>(p)->bitsPerSample();
        break;
    case Format::MonkeysAudio:
        facts.bitDepth = static_cast<const TagLib::APE::Properties*>(p)->bitsPerSample();
        break;
    case Format::TrueAudio:
        facts.bitDepth = static_cast<const TagLib::TrueAudio::Properties*>(p)->bitsPerSample();
        break;
    case Format::OggVorbis:
        facts.codec = "Vorbis";
        break;
    default:
        break;
    }
    return facts;
}

} // namespace

std::optional<Facts> readFacts(OverlayStream& stream, Format format) {
    switch (format) {
    case Format::Flac:
        return flacFacts(stream);
    case Format::OggFlac:
        return oggFlacFacts(stream);
    case Format::Wav:
        return wavFacts(stream);
    case Format::Aiff:
        return aiffFacts(stream);
    case Format::OggVorbis:
    case Format::Opus:
        if (const auto sound = audio::oggSound(stream, format))
            return factsOf(*sound, format);
        return factsByTagLib(stream, format);
    default:
        return factsByTagLib(stream, format);
    }
}

void readEncoding(const ByteSource& source, Format format, Facts& facts) {
    switch (format) {
    case Format::Mp3:
        if (auto info = audio::mpegInfo(source, audio::framesStart(source))) {
            facts.rateKind = info->variable ? RateKind::Variable : RateKind::Constant;
            facts.encoder = info->encoder;
            facts.gapless = {info->delay.has_value(), info->delay.value_or(0), info->padding.value_or(0)};
        }
        break;
    case Format::OggVorbis:
        if (facts.rateKind == RateKind::Unknown)
            facts.rateKind = RateKind::Variable;
        break;
    case Format::Mp4:
        facts.rateKind = facts.codec == "ALAC" ? RateKind::Variable : RateKind::Unknown;
        break;
    case Format::Wav:
    case Format::Aiff:
        facts.rateKind = RateKind::Constant;
        break;
    case Format::Opus:
    case Format::Flac:
    case Format::OggFlac:
    case Format::WavPack:
    case Format::MonkeysAudio:
    case Format::TrueAudio:
    case Format::Musepack:
        facts.rateKind = RateKind::Variable;
        break;
    default:
        break;
    }
}

Gapless gaplessOfMp4(const std::string& text) {
    Gapless out;
    std::vector<std::string> parts;
    for (const std::string& part : text::split(text, " "))
        if (!part.empty())
            parts.push_back(part);
    if (parts.size() < 3)
        return out;
    out.known = true;
    out.delay = static_cast<uint32_t>(std::strtoul(parts[1].c_str(), nullptr, 16));
    out.padding = static_cast<uint32_t>(std::strtoul(parts[2].c_str(), nullptr, 16));
    return out;
}

} // namespace moorfrost::tags
