// SPDX-License-Identifier: GPL-3.0-or-later
// A picture made to fit a rule: smaller, and as a JPEG. For reading processes only (decoding). libjpeg
// encodes.
#pragma once

#include "core/pictures/raster.h"

namespace moorfrost::pictures {

struct FitRule {
    int side = 1200;          // pixels that the longer side may have; 64 to 4096
    uint64_t bytes = 500'000; // at least 10,000
    int quality = 85;         // of JPEG, 40 to 98
    bool operator==(const FitRule&) const = default;
};

struct Fitted {
    std::string jpeg;
    int width = 0, height = 0, quality = 0;
};

/// The whole picture, no larger than the rule says, and never enlarged. Where it has too many bytes, the
/// quality is lowered to 60 at least, then its size. What can be seen through becomes white. An Error where
/// it cannot be decoded, or will not fit.
Result<Fitted> fit(std::string_view data, const FitRule& rule);

} // namespace moorfrost::pictures
