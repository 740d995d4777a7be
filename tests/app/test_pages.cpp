// SPDX-License-Identifier: GPL-3.0-or-later
// The pages by mouse and keyboard: put away, library, settings, messages.
#include <QtTest>

#include <QApplication>
#include <QCheckBox>
#include <QHeaderView>
#include <QMenu>
#include <QRadioButton>
#include <QSettings>

#include "app/bench/bench_page.h"
#include "app/bench/bring_in_page.h"
#include "app/bench/describe_page.h"
#include "app/bench/put_away_page.h"
#include "app/bench/review_page.h"
#include "app/help/help.h"
#include "app/journal/journal_page.h"
#include "app/library/library_page.h"
#include "app/settings/settings_page.h"
#include "app/shell/foot.h"
#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/chip_editor.h"
#include "app/widgets/controls.h"
#include "app/widgets/covers.h"
#include "app/widgets/sleeve_list.h"
#include "core/tags/tag_io.h"
#include "demo/pictures.h"
#include "support/sample_files.h"
#include "support/small_batch.h"

using namespace moorfrost;
using namespace moorfrost::app;

class TestPages : public QObject, SmallBatch {
    Q_OBJECT

    QStringList rows(int column) {
        QStringList out;
        QAbstractItemModel* m = w().library()->table()->model();
        for (int r = 0; r < m->rowCount(); ++r)
            out << m->index(r, column).data().toString();
        return out;
    }

private slots:
    void init() { begin(); }
    void cleanup() { end(); }

    void theTreeIsTheShelfAsItWillBe() {
        makeBatch();
        w().bench()->showStep(BenchPage::PutAway);
        d_->settle();
        const QAbstractItemModel& tree = *putAway()->tree()->model();
        QCOMPARE(tree.rowCount(), 1);
        const QModelIndex root = tree.index(0, 0), artist = tree.index(0, 0, root),
                          album = tree.index(0, 0, artist);
        QCOMPARE(root.data().toString(), QString("shelf"));
        QCOMPARE(tree.rowCount(root), 2);
        QCOMPARE(artist.data().toString(), QString("Isla Varnholt"));
        QCOMPARE(album.data().toString(), QString("2019 Salt Road"));
        QCOMPARE(tree.rowCount(album), 3);
        QCOMPARE(tree.index(0, 0, album).data().toString(), QString("01 Tide Table.flac"));
        QVERIFY(tree.index(0, 1, album).data().toString().endsWith("in/a1.flac"));
        QCOMPARE(tree.parent(tree.index(2, 1, album)), album);
        // The plan as one types: the tree follows.
        putAway()->editor()->showText(true);
        putAway()->editor()->edit()->selectAll();
        QTest::keyClicks(putAway()->editor()->edit(), "{{artist}} - {title}");
        d_->settle();
        QCOMPARE(tree.index(0, 0, tree.index(0, 0)).data().toString(), QString("{artist} - Gorse.mp3"));
        // With an error the last good tree stays, and the place is said.
        QTest::keyClicks(putAway()->editor()->edit(), "{");
        d_->settle();
        QVERIFY(putAway()->editor()->error().contains("never closed"));
        QCOMPARE(tree.rowCount(tree.index(0, 0)), 6);
        QVERIFY(!putAway()->draftButton()->isEnabled());
    }

    void movesFollowWhatIsEditedLater() {
        makeBatch();
        w().bench()->showStep(BenchPage::PutAway);
        d_->settle();
        putAway()->draftButton()->click();
        d_->settle();
        QCOMPARE(s().places.places().moving(), size_t{6});
        FileId id = d_->fileNamed("a2.mp3");
        s().drafts.session().propose("Edit", {{id, "title", {"Gorse in Bloom"}}}, "typed");
        d_->settle();
        QCOMPARE(s().places.places().of(id)->to,
                 *box_ / "shelf/Isla Varnholt/2019 Salt Road/02 Gorse in Bloom.mp3");
        // Another plan: the moves that are drafted follow it.
        putAway()->editor()->setText("{title}");
        d_->settle();
        QCOMPARE(s().places.places().of(id)->to, *box_ / "shelf/Gorse in Bloom.mp3");
        // Drop the moves: they are gone, the other draft stays.
        named<QPushButton>(putAway(), "Drop moves")->click();
        d_->settle();
        QCOMPARE(s().places.places().moving(), size_t{0});
        QCOMPARE(s().drafts.session().fieldDrafts(), size_t{1});
    }

