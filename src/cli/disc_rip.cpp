// SPDX-License-Identifier: GPL-3.0-or-later
// disc rip: files of the tracks of discs.
#include <algorithm>
#include <charconv>
#include <cstdlib>
#include <set>

#include <fmt/format.h>

#include "cli/disc.h"
#include "cli/json_out.h"
#include "cli/references.h"
#include "cli/sets.h"
#include "core/audio/encode.h"
#include "core/disc/find_disc.h"
#include "core/disc/rip_check.h"
#include "core/disc/rip_places.h"
#include "core/files/disk.h"
#include "core/files/safe_name.h"
#include "core/library/writing.h"
#include "core/text/text.h"

namespace moorfrost::cli {

namespace {

/// Whose numbers were given; all of a disc where none were.
std::set<int> wantedTracks(const Options& options) {
    std::set<int> out;
    for (const std::string& n : text::split(options.list, ","))
        if (text::isDigits(n) && n.size() < 4)
            out.insert(std::atoi(n.c_str()));
    return out;
}

/// The edition that was asked for: "cairn:night-post-cd". Its medium is the one with this table, else the
/// first with as many tracks.
Result<disc::Variant> editionOf(const std::string& number, const References& references,
                                const disc::Toc& toc) {
    const size_t colon = number.find(':');
    const std::string key = colon == std::string::npos ? std::string() : number.substr(0, colon),
                      id = colon == std::string::npos ? number : number.substr(colon + 1);
    std::optional<Error> failed;
    for (reference::Reference* r : references.plain()) {
        if (!key.empty() && r->key() != key)
            continue;
        auto release = r->fetch(id, {});
        if (!release) {
            failed = release.error();
            continue;
        }
        std::optional<disc::Variant> best;
        for (size_t m = 0; m < release->media.size(); ++m) {
            if (release->media[m].tracks.size() != toc.tracks.size())
                continue;
            const disc::Toc there = disc::tocOf(release->media[m]);
            const int32_t distance = there.tracks.empty() ? -1 : disc::tableDistance(toc, there);
            if (!best || (distance >= 0 && (best->distance < 0 || distance < best->distance)))
                best = disc::Variant{r->key(), r->name(), *release, m, distance};
        }
        if (best)
            return *best;
        return Error{ErrorKind::Invalid, {}, "No medium of this edition has as many tracks as the disc."};
    }
    return failed ? *failed : Error{ErrorKind::NotFound, {}, "There is no reference \"" + key + "\"."};
}

/// The plan, with names below the folder that was asked for; an Error with a sentence.
Result<disc::RipPlan> planOf(const Options& options, const Path& drive, const disc::DriveLook& look,
                             const disc::Variant* edition) {
    const std::string name = text::forDisplay(drive.stem().native());
    const Path root = std::filesystem::absolute(options.shelf.empty() ? options.into : options.shelf);
    disc::RipPlan plan = disc::usualPlan(look.toc, look.text, root, options.format, name);
    for (disc::RipTrack& t : plan.tracks)
        if (edition) {
            const auto at =
                std::ranges::find(look.toc.tracks, std::max(1, t.number), &disc::TocTrack::number);
            const auto place = static_cast<size_t>(at - look.toc.tracks.begin());
            t.fields =
                bench::fieldsOfDiscTrack(t.fields, t.number, edition->release, edition->medium,
                                         place < look.toc.tracks.size() ? place : 0, edition->reference);
        }
    plan.bitrate = static_cast<int>(options.limit) * 1000;
    plan.eject = options.eject;
    const std::set<int> wanted = wantedTracks(options);
    std::erase_if(plan.tracks,
                  [&](const disc::RipTrack& t) { // what is before track 1 only if it is asked for
                      return wanted.empty() ? t.number == 0 : !wanted.contains(t.number);
                  });
    if (options.plan.empty())
        return plan;
    auto parsed = naming::parsePlan(options.plan);
    const auto* names = std::get_if<naming::Plan>(&parsed);
    if (!names)
        return Error{ErrorKind::Invalid, {}, std::get<naming::PlanError>(parsed).message};
    const auto places = disc::placeByPlan(plan, *names, root, files::profileFromKey(options.names), name);
    for (size_t i = 0; i < places.size(); ++i)
        if (places[i].blocked())
            for (const placing::Mark& m : places[i].marks)
                say(fmt::format("Track {}: {}", plan.tracks[i].number, m.text));
    return plan;
}

/// "+6", "-12": within what drives have.
std::optional<int> offsetFrom(std::string_view text) {
    if (text.starts_with('+'))
        text.remove_prefix(1);
    int out = 0;
    const auto [end, error] = std::from_chars(text.data(), text.data() + text.size(), out);
    const bool whole = error == std::errc() && end == text.data() + text.size();
    return whole && std::abs(out) <= disc::mostOffset ? std::optional(out) : std::nullopt;
}

/// In the journal as one set, where the files lie on a shelf of the library.
class Recorder {
public:
    Recorder(const Options& options, const std::string& title) {
        if (options.shelf.empty())
            return;
        store_ = openLibrary(options);
        if (store_)
            made_.emplace(*store_, title);
    }
    void add(const Path& file, const tags::Fields& fields, const std::vector<Path>& folders) {
        if (!made_)
            return;
        if (Status added = made_->add(file, fields, folders); !added)
            say(added.error().message);
    }
    int64_t set() const { return made_ ? made_->set() : 0; }

private:
    std::unique_ptr<library::Store> store_;
    std::optional<library::MadeFiles> made_;
};

int ripOne(const Path& drive, const Options& options, const References* references) {
    auto look = lookAt(drive);
    if (!look) {
        say(look.error().message);
        return 1;
    }
    std::optional<disc::Variant> edition;
    if (references) {
        auto found = editionOf(options.edition, *references, look->toc);
        if (!found) {
            say(found.error().message);
            return 1;
        }
        edition = std::move(*found);
    }
    const reference::Medium* medium = edition ? &edition->release.media[edition->medium] : nullptr;
    auto plan = planOf(options, drive, *look, edition ? &*edition : nullptr);
    if (!plan) {
        say(plan.error().message);
        return 2;
    }
    const size_t asked = plan->tracks.size();
    std::erase_if(plan->tracks, [](const disc::RipTrack& t) { return t.target.empty(); });
    if (options.offset == "find" && medium) {
        auto offset = disc::offsetOfDrive(drive, look->toc, *medium, {});
        if (offset && *offset)
            plan->offset = **offset;
        else
            say(offset ? "The offset of the drive could not be found with this disc."
                       : offset.error().message);
    } else if (!options.offset.empty() && options.offset != "find") {
        plan->offset = *offsetFrom(options.offset);
    }
    const std::string& album =
        plan->tracks.empty() ? look->name : tags::firstValue(plan->tracks.front().fields, "album");
    Recorder recorder(options, "Rip " + (album.empty() ? look->name : album));
    disc::RipReport report = disc::ripInProcess(
        drive, *plan, {}, [](const disc::RipProgress&) {},
        [&](const disc::TrackReport& t) {
            const auto track = std::ranges::find(plan->tracks, t.number, &disc::RipTrack::number);
            if (!t.file.empty() && track != plan->tracks.end())
                recorder.add(t.file, track->fields, t.folders);
        });
    if (medium)
        disc::compareReadings(report, *medium);
    for (const disc::TrackReport& t : report.tracks)
        if (!t.error.empty())
            say(fmt::format("Track {}: {}", t.number, t.error));
    if (report.tracks.empty() && !report.ended.empty())
        say(report.ended);
    const auto first =
        std::ranges::find_if(report.tracks, [](const disc::TrackReport& t) { return !t.file.empty(); });
    if (first != report.tracks.end()) {
        const disc::ReportFiles files = disc::placeForReports(first->file.parent_path());
        if (Status kept = disc::keepReports(report, files); !kept)
            say(kept.error().message);
        else
            for (const Path& file : {files.text, files.json, files.sheet})
                recorder.add(file, {}, {});
    }
    if (!options.log.empty())
        if (Status kept = files::writeWhole(std::filesystem::absolute(options.log),
                                            disc::reportText(report, disc::folderOf(report)));
            !kept)
            say(kept.error().message);
    Json out = Json::parse(disc::reportJson(report, disc::folderOf(report)));
    if (recorder.set() > 0)
        out["set"] = recorder.set();
    print(out);
    return report.complete && report.tracks.size() == asked ? 0 : 1;
}

} // namespace

int ripDiscs(const Options& options) {
    const bool nowhere = options.into.empty() == options.shelf.empty();
    if (nowhere || !audio::encodeFormat(options.format) || (!options.shelf.empty() && options.plan.empty())) {
        say(nowhere ? "Say with --into or with --shelf where the files are to be."
            : !audio::encodeFormat(options.format) ? "\"" + options.format + "\" is no format to rip to."
                                                   : "Say with --plan how the files on the shelf are named.");
        return 2;
    }
    if (!options.offset.empty() && options.offset != "find" && !offsetFrom(options.offset)) {
        say("An offset is a number of samples, at most 2,940 either way, or \"find\".");
        return 2;
    }
    if (options.offset == "find" && options.edition.empty()) {
        say("Say with --edition what the disc is: the offset is found by what others have read of it.");
        return 2;
    }
    int exitCode = 0;
    std::unique_ptr<library::Store> store;
    std::optional<References> references;
    if (!options.edition.empty()) {
        store = openLibrary(options);
        if (!store)
            return 1;
        references = referencesOf(*store, options);
    }
    for (const Path& path : pathsOf(options))
        exitCode = std::max(exitCode, ripOne(path, options, references ? &*references : nullptr));
    return exitCode;
}

} // namespace moorfrost::cli
