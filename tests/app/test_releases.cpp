// SPDX-License-Identifier: GPL-3.0-or-later
// The Releases workspace: what a person sees and does there.
#include <QtTest>

#include <QListWidget>
#include <QMenu>
#include <QPointer>
#include <QTreeWidget>

#include "app/bench/bench_page.h"
#include "app/journal/journal_page.h"
#include "app/library/library_page.h"
#include "app/releases/compare_editions.h"
#include "app/releases/fill_dialog.h"
#include "app/releases/new_release_dialog.h"
#include "app/releases/release_lines.h"
#include "app/releases/release_pictures_box.h"
#include "app/releases/release_side.h"
#include "app/releases/release_tracks.h"
#include "app/releases/releases_page.h"
#include "app/releases/set_proposals.h"
#include "app/widgets/fact_table.h"
#include "app/widgets/file_details.h"
#include "app/widgets/picture_mat.h"
#include "app/widgets/places_box.h"
#include "core/library/releases/release_groups.h"
#include "support/answer.h"
#include "support/driver.h"
#include "support/sample_files.h"

using namespace moorfrost;
using namespace moorfrost::app;

class TestReleasesPage : public QObject {
    Q_OBJECT
private slots:
    void initTestCase() { Driver::prepareApplication("light"); }
    void init() {
        QSettings().clear();
        seed_ = 0;
        box_ = std::make_unique<test::Sandbox>();
        shelf_ = *box_ / "shelf";
        const char* titles[] = {"Night Post", "Ferryman's Reel", "Cold Slip", "The Keeper's Wife"};
        for (int i = 0; i < 4; ++i)
            song("Night Post EP/0" + std::to_string(i + 1) + ".flac", {{"title", {titles[i]}},
                                                                       {"artist", {"The Hollow Ferry"}},
                                                                       {"album", {"Night Post EP"}},
                                                                       {"album_artist", {"The Hollow Ferry"}},
                                                                       {"track", {std::to_string(i + 1)}},
                                                                       {"date", {"1998-10-05"}},
                                                                       {"country", {"GB"}},
                                                                       {"label", {"Gannet Row"}},
                                                                       {"catalogue_number", {"GR 014"}},
                                                                       {"carrier", {"CD single"}}});
        for (int i = 0; i < 4; ++i)
            song("Night Post 2011/0" + std::to_string(i + 1) + ".flac",
                 {{"title", {titles[i]}},
                  {"artist", {"The Hollow Ferry"}},
                  {"album", {"Night Post EP (2011 Remaster)"}},
                  {"album_artist", {"The Hollow Ferry"}},
                  {"track", {std::to_string(i + 1)}},
                  {"date", {"2011"}},
                  {"catalogue_number", {"FSR 207"}}});
        song("Salt Road/01.flac",
             {{"title", {"Salt Road"}}, {"artist", {"Isla Varnholt"}}, {"album", {"Salt Road"}}});
        driver_ = std::make_unique<Driver>(*box_ / "library.db");
        driver_->addShelf(shelf_);
        driver_->controllers().shelves.read(driver_->controllers().shelves.all());
        driver_->settle();
        window().showWorkspace(MainWindow::Releases);
        QTRY_VERIFY_WITH_TIMEOUT(page()->isTrue(), 20000);
        rest();
    }
    void cleanup() {
        driver_.reset();
        box_.reset();
    }

    void everySleeveIsAReleaseFromTheStart() {
        QCOMPARE(page()->lines()->releases(), size_t{3});
        QVERIFY(page()->told().contains("3"));
        choose("Night Post EP");
        QCOMPARE(page()->titleText(), QString("Night Post EP"));
        QCOMPARE(page()->facts()->textOf("labels"), QString("Gannet Row \u00B7 GR 014"));
        QCOMPARE(page()->facts()->textOf("labels", 2), QString("read from the files"));
        QCOMPARE(page()->facts()->textOf("barcode"), QString("not known"));
        QCOMPARE(page()->tracks()->textOf(2, ReleaseTracks::Title), QString("Cold Slip"));
        QCOMPARE(page()->tracks()->textOf(2, ReleaseTracks::Files), QString("FLAC"));
        QVERIFY(page()->side()->originsText().contains("read from the files"));
        // Searched by what is printed on it.
        page()->searchBox()->setText("fsr207");
        rest();
        QCOMPARE(page()->lines()->releases(), size_t{1});
        QCOMPARE(page()->titleText(), QString("Night Post EP (2011 Remaster)"));
        page()->searchBox()->setText("nothing like it");
        rest();
        QVERIFY(!page()->shown());
    }

