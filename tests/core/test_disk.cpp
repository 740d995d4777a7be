// SPDX-License-Identifier: GPL-3.0-or-later
// The few ways of changing the disk, and what happens when the disk, the journal or the limits say no.
#include <QtTest>

#include <csignal>
#include <fcntl.h>
#include <fstream>
#include <sys/resource.h>
#include <sys/stat.h>
#include <sys/wait.h>
#include <unistd.h>

#include "core/audio/essence.h"
#include "core/files/disk.h"
#include "core/tags/tag_io.h"
#include "support/disk_faults.h"
#include "support/needs_root.h"
#include "support/sample_files.h"
#include "support/small_disk.h"

using namespace moorfrost;

namespace {

/// Writes sets with a history in memory and a log of their own.
struct Writer {
    explicit Writer(const Path& folder) : log(std::move(*files::WriteAheadLog::open(folder / "log"))) {}
    files::SetReport write(const files::ChangeSet& set) {
        return files::carryOut(set, history, *log, {}, progress);
    }
    /// "" or the first reason why something of the set could not be taken back.
    std::string takeBack(int64_t set) {
        auto past = history.past(set);
        std::string error = files::takeBack(past, history, *log, {}, progress);
        for (const files::PastStep& p : past)
            if (p.record.state != files::StepState::TakenBack)
                return p.record.error;
        return error;
    }
    std::unique_ptr<files::WriteAheadLog> log;
    test::MemoryHistory history;
    work::Progress progress;
};

files::Step titled(const Path& source, const std::string& title, const Path& target = {}) {
    files::Step s;
    s.source = source;
    s.target = target;
    s.changes = {{"title", {title}}};
    s.expected = *files::stateOf(source);
    return s;
}

} // namespace

class TestDisk : public QObject {
    Q_OBJECT
private slots:
    void aNewFileIsNotThereUntilItIsPut() {
        test::Sandbox box;
        test::writeBytes(box / "source", "abc");
        auto source = std::move(*FileSource::open(box / "source"));
        const Recipe abc{{{false, 0, 3}}, {}}, other{{{true, 0, 5}}, "other"};
        {
            auto file = files::NewFile::create(box / "a.flac", false);
            QVERIFY_RESULT(file);
            QVERIFY(file->fill(*source, abc));
            QVERIFY(!std::filesystem::exists(box / "a.flac"));
        }
        // Given up: nothing is left behind.
        QCOMPARE(std::distance(std::filesystem::directory_iterator(box.root()), {}), 1);
        auto file = files::NewFile::create(box / "a.flac", false);
        QVERIFY(file->fill(*source, abc));
        QVERIFY(file->takeFreeName());
        QCOMPARE(test::readBytes(box / "a.flac"), std::string("abc"));
        auto second = files::NewFile::create(box / "a.flac", false);
        QVERIFY(second->fill(*source, other));
        auto taken = second->takeFreeName();
        QVERIFY(!taken);
        QCOMPARE(taken.error().kind, ErrorKind::Exists);
        QCOMPARE(test::readBytes(box / "a.flac"), std::string("abc"));
        QVERIFY(second->replaceTarget());
        QCOMPARE(test::readBytes(box / "a.flac"), std::string("other"));
    }

    void temporaryNamesFit() {
        Path longName = Path("/x") / (std::string(120, 'a') + std::string(45, '\xE5') + ".flac");
        Path twin = Path("/x") / (std::string(120, 'a') + std::string(45, '\xE5') + "2.flac");
        QVERIFY(files::temporaryName(longName, true).filename().native().size() <= 255);
        QVERIFY(files::temporaryName(longName, true) != files::temporaryName(twin, true));
        QCOMPARE(files::temporaryName("/x/a.flac", true).parent_path(), Path("/x"));
        QVERIFY(files::temporaryName("/x/a.flac", true) != files::temporaryName("/x/b.flac", true));
        // A file that is replaced while another one comes to its name: two files being made, two names.
        QVERIFY(files::temporaryName("/x/a.flac", true) != files::temporaryName("/x/a.flac", false));
    }

