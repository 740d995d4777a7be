// SPDX-License-Identifier: GPL-3.0-or-later
// The pictures and the audio facts of a file that TagLib has open.
#include "core/tags/taglib_file.h"

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
#include <taglib/opusfile.h>
#include <taglib/speexfile.h>
#include <taglib/textidentificationframe.h>
#include <taglib/tpropertymap.h>
#include <taglib/trueaudiofile.h>
#include <taglib/vorbisfile.h>
#include <taglib/wavfile.h>
#include <taglib/wavpackfile.h>
#include <taglib/xiphcomment.h>

#include "core/tags/picture.h"

namespace moorfrost::tags {

using audio::Format;

namespace {

std::string utf8(const TagLib::String& s) {
    return s.to8Bit(true);
}

void addPicture(std::vector<Picture>& out, const std::string& type, const TagLib::ByteVector& data,
                const std::string& mime, const std::string& description, PictureSize size = {}) {
    Picture p;
    p.data.assign(data.data(), data.size());
    PictureSize read = pictureSize(p.data);
    std::string byContent = pictureMime(p.data);
    p.info = {type,
              byContent.empty() ? mime : byContent,
              description,
              read.width ? read.width : size.width,
              read.height ? read.height : size.height,
              data.size()};
    out.push_back(std::move(p));
}

} // namespace

std::vector<Picture> readPictures(TagLib::File& file, Format format) {
    std::vector<Picture> out;
    auto fromId3 = [&](const TagLib::ID3v2::Tag* tag) {
        if (!tag)
            return;
        for (const TagLib::ID3v2::Frame* frame : tag->frameListMap()["APIC"])
            if (const auto* p = dynamic_cast<const TagLib::ID3v2::AttachedPictureFrame*>(frame))
                addPicture(out, pictureTypeName(p->type()), p->picture(), utf8(p->mimeType()),
                           utf8(p->description()));
    };
    auto fromFlac = [&](const TagLib::List<TagLib::FLAC::Picture*>& list) {
        for (const TagLib::FLAC::Picture* p : list)
            addPicture(out, pictureTypeName(p->type()), p->data(), utf8(p->mimeType()),
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
            addPicture(out, key.upper().find("BACK") >= 0 ? "back cover" : "front cover",
                       zero >= 0 ? data.mid(static_cast<unsigned int>(zero) + 1) : data, {}, {});
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
                addPicture(out, "front cover", art.data(), {}, {});
        break;
    case Format::Asf:
        if (auto* tag = static_cast<TagLib::ASF::File&>(file).tag())
            for (const TagLib::ASF::Attribute& attribute : tag->attribute("WM/Picture"))
                if (TagLib::ASF::Picture p = attribute.toPicture(); p.isValid())
                    addPicture(out, pictureTypeName(p.type()), p.picture(), utf8(p.mimeType()),
                               utf8(p.description()));
        break;
    case Format::Unknown:
        break;
    }
    return out;
}

Facts readFacts(TagLib::File& file, Format format) {
    Facts facts;
    const TagLib::AudioProperties* p = file.audioProperties();
    if (!p)
        return facts;
    facts.duration = p->lengthInMilliseconds() / 1000.0;
    facts.sampleRate = p->sampleRate();
    facts.channels = p->channels();
    facts.bitrate = p->bitrate() * 1000;
    facts.codec = audio::formatName(format);
    if (const auto* flac = dynamic_cast<const TagLib::FLAC::Properties*>(p)) {
        facts.bitDepth = flac->bitsPerSample();
    } else if (const auto* wav = dynamic_cast<const TagLib::RIFF::WAV::Properties*>(p)) {
        facts.bitDepth = wav->bitsPerSample();
        facts.codec = wav->format() == 3 ? "PCM float" : "PCM";
    } else if (const auto* aiff = dynamic_cast<const TagLib::RIFF::AIFF::Properties*>(p)) {
        facts.bitDepth = aiff->bitsPerSample();
        facts.codec = "PCM";
    } else if (const auto* mp4 = dynamic_cast<const TagLib::MP4::Properties*>(p)) {
        bool lossless = mp4->codec() == TagLib::MP4::Properties::ALAC;
        facts.codec = lossless ? "ALAC" : "AAC";
        facts.bitDepth = lossless ? mp4->bitsPerSample() : 0;
    } else if (const auto* wv = dynamic_cast<const TagLib::WavPack::Properties*>(p)) {
        facts.bitDepth = wv->bitsPerSample();
    } else if (const auto* ape = dynamic_cast<const TagLib::APE::Properties*>(p)) {
        facts.bitDepth = ape->bitsPerSample();
    } else if (const auto* tta = dynamic_cast<const TagLib::TrueAudio::Properties*>(p)) {
        facts.bitDepth = tta->bitsPerSample();
    } else if (format == Format::OggVorbis) {
        facts.codec = "Vorbis";
    }
    return facts;
}

} // namespace moorfrost::tags
