// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/journal_controller.h"

namespace moorfrost::app {

using library::Store;

void JournalController::refresh() {
    using Journal = std::pair<std::vector<library::SetSummary>, library::HistoryUse>;
    library_.read(
        this, [](Store& store) { return Journal(store.journal().sets(), store.journal().use()); },
        [this](Result<Journal> journal) {
            if (!journal)
                return;
            sets_ = std::move(journal->first);
            use_ = std::move(journal->second);
            emit changed();
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
