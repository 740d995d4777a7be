// SPDX-License-Identifier: GPL-3.0-or-later
// Collections beside the library: folders, lists and saved searches, made, filled, arranged, shown, handed on
// and brought in.
#include <QtTest>

#include <QButtonGroup>
#include <QFileInfo>
#include <QHeaderView>
#include <QLineEdit>
#include <QMenu>
#include <QPushButton>
#include <QTableView>
#include <QToolButton>

#include "app/library/collections/collection_dialog.h"
#include "app/library/collections/collection_menus.h"
#include "app/library/collections/list_line.h"
#include "app/library/collections/playlist_export_dialog.h"
#include "app/library/collections/playlist_import_dialog.h"
#include "app/library/track_model.h"
#include "app/widgets/controls.h"
#include "support/answer.h"
#include "support/library_desk.h"

using namespace moorfrost;
using namespace moorfrost::app;
using Kind = library::Collection::Kind;

class TestCollections : public QObject, public LibraryDesk {
    Q_OBJECT
private slots:
    void initTestCase() { Driver::prepareApplication("light"); }
    void init() { open(); }
    void cleanup() { close(); }

    void aListIsMadeOfWhatIsChosen() {
        choose({"Gorse", "Tide Table"});
        answer<CollectionDialog>([](CollectionDialog* d) {
            QVERIFY(!d->okButton()->isEnabled()); // it has no name yet
            QTest::keyClicks(d->nameLine(), "Evening");
            d->okButton()->click();
        });
        page()->collectionMenus()->make(Kind::List, page()->chosenFiles());
        d_->settle();
        // It is shown at once.
        QCOMPARE(sorted(titles()), (QStringList{"Gorse", "Tide Table"}));
        QVERIFY2(page()->listLine()->text().startsWith("Evening \u00B7 2 tracks"),
                 qPrintable(page()->listLine()->text()));
        // More are dragged to it.
        page()->showList(0);
        d_->settle();
        QCOMPARE(titles().size(), 6);
        choose({"Whin Moor"});
        dropTracks(item("Evening"), {});
        QCOMPARE(count("Evening"), 3);
        show("Evening");
        QCOMPARE(titles().back(), QString("Whin Moor"));
        // Searched and counted within it.
        type("gorse");
        QCOMPARE(titles(), QStringList{"Gorse"});
        QCOMPARE(page()->told(), tell(1, 3));
        type("");
        QCOMPARE(countOf("Genre", "Folk"), 0ull);
        QCOMPARE(countOf("Genre", "Jazz"), 1ull);
        // Esc leaves it.
        page()->table()->setFocus();
        QTest::keyClick(page()->table(), Qt::Key_Escape);
        d_->settle();
        QCOMPARE(titles().size(), 6);
    }

    void arrangedByHandAndByKeys() {
        const auto list = make("Evening", {"Gorse", "Tide Table", "Whin Moor"});
        show("Evening");
        QCOMPARE(titles(), (QStringList{"Gorse", "Tide Table", "Whin Moor"}));
        choose({"Whin Moor"});
        page()->table()->setFocus();
        QTest::keyClick(page()->table(), Qt::Key_Up, Qt::AltModifier);
        d_->settle();
        QCOMPARE(titles(), (QStringList{"Gorse", "Whin Moor", "Tide Table"}));
        choose({"Gorse"});
        QTest::keyClick(page()->table(), Qt::Key_Down, Qt::AltModifier);
        d_->settle();
        QCOMPARE(titles(), (QStringList{"Whin Moor", "Gorse", "Tide Table"}));
        // Dragged in front of the first.
        choose({"Tide Table"});
        auto data = model()->dragged(page()->table()->chosenRows());
        QVERIFY(!model()->dropMimeData(data.get(), Qt::MoveAction, 0, 0, {}));
        d_->settle();
        QCOMPARE(titles(), (QStringList{"Tide Table", "Whin Moor", "Gorse"}));
        // Sorted by a column it is only seen so, until that is kept.
        const int section = 0;
        QHeaderView* header = page()->table()->horizontalHeader();
        QTest::mouseClick(header->viewport(), Qt::LeftButton, {},
                          QPoint(header->sectionViewportPosition(section) + 12, 12));
        d_->settle();
        QCOMPARE(titles(), (QStringList{"Gorse", "Tide Table", "Whin Moor"}));
        QVERIFY(page()->listLine()->byHandButton()->isVisible());
        page()->listLine()->byHandButton()->click();
        d_->settle();
        QCOMPARE(titles(), (QStringList{"Tide Table", "Whin Moor", "Gorse"}));
        QTest::mouseClick(header->viewport(), Qt::LeftButton, {},
                          QPoint(header->sectionViewportPosition(section) + 12, 12));
        d_->settle();
        page()->listLine()->keepOrderButton()->click();
        d_->settle();
        QCOMPARE(order(list), (QStringList{"Gorse", "Tide Table", "Whin Moor"}));
        // Del takes a track out of the list, and Ctrl+Z puts it back.
        choose({"Tide Table"});
        QTest::keyClick(page()->table(), Qt::Key_Delete);
        d_->settle();
        QCOMPARE(titles(), (QStringList{"Gorse", "Whin Moor"}));
        QCOMPARE(d_->libraryFiles().size(), size_t{6}); // and no file is gone
        d_->controllers().undo.undo();
        d_->settle();
        QCOMPARE(titles(), (QStringList{"Gorse", "Tide Table", "Whin Moor"}));
    }

