// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/sound/index.h"

#include <algorithm>
#include <array>
#include <bit>

namespace moorfrost::sound {

namespace {

enum Part : uint32_t { Ids, Starts, Items, Begins, Postings };

constexpr size_t every = 4; // which items of a recording are in the lists
constexpr unsigned keyBits = 24, leastBits = 10;
constexpr size_t longestList = 100'000;    // what is in more places says nothing
constexpr size_t mostPostings = 2'000'000; // of one question
constexpr size_t mostCompared = 24;
constexpr int64_t window = 2; // votes this far apart are for the same

/// Few recordings need few buckets: about one posting in each.
unsigned bitsFor(size_t postings) {
    return std::clamp(static_cast<unsigned>(std::bit_width(postings)), leastBits, keyBits);
}

/// Sorts by four bytes; far quicker than comparing.
void radixSort(std::vector<uint32_t>& values) {
    std::vector<uint32_t> other(values.size());
    for (unsigned shift = 0; shift < 32; shift += 11) {
        std::array<uint32_t, 2048> counts{};
        for (uint32_t v : values)
            ++counts[(v >> shift) & 2047];
        uint32_t sum = 0;
        for (uint32_t& c : counts)
            sum += std::exchange(c, sum);
        for (uint32_t v : values)
            other[counts[(v >> shift) & 2047]++] = v;
        values.swap(other);
    }
}

struct Vote {
    uint32_t count;
    uint32_t diagonal;
};

/// The diagonals with the most votes within a window, the best first.
std::vector<Vote> mostVoted(const std::vector<uint32_t>& diagonals) {
    std::vector<Vote> out;
    size_t from = 0;
    for (size_t i = 0; i < diagonals.size();) {
        const uint32_t here = diagonals[i];
        size_t to = i;
        while (to < diagonals.size() && diagonals[to] == here)
            ++to;
        while (diagonals[from] + window < here)
            ++from;
        const Vote vote{static_cast<uint32_t>(to - from), here};
        if (!out.empty() && out.back().diagonal + window >= here) {
            if (vote.count > out.back().count)
                out.back() = vote;
        } else {
            out.push_back(vote);
        }
        i = to;
    }
    const size_t most = std::min(mostCompared, out.size());
    std::ranges::partial_sort(out, out.begin() + static_cast<std::ptrdiff_t>(most),
                              [](const Vote& a, const Vote& b) {
                                  return std::pair(b.count, a.diagonal) < std::pair(a.count, b.diagonal);
                              });
    out.resize(most);
    return out;
}

} // namespace

SoundIndex::SoundIndex(std::shared_ptr<const files::Arena> arena)
    : arena_(std::move(arena)), ids_(arena_->part<int64_t>(Ids)), starts_(arena_->part<uint64_t>(Starts)),
      items_(arena_->part<uint32_t>(Items)), begins_(arena_->part<uint32_t>(Begins)),
      postings_(arena_->part<uint32_t>(Postings)) {
    if (begins_.size() > 1)
        bits_ = static_cast<unsigned>(std::bit_width(begins_.size() - 1) - 1);
}

bool SoundIndex::isWhole() const {
    return starts_.size() == ids_.size() + 1 && starts_.front() == 0 && starts_.back() == items_.size() &&
           begins_.size() == (size_t{1} << bits_) + 1 && begins_.back() == postings_.size() &&
           std::ranges::is_sorted(starts_) && std::ranges::is_sorted(ids_) &&
           std::ranges::is_sorted(begins_) &&
           std::ranges::all_of(postings_, [n = items_.size()](uint32_t p) { return p < n; });
}

std::shared_ptr<const SoundIndex> SoundIndex::open(const Path& file, const std::string& revision) {
    auto arena = files::Arena::map(file, revision);
    if (!arena)
        return nullptr;
    std::shared_ptr<const SoundIndex> out(new SoundIndex(std::move(arena)));
    return out->isWhole() ? out : nullptr;
}

std::optional<size_t> SoundIndex::placeOf(int64_t id) const {
    const auto it = std::ranges::lower_bound(ids_, id);
    return it == ids_.end() || *it != id ? std::nullopt
                                         : std::optional(static_cast<size_t>(it - ids_.begin()));
}

std::vector<Hit> SoundIndex::find(std::span<const uint32_t> question, double least, size_t most) const {
    std::vector<Hit> out;
    if (ids_.empty() || question.size() < leastItems)
        return out;
    struct List {
        uint32_t from, to, item;
    };
    std::vector<List> lists;
    lists.reserve(question.size());
    for (size_t i = 0; i < question.size(); ++i) {
        if (i > 0 && question[i] == question[i - 1])
            continue; // what goes on and on votes once
        const uint32_t bucket = keyOf(question[i]) >> (keyBits - bits_);
        if (const List l{begins_[bucket], begins_[bucket + 1], static_cast<uint32_t>(i)};
            l.to > l.from && l.to - l.from <= longestList)
            lists.push_back(l);
    }
    std::ranges::sort(lists, {}, [](const List& l) { return std::pair(l.to - l.from, l.item); });
    // Where a recording begins before the question does, the diagonal is less than 0: all are moved up.
    const auto moved = static_cast<uint32_t>(question.size());
    std::vector<uint32_t> diagonals;
    for (const List& l : lists) {
        if (diagonals.size() + (l.to - l.from) > mostPostings)
            break;
        const uint32_t key = question[l.item] & keyMask;
        for (uint32_t p = l.from; p < l.to; ++p)
            if (bits_ == keyBits || (items_[postings_[p]] & keyMask) == key)
                diagonals.push_back(postings_[p] + moved - l.item);
    }
    if (diagonals.empty())
        return out;
    radixSort(diagonals);
    for (const Vote& vote : mostVoted(diagonals)) {
        const int64_t at = static_cast<int64_t>(vote.diagonal) - moved; // of the first item of the question
        // All recordings that the question lies over then.
        const auto first = std::ranges::upper_bound(starts_, static_cast<uint64_t>(std::max<int64_t>(0, at)));
        for (auto place = static_cast<size_t>(first - starts_.begin()) - 1;
             place < ids_.size() && static_cast<int64_t>(starts_[place]) < at + std::ssize(question);
             ++place) {
            const auto start = static_cast<int64_t>(starts_[place]),
                       end = static_cast<int64_t>(starts_[place + 1]);
            if (std::min(end, at + std::ssize(question)) - std::max(start, at) <
                static_cast<int64_t>(leastItems))
                continue;
            const Overlap o = bestNear(question, itemsAt(place), at - start);
            if (o.z < least)
                continue;
            auto known = std::ranges::find(out, ids_[place], &Hit::id);
            if (known == out.end())
                out.push_back({ids_[place], o});
            else if (o.z > known->overlap.z)
                known->overlap = o;
        }
    }
    std::ranges::stable_sort(out, [](const Hit& a, const Hit& b) { return a.overlap.z > b.overlap.z; });
    if (out.size() > most)
        out.resize(most);
    return out;
}

void SoundIndexBuilder::add(int64_t id, std::span<const uint32_t> items, std::shared_ptr<const void> owner) {
    if (items_ + items.size() > mostItems)
        return;
    items_ += items.size();
    entries_.push_back({id, items, std::move(owner)});
}

void SoundIndexBuilder::add(int64_t id, std::vector<uint32_t> items) {
    auto kept = std::make_shared<const std::vector<uint32_t>>(std::move(items));
    add(id, *kept, kept);
}

files::ArenaWriter SoundIndexBuilder::parts() {
    std::ranges::stable_sort(entries_, {}, &Entry::id);
    // Of the same, the last.
    std::vector<Entry> once;
    for (Entry& e : entries_)
        if (!once.empty() && once.back().id == e.id)
            once.back() = std::move(e);
        else
            once.push_back(std::move(e));
    entries_ = std::move(once);
    std::vector<int64_t> ids;
    std::vector<uint64_t> starts{0};
    std::vector<std::string_view> pieces;
    auto owners = std::make_shared<std::vector<std::shared_ptr<const void>>>();
    size_t postingCount = 0;
    for (const Entry& e : entries_) {
        ids.push_back(e.id);
        starts.push_back(starts.back() + e.items.size());
        pieces.emplace_back(reinterpret_cast<const char*>(e.items.data()), e.items.size_bytes());
        owners->push_back(e.owner);
        postingCount += (e.items.size() + every - 1) / every;
    }
    const unsigned bits = bitsFor(postingCount);
    std::vector<uint32_t> begins((size_t{1} << bits) + 1), postings(postingCount);
    auto eachPosting = [&](auto&& each) {
        for (size_t r = 0; r < entries_.size(); ++r)
            for (size_t i = 0; i < entries_[r].items.size(); i += every)
                each(keyOf(entries_[r].items[i]) >> (keyBits - bits), static_cast<uint32_t>(starts[r] + i));
    };
    eachPosting([&](uint32_t bucket, uint32_t) { ++begins[bucket + 1]; });
    for (size_t i = 1; i < begins.size(); ++i)
        begins[i] += begins[i - 1];
    std::vector<uint32_t> next(begins.begin(), begins.end() - 1);
    eachPosting([&](uint32_t bucket, uint32_t place) { postings[next[bucket]++] = place; });
    files::ArenaWriter out;
    out.add(Ids, 0, std::move(ids));
    out.add(Starts, 0, std::move(starts));
    out.add(Items, 0, std::move(pieces), owners);
    out.add(Begins, 0, std::move(begins));
    out.add(Postings, 0, std::move(postings));
    return out;
}

std::shared_ptr<const SoundIndex> SoundIndexBuilder::finish() {
    auto arena = parts().finish();
    entries_.clear();
    items_ = 0;
    return std::shared_ptr<const SoundIndex>(new SoundIndex(std::move(arena)));
}

Status SoundIndexBuilder::save(const Path& file, const std::string& revision) {
    Status s = parts().save(file, revision);
    entries_.clear();
    items_ = 0;
    return s;
}

} // namespace moorfrost::sound
