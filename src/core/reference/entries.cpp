// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/reference/entries.h"

#include <algorithm>
#include <iterator>
#include <optional>

#include "core/reference/reference.h"
#include "core/text/text.h"

namespace moorfrost::reference {

namespace {

constexpr const char* kinds[] = {"library", "simulated", "at"};

std::optional<Entry> entryFrom(const std::string& line) {
    std::vector<std::string> words = text::split(line, " ");
    const auto kind = words.empty() ? std::end(kinds) : std::ranges::find(kinds, words[0]);
    if (kind == std::end(kinds))
        return std::nullopt;
    Entry e;
    e.kind = static_cast<EntryKind>(kind - kinds);
    const size_t before = e.kind == EntryKind::At ? 4 : 3; // words before the name
    if (words.size() <= before)
        return std::nullopt;
    e.on = words[1] == "on";
    e.key = words[2];
    if (e.kind == EntryKind::At)
        e.address = words[3];
    words.erase(words.begin(), words.begin() + static_cast<std::ptrdiff_t>(before));
    e.name = text::join(words, " ");
    return e;
}

} // namespace

std::vector<std::string> textsOf(const std::vector<Entry>& entries) {
    std::vector<std::string> out;
    for (const Entry& e : entries)
        out.push_back(std::string(kinds[static_cast<size_t>(e.kind)]) + (e.on ? " on " : " off ") + e.key +
                      (e.kind == EntryKind::At ? " " + e.address : "") + " " + e.name);
    return out;
}

std::vector<Entry> entriesFrom(const std::vector<std::string>& texts) {
    std::vector<Entry> out;
    for (const std::string& line : texts)
        if (auto e = entryFrom(line))
            out.push_back(std::move(*e));
    if (out.empty())
        out.push_back({EntryKind::Simulated, "cairn", "Cairn", {}, true});
    if (std::ranges::none_of(out, [](const Entry& e) { return e.kind == EntryKind::Library; }))
        out.push_back({EntryKind::Library, libraryKey, "Your library", {}, true});
    return out;
}

} // namespace moorfrost::reference
