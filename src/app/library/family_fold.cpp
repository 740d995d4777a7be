// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/library/family_fold.h"

#include <algorithm>
#include <unordered_map>

#include "core/library/families/version_names.h"
#include "core/library/search/joint_field.h"

namespace moorfrost::app {

using library::Row;

FamilyRows foldFamilies(const library::Searcher& searcher, std::vector<Row>& rows) {
    FamilyRows out;
    const library::JointField &families = searcher.field(library::familyColumn),
                              &versions = searcher.field(library::versionColumn);
    if (families.listCount() < 2)
        return out; // there are none
    std::vector<bool> leads(versions.listCount());
    for (uint32_t list = 1; list < leads.size(); ++list)
        leads[list] = versions.text(list) == library::leadVersion;
    std::unordered_map<uint32_t, Row> leadOf; // of a family
    for (const Row row : rows)
        if (const uint32_t family = families.listOf(row); family != 0 && leads[versions.listOf(row)])
            leadOf.try_emplace(family, row);
    if (leadOf.empty())
        return out;
    std::vector<Row> kept;
    kept.reserve(rows.size());
    for (const Row row : rows) {
        const uint32_t family = families.listOf(row);
        const auto lead = family == 0 ? leadOf.end() : leadOf.find(family);
        if (lead == leadOf.end() || leads[versions.listOf(row)]) {
            kept.push_back(row);
            continue;
        }
        out.under[lead->second].push_back(row);
        out.families[lead->second] = families.text(family);
        out.leadOf[row] = lead->second;
    }
    rows = std::move(kept);
    return out;
}

std::vector<Row> FamilyFold::shown(const std::vector<Row>& folded) const {
    std::vector<Row> out;
    out.reserve(folded.size());
    for (const Row row : folded) {
        out.push_back(row);
        if (isOpen(row))
            out.insert(out.end(), rows_.under.at(row).begin(), rows_.under.at(row).end());
    }
    return out;
}

bool FamilyFold::isOpen(Row row) const {
    const auto family = rows_.families.find(row);
    return family != rows_.families.end() && open_.contains(family->second);
}

size_t FamilyFold::count(Row row) const {
    const auto it = rows_.under.find(row);
    return it == rows_.under.end() ? 0 : it->second.size();
}

std::optional<Row> FamilyFold::leadOf(Row row) const {
    const auto it = rows_.leadOf.find(row);
    return it == rows_.leadOf.end() ? std::nullopt : std::optional(it->second);
}

void FamilyFold::turn(Row lead) {
    const auto family = rows_.families.find(lead);
    if (family == rows_.families.end())
        return;
    if (!open_.erase(family->second))
        open_.insert(family->second);
}

} // namespace moorfrost::app
