// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/tags/tag_io.h"

#include <algorithm>
#include <cstdlib>
#include <iterator>
#include <map>
#include <set>

#include "core/audio/ffmpeg_facts.h"

#include "core/tags/facts.h"
#include "core/tags/id3/frame_texts.h"
#include "core/tags/kept_pictures.h"
#include "core/tags/mp4/item_list.h"
#include "core/tags/overlay_stream.h"
#include "core/tags/tagged_file.h"
#include "core/text/text.h"

namespace moorfrost::tags {

using audio::Format;

namespace {

Error notSound(const Path& path) {
    Format byName = audio::formatByExtension(path);
    std::string named =
        byName == Format::Unknown ? "" : "It is named like " + audio::formatName(byName) + ", but its ";
    return {ErrorKind::Unsupported, path,
            (named.empty() ? "The " : named) +
                std::string("content is not sound in any format that Moorfrost reads.")};
}

/// Fields in the form in which two readings are compared: numbers by value, people without regard to order
/// and case.
Fields comparable(const Fields& fields) {
    Fields out;
    for (const auto& [key, values] : fields) {
        std::vector<std::string> v = values;
        const FieldDef* def = fieldByKey(key);
        if (def && def->kind == FieldKind::Number)
            for (std::string& s : v)
                if (text::isDigits(s))
                    s = std::to_string(std::strtol(s.c_str(), nullptr, 10));
        if (def && def->kind == FieldKind::Flag && v.size() == 1 && v.front() == "0")
            continue;
        if (key == "performer") {
            for (std::string& s : v)
                s = text::fold(s);
            std::sort(v.begin(), v.end());
        }
        out[key] = v;
    }
    return out;
}

std::vector<std::string> differing(const Fields& a, const Fields& b) {
    std::vector<std::string> labels;
    Fields x = comparable(a), y = comparable(b);
    for (const auto& [key, values] : x)
        if (auto it = y.find(key); it == y.end() || it->second != values)
            labels.push_back(labelOf(key));
    for (const auto& [key, values] : y)
        if (!x.contains(key))
            labels.push_back(labelOf(key));
    return labels;
}

struct Opened {
    std::shared_ptr<FileSource> source;
    std::unique_ptr<OverlayStream> stream;
    Format format = Format::Unknown;
    std::string cutShort;
};

/// `forWriting`: looks more closely whether it is whole.
Result<Opened> openAndDetect(const Path& path, bool forWriting = false) {
    auto source = FileSource::open(path);
    if (!source)
        return source.error();
    Opened opened;
    opened.source = *source;
    if (opened.source->size() == 0)
        return Error{ErrorKind::Damaged, path, "The file is empty: it has no bytes at all."};
    opened.format = audio::detectFormat(*opened.source);
    if (opened.format == Format::Unknown)
        return notSound(path);
    opened.cutShort = audio::whyCutShort(*opened.source, opened.format, forWriting);
    opened.stream = std::make_unique<OverlayStream>(opened.source, path);
    return opened;
}

Error unreadable(const Path& path, Format format) {
    return {ErrorKind::Damaged, path,
            "The file begins like " + audio::formatName(format) + ", but what follows is damaged."};
}

/// All that a change of some fields must leave as it is.
struct Held {
    TaggedFile file;
    Fields fields;
    std::vector<std::string> unknown;
    std::vector<PictureInfo> pictures;
    std::vector<std::string> pictureBytes; // type, description and a checksum of each, sorted

