// SPDX-License-Identifier: GPL-3.0-or-later
#include <QtTest>

#include <algorithm>
#include <set>

#include "core/matching/file_traits.h"
#include "core/matching/sleeves.h"
#include "core/text/similarity.h"
#include "support/sleeve_styles.h"

using namespace moorfrost;
using matching::SleeveInput;

class TestSleeves : public QObject {
    Q_OBJECT
private slots:
    void byFolderAlbumAndArtist() {
        tags::Fields ep = {{"album", {"Night Post EP"}}, {"album_artist", {"The Hollow Ferry"}}};
        tags::Fields epShouted = {{"album", {"NIGHT POST EP"}}, {"album_artist", {"the hollow ferry"}}};
        tags::Fields other = {{"album", {"Salt Road"}}};
        auto sleeves = matching::formSleeves(
            {{1, "/a/1.mp3", ep}, {2, "/a/2.mp3", epShouted}, {3, "/a/3.mp3", other}, {4, "/b/1.mp3", ep}});
        QCOMPARE(sleeves.size(), size_t{3});
        for (const auto& s : sleeves) {
            QVERIFY(!s.why.empty());
            if (s.ids.front() == 1)
                QCOMPARE(s.ids, (std::vector<int64_t>{1, 2}));
        }
    }

    void discFoldersBelongTogether() {
        tags::Fields one = {{"album", {"Live"}}, {"disc", {"1"}}, {"track", {"1"}}},
                     two = {{"album", {"Live"}}, {"disc", {"2"}}, {"track", {"1"}}};
        auto sleeves = matching::formSleeves({{2, "/live/CD2/01.mp3", two}, {1, "/live/CD 1/01.mp3", one}});
        QCOMPARE(sleeves.size(), size_t{1});
        QCOMPARE(sleeves[0].ids, (std::vector<int64_t>{1, 2}));
    }

    void numberedFoldersWithoutTags() {
        std::vector<SleeveInput> files;
        for (int64_t i = 1; i <= 5; ++i)
            files.push_back({i, "/x/Live/CD1/0" + std::to_string(i) + " a.mp3", {}});
        for (int64_t i = 6; i <= 9; ++i)
            files.push_back({i, "/x/Live/CD2/0" + std::to_string(i - 5) + " b.mp3", {}});
        files.push_back({10, "/x/strays/quayside.mp3", {}});
        files.push_back({11, "/x/strays/wren-low.mp3", {}});
        auto sleeves = matching::formSleeves(files);
        QCOMPARE(sleeves.size(), size_t{2});
        QCOMPARE(sleeves[0].ids.size(), size_t{9});
        QVERIFY(sleeves.back().key.empty());
        QCOMPARE(sleeves.back().ids.size(), size_t{2});
    }

    void order() {
        std::vector<SleeveInput> files = {{1, "/a/z.mp3", {{"album", {"A"}}, {"track", {"10"}}}},
                                          {2, "/a/y.mp3", {{"album", {"A"}}, {"track", {"2"}}}},
                                          {3, "/a/b 10.mp3", {{"album", {"A"}}}},
                                          {4, "/a/b 9.mp3", {{"album", {"A"}}}}};
        QCOMPARE(matching::formSleeves(files)[0].ids, (std::vector<int64_t>{2, 1, 4, 3}));
    }

    // Two barcodes are two releases, however well the numbers of their tracks complete each other.
    void barcodesThatDifferKeepApart_data() {
        QTest::addColumn<QString>("first");
        QTest::addColumn<QString>("second");
        QTest::addColumn<QString>("album"); // of the second folder
        QTest::addColumn<bool>("discs");
        QTest::addColumn<int>("sleeves");
        for (bool discs : {false, true})
            for (const char* album : {"Salt Road", "Salt Raod"}) {
                const QString kind = QString(discs ? "discs, " : "folders, ") + album + ", ";
                QTest::addRow("%sthe same", qPrintable(kind)) << "2000000000114"
                                                              << "2000000000114" << album << discs << 1;
                QTest::addRow("%sone alone", qPrintable(kind)) << "2000000000114"
                                                               << "" << album << discs << 1;
                QTest::addRow("%stwo", qPrintable(kind)) << "2000000000114"
                                                         << "2000000000121" << album << discs << 2;
            }
    }
    void barcodesThatDifferKeepApart() {
        QFETCH(QString, first);
        QFETCH(QString, second);
        QFETCH(QString, album);
        QFETCH(bool, discs);
        QFETCH(int, sleeves);
        auto fields = [&](const char* track, const QString& barcode, const char* disc, const QString& title) {
            tags::Fields f = {
                {"album", {title.toStdString()}}, {"artist", {"Isla Varnholt"}}, {"track", {track}}};
            if (discs)
                f["disc"] = {disc};
            if (!barcode.isEmpty())
                f["barcode"] = {barcode.toStdString()};
            return f;
        };
        const char* second1 = discs ? "1" : "3";
        const char* second2 = discs ? "2" : "4";
        auto formed = matching::formSleeves(
            {{1, discs ? "/a/CD1/1.flac" : "/tape/1.flac", fields("1", first, "1", "Salt Road"), "FLAC"},
             {2, discs ? "/a/CD1/2.flac" : "/tape/2.flac", fields("2", first, "1", "Salt Road"), "FLAC"},
             {3, discs ? "/a/CD2/1.flac" : "/later/3.flac", fields(second1, second, "2", album), "FLAC"},
             {4, discs ? "/a/CD2/2.flac" : "/later/4.flac", fields(second2, second, "2", album), "FLAC"}});
        QCOMPARE(formed.size(), static_cast<size_t>(sleeves));
        for (const matching::Sleeve& s : formed)
            QVERIFY(!s.key.empty());
    }