    void factsAreTypedInPlace() {
        choose("Night Post EP");
        type("barcode", "2000014000056");
        QCOMPARE(page()->facts()->textOf("barcode"), QString("2000014000056"));
        QVERIFY(page()->facts()->textOf("barcode", 2).startsWith("typed"));
        QVERIFY(page()->side()->originsText().contains("typed"));
        // A wrong check digit is said, and kept.
        type("barcode", "2000014000057");
        QVERIFY(page()
                    ->facts()
                    ->model()
                    ->index(rowOf("barcode"), 1)
                    .data(Qt::ToolTipRole)
                    .toString()
                    .contains("check digit"));
        driver_->controllers().undo.undo();
        rest();
        QCOMPARE(page()->facts()->textOf("barcode"), QString("2000014000056"));
        driver_->controllers().undo.undo();
        rest();
        QCOMPARE(page()->facts()->textOf("barcode"), QString("not known"));
        driver_->controllers().undo.redo();
        rest();
        QCOMPARE(page()->facts()->textOf("barcode"), QString("2000014000056"));
        // No date that is none; what was there stays.
        type("dates", "1986-02-30");
        QVERIFY(window().message().contains("no such day"));
        QCOMPARE(page()->facts()->textOf("dates"), QString("1998-10-05 GB"));
        type("dates", "1998-10-05 GB; 1998-11-02 NO");
        QCOMPARE(page()->facts()->textOf("dates"), QString("1998-10-05 GB, 1998-11-02 NO"));
        // There is none, known as such.
        emit page()->facts()->noneWanted("barcode");
        rest();
        QCOMPARE(page()->facts()->textOf("barcode"), QString("there is none"));
        type(library::mediaFact, "Cassette");
        QCOMPARE(page()->facts()->textOf(library::mediaFact), QString("Cassette"));
        // In the journal, with what was.
        window().showWorkspace(MainWindow::Journal);
        rest();
        window().journal()->sets()->setCurrentIndex(window().journal()->sets()->model()->index(0, 0));
        rest();
        QVERIFY(window().journal()->files()->topLevelItemCount() > 0);
        QCOMPARE(window().journal()->files()->topLevelItem(0)->child(0)->text(1), QString("Cassette"));
    }

    void tracksAreTypedInPlace() {
        choose("Night Post EP");
        ReleaseTracks* t = page()->tracks();
        t->model()->setData(t->model()->index(1, ReleaseTracks::Title), "The Ferryman's Reel");
        rest();
        QCOMPARE(t->textOf(1, ReleaseTracks::Title), QString("The Ferryman's Reel"));
        QCOMPARE(t->textOf(1, ReleaseTracks::Files), QString("FLAC")); // its recording stayed
        t->model()->setData(t->model()->index(1, ReleaseTracks::Length), "4:08");
        rest();
        QCOMPARE(t->textOf(1, ReleaseTracks::Length), QString("4:08"));
        t->model()->setData(t->model()->index(1, ReleaseTracks::Length), "about four");
        rest();
        QCOMPARE(t->textOf(1, ReleaseTracks::Length), QString("4:08"));
        t->selectRow(0);
        QTest::keyClick(t, Qt::Key_Down, Qt::AltModifier);
        rest();
        QCOMPARE(t->textOf(1, ReleaseTracks::Title), QString("Night Post"));
        QCOMPARE(t->textOf(1, ReleaseTracks::Number), QString("2"));
        t->selectRow(3);
        QTest::keyClick(t, Qt::Key_Insert);
        rest();
        QCOMPARE(t->textOf(4, ReleaseTracks::Number), QString("5"));
        QCOMPARE(t->textOf(4, ReleaseTracks::Files), QString("none"));
        t->selectRow(4);
        QTest::keyClick(t, Qt::Key_Delete);
        rest();
        QCOMPARE(t->model()->rowCount(), 4);
        for (int i = 0; i < 5; ++i)
            driver_->controllers().undo.undo();
        rest();
        QCOMPARE(t->textOf(1, ReleaseTracks::Title), QString("Ferryman's Reel"));
    }

