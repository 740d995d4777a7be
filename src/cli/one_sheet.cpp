// SPDX-License-Identifier: GPL-3.0-or-later
// One-sheets: of songs or of a release, by a layout, as text, page, PDF or JSON.
#include <ctime>
#include <iostream>

#include <fmt/format.h>

#include "cli/json_out.h"
#include "cli/named.h"
#include "core/deliver/sheet_file.h"
#include "core/files/disk.h"
#include "core/text/text.h"

namespace moorfrost::cli {

namespace {

constexpr int wrongly = 2;

/// By the name of one that is kept, or a file with one; nullopt after saying why.
std::optional<deliver::SheetOf> subjectOf(library::Store& store, const Options& options) {
    deliver::SheetOf of;
    if (!options.edition.empty()) {
        if (!options.paths.empty()) {
            say("Either songs or a release.");
            return std::nullopt;
        }
        const auto release = releaseNamed(store, options.edition);
        if (!release)
            return std::nullopt;
        of.release = *release;
        return of;
    }
    for (const Path& path : pathsOf(options)) {
        const library::FileId file = store.files().idOf(std::filesystem::absolute(path).lexically_normal());
        if (file == 0) {
            say("\"" + text::forDisplay(path.native()) + "\" is not in the library.");
            return std::nullopt;
        }
        of.songs.push_back(file);
    }
    if (of.songs.empty()) {
        say("Of what? Files that the library knows are expected, or --release.");
        return std::nullopt;
    }
    if (of.songs.size() > deliver::mostSongs) {
        say(fmt::format("A sheet has at most {} songs.", deliver::mostSongs));
        return std::nullopt;
    }
    return of;
}

int listLayouts(library::Store& store) {
    for (const deliver::SheetLayout& layout :
         deliver::layoutsFrom(store.settings().get(library::settings::sheetLayouts)))
        std::cout << deliver::layoutJson(layout) << "\n";
    return 0;
}

} // namespace

int oneSheet(const Options& options) {
    auto store = openLibrary(options);
    if (!store)
        return 1;
    if (options.step == "layouts")
        return listLayouts(*store);
    const auto layout =
        layoutMeant(deliver::layoutsFrom(store->settings().get(library::settings::sheetLayouts)),
                    options.layout, deliver::layoutNamed, deliver::layoutFromJson);
    if (!layout)
        return wrongly;
    deliver::SheetFile kind = options.json ? deliver::SheetFile::Json : deliver::SheetFile::Text;
    if (!options.to.empty()) {
        const auto wanted = deliver::sheetFileOf(options.to);
        if (!wanted) {
            say("A sheet is written as .pdf, .html, .txt or .json: \"" + options.to +
                "\" ends in none of these.");
            return wrongly;
        }
        kind = *wanted;
    }
    const auto of = subjectOf(*store, options);
    if (!of)
        return wrongly;
    const auto people = library::People::make(library::keptCards(*store));
    const deliver::SheetSubject subject = deliver::sheetSubject(*store, *people, *of);
    deliver::SheetPictures pictures;
    if (kind == deliver::SheetFile::Pdf || kind == deliver::SheetFile::Html)
        pictures =
            deliver::readPictures(deliver::picturesOf(*store, subject, deliver::oneSheet(subject, *layout)));
    const auto bytes = deliver::sheetBytes(kind, subject, *layout, pictures, std::time(nullptr));
    if (!bytes) {
        say(bytes.error().message);
        return 1;
    }
    for (const deliver::SheetGap& gap : deliver::sheetGaps(subject, *layout))
        say("Missing: " + gap.sentence + ".");
    if (options.to.empty()) {
        std::cout << *bytes;
        return 0;
    }
    if (const Status written = files::writeWhole(options.to, *bytes); !written) {
        say(written.error().message);
        return 1;
    }
    return 0;
}

} // namespace moorfrost::cli