    void foldersAndPlaces() {
        make("Evening", {"Gorse"});
        const auto reissues = makeOf(Kind::Folder, "Reissues 2027"),
                   oral = makeOf(Kind::Folder, "Oral history");
        Q_UNUSED(oral);
        // Into a folder; with Ctrl into another one, too.
        dropCollection(item("Evening"), item("Reissues 2027"), {});
        QCOMPARE(item("Evening")->parent(), item("Reissues 2027"));
        dropCollection(item("Evening"), item("Oral history"), Qt::ControlModifier);
        QCOMPARE(d_->controllers().collections.tree().in(reissues).size(), size_t{1});
        QCOMPARE(item("Oral history")->childCount(), 1);
        // Renamed where it stands, it is so in both places.
        page()->collections()->setCurrentItem(item("Oral history")->child(0));
        page()->collections()->rename();
        auto* editor = page()->collections()->findChild<QLineEdit*>();
        QVERIFY(editor);
        editor->setText("Night");
        QTest::keyClick(editor, Qt::Key_Return);
        d_->settle();
        QCOMPARE(item("Reissues 2027")->child(0)->text(0), QString("Night"));
        QCOMPARE(item("Oral history")->child(0)->text(0), QString("Night"));
        // Taken out of one, it stays in the other.
        page()->collections()->setFocus();
        page()->collections()->setCurrentItem(item("Oral history")->child(0));
        QTest::keyClick(page()->collections(), Qt::Key_Delete);
        d_->settle();
        QCOMPARE(item("Oral history")->childCount(), 0);
        QCOMPARE(item("Reissues 2027")->childCount(), 1);
        // Orders of the panel.
        page()->collections()->setOrder(CollectionTree::Order::ByName);
        QCOMPARE(tops(), (QStringList{"Oral history", "Reissues 2027"}));
        page()->collections()->setOrder(CollectionTree::Order::ByHand);
        QCOMPARE(tops(), (QStringList{"Reissues 2027", "Oral history"}));
        // One's own changes nothing for others.
        page()->collections()->setOrder(CollectionTree::Order::Own);
        dropCollectionAt(
            item("Oral history"),
            page()->collections()->visualItemRect(item("Reissues 2027")).topLeft() + QPoint(20, 1), {});
        QCOMPARE(tops(), (QStringList{"Oral history", "Reissues 2027"}));
        page()->collections()->setOrder(CollectionTree::Order::ByHand);
        QCOMPARE(tops(), (QStringList{"Reissues 2027", "Oral history"}));
    }

