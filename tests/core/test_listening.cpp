// SPDX-License-Identifier: GPL-3.0-or-later
// What files are by their sound alone: releases, seats, tapes that run fast; what nobody knows stays unknown.
#include <QtTest>

#include "core/bench/taking.h"
#include "core/matching/listening.h"
#include "core/matching/single_file.h"
#include "support/reference_shelf.h"

using namespace moorfrost;
using namespace moorfrost::matching;
using test::named, test::Shelf, test::world;

namespace {

/// A file without a word, which is this piece, played so fast.
struct Take {
    uint32_t seed;
    double speed = 1;
};

SleeveClues namelessClues(const std::vector<Take>& takes, bool lengths = true) {
    std::vector<SleeveInput> files;
    for (size_t i = 0; i < takes.size(); ++i) {
        SleeveInput f;
        f.id = static_cast<int64_t>(i) + 1;
        f.path = "/in/bounces/mix" + std::to_string(70 - i) + ".wav";
        f.seconds = lengths ? demo::pieceSeconds(takes[i].seed) / takes[i].speed : 0;
        files.push_back(std::move(f));
    }
    return cluesOf(files);
}

PrintsOf printsOf(const std::vector<Take>& takes) {
    return [takes](int64_t id, const std::vector<double>& speeds) -> Result<std::vector<sound::Fingerprint>> {
        const Take& take = takes.at(static_cast<size_t>(id - 1));
        std::vector<sound::Fingerprint> out;
        for (double speed : speeds)
            out.push_back(Shelf::printOf(take.seed, take.speed, speed));
        return out;
    };
}

std::vector<uint32_t> all() {
    std::vector<uint32_t> out;
    for (uint32_t first : {100u, 200u, 700u, 900u, 920u})
        for (uint32_t i = 0; i < 8; ++i)
            out.push_back(first + i);
    return out;
}

} // namespace

class TestListening : public QObject {
    Q_OBJECT
    std::unique_ptr<Shelf> cairn_;

private slots:
    void initTestCase() {
        cairn_ = std::make_unique<Shelf>(world(300));
        cairn_->knowSounds(all());
    }

    void filesWithoutAWord() {
        // The tracks of a release from back to front, so that order and numbers mislead.
        const reference::Release& lp = named("processional-lp");
        std::vector<Take> takes;
        for (size_t t = lp.trackCount(); t > 0; --t)
            takes.push_back({699 + static_cast<uint32_t>(t)});
        SleeveClues clues = namelessClues(takes);
        QVERIFY(identify(clues, {cairn_.get()}, {}, {}).verdict != Verdict::Sure);
        const Listened heard = listen(clues, {cairn_.get()}, printsOf(takes), {});
        QVERIFY(heard.errors.empty());
        const Identified found = identify(clues, {cairn_.get()}, {}, {}, 8, heard.releases);
        QCOMPARE(found.candidates.at(0).release.id, lp.id);
        QCOMPARE(found.verdict, Verdict::Sure);
        const Candidate& best = found.candidates[0];
        QCOMPARE(best.seated(), lp.trackCount());
        QCOMPARE(best[Evidence::Sound].value, 1.0);
        for (size_t t = 0; t < best.seating.fileOf.size(); ++t) {
            const int64_t id = clues.files[static_cast<size_t>(best.seating.fileOf[t])].id;
            QCOMPARE(takes[static_cast<size_t>(id - 1)].seed, 700 + static_cast<uint32_t>(t));
            QVERIFY(best.seating.fits[t].sound.value_or(0) > 0.9);
        }
    }

    /// All files vote: a release with all of them is better than those that share one.
    void theReleaseThatExplainsAll() {
        const std::vector<Take> takes{{100}, {101}, {102}, {103}, {104}, {105}};
        SleeveClues clues = namelessClues(takes, false);
        const Listened heard = listen(clues, {cairn_.get()}, printsOf(takes), {});
        QVERIFY(heard.releases.size() > 1);
        const Identified found = identify(clues, {cairn_.get()}, {}, {}, 8, heard.releases);
        QCOMPARE(found.candidates.at(0).release.trackCount(), size_t{6}); // the remaster, not the EP
        QCOMPARE(found.candidates[0].release.editionSet, std::string("s-night-post"));
    }

