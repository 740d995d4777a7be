// SPDX-License-Identifier: GPL-3.0-or-later
// The library as a person uses it: questions, chips, what is wrong, suggestions, facets, saved searches,
// sorting by several columns, sleeves, and back to the bench.
#include <QtTest>

#include <QScrollBar>

#include <QClipboard>
#include <QCompleter>
#include <QHeaderView>
#include <QMenu>
#include <QRadioButton>
#include <QToolButton>

#include "app/library/library_page.h"
#include "app/library/sleeve_grid.h"
#include "app/library/track_model.h"
#include "app/settings/settings_page.h"
#include "app/shell/main_window.h"
#include "app/shell/text_utils.h"
#include "app/widgets/controls.h"
#include "app/widgets/file_details.h"
#include "core/library/search/library_search.h"
#include "core/tags/tag_io.h"
#include "support/library_desk.h"
#include "support/sample_files.h"

using namespace moorfrost;
using namespace moorfrost::app;

class TestLibrary : public QObject, LibraryDesk {
    Q_OBJECT

private slots:
    void initTestCase() { Driver::prepareApplication("light"); }

    void init() { open(); }
    void cleanup() { close(); }

    void questionsNarrow() {
        QCOMPARE(titles().size(), 6);
        type("year:1970-1989");
        QCOMPARE(titles(), (QStringList{"Whin Moor", "Северный ветер"}));
        type("artist:varnholt missing:isrc");
        QCOMPARE(titles(), QStringList{"Gorse"});
        type("genre:folk or genre:jazz");
        QCOMPARE(titles().size(), 3);
        QVERIFY(page()->told().startsWith("3 of 6 tracks"));
        type("ветер");
        QCOMPARE(titles(), QStringList{"Северный ветер"});
    }

    void chipsTakeQuestionsOut() {
        type("ferry genre:folk missing:isrc");
        QCOMPARE(titles(), QStringList{"Ferryman's Reel"});
        QCOMPARE(page()->searchBar()->chips().size(), size_t{2});
        QCOMPARE(page()->searchBar()->chips()[1]->text(), QString("no ISRC"));
        QVERIFY(page()->searchBar()->understood()->isVisibleTo(page()));
        QTest::mouseClick(page()->searchBar()->chips()[1], Qt::LeftButton);
        d_->settle();
        QCOMPARE(page()->searchBox()->text(), QString("ferry genre:folk"));
        QCOMPARE(titles().size(), 2);
        type("ferry");
        QVERIFY(!page()->searchBar()->understood()->isVisibleTo(page()));
    }

    void whatIsWrongIsPointedAt() {
        type("ferry year:soon");
        QVERIFY(page()->searchBar()->trouble().contains("a number"));
        QCOMPARE(titles().size(), 2); // the rest of the question holds
        QVERIFY(!page()->saveButton()->isEnabled());
        auto* trouble = page()->findChild<QToolButton*>("searchTrouble");
        QVERIFY(trouble && trouble->isVisibleTo(page()));
        QTest::mouseClick(trouble, Qt::LeftButton);
        QCOMPARE(page()->searchBox()->selectedText(), QString("soon"));
        type("ferry");
        QVERIFY(page()->searchBar()->trouble().isEmpty());
    }

    void suggestionsCompleteFieldsAndValues() {
        page()->searchBox()->setFocus();
        QTest::keyClicks(page()->searchBox(), "genr");
        d_->settle();
        QCOMPARE(page()->searchBar()->suggestions(), QStringList{"Genre"});
        auto* completer = page()->searchBar()->findChild<QCompleter*>();
        emit completer->activated(completer->completionModel()->index(0, 0));
        d_->settle();
        QCOMPARE(page()->searchBox()->text(), QString("genre:"));
        QCOMPARE(page()->searchBar()->suggestions(), (QStringList{"Chamber", "Folk", "Choral", "Jazz"}));
        QTest::keyClicks(page()->searchBox(), "ch");
        d_->settle();
        QCOMPARE(page()->searchBar()->suggestions(), (QStringList{"Chamber", "Choral"}));
        emit completer->activated(completer->completionModel()->index(1, 0));
        d_->settle();
        QCOMPARE(page()->searchBox()->text(), QString("genre:=\"Choral\" "));
        QCOMPARE(titles(), QStringList{"Северный ветер"});
        page()->searchBox()->clear();
        QTest::keyClicks(page()->searchBox(), "is:read");
        d_->settle();
        QCOMPARE(page()->searchBar()->suggestions(), (QStringList{"ready", "unreadable", "read-only"}));
        QTest::keyClicks(page()->searchBox(), "y"); // it stands there: no list over the answer
        d_->settle();
        QCOMPARE(page()->searchBar()->suggestions(), QStringList());
        completer->popup()->hide();
    }

