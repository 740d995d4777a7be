// SPDX-License-Identifier: GPL-3.0-or-later
// Names read without a plan.
#include <QtTest>

#include <cstdio>

#include "core/naming/name_text.h"
#include "core/text/text.h"
#include "support/name_styles.h"

using namespace moorfrost;
using namespace moorfrost::naming;

namespace {

std::vector<Path> pathsOf(const test::NamedFiles& set) {
    std::vector<Path> out;
    for (const test::NamedFile& f : set.files)
        out.push_back(f.path);
    return out;
}

} // namespace

class TestFreeReading : public QObject {
    Q_OBJECT
private slots:
    void manyStylesDamaged() {
        const test::NamedFiles set = test::namedFiles(
            2000, static_cast<uint64_t>(qEnvironmentVariableIntValue("MOORFROST_SEED") * 1000003 + 7));
        const std::vector<NameReading> readings = readFreely(pathsOf(set), set.known);
        test::NameScore known, unknown, all;
        std::map<std::string, test::NameScore> byStyle, byDamage;
        const bool tell = qEnvironmentVariableIsSet("MOORFROST_NAMES");
        std::map<std::string, int> shown;
        for (size_t i = 0; i < set.files.size(); ++i) {
            const test::NameScore s = test::scoreOf(set.files[i], readings[i]);
            for (test::NameScore* sum : {&all, set.files[i].artistKnown ? &known : &unknown,
                                         &byStyle[set.files[i].style], &byDamage[set.files[i].damage]}) {
                sum->right += s.right;
                sum->fields += s.fields;
                sum->wrongUnmarked += s.wrongUnmarked;
                sum->files += s.files;
            }
            if (tell && s.right < s.fields && shown[set.files[i].style]++ < 4) {
                std::printf("%s%s %s\n", set.files[i].artistKnown ? "K" : "u",
                            s.wrongUnmarked ? " UNMARKED" : "", set.files[i].path.c_str());
                for (const auto& [k, v] : readings[i].values)
                    std::printf("    %s=%s", k.c_str(), tags::shownValues(v).c_str());
                std::printf("\n");
            }
        }
        if (tell)
            for (const auto* map : {&byStyle, &byDamage})
                for (const auto& [name, s] : *map)
                    std::printf("%-40s %6.2f %%  unmarked %zu of %zu\n", name.c_str(), 100 * s.share(),
                                s.wrongUnmarked, s.files);
        const QString told = QString("known %1 %, unknown %2 %, wrong but unmarked %3 of %4")
                                 .arg(100 * known.share(), 0, 'f', 2)
                                 .arg(100 * unknown.share(), 0, 'f', 2)
                                 .arg(all.wrongUnmarked)
                                 .arg(all.files);
        std::printf("%s\n", qPrintable(told));
        QVERIFY2(known.share() >= 0.97, qPrintable(told));
        QVERIFY2(unknown.share() >= 0.90, qPrintable(told));
        QVERIFY2(all.wrongUnmarked * 200 <= all.files, qPrintable(told));
    }

