// SPDX-License-Identifier: GPL-3.0-or-later
// The Releases workspace: what a person sees and does there.
#include <QtTest>

#include <QPointer>
#include <QTreeWidget>

#include "app/journal/journal_page.h"
#include "app/releases/fill_dialog.h"
#include "app/releases/new_release_dialog.h"
#include "app/releases/release_lines.h"
#include "app/releases/release_side.h"
#include "app/releases/release_tracks.h"
#include "app/releases/releases_page.h"
#include "app/widgets/fact_table.h"
#include "support/answer.h"
#include "support/release_desk.h"

using namespace moorfrost;
using namespace moorfrost::app;

class TestReleasesPage : public QObject, public ReleaseDesk {
    Q_OBJECT
private slots:
    void initTestCase() { Driver::prepareApplication("light"); }
    void init() { open(); }
    void cleanup() { close(); }

    void everySleeveIsAReleaseFromTheStart() {
        QCOMPARE(page()->lines()->releases(), size_t{3});
        QVERIFY(page()->told().contains("3"));
        choose("Night Post EP");
        QCOMPARE(page()->titleText(), QString("Night Post EP"));
        QCOMPARE(page()->facts()->textOf("labels"), QString("Gannet Row \u00B7 GR 014"));
        QCOMPARE(page()->facts()->textOf("labels", 2), QString("read from the files"));
        QCOMPARE(page()->facts()->textOf("barcode"), QString("not known"));
        QCOMPARE(page()->tracks()->textOf(2, ReleaseTracks::Title), QString("Cold Slip"));
        QCOMPARE(page()->tracks()->textOf(2, ReleaseTracks::Files), QString("FLAC"));
        QVERIFY(page()->side()->originsText().contains("read from the files"));
        // Searched by what is printed on it.
        page()->searchBox()->setText("fsr207");
        rest();
        QCOMPARE(page()->lines()->releases(), size_t{1});
        QCOMPARE(page()->titleText(), QString("Night Post EP (2011 Remaster)"));
        page()->searchBox()->setText("nothing like it");
        rest();
        QVERIFY(!page()->shown());
    }

    void factsAreTypedInPlace() {
        choose("Night Post EP");
        type("barcode", "2000014000056");
        QCOMPARE(page()->facts()->textOf("barcode"), QString("2000014000056"));
        QVERIFY(page()->facts()->textOf("barcode", 2).startsWith("typed"));
        QVERIFY(page()->side()->originsText().contains("typed"));
        // A wrong check digit is said, and kept.
        type("barcode", "2000014000057");
        QVERIFY(page()
                    ->facts()
                    ->model()
                    ->index(rowOf("barcode"), 1)
                    .data(Qt::ToolTipRole)
                    .toString()
                    .contains("check digit"));
        driver_->controllers().undo.undo();
        rest();
        QCOMPARE(page()->facts()->textOf("barcode"), QString("2000014000056"));
        driver_->controllers().undo.undo();
        rest();
        QCOMPARE(page()->facts()->textOf("barcode"), QString("not known"));
        driver_->controllers().undo.redo();
        rest();
        QCOMPARE(page()->facts()->textOf("barcode"), QString("2000014000056"));
        // No date that is none; what was there stays.
        type("dates", "1986-02-30");
        QVERIFY(window().message().contains("no such day"));
        QCOMPARE(page()->facts()->textOf("dates"), QString("1998-10-05 GB"));
        type("dates", "1998-10-05 GB; 1998-11-02 NO");
        QCOMPARE(page()->facts()->textOf("dates"), QString("1998-10-05 GB, 1998-11-02 NO"));
        // There is none, known as such.
        emit page()->facts()->noneWanted("barcode");
        rest();
        QCOMPARE(page()->facts()->textOf("barcode"), QString("there is none"));
        type(library::mediaFact, "Cassette");
        QCOMPARE(page()->facts()->textOf(library::mediaFact), QString("Cassette"));
        // In the journal, with what was.
        window().showWorkspace(MainWindow::Journal);
        rest();
        window().journal()->sets()->setCurrentIndex(window().journal()->sets()->model()->index(0, 0));
        rest();
        QVERIFY(window().journal()->files()->topLevelItemCount() > 0);
        QCOMPARE(window().journal()->files()->topLevelItem(0)->child(0)->text(1), QString("Cassette"));
    }

