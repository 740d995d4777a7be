// SPDX-License-Identifier: GPL-3.0-or-later
#include "support/shots/shots.h"

#include <QTreeWidget>

#include "app/bench/bench_page.h"
#include "app/bench/put_away_page.h"
#include "app/bench/read_names_dialog.h"
#include "app/bench/review_page.h"
#include "app/shell/foot.h"

using namespace moorfrost;
using namespace moorfrost::app;

namespace moorfrost::shots {

void namesAndPutAway(Shots& shots) {
    Driver& d = shots.driver;
    MainWindow& w = d.window();
    Controllers& s = d.controllers();
    auto shot = [&shots](QWidget* widget, const char* name) { shots.take(widget, name); };
    ReadNamesDialog dialog(
        {s.jobs, s.settings, s.files, s.drafts, s.index, s.customFields, s.sleeves},
        [&] {
            std::vector<FileId> files;
            for (FileId f : s.sleeves.files())
                if (s.files.file(f)->path.native().find("/strays/") != std::string::npos)
                    files.push_back(f);
            return files;
        }(),
        &w);
    dialog.show();
    d.settle();
    shot(&dialog, "read-names");
    dialog.setPlan("{artist} - {title}");
    d.settle();
    dialog.takeButton()->click();
    // Every folder that has a pattern is read by it, so that there is much to put away.
    auto readFolder = [&](const std::string& part, const char* plan) {
        std::vector<FileId> files;
        for (FileId f : s.sleeves.files())
            if (s.files.file(f)->path.native().find(part) != std::string::npos)
                files.push_back(f);
        ReadNamesDialog reader({s.jobs, s.settings, s.files, s.drafts, s.index, s.customFields, s.sleeves},
                               files, &w);
        reader.setPlan(plan);
        d.settle();
        reader.takeButton()->click();
        d.settle();
    };
    readFolder("/donation-lindqvist/Odran", "{artist}/{album}/CD{disc}/{track} {title}");
    readFolder("/donation-lindqvist/Хор", "{artist}/{album}/{track} {title}");
    s.batch.sortAnew();
    w.bench()->showStep(BenchPage::PutAway);
    d.chooseSleeve("Night Post EP");
    shot(&w, "put-away");
    w.bench()->putAway()->draftButton()->click();
    d.settle();
    d.chooseSleeve("Live at Tarnholm Hall");
    w.bench()->putAway()->draftButton()->click();
    d.chooseSleeve("Salt Road");
    w.bench()->putAway()->draftButton()->click();
    d.chooseSleeve("Северный ветер");
    w.bench()->putAway()->draftButton()->click();
    d.settle();
    w.showWorkspace(MainWindow::Review);
    // From the release with a new picture on.
    QTreeWidget* reviewed = w.findChild<ReviewPage*>()->tree();
    for (QTreeWidgetItem* item : reviewed->findItems("01_nightpost_MASTER.flac", Qt::MatchExactly))
        reviewed->scrollToItem(item, QAbstractItemView::PositionAtTop);
    shot(&w, "review");
    w.foot()->writeButton()->click();
    d.settle();
    shot(&w, "written");
}

} // namespace moorfrost::shots
