// SPDX-License-Identifier: GPL-3.0-or-later
// Jobs, progress, connections beside each other, taking back in order.
#include <QtTest>

#include <atomic>

#include "core/library/writing.h"
#include "core/tags/tag_io.h"
#include "core/work/in_order.h"
#include "core/work/jobs.h"
#include "support/delivered.h"
#include "support/sample_files.h"

using namespace moorfrost;
using test::Delivered;

class TestWork : public QObject {
    Q_OBJECT
private slots:
    void progressCountsAndEstimates() {
        work::Progress p;
        QCOMPARE(p.state().total, uint64_t{0});
        p.begin(10);
        QCOMPARE(p.state().secondsLeft, -1.0); // nothing can be told yet
        for (int i = 0; i < 5; ++i)
            p.step("file " + std::to_string(i));
        QTest::qSleep(250);
        work::Progress::State s = p.state();
        QCOMPARE(s.done, uint64_t{5});
        QCOMPARE(s.item, std::string("file 4"));
        QVERIFY(s.perSecond > 0 && s.perSecond <= 5 / 0.25);
        QVERIFY(s.secondsLeft > 0);
        p.begin(3); // a second part begins anew
        QCOMPARE(p.state().done, uint64_t{0});
    }

    void aJobHandsBackAResult() {
        Delivered delivered;
        work::Jobs jobs(delivered.take());
        std::optional<Result<int>> got;
        const work::JobId id = jobs.start(
            {"read"},
            [](std::stop_token, work::Progress& p) -> Result<int> {
                p.begin(1);
                p.step("x");
                return 7;
            },
            [&](Result<int> r) { got = std::move(r); });
        QVERIFY(id != 0);
        delivered.one();
        QVERIFY(got && *got);
        QCOMPARE(**got, 7);
        QVERIFY(jobs.isIdle());
    }

    void whatAJobThrowsIsAnError_data() {
        QTest::addColumn<int>("what");
        QTest::addColumn<QString>("says");
        QTest::newRow("a failure") << 0 << "The disk that the library is on is full.";
        QTest::newRow("no memory") << 1 << "There is not enough memory for this.";
        QTest::newRow("something of a library") << 2 << "Something unexpected went wrong: vector.";
        QTest::newRow("no exception at all") << 3 << "Something unexpected went wrong.";
    }
    void whatAJobThrowsIsAnError() {
        QFETCH(int, what);
        QFETCH(QString, says);
        Delivered delivered;
        work::Jobs jobs(delivered.take());
        QString said;
        jobs.start(
            {"fails"},
            [what](std::stop_token, work::Progress&) -> Status {
                if (what == 0)
                    throw Failure({ErrorKind::NoSpace, {}, "The disk that the library is on is full."});
                if (what == 1)
                    throw std::bad_alloc();
                if (what == 2)
                    throw std::out_of_range("vector");
                throw 5;
            },
            [&](Status s) { said = s ? "nothing" : QString::fromStdString(s.error().message); });
        delivered.one();
        QCOMPARE(said, says);
    }

    void stopHitsTheJobThatItNames() {
        Delivered delivered;
        work::Jobs jobs(delivered.take());
        QStringList ended;
        auto endless = [&](const char* name) {
            return jobs.start(
                {name},
                [](std::stop_token stop, work::Progress&) -> Status {
                    while (!stop.stop_requested())
                        std::this_thread::yield();
                    return Done{};
                },
                [&ended, name](Status) { ended << name; });
        };
        const work::JobId first = endless("first");
        const work::JobId second = endless("second");
        jobs.stop(first);
        delivered.one();
        QCOMPARE(ended, QStringList{"first"});
        const work::JobId third = endless("third"); // in the place of the first in every list
        jobs.stop(first);                           // once more: nobody else is meant
        QTest::qSleep(20);
        QCOMPARE(jobs.list().size(), size_t{2});
        QVERIFY(!jobs.list()[0].stopping && !jobs.list()[1].stopping);
        jobs.stop(second);
        jobs.stop(third);
        delivered.one();
        delivered.one();
        QVERIFY(jobs.isIdle());
    }

