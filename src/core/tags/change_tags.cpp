// SPDX-License-Identifier: GPL-3.0-or-later
// Changing all tags of a file together (tagged_file.h).
#include <algorithm>

#include "core/tags/asf/tag.h"
#include "core/tags/id3/old_tag.h"
#include "core/tags/mp4/item_list.h"
#include "core/tags/tag_places.h"
#include "core/tags/tagged_file.h"
#include "core/tags/vorbis/placing.h"

namespace moorfrost::tags {

using audio::Format;

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
