// SPDX-License-Identifier: GPL-3.0-or-later
// Cue sheets, CD-TEXT and disc images: as programs write them, as they are found, and as they should not be.
#include <QtTest>

#include "core/disc/find_disc.h"
#include "core/disc/image.h"
#include "demo/discs.h"
#include "demo/encode.h"
#include "support/sample_files.h"
#include "support/shared_data.h"

using namespace moorfrost;
using namespace moorfrost::disc;

namespace {

std::string whyNot(const std::string& sheet) {
    const auto read = readCueSheet(sheet);
    return read ? std::string() : read.error().message;
}

/// Samples of so many sectors, each its own number.
std::string sectors(int n) {
    std::string out;
    for (int i = 0; i < n; ++i)
        out += std::string(bytesPerSector, static_cast<char>(i + 1));
    return out;
}

} // namespace

namespace {

/// Answers each question with all that it has; tells what it was asked.
class FakeReference : public reference::Reference {
public:
    std::vector<reference::Release> releases;
    std::vector<reference::Question> asked;
    bool down = false;

    std::string key() const override { return "fake"; }
    std::string name() const override { return "Fake"; }
    Result<std::vector<reference::Release>> find(const reference::Question& question,
                                                 std::stop_token) override {
        asked.push_back(question);
        if (down)
            return Error{ErrorKind::Io, {}, "It does not answer."};
        return releases;
    }
    Result<reference::Release> fetch(const std::string& id, std::stop_token) override {
        for (const reference::Release& r : releases)
            if (r.id == id)
                return r;
        return Error{ErrorKind::NotFound, {}, "There is none."};
    }
    Result<std::string> picture(const std::string&, int, std::stop_token) override { return std::string(); }
};

reference::Release releaseWith(const char* id, std::vector<int64_t> table, size_t tracks) {
    reference::Release out;
    out.id = out.title = id;
    reference::Medium medium{"CD", {}, std::move(table), {}};
    for (size_t i = 0; i < tracks; ++i)
        medium.tracks.push_back({std::to_string(i + 1), "Take", {}});
    out.media = {{"File", {}, {}, {}}, medium}; // the disc is its second medium
    return out;
}

} // namespace

class TestDisc : public QObject {
    Q_OBJECT
private slots:
    void aSheetAndBack() {
        const char* text = "\xEF\xBB\xBF"
                           "REM GENRE Folk\r\nrem date 1998\r\ncatalog 2000000140014\r\n"
                           "Performer \"The Hollow Ferry\"\r\nTITLE \"Night \"Post\" EP\"\r\n"
                           "FILE night post image.wav WAVE\r\n"
                           "  TRACK 01 AUDIO\r\n    TITLE Night Post\r\n    ISRC zzgrw9800011\r\n"
                           "    FLAGS DCP PRE\r\n    INDEX 01 00:00:00\r\n"
                           "  TRACK 02 audio\r\n    PREGAP 00:01:10\r\n    INDEX 00 03:39:10\r\n"
                           "    INDEX 01 03:41:00\r\n    INDEX 02 05:00:00\r\n    POSTGAP 00:02:00\r\n"
                           "SOMETHING that nobody knows\r\n";
        const auto read = readCueSheet(text);
        QVERIFY_RESULT(read);
        QCOMPARE(read->mediaNumber, std::string("2000000140014"));
        QCOMPARE(read->texts.at("performer"), std::string("The Hollow Ferry"));
        QCOMPARE(read->texts.at("title"), std::string("Night \"Post\" EP"));
        QCOMPARE(read->texts.at("genre"), std::string("Folk"));
        QCOMPARE(read->texts.at("date"), std::string("1998"));
        QCOMPARE(read->files.front().name, std::string("night post image.wav"));
        QCOMPARE(read->tracks.size(), size_t{2});
        const CueTrack& first = read->tracks[0];
        QVERIFY(first.preEmphasis && first.copyPermitted && first.audio);
        QCOMPARE(first.isrc, std::string("ZZGRW9800011"));
        QCOMPARE(first.texts.at("title"), std::string("Night Post"));
        const CueTrack& second = read->tracks[1];
        QCOMPARE(second.pregap, 85);
        QCOMPARE(second.postgap, 150);
        QCOMPARE(second.indexes.size(), size_t{3});
        QCOMPARE(second.indexes[1].sector, (3 * 60 + 41) * 75);
        // What we write says the same.
        CueSheet again = *read;
        again.texts["title"] = "Night 'Post' EP"; // quotes cannot be written
        const auto back = readCueSheet(cueSheetText(*read));
        QVERIFY_RESULT(back);
        QVERIFY(*back == again);
    }