    void twoThatWriteNeverOverlap() {
        Delivered delivered;
        work::Jobs jobs(delivered.take());
        std::atomic<int> writing = 0, most = 0, beside = 0;
        auto write = [&](std::stop_token, work::Progress&) -> Status {
            most = std::max(most.load(), ++writing);
            QTest::qSleep(30);
            --writing;
            return Done{};
        };
        auto ended = [](Status) {};
        for (int i = 0; i < 3; ++i)
            jobs.start({"write", work::Priority::Asked, {.writesFiles = true}}, write, ended);
        QVERIFY(jobs.isWriting());
        QCOMPARE(jobs.list().back().waiting, true);
        // What writes nothing does not wait for them.
        jobs.start(
            {"listen", work::Priority::Background},
            [&](std::stop_token, work::Progress&) -> Status {
                while (writing == 0)
                    std::this_thread::yield();
                beside = 1;
                return Done{};
            },
            ended);
        for (int i = 0; i < 4; ++i)
            delivered.one();
        QCOMPARE(most.load(), 1);
        QCOMPARE(beside.load(), 1);
        QVERIFY(!jobs.isWriting());
    }

    void whatWaitsAndIsStoppedNeverBegins() {
        Delivered delivered;
        work::Jobs jobs(delivered.take());
        std::atomic<bool> go = false, begun = false;
        jobs.start(
            {"write", work::Priority::Asked, {.writesFiles = true}},
            [&](std::stop_token, work::Progress&) -> Status {
                while (!go)
                    std::this_thread::yield();
                return Done{};
            },
            [](Status) {});
        std::optional<ErrorKind> kind;
        const work::JobId second = jobs.start(
            {"write", work::Priority::Asked, {.writesFiles = true}},
            [&](std::stop_token, work::Progress&) -> Status {
                begun = true;
                return Done{};
            },
            [&](Status s) { kind = s.error().kind; });
        jobs.stop(second);
        delivered.one();
        QCOMPARE(*kind, ErrorKind::Cancelled);
        QVERIFY(!begun);
        go = true;
        delivered.one();
    }

    void nothingRunsOnBehindTheEnd() {
        std::atomic<int> running = 0;
        Delivered delivered;
        {
            work::Jobs jobs(delivered.take());
            for (int i = 0; i < 4; ++i)
                jobs.start(
                    {"endless"},
                    [&](std::stop_token stop, work::Progress&) -> Status {
                        ++running;
                        while (!stop.stop_requested())
                            std::this_thread::yield();
                        --running;
                        return Done{};
                    },
                    [](Status) {});
            while (running < 4)
                std::this_thread::yield();
        }
        QCOMPARE(running.load(), 0);
        QVERIFY(delivered.isEmpty()); // nobody is there to be told
    }

    void readersAndTheWriterDoNotWaitForEachOther() {
        test::Sandbox box;
        auto writer = library::Store::open(box / "library.db");
        auto reader = library::Store::open(box / "library.db");
        Path file = test::makeSound(box.root(), "a.flac");
        (*writer)->files().save(files::scanFile(file));
        library::Transaction open((*writer)->database());
        (*writer)->settings().save("half", "done");
        QCOMPARE((*reader)->files().all().size(), size_t{1});
        QCOMPARE((*reader)->settings().find("half"), std::string());
        open.commit();
        QCOMPARE((*reader)->settings().find("half"), std::string("done"));
    }

    void unwrittenTransactionsLeaveNothing() {
        test::Sandbox box;
        auto store = library::Store::open(box / "library.db");
        {
            library::Transaction t((*store)->database());
            (*store)->settings().save("a", "1");
        }
        QCOMPARE((*store)->settings().find("a"), std::string());
    }

    void laterSetsMustGoFirst() {
        test::Sandbox box;
        auto store = std::move(*library::Store::open(box / "library.db"));
        Path file = test::makeSound(box.root(), "a.flac");
        std::string before = test::readBytes(file);
        work::Progress progress;
        auto write = [&](const std::string& title) {
            files::Step s;
            s.source = file;
            s.changes = {{"title", {title}}};
            return library::writeSet(*store, {"w " + title, {s}, {}}, 0, {}, progress).set;
        };
        int64_t first = write("One");
        std::string one = test::readBytes(file);
        int64_t second = write("Two");
        // The first set is not what is on disk any more: it says so and leaves the file.
        auto refused = library::takeBackSet(*store, first, std::nullopt, {}, progress);
        QCOMPARE(refused.done, size_t{0});
        QCOMPARE(refused.refused.size(), size_t{1});
        QCOMPARE(tags::readTags(file)->fields["title"].front(), std::string("Two"));
        QCOMPARE(library::takeBackSet(*store, second, std::nullopt, {}, progress).done, size_t{1});
        QVERIFY(test::readBytes(file) == one);
        QCOMPARE(library::takeBackSet(*store, first, std::nullopt, {}, progress).done, size_t{1});
        QVERIFY(test::readBytes(file) == before);
        // Nothing is left to take back.
        QCOMPARE(library::takeBackSet(*store, first, std::nullopt, {}, progress).done, size_t{0});
    }

