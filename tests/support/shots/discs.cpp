// SPDX-License-Identifier: GPL-3.0-or-later
#include "support/shots/shots.h"

#include "app/bench/bench_page.h"
#include <QListWidget>
#include <QTest>

#include "app/bench/bring_in_page.h"
#include "app/bench/discs/disc_answers.h"
#include "app/bench/discs/disc_dialog.h"
#include "app/bench/discs/rip_panel.h"
#include "app/control/plans.h"
#include "app/widgets/comparison_table.h"

using namespace moorfrost;
using namespace moorfrost::app;

namespace moorfrost::shots {

void discs(Shots& shots) {
    Driver& d = shots.driver;
    MainWindow& w = d.window();
    Controllers& s = d.controllers();
    const Path& root = shots.root;
    auto shot = [&shots](QWidget* widget, const char* name) { shots.take(widget, name); };
    for (const char* sheet :
         {"Night Post EP/night post.cue", "Salt Road/salt road.cue", "Processional/PROCESSIONAL.CUE"}) {
        s.discs.open(root / "discs" / sheet);
        d.settle();
    }
    w.bench()->bringIn()->readDiscs();
    DiscDialog* discs = w.bench()->bringIn()->discs();
    if (shots.size.isValid())
        discs->resize(shots.size.boundedTo({1240, 720}));
    auto find = [&](int row, size_t answer) {
        discs->list()->setCurrentRow(row);
        discs->findButton()->click();
        d.settle();
        emit discs->answers()->table()->chosen(answer);
        d.settle();
    };
    find(0, 1);
    discs->panel()->setPlan(plansOf(s.settings)[2].second); // no name is taken there
    s.discs.pick(discs->current(), 2, "title", 1);
    d.settle();
    shot(discs, "disc");
    discs->panel()->setPlan(usualPlanText());
    find(1, 1);
    discs->ripButton()->click();
    for (int i = 0; i < 400 && s.rips.progress().done < 4300; ++i)
        QTest::qWait(20);
    shots.takeNow(discs, "ripping");
    d.settle();
    shot(discs, "ripped");
    discs->hide();
}

} // namespace moorfrost::shots