    /// Faster than the library answers: nothing that was typed is lost, and no editor is closed under the
    /// hands.
    void typedFast() {
        choose("Night Post EP");
        ReleaseTracks* t = page()->tracks();
        t->model()->setData(t->model()->index(0, ReleaseTracks::Title), "Night Post (first)");
        t->model()->setData(t->model()->index(1, ReleaseTracks::Title), "Reel");
        t->selectRow(3);
        QTest::keyClick(t, Qt::Key_Up, Qt::AltModifier);
        t->model()->setData(t->model()->index(0, ReleaseTracks::Length), "3:33");
        QCOMPARE(t->textOf(1, ReleaseTracks::Title), QString("Reel")); // at once
        rest();
        QCOMPARE(t->textOf(0, ReleaseTracks::Title), QString("Night Post (first)"));
        QCOMPARE(t->textOf(0, ReleaseTracks::Length), QString("3:33"));
        QCOMPARE(t->textOf(1, ReleaseTracks::Title), QString("Reel"));
        QCOMPARE(t->textOf(2, ReleaseTracks::Title), QString("The Keeper's Wife"));
        QCOMPARE(t->textOf(2, ReleaseTracks::Files), QString("FLAC"));
        // An editor that is open while what was typed before comes back.
        FactTable* f = page()->facts();
        QVERIFY(f->editFact("barcode"));
        f->findChild<QLineEdit*>()->setText("2000014000056");
        QTest::keyClick(f->findChild<QLineEdit*>(), Qt::Key_Return);
        QTRY_VERIFY(!f->findChild<QLineEdit*>()); // it closes behind the key
        QVERIFY(f->editFact("edition"));
        QPointer<QLineEdit> open = f->findChild<QLineEdit*>();
        QTest::keyClicks(open, "first pre");
        rest();
        QVERIFY(open && open->isVisible());
        QTest::keyClicks(open, "ssing");
        QTest::keyClick(open, Qt::Key_Return);
        rest();
        QCOMPARE(f->textOf("edition"), QString("first pressing"));
        QCOMPARE(f->textOf("barcode"), QString("2000014000056"));
        // The same in the tracks.
        t->setCurrentIndex(t->model()->index(1, ReleaseTracks::Title));
        t->edit(t->currentIndex());
        open = t->findChild<QLineEdit*>();
        QVERIFY(open);
        open->setText("The Reel");
        driver_->controllers().releases.setFact(page()->shown()->view.ref, "status", {"official"});
        rest();
        QVERIFY(open && open->isVisible());
        QTest::keyClick(open, Qt::Key_Return);
        rest();
        QCOMPARE(t->textOf(1, ReleaseTracks::Title), QString("The Reel"));
        QCOMPARE(f->textOf("status"), QString("official"));
    }

    /// The cassette beside the CD single, without typing a title of a track.
    void anotherEditionIsEntered() {
        choose("Night Post EP");
        test::answer<NewReleaseDialog>(this, [](NewReleaseDialog* dialog) {
            QCOMPARE(dialog->box("title")->text(), QString("Night Post EP"));
            QVERIFY(dialog->tracksText().contains("4"));
            QVERIFY(dialog->alike()->currentItem()->text().contains("Night Post EP"));
            dialog->box(library::mediaFact)->setText("Cassette");
            dialog->box("labels")->setText("Gannet Row = GR 014");
            QTRY_VERIFY(dialog->troubleText().contains("number"));
            dialog->box("labels")->setText("Gannet Row = GR 014 C");
            dialog->box("dates")->setText("1998-10-05 GB");
            QTest::mouseClick(dialog->enterButton(), Qt::LeftButton);
        });
        page()->newEdition();
        rest();
        QCOMPARE(page()->facts()->textOf(library::mediaFact), QString("Cassette"));
        QCOMPARE(page()->tracks()->textOf(3, ReleaseTracks::Title), QString("The Keeper's Wife"));
        QCOMPARE(page()->tracks()->textOf(3, ReleaseTracks::Files), QString("FLAC"));
        QVERIFY(page()->tracks()->textOf(3, ReleaseTracks::Recording).contains("2"));
        QCOMPARE(page()->shown()->view.missing(), size_t{0});
        QVERIFY(page()->side()->originsText().contains("another edition"));
        QCOMPARE(driver_->controllers().releases.list()->sets(), size_t{1});
        QCOMPARE(page()->lines()->model()->index(1, 0).data().toString(),
                 QString("CD single \u00B7 GB \u00B7 GR 014"));
        driver_->controllers().undo.undo();
        rest();
        QCOMPARE(page()->lines()->releases(), size_t{3});
    }

