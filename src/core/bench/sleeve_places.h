// SPDX-License-Identifier: GPL-3.0-or-later
// In which sleeve each file of the batch is, and which sleeves have changed since that was last asked.
#pragma once

#include <map>
#include <set>
#include <string>
#include <unordered_map>
#include <utility>
#include <vector>

#include "core/library/records.h"

namespace moorfrost::bench {

class SleevePlaces {
public:
    using FileId = library::FileId;

    void clear();
    /// Into a sleeve, "" for the strays; takes it out of where it was. `byHand`: it stays there when files
    /// are sorted.
    void put(FileId file, const std::string& key, bool byHand);
    void remove(FileId file);

    size_t size() const { return places_.size(); }
    bool contains(FileId file) const { return places_.contains(file); }
    /// "" for strays, and for files that are not of the batch.
    const std::string& keyOf(FileId file) const;
    bool isByHand(FileId file) const;
    /// Whether something of the sleeve was put there by hand.
    bool hasByHand(const std::string& key) const;
    /// In the order of their numbers.
    const std::set<FileId>& filesOf(const std::string& key) const;
    /// All of them, in the order of their numbers.
    std::vector<FileId> files() const;

    /// The sleeve, or the one that the file is in, counts as changed.
    void touch(const std::string& key) { touched_.insert(key); }
    void touchFile(FileId file) { touch(keyOf(file)); }
    void touchAll();
    bool isTouched() const { return !touched_.empty(); }
    std::set<std::string> takeTouched() { return std::exchange(touched_, {}); }

private:
    struct Place {
        std::string key;
        bool byHand = false;
    };
    std::map<FileId, Place> places_;
    std::unordered_map<std::string, std::set<FileId>> files_; // of each sleeve
    std::set<std::string> touched_;
};

} // namespace moorfrost::bench
