// SPDX-License-Identifier: GPL-3.0-or-later
// The window ends so that its library can be brought elsewhere.
#include <QApplication>

#include "app/shell/library_move.h"
#include "app/shell/library_trouble_bar.h"
#include "app/shell/main_window.h"

namespace moorfrost::app {

void MainWindow::moveLibrary(const LibraryMove& move) {
    if (c_.jobs.isWriting())
        return say(tr("Files are being written. Move the library when that has ended."), true);
    if (!libraryTrouble_->mayEnd(this))
        return;
    player_.stop();
    library_move::wish(move);
    QApplication::exit(moveCode);
}

} // namespace moorfrost::app