    void rules_data() {
        QTest::addColumn<QList<QStringList>>("files"); // path, album, album artist, artist, track, year,
                                                       // format, seconds, when it was written, picture
        QTest::addColumn<QString>("sleeves");          // which file is in which; - for strays
        QTest::addColumn<QString>("why");              // a part of what the first sleeve says
        auto row = [](const char* name, QList<QStringList> files, const char* sleeves, const char* why = "") {
            QTest::newRow(name) << files << QString(sleeves) << QString(why);
        };
        const QString ferry = "The Hollow Ferry", isla = "Isla Varnholt";
        row("misspelled",
            {{"/a/1.flac", "Night Post EP", ferry, ferry, "1"},
             {"/a/2.flac", "Nigth Post EP", ferry, ferry, "2"},
             {"/a/3.flac", "Night Post EP", "Hollow Ferry", ferry, "3"}},
            "AAA", "spelled otherwise: \"Nigth Post EP\"");
        row("volumes are no misspelling",
            {{"/a/1.flac", "Lanterns 1", "", isla, "1"}, {"/a/2.flac", "Lanterns 2", "", isla, "2"}}, "AB");
        row("album missing, its number is free",
            {{"/a/1.flac", "Salt Road", "", isla, "1"},
             {"/a/2.flac", "", "", isla, "2"},
             {"/a/3.flac", "Salt Road", "", isla, "3"}},
            "AAA", "without an album");
        row("album missing, its number is taken",
            {{"/a/1.flac", "Salt Road", "", isla, "1"},
             {"/a/2.flac", "Salt Road", "", isla, "2"},
             {"/a/3.flac", "", "", isla, "2"}},
            "AA-");
        row("a stranger without an album",
            {{"/a/1.flac", "Salt Road", "", isla, "1"},
             {"/a/2.flac", "Salt Road", "", isla, "2"},
             {"/a/x.flac", "", "", "Wren-Low", "3"}},
            "AA-");
        row("two folders complete each other",
            {{"/tape/1.flac", "Salt Road", "", isla, "1"}, {"/later/2.flac", "Salt Road", "", isla, "2"}},
            "AA", "complete each other");
        row("two editions",
            {{"/1998/1.flac", "Night Post EP", "", ferry, "1", "1998"},
             {"/2011/1.flac", "Night Post EP", "", ferry, "1", "2011"}},
            "AB");
        row("two editions in one folder",
            {{"/a/1.flac", "Night Post EP", "", ferry, "1", "1998"},
             {"/a/2.flac", "Night Post EP", "", ferry, "2", "1998"},
             {"/a/1b.flac", "Night Post EP", "", ferry, "1", "2011"},
             {"/a/2b.flac", "Night Post EP", "", ferry, "2", "2011"}},
            "AABB", "another date");
        row("two qualities in one folder",
            {{"/a/1.flac", "Salt Road", "", isla, "1", "", "FLAC"},
             {"/a/2.flac", "Salt Road", "", isla, "2", "", "FLAC"},
             {"/a/1.mp3", "Salt Road", "", isla, "1", "", "MP3"},
             {"/a/2.mp3", "Salt Road", "", isla, "2", "", "MP3"}},
            "AABB", "another format");
        row("one album twice by name, two artists",
            {{"/a/1.flac", "Live", ferry, ferry, "1"},
             {"/a/2.flac", "Live", ferry, ferry, "2"},
             {"/a/3.flac", "Live", isla, isla, "1"},
             {"/a/4.flac", "Live", isla, isla, "2"}},
            "AABB");
        row("compilation",
            {{"/a/1.flac", "Tarnholm Evening", "", ferry, "1"},
             {"/a/2.flac", "Tarnholm Evening", "", isla, "2"},
             {"/a/3.flac", "Tarnholm Evening", "", "Wren-Low", "3"}},
            "AAA", "compilation");
        row("compilation in the folders of its artists",
            {{"/m/ferry/e/1.flac", "Tarnholm Evening", "", ferry, "1"},
             {"/m/isla/e/2.flac", "Tarnholm Evening", "", isla, "2"},
             {"/m/wren/e/3.flac", "Tarnholm Evening", "", "Wren-Low", "3"}},
            "AAA", "different artists");
        // Two numbers far from each other: those alone say nothing.
        auto halves = [&](const char* second) {
            return QList<QStringList>{
                {"/m/ferry/e/1.flac", "Tarnholm Evening", "", ferry, "1", "", "", "", "", "77"},
                {"/m/isla/e/9.flac", "Tarnholm Evening", "", isla, "9", "", "", "", "", second}};
        };
        row("different artists in their folders, one picture", halves("77"), "AA", "different artists");
        row("different artists in their folders, two pictures", halves("78"), "AB");
        row("two of one name in one folder by their pictures",
            {{"/a/1.flac", "Live", "", ferry, "1", "", "", "", "", "77"},
             {"/a/2.flac", "Live", "", ferry, "2", "", "", "", "", "77"},
             {"/a/1b.flac", "Live", "", ferry, "1", "", "", "", "", "78"},
             {"/a/2b.flac", "Live", "", ferry, "2", "", "", "", "", "78"}},
            "AABB", "another picture");
        row("no album, no number, the same picture",
            {{"/in/quay.mp3", "", "", isla, "", "", "", "", "", "77"},
             {"/in/tide.mp3", "", "", isla, "", "", "", "", "", "77"},
             {"/in/gorse.mp3", "", "", isla, "", "", "", "", "", "78"},
             {"/in/heath.mp3", "", "", isla, "", "", "", "", "", "78"},
             {"/in/sloe.mp3", "", "", isla, "", "", "", "", "", "79"}},
            "AABB-", "hold the same picture");
        row("a picture that everybody holds",
            {{"/in/quay.mp3", "", "", isla, "", "", "", "", "", "77"},
             {"/in/tide.mp3", "", "", ferry, "", "", "", "", "", "77"},
             {"/in/gorse.mp3", "", "", "Wren-Low", "", "", "", "", "", "77"}},
            "---");
        row("every album unknown",
            {{"/a/1.flac", "Unknown Album", "", "", "1"},
             {"/a/2.flac", "Unknown Album", "", "", "2"},
             {"/a/3.flac", "Unknown Album", "", "", "3"},
             {"/b/1.flac", "Unknown Album", "", "", "1"}},
            "AAA-", "name no album");
        row("two of one folder by their names",
            {{"/a/Wren-Low - Quay - 01 - a.wav"},
             {"/a/Wren-Low - Quay - 02 - b.wav"},
             {"/a/Isla Varnholt - Salt - 01 - c.wav"},
             {"/a/Isla Varnholt - Salt - 02 - d.wav"},
             {"/a/mix7_FINAL2.wav"}},
            "AABB-", "begin alike and are numbered");
        row("sides",
            {{"/p/Side A/01 x.wav"},
             {"/p/Side A/02 x.wav"},
             {"/p/Side A/03 x.wav"},
             {"/p/Side B/01 x.wav"},
             {"/p/Side B/02 x.wav"},
             {"/p/Side B/03 x.wav"}},
            "AAAAAA", "discs lie beside each other");
        row("a folder of one artist",
            {{"/p/Live/Odran Fell Quartet - a.wav"},
             {"/p/Live/Odran Fell Quartet - b.wav"},
             {"/p/Live/Odran Fell Quartet - c.wav"}},
            "AAA", "of one artist");
        row("recorded one after the other",
            {{"/t/a.wav", "", "", "", "", "", "WAV", "200", "10000"},
             {"/t/b.wav", "", "", "", "", "", "WAV", "180", "10185"},
             {"/t/c.wav", "", "", "", "", "", "WAV", "240", "10470"},
             {"/t/x.wav", "", "", "", "", "", "WAV", "200", "99000"}},
            "AAA-", "recorded one after the other");
        row("copied together",
            {{"/t/a.wav", "", "", "", "", "", "WAV", "200", "10000"},
             {"/t/b.wav", "", "", "", "", "", "WAV", "180", "10001"},
             {"/t/c.wav", "", "", "", "", "", "WAV", "240", "10002"}},
            "---");
        row("recorded one after the other, of others",
            {{"/t/a.wav", "", "", ferry, "", "", "WAV", "200", "10000"},
             {"/t/b.wav", "", "", isla, "", "", "WAV", "180", "10185"},
             {"/t/c.wav", "", "", "Wren-Low", "", "", "WAV", "240", "10470"}},
            "---");
        row("two copies made at other times",
            {{"/a/1.flac", "Salt Road", "", isla, "1", "", "", "", "1000"},
             {"/a/2.flac", "Salt Road", "", isla, "2", "", "", "", "1020"},
             {"/a/1b.flac", "Salt Road", "", isla, "1", "", "", "", "90000"},
             {"/a/2b.flac", "Salt Road", "", isla, "2", "", "", "", "90030"}},
            "AABB", "another time of writing");
        row("there twice, and nothing tells them apart",
            {{"/a/1.flac", "Salt Road", "", isla, "1", "", "", "200", "1000"},
             {"/a/2.flac", "Salt Road", "", isla, "2", "", "", "180", "1000"},
             {"/a/2 (1).flac", "Salt Road", "", isla, "2", "", "", "180", "1000"}},
            "AAA", "1 number is there twice, at the same length");
        row("sides in names",
            {{"/t/Reel01-sideA.wav"},
             {"/t/Reel01-sideB.wav"},
             {"/t/Reel 02 side 1.wav"},
             {"/t/Reel 02 side 2.wav"},
             {"/t/Quayside.wav"},
             {"/t/upside a.wav"}},
            "AABB--", "sides of one carrier");
        row("a side is no track of an album",
            {{"/a/1.flac", "Salt Road", "", isla, "1"},
             {"/a/2.flac", "Salt Road", "", isla, "2"},
             {"/a/Reel01-sideA.wav"},
             {"/a/Reel01-sideB.wav"}},
            "AABB");
        row("bounces", {{"/b/mix7_FINAL2.wav"}, {"/b/7th wave.wav"}, {"/b/kick.wav"}}, "---");
        row("Cyrillic, misspelled",
            {{"/c/1.flac", "Северный ветер", "Хор Маяка", "Хор Маяка", "1"},
             {"/c/2.flac", "Севреный ветер", "Хор Маяка", "Хор Маяка", "2"}},
            "AA");
    }
    void rules() {
        QFETCH(QList<QStringList>, files);
        QFETCH(QString, sleeves);
        QFETCH(QString, why);
        std::vector<SleeveInput> inputs;
        for (QStringList& f : files) {
            f.resize(10);
            tags::Fields fields;
            const char* keys[] = {"album", "album_artist", "artist", "track", "date"};
            for (int i = 0; i < 5; ++i)
                if (!f[i + 1].isEmpty())
                    fields[keys[i]] = {f[i + 1].toStdString()};
            inputs.push_back({static_cast<int64_t>(inputs.size()), f[0].toStdString(), fields,
                              f[6].toStdString(), f[9].toULongLong(), f[7].toDouble(), f[8].toLongLong()});
        }
        QString got(sleeves.size(), '?');
        char letter = 'A';
        auto formed = matching::formSleeves(inputs);
        std::sort(formed.begin(), formed.end(), [](const auto& a, const auto& b) {
            return *std::min_element(a.ids.begin(), a.ids.end()) <
                   *std::min_element(b.ids.begin(), b.ids.end());
        });
        for (const matching::Sleeve& s : formed) {
            for (int64_t id : s.ids)
                got[static_cast<qsizetype>(id)] = s.key.empty() ? '-' : letter;
            letter = static_cast<char>(letter + !s.key.empty());
        }
        QCOMPARE(got, sleeves);
        const QString said = QString::fromStdString(formed.front().why);
        QVERIFY2(said.contains(why), qPrintable(said));
    }

