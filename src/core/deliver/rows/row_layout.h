// SPDX-License-Identifier: GPL-3.0-or-later
// Sheet layouts: which columns a sheet of rows has, what each says of a track, and how the file is put down.
// The same layout writes such a sheet and recognises one that comes in. Kept by name, as JSON that can be
// handed on. Any thread.
#pragma once

#include <string>
#include <string_view>
#include <vector>

#include "core/base/result.h"
#include "core/exchange/delimited.h"

namespace moorfrost::deliver {

/// Something that a column can say and that is no field of the tags. Keys begin with "@".
struct RowFact {
    enum class Kind { Text, Number, Length, Date, Path };
    /// What becomes of it when it comes in: a track is found by it, the library keeps it, or it is only read
    /// from files.
    enum class In { Finds, Kept, ReadOnly };
    const char* key;
    const char* label;
    const char* group; // for people
    Kind kind;
    In in;
};
const std::vector<RowFact>& rowFacts();
/// nullptr for fields.
const RowFact* rowFact(std::string_view key);
/// Of a field or a fact.
std::string columnLabel(std::string_view key);
/// Whether values are numbers: a workbook and JSON have them as such.
bool isNumberColumn(std::string_view key);
/// What a heading means, by the names of fields and facts and others that are in use for them; "" where it
/// says nothing known.
std::string columnNamed(std::string_view heading);

struct RowColumn {
    enum class Several { Joined, First, Columns };
    std::string heading;            // "": the label of the first part
    std::vector<std::string> parts; // keys; what they say stands one behind the other
    std::string text;               // where there are no parts: always this
    std::string between = " ";      // between parts that say something
    Several several = Several::Joined;
    std::string joint = "; "; // between several values
    int columns = 2;          // of Several::Columns: the last has what is left, joined
    std::string form;         // of lengths: one of lengthForms(); "": the first
    bool operator==(const RowColumn&) const = default;
    std::string shownHeading() const;
};
/// "m:ss", "h:mm:ss", "seconds", "milliseconds".
const std::vector<std::string>& lengthForms();
std::string lengthText(double seconds, const std::string& form, char decimal);
/// Any of these forms; negative where it is none.
double secondsFrom(std::string_view text);
/// Forms of dates: "2021-09-24", "24.09.2021", "24/09/2021", "09/24/2021", "2021".
const std::vector<std::string>& dateForms();
/// `date`: ISO 8601, may be partial; parts that are not known are left out.
std::string dateText(const std::string& date, const std::string& form);
/// The way back; what is none of that form stays as it is.
std::string dateFrom(const std::string& text, const std::string& form);

enum class RowFile { Delimited, Workbook, JsonLines };

struct RowLayout {
    std::string name;
    RowFile file = RowFile::Delimited;
    exchange::Dialect dialect;
    char decimal = '.';
    std::string dates = "2021-09-24";
    /// A path that begins with `pathFrom` begins with `pathTo` there; where `pathTo` has backslashes, all
    /// slashes become backslashes.
    std::string pathFrom, pathTo;
    bool drafts = false; // what is proposed and not written yet counts
    std::vector<RowColumn> columns;
    bool operator==(const RowLayout&) const = default;
    const char* ending() const; // ".csv", ".xlsx", ".jsonl"
};
inline constexpr size_t mostRowColumns = 1024;

const std::vector<RowLayout>& shippedRowLayouts();
std::string rowLayoutJson(const RowLayout& layout);
/// An Error (Invalid) says what was not understood.
Result<RowLayout> rowLayoutFromJson(std::string_view json);
/// As the setting `rowLayouts` has them, with those that are shipped behind.
std::vector<RowLayout> rowLayoutsFrom(const std::vector<std::string>& kept);
const RowLayout* rowLayoutNamed(const std::vector<RowLayout>& layouts, std::string_view name);

/// The headings as they stand in the file: a column of several columns has as many.
std::vector<std::string> headingsOf(const RowLayout& layout);
/// The one whose headings these are (most of them, in any order); nullptr where there is none.
const RowLayout* layoutWithHeadings(const std::vector<RowLayout>& layouts,
                                    const std::vector<std::string>& headings);

} // namespace moorfrost::deliver
