// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/sound_groups_controller.h"

#include <algorithm>

#include "app/shell/text_utils.h"
#include "core/sandbox/parser_pool.h"

namespace moorfrost::app {

using library::SoundGroup;
using library::Store;

SoundGroupsController::SoundGroupsController(LibraryAccess& library, LibraryIndex& index, SoundPrints& sounds,
                                             RecordingsController& recordings, WritingController& writing,
                                             Peaks& peaks, LoudnessLevels& levels, JobList& jobs,
                                             Messages& messages)
    : library_(library), index_(index), sounds_(sounds), recordings_(recordings), writing_(writing),
      peaks_(peaks), levels_(levels), jobs_(jobs), messages_(messages) {
    auto isOld = [this] {
        old_ = true;
        emit changed();
    };
    connect(&index, &LibraryIndex::changed, this, [this, isOld] {
        prune();
        told_.clear(); // tags and places may be others
        isOld();
    });
    connect(&sounds, &SoundPrints::heard, this, isOld);
    connect(&recordings, &RecordingsController::changed, this,
            [this, isOld](const std::vector<FileId>& files) {
                for (FileId id : files)
                    told_.erase(id);
                isOld();
            });
}

void SoundGroupsController::prune() {
    const auto searcher = index_.searcher();
    if (!groups_ || !searcher)
        return;
    auto isGone = [&](FileId id) {
        const auto row = searcher->rowOf(id);
        return !row || searcher->has(*row, library::Absent);
    };
    for (SoundGroup& g : groups_->groups) {
        std::erase_if(g.files, isGone);
        std::erase_if(g.links, [&](const library::SoundLink& l) { return isGone(l.one) || isGone(l.other); });
    }
    std::erase_if(groups_->groups, [](const SoundGroup& g) { return g.files.size() < 2; });
}

const std::vector<std::string>& SoundGroupsController::versions() {
    return library::versionKinds();
}

void SoundGroupsController::look() {
    const auto searcher = index_.searcher();
    if (looking_ || !searcher)
        return;
    looking_ = true;
    old_ = false;
    jobs_.start(
        this, {ss(tr("Looking for files that sound the same")), work::Priority::Asked},
        [searcher, sounds = sounds_.store(), file = library_.file()](
            std::stop_token stop, work::Progress& progress) -> Result<library::SoundGroups> {
            auto store = Store::open(file);
            if (!store)
                return store.error();
            auto prints =
                [&store](FileId id,
                         const std::vector<double>& speeds) -> Result<std::vector<sound::Fingerprint>> {
                const auto f = (*store)->files().find(id);
                if (!f)
                    return Error{ErrorKind::NotFound, {}, "The file is not known any more."};
                return library::fingerprintsOf(f->path, speeds);
            };
            return library::findSoundGroups(*sounds, *searcher, library::toldApart(**store, sounds->ids()),
                                            prints, stop, progress);
        },
        [this](Result<library::SoundGroups> groups) {
            looking_ = false;
            links_.clear();
            if (groups)
                groups_ = std::move(*groups);
            else if (groups.error().kind == ErrorKind::Cancelled)
                old_ = true;
            else
                messages_.say(groups.error());
            emit changed();
        });
    emit changed();
}

const SoundGroupFile* SoundGroupsController::told(FileId file) const {
    const auto it = told_.find(file);
    return it == told_.end() ? nullptr : &it->second;
}

void SoundGroupsController::tell(const SoundGroup& group) {
    struct Row {
        library::FileRecord file;
        library::RecordingId recording = 0;
        std::string version;
    };
    std::vector<FileId> files;
    for (FileId id : group.files)
        if (!told_.contains(id))
            files.push_back(id);
    if (files.empty())
        return;
    library_.read(
        this,
        [files](Store& store) {
            std::vector<Row> out;
            for (library::FileRecord& f : store.files().findAll(files)) {
                const auto place = store.recordings().placeOf(f.id);
                const auto family = store.recordings().values(place.recording, library::familyField);
                const bool isVersion = family.size() >= 2 && family[1] != library::leadVersion;
                out.push_back({std::move(f), place.recording, isVersion ? family[1] : std::string()});
            }
            return out;
        },
        [this](Result<std::vector<Row>> rows) {
            for (size_t i = 0; rows && i < rows->size(); ++i) {
                Row& r = (*rows)[i];
                const FileId id = r.file.id;
                told_[id] = {
                    std::make_shared<library::FileRecord>(std::move(r.file)), r.recording, r.version, {}, {}};
                const Measured& known = measured_[id];
                if (known.state == told_[id].file->state) {
                    told_[id].loudness = known.loudness;
                    told_[id].shape = known.shape;
                    emit fileTold(id);
                    continue;
                }
                measured_[id] = {told_[id].file->state, {}, {}};
                emit fileTold(id);
                measure(told_[id].file);
            }
        });
}

/// Its shape and how loud it is.
void SoundGroupsController::measure(const FilePtr& file) {
    peaks_.read(this, file, [this, id = file->id](const Result<Peaks::Shape>& shape) {
        if (!shape)
            return;
        measured_[id].shape = *shape;
        if (const auto it = told_.find(id); it != told_.end())
            it->second.shape = *shape;
        emit fileTold(id);
    });
    levels_.read(this, file, [this, id = file->id](const Result<LoudnessLevel>& level) {
        if (!level)
            return;
        measured_[id].loudness = level->lufs;
        if (const auto it = told_.find(id); it != told_.end())
            it->second.loudness = level->lufs;
        emit fileTold(id);
    });
}

library::SoundLink SoundGroupsController::link(const SoundGroup& group, FileId one, FileId other) {
    for (const library::SoundLink& l : group.links) {
        if (l.one == one && l.other == other)
            return l;
        if (l.one == other && l.other == one)
            return {one, other, l.z, -l.offset / l.speed, l.overlap / l.speed, 1 / l.speed};
    }
    const auto [it, isNew] = links_.try_emplace({one, other});
    if (isNew)
        it->second = library::linkBetween(*sounds_.store(), one, other);
    return it->second;
}

void SoundGroupsController::areOneRecording(const SoundGroup& group) {
    recordings_.merge(group.files);
}

void SoundGroupsController::areNotTheSame(FileId one, FileId other) {
    library_.read(
        this,
        [one](Store& store) { return store.recordings().valuesOfFiles(library::toldApartField, {one}); },
        [this, one, other](Result<library::KeptValues> kept) {
            if (!kept)
                return;
            std::vector<std::string> values = (*kept)[one];
            if (const std::string id = std::to_string(other); std::ranges::find(values, id) == values.end())
                values.push_back(id);
            recordings_.keep(tr("Tell two recordings apart"), library::toldApartField, {{one, values}},
                             [this] { look(); });
        });
}

void SoundGroupsController::isOtherVersion(FileId lead, FileId other, const std::string& version) {
    library_.read(
        this,
        [lead](Store& store) {
            // What leads already goes on leading; else this one does.
            const library::Family family =
                library::familyOf(store, store.recordings().placeOf(lead).recording);
            return family.members.empty() || family.members.front().files.empty()
                       ? lead
                       : family.members.front().files.front();
        },
        [this, other, version](Result<FileId> leads) {
            if (leads)
                recordings_.keepFamilies(tr("Another version: %1").arg(qs(version)),
                                         {{{*leads, library::leadVersion, {}}, {other, version, {}}}});
        });
}

void SoundGroupsController::keepOne(const SoundGroup& group, FileId kept) {
    const SoundGroupFile* best = told(kept);
    std::vector<FilePtr> rest;
    for (FileId id : group.files)
        if (const SoundGroupFile* f = told(id); f && id != kept)
            rest.push_back(f->file);
    if (!best || rest.size() + 1 != group.files.size())
        return; // not all of them are known yet
    bool several = false;
    for (FileId id : group.files)
        if (const SoundGroupFile* f = told(id))
            several = several || f->recording != best->recording;
    if (!writing_.moveToTrash(tr("Keep %1, %n other(s) to the trash", "", static_cast<int>(rest.size()))
                                  .arg(shownName(best->file->path)),
                              rest))
        return;
    if (several) // whatever was given to the others belongs to the recording that stays
        recordings_.merge(group.files);
}

} // namespace moorfrost::app
