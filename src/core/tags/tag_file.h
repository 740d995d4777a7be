// SPDX-License-Identifier: GPL-3.0-or-later
// What is read from one file of sound: its format, facts, fields, pictures, and what is odd about it.
#pragma once

#include <cstdint>
#include <string>
#include <utility>
#include <vector>

#include "core/audio/format.h"
#include "core/base/result.h"
#include "core/tags/fields.h"

namespace moorfrost::tags {

enum class RateKind { Unknown, Constant, Variable };

/// What a lossy encoder added to the sound and a player leaves out again.
struct Gapless {
    bool known = false;
    uint32_t delay = 0;   // samples ahead of the sound
    uint32_t padding = 0; // samples behind it
    bool operator==(const Gapless&) const = default;
};

struct Facts {
    std::string codec;
    double duration = 0; // seconds
    int sampleRate = 0;  // Hz
    int channels = 0;
    int bitDepth = 0; // bits; 0 where the codec has none
    int bitrate = 0;  // bits per second, on average
    RateKind rateKind = RateKind::Unknown;
    std::string encoder; // as the file names it; "" where it does not
    Gapless gapless;
    /// What a recorder wrote of the recording (bext and iXML of a WAV): a name for people and a text. Kept as
    /// it is.
    std::vector<std::pair<std::string, std::string>> remarks;
    uint64_t size = 0; // bytes of the file
};

struct PictureInfo {
    std::string type; // "front cover", "back cover", "booklet page" ...
    std::string mime;
    std::string description;
    int width = 0; // pixels; 0 where the header could not be read
    int height = 0;
    uint64_t bytes = 0;
    uint64_t hash = 0; // XXH3 of the bytes; 0: not known (kept by a version that did not ask for it)
};

struct Picture {
    PictureInfo info;
    std::string data;
};

/// What a further tag of the same file says otherwise than the fields that are shown.
struct Difference {
    std::string key;
    std::string tag; // "ID3v1", "APE", "INFO" ...
    std::vector<std::string> values;
    bool operator==(const Difference&) const = default;
};

struct TagFile {
    audio::Format format = audio::Format::Unknown;
    Facts facts;
    Fields fields; // of all tags together; where they differ, the first of `tags` is shown
    std::vector<PictureInfo> pictures;
    std::vector<std::string> tags; // that the file has, in the order in which they are believed
    std::vector<Difference> differences;
    /// Parts of the tags that were not understood, by name, each as often as it is there. They are kept as
    /// they are.
    std::vector<std::string> unknown;
    bool damaged = false; // breaks its own format or is cut short: readable as far as it goes, not writable
    std::string readOnly; // a sentence: why a whole file is never written to; "" where it is
    std::vector<std::string> notes; // sentences: what is odd (name does not fit the content, cut short ...)

    bool writable() const { return !damaged && readOnly.empty(); }
};

} // namespace moorfrost::tags
