// SPDX-License-Identifier: GPL-3.0-or-later
// The manual, the keys, what is said when help is asked for, and sample files.
#include <QtTest>

#include <QComboBox>
#include <QLineEdit>
#include <QListWidget>
#include <QMenu>
#include <QPlainTextEdit>
#include <QPushButton>
#include <QRegularExpression>
#include <QScrollBar>
#include <QTextBlock>

#include <fstream>

#include "app/bench/bench_page.h"
#include "app/bench/bring_in_page.h"
#include "app/bench/gather_dialog.h"
#include "app/help/help.h"
#include "app/help/trouble_report.h"
#include "app/shell/first_start.h"
#include "app/shell/sample_files.h"
#include "app/shell/text_utils.h"
#include "app/widgets/controls.h"
#include "core/base/version.h"
#include "core/base/without_private.h"
#include "support/driver.h"
#include "support/sample_files.h"

using namespace moorfrost;
using namespace moorfrost::app;

class TestHelp : public QObject {
    Q_OBJECT

    std::unique_ptr<test::Sandbox> box_;

private slots:
    void initTestCase() { Driver::prepareApplication(); }
    void init() {
        box_ = std::make_unique<test::Sandbox>();
        QSettings().clear();
    }

    // Every page that is named is there, every link leads to a heading, every picture is one.
    void theManualIsWhole() {
        const Manual manual = Manual::shipped();
        QVERIFY(manual.pages().size() > 15);
        QCOMPARE(manual.pages().front().key, QString("index"));
        size_t files = 0;
        for (const auto& entry : std::filesystem::directory_iterator(manual.folder()))
            files += entry.path().extension() == ".md";
        QCOMPARE(files, manual.pages().size()); // none that nothing leads to
        static const QRegularExpression link("(!?)\\[[^\\]]*\\]\\(([^)]*)\\)");
        for (const ManualPage& page : manual.pages()) {
            QVERIFY2(!page.title.isEmpty(), qPrintable(page.key));
            auto all = link.globalMatch(page.text);
            while (all.hasNext()) {
                const auto one = all.next();
                const QString to = one.captured(2);
                if (one.captured(1) == "!") {
                    QVERIFY2(std::filesystem::exists(manual.folder() / ss(to)), qPrintable(to));
                    continue;
                }
                const QString key = to.section('#', 0, 0).section('.', 0, 0);
                const QString heading = to.section('#', 1).replace('-', ' ');
                const ManualPage* target = key.isEmpty() ? &page : manual.page(key);
                QVERIFY2(target, qPrintable(page.key + ": " + to));
                QVERIFY2(heading.isEmpty() ||
                             target->text.contains("# " + heading + "\n", Qt::CaseInsensitive),
                         qPrintable(page.key + ": " + to));
            }
        }
    }

    void itIsSearched() {
        const Manual manual = Manual::shipped();
        const std::vector<ManualPlace> found = manual.find("SPLIT album");
        QVERIFY(!found.empty());
        QCOMPARE(found[0].page, QString("put-away"));
        QVERIFY(!found[0].line.contains('*'));
        QVERIFY(manual.find("").empty());
        QVERIFY(manual.find("zzzz").empty());
        QCOMPARE(manual.find("the", 5).size(), size_t{5});
        ManualWindow window(manual);
        window.resize(1000, 700);
        window.show();
        QVERIFY(QTest::qWaitForWindowActive(&window));
        window.open("index");
        window.search()->setText("fades away entirely");
        QCOMPARE(window.list()->count(), 1); // it says that there is none
        window.search()->setText("offset drive");
        QVERIFY(window.list()->count() >= 1);
        QTest::keyClick(window.search(), Qt::Key_Return);
        QCOMPARE(window.page(), QString("discs"));
        QVERIFY(!window.text()->extraSelections().isEmpty());
        QTest::keyClick(&window, Qt::Key_Left, Qt::AltModifier);
        QCOMPARE(window.page(), QString("index"));
    }

    void aHeadingIsGoneTo() {
        ManualWindow window(Manual::shipped());
        window.resize(900, 500);
        window.show();
        window.open("put-away#shelves");
        QVERIFY(window.text()->shows("Shelves"));
        QVERIFY(!window.text()->shows("Put away"));
        emit window.text()->anchorClicked(QUrl("bring-in.md#what-is-not-music"));
        QCOMPARE(window.page(), QString("bring-in"));
        QVERIFY(window.text()->shows("What is not music"));
        // Pictures are as wide as there is room, and no wider.
        window.open("bring-in");
        QVERIFY(window.text()->document()->idealWidth() <= window.text()->viewport()->width());
        window.resize(760, 500);
        QTRY_VERIFY(window.text()->document()->idealWidth() <= window.text()->viewport()->width());
        QCOMPARE(window.text()->horizontalScrollBar()->maximum(), 0);
        window.open("no such page");
        QCOMPARE(window.page(), QString("index"));
    }