    void tracksAreTypedInPlace() {
        choose("Night Post EP");
        ReleaseTracks* t = page()->tracks();
        t->model()->setData(t->model()->index(1, ReleaseTracks::Title), "The Ferryman's Reel");
        rest();
        QCOMPARE(t->textOf(1, ReleaseTracks::Title), QString("The Ferryman's Reel"));
        QCOMPARE(t->textOf(1, ReleaseTracks::Files), QString("FLAC")); // its recording stayed
        t->model()->setData(t->model()->index(1, ReleaseTracks::Length), "4:08");
        rest();
        QCOMPARE(t->textOf(1, ReleaseTracks::Length), QString("4:08"));
        t->model()->setData(t->model()->index(1, ReleaseTracks::Length), "about four");
        rest();
        QCOMPARE(t->textOf(1, ReleaseTracks::Length), QString("4:08"));
        t->selectRow(0);
        QTest::keyClick(t, Qt::Key_Down, Qt::AltModifier);
        rest();
        QCOMPARE(t->textOf(1, ReleaseTracks::Title), QString("Night Post"));
        QCOMPARE(t->textOf(1, ReleaseTracks::Number), QString("2"));
        t->selectRow(3);
        QTest::keyClick(t, Qt::Key_Insert);
        rest();
        QCOMPARE(t->textOf(4, ReleaseTracks::Number), QString("5"));
        QCOMPARE(t->textOf(4, ReleaseTracks::Files), QString("none"));
        t->selectRow(4);
        QTest::keyClick(t, Qt::Key_Delete);
        rest();
        QCOMPARE(t->model()->rowCount(), 4);
        for (int i = 0; i < 5; ++i)
            driver_->controllers().undo.undo();
        rest();
        QCOMPARE(t->textOf(1, ReleaseTracks::Title), QString("Ferryman's Reel"));
    }

    /// Faster than the library answers: nothing that was typed is lost, and no editor is closed under the
    /// hands.
    void typedFast() {
        choose("Night Post EP");
        ReleaseTracks* t = page()->tracks();
        t->model()->setData(t->model()->index(0, ReleaseTracks::Title), "Night Post (first)");
        t->model()->setData(t->model()->index(1, ReleaseTracks::Title), "Reel");
        t->selectRow(3);
        QTest::keyClick(t, Qt::Key_Up, Qt::AltModifier);
        t->model()->setData(t->model()->index(0, ReleaseTracks::Length), "3:33");
        QCOMPARE(t->textOf(1, ReleaseTracks::Title), QString("Reel")); // at once
        rest();
        QCOMPARE(t->textOf(0, ReleaseTracks::Title), QString("Night Post (first)"));
        QCOMPARE(t->textOf(0, ReleaseTracks::Length), QString("3:33"));
        QCOMPARE(t->textOf(1, ReleaseTracks::Title), QString("Reel"));
        QCOMPARE(t->textOf(2, ReleaseTracks::Title), QString("The Keeper's Wife"));
        QCOMPARE(t->textOf(2, ReleaseTracks::Files), QString("FLAC"));
        // An editor that is open while what was typed before comes back.
        FactTable* f = page()->facts();
        QVERIFY(f->editFact("barcode"));
        f->findChild<QLineEdit*>()->setText("2000014000056");
        QTest::keyClick(f->findChild<QLineEdit*>(), Qt::Key_Return);
        QTRY_VERIFY(!f->findChild<QLineEdit*>()); // it closes behind the key
        QVERIFY(f->editFact("edition"));
        QPointer<QLineEdit> open = f->findChild<QLineEdit*>();
        QTest::keyClicks(open, "first pre");
        rest();
        QVERIFY(open && open->isVisible());
        QTest::keyClicks(open, "ssing");
        QTest::keyClick(open, Qt::Key_Return);
        rest();
        QCOMPARE(f->textOf("edition"), QString("first pressing"));
        QCOMPARE(f->textOf("barcode"), QString("2000014000056"));
        // The same in the tracks.
        t->setCurrentIndex(t->model()->index(1, ReleaseTracks::Title));
        t->edit(t->currentIndex());
        open = t->findChild<QLineEdit*>();
        QVERIFY(open);
        open->setText("The Reel");
        driver_->controllers().releases.setFact(page()->shown()->view.ref, "status", {"official"});
        rest();
        QVERIFY(open && open->isVisible());
        QTest::keyClick(open, Qt::Key_Return);
        rest();
        QCOMPARE(t->textOf(1, ReleaseTracks::Title), QString("The Reel"));
        QCOMPARE(f->textOf("status"), QString("official"));
    }

    /// The cassette beside the CD single, without typing a title of a track.
    /// Another release comes into sight while somebody types: what is typed is of the one that was there.
    void typedWhileAnotherComes() {
        choose("Night Post EP");
        FactTable* f = page()->facts();
        ReleaseTracks* t = page()->tracks();
        const auto list = driver_->controllers().releases.list();
        auto showOther = [&](const char* title) {
            for (const library::ReleaseEntry& e : list->entries())
                if (e.title == title)
                    page()->showRelease(e.ref); // it is read later
        };
        showOther("Salt Road");
        QVERIFY(f->editFact("barcode"));
        QPointer<QLineEdit> open = f->findChild<QLineEdit*>();
        rest();
        QVERIFY(open && open->isVisible());
        QCOMPARE(page()->titleText(), QString("Night Post EP"));
        open->setText("2000014000056");
        QTest::keyClick(open, Qt::Key_Return);
        rest();
        QCOMPARE(page()->titleText(), QString("Salt Road"));
        QCOMPARE(f->textOf("barcode"), QString("not known"));
        choose("Night Post EP");
        QCOMPARE(f->textOf("barcode"), QString("2000014000056"));
        // The same in the tracks.
        showOther("Salt Road");
        t->setCurrentIndex(t->model()->index(1, ReleaseTracks::Title));
        t->edit(t->currentIndex());
        open = t->findChild<QLineEdit*>();
        QVERIFY(open);
        rest();
        open->setText("The Reel");
        QTest::keyClick(open, Qt::Key_Return);
        rest();
        QCOMPARE(page()->titleText(), QString("Salt Road"));
        QCOMPARE(page()->shown()->view.release.trackCount(), size_t{1});
        choose("Night Post EP");
        QCOMPARE(t->textOf(1, ReleaseTracks::Title), QString("The Reel"));
    }

