// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/journal_controller.h"

#include <algorithm>

namespace moorfrost::app {

using library::Store;

void JournalController::refresh() {
    using Journal = std::pair<std::vector<JournalEntry>, library::HistoryUse>;
    library_.read(
        this,
        [](Store& store) {
            std::vector<JournalEntry> all;
            for (library::SetSummary& set : store.journal().sets())
                all.push_back({JournalEntry::Written, std::move(set), {}});
            for (library::LibraryChange& change : store.changes().all())
                all.push_back({JournalEntry::Kept, {}, std::move(change)});
            std::ranges::stable_sort(all, std::greater(), &JournalEntry::when);
            return Journal(std::move(all), store.journal().use());
        },
        [this](Result<Journal> journal) {
            if (!journal)
                return;
            entries_ = std::move(journal->first);
            sets_.clear();
            for (const JournalEntry& e : entries_)
                if (e.kind == JournalEntry::Written)
                    sets_.push_back(e.set);
            use_ = std::move(journal->second);
            emit changed();
        });
}

void JournalController::readParts(QObject* asker, int64_t change,
                                  std::function<void(std::vector<library::ChangePart>)> then) {
    library_.read(
        asker, [change](Store& store) { return store.changes().parts(change); },
        [then](Result<std::vector<library::ChangePart>> parts) {
            if (parts)
                then(std::move(*parts));
        });
}

void JournalController::readSteps(QObject* asker, int64_t set,
                                  std::function<void(std::vector<library::SetStep>)> then) {
    library_.read(
        asker, [set](Store& store) { return store.journal().steps(set); },
        [then](Result<std::vector<library::SetStep>> steps) {
            if (steps)
                then(std::move(*steps));
        });
}

void JournalController::readHistory(QObject* asker, library::FileId file,
                                    std::function<void(std::vector<library::Event>)> then) {
    constexpr size_t most = 12;
    library_.read(
        asker, [file](Store& store) { return store.journal().historyOf(file, most); },
        [then](Result<std::vector<library::Event>> events) {
            if (events)
                then(std::move(*events));
        });
}

} // namespace moorfrost::app
