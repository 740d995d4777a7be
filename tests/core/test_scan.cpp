// SPDX-License-Identifier: GPL-3.0-or-later
#include <QtTest>

#include <future>

#include <sys/stat.h>

#include "core/files/scan.h"
#include "core/work/jobs.h"
#include "support/sample_files.h"

using namespace moorfrost;

namespace {
std::map<std::string, files::ScannedFile> scanned(const std::vector<Path>& roots, bool subfolders,
                                                  files::ScanSummary* summary = nullptr,
                                                  unsigned threads = 2) {
    std::map<std::string, files::ScannedFile> out;
    work::Progress progress;
    auto s = files::scan(roots, {subfolders, threads}, {}, progress,
                         [&](files::ScannedFile f) { out[f.path.filename().native()] = f; });
    if (summary)
        *summary = s;
    return out;
}
} // namespace

class TestScan : public QObject {
    Q_OBJECT
private slots:
    void foldersWithAndWithout() {
        test::Sandbox box;
        test::makeSound(box.root(), "a.mp3");
        test::makeSound(box / "sub/deeper", "b.flac");
        test::writeBytes(box / "notes.txt", "x");
        files::ScanSummary summary;
        QCOMPARE(scanned({box.root()}, true, &summary).size(), size_t{2});
        QCOMPARE(summary.read, uint64_t{2});
        QCOMPARE(summary.others, uint64_t{1});
        QCOMPARE(scanned({box.root()}, false).size(), size_t{1});
        QCOMPARE(scanned({box / "a.mp3", box.root(), box.root() / "."}, false).size(),
                 size_t{1}); // once, however it is named
    }

    void oddThingsGetAReason_data() {
        QTest::addColumn<QString>("name");
        QTest::addColumn<QString>("mentions");
        QTest::newRow("zero bytes") << "zero.mp3"
                                    << "empty";
        QTest::newRow("text") << "letter.wav"
                              << "not sound";
        QTest::newRow("cut short") << "cut.m4a"
                                   << "cut short";
        QTest::newRow("loop") << "loop.ogg"
                              << "circle";
        QTest::newRow("pipe") << "pipe.flac"
                              << "pipe";
        QTest::newRow("folder") << "folder.mp3"
                                << "folder that is named like";
        QTest::newRow("device") << "device.wav"
                                << "device";
        QTest::newRow("socket") << "socket.mp3"
                                << "socket";
        QTest::newRow("broken link") << "nowhere.mp3"
                                     << "not there";
    }
    void oddThingsGetAReason() {
        QFETCH(QString, name);
        QFETCH(QString, mentions);
        test::Sandbox box;
        test::writeBytes(box / "zero.mp3", "");
        test::writeBytes(box / "letter.wav", "Dear archive");
        std::string m4a = test::readBytes(test::makeSound(box / "other", "x.m4a"));
        test::writeBytes(box / "cut.m4a", m4a.substr(0, m4a.size() / 2));
        std::filesystem::create_symlink("loop.ogg", box / "loop.ogg");
        std::filesystem::create_symlink("nothing", box / "nowhere.mp3");
        ::mkfifo((box / "pipe.flac").c_str(), 0600);
        ::mknod((box / "socket.mp3").c_str(), S_IFSOCK | 0600, 0);
        std::filesystem::create_symlink("/dev/zero", box / "device.wav");
        std::filesystem::create_directories(box / "folder.mp3");
        test::makeSound(box.root(), "fine.flac");
        auto all = scanned({box.root()}, false);
        QVERIFY(!all["folder.mp3"].tags);
        QVERIFY(all["fine.flac"].tags);
        QVERIFY2(QString::fromStdString(all[name.toStdString()].error).contains(mentions),
                 all[name.toStdString()].error.c_str());
    }

    void filesThatAreMostlyHoles() {
        test::Sandbox box;
        for (const char* ending : {".mp3", ".flac", ".ogg", ".wav", ".m4a", ".aiff", ".opus"}) {
            Path file = test::makeSound(box.root(), std::string("a") + ending);
            std::filesystem::resize_file(file, uint64_t{6} << 30);
            Path empty = box / (std::string("empty") + ending);
            test::writeBytes(empty, "");
            std::filesystem::resize_file(empty, uint64_t{6} << 30);
        }
        auto all = scanned({box.root()}, false);
        QCOMPARE(all.size(), size_t{14});
        for (const auto& [name, file] : all) {
            std::string told = file.error;
            if (file.tags)
                for (const std::string& note : file.tags->notes)
                    told += note;
            QVERIFY2(told.find("holes") != std::string::npos, name.c_str());
            QVERIFY2(told.find("took too long") == std::string::npos, name.c_str());
        }
        QVERIFY(all["a.wav"].tags && all["a.wav"].tags->damaged);
        QVERIFY(std::abs(all["a.wav"].tags->facts.duration - 1.5) < 0.1);
    }

