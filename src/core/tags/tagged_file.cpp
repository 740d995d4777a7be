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
#include "core/tags/vorbis/placing.h"
#include "core/text/text.h"

namespace moorfrost::tags {

using audio::Format;

namespace {

/// The tags behind the sound: APE and ID3v1, in either order.
struct EndTags {
    std::optional<ApePlace> ape;
    std::optional<uint64_t> old; // where an ID3v1 tag begins
    uint64_t soundEnd = 0;
};
EndTags endTags(const ByteSource& s, bool ape) {
    EndTags out;
    out.soundEnd = s.size();
    auto takeOld = [&] {
        const uint64_t end = out.soundEnd;
        // "TAG" also stands in "APETAGEX".
        if (!out.old && end >= 131 && s.bytes(end - 128, 3) == "TAG" && s.bytes(end - 131, 8) != "APETAGEX")
            out.old = out.soundEnd = end - Id3v1Tag::length;
    };
    takeOld();
    if (ape)
        if ((out.ape = apeAt(s, out.soundEnd)))
            out.soundEnd = out.ape->begin;
    takeOld();
    return out;
}

std::optional<ApeTag> apeIn(const ByteSource& s, const ApePlace& place) {
    return ApeTag::parse(s.bytes(place.items, static_cast<size_t>(place.footer - place.items)),
                         s.bytes(place.footer, ApeTag::footerLength));
}

std::optional<audio::Part> id3Chunk(const ByteSource& s, Format format) {
    for (const audio::Part& chunk : audio::chunksOf(s, format))
        if (isId3Chunk(chunk.id))
            return chunk;
    return std::nullopt;
}

std::optional<Id3v2Tag> id3In(const ByteSource& s, const audio::Part& chunk) {
    const std::string bytes = id3v2Bytes(s, chunk.content);
    return bytes.empty() || bytes.size() > chunk.length() ? std::nullopt : Id3v2Tag::parse(bytes);
}

std::vector<audio::Part> infoChunks(const ByteSource& s) {
    std::vector<audio::Part> out;
    for (const audio::Part& chunk : audio::chunksOf(s, Format::Wav))
        if (chunk.id == "LIST" && chunk.length() <= (16u << 20) && s.bytes(chunk.content, 4) == "INFO")
            out.push_back(chunk);
    return out;
}

InfoList infoIn(const ByteSource& s, const audio::Part& chunk) {
    return InfoList::parse(s.bytes(chunk.content, static_cast<size_t>(chunk.length())));
}

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

namespace {

constexpr uint64_t newRoom = 4096; // in front of the sound
constexpr uint64_t newRoomInChunk = 1024;

/// Fields and pictures of the tag that counts. True if anything changed.
Result<bool> changeAll(Tag& tag, const Fields& fields, const PictureChanges& pictures) {
    Result<bool> changed = tag.change(fields);
    if (!changed)
        return changed;
    Result<bool> pictured = tag.changePictures(pictures);
    return pictured ? Result<bool>(*changed || *pictured) : pictured;
}

/// Changes field by field in a tag that stands beside the one that counts: what it cannot hold goes from it.
bool bringInStep(Tag& tag, const Fields& changes, bool mayAdd = true, const PictureChanges& pictures = {}) {
    // A picture stands in one tag only.
    const Result<bool> pictured = tag.changePictures(pictures, false);
    bool any = pictured && *pictured;
    auto put = [&](const Fields& some) {
        Result<bool> changed = tag.change(some, mayAdd);
        if (!changed) {
            Fields blank;
            for (const auto& [key, values] : some)
                blank[key] = {};
            changed = tag.change(blank, false);
        }
        any = any || (changed && *changed);
    };
    for (const auto& [key, values] : changes) {
        if (key == "tracks" || key == "discs") {
            if (!changes.contains(key == "tracks" ? "track" : "disc"))
                put({{key, values}});
            continue;
        }
        Fields one = {{key, values}};
        if (key == "track" || key == "disc")
            if (auto total = changes.find(key == "track" ? "tracks" : "discs"); total != changes.end())
                one.insert(*total);
        put(one);
    }
    return any;
}

void oldTagInStep(OverlayStream& stream, const EndTags& end, const Fields& changes,
                  std::vector<std::string>& notes) {
    if (!end.old)
        return;
    const std::string before = stream.bytes(*end.old, Id3v1Tag::length);
    Id3v1Tag tag(before);
    bringInStep(tag, changes);
    if (tag.bytes() == before)
        return;
    stream.replaceRange(*end.old, before.size(), tag.bytes());
    notes.emplace_back("The ID3v1 tag of the file was brought in step, as far as it can hold the values.");
}

Error codedTag() {
    return {ErrorKind::Unsupported,
            {},
            "The ID3v2 tag of this file is coded in a way that Moorfrost does not know."};
}

/// The ID3v2 tag in front; `make`: a new one where there is none.
Status frontId3(OverlayStream& stream, const TagChanges& changes, bool make,
                std::vector<std::string>& notes) {
    const std::string bytes = id3v2Bytes(stream, 0);
    if (bytes.empty() && (!make || audio::id3v2Length(stream, 0) > 0))
        return make ? Status(codedTag()) : Status(Done{});
    auto tag = bytes.empty() ? std::optional(Id3v2Tag()) : Id3v2Tag::parse(bytes);
    if (!tag)
        return codedTag();
    Result<bool> changed =
        make ? changeAll(*tag, changes.fields, changes.pictures) : Result<bool>(tag->change(changes.fields));
    if (!make && changed) { // the pictures of a FLAC stand in its blocks
        const Result<bool> pictured = tag->changePictures(changes.pictures, false);
        changed = *changed || (pictured && *pictured);
    }
    if (!changed)
        return changed.error();
    if (!*changed)
        return Done{};
    const uint64_t least = tag->leastLength(), old = bytes.size();
    const uint64_t length = !tag->mayHaveRoom() || least <= old ? std::max(least, old) : least + newRoom;
    if (length - 10 >= (1u << 28))
        return Error{
            ErrorKind::Unsupported, {}, "The ID3v2 tag would be longer than the 256 MB that it can be."};
    stream.replaceRange(0, old, tag->render(tag->mayHaveRoom() ? length : least));
    notes.insert(notes.end(), tag->notes().begin(), tag->notes().end());
    if (!make)
        notes.emplace_back("The ID3v2 tag in front of the FLAC was brought in step with its comments.");
    return Done{};
}

/// The APE tag behind the sound; `main`: it is the one that counts, and a new one is made where there is
/// none.
Status apeBehind(OverlayStream& stream, const EndTags& end, const TagChanges& changes, bool main,
                 std::vector<std::string>& notes) {
    if (!end.ape && !main)
        return Done{};
    auto tag = end.ape ? apeIn(stream, *end.ape) : std::optional(ApeTag());
    if (!tag)
        return Error{ErrorKind::Damaged, {}, "The APE tag of this file is damaged."};
    if (main) {
        Result<bool> changed = changeAll(*tag, changes.fields, changes.pictures);
        if (!changed)
            return changed.error();
        if (!*changed)
            return Done{};
    } else if (!bringInStep(*tag, changes.fields, true, changes.pictures)) {
        return Done{};
    } else {
        notes.emplace_back("The APE tag of the file was brought in step with its ID3v2 tag.");
    }
    if (end.ape)
        stream.replaceRange(end.ape->begin, end.ape->footer + ApeTag::footerLength - end.ape->begin,
                            tag->render());
    else
        stream.replaceRange(end.soundEnd, 0, tag->render());
    return Done{};
}

Status changeChunks(OverlayStream& stream, Format format, const TagChanges& changes,
                    std::vector<std::string>& notes) {
    std::vector<ChunkChange> pieces;
    uint64_t sound = 0;
    for (const audio::Part& chunk : audio::chunksOf(stream, format))
        if (chunk.id == (format == Format::Aiff ? "SSND" : "data"))
            sound = chunk.at;
    const auto chunk = id3Chunk(stream, format);
    auto tag = chunk ? id3In(stream, *chunk) : std::optional(Id3v2Tag());
    if (!tag)
        return codedTag();
    // A new tag must not hide what the texts of other chunks hold.
    Result<bool> changed = changeAll(*tag, chunk ? changes.fields : changes.wanted, changes.pictures);
    if (!changed)
        return changed.error();
    const bool hadNone = !chunk && tag->isEmpty();
    if (*changed && !hadNone) {
        const uint64_t least = tag->leastLength(), old = chunk ? chunk->length() : 0;
        const bool keepLength = chunk && least <= old && (format == Format::Aiff || chunk->at < sound);
        const uint64_t length = keepLength ? old : format == Format::Aiff ? least + newRoomInChunk : least;
        pieces.push_back({chunk ? chunk->at : 0, chunk ? chunk->id : "ID3 ", tag->render(length), false});
        notes.insert(notes.end(), tag->notes().begin(), tag->notes().end());
    }
    if (format == Format::Wav) {
        auto held = [](const Fields& fields) {
            Fields out;
            for (const auto& [key, values] : fields)
                if (InfoList::holds(key) || key == "tracks")
                    out.insert({key, values});
            return out;
        };
        bool first = true, moved = false;
        const auto lists = infoChunks(stream);
        for (const audio::Part& list : lists) {
            InfoList info = infoIn(stream, list);
            const bool other = bringInStep(info, held(changes.fields), first);
            first = false;
            if (moved) { // they stay in their order
                pieces.push_back({list.at, "LIST", {}, true});
                pieces.push_back({0, "LIST", info.render(), false});
            } else if (other) {
                pieces.push_back({list.at, "LIST", info.render(), false});
                moved = list.at < sound && pieces.back().content.size() != list.length();
            }
        }
        InfoList info = InfoList::parse({});
        if (lists.empty() && bringInStep(info, held(changes.wanted)))
            pieces.insert(pieces.end(), {0, "LIST", info.render(), false});
    }
    // Those with a place first, in the order of the file.
    std::stable_sort(pieces.begin(), pieces.end(), [](const ChunkChange& a, const ChunkChange& b) {
        return a.at != 0 && (b.at == 0 || a.at < b.at);
    });
    if (!pieces.empty())
        if (Status placed = placeChunks(stream, format, pieces); !placed)
            return placed;
    if (format != Format::Aiff)
        return Done{};
    AiffTexts texts = AiffTexts::read(stream);
    if (!bringInStep(texts, changes.fields, false))
        return Done{};
    notes.emplace_back(
        "The text chunks of the AIFF were brought in step with its ID3v2 tag, as far as they can hold "
        "the values.");
    return texts.place(stream);
}

Status changeFlac(OverlayStream& stream, const TagChanges& changes, std::vector<std::string>& notes) {
    oldTagInStep(stream, endTags(stream, false), changes.fields, notes);
    auto blocks = readFlacBlocks(stream, !changes.pictures.isEmpty());
    if (!blocks)
        return Error{ErrorKind::Damaged, {}, "The blocks in front of the sound are damaged."};
    const bool none = !blocks->comment || blocks->comment->items().empty();
    VorbisComment comment = blocks->comment ? std::move(*blocks->comment) : VorbisComment("Moorfrost");
    if (!comment.isWhole())
        return Error{
            ErrorKind::Damaged, {}, "The comments of this file are cut short. It is not written to."};
    // A new comment must not hide what ID3v2 holds.
    Result<bool> changed = comment.change(none ? changes.wanted : changes.fields);
    if (!changed)
        return changed.error();
    // Pictures stand in blocks of their own; those in the comment go.
    const Result<bool> pictured = comment.changePictures(changes.pictures, false);
    const bool anew = *changed || (pictured && *pictured);
    auto pictures = changedPictureBlocks(*blocks, changes.pictures);
    if (!pictures)
        return pictures.error();
    if (anew || *pictures)
        if (Status placed = placeFlacBlocks(stream, anew ? &comment : nullptr, *pictures); !placed)
            return placed;
    return frontId3(stream, changes, false, notes);
}

} // namespace

Status changeTags(OverlayStream& stream, Format format, const TagChanges& changes,
                  std::vector<std::string>& notes) {
    switch (format) {
    case Format::Mp3:
    case Format::TrueAudio: {
        const bool ape = format == Format::Mp3;
        // From the end to the beginning: places in front stay as they are.
        oldTagInStep(stream, endTags(stream, ape), changes.fields, notes);
        if (Status done = apeBehind(stream, endTags(stream, ape), changes, false, notes); !done)
            return done;
        return frontId3(stream, changes, true, notes);
    }
    case Format::WavPack:
    case Format::MonkeysAudio:
    case Format::Musepack: {
        oldTagInStep(stream, endTags(stream, true), changes.fields, notes);
        return apeBehind(stream, endTags(stream, true), changes, true, notes);
    }
    case Format::Flac:
        return changeFlac(stream, changes, notes);
    case Format::OggVorbis:
    case Format::Opus:
    case Format::Speex:
    case Format::OggFlac: {
        auto comment = readOggComment(stream, format);
        if (!comment || !comment->isWhole())
            return Error{
                ErrorKind::Damaged, {}, "The comments of this file are damaged. It is not written to."};
        Result<bool> changed = changeAll(*comment, changes.fields, changes.pictures);
        if (!changed)
            return changed.error();
        return *changed ? placeOggComment(stream, format, *comment) : Status(Done{});
    }
    case Format::Wav:
    case Format::Aiff:
        return changeChunks(stream, format, changes, notes);
    case Format::Mp4: {
        Mp4List list = readMp4List(stream);
        Result<bool> changed = changeAll(list, changes.fields, changes.pictures);
        if (!changed)
            return changed.error();
        return *changed ? placeMp4List(stream, list) : Status(Done{});
    }
    case Format::Asf: {
        auto tag = AsfTag::read(stream);
        if (!tag)
            return Error{ErrorKind::Damaged, {}, "The header of this file is damaged. It is not written to."};
        Result<bool> changed = changeAll(*tag, changes.fields, changes.pictures);
        if (!changed)
            return changed.error();
        return *changed ? tag->place(stream) : Status(Done{});
    }
    default:
        return Error{ErrorKind::Unsupported, {}, "Files of this format are not written to."};
    }
}

} // namespace moorfrost::tags
