// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/rip_task.h"

#include <algorithm>

#include "core/disc/ripper.h"
#include "core/library/sound_prints.h"
#include "core/library/writing.h"

namespace moorfrost::app {

namespace {

/// What the job records of a rip as it goes on: files in the journal and the library, reports beside them.
class RipRecord {
public:
    RipRecord(const RipTask& task, const disc::RipPlan& plan, RipOutcome& out)
        : task_(task), plan_(plan), out_(out), store_(library::Store::open(task.library)) {
        out_.reports = task.reports;
        if (store_)
            made_.emplace(**store_, task.title, task.set);
        else
            trouble(store_.error().message);
        soFar_.drive = task.driveName;
        soFar_.toc = task.toc;
        soFar_.format = plan.format;
        soFar_.verified = plan.reading.verify;
        soFar_.offset = plan.offset;
        soFar_.ended = "The rip goes on, or was cut short.";
    }

    void ended(const disc::TrackReport& track) {
        soFar_.tracks.push_back(track);
        if (track.file.empty())
            return;
        const auto planned = std::ranges::find(plan_.tracks, track.number, &disc::RipTrack::number);
        record(track.file, planned == plan_.tracks.end() ? tags::Fields() : planned->fields, track.folders);
        if (made_)
            for (const library::FileId id : made_->takeTouched())
                out_.files.emplace_back(track.number, id);
        keepReports(soFar_); // where it ends too early, it goes on with the next track
    }
    void finish(const disc::RipReport& report) {
        keepReports(report);
        if (!disc::folderOf(report).empty())
            for (const Path& file : {out_.reports.text, out_.reports.json, out_.reports.sheet})
                record(file, {}, {});
        if (made_)
            out_.set = made_->set();
    }

private:
    void trouble(const std::string& sentence) {
        if (std::ranges::find(out_.troubles, sentence) == out_.troubles.end())
            out_.troubles.push_back(sentence);
    }
    void record(const Path& file, const tags::Fields& fields, const std::vector<Path>& folders) {
        if (made_)
            if (Status added = made_->add(file, fields, folders); !added)
                trouble(added.error().message);
    }
    void keepReports(const disc::RipReport& report) {
        const Path folder = disc::folderOf(report);
        if (folder.empty())
            return;
        if (out_.reports.isEmpty())
            out_.reports = disc::placeForReports(folder);
        if (Status kept = disc::keepReports(disc::together(task_.earlier, report), out_.reports); !kept)
            trouble(kept.error().message);
    }

    const RipTask& task_;
    const disc::RipPlan& plan_;
    RipOutcome& out_;
    Result<std::unique_ptr<library::Store>> store_;
    std::optional<library::MadeFiles> made_;
    disc::RipReport soFar_;
};

Result<sound::Fingerprint> printOf(const Path& file, std::stop_token stop) {
    auto prints = library::fingerprintsOf(file, {1}, stop);
    if (!prints)
        return prints.error();
    if (prints->empty())
        return Error{ErrorKind::Damaged, file, "It has no sound."};
    return std::move(prints->front());
}

} // namespace

RipOutcome ripInJob(const RipTask& task, std::stop_token stop, work::Progress& progress,
                    const std::function<void(const disc::RipProgress&)>& going,
                    const std::function<void(const disc::TrackReport&)>& told) {
    RipOutcome out;
    disc::RipPlan plan = task.plan;
    const reference::Medium* medium = task.chosen ? task.chosen->mediumThere() : nullptr;
    if (task.findOffset && medium && !medium->readings.empty()) {
        auto offset = disc::offsetOfDrive(task.drive, task.toc, *medium, stop);
        if (offset && *offset) {
            out.offset = *offset;
            plan.offset = **offset;
        }
    }
    RipRecord record(task, plan, out);
    uint64_t sectors = 0;
    for (const disc::RipTrack& r : plan.tracks)
        sectors += static_cast<uint64_t>(r.length);
    progress.begin(sectors);
    size_t track = 0;
    int32_t done = 0;
    out.report = disc::ripInProcess(
        task.drive, plan, stop,
        [&](const disc::RipProgress& p) {
            progress.step({}, static_cast<uint64_t>(p.track == track ? p.done - done : p.done));
            track = p.track;
            done = p.done;
            going(p);
        },
        [&](const disc::TrackReport& t) {
            record.ended(t);
            told(t);
        });
    if (out.report.toc.tracks.empty())
        out.report.toc = task.toc;
    if (medium)
        disc::compareReadings(out.report, *medium);
    if (task.listen && !stop.stop_requested()) {
        out.heard = disc::listenToRip(
            out.report, medium, task.chosen ? task.chosen->reference : std::string(),
            ReferencesController::plain(task.references),
            [stop](const Path& file) { return printOf(file, stop); }, stop);
        out.report.heard = disc::sentenceOf(out.heard);
    }
    record.finish(out.report);
    return out;
}

} // namespace moorfrost::app
