// SPDX-License-Identifier: GPL-3.0-or-later
// The whole way of work through the real window, on the demo data: drop a folder, type in cells, read names,
// put away, review, write, find, take back.
#include <QtTest>

#include <QApplication>
#include <QDropEvent>
#include <QMimeData>

#include "app/bench/bench_page.h"
#include "app/bench/bring_in_page.h"
#include "app/bench/describe_page.h"
#include "app/bench/put_away_page.h"
#include "app/bench/read_names_dialog.h"
#include "app/bench/review_page.h"
#include "app/journal/journal_page.h"
#include "app/library/library_page.h"
#include "app/shell/foot.h"
#include "app/shell/text_utils.h"
#include "app/widgets/sleeve_list.h"
#include "core/tags/tag_io.h"
#include "support/driver.h"
#include "support/sample_files.h"
#include "support/shared_data.h"

using namespace moorfrost;
using namespace moorfrost::app;

class TestSlice : public QObject {
    Q_OBJECT
private slots:
    void theWholeWayOfWork() {
        test::Sandbox box;
        Path root = test::copyOf(test::sharedDemo(), box / "Tarnholm");
        auto snapshot = [&] {
            std::map<Path, std::string> all;
            for (const auto& e : std::filesystem::recursive_directory_iterator(root / "incoming"))
                if (e.symlink_status().type() == std::filesystem::file_type::regular)
                    all[e.path()] = test::readBytes(e.path());
            return all;
        };
        auto before = snapshot();
        Driver d(box / "library.db");
        MainWindow& w = d.window();
        Controllers& s = d.controllers();
        d.addShelf(root / "Music archive");

        // Drop two folders on the window.
        QMimeData mime;
        mime.setUrls(
            {QUrl::fromLocalFile(QString::fromStdString((root / "incoming/harbour-transfers").native())),
             QUrl::fromLocalFile(QString::fromStdString((root / "incoming/donation-lindqvist").native()))});
        QDragEnterEvent enter({400, 300}, Qt::CopyAction, &mime, Qt::LeftButton, Qt::NoModifier);
        QApplication::sendEvent(&w, &enter);
        QVERIFY(enter.isAccepted());
        QDropEvent drop({400, 300}, Qt::CopyAction, &mime, Qt::LeftButton, Qt::NoModifier);
        QApplication::sendEvent(&w, &drop);
        d.settle();
        QCOMPARE(s.sleeves.files().size(), size_t{46});
        QVERIFY(snapshot() == before); // bringing in only reads
        bool found = false;
        for (const SleeveView& v : s.sleeves.all())
            found = found || (v.title == "Live at Tarnholm Hall" && v.files.size() == 9);
        QVERIFY(found);

        // Describe: type into cells; Enter goes down.
        QTest::keyClick(&w, Qt::Key_3, Qt::AltModifier);
        QVERIFY(d.chooseSleeve("Night Post EP"));
        SheetView* sheet = w.bench()->describe()->sheet();
        auto* model = static_cast<SheetModel*>(sheet->model());
        int title = 0, date = 0;
        for (int c = 0; c < model->columnCount(); ++c) {
            if (model->columns()[static_cast<size_t>(c)] == "title")
                title = c;
            if (model->columns()[static_cast<size_t>(c)] == "date")
                date = c;
        }
        int untitled = 0;
        for (int r = 0; r < model->rowCount(); ++r)
            if (model->index(r, title).data().toString().isEmpty())
                untitled = r;
        sheet->setFocus();
        sheet->setCurrentIndex(model->index(untitled, title));
        QTest::keyClicks(sheet, "C");
        QWidget* editor = QApplication::focusWidget();
        QVERIFY(editor && editor != sheet);
        QTest::keyClicks(editor, "old Slip");
        QTest::keyClick(editor, Qt::Key_Return);
        QCOMPARE(model->index(untitled, title).data().toString(), QString("Cold Slip"));
        QVERIFY(model->index(untitled, title).data(SheetModel::DraftRole).toBool());
        QCOMPARE(sheet->currentIndex().row(), std::min(untitled + 1, model->rowCount() - 1));
        // The dates: set the first, fill down.
        sheet->setCurrentIndex(model->index(0, date));
        QTest::keyClicks(sheet, "1");
        QTest::keyClicks(QApplication::focusWidget(), "998-10-05");
        QTest::keyClick(QApplication::focusWidget(), Qt::Key_Return);
        sheet->selectionModel()->select(
            QItemSelection(model->index(0, date), model->index(model->rowCount() - 1, date)),
            QItemSelectionModel::ClearAndSelect);
        QTest::keyClick(sheet, Qt::Key_D, Qt::ControlModifier);
        for (int r = 0; r < model->rowCount(); ++r)
            QCOMPARE(model->index(r, date).data().toString(), QString("1998-10-05"));
        QVERIFY(snapshot() == before); // drafts first

        // Read names of the untagged sleeve.
        QVERIFY(d.chooseSleeve("Live at Tarnholm Hall"));
        bool taken = false;
        QTimer::singleShot(0, this, [&] {
            auto* dialog = qobject_cast<ReadNamesDialog*>(QApplication::activeModalWidget());
            QVERIFY(dialog);
            dialog->setPlan("{artist}/{album}/{skip}/{track} {title}");
            QTRY_VERIFY(dialog->isRead());
            QCOMPARE(dialog->results()->topLevelItemCount(), 9);
            QTest::mouseClick(dialog->takeButton(), Qt::LeftButton);
            taken = true;
        });
        QTest::keyClick(&w, Qt::Key_R, Qt::ControlModifier);
        QVERIFY(taken);
        d.settle();
        FileId whin = d.fileNamed("01 Whin Moor.mp3");
        QCOMPARE(s.drafts.session().effective(whin, "artist"),
                 std::vector<std::string>{"Odran Fell Quartet"});
        QCOMPARE(s.drafts.session().find(whin, "title")->origin, std::string("read from the name"));

        // Put away both sleeves.
        QTest::keyClick(&w, Qt::Key_4, Qt::AltModifier);
        d.settle();
        QVERIFY(w.bench()->putAway()->isVisible());
        QVERIFY(w.bench()->putAway()->isPlanned());
        QVERIFY(w.bench()->putAway()->draftButton()->isEnabled());
        QTest::mouseClick(w.bench()->putAway()->draftButton(), Qt::LeftButton);
        d.settle();
        QVERIFY(d.chooseSleeve("Night Post EP"));
        QTest::mouseClick(w.bench()->putAway()->draftButton(), Qt::LeftButton);
        d.settle();
        QCOMPARE(s.places.places().moving(), size_t{13});

        // Review lists all of it; one draft is dropped and comes back with undo.
        QTest::mouseClick(w.foot()->writeButton(), Qt::LeftButton);
        d.settle();
        QCOMPARE(w.workspace(), MainWindow::Review);
        QCOMPARE(w.review()->tree()->topLevelItemCount(), 13);
        size_t drafts = s.drafts.session().fieldDrafts();
        w.review()->tree()->topLevelItem(0)->child(0)->setSelected(true);
        w.review()->dropChosen();
        d.settle();
        QCOMPARE(s.drafts.session().fieldDrafts(), drafts - 1);
        QTest::keyClick(&w, Qt::Key_Z, Qt::ControlModifier);
        d.settle();
        QCOMPARE(s.drafts.session().fieldDrafts(), drafts);
        QVERIFY(snapshot() == before);

        // Write.
        QTest::mouseClick(w.foot()->writeButton(), Qt::LeftButton);
        d.settle();
        QVERIFY(s.writing.lastReport());
        QCOMPARE(s.writing.lastReport()->failed, size_t{0});
        QCOMPARE(s.drafts.session().fieldDrafts(), size_t{0});

        QVERIFY(std::filesystem::exists(
            root / "Music archive/The Hollow Ferry/1998 Night Post EP/03 Cold Slip.flac"));
        Path whinNow;
        s.files.withFile(this, whin, [&](const FilePtr& f) { whinNow = f->path; });
        d.settle();
        QVERIFY2(whinNow.native().starts_with((root / "Music archive").native()), whinNow.c_str());
        QCOMPARE(test::probeTags(whinNow)["title"], std::string("Whin Moor"));
        QCOMPARE(s.sleeves.files().size(), size_t{33});

        // Find: without case and diacritics, as one types.
        QTest::keyClick(&w, Qt::Key_F, Qt::ControlModifier);
        QTest::keyClicks(w.library()->searchBox(), "COLD sl");
        d.settle();
        QVERIFY(w.library()->isSearched());
        QCOMPARE(w.library()->table()->model()->rowCount(), 1);
        QCOMPARE(w.library()->table()->model()->index(0, 0).data().toString(), QString("Cold Slip"));

        // Take back from the journal.
        QTest::keyClick(&w, Qt::Key_6, Qt::ControlModifier);
        d.settle();
        QCOMPARE(w.journal()->sets()->count(), 1);
        QVERIFY(w.journal()->files()->topLevelItemCount() >= 13);
        QTest::mouseClick(w.journal()->takeBackButton(), Qt::LeftButton);
        d.settle();
        auto after = snapshot();
        for (const auto& [path, bytes] : before)
            QVERIFY2(after[path] == bytes, path.c_str());
        QCOMPARE(after.size(), before.size());
        QCOMPARE(s.sleeves.files().size(), size_t{46});
        QVERIFY(d.libraryFiles().empty());
        QVERIFY(std::filesystem::is_empty(root / "Music archive"));
    }

