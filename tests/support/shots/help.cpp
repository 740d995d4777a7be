// SPDX-License-Identifier: GPL-3.0-or-later
#include "support/shots/shots.h"

#include <QLineEdit>

#include "app/bench/bench_page.h"
#include "app/help/help.h"
#include "app/help/trouble_report.h"
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
    SampleFilesDialog samples(&w);
    samples.show();
    shots.take(&samples, "samples");
}

} // namespace moorfrost::shots
