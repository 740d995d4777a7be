// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/bench/sleeve_places.h"

#include <algorithm>

namespace moorfrost::bench {

void SleevePlaces::clear() {
    touchAll();
    places_.clear();
    files_.clear();
}

void SleevePlaces::put(FileId file, const std::string& key, bool byHand) {
    auto [it, fresh] = places_.try_emplace(file);
    Place& place = it->second;
    if (!fresh && place.key == key && place.byHand == byHand)
        return;
    if (!fresh && place.key != key)
        files_[place.key].erase(file);
    if (!fresh)
        touch(place.key);
    touch(key);
    place = {key, byHand};
    files_[key].insert(file);
}

void SleevePlaces::remove(FileId file) {
    auto it = places_.find(file);
    if (it == places_.end())
        return;
    touch(it->second.key);
    files_[it->second.key].erase(file);
    places_.erase(it);
}

const std::string& SleevePlaces::keyOf(FileId file) const {
    static const std::string none;
    auto it = places_.find(file);
    return it == places_.end() ? none : it->second.key;
}

bool SleevePlaces::isByHand(FileId file) const {
    auto it = places_.find(file);
    return it != places_.end() && it->second.byHand;
}

bool SleevePlaces::hasByHand(const std::string& key) const {
    const std::set<FileId>& all = filesOf(key);
    return std::any_of(all.begin(), all.end(), [this](FileId id) { return isByHand(id); });
}

const std::set<library::FileId>& SleevePlaces::filesOf(const std::string& key) const {
    static const std::set<FileId> none;
    auto it = files_.find(key);
    return it == files_.end() ? none : it->second;
}

std::vector<library::FileId> SleevePlaces::files() const {
    std::vector<FileId> out;
    out.reserve(places_.size());
    for (const auto& [id, place] : places_)
        out.push_back(id);
    return out;
}

void SleevePlaces::touchAll() {
    for (const auto& [key, files] : files_)
        touched_.insert(key);
}

} // namespace moorfrost::bench
