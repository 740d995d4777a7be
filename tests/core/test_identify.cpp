// SPDX-License-Identifier: GPL-3.0-or-later
// Which release a sleeve is: clues, line-up, evidence, certainty, and what is taken.
#include <QtTest>

#include <functional>
#include <set>

#include "core/bench/taking.h"
#include "core/matching/assignment.h"
#include "core/matching/identify.h"
#include "core/text/likeness.h"
#include "demo/damaged_sleeves.h"
#include "support/reference_shelf.h"

using namespace moorfrost;
using namespace moorfrost::matching;
using test::filesOf, test::named, test::Shelf, test::world;

class TestIdentify : public QObject {
    Q_OBJECT
private slots:
    void namesAreAlike_data() {
        QTest::addColumn<QString>("a");
        QTest::addColumn<QString>("b");
        QTest::addColumn<double>("least");
        QTest::addColumn<double>("most");
        QTest::newRow("the same") << "Night Post"
                                  << "night  POST" << 1.0 << 1.0;
        QTest::newRow("misspelt") << "The Hollow Ferry"
                                  << "The Holow Ferry" << 0.7 << 0.99;
        QTest::newRow("turned round") << "Varnholt, Isla"
                                      << "Isla Varnholt" << 0.95 << 1.0;
        QTest::newRow("another script") << "Северный ветер"
                                        << "Severnyj veter" << 0.7 << 1.0;
        QTest::newRow("marks and letters") << "Åse-Linn Brække"
                                           << "Ase Linn Braekke" << 0.8 << 1.0;
        QTest::newRow("signs and words") << "Kestrel & Rook"
                                         << "Kestrel and Rook" << 1.0 << 1.0;
        QTest::newRow("cut short") << "Letters to the Mainland"
                                   << "Letters to the Ma" << 0.8 << 0.99;
        QTest::newRow("apostrophes") << "The Keeper's Wife"
                                     << "The Keepers Wife" << 1.0 << 1.0;
        QTest::newRow("others") << "Night Post"
                                << "Salt Road" << 0.0 << 0.2;
        QTest::newRow("a short word in a long name") << "Gorse"
                                                     << "Gorse for the Horses of Fell Street" << 0.0 << 0.6;
        QTest::newRow("nothing") << ""
                                 << "Salt Road" << 0.0 << 0.0;
    }
    void namesAreAlike() {
        QFETCH(QString, a);
        QFETCH(QString, b);
        QFETCH(double, least);
        QFETCH(double, most);
        const text::Likened x(a.toStdString()), y(b.toStdString());
        const double both = text::likeness(x, y);
        QVERIFY2(both >= least && both <= most, qPrintable(QString::number(both)));
        QCOMPARE(text::likeness(y, x), both);
    }

    void theBestPairing() {
        // Beside every other way of pairing, for many small tables.
        demo::Dice dice(7);
        for (int round = 0; round < 300; ++round) {
            const size_t rows = 1 + dice.below(5), columns = 1 + dice.below(5);
            std::vector<std::vector<double>> gains(rows, std::vector<double>(columns));
            for (auto& row : gains)
                for (double& g : row)
                    g = dice.unit() * 3 - 1;
            auto sumOf = [&](const std::vector<int>& seats) {
                double sum = 0;
                for (size_t i = 0; i < rows; ++i)
                    if (seats[i] >= 0 && seats[i] < static_cast<int>(columns))
                        sum += std::max(0.0, gains[i][static_cast<size_t>(seats[i])]);
                return sum;
            };
            double best = 0;
            std::function<void(size_t, unsigned, double)> go = [&](size_t row, unsigned taken, double sum) {
                best = std::max(best, sum);
                if (row == rows)
                    return;
                go(row + 1, taken, sum);
                for (size_t c = 0; c < columns; ++c)
                    if (!(taken >> c & 1) && gains[row][c] > 0)
                        go(row + 1, taken | 1u << c, sum + gains[row][c]);
            };
            go(0, 0, 0);
            const std::vector<int> seats = assign(gains);
            std::set<int> once;
            for (size_t i = 0; i < rows; ++i)
                if (seats[i] >= 0) {
                    QVERIFY(once.insert(seats[i]).second);
                    QVERIFY(gains[i][static_cast<size_t>(seats[i])] > 0);
                }
            QVERIFY(std::abs(sumOf(seats) - best) < 1e-9);
        }
        QVERIFY(assign({}).empty());
        QCOMPARE(assign({{}, {}}), (std::vector<int>{-1, -1}));
    }

