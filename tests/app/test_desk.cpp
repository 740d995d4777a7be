// SPDX-License-Identifier: GPL-3.0-or-later
// A day at the desk: what is typed is kept however it is left, what was done is remembered, and the mouse
// does what it does elsewhere: menus, double clicks, a drag from list to list.
#include <QtTest>

#include <QPushButton>

#include <QCheckBox>
#include <QClipboard>
#include <QDropEvent>
#include <QHeaderView>
#include <QLineEdit>
#include <QMimeData>
#include <QSignalSpy>
#include <QStackedWidget>
#include <QTreeView>

#include "app/bench/bring_in_page.h"
#include "app/bench/describe_page.h"
#include "app/bench/put_away_page.h"
#include "app/bench/review_page.h"
#include "app/journal/journal_page.h"
#include "app/library/sleeve_grid.h"
#include "app/shell/foot.h"
#include "app/shell/text_utils.h"
#include "app/widgets/covers.h"
#include "app/widgets/field_sets.h"
#include "app/widgets/sleeve_list.h"
#include "support/cover.h"
#include "support/library_desk.h"
#include "support/menus.h"
#include "support/sheet_desk.h"
#include "support/small_batch.h"

using namespace moorfrost;
using namespace moorfrost::app;

namespace {

struct Batch : SmallBatch {
    using SmallBatch::begin;
    using SmallBatch::box_;
    using SmallBatch::d_;
    using SmallBatch::end;
    using SmallBatch::makeBatch;
    using SmallBatch::putAllAway;
    using SmallBatch::putAway;
    using SmallBatch::write;
};

struct OpenLibrary : LibraryDesk {
    using LibraryDesk::box_;
    using LibraryDesk::column;
    using LibraryDesk::d_;
    using LibraryDesk::open;
    using LibraryDesk::page;
    using LibraryDesk::titles;
    using LibraryDesk::type;
};

} // namespace

class TestDesk : public QObject, SheetDesk {
    Q_OBJECT

    void describe(int files = 4) {
        sheetBox_ = std::make_unique<test::Sandbox>();
        QSettings().clear();
        for (int i = 1; i <= files; ++i)
            test::tag(test::makeSound(*sheetBox_ / "in", "0" + std::to_string(i) + ".flac",
                                      static_cast<uint32_t>(i)),
                      {{"title", {"Title " + std::to_string(i)}},
                       {"artist", {"Wren-Low"}},
                       {"album", {"Lanterns"}},
                       {"track", {std::to_string(10 * i)}}});
        describeFolder();
    }
    library::DraftSession& drafts() { return desk_->controllers().drafts.session(); }
    /// What the library on disk has of drafts.
    std::vector<std::tuple<FileId, std::string, library::Draft>> stored() {
        return (*library::Store::open(*sheetBox_ / "library.db"))->drafts().all();
    }
    void restart() {
        desk_.reset();
        desk_ = std::make_unique<Driver>(*sheetBox_ / "library.db");
        desk_->settle();
    }

private slots:
    void cleanup() {
        desk_.reset();
        sheetBox_.reset();
    }

    // Typing.

    void leavingABoxOfTheDrawerKeepsWhatWasTyped() {
        describe();
        select(0, "title", 1, "title");
        desk_->settle();
        FieldBox* genre = box("genre");
        genre->setFocus();
        QTest::keyClicks(genre, "Folk");
        sheet_->setFocus(Qt::MouseFocusReason); // a click elsewhere
        desk_->settle();
        QCOMPARE(drafts().fieldDrafts(), size_t{2});
        QCOMPARE(drafts().effective(model_->fileAt(0), "genre"), std::vector<std::string>{"Folk"});
        QVERIFY(drafts().of(model_->fileAt(2)).empty());
        box("composer")->setFocus();
        QTest::keyClicks(box("composer"), "Odran Fell");
        QTest::keyClick(box("composer"), Qt::Key_Tab);
        desk_->settle();
        QCOMPARE(drafts().fieldDrafts(), size_t{4});
        QCOMPARE(stored().size(), size_t{4});
    }

