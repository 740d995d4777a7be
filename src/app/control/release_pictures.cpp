// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/release_pictures.h"

#include <algorithm>

#include "app/shell/text_utils.h"
#include "app/widgets/thumbnails.h"

namespace moorfrost::app {

ReleasePictures::ReleasePictures(FilesController& files, const SleeveViews& sleeves,
                                 ReferencesController& references, IdentifyController& identify,
                                 PicturesController& pictures, Standards& standards, JobList& jobs)
    : files_(files), sleeves_(sleeves), references_(references), identify_(identify), pictures_(pictures),
      standards_(standards), jobs_(jobs) {
    connect(&identify, &IdentifyController::changed, this, [this](const std::string& sleeve) {
        // Of sleeves that are not looked up any more, or another release was chosen for.
        std::erase_if(shown_, [&](const auto& s) {
            const SleeveAnswer* a = identify_.answer(s.first);
            return !a || !a->best() || a->best()->number() != s.second.number;
        });
        emit changed(sleeve);
    });
}

const ReleasePictures::Shown* ReleasePictures::of(const std::string& sleeve) const {
    const auto it = shown_.find(sleeve);
    return it == shown_.end() ? nullptr : &it->second;
}

int ReleasePictures::wantedSide() const {
    int side = 0;
    for (const audit::Rule& rule : standards_.ofBatch().rules)
        if (rule.kind == audit::RuleKind::Picture)
            side = std::max(side, rule.side);
    return side;
}

bool ReleasePictures::isProposed(const Shown& shown, size_t candidate) const {
    const PictureCandidate& c = shown.candidates[candidate];
    if (!c.refused.isEmpty() || c.shorterSide() < wantedSide() || c.isEnlarged())
        return false;
    for (size_t i = 0; i < shown.candidates.size(); ++i) // the best of its type only
        if (const PictureCandidate& o = shown.candidates[i];
            i != candidate && o.info.type == c.info.type && o.refused.isEmpty() &&
            (o.detail > c.detail || (o.detail == c.detail && i < candidate)))
            return false;
    const auto there = shown.present.find(c.info.type);
    return there == shown.present.end() ||
           (c.detail > there->second.detail * 11 / 10 && c.info.hash != there->second.info.hash);
}

void ReleasePictures::fetch(const std::string& sleeve) {
    const SleeveAnswer* a = identify_.answer(sleeve);
    const SleeveView* view = sleeves_.find(sleeve);
    if (!a || !a->best() || !a->best()->complete || !view || fetching_.contains(sleeve))
        return;
    std::shared_ptr<reference::Reference> from;
    for (const auto& r : references_.held())
        if (r->key() == a->best()->reference)
            from = r;
    if (!from)
        return;
    const std::string number = a->best()->number();
    // What is there: of each type the first, as drafts have it.
    struct Present {
        tags::PictureInfo info;
        Path holder;
    };
    std::map<std::string, Present> present;
    for (FileId id : view->files)
        if (const FilePtr f = files_.file(id))
            for (const tags::PictureInfo& p : pictures_.of(id))
                present.try_emplace(p.type, Present{p, f->path});
    fetching_[sleeve] = jobs_.start(
        this, {ss(tr("Fetching pictures")), work::Priority::Asked, {.network = true}},
        [from, number, present, told = a->best()->release.pictures,
         store = library::PictureStore(pictures_.folder())](std::stop_token stop,
                                                            work::Progress& progress) -> Result<Shown> {
            Shown out;
            out.number = number;
            progress.begin(told.size() + present.size());
            for (const auto& [type, there] : present) {
                PresentPicture p{there.info, 0, {}};
                std::string why;
                if (const Path kept = store.fileOf(there.info); std::filesystem::exists(kept))
                    lookAtPicture(kept, 0, there.info, p.detail, p.image, why);
                else
                    lookAtPicture(there.holder, there.info.hash, there.info, p.detail, p.image, why);
                out.present[type] = std::move(p);
                progress.step(type);
            }
            out.candidates = fetchPictures(*from, told, store, stop, progress);
            if (stop.stop_requested())
                return Error{ErrorKind::Cancelled, {}, "It was stopped."};
            return out;
        },
        [this, sleeve](Result<Shown> shown) {
            fetching_.erase(sleeve);
            const SleeveAnswer* now = identify_.answer(sleeve);
            if (shown && now && now->best() && now->best()->number() == shown->number)
                shown_[sleeve] = std::move(*shown);
            if (auto waiting = waiting_.extract(sleeve)) {
                const Shown* fresh = of(sleeve);
                if (const Waiting& w = waiting.mapped(); fresh && fresh->number == w.number)
                    takeNow(sleeve, *fresh, w.candidates, w.files);
            }
            emit changed(sleeve);
        });
    emit changed(sleeve);
}

std::vector<ReleasePictures::Receiver> ReleasePictures::receivers(const std::string& sleeve) const {
    std::vector<Receiver> out;
    const SleeveView* view = sleeves_.find(sleeve);
    const SleeveAnswer* a = identify_.answer(sleeve);
    if (!view || !a || !a->best())
        return out;
    std::map<FileId, int> media;
    const matching::Likeable likeable(a->best()->release, a->best()->reference);
    const std::vector<int>& seats = a->best()->seating.fileOf;
    for (size_t t = 0; t < seats.size() && t < likeable.tracks.size(); ++t)
        if (seats[t] >= 0)
            media[a->clues.files[static_cast<size_t>(seats[t])].id] =
                static_cast<int>(likeable.tracks[t].medium);
    for (FileId id : view->files) {
        const FilePtr f = files_.file(id);
        if (!f || !f->mayHaveDrafts())
            continue;
        const auto medium = media.find(id);
        out.push_back({id, shownName(f->path), medium == media.end() ? -1 : medium->second});
    }
    return out;
}

void ReleasePictures::take(const std::string& sleeve, const std::vector<size_t>& candidates,
                           const std::vector<FileId>& files) {
    const Shown* shown = of(sleeve);
    if (!shown || fetching_.contains(sleeve))
        return;
    const library::PictureStore store(pictures_.folder());
    const bool there = std::ranges::all_of(candidates, [&](size_t i) {
        return i >= shown->candidates.size() || !shown->candidates[i].refused.isEmpty() ||
               std::filesystem::exists(store.fileOf(shown->candidates[i].info));
    });
    if (!there) {
        waiting_[sleeve] = {shown->number, candidates, files};
        fetch(sleeve);
        if (!fetching_.contains(sleeve))
            waiting_.erase(sleeve); // nobody is there to be asked
        return;
    }
    takeNow(sleeve, *shown, candidates, files);
    emit changed(sleeve);
}

void ReleasePictures::takeNow(const std::string& sleeve, const Shown& shown,
                              const std::vector<size_t>& candidates, const std::vector<FileId>& files) {
    const SleeveAnswer* a = identify_.answer(sleeve);
    if (!a || !a->best())
        return;
    std::vector<tags::PictureInfo> pictures;
    for (size_t i : candidates)
        if (i < shown.candidates.size() && shown.candidates[i].refused.isEmpty())
            pictures.push_back(shown.candidates[i].info);
    pictures_.takeKept(pictures, qs(identify_.originOf(*a->best())), files);
}

} // namespace moorfrost::app