    void theJournalSurvivesItsLibraryBeingClosed() {
        test::Sandbox box;
        Path file = test::makeSound(box.root(), "old \xE5.mp3");
        std::string before = test::readBytes(file);
        int64_t set = 0;
        {
            auto store = std::move(*library::Store::open(box / "library.db"));
            files::Step s;
            s.source = file;
            s.target = box / "new \xE5/b.mp3";
            s.changes = {{"title", {"Хор"}}, {"artist", {"A", "B"}}};
            work::Progress progress;
            set = library::writeSet(*store, {"Put away", {s}, {}}, 0, {}, progress).set;
        }
        auto store = std::move(*library::Store::open(box / "library.db"));
        QCOMPARE(store->journal().sets().size(), size_t{1});
        QCOMPARE(store->journal().sets()[0].title, std::string("Put away"));
        auto steps = store->journal().steps(set);
        QCOMPARE(steps[0].record.step.source, file);
        QCOMPARE(steps[0].record.step.changes["artist"], (std::vector<std::string>{"A", "B"}));
        QCOMPARE(steps[0].record.madeFolders, std::vector<Path>{box / "new \xE5"});
        work::Progress progress;
        QCOMPARE(library::takeBackSet(*store, set, std::nullopt, {}, progress).done, size_t{1});
        QVERIFY(test::readBytes(file) == before);
        QVERIFY(!std::filesystem::exists(box / "new \xE5"));
    }

    void aWriteThatGoesOnIsNotTakenForACrash() {
        test::Sandbox box;
        auto writing = std::move(*library::Store::open(box / "library.db"));
        auto starting = std::move(*library::Store::open(box / "library.db"));
        Path file = test::makeSound(box.root(), "a.flac");
        files::Step s;
        s.source = file;
        s.changes = {{"title", {"x"}}};
        int64_t set = writing->journal().begin({"w", {s}, {}}, 0); // begun, and not ended yet
        {
            library::WriterLock lock(*writing);
            QVERIFY(lock.isHeld());
            QVERIFY(library::recover(*starting).isEmpty());
            QVERIFY(starting->journal().sets().front().running);
        }
        // Its program is gone: now it is settled.
        QCOMPARE(library::recover(*starting).sets, std::vector<std::string>{"w"});
        QVERIFY(!starting->journal().sets().front().running);
        QCOMPARE(starting->journal().steps(set)[0].record.state, files::StepState::Planned);
    }

    void emptiedFoldersComeBack() {
        test::Sandbox box;
        auto store = std::move(*library::Store::open(box / "library.db"));
        Path file = test::makeSound(box / "in/deep", "a.ogg");
        std::filesystem::create_directories(box / "in/also empty");
        files::Step s;
        s.source = file;
        s.target = box / "shelf/a.ogg";
        work::Progress progress;
        auto outcome = library::writeSet(
            *store, {"m", {s}, {box / "in/deep", box / "in/also empty", box / "shelf"}}, 0, {}, progress);
        QCOMPARE(outcome.report.removedFolders.size(), size_t{2}); // the shelf is not empty
        QVERIFY(!std::filesystem::exists(box / "in/deep"));
        library::takeBackSet(*store, outcome.set, std::nullopt, {}, progress);
        QVERIFY(std::filesystem::exists(file));
        QVERIFY(std::filesystem::exists(box / "in/also empty"));
        QVERIFY(!std::filesystem::exists(box / "shelf"));
    }

    void whatIsMadeIsUsedInItsOrder() {
        std::vector<int> used;
        std::thread::id user;
        {
            work::InOrder<int> things([&](int&& thing) {
                used.push_back(thing);
                user = std::this_thread::get_id();
                return true;
            });
            for (int i = 0; i < 5001; ++i)
                QVERIFY(things.put(int(i)));
            things.end();
        }
        QVERIFY(user != std::this_thread::get_id());
        QCOMPARE(used.size(), size_t{5001});
        QVERIFY(std::ranges::is_sorted(used));
        // Who has enough ends it, and nobody waits for the other.
        used.clear();
        int made = 0;
        {
            work::InOrder<int> things([&](int&& thing) {
                used.push_back(thing);
                return thing < 300;
            });
            while (things.put(int(made)))
                ++made;
            things.end();
        }
        QCOMPARE(used.size(), size_t{301});
        QVERIFY(made >= 300);
        // What is thrown there arrives here; without end() it is over, too.
        work::InOrder<int> throws([](int&&) -> bool { throw std::runtime_error("paper"); });
        throws.put(1);
        QVERIFY_THROWS_EXCEPTION(std::runtime_error, throws.end());
        work::InOrder<int> left([](int&&) { return true; });
        left.put(1);
    }
};

QTEST_GUILESS_MAIN(TestWork)
#include "test_work.moc"
