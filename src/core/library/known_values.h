// SPDX-License-Identifier: GPL-3.0-or-later
// The values that a field has already, so that they can be chosen instead of typed again, and what is nearly
// one of them can be told. Immutable once made; any thread.
#pragma once

#include <cstdint>
#include <optional>
#include <string>
#include <string_view>
#include <vector>

namespace moorfrost::library {

class KnownValues {
public:
    struct Value {
        std::string text;
        size_t count = 0; // of tracks
        bool operator==(const Value&) const = default;
    };

    KnownValues() = default;
    /// Each text once. About a second for a million.
    explicit KnownValues(std::vector<Value> values);

    size_t size() const { return values_.size(); }
    /// Of tracks; 0 if there is no such value.
    size_t countOf(std::string_view text) const;
    /// How what is typed may go on, whatever its case and marks: what begins so, then what has a word that
    /// begins so, then what holds it; the more frequent first. A few milliseconds for a million values.
    std::vector<Value> complete(std::string_view typed, size_t most = 8) const;
    /// What was probably meant: a value that is spelled nearly so, or the same but for case and marks, and is
    /// far more frequent (twenty times where this one is known, too). nullopt where nothing speaks against
    /// it.
    std::optional<Value> meant(std::string_view text) const;

private:
    struct Form { // of folded texts, to leave out most of them at a glance
        uint64_t letters = 0;
        uint32_t length = 0; // bytes
    };
    static Form formOf(std::string_view folded);
    std::string_view foldedOf(size_t i) const {
        return std::string_view(folded_).substr(starts_[i], starts_[i + 1] - starts_[i] - 1);
    }

    std::vector<Value> values_;          // the most frequent first
    std::string folded_;                 // each with a line feed behind it
    std::vector<uint32_t> starts_ = {0}; // in folded_, and the end
    std::vector<Form> forms_;
    std::vector<std::pair<uint64_t, uint32_t>> byHash_; // of the text itself, in order
};

} // namespace moorfrost::library
