// SPDX-License-Identifier: GPL-3.0-or-later
// The names that the tags of files hold, and whom they mean: a name that is spelled as a party is, is that
// party; one that is nearly so is pointed out. Any thread.
#pragma once

#include "core/library/people/people.h"
#include "core/library/search/searcher.h"

namespace moorfrost::library {

struct TagName {
    std::string name;
    size_t files = 0;
    std::vector<std::string> fields; // in which it stands: "artist", "composer" ...
    bool operator==(const TagName&) const = default;
};
struct NamesOfParty {
    std::vector<TagName> own;       // as it is called, or spelled
    std::vector<TagName> otherwise; // much like it, and nobody's
};
/// Of each party that tags name. After a stop of no use.
std::map<CardId, NamesOfParty> namesInTags(const Searcher& library, const People& people,
                                           std::stop_token stop = {});

} // namespace moorfrost::library
