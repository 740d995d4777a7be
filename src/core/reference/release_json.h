// SPDX-License-Identifier: GPL-3.0-or-later
// Releases as JSON (docs/reference-protocol.md). Reading trusts nothing: types are checked, texts and lists
// are bounded, control characters are left out. Any thread.
#pragma once

#include <string>
#include <string_view>
#include <vector>

#include "core/base/result.h"
#include "core/reference/release.h"

namespace moorfrost::reference {

// What is taken at most.
inline constexpr size_t maxAnswerBytes = 16u << 20; // of one answer
inline constexpr size_t maxTracks = 2000;           // of one release
inline constexpr size_t maxText = 4000;             // bytes of a title or name; notes: ten times that

/// One release, compact.
std::string toJson(const Release& release);

/// Damaged (with a sentence that says what is wrong, where it came from being told by the caller) if it is no
/// JSON, or something in it has another type than it must have, or there is more of it than may be.
Result<Release> releaseFromJson(std::string_view json);

/// One track of a release, likewise.
std::string toJson(const Track& track);
Result<Track> trackFromJson(std::string_view json);

/// A page of an answer to a question.
struct Page {
    std::vector<Release> releases; // without what only fetching tells: at least id, title, credit
    size_t total = 0;              // of all pages
    size_t next = 0;               // where the next page begins; 0: this is the last
};
std::string toJson(const Page& page);
Result<Page> pageFromJson(std::string_view json);

/// What a reference says of itself.
struct About {
    std::string name;
    int version = 0;
    size_t releases = 0;
};
std::string toJson(const About& about);
Result<About> aboutFromJson(std::string_view json);

/// The sentence of an answer that says that something is wrong; "" if there is none.
std::string errorOfAnswer(std::string_view json);
std::string errorAnswer(std::string_view kind, std::string_view message);

} // namespace moorfrost::reference
