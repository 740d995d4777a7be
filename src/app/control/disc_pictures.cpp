// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/disc_pictures.h"

#include <algorithm>

#include "app/shell/text_utils.h"
#include "core/tags/picture_changes.h"

namespace moorfrost::app {

namespace {

std::string releaseOf(const DiscsController::Disc& disc) {
    const disc::Variant* v = disc.variant();
    return v ? v->reference + ":" + v->release.id : std::string();
}

/// The front cover: the one with most to be seen on it.
std::set<size_t> usual(const std::vector<PictureCandidate>& candidates) {
    std::optional<size_t> best;
    for (size_t i = 0; i < candidates.size(); ++i)
        if (const PictureCandidate& c = candidates[i]; c.refused.isEmpty() && c.info.type == "front cover" &&
                                                       !c.isEnlarged() &&
                                                       (!best || c.detail > candidates[*best].detail))
            best = i;
    return best ? std::set<size_t>{*best} : std::set<size_t>{};
}

} // namespace

DiscPictures::DiscPictures(DiscsController& discs, ReferencesController& references, Path folder,
                           JobList& jobs)
    : discs_(discs), references_(references), folder_(std::move(folder)), jobs_(jobs) {
    connect(&discs, &DiscsController::told, this, &DiscPictures::follow);
    connect(&discs, &DiscsController::changed, this,
            [this] { std::erase_if(shown_, [this](const auto& s) { return !discs_.find(s.first); }); });
}

const DiscPictures::Shown* DiscPictures::of(int disc) const {
    const auto it = shown_.find(disc);
    return it == shown_.end() ? nullptr : &it->second;
}

void DiscPictures::follow(int number) {
    const DiscsController::Disc* d = discs_.find(number);
    const std::string release = d ? releaseOf(*d) : std::string();
    if (const Shown* now = of(number); now && now->release != release) {
        shown_.erase(number);
        emit changed(number);
    }
    const auto under = fetching_.find(number);
    if (release.empty() || of(number) || (under != fetching_.end() && under->second == release))
        return;
    std::shared_ptr<reference::Reference> from;
    for (const auto& r : references_.held())
        if (r->key() == d->variant()->reference)
            from = r;
    if (!from || d->variant()->release.pictures.empty())
        return;
    fetching_[number] = release;
    jobs_.start(
        this, {ss(tr("Fetching pictures")), work::Priority::Asked, {.network = true}},
        [from, told = d->variant()->release.pictures, store = library::PictureStore(folder_)](
            std::stop_token stop, work::Progress& progress) -> Result<std::vector<PictureCandidate>> {
            progress.begin(told.size());
            return fetchPictures(*from, told, store, stop, progress);
        },
        [this, number, release](Result<std::vector<PictureCandidate>> found) {
            const auto mine = fetching_.find(number);
            if (mine == fetching_.end() || mine->second != release)
                return; // another was chosen meanwhile
            fetching_.erase(mine);
            const DiscsController::Disc* now = discs_.find(number);
            if (found && now && releaseOf(*now) == release) {
                const std::set<size_t> wanted = usual(*found);
                shown_[number] = {release, std::move(*found), wanted};
            }
            emit changed(number);
        });
    emit changed(number);
}

void DiscPictures::setWanted(int disc, size_t candidate, bool wanted) {
    const auto it = shown_.find(disc);
    if (it == shown_.end() || candidate >= it->second.candidates.size() ||
        !it->second.candidates[candidate].refused.isEmpty())
        return;
    if (wanted)
        it->second.wanted.insert(candidate);
    else
        it->second.wanted.erase(candidate);
    emit changed(disc);
}

tags::Fields DiscPictures::fieldsOf(int disc) const {
    const Shown* shown = of(disc);
    std::vector<tags::PictureInfo> pictures;
    if (shown)
        for (const size_t i : shown->wanted)
            pictures.push_back(shown->candidates[i].info);
    return tags::pictureFields(pictures);
}

} // namespace moorfrost::app
