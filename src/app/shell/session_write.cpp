// SPDX-License-Identifier: GPL-3.0-or-later
// The part of the session that puts away, writes and takes back.
#include <algorithm>

#include "app/shell/session.h"
#include "app/shell/text_utils.h"

namespace moorfrost::app {

using library::Store;

namespace {
/// A connection of its own for a job. A sentence if the library failed, else "".
std::string withStore(const Path& library, const std::function<void(Store&)>& work) {
    auto store = Store::open(library);
    if (!store)
        return store.error().message;
    try {
        work(**store);
    } catch (const library::DatabaseError& e) {
        return e.what();
    }
    return {};
}
} // namespace

std::vector<naming::PutAwayFile> Session::putAwayFiles(const std::vector<FileId>& ids) const {
    std::vector<naming::PutAwayFile> out;
    for (FileId id : ids) {
        FilePtr f = file(id);
        if (!f || !f->readable())
            continue;
        out.push_back({id, f->path, f->tags.format, drafts_.effective(id), naming::factsOf(f->path, f->tags),
                       places_.keyOf(id)});
    }
    return out;
}

std::optional<naming::PutAwayOptions> Session::putAwayOptions(const PlaceWish& wish) const {
    auto shelf = std::find_if(shelves_.begin(), shelves_.end(),
                              [&](const library::Shelf& s) { return s.id == wish.shelf; });
    auto plan = naming::parsePlan(wish.plan, customKeys());
    if (shelf == shelves_.end() || !std::holds_alternative<naming::Plan>(plan))
        return std::nullopt;
    naming::PutAwayOptions options;
    options.plan = std::get<naming::Plan>(plan);
    options.shelf = shelf->path;
    options.profile = files::profileFromKey(ss(setting("names")));
    options.copy = wish.copy;
    options.goesAlong = wish.goesAlong;
    options.removeEmptied = wish.removeEmptied;
    return options;
}

QString Session::placeText(const Path& path) const {
    int64_t on = library::shelfOf(shelves_, path);
    for (const library::Shelf& s : shelves_)
        if (s.id == on)
            return qs(s.name) + "/" + shownPath(path.lexically_relative(s.path));
    std::vector<Path> parts(path.begin(), path.end());
    if (parts.size() <= 4)
        return shownPath(path);
    Path last;
    for (size_t i = parts.size() - 3; i < parts.size(); ++i)
        last /= parts[i];
    return QString(QChar(0x2026)) + "/" + shownPath(last);
}

void Session::planDraftedMoves() {
    std::map<std::vector<std::string>, std::vector<FileId>> groups;
    for (const auto& [id, fields] : drafts_.all())
        if (auto it = fields.find(library::placeKey); it != fields.end())
            groups[it->second.values].push_back(id);
    int run = ++placeRun_;
    if (groups.empty()) {
        takePlacements({});
        emptied_.clear();
        placed();
        return;
    }
    struct Group {
        std::vector<naming::PutAwayFile> files;
        naming::PutAwayOptions options;
    };
    auto work = std::make_shared<std::vector<Group>>();
    for (const auto& [values, ids] : groups)
        if (auto options = putAwayOptions(PlaceWish::fromValues(values)))
            work->push_back({putAwayFiles(ids), *options});
    // The disk is looked at on the store's thread, which is where short work waits its turn.
    store_->post([this, work, run](Store&) {
        auto placements = std::make_shared<std::vector<naming::Placement>>();
        auto emptied = std::make_shared<std::vector<Path>>();
        for (Group& g : *work) {
            naming::PutAwayResult r = naming::planPutAway(g.files, g.options);
            std::move(r.files.begin(), r.files.end(), std::back_inserter(*placements));
            for (naming::Placement& p : r.along)
                if (p.moves())
                    placements->push_back(std::move(p));
            emptied->insert(emptied->end(), r.emptied.begin(), r.emptied.end());
        }
        later([this, placements, emptied, run] {
            if (run != placeRun_)
                return; // newer drafts are being worked out
            takePlacements(std::move(*placements));
            emptied_ = std::move(*emptied);
            placed();
        });
    });
}

const naming::Placement* Session::placementOf(FileId id) const {
    auto it = placementOf_.find(id);
    return it == placementOf_.end() ? nullptr : &placements_[it->second];
}

void Session::takePlacements(std::vector<naming::Placement> placements) {
    std::map<FileId, Path> before, now;
    for (const naming::Placement& p : placements_)
        before[p.id] = p.to;
    placements_ = std::move(placements);
    placementOf_.clear();
    for (size_t i = 0; i < placements_.size(); ++i)
        if (placements_[i].id > 0) { // not what goes along
            placementOf_[placements_[i].id] = i;
            now[placements_[i].id] = placements_[i].to;
        }
    if (!audit::asksForNames(standards_.ofBatch()))
        return;
    for (const auto* one : {&before, &now})
        for (const auto& [id, to] : *one)
            if (!now.contains(id) || before[id] != now[id])
                touched_.insert(id);
    if (!touched_.empty())
        describeTouchedSleeves();
}

size_t Session::movesDrafted() const {
    return static_cast<size_t>(
        std::count_if(placements_.begin(), placements_.end(),
                      [](const naming::Placement& p) { return p.id > 0 && p.moves(); }));
}

void Session::placed() {
    placing_ = false;
    emit placementsChanged();
    if (std::exchange(writeWhenPlaced_, false))
        write(links_, damage_);
}

void Session::tellTrouble(const QString& title, const files::SetReport& report) {
    if (report.failed == 0 && report.left == 0 && report.error.empty())
        return;
    QString what = report.failed > 0 ? tr("%n file(s) left as before.", "", static_cast<int>(report.failed))
                   : report.left > 0
                       ? tr("Stopped: %n file(s) were not begun.", "", static_cast<int>(report.left))
                       : tr("The write was stopped.");
    QString detail = qs(report.error);
    for (const files::StepRecord& r : report.steps)
        if (r.state == files::StepState::Failed && detail.isEmpty())
            detail = shownName(r.step.source) + ": " + qs(r.error);
    jobs_.setTrouble(Trouble{title + ": " + what, detail, [this] { write(); }});
}

void Session::write(files::HardLinks links, tags::Damage damage) {
    links_ = links;
    damage_ = damage;
    if (placing_) { // never to a place from before the last edit
        writeWhenPlaced_ = true;
        return;
    }
    jobs_.setTrouble(std::nullopt);
    files::FileSet set;
    set.hardLinks = links;
    set.damage = damage;
    set.keepTimes = setting("keep-times") == "yes";
    std::map<FileId, const naming::Placement*> places;
    for (const naming::Placement& p : placements_)
        if (p.id > 0 && p.moves())
            places[p.id] = &p;
    size_t copies = 0;
    for (const auto& [id, drafted] : drafts_.all()) {
        FilePtr f = file(id);
        if (!f)
            continue;
        files::Step step;
        step.file = id;
        step.source = f->path;
        step.expected = f->state;
        step.expectedFields = f->tags.fields;
        step.changes = drafts_.changes(id);
        if (auto place = places.find(id); place != places.end()) {
            step.target = place->second->to;
            step.copy = place->second->copy;
            copies += step.copy ? 1 : 0;
        }
        if (!step.changes.empty() || !step.target.empty())
            set.steps.push_back(std::move(step));
    }
    for (const naming::Placement& p : placements_)
        if (p.id == 0) {
            files::Step step;
            step.source = p.from;
            step.target = p.to;
            step.copy = p.copy;
            set.steps.push_back(std::move(step));
        }
    set.emptied = emptied_;
    if (set.steps.empty())
        return;
    int files = static_cast<int>(
        std::count_if(set.steps.begin(), set.steps.end(), [](const files::Step& s) { return s.file > 0; }));
    QString title = places.empty() ? tr("Write tags of %n file(s)", "", files)
                    : copies > 0   ? tr("Put away copies of %n file(s)", "", files)
                                   : tr("Put away %n file(s)", "", files);
    set.title = ss(title);

    auto outcome = std::make_shared<library::WriteOutcome>();
    auto trouble = std::make_shared<std::string>();
    jobs_.start(
        title,
        [set, outcome, trouble, library = store_->file(), batch = batch_](std::stop_token stop,
                                                                          work::Progress& progress) {
            *trouble = withStore(library, [&](Store& store) {
                *outcome = library::writeSet(store, set, batch, stop, progress);
            });
        },
        [this, outcome, trouble, title] {
            if (!trouble->empty())
                emit said(qs(*trouble), true);
            tell(outcome->recovered);
            tellTrouble(title, outcome->report);
            if (trouble->empty()) {
                lastReport_ = std::move(outcome->report);
                lastSet_ = outcome->set;
            }
            drafts_.forgetHistory();
            reload([this] { emit written(); });
        });
}

void Session::takeBack(int64_t set, const std::optional<std::set<size_t>>& steps) {
    auto outcome = std::make_shared<library::TakeBackOutcome>();
    auto trouble = std::make_shared<std::string>();
    jobs_.start(
        tr("Taking back"),
        [=, library = store_->file()](std::stop_token stop, work::Progress& progress) {
            *trouble = withStore(library, [&](Store& store) {
                *outcome = library::takeBackSet(store, set, steps, stop, progress);
            });
        },
        [this, outcome, trouble] {
            QString sentence = tr("%n file(s) taken back.", "", static_cast<int>(outcome->done));
            if (!outcome->refused.empty())
                sentence +=
                    " " + tr("%n file(s) could not be: %1", "", static_cast<int>(outcome->refused.size()))
                              .arg(qs(outcome->refused.front().second));
            if (!trouble->empty() || !outcome->error.empty())
                sentence = qs(trouble->empty() ? outcome->error : *trouble);
            emit said(sentence, !outcome->refused.empty() || !trouble->empty() || !outcome->error.empty());
            lastReport_.reset();
            drafts_.forgetHistory();
            reload([this] {
                sortIntoSleeves();
                emit written();
            });
        });
}

void Session::readAgain(const std::vector<FileId>& ids) {
    store_->post([this, paths = pathsOf(ids)](Store& store) {
        for (const Path& path : paths)
            store.saveFile(files::scanFile(path));
        later([this] {
            reload([this] {
                clearReport();
                sortIntoSleeves();
            });
        });
    });
}

void Session::clearReport() {
    lastReport_.reset();
    jobs_.setTrouble(std::nullopt);
    emit written();
}

void Session::readSteps(int64_t set, std::function<void(std::vector<library::SetStep>)> then) {
    store_->post([this, set, then](Store& store) {
        auto steps = std::make_shared<std::vector<library::SetStep>>(store.steps(set));
        later([steps, then] { then(std::move(*steps)); });
    });
}

void Session::readHistory(FileId file, std::function<void(std::vector<library::Event>)> then) {
    store_->post([this, file, then](Store& store) {
        auto events = std::make_shared<std::vector<library::Event>>(store.historyOf(file, 12));
        later([events, then] { then(std::move(*events)); });
    });
}

} // namespace moorfrost::app
