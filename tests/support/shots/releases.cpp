// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/releases/fact_table.h"
#include "app/releases/release_lines.h"
#include "app/releases/releases_page.h"
#include "app/shell/main_window.h"
#include "support/shots/shots.h"

namespace moorfrost::shots {

using namespace moorfrost::app;

void releases(Shots& shots) {
    MainWindow& w = shots.driver.window();
    w.showWorkspace(MainWindow::Releases);
    shots.take(&w, "releases");
}

} // namespace moorfrost::shots
