// SPDX-License-Identifier: GPL-3.0-or-later
// Plans: how names and folders are made from fields, as text. The form is described in docs/plans.md.
#pragma once

#include <optional>
#include <string>
#include <string_view>
#include <variant>
#include <vector>

namespace moorfrost::naming {

struct Modifier {
    enum class Kind {
        Digits,
        Year,
        Upper,
        Lower,
        TitleCase,
        SentenceCase,
        SortForm,
        First,
        FirstValue,
        Join,
        IfSeveral,
        Before,
        After,
        Replace,
        PlainLetters,
        AtMost,
    };
    Kind kind = Kind::Upper;
    int number = 0;   // Digits, First, AtMost
    std::string text; // Join, Before, After; what Replace looks for
    std::string with; // what Replace puts
};

/// One of "{a, else b, else "c"}".
struct Source {
    std::string key; // a field key or the name of a fact; "" for a literal
    std::string literal;
};

struct Piece {
    enum class Kind { Literal, Field, Folder, Skip };
    Kind kind = Kind::Literal;
    std::string literal;
    std::vector<Source> sources;     // Field: in order of preference, at least one
    std::vector<Modifier> modifiers; // in the order in which they are applied
    size_t offset = 0;               // where it stands in the text, in bytes
    size_t length = 0;

    bool has(Modifier::Kind kind) const;
    /// Comes out empty without that being a gap: only where several, or with text of its own before or after
    /// it.
    bool optional() const;
};

struct Plan {
    std::string text;
    std::vector<Piece> pieces;

    size_t folderCount() const;
    /// Keys of all fields that it uses, in order, once each.
    std::vector<std::string> keys() const;
};

struct PlanError {
    size_t offset = 0; // bytes from the start of the text
    size_t length = 1;
    std::string message; // what is wrong there and what was expected
};

/// `customFields`: names that are allowed beside the standard fields and the facts.
std::variant<Plan, PlanError> parsePlan(std::string_view text,
                                        const std::vector<std::string>& customFields = {});

/// Facts that a plan may name beside fields: format, codec, sample rate, bit depth, name, folder.
const std::vector<std::string>& factNames();
/// The place of a track as it is printed: 7, 2-07, A1. Read as track and disc; made of them.
inline constexpr const char* positionFact = "position";
bool isFact(std::string_view key);

/// A piece as text again, and a whole plan from pieces: what the chips edit.
std::string pieceText(const Piece& piece);
std::string planText(const std::vector<Piece>& pieces);
/// How a modifier is written.
std::string modifierText(const Modifier& modifier);
/// For a chip: "Album artist, else Artist · 2 digits".
std::string pieceLabel(const Piece& piece);

} // namespace moorfrost::naming
