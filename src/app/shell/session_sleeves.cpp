// SPDX-License-Identifier: GPL-3.0-or-later
// The part of the session that keeps the sleeves of the batch. Their order, and the order of the files in
// them, changes only when the batch does: rows must not move under the hands of the one who edits them.
#include <algorithm>
#include <tuple>

#include "app/shell/session.h"
#include "app/shell/text_utils.h"
#include "core/matching/file_traits.h"
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
    former_.reset(); // from the beginning: drafts may have changed any of them, and hands let go of some
    places_.touchAll();
    formSleeves();
}

void Session::formSleeves() {
    if (sorting_) {
        sortAgain_ = true;
        return;
    }
    struct Given {
        FilePtr file;
        std::optional<tags::Fields> fields; // where there are drafts
    };
    struct Work {
        std::shared_ptr<matching::SleeveForming> former;
        std::vector<Given> files;
        std::vector<FileId> gone;
        matching::SleeveChanges changes;
        bool stopped = false;
    };
    auto work = std::make_shared<Work>();
    if (!former_) {
        former_ = std::make_shared<matching::SleeveForming>();
        for (FileId id : places_.files())
            unsorted_.insert(id);
    }
    work->former = former_;
    for (FileId id : std::exchange(unsorted_, {}))
        if (FilePtr f = places_.contains(id) ? file(id) : nullptr; f && f->readable())
            work->files.push_back(
                {f, drafts_.of(id).empty() ? std::nullopt : std::optional(drafts_.effective(id))});
        else
            work->gone.push_back(id);
    sorting_ = true;
    jobs_.start(
        tr("Sorting into sleeves"),
        [work](std::stop_token stop, work::Progress&) {
            for (FileId id : work->gone)
                work->former->remove(id);
            for (size_t i = 0; i < work->files.size() && !stop.stop_requested(); ++i) {
                const auto& [f, fields] = work->files[i];
                work->former->put(matching::sleeveInput(
                    f->id, f->path, f->tags, fields ? *fields : f->tags.fields, f->state.modifiedNs));
            }
            work->stopped = stop.stop_requested();
            if (!work->stopped)
                work->changes = work->former->changes();
        },
        [this, work, batch = batch_] {
            sorting_ = false;
            if (isSorted())
                places_.touch(std::string()); // only now it is known what is a stray
            if (work->stopped)
                former_.reset(); // the next time from the beginning
            else if (batch == batch_ && former_ == work->former)
                takeSleeves(work->changes);
            else if (batch == batch_) // it was read anew meanwhile
                sortAgain_ = true;
            if (std::exchange(sortAgain_, false))
                formSleeves();
        });
}

void Session::takeSleeves(const matching::SleeveChanges& changes) {
    std::map<FileId, std::string> sorted;
    std::map<std::string, library::SleeveNote> notes;
    for (const matching::Sleeve& s : changes.changed) {
        for (FileId id : s.ids)
            if (places_.contains(id) && !places_.isByHand(id)) {
                places_.put(id, s.key, false);
                sorted[id] = s.key;
            }
        // What was made by hand keeps its name and reason.
        if (library::SleeveNote& note = notes_[s.key]; !places_.hasByHand(s.key) || note.why.empty())
            note.why = s.why;
        notes[s.key] = notes_[s.key];
        places_.touch(s.key);
    }
    std::vector<std::string> gone;
    for (const std::string& key : changes.gone)
        if (!places_.hasByHand(key)) {
            notes_.erase(key);
            gone.push_back(key);
        }
    store_->post([batch = batch_, sorted, notes, gone](Store& store) {
        store.setSleeves(batch, sorted);
        store.changeSleeveNotes(batch, notes, gone);
    });
    arrangeSleeves();
}

const SleeveView* Session::sleeve(const std::string& key) const {
    auto it =
        std::find_if(sleeves_.begin(), sleeves_.end(), [&](const SleeveView& s) { return s.key == key; });
    return it == sleeves_.end() ? nullptr : &*it;
}

