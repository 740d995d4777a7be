// SPDX-License-Identifier: GPL-3.0-or-later
// The few ways of changing the disk, and what happens when the disk, the journal or the limits say no.
#include <QtTest>

#include <csignal>
#include <fcntl.h>
#include <sys/resource.h>
#include <sys/stat.h>
#include <sys/wait.h>
#include <unistd.h>

#include "core/files/disk.h"
#include "core/files/file_set.h"
#include "core/tags/tag_io.h"
#include "support/sample_files.h"

using namespace moorfrost;

namespace {

/// A journal in memory, which can be told to fail.
class MemoryJournal : public files::JournalSink {
public:
    int failAt = -1; // the number of the call that throws
    int calls = 0;
    std::vector<std::string> log;
    std::map<size_t, files::StepState> states;

    void begin(const files::FileSet& set) override { note("begin " + std::to_string(set.steps.size())); }
    void stepsBegun(const std::vector<std::pair<size_t, const files::StepRecord*>>& steps) override {
        note("begun " + std::to_string(steps.size()));
        for (const auto& [n, r] : steps)
            states[n] = r->state;
    }
    void stepsEnded(const std::vector<std::pair<size_t, const files::StepRecord*>>& steps) override {
        note("ended " + std::to_string(steps.size()));
        for (const auto& [n, r] : steps)
            states[n] = r->state;
    }
    void foldersRemoved(const std::vector<Path>& folders) override {
        note("folders " + std::to_string(folders.size()));
    }
    void end(bool stopped) override { note(stopped ? "stopped" : "end"); }

private:
    void note(const std::string& what) {
        if (calls++ == failAt)
            throw std::runtime_error("the disk of the journal is full");
        log.push_back(what);
    }
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
        {
            auto file = files::NewFile::create(box / "a.flac");
            QVERIFY_RESULT(file);
            QVERIFY(file->append("abc", 3));
            QVERIFY(!std::filesystem::exists(box / "a.flac"));
        }
        QVERIFY(std::filesystem::is_empty(box.root())); // given up: nothing is left behind
        auto file = files::NewFile::create(box / "a.flac");
        file->append("abc", 3);
        QVERIFY(file->flush());
        QVERIFY(file->takeFreeName());
        QCOMPARE(test::readBytes(box / "a.flac"), std::string("abc"));
        auto second = files::NewFile::create(box / "a.flac");
        second->append("other", 5);
        auto taken = second->takeFreeName();
        QVERIFY(!taken);
        QCOMPARE(taken.error().kind, ErrorKind::Exists);
        QCOMPARE(test::readBytes(box / "a.flac"), std::string("abc"));
        QVERIFY(second->replaceTarget());
        QCOMPARE(test::readBytes(box / "a.flac"), std::string("other"));
    }

    void temporaryNamesFit() {
        Path longName = Path("/x") / (std::string(120, 'a') + std::string(45, '\xE5') + ".flac");
        QVERIFY(files::temporaryName(longName).filename().native().size() <= 255);
        QCOMPARE(files::temporaryName("/x/a.flac").parent_path(), Path("/x"));
        QVERIFY(files::temporaryName("/x/a.flac") != files::temporaryName("/x/b.flac"));
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
        std::vector<Path> made;
        QVERIFY(files::makeFolders(box / "x/y/z", made));
        QCOMPARE(made, (std::vector<Path>{box / "x", box / "x/y", box / "x/y/z"}));
        made.clear();
        QVERIFY(files::makeFolders(box / "x/y", made));
        QVERIFY(made.empty());
        test::writeBytes(box / "file", "x");
        QVERIFY(!files::makeFolders(box / "file/below", made));
        test::writeBytes(box / "x/y/keep", "x");
        QVERIFY(files::removeIfEmpty(box / "x/y/z"));
        QVERIFY(!files::removeIfEmpty(box / "x/y"));
    }

    void attributesAreKept() {
        test::Sandbox box;
        test::writeBytes(box / "old", "x");
        ::chmod((box / "old").c_str(), 0604);
        int fd = ::open((box / "old").c_str(), O_RDONLY);
        auto file = files::NewFile::create(box / "new");
        file->copyAttributes(fd);
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
        files::setModified(source, int64_t{921412800} * 1000000000);
        MemoryJournal journal;
        work::Progress progress;
        files::Step plain;
        plain.source = source;
        plain.target = other / "sub/a.flac";
        auto report = files::carryOut({"m", {plain}, {}}, journal, {}, progress);
        QCOMPARE(report.done, size_t{1});
        QVERIFY(!std::filesystem::exists(source));
        QVERIFY(test::readBytes(other / "sub/a.flac") == before);
        QCOMPARE(files::stateOf(other / "sub/a.flac")->modifiedNs, int64_t{921412800} * 1000000000);
        QVERIFY(files::takeBack(report.steps[0]).done);
        QVERIFY(test::readBytes(source) == before);
        QVERIFY(!std::filesystem::exists(other / "sub"));
        // With new tags on the way.
        report =
            files::carryOut({"m", {titled(source, "Gorse", other / "b.flac")}, {}}, journal, {}, progress);
        QCOMPARE(report.done, size_t{1});
        QCOMPARE(tags::readTags(other / "b.flac")->fields["title"].front(), std::string("Gorse"));
        QVERIFY(files::takeBack(report.steps[0]).done);
        QVERIFY(test::readBytes(source) == before);
        std::filesystem::remove_all(other);
    }

