// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/tags/tag_io.h"

#include <algorithm>
#include <cstdlib>

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
        if (def && def->kind == FieldKind::Flag && v == std::vector<std::string>{"0"})
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
    // TagLib can crash on an MP4 file without its index.
    if (!opened.cutShort.empty() && opened.format == Format::Mp4)
        return Error{ErrorKind::Damaged, path, opened.cutShort};
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
    attempt.file = openWithTagLib(attempt.overlay.get(), format, false);
    if (!attempt.file || !attempt.file->isValid())
        return unreadable(path, format);
    return attempt;
}

/// Saves onto the overlay, reads it back, compares.
Result<PreparedEdit> tryEdit(const Path& path, Attempt attempt, Format format, const Fields& before,
                             const Fields& wanted, const std::vector<std::string>& changed,
                             Id3Version version) {
    PreparedEdit edit;
    edit.format = format;
    edit.before = before;
    OverlayStream& overlay = *attempt.overlay;
    edit.original = overlay.original();
    edit.notes = std::move(attempt.notes);
    Properties properties = propertiesForChange(wanted, changed, format);
    if (!writeProperties(*attempt.file, overlay, format, properties, version, edit.notes))
        return Error{ErrorKind::Unsupported, path, "The tags of this file could not be changed."};
    attempt.file.reset();
    refit(overlay, format);
    overlay.seek(0);
    auto again = openWithTagLib(&overlay, format, false);
    if (!again || !again->isValid())
        return Error{ErrorKind::Unsupported, path,
                     "The file would not be readable after this change, so it was not made."};
    edit.after = fieldsFromProperties(readProperties(*again, format));
    std::vector<std::string> bad = differing(wanted, edit.after);
    if (!bad.empty())
        return Error{ErrorKind::Unsupported, path,
                     "This file cannot hold what was asked without harm to: " + text::join(bad, ", ") +
                         ". Nothing was changed."};
    edit.recipe = overlay.recipe();
    edit.how = classify(edit.recipe, *edit.original);
    if (edit.how == CommitClass::Nothing)
        edit.notes.clear();
    else if (Status same = audio::sameEssence(*edit.original, edit.recipe, format); !same)
        return Error{same.error().kind, path, same.error().message};
    return edit;
}

} // namespace

Result<TagFile> readTags(const Path& path) {
    auto opened = openAndDetect(path);
    if (!opened)
        return opened.error();
    auto file = openWithTagLib(opened->stream.get(), opened->format, true);
    if (!file || !file->isValid())
        return opened->cutShort.empty() ? unreadable(path, opened->format)
                                        : Error{ErrorKind::Damaged, path, opened->cutShort};
    TagFile out;
    out.format = opened->format;
    out.facts = readFacts(*file, out.format);
    out.facts.size = opened->source->size();
    if (out.format == Format::Mp3 && out.facts.sampleRate == 0)
        return Error{ErrorKind::Damaged, path, "The file has no sound in it that could be recognised."};
    out.fields = fieldsFromProperties(readProperties(*file, out.format));
    for (const Picture& picture : readPictures(*file, out.format))
        out.pictures.push_back(picture.info);
    if (!opened->cutShort.empty()) {
        out.damaged = true;
        out.notes.push_back(opened->cutShort);
    }
    Format byName = audio::formatByExtension(path);
    if (byName != out.format && byName != Format::Unknown)
        out.notes.emplace_back("The name ends in " + path.extension().string() + ", but the content is " +
                               audio::formatName(out.format) + ".");
    return out;
}

Result<std::vector<Picture>> readPictures(const Path& path) {
    auto opened = openAndDetect(path);
    if (!opened)
        return opened.error();
    auto file = openWithTagLib(opened->stream.get(), opened->format, false);
    if (!file || !file->isValid())
        return unreadable(path, opened->format);
    return readPictures(*file, opened->format);
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

Result<PreparedEdit> prepareEdit(const Path& path, const Fields& changes) {
    for (const auto& [key, values] : changes)
        if (std::string why = whyNotValid(key, values); !why.empty())
            return Error{ErrorKind::Invalid, path, why};
    auto opened = openAndDetect(path, true);
    if (!opened)
        return opened.error();
    if (!opened->cutShort.empty())
        return Error{ErrorKind::Damaged, path, opened->cutShort + " Damaged files are not written to."};
    if (opened->format == Format::Asf)
        return Error{ErrorKind::Unsupported, path,
                     "Where the sound lies in " + audio::formatName(opened->format) +
                         " files is not known to Moorfrost. So it is not written to."};
    const Format format = opened->format;
    auto first = openForEdit(path, opened->source, format);
    if (!first)
        return first.error();
    Fields before = fieldsFromProperties(readProperties(*first->file, format));

    std::vector<std::string> changed;
    for (const auto& [key, values] : changes)
        changed.push_back(key);
    Fields wanted = applied(before, changes);
    if (format == Format::Mp3) // what only a misplaced tag knows is kept, in its proper place
        for (const auto& [key, values] : misplacedId3v1(*opened->source))
            if (!wanted.contains(key) && !changes.contains(key)) {
                wanted[key] = values;
                changed.push_back(key);
            }
    auto edit = tryEdit(path, std::move(*first), format, before, wanted, changed, Id3Version::Keep);
    bool hasId3 = format == Format::Mp3 || format == Format::Wav || format == Format::Aiff;
    if (edit || !hasId3)
        return edit;
    // ID3v2.3 has no place for some things (a date of year and month, sort forms, mood).
    auto second = openForEdit(path, opened->source, format);
    if (!second)
        return second.error();
    auto newer = tryEdit(path, std::move(*second), format, before, wanted, changed, Id3Version::Four);
    if (!newer)
        return edit;
    newer->notes.emplace_back("The tag was stored as ID3v2.4, because ID3v2.3 cannot hold all of it.");
    return newer;
}

} // namespace moorfrost::tags
