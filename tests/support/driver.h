// SPDX-License-Identifier: GPL-3.0-or-later
// The real window on a library and demo folders of its own, with the few things that tests and pictures do
// again and again.
#pragma once

#include <QModelIndex>
#include <QTemporaryDir>

#include <memory>

#include "app/shell/main_window.h"

namespace moorfrost::app {

class Driver {
public:
    /// An application for tests: offscreen, settings in a temporary folder, fonts and theme loaded. Before
    /// QApplication nothing is needed; call once.
    static void prepareApplication(const QString& theme = "light");

    explicit Driver(const Path& library);
    ~Driver();
    Driver(const Driver&) = delete;
    Driver& operator=(const Driver&) = delete;

    Controllers& controllers() { return *controllers_; }
    MainWindow& window() { return *window_; }
    /// Until no job runs, nothing waits for the library and timers of the interface have run.
    void settle();
    void bringIn(const std::vector<Path>& folders);
    void addShelf(const Path& folder);
    /// Chooses the sleeve with this title; false if there is none.
    bool chooseSleeve(const QString& title);
    /// The row of the first file of Bring in whose name holds this.
    QModelIndex bringInRow(const QString& part) const;
    FileId fileNamed(const std::string& name) const;
    /// What is on the shelves, as the library on disk has it.
    std::vector<library::FileRecord> libraryFiles() const;
    /// Sound and pictures are measured as soon as the audit is in sight; else never.
    void measureSoon(bool soon);
    /// Drafts are for files that are worked on.
    void takeUp(FileId id);

private:
    std::unique_ptr<Controllers> controllers_;
    std::unique_ptr<MainWindow> window_;
};

/// "library.db" and a shelf "archive" with six songs of four releases.
void makeSmallLibrary(const Path& folder);

} // namespace moorfrost::app
