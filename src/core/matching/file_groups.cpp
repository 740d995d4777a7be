// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/matching/file_groups.h"

#include <algorithm>
#include <set>

namespace moorfrost::matching {

std::map<std::string, Files> groupedBy(const Files& files, const KeyOf& key) {
    std::map<std::string, Files> out;
    for (const FileTraits* f : files)
        out[key(*f)].push_back(f);
    return out;
}

std::string commonest(const Files& files, const KeyOf& key) {
    std::map<std::string, size_t> counts;
    for (const FileTraits* f : files)
        if (std::string k = key(*f); !k.empty())
            ++counts[std::move(k)];
    auto best = std::max_element(counts.begin(), counts.end(),
                                 [](const auto& a, const auto& b) { return a.second < b.second; });
    return best == counts.end() ? std::string() : best->first;
}

size_t different(const Files& files, const KeyOf& key) {
    std::set<std::string> keys;
    for (const FileTraits* f : files)
        if (std::string k = key(*f); !k.empty())
            keys.insert(std::move(k));
    return keys.size();
}

KeyOf bySession(const std::vector<const FileTraits*>& files) {
    std::vector<int64_t> times;
    for (const FileTraits* f : files)
        times.push_back(f->modified);
    std::sort(times.begin(), times.end());
    constexpr int64_t shortest = 600; // seconds
    int64_t longest = 0, second = 0, after = 0;
    for (size_t i = 1; i < times.size(); ++i)
        if (const int64_t pause = times[i] - times[i - 1]; pause > longest) {
            second = std::exchange(longest, pause);
            after = times[i];
        } else {
            second = std::max(second, pause);
        }
    if (times.empty() || times.front() == 0 || longest < shortest || longest < 5 * second)
        return [](const FileTraits&) { return std::string(); };
    return [after](const FileTraits& f) { return std::string(f.modified < after ? "earlier" : "later"); };
}

std::optional<std::vector<Files>> divided(const Files& files, const KeyOf& key) {
    auto groups = groupedBy(files, key);
    Files silent;
    if (auto it = groups.find(""); it != groups.end()) {
        silent = std::move(it->second);
        groups.erase(it);
    }
    if (groups.size() < 2)
        return std::nullopt;
    size_t left = 0, smallest = files.size();
    for (const auto& [k, members] : groups) {
        left += doubles(members);
        smallest = std::min(smallest, members.size());
    }
    if (left * 5 > doubles(files) || (smallest < 2 && files.size() > 3))
        return std::nullopt;
    std::vector<Files> out;
    for (auto& [k, members] : groups)
        out.push_back(std::move(members));
    std::vector<std::set<Slot>> taken(out.size());
    for (size_t i = 0; i < out.size(); ++i)
        for (const FileTraits* f : out[i])
            taken[i].insert(slotOf(*f));
    for (const FileTraits* f : silent) {
        auto free = std::find_if(taken.begin(), taken.end(),
                                 [&](const std::set<Slot>& t) { return !t.contains(slotOf(*f)); });
        const size_t to = free == taken.end() ? 0 : static_cast<size_t>(free - taken.begin());
        out[to].push_back(f);
        taken[to].insert(slotOf(*f));
    }
    return out;
}

Part partOf(Files files, std::string reason) {
    Part p;
    p.files = std::move(files);
    p.reasons.push_back(std::move(reason));
    return p;
}

} // namespace moorfrost::matching
