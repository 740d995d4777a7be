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

FamilyRows foldList(const library::Searcher& searcher, std::vector<Row>& rows, std::vector<size_t>& places) {
    FamilyRows out;
    const library::JointField &families = searcher.field(library::familyColumn),
                              &versions = searcher.field(library::versionColumn);
    if (families.listCount() < 2)
        return out;
    std::unordered_map<Row, size_t> times;
    for (const Row row : rows)
        ++times[row];
    std::vector<Row> keptRows;
    std::vector<size_t> keptPlaces;
    std::optional<Row> lead; // directly before
    for (size_t i = 0; i < rows.size(); ++i) {
        const Row row = rows[i];
        const uint32_t family = families.listOf(row);
        const bool leads = family != 0 && versions.text(versions.listOf(row)) == library::leadVersion;
        if (lead && family != 0 && !leads && families.listOf(*lead) == family) {
            out.under[*lead].push_back(row);
            out.places[*lead].push_back(places[i]);
            out.families[*lead] = families.text(family);
            if (times[row] == 1) // else it stands elsewhere by itself, too
                out.leadOf[row] = *lead;
            continue;
        }
        // A lead that stands there twice is left as it is: it would be opened in both places.
        lead = leads && times[row] == 1 ? std::optional(row) : std::nullopt;
        keptRows.push_back(row);
        keptPlaces.push_back(places[i]);
    }
    rows = std::move(keptRows);
    places = std::move(keptPlaces);
    return out;
}

FamilyFold::Shown FamilyFold::shown(const Shown& folded) const {
    Shown out;
    out.rows.reserve(folded.rows.size());
    for (size_t i = 0; i < folded.rows.size(); ++i) {
        const Row row = folded.rows[i];
        out.rows.push_back(row);
        if (!folded.places.empty())
            out.places.push_back(folded.places[i]);
        if (!isOpen(row))
            continue;
        out.rows.insert(out.rows.end(), rows_.under.at(row).begin(), rows_.under.at(row).end());
        if (const auto places = rows_.places.find(row); places != rows_.places.end())
            out.places.insert(out.places.end(), places->second.begin(), places->second.end());
    }
    return out;
}

FamilyFold::Shown FamilyFold::hidden(Row lead) const {
    const auto places = rows_.places.find(lead);
    return places == rows_.places.end() || isOpen(lead) ? Shown()
                                                        : Shown{rows_.under.at(lead), places->second};
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
