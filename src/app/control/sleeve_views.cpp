// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/sleeve_views.h"

#include <algorithm>
#include <list>
#include <tuple>
#include <unordered_set>

#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "core/matching/file_traits.h"
#include "core/matching/sleeves.h"

namespace moorfrost::app {

using library::SleeveOrder;

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

SleeveViews::SleeveViews(bench::Batch& batch, FilesController& files, const DraftsController& drafts,
                         const PlacesController& places, const ContentKinds& kinds,
                         const Standards& standards, LibrarySettings& settings)
    : batch_(batch), files_(files), drafts_(drafts), places_(places), kinds_(kinds), standards_(standards),
      settings_(settings) {
    describeTimer_.setSingleShot(true);
    describeTimer_.setInterval(60);
    connect(&describeTimer_, &QTimer::timeout, this, &SleeveViews::describeTouched);
    arrangeTimer_.setSingleShot(true);
    arrangeTimer_.setInterval(0);
    connect(&arrangeTimer_, &QTimer::timeout, this, &SleeveViews::arrange);
    connect(&standards_, &Standards::changed, this, &SleeveViews::describeAll);
    files_.feed().subscribe([this](const bench::Changes& changes) { take(changes); });
}

void SleeveViews::take(const bench::Changes& changes) {
    if (changes.batch) {
        views_.clear();
        playKeys_.clear();
        touched_.clear();
    }
    for (const auto* files : {&changes.drafts, &changes.kinds})
        touched_.insert(files->begin(), files->end());
    if (audit::asksForNames(standards_.ofBatch()))
        touched_.insert(changes.places.begin(), changes.places.end());
    if (!touched_.empty())
        describeTimer_.start();
    for (FileId id : changes.files)
        batch_.touchFile(id);
    // What waits to be sorted comes into sight when it was (BatchController::touched).
    if (changes.batch || (batch_.isTouched() && batch_.isSorted()))
        arrange();
}

std::vector<FileId> SleeveViews::files() const {
    std::vector<FileId> out;
    for (const SleeveView& s : views_)
        out.insert(out.end(), s.files.begin(), s.files.end());
    return out;
}

size_t SleeveViews::gaps() const {
    size_t n = 0;
    for (const SleeveView& s : views_)
        n += s.readiness.gaps({audit::RuleKind::Fields, audit::RuleKind::Numbers, audit::RuleKind::Codes});
    return n;
}

const SleeveView* SleeveViews::find(const std::string& key) const {
    auto it = std::find_if(views_.begin(), views_.end(), [&](const SleeveView& s) { return s.key == key; });
    return it == views_.end() ? nullptr : &*it;
}

/// Makes anew what has changed; the rest in a moment, where it would take long.
void SleeveViews::arrange() {
    constexpr int64_t atOnce = 30; // milliseconds
    QElapsedTimer clock;
    clock.start();
    for (FileId id : std::exchange(touched_, {}))
        batch_.touchFile(id);
    std::unordered_map<std::string, size_t> at;
    for (size_t i = 0; i < views_.size(); ++i)
        at.emplace(views_[i].key, i);
    std::set<std::string> keys = batch_.takeTouched();
    const bool strays = keys.erase(std::string()) > 0;
    std::vector<std::string> ordered(keys.begin(), keys.end());
    if (strays) // last: until then what has left them is there twice, not gone
        ordered.emplace_back();
    for (const std::string& key : ordered) {
        if (clock.elapsed() > atOnce) {
            batch_.touch(key);
            continue;
        }
        auto [it, fresh] = at.try_emplace(key, views_.size());
        if (fresh)
            views_.emplace_back().key = key;
        arrangeOne(views_[it->second]);
    }
    std::erase_if(views_, [](const SleeveView& s) { return s.files.empty(); });
    sort();
    if (batch_.isTouched())
        arrangeTimer_.start(); // what is in sight follows now and then
    if (batch_.isTouched() && shown_.isValid() && shown_.elapsed() < showEvery_)
        return;
    clock.restart();
    emit changed();
    shown_.start();
    showEvery_ = std::max<int64_t>(250, 8 * clock.elapsed()); // of a large batch less often
}

void SleeveViews::arrangeOne(SleeveView& view) {
    std::vector<std::pair<const matching::PlayKey*, FileId>> order;
    std::vector<FileId> unordered;
    for (FileId id : batch_.places().filesOf(view.key))
        if (FilePtr f = files_.file(id); view.isStrays() && !batch_.isSorted()) {
            unordered.push_back(id); // most will not stay
        } else if (f) {
            auto& [of, key] = playKeys_[id];
            if (of != f || !drafts_.session().of(id).empty())
                key = matching::playKey(
                    {id, f->path, f->readable() ? drafts_.session().effective(id) : tags::Fields()});
            of = drafts_.session().of(id).empty() ? f : nullptr;
            order.emplace_back(&key, id);
        }
    std::sort(order.begin(), order.end(), [](const auto& a, const auto& b) {
        return std::tie(*a.first, a.second) < std::tie(*b.first, b.second);
    });
    view.files = std::move(unordered);
    for (const auto& [place, id] : order)
        view.files.push_back(id);
    view.version = ++versions_;
    const library::SleeveNote* note = batch_.note(view.key);
    view.why = note ? spoken(note->why) : QString();
    view.byHand = batch_.places().hasByHand(view.key);
    if (!view.files.empty())
        describe(view);
}

SleeveOrder SleeveViews::order() const {
    return settings_.get(library::settings::sleeveOrder);
}

void SleeveViews::setOrder(SleeveOrder order) {
    settings_.set(library::settings::sleeveOrder, order);
    sort();
    emit changed();
}

void SleeveViews::sort() {
    const SleeveOrder order = this->order();
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
    if (!std::is_sorted(views_.begin(), views_.end(), before)) {
        std::vector<SleeveView*> ordered; // much is told of each: they are moved once
        for (SleeveView& view : views_)
            ordered.push_back(&view);
        std::sort(ordered.begin(), ordered.end(),
                  [&](const SleeveView* a, const SleeveView* b) { return before(*a, *b); });
        std::vector<SleeveView> sorted;
        sorted.reserve(views_.size());
        for (SleeveView* view : ordered)
            sorted.push_back(std::move(*view));
        views_ = std::move(sorted);
    }
    tellTwinsApart();
}

void SleeveViews::tellTwinsApart() {
    std::unordered_map<size_t, size_t> alike; // by what is told of them
    alike.reserve(views_.size());
    for (const SleeveView& view : views_)
        ++alike[view.told];
    for (SleeveView& view : views_)
        if (alike[view.told] == 1)
            view.place.clear();
        else if (view.place.isEmpty())
            view.place = commonestFolder(view.files);
}

void SleeveViews::describeTouched() {
    std::unordered_set<std::string> keys;
    for (FileId id : std::exchange(touched_, {}))
        if (batch_.places().contains(id))
            keys.insert(batch_.places().keyOf(id));
    if (keys.empty())
        return;
    for (SleeveView& view : views_)
        if (keys.contains(view.key))
            describe(view);
    tellTwinsApart();
    emit changed();
}

void SleeveViews::describeAll() {
    for (SleeveView& view : views_)
        describe(view);
    tellTwinsApart();
    emit changed();
}

size_t SleeveViews::straysToSort() const {
    if (views_.empty() || !views_.back().isStrays())
        return 0;
    const std::vector<FileId>& strays = views_.back().files;
    return static_cast<size_t>(std::count_if(strays.begin(), strays.end(), [this](FileId id) {
        return kinds_.of(id) == matching::ContentKind::Music;
    }));
}

QString SleeveViews::commonestFolder(const std::vector<FileId>& files) const {
    std::map<Path, int> counts;
    for (FileId id : files)
        if (FilePtr f = files_.file(id))
            ++counts[matching::releaseFolder(f->path)];
    auto most = std::max_element(counts.begin(), counts.end(),
                                 [](const auto& a, const auto& b) { return a.second < b.second; });
    return most == counts.end() ? QString() : shownName(most->first);
}

void SleeveViews::describe(SleeveView& view) const {
    std::vector<audit::CheckedFile> inputs;
    std::list<std::vector<tags::PictureInfo>> drafted; // pictures that are otherwise than in their files
    view.coverFile = 0;
    view.place.clear();
    view.unread = view.unwritable = 0;
    for (FileId id : view.files) {
        FilePtr f = files_.file(id);
        view.unread += f && !f->readable();
        view.unwritable += f && !f->writable();
        if (!f || !f->readable() || (view.isStrays() && !batch_.isSorted())) // most will be no strays
            continue;
        const placing::Placement* place = places_.places().of(id);
        const std::vector<tags::PictureInfo>* pictures = nullptr;
        if (std::ranges::any_of(drafts_.session().of(id),
                                [](const auto& d) { return tags::isPictureKey(d.first); })) {
            drafted.push_back(drafts_.session().pictures(id));
            pictures = &drafted.back();
        }
        inputs.push_back(library::checkedFile(standards_.ofBatch(), *f, drafts_.session().effective(id),
                                              place && !place->blocked() ? place->to : f->path,
                                              kinds_.of(id) == matching::ContentKind::Music, pictures));
        if (view.coverFile == 0 && !f->tags.pictures.empty())
            view.coverFile = id;
    }
    if (!view.isStrays() || batch_.isSorted())
        view.readiness = audit::readinessOf(standards_.ofBatch(), inputs, view.isStrays(),
                                            settings_.get(library::settings::names));
    const library::SleeveNote* note = batch_.note(view.key);
    view.name = note ? qs(note->name) : QString();
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
    const std::string begins =
        album.empty() ? matching::sharedBeginning(files_.pathsOf(view.files)) : std::string();
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