    void whatNamesTell() {
        auto clues = [](std::vector<const char*> paths) {
            std::vector<SleeveInput> files;
            for (const char* p : paths) {
                SleeveInput f;
                f.id = static_cast<int64_t>(files.size()) + 1;
                f.path = p;
                files.push_back(std::move(f));
            }
            return cluesOf(files);
        };
        auto c = clues({"/in/Isla Varnholt - Salt Road (2019) [FLAC]/01 Tide Table.flac",
                        "/in/Isla Varnholt - Salt Road (2019) [FLAC]/02 Salt Road.flac"});
        QCOMPARE(c.albums.at(0), std::string("Salt Road"));
        QCOMPARE(c.artists.at(0), std::string("Isla Varnholt"));
        QCOMPARE(c.year, 2019);
        QCOMPARE(c.files.at(0).titles.at(0).form, std::string("tide table"));
        QCOMPARE(c.files.at(1).track, 2);
        c = clues({"/in/Odran Fell Quartet/Live at Tarnholm Hall/CD2/03 Late Train North.mp3"});
        QCOMPARE(c.albums.at(0), std::string("Live at Tarnholm Hall"));
        QCOMPARE(c.artists.at(0), std::string("Odran Fell Quartet"));
        QCOMPARE(c.files.at(0).disc, 2);
        c = clues({"/in/x/Åse-Linn Brække - Fyrlys.mp3"}); // the hyphen of her name stays
        QCOMPARE(c.files.at(0).titles.at(0).form, std::string("fyrlys"));
        QCOMPARE(c.files.at(0).artists.at(0).form, text::likenessForm("Åse-Linn Brække"));
        c = clues({"/in/The_Hollow_Ferry_-_Night_Post/A1._Night_Post.flac"});
        QCOMPARE(c.albums.at(0), std::string("Night Post"));
        QCOMPARE(c.files.at(0).titles.at(0).form, std::string("night post"));
    }

    void seatsAreFound() {
        const reference::Release& hall = named("tarnholm-hall-2cd");
        std::vector<SleeveInput> files = filesOf(hall, "/in/somewhere");
        std::swap(files[0].path, files[3].path);
        std::swap(files[0].seconds, files[3].seconds);
        files.erase(files.begin() + 6); // one is missing
        SleeveInput extra;              // and one is of something else
        extra.id = 77;
        extra.path = "/in/somewhere/CD1/06 Harbour weather report.flac";
        extra.seconds = 333;
        files.push_back(extra);
        const Candidate c = judge(cluesOf(files), hall, "cairn");
        QCOMPARE(c.seated(), size_t{8});
        QCOMPARE(c.seating.fileOf[6], -1);
        const SleeveClues clues = cluesOf(files);
        const Likeable tracks(hall, "cairn");
        for (size_t t = 0; t < tracks.tracks.size(); ++t)
            if (c.seating.fileOf[t] >= 0) {
                const auto& file = clues.files[static_cast<size_t>(c.seating.fileOf[t])];
                QCOMPARE(QString::fromStdString(file.titles.at(0).form),
                         QString::fromStdString(tracks.tracks[t].title.form));
            }
        QCOMPARE(c.seating.unseated.size(), size_t{1});
        QCOMPARE(clues.files[c.seating.unseated[0]].id, int64_t{77});
    }

    void theRightOneAmongMany() {
        Shelf shelf(world(3000));
        const auto sleeves = demo::damagedSleeves(shelf.catalogue.releases(), 100, 11);
        size_t right = 0, sure = 0, sureRight = 0;
        for (const demo::DamagedSleeve& s : sleeves) {
            const Identified found = identify(cluesOf(s.files), {&shelf}, {}, {});
            if (found.candidates.empty())
                continue;
            const reference::Release& truth = shelf.catalogue.releases()[s.release];
            right += found.candidates[0].release.editionSet == truth.editionSet;
            if (found.verdict == Verdict::Sure) {
                ++sure;
                sureRight += found.candidates[0].release.id == truth.id;
            }
        }
        QVERIFY2(right >= 98, std::to_string(right).c_str());
        QVERIFY2(sure >= 70 && sureRight * 100 >= sure * 97,
                 (std::to_string(sureRight) + " of " + std::to_string(sure)).c_str());
    }

    void whatIsNotThereIsNotFound() {
        Shelf shelf(world(3000));
        const auto foreign = demo::inventedReleases(300, 99);
        size_t sure = 0;
        for (const demo::DamagedSleeve& s : demo::damagedSleeves(foreign, 50, 5))
            sure += identify(cluesOf(s.files), {&shelf}, {}, {}).verdict == Verdict::Sure;
        QVERIFY2(sure <= 1, std::to_string(sure).c_str());
    }

    void codesGoStraightThere() {
        Shelf shelf(world(1000));
        std::vector<SleeveInput> files = filesOf(named("night-post-cassette"), "/in/untitled");
        for (SleeveInput& f : files) {
            f.path = "/in/untitled/" + std::to_string(f.id) + ".flac"; // names tell nothing
            f.fields["barcode"] = {"2000000014029"};
        }
        const Identified found = identify(cluesOf(files), {&shelf}, {false, true}, {});
        QCOMPARE(found.candidates.at(0).release.id, std::string("night-post-cassette"));
        QCOMPARE(shelf.asked, size_t{1});
        // The number that an earlier match left.
        for (SleeveInput& f : files) {
            f.fields = {{referenceNumberField, {"cairn:lanterns-cd"}}};
            f.seconds = 0;
        }
        shelf.asked = 0;
        const Identified again = identify(cluesOf(files), {&shelf}, {false, true}, {});
        QCOMPARE(shelf.asked, size_t{0});
        QCOMPARE(again.candidates.size() + (again.verdict == Verdict::Unknown ? 1 : 0), size_t{1});
    }

