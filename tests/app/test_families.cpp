// SPDX-License-Identifier: GPL-3.0-or-later
// Versions of a recording in the library: settled in the dialog, under their lead in the table.
#include <QtTest>

#include <QTableView>
#include <QTreeWidget>

#include "app/library/copy_fields_dialog.h"
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
    FileId fileOf(const QString& title) { return model()->fileAt(rowOf(title)); }
    void answer(std::function<void(VersionsDialog*)> how) {
        test::answer<VersionsDialog>(this, std::move(how));
    }

    std::unique_ptr<test::Sandbox> box_;
    std::unique_ptr<Driver> driver_;
};

QTEST_MAIN(TestFamilies)
#include "test_families.moc"
