// SPDX-License-Identifier: GPL-3.0-or-later
// What was read from a file, as bytes: for the talk with the reading processes and for the library, where it
// outlives the version that wrote it. Words that come again and again (keys of fields, kinds of pictures,
// names of tags) are numbers.
#pragma once

#include "core/base/wire.h"
#include "core/tags/tag_file.h"

namespace moorfrost::tags {

void put(WireWriter& out, const Fields& fields);
void put(WireWriter& out, const PictureInfo& picture);
void put(WireWriter& out, const TagFile& file);
Fields takeFields(WireReader& in);
PictureInfo takePictureInfo(WireReader& in);
TagFile takeTagFile(WireReader& in);

/// With a number of the form in front, for keeping. Earlier forms are read, too.
std::string packed(const TagFile& file);
/// Whether it is of the form of today.
bool isOfToday(std::string_view bytes);
/// What a damaged or unknown form leaves is empty, and false is returned.
bool unpack(std::string_view bytes, TagFile& file);

/// The part of it that tables and searches need, as views into the bytes: much quicker than the whole.
struct PackedView {
    std::string_view format, codec; // as audio::formatName() and Facts have them
    double duration = 0;            // seconds
    int sampleRate = 0, channels = 0, bitDepth = 0, bitrate = 0;
    RateKind rateKind = RateKind::Unknown;
    bool damaged = false, readOnly = false;
    size_t pictures = 0;
    struct Field {
        std::string_view key;
        size_t first = 0, count = 0; // in `values`
    };
    std::vector<Field> fields; // by key
    std::vector<std::string_view> values;
    std::vector<std::string_view> differing; // keys, each as often as tags differ in it

    /// Takes the place of what was in it before. false, and nothing in it, if the bytes are damaged.
    bool read(std::string_view bytes);
};

} // namespace moorfrost::tags
