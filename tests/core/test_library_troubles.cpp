// SPDX-License-Identifier: GPL-3.0-or-later
// The library under what can befall it: killed in the middle of writes, a full disk, locked by another.
#include <QtTest>

#include <csignal>
#include <functional>
#include <map>
#include <set>
#include <thread>

#include <sys/resource.h>
#include <sys/wait.h>
#include <unistd.h>

#include "core/library/search/library_search.h"
#include "core/library/store/keeping.h"
#include "support/invented.h"
#include "support/sample_files.h"

using namespace moorfrost;

namespace {

constexpr size_t chunkSize = 40;

std::vector<files::ScannedFile> chunk(bench::InventedLibrary& invented, size_t count = chunkSize) {
    std::vector<files::ScannedFile> out;
    library::FileRecord r;
    while (out.size() < count && invented.next(r))
        out.push_back({r.path, r.state, r.tags, {}});
    return out;
}

/// What `work` returns, in a process of its own in which no file may grow beyond `most` bytes: the system
/// then refuses as a full disk does.
int withoutRoom(uint64_t most, const std::function<int()>& work) {
    pid_t child = fork();
    if (child == 0) {
        std::signal(SIGXFSZ, SIG_IGN);
        rlimit limit{most, RLIM_INFINITY};
        setrlimit(RLIMIT_FSIZE, &limit);
        _exit(work());
    }
    int status = 0;
    waitpid(child, &status, 0);
    return WIFEXITED(status) ? WEXITSTATUS(status) : -1;
}

} // namespace

class TestLibraryTroubles : public QObject {
    Q_OBJECT
private slots:
    void init() { box_ = std::make_unique<test::Sandbox>(); }

    void killedInTheMiddleOfWrites() {
        const Path file = *box_ / "library.db";
        int64_t shelf = (*library::Store::open(file))->shelves().add("Archive", "/archive");
        bench::Chance random(3);
        size_t before = 0, written = 0;
        for (int round = 0; round < 15; ++round) {
            int told[2];
            QVERIFY(pipe(told) == 0);
            pid_t child = fork();
            if (child == 0) {
                // Only this thread goes on here; it ends by being killed.
                auto store = std::move(*library::Store::open(file));
                bench::InventedLibrary invented(1000000);
                chunk(invented, before); // what is there already
                for (;;) {
                    store->saveFiles(chunk(invented), 0, shelf);
                    if (write(told[1], "x", 1) != 1)
                        _exit(1);
                    if (random() % 5 == 0) { // other kinds of writes among them
                        store->revisions().begin();
                        store->settings().save("names", std::to_string(random()));
                    }
                }
            }
            ::close(told[1]);
            char byte = 0;
            QVERIFY(read(told[0], &byte, 1) == 1); // now it is in the midst of it
            // So many more are told, however slow the disk is; then it is in the midst of the next.
            size_t acknowledged = 1;
            for (size_t more = random() % 4; more > 0; --more, ++acknowledged)
                QVERIFY(read(told[0], &byte, 1) == 1);
            std::this_thread::sleep_for(std::chrono::microseconds(random() % 20000));
            kill(child, SIGKILL);
            waitpid(child, nullptr, 0);
            while (read(told[0], &byte, 1) == 1)
                ++acknowledged;
            ::close(told[0]);

            QCOMPARE(library::damageOf(file), std::string());
            auto store = std::move(*library::Store::open(file));
            const size_t now = store->files().all().size();
            QCOMPARE(now % chunkSize, size_t{0}); // whole transactions
            QVERIFY2(now >= before + acknowledged * chunkSize, qPrintable(QString::number(now)));
            QVERIFY(now <= before + (acknowledged + 1) * chunkSize);
            QCOMPARE(library::searchOf(*store).searcher->count(),
                     now); // and what is searched is what is there
            written += now - before;
            before = now;
        }
        QVERIFY(written >= 15 * chunkSize);
    }

