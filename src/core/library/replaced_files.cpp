// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/replaced_files.h"

#include <algorithm>
#include <cmath>
#include <set>

#include <fmt/format.h>

#include "core/files/disk.h"
#include "core/files/trash.h"

namespace moorfrost::library {

namespace {

constexpr double leastApart = 2; // seconds, or a fiftieth

/// A name in the folder that is free, and not in `taken` yet.
Path freeIn(const Path& folder, const Path& file, std::set<Path>& taken) {
    Path out = folder / file.filename();
    for (int n = 2; files::isThere(out) || taken.contains(out); ++n)
        out = folder / fmt::format("{} ({}){}", file.stem().native(), n, file.extension().native());
    taken.insert(out);
    return out;
}

} // namespace

void moveReplaced(Store& store, files::ChangeSet& set, const std::vector<Path>& files, const Path& folder) {
    std::set<Path> taken;
    std::set<Path> seen; // two may come for one
    for (const Path& file : files) {
        if (!seen.insert(file).second)
            continue;
        files::Step step;
        step.source = file;
        if (const FileId id = store.files().idOf(file); id != 0)
            if (const auto record = store.files().find(id)) {
                step.file = id;
                step.expected = record->state;
            }
        if (!folder.empty())
            step.target = freeIn(folder, file, taken);
        else if (auto placed = files::placeInTrash(file))
            step.target = *std::move(placed);
        else
            step.refused = placed.error().message;
        set.steps.push_back(std::move(step));
    }
}

void forgetNotMoved(const files::ChangeSet& set, const files::SetReport& report) {
    std::set<Path> gone;
    for (const files::StepRecord& r : report.steps)
        if (r.state == files::StepState::Done)
            gone.insert(r.step.target);
    for (const files::Step& step : set.steps)
        if (!step.target.empty() && !gone.contains(step.target))
            files::forgetTrashed(step.target);
}

std::vector<std::vector<FileId>> sameRecordings(Store& store, const std::map<Path, FileId>& replaced) {
    std::vector<std::vector<FileId>> out;
    for (const auto& [there, by] : replaced) {
        const auto was = store.files().find(store.files().idOf(there)), is = store.files().find(by);
        if (!was || !is)
            continue;
        const double a = was->tags.facts.duration, b = is->tags.facts.duration;
        if (a > 0 && b > 0 && std::abs(a - b) <= std::max(leastApart, 0.02 * std::max(a, b)))
            out.push_back({is->id, was->id});
    }
    return out;
}

std::vector<std::vector<FileId>> whatWasDone(std::vector<std::vector<FileId>> pairs,
                                             const files::SetReport& report) {
    std::set<FileId> done;
    for (const files::StepRecord& r : report.steps)
        if (r.state == files::StepState::Done)
            done.insert(r.step.file);
    std::erase_if(pairs, [&](const std::vector<FileId>& pair) {
        return !std::ranges::all_of(pair, [&](FileId file) { return done.contains(file); });
    });
    return pairs;
}

} // namespace moorfrost::library
