// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <map>

#include <fmt/format.h>

#include "core/audit/codes.h"
#include "core/library/findings/release_checks.h"
#include "core/text/text.h"

namespace moorfrost::library {

namespace {

constexpr size_t prefixLength = 5; // of country and registrant
constexpr size_t enough = 4;       // codes that tell whose a prefix is

/// What the codes of the library tell of a registrant.
struct Registrant {
    std::map<std::string, size_t> labels; // folded
    size_t codes = 0;
};

bool isCalled(const PartyEntry& party, const std::string& folded) {
    return text::fold(party.name) == folded ||
           std::ranges::any_of(party.spellings,
                               [&](const std::string& one) { return text::fold(one) == folded; });
}

std::map<std::string, const PartyEntry*> saidRegistrants(const People& people) {
    std::map<std::string, const PartyEntry*> out;
    for (const PartyEntry& party : people.parties())
        for (const std::string& prefix : party.registrants)
            out[audit::plainForm(prefix)] = &party;
    return out;
}

const auto& mostOf(const std::map<std::string, size_t>& counts) {
    return *std::ranges::max_element(counts, {}, &std::pair<const std::string, size_t>::second);
}

} // namespace

void checkForeignCodes(const Searcher& searcher, const People& people,
                       const std::vector<std::pair<FileId, std::string>>& codes, const FindingSink& found) {
    const auto said = saidRegistrants(people);
    std::map<std::string, Registrant> registrants;
    std::map<std::string, std::map<std::string, size_t>> ofLabel; // registrants
    auto labelOf = [&](FileId file) {
        const auto row = searcher.rowOf(file);
        return row ? searcher.text(*row, "label") : std::string();
    };
    for (const auto& [file, code] : codes)
        if (const std::string label = text::fold(labelOf(file)); !label.empty() && code.size() == 12) {
            Registrant& one = registrants[code.substr(0, prefixLength)];
            ++one.labels[label];
            ++one.codes;
            ++ofLabel[label][code.substr(0, prefixLength)];
        }
    for (const auto& [file, code] : codes) {
        const std::string shown = labelOf(file), label = text::fold(shown);
        if (label.empty() || code.size() != 12)
            continue;
        const std::string prefix = code.substr(0, prefixLength);
        Finding one;
        one.rule = "foreign-code";
        one.about = fmt::format("{} {}", file, code);
        one.files = {file};
        one.evidence = {{"Label", shown}};
        if (const auto at = said.find(prefix); at != said.end()) { // a person knows it
            if (isCalled(*at->second, label))
                continue;
            one.sentence = fmt::format("{} is by the registrant of {}.", code, at->second->name);
            one.evidence.push_back({"ISRC prefix of " + at->second->name, prefix});
            one.card = at->second->id;
        } else {
            const Registrant& registrant = registrants[prefix];
            const auto& [owner, ownerCodes] = mostOf(registrant.labels);
            const auto& [usual, usualCodes] = mostOf(ofLabel[label]);
            // Nearly all codes of this registrant are of one other label, and this label has its own.
            if (owner == label || ownerCodes < enough || ownerCodes * 10 < registrant.codes * 8 ||
                usual == prefix || usualCodes < enough)
                continue;
            one.sentence = fmt::format("{} is by the registrant of another label.", code);
            one.evidence.push_back({"Codes of this label begin with", usual});
            one.evidence.push_back(
                {prefix + " stands with", fmt::format("{} of {}", tracks(ownerCodes), owner)});
        }
        one.title = nameOf(searcher, file);
        found(std::move(one));
    }
}

} // namespace moorfrost::library
