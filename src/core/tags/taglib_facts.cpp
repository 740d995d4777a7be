// SPDX-License-Identifier: GPL-3.0-or-later
// The pictures and the audio facts of a file that TagLib has open.
#include "core/tags/taglib_file.h"

#include <algorithm>

#include <taglib/aifffile.h>
#include <taglib/apefile.h>
#include <taglib/apetag.h>
#include <taglib/asffile.h>
#include <taglib/attachedpictureframe.h>
#include <taglib/flacfile.h>
#include <taglib/id3v1tag.h>
#include <taglib/id3v2framefactory.h>
#include <taglib/id3v2header.h>
#include <taglib/id3v2tag.h>
#include <taglib/infotag.h>
#include <taglib/mp4file.h>
#include <taglib/mpcfile.h>
#include <taglib/mpegfile.h>
#include <taglib/oggflacfile.h>
#include <taglib/opusfile.h>
#include <taglib/speexfile.h>
#include <taglib/textidentificationframe.h>
#include <taglib/tpropertymap.h>
#include <taglib/trueaudiofile.h>
#include <taglib/vorbisfile.h>
#include <taglib/wavfile.h>
#include <taglib/wavpackfile.h>
#include <taglib/xiphcomment.h>
#include <xxhash.h>

#include "core/audio/essence.h"
#include "core/audio/mpeg_info.h"
#include "core/audio/sound_parts.h"
#include "core/tags/picture.h"
#include "core/tags/taglib_maps.h"
#include "core/text/text.h"

