// SPDX-License-Identifier: GPL-3.0-or-later
// What was written to files, and what is kept to take it back.
#pragma once

#include <QObject>

#include <functional>

#include "app/control/library_access.h"

namespace moorfrost::app {

class JournalController : public QObject {
    Q_OBJECT
public:
    explicit JournalController(LibraryAccess& library) : library_(library) {}

    /// Reads the list of sets, and how much is kept.
    void refresh();
    const std::vector<library::SetSummary>& sets() const { return sets_; } // the newest first
    const library::HistoryUse& use() const { return use_; }
    /// The steps of a set.
    void readSteps(QObject* asker, int64_t set, std::function<void(std::vector<library::SetStep>)> then);
    /// What was written to a file, the newest first.
    void readHistory(QObject* asker, library::FileId file,
                     std::function<void(std::vector<library::Event>)> then);

signals:
    void changed();

private:
    LibraryAccess& library_;
    std::vector<library::SetSummary> sets_;
    library::HistoryUse use_;
};

} // namespace moorfrost::app
