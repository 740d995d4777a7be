// SPDX-License-Identifier: GPL-3.0-or-later
// disc: the table of contents of discs.
#include "cli/disc.h"
#include "cli/json_out.h"
#include "cli/references.h"
#include "core/disc/drives.h"
#include "core/disc/find_disc.h"
#include "core/disc/rip_plan.h"
#include "core/disc/ripper.h"
#include "core/text/text.h"

namespace moorfrost::cli {

namespace {

Json tocJson(const Path& drive, const disc::Toc& toc, const disc::CdText& text,
             const std::vector<std::string>& notes) {
    Json out;
    putPath(out, drive);
    out["table"] = toc.table();
    out["media_number"] = toc.mediaNumber.empty() ? Json(nullptr) : Json(toc.mediaNumber);
    out["sectors"] = toc.leadOut;
    out["before_first"] = toc.beforeFirst();
    out["tracks"] = Json::array();
    for (const disc::TocTrack& t : toc.tracks) {
        Json j{{"number", t.number}, {"audio", t.audio},   {"start", t.start},
               {"gap", t.gap},       {"length", t.length}, {"time", disc::shownTime(t.length)}};
        j["isrc"] = t.isrc.empty() ? Json(nullptr) : Json(t.isrc);
        j["pre_emphasis"] = t.preEmphasis;
        j["copy_permitted"] = t.copyPermitted;
        out["tracks"].push_back(std::move(j));
    }
    out["cd_text"] = Json::array();
    for (const disc::CdTextBlock& block : text.blocks) {
        Json b{{"language", block.language.empty() ? Json(nullptr) : Json(block.language)}};
        if (!block.genre.empty())
            b["genre"] = block.genre;
        if (!block.discId.empty())
            b["disc_id"] = block.discId;
        b["of_disc"] = Json::object();
        b["of_tracks"] = Json::object();
        for (const auto& [track, entry] : block.entries)
            (track == 0 ? b["of_disc"] : b["of_tracks"][std::to_string(track)]) = entry.texts;
        out["cd_text"].push_back(std::move(b));
    }
    out["notes"] = notes;
    return out;
}

/// One line for each release that the disc may be, the best first.
int findOne(const Path& sheet, const References& references) {
    auto look = lookAt(sheet);
    if (!look) {
        say(look.error().message);
        return 1;
    }
    auto found = disc::findDisc(references.plain(), look->toc, disc::fieldsOf(look->toc, look->text, 0), {});
    if (!found) {
        say(found.error().message);
        return 1;
    }
    for (const disc::Variant& v : *found) {
        Json line;
        putPath(line, sheet);
        line["table"] = v.distance < 0 ? "not told" : v.distance == 0 ? "same" : "like";
        line["medium"] = v.medium + 1;
        line["release"] = releaseJson(v.release, v.reference);
        print(line);
    }
    return found->empty() ? 1 : 0;
}

} // namespace

Result<disc::DriveLook> lookAt(const Path& drive) {
    if (disc::isDevice(drive))
        return disc::lookAtDrive(drive);
    auto image = disc::openImage(std::filesystem::absolute(drive));
    if (!image)
        return image.error();
    return disc::DriveLook{text::forDisplay(drive.filename().native()), std::move(image->toc),
                           std::move(image->text)};
}

int disc(const Options& options) {
    int exitCode = 0;
    if (options.step == "find") {
        auto store = openLibrary(options);
        if (!store)
            return 1;
        const References references = referencesOf(*store, options);
        for (const Path& path : pathsOf(options))
            exitCode = std::max(exitCode, findOne(path, references));
        return exitCode;
    }
    if (options.step == "rip")
        return ripDiscs(options);
    for (const Path& path : pathsOf(options)) {
        if (disc::isDevice(path)) {
            auto look = disc::lookAtDrive(path);
            if (look)
                print(tocJson(path, look->toc, look->text, {}));
            else
                say(look.error().message);
            exitCode = std::max(exitCode, look ? 0 : 1);
            continue;
        }
        auto image = disc::openImage(std::filesystem::absolute(path));
        if (!image) {
            say(image.error().message);
            exitCode = 1;
            continue;
        }
        print(tocJson(image->sheetFile, image->toc, image->text, image->notes));
    }
    return exitCode;
}

} // namespace moorfrost::cli
