// SPDX-License-Identifier: GPL-3.0-or-later
// Looking at what will be written, writing it, and taking it back: the review and the journal.
#include <QtTest>

#include <QTreeWidget>

#include "app/bench/review_page.h"
#include "app/journal/journal_page.h"
#include "core/tags/tag_io.h"
#include "support/small_batch.h"

using namespace moorfrost;
using namespace moorfrost::app;

class TestReview : public QObject, SmallBatch {
    Q_OBJECT

private slots:
    void initTestCase() { Driver::prepareApplication("light"); }
    void init() { begin(); }
    void cleanup() { end(); }

    void reviewDropsWhatIsChosen() {
        makeBatch();
        FileId a = d_->fileNamed("a1.flac"), b = d_->fileNamed("b1.opus");
        s().drafts.session().propose(
            "Edit", {{a, "title", {"X"}}, {a, "genre", {"Folk"}}, {b, "title", {"Y"}}}, "typed");
        w().showWorkspace(MainWindow::Review);
        d_->settle();
        QTreeWidget* tree = w().review()->tree();
        QCOMPARE(tree->topLevelItemCount(), 2);
        // As on the bench, whichever was read first: "Lanterns", then "Salt Road".
        QCOMPARE(tree->topLevelItem(0)->text(0), QString("b1.opus"));
        QTreeWidgetItem* first = tree->topLevelItem(1);
        QCOMPARE(first->child(0)->text(0), QString("Title"));
        QCOMPARE(first->child(0)->text(1), QString("X"));          // what will be
        QCOMPARE(first->child(0)->text(2), QString("Tide Table")); // what is
        QCOMPARE(first->child(0)->text(3), QString("typed"));      // where it comes from
        QCOMPARE(first->child(1)->text(2), QString("blank"));
        // A whole file at once, with the keyboard.
        tree->setFocus();
        tree->setCurrentItem(first);
        QTest::keyClick(tree, Qt::Key_Delete);
        d_->settle();
        QVERIFY(s().drafts.session().of(a).empty());
        QCOMPARE(s().drafts.session().fieldDrafts(), size_t{1});
        named<QPushButton>(w().review(), "Drop all")->click();
        d_->settle();
        QCOMPARE(s().drafts.session().fieldDrafts(), size_t{0});
        QVERIFY(!w().foot()->writeButton()->isEnabled());
        QTest::keyClick(&w(), Qt::Key_Z, Qt::ControlModifier);
        QTest::keyClick(&w(), Qt::Key_Z, Qt::ControlModifier);
        QCOMPARE(s().drafts.session().fieldDrafts(), size_t{3});
    }

    void theFirstClickOnWriteShowsTheSecondDoes() {
        makeBatch();
        FileId a = d_->fileNamed("a1.flac");
        s().drafts.session().propose("Edit", {{a, "title", {"X"}}}, "typed");
        d_->settle();
        QTest::keyClick(&w(), Qt::Key_Return, Qt::ControlModifier);
        QCOMPARE(w().workspace(), MainWindow::Review);
        d_->settle();
        QCOMPARE(tags::readTags(*box_ / "in/a1.flac")->fields["title"].front(), std::string("Tide Table"));
        QCOMPARE(w().foot()->writeButton()->text(), QString("Write 1 change"));
        QTest::keyClick(&w(), Qt::Key_Return, Qt::ControlModifier);
        d_->settle();
        QCOMPARE(tags::readTags(*box_ / "in/a1.flac")->fields["title"].front(), std::string("X"));
        QVERIFY(s().writing.lastReport());
        named<QPushButton>(w().review(), "Done")->click();
        d_->settle();
        QVERIFY(!s().writing.lastReport());
    }

    void theKeyboardDoesNotFallOnDropAll() {
        makeBatch();
        s().drafts.session().propose("Edit", {{d_->fileNamed("a1.flac"), "title", {"X"}}}, "typed");
        d_->settle();
        w().bench()->showStep(BenchPage::PutAway);
        named<QPushButton>(putAway(), "Move")->setFocus();
        QTest::keyClick(&w(), Qt::Key_Return, Qt::ControlModifier);
        QCOMPARE(w().workspace(), MainWindow::Review);
        QCOMPARE(w().focusWidget(), w().review()->tree());
        // And a button of a page is not pressed by Return.
        auto* drop = named<QPushButton>(w().review(), "Drop all");
        drop->setFocus();
        QTest::keyClick(drop, Qt::Key_Return);
        d_->settle();
        QCOMPARE(s().drafts.session().fieldDrafts(), size_t{1});
    }

    void returnPressesTheButtonThatHasTheKeyboard() {
        makeBatch();
        s().drafts.session().propose("Edit", {{d_->fileNamed("a1.flac"), "title", {"X"}}}, "typed");
        d_->settle();
        QPushButton* write = w().foot()->writeButton();
        write->setFocus();
        // Held down, it must not go on to write what nobody has looked at.
        QTest::keyClick(write, Qt::Key_Return);
        d_->settle();
        QCOMPARE(w().workspace(), MainWindow::Review);
        QKeyEvent again(QEvent::KeyPress, Qt::Key_Return, Qt::NoModifier, "\r", true);
        QApplication::sendEvent(write, &again);
        d_->settle();
        QVERIFY(!s().writing.lastReport());
        write->setFocus();
        QTest::keyClick(write, Qt::Key_Return);
        d_->settle();
        QVERIFY(s().writing.lastReport());
        QCOMPARE(tags::readTags(*box_ / "in/a1.flac")->fields["title"].front(), std::string("X"));
    }

    void someFilesOfASetAreTakenBack() {
        makeBatch();
        putAllAway();
        w().review()->tree()->setFocus();
        w().showWorkspace(MainWindow::Journal);
        d_->settle();
        QCOMPARE(w().focusWidget(), w().journal()->sets()); // not what takes back
        QTreeWidget* files = w().journal()->files();
        QCOMPARE(files->topLevelItemCount(), 6);
        for (int i = 0; i < 6; ++i)
            QCOMPARE(files->topLevelItem(i)->text(3), QString("written"));
        files->topLevelItem(0)->setSelected(true);
        files->topLevelItem(1)->setSelected(true);
        QTest::mouseClick(named<QPushButton>(w().journal(), "Take back chosen files"), Qt::LeftButton);
        d_->settle();
        QCOMPARE(d_->libraryFiles().size(), size_t{4});
        QCOMPARE(s().sleeves.files().size(), size_t{2});
        QCOMPARE(s().journal.sets().front().takenBack, size_t{2});
        QTest::mouseClick(w().journal()->takeBackButton(), Qt::LeftButton);
        d_->settle();
        QVERIFY(d_->libraryFiles().empty());
        QVERIFY(!w().journal()->takeBackButton()->isEnabled());
    }

    void whatCannotBeTakenBackIsSaid() {
        makeBatch();
        putAllAway();
        test::tag(*box_ / "shelf/Isla Varnholt/2019 Salt Road/02 Gorse.mp3",
                  {{"title", {"by another program"}}, {"comment", {std::string(9000, 'x')}}});
        w().showWorkspace(MainWindow::Journal);
        d_->settle();
        QTest::mouseClick(w().journal()->takeBackButton(), Qt::LeftButton);
        d_->settle();
        QVERIFY2(w().message().contains("5 files taken back") &&
                     w().message().contains("changed by something else"),
                 qPrintable(w().message()));
        QCOMPARE(d_->libraryFiles().size(), size_t{1});
    }
};

QTEST_MAIN(TestReview)
#include "test_review.moc"