    Fields all() const {
        Fields out = pictureFields(pictures);
        out.insert(fields.begin(), fields.end());
        return out;
    }
};

Held heldBy(const ByteSource& source, Format format) {
    Held held;
    held.file = readTagged(source, format, true);
    held.fields = held.file.fields();
    held.unknown = held.file.allUnknown();
    for (const Picture& p : held.file.pictures) {
        held.pictures.push_back(p.info);
        held.pictureBytes.push_back(p.info.type + '\n' + p.info.description + '\n' +
                                    audio::bytesHash(p.data));
    }
    held.file.pictures.clear();
    std::sort(held.unknown.begin(), held.unknown.end());
    std::sort(held.pictureBytes.begin(), held.pictureBytes.end());
    return held;
}

/// Comments and lyrics are one family each: where one goes, another may become the one without a language in
/// its name.
std::string familyOf(std::string_view key) {
    const auto name = wordsName(key);
    return !name ? std::string(key) : name->lyrics ? "lyrics" : "comment";
}

/// The fields of the families that were changed put together, so that names that moved do not count.
Fields withFamilies(const Fields& fields, const std::set<std::string>& families) {
    Fields out;
    for (const auto& [key, values] : fields) {
        const std::string family = familyOf(key);
        std::vector<std::string>& list = out[families.contains(family) ? family : key];
        list.insert(list.end(), values.begin(), values.end());
        if (families.contains(family) && fields.size() > 1)
            std::sort(list.begin(), list.end());
    }
    return out;
}

/// Whether a part of a tag that carries none of the changed fields is otherwise than before.
bool othersChanged(const Held& before, const Held& after, const Fields& changes,
                   const std::set<std::string>& pictureTypes) {
    std::set<std::string, std::less<>> keys;
    for (const auto& [key, values] : changes) {
        keys.insert(key);
        if (key == "track" || key == "tracks")
            keys.insert({"track", "tracks"});
        if (key == "disc" || key == "discs")
            keys.insert({"disc", "discs"});
        if (wordsName(key))
            for (const Held* held : {&before, &after})
                for (const auto& tag : held->file.tags)
                    for (const auto& [other, v] : fieldsFromProperties(tag->part().properties))
                        if (familyOf(other) == familyOf(key))
                            keys.insert(other);
    }
    // A part may hold several fields, as the lists of people do: what it says of others is compared by value.
    std::set<std::string, std::less<>> together = keys;
    for (const Held* held : {&before, &after})
        for (const auto& tag : held->file.tags)
            for (const TagItem& item : tag->items())
                if (carries(item, keys))
                    for (const auto& [property, values] : item.says)
                        together.insert(keyOfProperty(property));
    keys = std::move(together);
    // The n-th tag of a name before is the n-th of that name after.
    std::map<std::string, std::vector<const Tag*>> now;
    for (const auto& tag : after.file.tags)
        now[tag->name()].push_back(tag.get());
    std::map<std::string, size_t> seen;
    for (const auto& tag : before.file.tags) {
        const std::vector<const Tag*>& same = now[tag->name()];
        const size_t n = seen[tag->name()]++;
        const std::vector<std::string> old = tag->bytesOfOthers(keys, pictureTypes);
        const bool newVersion = same.empty() && tag->name().starts_with("ID3v2");
        if (!newVersion && old != (n < same.size() ? same[n]->bytesOfOthers(keys, pictureTypes)
                                                   : std::vector<std::string>()))
            return true;
    }
    return false;
}

/// Those of the types that were not to be changed.
std::vector<std::string> otherPictures(const Held& held, const Fields& changes) {
    std::vector<std::string> out;
    for (const std::string& p : held.pictureBytes)
        if (!changes.contains(pictureKey(p.substr(0, p.find('\n')))))
            out.push_back(p);
    return out;
}

/// Whether a type that was to be changed holds just what was asked.
bool picturesAsAsked(const Held& after, const Fields& changes) {
    const Fields now = pictureFields(after.pictures);
    for (const auto& [key, values] : changes) {
        if (!isPictureKey(key))
            continue;
        const auto it = now.find(key);
        if (it == now.end() ? !values.empty() : it->second != values)
            return false;
    }
    return true;
}

/// What there is besides the changed fields as asked, in words.
std::vector<std::string> harmIn(const Held& before, const Held& after, const Fields& all) {
    const Fields changes = withoutPictures(all);
    std::set<std::string> pictureTypes;
    for (const auto& [key, values] : all)
        if (isPictureKey(key))
            pictureTypes.insert(pictureTypeOf(key));
    std::set<std::string> families;
    for (const auto& [key, values] : changes)
        if (wordsName(key))
            families.insert(familyOf(key));
    std::vector<std::string> harm = differing(withFamilies(applied(before.fields, changes), families),
                                              withFamilies(after.fields, families));
    if (after.unknown != before.unknown || othersChanged(before, after, changes, pictureTypes))
        harm.emplace_back("parts of the tag that were not edited");
    if (otherPictures(after, all) != otherPictures(before, all) || !picturesAsAsked(after, all))
        harm.emplace_back("the pictures");
    return harm;
}

/// What only FFmpeg reads, or what TagLib gives up on.
Result<TagFile> readWithFfmpeg(const Path& path, Format format) {
    auto facts = audio::ffmpegFacts(path, audio::isReadOnly(format));
    if (!facts)
        return facts.error();
    TagFile out;
    out.format = format;
    out.facts.codec = facts->codec;
    out.facts.duration = facts->duration;
    out.facts.sampleRate = facts->sampleRate;
    out.facts.channels = facts->channels;
    out.facts.bitDepth = facts->bitDepth;
    out.facts.bitrate = facts->bitrate;
    Properties properties;
    for (const auto& [key, value] : facts->tags) {
        std::string name = text::upper(key);
        if (name == "ENCODER" || name == "ENCODED_BY")
            out.facts.encoder = value;
        else if (!text::trim(value).empty())
            properties[name] = {value};
    }
    out.fields = fieldsFromProperties(properties);
    out.readOnly = audio::formatName(format) + " files are shown, but Moorfrost does not write to them.";
    return out;
}

void noteName(const Path& path, TagFile& file) {
    Format byName = audio::formatByExtension(path);
    bool bothOgg = byName == Format::OggVorbis && file.format == Format::OggFlac;
    if (byName != file.format && byName != Format::Unknown && !bothOgg)
        file.notes.push_back("The name ends in " + path.extension().string() + ", but the content is " +
                             audio::formatName(file.format) + ".");
}

} // namespace

Result<TagFile> readTags(const Path& path) {
    auto opened = openAndDetect(path);
    if (!opened)
        return opened.error();
    const Format format = opened->format;
    const bool isOgg = format == Format::OggVorbis || format == Format::Opus || format == Format::Speex ||
                       format == Format::OggFlac;
    TagFile out;
    auto facts = audio::isReadOnly(format) ? std::nullopt : readFacts(*opened->stream, format);
    if (facts && isOgg && !hasOggComment(*opened->source, format))
        facts.reset();
    if (facts) {
        out.format = format;
        out.facts = std::move(*facts);
        readEncoding(*opened->source, format, out.facts);
        TaggedFile tagged = readTagged(*opened->source, format, false);
        if (out.facts.encoder.empty())
            out.facts.encoder = std::move(tagged.encoder);
        if (!tagged.gapless.empty())
            out.facts.gapless = gaplessOfMp4(tagged.gapless);
        if (!tagged.variable.empty())
            out.facts.rateKind = tagged.variable == "1" ? RateKind::Variable : RateKind::Constant;
        if (format == Format::Wav)
            out.facts.remarks = wavRemarks(*opened->source);
        for (auto& language : tagged.languages)
            out.facts.remarks.push_back(std::move(language));
        out.fields = tagged.fields();
        out.differences = tagged.differences();
        out.unknown = tagged.allUnknown();
        for (const auto& tag : tagged.tags)
            out.tags.push_back(tag->name());
        for (const Picture& picture : tagged.pictures)
            out.pictures.push_back(picture.info);
    } else {
        auto read = readWithFfmpeg(path, format);
        if (!read)
            return opened->cutShort.empty() ? unreadable(path, format)
                                            : Error{ErrorKind::Damaged, path, opened->cutShort};
        out = std::move(*read);
    }
    if (opened->stream->isExhausted() && opened->cutShort.empty())
        opened->cutShort =
            "The file is too long to be looked through for what its structure says should be there.";
    out.facts.size = opened->source->size();
    if (out.facts.bitrate <= 0 && out.facts.duration > 0)
        out.facts.bitrate =
            static_cast<int>(std::min(static_cast<double>(out.facts.size) * 8 / out.facts.duration, 2e9));
    if (out.format == Format::Mp3 && out.facts.sampleRate == 0) {
        const std::string none = "The file has no sound in it that could be recognised.";
        if (out.tags.empty())
            return Error{ErrorKind::Damaged, path, none};
        out.damaged = true;
        out.notes.push_back(none);
    } else if (!opened->cutShort.empty()) {
        out.damaged = true;
        out.notes.push_back(opened->cutShort);
    }
    noteName(path, out);
    return out;
}

Result<std::vector<Picture>> readPictures(const Path& path) {
    auto opened = openAndDetect(path);
    if (!opened)
        return opened.error();
    if (audio::isReadOnly(opened->format))
        return std::vector<Picture>();
    return std::move(readTagged(*opened->source, opened->format, true).pictures);
}

std::string PreparedEdit::bytes() const {
    return RecipeSource(*original, recipe).bytes(0, static_cast<size_t>(recipe.size()));
}

Fields applied(Fields fields, const Fields& changes) {
    for (const auto& [key, values] : changes) {
        if (values.empty())
            fields.erase(key);
        else
            fields[key] = values;
    }
    return fields;
}

std::vector<std::string> harmOf(const ByteSource& before, const ByteSource& after, audio::Format format,
                                const Fields& changes) {
    return harmIn(heldBy(before, format), heldBy(after, format), changes);
}

Status confirm(PreparedEdit& edit) {
    if (!isSound(edit.recipe, edit.original->size()))
        return Error{ErrorKind::Damaged, {}, "The change could not be worked out, so it was refused."};
    edit.how = classify(edit.recipe, *edit.original);
    if (edit.how == CommitClass::Nothing) {
        edit.notes.clear();
        return Done{};
    }
    Status same = audio::sameEssence(*edit.original, edit.recipe, edit.format);
    if (!same && edit.ofDamaged)
        return Error{ErrorKind::Damaged,
                     {},
                     "It cannot be shown that the sound of this damaged file would stay as it is, so it is "
                     "not written "
                     "to."};
    return same;
}

Result<PreparedEdit> prepareEdit(const Path& path, const Fields& changes, Damage damage,
                                 const PictureFolder& pictures) {
    auto edit = makeEdit(path, changes, damage, pictures);
    if (edit)
        if (Status fine = confirm(*edit); !fine)
            return Error{fine.error().kind, path, fine.error().message};
    return edit;
}

namespace {

/// The changes as this format can hold them: pictures without what it has no place for. An Error where it
/// cannot hold one at all.
Result<Fields> heldChanges(Format format, Fields changes, const Held& held, std::vector<std::string>& notes) {
    const Fields before = pictureFields(held.pictures);
    for (auto& [key, values] : changes) {
        if (!isPictureKey(key))
            continue;
        const std::string type = pictureTypeOf(key);
        const auto there = before.find(key);
        if (there != before.end() && there->second == values)
            continue;
        std::vector<PictureInfo> pictures;
        for (std::string& v : values)
            if (auto picture = pictureFromText(type, v)) {
                // What the library knows from long ago has no checksum: the file tells it.
                for (const PictureInfo& p : held.pictures)
                    if (picture->hash == 0 && p.bytes == picture->bytes && p.width == picture->width &&
                        p.height == picture->height)
                        picture->hash = p.hash;
                v = pictureText(*picture);
                const bool stays =
                    there != before.end() && std::ranges::find(there->second, v) != there->second.end();
                PictureInfo fits = stays ? *picture : asHeldBy(format, *picture);
                if (!picture->description.empty() && fits.description != picture->description)
                    notes.push_back("The description of the picture (\"" + picture->description +
                                    "\") is left out: this format has no place for it.");
                v = pictureText(fits);
                pictures.push_back(std::move(fits));
            }
        if (std::string why = whyNotHeld(format, type, pictures); !why.empty())
            return Error{ErrorKind::Unsupported, {}, why};
    }
    return changes;
}

} // namespace

Result<PreparedEdit> makeEdit(const Path& path, const Fields& asked, Damage damage,
                              const PictureFolder& pictureFolder) {
    for (const auto& [key, values] : asked)
        if (std::string why = whyNotValid(key, values); !why.empty())
            return Error{ErrorKind::Invalid, path, why};
    auto opened = openAndDetect(path, true);
    if (!opened)
        return opened.error();
    if (!opened->cutShort.empty() && damage == Damage::Refuse)
        return Error{ErrorKind::CutShort, path,
                     opened->cutShort + " Files that are cut short are written to by choice only."};
    if (audio::isReadOnly(opened->format))
        return Error{ErrorKind::Unsupported, path,
                     audio::formatName(opened->format) +
                         " files are shown, but Moorfrost does not write to them."};
    const Format format = opened->format;
    OverlayStream& overlay = *opened->stream;
    if (format == Format::Mp4 && !isMp4IndexSound(*opened->source))
        return Error{ErrorKind::Damaged, path,
                     "The index of the file is damaged. Damaged files are not written to."};
    if (!readFacts(overlay, format))
        return unreadable(path, format);
    const Held before = heldBy(*opened->source, format);
    PreparedEdit edit;
    edit.format = format;
    edit.before = before.all();
    edit.original = opened->source;
    edit.ofDamaged = !opened->cutShort.empty();
    if (edit.ofDamaged)
        edit.notes.push_back("Written although the file is damaged: " + opened->cutShort);
    auto held = heldChanges(format, asked, before, edit.notes);
    if (!held)
        return Error{held.error().kind, path, held.error().message + " Nothing was changed."};
    const Fields& changes = *held;
    // A picture that only gets another type or description is in the file itself.
    const PictureBytes bytes =
        [&, kept = keptIn(pictureFolder)](const PictureInfo& wanted) -> Result<std::string> {
        const bool isHere = std::ranges::any_of(before.pictures, [&](const PictureInfo& p) {
            return p.hash == wanted.hash && p.bytes == wanted.bytes;
        });
        if (isHere)
            for (Picture& p : readTagged(*opened->source, format, true).pictures)
                if (p.info.hash == wanted.hash && p.info.bytes == wanted.bytes)
                    return std::move(p.data);
        return kept(wanted);
    };
    auto pictureChanges = pictureChangesOf(changes, bytes);
    if (!pictureChanges)
        return Error{pictureChanges.error().kind, path, pictureChanges.error().message};
    const Fields fields = withoutPictures(changes);
    const Fields wanted = applied(before.fields, fields);
    if (Status changed = changeTags(overlay, format, {fields, wanted, *pictureChanges}, edit.notes); !changed)
        return Error{changed.error().kind, path, changed.error().message + " Nothing was changed."};
    if (overlay.isExhausted())
        return Error{
            ErrorKind::Damaged, path,
            "The file is too long to be looked through for what its structure says should be there. It is "
            "not written to."};
    edit.recipe = overlay.recipe();
    if (classify(edit.recipe, *edit.original) == CommitClass::Nothing) {
        edit.after = edit.before;
        return edit;
    }
    if (audio::detectFormat(overlay) != format || !readFacts(overlay, format))
        return Error{ErrorKind::Unsupported, path,
                     "The file would not be readable after this change, so it was not made."};
    const Held after = heldBy(overlay, format);
    edit.after = after.all();
    if (const std::vector<std::string> harm = harmIn(before, after, changes); !harm.empty())
        return Error{ErrorKind::Unsupported, path,
                     "This file cannot hold what was asked without harm to: " + text::join(harm, ", ") +
                         ". Nothing was changed."};
    return edit;
}

} // namespace moorfrost::tags