    void aFullDisk() {
        const Path file = *box_ / "library.db";
        bench::InventedLibrary invented(100000);
        {
            auto store = std::move(*library::Store::open(file));
            store->saveFiles(chunk(invented), 0, store->shelves().add("Archive", "/archive"));
        }
        const int answer = withoutRoom(std::filesystem::file_size(file) + 100000, [&] {
            auto store = std::move(*library::Store::open(file));
            try {
                store->saveFiles(chunk(invented, 50000), 0);
            } catch (const library::DatabaseError& e) {
                // What was there can still be read, also from here.
                return std::string(e.what()).empty() || store->files().all().size() != chunkSize ? 4 : 3;
            }
            return 5;
        });
        QCOMPARE(answer, 3);
        QCOMPARE(library::damageOf(file), std::string());
        auto store = std::move(*library::Store::open(file));
        QCOMPARE(store->files().all().size(), chunkSize);
        store->saveFiles(chunk(invented), 0); // there is room again
        QCOMPARE(store->files().all().size(), 2 * chunkSize);
    }

    void withoutRoomItIsStillSearched() {
#if defined(__SANITIZE_THREAD__)
        QSKIP("this sanitizer knows no threads in a child of a process that has some");
#endif
        const Path file = *box_ / "library.db";
        bench::InventedLibrary invented(1000);
        {
            auto store = std::move(*library::Store::open(file));
            store->saveFiles(chunk(invented), 0, store->shelves().add("Archive", "/archive"));
        }
        auto store = std::move(*library::Store::open(file)); // opened while there was room
        QCOMPARE(withoutRoom(0,
                             [&] { // no snapshot is there, none can be left
                                 return library::searchOf(*store).searcher->count() == chunkSize ? 3 : 4;
                             }),
                 3);
        QVERIFY(!std::filesystem::exists(library::snapshotOf(file)));
    }

    void madeAnewFromWhatCanBeRead_data() {
        QTest::addColumn<int>("seed");
        for (int seed : {1, 2, 3, 4, 5, 6})
            QTest::addRow("%d", seed) << seed;
    }
    void madeAnewFromWhatCanBeRead() {
        QFETCH(int, seed);
        const Path file = *box_ / "library.db";
        constexpr size_t all = 4000;
        std::map<library::FileId, library::FileRecord> before;
        {
            bench::InventedLibrary invented(100000);
            auto store = std::move(*library::Store::open(file));
            int64_t batch = store->batches().add("Tarnholm");
            store->saveFiles(chunk(invented, all), batch, store->shelves().add("Archive", "/archive"));
            std::vector<library::DraftChange> drafts;
            for (library::FileRecord& r : store->files().all()) {
                drafts.push_back({r.id, "title", {}, library::Draft{{"Salt Road"}, "typed", 1}});
                before[r.id] = std::move(r);
            }
            store->drafts().save(drafts);
        }
        // Pages here and there are overwritten, but for the list of tables and where each of them begins.
        std::set<size_t> spared;
        {
            library::Database db(file);
            library::Statement s(db, "SELECT pageno FROM dbstat WHERE name='sqlite_schema'"
                                     " UNION SELECT rootpage FROM sqlite_schema");
            while (s.step())
                spared.insert(static_cast<size_t>(s.integer(0)));
        }
        QVERIFY(spared.size() > 40);
        std::string bytes = test::readBytes(file);
        constexpr size_t page = 4096;
        bench::Chance random(static_cast<uint64_t>(seed));
        for (int n = 0; n < 12; ++n) {
            const size_t number = random() % (bytes.size() / page); // from 0 on, where SQLite counts from 1
            if (spared.contains(number + 1)) {
                --n;
                continue;
            }
            const size_t at = number * page;
            for (size_t i = 0; i < page; ++i)
                bytes[at + i] = static_cast<char>(random());
        }
        test::writeBytes(file, bytes);
        QVERIFY(!library::damageOf(file).empty());

        auto taken = library::makeAnew(file);
        QVERIFY2(taken, taken ? "" : taken.error().message.c_str());
        QCOMPARE(library::damageOf(file), std::string());
        QVERIFY(!library::damageOf(taken->aside).empty()); // it is still there
        auto store = std::move(*library::Store::open(file));
        QVERIFY(store->settings().get(library::settings::readShelves));
        auto files = store->files().all();
        QVERIFY2(files.size() > all / 2 && files.size() < all && files.size() == taken->files,
                 qPrintable(QString::number(files.size())));
        std::set<library::FileId> there;
        for (const library::FileRecord& r : files) {
            there.insert(r.id);
            QCOMPARE(r.path, before[r.id].path);
            if (r.readable())
                QCOMPARE(r.tags.fields, before[r.id].tags.fields);
        }
        QVERIFY(store->drafts().all().size() > 100);
        for (const auto& [id, field, draft] : store->drafts().all())
            QVERIFY(there.contains(id));
        for (const library::BatchFile& f : store->batches().files(store->batches().all().front().id))
            QVERIFY(there.contains(f.file));
        QCOMPARE(library::searchOf(*store).searcher->count(), files.size());
    }