    void savedSearchesStayUpToDate() {
        type("missing:isrc");
        answer<CollectionDialog>([](CollectionDialog* d) {
            d->nameLine()->setText("To be coded");
            d->okButton()->click();
        });
        page()->saveButton()->click();
        d_->settle();
        QCOMPARE(count("To be coded"), 4);
        type("");
        show("To be coded");
        QCOMPARE(page()->searchBox()->text(), QString("missing:isrc"));
        // A file of the library is changed and written: the list and its count follow.
        FileId id = 0;
        for (const library::FileRecord& f : d_->libraryFiles())
            if (tags::firstValue(f.tags.fields, "title") == "Gorse")
                id = f.id;
        d_->takeUp(id);
        d_->controllers().drafts.session().propose("Edit", {{id, "isrc", {"ZZFSR1900002"}}}, "typed");
        d_->controllers().writing.write();
        d_->settle();
        d_->settle();
        QCOMPARE(count("To be coded"), 3);
        QVERIFY(!titles().contains("Gorse"));
        // It outlives a restart.
        d_.reset();
        d_ = std::make_unique<Driver>(*box_ / "library.db");
        d_->settle();
        d_->window().showWorkspace(MainWindow::Library);
        d_->settle();
        QCOMPARE(count("To be coded"), 3);
        page()->collections()->setCurrentItem(item("To be coded"));
        page()->collections()->removeCurrent();
        d_->settle();
        QVERIFY(!item("To be coded"));
    }

    void whoMaySeeIt() {
        const auto list = make("Evening", {"Gorse"});
        answer<CollectionDialog>([](CollectionDialog* d) {
            d->seenBy()->setCurrentIndex(1);
            QVERIFY(!d->okButton()->isEnabled()); // nobody is named
            d->peopleLine()->setText("Isla Varnholt;  Odran Fell ");
            QVERIFY(d->okButton()->isEnabled());
            d->okButton()->click();
        });
        page()->collectionMenus()->edit(list);
        d_->settle();
        const library::Collection* kept = d_->controllers().collections.tree().find(list);
        QVERIFY(kept->seenBy == library::Collection::SeenBy::Named);
        QCOMPARE(kept->people, (std::vector<std::string>{"Isla Varnholt", "Odran Fell"}));
    }

    void handedOnAndBroughtIn() {
        make("Evening", {"Gorse", "Tide Table"});
        show("Evening");
        const QString target = QString::fromStdString((*box_ / "evening.m3u8").native());
        answer<PlaylistExportDialog>([&](PlaylistExportDialog* d) {
            d->fileLine()->setText("evening.m3u8");
            QVERIFY(!d->exportButton()->isEnabled());
            d->fileLine()->setText(target);
            QVERIFY(d->exportButton()->isEnabled());
            d->styles()->button(2)->click();
            QVERIFY(!d->exportButton()->isEnabled()); // what is it called there?
            d->fromLine()->setText(QString::fromStdString(box_->root().native()));
            d->toLine()->setText("M:\\Music");
            QVERIFY2(d->exampleText().startsWith("M:\\"), qPrintable(d->exampleText()));
            d->styles()->button(0)->click();
            d->exportButton()->click();
        });
        page()->exportPlaylist();
        d_->settle();
        QVERIFY(QFileInfo::exists(target));
        const auto written = exchange::readPlaylistFile(*box_ / "evening.m3u8");
        QCOMPARE(written->entries.size(), size_t{2});
        for (const auto& entry : written->entries)
            QVERIFY(std::filesystem::exists(exchange::pathOfPlace(entry.place, box_->root())));
        // In again, with an entry that is at another place and one that nobody knows.
        exchange::Playlist list = *written;
        list.title = "From the harbour";
        list.entries[0].place = "M:\\Elsewhere\\other.mp3";
        list.entries.push_back({"/gone/nothing.mp3", "Nothing", "Nobody", {}, 10, {}});
        QVERIFY(exchange::savePlaylist(list, *box_ / "other.xspf"));
        answer<PlaylistImportDialog>([&](PlaylistImportDialog* d) {
            QCOMPARE(d->name(), QString("From the harbour"));
            QVERIFY2(d->told().contains("2 tracks found") && d->told().contains("1 left out"),
                     qPrintable(d->told()));
            QVERIFY(d->model()->matches()[0].told.find("Same title and artist") != std::string::npos);
            d->takeButton()->click();
        });
        page()->collectionMenus()->importPlaylist(*box_ / "other.xspf");
        d_->settle();
        QCOMPARE(titles(), (QStringList{"Gorse", "Tide Table"}));
        QVERIFY(item("From the harbour"));
        // One that cannot be read is said, and nothing is made.
        std::filesystem::create_directories(*box_ / "a.m3u8");
        QSignalSpy said(&d_->controllers().messages, &Messages::said);
        page()->collectionMenus()->importPlaylist(*box_ / "a.m3u8");
        d_->settle();
        QCOMPARE(said.size(), 1);
        QVERIFY(said[0][0].toString().contains("cannot be read"));
    }

