// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/tags/tag_io.h"

#include <algorithm>
#include <cstdlib>
#include <iterator>

#include "core/audio/ffmpeg_facts.h"
#include "core/audio/ogg.h"
#include "core/tags/chunk_texts.h"
#include "core/tags/mend.h"
#include "core/tags/mp4_index.h"
#include "core/tags/overlay_stream.h"
#include "core/tags/refit.h"
#include "core/tags/taglib_file.h"
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

/// Where an ID3v1 tag hides in front of the APE tag at the end of the file: a place where no program looks
/// for it. 0 if there is none.
uint64_t misplacedAt(const ByteSource& s) {
    std::string footer = s.size() > 160 ? s.bytes(s.size() - 32, 32) : std::string();
    if (!footer.starts_with("APETAGEX"))
        return 0;
    auto byte = [&](size_t i) { return static_cast<uint64_t>(static_cast<unsigned char>(footer[i])); };
    uint64_t length = byte(12) | byte(13) << 8 | byte(14) << 16 | byte(15) << 24;
    if (byte(23) & 0x80)
        length += 32;
    if (length + 128 > s.size() || s.bytes(s.size() - length - 128, 3) != "TAG")
        return 0;
    return s.size() - length - 128;
}

Fields misplacedId3v1(const ByteSource& s) {
    Fields out;
    uint64_t at = misplacedAt(s);
    if (at == 0)
        return out;
    std::string b = s.bytes(at, 128);
    auto add = [&](const char* key, size_t from, size_t length) {
        std::string v = b.substr(from, length);
        v = v.substr(0, v.find('\0'));
        while (!v.empty() && v.back() == ' ')
            v.pop_back();
        if (!v.empty())
            out[key] = {TagLib::String(v, TagLib::String::Latin1).to8Bit(true)};
    };
    add("title", 3, 30);
    add("artist", 33, 30);
    add("album", 63, 30);
    add("date", 93, 4);
    add("comment", 97, 28);
    return out;
}

void dropMisplacedId3v1(OverlayStream& overlay, std::vector<std::string>& notes) {
    uint64_t at = misplacedAt(overlay);
    if (at == 0)
        return;
    overlay.replaceRange(at, 128, {});
    notes.emplace_back(
        "An ID3v1 tag in the wrong place, in front of the APE tag, was removed; what only it held was "
        "kept.");
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

/// A file opened on an overlay of its own, to be changed there.
struct Attempt {
    std::unique_ptr<OverlayStream> overlay;
    std::unique_ptr<TagLib::File> file;
    std::vector<std::string> notes;
};

Result<Attempt> openForEdit(const Path& path, std::shared_ptr<FileSource> source, Format format) {
    Attempt attempt;
    attempt.overlay = std::make_unique<OverlayStream>(std::move(source), path);
    if (format == Format::Mp3)
        dropMisplacedId3v1(*attempt.overlay, attempt.notes);
    MendedFrames mended = mendFrames(*attempt.overlay, format);
    if (!mended.damaged.empty())
        return Error{ErrorKind::Damaged, path,
                     "The ID3v2 tag holds parts that make no sense (" + text::join(mended.damaged, ", ") +
                         "), and writing would lose them. Nothing was changed."};
    if (mended.empty > 0)
        attempt.notes.emplace_back("Frames of the ID3v2 tag that held nothing at all were removed.");
    attempt.file = openWithTagLib(attempt.overlay.get(), format, false);
    if (!attempt.file || !attempt.file->isValid())
        return unreadable(path, format);
    return attempt;
}

/// All that a change of some fields must leave as it is.
struct Held {
    Fields fields;
    std::vector<std::string> unknown, pictures;
    std::vector<std::string> badText; // keys of fields whose text is not stored as it should be
};

Held heldBy(TagLib::File& file, const ByteSource& source, Format format) {
    Held held;
    std::vector<TagPart> parts = readParts(file, source, format);
    held.fields = fieldsOf(parts);
    for (TagPart& part : parts) {
        std::move(part.badText.begin(), part.badText.end(), std::back_inserter(held.badText));
        std::move(part.unknown.begin(), part.unknown.end(), std::back_inserter(held.unknown));
    }
    for (const Picture& p : readPictures(file, format, true))
        held.pictures.push_back(p.info.type + '\n' + p.info.description + '\n' + audio::bytesHash(p.data));
    std::sort(held.unknown.begin(), held.unknown.end());
    std::sort(held.pictures.begin(), held.pictures.end());
    return held;
}

/// Saves onto the overlay, reads it back, compares.
Result<PreparedEdit> tryEdit(const Path& path, Attempt attempt, Format format, const Held& before,
                             const Fields& wanted, const std::vector<std::string>& changed,
                             Id3Version version) {
    PreparedEdit edit;
    edit.format = format;
    edit.before = before.fields;
    OverlayStream& overlay = *attempt.overlay;
    edit.original = overlay.original();
    edit.notes = std::move(attempt.notes);
    Properties properties = propertiesForChange(wanted, changed, format);
    if (!writeProperties(*attempt.file, overlay, format, properties, version, edit.notes))
        return Error{ErrorKind::Unsupported, path, "The tags of this file could not be changed."};
    attempt.file.reset();
    if (overlay.isExhausted())
        return Error{
            ErrorKind::Damaged, path,
            "The file is too long to be looked through for what its structure says should be there. It is "
            "not written to."};
    refit(overlay, format);
    overlay.seek(0);
    auto again = openWithTagLib(&overlay, format, false);
    if (!again || !again->isValid())
        return Error{ErrorKind::Unsupported, path,
                     "The file would not be readable after this change, so it was not made."};
    const Held held = heldBy(*again, overlay, format);
    edit.after = held.fields;
    std::vector<std::string> bad = differing(wanted, edit.after);
    if (held.unknown != before.unknown)
        bad.emplace_back("parts of the tag that were not understood");
    if (held.pictures != before.pictures)
        bad.emplace_back("the pictures");
    if (!bad.empty())
        return Error{ErrorKind::Unsupported, path,
                     "This file cannot hold what was asked without harm to: " + text::join(bad, ", ") +
                         ". Nothing was changed."};
    edit.recipe = overlay.recipe();
    return edit;
}

} // namespace

