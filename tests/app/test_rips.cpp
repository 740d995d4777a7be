// SPDX-License-Identifier: GPL-3.0-or-later
// Discs ripped: onto the bench and onto a shelf, stopped, taken out, faulty, replaced, gone on with.
#include <QtTest>

#include <QSignalSpy>

#include "app/control/plans.h"
#include "core/disc/rip_plan.h"
#include "core/tags/tag_io.h"
#include "support/disc_desk.h"

using namespace moorfrost;
using namespace moorfrost::app;

class TestRips : public QObject, public DiscDesk {
    Q_OBJECT
private slots:
    void init() { begin(); }
    void cleanup() { finish(); }

    void correctedAndRipped() {
        open("Night Post EP/night post.cue");
        // By keyboard, as in any table.
        const char* const titles[] = {"Night Post", "Ferryman's Reel", "Cold Slip", "The Keeper's Wife"};
        for (int row = 0; row < 4; ++row) {
            dialog_->tracks()->setCurrentIndex(dialog_->tracks()->model()->index(row, DiscTrackModel::Title));
            QTest::keyClick(dialog_->tracks(), Qt::Key_F2);
            auto* editor = dialog_->tracks()->findChild<QLineEdit*>();
            QVERIFY(editor);
            QTest::keyClicks(editor, titles[row]);
            QTest::keyClick(editor, Qt::Key_Return);
            desk_->settle(); // the editor goes when it is done
        }
        typeField("album_artist", "The Hollow Ferry");
        typeField("album", "Night Post EP");
        typeField("date", "1998-10-05");
        typeField("date", "last autumn"); // refused, in words
        QVERIFY2(said_.last().contains("Date is a year"), qPrintable(said_.last()));
        QCOMPARE(cell(3, DiscTrackModel::Title), QString("The Keeper's Wife"));
        QCOMPARE(cell(3, DiscTrackModel::Artist), QString("The Hollow Ferry"));
        QVERIFY2(dialog_->panel()->preview().contains("The Hollow Ferry/\n  1998 Night Post EP/"),
                 qPrintable(dialog_->panel()->preview()));
        QVERIFY(dialog_->panel()->preview().contains("02 Ferryman's Reel.flac"));
        // One is left out.
        toggle(2);
        QVERIFY(!dialog_->panel()->preview().contains("Cold Slip"));
        QCOMPARE(dialog_->ripButton()->text(), QString("Rip 3 tracks"));
        rip();
        QCOMPARE(cell(0, DiscTrackModel::Reading), QString("two readings agree"));
        QCOMPARE(cell(2, DiscTrackModel::Reading), QString("left out"));
        const Path folder = *box_ / "rips/The Hollow Ferry/1998 Night Post EP";
        const auto tags = tags::readTags(folder / "04 The Keeper's Wife.flac");
        QVERIFY_RESULT(tags);
        QCOMPARE(tags::firstValue(tags->fields, "artist"), std::string("The Hollow Ferry"));
        QCOMPARE(tags::firstValue(tags->fields, "date"), std::string("1998-10-05"));
        QCOMPARE(tags::firstValue(tags->fields, "track"), std::string("4"));
        QVERIFY(std::filesystem::exists(folder / "disc report.txt"));
        QVERIFY(std::filesystem::exists(folder / "disc.cue"));
        // They are on the bench, as a sleeve.
        QCOMPARE(desk_->controllers().sleeves.files().size(), size_t{3});
        QVERIFY(desk_->chooseSleeve("Night Post EP"));
        QVERIFY2(said_.join('|').contains("all 3 tracks are proven"), qPrintable(said_.join('|')));
        // The one that was left out can follow; the others are not ripped again.
        toggle(2);
        QCOMPARE(dialog_->ripButton()->text(), QString("Rip 1 track"));
        rip();
        QVERIFY(std::filesystem::exists(folder / "03 Cold Slip.flac"));
        QCOMPARE(desk_->controllers().sleeves.files().size(), size_t{4});
        QVERIFY(!dialog_->ripButton()->isEnabled());
        // One report tells of all of it.
        const std::string report = test::readBytes(folder / "disc report.txt");
        for (const char* part : {"Track 01", "Track 03", "Track 04", "03 Cold Slip.flac"})
            QVERIFY2(report.find(part) != std::string::npos, part);
        QVERIFY(!std::filesystem::exists(folder / "disc report 2.txt"));
        // Another format is another rip.
        dialog_->panel()->formats()->setCurrentIndex(dialog_->panel()->formats()->findData("wav"));
        QCOMPARE(dialog_->ripButton()->text(), QString("Rip 4 tracks"));
    }

