// SPDX-License-Identifier: GPL-3.0-or-later
// Where files are to be, arranged as the shelf will be: for those who show it. Values only; made on any
// thread.
#pragma once

#include <cstdint>
#include <memory>
#include <set>
#include <string>
#include <vector>

#include "core/placing/put_away.h"

namespace moorfrost::app {

class PlacedFiles {
public:
    /// What is told of a file, added up.
    enum Kind : unsigned {
        All = 0,
        Moving = 1,
        IntoNewFolder = 2,
        OutOfEmptied = 4, // its folder becomes empty, and goes
        Splitting = 8,
        WithGap = 16,
        Problem = 32,
        Along = 64,    // no music
        Altered = 128, // the name is not quite what the plan makes
        Replacing = 256,
        LeftOut = 512,
        Besides = 1024, // the same is on the shelf in another format
    };

    PlacedFiles() = default;
    /// `sleeves`: of the files, as they were planned.
    PlacedFiles(placing::PutAwayResult result, std::vector<std::string> sleeves);

    const placing::PutAwayResult& result() const { return result_; }
    /// That the parts of places are below.
    const Path& shelf() const { return result_.root; }
    /// Music, then what goes along.
    size_t size() const { return result_.files.size() + result_.along.size(); }
    const placing::Placement& at(size_t i) const {
        return i < result_.files.size() ? result_.files[i] : result_.along[i - result_.files.size()];
    }
    unsigned kindsOf(size_t i) const { return kinds_[i]; }
    size_t count(Kind kind) const;
    /// As the shelf will be: folder by folder, by name; those without a place last.
    const std::vector<uint32_t>& order() const { return order_; }
    bool isNew(const Path& folder) const { return fresh_.contains(folder); }
    /// The folder above those in which all of them are now.
    const Path& common() const { return common_; }
    /// The files of the same sleeve, by their numbers in the library; a stray: itself.
    std::vector<int64_t> sleeveOf(int64_t file) const;
    /// All these words are in its name, or in the place where it is now.
    bool hasWords(size_t i, const std::vector<std::string>& folded) const;

private:
    placing::PutAwayResult result_;
    std::vector<std::string> sleeves_;
    Path common_;
    std::vector<unsigned> kinds_;
    std::vector<uint32_t> order_;
    std::set<Path> fresh_;
    mutable std::vector<std::string> folded_; // made when it is first searched
};

} // namespace moorfrost::app
