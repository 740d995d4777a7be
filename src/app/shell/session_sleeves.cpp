// SPDX-License-Identifier: GPL-3.0-or-later
// The part of the session that keeps the sleeves of the batch. Their order, and the order of the files in
// them, changes only when the batch does: rows must not move under the hands of the one who edits them.
#include <algorithm>

#include "app/shell/session.h"
#include "app/shell/text_utils.h"
#include "core/matching/sleeves.h"

namespace moorfrost::app {

using library::Store;

namespace {

/// The value that most files have, "" if none has one.
std::string commonest(const std::vector<audit::CheckedFile>& files, const char* key) {
    std::map<std::string, int> counts;
    for (const audit::CheckedFile& f : files)
        if (const std::string& v = tags::firstValue(f.fields, key); !v.empty())
            ++counts[v];
    auto best = std::max_element(counts.begin(), counts.end(),
                                 [](const auto& a, const auto& b) { return a.second < b.second; });
    return best == counts.end() ? std::string() : best->first;
}

} // namespace

void Session::sortIntoSleeves() {
    given_.clear(); // drafts may have changed any of them
    arranged_.clear();
    formSleeves();
}

void Session::formSleeves() {
    if (sorting_) {
        sortAgain_ = true;
        return;
    }
    struct Work {
        std::shared_ptr<matching::SleeveForming> former;
        std::vector<matching::SleeveInput> inputs;
        std::vector<FileId> gone;
        std::vector<matching::Sleeve> sleeves;
        bool stopped = false;
    };
    auto work = std::make_shared<Work>();
    if (!former_ || given_.empty()) {
        former_ = std::make_shared<matching::SleeveForming>();
        given_.clear();
    }
    work->former = former_;
    for (const auto& [id, sleeve] : sleeveOf_)
        if (FilePtr f = file(id); f && f->readable() && given_[id] != f) {
            work->inputs.push_back(matching::sleeveInput(id, f->path, f->tags, drafts_.effective(id)));
            given_[id] = f;
        }
    std::erase_if(given_, [&](const auto& g) {
        const bool gone = !g.second || !sleeveOf_.contains(g.first);
        if (gone)
            work->gone.push_back(g.first);
        return gone;
    });
    sorting_ = true;
    jobs_.start(
        tr("Sorting into sleeves"),
        [work](std::stop_token stop, work::Progress&) {
            for (FileId id : work->gone)
                work->former->remove(id);
            for (size_t i = 0; i < work->inputs.size() && !stop.stop_requested(); ++i)
                work->former->put(work->inputs[i]);
            work->stopped = stop.stop_requested();
            for (const matching::Sleeve* s : work->former->sleeves())
                work->sleeves.push_back(*s);
        },
        [this, work, batch = batch_] {
            sorting_ = false;
            if (work->stopped)
                given_.clear(); // the next time from the beginning
            else if (batch == batch_)
                takeSleeves(work->sleeves);
            if (std::exchange(sortAgain_, false))
                formSleeves();
        });
}

void Session::takeSleeves(const std::vector<matching::Sleeve>& formed) {
    std::map<FileId, std::string> sorted;
    std::map<std::string, library::SleeveNote> notes;
    for (const matching::Sleeve& s : formed) {
        notes[s.key].why = s.why;
        for (FileId id : s.ids)
            if (auto it = sleeveOf_.find(id); it != sleeveOf_.end() && !byHand_.contains(id)) {
                it->second = s.key;
                sorted[id] = s.key;
            }
    }
    for (FileId id : byHand_) // what was made by hand keeps its name and reason
        if (const std::string& key = sleeveOf_[id]; notes_.contains(key))
            notes[key] = notes_[key];
    for (auto& [key, note] : notes)
        if (auto it = notes_.find(key); it != notes_.end())
            note.name = it->second.name;
    notes_ = std::move(notes);
    store_->post([batch = batch_, sorted, notes = notes_](Store& store) {
        store.setSleeves(batch, sorted);
        store.setSleeveNotes(batch, notes);
    });
    arrangeSleeves();
}

const SleeveView* Session::sleeve(const std::string& key) const {
    auto it =
        std::find_if(sleeves_.begin(), sleeves_.end(), [&](const SleeveView& s) { return s.key == key; });
    return it == sleeves_.end() ? nullptr : &*it;
}

void Session::beginByHand() {
    constexpr size_t most = 50;
    if (handSteps_.size() == most)
        handSteps_.erase(handSteps_.begin());
    handSteps_.push_back({{}, notes_});
}

void Session::undoByHand() {
    if (handSteps_.empty())
        return;
    HandStep step = std::move(handSteps_.back());
    handSteps_.pop_back();
    for (auto& [key, note] : step.notes) // sleeves that were formed meanwhile keep theirs
        notes_[key] = std::move(note);
    std::map<std::pair<std::string, bool>, std::vector<FileId>> back;
    for (const auto& [id, place] : step.before)
        if (sleeveOf_.contains(id))
            back[place].push_back(id);
    for (const auto& [place, files] : back)
        setPlace(files, place.first, place.second);
    arrangeSleeves();
}

void Session::setPlace(const std::vector<FileId>& files, const std::string& key, bool byHand) {
    for (FileId id : files) {
        sleeveOf_[id] = key;
        if (byHand)
            byHand_.insert(id);
        else
            byHand_.erase(id);
    }
    store_->post([batch = batch_, files, key, byHand, notes = notes_](Store& store) {
        store.putIntoSleeve(batch, files, key, byHand);
        store.setSleeveNotes(batch, notes);
    });
}

void Session::rememberByHand(const std::vector<FileId>& files, const std::string& key, bool byHand) {
    for (FileId id : files)
        handSteps_.back().before.try_emplace(id, sleeveOf_[id], byHand_.contains(id));
    setPlace(files, key, byHand);
}

/// What is in a sleeve that a hand was laid on stays in it.
void Session::pinSleeve(const std::string& key) {
    if (const SleeveView* s = sleeve(key); s && !s->isStrays())
        rememberByHand(s->files, key, true);
}

void Session::putIntoSleeve(const std::vector<FileId>& files, const std::string& key) {
    beginByHand();
    moveByHand(files, key);
}

void Session::moveByHand(const std::vector<FileId>& files, const std::string& key) {
    std::vector<FileId> moved;
    for (FileId id : files)
        if (auto it = sleeveOf_.find(id); it != sleeveOf_.end() && it->second != key)
            moved.push_back(id);
    if (moved.empty()) {
        handSteps_.pop_back();
        return;
    }
    pinSleeve(key);
    rememberByHand(moved, key, true);
    arrangeSleeves();
}

void Session::newSleeve(const std::vector<FileId>& files, const QString& name) {
    beginByHand();
    std::string key;
    for (int n = 1; key.empty() || notes_.contains(key); ++n)
        key = "hand " + std::to_string(n);
    notes_[key] = {ss(name), ss(tr("It was put together by hand."))};
    moveByHand(files, key);
}

void Session::mergeSleeves(const std::vector<std::string>& keys) {
    const SleeveView* largest = nullptr;
    std::vector<FileId> files;
    for (const std::string& key : keys)
        if (const SleeveView* s = sleeve(key)) {
            files.insert(files.end(), s->files.begin(), s->files.end());
            if (!s->isStrays() && (!largest || s->files.size() > largest->files.size()))
                largest = s;
        }
    if (!largest || keys.size() < 2)
        return;
    beginByHand();
    const std::string to = largest->key;
    const std::string merged =
        ss(tr("It was merged by hand from %n sleeve(s).", "", static_cast<int>(keys.size())));
    if (!notes_[to].why.ends_with(merged))
        notes_[to].why += (notes_[to].why.empty() ? "" : " ") + merged;
    moveByHand(files, to);
}

void Session::nameSleeve(const std::string& key, const QString& name) {
    if (key.empty() || !sleeve(key))
        return;
    beginByHand();
    notes_[key].name = ss(name.simplified());
    pinSleeve(key); // a name is for what it is now
    arrangeSleeves();
}

void Session::letSort(const std::vector<FileId>& files) {
    std::vector<FileId> pinned;
    for (FileId id : files)
        if (byHand_.contains(id))
            pinned.push_back(id);
    if (pinned.empty())
        return;
    beginByHand();
    rememberByHand(pinned, {}, false);
    sortIntoSleeves();
}

void Session::arrangeSleeves() {
    std::map<std::string, std::vector<FileId>> groups;
    for (const auto& [id, key] : sleeveOf_)
        if (FilePtr f = file(id))
            groups[f->readable() ? key : std::string()].push_back(id);
    std::map<std::string, SleeveView> before;
    for (SleeveView& view : sleeves_)
        before[view.key] = std::move(view);
    sleeves_.clear();
    for (auto& [key, members] : groups) {
        SleeveView view = std::move(before[key]);
        std::vector<FileId> known = view.files;
        std::sort(known.begin(), known.end());
        const bool same = known == members && std::none_of(members.begin(), members.end(), [&](FileId id) {
                              return touched_.contains(id) || arranged_[id] != file(id);
                          });
        view.key = key;
        const library::SleeveNote note = notes_.contains(key) ? notes_[key] : library::SleeveNote();
        view.why = qs(note.why);
        view.byHand =
            std::any_of(members.begin(), members.end(), [&](FileId id) { return byHand_.contains(id); });
        if (!same) {
            std::vector<std::pair<matching::PlayKey, FileId>> order;
            for (FileId id : members) {
                FilePtr f = file(id);
                order.emplace_back(
                    matching::playKey({id, f->path, f->readable() ? drafts_.effective(id) : tags::Fields()}),
                    id);
                arranged_[id] = f;
            }
            std::sort(order.begin(), order.end());
            view.files.clear();
            for (const auto& [place, id] : order)
                view.files.push_back(id);
        }
        if (!same || qs(note.name) != view.name)
            describeSleeve(view);
        sleeves_.push_back(std::move(view));
    }
    std::erase_if(arranged_, [this](const auto& a) { return !sleeveOf_.contains(a.first); });
    touched_.clear();
    orderSleeves();
    emit batchChanged();
}

SleeveOrder Session::sleeveOrder() const {
    const QString order = setting("sleeve order");
    return order == "least ready"  ? SleeveOrder::LeastReady
           : order == "most files" ? SleeveOrder::MostFiles
                                   : SleeveOrder::Title;
}

void Session::setSleeveOrder(SleeveOrder order) {
    setSetting("sleeve order", order == SleeveOrder::LeastReady  ? "least ready"
                               : order == SleeveOrder::MostFiles ? "most files"
                                                                 : "title");
    orderSleeves();
    emit batchChanged();
}

void Session::orderSleeves() {
    const SleeveOrder order = sleeveOrder();
    auto rank = [order](const SleeveView& s) {
        return order == SleeveOrder::LeastReady  ? s.readiness.share()
               : order == SleeveOrder::MostFiles ? -static_cast<double>(s.files.size())
                                                 : 0.0;
    };
    std::sort(sleeves_.begin(), sleeves_.end(), [&](const SleeveView& a, const SleeveView& b) {
        if (a.isStrays() != b.isStrays())
            return b.isStrays();
        const double first = rank(a), second = rank(b);
        return std::tie(first, a.order, a.key) < std::tie(second, b.order, b.key);
    });
}

void Session::describeTouchedSleeves() {
    for (SleeveView& view : sleeves_)
        if (std::any_of(view.files.begin(), view.files.end(),
                        [this](FileId id) { return touched_.contains(id); }))
            describeSleeve(view);
    touched_.clear();
    emit batchChanged();
}

void Session::describeAllSleeves() {
    for (SleeveView& view : sleeves_)
        describeSleeve(view);
    emit batchChanged();
}

audit::CheckedFile Session::checked(const audit::Standard& standard, const library::FileRecord& file,
                                    tags::Fields fields, const Path& path, bool music) {
    audit::CheckedFile out{file.id, std::move(fields), file.tags.pictures, file.tags.format, path, {}, music};
    if (audit::asksForNames(standard))
        out.facts = naming::factsOf(file.path, file.tags);
    return out;
}

void Session::readReadiness(std::vector<std::vector<FileId>> sleeves,
                            std::function<void(std::vector<audit::Readiness>)> then) {
    store_->post([this, sleeves = std::move(sleeves), then](Store& store) {
        auto records = std::make_shared<std::vector<std::vector<library::FileRecord>>>();
        auto other = std::make_shared<std::set<FileId>>();
        for (const std::vector<FileId>& files : sleeves) {
            records->push_back(store.files(files));
            other->merge(Kinds::notMusic(store, files));
        }
        later([this, records, other, then] {
            std::vector<audit::Readiness> out;
            for (const std::vector<library::FileRecord>& files : *records) {
                std::vector<audit::CheckedFile> inputs;
                for (const library::FileRecord& f : files)
                    inputs.push_back(
                        checked(standards_.usual(), f, f.tags.fields, f.path, !other->contains(f.id)));
                out.push_back(audit::readinessOf(standards_.usual(), inputs, false,
                                                 files::profileFromKey(ss(setting("names")))));
            }
            then(std::move(out));
        });
    });
}

void Session::listenToBatch(bool however) {
    std::vector<FilePtr> files;
    for (const auto& [id, sleeve] : sleeveOf_)
        if (FilePtr f = file(id))
            files.push_back(std::move(f));
    kinds_.look(files, however);
    copies_.look(files);
}

size_t Session::straysToSort() const {
    if (sleeves_.empty() || !sleeves_.back().isStrays())
        return 0;
    const std::vector<FileId>& strays = sleeves_.back().files;
    return static_cast<size_t>(std::count_if(
        strays.begin(), strays.end(), [this](FileId id) { return kinds_.of(id) == matching::Kind::Music; }));
}

QString Session::commonestFolder(const std::vector<FileId>& files) const {
    std::map<Path, int> counts;
    for (FileId id : files)
        if (FilePtr f = file(id))
            ++counts[matching::releaseFolder(f->path)];
    auto most = std::max_element(counts.begin(), counts.end(),
                                 [](const auto& a, const auto& b) { return a.second < b.second; });
    return most == counts.end() ? QString() : shownName(most->first);
}

void Session::describeSleeve(SleeveView& view) const {
    std::vector<audit::CheckedFile> inputs;
    view.coverFile = 0;
    for (FileId id : view.files) {
        FilePtr f = file(id);
        if (!f || !f->readable())
            continue;
        const naming::Placement* place = placementOf(id);
        inputs.push_back(checked(standards_.ofBatch(), *f, drafts_.effective(id),
                                 place && !place->blocked() ? place->to : f->path,
                                 kinds_.of(id) == matching::Kind::Music));
        if (view.coverFile == 0 && !f->tags.pictures.empty())
            view.coverFile = id;
    }
    view.readiness = audit::readinessOf(standards_.ofBatch(), inputs, view.isStrays(),
                                        files::profileFromKey(ss(setting("names"))));
    auto note = notes_.find(view.key);
    view.name = note == notes_.end() ? QString() : qs(note->second.name);
    QString count = tr("%n file(s)", "", static_cast<int>(view.files.size()));
    if (view.isStrays()) {
        view.title = tr("Strays");
        view.subtitle = count;
        return;
    }
    std::string album = commonest(inputs, "album"), artist = commonest(inputs, "album_artist");
    std::set<std::string> artists;
    for (const audit::CheckedFile& f : inputs)
        artists.insert(tags::firstValue(f.fields, "artist"));
    if (artist.empty() && artists.size() > 2)
        artist = ss(tr("%n artist(s)", "", static_cast<int>(artists.size())));
    else if (artist.empty())
        artist = commonest(inputs, "artist");
    view.title = !view.name.isEmpty() ? view.name : album.empty() ? commonestFolder(view.files) : qs(album);
    view.order = text::sortKey(ss(view.title));
    view.subtitle = artist.empty() ? count : tr("%1 \u00B7 %2").arg(qs(artist), count);
}

} // namespace moorfrost::app
