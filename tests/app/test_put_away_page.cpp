// SPDX-License-Identifier: GPL-3.0-or-later
// Put away in the real window: what is counted below the tree shows those files alone; a shelf has its plan.
#include <QtTest>

#include <QComboBox>

#include "app/widgets/chip_editor.h"
#include "core/library/shelf_plans.h"
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
        QVERIFY(!count(PlacesTree::Problem)->isVisible());
        QCOMPARE(count(PlacesTree::Moving)->text(), QString("6 files will move"));
        QCOMPARE(count(PlacesTree::OutOfEmptied)->text(), QString("1 emptied folder will go"));
        // One of them has no folder: that is told, and shown.
        s().drafts.session().propose("test", {{d_->fileNamed("a1.flac"), "artist", {}}}, "test");
        plan("{artist}/{title}");
        QVERIFY(count(PlacesTree::Problem)->isVisible());
        QCOMPARE(tree()->rows(), 6);
        const int problems = count(PlacesTree::Problem)->text().section(' ', 0, 0).toInt();
        QCOMPARE(problems, 1);
        QTest::mouseClick(count(PlacesTree::Problem), Qt::LeftButton);
        QCOMPARE(tree()->rows(), problems);
        QVERIFY(count(PlacesTree::Problem)->isChecked());
        // The same again: all. Another one: that.
        QTest::mouseClick(count(PlacesTree::Problem), Qt::LeftButton);
        QCOMPARE(tree()->rows(), 6);
        QVERIFY(!count(PlacesTree::Problem)->isChecked());
        // What it showed is mended: all are shown again.
        QTest::mouseClick(count(PlacesTree::Problem), Qt::LeftButton);
        plan("{album}/{title}");
        QVERIFY(!count(PlacesTree::Problem)->isVisible());
        QVERIFY(tree()->kind() == PlacesTree::All);
        QCOMPARE(tree()->rows(), 6);
    }

    void gapsAreShownAlone() {
        const FileId file = d_->fileNamed("a1.flac");
        s().drafts.session().propose("test", {{file, "artist", {}}}, "test");
        d_->settle();
        plan("{album}/{artist} {title}");
        QCOMPARE(count(PlacesTree::WithGap)->text(), QString("1 with gaps in the name"));
        QTest::keyClick(count(PlacesTree::WithGap), Qt::Key_Space);
        QCOMPARE(tree()->rows(), 1);
    }

    // Whatever the width, no count is cut off: they go on to another line.
    void countsWrap() {
        for (const int width : {1280, 900, 720}) {
            w().resize(width, 800);
            d_->settle();
            plan("{album}/{artist}/{track: 2 digits} {title}");
            for (const auto kind :
                 {PlacesTree::Moving, PlacesTree::IntoNewFolder, PlacesTree::OutOfEmptied}) {
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
            return library::shelfPlansFrom(s().settings.get(library::settings::shelfPlans));
        };
        QCOMPARE(plans().at(shelf), first);
        // Typed, but nothing was put away by it.
        plan(second.c_str());
        QCOMPARE(plans().at(shelf), first);
        // Another shelf and back: each has its own.
        std::filesystem::create_directories(*box_ / "drive");
        d_->addShelf(*box_ / "drive");
        choose("drive");
        QCOMPARE(putAway()->editor()->text(), QString::fromStdString(second));
        choose("shelf");
        QCOMPARE(putAway()->editor()->text(), QString::fromStdString(first));
    }

private:
    PlacesTree* tree() { return putAway()->tree(); }
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