    void draftsSurviveARestart() {
        test::Sandbox box;
        test::tag(test::makeSound(box / "in", "a.flac"), {{"title", {"Old"}}});
        FileId id = 0;
        {
            Driver d(box / "library.db");
            d.bringIn({box / "in"});
            id = d.fileNamed("a.flac");
            d.controllers().drafts.session().propose("Edit", {{id, "title", {"New"}}}, "typed");
            d.settle();
        }
        Driver d(box / "library.db");
        QCOMPARE(d.controllers().sleeves.files().size(), size_t{1});
        QCOMPARE(d.controllers().drafts.session().effective(id, "title"), std::vector<std::string>{"New"});
        QCOMPARE(tags::readTags(box / "in/a.flac")->fields["title"].front(), std::string("Old"));
    }

    void oneBadFileStopsOnlyItself() {
        test::Sandbox box;
        for (const char* name : {"a.flac", "b.flac", "c.flac"})
            test::makeSound(box / "in", name);
        Driver d(box / "library.db");
        d.bringIn({box / "in"});
        Controllers& s = d.controllers();
        std::vector<library::DraftSession::Wish> wishes;
        for (FileId id : s.sleeves.files())
            wishes.push_back({id, "title", {"New"}});
        FileId gone = d.fileNamed("b.flac"), changed = d.fileNamed("c.flac");
        s.drafts.session().propose("Edit", wishes, "typed");
        std::filesystem::remove(box / "in/b.flac");
        test::tag(box / "in/c.flac", {{"title", {"by another program"}}});
        d.window().showWorkspace(MainWindow::Review);
        d.settle();
        QTest::mouseClick(d.window().foot()->writeButton(), Qt::LeftButton);
        d.settle();
        QCOMPARE(s.writing.lastReport()->done, size_t{1});
        QCOMPARE(s.writing.lastReport()->failed, size_t{2});
        QCOMPARE(tags::readTags(box / "in/a.flac")->fields["title"].front(), std::string("New"));
        QCOMPARE(tags::readTags(box / "in/c.flac")->fields["title"].front(),
                 std::string("by another program"));
        QVERIFY(s.drafts.session().find(gone, "title")); // what was not written is kept
        QVERIFY(s.drafts.session().find(changed, "title"));
        // The reasons stand first in the report.
        QVERIFY(!w(d).review()->tree()->topLevelItem(0)->text(3).isEmpty());
        QVERIFY(w(d).review()->tree()->topLevelItem(0)->text(3) != "written");
    }