namespace moorfrost::tags {

using audio::Format;

namespace {

void addPicture(std::vector<Picture>& out, bool withBytes, const std::string& type,
                const TagLib::ByteVector& data, const std::string& mime, const std::string& description,
                PictureSize size = {}) {
    std::string_view bytes(data.data(), data.size());
    PictureSize read = pictureSize(bytes);
    std::string byContent = pictureMime(bytes);
    Picture& p = out.emplace_back();
    p.info = {type,
              byContent.empty() ? mime : byContent,
              description,
              read.width ? read.width : size.width,
              read.height ? read.height : size.height,
              data.size(),
              XXH3_64bits(bytes.data(), bytes.size())};
    if (withBytes)
        p.data.assign(bytes);
}

/// The type in the name of an APE item, such as "Cover Art (Back)".
std::string apePictureType(const std::string& upperKey) {
    static const std::map<std::string, std::string> types = {
        {"FRONT", "front cover"},    {"BACK", "back cover"}, {"MEDIA", "medium"},
        {"LEAFLET", "booklet page"}, {"ARTIST", "artist"},   {"ICON", "file icon"}};
    size_t open = upperKey.find('('), close = upperKey.find(')');
    if (open == std::string::npos || close == std::string::npos || close < open)
        return "front cover";
    auto it = types.find(upperKey.substr(open + 1, close - open - 1));
    return it == types.end() ? "other" : it->second;
}

} // namespace

std::vector<Picture> readPictures(TagLib::File& file, Format format, bool withBytes) {
    std::vector<Picture> out;
    auto fromId3 = [&](const TagLib::ID3v2::Tag* tag) {
        if (!tag)
            return;
        for (const TagLib::ID3v2::Frame* frame : tag->frameListMap()["APIC"])
            if (const auto* p = dynamic_cast<const TagLib::ID3v2::AttachedPictureFrame*>(frame))
                addPicture(out, withBytes, pictureTypeName(p->type()), p->picture(), utf8(p->mimeType()),
                           utf8(p->description()));
    };
    auto fromFlac = [&](const TagLib::List<TagLib::FLAC::Picture*>& list) {
        for (const TagLib::FLAC::Picture* p : list)
            addPicture(out, withBytes, pictureTypeName(p->type()), p->data(), utf8(p->mimeType()),
                       utf8(p->description()), {p->width(), p->height()});
    };
    auto fromApe = [&](const TagLib::APE::Tag* tag) {
        if (!tag)
            return;
        for (const auto& [key, item] : tag->itemListMap()) {
            if (item.type() != TagLib::APE::Item::Binary || !key.upper().startsWith("COVER ART"))
                continue;
            TagLib::ByteVector data = item.binaryData();
            int zero = data.find('\0');
            auto length = static_cast<unsigned int>(std::max(0, zero));
            addPicture(out, withBytes, apePictureType(utf8(key.upper())),
                       zero >= 0 ? data.mid(length + 1) : data, {},
                       utf8(TagLib::String(data.mid(0, length), TagLib::String::UTF8)));
        }
    };
    switch (format) {
    case Format::Mp3: {
        auto& mpeg = static_cast<TagLib::MPEG::File&>(file);
        fromId3(mpeg.ID3v2Tag());
        fromApe(mpeg.APETag());
        break;
    }
    case Format::Wav:
        fromId3(static_cast<TagLib::RIFF::WAV::File&>(file).ID3v2Tag());
        break;
    case Format::Aiff:
        fromId3(static_cast<TagLib::RIFF::AIFF::File&>(file).tag());
        break;
    case Format::TrueAudio:
        fromId3(static_cast<TagLib::TrueAudio::File&>(file).ID3v2Tag());
        break;
    case Format::Flac: {
        auto& flac = static_cast<TagLib::FLAC::File&>(file);
        fromFlac(flac.pictureList());
        if (flac.hasXiphComment())
            fromFlac(flac.xiphComment()->pictureList());
        break;
    }
    case Format::OggVorbis:
        fromFlac(static_cast<TagLib::Ogg::Vorbis::File&>(file).tag()->pictureList());
        break;
    case Format::Opus:
        fromFlac(static_cast<TagLib::Ogg::Opus::File&>(file).tag()->pictureList());
        break;
    case Format::Speex:
        fromFlac(static_cast<TagLib::Ogg::Speex::File&>(file).tag()->pictureList());
        break;
    case Format::OggFlac:
        fromFlac(static_cast<TagLib::Ogg::FLAC::File&>(file).tag()->pictureList());
        break;
    case Format::WavPack:
        fromApe(static_cast<TagLib::WavPack::File&>(file).APETag());
        break;
    case Format::MonkeysAudio:
        fromApe(static_cast<TagLib::APE::File&>(file).APETag());
        break;
    case Format::Musepack:
        fromApe(static_cast<TagLib::MPC::File&>(file).APETag());
        break;
    case Format::Mp4:
        if (auto* tag = static_cast<TagLib::MP4::File&>(file).tag(); tag && tag->contains("covr"))
            for (const TagLib::MP4::CoverArt& art : tag->item("covr").toCoverArtList())
                addPicture(out, withBytes, "front cover", art.data(), {}, {});
        break;
    case Format::Asf:
        if (auto* tag = static_cast<TagLib::ASF::File&>(file).tag())
            for (const TagLib::ASF::Attribute& attribute : tag->attribute("WM/Picture"))
                if (TagLib::ASF::Picture p = attribute.toPicture(); p.isValid())
                    addPicture(out, withBytes, pictureTypeName(p.type()), p.picture(), utf8(p.mimeType()),
                               utf8(p.description()));
        break;
    default:
        break;
    }
    return out;
}

namespace {

/// "iTunSMPB": hexadecimal numbers; the second is the delay, the third the padding.
Gapless gaplessOfMp4(const TagLib::MP4::Tag* tag) {
    Gapless out;
    if (!tag)
        return out;
    std::vector<std::string> parts;
    for (const std::string& part :
         text::split(utf8(tag->item("----:com.apple.iTunes:iTunSMPB").toStringList().toString()), " "))
        if (!part.empty())
            parts.push_back(part);
    if (parts.size() < 3)
        return out;
    out.known = true;
    out.delay = static_cast<uint32_t>(std::strtoul(parts[1].c_str(), nullptr, 16));
    out.padding = static_cast<uint32_t>(std::strtoul(parts[2].c_str(), nullptr, 16));
    return out;
}

std::string vendorOf(TagLib::File& file, Format format) {
    const TagLib::Ogg::XiphComment* comment = nullptr;
    switch (format) {
    case Format::Flac:
        comment = static_cast<TagLib::FLAC::File&>(file).xiphComment();
        break;
    case Format::OggVorbis:
        comment = static_cast<TagLib::Ogg::Vorbis::File&>(file).tag();
        break;
    case Format::Opus:
        comment = static_cast<TagLib::Ogg::Opus::File&>(file).tag();
        break;
    case Format::Speex:
        comment = static_cast<TagLib::Ogg::Speex::File&>(file).tag();
        break;
    case Format::OggFlac:
        comment = static_cast<TagLib::Ogg::FLAC::File&>(file).tag();
        break;
    case Format::Wav:
        if (auto* info = static_cast<TagLib::RIFF::WAV::File&>(file).InfoTag())
            return utf8(info->fieldText("ISFT"));
        break;
    case Format::Asf:
        if (auto* tag = static_cast<TagLib::ASF::File&>(file).tag())
            if (auto list = tag->attribute("WM/EncodingSettings"); !list.isEmpty())
                return utf8(list.front().toString());
        break;
    default:
        break;
    }
    return comment ? utf8(comment->vendorID()) : std::string();
}

} // namespace

void readEncoding(TagLib::File& file, const ByteSource& source, Format format, Facts& facts) {
    facts.encoder = vendorOf(file, format);
    switch (format) {
    case Format::Mp3:
        if (auto info = audio::mpegInfo(source, audio::framesStart(source))) {
            facts.rateKind = info->variable ? RateKind::Variable : RateKind::Constant;
            facts.encoder = info->encoder;
            facts.gapless = {info->delay.has_value(), info->delay.value_or(0), info->padding.value_or(0)};
        }
        break;
    case Format::Opus:
        facts.rateKind = RateKind::Variable;
        break;
    case Format::OggVorbis:
        if (facts.rateKind == RateKind::Unknown)
            facts.rateKind = RateKind::Variable;
        break;
    case Format::Mp4:
        facts.gapless = gaplessOfMp4(static_cast<TagLib::MP4::File&>(file).tag());
        facts.rateKind = facts.codec == "ALAC" ? RateKind::Variable : RateKind::Unknown;
        break;
    case Format::Asf:
        if (auto* tag = static_cast<TagLib::ASF::File&>(file).tag())
            if (auto list = tag->attribute("IsVBR"); !list.isEmpty())
                facts.rateKind = list.front().toBool() ? RateKind::Variable : RateKind::Constant;
        break;
    case Format::Wav:
    case Format::Aiff:
        facts.rateKind = RateKind::Constant;
        break;
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

Facts factsOf(const audio::OggSound& sound, Format format) {
    Facts facts;
    facts.codec = format == Format::OggVorbis ? "Vorbis" : audio::formatName(format);
    facts.duration = sound.seconds < 100.0 * 86400 ? sound.seconds : 0;
    facts.sampleRate = sound.sampleRate;
    facts.channels = sound.channels;
    facts.bitrate = sound.bitrate;
    if (format == Format::Opus)
        facts.gapless = {true, sound.preSkip, 0};
    facts.rateKind = sound.constant ? RateKind::Constant : RateKind::Unknown;
    return facts;
}

Facts readFacts(TagLib::File& file, Format format) {
    Facts facts;
    const TagLib::AudioProperties* p = file.audioProperties();
    if (!p)
        return facts;
    // Damaged headers give any number; no recording lasts a hundred days.
    double seconds = p->lengthInMilliseconds() / 1000.0;
    facts.duration = seconds >= 0 && seconds < 100.0 * 86400 ? seconds : 0;
    facts.sampleRate = p->sampleRate();
    facts.channels = p->channels();
    facts.bitrate = std::clamp(p->bitrate(), 0, 2000000) * 1000;
    facts.codec = audio::formatName(format);
    switch (format) {
    case Format::Flac:
    case Format::OggFlac:
        facts.bitDepth = static_cast<const TagLib::FLAC::Properties*>(p)->bitsPerSample();
        break;
    case Format::Wav: {
        const auto* wav = static_cast<const TagLib::RIFF::WAV::Properties*>(p);
        facts.bitDepth = wav->bitsPerSample();
        facts.codec = wav->format() == 3 ? "PCM float" : "PCM";
        break;
    }
    case Format::Aiff:
        facts.bitDepth = static_cast<const TagLib::RIFF::AIFF::Properties*>(p)->bitsPerSample();
        facts.codec = "PCM";
        break;
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

} // namespace moorfrost::tags
