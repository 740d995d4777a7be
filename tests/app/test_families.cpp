// SPDX-License-Identifier: GPL-3.0-or-later
// Versions of a recording in the library: settled in the dialog, under their lead in the table.
#include <QtTest>

#include <QCheckBox>
#include <QDialogButtonBox>
#include <QDropEvent>
#include <QMimeData>
#include <QPushButton>
#include <QRadioButton>
#include <QTableView>
#include <QTreeWidget>

#include "app/bench/bench_page.h"
#include "app/library/collections/collection_tree.h"
#include "app/library/copy_fields_dialog.h"
#include "app/library/families_in_lists.h"
#include "app/library/library_page.h"
#include "app/library/track_model.h"
#include "app/library/versions_dialog.h"
#include "support/answer.h"
#include "support/driver.h"
#include "support/sample_files.h"

using namespace moorfrost;
using namespace moorfrost::app;

class TestFamilies : public QObject {
    Q_OBJECT
private slots:
    void initTestCase() { Driver::prepareApplication("light"); }
    void init() {
        QSettings().clear();
        box_ = std::make_unique<test::Sandbox>();
        uint32_t seed = 0;
        for (const char* title : {"Lanterns", "Lanterns (Instrumental)", "Lanterns (Radio Edit)", "Gorse"}) {
            ++seed;
            const Path file = test::makeSound(*box_ / "shelf", std::to_string(seed) + ".flac", seed);
            test::tag(file, {{"title", {title}}, {"artist", {"Kestrel & Rook"}}, {"album", {"Lanterns"}}});
        }
        for (const char* name :
             {"LANTERNS_stem_drums.wav", "LANTERNS_stem_bass.wav", "LANTERNS_acappella.wav"})
            test::makeSound(*box_ / "shelf/bounces", name, ++seed);
        driver_ = std::make_unique<Driver>(*box_ / "library.db");
        driver_->addShelf(*box_ / "shelf");
        driver_->controllers().shelves.read(driver_->controllers().shelves.all());
        driver_->settle();
        driver_->window().showWorkspace(MainWindow::Library);
        driver_->settle();
    }
    void cleanup() {
        driver_.reset();
        box_.reset();
    }

    void theBouncesBecomeAFamily() {
        QCOMPARE(model()->rowCount(), 7);
        // The whole folder at once: the lead is found elsewhere in the library.
        page()->searchBox()->setText("folder:bounces");
        driver_->settle();
        page()->table()->selectAll();
        answer([](VersionsDialog* d) {
            QCOMPARE(d->families().size(), size_t{1});
            QCOMPARE(d->families()[0].size(), size_t{4});
            QCOMPARE(d->families()[0][0].kind, std::string(library::leadVersion));
            d->takeButton()->click();
        });
        page()->settleVersions(page()->chosenFiles());
        settle();
        page()->searchBox()->setText("");
        settle();
        QCOMPARE(model()->rowCount(), 4);
        const int lead = rowOf("Lanterns");
        QCOMPARE(model()->index(lead, titleColumn()).data(FileTable::FamilyRole).toInt(), -3);
        // Opened in place, by key; closed again.
        page()->table()->setCurrentIndex(model()->index(lead, 0));
        page()->table()->setFocus();
        QTest::keyClick(page()->table(), Qt::Key_Plus);
        QCOMPARE(model()->rowCount(), 7);
        QCOMPARE(model()->index(lead + 1, titleColumn()).data(FileTable::FamilyRole).toInt(),
                 FileTable::versionBelow);
        QTest::keyClick(page()->table(), Qt::Key_Minus);
        QCOMPARE(model()->rowCount(), 4);
        // By mouse, on the mark.
        const QRect cell = page()->table()->visualRect(model()->index(lead, titleColumn()));
        QTest::mouseClick(page()->table()->viewport(), Qt::LeftButton, {},
                          QPoint(cell.right() - 12, cell.center().y()));
        QCOMPARE(model()->rowCount(), 7);
        // Each is still found alone.
        page()->searchBox()->setText("version:stem");
        settle();
        QCOMPARE(model()->rowCount(), 2);
        page()->searchBox()->setText("");
        page()->setFoldsFamilies(false);
        settle();
        QCOMPARE(model()->rowCount(), 7);
        page()->setFoldsFamilies(true);
        settle();
        driver_->controllers().undo.undo();
        settle();
        QCOMPARE(model()->rowCount(), 7);
    }

