// SPDX-License-Identifier: GPL-3.0-or-later
// The part of the session that keeps the sleeves of the batch. Their order, and the order of the files in
// them, changes only when the batch does: rows must not move under the hands of the one who edits them.
#include <algorithm>

#include "app/shell/session.h"
#include "app/shell/text_utils.h"
#include "core/matching/sleeves.h"

namespace moorfrost::app {

namespace {

/// The value that most files have, "" if none has one.
std::string commonest(const std::vector<matching::ReadinessInput>& files, const char* key) {
    std::map<std::string, int> counts;
    for (const matching::ReadinessInput& f : files)
        if (const std::string& v = tags::firstValue(f.fields, key); !v.empty())
            ++counts[v];
    auto best = std::max_element(counts.begin(), counts.end(),
                                 [](const auto& a, const auto& b) { return a.second < b.second; });
    return best == counts.end() ? std::string() : best->first;
}

} // namespace

void Session::formSleeves() {
    std::vector<matching::SleeveInput> inputs;
    for (const auto& [id, sleeve] : sleeveOf_)
        if (FilePtr f = file(id); f && f->readable())
            inputs.push_back({id, f->path, drafts_.effective(id)});
    whyOf_.clear();
    for (const matching::Sleeve& s : matching::formSleeves(inputs)) {
        whyOf_[s.key] = s.why;
        for (int64_t id : s.ids)
            sleeveOf_[id] = s.key;
    }
    arrangeSleeves();
}

void Session::sortIntoSleeves() {
    formSleeves();
    store_->post(
        [batch = batch_, sleeves = sleeveOf_](library::Store& store) { store.setSleeves(batch, sleeves); });
}

void Session::arrangeSleeves() {
    std::map<std::string, std::vector<std::pair<matching::PlayKey, FileId>>> groups;
    for (const auto& [id, key] : sleeveOf_)
        if (FilePtr f = file(id))
            groups[f->readable() ? key : std::string()].emplace_back(
                matching::playKey({id, f->path, f->readable() ? drafts_.effective(id) : tags::Fields()}), id);
    sleeves_.clear();
    for (auto& [key, members] : groups) {
        std::sort(members.begin(), members.end());
        SleeveView view;
        view.key = key;
        view.why = qs(whyOf_[key]);
        for (const auto& [order, id] : members)
            view.files.push_back(id);
        describeSleeve(view);
        sleeves_.push_back(std::move(view));
    }
    std::sort(sleeves_.begin(), sleeves_.end(), [](const SleeveView& a, const SleeveView& b) {
        if (a.isStrays() != b.isStrays())
            return b.isStrays();
        if (int c = text::compare(ss(a.title), ss(b.title)))
            return c < 0;
        return a.key < b.key;
    });
    touched_.clear();
    emit batchChanged();
}

void Session::describeTouchedSleeves() {
    for (SleeveView& view : sleeves_)
        if (std::any_of(view.files.begin(), view.files.end(),
                        [this](FileId id) { return touched_.contains(id); }))
            describeSleeve(view);
    touched_.clear();
    emit batchChanged();
}

void Session::describeSleeve(SleeveView& view) const {
    std::vector<matching::ReadinessInput> inputs;
    view.coverFile = 0;
    for (FileId id : view.files) {
        FilePtr f = file(id);
        if (!f || !f->readable())
            continue;
        inputs.push_back({drafts_.effective(id), !f->tags.pictures.empty()});
        if (view.coverFile == 0 && inputs.back().hasPicture)
            view.coverFile = id;
    }
    view.readiness = matching::readinessOf(inputs);
    QString count = tr("%n file(s)", "", static_cast<int>(view.files.size()));
    if (view.isStrays()) {
        view.title = tr("Strays");
        view.subtitle = count;
        return;
    }
    std::string album = commonest(inputs, "album"), artist = commonest(inputs, "album_artist");
    std::set<std::string> artists;
    for (const matching::ReadinessInput& f : inputs)
        artists.insert(tags::firstValue(f.fields, "artist"));
    if (artist.empty() && artists.size() > 2)
        artist = ss(tr("%n artist(s)", "", static_cast<int>(artists.size())));
    else if (artist.empty())
        artist = commonest(inputs, "artist");
    FilePtr first = file(view.files.front());
    view.title = album.empty() && first ? shownName(matching::releaseFolder(first->path)) : qs(album);
    view.subtitle = artist.empty() ? count : tr("%1 \u00B7 %2").arg(qs(artist), count);
}

} // namespace moorfrost::app
