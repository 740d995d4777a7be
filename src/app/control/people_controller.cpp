// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/people_controller.h"

#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "core/library/people/works_of.h"

namespace moorfrost::app {

using library::CardId;
using library::CardKind;
using library::Store;

PeopleController::PeopleController(LibraryAccess& library, KeptChanges& changes, LibraryIndex& index,
                                   JobList& jobs, Messages& messages)
    : library_(library), changes_(changes), jobs_(jobs), messages_(messages), index_(index),
      list_(this, library, jobs, messages,
            {ss(tr("Listing people and works")), &library::keptCards,
             [] {
                 return [](const library::KeptCards& kept, std::stop_token stop) {
                     return library::People::make(kept, stop);
                 };
             },
             [this](bool settled) {
                 if (settled && list())
                     propose();
                 emit changed();
             }}) {
    connect(&changes_, &KeptChanges::cardsChanged, this, [this] {
        list_.look();
        emit changed(); // what is shown of one is read again at once; the list takes longer
    });
    connect(&changes_, &KeptChanges::changed, this, [this](const std::vector<FileId>& files) {
        if (!files.empty()) { // recordings may be of other works
            list_.look();
            emit changed();
        }
    });
    connect(&index, &LibraryIndex::changed, this, [this] { list_.look(); });
}

library::NamesOfParty PeopleController::namesOf(CardId party) const {
    const auto it = names_.find(party);
    return it == names_.end() ? library::NamesOfParty() : it->second;
}

void PeopleController::propose() {
    proposing_.start<Proposed>(
        this, jobs_, ss(tr("Looking for parties that are one")),
        [list = list(), searcher = index_.searcher()](std::stop_token stop) {
            Proposed out{library::proposeSameParties(*list, stop), {}};
            if (searcher)
                out.names = library::namesInTags(*searcher, *list, stop);
            return out;
        },
        [this](Proposed found) {
            proposals_ = std::move(found.same);
            names_ = std::move(found.names);
            emit proposalsChanged();
        });
}

void PeopleController::read(QObject* asker, CardId card, std::function<void(library::CardView)> then) {
    library_.read(
        asker, [card](Store& store) { return library::cardView(store, card); },
        [then](Result<library::CardView> view) {
            if (view)
                then(std::move(*view));
        });
}

void PeopleController::readHistory(QObject* asker, CardId card, const std::string& key,
                                   std::function<void(std::vector<library::FactHistory>)> then) {
    library_.read(
        asker, [card, key](Store& store) { return library::historyOf(store, card, key); },
        [then](Result<std::vector<library::FactHistory>> history) {
            if (history)
                then(std::move(*history));
        });
}

void PeopleController::change(KeptChanges::Work work, const QString& title) {
    changes_.make(std::move(work), title, [this](bool done) {
        if (!done)
            emit changed(); // what was shown already is not so
    });
}

void PeopleController::make(CardKind kind, const library::CardValues& facts,
                            std::function<void(CardId)> then) {
    auto id = std::make_shared<CardId>(0);
    changes_.make(
        [=](Store& store) -> Result<library::ChangeOutcome> {
            library::ChangeOutcome outcome;
            const auto made = library::makeCard(store, kind, facts, outcome);
            if (!made)
                return made.error();
            *id = *made;
            return outcome;
        },
        kind == CardKind::Party  ? tr("New party")
        : kind == CardKind::Work ? tr("New work")
                                 : tr("New agreement"),
        [id, then](bool done) {
            if (done && then)
                then(*id);
        });
}

void PeopleController::setFact(CardId card, CardKind kind, const std::string& key,
                               const std::vector<std::string>& values, bool none) {
    if (const std::string why = none ? std::string() : library::whyNotCardFact(kind, key, values);
        !why.empty())
        return messages_.say(spoken(why), true);
    const library::CardFactDef* def = library::cardFact(kind, key);
    change([=](Store& store) { return library::setCardFact(store, card, key, values, none); },
           def ? tr(def->label) : qs(key));
}

void PeopleController::rememberSpellings(const std::vector<library::OtherSpelling>& spellings) {
    change([=](Store& store) { return library::rememberSpellings(store, spellings); }, tr("Other spellings"));
}

void PeopleController::remove(CardId card, const QString& name) {
    changes_.make([=](Store& store) { return library::removeCard(store, card); }, tr("Remove"),
                  [this, name](bool done) {
                      if (done)
                          messages_.say(tr("\u201C%1\u201D was removed. Ctrl+Z brings it back.").arg(name));
                  });
}

void PeopleController::merge(CardId into, const std::vector<CardId>& others) {
    change([=](Store& store) { return library::mergeParties(store, into, others); }, tr("They are one"));
}

void PeopleController::setShares(const std::vector<CardId>& works, library::Side side,
                                 const std::vector<library::Share>& shares, const QString& title) {
    if (const std::string why = library::whyNotShares(side, shares); !why.empty()) {
        messages_.say(spoken(why), true);
        emit changed(); // what was typed is not so
        return;
    }
    change([=](Store& store) { return library::setShares(store, works, side, shares, ss(title)); }, title);
}

void PeopleController::setOwners(const std::vector<FileId>& files, const std::vector<library::Share>& owners,
                                 const QString& title) {
    if (const std::string why = library::whyNotShares(library::Side::Owners, owners); !why.empty()) {
        messages_.say(spoken(why), true);
        emit changed();
        return;
    }
    change([=](Store& store) { return library::setOwners(store, files, owners, ss(title)); }, title);
}

void PeopleController::setWorks(const std::vector<FileId>& files, const std::vector<CardId>& works,
                                const QString& title) {
    change([=](Store& store) { return library::setWorks(store, files, works, ss(title)); }, title);
}

void PeopleController::makeWorksOf(const std::vector<FileId>& files, std::function<void(size_t)> then) {
    auto made = std::make_shared<size_t>(0);
    changes_.make([=](Store& store) { return library::makeWorksOf(store, files, *made); },
                  tr("Works of recordings"),
                  [made, then](bool done) {
                      if (done && then)
                          then(*made);
                  });
}

void PeopleController::showWorkOf(FileId file) {
    library_.read(
        this,
        [file](Store& store) -> CardId {
            const auto works =
                store.recordings().values(store.recordings().placeOf(file).recording, library::workField);
            return works.empty() ? 0 : std::strtoll(works.front().c_str(), nullptr, 10);
        },
        [this](Result<CardId> work) {
            if (work && *work != 0)
                wantShown(*work, CardKind::Work);
        });
}

void PeopleController::settle(CardId work, const library::Claim& claim, bool take) {
    change([=](Store& store) { return library::settleClaim(store, work, claim, take); },
           take ? tr("Shares of another source") : tr("Shares stay"));
}

} // namespace moorfrost::app