    void namesThatBeginAlike() {
        QCOMPARE(matching::sharedBeginning({"/a/Reel01-sideA.wav", "/b/Reel01-sideB.wav"}),
                 std::string("Reel01"));
        QCOMPARE(
            matching::sharedBeginning({"/a/Wren-Low - Quay - 01 - a.wav", "/a/Wren-Low - Quay - 02 - b.wav"}),
            std::string("Wren-Low - Quay"));
        QCOMPARE(matching::sharedBeginning({"/a/01 Tide.wav", "/a/02 Gorse.wav"}), std::string());
        QCOMPARE(matching::sharedBeginning({"/a/mix7.wav", "/a/mix8.wav"}), std::string());
        QCOMPARE(matching::sharedBeginning({}), std::string());
    }

    void foldersOfKnownTruth() {
        for (uint64_t seed : {3, 4}) { // not those that the rules were written against
            test::StyledFiles styled = test::styledFiles(400, seed);
            auto found = test::pairsFound(styled, matching::formSleeves(styled.files));
            QVERIFY2(found[""].precision() >= 0.99, qPrintable(QString::number(found[""].precision())));
            QVERIFY2(found[""].recall() >= 0.95, qPrintable(QString::number(found[""].recall())));
            for (const auto& [style, pairs] : found)
                QVERIFY2(pairs.all == 0 || pairs.recall() > 0.7, style.c_str());
        }
    }

