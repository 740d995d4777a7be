// SPDX-License-Identifier: GPL-3.0-or-later
// Which references are asked, in which order: as the user has it in Settings.
#pragma once

#include <string>
#include <vector>

namespace moorfrost::reference {

enum class EntryKind {
    Library,   // the library itself
    Simulated, // started by this program
    At,        // a program at an address
};

struct Entry {
    EntryKind kind = EntryKind::At;
    std::string key; // letters, digits and hyphens; stays for good
    std::string name;
    std::string address = {}; // "http://127.0.0.1:4711"
    bool on = true;
    bool operator==(const Entry&) const = default;
};

/// A line each. What cannot be read is left out; where nothing is left, the simulated one. The library is
/// always among them, the last where nothing is said of it.
std::vector<std::string> textsOf(const std::vector<Entry>& entries);
std::vector<Entry> entriesFrom(const std::vector<std::string>& texts);

} // namespace moorfrost::reference
