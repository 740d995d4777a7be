// SPDX-License-Identifier: GPL-3.0-or-later
// The library's thread: order, what cannot be opened, writes that fail and are kept.
#include <QtTest>

#include <atomic>
#include <future>

#include "core/library/library_thread.h"
#include "support/delivered.h"
#include "support/sample_files.h"

using namespace moorfrost;
using test::Delivered;

class TestLibraryThread : public QObject {
    Q_OBJECT
private slots:
    void theLibraryDoesAllInOrder() {
        test::Sandbox box;
        std::vector<int> order;
        QString refused;
        Delivered delivered;
        {
            library::LibraryThread thread(box / "library.db", delivered.take());
            for (int i = 0; i < 50; ++i)
                thread.read([&order, i](library::Store&) { order.push_back(i); }, [](Status) {});
            thread.write([](library::Store& store) { store.settings().save("a", "1"); }, [](Status) {});
            thread.write([](library::Store& store) { store.database().execute("NOT SQL AT ALL"); },
                         [&](Status s) { refused = QString::fromStdString(s.error().message); });
            thread.read([&order](library::Store&) { order.push_back(50); }, [](Status) {});
            thread.read([](library::Store& store) { return store.settings().find("a"); },
                        [](Result<std::string> a) { QCOMPARE(*a, std::string("1")); });
        } // waits
        for (int i = 0; i < 54; ++i)
            delivered.one();
        QCOMPARE(order.size(), size_t{51});
        QVERIFY(std::is_sorted(order.begin(), order.end()));
        QVERIFY2(refused.contains("refuses"), qPrintable(refused)); // it fails alone: it makes no sense
    }

    void aLibraryThatCannotBeOpenedIsToldToAllWhoAsk() {
        test::Sandbox box;
        test::writeBytes(box / "library.db",
                         "this is a letter, not a library, and it is long enough to be looked at");
        QStringList told;
        auto tell = [&](Status s) { told << QString::fromStdString(s.error().message); };
        Delivered delivered;
        {
            library::LibraryThread thread(box / "library.db", delivered.take());
            thread.read([](library::Store&) { qFatal("there is no store"); }, tell);
            thread.write([](library::Store&) { qFatal("there is no store"); }, tell);
        }
        delivered.one();
        delivered.one();
        QCOMPARE(told.size(), 2);
        for (const QString& sentence : told)
            QVERIFY2(sentence.contains("cannot be opened"), qPrintable(sentence));
        QVERIFY(test::readBytes(box / "library.db").starts_with("this is a letter")); // and it was left alone
    }

    void aWriteThatFailsIsKeptUntilItSucceeds() {
        test::Sandbox box;
        std::atomic<bool> full = true;
        std::atomic<int> tried = 0;
        QStringList done;
        Delivered delivered;
        library::LibraryThread thread(box / "library.db", delivered.take(), {}, std::chrono::hours(1));
        thread.write(
            [&](library::Store& store) {
                ++tried;
                if (full)
                    throw library::DatabaseError(ErrorKind::NoSpace, "The disk is full.");
                store.settings().save("a", "first");
            },
            [&](Status s) { done << (s ? "first" : "first failed"); });
        // Behind it, so that the library ends with the later one.
        thread.write([](library::Store& store) { store.settings().save("a", "second"); },
                     [&](Status) { done << "second"; });
        // What only reads does not wait.
        thread.read([](library::Store& store) { return store.settings().find("a"); },
                    [&](Result<std::string> a) { done << "read " + QString::fromStdString(*a); });
        delivered.one();
        QCOMPARE(done, QStringList{"read "});
        QVERIFY(thread.trouble());
        QCOMPARE(thread.trouble()->sentence, std::string("The disk is full."));
        QCOMPARE(thread.trouble()->unsaved, size_t{2});
        QTRY_VERIFY(thread.isIdle());
        thread.retry();
        QTRY_COMPARE(tried.load(), 2);
        QVERIFY(thread.trouble());
        full = false;
        thread.retry();
        delivered.one();
        delivered.one();
        QCOMPARE(done, QStringList({"read ", "first", "second"}));
        QTRY_VERIFY(!thread.trouble());
        thread.read([](library::Store& store) { return store.settings().find("a"); },
                    [&](Result<std::string> a) { QCOMPARE(*a, std::string("second")); });
        delivered.one();
    }

    void whatCanNeverBeWrittenIsNotInTheWay() {
        test::Sandbox box;
        QStringList done;
        Delivered delivered;
        library::LibraryThread thread(box / "library.db", delivered.take(), {}, std::chrono::hours(1));
        auto tell = [&](Status s) { done << (s ? "written" : QString::fromStdString(s.error().message)); };
        thread.write([](library::Store&) { throw std::out_of_range("a slip of ours"); }, tell);
        thread.write([](library::Store& store) { store.settings().save("a", "1"); }, tell);
        delivered.one();
        delivered.one();
        QCOMPARE(done, QStringList({"Something unexpected went wrong: a slip of ours.", "written"}));
        QVERIFY(!thread.trouble());
    }

    void itIsTriedAgainByItself() {
        test::Sandbox box;
        std::atomic<int> tried = 0;
        Delivered delivered;
        std::atomic<int> told = 0;
        library::LibraryThread thread(
            box / "library.db", delivered.take(), [&] { ++told; }, std::chrono::milliseconds(10));
        bool written = false;
        thread.write(
            [&](library::Store&) {
                if (++tried < 4)
                    throw library::DatabaseError(ErrorKind::Io, "The disk fails.");
            },
            [&](Status s) { written = static_cast<bool>(s); });
        while (!written)
            delivered.one();
        QCOMPARE(tried.load(), 4);
        QTRY_VERIFY(!thread.trouble());
    }

    void aRetryWhileItIsTriedIsNotLost() {
        test::Sandbox box;
        std::atomic<int> tried = 0;
        Delivered delivered;
        std::promise<library::LibraryThread*> known;
        auto self = known.get_future().share();
        library::LibraryThread thread(box / "library.db", delivered.take(), {}, std::chrono::hours(1));
        known.set_value(&thread);
        bool written = false;
        thread.write(
            [&](library::Store&) {
                if (++tried == 1) {
                    self.get()->retry(); // just before it is known that it failed
                    throw library::DatabaseError(ErrorKind::Io, "The disk fails.");
                }
            },
            [&](Status s) { written = static_cast<bool>(s); });
        delivered.one();
        QVERIFY(written);
        QCOMPARE(tried.load(), 2);
    }

    void theEndTriesOnceMoreAndGivesUp() {
        test::Sandbox box;
        std::atomic<int> tried = 0;
        Delivered delivered;
        {
            library::LibraryThread thread(box / "library.db", delivered.take(), {}, std::chrono::hours(1));
            auto fail = [&](library::Store&) {
                ++tried;
                throw library::DatabaseError(ErrorKind::NoSpace, "The disk is full.");
            };
            thread.write(fail, [](Status) {});
            thread.write(fail, [](Status) {});
            QTRY_VERIFY(thread.trouble());
        }
        QCOMPARE(tried.load(), 2); // the first one, twice
    }
};

QTEST_GUILESS_MAIN(TestLibraryThread)
#include "test_library_thread.moc"