    /// Six of one name: the good one is found, noted where it was used, and handed on.
    void fromSixOfOneNameToAPlaylistElsewhere() {
        const Path singles = d_->controllers().shelves.all().front().path / "copies";
        for (uint32_t i = 0; i < 6; ++i) {
            const std::string name = "Lanterns " + std::to_string(i) + (i == 4 ? ".flac" : ".mp3");
            test::makeSound(singles, name, 40 + i);
            test::tag(singles / name, {{"title", {"Lanterns"}}, {"artist", {"Kestrel & Rook"}}});
        }
        d_->controllers().shelves.read(d_->controllers().shelves.all());
        d_->settle();
        type("lanterns");
        QCOMPARE(titles().size(), 6);
        type("lanterns bits:>=16"); // what was not lost in coding
        QCOMPARE(titles().size(), 1);
        page()->table()->selectRow(0);
        page()->table()->setFocus();
        QTest::keyClick(page()->table(), Qt::Key_5, Qt::ControlModifier | Qt::AltModifier);
        d_->controllers().recordings.addUse(page()->chosenFiles(),
                                            {"2026-11", "Tide and Timber", "Harbour Radio", ""});
        d_->settle();
        type("rating:5 used:timber");
        QCOMPARE(titles(), QStringList{"Lanterns"});
        answer<CollectionDialog>([](CollectionDialog* d) {
            QTest::keyClicks(d->nameLine(), "For the radio");
            d->okButton()->click();
        });
        page()->collectionMenus()->make(Kind::List, page()->chosenFiles());
        d_->settle();
        answer<PlaylistExportDialog>([&](PlaylistExportDialog* d) {
            d->fileLine()->setText(QString::fromStdString((singles / "radio.xspf").native()));
            d->styles()->button(0)->click();
            d->exportButton()->click();
        });
        page()->exportPlaylist();
        d_->settle();
        // Carried to another place, it opens there.
        std::filesystem::copy(singles, *box_ / "stick");
        const auto list = exchange::readPlaylistFile(*box_ / "stick/radio.xspf");
        QVERIFY(list && list->entries.size() == 1);
        QCOMPARE(exchange::pathOfPlace(list->entries[0].place, *box_ / "stick"),
                 *box_ / "stick/Lanterns 4.flac");
        QVERIFY(std::filesystem::exists(*box_ / "stick/Lanterns 4.flac"));
    }

    void absentOnesStayAndAreCounted() {
        make("Evening", {"Gorse", "Tide Table"});
        for (const library::FileRecord& f : d_->libraryFiles())
            if (tags::firstValue(f.tags.fields, "title") == "Gorse")
                std::filesystem::remove(f.path);
        d_->controllers().shelves.read(d_->controllers().shelves.all());
        d_->settle();
        show("Evening");
        QCOMPARE(titles().size(), 2);
        QVERIFY2(page()->listLine()->text().contains("1 absent"), qPrintable(page()->listLine()->text()));
    }

