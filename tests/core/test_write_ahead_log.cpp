// SPDX-License-Identifier: GPL-3.0-or-later
// The group log by itself: what counts as a group, what is never taken for one.
#include <QtTest>

#define XXH_INLINE_ALL
#include <xxhash.h>

#include "core/files/patching.h"
#include "core/files/write_ahead_log.h"
#include "support/disk_faults.h"
#include "support/places.h"
#include "support/sample_files.h"

using namespace moorfrost;
using files::WriteAheadLog;

namespace {

files::NumberedStep sample(size_t number) {
    files::NumberedStep s;
    s.set = 5;
    s.number = number;
    s.takingBack = number % 2 == 1;
    s.record.step.source = Path("/music/old \xE5\xE4.flac");
    s.record.step.target = "/music/new.flac";
    s.record.step.changes = {{"title", {"Gorse \xE2\x80\x93 \"quoted\" \\ and\nmore"}}, {"artist", {}}};
    s.record.before = {{"title", {"Cold Slip"}}, {"album", {"same"}}};
    s.record.after = {{"title", {"Gorse"}}, {"album", {"same"}}};
    s.record.how = CommitClass::Tail;
    s.record.real = "/real/place.flac";
    s.record.identity = {1, UINT64_MAX, 3};
    s.record.stateBefore = {1000, -5};
    s.record.madeFolders = {"/music"};
    s.patches = {{10, "Cold", "Gors"}, {996, "tail", "a longer tail"}};
    s.record.undo = inverseOf(s.patches, 1009);
    return s;
}

bool isPending(const WriteAheadLog& log) {
    auto pending = log.pending();
    return !pending || pending->has_value();
}

} // namespace

class TestWriteAheadLog : public QObject {
    Q_OBJECT
private slots:
    void thereAndBack() {
        test::Sandbox box;
        auto log = std::move(*WriteAheadLog::open(box / "log"));
        QVERIFY(!isPending(*log));
        auto number = log->append({sample(0), sample(1)});
        QVERIFY_RESULT(number);
        log.reset();
        log = std::move(*WriteAheadLog::open(box / "log"));
        auto pending = log->pending();
        QVERIFY(pending && *pending);
        QCOMPARE((*pending)->number, *number);
        QCOMPARE((*pending)->steps.size(), size_t{2});
        const files::NumberedStep& s = (*pending)->steps[1];
        files::NumberedStep wanted = sample(1);
        QVERIFY(s.takingBack && s.set == 5 && s.number == 1);
        QVERIFY(s.patches == wanted.patches);
        QVERIFY(s.record.undo == wanted.record.undo);
        QVERIFY(s.record.step.source == wanted.record.step.source);
        QVERIFY(s.record.step.changes == wanted.record.step.changes);
        QVERIFY(s.record.identity == wanted.record.identity);
        QVERIFY(s.record.stateBefore == wanted.record.stateBefore);
        QVERIFY(s.record.real == wanted.record.real);
        // Only what differs is kept of the fields.
        QCOMPARE(s.record.before, (tags::Fields{{"title", {"Cold Slip"}}}));
        QVERIFY(log->retire(*number, true));
        QVERIFY(!isPending(*log));
        log = std::move(*WriteAheadLog::open(box / "log"));
        QVERIFY(!isPending(*log));
        QVERIFY(*log->append({sample(0)}) > *number); // numbers only grow
    }

    // A group of which any byte is missing or another never was one.
    void tornGroupsNeverWere() {
        test::Sandbox box(true);
        uint64_t size = 0;
        {
            auto log = std::move(*WriteAheadLog::open(box / "log"));
            QVERIFY(log->append({sample(0)}));
            size = WriteAheadLog::encode({sample(0)}).size() + 56;
        }
        std::string whole = test::readBytes(box / "log").substr(0, 4096 + size);
        std::mt19937 random(3);
        for (uint64_t at = 4096; at < 4096 + size; at += 1 + random() % 5) {
            std::string bytes = whole;
            bytes[at] = static_cast<char>(bytes[at] ^ (1 << random() % 8));
            test::writeBytes(box / "log", bytes);
            auto log = WriteAheadLog::open(box / "log");
            QVERIFY_RESULT(log);
            auto pending = (*log)->pending();
            QVERIFY_RESULT(pending);
            // Eight bytes of the header are kept free; they are under its checksum like all others.
            QVERIFY2(!*pending, std::to_string(at).c_str());
        }
        for (uint64_t length : {uint64_t{0}, uint64_t{100}, uint64_t{4100}, 4096 + size - 1}) {
            test::writeBytes(box / "log", whole.substr(0, length));
            auto log = WriteAheadLog::open(box / "log");
            QVERIFY_RESULT(log);
            QVERIFY(!isPending(**log));
        }
    }

