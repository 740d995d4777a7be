// SPDX-License-Identifier: GPL-3.0-or-later
// What most files of a sleeve say of things that are one for a release: a file that says otherwise is worth a
// second look. Lives on one thread.
#pragma once

#include <functional>
#include <optional>
#include <string>
#include <unordered_map>
#include <vector>

#include "core/library/records.h"

namespace moorfrost::bench {

using library::FileId;

class SleeveNorms {
public:
    /// What a file says of a field, on one line; "" for nothing.
    using Says = std::function<std::string(FileId, const std::string& key)>;
    explicit SleeveNorms(Says says) : says_(std::move(says)) {}

    /// Fields that are one for a release; the front cover ("@picture:front cover") is one of them.
    static const std::vector<std::string>& keys();

    void setSleeves(const std::vector<std::vector<FileId>>& sleeves);
    /// Something else is said now.
    void forget() { norms_.clear(); }
    /// What most of its sleeve say, where this file says otherwise: two thirds at least, of three files or
    /// more. nullptr where it says the same, or there is no such agreement.
    const std::string* otherwise(FileId file, const std::string& key);
    /// Any of the keys.
    bool differs(FileId file);

private:
    /// The keys on which a sleeve agrees for the most part, but not wholly.
    const std::vector<std::pair<std::string, std::string>>& normsOf(size_t sleeve);

    Says says_;
    std::vector<std::vector<FileId>> sleeves_;
    std::unordered_map<FileId, size_t> sleeveOf_;
    std::unordered_map<size_t, std::vector<std::pair<std::string, std::string>>> norms_;
};

} // namespace moorfrost::bench
