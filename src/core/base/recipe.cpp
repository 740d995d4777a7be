// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/base/recipe.h"

#include <algorithm>
#include <cstring>

namespace moorfrost {

namespace {

void add(Recipe& recipe, const Extent& extent) {
    if (extent.length == 0)
        return;
    if (!recipe.extents.empty()) {
        Extent& last = recipe.extents.back();
        if (last.fresh == extent.fresh && last.offset + last.length == extent.offset) {
            last.length += extent.length;
            return;
        }
    }
    recipe.extents.push_back(extent);
}

void addFresh(Recipe& recipe, const std::string& bytes) {
    uint64_t at = recipe.fresh.size();
    recipe.fresh += bytes;
    add(recipe, {true, at, bytes.size()});
}

/// Adds only what differs: stretches of equal bytes longer than `gap` need not be written or kept.
void addDifferences(std::vector<Patch>& patches, const Patch& all) {
    constexpr size_t gap = 64;
    size_t n = all.after.size();
    for (size_t at = 0; at < n;) {
        if (n - at >= gap && std::memcmp(&all.before[at], &all.after[at], gap) == 0) {
            at += gap;
            continue;
        }
        if (all.before[at] == all.after[at]) {
            ++at;
            continue;
        }
        size_t end = at + 1; // one past the last difference of this patch
        for (size_t i = end; i < n && i - end < gap; ++i)
            if (all.before[i] != all.after[i])
                end = i + 1;
        patches.push_back({all.offset + at, all.before.substr(at, end - at), all.after.substr(at, end - at)});
        at = end;
    }
}

/// True while every old run lies where it was.
bool keepsPlaces(const Recipe& recipe) {
    uint64_t at = 0;
    for (const Extent& e : recipe.extents) {
        if (!e.fresh && e.offset != at)
            return false;
        at += e.length;
    }
    return true;
}

} // namespace

uint64_t Recipe::size() const {
    uint64_t size = 0;
    for (const Extent& e : extents)
        size += e.length;
    return size;
}

bool isSound(const Recipe& recipe, uint64_t oldSize) {
    for (const Extent& e : recipe.extents) {
        uint64_t there = e.fresh ? recipe.fresh.size() : oldSize;
        if (e.offset > there || e.length > there - e.offset)
            return false;
    }
    return true;
}

RecipeSource::RecipeSource(const ByteSource& old, const Recipe& recipe) : old_(old), recipe_(recipe) {
    for (const Extent& e : recipe.extents) {
        starts_.push_back(size_);
        size_ += e.length;
    }
}

size_t RecipeSource::read(uint64_t offset, char* into, size_t n) const {
    if (offset >= size_)
        return 0;
    auto next = std::upper_bound(starts_.begin(), starts_.end(), offset);
    auto i = static_cast<size_t>(next - starts_.begin()) - 1;
    size_t got = 0;
    for (; i < starts_.size() && got < n; ++i) {
        const Extent& e = recipe_.extents[i];
        uint64_t skip = offset + got - starts_[i];
        auto part = static_cast<size_t>(std::min<uint64_t>(n - got, e.length - skip));
        size_t r = part;
        if (e.fresh)
            std::memcpy(into + got, recipe_.fresh.data() + e.offset + skip, part);
        else
            r = old_.read(e.offset + skip, into + got, part);
        got += r;
        if (r < part)
            break;
    }
    return got;
}

const char* name(CommitClass how) {
    switch (how) {
    case CommitClass::Nothing:
        return "nothing";
    case CommitClass::InPlace:
        return "in place";
    case CommitClass::Tail:
        return "tail";
    case CommitClass::Rewrite:
        return "rewrite";
    }
    return "";
}

CommitClass classify(const Recipe& recipe, const ByteSource& old) {
    uint64_t size = recipe.size();
    if (size == old.size()) {
        bool same = true;
        uint64_t at = 0;
        for (const Extent& e : recipe.extents) {
            same = same && (e.fresh ? old.bytes(at, static_cast<size_t>(e.length)) ==
                                          std::string_view(recipe.fresh).substr(e.offset, e.length)
                                    : e.offset == at);
            at += e.length;
        }
        if (same)
            return CommitClass::Nothing;
    }
    if (!keepsPlaces(recipe))
        return CommitClass::Rewrite;
    return size == old.size() ? CommitClass::InPlace : CommitClass::Tail;
}

std::vector<Patch> patchesOf(const Recipe& recipe, const ByteSource& old) {
    std::vector<Patch> patches;
    uint64_t at = 0;
    for (const Extent& e : recipe.extents) {
        if (e.fresh) {
            Patch patch;
            patch.offset = at;
            patch.after = recipe.fresh.substr(static_cast<size_t>(e.offset), static_cast<size_t>(e.length));
            patch.before = old.bytes(at, static_cast<size_t>(e.length));
            if (patch.before.size() == patch.after.size())
                addDifferences(patches, patch);
            else
                patches.push_back(std::move(patch));
        }
        at += e.length;
    }
    if (at < old.size()) { // the end is cut off
        std::string rest = old.bytes(at, static_cast<size_t>(old.size() - at));
        if (!patches.empty() && patches.back().offset + patches.back().after.size() == at)
            patches.back().before += rest;
        else
            patches.push_back({at, rest, {}});
    }
    return patches;
}

Recipe inverseOf(const Recipe& recipe, const ByteSource& old) {
    struct Shared {
        uint64_t oldOffset, newOffset, length;
    };
    std::vector<Shared> shared;
    uint64_t at = 0;
    for (const Extent& e : recipe.extents) {
        if (!e.fresh)
            shared.push_back({e.offset, at, e.length});
        at += e.length;
    }
    std::sort(shared.begin(), shared.end(),
              [](const Shared& a, const Shared& b) { return a.oldOffset < b.oldOffset; });
    Recipe back;
    uint64_t done = 0;
    for (const Shared& s : shared) {
        if (s.oldOffset + s.length <= done)
            continue;
        uint64_t skip = done > s.oldOffset ? done - s.oldOffset : 0;
        if (s.oldOffset > done)
            addFresh(back, old.bytes(done, static_cast<size_t>(s.oldOffset - done)));
        add(back, {false, s.newOffset + skip, s.length - skip});
        done = s.oldOffset + s.length;
    }
    if (done < old.size())
        addFresh(back, old.bytes(done, static_cast<size_t>(old.size() - done)));
    return back;
}

Recipe inverseOf(const std::vector<Patch>& patches, uint64_t newSize) {
    Recipe back;
    uint64_t at = 0;
    for (const Patch& p : patches) {
        add(back, {false, at, p.offset - at});
        addFresh(back, p.before);
        at = p.offset + p.after.size();
    }
    if (at < newSize)
        add(back, {false, at, newSize - at});
    return back;
}

} // namespace moorfrost