    void renamesNeverReplace() {
        test::Sandbox box;
        test::writeBytes(box / "a", "a");
        test::writeBytes(box / "b", "b");
        bool crossDevice = false;
        QVERIFY(!files::renameFree(box / "a", box / "b", crossDevice));
        QVERIFY(!crossDevice);
        QCOMPARE(test::readBytes(box / "b"), std::string("b"));
        QVERIFY(files::renameFree(box / "a", box / "c", crossDevice));
        QCOMPARE(test::readBytes(box / "c"), std::string("a"));
        QVERIFY(!files::renameFree(box / "a", box / "d", crossDevice));
    }

    void foldersAreMadeAndRemovedWhenEmpty() {
        test::Sandbox box;
        QCOMPARE(files::missingFolders(box / "x/y/z"),
                 (std::vector<Path>{box / "x", box / "x/y", box / "x/y/z"}));
        QVERIFY(files::makeFolders(box / "x/y/z"));
        QVERIFY(files::missingFolders(box / "x/y").empty());
        test::writeBytes(box / "file", "x");
        QVERIFY(!files::makeFolders(box / "file/below"));
        test::writeBytes(box / "x/y/keep", "x");
        QVERIFY(files::removeIfEmpty(box / "x/y/z"));
        QVERIFY(!files::removeIfEmpty(box / "x/y"));
    }

    void attributesAreKept() {
        test::Sandbox box;
        test::writeBytes(box / "old", "x");
        ::chmod((box / "old").c_str(), 0604);
        int fd = ::open((box / "old").c_str(), O_RDONLY);
        auto file = files::NewFile::create(box / "new", false);
        QVERIFY(files::io::copyAttributes(fd, file->descriptor()).empty());
        ::close(fd);
        QVERIFY(file->takeFreeName());
        struct stat st {};
        ::stat((box / "new").c_str(), &st);
        QCOMPARE(st.st_mode & 07777, mode_t{0604});
    }

    // Between two disks a move is a copy that is compared; here with what every Linux has: memory and the
    // temporary folder.
    void movesBetweenDisks() {
        test::Sandbox box;
        std::string name = "/dev/shm/moorfrost-test-XXXXXX";
        QVERIFY(::mkdtemp(name.data()));
        Path other = name;
        struct stat a {
        }, b{};
        ::stat(box.root().c_str(), &a);
        ::stat(other.c_str(), &b);
        QVERIFY2(a.st_dev != b.st_dev, "the two folders are on one disk: this shows nothing");
        Path source = test::makeSound(box.root(), "a.flac");
        std::string before = test::readBytes(source);
        timespec times[2] = {{921412800, 0}, {921412800, 0}};
        ::utimensat(AT_FDCWD, source.c_str(), times, 0);
        Writer writer(box.root());
        files::Step plain;
        plain.source = source;
        plain.target = other / "sub/a.flac";
        auto report = writer.write({"m", {plain}, {}});
        QCOMPARE(report.done, size_t{1});
        QVERIFY(!std::filesystem::exists(source));
        QVERIFY(test::readBytes(other / "sub/a.flac") == before);
        QCOMPARE(files::stateOf(other / "sub/a.flac")->modifiedNs, int64_t{921412800} * 1000000000);
        QCOMPARE(writer.takeBack(report.set), std::string());
        QVERIFY(test::readBytes(source) == before);
        QVERIFY(!std::filesystem::exists(other / "sub"));
        // With new tags on the way.
        report = writer.write({"m", {titled(source, "Gorse", other / "b.flac")}, {}});
        QCOMPARE(report.done, size_t{1});
        QCOMPARE(tags::readTags(other / "b.flac")->fields["title"].front(), std::string("Gorse"));
        QCOMPARE(writer.takeBack(report.set), std::string());
        QVERIFY(test::readBytes(source) == before);
        // A source that cannot be removed: one file must not become two.
        test::FaultyDisk disk;
        int unlinks = 0;
        {
            report = writer.write({"m", {plain}, {}});
            for (size_t i = 0; i < disk.calls.size(); ++i)
                if (disk.calls[i] == files::io::Call::Unlink)
                    unlinks = static_cast<int>(i);
            QCOMPARE(writer.takeBack(report.set), std::string());
        }
        {
            test::FaultyDisk failing(test::FaultyDisk::What::Fail, unlinks, EPERM);
            report = writer.write({"m", {plain}, {}});
            QCOMPARE(report.failed, size_t{1});
        }
        QVERIFY(test::readBytes(source) == before);
        QVERIFY(!std::filesystem::exists(other / "sub"));
        std::filesystem::remove_all(other);
    }

