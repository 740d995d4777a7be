// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/misplaced.h"

#include <algorithm>

#include "core/files/disk.h"
#include "core/files/file_system.h"
#include "core/library/shelf_readiness.h"
#include "core/library/sleeve_files.h"
#include "core/placing/put_away.h"
#include "core/tags/custom_fields.h"
#include "core/text/text.h"

namespace moorfrost::library {

namespace {

/// "Night Post (2).flac" for "Night Post.flac".
bool isSuffixed(const Path& name, const Path& plain) {
    const std::string stem = name.stem().native(), of = plain.stem().native() + " (";
    return name.extension() == plain.extension() && stem.size() > of.size() + 1 && stem.starts_with(of) &&
           stem.back() == ')' &&
           text::isDigits(std::string_view(stem).substr(of.size(), stem.size() - of.size() - 1));
}

} // namespace

ShelfPlans::ShelfPlans(Store& store, const PlacingRules& rules, const std::vector<std::string>& customFields,
                       files::NameProfile profile) {
    for (const Shelf& shelf : store.shelves().all())
        if (const auto at = rules.find(shelf.id); at != rules.end() && !at->second.plan.empty()) {
            auto plan = naming::parsePlan(at->second.plan, customFields);
            if (std::holds_alternative<naming::Plan>(plan))
                shelves_[shelf.id] = {
                    shelf.path, std::get<naming::Plan>(std::move(plan)),
                    namesOn(rules, shelf.id, profile, files::fileSystemOf(shelf.path).holds)};
        }
}

std::vector<Misplaced> ShelfPlans::misplaced(std::span<const FileRecord> files, bool isRelease) const {
    std::vector<Misplaced> out;
    if (files.empty())
        return out;
    const auto shelf = shelves_.find(files.front().shelf);
    if (shelf == shelves_.end())
        return out;
    const auto& [root, plan, profile] = shelf->second;
    std::vector<placing::PutAwayFile> wanted;
    for (const FileRecord& file : files)
        if (file.shelf == shelf->first)
            wanted.push_back({file.id, file.path, file.tags.format, file.tags.fields,
                              placing::factsOf(file.path, file.tags), isRelease ? "one" : ""});
    const auto names = placing::namesByPlan(wanted, plan, profile);
    for (size_t i = 0; i < names.size(); ++i) {
        Path to;
        for (const std::string& part : names[i])
            to /= part;
        const Path &at = wanted[i].path, planned = root / to;
        if (to.empty() || planned == at)
            continue;
        if (at.parent_path() == planned.parent_path() && isSuffixed(at.filename(), planned.filename()) &&
            files::isThere(planned))
            continue;
        out.push_back({wanted[i].id, at.lexically_relative(root), std::move(to)});
    }
    return out;
}

void eachMisplaced(Store& store, const Searcher& searcher, const ShelfPlans& plans, int64_t shelf,
                   std::stop_token stop, work::Progress& progress,
                   const std::function<void(const Misplaced&)>& found) {
    eachSleeve(store, searcher, wholeSleevesOf(searcher, searcher.all()), stop, progress,
               [&](size_t, std::vector<FileRecord>&& files) {
                   std::erase_if(files, [&](const FileRecord& file) {
                       const bool isMusic = file.kind.empty() || file.kind == "music";
                       return file.shelf != shelf || !isMusic || !file.readable() || file.absent != 0;
                   });
                   const bool isRelease =
                       !files.empty() && !tags::firstValue(files.front().tags.fields, "album").empty();
                   for (const Misplaced& one : plans.misplaced(files, isRelease))
                       found(one);
               });
}

MisplacedFiles misplacedOn(Store& store, const Searcher& searcher, int64_t shelf, const std::string& plan,
                           std::stop_token stop, work::Progress& progress) {
    MisplacedFiles out;
    out.known = store.files().countOnShelf(shelf);
    PlacingRules rules = placingRulesFrom(store.settings().get(settings::shelfPlans));
    if (!plan.empty())
        rules[shelf].plan = plan;
    const ShelfPlans plans(store, rules, tags::withDescribed(searcher.customFields()), rulesOf(store).names);
    if (!plans.has(shelf)) {
        const auto at = rules.find(shelf);
        out.why = at == rules.end() || at->second.plan.empty()
                      ? "Nothing was put away on this shelf by a plan yet."
                      : "The plan of this shelf makes no sense any more: " + at->second.plan;
        return out;
    }
    std::vector<std::pair<Path, FileId>> found;
    eachMisplaced(store, searcher, plans, shelf, stop, progress,
                  [&](const Misplaced& one) { found.emplace_back(one.at, one.file); });
    std::ranges::sort(found);
    for (const auto& [at, file] : found)
        out.files.push_back(file);
    return out;
}

} // namespace moorfrost::library