    void closingTheWindowKeepsWhatIsBeingTyped_data() {
        QTest::addColumn<bool>("inTheDrawer");
        QTest::newRow("in a cell") << false;
        QTest::newRow("in the drawer") << true;
    }
    void closingTheWindowKeepsWhatIsBeingTyped() {
        QFETCH(bool, inTheDrawer);
        describe();
        go(0, "title");
        const FileId first = model_->fileAt(0);
        if (inTheDrawer) {
            select(0, "title", 0, "title");
            desk_->settle();
            box("title")->setFocus();
            box("title")->selectAll();
            QTest::keyClicks(box("title"), "Gorse");
        } else {
            QTest::keyClicks(sheet_, "G");
            QTest::keyClicks(QApplication::focusWidget(), "orse");
        }
        desk_->window().close();
        restart();
        QCOMPARE(drafts().effective(first, "title"), std::vector<std::string>{"Gorse"});
    }

    void writingByKeyboardTakesWhatIsBeingTyped() {
        describe();
        drafts().propose("Edit", {{model_->fileAt(0), "title", {"Kelp"}}}, "typed"); // something to write
        go(1, "title");
        const FileId second = model_->fileAt(1);
        QTest::keyClicks(sheet_, "U");
        QTest::keyClicks(QApplication::focusWidget(), "ndertow");
        QWidget* editor = QApplication::focusWidget();
        QVERIFY(qobject_cast<QLineEdit*>(editor));
        QTest::keyClick(desk_->window().windowHandle(), Qt::Key_Return, Qt::ControlModifier); // to the review
        desk_->settle();
        QCOMPARE(desk_->window().workspace(), MainWindow::Review);
        QCOMPARE(drafts().effective(second, "title"), std::vector<std::string>{"Undertow"});
        QTest::keyClick(desk_->window().windowHandle(), Qt::Key_Return, Qt::ControlModifier); // and writes
        desk_->settle();
        QCOMPARE(tags::readTags(desk_->controllers().files.file(second)->path)->fields["title"],
                 std::vector<std::string>{"Undertow"});
    }

    // What was done.

    void manyChangesOfOneActionAreStored() {
        describe();
        const FileId first = model_->fileAt(0);
        std::vector<library::DraftSession::Wish> wishes;
        for (int field = 0; field < 300; ++field)
            for (int row = 0; row < 4; ++row)
                wishes.push_back({model_->fileAt(row), "note " + std::to_string(field), {"x"}});
        drafts().propose("Edit", wishes, "typed");
        desk_->settle();
        QCOMPARE(stored().size(), size_t{1200});
        restart();
        QCOMPARE(drafts().fieldDrafts(), size_t{1200});
        // And all of it goes in one step back.
        drafts().dropAll("Drop", {first});
        restart();
        QCOMPARE(drafts().fieldDrafts(), size_t{900});
    }

    // What was written is taken back in the journal: an undo would only change drafts that are no more.
    void afterAWriteNothingIsUndone() {
        describe();
        drafts().propose("Edit", {{model_->fileAt(0), "title", {"Gorse"}}}, "typed");
        drafts().propose("Edit", {{model_->fileAt(1), "title", {"Kelp"}}}, "typed");
        drafts().undo();
        QVERIFY(drafts().canUndo() && drafts().canRedo());
        desk_->window().showWorkspace(MainWindow::Review);
        desk_->settle();
        QTest::mouseClick(desk_->window().foot()->writeButton(), Qt::LeftButton);
        desk_->settle();
        QVERIFY(!drafts().canUndo() && !drafts().canRedo());
        QTest::keyClick(&desk_->window(), Qt::Key_Z, Qt::ControlModifier);
        desk_->settle();
        QCOMPARE(drafts().fieldDrafts(), size_t{0});
        desk_->window().showWorkspace(MainWindow::Bench);
        desk_->window().bench()->showStep(BenchPage::Describe);
        drafts().propose("Edit", {{model_->fileAt(0), "title", {"Tide"}}}, "typed");
        desk_->controllers().writing.takeBack(desk_->controllers().journal.sets().front().id, std::nullopt);
        desk_->settle();
        QVERIFY(!drafts().canUndo());
    }

    void numbersBeginAtOneInTheOrderShown() {
        describe();
        sheet_->clearSelection();
        for (QPushButton* b : desk_->window().findChildren<QPushButton*>())
            if (b->text() == "Number tracks")
                QTest::mouseClick(b, Qt::LeftButton);
        for (int row = 0; row < 4; ++row)
            QCOMPARE(cell(row, "track"), QString::number(row + 1));
        select(2, "title", 3, "title"); // only these
        for (QPushButton* b : desk_->window().findChildren<QPushButton*>())
            if (b->text() == "Number tracks")
                QTest::mouseClick(b, Qt::LeftButton);
        QCOMPARE(cell(0, "track"), QString("1"));
        QCOMPARE(cell(2, "track"), QString("1"));
        QCOMPARE(cell(3, "track"), QString("2"));
    }