/// Makes anew what has changed; the rest in a moment, where it would take long.
void Session::arrangeSleeves() {
    constexpr int64_t atOnce = 30; // milliseconds
    QElapsedTimer clock;
    clock.start();
    for (FileId id : std::exchange(touched_, {}))
        if (places_.contains(id))
            places_.touchFile(id);
    std::unordered_map<std::string, size_t> at;
    for (size_t i = 0; i < sleeves_.size(); ++i)
        at.emplace(sleeves_[i].key, i);
    std::set<std::string> keys = places_.takeTouched();
    const bool strays = keys.erase(std::string()) > 0;
    std::vector<std::string> ordered(keys.begin(), keys.end());
    if (strays) // last: until then what has left them is there twice, not gone
        ordered.emplace_back();
    for (const std::string& key : ordered) {
        if (clock.elapsed() > atOnce) {
            places_.touch(key);
            continue;
        }
        auto [it, fresh] = at.try_emplace(key, sleeves_.size());
        if (fresh)
            sleeves_.emplace_back().key = key;
        arrangeSleeve(sleeves_[it->second]);
    }
    std::erase_if(sleeves_, [](const SleeveView& s) { return s.files.empty(); });
    orderSleeves();
    if (places_.isTouched())
        arrangeTimer_.start(); // what is in sight follows now and then
    if (places_.isTouched() && shown_.isValid() && shown_.elapsed() < showEvery_)
        return;
    clock.restart();
    emit batchChanged();
    shown_.start();
    showEvery_ = std::max<int64_t>(250, 8 * clock.elapsed()); // of a large batch less often
}

void Session::arrangeSleeve(SleeveView& view) {
    std::vector<std::pair<const matching::PlayKey*, FileId>> order;
    std::vector<FileId> unordered;
    for (FileId id : places_.filesOf(view.key))
        if (FilePtr f = file(id); view.isStrays() && !isSorted()) {
            unordered.push_back(id); // most will not stay
        } else if (f) {
            auto& [of, key] = playKeys_[id];
            if (of != f || !drafts_.of(id).empty())
                key =
                    matching::playKey({id, f->path, f->readable() ? drafts_.effective(id) : tags::Fields()});
            of = drafts_.of(id).empty() ? f : nullptr;
            order.emplace_back(&key, id);
        }
    std::sort(order.begin(), order.end(), [](const auto& a, const auto& b) {
        return std::tie(*a.first, a.second) < std::tie(*b.first, b.second);
    });
    view.files = std::move(unordered);
    for (const auto& [place, id] : order)
        view.files.push_back(id);
    view.version = ++versions_;
    const auto note = notes_.find(view.key);
    view.why = note == notes_.end() ? QString() : qs(note->second.why);
    view.byHand = places_.hasByHand(view.key);
    if (!view.files.empty())
        describeSleeve(view);
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
    auto before = [&](const SleeveView& a, const SleeveView& b) {
        if (a.isStrays() != b.isStrays())
            return b.isStrays();
        const double first = rank(a), second = rank(b);
        return std::tie(first, a.order, a.key) < std::tie(second, b.order, b.key);
    };
    if (!std::is_sorted(sleeves_.begin(), sleeves_.end(), before)) {
        std::vector<SleeveView*> ordered; // much is told of each: they are moved once
        for (SleeveView& view : sleeves_)
            ordered.push_back(&view);
        std::sort(ordered.begin(), ordered.end(),
                  [&](const SleeveView* a, const SleeveView* b) { return before(*a, *b); });
        std::vector<SleeveView> sorted;
        sorted.reserve(sleeves_.size());
        for (SleeveView* view : ordered)
            sorted.push_back(std::move(*view));
        sleeves_ = std::move(sorted);
    }
    tellTwinsApart();
}

void Session::tellTwinsApart() {
    std::unordered_map<size_t, SleeveView*> first; // by what is told of them
    first.reserve(sleeves_.size());
    auto place = [this](SleeveView& view) {
        if (view.place.isEmpty())
            view.place = commonestFolder(view.files);
    };
    for (SleeveView& view : sleeves_) {
        SleeveView*& same = first[view.told];
        if (!same) {
            same = &view;
            continue;
        }
        place(*same);
        place(view);
    }
}