    void positions_data() {
        QTest::addColumn<QString>("name");
        QTest::addColumn<QString>("says"); // disc.side.track and what is left
        QTest::newRow("number") << "07 Gorse"
                                << "0..7 Gorse";
        QTest::newRow("point") << "7. Gorse"
                               << "0..7 Gorse";
        QTest::newRow("glued") << "07Gorse"
                               << "0..7 Gorse";
        QTest::newRow("disc") << "2-07 Gorse"
                              << "2..7 Gorse";
        QTest::newRow("disc, point") << "2.07 Gorse"
                                     << "2..7 Gorse";
        QTest::newRow("in words") << "CD2 Track 07 - Gorse"
                                  << "2..7 Gorse";
        QTest::newRow("track") << "Track 3 Gorse"
                               << "0..3 Gorse";
        QTest::newRow("side") << "A1 Gorse"
                              << "0.A.1 Gorse";
        QTest::newRow("side, small") << "b2. Gorse"
                                     << "0.B.2 Gorse";
        QTest::newRow("brackets") << "[12] Gorse"
                                  << "0..12 Gorse";
        QTest::newRow("a year") << "1998 Gorse"
                                << "";
        QTest::newRow("a word") << "2nd Gorse"
                                << "";
        QTest::newRow("nothing else") << "07"
                                      << "";
        QTest::newRow("zero") << "00 Gorse"
                              << "";
        QTest::newRow("a band") << "Gorse 4"
                                << "";
    }
    void positions() {
        QFETCH(QString, name);
        QFETCH(QString, says);
        const auto p = leadingPosition(name.toStdString());
        const QString found = p ? QString("%1.%2.%3 %4")
                                      .arg(p->disc)
                                      .arg(p->side ? QString(QChar(p->side)) : QString())
                                      .arg(p->track)
                                      .arg(name.mid(static_cast<qsizetype>(p->end)))
                                : QString();
        QCOMPARE(found, says);
    }

    void sidesGoOn() {
        const auto r =
            readFreely({"/x/c/b/A1 One.wav", "/x/c/b/A2 Two.wav", "/x/c/b/B1 Three.wav", "/x/o/p/y.wav"}, {});
        QCOMPARE(tags::firstValue(r[2].values, "track"), std::string("3"));
        QVERIFY(!r[2].values.contains("disc"));
        // The numbers of a side are not whole: what B1 is cannot be told.
        const auto gap =
            readFreely({"/x/c/b/A1 One.wav", "/x/c/b/A4 Two.wav", "/x/c/b/B1 Three.wav", "/x/o/p/y.wav"}, {});
        QVERIFY(!gap[2].values.contains("track"));
    }

    void oneSleeveAlone() {
        // All files at hand are of one album: where it lies is told, and marked, unless its artist is known.
        const std::vector<Path> paths = {
            "/in/box/Odran Fell Quartet/Live at Tarnholm Hall/CD1/01 Whin Moor.mp3",
            "/in/box/Odran Fell Quartet/Live at Tarnholm Hall/CD1/02 Blue Slate.mp3",
            "/in/box/Odran Fell Quartet/Live at Tarnholm Hall/CD2/01 Lapwing.mp3"};
        for (bool isKnown : {false, true}) {
            KnownNames known;
            if (isKnown)
                known.add("Odran Fell Quartet");
            for (const NameReading& r : readFreely(paths, known)) {
                QCOMPARE(tags::firstValue(r.values, "artist"), std::string("Odran Fell Quartet"));
                QCOMPARE(tags::firstValue(r.values, "album"), std::string("Live at Tarnholm Hall"));
                QVERIFY(r.values.contains("disc"));
                QCOMPARE(r.doubtful, !isKnown);
                if (!isKnown)
                    QVERIFY(!r.other.contains("artist"));
            }
        }
    }

    void whatIsKnownDecides() {
        KnownNames known;
        known.add("\u00C5se-Linn Br\u00E6kke");
        known.add("Isla Varnholt");
        auto one = [&](const char* name) { return readFreely({Path("/incoming/strays") / name}, known)[0]; };
        auto says = [](const NameReading& r, const char* key) { return tags::shownValue(r.values, key); };
        NameReading r = one("ase-linn braekke-fyrlys.mp3"); // her own spelling is taken
        QCOMPARE(says(r, "artist"), std::string("\u00C5se-Linn Br\u00E6kke"));
        QCOMPARE(says(r, "title"), std::string("fyrlys"));
        QVERIFY(!r.doubtful);
        r = one("isla varnholt tide table.mp3"); // no separator
        QCOMPARE(says(r, "artist"), std::string("Isla Varnholt"));
        QCOMPARE(says(r, "title"), std::string("tide table"));
        r = one("Fyrlys - \u00C5se-Linn Br\u00E6kke [remaster] (feat. Isla Varnholt).flac");
        r = one("\u00C5se-Linn Br\u00E6kke - Fyrlys [remaster] (feat. isla varnholt).flac");
        QCOMPARE(says(r, "title"), std::string("Fyrlys (remaster)"));
        QCOMPARE(says(r, "artist"), std::string("\u00C5se-Linn Br\u00E6kke \u00A6 Isla Varnholt"));
        // Nobody knows them: both ways are told, and it is marked.
        r = one("Dory Quint - Marram.flac");
        QVERIFY(r.doubtful && !r.why.empty());
        QCOMPARE(says(r, "artist"), std::string("Dory Quint"));
        QCOMPARE(tags::shownValue(r.other, "artist"), std::string("Marram"));
        QVERIFY(r.certainty > 0.5 && r.certainty < 0.95);
    }

