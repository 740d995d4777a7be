// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <map>

#include <fmt/format.h>

#include "core/audit/codes.h"
#include "core/library/findings/release_checks.h"
#include "core/text/text.h"

namespace moorfrost::library {

namespace {

constexpr const char* codeFields[] = {"isrc", "iswc", "barcode"};

/// What it may have been before it was typed: spaces, words and dots around it, O for 0, a lost zero.
std::string mended(std::string_view key, const std::string& value) {
    std::string plain = audit::plainForm(value);
    std::vector<std::string> may;
    for (const char* name : {"ISRC", "ISWC", "EAN", "UPC"})
        if (plain.starts_with(name))
            plain.erase(0, std::string_view(name).size());
    may.push_back(plain);
    const size_t digitsFrom = key == "isrc" ? 5 : key == "iswc" ? 1 : 0;
    std::string digits = plain;
    for (size_t i = digitsFrom; i < digits.size(); ++i)
        digits[i] = digits[i] == 'O' ? '0' : digits[i] == 'I' || digits[i] == 'L' ? '1' : digits[i];
    may.push_back(digits);
    if (key == "barcode")
        may.push_back("0" + digits);
    for (const std::string& one : may)
        if (one != value && audit::whyNotCode(key, one).empty())
            return one;
    return {};
}

void codeForms(const CheckedRelease& release, const FindingSink& found) {
    for (const char* key : codeFields) {
        std::map<std::string, std::vector<FileId>> wrong;
        for (const FileRecord& file : release.files)
            if (const auto at = file.tags.fields.find(std::string_view(key)); at != file.tags.fields.end())
                for (const std::string& value : at->second)
                    if (!audit::whyNotCode(key, value).empty() &&
                        (wrong[value].empty() || wrong[value].back() != file.id))
                        wrong[value].push_back(file.id);
        for (const auto& [value, files] : wrong) {
            Finding one = findingOf("code-form", release, std::string(key) + " " + value, files);
            one.sentence = fmt::format("\"{}\": {}.", value, audit::whyNotCode(key, value));
            if (files.size() == 1)
                for (const FileRecord& file : release.files)
                    if (file.id == files.front())
                        one.title = trackName(file) + ", " + release.name;
            one.evidence.emplace_back(tags::labelOf(key), value);
            if (const std::string better = mended(key, value); !better.empty()) {
                one.fix.says = "As " + better;
                one.fix.replacements = {{key, value, better}};
            }
            found(std::move(one));
        }
    }
}

void barcodes(const CheckedRelease& release, const FindingSink& found) {
    if (!release.isAlbum)
        return;
    std::map<std::string, std::vector<FileId>> by;
    for (const FileRecord& file : release.files)
        if (const std::string& code = tags::firstValue(file.tags.fields, "barcode"); !code.empty())
            by[code].push_back(file.id);
    if (by.size() < 2)
        return;
    std::vector<FileId> files;
    for (const auto& [code, of] : by)
        files.insert(files.end(), of.begin(), of.end());
    std::ranges::sort(files);
    Finding one = findingOf("barcodes", release, "", files);
    one.sentence = fmt::format("{} different barcodes are told.", by.size());
    for (const auto& [code, of] : by)
        one.evidence.emplace_back(code, of.size() == 1 ? "1 file" : fmt::format("{} files", of.size()));
    const auto most = std::ranges::max_element(by, {}, [](const auto& b) { return b.second.size(); });
    if (most->second.size() * 2 > files.size() && audit::whyNotCode("barcode", most->first).empty()) {
        one.fix.says = "Barcode for all: " + most->first;
        for (const FileRecord& file : release.files)
            if (const std::string& code = tags::firstValue(file.tags.fields, "barcode");
                !code.empty() && code != most->first)
                one.fix.wishes.push_back({file.id, "barcode", {most->first}});
    }
    found(std::move(one));
}

} // namespace

void checkCodes(const RuleChoices& rules, const CheckedRelease& release, const FindingSink& found) {
    if (rules.isOn("code-form"))
        codeForms(release, found);
    if (rules.isOn("barcodes"))
        barcodes(release, found);
}

} // namespace moorfrost::library