    void faultsAreTold() {
        test::writeBytes(*box_ / "discs/Salt Road/salt road.cue.faults.json",
                         "{\"bad\": [[100, 103]], \"unsteady\": [[2000, 2040]]}");
        open("Salt Road/salt road.cue");
        rip();
        QCOMPARE(cell(0, DiscTrackModel::Reading), QString("3 sectors not proven"));
        QVERIFY2(cell(1, DiscTrackModel::Reading).startsWith("proven, "),
                 qPrintable(cell(1, DiscTrackModel::Reading)));
        QCOMPARE(cell(2, DiscTrackModel::Reading), QString("two readings agree"));
        QVERIFY2(said_.join('|').contains("Places that never read the same twice are in 1 track."),
                 qPrintable(said_.join('|')));
        const std::string report =
            test::readBytes(*box_ / "rips/Isla Varnholt/2019 Salt Road/disc report.txt");
        QVERIFY(report.find("(sector 101): not proven") != std::string::npos);
    }

    void takenOutInTheMiddle() {
        test::writeBytes(*box_ / "discs/Salt Road/salt road.cue.faults.json", "{\"taken_out_at\": 5000}");
        open("Salt Road/salt road.cue");
        rip();
        QVERIFY2(dialog_->summary().contains("no disc"), qPrintable(dialog_->summary()));
        QCOMPARE(cell(1, DiscTrackModel::Reading), QString("two readings agree"));
        QVERIFY(cell(2, DiscTrackModel::Reading).contains("no disc"));
        QCOMPARE(desk_->controllers().sleeves.files().size(), size_t{2}); // finished tracks are kept
        // Put in again, it goes on with the track that it stopped at.
        std::filesystem::remove(*box_ / "discs/Salt Road/salt road.cue.faults.json");
        QCOMPARE(dialog_->ripButton()->text(), QString("Rip 4 tracks"));
        rip();
        QCOMPARE(desk_->controllers().sleeves.files().size(), size_t{6});
    }

    void stopped() {
        test::writeBytes(*box_ / "discs/Salt Road/salt road.cue.faults.json", "{\"speed\": 30}");
        open("Salt Road/salt road.cue");
        dialog_->ripButton()->click();
        QVERIFY(dialog_->stopButton()->isVisible());
        QVERIFY(!dialog_->ripButton()->isEnabled());
        QTRY_VERIFY(cell(0, DiscTrackModel::Reading).contains(':'));
        // Nothing of it can be changed meanwhile.
        QVERIFY(
            !(dialog_->tracks()->model()->flags(dialog_->tracks()->model()->index(1, DiscTrackModel::Title)) &
              Qt::ItemIsEditable));
        dialog_->stopButton()->click();
        desk_->settle();
        QVERIFY(!dialog_->stopButton()->isVisible());
        QVERIFY2(said_.join('|').contains("ended early"), qPrintable(said_.join('|')));
        if (std::filesystem::exists(*box_ / "rips"))
            for (const auto& entry : std::filesystem::recursive_directory_iterator(*box_ / "rips"))
                QVERIFY2(entry.is_directory() || !entry.path().filename().native().starts_with('.'),
                         entry.path().c_str()); // nothing half
        // Closing the window does not end a rip; put aside, the disc is gone from the list.
        desk_->controllers().discs.close(1);
        QCOMPARE(dialog_->list()->count(), 0);
    }

    // One disc is ripped while the titles of another are typed: each key stays where it was put.
    void typedWhileAnotherIsRipped() {
        test::writeBytes(*box_ / "discs/Salt Road/salt road.cue.faults.json", "{\"speed\": 60}");
        open("Salt Road/salt road.cue");
        open("Night Post EP/night post.cue");
        dialog_->list()->setCurrentRow(0);
        dialog_->ripButton()->click();
        dialog_->list()->setCurrentRow(1);
        dialog_->tracks()->setCurrentIndex(dialog_->tracks()->model()->index(2, DiscTrackModel::Title));
        QTest::keyClick(dialog_->tracks(), Qt::Key_F2);
        auto* editor = dialog_->tracks()->findChild<QLineEdit*>();
        QVERIFY(editor);
        QSignalSpy going(&desk_->controllers().rips, &RipController::progressed);
        for (const char c : std::string("Cold Slip")) {
            QTest::keyClick(editor, c);
            QTest::qWait(60);
        }
        QTRY_VERIFY2_WITH_TIMEOUT(going.count() > 2, "the rip does not go on while the editor is open",
                                  20000);
        QCOMPARE(editor->text(), QString("Cold Slip"));
        // What the references say comes in the middle of a word.
        desk_->controllers().discs.findByTable(2);
        QTRY_VERIFY(desk_->controllers().discs.find(2)->looked);
        QCOMPARE(editor->text(), QString("Cold Slip"));
        QTest::keyClick(editor, Qt::Key_Return);
        QTRY_COMPARE(cell(2, DiscTrackModel::Title), QString("Cold Slip"));
        desk_->settle();
        QCOMPARE(cell(2, DiscTrackModel::Title), QString("Cold Slip"));
    }

