// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/bench/planning.h"

#include <algorithm>
#include <map>

#include "core/tags/tag_io.h"

namespace moorfrost::bench {

std::optional<naming::PutAwayOptions> optionsFor(const PlaceWish& wish, const PlaceRules& rules) {
    const auto shelf = std::ranges::find(rules.shelves, wish.shelf, &library::Shelf::id);
    auto plan = naming::parsePlan(wish.plan, rules.customFields);
    if (shelf == rules.shelves.end() || !std::holds_alternative<naming::Plan>(plan))
        return std::nullopt;
    naming::PutAwayOptions options;
    options.plan = std::get<naming::Plan>(std::move(plan));
    options.shelf = shelf->path;
    options.profile = rules.profile;
    options.copy = wish.copy;
    options.goesAlong = wish.goesAlong;
    options.removeEmptied = wish.removeEmptied;
    return options;
}

naming::PutAwayFile Proposal::toPlace() const {
    return {file->id,
            file->path,
            file->tags.format,
            tags::applied(file->tags.fields, tags::withoutPictures(changes)),
            naming::factsOf(file->path, file->tags),
            sleeve};
}

const naming::Placement* Places::of(FileId file) const {
    auto it = byFile_.find(file);
    return it == byFile_.end() ? nullptr : &placements[it->second];
}

size_t Places::moving() const {
    return static_cast<size_t>(
        std::ranges::count_if(placements, [](const naming::Placement& p) { return p.id > 0 && p.moves(); }));
}

Places placesOf(const std::vector<Proposal>& proposals, const PlaceRules& rules) {
    std::map<std::vector<std::string>, std::vector<naming::PutAwayFile>> groups;
    for (const Proposal& p : proposals)
        if (p.wish && p.file->readable())
            groups[p.wish->toValues()].push_back(p.toPlace());
    Places out;
    for (const auto& [wish, files] : groups) {
        const auto options = optionsFor(PlaceWish::fromValues(wish), rules);
        if (!options)
            continue;
        naming::PutAwayResult r = naming::planPutAway(files, *options);
        out.shelfProblem = r.shelfProblem.empty() ? out.shelfProblem : r.shelfProblem;
        std::ranges::move(r.files, std::back_inserter(out.placements));
        for (naming::Placement& p : r.along)
            if (p.moves())
                out.placements.push_back(std::move(p));
        out.emptied.insert(out.emptied.end(), r.emptied.begin(), r.emptied.end());
    }
    for (size_t i = 0; i < out.placements.size(); ++i)
        if (out.placements[i].id > 0) // not what goes along
            out.byFile_[out.placements[i].id] = i;
    return out;
}

files::ChangeSet changeSet(const std::vector<Proposal>& proposals, const Places& places,
                           const WriteOptions& options) {
    files::ChangeSet set;
    set.hardLinks = options.hardLinks;
    set.damage = options.damage;
    set.keepTimes = options.keepTimes;
    for (const Proposal& p : proposals) {
        files::Step step;
        step.file = p.file->id;
        step.source = p.file->path;
        step.expected = p.file->state;
        step.expectedFields = p.file->tags.fields;
        step.changes = p.changes;
        if (const naming::Placement* place = p.wish ? places.of(p.file->id) : nullptr;
            place && place->moves()) {
            step.target = place->to;
            step.copy = place->copy;
        }
        if (!step.changes.empty() || !step.target.empty())
            set.steps.push_back(std::move(step));
    }
    for (const naming::Placement& p : places.placements)
        if (p.id == 0) {
            files::Step step;
            step.source = p.from;
            step.target = p.to;
            step.copy = p.copy;
            set.steps.push_back(std::move(step));
        }
    set.emptied = places.emptied;
    return set;
}

std::vector<Proposal> proposalsOf(const KnownFiles& files, const library::DraftSession& drafts, int64_t batch,
                                  const SleevePlaces& sleeves) {
    std::vector<Proposal> out;
    for (const auto& [id, fields] : drafts.all()) {
        FilePtr file = files.find(id);
        if (!file || !files.goesWith(id, batch))
            continue;
        const auto place = fields.find(library::placeKey);
        out.push_back({std::move(file), drafts.changes(id),
                       place == fields.end() ? std::nullopt
                                             : std::optional(PlaceWish::fromValues(place->second.values)),
                       sleeves.keyOf(id)});
    }
    return out;
}

DraftCounts countDrafts(const KnownFiles& files, const library::DraftSession& drafts, int64_t batch) {
    DraftCounts n;
    for (const auto& [id, fields] : drafts.all()) {
        const size_t place = fields.contains(library::placeKey) ? 1 : 0;
        if (!files.goesWith(id, batch)) {
            n.elsewhere += fields.size();
            continue;
        }
        n.fields += fields.size() - place;
        n.files += fields.size() > place ? 1 : 0;
        n.places += place;
    }
    return n;
}

} // namespace moorfrost::bench
