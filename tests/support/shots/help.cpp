// SPDX-License-Identifier: GPL-3.0-or-later
#include "support/shots/shots.h"

#include <QLineEdit>
#include <QScrollArea>
#include <QScrollBar>
#include <QTest>

#include "app/bench/bench_page.h"
#include "app/help/help.h"
#include "app/help/trouble_report.h"
#include "app/settings/follow_shelf.h"
#include "app/settings/library_place.h"
#include "app/settings/settings_file_dialog.h"
#include "app/settings/settings_page.h"
#include "app/shell/first_start.h"
#include "app/shell/sample_files.h"

using namespace moorfrost;
using namespace moorfrost::app;

namespace moorfrost::shots {

void help(Shots& shots) {
    MainWindow& w = shots.driver.window();
    w.bench()->showStep(BenchPage::PutAway);
    w.help()->openHere();
    ManualWindow* manual = w.help()->window();
    if (shots.size.isValid())
        manual->resize(shots.size);
    QTest::qWait(300); // pictures fit the room a moment later
    shots.take(manual, "manual");
    manual->search()->setText("album split");
    QMetaObject::invokeMethod(manual->search(), "returnPressed");
    shots.take(manual, "manual-search");
    w.help()->open("keys");
    manual->search()->clear();
    shots.take(manual, "manual-keys");
    manual->close();
    TroubleReportDialog report(troubleReport({}), &w);
    report.show();
    shots.take(&report, "trouble-report");
    report.hide();
    FirstStartDialog first({shots.driver.controllers().shelves, shots.driver.controllers().standards}, &w);
    first.show();
    shots.take(&first, "first-start");
    first.hide();
    MoveLibraryDialog move(shots.driver.controllers().care.file(), &w);
    move.folder()->setText("/tmp");
    move.show();
    shots.take(&move, "move-library");
    move.hide();
    ShelvesHereDialog shelves(shots.driver.controllers().shelves, &w);
    shelves.show();
    shots.take(&shelves, "shelves-here");
    shelves.hide();
    w.showWorkspace(MainWindow::Settings);
    shots.take(&w, "settings-top");
    auto* scroll = w.settings()->findChild<QScrollArea*>();
    scroll->verticalScrollBar()->setValue(scroll->verticalScrollBar()->maximum());
    shots.take(&w, "settings-end");
    SettingsFileDialog file(
        "Take settings in",
        "What is chosen takes the place of what is here. To be able to go back, save what is "
        "here first.",
        "Take in",
        {{"plans", "Plans", 3}, {"standards", "Standards", 1}, {"ways", "Names, writing, searching", 4}}, &w);
    file.show();
    shots.take(&file, "settings-file");
    file.hide();
    SampleFilesDialog samples(&w);
    samples.show();
    shots.take(&samples, "samples");
}

} // namespace moorfrost::shots
