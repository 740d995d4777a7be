// SPDX-License-Identifier: GPL-3.0-or-later
// Sleeves in the window: they form while files come in, say why, and stay as hands have put them.
#include <QtTest>

#include <QAbstractItemModelTester>

#include <QInputDialog>
#include <QLineEdit>
#include <QListWidget>
#include <QMenu>
#include <QPlainTextEdit>
#include <QTreeWidget>

#include "app/bench/batch_dialog.h"
#include "app/bench/bench_page.h"
#include "app/bench/bring_in_page.h"
#include "app/bench/describe_page.h"
#include "app/bench/sleeve_tools.h"
#include "app/shell/text_utils.h"
#include "app/widgets/file_drag.h"
#include "app/widgets/sleeve_list.h"
#include "support/driver.h"
#include "support/sample_files.h"

using namespace moorfrost;
using namespace moorfrost::app;

class TestSleeves : public QObject {
    Q_OBJECT

    std::unique_ptr<test::Sandbox> box_;
    std::unique_ptr<Driver> d_;

    Controllers& s() { return d_->controllers(); }
    BenchPage* bench() { return d_->window().bench(); }
    SleeveList* list() { return bench()->sleeves(); }
    void song(const char* folder, const char* name, const char* album, const char* track) {
        tags::Fields fields = {{"title", {name}}, {"artist", {"Isla Varnholt"}}};
        if (*album)
            fields["album"] = {album};
        if (*track)
            fields["track"] = {track};
        test::tag(test::makeSound(*box_ / folder, std::string(name) + ".flac"), fields);
    }
    /// "Salt Road: Gorse, Undertow, Kelp | Strays: Quay", in the order of the list.
    QString shape() {
        QStringList out;
        for (const SleeveView& v : s().sleeves.all()) {
            QStringList names;
            for (FileId id : v.files)
                names << qs(s().files.file(id)->path.stem().native());
            out << v.title + ": " + names.join(", ");
        }
        return out.join(" | ");
    }
    void drop(const std::vector<FileId>& files, const QModelIndex& on) {
        auto data = drag::dataOf(files);
        list()->model()->dropMimeData(data.get(), Qt::MoveAction, -1, -1, on);
        d_->settle();
    }
    QModelIndex row(const QString& title) {
        for (int i = 0; i < list()->count(); ++i)
            if (s().sleeves.all()[static_cast<size_t>(i)].title == title)
                return list()->model()->index(i, 0);
        return {};
    }
    void chooseFile(const QString& name) {
        bench()->bringIn()->tree()->selectionModel()->setCurrentIndex(
            d_->bringInRow(name), QItemSelectionModel::ClearAndSelect | QItemSelectionModel::Rows);
    }
    /// Types into the next modal dialog and accepts it.
    void answer(const QString& text) {
        QTimer::singleShot(0, this, [text] {
            auto* dialog = qobject_cast<QDialog*>(QApplication::activeModalWidget());
            QVERIFY(dialog);
            auto* line = dialog->findChild<QLineEdit*>();
            line->selectAll();
            QTest::keyClicks(line, text);
            if (text.isEmpty())
                line->clear();
            QTest::keyClick(line, Qt::Key_Return);
        });
    }

    static FolderModel::Group group(const char* key, const std::vector<FilePtr>& files) {
        static std::map<std::string, std::pair<std::vector<FilePtr>, uint64_t>> given;
        static uint64_t versions = 1u << 20;
        auto& [before, version] = given[key];
        if (before != files || version == 0)
            version = ++versions;
        before = files;
        return {key, version, [files] { return files; }};
    }
    /// Each must be under its own folder, in order.
    static std::set<FilePtr> shownIn(const FolderModel& model) {
        std::set<FilePtr> out;
        Path before;
        for (int f = 0; f < model.rowCount(); ++f) {
            const std::vector<FilePtr> files = model.filesAt(model.index(f, 0));
            if (files.empty() || !(before < files.front()->path.parent_path()))
                return {};
            before = files.front()->path.parent_path();
            for (const FilePtr& file : files)
                if (file->path.parent_path() == before)
                    out.insert(file);
        }
        return out;
    }

private slots:
    void initTestCase() { Driver::prepareApplication("light"); }
    void init() {
        box_ = std::make_unique<test::Sandbox>();
        song("in", "Gorse", "Salt Road", "1");
        song("in", "Undertow", "Salt Raod", "2"); // misspelled
        song("in", "Kelp", "Salt Road", "3");
        song("in", "Tide", "Lanterns", "1");
        song("in", "Ferry", "Lanterns", "2");
        song("strays", "Quay", "", "");
        d_ = std::make_unique<Driver>(*box_ / "library.db");
        d_->bringIn({*box_ / "in", *box_ / "strays"});
    }
    void cleanup() { d_.reset(); }

