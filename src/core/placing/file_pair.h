// SPDX-License-Identifier: GPL-3.0-or-later
// Two files that want one name, side by side: what they hold, and whether the sound is the same. Reads both
// files whole; any thread.
#pragma once

#include <stop_token>

#include "core/tags/tag_file.h"

namespace moorfrost::placing {

struct FilePair {
    struct Side {
        Path path;
        audio::Format format = audio::Format::Unknown;
        tags::Facts facts;
        uint64_t size = 0; // bytes
        std::string error; // a sentence where it cannot be read
    };
    enum class Sound {
        Unknown,    // one of them cannot be read
        Identical,  // byte for byte
        AsLong,     // kept in another way, and as long
        OtherBytes, // in the same format and as long, but not the same
        Otherwise,  // of another length
    };
    Side one, other;
    Sound sound = Sound::Unknown;
};

FilePair pairOf(const Path& one, const Path& other, std::stop_token stop = {});
/// "The sound is the same, byte for byte."
std::string sentenceOf(FilePair::Sound sound);

} // namespace moorfrost::placing
