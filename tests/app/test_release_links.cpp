// SPDX-License-Identifier: GPL-3.0-or-later
// From releases to others and back: sets, shared recordings, pictures, the library, the bench.
#include <QtTest>

#include <QListWidget>
#include <QTreeWidget>

#include "app/bench/bench_page.h"
#include "app/library/library_page.h"
#include "app/releases/compare_editions.h"
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
#include "support/release_desk.h"

using namespace moorfrost;
using namespace moorfrost::app;

class TestReleaseLinks : public QObject, public ReleaseDesk {
    Q_OBJECT
private slots:
    void initTestCase() { Driver::prepareApplication("light"); }
    void init() { open(); }
    void cleanup() { close(); }

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
        QVERIFY2(window().message().contains("no picture.png"), qPrintable(window().message()));
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
};

QTEST_MAIN(TestReleaseLinks)
#include "test_release_links.moc"
