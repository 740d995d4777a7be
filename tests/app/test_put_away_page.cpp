// SPDX-License-Identifier: GPL-3.0-or-later
// Put away in the real window: what is counted below the tree shows those files alone; a shelf has its plan.
#include <QtTest>

#include <QComboBox>
#include <QLineEdit>
#include <QMenu>

#include "app/bench/describe_page.h"
#include "app/bench/places/shelf_rules_dialog.h"
#include "app/widgets/chip_editor.h"
#include "app/widgets/field_box.h"
#include "app/widgets/sleeve_list.h"
#include "core/library/placing_rules.h"
#include "support/answer.h"
#include "support/small_batch.h"

using namespace moorfrost;
using namespace moorfrost::app;

class TestPutAwayPage : public QObject, SmallBatch {
    Q_OBJECT
private slots:
    void initTestCase() { Driver::prepareApplication("light"); }
    void init() {
        begin();
        makeBatch();
        w().bench()->showStep(BenchPage::PutAway);
        d_->settle();
    }
    void cleanup() { end(); }

    void eachCountIsAFilter() {
        plan("{album}/{artist}/{track: 2 digits} {title}");
        QCOMPARE(tree()->rows(), 6);
        QVERIFY(!count(PlacedFiles::Problem)->isVisible());
        QCOMPARE(count(PlacedFiles::Moving)->text(), QString("6 files will move"));
        QCOMPARE(count(PlacedFiles::OutOfEmptied)->text(), QString("1 emptied folder will go"));
        // One of them has no folder: that is told, and shown.
        s().drafts.session().propose("test", {{d_->fileNamed("a1.flac"), "artist", {}}}, "test");
        plan("{artist}/{title}");
        QVERIFY(count(PlacedFiles::Problem)->isVisible());
        QCOMPARE(tree()->rows(), 6);
        const int problems = count(PlacedFiles::Problem)->text().section(' ', 0, 0).toInt();
        QCOMPARE(problems, 1);
        QTest::mouseClick(count(PlacedFiles::Problem), Qt::LeftButton);
        QCOMPARE(tree()->rows(), problems);
        QVERIFY(count(PlacedFiles::Problem)->isChecked());
        // The same again: all. Another one: that.
        QTest::mouseClick(count(PlacedFiles::Problem), Qt::LeftButton);
        QCOMPARE(tree()->rows(), 6);
        QVERIFY(!count(PlacedFiles::Problem)->isChecked());
        // What it showed is mended: all are shown again.
        QTest::mouseClick(count(PlacedFiles::Problem), Qt::LeftButton);
        plan("{album}/{title}");
        QVERIFY(!count(PlacedFiles::Problem)->isVisible());
        QVERIFY(tree()->kind() == PlacedFiles::All);
        QCOMPARE(tree()->rows(), 6);
    }

    void gapsAreShownAlone() {
        const FileId file = d_->fileNamed("a1.flac");
        s().drafts.session().propose("test", {{file, "artist", {}}}, "test");
        d_->settle();
        plan("{album}/{artist} {title}");
        QCOMPARE(count(PlacedFiles::WithGap)->text(), QString("1 with gaps in the name"));
        QTest::keyClick(count(PlacedFiles::WithGap), Qt::Key_Space);
        QCOMPARE(tree()->rows(), 1);
    }

    // Whatever the width, no count is cut off: they go on to another line.
    void countsWrap() {
        for (const int width : {1280, 900, 720}) {
            w().resize(width, 800);
            d_->settle();
            plan("{album}/{artist}/{track: 2 digits} {title}");
            for (const auto kind :
                 {PlacedFiles::Moving, PlacedFiles::IntoNewFolder, PlacedFiles::OutOfEmptied}) {
                QPushButton* b = count(kind);
                QVERIFY(b->isVisible());
                QVERIFY2(b->width() >= b->sizeHint().width(), qPrintable(b->text()));
                QVERIFY(b->parentWidget()->rect().contains(b->geometry()));
            }
        }
    }

    void aShelfHasItsPlan() {
        const std::string first = "{album}/{title}", second = "{artist}/{title}";
        plan(first.c_str());
        putAway()->draftButton()->click();
        d_->settle();
        const int64_t shelf = s().shelves.all().front().id;
        auto plans = [this] {
            return library::placingRulesFrom(s().settings.get(library::settings::shelfPlans));
        };
        QCOMPARE(plans().at(shelf).plan, first);
        // Typed, but nothing was put away by it.
        plan(second.c_str());
        QCOMPARE(plans().at(shelf).plan, first);
        // Another shelf and back: each has its own.
        std::filesystem::create_directories(*box_ / "drive");
        d_->addShelf(*box_ / "drive");
        choose("drive");
        QCOMPARE(putAway()->editor()->text(), QString::fromStdString(second));
        choose("shelf");
        QCOMPARE(putAway()->editor()->text(), QString::fromStdString(first));
    }