    void aListIsPasted() {
        test::answer<NewReleaseDialog>(this, [this](NewReleaseDialog* dialog) {
            QVERIFY(!dialog->enterButton()->isEnabled()); // it needs a title
            dialog->box("title")->setText("Lanterns");
            dialog->box("credit")->setText("Kestrel [ & ] Rook");
            test::answer<FillDialog>(this, [](FillDialog* fill) {
                fill->picker()->choose(SourcePicker::Text);
                fill->picker()->textBox()->setPlainText(
                    "Lanterns\nA1 lanterns 3:30\nA2 slack water 4:00\nB1 gorse 2:10\n");
                QVERIFY(fill->takeButton()->isEnabled());
                fill->casingBox()->setChecked(true);
                QTest::mouseClick(fill->takeButton(), Qt::LeftButton);
            });
            QTest::mouseClick(dialog->fillButton(), Qt::LeftButton);
            QVERIFY(dialog->tracksText().contains("3"));
            QTest::mouseClick(dialog->enterButton(), Qt::LeftButton);
        });
        page()->newRelease();
        rest();
        QCOMPARE(page()->titleText(), QString("Lanterns"));
        QCOMPARE(page()->facts()->textOf("credit"), QString("Kestrel & Rook"));
        QCOMPARE(page()->tracks()->textOf(1, ReleaseTracks::Title), QString("Slack Water"));
        QCOMPARE(page()->tracks()->textOf(2, ReleaseTracks::Number), QString("B1"));
        QCOMPARE(page()->tracks()->textOf(2, ReleaseTracks::Files), QString("none"));
        QVERIFY(page()->side()->originsText().contains("pasted"));
    }

    void setsAreProposedAndJoined() {
        QTRY_COMPARE(driver_->controllers().releases.proposals().size(), size_t{1});
        test::answer<SetProposals>(this, [](SetProposals* dialog) {
            QCOMPARE(dialog->tree()->topLevelItem(0)->childCount(), 2);
            QVERIFY(dialog->joinButton()->isEnabled());
            QTest::mouseClick(dialog->joinButton(), Qt::LeftButton);
        });
        page()->showProposals();
        rest();
        QCOMPARE(driver_->controllers().releases.list()->sets(), size_t{1});
        QTRY_VERIFY(driver_->controllers().releases.proposals().empty());
        // And parted again.
        const auto list = driver_->controllers().releases.list();
        driver_->controllers().releases.leaveSet(list->entries()[0].ref.id);
        rest();
        QCOMPARE(driver_->controllers().releases.list()->sets(), size_t{0});
        QVERIFY(driver_->controllers().releases.proposals().empty()); // it is not proposed again
    }

    void whatIsAlikeStandsBeside() {
        choose("Night Post EP");
        QVERIFY(page()->side()->alikeText().contains("Remaster"));
        QTest::mouseClick(page()->side()->notSameButton(), Qt::LeftButton);
        rest();
        QVERIFY(page()->side()->alikeText().isEmpty());
    }

    void recordingsAreShared() {
        choose("Night Post EP");
        const auto a = page()->shown()->view;
        test::answer<CompareEditions>(this, [](CompareEditions* dialog) {
            QTRY_VERIFY(dialog->isThere());
            QCOMPARE(dialog->tracks()->topLevelItemCount(), 4);
            QVERIFY(!dialog->takeButton()->isEnabled());
            QTest::mouseClick(dialog->certainButton(), Qt::LeftButton);
            QCOMPARE(dialog->changes().size(), size_t{4});
            dialog->tracks()->setCurrentItem(dialog->tracks()->topLevelItem(3));
            QTest::mouseClick(dialog->apartButton(), Qt::LeftButton);
            QCOMPARE(dialog->changes().size(), size_t{3});
            QTest::mouseClick(dialog->takeButton(), Qt::LeftButton);
        });
        page()->compareShown();
        rest();
        QCOMPARE(page()->shown()->view.media[0].tracks[0].files.size(), size_t{2});
        QCOMPARE(page()->shown()->view.media[0].tracks[3].files.size(), size_t{1});
        QVERIFY(page()->tracks()->textOf(0, ReleaseTracks::Recording).contains("2"));
        driver_->controllers().undo.undo();
        rest();
        QCOMPARE(page()->shown()->view.media[0].tracks[0].files.size(), size_t{1});
    }

