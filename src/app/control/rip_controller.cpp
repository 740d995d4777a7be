// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/rip_controller.h"

#include <algorithm>

#include "app/shell/text_utils.h"
#include "core/files/disk.h"
#include "core/library/sound_prints.h"
#include "core/tags/kept_pictures.h"

namespace moorfrost::app {

using Disc = DiscsController::Disc;
using State = RipController::Track::State;

RipController::RipController(const Uses& use) : use_(use) {
    connect(&use_.writing, &WritingController::written, this, [this] { // a rip may have been taken back
        for (auto& [disc, rip] : rips_)
            rip.looked.clear();
        emit changed();
    });
    connect(&use_.discs, &DiscsController::changed, this,
            [this] { std::erase_if(rips_, [this](const auto& r) { return !use_.discs.find(r.first); }); });
}

const RipController::Rip& RipController::of(int disc) const {
    static const Rip none;
    const auto it = rips_.find(disc);
    return it == rips_.end() ? none : it->second;
}

Path RipController::rootOf(const RipSettings& settings) const {
    const std::vector<library::Shelf>& all = use_.shelves.all();
    const auto shelf = std::ranges::find(all, settings.shelf, &library::Shelf::id);
    return shelf != all.end()                   ? shelf->path
           : settings.shelf < 0 && !all.empty() ? all.front().path
                                                : settings.folder;
}

RipController::Planned RipController::planOf(const Disc& d, const RipSettings& settings) {
    Planned out;
    const bench::PlaceRules rules = use_.places.rules();
    auto parsed = naming::parsePlan(settings.plan, rules.customFields);
    const naming::Plan* plan = std::get_if<naming::Plan>(&parsed);
    const Path root = rootOf(settings);
    if (!plan) {
        out.problem = tr("The plan makes no sense: %1").arg(qs(std::get<naming::PlanError>(parsed).message));
        return out;
    }
    Rip& rip = rips_[d.number];
    rip.tracks.resize(d.tracks.size());
    const tags::Fields pictures = use_.pictures.fieldsOf(d.number);
    disc::RipPlan all = disc::usualPlan(d.toc, {}, root, settings.format, "disc");
    for (disc::RipTrack& r : all.tracks)
        for (const DiscsController::Track& t : d.tracks)
            if (t.entry.number == r.number)
                r.fields = t.fields;
    const std::string name = text::forDisplay(d.isImage ? d.drive.stem().native() : std::string("disc"));
    all.format = settings.format;
    std::vector<naming::Placement> places = disc::placeByPlan(all, *plan, root, rules.profile, name);
    disc::RipPlan wanted = all;
    wanted.tracks.clear();
    std::vector<Path> targets; // of those that are not files yet
    for (size_t i = 0; i < all.tracks.size(); ++i) {
        const auto t = std::ranges::find(d.tracks, all.tracks[i].number,
                                         [](const auto& track) { return track.entry.number; });
        if (t == d.tracks.end())
            continue;
        Track& done = rip.tracks[static_cast<size_t>(t - d.tracks.begin())];
        if (done.state == State::Ripped && ripping_ != d.number && !files::isThere(done.report.file)) {
            done = {}; // taken back, or moved by others
            use_.discs.setFixed(d.number, static_cast<size_t>(t - d.tracks.begin()), false);
        }
        if (done.state == State::Ripped && done.format == settings.format && done.root == root)
            continue;
        if (!t->wanted)
            continue;
        if (places[i].blocked() && !places[i].to.empty())
            targets.push_back(places[i].to);
        out.places.push_back(places[i]);
        wanted.tracks.push_back(all.tracks[i]);
    }
    if (!targets.empty() && ripping_ != d.number && rip.looked.insert(root / settings.format).second) {
        disc::RipPlan at = wanted;
        for (size_t i = 0; i < at.tracks.size(); ++i)
            at.tracks[i].target = out.places[i].to;
        noticeEarlier(d, rip, at, root);
        if (std::ranges::any_of(rip.tracks, [&](const Track& t) { return t.state == State::Ripped; }))
            return planOf(d, settings);
    }
    std::erase_if(wanted.tracks, [](const disc::RipTrack& t) { return t.target.empty(); });
    for (disc::RipTrack& t : wanted.tracks)
        for (const auto& [key, values] : pictures)
            t.fields[key] = values;
    wanted.bitrate = settings.bitrate;
    wanted.reading.verify = settings.verify;
    wanted.eject = settings.eject;
    wanted.pictures = use_.pictures.folder();
    if (const auto offset = offsetOfDrive(d.driveKey()))
        wanted.offset = offset->samples;
    out.plan = std::move(wanted);
    return out;
}

/// What was ripped before the program was started is a file already: it is not ripped again.
void RipController::noticeEarlier(const Disc& d, Rip& rip, const disc::RipPlan& plan, const Path& root) {
    std::vector<Path> targets;
    for (const disc::RipTrack& t : plan.tracks)
        targets.push_back(t.target);
    disc::EarlierRip earlier = disc::rippedEarlier(targets, plan.format, d.toc);
    for (disc::TrackReport& report : earlier.tracks)
        for (size_t i = 0; i < d.tracks.size(); ++i)
            if (d.tracks[i].entry.number == report.number && rip.tracks[i].state == State::Waiting) {
                Track& t = rip.tracks[i];
                t.state = State::Ripped;
                t.format = plan.format;
                t.root = root;
                t.doubtful = report.doubtful.size();
                t.bad =
                    static_cast<size_t>(std::ranges::count(report.doubtful, false, &disc::Doubtful::agreed));
                rip.folder = report.file.parent_path();
                t.report = std::move(report);
                use_.discs.setFixed(d.number, i, true);
            }
    if (!earlier.tracks.empty())
        rip.reports = earlier.reports;
}

struct RipController::Task {
    Path drive;
    QString driveName;
    disc::Toc toc;
    disc::RipPlan plan;
    std::optional<disc::Variant> chosen;
    bool findOffset = false; // of a drive that is not known
    bool listen = false;
    ReferencesController::Held references;
    std::vector<disc::TrackReport> earlier; // of the same rip, which goes on
    disc::ReportFiles reports;              // of these; empty: of a new one
    int64_t set = 0;
    std::string title;
    Path library;
};

RipController::Outcome RipController::work(const Task& task, std::stop_token stop, work::Progress& progress,
                                           const std::function<void(const disc::RipProgress&)>& going,
                                           const std::function<void(const disc::TrackReport&)>& told) {
    Outcome out;
    out.reports = task.reports;
    disc::RipPlan plan = task.plan;
    const reference::Medium* medium = task.chosen && task.chosen->medium < task.chosen->release.media.size()
                                          ? &task.chosen->release.media[task.chosen->medium]
                                          : nullptr;
    auto trouble = [&out](const std::string& sentence) {
        if (std::ranges::find(out.troubles, sentence) == out.troubles.end())
            out.troubles.push_back(sentence);
    };
    if (task.findOffset && medium && !medium->readings.empty()) {
        auto look = disc::lookAtDrive(task.drive, stop);
        auto offset = look ? disc::offsetOfDrive(task.drive, look->toc, *medium, stop)
                           : Result<std::optional<int>>(look.error());
        if (offset && *offset) {
            out.offset = *offset;
            plan.offset = **offset;
        }
    }
    auto store = library::Store::open(task.library);
    std::optional<library::MadeFiles> made;
    if (store)
        made.emplace(**store, task.title, task.set);
    else
        trouble(store.error().message);
    auto record = [&](const Path& file, const tags::Fields& fields, const std::vector<Path>& folders) {
        if (!made)
            return;
        if (Status added = made->add(file, fields, folders); !added)
            trouble(added.error().message);
    };
    disc::RipReport soFar;
    auto keep = [&](const disc::RipReport& report) {
        if (out.reports.isEmpty()) {
            const auto any = std::ranges::find_if(report.tracks,
                                                  [](const disc::TrackReport& t) { return !t.file.empty(); });
            if (any == report.tracks.end())
                return;
            out.reports = disc::placeForReports(any->file.parent_path());
        }
        if (Status kept = disc::keepReports(disc::together(task.earlier, report), out.reports); !kept)
            trouble(kept.error().message);
    };
    std::vector<FileId> ids;
    auto ended = [&](const disc::TrackReport& t) {
        told(t);
        soFar.tracks.push_back(t);
        if (t.file.empty())
            return;
        const auto r = std::ranges::find(plan.tracks, t.number, &disc::RipTrack::number);
        record(t.file, r == plan.tracks.end() ? tags::Fields() : r->fields, t.folders);
        if (made)
            for (const FileId id : made->takeTouched())
                out.files.emplace_back(t.number, id);
        keep(soFar); // where it ends too early, it goes on with the next track
    };
    uint64_t sectors = 0;
    for (const disc::RipTrack& r : plan.tracks)
        sectors += static_cast<uint64_t>(r.length);
    progress.begin(sectors);
    size_t track = 0;
    int32_t done = 0;
    soFar.format = plan.format;
    soFar.verified = plan.reading.verify;
    soFar.offset = plan.offset;
    soFar.drive = ss(task.driveName);
    soFar.ended = "The rip goes on, or was cut short.";
    soFar.toc = task.toc;
    out.report = disc::ripInProcess(
        task.drive, plan, stop,
        [&](const disc::RipProgress& p) {
            progress.step({}, static_cast<uint64_t>(p.track == track ? p.done - done : p.done));
            track = p.track;
            done = p.done;
            going(p);
        },
        ended);
    disc::RipReport& report = out.report;
    if (report.toc.tracks.empty())
        report.toc = task.toc;
    if (medium)
        disc::compareReadings(report, *medium);
    if (task.listen && !stop.stop_requested()) {
        out.heard = disc::listenToRip(
            report, medium, task.chosen ? task.chosen->reference : std::string(),
            ReferencesController::plain(task.references),
            [stop](const Path& file) -> Result<sound::Fingerprint> {
                auto prints = library::fingerprintsOf(file, {1}, stop);
                if (!prints)
                    return prints.error();
                if (prints->empty())
                    return Error{ErrorKind::Damaged, file, "It has no sound."};
                return std::move(prints->front());
            },
            stop);
        report.heard = disc::sentenceOf(out.heard);
    }
    keep(report);
    if (std::ranges::any_of(report.tracks, [](const auto& t) { return !t.file.empty(); }))
        for (const Path& file : {out.reports.text, out.reports.json, out.reports.sheet})
            record(file, {}, {});
    if (made)
        out.set = made->set();
    return out;
}

void RipController::rip(int number, const RipSettings& settings) {
    const Disc* d = use_.discs.find(number);
    if (!d || ripping_ != 0 || d->out)
        return;
    rememberRip(settings);
    Planned planned = planOf(*d, settings);
    if (planned.plan.tracks.empty())
        return;
    const Path root = rootOf(settings);
    Rip& rip = rips_[number];
    rip.ended.clear();
    rip.heard.clear();
    rip.troubles.clear();
    rip.worse.clear();
    rip.folder = planned.plan.tracks.front().target.parent_path();
    // Pictures that have been cleaned away meanwhile are left out rather than the tracks.
    const tags::PictureBytes bytes = tags::keptIn(planned.plan.pictures);
    for (const tags::PictureInfo& p : tags::picturesIn(use_.pictures.fieldsOf(number)))
        if (auto there = bytes(p); !there) {
            rip.troubles << qs(there.error().message);
            for (disc::RipTrack& t : planned.plan.tracks)
                t.fields.erase(tags::pictureKey(p.type));
        }
    Task task;
    running_.clear();
    for (const disc::RipTrack& r : planned.plan.tracks)
        for (size_t i = 0; i < d->tracks.size(); ++i)
            if (d->tracks[i].entry.number == r.number) {
                running_.push_back(i);
                rip.tracks[i] = {};
                rip.tracks[i].format = settings.format;
                rip.tracks[i].root = root;
            }
    for (const Track& t : rip.tracks)
        if (t.state == State::Ripped && t.format == settings.format && t.root == root)
            task.earlier.push_back(t.report);
    if (!task.earlier.empty()) {
        task.reports = rip.reports;
        task.set = rip.set;
    }
    task.drive = d->drive;
    task.driveName = d->name;
    task.toc = d->toc;
    task.plan = planned.plan;
    if (const disc::Variant* v = d->variant())
        task.chosen = *v;
    task.findOffset = !offsetOfDrive(d->driveKey());
    task.listen = settings.listen;
    task.references = use_.references.held();
    task.title = ss(tr("Rip %1").arg(d->title()));
    task.library = use_.library.file();
    begun_ = std::chrono::steady_clock::now();
    ripping_ = number;
    use_.discs.setBusy(number, true);
    job_ = use_.jobs.start(
        this, {ss(tr("Ripping %1").arg(d->title())), work::Priority::Asked, {.drive = d->drive.native()}},
        [this, number, task = std::move(task),
         tracks = running_](std::stop_token stop, work::Progress& progress) -> Result<Outcome> {
            // The controllers wait for their jobs before they go.
            return work(
                task, stop, progress,
                [this, number, tracks](const disc::RipProgress& p) {
                    QMetaObject::invokeMethod(
                        this, [this, number, p, tracks] { take(number, p, tracks); }, Qt::QueuedConnection);
                },
                [this, number, tracks](const disc::TrackReport& t) {
                    QMetaObject::invokeMethod(
                        this, [this, number, t, tracks] { takeEnded(number, t, tracks); },
                        Qt::QueuedConnection);
                });
        },
        [this, number, settings, tracks = running_](Result<Outcome> outcome) {
            ripping_ = 0;
            job_ = 0;
            Outcome out;
            if (outcome)
                out = std::move(*outcome);
            else
                out.report.ended = outcome.error().message;
            end(number, settings, tracks, std::move(out));
        });
    emit changed();
}

void RipController::stop() {
    if (job_ != 0)
        use_.jobs.stop(job_);
}

RipController::Progress RipController::progress() const {
    Progress out;
    const Disc* d = use_.discs.find(ripping_);
    const Rip& rip = of(ripping_);
    if (!d)
        return out;
    for (const size_t i : running_) {
        const int32_t length = d->tracks[i].entry.length;
        out.all += length;
        out.done += rip.tracks[i].state == State::Waiting   ? 0
                    : rip.tracks[i].state == State::Reading ? std::min(rip.tracks[i].done, length)
                                                            : length;
    }
    const std::chrono::duration<double> gone = std::chrono::steady_clock::now() - begun_;
    if (out.done > 0 && gone.count() > 0.3) {
        out.speed = out.done / (gone.count() * disc::sectorsPerSecond);
        out.secondsLeft = (out.all - out.done) / (out.speed * disc::sectorsPerSecond);
    }
    return out;
}

void RipController::take(int number, const disc::RipProgress& progress, const std::vector<size_t>& tracks) {
    if (ripping_ != number || progress.track >= tracks.size())
        return;
    Rip& rip = rips_[number];
    Track& t = rip.tracks[tracks[progress.track]];
    t.state = State::Reading;
    t.done = progress.done;
    t.doubtful = progress.doubtful;
    t.bad = progress.bad;
    emit progressed(number);
}

void RipController::takeEnded(int number, const disc::TrackReport& report,
                              const std::vector<size_t>& tracks) {
    const Disc* d = use_.discs.find(number);
    if (!d || ripping_ != number)
        return;
    for (const size_t i : tracks)
        if (d->tracks[i].entry.number == report.number) {
            Track& t = rips_[number].tracks[i];
            t.report = report;
            t.state = report.file.empty() ? State::Failed : State::Ripped;
        }
    emit progressed(number);
}

void RipController::end(int number, const RipSettings& settings, const std::vector<size_t>& tracks,
                        Outcome outcome) {
    const Disc* d = use_.discs.find(number);
    if (!d)
        return;
    Rip& rip = rips_[number];
    rip.looked.clear();
    const disc::RipReport& report = outcome.report;
    if (outcome.offset)
        rememberOffset(d->driveKey(), {*outcome.offset, d->title()});
    if (!report.ended.empty())
        rip.ended = qs(report.ended);
    for (const std::string& sentence : outcome.troubles)
        rip.troubles << qs(sentence);
    rip.heard = qs(report.heard);
    rip.set = outcome.set;
    rip.reports = outcome.reports;
    size_t files = 0, unproven = 0;
    std::set<Path> folders;
    for (size_t i = 0; i < tracks.size(); ++i) {
        Track& t = rip.tracks[tracks[i]];
        if (i >= report.tracks.size()) {
            t.state = State::Waiting;
            continue;
        }
        t.report = report.tracks[i];
        t.state = t.report.file.empty() ? State::Failed : State::Ripped;
        if (t.state == State::Ripped) {
            ++files;
            folders.insert(t.report.file.parent_path());
            use_.discs.setFixed(number, tracks[i], true);
        }
        t.doubtful = t.report.doubtful.size();
        t.bad = static_cast<size_t>(std::ranges::count(t.report.doubtful, false, &disc::Doubtful::agreed));
        unproven += t.bad > 0 ? 1 : 0;
        for (const disc::HeardTrack& h : outcome.heard)
            if (h.number == t.report.number)
                t.heard = h;
    }
    use_.discs.setBusy(number, false);
    if (report.complete && settings.eject)
        use_.discs.setOut(number);
    tellEnd(*use_.discs.find(number), rip, tracks.size(), files, unproven);
    if (files > 0 && outcome.files.empty()) // on no shelf
        use_.bringIn.start({folders.begin(), folders.end()}, false);
    if (!outcome.files.empty())
        lookForWorse(number, outcome);
    emit changed();
    emit ended(number);
}

void RipController::tellEnd(const Disc& d, const Rip& rip, size_t wanted, size_t files, size_t unproven) {
    const auto n = static_cast<int>(files);
    const bool other = std::ranges::any_of(
        rip.tracks, [](const Track& t) { return t.heard.as == disc::HeardTrack::As::Other; });
    if (files == wanted && rip.ended.isEmpty() && unproven == 0 && !other && rip.troubles.isEmpty()) {
        use_.messages.say(tr("%1 is ripped: all %n track(s) are proven.", "", n).arg(d.title()) +
                          (rip.heard.isEmpty() ? QString() : " " + rip.heard));
        return;
    }
    QStringList sentences;
    if (!rip.ended.isEmpty())
        sentences
            << tr("The rip of %1 ended early: %2 %n track(s) are files.", "", n).arg(d.title(), rip.ended);
    else if (files < wanted)
        sentences << tr("Of %1, %n track(s) could not be ripped.", "", static_cast<int>(wanted - files))
                         .arg(d.title());
    else
        sentences << tr("%1 is ripped.").arg(d.title());
    if (unproven > 0)
        sentences << tr("Places that never read the same twice are in %n track(s).", "",
                        static_cast<int>(unproven));
    if (other)
        sentences << rip.heard;
    sentences << rip.troubles;
    use_.messages.say(sentences.join(' '), true);
}

void RipController::lookForWorse(int number, const Outcome& outcome) {
    std::vector<std::pair<FileId, FileId>> pairs; // of the library, ripped
    std::set<FileId> ripped;
    for (const auto& [track, id] : outcome.files)
        ripped.insert(id);
    for (const auto& [track, id] : outcome.files)
        for (const disc::HeardTrack& h : outcome.heard)
            if (h.number == track)
                for (const int64_t there : h.library)
                    if (!ripped.contains(there))
                        pairs.emplace_back(there, id);
    if (pairs.empty())
        return;
    use_.library.read(
        this,
        [pairs](library::Store& store) {
            std::vector<std::pair<library::FileRecord, FileId>> out;
            std::set<FileId> taken;
            for (const auto& [there, ripped] : pairs) {
                auto old = store.files().findAll({there}), fresh = store.files().findAll({ripped});
                if (old.empty() || fresh.empty() || !taken.insert(there).second)
                    continue;
                const bool lossy = old.front().tags.facts.bitDepth == 0;
                if (lossy && library::isBetter(fresh.front(), old.front()))
                    out.emplace_back(std::move(old.front()), ripped);
            }
            return out;
        },
        [this, number](Result<std::vector<std::pair<library::FileRecord, FileId>>> found) {
            if (!found || !use_.discs.find(number))
                return;
            for (auto& [record, ripped] : *found)
                rips_[number].worse.push_back(
                    {std::make_shared<library::FileRecord>(std::move(record)), ripped});
            emit changed();
        });
}

void RipController::replaceWorse(int number) {
    const auto it = rips_.find(number);
    const Disc* d = use_.discs.find(number);
    if (it == rips_.end() || it->second.worse.empty() || !d)
        return;
    std::vector<FilePtr> files;
    std::map<FileId, std::vector<FileId>> groups;
    for (const Worse& w : it->second.worse) {
        files.push_back(w.file);
        groups[w.better].push_back(w.file->id);
    }
    if (!use_.writing.moveToTrash(
            tr("Replace %n file(s) by %1", "", static_cast<int>(files.size())).arg(d->title()), files))
        return;
    for (auto& [better, worse] : groups) { // what was given to them belongs to what was ripped
        worse.push_back(better);
        use_.recordings.merge(worse);
    }
    it->second.worse.clear();
    emit changed();
}

bool RipController::canFindOffset(int number) const {
    const Disc* d = use_.discs.find(number);
    const disc::Variant* v = d ? d->variant() : nullptr;
    return v && v->medium < v->release.media.size() && !v->release.media[v->medium].readings.empty() &&
           ripping_ == 0;
}

void RipController::findOffset(int number) {
    const Disc* d = use_.discs.find(number);
    if (!d || !canFindOffset(number))
        return;
    const disc::Variant& v = *d->variant();
    use_.jobs.start(
        this,
        {ss(tr("Finding the offset of %1").arg(d->name)),
         work::Priority::Asked,
         {.drive = d->drive.native()}},
        [drive = d->drive, toc = d->toc, medium = v.release.media[v.medium]](
            std::stop_token stop, work::Progress&) { return disc::offsetOfDrive(drive, toc, medium, stop); },
        [this, key = d->driveKey(), title = d->title()](Result<std::optional<int>> offset) {
            if (!offset) {
                use_.messages.say(offset.error());
                return;
            }
            if (*offset)
                rememberOffset(key, {**offset, title});
            else
                use_.messages.say(tr("What others have read of this disc is not what this drive reads, by no "
                                     "offset. Try another disc."),
                                  true);
            emit changed();
        });
}

void RipController::setOffset(int number, int samples) {
    if (const Disc* d = use_.discs.find(number))
        rememberOffset(d->driveKey(), {samples, {}});
    emit changed();
}

} // namespace moorfrost::app