    // The field that is blank is typed beside the tree, and the tree heals.
    void aBlankFieldIsFilledThere() {
        const FileId file = d_->fileNamed("a1.flac");
        s().drafts.session().propose("test", {{file, "artist", {}}}, "test");
        plan("{artist}/{title}");
        QVERIFY(!troubles()->isVisible());
        QVERIFY(chooseFile("a1.flac"));
        QVERIFY(troubles()->isVisible());
        QVERIFY(troubles()->text().contains("no folder: Artist is blank"));
        auto* box = troubles()->findChild<FieldBox*>();
        QVERIFY(box);
        QCOMPARE(box->key(), std::string("artist"));
        QTest::keyClicks(box, "Isla Varnholt");
        QTest::keyClick(box, Qt::Key_Return);
        d_->settle();
        QTRY_VERIFY(putAway()->isPlanned());
        QCOMPARE(tree()->placed().result().problems, size_t{0});
        QVERIFY(!troubles()->isVisible()); // what was chosen has no trouble any more
    }

    void anAlbumThatWouldBeSplit() {
        s().drafts.session().propose("test", {{d_->fileNamed("a1.flac"), "date", {"1998"}}}, "test");
        plan("{artist}/{date: year} {album}/{title}");
        QCOMPARE(count(PlacedFiles::Splitting)->text(), QString("1 album would be split"));
        QVERIFY(chooseFile("a1.flac"));
        QVERIFY(troubles()->text().contains("splits an album: date: 1998 / 2019?"));
        QVERIFY(troubles()->text().contains("for the whole release: 3 files"));
        QVERIFY(follow("2019"));
        QTRY_VERIFY(putAway()->isPlanned());
        QVERIFY(!count(PlacedFiles::Splitting)->isVisible());
        QVERIFY(!s().drafts.session().find(d_->fileNamed("a1.flac"), "date")); // as it is on the disk
    }

    void fromAProblemToItsFieldInTheSheet() {
        const FileId file = d_->fileNamed("b2.m4a");
        s().drafts.session().propose("test", {{file, "title", {}}}, "test");
        plan("{artist}/{title}");
        QVERIFY(chooseFile("b2.m4a"));
        QVERIFY(follow("Show it in Describe"));
        QVERIFY(w().bench()->describe()->isVisible());
        SheetView* sheet = w().bench()->describe()->sheet();
        QCOMPARE(sheet->chosenFiles(), std::vector<FileId>{file});
        QCOMPARE(static_cast<FileTable*>(sheet->model())->keyAt(sheet->currentIndex().column()),
                 std::string("title"));
    }

    void twoForOneName() {
        const FileId one = d_->fileNamed("a1.flac"), two = d_->fileNamed("a2.mp3");
        s().drafts.session().propose("test", {{two, "title", {"Tide Table"}}}, "test");
        plan("{artist}/{title}");
        QCOMPARE(tree()->placed().result().problems, size_t{0}); // other endings
        std::filesystem::copy_file(*box_ / "in/a1.flac", *box_ / "in/a3.flac");
        d_->bringIn({*box_ / "in/a3.flac"});
        w().bench()->showStep(BenchPage::PutAway);
        plan("{artist}/{title}");
        QCOMPARE(tree()->placed().result().problems, size_t{2});
        QVERIFY(chooseFile("a3.flac"));
        QTRY_VERIFY(troubles()->text().contains("The sound is the same, byte for byte."));
        QVERIFY(troubles()->text().contains("this one"));
        QVERIFY(follow("Keep both"));
        QTRY_VERIFY(putAway()->isPlanned());
        QCOMPARE(tree()->placed().result().problems, size_t{0});
        QCOMPARE(count(PlacedFiles::Altered)->text(), QString("1 name altered"));
        putAway()->draftButton()->click();
        d_->settle();
        QCOMPARE(s().places.places().of(d_->fileNamed("a3.flac"))->to.filename(),
                 Path("Tide Table (2).flac"));
        QCOMPARE(s().places.places().of(one)->to.filename(), Path("Tide Table.flac"));
        // Another choice for what is drafted already.
        QVERIFY(chooseFile("a3.flac"));
        QVERIFY(follow("Leave this one where it is"));
        QTRY_VERIFY(putAway()->isPlanned());
        QCOMPARE(count(PlacedFiles::LeftOut)->text(), QString("1 left out"));
        d_->settle();
        QVERIFY(!s().places.places().of(d_->fileNamed("a3.flac"))->moves());
    }

