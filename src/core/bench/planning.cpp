// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/bench/planning.h"

#include <algorithm>
#include <map>

#include "core/sandbox/parser_pool.h"
#include "core/tags/tag_io.h"
#include "core/text/text.h"

namespace moorfrost::bench {

namespace {

std::optional<placing::Quality> qualityThere(const Path& file) {
    const auto tags = sandbox::ParserPool::shared().readTags(file);
    return tags ? std::optional(placing::qualityOf(tags->facts)) : std::nullopt;
}

} // namespace

std::optional<placing::PutAwayOptions> optionsFor(const PlaceWish& wish, const PlaceRules& rules) {
    auto plan = naming::parsePlan(wish.plan, rules.customFields);
    if (!std::holds_alternative<naming::Plan>(plan))
        return std::nullopt;
    placing::PutAwayOptions options;
    options.plan = std::get<naming::Plan>(std::move(plan));
    options.profile = rules.profile;
    options.customFields = rules.customFields;
    options.copy = wish.mode == PlaceWish::Mode::Copy;
    options.inPlace = wish.mode == PlaceWish::Mode::Rename;
    options.along = wish.along;
    options.removeEmptied = wish.removeEmptied;
    options.roots = rules.roots;
    options.qualityThere = qualityThere;
    if (options.inPlace)
        return options;
    const auto shelf = std::ranges::find(rules.shelves, wish.shelf, &library::Shelf::id);
    if (shelf == rules.shelves.end())
        return std::nullopt;
    options.shelf = shelf->path;
    options.roots.push_back(shelf->path); // for files that are on it already
    if (const auto at = rules.placing.find(shelf->id); at != rules.placing.end() && at->second.names) {
        options.profile = *at->second.names;
        options.anyProfile = true;
    }
    if (rules.notThere.contains(shelf->id))
        options.notThere = "The shelf \"" + shelf->name + "\" is not there: is its disk mounted?";
    return options;
}

placing::PutAwayFile Proposal::toPlace() const {
    placing::PutAwayFile out{file->id,
                             file->path,
                             file->tags.format,
                             tags::applied(file->tags.fields, tags::withoutPictures(changes)),
                             placing::factsOf(file->path, file->tags),
                             sleeve};
    out.size = file->state.size;
    out.quality = placing::qualityOf(file->tags.facts);
    out.onClash = wish ? wish->onClash : placing::OnClash::Ask;
    return out;
}

const placing::Placement* Places::of(FileId file) const {
    auto it = byFile_.find(file);
    return it == byFile_.end() ? nullptr : &placements[it->second];
}

size_t Places::moving() const {
    return static_cast<size_t>(
        std::ranges::count_if(placements, [](const placing::Placement& p) { return p.id > 0 && p.moves(); }));
}

Places placesOf(const std::vector<Proposal>& proposals, const PlaceRules& rules) {
    std::map<std::vector<std::string>, std::vector<placing::PutAwayFile>> groups;
    for (const Proposal& p : proposals)
        if (p.wish && p.file->readable()) {
            PlaceWish wish = *p.wish;
            wish.onClash = placing::OnClash::Ask; // each file has its own
            groups[wish.toValues()].push_back(p.toPlace());
        }
    Places out;
    for (const auto& [wish, files] : groups) {
        const auto options = optionsFor(PlaceWish::fromValues(wish), rules);
        if (!options)
            continue;
        placing::PutAwayResult r = placing::planPutAway(files, *options);
        out.shelfProblem = r.shelfProblem.empty() ? out.shelfProblem : r.shelfProblem;
        std::ranges::move(r.files, std::back_inserter(out.placements));
        for (placing::Placement& p : r.along)
            if (p.moves())
                out.placements.push_back(std::move(p));
        out.emptied.insert(out.emptied.end(), r.emptied.begin(), r.emptied.end());
    }
    for (size_t i = 0; i < out.placements.size(); ++i)
        if (out.placements[i].id > 0) // not what goes along
            out.byFile_[out.placements[i].id] = i;
    return out;
}

std::vector<Replaced> replacedBy(const Places& places) {
    std::vector<Replaced> out;
    for (const placing::Placement& p : places.placements)
        if (p.moves() && !p.replaces.empty())
            out.push_back({p.replaces, p.id});
    return out;
}

std::vector<Path> pathsOf(const std::vector<Replaced>& replaced) {
    std::vector<Path> out;
    for (const Replaced& one : replaced)
        out.push_back(one.there);
    return out;
}

files::ChangeSet changeSet(const std::vector<Proposal>& proposals, const Places& places,
                           const WriteOptions& options) {
    files::ChangeSet set;
    set.hardLinks = options.hardLinks;
    set.damage = options.damage;
    set.keepTimes = options.keepTimes;
    std::set<Path> aside;
    for (const Replaced& one : replacedBy(places))
        aside.insert(one.there);
    for (const Proposal& p : proposals) {
        if (aside.contains(p.file->path))
            continue; // it goes as it is
        files::Step step;
        step.file = p.file->id;
        step.source = p.file->path;
        step.expected = p.file->state;
        step.expectedFields = p.file->tags.fields;
        step.changes = p.changes;
        if (const placing::Placement* place = p.wish ? places.of(p.file->id) : nullptr;
            place && place->moves()) {
            step.target = place->to;
            step.copy = place->copy;
        }
        if (!step.changes.empty() || !step.target.empty())
            set.steps.push_back(std::move(step));
    }
    for (const placing::Placement& p : places.placements)
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

std::string sleeveKeyOf(const SleevePlaces& sleeves, const library::FileRecord& file) {
    std::string key = sleeves.keyOf(file.id);
    const std::string& album = tags::firstValue(file.tags.fields, "album");
    if (!key.empty() || file.shelf == 0 || album.empty() || sleeves.contains(file.id))
        return key;
    std::string artist = tags::firstValue(file.tags.fields, "album_artist");
    if (artist.empty())
        artist = tags::firstValue(file.tags.fields, "artist");
    return "on a shelf\t" + text::fold(artist) + "\t" + text::fold(album);
}

std::vector<Proposal> proposalsOf(const KnownFiles& files, const library::DraftSession& drafts, int64_t batch,
                                  const SleevePlaces& sleeves) {
    std::vector<Proposal> out;
    for (const auto& [id, fields] : drafts.all()) {
        FilePtr file = files.find(id);
        if (!file || !files.goesWith(id, batch))
            continue;
        const auto place = fields.find(library::placeKey);
        std::string sleeve = sleeveKeyOf(sleeves, *file);
        out.push_back({std::move(file), drafts.changes(id),
                       place == fields.end() ? std::nullopt
                                             : std::optional(PlaceWish::fromValues(place->second.values)),
                       std::move(sleeve)});
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