    void changedByOthersMeanwhile() {
        const auto list = make("Evening", {"Gorse", "Tide Table"});
        show("Evening");
        auto store = std::move(*library::Store::open(*box_ / "library.db"));
        QVERIFY(library::removeFromList(*store, list, {0}));
        store.reset();
        d_->controllers().catchUpWithOthers();
        d_->settle();
        QCOMPARE(titles(), QStringList{"Tide Table"});
        store = std::move(*library::Store::open(*box_ / "library.db"));
        QVERIFY(library::removeCollection(*store, list, 0));
        store.reset();
        d_->controllers().catchUpWithOthers();
        d_->settle();
        QCOMPARE(titles().size(), 6); // it is no more: the whole library again
        QVERIFY(!page()->listLine()->isVisible());
    }

private:
    TrackModel* model() { return static_cast<TrackModel*>(page()->table()->model()); }
    static QStringList sorted(QStringList list) {
        list.sort();
        return list;
    }
    static QString tell(int some, int all) {
        return QString("%1 of %2 tracks \u00B7 under 1 ms").arg(some).arg(all);
    }
    FileId idOf(const QString& title) {
        for (const library::FileRecord& f : d_->libraryFiles())
            if (QString::fromStdString(tags::firstValue(f.tags.fields, "title")) == title)
                return f.id;
        return 0;
    }
    void choose(const QStringList& wanted) {
        QItemSelection rows;
        for (int r = 0; r < model()->rowCount(); ++r)
            if (wanted.contains(model()->index(r, 0).data().toString()))
                rows.select(model()->index(r, 0), model()->index(r, 0));
        page()->table()->selectionModel()->select(rows, QItemSelectionModel::ClearAndSelect |
                                                            QItemSelectionModel::Rows);
        page()->table()->selectionModel()->setCurrentIndex(rows.indexes().front(),
                                                           QItemSelectionModel::NoUpdate);
    }
    library::CollectionId makeOf(Kind kind, const char* name, const std::vector<FileId>& files = {}) {
        library::Collection c;
        c.kind = kind;
        c.name = name;
        library::CollectionId made = 0;
        d_->controllers().collections.make(c, 0, files, [&](library::CollectionId id) { made = id; });
        d_->settle();
        return made;
    }
    library::CollectionId make(const char* name, const QStringList& wanted) {
        std::vector<FileId> files;
        for (const QString& title : wanted)
            files.push_back(idOf(title));
        return makeOf(Kind::List, name, files);
    }
    QTreeWidgetItem* item(const QString& name) {
        const auto found = page()->collections()->findItems(name, Qt::MatchExactly | Qt::MatchRecursive);
        return found.isEmpty() ? nullptr : found.front();
    }
    int count(const QString& name) { return item(name) ? item(name)->data(0, Qt::UserRole + 4).toInt() : -1; }
    QStringList tops() {
        QStringList out;
        for (int i = 0; i < page()->collections()->topLevelItemCount(); ++i)
            out << page()->collections()->topLevelItem(i)->text(0);
        return out;
    }
    void show(const QString& name) {
        QTreeWidget* tree = page()->collections();
        QVERIFY(item(name));
        tree->scrollToItem(item(name));
        QTest::mouseClick(tree->viewport(), Qt::LeftButton, {}, tree->visualItemRect(item(name)).center());
        d_->settle();
        d_->settle();
    }
    QStringList order(library::CollectionId list) {
        QStringList out;
        d_->controllers().collections.read(this, list, [&](const library::ListView& view) {
            for (const FileId id : view.files)
                for (const library::FileRecord& f : d_->libraryFiles())
                    if (f.id == id)
                        out << QString::fromStdString(tags::firstValue(f.tags.fields, "title"));
        });
        d_->settle();
        return out;
    }
    void drop(QMimeData* data, const QPoint& at, Qt::KeyboardModifiers keys) {
        QTreeWidget* tree = page()->collections();
        const Qt::DropActions both = Qt::CopyAction | Qt::MoveAction;
        QDragEnterEvent enter(at, both, data, Qt::LeftButton, keys);
        QApplication::sendEvent(tree->viewport(), &enter);
        QDragMoveEvent move(at, both, data, Qt::LeftButton, keys);
        QApplication::sendEvent(tree->viewport(), &move);
        QVERIFY(move.isAccepted());
        QDropEvent dropped(at, both, data, Qt::LeftButton, keys);
        QApplication::sendEvent(tree->viewport(), &dropped);
        d_->settle();
    }
    void dropTracks(QTreeWidgetItem* on, Qt::KeyboardModifiers keys) {
        auto data = model()->dragged(page()->table()->chosenRows());
        drop(data.get(), page()->collections()->visualItemRect(on).center(), keys);
    }
    void dropCollectionAt(QTreeWidgetItem* what, const QPoint& at, Qt::KeyboardModifiers keys) {
        QTreeWidget* tree = page()->collections();
        std::unique_ptr<QMimeData> data(tree->model()->mimeData({tree->indexFromItem(what)}));
        drop(data.get(), at, keys);
    }
    void dropCollection(QTreeWidgetItem* what, QTreeWidgetItem* on, Qt::KeyboardModifiers keys) {
        dropCollectionAt(what, page()->collections()->visualItemRect(on).center(), keys);
    }
    template<class Dialog>
    void answer(std::function<void(Dialog*)> how) {
        test::answer<Dialog>(this, std::move(how));
    }
};

QTEST_MAIN(TestCollections)
#include "test_collections.moc"