void Session::describeTouchedSleeves() {
    for (SleeveView& view : sleeves_)
        if (std::any_of(view.files.begin(), view.files.end(),
                        [this](FileId id) { return touched_.contains(id); }))
            describeSleeve(view);
    touched_.clear();
    tellTwinsApart();
    emit batchChanged();
}

void Session::describeAllSleeves() {
    for (SleeveView& view : sleeves_)
        describeSleeve(view);
    tellTwinsApart();
    emit batchChanged();
}

library::ShelfRules Session::shelfRules() const {
    return {standards_.usual(), files::profileFromKey(ss(setting(library::namesKey)))};
}

void Session::readReadiness(std::vector<FileId> files,
                            std::function<void(std::vector<audit::Readiness>)> then) {
    store_->post([this, files = std::move(files), then, searcher = index_.searcher(),
                  rules = shelfRules()](Store& store) {
        auto readiness = std::make_shared<std::vector<audit::Readiness>>(
            library::readinessAround(store, *searcher, rules, files));
        later([readiness, then] { then(std::move(*readiness)); });
    });
}

void Session::listenToBatch(bool however) {
    const Records records = batchRecords();
    kinds_.look(records, however);
    copies_.look(records);
}

Records Session::batchRecords() const {
    if (std::exchange(allRecordsStale_, false)) {
        records_ = std::make_shared<BatchRecords>();
        for (FileId id : places_.files())
            staleRecords_.insert(BatchRecords::pieceOf(id));
    }
    if (staleRecords_.empty())
        return records_;
    auto records = std::make_shared<BatchRecords>(*records_);
    for (int64_t number : std::exchange(staleRecords_, {})) {
        auto piece = std::make_shared<std::vector<FilePtr>>();
        const FileId first = number * BatchRecords::pieceSize;
        for (FileId id : places_.files(first, first + BatchRecords::pieceSize))
            if (FilePtr f = file(id))
                piece->push_back(std::move(f));
        if (piece->empty())
            records->pieces.erase(number);
        else
            records->pieces[number] = std::move(piece);
    }
    return records_ = records;
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
    view.place.clear();
    view.unread = view.unwritable = 0;
    for (FileId id : view.files) {
        FilePtr f = file(id);
        view.unread += f && !f->readable();
        view.unwritable += f && !f->writable();
        if (!f || !f->readable() || (view.isStrays() && !isSorted())) // most will be no strays
            continue;
        const naming::Placement* place = placementOf(id);
        inputs.push_back(library::checkedFile(standards_.ofBatch(), *f, drafts_.effective(id),
                                              place && !place->blocked() ? place->to : f->path,
                                              kinds_.of(id) == matching::Kind::Music));
        if (view.coverFile == 0 && !f->tags.pictures.empty())
            view.coverFile = id;
    }
    if (!view.isStrays() || isSorted())
        view.readiness = audit::readinessOf(standards_.ofBatch(), inputs, view.isStrays(),
                                            files::profileFromKey(ss(setting(library::namesKey))));
    auto note = notes_.find(view.key);
    view.name = note == notes_.end() ? QString() : qs(note->second.name);
    QString count = tr("%n file(s)", "", static_cast<int>(view.files.size()));
    if (view.isStrays()) {
        view.title = tr("Strays");
        view.subtitle = count;
        view.told = 0;
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
    const std::string begins = album.empty() ? matching::sharedBeginning(pathsOf(view.files)) : std::string();
    view.title = !view.name.isEmpty() ? view.name
                 : !album.empty()     ? qs(album)
                 : !begins.empty()    ? qs(begins)
                                      : commonestFolder(view.files);
    view.order = text::sortKey(ss(view.title));
    if (!inputs.empty()) // what is named alike always stands in the same order
        view.order += inputs.front().path.native();
    view.subtitle = artist.empty() ? count : tr("%1 \u00B7 %2").arg(qs(artist), count);
    view.told = qHash(view.title + '\n' + view.subtitle);
}

} // namespace moorfrost::app
