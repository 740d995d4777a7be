// SPDX-License-Identifier: GPL-3.0-or-later
// What the application is started with: the one source of its help and of its page of the manual.
#pragma once

#include <QString>

#include <string>
#include <vector>

#include "core/base/result.h"

namespace moorfrost::app {

struct StartOptions {
    Path library;              // absolute
    bool isNamed = false;      // it was named; else it is the person's own
    std::vector<Path> folders; // to bring in; absolute, as the bytes that the system gave
    Path shelf;                // to be made one; absolute; empty: none
    QString settings;          // a folder; empty: the person's own
    QString theme;             // empty: as it is set
    QString shot;              // a picture of the window to make, then to end; empty: none
    bool reportStartup = false;
};

/// Ends the process where it was asked for help or its version, or asked wrongly. After the QApplication is
/// made.
StartOptions startOptions(int argc, char** argv);
/// What `--settings` names; empty without it. For what has to be known before the QApplication is made.
QString settingsFolder(int argc, char** argv);
/// As man reads it. Needs no QApplication.
std::string startManPage();

} // namespace moorfrost::app
