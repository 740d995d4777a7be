// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/discs_controller.h"

#include <algorithm>
#include <chrono>
#include <set>

#include <QSettings>
#include <QStandardPaths>

#include "app/shell/text_utils.h"
#include "core/audio/encode.h"
#include "core/bench/taking.h"

namespace moorfrost::app {

QString DiscsController::Disc::title() const {
    const std::string& album = tags::firstValue(fields, "album");
    return album.empty() ? tr("no title yet") : qs(album);
}

size_t DiscsController::Disc::placeOf(size_t track) const {
    const bool before = !tracks.empty() && tracks.front().entry.number == 0;
    return before && track > 0 ? track - 1 : track;
}

DiscsController::DiscsController(BringIn& bringIn, ReferencesController& references, JobList& jobs,
                                 Messages& messages)
    : bringIn_(bringIn), references_(references), jobs_(jobs), messages_(messages) {}

const DiscsController::Disc* DiscsController::find(int number) const {
    const auto it = std::ranges::find(discs_, number, &Disc::number);
    return it == discs_.end() ? nullptr : &*it;
}

DiscsController::Disc* DiscsController::disc(int number) {
    return const_cast<Disc*>(find(number));
}

void DiscsController::openImage(const Path& sheet) {
    jobs_.start(
        this, {ss(tr("Reading the table of %1").arg(shownName(sheet)))},
        [sheet](std::stop_token, work::Progress&) { return disc::openImage(sheet); },
        [this, sheet](Result<disc::DiscImage> image) {
            if (!image) {
                messages_.say(image.error().path.empty()
                                  ? Error{image.error().kind, sheet, image.error().message}
                                  : image.error());
                return;
            }
            Disc d;
            d.number = ++last_;
            d.sheet = sheet;
            d.name = shownName(sheet);
            d.toc = std::move(image->toc);
            d.text = std::move(image->text);
            d.notes = std::move(image->notes);
            d.fields = disc::fieldsOf(d.toc, d.text, 0);
            for (const char* of : {"title", "artist"})
                d.fields.erase(of);
            if (const auto date = image->sheet.texts.find("date");
                date != image->sheet.texts.end() && tags::whyNotValid("date", {date->second}).empty())
                d.fields["date"] = {date->second};
            std::vector<disc::TocTrack> entries = d.toc.tracks;
            if (d.toc.beforeFirst() > disc::worthATrack && entries.front().audio) {
                disc::TocTrack before;
                before.number = 0;
                before.length = d.toc.beforeFirst();
                entries.front().gap = 0; // it is this
                entries.insert(entries.begin(), before);
            }
            for (const disc::TocTrack& t : entries) {
                Track track;
                track.entry = t;
                track.wanted = t.audio && t.number > 0;
                track.fields = disc::fieldsOf(d.toc, d.text, t.number);
                if (t.number == 0) {
                    track.fields.erase("title");
                    track.fields["track"] = {"0"};
                }
                if (const auto date = d.fields.find("date"); date != d.fields.end())
                    track.fields["date"] = date->second;
                track.own = track.fields;
                d.tracks.push_back(std::move(track));
            }
            d.own = d.fields;
            discs_.push_back(std::move(d));
            emit changed();
            emit opened(last_);
        });
}

void DiscsController::close(int number) {
    if (number == ripping_)
        return;
    std::erase_if(discs_, [number](const Disc& d) { return d.number == number; });
    emit changed();
}

void DiscsController::setWanted(int number, size_t track, bool wanted) {
    Disc* d = disc(number);
    if (!d || track >= d->tracks.size() || number == ripping_ || !d->tracks[track].entry.audio)
        return;
    d->tracks[track].wanted = wanted;
    emit changed();
}

void DiscsController::setField(int number, int track, const std::string& field, const std::string& text) {
    Disc* d = disc(number);
    if (!d || number == ripping_ || track >= static_cast<int>(d->tracks.size()))
        return;
    const std::vector<std::string> values = tags::valuesFromText(field, text);
    if (std::string why = tags::whyNotValid(field, values); !why.empty()) {
        messages_.say(qs(why), true);
        return;
    }
    (track < 0 ? d->typed : d->tracks[static_cast<size_t>(track)].typed)[field] = text;
    auto put = [&](tags::Fields& fields) {
        if (values.empty())
            fields.erase(field);
        else
            fields[field] = values;
    };
    if (track >= 0 && static_cast<size_t>(track) < d->tracks.size()) {
        put(d->tracks[static_cast<size_t>(track)].fields);
    } else if (track < 0) {
        const tags::Fields before = d->fields;
        put(d->fields);
        // Who made the disc made its tracks, unless they say otherwise.
        const std::vector<std::string> fields =
            field == "album_artist" ? std::vector<std::string>{"album_artist", "artist"} : std::vector{field};
        const auto was = before.find(field);
        for (Track& t : d->tracks)
            for (const std::string& f : fields) {
                const auto now = t.fields.find(f);
                const bool same = now == t.fields.end() ? f == field || was == before.end()
                                                        : was != before.end() && now->second == was->second;
                if (same && values.empty())
                    t.fields.erase(f);
                else if (same)
                    t.fields[f] = values;
            }
    }
    emit changed();
}

void DiscsController::findByTable(int number) {
    const Disc* d = find(number);
    if (!d || !references_.mayBeAsked())
        return;
    jobs_.start(
        this, {ss(tr("Looking up %1").arg(d->title()))},
        [held = references_.held(), toc = d->toc, said = d->fields](std::stop_token stop, work::Progress&) {
            return disc::findDisc(ReferencesController::plain(held), toc, said, stop);
        },
        [this, number](Result<std::vector<disc::Variant>> found) {
            Disc* now = disc(number);
            if (!now)
                return;
            if (!found) {
                messages_.say(found.error());
                return;
            }
            now->looked = true;
            // The one that was chosen still is, if it is among them.
            const auto chosen =
                now->chosen < 0 ? found->end() : std::ranges::find_if(*found, [&](const disc::Variant& v) {
                    const disc::Variant& c = now->variants[static_cast<size_t>(now->chosen)];
                    return v.reference == c.reference && v.release.id == c.release.id && v.medium == c.medium;
                });
            now->chosen = chosen == found->end() ? -1 : static_cast<int>(chosen - found->begin());
            now->variants = std::move(*found);
            if (now->variants.empty())
                messages_.say(tr("No reference knows this disc. What is typed is what the files get."));
            emit changed();
            emit told(number);
        });
}

void DiscsController::choose(int number, int variant) {
    static const std::set<std::string> ofWholeDisc = {"album",  "album_artist", "artist",           "date",
                                                      "genre",  "label",        "catalogue_number", "barcode",
                                                      "country"};
    Disc* d = disc(number);
    if (!d || number == ripping_ || variant >= static_cast<int>(d->variants.size()))
        return;
    d->chosen = std::max(-1, variant);
    d->fields = d->own;
    for (size_t i = 0; i < d->tracks.size(); ++i) {
        Track& t = d->tracks[i];
        if (t.state == Track::State::Ripped) // it is a file
            continue;
        t.fields = t.own;
        if (variant < 0)
            continue;
        const disc::Variant& v = d->variants[static_cast<size_t>(variant)];
        const size_t place = d->placeOf(i);
        for (auto& [field, values] : bench::fieldsOf(v.release, v.medium, place, v.reference))
            if (t.entry.number == 0 && !ofWholeDisc.contains(field))
                continue;                                     // nobody tells of it
            else if (field != "isrc" || t.entry.isrc.empty()) // the disc knows its own best
                t.fields[field] = values;
        if (place == 0)
            for (const char* field : {"album", "album_artist", "date", "genre"})
                if (const auto it = t.fields.find(field); it != t.fields.end())
                    d->fields[field] = it->second;
    }
    const auto typed = d->typed;
    for (const auto& [field, text] : typed)
        setField(number, -1, field, text);
    for (size_t i = 0; i < d->tracks.size(); ++i) {
        const auto ofTrack = d->tracks[i].typed;
        for (const auto& [field, text] : ofTrack)
            if (d->tracks[i].state != Track::State::Ripped)
                setField(number, static_cast<int>(i), field, text);
    }
    emit changed();
    emit told(number);
}

DiscsController::Settings DiscsController::remembered() {
    const QSettings kept;
    Settings out;
    out.format = ss(kept.value("rip/format", "flac").toString());
    if (!audio::encodeFormat(out.format))
        out.format = "flac";
    out.bitrate = kept.value("rip/bitrate", 0).toInt();
    const QString usual =
        QStandardPaths::writableLocation(QStandardPaths::MusicLocation) + "/" + tr("From discs");
    out.into = Path(ss(kept.value("rip/into", usual).toString()));
    out.verify = kept.value("rip/verify", true).toBool();
    return out;
}

disc::RipPlan DiscsController::planOf(const Disc& d, const Settings& settings) const {
    // As the core names them, with what the fields say now.
    disc::CdText text;
    text.blocks.emplace_back();
    auto say = [&](int track, const char* what, const tags::Fields& fields, const char* field) {
        if (const std::string& value = tags::firstValue(fields, field); !value.empty())
            text.blocks.front().entries[track].texts[what] = value;
    };
    say(0, "title", d.fields, "album");
    say(0, "performer", d.fields, "album_artist");
    for (const Track& t : d.tracks)
        say(t.entry.number, "title", t.fields, "title");
    disc::RipPlan plan = disc::usualPlan(d.toc, text, settings.into, settings.format,
                                         text::forDisplay(d.sheet.stem().native()));
    plan.bitrate = settings.bitrate;
    plan.reading.verify = settings.verify;
    std::erase_if(plan.tracks, [&](const disc::RipTrack& r) {
        const auto t =
            std::ranges::find(d.tracks, r.number, [](const Track& track) { return track.entry.number; });
        return t == d.tracks.end() || !t->wanted ||
               (t->state == Track::State::Ripped && t->format == settings.format && t->into == settings.into);
    });
    for (disc::RipTrack& r : plan.tracks)
        for (const Track& t : d.tracks)
            if (t.entry.number == r.number)
                r.fields = t.fields;
    return plan;
}

void DiscsController::rip(int number, const Settings& settings) {
    Disc* d = disc(number);
    if (!d || ripping_ != 0)
        return;
    QSettings kept;
    kept.setValue("rip/format", qs(settings.format));
    kept.setValue("rip/bitrate", settings.bitrate);
    kept.setValue("rip/into", qs(settings.into.native()));
    kept.setValue("rip/verify", settings.verify);
    disc::RipPlan plan = planOf(*d, settings);
    if (plan.tracks.empty())
        return;
    std::vector<size_t> tracks; // of the disc, by place in the plan
    for (const disc::RipTrack& r : plan.tracks)
        for (size_t i = 0; i < d->tracks.size(); ++i)
            if (d->tracks[i].entry.number == r.number) {
                tracks.push_back(i);
                d->tracks[i].state = Track::State::Waiting;
                d->tracks[i].done = 0;
                d->tracks[i].doubtful = d->tracks[i].bad = 0;
                d->tracks[i].report = {};
                d->tracks[i].format = settings.format;
                d->tracks[i].into = settings.into;
            }
    d->ended.clear();
    const Path folder = plan.tracks.front().target.parent_path();
    std::vector<disc::TrackReport> earlier; // a rip that goes on has one report
    for (const Track& t : d->tracks)
        if (t.state == Track::State::Ripped && t.report.file.parent_path() == folder)
            earlier.push_back(t.report);
    d->folder = folder;
    ripping_ = number;
    uint64_t sectors = 0;
    for (const disc::RipTrack& r : plan.tracks)
        sectors += static_cast<uint64_t>(r.length);
    job_ = jobs_.start(
        this, {ss(tr("Ripping %1").arg(d->title()))},
        [this, number, sheet = d->sheet, plan, tracks, earlier,
         sectors](std::stop_token stop, work::Progress& progress) -> Result<disc::RipReport> {
            auto drive = disc::SimulatedDrive::open(sheet);
            if (!drive)
                return drive.error();
            progress.begin(sectors);
            using Clock = std::chrono::steady_clock;
            auto last = Clock::now() - std::chrono::seconds(1);
            size_t track = 0;
            int32_t done = 0;
            disc::RipReport report = disc::rip(**drive, plan, stop, [&](const disc::RipProgress& p) {
                progress.step({}, static_cast<uint64_t>(p.track == track ? p.done - done : p.done));
                const bool another = p.track != track;
                track = p.track;
                done = p.done;
                if (!another && Clock::now() - last < std::chrono::milliseconds(80))
                    return;
                last = Clock::now();
                // The controllers wait for their jobs before they go.
                QMetaObject::invokeMethod(
                    this, [this, number, p, tracks] { take(number, p, tracks); }, Qt::QueuedConnection);
            });
            if (Status kept = disc::keepReports(disc::together(earlier, report), !earlier.empty());
                !kept && report.ended.empty())
                report.ended = kept.error().message;
            return report;
        },
        [this, number, tracks](Result<disc::RipReport> report) {
            ripping_ = 0;
            job_ = 0;
            if (Disc* now = disc(number); now && !report)
                now->ended = qs(report.error().message);
            end(number, report ? *report : disc::RipReport(), tracks);
        });
    emit changed();
}

void DiscsController::stop() {
    if (job_ != 0)
        jobs_.stop(job_);
}

void DiscsController::take(int number, const disc::RipProgress& progress, const std::vector<size_t>& tracks) {
    Disc* d = disc(number);
    if (!d || ripping_ != number || progress.track >= tracks.size())
        return;
    for (size_t i = 0; i < progress.track; ++i)
        if (Track& before = d->tracks[tracks[i]]; before.state != Track::State::Failed)
            before.state = Track::State::Ripped;
    Track& t = d->tracks[tracks[progress.track]];
    t.state = Track::State::Reading;
    t.done = progress.done;
    t.doubtful = progress.doubtful;
    t.bad = progress.bad;
    emit progressed(number);
}

void DiscsController::end(int number, const disc::RipReport& report, const std::vector<size_t>& tracks) {
    Disc* d = disc(number);
    if (!d)
        return;
    if (!report.ended.empty())
        d->ended = qs(report.ended);
    size_t files = 0, unproven = 0;
    for (size_t i = 0; i < tracks.size(); ++i) {
        Track& t = d->tracks[tracks[i]];
        if (i >= report.tracks.size()) {
            t.state = Track::State::Waiting;
            continue;
        }
        t.report = report.tracks[i];
        t.state = t.report.file.empty() ? Track::State::Failed : Track::State::Ripped;
        files += t.report.file.empty() ? 0 : 1;
        t.doubtful = t.report.doubtful.size();
        t.bad = static_cast<size_t>(
            std::ranges::count_if(t.report.doubtful, [](const disc::Doubtful& w) { return !w.agreed; }));
        unproven += t.bad > 0 ? 1 : 0;
    }
    const auto n = static_cast<int>(files);
    if (!d->ended.isEmpty())
        messages_.say(
            tr("The rip of %1 ended early: %2 %n track(s) are files.", "", n).arg(d->title(), d->ended),
            true);
    else if (unproven > 0)
        messages_.say(tr("%1 is ripped. Places that never read the same twice are in %n track(s).", "",
                         static_cast<int>(unproven))
                          .arg(d->title()),
                      true);
    else if (files == tracks.size())
        messages_.say(tr("%1 is ripped: all %n track(s) are proven.", "", n).arg(d->title()));
    if (files > 0)
        bringIn_.start({d->folder}, false);
    emit changed();
    emit ended(number);
}

} // namespace moorfrost::app
