// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/discs_controller.h"

#include <algorithm>

#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "core/bench/taking.h"
#include "core/disc/drives.h"
#include "core/disc/rip_plan.h"
#include "core/text/casing.h"
#include "core/text/text.h"

namespace moorfrost::app {

namespace {

const tags::Fields::mapped_type* valuesOf(const tags::Fields& fields, const std::string& field) {
    const auto it = fields.find(field);
    return it == fields.end() ? nullptr : &it->second;
}

/// More than one letter, and none of them small.
bool isShouted(const std::string& text) {
    return text::lower(text) != text && text::upper(text) == text && text.size() > 3;
}

/// What is printed in capitals to be seen from afar: names and titles.
const std::set<std::string> shoutedFields = {"album", "album_artist", "artist", "title", "composer"};

} // namespace

bool DiscsController::Track::isChanged(const std::string& field) const {
    const auto *now = valuesOf(fields, field), *was = valuesOf(own, field);
    return now && was ? *now != *was : now != was;
}

QString DiscsController::Disc::title() const {
    const std::string& album = tags::firstValue(fields, "album");
    return album.empty() ? tr("no title yet") : qs(album);
}

size_t DiscsController::Disc::placeOf(size_t track) const {
    const bool before = !tracks.empty() && tracks.front().entry.number == 0;
    return before && track > 0 ? track - 1 : track;
}

QString DiscsController::Disc::driveKey() const {
    return isImage ? shownPath(drive) : name;
}

const disc::Variant* DiscsController::Disc::variant() const {
    return chosen >= 0 && static_cast<size_t>(chosen) < variants.size()
               ? &variants[static_cast<size_t>(chosen)]
               : nullptr;
}

const std::vector<std::string>& DiscsController::fieldsOfDisc() {
    static const std::vector<std::string> fields = {"album_artist",     "album", "genre", "date", "label",
                                                    "catalogue_number", "disc",  "discs"};
    return fields;
}

DiscsController::DiscsController(ReferencesController& references, JobList& jobs, Messages& messages)
    : references_(references), jobs_(jobs), messages_(messages) {}

const DiscsController::Disc* DiscsController::find(int number) const {
    const auto it = std::ranges::find(discs_, number, &Disc::number);
    return it == discs_.end() ? nullptr : &*it;
}

DiscsController::Disc* DiscsController::disc(int number) {
    return const_cast<Disc*>(find(number));
}

void DiscsController::lookForDrives() {
    jobs_.start(
        this, {ss(tr("Looking for drives"))},
        [](std::stop_token stop, work::Progress&) -> Result<std::vector<disc::DriveName>> {
            return disc::drivesThere(stop);
        },
        [this](Result<std::vector<disc::DriveName>> drives) {
            if (!drives || *drives == drives_)
                return;
            drives_ = std::move(*drives);
            emit drivesChanged();
        });
}

void DiscsController::open(const Path& drive) {
    struct Opened {
        disc::DriveLook look;
        std::vector<std::string> notes;
        std::string date;
    };
    jobs_.start(
        this, {ss(tr("Reading the table of %1").arg(shownName(drive)))},
        [drive](std::stop_token stop, work::Progress&) -> Result<Opened> {
            if (disc::isDevice(drive)) {
                auto look = disc::lookAtDrive(drive, stop);
                if (!look)
                    return look.error();
                return Opened{std::move(*look), {}, {}};
            }
            auto image = disc::openImage(drive);
            if (!image)
                return image.error();
            const auto date = image->sheet.texts.find("date");
            return Opened{
                {text::forDisplay(drive.filename().native()), std::move(image->toc), std::move(image->text)},
                std::move(image->notes),
                date == image->sheet.texts.end() ? std::string() : date->second};
        },
        [this, drive](Result<Opened> opened) {
            if (!opened)
                messages_.say(opened.error().path.empty()
                                  ? Error{opened.error().kind, drive, opened.error().message}
                                  : opened.error());
            else
                take(drive, std::move(opened->look), std::move(opened->notes), opened->date);
        });
}

void DiscsController::take(const Path& drive, disc::DriveLook look, std::vector<std::string> notes,
                           const std::string& date) {
    const bool isImage = !disc::isDevice(drive);
    for (const Disc& there : discs_)
        if (there.drive == drive && !there.out && (isImage || there.busy)) {
            emit opened(there.number); // what was typed stays
            return;
        }
    // Put in again, or another disc in the same drive: it takes the place of what was there.
    std::erase_if(discs_, [&](const Disc& other) { return other.drive == drive; });
    Disc d;
    d.number = ++last_;
    d.drive = drive;
    d.isImage = isImage;
    d.name = qs(look.name);
    d.toc = std::move(look.toc);
    d.text = std::move(look.text);
    d.notes = std::move(notes);
    d.fields = disc::fieldsOf(d.toc, d.text, 0);
    for (const char* of : {"title", "artist"})
        d.fields.erase(of);
    if (tags::whyNotValid("date", {date}).empty() && !date.empty())
        d.fields["date"] = {date};
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
        if (const auto* of = valuesOf(d.fields, "date"))
            track.fields["date"] = *of;
        track.own = track.fields;
        d.tracks.push_back(std::move(track));
    }
    d.own = d.fields;
    discs_.push_back(std::move(d));
    emit changed();
    emit opened(last_);
}

void DiscsController::close(int number) {
    std::erase_if(discs_, [number](const Disc& d) { return d.number == number && !d.busy; });
    emit changed();
}