    void namesThatSayNothing_data() {
        QTest::addColumn<QByteArray>("name");
        QTest::newRow("a dash") << QByteArray("-.wav");
        QTest::newRow("dashes") << QByteArray("- - -.wav");
        QTest::newRow("spaces") << QByteArray("   .wav");
        QTest::newRow("a number") << QByteArray("07.wav");
        QTest::newRow("brackets") << QByteArray("([{.wav");
        QTest::newRow("no text") << QByteArray("\xff\xfe\x80.wav");
        QTest::newRow("control characters") << QByteArray("a\x01\x7f - b.wav");
        QTest::newRow("right to left") << QByteArray("\u05E9\u05D9\u05E8 - \u05D0\u05D7\u05D3.wav");
        QTest::newRow("combining") << QByteArray("e\u0301\u0301\u0301 - \u0301.wav");
        QTest::newRow("emoji") << QByteArray("\xF0\x9F\x8E\xBA - \xF0\x9F\x8E\xBA.wav");
        QTest::newRow("long") << QByteArray(250, 'x') + ".wav";
        QTest::newRow("many hyphens") << QByteArray("-a").repeated(120) + ".wav";
        QTest::newRow("many brackets") << QByteArray("(a)").repeated(80) + ".wav";
        QTest::newRow("many spaces") << QByteArray("a ").repeated(120) + "(1998) 1998.wav";
    }
    void namesThatSayNothing() {
        QFETCH(QByteArray, name);
        KnownNames known;
        known.add("Wren-Low");
        std::vector<Path> paths(5, Path("/x/y/z") / name.toStdString());
        for (const NameReading& r : readFreely(paths, known))
            for (const auto& [key, values] : r.values)
                QCOMPARE(QString::fromStdString(tags::whyNotValid(key, values)), QString());
        suggestPlans(paths, known, {"{artist} - {title}", "{nonsense"});
        QVERIFY(readFreely({}, known).empty());
    }

    void plansThatTheNamesTell() {
        KnownNames known;
        known.add("Odran Fell Quartet");
        std::vector<Path> paths;
        for (int i = 1; i <= 9; ++i)
            paths.push_back(Path("/in/Odran Fell Quartet/1986 - Live at Tarnholm Hall") /
                            ("1-0" + std::to_string(i) + " Whin " +
                             std::string(1, static_cast<char>('A' + i)) + "x.mp3"));
        paths.push_back("/in/other/Talk.mp3");
        const auto plans = suggestPlans(paths, known, {"{artist} - {title}", "{track} {title}"});
        QVERIFY(!plans.empty());
        QCOMPARE(plans[0].plan, std::string("{artist}/{date: year} - {album}/{position} {title}"));
        QCOMPARE(plans[0].fits, size_t{9});
        QCOMPARE(plans[0].doubtful, size_t{0});
        QCOMPARE(tags::firstValue(plans[0].sample.values, "title"), std::string("Whin Bx"));
        QCOMPARE(tags::firstValue(plans[0].sample.values, "disc"), std::string("1"));
        QCOMPARE(tags::firstValue(plans[0].sample.values, "track"), std::string("1"));
    }
};

QTEST_GUILESS_MAIN(TestFreeReading)
#include "test_free_reading.moc"
