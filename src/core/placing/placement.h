// SPDX-License-Identifier: GPL-3.0-or-later
// A file, where it is to be, and what stands against it. Values only.
#pragma once

#include <compare>
#include <cstdint>
#include <map>
#include <optional>
#include <string>
#include <vector>

#include "core/audio/format.h"
#include "core/tags/tag_file.h"

namespace moorfrost::placing {

/// What to do where a name is wanted by another file, or taken.
enum class OnClash {
    Ask,        // nothing: it is a problem
    Suffix,     // keep both: this one is called "... (2)"
    Skip,       // this one stays where it is
    KeepBetter, // the better of the two gets the name; the other stays where it is, or gives way
    Replace,    // what is there gives way
};
/// "ask", "suffix", "skip", "keep-better", "replace".
std::string keyOf(OnClash choice);
std::optional<OnClash> onClashFromKey(std::string_view key);

/// More of the sound is better: all of it, more bits, a higher rate, more bits a second.
struct Quality {
    bool lossless = false;
    int bits = 0, rate = 0, bitrate = 0;
    auto operator<=>(const Quality&) const = default;
};
Quality qualityOf(const tags::Facts& facts);

struct PutAwayFile {
    int64_t id = 0;
    Path path;
    audio::Format format = audio::Format::Unknown;
    tags::Fields fields;                      // as they will be: drafts put in
    std::map<std::string, std::string> facts; // by naming::factNames()
    std::string sleeve; // files with the same are believed to be one release; "" for strays
    uint64_t size = 0;  // bytes
    Quality quality = {};
    OnClash onClash = OnClash::Ask;
};

/// The facts that a plan may name.
std::map<std::string, std::string> factsOf(const Path& path, const tags::TagFile& file);

enum class MarkKind {
    InPlace,   // neutral: is there already
    GoesAlong, // neutral
    LeftOut,   // neutral: somebody wants it to stay where it is
    Suffixed,  // neutral: called otherwise, so that both are kept
    Adapted,   // neutral: a sign that names cannot have is another one
    Replaces,  // attention: what is there gives way
    Shortened, // attention: the name would be too long
    Gap,       // attention: a field of the plan has no value
    Split,     // attention: files of one sleeve go to different folders
    Beside,    // attention: the same is there in another format
    Cased,     // attention: a folder differs from another only by the case of letters
    Clash,     // wrong: two files for one name
    Taken,     // wrong: something is there already
    Blocked,   // wrong: no name can be made, or the file cannot go there
};
bool isWrong(MarkKind kind);

struct Mark {
    MarkKind kind = MarkKind::InPlace;
    std::string text;     // a few words, with the reason where there is one
    std::string key = {}; // of the field that it comes from; "": of none
    Path other = {};      // of the file that is in the way
};

struct Placement {
    int64_t id = 0; // 0 for files that go along
    Path from;
    Path to; // absolute; empty when no name can be made
    bool copy = false;
    std::vector<std::string> parts; // of `to` below the shelf
    std::vector<Mark> marks;
    Path replaces; // what gives way to it; empty: nothing

    bool blocked() const;
    bool leftOut() const { return mark(MarkKind::LeftOut) != nullptr; }
    bool moves() const { return !to.empty() && from != to && !leftOut() && !blocked(); }
    const Mark* mark(MarkKind kind) const;
};

} // namespace moorfrost::placing