    void anotherEditionIsEntered() {
        choose("Night Post EP");
        test::answer<NewReleaseDialog>(this, [](NewReleaseDialog* dialog) {
            QCOMPARE(dialog->box("title")->text(), QString("Night Post EP"));
            QVERIFY(dialog->tracksText().contains("4"));
            QVERIFY(dialog->alike()->currentItem()->text().contains("Night Post EP"));
            dialog->box(library::mediaFact)->setText("Cassette");
            dialog->box("labels")->setText("Gannet Row = GR 014");
            QTRY_VERIFY(dialog->troubleText().contains("number"));
            dialog->box("labels")->setText("Gannet Row = GR 014 C");
            dialog->box("dates")->setText("1998-10-05 GB");
            QTest::mouseClick(dialog->enterButton(), Qt::LeftButton);
        });
        page()->newEdition();
        rest();
        QCOMPARE(page()->facts()->textOf(library::mediaFact), QString("Cassette"));
        QCOMPARE(page()->tracks()->textOf(3, ReleaseTracks::Title), QString("The Keeper's Wife"));
        QCOMPARE(page()->tracks()->textOf(3, ReleaseTracks::Files), QString("FLAC"));
        QVERIFY(page()->tracks()->textOf(3, ReleaseTracks::Recording).contains("2"));
        QCOMPARE(page()->shown()->view.missing(), size_t{0});
        QVERIFY(page()->side()->originsText().contains("another edition"));
        QCOMPARE(driver_->controllers().releases.list()->sets(), size_t{1});
        QCOMPARE(page()->lines()->model()->index(1, 0).data().toString(),
                 QString("CD single \u00B7 GB \u00B7 GR 014"));
        driver_->controllers().undo.undo();
        rest();
        QCOMPARE(page()->lines()->releases(), size_t{3});
    }

    void aListIsPasted() {
        test::answer<NewReleaseDialog>(this, [this](NewReleaseDialog* dialog) {
            QVERIFY(!dialog->enterButton()->isEnabled()); // it needs a title
            dialog->box("title")->setText("Lanterns");
            dialog->box("credit")->setText("Kestrel [ & ] Rook");
            test::answer<FillDialog>(this, [](FillDialog* fill) {
                fill->picker()->choose(SourcePicker::Text);
                fill->picker()->textBox()->setPlainText(
                    "Lanterns\nA1 lanterns 3:30\nA2 slack water 4:00\nB1 gorse 2:10\n");
                QVERIFY(fill->takeButton()->isEnabled());
                fill->casingBox()->setChecked(true);
                QTest::mouseClick(fill->takeButton(), Qt::LeftButton);
            });
            QTest::mouseClick(dialog->fillButton(), Qt::LeftButton);
            QVERIFY(dialog->tracksText().contains("3"));
            QTest::mouseClick(dialog->enterButton(), Qt::LeftButton);
        });
        page()->newRelease();
        rest();
        QCOMPARE(page()->titleText(), QString("Lanterns"));
        QCOMPARE(page()->facts()->textOf("credit"), QString("Kestrel & Rook"));
        QCOMPARE(page()->tracks()->textOf(1, ReleaseTracks::Title), QString("Slack Water"));
        QCOMPARE(page()->tracks()->textOf(2, ReleaseTracks::Number), QString("B1"));
        QCOMPARE(page()->tracks()->textOf(2, ReleaseTracks::Files), QString("none"));
        QVERIFY(page()->side()->originsText().contains("pasted"));
    }

    void whatIsSaidIsWrittenToTheFiles() {
        choose("Night Post EP");
        type("labels", "Gannet Row = GR 014 X");
        page()->writeToFiles();
        rest();
        const auto& drafts = driver_->controllers().drafts;
        const FileId first = page()->shown()->view.media[0].tracks[0].files[0];
        QCOMPARE(drafts.shownValues(first, "catalogue_number"), std::vector<std::string>{"GR 014 X"});
        QCOMPARE(drafts.shownValues(first, "tracks"), std::vector<std::string>{"4"});
        QVERIFY(window().message().contains("Review"));
    }
};

QTEST_MAIN(TestReleasesPage)
#include "test_releases.moc"
