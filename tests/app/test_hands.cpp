// SPDX-License-Identifier: GPL-3.0-or-later
// Quick hands: what is typed is what is taken, whatever else happens meanwhile; what is chosen stays chosen.
#include <QtTest>

#include <QApplication>
#include <QClipboard>
#include <QHeaderView>
#include <QLineEdit>
#include <QTreeWidget>

#include "app/bench/bench_page.h"
#include "app/bench/describe_page.h"
#include "app/bench/read_names_dialog.h"
#include "app/bench/review_page.h"
#include "app/library/check_files_dialog.h"
#include "app/library/sleeve_grid.h"
#include "app/shell/foot.h"
#include "app/shell/text_utils.h"
#include "app/widgets/field_box.h"
#include "support/driver.h"
#include "support/invented.h"
#include "support/library_desk.h"
#include "support/sheet_desk.h"

using namespace moorfrost;
using namespace moorfrost::app;

/// The library page for one test.
struct OpenLibrary : LibraryDesk {
    using LibraryDesk::d_;
    using LibraryDesk::open;
    using LibraryDesk::page;
};

class TestHands : public QObject, SheetDesk {
    Q_OBJECT

    void describe(int files = 5) {
        sheetBox_ = std::make_unique<test::Sandbox>();
        QSettings().clear();
        const Path first = test::makeSound(*sheetBox_ / "in", "01.flac");
        for (int i = 2; i <= files; ++i)
            std::filesystem::copy_file(first, *sheetBox_ / ("in/0" + std::to_string(i) + ".flac"));
        for (int i = 1; i <= files; ++i)
            test::tag(*sheetBox_ / ("in/0" + std::to_string(i) + ".flac"),
                      {{"title", {"Old " + std::to_string(i)}},
                       {"artist", {"Wren-Low"}},
                       {"album", {"Lanterns"}},
                       {"track", {std::to_string(i)}}});
        describeFolder();
    }
    /// As keys come from a hand: timers run in between.
    static void typeKeys(const char* text) {
        for (const char* c = text; *c; ++c) {
            QTest::keyClick(QApplication::focusWidget(), *c);
            QTest::qWait(7);
        }
    }
    static void press(Qt::Key key, Qt::KeyboardModifiers modifiers = {}) {
        QTest::keyClick(QApplication::focusWidget(), key, modifiers);
        QTest::qWait(7);
    }

private slots:
    void cleanup() {
        desk_.reset();
        sheetBox_.reset();
    }

    void typingFromCellToCell() {
        describe();
        go(0, "title");
        for (const char* title : {"Alpha one", "Bravo two", "Charlie three", "Delta four"}) {
            typeKeys(title);
            press(Qt::Key_Return);
        }
        desk_->settle();
        QCOMPARE(cell(0, "title"), QString("Alpha one"));
        QCOMPARE(cell(1, "title"), QString("Bravo two"));
        QCOMPARE(cell(2, "title"), QString("Charlie three"));
        QCOMPARE(cell(3, "title"), QString("Delta four"));
    }

    // With MOORFROST_MANY_FILES=5000 it tells how long the slowest key took among that many files and three
    // drafts each.
    void typingAmongManyDrafts() {
        const int files = qEnvironmentVariable("MOORFROST_MANY_FILES", "40").toInt();
        sheetBox_ = std::make_unique<test::Sandbox>();
        QSettings().clear();
        const Path first = test::makeSound(*sheetBox_ / "in", "0001.opus");
        test::tag(first, {{"title", {"Old"}}, {"artist", {"Wren-Low"}}, {"album", {"Lanterns"}}});
        for (int i = 2; i <= files; ++i)
            std::filesystem::copy_file(first,
                                       *sheetBox_ / ("in/" + std::to_string(10000 + i).substr(1) + ".opus"));
        describeFolder();
        desk_->chooseSleeve("Lanterns");
        desk_->settle();
        QCOMPARE(model_->rowCount(), files);
        std::vector<library::DraftSession::Wish> wishes;
        for (FileId id : model_->files())
            for (const char* key : {"genre", "composer", "label"})
                wishes.push_back({id, key, {"Value of " + std::to_string(id)}});
        desk_->controllers().drafts.session().propose("Test", wishes, "t");
        desk_->settle();
        sheet_->clearSelection();
        go(0, "title");
        sheet_->clearSelection(); // the drawer has all files
        qint64 slowest = 0;
        for (const char* title : {"Alpha one", "Bravo two", "Charlie three"}) {
            for (const char* c = title; *c; ++c) {
                QElapsedTimer timer;
                timer.start();
                QTest::keyClick(QApplication::focusWidget(), *c);
                QTest::qWait(1);
                slowest = std::max(slowest, timer.elapsed());
            }
            QElapsedTimer timer;
            timer.start();
            press(Qt::Key_Return);
            slowest = std::max(slowest, timer.elapsed());
        }
        desk_->settle();
        QCOMPARE(cell(0, "title"), QString("Alpha one"));
        QCOMPARE(cell(1, "title"), QString("Bravo two"));
        QCOMPARE(cell(2, "title"), QString("Charlie three"));
        if (files > 1000)
            qInfo("%d files, %zu drafts: the slowest key took %lld ms", files,
                  desk_->controllers().drafts.session().fieldDrafts(), static_cast<long long>(slowest));
    }