    void picturesByType() {
        choose("Salt Road");
        QCOMPARE(page()->pictures()->list()->count(), 0);
        QImage image(300, 300, QImage::Format_RGB32);
        image.fill(Qt::darkCyan);
        for (const char* name : {"front.png", "back.png"})
            QVERIFY(image.save(QString::fromStdString((*box_ / name).native())));
        image.fill(Qt::darkRed);
        QVERIFY(image.save(QString::fromStdString((*box_ / "booklet.png").native())));
        test::writeBytes(*box_ / "no picture.png", "weather");
        page()->pictures()->add({*box_ / "booklet.png", *box_ / "front.png", *box_ / "no picture.png"});
        rest();
        QListWidget* list = page()->pictures()->list();
        QCOMPARE(list->count(), 2);
        QVERIFY(list->item(0)->text().startsWith("front cover"));
        QVERIFY(list->item(1)->text().contains("added"));
        QVERIFY(window().message().contains("no picture") || window().message().contains("picture"));
        // By keys: another type, looked at, removed; undone.
        list->setCurrentRow(1);
        page()->pictures()->setType("medium");
        rest();
        QVERIFY(list->item(1)->text().startsWith("medium"));
        list->setCurrentRow(1);
        test::answer<QDialog>(this, [](QDialog* d) {
            auto* mat = d->findChild<PictureMat*>();
            QVERIFY(mat);
            QTRY_VERIFY(!mat->image().isNull());
            QCOMPARE(mat->image().width(), 300);
        });
        list->setFocus();
        QTest::keyClick(list, Qt::Key_Return);
        rest(); // the window has the keyboard again
        list->setFocus();
        QTest::keyClick(list, Qt::Key_Delete);
        rest();
        QCOMPARE(list->count(), 1);
        driver_->controllers().undo.undo();
        rest();
        QCOMPARE(list->count(), 2);
        // Into the files, as drafts.
        page()->pictures()->putIntoFiles();
        rest();
        const FileId file = page()->shown()->view.ref.files.front();
        QCOMPARE(driver_->controllers().pictures.of(file).size(), size_t{2});
        window().showWorkspace(MainWindow::Journal);
        rest();
        auto* journal = window().findChild<JournalPage*>();
        QVERIFY(journal);
    }

    /// From the details of a file to the releases on which its recording stands.
    void whereARecordingStands() {
        choose("Night Post EP");
        test::answer<NewReleaseDialog>(this, [](NewReleaseDialog* dialog) {
            dialog->box("labels")->setText("Gannet Row = GR 014 C");
            QTest::mouseClick(dialog->enterButton(), Qt::LeftButton);
        });
        page()->newEdition();
        rest();
        const FileId file = page()->shown()->view.media[0].tracks[1].files.front();
        window().showWorkspace(MainWindow::Library);
        window().library()->showFile(file);
        rest();
        PlacesBox* places = window().library()->details()->places();
        QTRY_VERIFY(places->isVisible());
        QVERIFY2(places->text().contains("GR 014 C") && places->text().contains("no file of it"),
                 qPrintable(places->text()));
        QVERIFY(window().library()->details()->text().contains("GR 014 C"));
        const auto rows = places->findChildren<QLabel*>();
        QCOMPARE(rows.size(), 2);
        for (QLabel* row : rows)
            if (row->text().contains("no file of it"))
                emit row->linkActivated("release");
        rest();
        QCOMPARE(window().workspace(), MainWindow::Releases);
        QCOMPARE(page()->facts()->textOf("labels"), QString("Gannet Row \u00B7 GR 014 C"));
        // It goes when the edition does.
        driver_->controllers().undo.undo();
        rest();
        window().showWorkspace(MainWindow::Library);
        window().library()->showFile(file);
        rest();
        QTRY_COMPARE(places->findChildren<QLabel*>().size(), 1);
    }

