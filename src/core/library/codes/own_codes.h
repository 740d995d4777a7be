// SPDX-License-Identifier: GPL-3.0-or-later
// ISRCs of one's own (ISO 3901): the prefix of country and registrant, the year in which the code is given,
// and the next free number; never twice. What was given stands in a register.
#pragma once

#include "core/library/codes/code_gaps.h"
#include "core/library/store/own_isrc_table.h"

namespace moorfrost::library {

struct IsrcSeries {
    std::string prefix; // "ZZFSR"
    int year = 0;       // 2026
};
/// "" where it can be used, else a sentence.
std::string whyNotSeries(const IsrcSeries& series);
/// The next number that neither the register nor a file of the library has; an Error where the year has none
/// left. `library`: the codes of files count, too.
Result<std::string> nextOwnCode(Store& store, const Searcher& library, const IsrcSeries& series);

struct GivenCode {
    CodeGap gap;
    std::string isrc;
    bool again = false; // it had been given before, and is the same
};
/// All of them or none; in the register from then on. A recording that was given one before (which was never
/// written) gets that. On the thread of the store.
Result<std::vector<GivenCode>> giveOwnCodes(Store& store, const Searcher& library, const IsrcSeries& series,
                                            const std::vector<CodeGap>& gaps, int64_t now);

/// The register as CSV: code, title, artist, day.
std::string ownCodesCsv(Store& store);

} // namespace moorfrost::library
