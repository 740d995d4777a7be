// SPDX-License-Identifier: GPL-3.0-or-later
// Power cuts: whatever reached the disk and whatever did not, each file is as before or as asked.
#include <QtTest>

#include "core/files/write_ahead_log.h"
#include "support/disk_faults.h"
#include "support/power_model.h"
#include "support/sample_files.h"
#include "support/share.h"

using namespace moorfrost;
using files::StepState;

namespace {

files::Step step(const Path& source, const tags::Fields& changes, const Path& target = {}) {
    files::Step s;
    s.source = source;
    s.changes = changes;
    s.target = target;
    return s;
}

struct Outcome {
    int states = 0, bad = 0;
    std::string first;
};

/// Writes two sets on the same files and takes the second back, then cuts the power at every moment, `rounds`
/// times each.
Outcome cutEverywhere(bool flushTheLog, int rounds, bool cutRecovery) {
    test::Sandbox box(true);
    Path tree = box / "disk", music = tree / "music", logFile = tree / "log";
    std::vector<Path> all;
    for (const std::string& e : test::endings()) {
        Path file = test::makeSound(music, "song" + e, static_cast<uint32_t>(all.size()));
        test::tag(file, {{"title", {"Cold Slip"}}, {"artist", {"The Hollow Ferry"}}});
        all.push_back(file);
    }
    Path one = test::makeSound(music, "one.flac", 31), two = test::makeSound(music, "two.flac", 32);
    auto log = std::move(*files::WriteAheadLog::open(logFile));
    test::MemoryHistory history;
    std::vector<test::MemoryHistory> snapshots{history};
    auto look = [&] {
        std::map<std::string, std::string> now;
        for (const auto& e : std::filesystem::recursive_directory_iterator(music))
            if (e.is_regular_file())
                now[e.path().native()] = test::readBytes(e.path());
        return now;
    };
    std::vector<std::map<std::string, std::string>> between{look()}; // before and after each set
    test::PowerModel model(tree, box / "aside", flushTheLog ? Path() : logFile);
    history.committed = [&] {
        snapshots.push_back(history);
        model.mark(static_cast<int>(snapshots.size()) - 1);
    };
    work::Progress progress;
    files::ChangeSet first{"first", {}, {}};
    for (size_t i = 0; i < all.size(); ++i)
        first.steps.push_back(step(all[i], {{"title", {i % 2 ? "Gorse" : std::string(5000, 'g')}}},
                                   i % 3 ? Path() : music / "new folder" / all[i].filename()));
    first.steps.push_back(step(one, {{"title", {"Changed places"}}}, two));
    first.steps.push_back(step(two, {}, one));
    files::Step copy = step(music / "two.flac", {}, music / "copies/two.flac");
    files::SetReport report = files::carryOut(first, history, *log, {}, progress);
    auto mustBeWritten = [](const files::SetReport& r) {
        for (const files::StepRecord& s : r.steps)
            if (s.state != StepState::Done)
                qFatal("the set was not written: %s%s", s.error.c_str(), r.error.c_str());
    };
    mustBeWritten(report);
    between.push_back(look());
    files::ChangeSet second{"second", {}, {}};
    for (size_t i = 0; i < all.size(); ++i)
        second.steps.push_back(
            step(i % 3 ? all[i] : music / "new folder" / all[i].filename(),
                 {{"title", {"Night Post"}}, {"comment", {std::string(10 + i * 40, 'c')}}}));
    copy.source = two;
    copy.copy = true;
    second.steps.push_back(copy);
    report = files::carryOut(second, history, *log, {}, progress);
    mustBeWritten(report);
    between.push_back(look());
    auto past = history.past(2);
    if (std::string error = files::takeBack(past, history, *log, {}, progress); !error.empty())
        qFatal("%s", error.c_str());
    between.push_back(look());
    if (between[3] != between[1])
        qFatal("taking back did not restore the files");
    model.stop();
    log.reset();

    Outcome outcome;
    std::mt19937 random(static_cast<unsigned>(test::shareDay())); // other halves of writes each day
    auto check = [&](test::MemoryHistory& now, const std::vector<std::string>& aside, size_t moment) {
        std::map<std::string, std::string> found = look();
        std::map<std::string, std::string> wanted = between[0];
        for (int64_t set = 1; set <= 2; ++set)
            for (auto& [key, r] : now.steps) {
                if (key.first != set || r.state != StepState::Done)
                    continue;
                const std::string from = r.step.source.native();
                const std::string to = r.step.target.empty() ? from : r.step.target.native();
                wanted[to + "\n"] =
                    between[static_cast<size_t>(set)][to]; // the mark: places may be exchanged
                if (!r.step.copy)
                    wanted.erase(from);
            }
        std::map<std::string, std::string> plain;
        for (auto& [path, bytes] : wanted)
            plain[path.ends_with('\n') ? path.substr(0, path.size() - 1) : path] = bytes;
        ++outcome.states;
        if (found == plain && aside.empty())
            return;
        ++outcome.bad;
        if (outcome.first.empty()) {
            outcome.first = "moment " + std::to_string(moment) + ": ";
            for (const auto& [path, bytes] : plain)
                if (!found.contains(path))
                    outcome.first += "missing " + path + "; ";
                else if (found[path] != bytes)
                    outcome.first += "torn " + path + "; ";
            for (const auto& [path, bytes] : found)
                if (!plain.contains(path))
                    outcome.first += "too much " + path + "; ";
            for (const std::string& a : aside)
                outcome.first += a;
        }
    };
    auto recover = [&](test::MemoryHistory& now, std::vector<std::string>& aside) {
        auto again = files::WriteAheadLog::open(logFile);
        if (again)
            aside = now.recover(**again);
        else
            aside = {again.error().message};
    };
    for (size_t moment = 0; moment < model.moments(); ++moment) {
        for (int round = 0; round < rounds; ++round) {
            model.cut(moment, random);
            test::MemoryHistory now = snapshots[static_cast<size_t>(std::max(0, model.lastMark(moment)))];
            now.committed = nullptr;
            std::vector<std::string> aside;
            if (!cutRecovery) {
                recover(now, aside);
                check(now, aside, moment);
                continue;
            }
            // Recovery is cut as well, at a moment of its own, and run again.
            test::MemoryHistory start = now;
            std::filesystem::remove_all(box / "aside2");
            test::PowerModel second_(tree, box / "aside2", flushTheLog ? Path() : logFile);
            now.committed = [&] { second_.mark(1); };
            recover(now, aside);
            now.committed = nullptr;
            second_.stop();
            size_t cut = random() % second_.moments();
            second_.cut(cut, random);
            if (second_.lastMark(cut) < 0)
                now = start; // what recovery found was not recorded yet
            recover(now, aside);
            check(now, aside, moment);
        }
    }
    return outcome;
}

} // namespace

class TestPower : public QObject {
    Q_OBJECT
private slots:
    void aCutAtAnyMoment() {
        Outcome o = cutEverywhere(true, rounds(), false);
        QVERIFY2(o.bad == 0, o.first.c_str());
        QVERIFY(o.states > 60 * rounds());
        qInfo("%d states, %d bad", o.states, o.bad);
    }
    void aCutDuringRecoveryToo() {
        Outcome o = cutEverywhere(true, rounds(), true);
        QVERIFY2(o.bad == 0, o.first.c_str());
        qInfo("%d states, %d bad", o.states, o.bad);
    }
    // The proof that the model can find what it looks for: without the flush of the log files are torn.
    void withoutTheFlushOfTheLogItFails() {
        Outcome o = cutEverywhere(false, rounds(), false);
        QVERIFY(o.bad > 0);
        qInfo("%d states, %d bad, as it must be", o.states, o.bad);
    }

private:
    static int rounds() { return test::fromEnvironment("MOORFROST_TORTURE_ROUNDS", 2); }
};

QTEST_GUILESS_MAIN(TestPower)
#include "test_power.moc"