    void oneAfterTheOtherIsTheSameAsAtOnce() {
        test::StyledFiles styled = test::styledFiles(48, 5);
        bench::Chance random(1);
        std::vector<SleeveInput> files = styled.files;
        for (size_t i = files.size() - 1; i > 0; --i)
            std::swap(files[i], files[random() % (i + 1)]);
        matching::SleeveForming forming;
        for (size_t i = 0; i < files.size(); ++i) {
            forming.put(files[i]);
            if (i % 50 == 0)
                forming.sleeves();
        }
        SleeveInput other = files[7]; // changed, and back; one that goes again
        other.fields["album"] = {"Elsewhere"};
        forming.put(other);
        forming.sleeves();
        forming.put(files[7]);
        other.id = 1000000;
        forming.put(other);
        forming.sleeves();
        forming.remove(other.id);
        QCOMPARE(forming.size(), files.size());
        auto shape = [](const auto& list) {
            std::set<std::vector<int64_t>> out;
            for (const auto& s : list) {
                const matching::Sleeve* sleeve = nullptr;
                if constexpr (std::is_pointer_v<std::decay_t<decltype(s)>>)
                    sleeve = s;
                else
                    sleeve = &s;
                std::vector<int64_t> ids = sleeve->ids;
                std::sort(ids.begin(), ids.end());
                out.insert(std::move(ids));
            }
            return out;
        };
        QVERIFY(shape(forming.sleeves()) == shape(matching::formSleeves(styled.files)));
    }

