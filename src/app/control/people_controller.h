// SPDX-License-Identifier: GPL-3.0-or-later
// Parties, works and agreements: the lists of all of them, kept true once they were asked for; a single one
// as it is shown; and what a person does with them. Every change is journalled, and can be undone at once.
#pragma once

#include <QObject>

#include "app/control/kept_changes.h"
#include "app/control/kept_list.h"
#include "app/control/library_index.h"
#include "core/library/people/card_view.h"
#include "core/library/people/tag_names.h"

namespace moorfrost::app {

class PeopleController : public QObject {
    Q_OBJECT
public:
    using CardId = library::CardId;
    using List = std::shared_ptr<const library::People>;

    PeopleController(LibraryAccess& library, KeptChanges& changes, LibraryIndex& index, JobList& jobs,
                     Messages& messages);

    /// nullptr until it was made for the first time.
    List list() const { return list_.get(); }
    /// From now on the list is kept true.
    void want() { list_.want(); }
    /// No list is being made, and none is to be.
    bool isTrue() const { return list_.isTrue(); }
    /// Not called if it cannot be read, which has been said. A card that is no more has the number 0.
    void read(QObject* asker, CardId card, std::function<void(library::CardView)> then);
    void readHistory(QObject* asker, CardId card, const std::string& key,
                     std::function<void(std::vector<library::FactHistory>)> then);

    /// `then`: its number.
    void make(library::CardKind kind, const library::CardValues& facts,
              std::function<void(CardId)> then = {});
    void setFact(CardId card, library::CardKind kind, const std::string& key,
                 const std::vector<std::string>& values, bool none = false);
    void rememberSpellings(const std::vector<library::OtherSpelling>& spellings);
    void remove(CardId card, const QString& name);
    void merge(CardId into, const std::vector<CardId>& others);
    /// Shares that name somebody who is not known yet make a party of that name.
    void setShares(const std::vector<CardId>& works, library::Side side,
                   const std::vector<library::Share>& shares, const QString& title);
    void setOwners(const std::vector<FileId>& files, const std::vector<library::Share>& owners,
                   const QString& title);
    void setWorks(const std::vector<FileId>& files, const std::vector<CardId>& works, const QString& title);
    /// `then`: how many are new.
    void makeWorksOf(const std::vector<FileId>& files, std::function<void(size_t)> then = {});
    void settle(CardId work, const library::Claim& claim, bool take);

    /// Parties that may be one.
    const std::vector<library::PartyProposal>& proposals() const { return proposals_; }
    /// The names in tags that mean it, and those that nearly do.
    library::NamesOfParty namesOf(CardId party) const;
    /// Of the recording of a file.
    void showWorkOf(FileId file);
    /// A person wants to see it.
    /// `key`: of the fact that is to be entered.
    void wantShown(CardId card, library::CardKind kind, const std::string& key = {}) {
        emit showWanted(card, kind, key);
    }

signals:
    /// The list is another; what is kept of any card may be.
    void changed();
    void proposalsChanged();
    void showWanted(moorfrost::library::CardId card, moorfrost::library::CardKind kind,
                    const std::string& key);

private:
    struct Proposed {
        std::vector<library::PartyProposal> same;
        std::map<CardId, library::NamesOfParty> names;
    };
    void propose();
    void change(KeptChanges::Work work, const QString& title);

    LibraryAccess& library_;
    KeptChanges& changes_;
    JobList& jobs_;
    Messages& messages_;
    LibraryIndex& index_;
    KeptList<library::KeptCards, library::People> list_;
    std::vector<library::PartyProposal> proposals_;
    std::map<CardId, library::NamesOfParty> names_;
    WorkedOut proposing_;
};

} // namespace moorfrost::app