    void facetsCountAndNarrow() {
        QCOMPARE(countOf("Genre", "Folk"), 2ull);
        QCOMPARE(countOf("Decade", "1990s"), 2ull);
        QCOMPARE(countOf("Missing", "ISRC"), 4ull);
        click("Genre", "Folk");
        QCOMPARE(page()->searchBox()->text(), QString("genre:=\"Folk\""));
        QCOMPARE(titles().size(), 2);
        QCOMPARE(countOf("Genre", "Jazz"), 1ull); // still to be chosen beside it
        QCOMPARE(countOf("Decade", "1980s"), 0ull);
        QCOMPARE(countOf("Missing", "ISRC"), 1ull);
        click("Genre", "Jazz");
        QCOMPARE(titles().size(), 3);
        click("Missing", "ISRC");
        QCOMPARE(titles(), (QStringList{"Whin Moor", "Ferryman's Reel"}));
        click("Genre", "Folk");
        QCOMPARE(titles(), QStringList{"Whin Moor"});
        click("Genre", "Jazz");
        click("Missing", "ISRC");
        QVERIFY(page()->searchBox()->text().isEmpty());
        QCOMPARE(titles().size(), 6);
        // By keyboard.
        page()->facets()->setFocus();
        page()->facets()->setCurrentItem(facet("Genre", "Choral"));
        QTest::keyClick(page()->facets(), Qt::Key_Space);
        d_->settle();
        QCOMPARE(titles(), QStringList{"Северный ветер"});
        QCOMPARE(page()->facets()->currentItem()->text(0), QString("Choral"));
    }

    void facetsBeginAtTheTop() {
        // Facets of which there is nothing are not gone to by themselves.
        QVERIFY(facet("Rating", "none"));
        QVERIFY(!page()->facets()->currentItem());
        QCOMPARE(page()->facets()->verticalScrollBar()->value(), 0);
    }

    void sortedBySeveralColumns() {
        QHeaderView* h = page()->table()->horizontalHeader();
        auto click = [&](const char* label, Qt::KeyboardModifiers keys = {}) {
            for (int i = 0; i < h->count(); ++i)
                if (h->model()->headerData(i, Qt::Horizontal).toString() == label) {
                    // The application's own keys are asked for, so that they are pressed for real.
                    QTest::mouseClick(h->viewport(), Qt::LeftButton, keys,
                                      QPoint(h->sectionViewportPosition(i) + 12, 12));
                    d_->settle();
                    return;
                }
            QFAIL(label);
        };
        click("Genre");
        QCOMPARE(column(4), (QStringList{"Chamber", "Chamber", "Choral", "Folk", "Folk", "Jazz"}));
        click("Title", Qt::ShiftModifier);
        QCOMPARE(titles(), (QStringList{"Gorse", "Tide Table", "Северный ветер", "Ferryman's Reel",
                                        "Night Post", "Whin Moor"}));
        click("Title", Qt::ShiftModifier);
        QCOMPARE(titles(), (QStringList{"Tide Table", "Gorse", "Северный ветер", "Night Post",
                                        "Ferryman's Reel", "Whin Moor"}));
        click("Date");
        QCOMPARE(column(3).front(), QString("1974"));
        click("Date");
        QCOMPARE(column(3).front(), QString("2019"));
        // What is selected stays so.
        page()->table()->selectRow(2);
        QString chosen = titles()[2];
        click("Title");
        QCOMPARE(page()->table()->chosenFiles().size(), size_t{1});
        QCOMPARE(page()->table()->currentIndex().siblingAtColumn(0).data().toString(), chosen);
    }

