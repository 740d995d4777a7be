// SPDX-License-Identifier: GPL-3.0-or-later
// Readiness in the library: asked, counted, shown in the table, the details and the sleeves, by the standard
// that holds.
#include <QtTest>

#include <QHeaderView>

#include "app/library/sleeve_grid.h"
#include "app/library/track_model.h"
#include "app/widgets/file_details.h"
#include "support/library_desk.h"

using namespace moorfrost;
using namespace moorfrost::app;

class TestReadiness : public QObject, LibraryDesk {
    Q_OBJECT

private slots:
    void initTestCase() { Driver::prepareApplication("light"); }
    void init() { open(); }
    void cleanup() { close(); }

    /// An empty library does not wait for its readiness for ever.
    void anEmptyLibraryIsMeasuredAtOnce() {
        d_.reset();
        d_ = std::make_unique<Driver>(*box_ / "empty.db");
        d_->window().showWorkspace(MainWindow::Library);
        d_->settle();
        QVERIFY(d_->controllers().index.isMeasured());
        QVERIFY(facet("Readiness", "none"));
    }

    /// Nothing is ready: there are no pictures, and the others lack the numbers of tracks.
    void readinessIsAskedCountedAndShown() {
        QCOMPARE(countOf("Readiness", "2 rules not met"), qulonglong{6});
        click("Readiness", "2 rules not met");
        QCOMPARE(page()->searchBox()->text(), QString("unmet:2"));
        QCOMPARE(page()->searchBar()->chips()[0]->text(), QString("rules not met: 2"));
        QCOMPARE(titles().size(), 6);
        type("is:ready");
        QCOMPARE(titles().size(), 0);
        // A column with the tally, and what it means.
        type("");
        auto* model = static_cast<TrackModel*>(page()->table()->model());
        model->setColumns({"title", readyColumn});
        QCOMPARE(column(1), QStringList(6, "3 of 5"));
        const QModelIndex cell = model->index(0, 1);
        QCOMPARE(cell.data(FileTable::MarksRole).value<library::Marks>().size(), size_t{5});
        QVERIFY(cell.data(Qt::ToolTipRole).toString().contains("Picture: not met"));
        page()->table()->setCurrentIndex(cell);
        d_->settle();
        QVERIFY(page()->details()->text().contains("meets 3 of 5"));
        QVERIFY(page()->details()->text().contains("Track numbers: not met"));
        // A sleeve of which one track was found is measured as a whole.
        QTest::mouseClick(page()->sleevesButton(), Qt::LeftButton);
        type("tide");
        QCOMPARE(page()->grid()->sleeves().size(), size_t{1});
        page()->grid()->grab(); // what is seen is asked for
        d_->settle();
        const QString told = page()->grid()->model()->index(0, 0).data(Qt::ToolTipRole).toString();
        QVERIFY2(told.contains("2 of 2 files without track number"), qPrintable(told));
        // Opened, it is there as a whole.
        page()->grid()->setFocus();
        QTest::keyClick(page()->grid(), Qt::Key_Return);
        d_->settle();
        QVERIFY(!page()->showsSleeves());
        QCOMPARE(titles().size(), 2);
        type("");
        // Another standard holds at once; one that comes while the first is still looked at, and goes again,
        // does no harm.
        const std::vector<audit::Standard> before = d_->controllers().standards.all();
        d_->controllers().standards.setAll({{"Nothing", {}}});
        d_->controllers().standards.setAll(before);
        d_->settle();
        QVERIFY(d_->controllers().index.isMeasured());
        QCOMPARE(countOf("Readiness", "2 rules not met"), qulonglong{6});
        d_->controllers().standards.setAll({{"By hand",
                                             {{.kind = audit::RuleKind::Fields, .fields = {"title"}},
                                              {.kind = audit::RuleKind::Codes, .fields = {"isrc"}}}}});
        d_->settle();
        QCOMPARE(countOf("Readiness", "1 rule not met"), qulonglong{6});
        type("lacks:isrc missing:isrc");
        QCOMPARE(titles().size(), 4);
        // The sleeves with codes are half met, the others not: sorted by the column, in both directions.
        type("");
        QTest::mouseClick(page()->table()->horizontalHeader()->viewport(), Qt::LeftButton, {},
                          {page()->table()->horizontalHeader()->sectionViewportPosition(1) + 30, 10});
        d_->settle();
        QVERIFY((titles().mid(0, 2) == QStringList{"Whin Moor", "Северный ветер"}));
        QTest::mouseClick(page()->table()->horizontalHeader()->viewport(), Qt::LeftButton, {},
                          {page()->table()->horizontalHeader()->sectionViewportPosition(1) + 30, 10});
        d_->settle();
        QCOMPARE(titles().mid(4), (QStringList{"Whin Moor", "Северный ветер"}));
        // What is written makes it ready, and it is found so.
        std::vector<library::DraftSession::Wish> wishes;
        for (const library::FileRecord& f : d_->libraryFiles())
            if (tags::firstValue(f.tags.fields, "album") == "Salt Road" && !f.tags.fields.contains("isrc"))
                wishes.push_back({f.id, "isrc", {"ZZFSR1900002"}});
        QCOMPARE(wishes.size(), size_t{1});
        d_->takeUp(wishes.front().file);
        d_->controllers().drafts.session().propose("Edit", wishes, "typed");
        d_->settle();
        d_->controllers().writing.write();
        d_->settle();
        QCOMPARE(countOf("Readiness", "Ready"), qulonglong{2});
        type("is:ready");
        QCOMPARE(titles().size(), 2);
    }
};

QTEST_MAIN(TestReadiness)
#include "test_readiness.moc"
