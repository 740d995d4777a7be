// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/tags/taglib_file.h"

#include <algorithm>
#include <set>

#include <taglib/apefile.h>
#include <taglib/apetag.h>
#include <taglib/asffile.h>
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

#include "core/tags/asf_items.h"
#include "core/tags/chunk_texts.h"
#include "core/tags/mp4_items.h"
#include "core/tags/refit.h"
#include "core/tags/taglib_maps.h"
#include "core/text/text.h"

namespace moorfrost::tags {

using audio::Format;

namespace {

void changeMap(TagLib::PropertyMap& map, const Properties& changes) {
    if (changes.contains("PERFORMER:*")) {
        std::vector<TagLib::String> gone;
        for (const auto& [key, values] : map)
            if (utf8(key).starts_with("PERFORMER:"))
                gone.push_back(key);
        for (const TagLib::String& key : gone)
            map.erase(key);
    }
    for (const auto& [property, values] : changes) {
        if (property.ends_with(":*"))
            continue;
        TagLib::String key = wide(property);
        map.erase(key);
        if (!values.empty())
            map.insert(key, stringList(values));
    }
}

void writeId3(TagLib::ID3v2::Tag& tag, const Properties& changes) {
    TagLib::PropertyMap map = toMap(id3Properties(tag));
    changeMap(map, changes);
    // TagLib's name for the standard's frame TIT1; its own "GROUPING" is a frame of one program.
    if (map.contains("GROUPING") && !tag.frameListMap().contains("GRP1")) {
        map.insert("WORK", map["GROUPING"]);
        map.erase("GROUPING");
    }
    keepUnknownFrames(tag);
    tag.setProperties(map);
}

/// For the tag's own class: properties() is not virtual, TagLib::Tag has a poorer one.
template<class Tag>
void writeByMap(Tag& tag, const Properties& changes) {
    TagLib::PropertyMap map = tag.properties();
    changeMap(map, changes);
    tag.setProperties(map);
}

void writeXiph(TagLib::Ogg::XiphComment& comment, const Properties& changes) {
    for (const auto& [property, values] : changes) {
        comment.removeFields(wide(property));
        for (const std::string& value : values)
            comment.addField(wide(property), wide(value), false);
    }
}

void writeInfo(TagLib::RIFF::Info::Tag& tag, const Properties& changes) {
    for (const auto& [property, values] : changes) {
        auto it = infoIds().find(property);
        if (it == infoIds().end())
            continue;
        if (values.empty())
            tag.removeField(it->second);
        else
            tag.setFieldText(it->second, wide(text::join(values, "; ")));
    }
}

TagLib::ID3v2::Version versionOf(const TagLib::ID3v2::Tag* tag, bool existed, Id3Version wish) {
    if (wish == Id3Version::Keep && existed && tag && tag->header()->majorVersion() < 4)
        return TagLib::ID3v2::v3;
    return TagLib::ID3v2::v4;
}

bool saveMpeg(TagLib::MPEG::File& file, const Properties& changes, Id3Version wish,
              std::vector<std::string>& notes) {
    using File = TagLib::MPEG::File;
    bool existed = file.hasID3v2Tag();
    int tags = File::ID3v2;
    TagLib::ID3v2::Tag* id3 = file.ID3v2Tag(true);
    // What only the older tags knew is still shown from them; what changes, changes in all.
    writeId3(*id3, changes);
    if (file.hasAPETag()) {
        writeByMap(*file.APETag(), changes);
        tags |= File::APE;
        notes.emplace_back("The APE tag of the file was brought in step with its ID3v2 tag.");
    }
    if (file.hasID3v1Tag()) {
        writeByMap(*file.ID3v1Tag(), changes);
        tags |= File::ID3v1;
        notes.emplace_back(
            "The ID3v1 tag of the file was brought in step with its ID3v2 tag, as far as it can hold "
            "the values.");
    }
    return file.save(tags, TagLib::File::StripNone, versionOf(id3, existed, wish),
                     TagLib::File::DoNotDuplicate);
}

/// TagLib writes an ID3v2 tag in front again, but always as version 2.4: the old version is put back.
bool saveFlac(TagLib::FLAC::File& file, OverlayStream& stream, const Properties& changes, Id3Version wish,
              std::vector<std::string>& notes) {
    bool noComment = !file.hasXiphComment() || file.xiphComment()->isEmpty();
    TagLib::ID3v2::Version version = versionOf(file.ID3v2Tag(), file.hasID3v2Tag(), wish);
    if (file.hasID3v2Tag()) {
        if (noComment) // the new comment must not hide what ID3v2 holds
            file.xiphComment(true)->setProperties(toMap(id3Properties(*file.ID3v2Tag())));
        writeId3(*file.ID3v2Tag(), changes);
        notes.emplace_back("The ID3v2 tag in front of the FLAC was brought in step with its comments.");
    }
    if (file.hasID3v1Tag()) {
        writeByMap(*file.ID3v1Tag(), changes);
        notes.emplace_back("The ID3v1 tag behind the FLAC was brought in step with its comments.");
    }
    writeXiph(*file.xiphComment(true), changes);
    if (!file.save())
        return false;
    if (file.hasID3v2Tag() && version == TagLib::ID3v2::v3) {
        TagLib::ByteVector older = file.ID3v2Tag()->render(version);
        stream.replaceRange(0, audio::id3v2Length(stream, 0), {older.data(), older.size()});
    }
    return true;
}

template<class File>
bool saveApe(File& file, const Properties& changes, std::vector<std::string>& notes) {
    writeByMap(*file.APETag(true), changes);
    if (file.hasID3v1Tag()) {
        writeByMap(*file.ID3v1Tag(), changes);
        notes.emplace_back("The ID3v1 tag of the file was brought in step with its APE tag.");
    }
    return file.save();
}

bool saveWav(TagLib::RIFF::WAV::File& file, const Properties& changes, Id3Version wish) {
    using File = TagLib::RIFF::WAV::File;
    bool existed = file.hasID3v2Tag();
    if (!existed && file.hasInfoTag()) { // the new tag must not hide what INFO holds
        file.ID3v2Tag()->setProperties(toMap(infoProperties(*file.InfoTag())));
    }
    writeId3(*file.ID3v2Tag(), changes);
    writeInfo(*file.InfoTag(), changes);
    return file.save(File::AllTags, TagLib::File::StripNone, versionOf(file.ID3v2Tag(), existed, wish));
}

} // namespace

std::unique_ptr<TagLib::File> openWithTagLib(TagLib::IOStream* stream, Format format, bool facts) {
    const auto style = TagLib::AudioProperties::Average;
    TagLib::ID3v2::FrameFactory* factory = TagLib::ID3v2::FrameFactory::instance();
    readInfoTextSafely();
    switch (format) {
    case Format::Mp3:
        return std::make_unique<TagLib::MPEG::File>(stream, factory, facts, style);
    case Format::Flac:
        return std::make_unique<TagLib::FLAC::File>(stream, factory, facts, style);
    case Format::OggVorbis:
        return std::make_unique<TagLib::Ogg::Vorbis::File>(stream, facts, style);
    case Format::Opus:
        return std::make_unique<TagLib::Ogg::Opus::File>(stream, facts, style);
    case Format::Speex:
        return std::make_unique<TagLib::Ogg::Speex::File>(stream, facts, style);
    case Format::Mp4:
        return std::make_unique<TagLib::MP4::File>(stream, facts, style);
    case Format::Wav:
        return std::make_unique<TagLib::RIFF::WAV::File>(stream, facts, style);
    case Format::Aiff:
        return std::make_unique<AiffFile>(stream, facts, style);
    case Format::WavPack:
        return std::make_unique<TagLib::WavPack::File>(stream, facts, style);
    case Format::MonkeysAudio:
        return std::make_unique<TagLib::APE::File>(stream, facts, style);
    case Format::Musepack:
        return std::make_unique<TagLib::MPC::File>(stream, facts, style);
    case Format::TrueAudio:
        return std::make_unique<TagLib::TrueAudio::File>(stream, factory, facts, style);
    case Format::Asf:
        return std::make_unique<TagLib::ASF::File>(stream, facts, style);
    case Format::OggFlac:
        return std::make_unique<TagLib::Ogg::FLAC::File>(stream, facts, style);
    default:
        break;
    }
    return nullptr;
}

bool writeProperties(TagLib::File& file, OverlayStream& stream, Format format, const Properties& changes,
                     Id3Version version, std::vector<std::string>& notes) {
    switch (format) {
    case Format::Mp3:
        return saveMpeg(static_cast<TagLib::MPEG::File&>(file), changes, version, notes);
    case Format::Wav:
        return saveWav(static_cast<TagLib::RIFF::WAV::File&>(file), changes, version);
    case Format::Aiff: {
        auto& aiff = static_cast<AiffFile&>(file);
        writeId3(*aiff.tag(), changes);
        if (aiff.writeTexts(changes))
            notes.emplace_back(
                "The text chunks of the AIFF were brought in step with its ID3v2 tag, as far as "
                "they can hold the values.");
        return aiff.save(versionOf(aiff.tag(), aiff.hasID3v2Tag(), version));
    }
    case Format::Mp4: {
        auto& mp4 = static_cast<TagLib::MP4::File&>(file);
        writeMp4(*mp4.tag(), changes);
        return mp4.save();
    }
    case Format::Flac:
        return saveFlac(static_cast<TagLib::FLAC::File&>(file), stream, changes, version, notes);
    case Format::OggVorbis: {
        auto& vorbis = static_cast<TagLib::Ogg::Vorbis::File&>(file);
        writeXiph(*vorbis.tag(), changes);
        return saveOggComment(vorbis, stream,
                              TagLib::ByteVector("\x03vorbis", 7) + vorbis.tag()->render(true));
    }
    case Format::Opus: {
        auto& opus = static_cast<TagLib::Ogg::Opus::File&>(file);
        writeXiph(*opus.tag(), changes);
        return saveOggComment(opus, stream, TagLib::ByteVector("OpusTags", 8) + opus.tag()->render(false));
    }
    case Format::Speex: {
        auto& speex = static_cast<TagLib::Ogg::Speex::File&>(file);
        writeXiph(*speex.tag(), changes);
        return saveOggComment(speex, stream, speex.tag()->render(true));
    }
    case Format::WavPack:
        return saveApe(static_cast<TagLib::WavPack::File&>(file), changes, notes);
    case Format::MonkeysAudio:
        return saveApe(static_cast<TagLib::APE::File&>(file), changes, notes);
    case Format::Musepack:
        return saveApe(static_cast<TagLib::MPC::File&>(file), changes, notes);
    case Format::TrueAudio: {
        auto& tta = static_cast<TagLib::TrueAudio::File&>(file);
        writeId3(*tta.ID3v2Tag(true), changes);
        if (tta.hasID3v1Tag()) {
            writeByMap(*tta.ID3v1Tag(), changes);
            notes.emplace_back("The ID3v1 tag of the file was brought in step with its ID3v2 tag.");
        }
        return tta.save();
    }
    case Format::OggFlac:
        writeXiph(*static_cast<TagLib::Ogg::FLAC::File&>(file).tag(), changes);
        return file.save();
    case Format::Asf:
        writeAsf(*static_cast<TagLib::ASF::File&>(file).tag(), changes, version == Id3Version::Keep);
        return file.save();
    default:
        break;
    }
    return false;
}

} // namespace moorfrost::tags
