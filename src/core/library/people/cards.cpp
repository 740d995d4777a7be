// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/people/cards.h"

#include <algorithm>

#include <fmt/format.h>

#include "core/audit/codes.h"
#include "core/library/people/documents.h"
#include "core/library/people/share.h"
#include "core/tags/fields.h"
#include "core/text/text.h"

namespace moorfrost::library {

namespace {

using Texts = std::vector<std::string>;

constexpr size_t mostValues = 300, longestLine = 4000, longestText = 200000;

const std::vector<std::string> noTexts;

std::vector<std::string> splitParts(const std::string& text) {
    return text::split(text, std::string(1, cardBreak));
}

bool looksLikeTelephone(std::string_view s) {
    size_t digits = 0;
    for (const char c : s) {
        if (c >= '0' && c <= '9')
            ++digits;
        else if (std::string_view("+-()/. ").find(c) == std::string_view::npos)
            return false;
    }
    return digits >= 4;
}

} // namespace

const std::vector<CardFactDef>& cardFacts(CardKind kind) {
    using enum CardFactKind;
    static const std::vector<CardFactDef> party = {
        {"name", "Name", Text, false},
        {"kind", "Is", Choice, false},
        {"sort", "Sort form", Text, false},
        {"spellings", "Other spellings", List, false},
        {"roles", "Roles", List, false},
        {"society", "Society", Text, true},
        {"ipi", "IPI number", Code, true},
        {"isni", "ISNI", Code, true},
        {"registrants", "ISRC prefixes", List, false}, // of its codes: "ZZFSR"
        {"represented", "Represented by", Parties, true},
        {"contacts", "Contacts", Contacts, false},
        {"notes", "Notes", LongText, false},
    };
    static const std::vector<CardFactDef> work = {
        {"title", "Title", Text, false},       {"titles", "Other titles", List, false},
        {"iswc", "ISWC", Code, true},          {"language", "Language", Text, true},
        {"keywords", "Keywords", List, false}, {"description", "Description", LongText, false},
        {"lyrics", "Lyrics", LongText, true},  {"notes", "Notes", LongText, false},
        {"writers", "Writers", Shares, false}, {"publishers", "Publishers", Shares, false},
    };
    static const std::vector<CardFactDef> agreement = {
        {"title", "Title", Text, false},     {"parties", "Parties", Parties, false},
        {"works", "Songs", Works, false},    {"releases", "Releases", Releases, false},
        {"signed", "Signed", Dates, false},  {"begins", "Begins", Dates, false},
        {"ends", "Ends", Dates, true},       {"covers", "What it covers", LongText, false},
        {"notes", "Notes", LongText, false}, {"documents", "Documents", Documents, false},
    };
    return kind == CardKind::Party ? party : kind == CardKind::Work ? work : agreement;
}

const CardFactDef* cardFact(CardKind kind, std::string_view name) {
    const std::string wanted = text::fold(text::trim(name));
    for (const CardFactDef& def : cardFacts(kind))
        if (wanted == def.key || wanted == text::fold(def.label))
            return &def;
    return nullptr;
}

const std::vector<std::string>& choicesOf(std::string_view key) {
    static const Texts kinds = {"person", "group", "organisation"};
    return key == "kind" ? kinds : noTexts;
}

std::string whyNotCardFact(CardKind kind, std::string_view key, const Texts& values) {
    const CardFactDef* def = cardFact(kind, key);
    if (!def)
        return fmt::format("There is no \"{}\" here.", key);
    if (def->kind == CardFactKind::Shares)
        return whyNotShares(key == std::string_view("writers") ? Side::Writers : Side::Publishers,
                            sharesFrom(values));
    if (values.size() > mostValues)
        return fmt::format("{}: at most {} values.", def->label, mostValues);
    const bool isLong = def->kind == CardFactKind::LongText;
    for (const std::string& value : values) {
        if (!text::isUtf8(value))
            return fmt::format("{}: this is no text.", def->label);
        if (value.size() > (isLong ? longestText : longestLine))
            return fmt::format("{} has at most {} letters.", def->label, isLong ? longestText : longestLine);
        const bool broken = std::ranges::any_of(value, [&](char c) {
            const auto u = static_cast<unsigned char>(c);
            const bool allowed =
                (isLong && (c == '\n' || c == '\t')) ||
                ((def->kind == CardFactKind::Contacts || def->kind == CardFactKind::Documents) &&
                 c == cardBreak);
            return (u < 0x20 && !allowed) || u == 0x7F;
        });
        if (broken)
            return fmt::format("{} is one line of text.", def->label);
        if (def->kind == CardFactKind::Choice &&
            std::ranges::find(choicesOf(def->key), value) == choicesOf(def->key).end())
            return fmt::format("{} is one of: {}.", def->label, fmt::join(choicesOf(def->key), ", "));
        if (def->key == std::string_view("registrants") &&
            !audit::whyNotCode("isrc", value + "0000000").empty())
            return fmt::format("{}: \"{}\" is none: two letters of a country, and three letters or digits.",
                               def->label, value);
        if (def->kind == CardFactKind::Documents)
            if (std::string why = whyNotDocument(value); !why.empty())
                return why;
        if (def->kind == CardFactKind::Dates)
            if (const std::string why = tags::whyNotValid("date", {value}); !why.empty())
                return fmt::format("{}: \"{}\" is no date: {}.", def->label, value, why);
    }
    const bool isName = (kind == CardKind::Party && def->key == std::string_view("name")) ||
                        (kind != CardKind::Party && def->key == std::string_view("title"));
    if (isName && (values.size() != 1 || text::trim(values.front()).empty()))
        return kind == CardKind::Party ? "Everybody has a name." : "It needs a title.";
    return {};
}

std::string whatIsOddOfCard(std::string_view key, const Texts& values) {
    for (const std::string& value : values)
        if (audit::hasForm(key))
            if (std::string why = audit::whyNotCode(key, value); !why.empty())
                return why;
    return {};
}

std::string contactText(const Contact& c) {
    return c.kind + cardBreak + c.value + cardBreak + c.purpose;
}

Contact contactFrom(const std::string& text) {
    Texts parts = splitParts(text);
    parts.resize(3);
    return {parts[0], parts[1], parts[2]};
}

std::string shownContact(const Contact& c) {
    return c.purpose.empty() ? c.value : c.purpose + ": " + c.value;
}

Contact contactFromTyping(std::string_view line) {
    Contact out;
    std::string rest = text::trim(line);
    const size_t colon = rest.find(": ");
    if (colon != std::string::npos && colon < 40) {
        out.purpose = text::trim(std::string_view(rest).substr(0, colon));
        rest = text::trim(std::string_view(rest).substr(colon + 1));
    }
    out.value = rest;
    const size_t at = rest.find('@');
    out.kind = rest.starts_with("http://") || rest.starts_with("https://") || rest.starts_with("www.")
                   ? "page"
               : at != std::string::npos && at > 0 && rest.find(' ') == std::string::npos ? "mail"
               : looksLikeTelephone(rest)                                                 ? "telephone"
                                                                                          : "address";
    return out;
}

std::string cardLine(CardKind kind, std::string_view key, const Texts& values) {
    const CardFactDef* def = cardFact(kind, key);
    if (!def || values.empty())
        return {};
    if (def->kind == CardFactKind::List)
        return fmt::format("{}", fmt::join(values, "; "));
    if (def->kind == CardFactKind::Contacts) {
        Texts shown;
        for (const std::string& v : values)
            shown.push_back(shownContact(contactFrom(v)));
        return fmt::format("{}", fmt::join(shown, "; "));
    }
    return values.front();
}

Texts cardFactFromTyping(CardKind kind, std::string_view key, std::string_view line) {
    const CardFactDef* def = cardFact(kind, key);
    Texts out;
    if (!def || text::trim(line).empty())
        return out;
    if (def->kind != CardFactKind::List && def->kind != CardFactKind::Contacts)
        return {text::trim(line)};
    for (const std::string& part : text::split(line, ";"))
        if (std::string clean = text::trim(part); !clean.empty())
            out.push_back(def->kind == CardFactKind::Contacts ? contactText(contactFromTyping(clean))
                                                              : clean);
    return out;
}

const Texts& factValues(const Facts& facts, std::string_view key) {
    const auto it = facts.find(key);
    return it == facts.end() ? noTexts : it->second.values;
}

std::string firstFact(const Facts& facts, std::string_view key) {
    const Texts& values = factValues(facts, key);
    return values.empty() ? std::string() : values.front();
}

std::string nameOfCard(CardKind kind, const Facts& facts) {
    return firstFact(facts, kind == CardKind::Party ? "name" : "title");
}

} // namespace moorfrost::library
