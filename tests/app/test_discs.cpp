// SPDX-License-Identifier: GPL-3.0-or-later
// Discs before they are ripped: their tables, what they are, what they are corrected to.
#include <QtTest>

#include <QSignalSpy>

#include "core/tags/tag_io.h"
#include "support/disc_desk.h"

using namespace moorfrost;
using namespace moorfrost::app;

class TestDiscs : public QObject, public DiscDesk {
    Q_OBJECT
private slots:
    void init() { begin(); }
    void cleanup() { finish(); }

    void theTableAtOnce() {
        open("Processional/PROCESSIONAL.CUE");
        QCOMPARE(dialog_->list()->count(), 1);
        QVERIFY2(dialog_->told().contains("5 tracks"), qPrintable(dialog_->told()));
        QVERIFY(dialog_->told().contains("2:02"));
        QVERIFY(dialog_->told().contains("0:04 before track 1"));
        QVERIFY(dialog_->told().contains("media number 2000000770031"));
        QCOMPARE(dialog_->fieldLine("album")->text(), QString("PROCESSIONAL"));
        QCOMPARE(dialog_->fieldLine("genre")->text(), QString("Brass"));
        QCOMPARE(cell(0, DiscTrackModel::Number), QString("0")); // what is hidden is offered
        QVERIFY(cell(0, DiscTrackModel::Reading).contains("before track 1"));
        QCOMPARE(dialog_->ripButton()->text(), QString("Rip 5 tracks"));
        QCOMPARE(cell(2, DiscTrackModel::Title), QString("Harbour Hymn"));
        QCOMPARE(cell(2, DiscTrackModel::Isrc), QString("ZZGRW7700032"));
        QVERIFY(dialog_->notes().contains("Track 2 has pre-emphasis"));
        QCOMPARE(cell(1, DiscTrackModel::Length), QString("0:27"));
        // Another beside it; each keeps what is said of it.
        open("Night Post EP/night post.cue");
        QCOMPARE(dialog_->list()->count(), 2);
        QCOMPARE(dialog_->list()->currentRow(), 1);
        QCOMPARE(cell(0, DiscTrackModel::Title), QString());
        QVERIFY(dialog_->told().contains("nothing before track 1"));
        dialog_->list()->setCurrentRow(0);
        QCOMPARE(cell(1, DiscTrackModel::Title), QString("Processional"));
        // What is no disc is said.
        test::writeBytes(*box_ / "discs/letter.cue", "Dear archive\n");
        open("letter.cue");
        QVERIFY2(said_.last().contains("no tracks"), qPrintable(said_.last()));
        QCOMPARE(dialog_->list()->count(), 2);
    }

    // Two contributors say otherwise of one disc: one of them is chosen, and what is typed stays.
    void foundByItsTable() {
        open("Night Post EP/night post.cue");
        dialog_->findButton()->click();
        desk_->settle();
        QVERIFY2(dialog_->answers()->found().contains("2 answers with this very table"),
                 qPrintable(dialog_->answers()->found()));
        QVERIFY(dialog_->answers()->table()->isVisible());
        QCOMPARE(variant("Table", 1), QString("the same"));
        QCOMPARE(variant("Track 2", 0), QString("not told"));
        QStringList second{variant("Track 2", 1), variant("Track 2", 2)};
        second.sort();
        QCOMPARE(second, (QStringList{"Ferryman's Reel", "The Ferrymans Reel"}));
        QCOMPARE(variant("Track 3", 1), QString("Cold Slip"));
        const int good = variant("Track 2", 1) == "Ferryman's Reel" ? 1 : 2;
        choose(3 - good);
        QCOMPARE(cell(1, DiscTrackModel::Title), QString("The Ferrymans Reel"));
        QCOMPARE(dialog_->fieldLine("album")->text(), QString("Nightpost"));
        choose(good);
        QCOMPARE(cell(1, DiscTrackModel::Title), QString("Ferryman's Reel"));
        QCOMPARE(dialog_->fieldLine("album")->text(), QString("Night Post EP"));
        QCOMPARE(dialog_->fieldLine("date")->text(), QString("1998-10-05"));
        QVERIFY2(dialog_->panel()->preview().contains("The Hollow Ferry/\n  1998 Night Post EP/"),
                 qPrintable(dialog_->panel()->preview()));
        // What hands have typed stays, whichever is chosen.
        typeField("date", "1998-10");
        desk_->controllers().discs.setField(1, 2, "title", "Cold Slip (first take)");
        choose(3 - good);
        choose(good);
        QCOMPARE(cell(2, DiscTrackModel::Title), QString("Cold Slip (first take)"));
        QCOMPARE(dialog_->fieldLine("date")->text(), QString("1998-10"));
        rip();
        const auto tags =
            tags::readTags(*box_ / "rips/The Hollow Ferry/1998 Night Post EP/03 Cold Slip (first take).flac");
        QVERIFY_RESULT(tags);
        QCOMPARE(tags::firstValue(tags->fields, "date"), std::string("1998-10"));
        QCOMPARE(tags::firstValue(tags->fields, "catalogue_number"), std::string("GR 014"));
        QCOMPARE(tags::firstValue(tags->fields, "isrc"), std::string("ZZGRW9800013"));
        QCOMPARE(tags::firstValue(tags->fields, "composer"), std::string("Elin Sorrow"));
    }

