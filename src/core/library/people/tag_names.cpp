// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/people/tag_names.h"

#include <algorithm>

#include "core/text/text.h"

namespace moorfrost::library {

namespace {

constexpr size_t mostNames = 200000;
constexpr double nearlySo = 0.8;

} // namespace

std::map<CardId, NamesOfParty> namesInTags(const Searcher& library, const People& people,
                                           std::stop_token stop) {
    std::map<std::string, TagName> names;
    for (const char* field : {"artist", "album_artist", "composer", "lyricist", "arranger", "conductor",
                              "performer", "remixer", "producer", "engineer", "publisher"})
        for (FacetValue& v : library.facet(library.all(), field, mostNames)) {
            if (stop.stop_requested())
                return {};
            TagName& name = names[v.value];
            name.name = v.value;
            name.files += v.count;
            name.fields.emplace_back(field);
        }
    std::map<CardId, NamesOfParty> out;
    for (const auto& [text, name] : names) {
        if (stop.stop_requested())
            return {};
        if (const CardId party = people.named(text); party != 0) {
            out[party].own.push_back(name);
            continue;
        }
        const auto alike = people.alike(text, 1);
        if (!alike.empty() && alike.front().likeness >= nearlySo)
            out[people.parties()[alike.front().party].id].otherwise.push_back(name);
    }
    return out;
}

} // namespace moorfrost::library
