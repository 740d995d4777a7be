// SPDX-License-Identifier: GPL-3.0-or-later
// What was written to files or changed in what the library keeps, and what is kept to take it back.
#pragma once

#include <QObject>

#include <functional>

#include "app/control/library_access.h"

namespace moorfrost::app {

/// A line of the journal.
struct JournalEntry {
    enum Kind { Written, Kept }; // a set that was written to files; a change of what the library keeps
    Kind kind = Written;
    library::SetSummary set;       // of Written
    library::LibraryChange change; // of Kept
    int64_t id() const { return kind == Written ? set.id : change.id; }
    int64_t when() const { return kind == Written ? set.when : change.when; }
    const std::string& title() const { return kind == Written ? set.title : change.title; }
};

class JournalController : public QObject {
    Q_OBJECT
public:
    explicit JournalController(LibraryAccess& library) : library_(library) {}

    /// Reads the list, and how much is kept.
    void refresh();
    const std::vector<JournalEntry>& entries() const { return entries_; } // the newest first
    /// The sets among them.
    const std::vector<library::SetSummary>& sets() const { return sets_; }
    const library::HistoryUse& use() const { return use_; }
    /// The steps of a set.
    void readSteps(QObject* asker, int64_t set, std::function<void(std::vector<library::SetStep>)> then);
    /// What a change of the library made otherwise.
    void readParts(QObject* asker, int64_t change,
                   std::function<void(std::vector<library::ChangePart>)> then);
    /// What was written to a file, the newest first.
    void readHistory(QObject* asker, library::FileId file,
                     std::function<void(std::vector<library::Event>)> then);

signals:
    void changed();

private:
    LibraryAccess& library_;
    std::vector<JournalEntry> entries_;
    std::vector<library::SetSummary> sets_;
    library::HistoryUse use_;
};

} // namespace moorfrost::app
