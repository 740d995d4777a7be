// SPDX-License-Identifier: GPL-3.0-or-later
#include "support/shots/shots.h"

#include <QTest>
#include <QTreeWidget>

#include "app/bench/bench_page.h"
#include "app/bench/places/misplaced_dialog.h"
#include "app/bench/places/shelf_rules_dialog.h"
#include "app/bench/put_away_page.h"
#include "app/bench/read_names_dialog.h"
#include "app/bench/review_page.h"
#include "app/control/plans.h"
#include "app/shell/foot.h"
#include "app/widgets/chip_editor.h"

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
    // What would split the album, with what can be done about it.
    PutAwayPage* page = w.bench()->putAway();
    for (size_t i = 0; i < page->tree()->placed().size(); ++i)
        if (page->tree()->placed().at(i).from.filename() == "04_bonus.flac")
            page->tree()->choose(i);
    shot(&w, "put-away");
    ShelfRulesDialog rules(s.shelves.all().front(), {}, {}, files::NameProfile::Portable, {}, &w);
    rules.show();
    shot(&rules, "shelf-rules");
    rules.hide();
    d.chooseSleeve("Strays");
    const auto clashing = [&] {
        for (size_t i = 0; i < page->tree()->placed().size(); ++i)
            if (page->tree()->placed().at(i).mark(placing::MarkKind::Clash))
                return page->tree()->choose(i);
        return false;
    };
    page->editor()->setText("{artist, else \"unknown\"}/{title, else \"untitled\"}");
    d.settle();
    if (clashing())
        d.settle();
    shot(&w, "put-away-clash");
    page->editor()->setText(usualPlanText());
    d.chooseSleeve("Night Post EP");
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
    MisplacedDialog misplaced(
        {s.library,
         s.index,
         {s.jobs, s.settings, s.files, s.drafts, s.shelves, s.customFields, s.places, s.batch.batch()}},
        {}, &w);
    misplaced.show();
    for (int i = 0; i < 3; ++i)
        d.settle();
    misplaced.page()->editor()->setText("{artist}/{album}/{title}");
    QTest::qWait(500);
    d.settle();
    shot(&misplaced, "misplaced");
}

} // namespace moorfrost::shots