    void otherEncodings() {
        const auto cyrillic = readCueSheet("TITLE \"\xD1\xE5\xE2\xE5\xF0\xED\xFB\xE9 \xE2\xE5\xF2\xE5\xF0\"\n"
                                           "PERFORMER \"\xD5\xEE\xF0 \xCC\xE0\xFF\xEA\xE0\"\n"
                                           "FILE a.wav WAVE\nTRACK 01 AUDIO\nINDEX 01 00:00:00\n");
        QVERIFY_RESULT(cyrillic);
        QCOMPARE(cyrillic->texts.at("title"), std::string("Северный ветер"));
        const auto latin = readCueSheet("PERFORMER \"\xC5se-Linn Br\xE6kke\"\n"
                                        "FILE a.wav WAVE\nTRACK 01 AUDIO\nINDEX 01 00:00:00\n");
        QVERIFY_RESULT(latin);
        QCOMPARE(latin->texts.at("performer"), std::string("Åse-Linn Brække"));
        std::string wide = "\xFF\xFE";
        for (const char c : std::string("FILE a.wav WAVE\nTRACK 01 AUDIO\nTITLE Ebb\nINDEX 01 00:00:00\n"))
            wide += c, wide += '\0';
        const auto utf16 = readCueSheet(wide);
        QVERIFY_RESULT(utf16);
        QCOMPARE(utf16->tracks.front().texts.at("title"), std::string("Ebb"));
    }

    void badSheets_data() {
        QTest::addColumn<QByteArray>("sheet");
        QTest::addColumn<QString>("why");
        auto row = [](const char* name, const QByteArray& sheet, const char* why) {
            QTest::newRow(name) << sheet << why;
        };
        const QByteArray head = "FILE a.wav WAVE\n";
        row("nothing", "", "no tracks");
        row("a letter", "Dear archive,\nthis is not music.\n", "no tracks");
        row("a picture", QByteArray("\x89PNG\r\n\x1A\n\0\0\0\rIHDR", 16), "no cue sheet");
        row("too large", QByteArray(2 << 20, ' '), "larger than 1 MB");
        row("no file", "TRACK 01 AUDIO\nINDEX 01 00:00:00\n", "Line 1");
        row("no name", "FILE\n", "Line 1");
        row("no index", head + "TRACK 01 AUDIO\nTRACK 02 AUDIO\nINDEX 01 00:00:00\n",
            "track 1 has no INDEX 01");
        row("only index 0", head + "TRACK 01 AUDIO\nINDEX 00 00:00:00\n", "track 1 has no INDEX 01");
        row("negative", head + "TRACK 01 AUDIO\nINDEX 01 -1:00:00\n", "Line 3");
        row("75 sectors", head + "TRACK 01 AUDIO\nINDEX 01 00:00:75\n", "Line 3");
        row("goes back", head + "TRACK 01 AUDIO\nINDEX 01 00:10:00\nTRACK 02 AUDIO\nINDEX 01 00:05:00\n",
            "comes before");
        row("index twice", head + "TRACK 01 AUDIO\nINDEX 01 00:00:00\nINDEX 01 00:05:00\n", "rise");
        row("track 0", head + "TRACK 00 AUDIO\nINDEX 01 00:00:00\n", "1 to 99");
        row("track 100", head + "TRACK 100 AUDIO\n", "1 to 99");
        row("order", head + "TRACK 01 AUDIO\nINDEX 01 00:00:00\nTRACK 03 AUDIO\nINDEX 01 00:09:00\n",
            "does not follow");
        row("index alone", head + "INDEX 01 00:00:00\n", "outside");
        QByteArray many = head;
        for (int i = 1; i <= 140; ++i)
            many += QString("TRACK %1 AUDIO\nINDEX 01 %2:00:00\n").arg(i, 2, 10, QChar('0')).arg(i).toUtf8();
        row("140 tracks", many, "1 to 99; \"100\" is not");
        QByteArray files;
        for (int i = 0; i < 300; ++i)
            files += head;
        row("300 files", files, "too many files");
    }
    void badSheets() {
        QFETCH(QByteArray, sheet);
        QFETCH(QString, why);
        const std::string told = whyNot(sheet.toStdString());
        QVERIFY2(told.find(why.toStdString()) != std::string::npos, told.c_str());
    }

