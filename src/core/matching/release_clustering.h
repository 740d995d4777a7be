// SPDX-License-Identifier: GPL-3.0-or-later
// Which parts of several folders are one release. Any thread.
#pragma once

#include <deque>

#include "core/matching/folder_parts.h"

namespace moorfrost::matching {

/// A part, and what it is looked up by: numbers made of its folder, album and artist; 0 where it has none.
/// Parts that share no number are never joined.
struct ClusteringPart {
    explicit ClusteringPart(const Part& part);
    const Part* part;
    bool inDiscFolder = false;
    uint64_t release = 0, albumArtist = 0, neighbours = 0, album = 0, albumHere = 0;

    /// Those that are not 0, each with what it is of in its last bits.
    std::vector<uint64_t> numbers() const;
};

class ReleaseClustering {
public:
    explicit ReleaseClustering(const std::vector<const ClusteringPart*>& parts);

    struct Group {
        std::vector<size_t> members; // the largest first
        const char* why = "";        // a sentence
    };
    /// Of two parts and more.
    std::vector<Group> groups();
    bool isAlone(size_t part) const { return joined_.empty() || !joined_[part]; }

private:
    /// What is known of several parts together, kept by their leader.
    struct Together {
        Slots slots;
        std::string barcode;
        const char* why = "";
    };

    const Part& part(size_t i) const { return *parts_[i]->part; }
    size_t find(size_t i);
    Together* togetherOf(size_t i);
    const Slots& slotsOf(size_t i);
    const std::string& barcodeOf(size_t i);
    bool belong(size_t a, size_t b);
    void join(size_t a, size_t b, const char* why);
    /// Indices of parts that have the same number, two at least.
    std::vector<std::vector<size_t>> alike(uint64_t ClusteringPart::*number) const;
    void joinDiscs();
    void joinFolders();
    void joinMisspelled();
    void joinCompilations(uint64_t ClusteringPart::*number);

    const std::vector<const ClusteringPart*>& parts_;
    std::vector<size_t> leader_;
    std::vector<bool> joined_;
    std::vector<uint32_t> togetherOf_; // of leaders: index + 1; 0 for a part alone
    std::deque<Together> together_;
};

} // namespace moorfrost::matching
