// SPDX-License-Identifier: GPL-3.0-or-later
// Jobs, progress, the store's thread, taking back in order.
#include <QtTest>

#include <atomic>

#include "core/library/store_thread.h"
#include "core/library/writing.h"
#include "core/tags/tag_io.h"
#include "core/work/job.h"
#include "support/sample_files.h"

using namespace moorfrost;

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

    void aJobRunsAndEnds() {
        std::atomic<bool> finished = false, worked = false;
        work::Job job(
            "read",
            [&](std::stop_token, work::Progress& p) {
                p.begin(1);
                p.step("x");
                worked = true;
            },
            [&] { finished = true; });
        job.wait();
        QVERIFY(worked && finished && job.isDone());
        QCOMPARE(job.title(), std::string("read"));
        QCOMPARE(job.progress().done, uint64_t{1});
    }

    void aJobStopsWhenAsked() {
        std::atomic<int> rounds = 0;
        work::Job job("endless", [&](std::stop_token stop, work::Progress&) {
            while (!stop.stop_requested()) {
                ++rounds;
                std::this_thread::yield();
            }
        });
        while (rounds == 0)
            std::this_thread::yield();
        QVERIFY(!job.isStopping());
        job.stop();
        QVERIFY(job.isStopping());
        job.wait();
        QVERIFY(job.isDone());
    }

    void theStoreThreadDoesAllInOrder() {
        test::Sandbox box;
        std::vector<int> order;
        std::string failure;
        {
            library::StoreThread thread(box / "library.db", [&](const std::string& s) { failure = s; });
            for (int i = 0; i < 50; ++i)
                thread.post([&order, i](library::Store&) { order.push_back(i); });
            thread.post([](library::Store& store) { store.setSetting("a", "1"); });
            thread.post(
                [](library::Store& store) { store.database().execute("NOT SQL AT ALL"); }); // fails alone
            thread.post([&order](library::Store&) { order.push_back(50); });
        } // waits
        QCOMPARE(order.size(), size_t{51});
        QVERIFY(std::is_sorted(order.begin(), order.end()));
        QVERIFY(failure.find("database") != std::string::npos);
        QCOMPARE((*library::Store::open(box / "library.db"))->setting("a"), std::string("1"));
    }

    void aLibraryThatCannotBeOpenedIsSaid() {
        test::Sandbox box;
        test::writeBytes(box / "library.db",
                         "this is a letter, not a library, and it is long enough to be looked at");
        std::string failure;
        {
            library::StoreThread thread(box / "library.db", [&](const std::string& s) { failure = s; });
            thread.post([](library::Store&) { qFatal("there is no store"); });
        }
        QVERIFY2(failure.find("cannot be opened") != std::string::npos, failure.c_str());
        QVERIFY(test::readBytes(box / "library.db").starts_with("this is a letter")); // and it was left alone
    }

    void readersAndTheWriterDoNotWaitForEachOther() {
        test::Sandbox box;
        auto writer = library::Store::open(box / "library.db");
        auto reader = library::Store::open(box / "library.db");
        Path file = test::makeSound(box.root(), "a.flac");
        (*writer)->saveFile(files::scanFile(file));
        library::Transaction open((*writer)->database());
        (*writer)->setSetting("half", "done");
        QCOMPARE((*reader)->allFiles().size(), size_t{1});
        QCOMPARE((*reader)->setting("half"), std::string());
        open.commit();
        QCOMPARE((*reader)->setting("half"), std::string("done"));
    }

    void unwrittenTransactionsLeaveNothing() {
        test::Sandbox box;
        auto store = library::Store::open(box / "library.db");
        {
            library::Transaction t((*store)->database());
            (*store)->setSetting("a", "1");
        }
        QCOMPARE((*store)->setting("a"), std::string());
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
        QCOMPARE(store->sets().size(), size_t{1});
        QCOMPARE(store->sets()[0].title, std::string("Put away"));
        auto steps = store->steps(set);
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
        int64_t set = writing->beginSet({"w", {s}, {}}, 0); // begun, and not ended yet
        {
            library::WriterLock lock(*writing);
            QVERIFY(lock.isHeld());
            QVERIFY(library::recover(*starting).isEmpty());
            QVERIFY(starting->sets().front().running);
        }
        // Its program is gone: now it is settled.
        QCOMPARE(library::recover(*starting).sets, std::vector<std::string>{"w"});
        QVERIFY(!starting->sets().front().running);
        QCOMPARE(starting->steps(set)[0].record.state, files::StepState::Planned);
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
};

QTEST_GUILESS_MAIN(TestWork)
#include "test_work.moc"