    void anOpenEditorBelongsToTheHands() {
        describe();
        go(2, "title");
        const FileId file = model_->fileAt(2);
        typeKeys("half");
        QVERIFY(sheet_->openEditor());
        // Drafts of others, of this very cell, another order, files that come and go.
        desk_->controllers().drafts.session().propose(
            "Test", {{model_->fileAt(0), "title", {"Other"}}, {file, "artist", {"X"}}}, "t");
        QTest::qWait(60);
        desk_->controllers().drafts.session().propose("Test", {{file, "title", {"From elsewhere"}}}, "t");
        QTest::qWait(60);
        std::vector<FileId> files = model_->files();
        std::reverse(files.begin(), files.end());
        files.pop_back();
        model_->setFiles(files);
        QVERIFY(sheet_->openEditor());
        test::makeSound(*sheetBox_ / "more", "z.flac", 7);
        desk_->controllers().bringIn.start({*sheetBox_ / "more"}, true);
        QTRY_COMPARE(desk_->controllers().sleeves.files().size(), size_t{6});
        QTest::qWait(300);
        QVERIFY(sheet_->openEditor());
        QCOMPARE(sheet_->openEditor()->text(), QString("half"));
        typeKeys("way");
        press(Qt::Key_Return);
        QCOMPARE(desk_->controllers().drafts.session().effective(file, "title"),
                 std::vector<std::string>{"halfway"});
    }

    void aRowThatGoesGivesWhatWasTyped() {
        describe();
        go(1, "title");
        const FileId file = model_->fileAt(1);
        typeKeys("kept");
        std::vector<FileId> files = model_->files();
        files.erase(files.begin() + 1);
        model_->setFiles(files);
        QCOMPARE(desk_->controllers().drafts.session().effective(file, "title"),
                 std::vector<std::string>{"kept"});
        go(1, "title");
        const FileId other = model_->fileAt(1);
        typeKeys("also");
        model_->setFiles({});
        QCOMPARE(desk_->controllers().drafts.session().effective(other, "title"),
                 std::vector<std::string>{"also"});
    }

    void theDrawerTakesWhatWasTypedForTheFilesItWasTypedFor() {
        describe();
        select(0, "title", 0, "title");
        desk_->settle();
        FieldBox* genre = box("genre");
        genre->setFocus();
        typeKeys("Fol");
        desk_->controllers().drafts.session().propose("Test", {{model_->fileAt(0), "genre", {"Other"}}}, "t");
        QTest::qWait(60);
        QCOMPARE(genre->text(), QString("Fol"));
        typeKeys("k");
        sheet_->selectionModel()->select(
            QItemSelection(model_->index(3, column("title")), model_->index(3, column("title"))),
            QItemSelectionModel::ClearAndSelect); // as a search or a job may do it
        desk_->settle();
        QCOMPARE(genre->text(), QString("Folk")); // it stays under the hands
        QTest::keyClick(genre, Qt::Key_Return);
        desk_->settle();
        QCOMPARE(desk_->controllers().drafts.session().effective(model_->fileAt(0), "genre"),
                 std::vector<std::string>{"Folk"});
        QVERIFY(desk_->controllers().drafts.session().effective(model_->fileAt(3), "genre").empty());
        QVERIFY(genre->text().isEmpty());
    }

    void oneValueIsWhatIsTyped() {
        describe();
        go(0, "title");
        typeKeys("Prelude; Fugue in C");
        press(Qt::Key_Return);
        typeKeys("A, B / C | D");
        press(Qt::Key_Return);
        const auto& drafts = desk_->controllers().drafts.session();
        QCOMPARE(drafts.effective(model_->fileAt(0), "title"),
                 std::vector<std::string>{"Prelude; Fugue in C"});
        QCOMPARE(drafts.effective(model_->fileAt(1), "title"), std::vector<std::string>{"A, B / C | D"});
        // Several are begun by their own key, in the sheet as in the drawer, and look the same everywhere.
        go(0, "artist");
        typeKeys("Kestrel & Rook");
        press(Qt::Key_Comma, Qt::ControlModifier);
        typeKeys("Wren-Low");
        press(Qt::Key_Return);
        QCOMPARE(drafts.effective(model_->fileAt(0), "artist"),
                 (std::vector<std::string>{"Kestrel & Rook", "Wren-Low"}));
        const QString shown = QString::fromUtf8("Kestrel & Rook \u00A6 Wren-Low");
        QCOMPARE(cell(0, "artist"), shown);
        select(0, "title", 0, "title");
        desk_->settle();
        QCOMPARE(box("artist")->text(), shown);
        desk_->window().foot()->reviewButton()->click();
        desk_->settle();
        QTreeWidget* tree = desk_->window().review()->tree();
        QVERIFY(!tree->findItems(shown, Qt::MatchExactly | Qt::MatchRecursive, 1).isEmpty());
    }