namespace {

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
    TagFile out;
    std::unique_ptr<TagLib::File> file;
    const MendedFrames mended = mendFrames(*opened->stream, format);
    if (!opened->cutShort.empty())
        endLastChunk(*opened->stream, format);
    // For these TagLib would look for the last page, and put all heads together, to tell how long it is.
    const auto ogg = audio::oggSound(*opened->source, format);
    if (!audio::isReadOnly(format))
        file = openWithTagLib(opened->stream.get(), format, !ogg);
    if (file && file->isValid()) {
        out.format = format;
        out.facts = ogg ? factsOf(*ogg, format) : readFacts(*file, format);
        readEncoding(*file, *opened->source, format, out.facts);
        if (format == Format::Wav)
            out.facts.remarks = wavRemarks(*opened->source);
        std::vector<TagPart> parts = readParts(*file, *opened->source, format);
        out.fields = fieldsOf(parts);
        if (parts.size() > 1)
            out.differences = differencesOf(parts, out.fields);
        for (TagPart& part : parts) {
            out.tags.push_back(std::move(part.name));
            std::move(part.unknown.begin(), part.unknown.end(), std::back_inserter(out.unknown));
        }
        out.unknown.insert(out.unknown.end(), mended.damaged.begin(), mended.damaged.end());
        for (const Picture& picture : readPictures(*file, format, false))
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
    auto file = openWithTagLib(opened->stream.get(), opened->format, false);
    if (!file || !file->isValid())
        return unreadable(path, opened->format);
    return readPictures(*file, opened->format, true);
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

Status confirm(PreparedEdit& edit) {
    if (!isSound(edit.recipe, edit.original->size()))
        return Error{ErrorKind::Damaged, {}, "The change could not be worked out, so it was refused."};
    edit.how = classify(edit.recipe, *edit.original);
    if (edit.how == CommitClass::Nothing) {
        edit.notes.clear();
        return Done{};
    }
    return audio::sameEssence(*edit.original, edit.recipe, edit.format);
}

Result<PreparedEdit> prepareEdit(const Path& path, const Fields& changes) {
    auto edit = makeEdit(path, changes);
    if (edit)
        if (Status fine = confirm(*edit); !fine)
            return Error{fine.error().kind, path, fine.error().message};
    return edit;
}

Result<PreparedEdit> makeEdit(const Path& path, const Fields& changes) {
    for (const auto& [key, values] : changes)
        if (std::string why = whyNotValid(key, values); !why.empty())
            return Error{ErrorKind::Invalid, path, why};
    auto opened = openAndDetect(path, true);
    if (!opened)
        return opened.error();
    if (!opened->cutShort.empty())
        return Error{ErrorKind::Damaged, path, opened->cutShort + " Damaged files are not written to."};
    if (audio::isReadOnly(opened->format))
        return Error{ErrorKind::Unsupported, path,
                     audio::formatName(opened->format) +
                         " files are shown, but Moorfrost does not write to them."};
    const Format format = opened->format;
    if (format == Format::Mp4 && !isMp4IndexSound(*opened->source))
        return Error{ErrorKind::Damaged, path,
                     "The index of the file is damaged. Damaged files are not written to."};
    auto first = openForEdit(path, opened->source, format);
    if (!first)
        return first.error();
    const Held before = heldBy(*first->file, *first->overlay, format);

    std::vector<std::string> changed;
    for (const auto& [key, values] : changes)
        changed.push_back(key);
    Fields wanted = applied(before.fields, changes);
    if (format == Format::Mp3) // what only a misplaced tag knows is kept, in its proper place
        for (const auto& [key, values] : misplacedId3v1(*opened->source))
            if (!wanted.contains(key) && !changes.contains(key)) {
                wanted[key] = values;
                changed.push_back(key);
            }
    for (const std::string& key : before.badText)
        if (!changes.contains(key)) { // TagLib would drop it
            changed.push_back(key);
            first->notes.push_back(labelOf(key) + " was not stored as UTF-8, as it should be. Now it is.");
        }
    auto edit = tryEdit(path, std::move(*first), format, before, wanted, changed, Id3Version::Keep);
    bool hasId3 = format == Format::Mp3 || format == Format::Wav || format == Format::Aiff;
    if (edit || !(hasId3 || format == Format::Asf))
        return edit;
    // ID3v2.3 has no place for some things (a date of year and month, sort forms, mood).
    auto second = openForEdit(path, opened->source, format);
    if (!second)
        return second.error();
    auto newer = tryEdit(path, std::move(*second), format, before, wanted, changed, Id3Version::Four);
    if (!newer)
        return edit;
    if (hasId3)
        newer->notes.emplace_back("The tag was stored as ID3v2.4, because ID3v2.3 cannot hold all of it.");
    return newer;
}

} // namespace moorfrost::tags
