// SPDX-License-Identifier: GPL-3.0-or-later
// Fixity as a standing job: what is due first, how much a night, what is noted, what the audit says of it.
#include <QtTest>

#include <fstream>

#include "core/library/findings/audit.h"
#include "core/library/fixity.h"
#include "core/library/fixity_plan.h"
#include "support/cli.h"
#include "support/sheet_world.h"

using namespace moorfrost;
using namespace moorfrost::library;
using namespace moorfrost::test;

class TestFixityPlan : public QObject, SheetWorld {
    Q_OBJECT

    /// A file of about 90 KB on the shelf, as the library knows it.
    Path sound(const std::string& name, uint32_t seed) { return sound(*box_ / "shelf", shelf_, name, seed); }
    Path sound(const Path& folder, int64_t shelf, const std::string& name, uint32_t seed) {
        std::filesystem::create_directories(folder);
        const Path path = makeSound(folder, name, seed);
        files::ScannedFile f;
        f.path = path;
        f.state = {std::filesystem::file_size(path), 5};
        f.tags = tags::TagFile();
        store_->files().save(f, shelf);
        return path;
    }
    std::vector<CheckedFile> night(uint64_t bytes, int64_t when, FixityRound* round = nullptr,
                                   bool withNew = true, int64_t before = INT64_MAX) {
        std::vector<CheckedFile> out;
        FixityPlan plan;
        plan.takeNew = withNew;
        work::Progress progress;
        const FixityRoundDone done =
            verifyOldest(*store_, plan, bytes, when, before, {}, progress, [&](auto&& files) {
                keepChecked(*store_, files, when);
                out.insert(out.end(), files.begin(), files.end());
            });
        if (round)
            *round = done.round;
        absent_ = done.absentShelves;
        return out;
    }
    void spoil(const Path& path, const std::string& by = "another sound") {
        std::fstream file(path, std::ios::in | std::ios::out | std::ios::binary);
        file.seekp(static_cast<std::streamoff>(std::filesystem::file_size(path) / 2));
        file.write(by.data(), static_cast<std::streamsize>(by.size()));
    }
    std::vector<Path> absent_;

private slots:
    void init() { open(); }
    void cleanup() { close(); }