    // No input does any harm.
    void anyBytes() {
        std::string sheet = "FILE \"a.wav\" WAVE\nTRACK 01 AUDIO\nTITLE \"x\"\nINDEX 00 00:00:00\nINDEX 01 "
                            "00:02:00\nTRACK 02 AUDIO\nINDEX 01 01:00:00\n";
        uint32_t state = 7;
        auto chance = [&state] { return state = state * 1664525u + 1013904223u; };
        for (int i = 0; i < 3000; ++i) {
            std::string broken = sheet;
            for (int k = 0; k < 4; ++k)
                broken[chance() % broken.size()] = static_cast<char>(chance() >> 24);
            if (const auto read = readCueSheet(broken))
                QVERIFY(!cueSheetText(*read).empty());
            std::string packs = encodeCdText({{{"en", "Folk", "GR", {{1, {{{"title", "Ebb"}}, "ZZ"}}}}}, 0});
            packs[chance() % packs.size()] = static_cast<char>(chance() >> 24);
            packs.resize(chance() % (packs.size() + 1));
            decodeCdText(packs);
        }
    }

    void cdText() {
        CdText text;
        CdTextBlock english{"en", "Folk", "GR 014", {}};
        english.entries[0] = {{{"title", "Night Post EP"}, {"performer", "The Hollow Ferry"}},
                              "2000000140014"};
        for (int i = 1; i <= 99; ++i)
            english.entries[i] = {{{"title", "A rather long title, number " + std::to_string(i)}},
                                  "ZZGRW98000" + std::to_string(10 + i % 90)};
        CdTextBlock norwegian{"no", "", "", {}};
        norwegian.entries[0] = {{{"title", "Måneskinn"}, {"performer", "Åse-Linn Brække"}}, ""};
        norwegian.entries[1] = {{{"title", "Fyrlys"}}, ""};
        CdTextBlock japanese{"ja", "", "", {}};
        japanese.entries[0] = {{{"title", "浜のうた"}}, ""};
        japanese.entries[1] = {{{"title", "灯台のうた"}}, ""};
        text.blocks = {english, norwegian, japanese};
        const std::string packs = encodeCdText(text);
        const CdText back = decodeCdText(packs);
        QCOMPARE(back.damaged, 0);
        QCOMPARE(back.blocks.size(), size_t{3});
        for (size_t i = 0; i < 3; ++i)
            QVERIFY2(back.blocks[i] == text.blocks[i], std::to_string(i).c_str());
        QVERIFY(decodeCdText(std::string("\0\2\0\0", 4) + packs).blocks == back.blocks); // as drives answer
        // A damaged pack takes only what is in it; the others stay with their tracks.
        std::string damaged = packs;
        damaged[cdTextPackBytes * 20 + 7] ^= 1;
        const CdText rest = decodeCdText(damaged);
        QCOMPARE(rest.damaged, 1);
        int wrong = 0;
        for (int i = 1; i <= 99; ++i) {
            const auto entry = rest.blocks.front().entries.find(i);
            const auto title = entry == rest.blocks.front().entries.end() ? std::string()
                               : entry->second.texts.contains("title")    ? entry->second.texts.at("title")
                                                                          : std::string();
            wrong += title != english.entries[i].texts.at("title");
        }
        QVERIFY2(wrong >= 1 && wrong <= 2, std::to_string(wrong).c_str());
        // Of a text whose beginning is lost nothing is taken for the beginning of another.
        const std::string endless(200, 'x');
        CdText lost{{{"en", "", "", {{0, {{{"title", endless}}, ""}}, {1, {{{"title", "Ebb"}}, ""}}}}}, 0};
        std::string first = encodeCdText(lost);
        for (size_t pack = 0; pack < 16; ++pack) {
            first[pack * cdTextPackBytes + 5] ^= 1;
            const CdText some = decodeCdText(first);
            QCOMPARE(some.damaged, static_cast<int>(pack) + 1);
            for (const CdTextBlock& block : some.blocks)
                for (const auto& [track, entry] : block.entries)
                    QVERIFY(track == 0 || entry.texts.at("title") == "Ebb");
        }
        // The same as the track before.
        CdText tabs{
            {{"en", "", "", {{1, {{{"performer", "Wren-Low"}}, ""}}, {2, {{{"performer", "\t"}}, ""}}}}}, 0};
        const CdText same = decodeCdText(encodeCdText(tabs));
        QCOMPARE(same.blocks.front().entries.at(2).texts.at("performer"), std::string("Wren-Low"));
    }