    void emptiedFoldersGoOrStayAsWished_data() {
        QTest::addColumn<bool>("tidy");
        QTest::newRow("go") << true;
        QTest::newRow("stay") << false;
    }
    void emptiedFoldersGoOrStayAsWished() {
        QFETCH(bool, tidy);
        Batch batch;
        batch.begin();
        batch.makeBatch();
        batch.d_->window().bench()->showStep(BenchPage::PutAway);
        batch.d_->settle();
        QCheckBox* box = nullptr;
        for (QCheckBox* b : batch.putAway()->findChildren<QCheckBox*>())
            if (b->text().contains("folders", Qt::CaseInsensitive))
                box = b;
        QVERIFY(box);
        if (box->isChecked() != tidy)
            box->click();
        batch.putAllAway();
        QCOMPARE(batch.d_->libraryFiles().size(), size_t{6});
        QCOMPARE(std::filesystem::exists(*batch.box_ / "in"), !tidy);
        // And the folder comes back with its files.
        batch.d_->controllers().writing.takeBack(batch.d_->controllers().writing.lastSet(), std::nullopt);
        batch.d_->settle();
        QVERIFY(std::filesystem::exists(*batch.box_ / "in/a1.flac"));
    }

    // From outside.

    void droppedFoldersWhoseNamesAreNotUtf8() {
        test::Sandbox box;
        QSettings().clear();
        const Path odd = box / "old \xE5\xE4\xF6";
        std::filesystem::create_directories(odd);
        std::filesystem::rename(test::makeSound(box.root(), "a.flac"), odd / "tape \xFF.flac");
        Driver d(box / "library.db");
        QMimeData data;
        QByteArray encoded = "file://";
        for (char c : odd.native())
            encoded += static_cast<unsigned char>(c) < 0x80 && c != ' '
                           ? QByteArray(1, c)
                           : "%" + QByteArray(1, c).toHex().toUpper();
        data.setUrls({QUrl::fromEncoded(encoded)});
        // As the window system does it: a drop goes to what took the drag.
        QDragEnterEvent enter(QPoint(300, 300), Qt::CopyAction, &data, Qt::LeftButton, {});
        QCoreApplication::sendEvent(&d.window(), &enter);
        QVERIFY(enter.isAccepted());
        QDropEvent drop(QPointF(300, 300), Qt::CopyAction, &data, Qt::LeftButton, {});
        QCoreApplication::sendEvent(&d.window(), &drop);
        d.settle();
        QCOMPARE(d.controllers().sleeves.files().size(), size_t{1});
        const FilePtr file = d.controllers().files.file(d.controllers().sleeves.files().front());
        QVERIFY2(file->readable(), file->error.c_str());
        QVERIFY(file->path == odd / "tape \xFF.flac");
    }

    void coversCome() {
        test::Sandbox box;
        Path with = test::makeSound(box / "in", "a.flac"), without = test::makeSound(box / "in", "b.flac");
        test::addCover(with, QColor(30, 90, 120));
        QSettings().clear();
        Driver d(box / "library.db");
        d.bringIn({box / "in"});
        QSignalSpy ready(&Covers::instance(), &Covers::ready);
        const library::FileRecord file = *d.controllers().files.file(d.fileNamed("a.flac"));
        QVERIFY(Covers::instance().cover(file, 45).isNull()); // asked for
        QVERIFY(ready.wait(20000));
        const QImage cover = Covers::instance().cover(file, 45).toImage();
        QCOMPARE(cover.width(), qRound(45 * qApp->devicePixelRatio()));
        const QColor middle = cover.pixelColor(20, 20);
        QVERIFY2(std::abs(middle.red() - 30) < 12 && std::abs(middle.green() - 90) < 12 &&
                     std::abs(middle.blue() - 120) < 12,
                 qPrintable(middle.name()));
        QVERIFY(Covers::instance().cover(*d.controllers().files.file(d.fileNamed("b.flac")), 45).isNull());
    }

    // Answers that come late.