    void plansAreText() {
        FixityPlan plan;
        plan.on = true;
        plan.gigabytes = 12.5;
        plan.from = 22;
        plan.to = 4;
        QVERIFY(FixityPlan::fromJson(plan.json()) == plan);
        QVERIFY(FixityPlan::fromJson("nonsense") == FixityPlan());
        QCOMPARE(FixityPlan::fromJson(R"({"gigabytes": -3, "from": 77})").from, 23);
        QVERIFY(plan.isNight(23) && plan.isNight(2) && !plan.isNight(4) && !plan.isNight(12));
        plan.from = 1;
        plan.to = 6;
        QVERIFY(plan.isNight(1) && !plan.isNight(6) && !plan.isNight(0));
        QCOMPARE(plan.nightsFor(26'000'000'000), uint64_t(3));
    }

    void theOldestFirst() {
        const Path a = sound("a.wav", 1), b = sound("b.wav", 2), c = sound("c.wav", 3);
        const uint64_t one = std::filesystem::file_size(a);
        FixityRound round;
        QCOMPARE(night(1, 1000, &round).size(), size_t(1)); // at least one, however little
        QCOMPARE(round.files, uint64_t(1));
        QCOMPARE(round.taken, uint64_t(1));
        QCOMPARE(store_->fixity().all().size(), size_t(1));
        QCOMPARE(store_->fixity().all()[0].path, a);
        // Those without come before those that have one; then the one that waited longest.
        auto second = night(one * 2 + one / 2, 2000);
        QCOMPARE(second.size(), size_t(2));
        FixityRoundTable table(store_->database());
        // (fixity keeps its own time: now)
        table.note(a, 5000, "");
        table.note(b, 3000, "");
        table.note(c, 4000, "");
        auto third = night(1, 6000, &round);
        QCOMPARE(third.front().path, b);
        QVERIFY(third.front().state == CheckState::Same);
        QCOMPARE(round.trouble, uint64_t(0));
        QCOMPARE(night(1, 7000).front().path, c);
        const FixityStanding standing = table.standing();
        QCOMPARE(standing.files, uint64_t(3));
        QCOMPARE(standing.withFixity, uint64_t(3));
        QCOMPARE(standing.oldest, int64_t(5000));
        QCOMPARE(table.verifiedBetween(6500, 8000, 10).size(), size_t(1));
        // What was compared this night already is not compared again, however much room there is.
        table.note(a, 9000, "");
        table.note(b, 100, "");
        QCOMPARE(night(one * 100, 9500, nullptr, true, 8500).size(), size_t(2));
        QVERIFY(night(one * 100, 9600, nullptr, true, 8500).empty());
        // Without new ones only what has a fixity is read.
        const Path d = sound("d.wav", 4);
        for (const CheckedFile& file : night(one * 10, 8000, nullptr, false))
            QVERIFY(file.path != d);
    }

    void anotherSoundIsFound() {
        const Path a = sound("a.wav", 1), b = sound("b.wav", 2);
        night(1 << 30, 1000);
        spoil(b);
        FixityRound round;
        night(1 << 30, 2000, &round);
        QCOMPARE(round.trouble, uint64_t(1));
        FixityRoundTable table(store_->database());
        QCOMPARE(table.troubled().size(), size_t(1));
        QCOMPARE(table.troubled()[0].path, b);
        QCOMPARE(table.troubled()[0].trouble, std::string("changed"));
        auto found = [&] {
            const LibrarySearch search = searchOf(*store_);
            work::Progress progress;
            auto together =
                auditTogether(*store_, *search.searcher, auditRulesOf(*store_), nullptr, {}, progress);
            std::vector<Finding> out;
            for (size_t i = 0; i < together->size(); ++i)
                if ((*together)[i].rule == "fixity")
                    out.push_back((*together)[i]);
            return out;
        };
        QCOMPARE(found().size(), size_t(1));
        QCOMPARE(found()[0].title, std::string("b.wav"));
        // It stays found until it is the same again, or is kept as it is.
        night(1 << 30, 3000);
        QCOMPARE(table.troubled().size(), size_t(1));
        store_->fixity().save(*fixityOf(b, false));
        QVERIFY(table.troubled().empty());
        QVERIFY(found().empty());
        QCOMPARE(night(1 << 30, 4000).size(), size_t(2));
        QVERIFY(table.troubled().empty());
    }

    void whatCannotBeReadDoesNotStandInTheWay() {
        const Path a = sound("a.wav", 1), b = sound("b.wav", 2);
        std::filesystem::resize_file(a, 10);
        FixityRound round;
        QCOMPARE(night(1, 1000, &round).front().path, a);
        QCOMPARE(round.trouble, uint64_t(1));
        QCOMPARE(night(1, 2000).front().path, b);
        QCOMPARE(FixityRoundTable(store_->database()).troubled().size(), size_t(1));
    }

    void aShelfThatIsNotThere() {
        const Path a = sound("a.wav", 1);
        night(1 << 30, 1000);
        std::filesystem::rename(*box_ / "shelf", *box_ / "unplugged");
        FixityRound round;
        QVERIFY(night(1 << 30, 2000, &round).empty());
        QCOMPARE(absent_.size(), size_t(1));
        QVERIFY(FixityRoundTable(store_->database()).troubled().empty());
    }

    void anAbsentShelfDoesNotUseUpTheNight() {
        sound("a.wav", 1);
        const Path second = *box_ / "second";
        const Path b = sound(second, store_->shelves().add("Second", second), "b.wav", 2);
        std::filesystem::rename(*box_ / "shelf", *box_ / "unplugged");
        const auto compared = night(1, 1000);
        QCOMPARE(compared.size(), size_t(1));
        QCOMPARE(compared.front().path, b);
    }

    void roundsAreKept() {
        FixityRoundTable table(store_->database());
        const FixityRound first{100, 160, 5, 1000, 2, 1, false}, second{900, 950, 3, 10, 0, 0, true};
        table.save(second);
        table.save(first);
        QVERIFY(table.rounds(0) == (std::vector<FixityRound>{first, second}));
        QVERIFY(table.rounds(500) == std::vector<FixityRound>{second});
    }

    void onTheCommandLine() {
        const Path a = sound("a.wav", 1);
        sound("b.wav", 2);
        CliAnswer told = runCli(box_->root(), {"verify", "--oldest", "1"}, true);
        QCOMPARE(told.code, 0);
        QCOMPARE(told.lines.size(), 2);
        QCOMPARE(told.lines[0]["state"].toString(), QString("new"));
        QCOMPARE(FixityRoundTable(store_->database()).rounds(0).size(), size_t(1));
        spoil(a);
        told = runCli(box_->root(), {"verify", "--oldest", "1"}, true);
        QCOMPARE(told.code, 1);
        QCOMPARE(FixityRoundTable(store_->database()).troubled().size(), size_t(1));
        // The plain check notes what it found, too.
        store_->fixity().save(*fixityOf(a, false));
        spoil(a, "and yet another");
        QCOMPARE(runCli(box_->root(), {"verify"}, true).code, 1);
        QCOMPARE(FixityRoundTable(store_->database()).troubled().size(), size_t(1));
    }
};

QTEST_GUILESS_MAIN(TestFixityPlan)
#include "test_fixity_plan.moc"