    void theyFormAndSayWhy() {
        QCOMPARE(shape(), QString("Lanterns: Tide, Ferry | Salt Road: Gorse, Undertow, Kelp | Strays: Quay"));
        const QString tip = row("Salt Road").data(Qt::ToolTipRole).toString();
        QVERIFY2(tip.contains("\"Salt Raod\""), qPrintable(tip));
        // The reasons are kept with the batch.
        d_.reset();
        d_ = std::make_unique<Driver>(*box_ / "library.db");
        d_->settle();
        QCOMPARE(row("Salt Road").data(Qt::ToolTipRole).toString(), tip);
    }

    void aSleeveIsSplitAndBack() {
        song("in/CD1", "Slack Water", "Night Post", "1");
        song("in/CD1", "Cold Slip", "Night Post", "2");
        song("in/CD2", "Ferryman", "Night Post", "1");
        d_->bringIn({*box_ / "in"});
        const QString whole = shape();
        QVERIFY2(whole.contains("Night Post: Slack Water, Cold Slip, Ferryman") ||
                     whole.contains("Night Post: Slack Water, Ferryman, Cold Slip"),
                 qPrintable(whole));
        list()->setCurrentIndex(row("Night Post"));
        d_->settle();
        // From the keyboard: only what tells them apart can be chosen.
        QTimer::singleShot(0, this, [] {
            auto* menu = qobject_cast<QMenu*>(QApplication::activePopupWidget());
            QVERIFY(menu);
            QStringList can;
            for (QAction* a : menu->actions())
                if (a->isEnabled())
                    can << a->text();
            QCOMPARE(can, QStringList{"Folder: into 2 sleeves"});
            menu->setActiveAction(menu->actions().front());
            QTest::keyClick(menu, Qt::Key_Return);
        });
        bench()->sleeveTools()->split();
        d_->settle();
        QVERIFY2(shape().contains("Night Post (CD2): Ferryman"), qPrintable(shape()));
        s().batch.sortAnew(); // it stays
        d_->settle();
        QVERIFY(shape().contains("Night Post (CD2): Ferryman"));
        QVERIFY(row("Night Post (CD2)").data(Qt::ToolTipRole).toString().contains("split off"));
        s().batch.undoByHand();
        d_->settle();
        QCOMPARE(shape(), whole);
    }

    void filesAreDraggedAndStay() {
        // From the folders to a sleeve, as the drag carries them.
        const FolderModel* folders = bench()->bringIn()->model();
        std::unique_ptr<QMimeData> carried(folders->mimeData({d_->bringInRow("Quay")}));
        QCOMPARE(drag::filesOf(carried.get()), std::vector<FileId>{d_->fileNamed("Quay.flac")});
        drop(drag::filesOf(carried.get()), row("Lanterns"));
        QCOMPARE(shape(), QString("Lanterns: Tide, Ferry, Quay | Salt Road: Gorse, Undertow, Kelp"));
        QVERIFY(row("Lanterns").data(Qt::ToolTipRole).toString().contains("by hand"));
        s().batch.sortAnew();
        d_->settle();
        QCOMPARE(shape(), QString("Lanterns: Tide, Ferry, Quay | Salt Road: Gorse, Undertow, Kelp"));
        song("later", "Dunes", "", "");
        d_->bringIn({*box_ / "later"}); // more comes
        d_.reset();
        d_ = std::make_unique<Driver>(*box_ / "library.db"); // and another day
        d_->settle();
        QCOMPARE(shape(),
                 QString("Lanterns: Tide, Ferry, Quay | Salt Road: Gorse, Undertow, Kelp | Strays: Dunes"));
        // To the strays, and one sleeve on another.
        drop({d_->fileNamed("Quay.flac")}, row("Strays"));
        QCOMPARE(shape(),
                 QString("Lanterns: Tide, Ferry | Salt Road: Gorse, Undertow, Kelp | Strays: Dunes, Quay"));
        std::unique_ptr<QMimeData> sleeve(list()->model()->mimeData({row("Salt Road")}));
        drop(drag::filesOf(sleeve.get()), row("Lanterns"));
        QCOMPARE(list()->count(), 2);
        QCOMPARE(s().sleeves.all().front().files.size(), size_t{5});
        // All of it back as Moorfrost sorts it.
        s().batch.letSort(s().sleeves.files());
        d_->settle();
        QCOMPARE(shape(),
                 QString("Lanterns: Tide, Ferry | Salt Road: Gorse, Undertow, Kelp | Strays: Dunes, Quay"));
    }

