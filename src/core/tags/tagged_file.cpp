// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/tags/tagged_file.h"

#include <algorithm>

#include "core/audio/parts.h"
#include "core/tags/ape/tag.h"
#include "core/tags/asf/tag.h"
#include "core/tags/id3/old_tag.h"
#include "core/tags/id3/tag.h"
#include "core/tags/mp4/item_list.h"
#include "core/tags/riff/chunk_tags.h"
#include "core/tags/tag_places.h"
#include "core/tags/vorbis/placing.h"
#include "core/text/text.h"

namespace moorfrost::tags {

using audio::Format;

namespace {

class Reading {
public:
    Reading(TaggedFile& out, bool withBytes) : out_(out), withBytes_(withBytes) {}

    template<class T>
    void add(std::optional<T> tag) {
        if (!tag || (tag->items().empty()))
            return;
        for (Picture& p : tag->pictures(withBytes_))
            out_.pictures.push_back(std::move(p));
        const TagPart part = tag->part();
        const bool says = std::any_of(part.properties.begin(), part.properties.end(),
                                      [](const auto& p) { return !p.second.empty(); });
        if (says || !part.unknown.empty() || !std::is_same_v<T, Id3v1Tag>)
            out_.tags.push_back(std::make_unique<T>(std::move(*tag)));
    }
    void id3(std::optional<Id3v2Tag> tag) {
        if (tag)
            for (auto& pair : tag->languages())
                out_.languages.push_back(std::move(pair));
        add(std::move(tag));
    }
    void frontId3(const ByteSource& s) {
        const std::string bytes = id3v2Bytes(s, 0);
        if (bytes.empty())
            return;
        auto tag = Id3v2Tag::parse(bytes);
        if (!tag)
            out_.unknown.emplace_back("ID3v2 tag that is coded in an unknown way");
        id3(std::move(tag));
    }
    void end(const ByteSource& s, bool ape) {
        const EndTags tags = endTags(s, ape);
        if (tags.ape)
            add(apeIn(s, *tags.ape));
        if (tags.old)
            add(std::optional(Id3v1Tag(s.bytes(*tags.old, Id3v1Tag::length))));
    }
    void comment(std::optional<VorbisComment> c) {
        if (!c)
            return;
        out_.encoder = c->vendor();
        if (!c->isWhole())
            out_.unknown.emplace_back("comments that are cut short");
        add(std::move(c));
    }

private:
    TaggedFile& out_;
    bool withBytes_;
};

} // namespace

bool hasOggComment(const ByteSource& source, Format format) {
    return readOggComment(source, format).has_value();
}

TaggedFile readTagged(const ByteSource& s, Format format, bool withBytes) {
    TaggedFile out;
    Reading reading(out, withBytes);
    switch (format) {
    case Format::Mp3:
        reading.frontId3(s);
        reading.end(s, true);
        break;
    case Format::TrueAudio:
        reading.frontId3(s);
        reading.end(s, false);
        break;
    case Format::WavPack:
    case Format::MonkeysAudio:
    case Format::Musepack:
        reading.end(s, true);
        break;
    case Format::Flac:
        if (auto blocks = readFlacBlocks(s, withBytes)) {
            out.pictures = std::move(blocks->pictures);
            for (int i = 0; i < blocks->damagedPictures; ++i)
                out.unknown.emplace_back("picture block that makes no sense");
            reading.comment(std::move(blocks->comment));
        }
        reading.frontId3(s);
        reading.end(s, false);
        break;
    case Format::OggVorbis:
    case Format::Opus:
    case Format::Speex:
    case Format::OggFlac:
        reading.comment(readOggComment(s, format));
        break;
    case Format::Wav:
        if (auto chunk = id3Chunk(s, format))
            reading.id3(id3In(s, *chunk));
        for (const audio::Part& chunk : infoChunks(s)) {
            InfoList info = infoIn(s, chunk);
            if (out.encoder.empty())
                out.encoder = info.textOf("ISFT");
            reading.add(std::optional(std::move(info)));
        }
        break;
    case Format::Aiff:
        if (auto chunk = id3Chunk(s, format))
            reading.id3(id3In(s, *chunk));
        reading.add(std::optional(AiffTexts::read(s)));
        break;
    case Format::Mp4: {
        Mp4List list = readMp4List(s);
        out.gapless = list.freeText("iTunSMPB");
        reading.add(std::optional(std::move(list)));
        break;
    }
    case Format::Asf:
        if (auto tag = AsfTag::read(s)) {
            out.encoder = tag->textOf("WM/EncodingSettings");
            out.variable = tag->textOf("IsVBR");
            reading.add(std::move(tag));
        }
        break;
    default:
        break;
    }
    return out;
}

Fields TaggedFile::fields() const {
    Fields out;
    for (const auto& tag : tags)
        out.merge(fieldsFromProperties(tag->part().properties)); // what is there stays
    return out;
}

namespace {

/// ID3v1 holds 30 bytes of a text, four digits of a date, one of a list of genres; INFO one text.
bool saysTheSame(const std::string& tag, const std::string& key, const std::vector<std::string>& shown,
                 const std::vector<std::string>& values) {
    if (shown == values)
        return true;
    if (shown.empty() || values.size() != 1)
        return false;
    const std::string& v = values.front();
    if (key == "track" || key == "tracks")
        return std::strtol(v.c_str(), nullptr, 10) == std::strtol(shown.front().c_str(), nullptr, 10);
    if (tag == "INFO")
        return v == text::join(shown, "; ");
    if (tag != "ID3v1")
        return false;
    const bool isCut = key == "date" || v.size() >= 28;
    const std::string plain = text::plainLetters(shown.front());
    return v == shown.front() || v == text::trim(plain) ||
           (isCut && (shown.front().starts_with(v) || plain.starts_with(v)));
}

} // namespace

std::vector<Difference> TaggedFile::differences() const {
    std::vector<Difference> out;
    if (tags.size() < 2)
        return out;
    const Fields shown = fields();
    for (size_t i = 1; i < tags.size(); ++i)
        for (const auto& [key, values] : fieldsFromProperties(tags[i]->part().properties))
            if (auto it = shown.find(key);
                it != shown.end() && !saysTheSame(tags[i]->name(), key, it->second, values))
                out.push_back({key, tags[i]->name(), values});
    return out;
}

std::vector<std::string> TaggedFile::allUnknown() const {
    std::vector<std::string> out;
    for (const auto& tag : tags)
        for (std::string& name : tag->part().unknown)
            out.push_back(std::move(name));
    out.insert(out.end(), unknown.begin(), unknown.end());
    return out;
}

} // namespace moorfrost::tags