    void madeAnewFromTheCopyIfNothingElseIsLeft() {
        const Path file = *box_ / "library.db";
        bench::InventedLibrary invented(1000);
        {
            auto store = std::move(*library::Store::open(file));
            store->saveFiles(chunk(invented), 0, store->shelves().add("Archive", "/archive"));
        }
        QVERIFY(library::keepCopy(file));
        std::string bytes = test::readBytes(file); // the list of tables is on the first page
        test::writeBytes(file, bytes.substr(0, 100) + std::string(3996, 'x') + bytes.substr(4096));
        QVERIFY(!library::damageOf(file).empty());
        auto taken = library::makeAnew(file);
        QVERIFY(taken && taken->fromCopy);
        QCOMPARE(taken->files, chunkSize);
        auto store = std::move(*library::Store::open(file));
        QCOMPARE(store->shelves().all().size(), size_t{1});
        QVERIFY(store->settings().get(library::settings::readShelves));
        QCOMPARE(library::damageOf(file), std::string());
    }

    void madeAnewFromNothing() {
        const Path file = *box_ / "library.db";
        test::writeBytes(file, "This was a library once.");
        auto taken = library::makeAnew(file);
        QVERIFY(taken);
        QCOMPARE(test::readBytes(taken->aside), std::string("This was a library once."));
        QCOMPARE(taken->files, size_t{0});
        QVERIFY((*library::Store::open(file))->files().all().empty());
    }

    void lockedByAnother() {
        const Path file = *box_ / "library.db";
        auto store = std::move(*library::Store::open(file));
        bench::InventedLibrary invented(1000);
        store->saveFiles(chunk(invented), 0, store->shelves().add("Archive", "/archive"));
        auto other = std::move(*library::Store::open(file));
        QCOMPARE(library::searchOf(*other).searcher->count(), chunkSize);
        library::Transaction writing(store->database());
        store->saveFiles(chunk(invented), 0, 1);
        // Reading and searching go on, with what was there before.
        QCOMPARE(other->files().all().size(), chunkSize);
        QCOMPARE(library::searchOf(*other).searcher->count(), chunkSize);
        QCOMPARE(library::damageOf(file), std::string());
        // Who writes waits, and is told that it had to.
        other->database().execute("PRAGMA busy_timeout = 50");
        QVERIFY_THROWS_EXCEPTION(library::DatabaseError, other->settings().save("names", "ascii"));
        writing.commit();
        other->settings().save("names", "ascii");
        QCOMPARE(library::searchOf(*other).searcher->count(), 2 * chunkSize);
    }

private:
    std::unique_ptr<test::Sandbox> box_;
};

QTEST_GUILESS_MAIN(TestLibraryTroubles)
#include "test_library_troubles.moc"
