// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/places_controller.h"

#include "core/placing/put_away.h"

namespace moorfrost::app {

PlacesController::PlacesController(FilesController& files, DraftsController& drafts,
                                   const bench::Batch& batch, ShelvesController& shelves,
                                   LibrarySettings& settings, const CustomFields& fields, JobList& jobs)
    : files_(files), drafts_(drafts), batch_(batch), shelves_(shelves), settings_(settings), fields_(fields),
      jobs_(jobs) {
    timer_.setSingleShot(true);
    timer_.setInterval(80);
    connect(&timer_, &QTimer::timeout, this, &PlacesController::workOut);
    connect(&shelves_, &ShelvesController::changed, this, &PlacesController::soon);
    connect(&settings_, &LibrarySettings::loaded, this, &PlacesController::soon);
    connect(&settings_, &LibrarySettings::changed, this, [this](const std::string& key) {
        if (LibrarySettings::is(key, library::settings::names) ||
            LibrarySettings::is(key, library::settings::shelfPlans))
            soon();
    });
    connect(&fields_, &CustomFields::changed, this, &PlacesController::soon);
    files_.feed().subscribe([this](const bench::Changes& changes) {
        if (!changes.files.empty() || !changes.drafts.empty() || changes.batch)
            soon();
    });
}

void PlacesController::setRoots(std::vector<Path> roots) {
    if (roots_ == roots)
        return;
    roots_ = std::move(roots);
    soon();
}

void PlacesController::soon() {
    waiting_ = true;
    timer_.start();
}

const bench::DraftCounts& PlacesController::counts() const {
    if (counted_ != files_.feed().revision()) {
        counted_ = files_.feed().revision();
        counts_ = bench::countDrafts(files_.known(), drafts_.session(), batch_.id());
    }
    return counts_;
}

std::vector<bench::Proposal> PlacesController::proposals() const {
    return bench::proposalsOf(files_.known(), drafts_.session(), batch_.id(), batch_.places());
}

bench::PlaceRules PlacesController::rules() const {
    return {shelves_.all(),      settings_.get(library::settings::names),
            fields_.keys(),      library::placingRulesFrom(settings_.get(library::settings::shelfPlans)),
            shelves_.notThere(), roots_};
}

std::vector<placing::PutAwayFile> PlacesController::toPlace(const std::vector<FileId>& ids) const {
    std::vector<placing::PutAwayFile> out;
    for (FileId id : ids)
        if (FilePtr f = files_.file(id); f && f->readable())
            out.push_back(
                bench::Proposal{f, drafts_.session().changes(id), {}, bench::sleeveKeyOf(batch_.places(), *f)}
                    .toPlace());
    return out;
}

void PlacesController::workOut() {
    if (running_ != 0) // what it finds is too old; the next follows
        return;
    waiting_ = false;
    failed_ = false;
    if (counts().places == 0) {
        take({});
        return;
    }
    std::vector<bench::Proposal> toMove = proposals();
    std::erase_if(toMove, [](const bench::Proposal& p) { return !p.wish; });
    running_ = jobs_.start(
        this, {ss(tr("Working out where files will be"))},
        [toMove, rules = rules()](std::stop_token, work::Progress&) -> Result<bench::Places> {
            return bench::placesOf(toMove, rules);
        },
        [this](Result<bench::Places> places) {
            running_ = 0;
            failed_ = !places;
            if (waiting_) // newer drafts are to be worked out
                workOut();
            else
                take(places ? std::move(*places) : bench::Places());
        });
}

void PlacesController::take(bench::Places places) {
    std::map<FileId, Path> before, now;
    for (const placing::Placement& p : places_.placements)
        if (p.id > 0)
            before[p.id] = p.to;
    for (const placing::Placement& p : places.placements)
        if (p.id > 0)
            now[p.id] = p.to;
    places_ = std::move(places);
    bench::Changes changes;
    for (const auto* one : {&before, &now})
        for (const auto& [id, to] : *one)
            if (!now.contains(id) || !before.contains(id) || before[id] != now[id])
                changes.places.insert(id);
    files_.feed().publish(std::move(changes));
    emit changed();
}

} // namespace moorfrost::app