    void sleeves() {
        QTest::mouseClick(page()->sleevesButton(), Qt::LeftButton);
        d_->settle();
        SleeveGrid* grid = page()->grid();
        QVERIFY(grid->isVisibleTo(page()));
        QCOMPARE(grid->sleeves().size(), size_t{4});
        QCOMPARE(grid->sleeves()[0].album, std::string("Salt Road"));
        QCOMPARE(grid->chosenFiles().size(), size_t{2});
        QVERIFY(page()->details()->isVisibleTo(page()));
        page()->groupChoice()->setCurrentIndex(3);
        d_->settle();
        QCOMPARE(grid->sleeves()[0].group, std::string("1970"));
        QCOMPARE(grid->model()->rowCount(), 8); // each with its heading
        QCOMPARE(grid->model()->index(0, 0).data().toString(), QString("1970s"));
        type("genre:folk");
        QCOMPARE(grid->sleeves().size(), size_t{1});
        grid->setFocus();
        QTest::keyClick(grid, Qt::Key_Return);
        d_->settle();
        QVERIFY(!page()->showsSleeves());
        QCOMPARE(titles().size(), 2);
        QVERIFY(page()->searchBox()->text().contains("Night Post EP"));
        page()->groupChoice()->setCurrentIndex(0);
    }

    void tilesByKeyboardAndMouse() {
        QTest::mouseClick(page()->sleevesButton(), Qt::LeftButton);
        page()->groupChoice()->setCurrentIndex(3); // by decade: every sleeve under a heading of its own
        d_->settle();
        SleeveGrid* grid = page()->grid();
        grid->setFocus();
        auto row = [&] { return grid->currentIndex().row(); };
        QCOMPARE(row(), 1); // the first sleeve, not its heading
        QTest::keyClick(grid, Qt::Key_Down);
        QCOMPARE(row(), 3);
        QTest::keyClick(grid, Qt::Key_Right);
        QCOMPARE(row(), 5);
        QTest::keyClick(grid, Qt::Key_Up);
        QCOMPARE(row(), 3);
        QTest::keyClick(grid, Qt::Key_End);
        QCOMPARE(row(), 7);
        QVERIFY(grid->viewport()->rect().contains(grid->visualRect(grid->currentIndex()).center()));
        QTest::keyClick(grid, Qt::Key_Home);
        QCOMPARE(row(), 1);
        QTest::keyClick(grid, Qt::Key_Down, Qt::ShiftModifier);
        QCOMPARE(grid->chosenCount(), size_t{2}); // two sleeves of one track each
        QTest::keyClick(grid, Qt::Key_Up);        // no longer
        QCOMPARE(grid->chosenCount(), size_t{1});
        // By mouse: what is there is where it is painted.
        for (int r = 0; r < grid->model()->rowCount(); ++r) {
            QModelIndex index = grid->model()->index(r, 0);
            grid->scrollTo(index);
            QCOMPARE(grid->indexAt(grid->visualRect(index).center()), index);
        }
        grid->scrollTo(grid->model()->index(7, 0));
        QTest::mouseClick(grid->viewport(), Qt::LeftButton, {},
                          grid->visualRect(grid->model()->index(7, 0)).center());
        d_->settle();
        QCOMPARE(row(), 7);
        QCOMPARE(grid->chosenCount(), size_t{2});
        QCOMPARE(page()->details()->file()->id, grid->firstChosen());
        page()->groupChoice()->setCurrentIndex(0);
    }

    void draftsStandInTheTable() {
        QAbstractItemModel* m = page()->table()->model();
        const int row = static_cast<int>(titles().indexOf("Gorse"));
        const FileId id = static_cast<FileTable*>(m)->fileAt(row);
        d_->takeUp(id);
        d_->controllers().drafts.session().propose("Edit", {{id, "title", {"Gorse in Flower"}}}, "typed");
        QCOMPARE(m->index(row, 0).data().toString(), QString("Gorse in Flower"));
        QVERIFY(m->index(row, 0).data(FileTable::DraftRole).toBool());
        QVERIFY(!m->index(row, 1).data(FileTable::DraftRole).toBool());
        d_->controllers().drafts.setShowsDisk(true);
        QCOMPARE(m->index(row, 0).data().toString(), QString("Gorse"));
        QVERIFY(!m->index(row, 0).data(FileTable::DraftRole).toBool());
        d_->controllers().drafts.setShowsDisk(false);
        d_->controllers().drafts.session().undo();
        QCOMPARE(m->index(row, 0).data().toString(), QString("Gorse"));
    }