    void withoutAJournalNothingIsTouched() {
        for (int failAt : {0, 1}) { // beginning, what was refused
            test::Sandbox box;
            Path a = test::makeSound(box.root(), "a.flac"), b = test::makeSound(box.root(), "b.mp3");
            std::string beforeA = test::readBytes(a), beforeB = test::readBytes(b);
            Writer writer(box.root());
            writer.history.failAt = failAt;
            auto report = writer.write({"w", {titled(a, "x"), titled(b, "x", box / "c.mp3")}, {}});
            QVERIFY(report.error.find("journal") != std::string::npos);
            QCOMPARE(report.done, size_t{0});
            QVERIFY(test::readBytes(a) == beforeA);
            QVERIFY(test::readBytes(b) == beforeB);
        }
        // When it fails after the files were written, the log still knows, and the next start records it.
        test::Sandbox box;
        Path a = test::makeSound(box.root(), "a.flac");
        Writer writer(box.root());
        writer.history.failAt = 2;
        auto report = writer.write({"w", {titled(a, "x")}, {}});
        QVERIFY(report.error.find("journal") != std::string::npos);
        writer.history.failAt = -1;
        QCOMPARE(writer.history.stateOf(report.set, 0), files::StepState::Planned);
        QVERIFY(writer.history.recover(*writer.log).empty());
        QCOMPARE(writer.history.stateOf(report.set, 0), files::StepState::Done);
        QCOMPARE(writer.takeBack(report.set), std::string());
    }

    // One wait for the log, one for the files, however many files there are.
    void flushesAreShared() {
        test::Sandbox box;
        files::ChangeSet set{"w", {}, {}};
        for (int i = 0; i < 400; ++i)
            set.steps.push_back(titled(test::makeSound(box.root(), std::to_string(i) + ".flac"), "x"));
        Writer writer(box.root());
        test::FaultyDisk disk;
        QCOMPARE(writer.write(set).done, size_t{400});
        auto flushes = std::count_if(disk.calls.begin(), disk.calls.end(), [](files::io::Call c) {
            return c == files::io::Call::Flush || c == files::io::Call::FlushDisk;
        });
        // Two groups: the log and the disk each time, and the log at the end.
        QCOMPARE(flushes, 2 + 2 + 1);
        QCOMPARE(writer.history.log, (std::vector<std::string>{"begin 400", "ended 0", "ended 384",
                                                               "ended 16", "folders 0", "end"}));
    }

    // A disk that is full is what a limit on the size of files is: writing stops in the middle.
    void aDiskThatIsFull() {
        test::Sandbox box;
        Path big = test::makeSound(box.root(), "big.wav"), small = test::makeSound(box.root(), "small.opus");
        std::string beforeBig = test::readBytes(big), beforeSmall = test::readBytes(small);
        QVERIFY(beforeBig.size() > 100000 && beforeSmall.size() < 60000);
        pid_t child = ::fork();
        if (child == 0) {
            Writer writer(box.root()); // its log is made before the limit comes
            ::signal(SIGXFSZ, SIG_IGN);
            rlimit limit{100000, 100000};
            ::setrlimit(RLIMIT_FSIZE, &limit);
            auto report = writer.write({"w", {titled(big, std::string(400, 'x')), titled(small, "x")}, {}});
            bool right = report.steps[0].state == files::StepState::Failed &&
                         !report.steps[0].error.empty() && report.steps[1].state == files::StepState::Done;
            ::_exit(right ? 0 : 1);
        }
        int status = -1;
        ::waitpid(child, &status, 0);
        QCOMPARE(status, 0);
        QVERIFY(test::readBytes(big) == beforeBig);
        QVERIFY(test::readBytes(small) != beforeSmall);
        for (const auto& e : std::filesystem::directory_iterator(box.root()))
            QVERIFY2(!e.path().filename().native().starts_with(".moorfrost"), e.path().c_str());
    }