    /// The bounces, and what stands on the release: one song, one family.
    void whatHasOneLeadIsOneFamily() {
        page()->searchBox()->setText("folder:bounces or lanterns");
        settle();
        page()->table()->selectAll();
        answer([](VersionsDialog* d) {
            QCOMPARE(d->families().size(), size_t{1});
            QCOMPARE(d->families()[0].size(), size_t{6});
        });
        page()->settleVersions(page()->chosenFiles());
        settle();
    }

    /// The whole folder of bounces on the bench, before anything of it stands on a shelf.
    void theBouncesOnTheBenchBecomeAFamily() {
        for (const char* name :
             {"LANTERNS_stem_keys.wav", "mix7_FINAL2.wav", "mix7_FINAL2_instr.wav", "mix7_vox_only.wav"})
            test::makeSound(*box_ / "in/bounces", name, 40 + static_cast<uint32_t>(std::strlen(name)));
        driver_->controllers().batch.create("Autumn");
        settle();
        driver_->bringIn({*box_ / "in"});
        driver_->window().showWorkspace(MainWindow::Bench);
        driver_->window().bench()->showStep(BenchPage::Describe);
        settle();
        answer([](VersionsDialog* d) {
            // By name: the mixes, and the stem with the song that stands on a shelf.
            QCOMPARE(d->families().size(), size_t{2});
            for (int i = 0; i < 2; ++i)
                for (int k = 0; k < d->tree()->topLevelItem(i)->childCount(); ++k)
                    d->tree()->topLevelItem(i)->child(k)->setSelected(true);
            d->familyButton()->click();
            QCOMPARE(d->families().size(), size_t{1});
            QCOMPARE(d->families()[0].size(), size_t{5});
            d->takeButton()->click();
        });
        QTest::keyClick(&driver_->window(), Qt::Key_V, Qt::ControlModifier | Qt::AltModifier);
        settle();
        const FileId stem = driver_->fileNamed("LANTERNS_stem_keys.wav");
        QCOMPARE(membersOf(stem), size_t{5});
        driver_->controllers().undo.undo();
        settle();
        QCOMPARE(membersOf(stem), size_t{0});
    }

    /// From outside, on the lead: they come to the bench, and are asked what they are.
    void filesThatAreDroppedOnAFamily() {
        answer([](VersionsDialog* d) { d->takeButton()->click(); });
        page()->settleVersions({fileOf("Lanterns"), fileOf("Lanterns (Instrumental)")});
        settle();
        QCOMPARE(model()->rowCount(), 5); // the radio edit goes with them
        const Path remix = test::makeSound(*box_ / "out", "wrenlow remix.wav", 60),
                   odd = test::makeSound(*box_ / "out", "mix 9.wav", 61);
        driver_->controllers().batch.create("Autumn");
        settle();
        driver_->window().showWorkspace(MainWindow::Library);
        settle();
        const auto drop = [&](const QString& title, const Path& file) {
            const QRect cell = page()->table()->visualRect(model()->index(rowOf(title), titleColumn()));
            QMimeData data;
            data.setUrls({QUrl::fromLocalFile(QString::fromStdString(file.native()))});
            QWidget* onto = page()->table()->viewport();
            QDragEnterEvent enter(cell.center(), Qt::CopyAction | Qt::LinkAction, &data, Qt::LeftButton, {});
            QApplication::sendEvent(onto, &enter);
            QVERIFY(enter.isAccepted());
            QDropEvent event(QPointF(cell.center()), Qt::CopyAction | Qt::LinkAction, &data, Qt::LeftButton,
                             {});
            QApplication::sendEvent(onto, &event);
            QVERIFY(event.isAccepted());
        };
        answer([](VersionsDialog* d) {
            QCOMPARE(d->families().size(), size_t{1});
            QCOMPARE(d->families()[0].size(), size_t{4});
            QCOMPARE(d->families()[0][3].kind, std::string(library::otherVersion));
            d->takeButton()->click();
        });
        drop("Lanterns", odd);
        settle();
        settle();
        QCOMPARE(driver_->window().workspace(), MainWindow::Bench);
        QCOMPARE(membersOf(driver_->fileNamed("mix 9.wav")), size_t{4});
        // Beside families it only comes to the bench: nothing is asked.
        driver_->window().showWorkspace(MainWindow::Library);
        settle();
        drop("Gorse", remix);
        settle();
        QCOMPARE(driver_->window().workspace(), MainWindow::Bench);
        QCOMPARE(membersOf(driver_->fileNamed("wrenlow remix.wav")), size_t{0});
    }

