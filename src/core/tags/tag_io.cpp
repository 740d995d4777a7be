// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/tags/tag_io.h"

#include <algorithm>
#include <cstdlib>

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

struct Opened {
    std::shared_ptr<FileSource> source;
    std::unique_ptr<OverlayStream> stream;
    Format format = Format::Unknown;
    std::string cutShort;
};

Result<Opened> openAndDetect(const Path& path) {
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
    opened.cutShort = audio::whyCutShort(*opened.source, opened.format);
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

/// One attempt: save onto a fresh overlay, read it back, compare.
Result<PreparedEdit> tryEdit(const Path& path, std::shared_ptr<FileSource> source, Format format,
                             const Fields& before, const Fields& wanted,
                             const std::vector<std::string>& changed, Id3Version version) {
    PreparedEdit edit;
    edit.format = format;
    edit.before = before;
    edit.overlay = std::make_unique<OverlayStream>(source, path);
    Properties properties = propertiesForChange(wanted, changed, format);
    {
        auto file = openWithTagLib(edit.overlay.get(), format, false);
        if (!file || !file->isValid())
            return unreadable(path, format);
        if (!writeProperties(*file, format, properties, version))
            return Error{ErrorKind::Unsupported, path, "The tags of this file could not be changed."};
    }
    edit.overlay->seek(0);
    auto again = openWithTagLib(edit.overlay.get(), format, false);
    if (!again || !again->isValid())
        return Error{ErrorKind::Unsupported, path,
                     "The file would not be readable after this change, so it was not made."};
    edit.after = fieldsFromProperties(readProperties(*again, format));
    std::vector<std::string> bad = differing(wanted, edit.after);
    if (!bad.empty())
        return Error{ErrorKind::Unsupported, path,
                     "This file cannot hold what was asked without harm to: " + text::join(bad, ", ") +
                         ". Nothing was changed."};
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
        out.notes.push_back("The name ends in " + path.extension().string() + ", but the content is " +
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
    auto opened = openAndDetect(path);
    if (!opened)
        return opened.error();
    if (!opened->cutShort.empty())
        return Error{ErrorKind::Damaged, path, opened->cutShort + " Damaged files are not written to."};
    auto essence = audio::essenceOf(*opened->source, opened->format);
    if (!essence) {
        Error error = essence.error();
        error.path = path;
        error.message += " So it is not written to.";
        return error;
    }
    auto file = openWithTagLib(opened->stream.get(), opened->format, false);
    if (!file || !file->isValid())
        return unreadable(path, opened->format);
    Fields before = fieldsFromProperties(readProperties(*file, opened->format));
    file.reset();

    std::vector<std::string> changed;
    for (const auto& [key, values] : changes)
        changed.push_back(key);
    Fields wanted = applied(before, changes);
    if (changed.empty()) {
        PreparedEdit nothing;
        nothing.overlay = std::move(opened->stream);
        nothing.format = opened->format;
        nothing.essence = *essence;
        nothing.before = nothing.after = before;
        nothing.unchanged = true;
        return nothing;
    }
    auto edit = tryEdit(path, opened->source, opened->format, before, wanted, changed, Id3Version::Keep);
    bool hasId3 =
        opened->format == Format::Mp3 || opened->format == Format::Wav || opened->format == Format::Aiff;
    if (!edit && hasId3) {
        // ID3v2.3 has no place for some things (a date of year and month, sort forms, mood).
        auto newer = tryEdit(path, opened->source, opened->format, before, wanted, changed, Id3Version::Four);
        if (newer) {
            newer->notes.push_back("The tag was stored as ID3v2.4, because ID3v2.3 cannot hold all of it.");
            edit = std::move(newer);
        }
    }
    if (!edit)
        return edit.error();
    auto after = audio::essenceOf(*edit->overlay, edit->format);
    if (!after || after->hash != essence->hash || after->bytes != essence->bytes)
        return Error{ErrorKind::Damaged, path,
                     "This change would alter the sound itself, so it was refused."};
    edit->essence = *essence;
    edit->unchanged = edit->overlay->unchanged();
    return edit;
}

} // namespace moorfrost::tags