    // From step to step, and whatever the page beside them needs for a while.
    void theListOfSleevesKeepsItsWidth() {
        for (const int width : {1280, 900}) {
            w().resize(width, 800);
            d_->settle();
            w().bench()->showStep(BenchPage::BringIn);
            d_->settle();
            const int wide = w().bench()->sleeves()->width();
            QVERIFY(wide > 100);
            s().drafts.session().propose("test", {{d_->fileNamed("a1.flac"), "title", {}}}, "test");
            w().bench()->showStep(BenchPage::PutAway);
            plan("{artist}/{title}");
            QVERIFY(chooseFile("a1.flac")); // the page gets another part
            d_->settle();
            for (const auto step : {BenchPage::Describe, BenchPage::Identify, BenchPage::BringIn,
                                    BenchPage::PutAway, BenchPage::Describe}) {
                w().bench()->showStep(step);
                d_->settle();
                QCOMPARE(w().bench()->sleeves()->width(), wide);
            }
        }
    }

    // In a narrow window, and beside what is told of a file, it is seen where the file is now.
    void bothColumnsAreInSight() {
        s().drafts.session().propose("test", {{d_->fileNamed("a1.flac"), "title", {}}}, "test");
        plan("{artist}/{title}");
        for (const int width : {1280, 900, 760}) {
            w().resize(width, 700);
            QVERIFY(chooseFile("a1.flac"));
            d_->settle();
            QVERIFY(troubles()->isVisible());
            QVERIFY(tree()->columnViewportPosition(1) + 60 < tree()->viewport()->width());
        }
    }

    void searchIsAFilter() {
        plan("{album}/{artist}/{track: 2 digits} {title}");
        QTest::keyClicks(putAway()->tools()->searchLine(), "lanterns UNDER");
        QCOMPARE(tree()->rows(), 1);
        putAway()->tools()->searchLine()->setText("A10.ogg"); // where it is now
        QCOMPARE(tree()->rows(), 1);
        putAway()->tools()->searchLine()->clear();
        QCOMPARE(tree()->rows(), 6);
    }

    void onlyNamesChange() {
        plan("{album}/{track: 2 digits} {title}");
        QTest::mouseClick(named<QPushButton>(putAway(), "Rename"), Qt::LeftButton);
        QTRY_VERIFY(putAway()->isPlanned());
        d_->settle();
        QCOMPARE(putAway()->draftButton()->text(), QString("Draft 6 new names"));
        putAway()->draftButton()->click();
        d_->settle();
        write();
        QVERIFY(std::filesystem::exists(*box_ / "in/01 Tide Table.flac"));
        QVERIFY(std::filesystem::is_empty(*box_ / "shelf"));
    }

    void whichKindsGoAlong() {
        test::writeBytes(*box_ / "in/notes.txt", "x");
        test::writeBytes(*box_ / "in/cover.jpg", "x");
        plan("{album}/{title}");
        QCOMPARE(count(PlacedFiles::Along)->text(), QString("4 go along")); // two albums share the folder
        QPushButton* which = named<QPushButton>(putAway(), "Which\u2026");
        QVERIFY(which);
        emit which->menu()->aboutToShow();
        for (QAction* action : which->menu()->actions())
            if (action->text() == "Texts")
                action->trigger();
        QTRY_VERIFY(putAway()->isPlanned());
        d_->settle();
        QCOMPARE(count(PlacedFiles::Along)->text(), QString("2 go along"));
        const auto rules = library::placingRulesFrom(s().settings.get(library::settings::shelfPlans));
        QVERIFY(!rules.begin()->second.along.takes(placing::AlongKind::Text)); // the shelf keeps it
    }

