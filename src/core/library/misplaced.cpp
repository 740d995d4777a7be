// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/misplaced.h"

#include "core/naming/put_away.h"

namespace moorfrost::library {

ShelfPlans::ShelfPlans(Store& store, const std::map<int64_t, std::string>& plans,
                       const std::vector<std::string>& customFields, files::NameProfile profile)
    : profile_(profile) {
    for (const Shelf& shelf : store.shelves().all())
        if (const auto at = plans.find(shelf.id); at != plans.end()) {
            auto plan = naming::parsePlan(at->second, customFields);
            if (std::holds_alternative<naming::Plan>(plan))
                shelves_[shelf.id] = {shelf.path, std::get<naming::Plan>(std::move(plan))};
        }
}

std::vector<Misplaced> ShelfPlans::misplaced(std::span<const FileRecord> files, bool isRelease) const {
    std::vector<Misplaced> out;
    if (files.empty())
        return out;
    const auto shelf = shelves_.find(files.front().shelf);
    if (shelf == shelves_.end())
        return out;
    const auto& [root, plan] = shelf->second;
    std::vector<naming::PutAwayFile> wanted;
    for (const FileRecord& file : files)
        if (file.shelf == shelf->first)
            wanted.push_back({file.id, file.path, file.tags.format, file.tags.fields,
                              naming::factsOf(file.path, file.tags), isRelease ? "one" : ""});
    const auto names = naming::namesByPlan(wanted, plan, profile_);
    for (size_t i = 0; i < names.size(); ++i) {
        Path to;
        for (const std::string& part : names[i])
            to /= part;
        if (!to.empty() && root / to != wanted[i].path)
            out.push_back({wanted[i].id, wanted[i].path.lexically_relative(root), std::move(to)});
    }
    return out;
}

} // namespace moorfrost::library
