// SPDX-License-Identifier: GPL-3.0-or-later
// How far everything on the shelves meets a standard: for every file the marks of the release it belongs to.
// Worked out beside the columns (library/shelf_readiness), kept as one block that is a file as it stands.
// Immutable; any thread.
#pragma once

#include <map>
#include <memory>
#include <optional>
#include <stop_token>

#include "core/audit/readiness.h"
#include "core/files/arena.h"
#include "core/library/records.h"
#include "core/library/search/query.h"
#include "core/library/search/row_set.h"

namespace moorfrost::library {

class Searcher;

/// The column that sorts by readiness, and tells it as "4 of 6".
inline constexpr const char* readyColumn = "@ready";
/// Whether that is a field of a question, or a facet, that only readiness answers.
bool isAboutReadiness(std::string_view field);
bool asksForReadiness(const Query& query);

/// The marks of one release, one for each rule of the standard.
using Marks = std::vector<audit::Met>;
inline bool isUnmet(audit::Met met) {
    return met == audit::Met::No || met == audit::Met::Partly;
}
/// Rules that are not met, or not in all files.
size_t unmetOf(const Marks& marks);
/// "4 of 6": how many rules of those that are asked are met; "" for no marks.
std::string readinessText(const Marks& marks);

class ReadinessTable {
public:
    explicit ReadinessTable(std::shared_ptr<const files::Arena> arena);

    std::vector<std::string> rules; // their names, in the order of the marks
    std::string revision;           // of the store: what has changed since then is not in it
    std::vector<Marks> marks;       // all that come up, each once

    std::span<const FileId> files;         // rising
    std::span<const uint32_t> sleeves;     // of each file
    std::span<const uint32_t> sleeveMarks; // of each sleeve: which of `marks`

    /// Where the file is in `files`; nullopt if it is not there.
    std::optional<size_t> find(FileId file) const;
    /// The marks of the release that the file belongs to; nullptr if that is not known.
    const Marks* marksOf(FileId file) const;
    bool operator==(const ReadinessTable& other) const; // the same marks for the same files

private:
    std::shared_ptr<const files::Arena> arena_;
};

/// Puts a table together. `sleeves` and `sleeveMarks` as above.
class ReadinessTableWriter {
public:
    ReadinessTableWriter(std::vector<std::string> rules, std::string revision)
        : rules_(std::move(rules)), revision_(std::move(revision)) {}
    /// The number of a sleeve with these marks.
    uint32_t addSleeve(const Marks& marks);
    void reserve(size_t files) {
        files_.reserve(files);
        sleeves_.reserve(files);
    }
    /// With rising numbers.
    void addFile(FileId file, uint32_t sleeve) {
        files_.push_back(file);
        sleeves_.push_back(sleeve);
    }
    /// Sleeves without files are left out.
    std::shared_ptr<const ReadinessTable> finish();

private:
    std::vector<std::string> rules_;
    std::string revision_;
    std::map<Marks, uint32_t> numbers_;
    std::vector<uint32_t> sleeveMarks_, sleeves_;
    std::vector<FileId> files_;
};

/// Leaves it for another run. `measuredBy`: what it was measured by, to be asked for again.
Status saveReadiness(const ReadinessTable& table, const Path& file, const std::string& measuredBy);
/// nullptr where there is none, it is from something else, or it is damaged.
std::shared_ptr<const ReadinessTable> loadReadiness(const Path& file, const std::string& measuredBy);

/// A table as it answers for the rows of a searcher.
class ReadyRows {
public:
    /// The rows of `searcher` must not have another table.
    ReadyRows(const Searcher& searcher, std::shared_ptr<const ReadinessTable> table);
    const ReadinessTable& table() const { return *table_; }
    std::shared_ptr<const ReadinessTable> shared() const { return table_; }
    /// nullptr: not known.
    const Marks* marksOf(Row row) const {
        return numbers_[row] == 0 ? nullptr : &table_->marks[numbers_[row] - 1];
    }
    /// Sorts rows by how far they are; 0: not known.
    uint32_t placeOf(Row row) const { return places_[numbers_[row]]; }
    /// The rows that anything is known of.
    RowSet known() const;
    /// Of a term about readiness; of "is", only what is about it.
    RowSet find(const Term& term) const;
    /// "unmet": how many rules (in their order) are not met by how many rows; "lacks": each rule.
    std::vector<std::pair<std::string, size_t>> facet(const RowSet& rows, std::string_view key) const;

private:
    RowSet rowsWith(const std::vector<uint8_t>& marks) const;
    std::shared_ptr<const ReadinessTable> table_;
    std::vector<uint32_t> numbers_; // of each row: 1 + which of the marks; 0: not known
    std::vector<uint32_t> places_;  // of each of these numbers
};

} // namespace moorfrost::library
