// SPDX-License-Identifier: GPL-3.0-or-later
// One change of what the library keeps (of recordings, of collections) while it is put together: each part is
// done at once and noted with what it replaced, and all of it is one line of the journal, in one transaction.
// On the thread of the store.
#pragma once

#include <set>
#include <string>
#include <vector>

#include "core/library/store/store.h"

namespace moorfrost::library {

/// What a change came to.
struct ChangeOutcome {
    int64_t change = 0;          // its number in the journal; 0: all was so already
    std::vector<FileId> touched; // files of which something else is kept now
    bool collections = false;    // folders, lists or what is in them are otherwise
    bool releases = false;       // something else is kept of releases
    bool cards = false;          // and of parties, works, agreements
};

class KeptChange {
public:
    explicit KeptChange(Store& store) : store_(store), transaction_(store.database()) {}

    void setValues(RecordingId recording, const std::string& field, const std::vector<std::string>& values);
    void put(FileId file, const RecordingPlace& place);
    /// `before`: where it goes when this is taken back.
    void put(FileId file, const RecordingPlace& before, const RecordingPlace& place);
    void choose(RecordingId recording, FileId file);
    void forget(FileId file);
    void setCollection(const Collection& collection);
    /// With what stands in it and where it stands: to be seen to before.
    void removeCollection(CollectionId id);
    void setChildren(CollectionId folder, const std::vector<CollectionId>& children);
    /// At the place `at` of a list, `removed` entries go and others come in their stead.
    void splice(CollectionId list, size_t at, size_t removed, const std::vector<ListEntry>& inserted);
    /// A release of this number is kept from now on; nothing of it yet.
    void addRelease(ReleaseId id, int64_t since);
    /// With all that is kept of it.
    void removeRelease(ReleaseId id);
    void setFact(ReleaseId id, const std::string& field, const std::optional<Fact>& fact);
    void setTracks(ReleaseId id, int medium, const std::vector<KeptTrack>& tracks);
    /// 0: the file is of none.
    void setReleaseOf(FileId file, ReleaseId id);
    /// A card of this number is kept from now on; nothing of it yet.
    void addCard(CardId id, CardKind kind, int64_t since);
    /// With all that is kept of it.
    void removeCard(CardId id);
    void setCardFact(CardId id, const std::string& field, const std::optional<Fact>& fact);
    ChangeOutcome commit(const std::string& title);

private:
    void add(ChangePart part);

    Store& store_;
    Transaction transaction_;
    std::vector<ChangePart> parts_;
    ChangeOutcome outcome_;
    std::set<FileId> touched_;
};

/// Puts back what a change replaced. An Error (Changed) where that was changed again since: it names by what.
Result<ChangeOutcome> takeBackChange(Store& store, int64_t change);
/// A change that was taken back is made again.
Result<ChangeOutcome> makeChangeAgain(Store& store, int64_t change);

} // namespace moorfrost::library