    // The first demo disc, onto the shelf: found, a value taken from the other answer, ripped with a cover,
    // checked by sound and by what others have read, in the journal, and taken back into the trash.
    void ontoTheShelf() {
        const Path shelf = addShelf();
        open("Night Post EP/night post.cue");
        QCOMPARE(dialog_->panel()->places()->currentText(), QString("Music archive"));
        QVERIFY2(
            dialog_->panel()->preview().startsWith("Unknown artist/\n  night post/\n    01 Track 1.flac"),
            qPrintable(dialog_->panel()->preview()));
        dialog_->findButton()->click();
        desk_->settle();
        const int good = variant("Track 2", 1) == "Ferryman's Reel" ? 1 : 2;
        choose(good);
        // Its other answer has the title in two languages: a click takes that value alone.
        clickCell("Track 3", 3 - good);
        QCOMPARE(cell(2, DiscTrackModel::Title), QString("Cold slip / Kaldt slipp"));
        QCOMPARE(cell(1, DiscTrackModel::Title), QString("Ferryman's Reel"));
        choose(3 - good); // it stays, whichever is chosen
        choose(good);
        QCOMPARE(cell(2, DiscTrackModel::Title), QString("Cold slip / Kaldt slipp"));
        clickCell("Track 3", good); // back to what was chosen
        QCOMPARE(cell(2, DiscTrackModel::Title), QString("Cold Slip"));
        QVERIFY(mark(1, DiscTrackModel::Title)); // another than the disc says
        QVERIFY2(dialog_->panel()->preview().contains(
                     "The Hollow Ferry/\n  1998 Night Post EP/\n    01 Night Post"),
                 qPrintable(dialog_->panel()->preview()));
        // The front cover is ticked, the back one is not.
        DiscPicturesStrip* strip = dialog_->panel()->pictures();
        QCOMPARE(strip->count(), 2);
        QCOMPARE(strip->item(0)->checkState(), Qt::Checked);
        QCOMPARE(strip->item(1)->checkState(), Qt::Unchecked);
        QVERIFY(dialog_->panel()->offset().contains("not known"));
        rip();
        const Path folder = shelf / "The Hollow Ferry/1998 Night Post EP";
        for (int row = 0; row < 4; ++row)
            QCOMPARE(cell(row, DiscTrackModel::Reading), QString("12 others read the same"));
        QVERIFY2(dialog_->summary().contains("By sound, 4 of 4 tracks are what was chosen."),
                 qPrintable(dialog_->summary()));
        QVERIFY2(dialog_->panel()->offset().contains("0 samples, found with Night Post EP"),
                 qPrintable(dialog_->panel()->offset()));
        QVERIFY(!mark(1, DiscTrackModel::Title)); // it is in the file: no draft any more
        const auto tags = tags::readTags(folder / "03 Cold Slip.flac");
        QVERIFY_RESULT(tags);
        QCOMPARE(tags->pictures.size(), size_t{1});
        QCOMPARE(tags->pictures[0].type, std::string("front cover"));
        const std::string report = test::readBytes(folder / "disc report.txt");
        for (const char* part : {"By sound, 4 of 4", "Read by others: 12 the same", "XXH3 of the sound"})
            QVERIFY2(report.find(part) != std::string::npos, part);
        // In the library, not on the bench; the essence is what the report says.
        QCOMPARE(desk_->controllers().sleeves.files().size(), size_t{0});
        QTRY_COMPARE(found("album:\"Night Post EP\""), size_t{4});
        // The same disc again, also after a restart: it is known to be ripped.
        desk_.reset();
        start();
        open("Night Post EP/night post.cue");
        dialog_->findButton()->click();
        desk_->settle();
        choose(good);
        QVERIFY(!dialog_->ripButton()->isEnabled());
        QCOMPARE(cell(0, DiscTrackModel::Reading), QString("12 others read the same"));
        // Taken back from the journal, it is in the trash, and can be ripped again.
        const auto& sets = desk_->controllers().journal.sets();
        QCOMPARE(sets.front().title, std::string("Rip Night Post EP"));
        QCOMPARE(sets.front().done, size_t{7}); // four tracks and three reports
        desk_->controllers().writing.takeBack(sets.front().id, {});
        desk_->settle();
        QVERIFY(!std::filesystem::exists(folder.parent_path()));
        QTRY_COMPARE(found("album:\"Night Post EP\""), size_t{0});
        QCOMPARE(dialog_->ripButton()->text(), QString("Rip 4 tracks"));
        QVERIFY(dialog_->ripButton()->isEnabled());
        QVERIFY(mark(1, DiscTrackModel::Title)); // they are drafts again
        // Opened once more, it is the one that is there.
        open("Night Post EP/night post.cue");
        QCOMPARE(dialog_->list()->count(), 1);
    }

