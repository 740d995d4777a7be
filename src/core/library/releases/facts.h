// SPDX-License-Identifier: GPL-3.0-or-later
// What can be said of a release, as a table: each fact with its name, the texts it is kept as, the line on
// which it is shown and typed, and the fields of tags that it belongs to. Any thread.
#pragma once

#include <string>
#include <string_view>
#include <vector>

#include "core/library/store/release_table.h"
#include "core/reference/release.h"
#include "core/tags/fields.h"

namespace moorfrost::library {

enum class FactKind { Text, LongText, List, Code, Credit, Labels, Dates };

struct FactDef {
    const char* key;
    const char* label;
    FactKind kind;
    const char* field;       // of tags, in which it is kept there; "" for none
    const char* secondField; // of the second part of Labels (numbers) and Dates (country), of the sort forms
                             // of Credit
    bool mayBeNone;          // that there is none can be known ("no barcode")
};

/// In the order in which they are shown.
const std::vector<FactDef>& releaseFacts();
/// nullptr where there is none of that key.
const FactDef* factByKey(std::string_view key);
/// By its key or its label, whatever the case.
const FactDef* factByName(std::string_view name);

// Facts that are no values of an edition by themselves.
inline constexpr const char* mediaFact = "media"; // carrier, title and disc table of each medium
inline constexpr const char* setFact = "set";     // the number of its edition set
inline constexpr const char* apartFact = "apart"; // numbers of releases that it is no edition of one set with
inline constexpr const char* picturesFact = "pictures"; // that were added (releases/release_pictures)
inline constexpr const char* sourceFact = "source";     // ReleaseSource, the latest first

/// A fact of a release as the texts that are kept: a value each; parts of one value have partBreak between
/// them ("Gannet Row" and "GR 014"). {} where it is not told.
std::vector<std::string> factOf(const reference::Release& release, std::string_view key);
void putFact(reference::Release& release, std::string_view key, const std::vector<std::string>& values);
inline constexpr char partBreak = '\x1f';

/// On one line, for people: "Gannet Row · GR 014".
std::string shownFact(std::string_view key, const std::vector<std::string>& values);
/// On one line, to be typed: "Gannet Row = GR 014; Fellside Reissues = FSR 207", "1998-10-05 GB", names with
/// what joins them in brackets: "Kestrel [ & ] Rook".
std::string typingLine(std::string_view key, const std::vector<std::string>& values);
std::vector<std::string> factFromTyping(std::string_view key, std::string_view line);
/// A sentence where these cannot be kept, "" where they can.
std::string whyNotFact(std::string_view key, const std::vector<std::string>& values);
/// What is odd of values that can be kept: a check digit that is wrong, a day that is none; "" for nothing.
std::string whatIsOdd(std::string_view key, const std::vector<std::string>& values);

/// What the tags say of it, and how they would say it. Only the fields that the fact belongs to.
tags::Fields tagsOfFact(std::string_view key, const std::vector<std::string>& values);

/// A track of a release as a text that is kept, without its recording.
std::string trackText(const reference::Track& track);
reference::Track trackFrom(const std::string& text);

/// Where something of a release was taken from.
struct ReleaseSource {
    int64_t when = 0;  // seconds since 1970
    std::string what;  // "Cairn, edition 4417"
    std::string link;  // may be ""
    std::string taken; // in words: "9 facts and 4 tracks"
    bool operator==(const ReleaseSource&) const = default;
};
std::string sourceText(const ReleaseSource& source);
ReleaseSource sourceFrom(const std::string& text);

} // namespace moorfrost::library
