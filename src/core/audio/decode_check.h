// SPDX-License-Identifier: GPL-3.0-or-later
// Whether a file can be decoded to its end. Of FLAC also whether the samples have the MD5 sum that the
// encoder wrote into the file.
#pragma once

#include <functional>
#include <string>

#include "core/base/result.h"

namespace moorfrost::audio {

enum class SampleSum { None, Same, Differs }; // None: the file holds no sum

struct DecodeCheck {
    double seconds = 0;      // of sound that came out
    double expected = 0;     // that the file says it has; 0 where it does not say
    uint64_t badPackets = 0; // that could not be decoded
    SampleSum sum = SampleSum::None;
    /// A sentence that says what is wrong; "" if nothing is.
    std::string trouble() const;
};

/// Reads all of the file. `going` is called now and then with the seconds that were decoded; false stops.
Result<DecodeCheck> checkDecoding(const Path& path, const std::function<bool(double)>& going);

} // namespace moorfrost::audio