    void fromTheLibraryBackToTheBench() {
        test::Sandbox box;
        std::filesystem::create_directories(box / "shelf");
        test::tag(test::makeSound(box / "in", "a.ogg"), {{"title", {"Gorse"}},
                                                         {"artist", {"Isla Varnholt"}},
                                                         {"album", {"Salt Road"}},
                                                         {"date", {"2019"}},
                                                         {"track", {"5"}}});
        Driver d(box / "library.db");
        d.addShelf(box / "shelf");
        d.bringIn({box / "in"});
        Controllers& s = d.controllers();
        d.window().bench()->showStep(BenchPage::PutAway);
        d.settle();
        d.window().bench()->putAway()->draftButton()->click();
        d.settle();
        d.window().showWorkspace(MainWindow::Review);
        d.settle();
        d.window().foot()->writeButton()->click();
        d.settle();
        QCOMPARE(d.libraryFiles().size(), size_t{1});
        QVERIFY(s.sleeves.files().empty());
        d.window().showWorkspace(MainWindow::Library);
        d.settle();
        d.window().library()->table()->selectRow(0);
        QTest::keyClick(&d.window(), Qt::Key_B, Qt::ControlModifier);
        d.settle();
        QCOMPARE(d.window().workspace(), MainWindow::Bench);
        QCOMPARE(s.sleeves.files().size(), size_t{1});
        // A new title moves it within the shelf.
        FileId id = s.sleeves.files().front();
        s.drafts.session().propose("Edit", {{id, "title", {"Gorse (single)"}}}, "typed");
        d.settle();
        d.window().bench()->putAway()->draftButton()->click();
        d.settle();
        QCOMPARE(s.places.places().moving(), size_t{1});
        d.window().showWorkspace(MainWindow::Review);
        d.settle();
        d.window().foot()->writeButton()->click();
        d.settle();
        QVERIFY(std::filesystem::exists(box / "shelf/Isla Varnholt/2019 Salt Road/05 Gorse (single).ogg"));
        QVERIFY(!std::filesystem::exists(box / "shelf/Isla Varnholt/2019 Salt Road/05 Gorse.ogg"));
    }

private:
    MainWindow& w(Driver& d) { return d.window(); }
};

int main(int argc, char** argv) {
    qputenv("QT_QPA_PLATFORM", "offscreen");
    QApplication application(argc, argv);
    Driver::prepareApplication();
    TestSlice test;
    return QTest::qExec(&test, argc, argv);
}
#include "test_slice.moc"
