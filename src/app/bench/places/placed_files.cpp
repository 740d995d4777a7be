// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/places/placed_files.h"

#include <algorithm>
#include <numeric>
#include <unordered_set>

#include "core/text/text.h"

namespace moorfrost::app {

namespace {

using placing::MarkKind;

/// The folder above the one that holds all of these: what is shown is told from there.
Path commonFolder(const std::vector<placing::Placement>& files) {
    std::unordered_set<std::string> seen;
    Path common;
    for (const placing::Placement& p : files) {
        const Path parent = p.from.parent_path();
        if (!seen.insert(parent.native()).second)
            continue;
        if (common.empty()) {
            common = parent;
            continue;
        }
        Path shared;
        for (auto a = common.begin(), b = parent.begin(); a != common.end() && b != parent.end() && *a == *b;
             ++a, ++b)
            shared /= *a;
        common = shared;
    }
    return common.parent_path();
}

unsigned kindOf(MarkKind kind) {
    switch (kind) {
    case MarkKind::Split:
        return PlacedFiles::Splitting;
    case MarkKind::Gap:
        return PlacedFiles::WithGap;
    case MarkKind::Suffixed:
    case MarkKind::Adapted:
    case MarkKind::Shortened:
    case MarkKind::Cased:
        return PlacedFiles::Altered;
    case MarkKind::Replaces:
        return PlacedFiles::Replacing;
    case MarkKind::Beside:
        return PlacedFiles::Besides;
    case MarkKind::LeftOut:
        return PlacedFiles::LeftOut;
    case MarkKind::Clash:
    case MarkKind::Taken:
    case MarkKind::Blocked:
        return PlacedFiles::Problem;
    case MarkKind::InPlace:
    case MarkKind::GoesAlong:
        break;
    }
    return PlacedFiles::All;
}

} // namespace

PlacedFiles::PlacedFiles(placing::PutAwayResult result, std::vector<std::string> sleeves)
    : result_(std::move(result)), sleeves_(std::move(sleeves)), common_(commonFolder(result_.files)),
      fresh_(result_.newFolders.begin(), result_.newFolders.end()) {
    std::unordered_set<std::string> fresh, emptied;
    for (const Path& folder : result_.newFolders)
        fresh.insert(folder.native());
    for (const Path& folder : result_.emptied)
        emptied.insert(folder.native());
    kinds_.resize(size());
    for (size_t i = 0; i < size(); ++i) {
        const placing::Placement& p = at(i);
        unsigned& kinds = kinds_[i];
        for (const placing::Mark& mark : p.marks)
            kinds |= kindOf(mark.kind);
        if (i >= result_.files.size())
            kinds |= Along;
        else if (p.moves())
            kinds |= Moving;
        if (p.moves() && fresh.contains(p.to.parent_path().native()))
            kinds |= IntoNewFolder;
        if (emptied.contains(p.from.parent_path().native()))
            kinds |= OutOfEmptied;
    }
    order_.resize(size());
    std::iota(order_.begin(), order_.end(), 0U);
    std::ranges::sort(order_, [this](uint32_t a, uint32_t b) {
        const placing::Placement &one = at(a), &other = at(b);
        if (one.parts.empty() != other.parts.empty())
            return other.parts.empty();
        return std::tie(one.parts, one.from) < std::tie(other.parts, other.from);
    });
}

size_t PlacedFiles::count(Kind kind) const {
    return static_cast<size_t>(std::ranges::count_if(kinds_, [kind](unsigned k) { return (k & kind) != 0; }));
}

std::vector<int64_t> PlacedFiles::sleeveOf(int64_t file) const {
    const auto at = std::ranges::find(result_.files, file, &placing::Placement::id);
    const auto i = static_cast<size_t>(at - result_.files.begin());
    if (i >= sleeves_.size() || sleeves_[i].empty())
        return {file};
    std::vector<int64_t> out;
    for (size_t k = 0; k < sleeves_.size(); ++k)
        if (sleeves_[k] == sleeves_[i])
            out.push_back(result_.files[k].id);
    return out;
}

bool PlacedFiles::hasWords(size_t i, const std::vector<std::string>& folded) const {
    if (folded.empty())
        return true;
    if (folded_.empty())
        folded_.resize(size());
    std::string& text = folded_[i];
    if (text.empty()) {
        const placing::Placement& p = at(i);
        text = text::fold(text::join(p.parts, "/") + " " + p.from.lexically_relative(common_).native());
    }
    return std::ranges::all_of(folded,
                               [&](const std::string& word) { return text.find(word) != std::string::npos; });
}

} // namespace moorfrost::app
