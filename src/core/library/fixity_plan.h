// SPDX-License-Identifier: GPL-3.0-or-later
// Fixity as a standing job: how much is compared a night, those first that were compared longest ago, so that
// all of an archive is read again and again however large it is.
#pragma once

#include <functional>
#include <stop_token>

#include "core/library/file_check.h"
#include "core/library/store/fixity_round_table.h"
#include "core/library/store/store.h"

namespace moorfrost::library {

struct FixityPlan {
    bool on = false;
    double gigabytes = 50; // a night
    int from = 1, to = 6;  // o'clock, between which it begins; it may be over midnight
    bool takeNew = true;   // files that have no fixity get one
    bool operator==(const FixityPlan&) const = default;

    bool isNight(int hour) const;
    /// How many nights it takes until all was read once; 0: never.
    uint64_t nightsFor(uint64_t bytes) const;
    std::string json() const;
    /// What is not understood is as it is without a plan.
    static FixityPlan fromJson(std::string_view json);
};

namespace settings {
inline const Setting<std::string> fixityPlan{"fixity plan", "{}"};
} // namespace settings

struct FixityRoundDone {
    FixityRound round;
    std::vector<Path> absentShelves; // they are not there: nothing of them was looked at
};

/// Reads what is due, up to so many bytes: what was compared before `before`.
/// `keep` gets some files at a time, to be kept by keepChecked(). Times: seconds since 1970.
FixityRoundDone verifyOldest(Store& store, const FixityPlan& plan, uint64_t bytes, int64_t begun,
                             int64_t before, std::stop_token stop, work::Progress& progress,
                             const std::function<void(std::vector<CheckedFile>&&)>& keep);

/// "2026-12-01": the day of a time, in seconds since 1970, here.
std::string dayText(int64_t when);

/// New fixity is stored; of the others it is noted what was found.
void keepChecked(Store& store, const std::vector<CheckedFile>& files, int64_t when);

} // namespace moorfrost::library