    void tables() {
        const Toc toc = tocFromTable("3 0 1000 2500 4000");
        QCOMPARE(toc.tracks.size(), size_t{3});
        QCOMPARE(toc.tracks[1].length, 1500);
        QCOMPARE(toc.table(), std::string("3 0 1000 2500 4000"));
        for (const char* bad :
             {"", "0 100", "3 0 1000 2500", "2 0 10 5", "1 0 10 x", "100 0", "x", "1 -5 10", "1 0 99999999"})
            QVERIFY2(tocFromTable(bad).tracks.empty(), bad);
        QCOMPARE(tableDistance(toc, tocFromTable("3 150 1150 2650 4150")), 0); // it begins elsewhere
        QCOMPARE(tableDistance(toc, tocFromTable("3 0 1010 2500 4000")), 10);
        QCOMPARE(tableDistance(toc, tocFromTable("2 0 1000 4000")), -1);
        QCOMPARE(shownTime(16575), std::string("3:41"));
        QCOMPARE(shownTime(300000), std::string("1:06:40"));
    }

    void foundByTable() {
        const Toc toc = tocFromTable("3 0 1000 2500 4000");
        FakeReference fake;
        fake.releases = {releaseWith("other", {150, 1350, 2650, 4150}, 3), // 200 sectors apart
                         releaseWith("pressing", {182, 1190, 2690, 4182}, 3),
                         releaseWith("same", {150, 1150, 2650, 4150}, 3),
                         releaseWith("shifted", {0, 1000, 2500, 4000}, 3),
                         releaseWith("longer", {150, 1150, 2650, 4150, 5000}, 4),
                         releaseWith("senseless", {150, -3, 2650, 4150}, 3),
                         releaseWith("untold", {}, 3)};
        auto found = findDisc({&fake}, toc, {{"album", {"Night Post"}}}, {});
        QVERIFY_RESULT(found);
        std::vector<std::string> ids;
        for (const Variant& v : *found) {
            ids.push_back(v.release.id);
            QCOMPARE(v.medium, size_t{1});
        }
        QCOMPARE(ids, (std::vector<std::string>{"same", "shifted", "pressing"}));
        QCOMPARE((*found)[0].distance, 0);
        QCOMPARE((*found)[2].distance, 8);
        QCOMPARE(fake.asked.size(), size_t{1}); // words are not needed then
        QCOMPARE(fake.asked[0].discTable, (std::vector<int64_t>{150, 1150, 2650, 4150}));
        // By words where no table is like it; those that tell another table are another disc.
        fake.releases = {releaseWith("other", {150, 1350, 2650, 4150}, 3), releaseWith("untold", {}, 3),
                         releaseWith("longer", {}, 4)};
        fake.asked.clear();
        found = findDisc({&fake}, toc, {{"album", {"Night Post"}}}, {});
        QVERIFY_RESULT(found);
        QCOMPARE(found->size(), size_t{1});
        QCOMPARE(found->front().release.id, std::string("untold"));
        QCOMPARE(found->front().distance, -1);
        QCOMPARE(fake.asked[1].album, std::string("Night Post"));
        // Nothing is known: nothing is asked by words. One that is down is an error only if all are.
        QVERIFY(findDisc({&fake}, toc, {}, {})->empty());
        FakeReference down;
        down.down = true;
        QVERIFY(findDisc({&down, &fake}, toc, {}, {}));
        QVERIFY(!findDisc({&down}, toc, {}, {}));
    }

    // Each sector of the disc comes from where the sheet says.
    void layout() {
        test::Sandbox box;
        test::writeBytes(box / "A.BIN", sectors(400));
        test::writeBytes(box / "sheet.cue",
                         "FILE \"a.bin\" BINARY\n"
                         "TRACK 01 AUDIO\nINDEX 00 00:00:00\nINDEX 01 00:01:00\n"
                         "TRACK 02 AUDIO\nPREGAP 00:00:50\nINDEX 01 00:02:00\nPOSTGAP 00:00:10\n"
                         "TRACK 03 AUDIO\nINDEX 00 00:04:00\nINDEX 01 00:04:25\n");
        const auto image = openImage(box / "sheet.cue");
        QVERIFY_RESULT(image);
        const Toc& toc = image->toc;
        QCOMPARE(toc.beforeFirst(), 75);
        QCOMPARE(toc.tracks[0].length, 75);
        QCOMPARE(toc.tracks[1].start, 150 + 50);
        QCOMPARE(toc.tracks[1].gap, 50);
        QCOMPARE(toc.tracks[1].length, 150 + 10);
        QCOMPARE(toc.tracks[2].gap, 25);
        QCOMPARE(toc.leadOut, 400 + 50 + 10);
        int32_t at = 0;
        for (const ImagePart& part : image->parts) {
            QCOMPARE(part.start, at);
            at += part.length;
        }
        QCOMPARE(at, toc.leadOut);
        const auto silent =
            std::ranges::count_if(image->parts, [](const ImagePart& p) { return p.file.empty(); });
        QCOMPARE(silent, std::ptrdiff_t{2});
        // Data first, as discs for machines have it.
        test::writeBytes(box / "mixed.cue", "FILE a.bin BINARY\nTRACK 01 MODE1/2352\nINDEX 01 00:00:00\n"
                                            "TRACK 02 AUDIO\nINDEX 01 00:02:00\n");
        const auto mixed = openImage(box / "mixed.cue");
        QVERIFY_RESULT(mixed);
        QVERIFY(!mixed->toc.tracks[0].audio && mixed->toc.tracks[1].audio && mixed->toc.hasAudio());
    }