    // A rip to another format is one of its own: each keeps its reports, and goes on in its own set.
    void eachRipHasItsOwnReports() {
        const Path shelf = addShelf();
        open("Salt Road/salt road.cue");
        std::filesystem::remove(*box_ / "discs/Salt Road/salt road.cue.faults.json");
        for (int row = 2; row < 6; ++row)
            toggle(row);
        rip(); // two tracks to FLAC
        dialog_->panel()->formats()->setCurrentIndex(dialog_->panel()->formats()->findData("wav"));
        rip(); // the same to WAV
        dialog_->panel()->formats()->setCurrentIndex(dialog_->panel()->formats()->findData("flac"));
        toggle(2);
        QCOMPARE(dialog_->ripButton()->text(), QString("Rip 1 track"));
        rip(); // the first one goes on
        const Path folder = shelf / "Isla Varnholt/2019 Salt Road";
        const std::string first = test::readBytes(folder / "disc report.txt"),
                          second = test::readBytes(folder / "disc report 2.txt");
        QVERIFY(first.find("03 Winter Harbour.flac") != std::string::npos);
        QVERIFY(first.find(".wav") == std::string::npos);
        QVERIFY(second.find("02 Salt Road.wav") != std::string::npos);
        QVERIFY2(second.find(".flac") == std::string::npos, second.c_str());
        const auto& sets = desk_->controllers().journal.sets();
        QCOMPARE(sets.size(), size_t{2});
        QCOMPARE(sets[0].done, size_t{5});                     // two WAV and their reports
        QCOMPARE(sets[1].done, size_t{6});                     // three FLAC and theirs
        QVERIFY(desk_->controllers().sleeves.files().empty()); // what is on a shelf is not brought in
    }

    // A drive with an offset, known by what others have read; without it nothing agrees.
    void theOffsetOfADrive() {
        addShelf();
        open("Salt Road/salt road.cue");
        QVERIFY(!dialog_->panel()->offsetButton()->isVisible()); // nothing is known that it could be found by
        dialog_->findButton()->click();
        desk_->settle();
        choose(1);
        QVERIFY(dialog_->panel()->offsetButton()->isVisible());
        dialog_->panel()->offsetButton()->click();
        desk_->settle();
        QVERIFY2(dialog_->panel()->offset().contains("+6 samples, found with Salt Road"),
                 qPrintable(dialog_->panel()->offset()));
        toggle(0), toggle(1), toggle(4), toggle(5);
        rip();
        QCOMPARE(cell(2, DiscTrackModel::Reading), QString("3 others read the same"));
        // Entered wrongly by hand, it is another rip that nobody else has.
        desk_->controllers().driveOffsets.remember(*desk_->controllers().discs.find(dialog_->current()),
                                                   {7, {}});
        toggle(0);
        rip();
        QCOMPARE(cell(0, DiscTrackModel::Reading), QString("3 others read it otherwise"));
    }