    void rulesOfTheShelf() {
        test::writeBytes(*box_ / "in/cover.jpg", "x");
        plan("{album}/{title}");
        QString told;
        test::answer<ShelfRulesDialog>(this, [&](ShelfRulesDialog* dialog) {
            dialog->alongNames()->setText("{album}");
            told = dialog->told();
            QVERIFY(!dialog->takeButton()->isEnabled());
            dialog->alongNames()->setText("{album} - {name}");
            dialog->names()->setCurrentIndex(dialog->names()->findData("linux"));
            QTest::mouseClick(dialog->takeButton(), Qt::LeftButton);
        });
        QTest::mouseClick(named<QPushButton>(putAway(), "Rules\u2026"), Qt::LeftButton);
        QCOMPARE(told, QString("Without {name} all of them would be called the same."));
        QTRY_VERIFY(putAway()->isPlanned());
        d_->settle();
        QCOMPARE(tree()->placed().result().along[0].to.filename(), Path("Lanterns - cover.jpg"));
        s().drafts.session().propose("test", {{d_->fileNamed("a1.flac"), "title", {"Where to?"}}}, "test");
        plan("{album}/{title}");
        QVERIFY(chooseFile("a1.flac"));
        QCOMPARE(tree()->placed().at(tree()->chosen()[0]).to.filename(), Path("Where to?.flac"));
    }

    void aShelfThatIsNotMounted() {
        plan("{album}/{title}");
        putAway()->draftButton()->click();
        d_->settle();
        write();
        // Its disk goes: an empty folder is left, as where a disk is mounted.
        std::filesystem::rename(*box_ / "shelf", *box_ / "unplugged");
        std::filesystem::create_directories(*box_ / "shelf");
        s().shelves.lookWhetherThere();
        d_->settle();
        test::makeSound(*box_ / "more", "c.flac", 9);
        d_->bringIn({*box_ / "more"});
        w().showWorkspace(MainWindow::Bench);
        w().bench()->showStep(BenchPage::PutAway);
        plan("{name}");
        QVERIFY(!putAway()->draftButton()->isEnabled());
        QVERIFY(tree()->placed().result().shelfProblem.find("is its disk mounted?") != std::string::npos);
        QCOMPARE(putAway()->tools()->roomText(), QString("is not there"));
    }

    // Pressed at once after typing: what was typed counts.
    void draftedByThePlanThatWasTyped() {
        plan("{album}/{title}");
        putAway()->editor()->setText("{artist}/{title}");
        QVERIFY(!putAway()->isPlanned());
        putAway()->draftButton()->click();
        d_->settle();
        QTRY_COMPARE(s().drafts.session().placeDrafts(), size_t{6});
        QCOMPARE(s().places.places().of(d_->fileNamed("b1.opus"))->to,
                 *box_ / "shelf/Kestrel & Rook/Undertow.opus");
    }

    // Other files are chosen before it was planned: nothing of them is drafted.
    void otherFilesAreNotDraftedInstead() {
        plan("{album}/{title}");
        putAway()->editor()->setText("{artist}/{title}");
        putAway()->draftButton()->click();
        putAway()->setFiles({d_->fileNamed("b1.opus")});
        d_->settle();
        QTRY_VERIFY(putAway()->isPlanned());
        d_->settle();
        QCOMPARE(s().drafts.session().placeDrafts(), size_t{0});
    }

private:
    PlacesTree* tree() { return putAway()->tree(); }
    TroubleBox* troubles() { return putAway()->troubles(); }
    bool chooseFile(const char* now) {
        for (size_t i = 0; i < tree()->placed().size(); ++i)
            if (tree()->placed().at(i).from.filename() == now)
                return tree()->choose(i);
        return false;
    }
    /// A link of the box.
    bool follow(const QString& text) {
        for (QLabel* label : troubles()->findChildren<QLabel*>())
            if (!label->isHidden() && label->text().contains("<a ") && label->text().contains(text)) {
                emit label->linkActivated("there");
                d_->settle();
                return true;
            }
        return false;
    }
    QPushButton* count(PlacesTree::Kind kind) { return putAway()->countButton(kind); }
    void plan(const char* text) {
        putAway()->editor()->setText(text);
        d_->settle();
        QTRY_VERIFY(putAway()->isPlanned());
        d_->settle();
    }
    void choose(const QString& shelf) {
        for (QComboBox* box : putAway()->findChildren<QComboBox*>())
            if (const int at = box->findText(shelf); at >= 0) {
                box->setCurrentIndex(at);
                emit box->activated(at);
                d_->settle();
                return;
            }
        QFAIL(qPrintable(shelf + " is no shelf"));
    }
};

QTEST_MAIN(TestPutAwayPage)
#include "test_put_away_page.moc"