    // Where a hand has put something, what was there stays with it: it was put beside just these.
    void whatIsInASleeveThatAHandWasLaidOnStays() {
        drop({d_->fileNamed("Quay.flac")}, row("Lanterns"));
        s().drafts.session().propose("Edit",
                                     {{d_->fileNamed("Tide.flac"), "album", {"Salt Road"}},
                                      {d_->fileNamed("Tide.flac"), "track", {"4"}}},
                                     "typed");
        s().batch.sortAnew();
        d_->settle();
        for (const char* name : {"Quay.flac", "Tide.flac", "Ferry.flac"})
            QVERIFY2(s().sleeves.all().front().files.size() == 3 &&
                         std::ranges::count(s().sleeves.all().front().files, d_->fileNamed(name)) == 1,
                     qPrintable(shape()));
        // Without a hand on it, the file goes where its album says.
        s().batch.letSort(s().sleeves.files());
        d_->settle();
        const SleeveView* road = nullptr;
        for (const SleeveView& v : s().sleeves.all())
            if (std::ranges::count(v.files, d_->fileNamed("Gorse.flac")))
                road = &v;
        QVERIFY2(road && std::ranges::count(road->files, d_->fileNamed("Tide.flac")) == 1,
                 qPrintable(shape()));
    }

    void byTheKeyboard() {
        bench()->showStep(BenchPage::BringIn);
        chooseFile("Quay");
        answer("salt");
        QTest::keyClick(&d_->window(), Qt::Key_J, Qt::ControlModifier);
        d_->settle();
        QCOMPARE(shape(), QString("Lanterns: Tide, Ferry | Salt Road: Gorse, Undertow, Kelp, Quay"));
        chooseFile("Tide");
        answer("Midsummer");
        QTest::keyClick(&d_->window(), Qt::Key_J, Qt::ControlModifier);
        d_->settle();
        QCOMPARE(shape(),
                 QString("Lanterns: Ferry | Midsummer: Tide | Salt Road: Gorse, Undertow, Kelp, Quay"));
        // Renamed, and named by its album again.
        list()->choose(1);
        answer("Midsummer concert");
        QTest::keyClick(&d_->window(), Qt::Key_F2, Qt::ShiftModifier);
        d_->settle();
        QVERIFY2(shape().contains("Midsummer concert: Tide"), qPrintable(shape()));
        answer("");
        QTest::keyClick(&d_->window(), Qt::Key_F2, Qt::ShiftModifier);
        d_->settle();
        QVERIFY2(shape().contains("Lanterns: Tide"), qPrintable(shape()));
        // Merged; what is chosen stays chosen.
        list()->selectAll();
        QTest::keyClick(&d_->window(), Qt::Key_M, Qt::ControlModifier);
        d_->settle();
        QCOMPARE(s().sleeves.all().size(), size_t{1});
        QCOMPARE(s().sleeves.all().front().files.size(), size_t{6});
        QVERIFY(s().sleeves.all().front().why.contains("merged by hand from 3 sleeves"));
        QCOMPARE(list()->chosenKeys().size(), size_t{1});
        // The sheet's files can be moved, too.
        bench()->showStep(BenchPage::Describe);
        d_->settle();
        SheetView* sheet = bench()->describe()->sheet();
        sheet->setCurrentIndex(sheet->model()->index(0, 0));
        QCOMPARE(sheet->chosenFiles().size(), size_t{1});
        bench()->sleeveTools()->toStrays();
        d_->settle();
        QCOMPARE(s().sleeves.all().size(), size_t{2});
        QVERIFY(s().sleeves.all().back().isStrays());
    }

