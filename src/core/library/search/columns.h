// SPDX-License-Identifier: GPL-3.0-or-later
// The library in memory, to be searched, sorted and counted: immutable columns over an arena. A row is a
// file. What a field holds is a number into the field's dictionary of lists of values, so that texts that
// many rows share are there once. Built from records (ColumnsBuilder) or mapped from a file that an earlier
// run wrote. Any thread.
#pragma once

#include <optional>
#include <span>

#include "core/files/arena.h"
#include "core/library/records.h"
#include "core/library/search/row_set.h"

namespace moorfrost::library {

// Columns that are no fields of the tags, in the same form.
inline constexpr const char* fileNameColumn = "@file";
inline constexpr const char* folderColumn = "@folder";
inline constexpr const char* formatNameColumn = "@format";
inline constexpr const char* codecColumn = "@codec";
inline constexpr const char* differsColumn = "@differs";
inline constexpr const char* kindColumn = "@kind"; // "music" where nobody said otherwise

// What a person said of the recording (library/judging.h).
inline constexpr const char* ratingColumn = "@rating";
inline constexpr const char* noteColumn = "@note";
inline constexpr const char* playoutColumn = "@playout";
inline constexpr const char* usedColumn = "@used";          // what it was used in, and where
inline constexpr const char* lastUsedColumn = "@last used"; // the date
inline constexpr const char* bookmarkColumn = "@bookmark";  // the texts of bookmarks
inline constexpr const char* familyColumn = "@family";      // the number of its family
inline constexpr const char* versionColumn = "@version";    // the kind of version, and what is said of it

/// The column of a field, or of what a query calls so; the name itself for fields.
std::string_view columnOf(std::string_view field);
/// What a person says of a recording goes by names that files may have as fields of their own, too
/// ("rating"): then both are asked.
bool mayBeInFilesToo(std::string_view field);

/// Columns whose words are not found by words alone.
inline bool isAskedByNameOnly(std::string_view column) {
    return column == folderColumn || column == differsColumn || column == kindColumn ||
           column == ratingColumn || column == lastUsedColumn || column == familyColumn ||
           column == versionColumn;
}

enum RowFlag : uint8_t {
    Damaged = 1,
    Unreadable = 2,
    ReadOnly = 4,
    Variable = 8,
    HasPicture = 16,
    Absent = 32, // the file was not found where it should be
};

/// Texts one behind the other.
struct Texts {
    std::span<const uint32_t> starts; // of each, and the end
    std::span<const char> bytes;
    size_t size() const { return starts.empty() ? 0 : starts.size() - 1; }
    std::string_view operator[](size_t i) const {
        return {bytes.data() + starts[i], starts[i + 1] - starts[i]};
    }
};

struct FieldColumn {
    std::string key;
    std::span<const uint32_t> lists; // of each row, or of each of `some`; 0: blank
    std::span<const uint32_t> some;  // where few rows have the field: which, in rising order
    /// Of list n from 1 on: numbers of values. Where every list has one value, both are empty, and list n is
    /// value n - 1.
    std::span<const uint32_t> listStarts, listValues;
    Texts values;
    /// Values that are more than ASCII, in rising order, and how they are folded; the others fold by case.
    std::span<const uint32_t> odd;
    Texts oddFolded;
    std::span<const uint32_t> ranks; // of list n: its place in the order of people; 0 for blank

    bool isSparse() const { return !some.empty(); }
    uint32_t listOf(Row row) const;
    size_t listCount() const { return ranks.size(); } // with blank
    /// Calls `each(value)` for the values of a list that is not blank.
    template<class Each>
    void eachValue(uint32_t list, Each&& each) const {
        if (listStarts.empty())
            each(list - 1);
        else
            for (uint32_t i = listStarts[list]; i < listStarts[list + 1]; ++i)
                each(listValues[i]);
    }
    std::string foldedOf(uint32_t value) const;
    /// All values on one line (tags::shownValues).
    std::string text(uint32_t list) const;
    /// Calls `each(row, list)` for the rows that have the field.
    template<class Each>
    void eachRow(Each&& each) const {
        if (isSparse())
            for (size_t i = 0; i < some.size(); ++i)
                each(some[i], lists[i]);
        else
            for (size_t i = 0; i < lists.size(); ++i)
                if (lists[i])
                    each(static_cast<Row>(i), lists[i]);
    }
};

/// Of the letters and digits that have a set of rows of their own; -1 for others.
constexpr int letterNumber(char c) {
    return c >= 'a' && c <= 'z' ? c - 'a' : c >= '0' && c <= '9' ? c - '0' + 26 : -1;
}
inline constexpr int letterCount = 36;

class Columns {
public:
    explicit Columns(std::shared_ptr<const files::Arena> arena);

    Row size() const { return static_cast<Row>(ids.size()); }
    /// nullopt if it is not there.
    std::optional<Row> rowOf(FileId id) const;
    /// nullptr where no row has such a field.
    const FieldColumn* field(std::string_view key) const;
    const std::vector<FieldColumn>& fields() const { return fields_; }
    /// Keys that are not in the field table, in their order.
    std::vector<std::string> customFields() const;
    std::string text(Row row, std::string_view key) const;
    Path pathOf(Row row) const;
    const files::Arena& arena() const { return *arena_; }

    std::span<const FileId> ids;        // rising
    std::span<const float> durations;   // seconds
    std::span<const uint64_t> sizes;    // bytes
    std::span<const uint32_t> added;    // seconds since 1970
    std::span<const uint32_t> rates;    // Hz
    std::span<const uint32_t> bitrates; // bits per second
    std::span<const uint8_t> channels, bits, flags;
    std::span<const uint32_t> shelves;
    std::span<const Row> baseOrder; // by album artist, album, disc, track, file

    // Folded words of all text but the folders, in the order of their bytes, and the rows that have each.
    std::span<const char> words; // each with a line feed behind it
    std::span<const uint32_t> wordStarts;
    std::span<const uint32_t> rowStarts; // in wordRows, of each word and the end
    std::span<const uint8_t> wordRows;   // distances from row to row, seven bits a byte, the low ones first
    size_t wordCount() const { return wordStarts.size(); }
    /// The rows in which that letter or digit (folded, ASCII) is anywhere; nullopt for other characters.
    std::optional<RowSet> rowsWithLetter(char letter) const;
    /// Adds the rows that have word number `word`.
    void addRowsOf(size_t word, RowSet& out) const;

private:
    std::shared_ptr<const files::Arena> arena_;
    std::span<const uint64_t> letters_; // a RowSet for each
    std::vector<FieldColumn> fields_;   // by key
};

/// Collects records in any number of pieces.
class ColumnsBuilder {
public:
    ColumnsBuilder();
    /// What is not needed for the moment is kept in the folder of `snapshot`, where finish() writes the
    /// columns.
    ColumnsBuilder(const Path& snapshot, const std::string& revision);
    ~ColumnsBuilder();
    /// With rising numbers.
    void add(const FileRecord& file);
    void add(const PackedRecord& file);
    size_t size() const;
    /// The builder is empty afterwards. With a snapshot: in memory that the system can take back
    /// (files::Arena::map); where the disk does not take it, in memory of our own.
    std::shared_ptr<const Columns> finish();

private:
    struct Impl;
    std::unique_ptr<Impl> impl_;
};

} // namespace moorfrost::library