    void anOlderQuestionIsNotAnswered() {
        OpenLibrary desk;
        desk.open();
        QAbstractItemModel* model = desk.page()->table()->model();
        QStringList seen;
        auto look = [&] {
            QStringList now;
            for (int r = 0; r < model->rowCount(); ++r)
                now << model->index(r, 0).data().toString();
            seen << now.join(",");
        };
        QObject watcher; // ends before what it writes to
        connect(model, &QAbstractItemModel::modelReset, &watcher, look);
        connect(model, &QAbstractItemModel::layoutChanged, &watcher, look);
        connect(model, &QAbstractItemModel::rowsInserted, &watcher, look);
        connect(model, &QAbstractItemModel::rowsRemoved, &watcher, look);
        desk.page()->searchBox()->setText("title:gorse");
        QThread::msleep(300); // it has been found, and the answer waits for the event loop
        desk.page()->searchBox()->setText("title:tide");
        desk.d_->settle();
        QCOMPARE(desk.titles(), QStringList{"Tide Table"});
        for (const QString& rows : seen)
            QVERIFY2(!rows.contains("Gorse") || rows.contains("Night Post"), qPrintable(rows));
        QVERIFY(!seen.isEmpty());
    }

    void theJournalShowsTheSetThatIsChosen() {
        describe();
        for (int i = 0; i < 2; ++i) {
            drafts().propose("Edit", {{model_->fileAt(i), "title", {"Gorse"}}}, "typed");
            desk_->window().showWorkspace(MainWindow::Review);
            desk_->settle();
            QTest::mouseClick(desk_->window().foot()->writeButton(), Qt::LeftButton);
            desk_->settle();
        }
        desk_->window().showWorkspace(MainWindow::Journal);
        desk_->settle();
        desk_->window().journal()->sets()->setCurrentRow(0);
        desk_->settle();
        JournalPage* journal = desk_->window().journal();
        QTreeWidget* tree = journal->files();
        QCOMPARE(tree->topLevelItem(0)->text(0), QString("02.flac"));
        QStringList seen; // all that was shown and is taken away for the next
        QObject watcher;  // ends before what it writes to
        connect(tree->model(), &QAbstractItemModel::modelAboutToBeReset, &watcher, [&seen, tree] {
            if (QTreeWidgetItem* item = tree->topLevelItem(0))
                seen << item->text(0);
        });
        journal->sets()->setCurrentRow(1);
        QThread::msleep(200); // the answer waits
        journal->sets()->setCurrentRow(0);
        desk_->settle();
        QCOMPARE(tree->topLevelItem(0)->text(0), QString("02.flac"));
        QVERIFY(!seen.isEmpty());
        QVERIFY2(!seen.contains("01.flac"), qPrintable(seen.join(", ")));
    }

    // The mouse.

    void menusOfTheBench() {
        Batch batch;
        batch.begin();
        batch.makeBatch();
        Driver& d = *batch.d_;
        d.window().bench()->showStep(BenchPage::BringIn);
        d.settle();
        QTreeView* tree = d.window().bench()->bringIn()->tree();
        tree->expandAll();
        // A file of the folders: its kind.
        QVERIFY(chooseFrom({"Kind", "Speech"}, [&] { rightClick(tree, d.bringInRow("b3.wav")); }));
        d.settle();
        QCOMPARE(d.controllers().kinds.of(d.fileNamed("b3.wav")), matching::ContentKind::Speech);
        // A sleeve: split, undone, taken out of the batch.
        SleeveList* list = d.window().bench()->sleeves();
        auto menuOf = [&](int row) { return [=] { rightClick(list, list->model()->index(row, 0)); }; };
        const int before = list->count();
        QVERIFY(chooseFrom({"Split by", "Format"}, menuOf(0)));
        d.settle();
        QVERIFY(list->count() > before);
        QVERIFY(chooseFrom({"Undo the last change of sleeves"}, menuOf(0)));
        d.settle();
        QCOMPARE(list->count(), before);
        const size_t files = d.controllers().sleeves.files().size();
        QVERIFY(chooseFrom({"Remove from the batch"}, menuOf(0)));
        d.settle();
        QVERIFY(d.controllers().sleeves.files().size() < files);
        batch.end();
    }

