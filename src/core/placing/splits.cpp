// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/placing/splits.h"

#include <algorithm>
#include <set>
#include <unordered_map>

#include "core/placing/folders.h"
#include "core/text/text.h"

namespace moorfrost::placing {

namespace {

using naming::Modifier;
using naming::Piece;

/// Fields that make folders, but for those that tell discs apart.
std::vector<std::string> folderKeys(const naming::Plan& plan) {
    naming::Plan folders;
    size_t last = 0;
    for (size_t i = 0; i < plan.pieces.size(); ++i)
        if (plan.pieces[i].kind == Piece::Kind::Folder)
            last = i;
    folders.pieces.assign(plan.pieces.begin(), plan.pieces.begin() + static_cast<std::ptrdiff_t>(last));
    std::vector<std::string> keys = folders.keys();
    std::erase_if(keys, [](const std::string& k) { return k == "disc" || k == "discs" || k == "track"; });
    return keys;
}

/// Where the plan takes only the year, only the years can be what splits.
std::set<std::string> keysByYear(const naming::Plan& plan) {
    std::set<std::string> out;
    for (const Piece& piece : plan.pieces)
        if (piece.has(Modifier::Kind::Year))
            for (const naming::Source& source : piece.sources)
                out.insert(source.key);
    return out;
}

using Places = std::map<std::string, std::vector<size_t>>; // files by folder

/// The field that tears it apart, with the reason; "" where none does.
std::pair<std::string, std::string> reasonOf(const std::string& sleeve, const Places& places,
                                             const std::vector<PutAwayFile>& files,
                                             const std::vector<std::string>& keys,
                                             const std::set<std::string>& byYear, const Namer& namer) {
    for (const std::string& key : keys) {
        std::set<std::string> values;
        for (const std::string& v : namer.valuesOf(sleeve, key))
            values.insert(byYear.contains(key) ? v.substr(0, 4) : v);
        if (values.size() > 1) {
            std::vector<std::string> some(values.begin(), values.end());
            some.resize(std::min<size_t>(some.size(), 3));
            return {key, text::lower(tags::labelOf(key)) + ": " + text::join(some, " / ") + "?"};
        }
        // A field that only some files have splits as well.
        size_t having = 0, all = 0;
        for (const auto& [folder, members] : places)
            for (const size_t i : members) {
                ++all;
                having += files[i].fields.contains(key) ? 1 : 0;
            }
        if (values.size() == 1 && having < all)
            return {key, text::lower(tags::labelOf(key)) + " is blank in some files"};
    }
    return {};
}

} // namespace

void markSplits(const std::vector<PutAwayFile>& files, const naming::Plan& plan, const Namer& namer,
                PutAwayResult& result) {
    const std::vector<std::string> keys = folderKeys(plan);
    if (keys.empty())
        return;
    const std::set<std::string> byYear = keysByYear(plan);
    struct OfSleeve {
        std::string_view folder; // of the first
        bool several = false;
        std::vector<size_t> files;
    };
    std::unordered_map<std::string_view, OfSleeve> sleeves;
    for (size_t i = 0; i < files.size(); ++i)
        if (!files[i].sleeve.empty() && !result.files[i].to.empty()) {
            OfSleeve& one = sleeves[files[i].sleeve];
            const std::string_view folder = folderOf(result.files[i].to);
            if (one.files.empty())
                one.folder = folder;
            one.several = one.several || folder != one.folder;
            one.files.push_back(i);
        }
    for (const auto& [key, of] : sleeves) {
        if (!of.several)
            continue;
        const std::string sleeve(key);
        Places places;
        for (const size_t i : of.files)
            places[std::string(folderOf(result.files[i].to))].push_back(i);
        const auto [field, reason] = reasonOf(sleeve, places, files, keys, byYear, namer);
        if (reason.empty())
            continue; // only discs have folders of their own: that is meant
        ++result.splitSleeves;
        const auto biggest =
            std::ranges::max_element(places, {}, [](const auto& place) { return place.second.size(); });
        for (const auto& [folder, members] : places)
            if (folder != biggest->first)
                for (const size_t i : members)
                    result.files[i].marks.push_back({MarkKind::Split, "splits an album: " + reason, field});
    }
}

} // namespace moorfrost::placing
