// SPDX-License-Identifier: GPL-3.0-or-later
// The journal of what the library itself keeps: each change with what it replaced.
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "core/library/records.h"
#include "core/library/store/database.h"

namespace moorfrost::library {

/// One thing that a change made otherwise. What `before` and `after` hold depends on the kind:
/// Value: the values of `field` of a recording. Member: the recording of a file and whether a person put it
/// there ("12", "1"; nothing: of none). Best: the file that was chosen of a recording (nothing: nobody
/// chose). File: a file that was forgotten, as FileTable::row tells it (nothing: it is not known).
/// Collection: what it is (nothing: there is none). Children: what stands in a folder, as numbers. Entries:
/// what stands in a list from the place `field` on, "recording file" each. Release: since when it is kept
/// (nothing: it is not). Fact: of a release, "1" where it is known to be none, origin, time, values (nothing:
/// none is kept). Tracks: of the medium `field` of a release, recording and content of each. OfRelease: the
/// release of a file (nothing: none). Card: since when it is kept and its kind, as a number (nothing: it is
/// not). CardFact: as Fact, of a card.
struct ChangePart {
    enum class Kind {
        Value,
        Member,
        Best,
        File,
        Collection,
        Children,
        Entries,
        Release,
        Fact,
        Tracks,
        OfRelease,
        Card,
        CardFact
    };
    Kind kind = Kind::Value;
    int64_t subject =
        0; // a recording (Value, Best), a file (Member, File, OfRelease), a collection, a release or a card
    std::string field;
    std::vector<std::string> before, after;
    std::string shown; // what it is, for people, as it was called then
    bool operator==(const ChangePart&) const = default;
};

struct LibraryChange {
    int64_t id = 0;
    int64_t when = 0; // seconds since 1970
    std::string title;
    bool takenBack = false;
    size_t parts = 0;
};

class ChangeTable {
public:
    explicit ChangeTable(Database& db) : db_(db) {}

    int64_t add(const std::string& title, const std::vector<ChangePart>& parts);
    std::vector<LibraryChange> all(); // the newest first
    std::optional<LibraryChange> find(int64_t id);
    std::vector<ChangePart> parts(int64_t id);
    void setTakenBack(int64_t id, bool takenBack);
    /// What every change made of this fact of any release.
    std::vector<ChangePart> factChanges(const std::string& field);
    /// What changes made of one thing, the latest first.
    std::vector<std::pair<LibraryChange, ChangePart>> ofSubject(ChangePart::Kind kind, int64_t subject,
                                                                const std::string& field);
    /// A later change, not taken back, of the same thing.
    std::optional<LibraryChange> laterOn(int64_t id, const ChangePart& part);

private:
    Database& db_;
};

} // namespace moorfrost::library