    void badImages() {
        test::Sandbox box;
        test::writeBytes(box / "a.bin", sectors(100) + "rest");
        auto why = [&](const std::string& sheet) {
            test::writeBytes(box / "s.cue", sheet);
            const auto image = openImage(box / "s.cue");
            return image ? std::string() : image.error().message;
        };
        auto says = [&](const std::string& sheet, const char* what) {
            const std::string told = why(sheet);
            QVERIFY2(told.find(what) != std::string::npos, told.c_str());
        };
        const std::string track = "TRACK 01 AUDIO\nINDEX 01 00:00:00\n";
        says("FILE gone.wav WAVE\n" + track, "is not beside it");
        says("FILE ../../etc/passwd BINARY\n" + track, "is not beside it");
        says("FILE /etc/passwd BINARY\n" + track, "is not beside it");
        says("FILE a.bin BINARY\n" + track + "TRACK 02 AUDIO\nINDEX 01 00:09:00\n",
             "shorter than the cue sheet");
        says("FILE a.bin BINARY\n" + track + "TRACK 02 AUDIO\nINDEX 01 00:01:26\n",
             "shorter than the cue sheet");
        says("FILE a.bin WAVE\n" + track, ""); // no sound: the reading process says why
        QVERIFY(!why("FILE a.bin WAVE\n" + track).empty());
        test::makeSound(box.root(), "other.opus", 3);
        says("FILE other.opus WAVE\n" + track, "no sound of a disc");
        QVERIFY(!openImage(box / "nowhere.cue"));
        test::writeBytes(box / "b.bin", sectors(100));
        says("FILE b.bin BINARY\n" + track + "TRACK 02 AUDIO\nINDEX 01 00:01:25\n", "has no length");
        says("FILE a.bin BINARY\nTRACK 01 MODE1/0\nINDEX 01 00:00:00\nTRACK 02 AUDIO\nINDEX 01 00:01:00\n",
             "");
        test::makeSound(box.root(), "small.mp3", 3);
        says("FILE small.mp3 WAVE\n" + track, "made smaller");
        // The rest of a sector is told.
        test::writeBytes(box / "s.cue", "FILE a.bin BINARY\n" + track + "CDTEXTFILE gone.cdt\n");
        const auto image = openImage(box / "s.cue");
        QVERIFY_RESULT(image);
        QCOMPARE(image->toc.leadOut, 101);
        QCOMPARE(image->notes.size(), size_t{2});
    }

    void theDemoDiscs() {
        const Path discs = test::sharedDemo() / "discs";
        const auto post = openImage(discs / "Night Post EP/night post.cue");
        QVERIFY_RESULT(post);
        QCOMPARE(post->toc.tracks.size(), size_t{4});
        QVERIFY(post->text.blocks.empty());
        const auto band = openImage(discs / "Processional/PROCESSIONAL.CUE");
        QVERIFY_RESULT(band);
        QCOMPARE(band->toc.mediaNumber, std::string("2000000770031"));
        QCOMPARE(band->toc.beforeFirst(), 300);
        QVERIFY(band->toc.tracks[1].preEmphasis);
        QCOMPARE(band->toc.tracks[4].isrc, std::string("ZZGRW7700035"));
        QCOMPARE(band->text.blocks.size(), size_t{2});
        QCOMPARE(band->text.blocks[1].entries.at(4).texts.at("title"), std::string("長い桟橋"));
        const auto salt = openImage(discs / "Salt Road/salt road.cue"); // the sheet says .wav
        QVERIFY_RESULT(salt);
        QCOMPARE(salt->toc.tracks.size(), size_t{6});
        QCOMPARE(salt->text.blocks.front().entries.at(4).texts.at("title"),
                 std::string("Letters to the Mainland"));
    }
};

QTEST_APPLESS_MAIN(TestDisc)
#include "test_disc.moc"