    void menuAndColumnsOfTheSheet() {
        describe();
        QVERIFY(column("composer") < 0 || column("genre") >= 0);
        QVERIFY(column("comment") < 0);
        bool chosen = false;
        QTimer::singleShot(0, [&] {
            auto* dialog = qobject_cast<FieldSetDialog*>(QApplication::activeModalWidget());
            QVERIFY(dialog);
            const auto close = qScopeGuard([dialog] { dialog->accept(); });
            QTest::keyClicks(dialog->search(), "comment");
            for (QPushButton* b : dialog->findChildren<QPushButton*>())
                if (b->text().startsWith("Show"))
                    QTest::mouseClick(b, Qt::LeftButton);
            const auto keys = dialog->chosen();
            chosen = std::find(keys.begin(), keys.end(), "comment") != keys.end();
        });
        desk_->window().bench()->describe()->chooseColumns();
        QVERIFY(chosen);
        QVERIFY(column("comment") >= 0);
        // It is remembered.
        const auto columns = model_->columns();
        restart();
        desk_->window().bench()->showStep(BenchPage::Describe);
        sheet_ = desk_->window().bench()->describe()->sheet();
        model_ = static_cast<SheetModel*>(sheet_->model());
        QCOMPARE(model_->columns(), columns);
        // The menu of a cell.
        desk_->settle();
        select(0, "title", 1, "title");
        QStringList offered;
        chooseFrom(
            {"no such entry"}, [&] { rightClick(sheet_, model_->index(0, column("title"))); }, &offered);
        QVERIFY2(offered.size() > 2, qPrintable(offered.join(" | ")));
    }

    void aDoubleClickEditsACell() {
        describe();
        doubleClick(sheet_, model_->index(1, column("title")));
        auto* editor = qobject_cast<QLineEdit*>(QApplication::focusWidget());
        QVERIFY(editor && editor->text() == "Title 2");
        QTest::keyClicks(editor, "Gorse"); // all of it is chosen at first
        QTest::keyClick(editor, Qt::Key_Return);
        QCOMPARE(cell(1, "title"), QString("Gorse"));
    }

    void theMouseInTheLibrary() {
        OpenLibrary desk;
        desk.open();
        SheetView* table = desk.page()->table();
        // A double click plays.
        QSignalSpy play(desk.page(), &LibraryPage::playRequested);
        doubleClick(table, table->model()->index(2, 0));
        QCOMPARE(play.count(), 1);
        const FileId asked = play.front().front().value<FileId>();
        bool same = false;
        for (const library::FileRecord& f : desk.d_->libraryFiles())
            if (f.id == asked)
                same = QString::fromStdString(tags::shownValue(f.tags.fields, "title")) == desk.titles()[2];
        QVERIFY(same);
        // Columns from the heading.
        QHeaderView* header = table->horizontalHeader();
        const int before = table->model()->columnCount();
        QVERIFY(chooseFrom({"Composer"}, [&] { rightClick(header->viewport(), QPoint(30, 8)); }));
        desk.d_->settle();
        QCOMPARE(table->model()->columnCount(), before + 1);
        // The facets that are shown.
        QTreeWidget* facets = desk.page()->facets();
        auto tops = [&] {
            QStringList out;
            for (int i = 0; i < facets->topLevelItemCount(); ++i)
                out << facets->topLevelItem(i)->text(0);
            return out;
        };
        const QStringList shown = tops();
        QVERIFY(!shown.contains("Composer"));
        QVERIFY(chooseFrom({"Composer"}, [&] {
            rightClick(facets->viewport(), QPoint(20, facets->viewport()->height() - 4));
        }));
        desk.d_->settle();
        QVERIFY(chooseFrom({"Composer"}, [&] {
            rightClick(facets->viewport(), QPoint(20, facets->viewport()->height() - 4));
        })); // and gone again
        desk.d_->settle();
        QCOMPARE(tops(), shown);
        // The menu of a row.
        QStringList offered;
        chooseFrom(
            {"no such entry"}, [&] { rightClick(table, table->model()->index(1, 0)); }, &offered);
        QVERIFY2(offered.size() > 2, qPrintable(offered.join(" | ")));
    }
};

int main(int argc, char** argv) {
    qputenv("QT_QPA_PLATFORM", "offscreen");
    QApplication application(argc, argv);
    Driver::prepareApplication();
    TestDesk test;
    return QTest::qExec(&test, argc, argv);
}
#include "test_desk.moc"