    // A real disk that runs full while it is written to, and one that turns read-only.
    void smallDisks() {
        NEEDS_ROOT;
        test::Sandbox box;
        test::SmallDisk disk(box / "small", "size=4m");
        QVERIFY2(disk.isThere(), "a small disk could not be mounted");
        Writer writer(box.root());
        std::map<Path, std::string> before;
        files::ChangeSet set{"w", {}, {}};
        for (uint32_t i = 0; i < 6; ++i) {
            Path file = test::makeSound(box / "small", std::to_string(i) + ".flac", i);
            before[file] = test::readBytes(file);
            set.steps.push_back(titled(file, std::string(20000 + i * 90000, 't')));
        }
        // Hardly anything is free, or a little more, or enough: full at every point of the way.
        int failed = 0, done = 0;
        for (size_t ballast = 3300 * 1024; ballast > 300 * 1024; ballast -= 100 * 1024) {
            std::ofstream(box / "small/ballast", std::ios::trunc) << std::string(ballast, 'b');
            std::error_code error;
            if (std::filesystem::space(box / "small", error).free == 0)
                continue; // not even the ballast fitted
            for (files::Step& s : set.steps)
                s.expected.reset();
            auto report = writer.write(set);
            QVERIFY2(report.error.empty(), report.error.c_str());
            for (const files::StepRecord& r : report.steps) {
                if (r.state != files::StepState::Done)
                    QVERIFY(test::readBytes(r.step.source) == before[r.step.source]);
                if (r.state == files::StepState::Failed)
                    QVERIFY2(r.error.find("room") != std::string::npos ||
                                 r.error.find("full") != std::string::npos,
                             r.error.c_str());
            }
            failed += static_cast<int>(report.failed);
            done += static_cast<int>(report.done);
            std::filesystem::remove(box / "small/ballast");
            QCOMPARE(writer.takeBack(report.set), std::string());
            for (const auto& [file, bytes] : before)
                QVERIFY(test::readBytes(file) == bytes);
        }
        QVERIFY2(failed > 5 && done > 5, qPrintable(QString("%1 %2").arg(failed).arg(done)));
        QVERIFY(disk.makeReadOnly());
        auto report = writer.write(set);
        QCOMPARE(report.failed, size_t{6});
        QVERIFY(report.steps[0].error.find("read-only") != std::string::npos);
        for (const auto& [file, bytes] : before)
            QVERIFY(test::readBytes(file) == bytes);
    }

    // Something else is quicker: the file is changed, replaced by a link, or gone with its folder just before
    // it is written.
    void changedWhileWriting_data() {
        QTest::addColumn<int>("what");
        QTest::newRow("changed") << 0;
        QTest::newRow("link") << 1;
        QTest::newRow("folder gone") << 2;
    }
    void changedWhileWriting() {
        QFETCH(int, what);
        int steps = 0;
        for (int at = 0; at <= steps; ++at) {
            test::Sandbox box(true);
            Path file = test::makeSound(box / "in", "a.flac"),
                 other = test::makeSound(box / "x", "b.flac", 2);
            std::string foreign = test::readBytes(other), before = test::readBytes(file);
            std::string essence = audio::essenceOf(**FileSource::open(file), audio::Format::Flac)->hash;
            Writer writer(box.root());
            files::ChangeSet set{"w", {titled(file, std::string(9000, 'x'))}, {}};
            test::FaultyDisk disk(test::FaultyDisk::What::Call, at);
            bool happened = false;
            disk.happens = [&] {
                happened = true;
                std::filesystem::rename(file, box / "moved.flac");
                if (what == 0)
                    test::writeBytes(file, foreign);
                else if (what == 1)
                    std::filesystem::create_symlink(other, file);
                else
                    std::filesystem::rename(box / "in", box / "away");
            };
            auto report = writer.write(set);
            steps = std::max(steps, disk.count());
            // Nothing of another's is ever touched, and the file itself is whole, before or after.
            QVERIFY(test::readBytes(other) == foreign);
            if (!happened)
                continue;
            // Between the last look and the exchange of names there is no call that would do both at once.
            if (what == 0 && disk.calls[static_cast<size_t>(at)] != files::io::Call::Rename)
                QVERIFY2(test::readBytes(file) == foreign, qPrintable(QString("call %1").arg(at)));
            Path there = box / "moved.flac";
            std::string now = test::readBytes(there);
            QVERIFY(now == before || tags::readTags(there)->fields["title"].front().starts_with("xxxxx"));
            QCOMPARE(audio::essenceOf(**FileSource::open(there), audio::Format::Flac)->hash, essence);
        }
        QVERIFY(steps > 4);
    }
};

QTEST_GUILESS_MAIN(TestDisk)
#include "test_disk.moc"
