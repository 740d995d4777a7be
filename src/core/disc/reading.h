// SPDX-License-Identifier: GPL-3.0-or-later
// Reading sound from a disc so that it is proven: each sector is read until two readings of it agree. What
// never does is named.
#pragma once

#include <functional>
#include <stop_token>
#include <string_view>
#include <vector>

#include "core/disc/drive.h"

namespace moorfrost::disc {

/// A sector whose first two readings did not agree.
struct Doubtful {
    int32_t sector = 0; // of the disc
    int readings = 0;
    bool agreed = false; // two did at last; else what came most often is taken, or silence
    bool operator==(const Doubtful&) const = default;
};

struct ReadingOptions {
    bool verify = true; // read each sector twice at least
    int most = 40;      // readings of a doubtful sector
};

/// Gives the bytes of the sectors in order, some at a time, to `take`, whose Error ends it. An Error where
/// the disc is gone, or it was stopped (Cancelled). Sectors that cannot be read are no Error.
Status readSectors(Drive& drive, int32_t from, int32_t length, const ReadingOptions& options,
                   std::stop_token stop, const std::function<Status(std::string_view bytes)>& take,
                   std::vector<Doubtful>& doubtful);

} // namespace moorfrost::disc