    // The library has the same sound as MP3: what was ripped can take its place, and what was given to the
    // old file stays.
    void worseOnesAreReplaced() {
        const Path shelf = addShelf();
        std::filesystem::create_directories(shelf / "old");
        auto drive = disc::SimulatedDrive::open(*box_ / "discs/Night Post EP/night post.cue");
        QVERIFY_RESULT(drive);
        disc::RipPlan plan = disc::usualPlan((*drive)->image().toc, {}, shelf / "old", "mp3", "disc");
        plan.tracks.resize(2);
        QVERIFY(disc::rip(**drive, plan, {}, [](const disc::RipProgress&) {}).complete);
        desk_->controllers().shelves.read(desk_->controllers().shelves.all());
        desk_->settle();
        QTRY_VERIFY_WITH_TIMEOUT(!desk_->controllers().sounds.isListening() &&
                                     desk_->controllers().sounds.store()->size() == 2,
                                 20000);
        desk_->settle();
        FileId old = 0;
        read([&](library::Store& store) { old = store.files().idOf(plan.tracks[0].target); });
        QVERIFY(old > 0);
        desk_->controllers().recordings.keep("Rate", "rating", {{old, {"5"}}}, [] {});
        open("Night Post EP/night post.cue");
        dialog_->findButton()->click();
        desk_->settle();
        choose(1);
        rip();
        QVERIFY2(dialog_->replaceButton()->isVisible(), "nothing is offered");
        dialog_->replaceButton()->click();
        desk_->settle();
        QVERIFY(!std::filesystem::exists(plan.tracks[0].target));
        QVERIFY(!dialog_->replaceButton()->isVisible());
        std::vector<std::string> rating;
        read([&](library::Store& store) {
            const FileId now =
                store.files().idOf(shelf / "The Hollow Ferry/1998 Night Post EP/01 Night Post.flac");
            rating = store.recordings().values(store.recordings().placeOf(now).recording, "rating");
        });
        QCOMPARE(rating, std::vector<std::string>{"5"});
    }

    // Ejected at the end: it is out, and put in again it takes its old place in the list.
    void ejectedAtTheEnd() {
        open("Night Post EP/night post.cue");
        dialog_->panel()->ejects()->setChecked(true);
        rip();
        QVERIFY(dialog_->list()->item(0)->data(TwoLineDelegate::SecondRole).toString().contains("taken out"));
        QVERIFY(!dialog_->ripButton()->isEnabled());
        open("Night Post EP/night post.cue");
        QCOMPARE(dialog_->list()->count(), 1);
        QVERIFY(!dialog_->list()->item(0)->data(TwoLineDelegate::SecondRole).toString().contains("out"));
    }

    // Names that are taken already are not ripped, and that is said before.
    void takenNames() {
        const Path shelf = addShelf();
        open("Salt Road/salt road.cue");
        test::writeBytes(shelf / "Isla Varnholt/2019 Salt Road/02 Salt Road.flac", "something else");
        desk_->controllers().discs.setField(dialog_->current(), 3, "title", "Gorse"); // the name of another
        dialog_->panel()->setPlan("{album artist}/{date: year} {album}/{track: 2 digits} {title}");
        QVERIFY2(dialog_->panel()->preview().contains("\u00D7 02 Salt Road.flac"),
                 qPrintable(dialog_->panel()->preview()));
        QCOMPARE(dialog_->ripButton()->text(), QString("Rip 5 tracks"));
        dialog_->panel()->setPlan("{title}");
        QVERIFY2(dialog_->panel()->preview().contains("same name as"),
                 qPrintable(dialog_->panel()->preview()));
        QCOMPARE(dialog_->ripButton()->text(), QString("Rip 4 tracks"));
    }

    // Plans that ship make sense; one that does not says so.
    void plansThatShip() {
        for (const auto& [name, text] : plansOf(desk_->controllers().settings))
            QVERIFY2(std::holds_alternative<naming::Plan>(naming::parsePlan(ss(text))), qPrintable(name));
        open("Night Post EP/night post.cue");
        dialog_->panel()->setPlan("{nobody}");
        QVERIFY2(dialog_->panel()->preview().contains("The plan makes no sense"),
                 qPrintable(dialog_->panel()->preview()));
        QVERIFY(!dialog_->ripButton()->isEnabled());
    }

    void formats() {
        open("Night Post EP/night post.cue");
        Choice* formats = dialog_->panel()->formats();
        formats->setCurrentIndex(formats->findData("opus"));
        QVERIFY(dialog_->panel()->preview().contains("01 Track 1.opus"));
        for (int row = 1; row < 4; ++row)
            toggle(row);
        rip();
        QVERIFY(std::filesystem::exists(*box_ / "rips/Unknown artist/night post/01 Track 1.opus"));
        // It is remembered.
        desk_.reset();
        desk_ = std::make_unique<Driver>(*box_ / "library.db");
        desk_->settle();
        QCOMPARE(rememberedRip().format, std::string("opus"));
        QCOMPARE(rememberedRip().folder, *box_ / "rips");
        QCOMPARE(rememberedRip().shelf, int64_t{0});
    }
};

int main(int argc, char** argv) {
    qputenv("QT_QPA_PLATFORM", "offscreen");
    QApplication application(argc, argv);
    Driver::prepareApplication();
    TestRips test;
    return QTest::qExec(&test, argc, argv);
}
#include "test_rips.moc"