    void whatHandsDidCanBeUndone() {
        const QString first = shape();
        QVERIFY(!s().batch.batch().canUndoByHand());
        s().batch.putIntoSleeve({d_->fileNamed("Quay.flac")}, s().sleeves.all().front().key);
        const QString second = shape();
        s().batch.putIntoSleeve({d_->fileNamed("Quay.flac")},
                                s().sleeves.all().front().key); // it is there already
        list()->selectAll();
        QTest::keyClick(&d_->window(), Qt::Key_M, Qt::ControlModifier);
        const QString third = shape();
        s().batch.nameSleeve(s().sleeves.all().front().key, "Everything");
        s().batch.newSleeve({d_->fileNamed("Tide.flac")}, "Alone");
        QVERIFY2(shape().startsWith("Alone: Tide | Everything: "), qPrintable(shape()));
        auto undo = [&] {
            QTest::keyClick(&d_->window(), Qt::Key_Z, Qt::ControlModifier | Qt::AltModifier);
            d_->settle();
        };
        undo();
        undo();
        QCOMPARE(shape(), third);
        undo();
        QCOMPARE(shape(), second);
        undo();
        QCOMPARE(shape(), first);
        QVERIFY(!s().batch.batch().canUndoByHand());
        for (const SleeveView& v : s().sleeves.all())
            QVERIFY(!v.byHand);
        d_.reset(); // the library knows it, too
        d_ = std::make_unique<Driver>(*box_ / "library.db");
        d_->settle();
        QCOMPARE(shape(), first);
    }

    void aBatchTellsWhatItIs() {
        song("later", "Dunes", "", "");
        d_->bringIn({*box_ / "later"});
        {
            BatchDialog dialog({s().batch}, &d_->window());
            d_->settle();
            QCOMPARE(dialog.origins()->topLevelItemCount(), 3); // two places at first, one later
            QStringList places;
            for (int i = 0; i < 3; ++i)
                places << dialog.origins()->topLevelItem(i)->text(0).section('/', -1) + " " +
                              dialog.origins()->topLevelItem(i)->text(2);
            places.sort();
            QCOMPARE(places, (QStringList{"in 5", "later 1", "strays 1"}));
            dialog.name()->setText("Harbour");
            dialog.note()->setPlainText("Half of it is on tape.");
            dialog.accept();
        }
        d_->settle();
        d_.reset();
        d_ = std::make_unique<Driver>(*box_ / "library.db");
        d_->settle();
        QCOMPARE(s().batch.name(), QString("Harbour"));
        QCOMPARE(s().batch.note(), QString("Half of it is on tape."));
    }

    void rowsStayWhileMoreComesIn() {
        QTreeView* tree = bench()->bringIn()->tree();
        tree->setCurrentIndex(d_->bringInRow("Tide"));
        tree->collapse(d_->bringInRow("Quay").parent());
        song("in", "Amber", "Lanterns", "3");
        song("between", "Moss", "Other", "1");
        d_->bringIn({*box_ / "in", *box_ / "between"});
        QCOMPARE(tree->currentIndex().data().toString(), QString("Tide.flac"));
        QVERIFY(tree->selectionModel()->isSelected(tree->currentIndex()));
        QVERIFY(!tree->isExpanded(d_->bringInRow("Quay").parent()));
        QVERIFY(tree->isExpanded(d_->bringInRow("Moss").parent()));
        QCOMPARE(bench()->bringIn()->model()->rowCount(), 3);
        QVERIFY(shape().contains("Lanterns: Tide, Ferry, Amber"));
        // Files that are taken out are gone at once.
        s().batch.removeFiles({d_->fileNamed("Quay.flac"), d_->fileNamed("Ferry.flac")});
        d_->settle();
        QCOMPARE(bench()->bringIn()->model()->rowCount(), 2);
        QCOMPARE(tree->currentIndex().data().toString(), QString("Tide.flac"));
    }

