// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/kept_changes.h"

#include <algorithm>
#include <utility>

namespace moorfrost::app {

using library::Store;

KeptChanges::KeptChanges(LibraryAccess& library, FilesController& files, Messages& messages,
                         std::function<uint64_t()> clock)
    : library_(library), files_(files), messages_(messages), clock_(std::move(clock)) {}

void KeptChanges::follow(const Outcome& outcome) {
    std::vector<FileId> known;
    for (FileId id : outcome.touched)
        if (files_.known().contains(id))
            known.push_back(id);
    if (!known.empty())
        files_.readAgain(this, known);
    if (outcome.collections)
        emit collectionsChanged();
    if (outcome.releases)
        emit releasesChanged();
    if (outcome.cards)
        emit cardsChanged();
    emit changed(outcome.touched);
}

void KeptChanges::make(Work work, const QString& title, std::function<void(bool)> then) {
    auto number = std::make_shared<std::atomic<int64_t>>(0);
    if (!title.isEmpty()) { // it can be undone from now on, wherever the library is with it
        undo_.push_back({number, title, clock_()});
        emit historyChanged(true);
    }
    library_.write(
        this,
        [work = std::move(work), number](Store& store) {
            Result<Outcome> outcome = work(store);
            *number = outcome ? outcome->change : 0;
            return outcome;
        },
        [this, number, then](const Result<Outcome>& outcome) {
            if (outcome && outcome->change != 0)
                follow(*outcome);
            else
                dropActions([&](const Action& a) { return a.change == number; });
            if (then)
                then(bool(outcome));
        });
}

void KeptChanges::dropActions(const std::function<bool(const Action&)>& which) {
    if (std::erase_if(undo_, which) + std::erase_if(redo_, which) > 0)
        emit historyChanged(false);
}

void KeptChanges::takeBack(int64_t change) {
    make([change](Store& store) { return library::takeBackChange(store, change); }, {},
         [this, change](bool done) {
             if (!done)
                 return;
             dropActions([change](const Action& a) { return *a.change == change; });
             messages_.say(tr("The change was taken back."));
         });
}

void KeptChanges::undo() {
    turn(undo_, redo_, &library::takeBackChange);
}

void KeptChanges::redo() {
    turn(redo_, undo_, &library::makeChangeAgain);
}

void KeptChanges::turn(std::vector<Action>& from, std::vector<Action>& to,
                       Result<Outcome> (*how)(Store&, int64_t)) {
    if (from.empty())
        return;
    const Action action = std::move(from.back());
    from.pop_back();
    to.push_back(action);
    emit historyChanged(false);
    make(
        [number = action.change, how](Store& store) -> Result<Outcome> {
            return *number == 0 ? Result<Outcome>(Outcome{}) : how(store, *number);
        },
        {},
        [this, number = action.change](bool done) {
            if (!done) // why was said; it is neither to be undone nor to be done again
                dropActions([&](const Action& a) { return a.change == number; });
        });
}

void KeptChanges::forgetRedo() {
    redo_.clear();
}

} // namespace moorfrost::app
