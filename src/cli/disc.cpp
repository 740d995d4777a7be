// SPDX-License-Identifier: GPL-3.0-or-later
// disc: the table of contents of discs.
#include <set>

#include <fmt/format.h>

#include "cli/json_out.h"
#include "cli/references.h"
#include "cli/sets.h"
#include "core/audio/encode.h"
#include "core/disc/find_disc.h"
#include "core/disc/rip_plan.h"
#include "core/text/text.h"

namespace moorfrost::cli {

namespace {

Json tocJson(const disc::DiscImage& image) {
    Json out;
    putPath(out, image.sheetFile);
    const disc::Toc& toc = image.toc;
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
    for (const disc::CdTextBlock& block : image.text.blocks) {
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
    out["notes"] = image.notes;
    return out;
}

} // namespace

namespace {

/// Whose numbers were given; all of a disc where none were.
std::set<int> wantedTracks(const Options& options) {
    std::set<int> out;
    for (const std::string& n : text::split(options.list, ","))
        if (text::isDigits(n) && n.size() < 4)
            out.insert(std::atoi(n.c_str()));
    return out;
}

int ripOne(const Path& sheet, const Options& options) {
    auto drive = disc::SimulatedDrive::open(std::filesystem::absolute(sheet));
    if (!drive) {
        say(drive.error().message);
        return 1;
    }
    const disc::DiscImage& image = (*drive)->image();
    disc::RipPlan plan = disc::usualPlan(image.toc, image.text, std::filesystem::absolute(options.into),
                                         options.format, text::forDisplay(sheet.stem().native()));
    plan.bitrate = static_cast<int>(options.limit) * 1000;
    const std::set<int> wanted = wantedTracks(options);
    std::erase_if(plan.tracks,
                  [&](const disc::RipTrack& t) { // what is before track 1 only if it is asked for
                      return wanted.empty() ? t.number == 0 : !wanted.contains(t.number);
                  });
    const disc::RipReport report = disc::rip(**drive, plan, {}, [](const disc::RipProgress&) {});
    for (const disc::TrackReport& t : report.tracks)
        if (!t.error.empty())
            say(fmt::format("Track {}: {}", t.number, t.error));
    if (Status kept = disc::keepReports(report); !kept)
        say(kept.error().message);
    print(Json::parse(disc::reportJson(report)));
    return report.complete ? 0 : 1;
}

/// One line for each release that the disc may be, the best first.
int findOne(const Path& sheet, const References& references) {
    auto image = disc::openImage(std::filesystem::absolute(sheet));
    if (!image) {
        say(image.error().message);
        return 1;
    }
    auto found =
        disc::findDisc(references.plain(), image->toc, disc::fieldsOf(image->toc, image->text, 0), {});
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
    if (options.step == "rip") {
        if (options.into.empty() || !audio::encodeFormat(options.format)) {
            say(options.into.empty() ? "Say with --into where the files are to be."
                                     : "\"" + options.format + "\" is no format to rip to.");
            return 2;
        }
        for (const Path& path : pathsOf(options))
            exitCode = std::max(exitCode, ripOne(path, options));
        return exitCode;
    }
    for (const Path& path : pathsOf(options)) {
        auto image = disc::openImage(std::filesystem::absolute(path));
        if (!image) {
            say(image.error().message);
            exitCode = 1;
            continue;
        }
        print(tocJson(*image));
    }
    return exitCode;
}

} // namespace moorfrost::cli