    void twinsAreToldApart() {
        for (const char* folder : {"twins/reel", "twins/cassette"})
            song(folder, "Kelp", "Twins", "1");
        d_->bringIn({*box_ / "twins"});
        QStringList lines;
        for (const SleeveView& v : s().sleeves.all())
            if (v.title == "Twins")
                lines << v.line();
        lines.sort();
        QCOMPARE(lines, QStringList({"cassette \u00B7 Isla Varnholt \u00B7 1 file",
                                     "reel \u00B7 Isla Varnholt \u00B7 1 file"}));
        // Their folder says so much of it as is needed to know it.
        list()->choose(row("Twins").row());
        QCOMPARE(bench()->bringIn()->model()->rowCount(), 1);
        const QString folder = bench()->bringIn()->model()->index(0, FolderModel::Name).data().toString();
        QVERIFY2(folder == "twins/reel" || folder == "twins/cassette", qPrintable(folder));
        list()->clearSelection();
        // One is gone: the other needs no more than before.
        s().batch.removeFiles(s().sleeves.all()[static_cast<size_t>(row("Twins").row())].files);
        d_->settle();
        QCOMPARE(s().sleeves.all()[static_cast<size_t>(row("Twins").row())].line(),
                 QString("Isla Varnholt \u00B7 1 file"));
        s().batch.removeFiles(s().sleeves.all()[static_cast<size_t>(row("Twins").row())].files);
        d_->settle();
    }

    void theModelIsOneThatViewsCanTrust() {
        FolderModel* model = bench()->bringIn()->model();
        QAbstractItemModelTester tester(model, QAbstractItemModelTester::FailureReportingMode::QtTest);
        QAbstractItemModelTester sleeves(list()->model(),
                                         QAbstractItemModelTester::FailureReportingMode::QtTest);
        std::vector<FilePtr> all;
        for (FileId id : s().sleeves.files())
            all.push_back(s().files.file(id));
        for (unsigned mask : {63u, 1u, 22u, 0u, 45u, 62u, 63u}) {
            std::vector<FilePtr> some;
            for (size_t i = 0; i < all.size(); ++i)
                if (mask >> i & 1)
                    some.push_back(all[i]);
            // In two groups, of which the first is the same most of the time.
            std::vector<FilePtr> first, second;
            for (const FilePtr& f : some)
                (first.empty() ? first : second).push_back(f);
            model->setGroups({group("one", first), group("two", second)});
            QCOMPARE(shownIn(*model), std::set<FilePtr>(some.begin(), some.end()));
            QCOMPARE(model->totals().files, static_cast<int>(some.size()));
            // From one to the other it may be in both.
            std::vector<FilePtr> both = second;
            both.insert(both.end(), first.begin(), first.end());
            model->setGroups({group("two", both), group("one", first)});
            QCOMPARE(shownIn(*model), std::set<FilePtr>(some.begin(), some.end()));
            model->setGroups({group("two", both), group("one", {})});
            QCOMPARE(shownIn(*model), std::set<FilePtr>(some.begin(), some.end()));
        }
        // One is another now, one lies elsewhere, and its folder is a new one.
        auto other = std::make_shared<library::FileRecord>(*all[0]),
             moved(std::make_shared<library::FileRecord>(*all[1]));
        other->tags.notes = {"An odd tag."};
        moved->path = *box_ / "afterwards" / moved->path.filename();
        all[0] = other;
        all[1] = moved;
        model->setGroups({group("two", all)});
        QCOMPARE(shownIn(*model), std::set<FilePtr>(all.begin(), all.end()));
        QCOMPARE(model->totals().attention, 1);
        drop({d_->fileNamed("Quay.flac")}, row("Lanterns"));
    }
};

QTEST_MAIN(TestSleeves)
#include "test_sleeves.moc"