    void writingWaitsForThePlacesOfTheLastEdit() {
        makeBatch();
        w().bench()->showStep(BenchPage::PutAway);
        d_->settle();
        putAway()->draftButton()->click();
        d_->settle();
        w().showWorkspace(MainWindow::Review);
        d_->settle();
        // An edit and Write in the same moment: the file goes where its new title says.
        s().drafts.session().propose("Edit", {{d_->fileNamed("a2.mp3"), "title", {"Gorse in Bloom"}}},
                                     "typed");
        s().writing.write();
        d_->settle();
        QCOMPARE(s().writing.lastReport()->failed, size_t{0});
        QVERIFY(std::filesystem::exists(*box_ / "shelf/Isla Varnholt/2019 Salt Road/02 Gorse in Bloom.mp3"));
        QVERIFY(!std::filesystem::exists(*box_ / "shelf/Isla Varnholt/2019 Salt Road/02 Gorse.mp3"));
    }

    void whatIsTypedWhileTheLibraryIsReadStays() {
        makeBatch();
        FileId id = d_->fileNamed("a1.flac");
        s().shelves.add("second", *box_ / "in"); // reads the library anew
        s().drafts.session().propose("Edit", {{id, "genre", {"Folk"}}}, "typed");
        QTest::qWait(0);
        d_->settle();
        QCOMPARE(s().shelves.all().size(), size_t{2});
        QCOMPARE(s().drafts.session().effective(id, "genre"), std::vector<std::string>{"Folk"});
    }

    void copiesLeaveTheFiles() {
        makeBatch();
        w().bench()->showStep(BenchPage::PutAway);
        d_->settle();
        named<QPushButton>(putAway(), "Copy")->click();
        d_->settle();
        QCOMPARE(putAway()->draftButton()->text(), QString("Draft 6 copies"));
        putAway()->draftButton()->click();
        d_->settle();
        write();
        QCOMPARE(s().writing.lastReport()->done, size_t{6});
        for (const char* name : {"a1.flac", "b3.wav"})
            QVERIFY(std::filesystem::exists(*box_ / "in" / name));
        QCOMPARE(d_->libraryFiles().size(), size_t{6});
        QVERIFY(s().sleeves.files().empty());
        // The report offers to take it back at once.
        QTest::mouseClick(named<QPushButton>(w().review(), "Take back"), Qt::LeftButton);
        d_->settle();
        QVERIFY(d_->libraryFiles().empty());
        QVERIFY(std::filesystem::is_empty(*box_ / "shelf"));
        QCOMPARE(s().sleeves.files().size(), size_t{6});
    }

    void picturesGoAlongIfWished() {
        makeBatch();
        test::writeBytes(*box_ / "in/notes.txt", "x");
        w().bench()->showStep(BenchPage::PutAway);
        d_->settle();
        auto texts = [&] {
            QStringList all;
            const PlacedFiles& placed = putAway()->tree()->placed();
            for (size_t i = 0; i < placed.size(); ++i)
                all << QString::fromStdString(placed.at(i).to.filename().native());
            return all;
        };
        QVERIFY(texts().contains("notes.txt"));
        named<QCheckBox>(putAway(), "pictures, notes and logs go along")->click();
        d_->settle();
        QVERIFY(!texts().contains("notes.txt"));
    }

    void theStrictestNames() {
        makeBatch();
        w().showWorkspace(MainWindow::Settings);
        named<QRadioButton>(&w(), "Strict ASCII")->click();
        w().showWorkspace(MainWindow::Bench);
        w().bench()->showStep(BenchPage::PutAway);
        d_->settle();
        putAway()->draftButton()->click();
        d_->settle();
        QCOMPARE(s().places.places().of(d_->fileNamed("b3.wav"))->to.filename(), Path("03 Ase's Waltz.wav"));
    }

