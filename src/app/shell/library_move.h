// SPDX-License-Identifier: GPL-3.0-or-later
// The library goes to another place, or comes from one. It cannot be open then: the window closes, the work
// is done, and the application starts again with the library that is the person's from then on.
#pragma once

#include <QCoreApplication>
#include <QString>

#include <optional>

#include "app/control/job_list.h"
#include "core/base/result.h"

namespace moorfrost::app {

struct LibraryMove {
    enum class Kind {
        Move, // to another folder of this machine; the old one goes to the trash
        Copy, // for another machine; this one stays in use
        Bring // one that was copied on another machine, to be this person's
    };
    Kind kind = Kind::Move;
    Path folder; // Move, Copy: that it becomes, which is not there yet; Bring: in which it lies
};

namespace library_move {
/// For the run that ends now (MainWindow::moveCode). On the interface thread, like all of these.
void wish(const LibraryMove& move);
std::optional<LibraryMove> takeWish();

struct Outcome {
    Trouble told;   // what came of it, to be looked at until it is dismissed
    Path startWith; // another library; empty: the same
};
/// Does it. `library`: that of the run that ended. Any thread.
Outcome carryOut(const LibraryMove& move, const Path& library);

/// What the next start is to tell, kept over the end of this process.
void leaveNote(const LibraryMove& move, const QString& told);
struct Note {
    bool brought = false; // the places of its shelves are those of another machine
    QString told;
};
std::optional<Note> takeNote();

/// What it is started with again: as it was, but for what it was to bring in, and once. `named`: as below.
QStringList argumentsAgain(int argc, char** argv, const Path& named);
/// Starts the application again with these. `named`: the
/// library that was named then, to be replaced by this one; empty where none was.
bool startAgain(int argc, char** argv, const Path& named);
} // namespace library_move

enum class OwnLibraryAnswer { Again, BeginAnew, Quit };
/// The person's own library is not where it was moved to.
OwnLibraryAnswer askForOwnLibrary(const Error& why);

} // namespace moorfrost::app