    void helpIsAboutWhatIsInSight() {
        makeSmallLibrary(box_->root());
        Driver d(*box_ / "library.db");
        d.settle();
        MainWindow& w = d.window();
        w.bench()->showStep(BenchPage::PutAway);
        QTest::keyClick(&w, Qt::Key_F1);
        QCOMPARE(w.help()->window()->page(), QString("put-away"));
        w.help()->window()->close();
        // All that the menu has stands among the keys.
        w.help()->open("keys");
        const QString keys = w.help()->window()->text()->toPlainText();
        for (const QAction* action : w.allActions())
            QVERIFY2(keys.contains(action->text().remove('&')), qPrintable(action->text()));
        QVERIFY(keys.contains("Ctrl+Shift+Y"));
        w.help()->window()->close();
        // In a dialog the window of the manual is one of the dialog, else it could not be used.
        TroubleReportDialog dialog("report", &w);
        dialog.setModal(true);
        dialog.show();
        QVERIFY(QTest::qWaitForWindowExposed(&dialog));
        QTest::keyClick(dialog.text(), Qt::Key_F1);
        QCOMPARE(w.help()->window()->page(), QString("trouble"));
        QCOMPARE(w.help()->window()->parentWidget(), &dialog);
        QVERIFY(w.help()->window()->text()->shows("When you ask for help"));
    }

    void placesAndNamesAreLeftOut() {
        QCOMPARE(
            QString::fromStdString(
                withoutPrivate("a [library] /home/mara/Salt Road/library.db is open\n"
                               "b set 3 \"Put away The Hollow Ferry\": 2 done\n"
                               "c http://127.0.0.1:4711 answers and/or not\n"
                               "d Something named 01 Night Post.flac is in that place already.\n"
                               "e it's 'here' (/mnt/x y): no \"open")),
            QString("a [library] [place]\nb set 3 \"[...]\": 2 done\nc http://127.0.0.1:4711 answers and/or "
                    "not\nd Something [name]\ne it's 'here' ([place]"));
    }

    void theReportTellsNoNames() {
        std::filesystem::create_directories(box_->root());
        std::ofstream(*box_ / "log.txt")
            << "2026-12-01 error [job] failed: /shelf/Isla Varnholt/Gorse.flac is gone\n";
        QSettings().setValue("theme", "dark");
        QSettings().setValue("recent", "/home/mara/Salt Road");
        QSettings().setValue("who", "Isla Varnholt");
        const QString report = troubleReport(*box_ / "log.txt");
        QVERIFY(report.contains(QString("Moorfrost %1").arg(version())));
        QVERIFY(report.contains("theme: dark"));
        QVERIFY(report.contains("failed: [place]"));
        for (const char* word : {"Varnholt", "mara", "Gorse", "Salt"})
            QVERIFY2(!report.contains(word), word);
        TroubleReportDialog dialog(report);
        dialog.text()->appendPlainText("More of mine");
        QCOMPARE(dialog.save(*box_ / "report.txt"), QString());
        QVERIFY(test::readBytes(*box_ / "report.txt").find("More of mine") != std::string::npos);
        QVERIFY(!dialog.save(*box_ / "none/report.txt").isEmpty());
        QVERIFY(troubleReport(*box_ / "no log").contains("(none)"));
    }