    void anyBytesAreSafe() {
        std::mt19937 random(9);
        std::string good = WriteAheadLog::encode({sample(0), sample(1)});
        QVERIFY(WriteAheadLog::decode(good));
        for (int i = 0; i < 20000; ++i) {
            std::string bytes = good;
            for (size_t k = 0; k < 1 + random() % 4; ++k)
                bytes[random() % bytes.size()] = static_cast<char>(random());
            if (random() % 3 == 0)
                bytes.resize(random() % bytes.size());
            auto steps = WriteAheadLog::decode(bytes);
            if (steps) {
                QVERIFY(WriteAheadLog::encode(*WriteAheadLog::decode(WriteAheadLog::encode(*steps))) ==
                        WriteAheadLog::encode(*steps));
            }
        }
        // The seeds of the fuzzer mean something.
        for (const char* seed : {"payload"})
            QVERIFY(
                WriteAheadLog::decode(test::readBytes(test::inSources("tests/fuzz/seeds") / seed).substr(1)));
    }

    void aNewerLogIsRefused() {
        test::Sandbox box;
        QVERIFY(WriteAheadLog::open(box / "log"));
        std::string bytes = test::readBytes(box / "log");
        std::string head = bytes.substr(0, 24);
        head[8] = 2;
        test::writeBytes(box / "log", head + bytes.substr(24));
        QVERIFY(WriteAheadLog::open(box / "log")); // a bad checksum: not a header at all
        QCOMPARE(test::readBytes(box / "log")[8], '\1');
        uint64_t sum = XXH3_64bits(head.data(), head.size());
        for (int i = 0; i < 8; ++i)
            head += static_cast<char>(sum >> (8 * i));
        test::writeBytes(box / "log", head + bytes.substr(32));
        auto newer = WriteAheadLog::open(box / "log");
        QVERIFY(!newer);
        QVERIFY(newer.error().message.find("newer Moorfrost") != std::string::npos);
    }

    void whenTheDiskIsFull() {
        test::Sandbox box;
        auto log = std::move(*WriteAheadLog::open(box / "log"));
        test::FaultyDisk disk(test::FaultyDisk::What::FailOn, 0, ENOSPC);
        auto number = log->append({sample(0)});
        QVERIFY(!number);
        QCOMPARE(number.error().kind, ErrorKind::NoSpace);
        QVERIFY(!isPending(*log));
    }

    void statesOfPatches() {
        test::Sandbox box;
        auto stateOf = [&](const std::string& content, const std::vector<Patch>& patches, uint64_t oldSize) {
            test::writeBytes(box / "f", content);
            return files::patchState(files::OpenFile::open(box / "f")->descriptor(), patches, oldSize);
        };
        using enum files::PatchState;
        std::vector<Patch> inPlace{{2, "old", "new"}};
        QCOMPARE(stateOf("..old..", inPlace, 7), Old);
        QCOMPARE(stateOf("..new..", inPlace, 7), New);
        QCOMPARE(stateOf("..nld..", inPlace, 7), Mixed);
        QCOMPARE(stateOf("..xyz..", inPlace, 7), Neither);
        QCOMPARE(stateOf("..new..!", inPlace, 7), Neither); // another length
        std::vector<Patch> grows{{2, "ab", "abcdef"}};
        QCOMPARE(stateOf("..ab", grows, 4), Old);
        QCOMPARE(stateOf("..abcdef", grows, 4), New);
        QCOMPARE(stateOf("..abc", grows, 4), Mixed);
        QCOMPARE(stateOf(std::string("..ab\0\0\0\0", 8), grows, 4), Mixed); // the end moved first
        QCOMPARE(stateOf("..abxx", grows, 4), Neither);
        std::vector<Patch> shrinks{{2, "abcdef", "xy"}};
        QCOMPARE(stateOf("..abcdef", shrinks, 8), Old);
        QCOMPARE(stateOf("..xy", shrinks, 8), New);
        QCOMPARE(stateOf("..xycdef", shrinks, 8), Mixed);
        QCOMPARE(stateOf("..ab", shrinks, 8), Mixed);
        QCOMPARE(stateOf("..zz", shrinks, 8), Neither);
    }
};

QTEST_GUILESS_MAIN(TestWriteAheadLog)
#include "test_write_ahead_log.moc"
