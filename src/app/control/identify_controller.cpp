// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/identify_controller.h"

#include <algorithm>
#include <atomic>
#include <mutex>

#include <QDate>

#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "core/work/parallel.h"

namespace moorfrost::app {

namespace settings = library::settings;
using matching::Candidate;
using matching::Identified;
using matching::SleeveClues;

namespace {
constexpr size_t mostGenres = 2000;
constexpr size_t mostStrays = 1000; // that are compared with empty seats
} // namespace

IdentifyController::IdentifyController(LibraryAccess& library, LibraryIndex& index, LibrarySettings& settings,
                                       FilesController& files, DraftsController& drafts,
                                       BatchController& batch, const SleeveViews& sleeves,
                                       SoundPrints& sounds, ReferencesController& references, JobList& jobs,
                                       Messages& messages)
    : library_(library), index_(index), settings_(settings), files_(files), drafts_(drafts), batch_(batch),
      sleeves_(sleeves), sounds_(sounds), references_(references), jobs_(jobs), messages_(messages) {
    connect(&sleeves, &SleeveViews::changed, this, &IdentifyController::forgetOld);
    connect(&index, &LibraryIndex::changed, this, [this] {
        readGenres();
        for (const auto& [sleeve, answer] : answers_)
            lookHere(sleeve);
    });
    connect(&settings, &LibrarySettings::loaded, this,
            [this] { rules_ = bench::takeRulesFrom(settings_.get(settings::takeRules)); });
}

const SleeveAnswer* IdentifyController::answer(const std::string& sleeve) const {
    const auto it = answers_.find(sleeve);
    return it == answers_.end() ? nullptr : &it->second;
}

std::vector<matching::SleeveInput> IdentifyController::inputs(const SleeveView& sleeve) const {
    std::vector<matching::SleeveInput> out;
    for (FileId id : sleeve.files)
        if (auto in = input(id))
            out.push_back(std::move(*in));
    return out;
}

std::optional<matching::SleeveInput> IdentifyController::input(FileId id) const {
    const FilePtr f = files_.file(id);
    if (!f || !f->readable())
        return std::nullopt;
    return matching::sleeveInput(id, f->path, f->tags, drafts_.session().effective(id), f->state.modifiedNs);
}

SleeveClues IdentifyController::clues(const std::string& sleeve) const {
    const SleeveView* view = sleeves_.find(sleeve);
    return view ? matching::cluesOf(inputs(*view)) : SleeveClues();
}

/// Answers about files that have become others are worth nothing.
void IdentifyController::forgetOld() {
    bool any = false;
    for (auto it = answers_.begin(); it != answers_.end();) {
        const SleeveView* view = sleeves_.find(it->first);
        if (view && (view->version == it->second.version || letJoin(it->second, *view))) {
            ++it;
            continue;
        }
        if (it->second.asking != 0)
            jobs_.stop(it->second.asking);
        it = answers_.erase(it);
        any = true;
    }
    if (any)
        emit changed({});
}

void IdentifyController::ask(const std::string& sleeve, const How& how) {
    const SleeveView* view = sleeves_.find(sleeve);
    if (!view || view->files.empty() || view->isStrays())
        return;
    if (!references_.mayBeAsked())
        return;
    SleeveAnswer& answer = answers_[sleeve];
    if (answer.asking != 0)
        jobs_.stop(answer.asking);
    answer.version = view->version;
    answer.turn = ++turns_;
    Asked asked{sleeve, view->version, matching::cluesOf(inputs(*view)), {}, answer.turn};
    answer.asking = jobs_.start(
        this, {ss(tr("Looking up %1").arg(view->title)), work::Priority::Asked, {.network = true}},
        [asked, how, held = references_.held()](std::stop_token stop,
                                                work::Progress& progress) mutable -> Result<Asked> {
            progress.begin(1);
            asked.found = how(asked.clues, ReferencesController::plain(held), stop);
            if (stop.stop_requested())
                return Error{ErrorKind::Cancelled, {}, "It was stopped."};
            return std::move(asked);
        },
        [this, sleeve, turn = answer.turn](Result<Asked> asked) {
            const auto it = answers_.find(sleeve);
            if (it == answers_.end() || it->second.turn != turn)
                return; // it is asked anew meanwhile, or its files are others
            if (asked) {
                take(std::move(*asked));
                return;
            }
            if (it->second.candidates.empty())
                answers_.erase(it);
            else
                it->second.asking = 0;
            emit changed(sleeve);
        });
    emit changed(sleeve);
}

void IdentifyController::take(Asked asked) {
    const SleeveView* view = sleeves_.find(asked.sleeve);
    if (!view || view->version != asked.version)
        return; // its files are others by now
    SleeveAnswer& answer = answers_[asked.sleeve];
    if (asked.turn == 0 && answer.turn != 0)
        return; // somebody asks, or has asked, about this one
    const uint64_t turn = answer.turn;
    const std::string chosen = answer.best() ? answer.best()->number() : std::string();
    const bool byHand = answer.chosen > 0; // not merely the first
    answer = {};
    answer.turn = turn;
    answer.version = asked.version;
    answer.clues = std::move(asked.clues);
    answer.candidates = std::move(asked.found.candidates);
    answer.verdict = asked.found.verdict;
    for (size_t i = 0; i < answer.candidates.size() && byHand; ++i)
        if (answer.candidates[i].number() == chosen)
            answer.chosen = i;
    for (const Error& e : asked.found.errors)
        answer.errors << spoken(e.message);
    emit changed(asked.sleeve);
    lookHere(asked.sleeve);
    fetchChosen(asked.sleeve);
}

void IdentifyController::identify(const std::string& sleeve) {
    askByAll(sleeve, matching::ByEar::WhereNamesFail);
}

void IdentifyController::identifyBySound(const std::string& sleeve) {
    askByAll(sleeve, matching::ByEar::Always);
}

void IdentifyController::askByAll(const std::string& sleeve, matching::ByEar when) {
    const SleeveView* view = sleeves_.find(sleeve);
    if (!view || !references_.mayBeAsked())
        return;
    sounds_.prepare(this, view->files, [this, sleeve, when](const matching::PrintsOf& prints) {
        ask(sleeve, [prints, when](SleeveClues& clues, const std::vector<reference::Reference*>& references,
                                   std::stop_token stop) {
            return matching::identifyByAll(clues, references, prints, when, stop);
        });
    });
}

void IdentifyController::identifyBy(const std::string& sleeve, const reference::Question& question) {
    ask(sleeve,
        [question](SleeveClues& clues, const std::vector<reference::Reference*>& references,
                   std::stop_token stop) { return matching::identifyBy(question, clues, references, stop); });
}

void IdentifyController::identifyAll() {
    if (isAskingAll())
        return;
    if (!references_.mayBeAsked())
        return;
    auto all = std::make_shared<std::vector<Asked>>();
    for (const SleeveView& view : sleeves_.all())
        if (!view.isStrays() && !isTaken(view) && !answer(view.key))
            all->push_back({view.key, view.version, matching::cluesOf(inputs(view)), {}, 0});
    if (all->empty()) {
        messages_.say(tr("All sleeves have been looked up."));
        return;
    }
    std::vector<FileId> files;
    for (const Asked& a : *all)
        for (const matching::FileClues& f : a.clues.files)
            files.push_back(f.id);
    preparing_ = true;
    sounds_.prepare(this, files, [this, all](const matching::PrintsOf& prints) {
        preparing_ = false;
        askAll(all, prints);
    });
    emit changed({});
}

void IdentifyController::askAll(std::shared_ptr<std::vector<Asked>> all, const matching::PrintsOf& prints) {
    askingAll_ = jobs_.start(
        this, {ss(tr("Looking up the sleeves")), work::Priority::Asked, {.network = true}},
        [this, all, prints, held = references_.held()](std::stop_token stop,
                                                       work::Progress& progress) -> Result<QStringList> {
            progress.begin(all->size());
            const auto references = ReferencesController::plain(held);
            std::mutex mutex;
            QStringList errors;
            // The reference takes its time, so that several are asked about at once.
            work::inParallel(
                all->size(),
                [&](size_t i) {
                    if (stop.stop_requested())
                        return;
                    Asked& a = (*all)[i];
                    a.found = matching::identifyByAll(a.clues, references, prints,
                                                      matching::ByEar::WhereNamesFail, stop);
                    if (stop.stop_requested())
                        return;
                    progress.step(a.sleeve);
                    {
                        std::lock_guard lock(mutex);
                        for (const Error& e : a.found.errors)
                            if (!errors.contains(spoken(e.message)))
                                errors << spoken(e.message);
                    }
                    QMetaObject::invokeMethod(this, [this, a = std::move(a)] { take(a); });
                },
                4);
            return errors;
        },
        [this](Result<QStringList> errors) {
            askingAll_ = 0;
            if (errors && !errors->isEmpty())
                messages_.say(errors->join(' '), true);
            emit changed({});
        });
    emit changed({});
}

void IdentifyController::choose(const std::string& sleeve, size_t candidate) {
    const auto it = answers_.find(sleeve);
    if (it == answers_.end() || candidate >= it->second.candidates.size() || it->second.chosen == candidate)
        return;
    it->second.chosen = candidate;
    it->second.seatedByHand = false;
    it->second.here = {};
    it->second.fetching = false;
    emit changed(sleeve);
    lookHere(sleeve);
    fetchChosen(sleeve);
}

/// Whether it stands on a shelf already.
void IdentifyController::lookHere(const std::string& sleeve) {
    const auto it = answers_.find(sleeve);
    const SleeveView* view = sleeves_.find(sleeve);
    if (it == answers_.end() || !it->second.best() || !view || !index_.searcher())
        return;
    std::vector<library::FileRecord> files;
    for (FileId id : view->files)
        if (const FilePtr f = files_.file(id))
            files.push_back(*f);
    const Candidate& c = *it->second.best();
    library_.read(
        this,
        [files = std::move(files), release = c.release, number = c.number(),
         own = c.reference == reference::libraryKey, searcher = index_.searcher()](library::Store& store) {
            return library::whatIsHere(store, *searcher, files, release, number, own);
        },
        [this, sleeve, version = it->second.version, id = c.release.id](Result<library::AlreadyHere> here) {
            const auto now = answers_.find(sleeve);
            if (!here || now == answers_.end() || now->second.version != version || !now->second.best() ||
                now->second.best()->release.id != id)
                return;
            now->second.here = std::move(*here);
            emit changed(sleeve);
        });
}

/// All there is of the one that is chosen: what questions are answered with is not everything.
void IdentifyController::fetchChosen(const std::string& sleeve) {
    const auto it = answers_.find(sleeve);
    if (it == answers_.end() || !it->second.best() || it->second.best()->complete)
        return;
    const Candidate& chosen = *it->second.best();
    std::shared_ptr<reference::Reference> from;
    for (const auto& r : references_.held())
        if (r->key() == chosen.reference)
            from = r;
    if (!from)
        return;
    it->second.fetching = true;
    jobs_.start(
        this, {ss(tr("Fetching %1").arg(qs(chosen.release.title))), work::Priority::Asked, {.network = true}},
        [from, id = chosen.release.id](std::stop_token stop, work::Progress&) {
            return from->fetch(id, stop);
        },
        [this, sleeve, version = it->second.version, key = chosen.reference,
         id = chosen.release.id](Result<reference::Release> release) {
            const auto now = answers_.find(sleeve);
            if (now == answers_.end() || now->second.version != version)
                return;
            if (now->second.best() && now->second.best()->release.id == id)
                now->second.fetching = false;
            if (!release) {
                if (release.error().kind != ErrorKind::Cancelled)
                    now->second.errors << spoken(release.error().message);
                emit changed(sleeve);
                return;
            }
            for (Candidate& c : now->second.candidates) {
                if (c.reference != key || c.release.id != release->id)
                    continue;
                // The line-up holds as long as the tracks are the same.
                const bool same = c.release.trackCount() == release->trackCount();
                const double certainty = c.certainty;
                const std::vector<std::string> also = c.also;
                if (same) {
                    c.release = *release;
                    matching::judgeAgain(now->second.clues, c);
                } else {
                    c = matching::judge(now->second.clues, *release, key);
                }
                c.certainty = certainty;
                c.also = also;
                c.complete = true;
            }
            emit changed(sleeve);
        });
}

void IdentifyController::seat(const std::string& sleeve, size_t file, int track) {
    const auto it = answers_.find(sleeve);
    if (it == answers_.end() || !it->second.best() || file >= it->second.clues.files.size())
        return;
    matching::seat(it->second.clues, it->second.candidates[it->second.chosen], file, track);
    it->second.seatedByHand = true;
    emit changed(sleeve);
}

void IdentifyController::seatAnew(const std::string& sleeve) {
    const auto it = answers_.find(sleeve);
    if (it == answers_.end() || !it->second.best())
        return;
    Candidate& c = it->second.candidates[it->second.chosen];
    c.seating = matching::lineUp(it->second.clues, matching::Likeable(c.release, c.reference));
    matching::judgeAgain(it->second.clues, c);
    it->second.seatedByHand = false;
    emit changed(sleeve);
}

std::vector<IdentifyController::StrayFit> IdentifyController::straysThatFit(const std::string& sleeve) const {
    std::vector<StrayFit> out;
    const SleeveAnswer* a = answer(sleeve);
    if (!a || !a->best() ||
        std::ranges::find(a->best()->seating.fileOf, -1) == a->best()->seating.fileOf.end())
        return out;
    const matching::Likeable likeable(a->best()->release, a->best()->reference);
    for (const SleeveView& view : sleeves_.all()) {
        if (!view.isStrays())
            continue;
        for (size_t i = 0; i < std::min(mostStrays, view.files.size()); ++i) {
            const FileId id = view.files[i];
            const auto in = input(id);
            if (!in)
                continue;
            const SleeveClues clues = matching::cluesOf({*in});
            if (const auto seat = matching::bestEmptySeat(*a->best(), likeable, clues.files[0]);
                seat.track >= 0)
                out.push_back({id, seat});
        }
    }
    std::ranges::stable_sort(
        out, [](const StrayFit& x, const StrayFit& y) { return x.seat.fit.gain > y.seat.fit.gain; });
    return out;
}

void IdentifyController::seatStray(const std::string& sleeve, FileId file, int track) {
    const auto it = answers_.find(sleeve);
    if (it == answers_.end() || !it->second.best() || it->second.asking != 0)
        return;
    it->second.joining[file] = track;
    batch_.putIntoSleeve({file}, sleeve);
}

/// Whether the sleeve is another one only by strays that were to come.
bool IdentifyController::letJoin(SleeveAnswer& answer, const SleeveView& view) {
    if (answer.joining.empty() || answer.asking != 0)
        return false;
    SleeveClues now = matching::cluesOf(inputs(view));
    std::set<FileId> before, all;
    for (const matching::FileClues& f : answer.clues.files)
        before.insert(f.id);
    for (const matching::FileClues& f : now.files)
        all.insert(f.id);
    const bool have =
        std::ranges::all_of(answer.joining, [&](const auto& j) { return all.contains(j.first); });
    if (!have || !std::ranges::includes(all, before) || all.size() != before.size() + answer.joining.size())
        return false;
    for (Candidate& c : answer.candidates) {
        const double certainty = c.certainty;
        c = matching::moved(answer.clues, c, now);
        c.certainty = certainty;
    }
    for (size_t f = 0; f < now.files.size(); ++f)
        if (const auto j = answer.joining.find(now.files[f].id); j != answer.joining.end())
            matching::seat(now, answer.candidates[answer.chosen], f, j->second);
    answer.clues = std::move(now);
    answer.version = view.version;
    answer.joining.clear();
    answer.seatedByHand = true;
    answer.fetching = false; // that was for the sleeve as it was
    const std::string key = view.key;
    QMetaObject::invokeMethod(
        this,
        [this, key] {
            emit changed(key);
            lookHere(key);
            fetchChosen(key);
        },
        Qt::QueuedConnection);
    return true;
}

void IdentifyController::readGenres() {
    library_.read(
        this,
        [searcher = index_.searcher()](library::Store&) {
            std::vector<std::string> out;
            if (searcher)
                for (library::FacetValue& v : searcher->facet(searcher->all(), "genre", mostGenres))
                    out.push_back(std::move(v.value));
            return out;
        },
        [this](Result<std::vector<std::string>> genres) {
            if (!genres || *genres == genres_.all())
                return;
            genres_ = bench::OwnGenres(std::move(*genres));
            emit changed({});
        });
}

void IdentifyController::setRules(const bench::TakeRules& rules) {
    if (rules == rules_)
        return;
    rules_ = rules;
    settings_.set(settings::takeRules, bench::textsOf(rules));
    emit changed({});
}

std::string IdentifyController::originOf(const Candidate& candidate) const {
    std::string name = candidate.reference;
    for (const reference::Entry& e : references_.entries())
        if (e.key == candidate.reference)
            name = e.name;
    return bench::originOf(candidate.release, name,
                           ss(QLocale().toString(QDate::currentDate(), "d MMM yyyy")));
}

edits::Proposals IdentifyController::proposalsOf(const SleeveAnswer& answer) const {
    const Candidate* c = answer.best();
    if (!c)
        return {};
    std::vector<FileId> ids;
    for (const matching::FileClues& f : answer.clues.files)
        ids.push_back(f.id);
    return bench::take(*c, answer.clues, drafts_.subjects(ids), rules_, genres_, originOf(*c));
}

edits::Proposals IdentifyController::proposals(const std::string& sleeve) const {
    const SleeveAnswer* a = answer(sleeve);
    return a ? proposalsOf(*a) : edits::Proposals();
}

void IdentifyController::take(const std::string& sleeve, const Left& without) {
    const SleeveAnswer* a = answer(sleeve);
    if (!a || !a->best())
        return;
    edits::Proposals proposals = proposalsOf(*a);
    std::erase_if(proposals, [&](const edits::Proposal& p) { return without.contains({p.file, p.field}); });
    drafts_.propose(tr("Take %1").arg(qs(a->best()->release.title)), proposals);
    emit changed(sleeve);
}

std::vector<std::string> IdentifyController::sure() const {
    std::vector<std::string> out;
    for (const SleeveView& view : sleeves_.all())
        if (const SleeveAnswer* a = answer(view.key);
            a && a->best() && a->verdict == matching::Verdict::Sure && !a->fetching && !isTaken(view))
            out.push_back(view.key);
    return out;
}

void IdentifyController::takeSure() {
    edits::Proposals all;
    int count = 0;
    for (const std::string& sleeve : sure()) {
        edits::Proposals some = proposalsOf(*answer(sleeve));
        all.insert(all.end(), some.begin(), some.end());
        ++count;
    }
    drafts_.propose(tr("Take %n sure release(s)", "", count), all);
    emit changed({});
}

std::string IdentifyController::releaseOf(const SleeveView& sleeve) const {
    for (FileId id : sleeve.files)
        if (const auto values = drafts_.session().effective(id, matching::referenceNumberField);
            !values.empty())
            return values[0];
    const SleeveAnswer* a = answer(sleeve.key);
    return a && a->best() && a->verdict == matching::Verdict::Sure ? a->best()->number() : std::string();
}

bool IdentifyController::isTaken(const SleeveView& sleeve) const {
    // Most of them: a stray that joined says nothing of the others. Some of many tell it as well as all.
    const auto asked = static_cast<std::ptrdiff_t>(std::min<size_t>(sleeve.files.size(), 16));
    const auto say = std::count_if(sleeve.files.begin(), sleeve.files.begin() + asked, [this](FileId id) {
        return !drafts_.session().effective(id, matching::referenceNumberField).empty();
    });
    return say > 0 && say * 2 >= asked;
}

size_t IdentifyController::left() const {
    return static_cast<size_t>(std::ranges::count_if(
        sleeves_.all(), [this](const SleeveView& v) { return !v.isStrays() && !isTaken(v); }));
}

} // namespace moorfrost::app