    /// What goes along into a list is asked once, and remembered; there they stand under their lead again.
    void versionsInLists() {
        page()->table()->selectAll();
        answer([](VersionsDialog* d) { d->takeButton()->click(); });
        page()->settleVersions(page()->chosenFiles());
        settle();
        QCOMPARE(model()->rowCount(), 2);
        auto& collections = driver_->controllers().collections;
        library::CollectionId list = 0;
        library::Collection fresh;
        fresh.name = "Evening";
        fresh.kind = library::Collection::Kind::List;
        collections.make(fresh, 0, {}, [&](library::CollectionId id) { list = id; });
        settle();
        QVERIFY(list != 0);
        auto entries = [&] {
            const auto count = collections.tree().counts.find(list);
            return count == collections.tree().counts.end() ? size_t{0} : count->second;
        };
        auto addLead = [&] {
            emit page()->collections()->addWanted(list, {fileOf("Lanterns")});
            settle();
        };
        auto ask = [this](int choice, bool always) {
            test::answer<QDialog>(this, [choice, always](QDialog* d) {
                const auto choices = d->findChildren<QRadioButton*>();
                QCOMPARE(choices.size(), 3);
                choices[choice]->setChecked(true);
                d->findChild<QCheckBox*>()->setChecked(always);
                d->findChild<QDialogButtonBox*>()->button(QDialogButtonBox::Ok)->click();
            });
        };
        test::answer<QDialog>(this, [](QDialog* d) { d->reject(); });
        addLead();
        QCOMPARE(entries(), size_t{0});
        ask(0, false);
        addLead();
        QCOMPARE(entries(), size_t{1});
        ask(2, true);
        addLead();
        QCOMPARE(entries(), size_t{1 + 6});
        addLead(); // not asked any more
        QCOMPARE(entries(), size_t{1 + 6 + 6});
        QCOMPARE(familiesInLists(), GoesAlong::Stems);
        // One that is chosen by itself is meant.
        page()->setFoldsFamilies(false);
        settle();
        emit page()->collections()->addWanted(list, {fileOf("Gorse"), fileOf("Lanterns (Instrumental)")});
        settle();
        QCOMPARE(entries(), size_t{15});
        page()->setFoldsFamilies(true);
        collections.removeFrom(list, {0, 7, 8, 9, 10, 11, 12}); // the lead stands there once
        settle();
        page()->showList(list);
        settle();
        QCOMPARE(titles(), (QStringList{"Lanterns", "Gorse", "Lanterns (Instrumental)"}));
        QCOMPARE(model()->index(0, titleColumn()).data(FileTable::FamilyRole).toInt(), -5);
        // Opened in place; closed, it goes with all that is under it.
        page()->turnFamily(0);
        QCOMPARE(model()->rowCount(), 8);
        page()->turnFamily(0);
        page()->table()->selectRow(0);
        page()->moveInList(1);
        settle();
        QCOMPARE(titles(), (QStringList{"Gorse", "Lanterns"})); // what follows it stands under it, too
        page()->table()->selectRow(rowOf("Lanterns"));
        page()->removeFromList();
        settle();
        QCOMPARE(entries(), size_t{1});
        driver_->controllers().undo.undo();
        settle();
        QCOMPARE(entries(), size_t{8});
    }

    void proposedForTheWholeLibraryAndSettledByKeys() {
        answer([](VersionsDialog* d) {
            QVERIFY(!d->families().empty());
            QTreeWidgetItem* family = d->tree()->topLevelItem(0);
            QVERIFY(family->childCount() >= 2);
            // The last one is something else, and out of it comes another.
            d->tree()->setCurrentItem(family->child(family->childCount() - 1));
            QTest::keyClick(d->tree(), Qt::Key_4);
            const auto before = d->families()[0];
            QCOMPARE(before.back().kind, std::string("remix"));
            d->tree()->setCurrentItem(family->child(1));
            QTest::keyClick(d->tree(), Qt::Key_L);
            QCOMPARE(d->families()[0][1].kind, std::string(library::leadVersion));
            QCOMPARE(std::ranges::count(d->families()[0], std::string(library::leadVersion),
                                        &library::VersionToKeep::kind),
                     1);
            QTest::keyClick(d->tree(), Qt::Key_Delete);
            QCOMPARE(d->alone().size(), size_t{1});
            d->takeButton()->click();
        });
        page()->settleVersions({});
        settle();
        page()->searchBox()->setText("has:family");
        settle();
        QVERIFY(model()->rowCount() > 0);
    }

