// SPDX-License-Identifier: GPL-3.0-or-later
// Copies of sounds for others: encoded anew in a format of their choice, with the fields that are given and
// no others; or the file as it is. Decoding is done by reading processes. Any thread.
#pragma once

#include <stop_token>

#include "core/base/result.h"
#include "core/tags/fields.h"

namespace moorfrost::deliver {

struct SoundCopy {
    Path source;
    double seconds = 0; // as far as it is known: for the shape
    Path target;        // nothing is there; its folder is
    std::string format; // a name of audio::encodeFormats()
    int bitrate = 0;    // of lossy ones; 0: the usual one
    double gain = 0;    // decibels that it is made louder; what would clip is held back
    tags::Fields fields;
    Path pictures; // the folder in which pictures of the fields are kept (tags/kept_pictures)
};

struct MadeSound {
    double seconds = 0;
    uint64_t bytes = 0;
    std::vector<float> shape; // `heights` values of 0 to 1; none where they were not asked for
};

/// Encodes it. Where it fails, or is stopped (Cancelled), nothing is left at the target.
Result<MadeSound> makeSoundCopy(const SoundCopy& copy, size_t heights, std::stop_token stop);

} // namespace moorfrost::deliver