    void tapesThatRunFastAndSlow_data() {
        QTest::addColumn<double>("speed");
        QTest::addColumn<QString>("told");
        QTest::newRow("1.5 fast") << 1.015 << "1.5 % fast";
        QTest::newRow("3.7 slow") << 0.963 << "3.7 % slow";
        QTest::newRow("between the steps") << 1.0225 << "2.2 % fast";
        QTest::newRow("right") << 1.0 << "";
    }
    void tapesThatRunFastAndSlow() {
        QFETCH(double, speed);
        QFETCH(QString, told);
        const std::vector<Take> takes{{700, speed}, {701, speed}};
        SleeveClues clues = namelessClues(takes);
        const Listened heard = listen(clues, {cairn_.get()}, printsOf(takes), {});
        for (const FileClues& f : clues.files) {
            QVERIFY(!f.heard.empty());
            QCOMPARE(f.heard[0].recording,
                     "cairn/r-" + std::to_string(takes[static_cast<size_t>(f.id - 1)].seed));
            QVERIFY2(std::abs(f.heard[0].speed - speed) < 0.0013,
                     qPrintable(QString::number(f.heard[0].speed)));
        }
        const Identified found = identify(clues, {cairn_.get()}, {}, {}, 8, heard.releases);
        QCOMPARE(found.candidates.at(0).release.id, std::string("processional-lp"));
        std::vector<edits::Subject> subjects{{1, {}, {}}, {2, {}, {}}};
        QString drafted;
        for (const edits::Proposal& p : bench::take(found.candidates[0], clues, subjects, {}, {}, "Cairn"))
            if (p.field == matching::speedField)
                drafted = QString::fromStdString(p.values.at(0));
        if (told.startsWith("2.2"))
            QVERIFY2(drafted == "2.2 % fast" || drafted == "2.3 % fast", qPrintable(drafted));
        else
            QCOMPARE(drafted, told);
    }

    void whatNobodyKnows() {
        const std::vector<Take> takes{{5001}, {5002}, {5003}};
        SleeveClues clues = namelessClues(takes);
        const Listened heard = listen(clues, {cairn_.get()}, printsOf(takes), {});
        for (const FileClues& f : clues.files)
            QVERIFY(std::ranges::none_of(f.heard, &HeardAs::isSure));
        QVERIFY(identify(clues, {cairn_.get()}, {}, {}, 8, heard.releases).verdict != Verdict::Sure);
    }

    void aSingleFile() {
        const std::vector<Take> takes{{702, 1.01}};
        SleeveClues clues = namelessClues(takes);
        const Listened heard = listen(clues, {cairn_.get()}, printsOf(takes), {});
        const FileIdentified found = identifyFile(clues, {cairn_.get()}, {}, {}, 6, heard.releases);
        QCOMPARE(found.candidates.at(0).track().title, std::string("Quayside March"));
        QVERIFY(found.candidates[0].likeness >= probablyIt);
        QVERIFY(found.candidates.size() == 1 || found.candidates[1].likeness < probablyIt);
    }

    void troubleIsTold() {
        Shelf broken(world(0), "broken");
        broken.fails = true;
        const std::vector<Take> takes{{700}, {701}};
        SleeveClues clues = namelessClues(takes);
        const Listened heard = listen(clues, {&broken, cairn_.get()}, printsOf(takes), {});
        QCOMPARE(heard.errors.size(), size_t{1});
        QCOMPARE(broken.heard, size_t{1});
        QVERIFY(clues.files[0].heard.at(0).isSure()); // the other one answers
        // A file that cannot be decoded; a stop.
        SleeveClues others = namelessClues(takes);
        const auto none = [](int64_t id,
                             const std::vector<double>& speeds) -> Result<std::vector<sound::Fingerprint>> {
            if (id == 1)
                return Error{ErrorKind::Damaged, "/in/a.wav", "It cannot be decoded."};
            return std::vector<sound::Fingerprint>(speeds.size());
        };
        QCOMPARE(listen(others, {cairn_.get()}, none, {}).errors.size(), size_t{1});
        std::stop_source stop;
        stop.request_stop();
        SleeveClues stopped = namelessClues(takes);
        QVERIFY(listen(stopped, {cairn_.get()}, printsOf(takes), stop.get_token()).releases.empty());
    }
};

QTEST_GUILESS_MAIN(TestListening)
#include "test_listening.moc"
