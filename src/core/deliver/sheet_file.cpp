// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/deliver/sheet_file.h"

#include "core/files/safe_name.h"
#include "core/text/text.h"

namespace moorfrost::deliver {

std::optional<SheetFile> sheetFileOf(const Path& name) {
    const std::string ending = text::lower(name.extension().native());
    if (ending == ".txt")
        return SheetFile::Text;
    if (ending == ".html" || ending == ".htm")
        return SheetFile::Html;
    if (ending == ".pdf")
        return SheetFile::Pdf;
    if (ending == ".json")
        return SheetFile::Json;
    return std::nullopt;
}

Result<std::string> sheetBytes(SheetFile kind, const SheetSubject& subject, const SheetLayout& layout,
                               const SheetPictures& pictures, int64_t when) {
    const SheetDocument document = oneSheet(subject, layout);
    if (document.items.empty())
        return Error{ErrorKind::Invalid, {}, "There is no song on the sheet."};
    switch (kind) {
    case SheetFile::Text:
        return sheetText(document);
    case SheetFile::Html:
        return sheetHtml(document, pictures);
    case SheetFile::Json:
        return sheetJson(subject, layout);
    case SheetFile::Pdf:
        break;
    }
    return SheetPages(document, pictures, when).pdf();
}

std::string sheetFileName(const SheetSubject& subject) {
    std::string artist = subject.artist;
    if (artist.empty() && !subject.songs.empty()) {
        artist = subject.songs.front().artist;
        for (const SheetSong& song : subject.songs)
            if (song.artist != artist)
                artist.clear();
    }
    const std::string name = artist.empty() ? subject.title : artist + " - " + subject.title;
    return files::safeName(name.empty() ? "One-sheet" : name, files::NameProfile::Portable);
}

} // namespace moorfrost::deliver
