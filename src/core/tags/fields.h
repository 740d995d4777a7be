// SPDX-License-Identifier: GPL-3.0-or-later
// The one table that defines every standard field: its key, its label, how many values it may have, and its
// name in the tag formats. Everything that reads, writes, shows, sorts or searches fields goes by this table.
#pragma once

#include <map>
#include <string>
#include <string_view>
#include <vector>

namespace moorfrost::tags {

enum class FieldKind {
    Text,
    Number,   // a whole number: track, disc, tempo
    Date,     // ISO 8601, may be partial: 1998, 1998-10, 1998-10-05
    Code,     // a code of the trade: shown in the fixed-width face
    LongText, // may have several lines
    Flag,     // 1 or nothing
    // Of custom fields (tags/custom_fields) only:
    Decimal, // a number, maybe with a sign and a fraction: 19.05
    YesNo,   // "yes" or "no"
    Choice,  // one of FieldDef::choices
};

struct FieldDef {
    std::string key;   // "album_artist": in scripts, the store, JSON
    std::string label; // "Album artist": to be translated by the interface; lower case in plans
    FieldKind kind = FieldKind::Text;
    bool several = false;             // may hold several values
    std::string property;             // its upper-case name in Vorbis comments and as a user-defined ID3 text
    std::vector<std::string> aliases; // other names of it found in the wild; read, and replaced when written
    int columnWidth = 140;            // pixels at 96 dpi, in tables
    std::vector<std::string> choices{}; // of a Choice
};

/// Key to values. A field without values is absent, never an empty list.
using Fields = std::map<std::string, std::vector<std::string>, std::less<>>;

/// The standard fields.
const std::vector<FieldDef>& fieldTable();
/// By key: standard ones, and custom ones that were described. nullptr for other custom fields.
const FieldDef* fieldByKey(std::string_view key);
bool isStandard(std::string_view key);
/// By key or label, ignoring case, "_" and " " alike: what a person types in a plan. nullptr if unknown.
const FieldDef* fieldByName(std::string_view name);
/// The same among standard ones only.
const FieldDef* standardByName(std::string_view name);
/// By property name or alias, ignoring case; nullptr if it is a custom one.
const FieldDef* fieldByProperty(std::string_view property);
/// Whether values of the field are numbers, and sorted and aligned as such.
bool isNumber(const FieldDef* field);

/// The key of any name a person typed or a file holds: a standard key, or the lower-case custom name.
std::string keyFromName(std::string_view name);
/// The label of a key; a custom key is its own label.
std::string labelOf(std::string_view key);

/// The first value or "".
const std::string& firstValue(const Fields& fields, std::string_view key);
/// What stands between several values of a field on one line, with a space on both sides. A value that holds
/// one itself has it doubled, so that a line can always be read back. Nothing else parts values: a title may
/// hold any other character.
inline constexpr std::string_view valueBreak = "\u00A6";
/// Puts one more value to those on a line.
void appendShown(std::string& line, std::string_view value);
std::string shownValues(const std::vector<std::string>& values);
/// All values on one line.
std::string shownValue(const Fields& fields, std::string_view key);
/// The reverse of shownValue; blank text gives no values. A choice is taken in its usual spelling, "y" for
/// "yes", "1,5" for a number 1.5.
std::vector<std::string> valuesFromText(std::string_view key, std::string_view text);

/// The encoding that the texts were most likely in, where they were read in another (text/encodings); ""
/// where they look right.
std::string likelyEncoding(const Fields& fields);
/// What the fields would be, read again in that encoding: only those that change.
Fields readAgain(const Fields& fields, std::string_view encoding);

/// Empty if `values` may be held by the field, else a sentence that says why not.
std::string whyNotValid(std::string_view key, const std::vector<std::string>& values);

} // namespace moorfrost::tags