    void oneReferenceFailsTheOtherAnswers() {
        Shelf broken(world(0), "broken"), good(world(0));
        broken.fails = true;
        const std::vector<SleeveInput> files = filesOf(named("lanterns"), "/in/Kestrel & Rook/Lanterns");
        const Identified found = identify(cluesOf(files), {&broken, &good}, {}, {});
        QCOMPARE(found.errors.size(), size_t{1}); // told once
        QCOMPARE(broken.asked, size_t{1});        // and not asked on and on
        QCOMPARE(found.candidates.at(0).release.editionSet, std::string("s-lanterns"));
        std::stop_source stop;
        stop.request_stop();
        QVERIFY(identify(cluesOf(files), {&good}, {}, stop.get_token()).candidates.empty());
    }

    void twoThatFitAlikeAreNotSure() {
        Shelf shelf(world(0));
        const Identified found = identify(
            cluesOf(filesOf(named("night-post-cd"), "/in/The Hollow Ferry/Night Post EP")), {&shelf}, {}, {});
        QCOMPARE(found.verdict, Verdict::Likely);
        QCOMPARE(found.candidates.at(0).release.editionSet, std::string("s-night-post"));
        double sum = 0;
        for (const Candidate& c : found.candidates)
            sum += c.certainty;
        QVERIFY(sum <= 1.0 + 1e-9);
    }

    void whatIsTaken() {
        const reference::Release& cd = named("salt-road-cd");
        const std::vector<SleeveInput> files = filesOf(cd, "/in/Salt Road");
        const SleeveClues clues = cluesOf(files);
        const Candidate c = judge(clues, cd, "cairn");
        std::vector<edits::Subject> subjects;
        for (const SleeveInput& f : files)
            subjects.push_back({f.id, {{"title", {"my own title"}}, {"label", {"Fellside Reissues"}}}, {}});
        bench::TakeRules rules;
        rules.fields["title"] = bench::TakeRule::WhenBlank;
        rules.fields["script"] = bench::TakeRule::Never;
        rules.genres["chamber folk"] = "Folk";
        const auto proposals = bench::take(c, clues, subjects, rules, {}, "Cairn: Salt Road");
        std::map<std::string, std::vector<std::string>> first;
        for (const edits::Proposal& p : proposals)
            if (p.file == 1) {
                first[p.field] = p.values;
                QCOMPARE(p.origin, std::string("Cairn: Salt Road"));
            }
        QVERIFY(!first.contains("title"));  // it is there already
        QVERIFY(!first.contains("script")); // never
        QVERIFY(!first.contains("label"));  // the same
        QCOMPARE(first["genre"], std::vector<std::string>{"Folk"});
        QCOMPARE(first["track"], std::vector<std::string>{"1"});
        QCOMPARE(first["tracks"], std::vector<std::string>{"6"});
        QCOMPARE(first["composer"], std::vector<std::string>{"Isla Varnholt"});
        QCOMPARE(first["album_artist_sort"], std::vector<std::string>{"Varnholt, Isla"});
        QCOMPARE(first["isrc"], std::vector<std::string>{"ZZFSR1900011"});
        QCOMPARE(first["barcode"], std::vector<std::string>{"2000000190013"});
        QCOMPARE(first[referenceNumberField], std::vector<std::string>{"cairn:salt-road-cd"});
        QVERIFY(!first.contains("disc"));
        QVERIFY(bench::takeRulesFrom(bench::textsOf(rules)) == rules);
        // A genre that is the user's own but for its spelling is spelled as they do, unless told otherwise.
        const bench::OwnGenres own({"Chamber-Folk", "chamber  folk", "\u5408\u5531"});
        QCOMPARE(bench::genreFor("Chamber folk", {}, own), std::string("Chamber-Folk"));
        QCOMPARE(bench::genreFor("Chamber folk", rules, own), std::string("Folk"));
        QCOMPARE(bench::genreFor("\u96C5\u6A02", {}, own), std::string("\u96C5\u6A02"));
        rules.genres["chamber folk"] = "";
        QCOMPARE(bench::genreFor("Chamber folk", rules, own), std::string());
        // Several discs are numbered; a compilation says so.
        const auto hall = bench::fieldsOf(named("tarnholm-hall-2cd"), 1, 0, "cairn");
        QCOMPARE(hall.at("disc"), std::vector<std::string>{"2"});
        QCOMPARE(hall.at("original_date"), std::vector<std::string>{"1986-09-01"});
        const auto various = bench::fieldsOf(named("harbour-day"), 0, 2, "cairn");
        QCOMPARE(various.at("compilation"), std::vector<std::string>{"1"});
        QCOMPARE(various.at("artist"), std::vector<std::string>{"Tarnholm Harbour Band"});
    }
};

QTEST_GUILESS_MAIN(TestIdentify)
#include "test_identify.moc"