    void sampleFilesAreMadeOnlyWhereNothingIs() {
        test::writeBytes(*box_ / "mine/a.flac", "mine");
        SampleFilesDialog dialog;
        dialog.folder()->setText(qs((*box_ / "mine").native()));
        QVERIFY(!dialog.makeButton()->isEnabled());
        QVERIFY(dialog.said().contains("Something else"));
        dialog.folder()->setText("relative");
        QVERIFY(!dialog.makeButton()->isEnabled());
        dialog.folder()->setText(qs((*box_ / "new").native()));
        QVERIFY(dialog.makeButton()->isEnabled());
        QSignalSpy made(&dialog, &SampleFilesDialog::made);
        dialog.show();
        QTest::mouseClick(dialog.makeButton(), Qt::LeftButton);
        QVERIFY2(QTest::qWaitFor([&] { return made.count() == 1; }, 240'000), qPrintable(dialog.said()));
        QVERIFY(!dialog.isVisible());
        QVERIFY(std::filesystem::exists(*box_ / "new/incoming/harbour-transfers"));
        QVERIFY(SampleFilesDialog::arguments(*box_ / "new").contains(qs((*box_ / "new/incoming").native())));
        // Made once they are opened as they were left, whatever version made them.
        test::writeBytes(*box_ / "new/.complete", "another version");
        test::writeBytes(*box_ / "new/Music archive/kept.txt", "mine");
        test::writeBytes(*box_ / "new/library.db", "");
        SampleFilesDialog again;
        again.folder()->setText(qs((*box_ / "new").native()));
        QSignalSpy opened(&again, &SampleFilesDialog::made);
        QTest::mouseClick(again.makeButton(), Qt::LeftButton);
        QCOMPARE(opened.count(), 1);
        QVERIFY(std::filesystem::exists(*box_ / "new/Music archive/kept.txt"));
        QVERIFY(!SampleFilesDialog::arguments(*box_ / "new").contains(qs((*box_ / "new/incoming").native())));
    }

    void sampleFilesThatCannotBeMade() {
        SampleFilesDialog dialog;
        dialog.folder()->setText("/proc/nowhere");
        QSignalSpy made(&dialog, &SampleFilesDialog::made);
        QTest::mouseClick(dialog.makeButton(), Qt::LeftButton);
        QVERIFY(QTest::qWaitFor([&] { return dialog.said().contains("could not be made"); }, 60'000));
        QCOMPARE(made.count(), 0);
    }

    void theFirstStartAsksForTwoThings() {
        Driver d(*box_ / "library.db");
        d.settle();
        Controllers& c = d.controllers();
        QVERIFY(FirstStartDialog::isWanted(c.shelves));
        FirstStartDialog dialog({c.shelves, c.standards});
        QVERIFY(dialog.standard()->count() > 1);
        dialog.folder()->setText("somewhere");
        QVERIFY(!dialog.beginButton()->isEnabled());
        test::writeBytes(*box_ / "file", "");
        dialog.folder()->setText(qs((*box_ / "file").native()));
        QCOMPARE(dialog.said(), QString("This is no folder."));
        dialog.folder()->setText("/proc/archive");
        QTest::mouseClick(dialog.beginButton(), Qt::LeftButton);
        QVERIFY2(dialog.said().contains("cannot be made"), qPrintable(dialog.said()));
        dialog.folder()->setText(qs((*box_ / "music/Archive").native()));
        test::makeSound(*box_ / "music/Archive/Salt Road", "01 Gorse.flac");
        dialog.standard()->setCurrentIndex(1);
        QTest::mouseClick(dialog.beginButton(), Qt::LeftButton);
        d.settle();
        QCOMPARE(c.shelves.all().size(), size_t{1});
        QCOMPARE(d.libraryFiles().size(), size_t{1}); // what was there is known
        QCOMPARE(c.standards.byDefault().name, ss(dialog.standard()->itemText(1)));
        QVERIFY(!FirstStartDialog::isWanted(c.shelves));
    }

    void theFirstStartCanBeSkipped() {
        Driver d(*box_ / "library.db");
        d.settle();
        FirstStartDialog dialog({d.controllers().shelves, d.controllers().standards});
        QTest::mouseClick(dialog.skipButton(), Qt::LeftButton);
        QVERIFY(d.controllers().shelves.all().empty());
        QVERIFY(!FirstStartDialog::isWanted(d.controllers().shelves)); // asked once
    }

    void theEmptyBenchLeadsToThem() {
        Driver d(*box_ / "library.db");
        d.settle();
        bool asked = false;
        connect(d.window().bench()->bringIn(), &BringInPage::samplesWanted, this, [&] { asked = true; });
        QTimer::singleShot(200, this, [] { // the dialog that opens
            if (auto* dialog = qobject_cast<SampleFilesDialog*>(QApplication::activeModalWidget()))
                dialog->reject();
        });
        for (auto* button : d.window().bench()->bringIn()->findChildren<QPushButton*>())
            if (button->text().contains("sample files") && button->isVisible())
                QTest::mouseClick(button, Qt::LeftButton);
        QVERIFY(asked);
    }
};

QTEST_MAIN(TestHelp)
#include "test_help.moc"
