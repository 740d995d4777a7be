// SPDX-License-Identifier: GPL-3.0-or-later
// What a person says of a recording when listening: a rating, a note, a playout number, where it was used.
// Kept as values of recordings (library/recordings), searched as columns beside the tags.
#pragma once

#include <map>
#include <string>
#include <string_view>
#include <vector>

namespace moorfrost::library {

inline constexpr const char* ratingField = "rating"; // "1" to "5"
inline constexpr const char* noteField = "note";     // one text of several lines
inline constexpr const char* playoutField = "playout number";
inline constexpr const char* useField = "use";           // useText(), the latest first
inline constexpr const char* bookmarkField = "bookmark"; // bookmarkText(), the earliest first

/// Where a recording was used: in a film, a broadcast, a delivery.
struct Use {
    std::string date;  // ISO 8601, may be partial; "" where it is not known
    std::string what;  // "Tide and Timber, part 2"; never blank
    std::string where; // "Harbour Radio"
    std::string note;
    bool operator==(const Use&) const = default;
};
std::string useText(const Use& use);
/// `what` is the whole text where it is none of ours.
Use useFrom(const std::string& text);
/// The latest first, those without a date last; the same once.
std::vector<std::string> useTexts(std::vector<Use> uses);
std::vector<Use> usesFrom(const std::vector<std::string>& texts);

/// A place in a recording that was marked.
struct Bookmark {
    double seconds = 0;
    std::string text; // may be ""
    bool operator==(const Bookmark&) const = default;
};
std::string bookmarkText(const Bookmark& bookmark);
Bookmark bookmarkFrom(const std::string& text);
/// The earliest first; the same once.
std::vector<std::string> bookmarkTexts(std::vector<Bookmark> bookmarks);
std::vector<Bookmark> bookmarksFrom(const std::vector<std::string>& texts);

/// A sentence where the values cannot be kept under this field; "" where they can, and for other fields.
std::string whyNotKept(const std::string& field, const std::vector<std::string>& values);

/// All that is kept of a recording, by field, as it is read for very many files at once: "field US value RS
/// field US value ...", the values of a field in order.
using KeptOfRecording = std::map<std::string, std::vector<std::string>, std::less<>>;
KeptOfRecording unpackKept(std::string_view packed);
std::string packKept(const KeptOfRecording& kept);
inline constexpr char keptBetween = '\x1e', keptBehindName = '\x1f';

} // namespace moorfrost::library