    void namesThatAreOdd() {
        test::Sandbox box;
        std::string flac = test::readBytes(test::makeSound(box / "x", "a.flac"));
        std::string nfc = "Bl\u00E5.flac", nfd = "Bla\u030A.flac", longest(250, 'n');
        for (const std::string& name : {nfc, nfd, longest + ".flac", std::string("two\nlines.flac")})
            test::writeBytes(box / "in" / name, flac);
        std::filesystem::create_symlink(box / "x/a.flac", box / "in/link.flac");
        auto all = scanned({box / "in"}, false);
        QCOMPARE(all.size(), size_t{5});
        auto says = [&](const std::string& name, const char* what) {
            for (const std::string& note : all[name].tags->notes)
                if (note.find(what) != std::string::npos)
                    return true;
            return false;
        };
        QVERIFY(says(nfc, "another Unicode form") && says(nfd, "another Unicode form"));
        QVERIFY(says("two\nlines.flac", "line break"));
        QVERIFY(says("link.flac", "a link to"));
        QVERIFY(all[longest + ".flac"].tags);
    }

    void foldersThatLeadRoundAreReadOnce() {
        test::Sandbox box;
        test::makeSound(box / "a/b", "x.mp3");
        std::filesystem::create_directory_symlink("..", box / "a/b/up");
        std::filesystem::create_directory_symlink(box / "a", box / "again");
        QCOMPARE(scanned({box.root()}, true).size(), size_t{1});
    }

    void missingStartingPoint() {
        files::ScanSummary summary;
        auto all = scanned({"/nowhere/at/all"}, true, &summary);
        QCOMPARE(summary.failed, uint64_t{1});
        QVERIFY(all.begin()->second.error.find("not there") != std::string::npos);
    }

    void bytesOfPathsAreKept() {
        test::Sandbox box;
        Path odd = box / "\xFF\xFE caf\xE9.wav";
        std::filesystem::rename(test::makeSound(box.root(), "a.wav"), odd);
        auto all = scanned({box.root()}, true);
        QCOMPARE(all.size(), size_t{1});
        QCOMPARE(all.begin()->second.path.native(), odd.native());
    }

    void stopping() {
        test::Sandbox box;
        for (int i = 0; i < 50; ++i)
            test::makeSound(box.root(), std::to_string(i) + ".flac");
        std::atomic<int> found = 0;
        std::stop_source stop;
        work::Progress progress;
        const files::ScanSummary summary =
            files::scan({box.root()}, {true, 2}, stop.get_token(), progress, [&](files::ScannedFile) {
                if (++found == 5)
                    stop.request_stop();
            });
        QVERIFY(summary.stopped);
        QVERIFY(found < 50);
        QCOMPARE(progress.state().total, uint64_t{50});
    }

    /// Whatever throws, all threads end, and it comes out.
    void whatThrowsEndsTheReading_data() {
        QTest::addColumn<int>("where");
        QTest::newRow("asking what is known") << 0;
        QTest::newRow("taking what was read") << 1;
        QTest::newRow("taking what is as it was") << 2;
    }
    void whatThrowsEndsTheReading() {
        QFETCH(int, where);
        test::Sandbox box;
        for (int i = 0; i < 60; ++i)
            test::makeSound(box.root(), std::to_string(i) + ".flac");
        std::atomic<int> asked = 0;
        auto fail = [&](int here) {
            if (here == where && ++asked == 7)
                throw Failure({ErrorKind::Damaged, {}, "The file of the library is damaged."});
        };
        files::ScanOptions options{true, 3};
        options.known = [&](const Path& path) -> std::optional<files::FileState> {
            fail(0);
            return where == 2 ? std::optional(*files::stateOf(path)) : std::nullopt;
        };
        work::Progress progress;
        QVERIFY_THROWS_EXCEPTION(Failure,
                                 files::scan(
                                     {box.root()}, options, {}, progress,
                                     [&](files::ScannedFile) { fail(1); }, [&](const Path&) { fail(2); }));
        QCOMPARE(scanned({box.root()}, true).size(), size_t{60}); // the reading processes are of use still
    }

    void sameResultsWhateverTheThreads() {
        test::Sandbox box;
        for (const std::string& e : test::endings())
            test::tag(test::makeSound(box.root(), "x" + e), {{"title", {"Song " + e}}});
        auto one = scanned({box.root()}, true, nullptr, 1), four = scanned({box.root()}, true, nullptr, 4);
        QCOMPARE(one.size(), four.size());
        for (const auto& [name, file] : one)
            QCOMPARE(file.tags->fields, four[name].tags->fields);
    }
};

QTEST_GUILESS_MAIN(TestScan)
#include "test_scan.moc"
