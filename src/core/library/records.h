// SPDX-License-Identifier: GPL-3.0-or-later
// What the library holds, as values.
#pragma once

#include <cstdint>
#include <map>
#include <memory>
#include <optional>
#include <string>
#include <vector>

#include "core/files/change_set.h"
#include "core/files/scan.h"
#include "core/library/judging.h"

namespace moorfrost::library {

using FileId = int64_t;

struct FileRecord {
    FileId id = 0;
    Path path;
    files::FileState state;
    tags::TagFile tags;   // of a file that could not be read: only facts.size
    std::string error;    // why it could not be read
    int64_t shelf = 0;    // 0: not put away
    int64_t added = 0;    // seconds since 1970
    std::string kind;     // as confirmed by a person ("speech" ...); "" where nobody said: music
    KeptOfRecording kept; // of its recording: what is searched (judging.h), and its kind
    int64_t absent = 0;   // since when it is not found, seconds since 1970; 0: it is there

    bool readable() const { return error.empty(); }
    bool writable() const { return error.empty() && tags.writable(); }
    /// Whether drafts for its fields make sense: a damaged file may be written to if a person says so.
    bool mayHaveDrafts() const { return error.empty() && tags.readOnly.empty(); }
};

/// The same as it lies in the library, for those who look at very many: views that hold while they are
/// called.
struct PackedRecord {
    FileId id = 0;
    std::string_view path;
    uint64_t size = 0; // bytes
    bool readable = true;
    int64_t shelf = 0, added = 0;
    std::string_view content; // tags/packed
    std::string_view kept;    // packKept()
    bool absent = false;
    int64_t modifiedNs = 0;
};

struct Batch {
    int64_t id = 0;
    std::string name;
    int64_t created = 0;
    std::string note = {};
};

/// A place that files of a batch were brought in from.
struct BatchOrigin {
    Path place;       // empty: sent from the library, if it is known when
    int64_t when = 0; // seconds since 1970; not positive: not known
    size_t files = 0;
};

struct BatchFile {
    FileId file = 0;
    std::string sleeve;  // key; "" for strays
    bool byHand = false; // it was put there by hand, and stays
};

/// A sleeve of a batch.
struct SleeveNote {
    std::string name; // given by hand; "" if it was not
    std::string why;  // sentences
};

struct Shelf {
    int64_t id = 0;
    std::string name;
    Path path;
};

/// Values of one field, by file.
using KeptValues = std::map<FileId, std::vector<std::string>>;

/// The name under which the library keeps what kind of sound a recording is.
inline constexpr const char* kindField = "kind";

/// A proposed value, not written yet. For the field placeKey it is a place: shelf, plan, "move" or "copy".
struct Draft {
    std::vector<std::string> values; // empty: the field is to be blank
    std::string origin;              // "typed", "read from the name" ...
    int64_t when = 0;                // seconds since 1970
    bool operator==(const Draft&) const = default;
};

/// The key under which a draft says where the file is to go.
inline constexpr const char* placeKey = "@place";

struct DraftChange {
    FileId file = 0;
    std::string field;
    std::optional<Draft> before;
    std::optional<Draft> after;
};

struct SetSummary {
    int64_t id = 0;
    int64_t when = 0; // seconds since 1970
    std::string title;
    size_t done = 0, failed = 0, takenBack = 0, total = 0;
    size_t setAside = 0;
    bool running = false;   // begun and never ended: the program was stopped in the middle
    uint64_t keptBytes = 0; // for taking it back
    bool dropped = false;   // they are not kept any more
};

/// How much the journal keeps, and what would go with the next write.
struct HistoryUse {
    uint64_t used = 0, limit = 0; // bytes
    std::vector<SetSummary> next; // oldest first
};

/// The fixity of a file as it was stored.
struct Fixity {
    Path path;
    std::string essence, sha256; // sha256 may be empty
    uint64_t bytes = 0;
    int64_t when = 0; // seconds since 1970
};

/// A line of the journal, as it concerns one file.
struct Event {
    int64_t set = 0;
    int64_t when = 0; // seconds since 1970
    std::string title;
    std::vector<std::string> fields; // keys of those that changed
    Path from, to;                   // `to` is empty where it was not moved
    bool takenBack = false;
};

struct SetStep {
    int64_t set = 0;
    size_t number = 0;
    files::StepRecord record;
};

} // namespace moorfrost::library
