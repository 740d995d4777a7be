// SPDX-License-Identifier: GPL-3.0-or-later
// A page of the manual as man reads it (roff with the macros of man(7)). Values only.
#pragma once

#include <string>
#include <vector>

namespace moorfrost::text {

struct ManEntry {
    std::string term; // an option with its value, or a file
    std::string text;
};

struct ManSection {
    std::string title;
    std::string text; // before the entries; "" for none
    std::vector<ManEntry> entries;
    bool below = false; // a part of the section before
};

struct ManPage {
    std::string name;
    std::string what;     // in a few words
    std::string synopsis; // behind the name
    std::string version;
    std::vector<ManSection> sections;
};

/// Of section 1. UTF-8.
std::string roffOf(const ManPage& page);

} // namespace moorfrost::text