    /// A sleeve of the bench is held against an edition that was entered without files; put away, it is that.
    void aSleeveOfTheBenchIsAnEditionThatIsKnown() {
        library::ReleaseFilling filling;
        filling.facts = {
            {"title", {"Slack Water"}}, {"credit", {"Isla Varnholt"}}, {"labels", {"Gannet Row\x1fGR 031"}}};
        filling.media = {{"Cassette",
                          "",
                          {},
                          {{{"A1", "Slack Water", {}, 2000}, 0}, {{"A2", "Tide Table", {}, 2000}, 0}}}};
        library::ReleaseId id = 0;
        Controllers& c = driver_->controllers();
        c.releases.make(filling, {}, [&](library::ReleaseId made) { id = made; });
        rest();
        QVERIFY(id != 0);
        auto entries = c.references.entries();
        for (auto& e : entries)
            e.on = e.kind == reference::EntryKind::Library;
        c.references.setEntries(entries);
        const char* titles[] = {"Slack Water", "Tide Table"};
        for (int i = 0; i < 2; ++i) {
            const Path file =
                test::makeSound(*box_ / "in/Slack Water", std::to_string(i + 1) + ".flac", 90 + i);
            test::tag(file,
                      {{"title", {titles[i]}}, {"artist", {"Isla Varnholt"}}, {"album", {"Slack Water"}}});
        }
        c.batch.create("Autumn");
        rest();
        driver_->bringIn({*box_ / "in"});
        window().showWorkspace(MainWindow::Bench);
        window().bench()->showStep(BenchPage::Identify);
        rest();
        QVERIFY(driver_->chooseSleeve("Slack Water"));
        QTest::keyClick(&window(), Qt::Key_I, Qt::ControlModifier);
        rest();
        const std::string sleeve = c.sleeves.all().front().key;
        const auto* answer = c.identify.answer(sleeve);
        QVERIFY(answer && answer->best());
        QCOMPARE(answer->best()->number(), library::numberInTags(id));
        QTest::keyClick(&window(), Qt::Key_T, Qt::ControlModifier);
        rest();
        const FileId first = driver_->fileNamed("1.flac");
        QCOMPARE(c.drafts.shownValues(first, "reference release"),
                 std::vector<std::string>{library::numberInTags(id)});
        QCOMPARE(c.drafts.shownValues(first, "catalogue_number"), std::vector<std::string>{"GR 031"});
        // On the shelf (as it is written there) it is the edition's.
        for (int i = 0; i < 2; ++i)
            song("Slack Water/" + std::to_string(i + 1) + ".flac",
                 {{"title", {titles[i]}},
                  {"artist", {"Isla Varnholt"}},
                  {"album", {"Slack Water"}},
                  {"track", {std::to_string(i + 1)}},
                  {"reference release", {library::numberInTags(id)}}});
        c.shelves.read(c.shelves.all());
        rest();
        window().showWorkspace(MainWindow::Releases);
        page()->showRelease({id, {}});
        rest();
        QCOMPARE(page()->shown()->view.missing(), size_t{0});
        QCOMPARE(page()->tracks()->textOf(1, ReleaseTracks::Files), QString("FLAC"));
    }

    void whatIsSaidIsWrittenToTheFiles() {
        choose("Night Post EP");
        type("labels", "Gannet Row = GR 014 X");
        page()->writeToFiles();
        rest();
        const auto& drafts = driver_->controllers().drafts;
        const FileId first = page()->shown()->view.media[0].tracks[0].files[0];
        QCOMPARE(drafts.shownValues(first, "catalogue_number"), std::vector<std::string>{"GR 014 X"});
        QCOMPARE(drafts.shownValues(first, "tracks"), std::vector<std::string>{"4"});
        QVERIFY(window().message().contains("Review"));
    }

private:
    MainWindow& window() { return driver_->window(); }
    ReleasesPage* page() { return window().releases(); }
    void song(const std::string& name, tags::Fields fields) {
        std::filesystem::create_directories((shelf_ / name).parent_path());
        test::makeSound((shelf_ / name).parent_path(), Path(name).filename().native(), ++seed_);
        test::tag(shelf_ / name, fields);
    }
    void rest() {
        driver_->settle();
        QTRY_VERIFY_WITH_TIMEOUT(driver_->controllers().releases.isTrue(), 20000);
        driver_->settle();
    }
    void choose(const QString& title) {
        const auto list = driver_->controllers().releases.list();
        for (size_t i = 0; i < list->entries().size(); ++i)
            if (QString::fromStdString(list->entries()[i].title) == title) {
                page()->showRelease(list->entries()[i].ref);
                rest();
                return;
            }
        QFAIL("no such release");
    }
    int rowOf(const std::string& key) {
        page()->facts()->editFact(key);
        const int row = page()->facts()->currentIndex().row();
        page()->facts()->closePersistentEditor(page()->facts()->currentIndex());
        return row;
    }
    void type(const std::string& key, const QString& line) {
        QVERIFY(page()->facts()->editFact(key));
        auto* editor = page()->facts()->findChild<QLineEdit*>();
        QVERIFY(editor);
        editor->setText(line);
        QTest::keyClick(editor, Qt::Key_Return);
        rest();
    }

    std::unique_ptr<test::Sandbox> box_;
    std::unique_ptr<Driver> driver_;
    Path shelf_;
    uint32_t seed_ = 0;
};

QTEST_MAIN(TestReleasesPage)
#include "test_releases.moc"
