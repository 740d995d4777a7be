// SPDX-License-Identifier: GPL-3.0-or-later
// Releases in memory that can be asked: what the stand-in serves. Answers bear misspelled, swapped, cut and
// transliterated names. Built once, then asked from any thread.
#pragma once

#include <functional>
#include <string_view>
#include <unordered_map>
#include <vector>

#include "core/base/result.h"
#include "core/reference/question.h"
#include "core/reference/release.h"

namespace moorfrost::reference {

/// "GR 014 C" and "gr-014c" are the same.
std::string plainCode(std::string_view code);

class Catalogue {
public:
    explicit Catalogue(std::vector<Release> releases);
    /// From a file of JSON lines, one release a line. Lines that cannot be read are an Error that names them.
    static Result<Catalogue> read(const Path& file);

    const std::vector<Release>& releases() const { return releases_; }
    const Release* find(std::string_view id) const;

    struct Answer {
        size_t release = 0; // in releases()
        double score = 0;
    };
    /// The best first, at most `most`, none without anything in common. The same question has always the
    /// same answer.
    std::vector<Answer> ask(const Question& question, size_t most = 200) const;

private:
    /// For each group of letters, the releases that have it in the texts in question.
    struct Index {
        std::vector<uint32_t> begins; // groupCount + 1
        std::vector<uint32_t> releases;
        std::vector<float> weights; // of groups: rare ones say more
        std::vector<float> totals;  // of releases: all their groups
    };
    void build(Index& index, const std::function<std::string(const Release&)>& texts);
    void weigh(const Index& index, const std::string& text, double factor, std::vector<float>& scores) const;
    void weighLengths(const std::vector<int64_t>& lengths, std::vector<float>& scores) const;

    std::vector<Release> releases_;
    std::unordered_map<std::string, uint32_t> byId_;
    std::unordered_multimap<std::string, uint32_t> byIsrc_, byBarcode_, byCatalogueNumber_;
    Index names_, tracks_;
};

} // namespace moorfrost::reference
