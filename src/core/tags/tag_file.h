// SPDX-License-Identifier: GPL-3.0-or-later
// What is read from one file of sound: its format, facts, fields, pictures, and what is odd about it.
#pragma once

#include <cstdint>
#include <string>
#include <vector>

#include "core/audio/format.h"
#include "core/base/result.h"
#include "core/tags/fields.h"

namespace moorfrost::tags {

struct Facts {
    std::string codec;
    double duration = 0; // seconds
    int sampleRate = 0;  // Hz
    int channels = 0;
    int bitDepth = 0;  // bits; 0 where the codec has none
    int bitrate = 0;   // bits per second
    uint64_t size = 0; // bytes of the file
};

struct PictureInfo {
    std::string type; // "front cover", "back cover", "booklet page" ...
    std::string mime;
    std::string description;
    int width = 0; // pixels; 0 where the header could not be read
    int height = 0;
    uint64_t bytes = 0;
};

struct Picture {
    PictureInfo info;
    std::string data;
};

struct TagFile {
    audio::Format format = audio::Format::Unknown;
    Facts facts;
    Fields fields;
    std::vector<PictureInfo> pictures;
    bool damaged = false; // breaks its own format or is cut short: readable as far as it goes, not writable
    std::vector<std::string> notes; // sentences: what is odd (name does not fit the content, cut short ...)
};

} // namespace moorfrost::tags