    void selectingEverythingAndTheLibraryChanges() {
        page()->table()->setFocus();
        QTest::keyClick(page()->table(), Qt::Key_A, Qt::ControlModifier);
        QCOMPARE(page()->table()->chosenCount(), size_t{6});
        QCOMPARE(page()->table()->chosenFiles().size(), size_t{6});
        page()->table()->copy();
        QCOMPARE(QApplication::clipboard()->text().split('\n').size(), 6);
        auto store = std::move(*library::Store::open(*box_ / "library.db"));
        store->files().forget(page()->table()->chosenFiles().back());
        d_->controllers().catchUp(); // another program did it
        d_->settle();
        QCOMPARE(titles().size(), 5);
        QCOMPARE(page()->table()->chosenCount(), size_t{5}); // still everything
    }

    void detailsTellWhatHappened() {
        page()->table()->selectRow(0);
        d_->settle();
        FileId id = page()->table()->chosenFiles().front();
        QVERIFY(!page()->details()->text().contains("What happened to it"));
        d_->takeUp(id);
        d_->controllers().drafts.session().propose(
            "Edit", {{id, "mood", {"calm"}}, {id, "genre", {"Harbour folk"}}}, "typed");
        d_->controllers().writing.write();
        d_->settle();
        d_->settle();
        QVERIFY2(page()->details()->text().contains("Changed: Genre, Mood"),
                 qPrintable(page()->details()->text()));
        QCOMPARE(page()->details()->text().count("What happened to it"), 1);
        d_->controllers().writing.takeBack(d_->controllers().writing.lastSet(), std::nullopt);
        d_->settle();
        d_->settle();
        QVERIFY2(page()->details()->text().contains("taken back"), qPrintable(page()->details()->text()));
    }

    void kindsAreAskedAndCounted() {
        page()->table()->selectRow(0);
        d_->settle();
        const QString title = titles().front();
        QMenu menu;
        QMenu* kinds = addKindMenu(menu, d_->controllers().kinds, page()->table()->chosenFiles());
        QCOMPARE(kinds->actions().size(), qsizetype{5});
        kinds->actions().last()->trigger();
        d_->settle();
        type("kind:tone");
        QCOMPARE(titles(), QStringList{title});
        type("kind:music");
        QCOMPARE(titles().size(), qsizetype{5});
        type("tone"); // not a word of the text
        QVERIFY(titles().isEmpty());
        type("");
        QSettings().setValue("library/facets", QStringList{"kind"});
        d_.reset(); // and after a start, from the snapshot
        d_ = std::make_unique<Driver>(*box_ / "library.db");
        d_->settle();
        d_->window().showWorkspace(MainWindow::Library);
        d_->settle();
        QCOMPARE(countOf("Kind", "Tone"), 1u);
        QCOMPARE(countOf("Kind", "Music"), 5u);
        click("Kind", "Tone");
        QCOMPARE(titles(), QStringList{title});
        auto* table = static_cast<TrackModel*>(page()->table()->model());
        table->setColumns({"title", kindColumn});
        QCOMPARE(column(1), QStringList{"Tone"});
    }

    void wordsFromTheirBeginnings() {
        type("ost");
        const auto anywhere = titles().size();
        QVERIFY(anywhere > 0); // Night Post
        d_->window().showWorkspace(MainWindow::Settings);
        for (QRadioButton* radio : d_->window().settings()->findChildren<QRadioButton*>())
            if (radio->property("key") == "beginnings")
                radio->click();
        d_->settle();
        QVERIFY(titles().isEmpty());
        type("pos");
        QCOMPARE(titles().size(), anywhere);
        d_.reset(); // it is remembered
        d_ = std::make_unique<Driver>(*box_ / "library.db");
        d_->settle();
        d_->window().showWorkspace(MainWindow::Library);
        type("ost");
        QVERIFY(titles().isEmpty());
        type("artist:erry"); // a field is asked as before
        QVERIFY(!titles().isEmpty());
    }

    void toTheBenchAndBack() {
        QTest::mouseClick(page()->sleevesButton(), Qt::LeftButton);
        d_->settle();
        page()->sendToBench();
        d_->settle();
        QCOMPARE(d_->window().workspace(), MainWindow::Bench);
        QCOMPARE(d_->controllers().sleeves.files().size(), size_t{2});
    }
};

QTEST_MAIN(TestLibrary)
#include "test_library.moc"