    void fieldsAreCopiedFieldByField() {
        const FileId lead = fileOf("Lanterns");
        page()->searchBox()->setText("folder:bounces");
        settle();
        const std::vector<FileId> bounces = {model()->fileAt(0), model()->fileAt(1)};
        Controllers& c = driver_->controllers();
        std::vector<FileId> all = {lead};
        all.insert(all.end(), bounces.begin(), bounces.end());
        bool there = false;
        c.files.takeUp(this, all, [&] { there = true; });
        QTRY_VERIFY(there);
        CopyFieldsDialog dialog(c.drafts, c.files, lead, bounces);
        // The title of each is its own, until a person says so.
        auto field = [&](const QString& name) {
            for (int i = 0; i < dialog.tree()->topLevelItemCount(); ++i)
                if (dialog.tree()->topLevelItem(i)->text(0) == name)
                    return dialog.tree()->topLevelItem(i);
            return static_cast<QTreeWidgetItem*>(nullptr);
        };
        QVERIFY(field("Title") && field("Artist") && field("Album"));
        QCOMPARE(field("Title")->checkState(0), Qt::Unchecked);
        QCOMPARE(dialog.wishes().size(), size_t{4});
        field("Album")->child(1)->setCheckState(0, Qt::Unchecked);
        QCOMPARE(dialog.wishes().size(), size_t{3});
        QCOMPARE(dialog.wishes()[0].values, std::vector<std::string>{"Kestrel & Rook"});
    }

    void aFamilyOfOnesOwn() {
        const std::vector<FileId> files = {fileOf("Gorse"), fileOf("Lanterns")};
        answer([](VersionsDialog* d) {
            // What does not go together by its name stands alone, until a person says so.
            d->tree()->clearSelection();
            QTreeWidgetItem* alone = d->tree()->topLevelItem(d->tree()->topLevelItemCount() - 1);
            QVERIFY(alone->childCount() >= 1);
            alone->child(0)->setSelected(true);
            d->tree()->topLevelItem(0)->child(0)->setSelected(true);
            d->familyButton()->click();
            QCOMPARE(d->families().back().size(), size_t{2});
        });
        page()->settleVersions(files);
        settle();
        QCOMPARE(model()->rowCount(), 7); // it was cancelled
    }

private:
    LibraryPage* page() { return driver_->window().library(); }
    TrackModel* model() { return static_cast<TrackModel*>(page()->table()->model()); }
    void settle() {
        driver_->settle();
        driver_->settle();
    }
    int titleColumn() {
        for (int c = 0; c < model()->columnCount(); ++c)
            if (model()->keyAt(c) == "title")
                return c;
        return 0;
    }
    int rowOf(const QString& title) {
        for (int r = 0; r < model()->rowCount(); ++r)
            if (model()->index(r, titleColumn()).data().toString() == title)
                return r;
        return -1;
    }
    QStringList titles() {
        QStringList out;
        for (int r = 0; r < model()->rowCount(); ++r)
            out << model()->index(r, titleColumn()).data().toString();
        return out;
    }
    /// Of the family of a file; 0: it is in none.
    size_t membersOf(FileId file) {
        auto store = std::move(*library::Store::open(driver_->controllers().library.file()));
        return library::familyOf(*store, store->recordings().placeOf(file).recording).members.size();
    }
    FileId fileOf(const QString& title) { return model()->fileAt(rowOf(title)); }
    void answer(std::function<void(VersionsDialog*)> how) {
        test::answer<VersionsDialog>(this, std::move(how));
    }

    std::unique_ptr<test::Sandbox> box_;
    std::unique_ptr<Driver> driver_;
};

QTEST_MAIN(TestFamilies)
#include "test_families.moc"
