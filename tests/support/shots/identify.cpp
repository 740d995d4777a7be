// SPDX-License-Identifier: GPL-3.0-or-later
#include "support/shots/shots.h"

#include <QDialog>
#include <QListWidget>
#include <QTest>
#include <QTimer>

#include "app/bench/bench_page.h"
#include "app/bench/identify_page.h"
#include "app/bench/mend_text_dialog.h"
#include "app/bench/release_pictures_view.h"
#include "app/bench/take_rules_dialog.h"
#include "app/library/check_files_dialog.h"

using namespace moorfrost;
using namespace moorfrost::app;

namespace moorfrost::shots {

void identify(Shots& shots) {
    Driver& d = shots.driver;
    MainWindow& w = d.window();
    Controllers& s = d.controllers();
    auto shot = [&shots](QWidget* widget, const char* name) { shots.take(widget, name); };
    // Identify: what all sleeves are, then one of them.
    w.bench()->showStep(BenchPage::Identify);
    w.bench()->identify()->lookUpAll();
    d.settle();
    shot(&w, "identify-all");
    if (!d.chooseSleeve("Night Post EP"))
        qFatal("no such sleeve");
    w.bench()->identify()->lookUpBySound();
    shot(&w, "identify");
    w.bench()->identify()->showChanges()->click();
    shot(&w, "identify-changes");
    w.bench()->identify()->showPictures()->click();
    shot(&w, "identify-pictures");
    QTimer::singleShot(300, &w, [&w, &shot] {
        if (auto* large = w.findChild<QDialog*>("sideBySide")) {
            shot(large, "identify-large");
            large->close();
        }
    });
    w.bench()->identify()->pictures()->list()->setFocus();
    QTest::keyClick(w.bench()->identify()->pictures()->list(), Qt::Key_Return);
    {
        TakeRulesDialog rules(s.identify, {"Folk", "Celtic", "Folk, traditional"}, &w);
        rules.show();
        shot(&rules, "take-rules");
    }
    w.bench()->identify()->findChild<QPushButton*>("left")->click();
    d.chooseSleeve("Strays");
    w.bench()->identify()->lookUp();
    shot(&w, "identify-strays");
    {
        MendTextDialog mend({s.files, s.drafts}, s.sleeves.files(), &w);
        mend.show();
        shot(&mend, "mend-text");
    }
    {
        CheckFilesDialog check({s.messages, s.jobs, s.library}, s.files.pathsOf(s.sleeves.files()),
                               QString("the %1 files shown").arg(s.sleeves.files().size()), &w);
        check.choose(CheckFilesDialog::Decoding);
        check.show();
        check.start();
        d.settle();
        shot(&check, "check-files");
    }
}

} // namespace moorfrost::shots