    void libraryColumnsAndSorting() {
        makeBatch();
        putAllAway();
        w().showWorkspace(MainWindow::Library);
        d_->settle();
        SheetView* table = w().library()->table();
        QCOMPARE(table->model()->rowCount(), 6);
        // By artist first, within an artist in the order of the album: 1, 2, 10.
        QCOMPARE(rows(0).mid(0, 3), (QStringList{"Tide Table", "Gorse", "Last Ferry Home"}));
        auto click = [&](int column) {
            QHeaderView* h = table->horizontalHeader();
            QTest::mouseClick(h->viewport(), Qt::LeftButton, {},
                              QPoint(h->sectionViewportPosition(column) + 12, 12));
            d_->settle();
        };
        click(0);
        QCOMPARE(rows(0).front(), QString("Åse's Waltz"));
        click(0);
        QCOMPARE(rows(0).front(), QString("Undertow"));
        // It cannot be edited here.
        QVERIFY(!(table->model()->index(0, 0).flags() & Qt::ItemIsEditable));
        // Details of the chosen one.
        table->selectRow(0);
        d_->settle();
        QVERIFY(named<QLabel>(w().library(), "Undertow"));
        QVERIFY(named<QLabel>(w().library(), "Opus"));
    }

    void searchNarrowsAsOneTypes() {
        makeBatch();
        putAllAway();
        QTest::keyClick(&w(), Qt::Key_F, Qt::ControlModifier);
        QCOMPARE(QApplication::focusWidget(), w().library()->searchBox());
        const std::pair<const char*, int> steps[] = {{"k", -1}, {"e", -1}, {"strel", 3}, {" ase", 1}};
        for (const auto& [typed, hits] : steps) {
            QTest::keyClicks(w().library()->searchBox(), typed);
            d_->settle();
            if (hits >= 0)
                QCOMPARE(w().library()->table()->model()->rowCount(), hits);
        }
        // Enter goes to the table.
        QTest::keyClick(w().library()->searchBox(), Qt::Key_Return);
        QCOMPARE(QApplication::focusWidget(), w().library()->table());
        w().library()->searchBox()->setText("nothing like it");
        d_->settle();
        QCOMPARE(w().library()->table()->model()->rowCount(), 0);
    }

    void coversComeInTheBackground() {
        Path file = test::makeSound(*box_ / "in", "a.flac");
        d_ = std::make_unique<Driver>(*box_ / "library.db");
        d_->bringIn({*box_ / "in"});
        QVERIFY(
            Covers::instance().cover(*s().files.file(d_->fileNamed("a.flac")), 44).isNull()); // it has none
        library::FileRecord pretend = *s().files.file(d_->fileNamed("a.flac"));
        pretend.tags.pictures.push_back(
            {"front cover", "image/jpeg", "", 10, 10, 100}); // gone since it was read
        QVERIFY(Covers::instance().isIdle());                // and was not even looked for
        QSignalSpy ready(&Covers::instance(), &Covers::ready);
        QVERIFY(Covers::instance().cover(pretend, 44).isNull());
        QVERIFY(!Covers::instance().isIdle());
        QVERIFY(ready.wait(20000)); // it was looked for, once, and there is none
        QVERIFY(Covers::instance().cover(pretend, 44).isNull());
        QVERIFY(Covers::instance().isIdle());
    }

    void sleevesAreChosenAndNarrowTheWork() {
        makeBatch();
        SleeveList* list = w().bench()->sleeves();
        QCOMPARE(list->count(), 2);
        QCOMPARE(list->chosenFiles().size(), size_t{6}); // none chosen is all
        QVERIFY(d_->chooseSleeve("Lanterns"));
        QCOMPARE(list->chosenFiles().size(), size_t{3});
        w().bench()->showStep(BenchPage::Describe);
        QCOMPARE(w().bench()->describe()->sheet()->model()->rowCount(), 3);
        // An edit of the album changes the title of the sleeve, not what is in it, and it stays chosen.
        std::vector<library::DraftSession::Wish> wishes;
        for (FileId id : list->chosenFiles())
            wishes.push_back({id, "album", {"Lanterns (2021)"}});
        s().drafts.session().propose("Edit", wishes, "typed");
        d_->settle();
        QCOMPARE(list->chosenFiles().size(), size_t{3});
        QCOMPARE(list->chosen().front()->title, QString("Lanterns (2021)"));
        QVERIFY(list->model()->index(0, 0).data(Qt::ToolTipRole).toString().contains("Track numbers"));
        named<QPushButton>(w().bench(), "show all")->click();
        QCOMPARE(w().bench()->describe()->sheet()->model()->rowCount(), 6);
    }

