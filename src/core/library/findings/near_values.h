// SPDX-License-Identifier: GPL-3.0-or-later
// Values of a field that are probably meant to be the same: written with another case, mark or punctuation,
// with the words in another order, or misspelled. Any thread.
//
// Compared are those that have something in common beforehand: all words but one, the letters without spaces,
// the words in another order, or (of single words) the letters but one or two. So the work grows with the
// number of values, not with its square.
#pragma once

#include <stop_token>
#include <string>
#include <vector>

namespace moorfrost::library {

struct CountedValue {
    std::string text;
    size_t count = 0; // of tracks
};

struct NearValues {
    size_t kept = 0;            // which of the values the others are probably meant to be
    std::vector<size_t> others; // which of them are nearly the same, in their order
    bool isSure = false;        // they differ in case, marks, punctuation or spaces only
};

/// `values`: each once. By the order of `kept`. What is rarer (by three times) is meant to be what is more
/// frequent; two that are about as frequent are told only where they differ in nothing but their writing.
std::vector<NearValues> nearValues(const std::vector<CountedValue>& values, std::stop_token stop = {});

} // namespace moorfrost::library