    void withoutAJournalNothingIsTouched() {
        for (int failAt : {0, 1, 2}) { // beginning, what was refused, what is about to be done
            test::Sandbox box;
            Path a = test::makeSound(box.root(), "a.flac"), b = test::makeSound(box.root(), "b.mp3");
            std::string beforeA = test::readBytes(a), beforeB = test::readBytes(b);
            MemoryJournal journal;
            journal.failAt = failAt;
            work::Progress progress;
            auto report = files::carryOut({"w", {titled(a, "x"), titled(b, "x", box / "c.mp3")}, {}}, journal,
                                          {}, progress);
            QVERIFY(report.error.find("journal") != std::string::npos);
            QCOMPARE(report.done, size_t{0});
            QVERIFY(test::readBytes(a) == beforeA);
            QVERIFY(test::readBytes(b) == beforeB);
        }
    }

    void theJournalComesFirst() {
        test::Sandbox box;
        files::FileSet set{"w", {}, {}};
        for (int i = 0; i < 20; ++i)
            set.steps.push_back(titled(test::makeSound(box.root(), std::to_string(i) + ".flac"), "x"));
        MemoryJournal journal;
        work::Progress progress;
        files::carryOut(set, journal, {}, progress);
        // Two groups, each announced before it is done.
        QCOMPARE(journal.log, (std::vector<std::string>{"begin 20", "ended 0", "begun 16", "ended 16",
                                                        "begun 4", "ended 4", "folders 0", "end"}));
        for (const auto& [n, state] : journal.states)
            QCOMPARE(state, files::StepState::Done);
    }

    // A disk that is full is what a limit on the size of files is: writing stops in the middle.
    void aDiskThatIsFull() {
        test::Sandbox box;
        Path big = test::makeSound(box.root(), "big.wav"), small = test::makeSound(box.root(), "small.opus");
        std::string beforeBig = test::readBytes(big), beforeSmall = test::readBytes(small);
        QVERIFY(beforeBig.size() > 100000 && beforeSmall.size() < 60000);
        pid_t child = ::fork();
        if (child == 0) {
            ::signal(SIGXFSZ, SIG_IGN);
            rlimit limit{100000, 100000};
            ::setrlimit(RLIMIT_FSIZE, &limit);
            MemoryJournal journal;
            work::Progress progress;
            auto report =
                files::carryOut({"w", {titled(big, "x"), titled(small, "x")}, {}}, journal, {}, progress);
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

    void settlingAfterACrash() {
        test::Sandbox box;
        Path file = test::makeSound(box.root(), "a.flac");
        std::string before = test::readBytes(file);
        MemoryJournal journal;
        work::Progress progress;
        auto done =
            files::carryOut({"w", {titled(file, "x", box / "shelf/b.flac")}, {}}, journal, {}, progress)
                .steps[0];
        std::string after = test::readBytes(box / "shelf/b.flac");
        // As it would be found: begun, with the disk in each possible state.
        auto found = [&](const std::string& source, const std::string& target) {
            std::filesystem::remove(box / "a.flac");
            std::filesystem::remove(box / "shelf/b.flac");
            if (!source.empty())
                test::writeBytes(box / "a.flac", source);
            if (!target.empty())
                test::writeBytes(box / "shelf/b.flac", target);
            test::writeBytes(files::temporaryName(box / "a.flac"), "half made");
            files::StepRecord record = done;
            record.state = files::StepState::Begun;
            files::StepState state = files::settle(record);
            if (std::filesystem::exists(files::temporaryName(box / "a.flac")))
                qFatal("the half-made file was left");
            return state;
        };
        QCOMPARE(found(before, ""), files::StepState::Planned); // nothing had happened
        QVERIFY(test::readBytes(box / "a.flac") == before);
        QCOMPARE(found(after, ""), files::StepState::Done); // tags written, not moved: the move is finished
        QVERIFY(test::readBytes(box / "shelf/b.flac") == after);
        QVERIFY(!std::filesystem::exists(box / "a.flac"));
        QCOMPARE(found("", after), files::StepState::Done);
        // A file that somebody put at the target meanwhile is left alone.
        QCOMPARE(found(before, "somebody's"), files::StepState::Planned);
        QCOMPARE(test::readBytes(box / "shelf/b.flac"), std::string("somebody's"));
        QVERIFY(test::readBytes(box / "a.flac") == before);
    }
};

QTEST_GUILESS_MAIN(TestDisk)
#include "test_disk.moc"
