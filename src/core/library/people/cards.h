// SPDX-License-Identifier: GPL-3.0-or-later
// What can be said of parties, works and agreements, as tables: each fact with its name, how it is typed and
// shown. Any thread.
#pragma once

#include <string>
#include <string_view>
#include <vector>

#include "core/library/store/card_table.h"

namespace moorfrost::library {

enum class CardFactKind {
    Text,      // one line
    LongText,  // several
    List,      // typed with "; " between them
    Code,      // with check digits
    Choice,    // one of choices()
    Dates,     // one date
    Parties,   // numbers of parties
    Works,     // numbers of works
    Releases,  // numbers of releases
    Documents, // documents.h
    Contacts,  // kind, value, what for
    Shares,    // share.h
};

struct CardFactDef {
    const char* key;
    const char* label;
    CardFactKind kind;
    bool mayBeNone; // that there is none can be known
};

/// In the order in which they are shown.
const std::vector<CardFactDef>& cardFacts(CardKind kind);
/// By key or label, whatever the case; nullptr where there is none.
const CardFactDef* cardFact(CardKind kind, std::string_view name);
/// Of a Choice: as they are kept.
const std::vector<std::string>& choicesOf(std::string_view key);

/// A sentence where these cannot be kept, "" where they can.
std::string whyNotCardFact(CardKind kind, std::string_view key, const std::vector<std::string>& values);
/// What is odd of values that can be kept: a check digit that is wrong; "" for nothing.
std::string whatIsOddOfCard(std::string_view key, const std::vector<std::string>& values);

/// A way to reach somebody.
struct Contact {
    std::string kind;    // "mail", "telephone", "address", "page"
    std::string value;   // one line
    std::string purpose; // "licences"; may be ""
    bool operator==(const Contact&) const = default;
};
std::string contactText(const Contact& contact);
Contact contactFrom(const std::string& text);
/// "licences: mail licences@example.org".
std::string shownContact(const Contact& contact);
/// "licences: someone@example.org", "+47 555 0101": the kind is told by what it looks like.
Contact contactFromTyping(std::string_view line);

/// On one line, for people, and to be typed; Parties and Shares are shown by what they mean, not here.
std::string cardLine(CardKind kind, std::string_view key, const std::vector<std::string>& values);
std::vector<std::string> cardFactFromTyping(CardKind kind, std::string_view key, std::string_view line);

inline constexpr char cardBreak = '\x1f'; // between parts of a value

/// Its name or title; "" where none is said.
std::string nameOfCard(CardKind kind, const Facts& facts);
const std::vector<std::string>& factValues(const Facts& facts, std::string_view key);
std::string firstFact(const Facts& facts, std::string_view key);

} // namespace moorfrost::library