void DiscsController::eject(int number) {
    const Disc* d = find(number);
    if (!d || d->busy)
        return;
    if (d->isImage) {
        close(number);
        return;
    }
    jobs_.start(
        this, {ss(tr("Opening the drive"))},
        [drive = d->drive](std::stop_token stop, work::Progress&) -> Result<bool> {
            Status open = disc::ejectDrive(drive, stop);
            return open ? Result<bool>(true) : open.error();
        },
        [this, number](Result<bool> open) {
            if (open)
                close(number);
            else
                messages_.say(open.error());
        });
}

void DiscsController::setBusy(int number, bool busy) {
    if (Disc* d = disc(number))
        d->busy = busy;
    emit changed();
}

void DiscsController::setFixed(int number, size_t track, bool fixed) {
    if (Disc* d = disc(number); d && track < d->tracks.size())
        d->tracks[track].fixed = fixed;
}

void DiscsController::setOut(int number) {
    if (Disc* d = disc(number))
        d->out = true;
    emit changed();
}

void DiscsController::setWanted(int number, size_t track, bool wanted) {
    Disc* d = disc(number);
    if (!d || track >= d->tracks.size() || d->busy || !d->tracks[track].entry.audio)
        return;
    d->tracks[track].wanted = wanted;
    emit changed();
}

void DiscsController::setField(int number, int track, const std::string& field, const std::string& text) {
    Disc* d = disc(number);
    if (!d || d->busy || track >= static_cast<int>(d->tracks.size()))
        return;
    const std::vector<std::string> values = tags::valuesFromText(field, text);
    if (std::string why = tags::whyNotValid(field, values); !why.empty()) {
        messages_.say(spoken(why), true);
        return;
    }
    if (track >= 0 && d->tracks[static_cast<size_t>(track)].fixed)
        return; // it is a file
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
                if (t.fixed)
                    continue;
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
    Disc* d = disc(number);
    if (!d || d->busy || variant >= static_cast<int>(d->variants.size()))
        return;
    d->chosen = std::max(-1, variant);
    d->fields = d->own;
    for (size_t i = 0; i < d->tracks.size(); ++i) {
        Track& t = d->tracks[i];
        const size_t place = d->placeOf(i);
        tags::Fields now = t.own;
        if (const disc::Variant* v = d->variant())
            now = bench::fieldsOfDiscTrack(t.own, t.entry.number, v->release, v->medium, place, v->reference);
        if (place == 0 && variant >= 0)
            for (const std::string& field : fieldsOfDisc())
                if (const auto* values = valuesOf(now, field))
                    d->fields[field] = *values;
        if (!t.fixed)
            t.fields = std::move(now);
    }
    const auto typed = d->typed;
    for (const auto& [field, text] : typed)
        setField(number, -1, field, text);
    for (size_t i = 0; i < d->tracks.size(); ++i) {
        const auto ofTrack = d->tracks[i].typed;
        for (const auto& [field, text] : ofTrack)
            if (!d->tracks[i].fixed)
                setField(number, static_cast<int>(i), field, text);
    }
    emit changed();
    emit told(number);
}

std::string DiscsController::saidBy(const Disc& d, int variant, int track, const std::string& field) const {
    const size_t at = track < 0 ? 0 : static_cast<size_t>(track);
    if (at >= d.tracks.size() || variant >= static_cast<int>(d.variants.size()))
        return {};
    if (variant < 0) {
        const tags::Fields& own = track < 0 && valuesOf(d.own, field) ? d.own : d.tracks[at].own;
        return tags::shownValue(own, field);
    }
    const disc::Variant& v = d.variants[static_cast<size_t>(variant)];
    return tags::shownValue(bench::fieldsOf(v.release, v.medium, d.placeOf(at), v.reference), field);
}

void DiscsController::pick(int number, int track, const std::string& field, int variant) {
    Disc* d = disc(number);
    if (!d || d->busy)
        return;
    setField(number, track, field, saidBy(*d, variant, track, field));
    if (variant == d->chosen) { // as the others of it again
        auto& typed = track < 0 || track >= static_cast<int>(d->tracks.size())
                          ? d->typed
                          : d->tracks[static_cast<size_t>(track)].typed;
        typed.erase(field);
    }
    emit told(number);
}

bool DiscsController::hasCapitals(const Disc& d) const {
    auto any = [](const tags::Fields& fields) {
        return std::ranges::any_of(fields, [](const auto& f) {
            return shoutedFields.contains(f.first) && !f.second.empty() && isShouted(f.second.front());
        });
    };
    return any(d.fields) ||
           std::ranges::any_of(d.tracks, [&](const Track& t) { return !t.fixed && any(t.fields); });
}

void DiscsController::tameCapitals(int number) {
    const Disc* d = find(number);
    if (!d || d->busy)
        return;
    auto tamed = [](const tags::Fields& fields, const std::string& field) {
        const auto* values = valuesOf(fields, field);
        if (!values || values->empty() || !isShouted(values->front()))
            return std::string();
        tags::Fields one{{field, *values}};
        for (std::string& value : one[field])
            value = text::titleCase(text::lower(value), "");
        return tags::shownValue(one, field);
    };
    for (const std::string& field : shoutedFields) {
        if (const std::string now = tamed(d->fields, field); !now.empty())
            setField(number, -1, field, now);
        for (size_t i = 0; i < d->tracks.size(); ++i)
            if (const std::string now = tamed(d->tracks[i].fields, field); !now.empty())
                setField(number, static_cast<int>(i), field, now);
    }
    emit told(number);
}

} // namespace moorfrost::app
