// SPDX-License-Identifier: GPL-3.0-or-later
// The tags that a file has, each for itself, in the order in which they are believed.
#include <algorithm>

#include <taglib/aifffile.h>
#include <taglib/apefile.h>
#include <taglib/apetag.h>
#include <taglib/asffile.h>
#include <taglib/flacfile.h>
#include <taglib/id3v1tag.h>
#include <taglib/id3v2header.h>
#include <taglib/mp4file.h>
#include <taglib/mpcfile.h>
#include <taglib/mpegfile.h>
#include <taglib/oggflacfile.h>
#include <taglib/opusfile.h>
#include <taglib/speexfile.h>
#include <taglib/trueaudiofile.h>
#include <taglib/unknownframe.h>
#include <taglib/vorbisfile.h>
#include <taglib/wavfile.h>
#include <taglib/wavpackfile.h>
#include <taglib/xiphcomment.h>

#include "core/tags/asf_items.h"
#include "core/tags/chunk_texts.h"
#include "core/tags/mend.h"
#include "core/tags/mp4_index.h"
#include "core/tags/mp4_items.h"
#include "core/tags/taglib_maps.h"
#include "core/text/text.h"

namespace moorfrost::tags {

using audio::Format;

namespace {

class Parts {
public:
    void id3v2(const TagLib::ID3v2::Tag* tag) {
        if (!tag || tag->frameList().isEmpty())
            return;
        TagPart part{"ID3v2." + std::to_string(tag->header()->majorVersion()), id3Properties(*tag)};
        for (const TagLib::ID3v2::Frame* frame : tag->frameList()) {
            if (!dynamic_cast<const TagLib::ID3v2::UnknownFrame*>(frame))
                continue;
            std::string id(frame->frameID().data(), frame->frameID().size());
            // The parts of a date of version 2.3 were put into one by TagLib.
            if (id != "TDAT" && id != "TIME")
                part.unknown.push_back("ID3v2 frame " + id);
        }
        parts_.push_back(std::move(part));
    }
    void id3v1(const TagLib::ID3v1::Tag* tag) {
        if (tag && !tag->isEmpty())
            parts_.push_back({"ID3v1", fromMap(tag->properties())});
    }
    void ape(const TagLib::APE::Tag* tag) {
        if (!tag || tag->itemListMap().isEmpty())
            return;
        TagPart part{"APE", fromMap(tag->properties())};
        for (const auto& [key, item] : tag->itemListMap())
            if (item.type() != TagLib::APE::Item::Text && !key.upper().startsWith("COVER ART"))
                part.unknown.push_back("APE item " + utf8(key));
        parts_.push_back(std::move(part));
    }
    void comments(const TagLib::Ogg::XiphComment* comment, const ByteSource& source, Format format) {
        if (!comment)
            return;
        TagPart part{"Vorbis comment", fromMap(comment->fieldListMap()), {}};
        for (const RawComment& raw : badComments(source, format)) {
            if (raw.name.empty()) {
                part.unknown.emplace_back("comment without a name");
            } else { // TagLib drops it: taken byte by byte, as Latin-1
                part.properties[raw.name].push_back(utf8(TagLib::String(raw.value, TagLib::String::Latin1)));
                part.badText.push_back(keyFromName(raw.name));
            }
        }
        if (!part.properties.empty() || !part.unknown.empty())
            parts_.push_back(std::move(part));
    }
    void info(const TagLib::RIFF::Info::Tag* tag) {
        if (!tag || tag->fieldListMap().isEmpty())
            return;
        TagPart part{"INFO", infoProperties(*tag), {}};
        for (const auto& [id, value] : tag->fieldListMap()) {
            std::string name(id.data(), id.size());
            auto known = [&](const auto& pair) { return name == pair.second; };
            if (name != "ISFT" && std::none_of(infoIds().begin(), infoIds().end(), known))
                part.unknown.push_back("INFO item " + name);
        }
        parts_.push_back(std::move(part));
    }
    void add(TagPart part) { parts_.push_back(std::move(part)); }
    std::vector<TagPart> take() { return std::move(parts_); }

private:
    std::vector<TagPart> parts_;
};

} // namespace

std::vector<TagPart> readParts(TagLib::File& file, const ByteSource& source, Format format) {
    Parts parts;
    switch (format) {
    case Format::Mp3: {
        auto& f = static_cast<TagLib::MPEG::File&>(file);
        parts.id3v2(f.hasID3v2Tag() ? f.ID3v2Tag() : nullptr);
        parts.ape(f.hasAPETag() ? f.APETag() : nullptr);
        parts.id3v1(f.hasID3v1Tag() ? f.ID3v1Tag() : nullptr);
        break;
    }
    case Format::Wav: {
        auto& f = static_cast<TagLib::RIFF::WAV::File&>(file);
        parts.id3v2(f.ID3v2Tag());
        parts.info(f.InfoTag());
        break;
    }
    case Format::Aiff:
        parts.id3v2(static_cast<TagLib::RIFF::AIFF::File&>(file).tag());
        if (Properties texts = aiffTexts(source); !texts.empty())
            parts.add({"AIFF text", std::move(texts)});
        break;
    case Format::TrueAudio: {
        auto& f = static_cast<TagLib::TrueAudio::File&>(file);
        parts.id3v2(f.hasID3v2Tag() ? f.ID3v2Tag() : nullptr);
        parts.id3v1(f.hasID3v1Tag() ? f.ID3v1Tag() : nullptr);
        break;
    }
    case Format::Mp4:
        if (auto* tag = static_cast<TagLib::MP4::File&>(file).tag(); tag && !tag->isEmpty()) {
            TagPart part{"MP4", {}};
            part.properties = mp4Properties(*tag, part.unknown);
            for (std::string& name : mp4Dropped(*tag, source))
                part.unknown.push_back(std::move(name));
            parts.add(std::move(part));
        }
        break;
    case Format::Flac: {
        auto& f = static_cast<TagLib::FLAC::File&>(file);
        parts.comments(f.hasXiphComment() ? f.xiphComment() : nullptr, source, format);
        parts.id3v2(f.hasID3v2Tag() ? f.ID3v2Tag() : nullptr);
        parts.id3v1(f.hasID3v1Tag() ? f.ID3v1Tag() : nullptr);
        break;
    }
    case Format::OggVorbis:
        parts.comments(static_cast<TagLib::Ogg::Vorbis::File&>(file).tag(), source, format);
        break;
    case Format::Opus:
        parts.comments(static_cast<TagLib::Ogg::Opus::File&>(file).tag(), source, format);
        break;
    case Format::Speex:
        parts.comments(static_cast<TagLib::Ogg::Speex::File&>(file).tag(), source, format);
        break;
    case Format::OggFlac:
        parts.comments(static_cast<TagLib::Ogg::FLAC::File&>(file).tag(), source, format);
        break;
    case Format::WavPack: {
        auto& f = static_cast<TagLib::WavPack::File&>(file);
        parts.ape(f.hasAPETag() ? f.APETag() : nullptr);
        parts.id3v1(f.hasID3v1Tag() ? f.ID3v1Tag() : nullptr);
        break;
    }
    case Format::MonkeysAudio: {
        auto& f = static_cast<TagLib::APE::File&>(file);
        parts.ape(f.hasAPETag() ? f.APETag() : nullptr);
        parts.id3v1(f.hasID3v1Tag() ? f.ID3v1Tag() : nullptr);
        break;
    }
    case Format::Musepack: {
        auto& f = static_cast<TagLib::MPC::File&>(file);
        parts.ape(f.hasAPETag() ? f.APETag() : nullptr);
        parts.id3v1(f.hasID3v1Tag() ? f.ID3v1Tag() : nullptr);
        break;
    }
    case Format::Asf:
        if (auto* tag = static_cast<TagLib::ASF::File&>(file).tag(); tag && !tag->isEmpty()) {
            TagPart part{"WMA attributes", {}};
            part.properties = asfProperties(*tag, part.unknown);
            parts.add(std::move(part));
        }
        break;
    default:
        break;
    }
    return parts.take();
}

Fields fieldsOf(const std::vector<TagPart>& parts) {
    if (parts.size() == 1)
        return fieldsFromProperties(parts.front().properties);
    Properties together;
    for (const TagPart& part : parts)
        for (const auto& [key, values] : part.properties)
            together.try_emplace(key, values);
    return fieldsFromProperties(together);
}

namespace {

/// ID3v1 holds 30 bytes of a text, four digits of a date, and one of a list of genres.
bool saysTheSame(const std::string& tag, const std::string& key, const std::vector<std::string>& shown,
                 const std::vector<std::string>& values) {
    if (shown == values)
        return true;
    if (tag != "ID3v1" || shown.empty() || values.size() != 1)
        return false;
    const std::string& v = values.front();
    if (key == "track" || key == "tracks")
        return std::strtol(v.c_str(), nullptr, 10) == std::strtol(shown.front().c_str(), nullptr, 10);
    bool isCut = key == "date" || v.size() >= 28;
    return v == shown.front() || (isCut && shown.front().starts_with(v));
}

} // namespace

std::vector<Difference> differencesOf(const std::vector<TagPart>& parts, const Fields& shown) {
    std::vector<Difference> out;
    for (size_t i = 1; i < parts.size(); ++i)
        for (const auto& [key, values] : fieldsFromProperties(parts[i].properties))
            if (auto it = shown.find(key);
                it != shown.end() && !saysTheSame(parts[i].name, key, it->second, values))
                out.push_back({key, parts[i].name, values});
    return out;
}

} // namespace moorfrost::tags