    void rowsDoNotMoveWhileTheyAreEdited() {
        makeBatch();
        d_->chooseSleeve("Salt Road");
        w().bench()->showStep(BenchPage::Describe);
        auto* model = static_cast<SheetModel*>(w().bench()->describe()->sheet()->model());
        std::vector<FileId> before = model->files();
        s().drafts.session().propose("Edit", {{before[0], "track", {"30"}}, {before[2], "track", {"1"}}},
                                     "typed");
        d_->settle();
        QVERIFY(model->files() == before);
        s().batch.sortAnew();
        d_->settle();
        QVERIFY(model->files() != before);
    }

    void theThemeChangesAtOnce() {
        makeBatch();
        w().showWorkspace(MainWindow::Settings);
        named<QRadioButton>(&w(), "Night moor (dark)")->click();
        QVERIFY(theme::colours().dark);
        QCOMPARE(QSettings().value("theme").toString(), QString("dark"));
        QImage dark = w().grab().toImage();
        named<QRadioButton>(&w(), "Frost (light)")->click();
        QVERIFY(!theme::colours().dark);
        QImage light = w().grab().toImage();
        QVERIFY(qGray(dark.pixel(600, 300)) < 60);
        QVERIFY(qGray(light.pixel(600, 300)) > 200);
    }

    void shelvesAreListedAndForgotten() {
        makeBatch();
        putAllAway();
        QCOMPARE(s().shelves.all().size(), size_t{1});
        s().shelves.rename(s().shelves.all()[0].id, "Archive");
        d_->settle();
        w().showWorkspace(MainWindow::Settings);
        QVERIFY(named<QLabel>(&w(), "Archive"));
        s().shelves.remove(s().shelves.all()[0].id);
        d_->settle();
        QVERIFY(s().shelves.all().empty());
        QVERIFY(d_->libraryFiles().empty());
        QVERIFY(std::filesystem::exists(
            *box_ / "shelf/Isla Varnholt/2019 Salt Road/02 Gorse.mp3")); // no file is touched
        w().showWorkspace(MainWindow::Bench);
        w().bench()->showStep(BenchPage::PutAway);
        d_->settle();
        QVERIFY(putAway()->findChild<EmptyHint*>()->isVisible()); // it says what to do next
    }

    void everyScreenExplainsItself() {
        makeBatch();
        std::set<QString> pages;
        for (auto workspace :
             {MainWindow::Bench, MainWindow::Library, MainWindow::Releases, MainWindow::Audit,
              MainWindow::Deliver, MainWindow::Journal, MainWindow::Settings, MainWindow::Review}) {
            w().showWorkspace(workspace);
            QTest::keyClick(&w(), Qt::Key_F1);
            QVERIFY(w().help()->window() && w().help()->window()->isVisible());
            pages.insert(w().help()->window()->page());
            w().help()->window()->close();
        }
        QCOMPARE(pages, (std::set<QString>{"bring-in", "library", "releases", "audit", "deliver", "journal",
                                           "settings", "writing"}));
    }

    void aSecondLookAtTheSameFolderSeesWhatIsNew() {
        makeBatch();
        test::tag(test::makeSound(*box_ / "in", "a3.flac"),
                  {{"title", {"Winter Harbour"}}, {"album", {"Salt Road"}}});
        test::tag(*box_ / "in/a2.mp3", {{"title", {"Gorse, again"}}});
        d_->bringIn({*box_ / "in"});
        QCOMPARE(s().sleeves.files().size(), size_t{7});
        QCOMPARE(s().drafts.session().effective(d_->fileNamed("a2.mp3"), "title"),
                 std::vector<std::string>{"Gorse, again"});
    }
};

int main(int argc, char** argv) {
    qputenv("QT_QPA_PLATFORM", "offscreen");
    QApplication application(argc, argv);
    Driver::prepareApplication();
    TestPages test;
    return QTest::qExec(&test, argc, argv);
}
#include "test_pages.moc"
