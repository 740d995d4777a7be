// SPDX-License-Identifier: GPL-3.0-or-later
// Pictures of the program, taken while the way of work is gone through the real interface on the demo data: a
// file for each part of it, in the order of the work. Each goes on where the one before has left the program.
#pragma once

#include <QDir>

#include "support/driver.h"

namespace moorfrost::shots {

struct Shots {
    app::Driver& driver;
    Path root; // of the demo data
    QDir out;
    bool dark = false;
    QSize size;                            // of the window; not valid: its own
    std::vector<app::FilePtr> interrupted; // files for a write that is interrupted at the end

    /// When everything has come to rest. Ends the program after the one that LAST names in the environment.
    void take(QWidget* widget, const QString& name);
    /// As it is at this moment.
    void takeNow(QWidget* widget, const QString& name) const;
};

void bringIn(Shots& shots); // and the settings
void identify(Shots& shots);
void describe(Shots& shots);
void namesAndPutAway(Shots& shots); // to the library
void libraryAndJournal(Shots& shots);
void releases(Shots& shots);
void people(Shots& shots);  // behind the releases
void deliver(Shots& shots); // behind the people
void help(Shots& shots);
void audit(Shots& shots);
void discs(Shots& shots);
void troubles(Shots& shots);
/// A write that is killed half way, in a process of its own; then another program changes one of the files.
void interruptAWrite(const Path& library, const std::vector<app::FilePtr>& files, const Path& shelf);

} // namespace moorfrost::shots
