// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/rip_controller.h"

#include <algorithm>

#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "core/files/disk.h"
#include "core/library/writing.h"
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
    connect(&use_.discs, &DiscsController::changed, this, [this] {
        std::erase_if(rips_, [this](const auto& r) {
            const bool gone = !use_.discs.find(r.first);
            if (gone)
                use_.worse.forget(r.first);
            return gone;
        });
    });
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
        out.problem =
            tr("The plan makes no sense: %1").arg(spoken(std::get<naming::PlanError>(parsed).message));
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
    std::vector<placing::Placement> places = disc::placeByPlan(all, *plan, root, rules.profile, name);
    disc::RipPlan wanted = all;
    wanted.tracks.clear();
    std::vector<Path> targets; // of those that are not files yet
    for (size_t i = 0; i < all.tracks.size(); ++i) {
        const auto t = std::ranges::find(d.tracks, all.tracks[i].number,
                                         [](const auto& track) { return track.entry.number; });
        if (t == d.tracks.end())
            continue;
        if (!places[i].to.empty())
            out.targets.push_back(places[i].to);
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
    if (const auto offset = DriveOffsets::of(d))
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
    use_.worse.forget(number);
    rip.folder = planned.plan.tracks.front().target.parent_path();
    // Pictures that have been cleaned away meanwhile are left out rather than the tracks.
    const tags::PictureBytes bytes = tags::keptIn(planned.plan.pictures);
    for (const tags::PictureInfo& p : tags::picturesIn(use_.pictures.fieldsOf(number)))
        if (auto there = bytes(p); !there) {
            rip.troubles << spoken(there.error().message);
            for (disc::RipTrack& t : planned.plan.tracks)
                t.fields.erase(tags::pictureKey(p.type));
        }
    RipTask task;
    running_.clear();
    for (const disc::RipTrack& r : planned.plan.tracks)
        for (size_t i = 0; i < d->tracks.size(); ++i)
            if (d->tracks[i].entry.number == r.number) {
                running_.push_back(i);
                rip.tracks[i] = {};
                rip.tracks[i].format = settings.format;
                rip.tracks[i].root = root;
            }
    // What the same rip has made before, as its report says: to another format it is another rip.
    disc::EarlierRip earlier = disc::rippedEarlier(planned.targets, settings.format, d->toc);
    task.earlier = std::move(earlier.tracks);
    task.reports = earlier.reports;
    if (const auto kept = rip.sets.find(root / settings.format);
        kept != rip.sets.end() && !task.earlier.empty())
        task.set = kept->second;
    task.drive = d->drive;
    task.driveName = ss(d->name);
    task.toc = d->toc;
    task.plan = planned.plan;
    if (const disc::Variant* v = d->variant())
        task.chosen = *v;
    task.findOffset = !DriveOffsets::of(*d);
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
         tracks = running_](std::stop_token stop, work::Progress& progress) -> Result<RipOutcome> {
            // The controllers wait for their jobs before they go.
            return ripInJob(
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
        [this, number, settings, tracks = running_](Result<RipOutcome> outcome) {
            ripping_ = 0;
            job_ = 0;
            RipOutcome out;
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

namespace {

/// Of the library, and ripped: what has the same sound.
std::vector<std::pair<FileId, FileId>> sameInLibrary(const RipOutcome& outcome) {
    std::vector<std::pair<FileId, FileId>> out;
    for (const auto& [track, id] : outcome.files)
        for (const disc::HeardTrack& h : outcome.heard)
            for (const int64_t there : h.number == track ? h.library : std::vector<int64_t>())
                if (std::ranges::find(outcome.files, there, [](const auto& f) { return f.second; }) ==
                    outcome.files.end())
                    out.emplace_back(there, id);
    return out;
}

} // namespace

void RipController::end(int number, const RipSettings& settings, const std::vector<size_t>& tracks,
                        RipOutcome outcome) {
    const Disc* d = use_.discs.find(number);
    if (!d)
        return;
    Rip& rip = rips_[number];
    rip.looked.clear();
    const disc::RipReport& report = outcome.report;
    if (outcome.offset)
        use_.offsets.remember(*d, {*outcome.offset, d->title()});
    if (!report.ended.empty())
        rip.ended = qs(report.ended);
    for (const std::string& sentence : outcome.troubles)
        rip.troubles << spoken(sentence);
    rip.heard = qs(report.heard);
    if (outcome.set != 0)
        rip.sets[rootOf(settings) / settings.format] = outcome.set;
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
    std::erase_if(folders, [this](const Path& folder) {
        return library::shelfOf(use_.shelves.all(), folder / "a file") != 0;
    });
    if (!folders.empty()) // on no shelf: they come to the bench
        use_.bringIn.start({folders.begin(), folders.end()}, false);
    use_.worse.look(number, sameInLibrary(outcome));
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

} // namespace moorfrost::app