    void changesAddUpToTheWhole() {
        test::StyledFiles styled = test::styledFiles(96, 8);
        matching::SleeveForming forming;
        std::map<std::string, matching::Sleeve> held;
        auto apply = [&] {
            matching::SleeveChanges changes = forming.changes();
            for (const std::string& key : changes.gone)
                QCOMPARE(held.erase(key), size_t{1});
            for (matching::Sleeve& s : changes.changed)
                held[s.key] = std::move(s);
            std::vector<const matching::Sleeve*> all = forming.sleeves();
            QCOMPARE(held.size(), all.size());
            for (const matching::Sleeve* s : all) {
                QCOMPARE(held[s->key].ids, s->ids);
                QCOMPARE(held[s->key].why, s->why);
            }
        };
        for (size_t i = 0; i < styled.files.size(); ++i) {
            forming.put(styled.files[i]);
            if (i % 40 == 0)
                apply();
        }
        apply();
        QVERIFY(forming.changes().changed.empty());
        for (size_t i = 0; i < styled.files.size(); i += 3) {
            forming.remove(styled.files[i].id);
            if (i % 60 == 0)
                apply();
        }
        SleeveInput moved = styled.files[1];
        moved.fields["album"] = {"Elsewhere"};
        forming.put(moved);
        matching::SleeveChanges few = forming.changes();
        QVERIFY(few.changed.size() >= 1 && few.changed.size() < 40);
    }

    void keysAreTheirsAlone() {
        test::StyledFiles styled = test::styledFiles(240, 6);
        std::set<std::string> keys;
        for (const matching::Sleeve& s : matching::formSleeves(styled.files)) {
            QVERIFY(keys.insert(s.key).second);
            QVERIFY(!s.why.empty());
        }
    }

    void misspellings() {
        QVERIFY(text::isMisspelling("lanterns", "lantrens"));
        QVERIFY(text::isMisspelling("северный ветер", "северны ветер"));
        QVERIFY(!text::isMisspelling("live", "love at sea"));
        QVERIFY(!text::isMisspelling("live 1986", "live 1987"));
        QVERIFY(!text::isMisspelling("ep", "lp")); // too short to tell
        QCOMPARE(text::editDistance("kitten", "sitting", 5), size_t{3});
        QCOMPARE(text::editDistance("kitten", "sitting", 2), size_t{3}); // more than that
        QCOMPARE(text::editDistance("", "abc", 5), size_t{3});
    }
};

QTEST_GUILESS_MAIN(TestSleeves)
#include "test_sleeves.moc"