    void foundByNameOrNot() {
        open("Processional/PROCESSIONAL.CUE"); // only the record is known
        dialog_->findButton()->click();
        desk_->settle();
        QVERIFY2(dialog_->answers()->found().contains("by name"), qPrintable(dialog_->answers()->found()));
        choose(1);
        QCOMPARE(dialog_->fieldLine("album")->text(), QString("Processional"));
        QCOMPARE(dialog_->fieldLine("album_artist")->text(), QString("Tarnholm Harbour Band"));
        // The disc knows its own codes; what is hidden goes along when it is ticked.
        QCOMPARE(cell(1, DiscTrackModel::Title), QString("Processional"));
        toggle(0);
        rip();
        QVERIFY(std::filesystem::exists(
            *box_ / "rips/Tarnholm Harbour Band/1977 Processional/00 Before track 1.flac"));
        const auto tags =
            tags::readTags(*box_ / "rips/Tarnholm Harbour Band/1977 Processional/02 Harbour Hymn.flac");
        QVERIFY_RESULT(tags);
        QCOMPARE(tags::firstValue(tags->fields, "isrc"), std::string("ZZGRW7700032"));
        // Nobody knows this one.
        test::writeBytes(*box_ / "discs/x.bin", std::string(2352 * 900, 'x'));
        test::writeBytes(*box_ / "discs/x.cue", "FILE x.bin BINARY\nTRACK 01 AUDIO\nINDEX 01 00:00:00\n"
                                                "TRACK 02 AUDIO\nINDEX 01 00:04:00\n");
        open("x.cue");
        dialog_->findButton()->click();
        desk_->settle();
        QVERIFY2(said_.last().contains("No reference knows this disc"), qPrintable(said_.last()));
        QVERIFY(!dialog_->answers()->table()->isVisible());
    }

    // Asked again, the answer that was chosen is still the chosen one.
    void askedAgain() {
        open("Night Post EP/night post.cue");
        dialog_->findButton()->click();
        desk_->settle();
        choose(2);
        const QString title = cell(1, DiscTrackModel::Title);
        dialog_->findButton()->click();
        desk_->settle();
        QCOMPARE(desk_->controllers().discs.find(1)->chosen, 1);
        QCOMPARE(cell(1, DiscTrackModel::Title), title);
    }

    // What a disc says all in capitals.
    void capitalsAreTamed() {
        open("Processional/PROCESSIONAL.CUE");
        QVERIFY(dialog_->capitalsButton()->isVisible());
        dialog_->capitalsButton()->click();
        QCOMPARE(dialog_->fieldLine("album")->text(), QString("Processional"));
        QCOMPARE(cell(3, DiscTrackModel::Artist), QString("Tarnholm Harbour Band"));
        QVERIFY(!dialog_->capitalsButton()->isVisible());
    }

    // Discs as they should not be: a sentence, and nothing is offered that cannot be.
    void oddDiscs() {
        std::string sheet = "FILE x.bin BINARY\n";
        for (int i = 1; i <= 99; ++i)
            sheet += "TRACK " + std::to_string(i) + " AUDIO\nINDEX 01 00:" + (i <= 10 ? "0" : "") +
                     std::to_string(i - 1 > 59 ? 59 : i - 1) + ":" +
                     (i - 1 > 59 ? std::to_string((i - 60) + 10) : "00") + "\n";
        test::writeBytes(*box_ / "discs/x.bin", std::string(2352 * 4600, 'x'));
        test::writeBytes(*box_ / "discs/x.cue", sheet);
        open("x.cue");
        QVERIFY2(dialog_->told().contains("99 tracks"), qPrintable(dialog_->told() + said_.join('|')));
        QCOMPARE(dialog_->ripButton()->text(), QString("Rip 99 tracks"));
        test::writeBytes(*box_ / "discs/data.bin", std::string(2352 * 900, 'x'));
        test::writeBytes(*box_ / "discs/data.cue",
                         "FILE data.bin BINARY\nTRACK 01 MODE1/2352\nINDEX 01 00:00:00\n");
        open("data.cue");
        QVERIFY2(dialog_->notes().contains("no sound to rip"), qPrintable(dialog_->notes()));
        QVERIFY(!dialog_->ripButton()->isEnabled());
        test::writeBytes(
            *box_ / "discs/mixed.cue",
            "FILE data.bin BINARY\nTRACK 01 MODE1/2352\nINDEX 01 00:00:00\nTRACK 02 AUDIO\nINDEX 01 "
            "00:04:00\n");
        open("mixed.cue");
        QVERIFY2(dialog_->notes().contains("1 track with data"), qPrintable(dialog_->notes()));
        QCOMPARE(dialog_->ripButton()->text(), QString("Rip 1 track"));
        QCOMPARE(cell(0, DiscTrackModel::Reading), QString("data"));
    }

    // The menu has the drives of the machine and the images that were open last.
    void whatCanBeRead() {
        QStringList texts;
        for (const QAction* a : dialog_->readMenu()->actions())
            texts << a->text();
        QVERIFY(texts.contains("Open a disc image\u2026"));
        QVERIFY(texts.contains("no drive was found") || !desk_->controllers().discs.drives().empty());
        desk_->controllers().discs.open("/dev/no drive");
        desk_->settle();
        QVERIFY2(!said_.isEmpty(), "nothing is said");
        QCOMPARE(dialog_->list()->count(), 0);
    }
};

int main(int argc, char** argv) {
    qputenv("QT_QPA_PLATFORM", "offscreen");
    QApplication application(argc, argv);
    Driver::prepareApplication();
    TestDiscs test;
    return QTest::qExec(&test, argc, argv);
}
#include "test_discs.moc"