    void rangesAreWhatIsSeen() {
        describe();
        QSignalSpy told(model_, &FileTable::refused);
        // A gap between the columns: pasted, it would blank the artist.
        select(0, "title", 0, "title");
        sheet_->selectionModel()->select(model_->index(0, column("album")), QItemSelectionModel::Select);
        QApplication::clipboard()->setText("before");
        QTest::keyClick(sheet_, Qt::Key_C, Qt::ControlModifier);
        QCOMPARE(told.count(), 1);
        QCOMPARE(QApplication::clipboard()->text(), QString("before"));
        // With the artist moved away they lie beside each other.
        QHeaderView* header = sheet_->horizontalHeader();
        header->moveSection(header->visualIndex(column("artist")), header->count() - 1);
        QTest::keyClick(sheet_, Qt::Key_C, Qt::ControlModifier);
        QCOMPARE(QApplication::clipboard()->text(), QString("Old 1\tLanterns"));
        select(2, "title", 2, "title");
        QTest::keyClick(sheet_, Qt::Key_V, Qt::ControlModifier);
        QCOMPARE(cell(2, "title"), QString("Old 1"));
        QCOMPARE(cell(2, "album"), QString("Lanterns"));
        QCOMPARE(cell(2, "artist"), QString("Wren-Low"));
        // What is hidden takes no part.
        sheet_->setColumnHidden(column("album"), true);
        select(3, "title", 3, "title");
        QApplication::clipboard()->setText("New\t1999");
        QTest::keyClick(sheet_, Qt::Key_V, Qt::ControlModifier);
        QCOMPARE(cell(3, "title"), QString("New"));
        QCOMPARE(cell(3, "album"), QString("Lanterns"));
        QCOMPARE(cell(3, "date"), QString("1999"));
        // What has no place is told.
        told.clear();
        select(4, "title", 4, "title");
        QApplication::clipboard()->setText("Last\nbeyond");
        QTest::keyClick(sheet_, Qt::Key_V, Qt::ControlModifier);
        QCOMPARE(cell(4, "title"), QString("Last"));
        QCOMPARE(told.count(), 1);
    }

    void theReviewIsMadeWhenItIsSeen() {
        describe();
        QTreeWidget* tree = desk_->window().review()->tree();
        desk_->controllers().drafts.session().propose("Test", {{model_->fileAt(0), "title", {"New"}}}, "t");
        QTest::qWait(80);
        QCOMPARE(tree->topLevelItemCount(), 0);
        desk_->window().foot()->reviewButton()->click();
        QCOMPARE(tree->topLevelItemCount(), 1);
        desk_->controllers().drafts.session().propose("Test", {{model_->fileAt(1), "title", {"New"}}}, "t");
        QTRY_COMPARE(tree->topLevelItemCount(), 2);
    }

    void whatIsChosenInTheLibraryStaysChosen() {
        OpenLibrary library;
        library.open();
        QTest::mouseClick(library.page()->sleevesButton(), Qt::LeftButton);
        library.d_->settle();
        SleeveGrid* grid = library.page()->grid();
        QVERIFY(grid->model()->rowCount() >= 3);
        grid->selectionModel()->setCurrentIndex(grid->model()->index(2, 0),
                                                QItemSelectionModel::ClearAndSelect);
        grid->selectionModel()->select(grid->model()->index(1, 0), QItemSelectionModel::Select);
        auto sorted = [](std::vector<FileId> v) {
            std::sort(v.begin(), v.end());
            return v;
        };
        const std::vector<FileId> chosen = sorted(grid->chosenFiles());
        library.d_->controllers().kinds.confirm(
            {{chosen.front(), matching::ContentKind::Speech}}); // and so another answer comes
        library.d_->settle();
        QCOMPARE(sorted(grid->chosenFiles()), chosen);
        QTest::mouseClick(library.page()->tracksButton(), Qt::LeftButton);
        library.d_->settle();
    }

