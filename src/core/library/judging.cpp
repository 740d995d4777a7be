// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/judging.h"

#include <algorithm>
#include <cmath>
#include <cstdlib>

#include <fmt/format.h>

#include "core/tags/fields.h"
#include "core/text/text.h"

namespace moorfrost::library {

namespace {

constexpr size_t longestNote = 1'000'000, longestName = 500, mostUses = 1000;

/// Tabs and lines would be the next part.
std::string onOneLine(std::string text) {
    std::ranges::replace_if(
        text, [](char c) { return static_cast<unsigned char>(c) < ' '; }, ' ');
    return text::trim(text);
}

} // namespace

std::string useText(const Use& use) {
    return text::join({onOneLine(use.date), onOneLine(use.what), onOneLine(use.where), onOneLine(use.note)},
                      "\t");
}

Use useFrom(const std::string& text) {
    const std::vector<std::string> parts = text::split(text, "\t");
    if (parts.size() != 4)
        return {{}, onOneLine(text), {}, {}};
    return {parts[0], parts[1], parts[2], parts[3]};
}

std::vector<std::string> useTexts(std::vector<Use> uses) {
    std::ranges::stable_sort(uses, [](const Use& a, const Use& b) { return a.date > b.date; });
    std::vector<std::string> out;
    for (const Use& use : uses)
        if (std::string text = useText(use); std::ranges::find(out, text) == out.end())
            out.push_back(std::move(text));
    return out;
}

std::vector<Use> usesFrom(const std::vector<std::string>& texts) {
    std::vector<Use> out;
    for (const std::string& text : texts)
        out.push_back(useFrom(text));
    return out;
}

std::string bookmarkText(const Bookmark& bookmark) {
    return fmt::format("{:.3f}\t{}", std::max(0.0, bookmark.seconds), onOneLine(bookmark.text));
}

Bookmark bookmarkFrom(const std::string& text) {
    const size_t tab = text.find('\t');
    const double seconds = std::strtod(text.c_str(), nullptr);
    return {std::isfinite(seconds) ? std::max(0.0, seconds) : 0,
            tab == std::string::npos ? std::string() : text.substr(tab + 1)};
}

std::vector<std::string> bookmarkTexts(std::vector<Bookmark> bookmarks) {
    std::ranges::stable_sort(bookmarks, {}, &Bookmark::seconds);
    std::vector<std::string> out;
    for (const Bookmark& b : bookmarks)
        if (std::string text = bookmarkText(b); std::ranges::find(out, text) == out.end())
            out.push_back(std::move(text));
    return out;
}

std::vector<Bookmark> bookmarksFrom(const std::vector<std::string>& texts) {
    std::vector<Bookmark> out;
    for (const std::string& text : texts)
        out.push_back(bookmarkFrom(text));
    return out;
}

std::string whyNotKept(const std::string& field, const std::vector<std::string>& values) {
    if (values.empty())
        return {};
    if (field == ratingField &&
        (values.size() != 1 || values[0].size() != 1 || values[0] < "1" || values[0] > "5"))
        return "A rating is 1 to 5.";
    if (field == noteField && (values.size() != 1 || values[0].size() > longestNote))
        return "A note is one text of at most a million letters.";
    if (field == playoutField && (values.size() != 1 || values[0].size() > longestName))
        return "A playout number is one text of at most 500 letters.";
    if (field == bookmarkField) {
        if (values.size() > mostUses)
            return "A recording has at most 1,000 bookmarks.";
        const bool tooLong = std::ranges::any_of(
            bookmarksFrom(values), [](const Bookmark& b) { return b.text.size() > longestName; });
        return tooLong ? "The text of a bookmark has at most 500 letters." : std::string();
    }
    if (field != useField)
        return {};
    if (values.size() > mostUses)
        return "A recording has at most 1,000 uses.";
    for (const Use& use : usesFrom(values)) {
        if (use.what.empty())
            return "Say what it was used in.";
        if (!use.date.empty())
            if (std::string why = tags::whyNotValid("date", {use.date}); !why.empty())
                return why;
    }
    return {};
}

KeptOfRecording unpackKept(std::string_view packed) {
    KeptOfRecording out;
    while (!packed.empty()) {
        const size_t end = std::min(packed.find(keptBetween), packed.size());
        const std::string_view one = packed.substr(0, end);
        packed.remove_prefix(std::min(end + 1, packed.size()));
        if (const size_t at = one.find(keptBehindName); at != std::string_view::npos)
            out[std::string(one.substr(0, at))].emplace_back(one.substr(at + 1));
    }
    return out;
}

std::string packKept(const KeptOfRecording& kept) {
    std::string out;
    for (const auto& [field, values] : kept)
        for (const std::string& value : values) {
            if (!out.empty())
                out += keptBetween;
            out += field + keptBehindName + value;
        }
    return out;
}

} // namespace moorfrost::library
