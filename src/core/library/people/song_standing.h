// SPDX-License-Identifier: GPL-3.0-or-later
// How the songs that recordings are of stand: whether their shares add up, their writers have numbers, they
// have an agreement and a contact. What standards ask (audit/standard). On the thread of the store.
#pragma once

#include <set>

#include "core/audit/readiness.h"
#include "core/library/people/people.h"
#include "core/library/store/change_table.h"

namespace moorfrost::library {

class SongStandings {
public:
    explicit SongStandings(Store& store) : store_(store) {}
    /// Where a recording is of several songs, all of them must stand so.
    audit::SongStanding of(FileId file);

private:
    struct Work {
        bool sharesAddUp = false, hasNumbers = false, hasAgreement = false;
        std::set<CardId> parties; // who may have a contact
    };
    const Work& work(CardId id);
    bool hasNumber(CardId party);
    bool hasContact(CardId party, int depth = 0);
    const Facts& party(CardId id);
    const std::set<CardId>& covered();

    Store& store_;
    std::map<CardId, Work> works_;
    std::map<CardId, Facts> parties_;
    std::optional<std::set<CardId>> covered_; // works, by agreements that are not over
};

/// Notes as changed the files whose songs may stand otherwise after these parts of a change, and adds those
/// that are affected by cards to `touched`.
void noteStandings(Store& store, const std::vector<ChangePart>& parts, std::set<FileId>& touched);

} // namespace moorfrost::library
