// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>

#include <fmt/format.h>

#include "core/library/findings/release_checks.h"
#include "core/library/place_wish.h"
#include "core/text/text.h"

namespace moorfrost::library {

void checkPlan(const ShelfPlans& plans, const CheckedRelease& release, const FindingSink& found) {
    const std::vector<Misplaced> off = plans.misplaced(release.files, release.isAlbum);
    if (off.empty())
        return;
    const int64_t shelf = release.files.front().shelf;
    std::vector<FileId> files;
    for (const Misplaced& one : off)
        files.push_back(one.file);
    Finding one = findingOf("off-plan", release, "", files);
    one.sentence = release.files.size() == 1
                       ? "The file is not where the plan of its shelf puts it."
                       : fmt::format("{} of {} files are not where the plan of their shelf puts them.",
                                     off.size(), release.files.size());
    one.fix.says = fmt::format("Move by the plan: {}", plans.plan(shelf));
    for (const Misplaced& file : off) {
        const auto record = std::ranges::find(release.files, file.file, &FileRecord::id);
        if (one.evidence.size() < 6)
            one.evidence.push_back(
                {trackName(*record), text::forDisplay(file.at.native()), text::forDisplay(file.to.native())});
        one.fix.wishes.push_back({file.file, placeKey, PlaceWish{shelf, plans.plan(shelf)}.toValues()});
    }
    found(std::move(one));
}

} // namespace moorfrost::library