    void manyChosenRowsStayChosen() {
        test::Sandbox box;
        QSettings().clear();
        {
            auto store = std::move(*library::Store::open(box / "library.db"));
            const int64_t shelf = store->shelves().add("Archive", "/archive");
            bench::InventedLibrary invented(5000);
            library::FileRecord r;
            std::vector<files::ScannedFile> chunk;
            while (invented.next(r))
                chunk.push_back({r.path, r.state, r.tags, {}});
            store->saveFiles(chunk, 0, shelf);
        }
        Driver d(box / "library.db");
        d.window().showWorkspace(MainWindow::Library);
        d.settle();
        LibraryPage* page = d.window().library();
        SheetView* table = page->table();
        QCOMPARE(table->model()->rowCount(), 5000);
        table->selectionModel()->select(
            QItemSelection(table->model()->index(1000, 0), table->model()->index(3999, 0)),
            QItemSelectionModel::ClearAndSelect | QItemSelectionModel::Rows);
        table->selectionModel()->setCurrentIndex(table->model()->index(1000, 0),
                                                 QItemSelectionModel::NoUpdate);
        std::vector<FileId> chosen = table->chosenFiles();
        QCOMPARE(chosen.size(), size_t{3000});
        d.controllers().kinds.confirm(
            {{chosen.back(), matching::ContentKind::Speech}}); // and so another answer comes
        d.settle();
        QTRY_VERIFY(page->isSearched());
        std::vector<FileId> now = table->chosenFiles();
        std::sort(chosen.begin(), chosen.end());
        std::sort(now.begin(), now.end());
        QVERIFY(now == chosen);
        // In another order, too.
        QTest::mouseClick(table->horizontalHeader()->viewport(), Qt::LeftButton, {},
                          {table->columnViewportPosition(1) + 20, 10});
        d.settle();
        now = table->chosenFiles();
        std::sort(now.begin(), now.end());
        QVERIFY(now == chosen);
    }

    void aCheckThatIsClosedKeepsItsResults() {
        describe(4);
        CheckFilesDialog dialog(
            {desk_->controllers().messages, desk_->controllers().jobs, desk_->controllers().library},
            desk_->controllers().files.pathsOf(desk_->controllers().sleeves.files()), "the files");
        QPointer<CheckFilesDialog> last(&dialog);
        QSignalSpy said(&desk_->controllers().messages, &Messages::said);
        QVERIFY(!CheckFilesDialog::showAgain(last));
        dialog.show();
        dialog.choose(CheckFilesDialog::Decoding);
        dialog.start();
        dialog.reject();
        QTRY_VERIFY(!dialog.isRunning());
        QVERIFY(dialog.hasUnseen());
        QCOMPARE(dialog.results()->topLevelItemCount(), 4);
        QVERIFY(said.count() == 1 && said.front().front().toString().contains("4 fine"));
        QTimer::singleShot(0, &dialog, &QDialog::reject);
        QVERIFY(CheckFilesDialog::showAgain(last));
        QVERIFY(!dialog.hasUnseen());
        QVERIFY(!CheckFilesDialog::showAgain(last));
    }

    void namesGiveFieldsOfYourOwnAndNeverFacts() {
        describe(3);
        for (const char* from : {"01", "02", "03"})
            std::filesystem::rename(*sheetBox_ / ("in/" + std::string(from) + ".flac"),
                                    *sheetBox_ /
                                        ("in/" + std::string(from) + " (FLAC) reel7; side A - Gorse.flac"));
        desk_.reset();
        desk_ = std::make_unique<Driver>(*sheetBox_ / "second.db");
        desk_->bringIn({*sheetBox_ / "in"});
        const FileId file = desk_->fileNamed("01 (FLAC) reel7; side A - Gorse.flac");
        desk_->controllers().drafts.session().propose("Test", {{file, "reel number", {"x"}}}, "t");
        desk_->settle();
        ReadNamesDialog dialog({desk_->controllers().jobs, desk_->controllers().settings,
                                desk_->controllers().files, desk_->controllers().drafts,
                                desk_->controllers().index, desk_->controllers().customFields,
                                desk_->controllers().sleeves},
                               desk_->controllers().sleeves.files());
        dialog.show();
        dialog.setPlan("{track} ({format}) {reel number} - {title}");
        QTRY_VERIFY(dialog.isRead());
        QVERIFY2(dialog.takeButton()->isEnabled(), qPrintable(dialog.results()->topLevelItem(0)->text(4)));
        dialog.takeButton()->click();
        const auto& drafts = desk_->controllers().drafts.session();
        QCOMPARE(drafts.effective(file, "reel number"), std::vector<std::string>{"reel7; side A"});
        QCOMPARE(drafts.effective(file, "title"), std::vector<std::string>{"Gorse"});
        QVERIFY(drafts.effective(file, "format").empty());
    }
};

int main(int argc, char** argv) {
    qputenv("QT_QPA_PLATFORM", "offscreen");
    QApplication application(argc, argv);
    Driver::prepareApplication();
    TestHands test;
    return QTest::qExec(&test, argc, argv);
}
#include "test_hands.moc"
