// SPDX-License-Identifier: GPL-3.0-or-later
// A party, a work or an agreement as it is shown: what is said of it, and what belongs to it. On the thread
// of the store.
#pragma once

#include "core/library/people/people.h"

namespace moorfrost::library {

/// A recording of a work.
struct RecordingOfWork {
    RecordingId id = 0;
    FileId file = 0;     // its best
    std::string title;   // of that
    std::string version; // of its family: leadVersion, "instrumental" ...; "" for none
    std::string detail;
    double seconds = 0;
    std::vector<Share> owners;
};

struct CardView {
    CardId id = 0; // 0: it is no more
    CardKind kind = CardKind::Party;
    Facts facts;
    /// Of a work, the lead first.
    std::vector<RecordingOfWork> recordings;
    /// That name it, the latest first.
    std::vector<std::pair<CardId, Facts>> agreements;
    std::vector<Claim> claims; // of a work

    std::vector<Share> shares(Side side) const; // of a work; the owners of its lead recording
    /// Recordings of it whose owners are others than those of the lead; and of which nobody is named.
    size_t otherOwners() const;
    size_t withoutOwners() const;
};
CardView cardView(Store& store, CardId card);

/// How a fact came to be what it is, the latest first: what each change of the journal made of it.
struct FactHistory {
    int64_t when = 0;
    std::string title;        // of the change
    std::optional<Fact> fact; // what it was from then on
};
std::vector<FactHistory> historyOf(Store& store, CardId card, const std::string& key);

} // namespace moorfrost::library
