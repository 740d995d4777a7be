// SPDX-License-Identifier: GPL-3.0-or-later
// What a write asks of the disk, in which order, and what it makes of what happens between two calls: a
// crash, another program, another writer.
#include <QtTest>

#include <QProcess>

#include <csignal>
#include <fcntl.h>
#include <sys/stat.h>
#include <sys/wait.h>
#include <unistd.h>

#include "core/audio/essence.h"
#include "core/library/fixity.h"
#include "core/library/writing.h"
#include "core/tags/tag_io.h"
#include "support/counted_flushes.h"
#include "support/disk_faults.h"
#include "support/far_folder.h"
#include "support/needs_root.h"
#include "support/places.h"
#include "support/sample_files.h"
#include "support/small_disk.h"
#include "support/watched_disk.h"

using namespace moorfrost;
using files::ChangeSet;
using files::Step;
using files::StepState;
using files::io::Call;

namespace {

const tags::Fields small = {{"title", {"Gorse"}}};
const tags::Fields large = {{"title", {"Gorse"}}, {"comment", {std::string(20000, 'c')}}};

Step step(const Path& source, const tags::Fields& changes, const Path& target = {}, bool copy = false) {
    Step s;
    s.source = source;
    s.changes = changes;
    s.target = target;
    s.copy = copy;
    return s;
}

/// A library and a folder of files.
struct Scene {
    Scene() : box(true) { std::filesystem::create_directories(box / "in"); }
    Path library() const { return box / "library.db"; }
    library::WriteOutcome write(const ChangeSet& set) {
        auto store = std::move(*library::Store::open(library()));
        work::Progress progress;
        return library::writeSet(*store, set, 0, {}, progress);
    }
    library::TakeBackOutcome takeBack(int64_t set) {
        auto store = std::move(*library::Store::open(library()));
        work::Progress progress;
        return library::takeBackSet(*store, set, std::nullopt, {}, progress);
    }
    library::RecoveryReport recover() {
        auto store = std::move(*library::Store::open(library()));
        return library::recover(*store);
    }
    /// Writes in a process of its own, which is killed in front of the n-th call of this kind; false if there
    /// was none.
    bool killed(const ChangeSet& set, Call call, int n) {
        const pid_t child = ::fork();
        if (child == 0) {
            test::WatchedDisk disk;
            int seen = 0;
            disk.before_ = [&](const files::io::Event& e) {
                if (e.call == call && seen++ == n)
                    ::raise(SIGKILL);
                return 0;
            };
            write(set);
            ::_exit(0);
        }
        int status = 0;
        ::waitpid(child, &status, 0);
        return WIFSIGNALED(status);
    }
    /// All files below the folder: name and bytes. Hidden ones, too.
    std::map<std::string, std::string> look() const {
        std::map<std::string, std::string> out;
        for (const auto& e : std::filesystem::recursive_directory_iterator(box / "in"))
            if (e.is_regular_file())
                out[e.path().lexically_relative(box / "in").native()] = test::readBytes(e.path());
        return out;
    }
    test::Sandbox box;
};

} // namespace

class TestWriteCalls : public QObject {
    Q_OBJECT
private slots:
    void initTestCase() { test::CountedFlushes::begin(); }

    // The copy is on the disk under its name before the source goes, and the going is on the disk before the
    // log forgets.
    void aMoveBetweenDisksWaitsForBothFolders() {
        for (bool withTags : {false, true}) {
            test::Sandbox near;
            test::FarFolder far;
            Path source = test::makeSound(near / "in", "a.flac"), target = far / "shelf/a.flac";
            auto store = std::move(*library::Store::open(near / "library.db"));
            work::Progress progress;
            test::WatchedDisk disk;
            auto report = library::writeSet(
                              *store, {"m", {step(source, withTags ? large : tags::Fields(), target)}, {}}, 0,
                              {}, progress)
                              .report;
            QCOMPARE(report.done, size_t{1});
            const int named = disk.find(Call::Rename, target);
            QVERIFY(named > 0);
            int bytes = -1;
            for (int i = 0; i < named; ++i)
                if (disk.seen()[static_cast<size_t>(i)].call == Call::Flush)
                    bytes = i;
            QVERIFY2(bytes > 0, "the copy is not flushed before it gets its name");
            const int removed = disk.find(Call::Unlink, source);
            QVERIFY(removed > named);
            const int targetKept = disk.find(Call::FlushFolder, target.parent_path(), named);
            QVERIFY2(targetKept > named && targetKept < removed,
                     "the new name is not flushed before the old one goes");
            // The new folder is a name, too.
            const int folderKept = disk.find(Call::FlushFolder, far.root(), named);
            QVERIFY2(folderKept > named && folderKept < removed, "the new folder is not flushed");
            const int sourceKept = disk.find(Call::FlushFolder, source.parent_path(), removed);
            QVERIFY2(sourceKept > removed, "that the source has gone is not flushed");
            // What is written to the log behind that only says that the group is finished.
            for (int i = removed; i < sourceKept; ++i)
                QVERIFY(disk.seen()[static_cast<size_t>(i)].call != Call::Write);
        }
    }

    void whatTheLibraryRecordsIsOnTheDisk() {
        Scene scene;
        auto store = std::move(*library::Store::open(scene.library()));
        const int before = test::CountedFlushes::count();
        store->journal().begin({"set", {step(scene.box / "in/a.flac", small)}, {}}, 0);
        const int begun = test::CountedFlushes::count();
        QVERIFY2(begun > before, "the beginning of a set is not flushed");
        store->journal().end(1);
        QVERIFY2(test::CountedFlushes::count() > begun, "the end of a set is not flushed");
    }

    // In front of every call something else takes the place of the file. It is never written over, except
    // between the last look and the exchange of names, for which there is no call that would do both at once.
    void whatTakesThePlaceOfAFileIsNotReplaced() {
        for (const tags::Fields& changes : {small, large}) {
            int steps = 1;
            for (int at = 0; at < steps; ++at) {
                test::Sandbox box(true);
                Path file = test::makeSound(box / "in", "a.flac");
                const std::string foreign = "somebody's recording of the day", before = test::readBytes(file);
                auto log = std::move(*files::WriteAheadLog::open(box / "log"));
                test::MemoryHistory history;
                work::Progress progress;
                test::WatchedDisk disk;
                int n = 0;
                std::optional<Call> call;
                disk.before_ = [&](const files::io::Event& e) {
                    if (n++ == at) {
                        call = e.call;
                        std::filesystem::rename(file, box / "moved.flac");
                        test::writeBytes(file, foreign);
                    }
                    return 0;
                };
                auto report = files::carryOut({"w", {step(file, changes)}, {}}, history, *log, {}, progress);
                steps = std::max(steps, n);
                if (!call)
                    continue;
                if (*call != Call::Rename)
                    QVERIFY2(test::readBytes(file) == foreign,
                             qPrintable(QString("replaced, call %1").arg(static_cast<int>(*call))));
                const std::string now = test::readBytes(box / "moved.flac");
                QVERIFY(now == before ||
                        tags::readTags(box / "moved.flac")->fields["title"].front() == "Gorse");
            }
            QVERIFY(steps > 4);
        }
    }

    // Written into by another program after it was looked at: its bytes stay.
    void whatAnotherProgramWroteIntoAFileStays() {
        for (const tags::Fields& changes : {small, large}) {
            test::Sandbox box(true);
            Path file = test::makeSound(box / "in", "a.flac");
            test::tag(file, {{"title", {"Cold Slip"}}, {"comment", {"old"}}});
            std::string theirs = test::readBytes(file);
            theirs.replace(theirs.find("Cold Slip"), 9, "Night Pos");
            auto log = std::move(*files::WriteAheadLog::open(box / "log"));
            test::MemoryHistory history;
            work::Progress progress;
            test::WatchedDisk disk;
            bool written = false;
            disk.before_ = [&](const files::io::Event&) {
                if (!std::exchange(written, true)) { // all was looked at and prepared
                    const int fd = ::open(file.c_str(), O_WRONLY);
                    const auto n = ::pwrite(fd, theirs.data(), theirs.size(), 0);
                    ::close(fd);
                    if (n != static_cast<ssize_t>(theirs.size()))
                        qFatal("not written");
                }
                return 0;
            };
            auto report = files::carryOut({"w", {step(file, changes)}, {}}, history, *log, {}, progress);
            QVERIFY(written);
            QCOMPARE(report.failed, size_t{1});
            QVERIFY(report.steps[0].error.find("changed by something else") != std::string::npos);
            QVERIFY(test::readBytes(file) == theirs);
        }
    }

    // The same for the source of a move to another disk, which is removed at the end.
    void whatTakesThePlaceOfASourceIsNotRemoved() {
        int steps = 1;
        for (int at = 0; at < steps; ++at) {
            test::Sandbox box;
            test::FarFolder far;
            Path file = test::makeSound(box / "in", "a.flac");
            auto log = std::move(*files::WriteAheadLog::open(box / "log"));
            test::MemoryHistory history;
            work::Progress progress;
            test::WatchedDisk disk;
            int n = 0;
            bool atTheEnd = false;
            disk.before_ = [&](const files::io::Event& e) {
                if (n++ == at) {
                    atTheEnd = e.call == Call::Unlink && e.path == file;
                    std::filesystem::rename(file, box / "moved.flac");
                    test::writeBytes(file, "somebody's recording of the day");
                }
                return 0;
            };
            auto report =
                files::carryOut({"m", {step(file, {}, far / "a.flac")}, {}}, history, *log, {}, progress);
            steps = std::max(steps, n);
            if (atTheEnd || at >= n || std::filesystem::exists(box / "moved.flac") == false)
                continue;
            QVERIFY2(std::filesystem::exists(file), qPrintable(QString("removed, call %1").arg(at)));
            QCOMPARE(test::readBytes(file), std::string("somebody's recording of the day"));
        }
        QVERIFY(steps > 5);
    }

    // Killed when the copy on the other disk has its name and the source is still there; then the source is
    // changed.
    void recoveryLeavesASourceThatChangedMeanwhile() {
        for (bool changed : {false, true}) {
            Scene scene;
            test::FarFolder far;
            std::filesystem::create_directories(far / "shelf");
            test::Sandbox near;
            Path source = test::makeSound(near.root(), "a.flac"), target = far / "shelf/a.flac";
            const std::string before = test::readBytes(source);
            QVERIFY(scene.killed({"m", {step(source, {}, target)}, {}}, Call::Unlink, 0));
            QVERIFY(std::filesystem::exists(source) && std::filesystem::exists(target));
            if (changed)
                test::writeBytes(source, "taken again, better");
            library::RecoveryReport report = scene.recover();
            QCOMPARE(report.setAside.size(), size_t{changed});
            QVERIFY(test::readBytes(target) == before);
            if (changed)
                QCOMPARE(test::readBytes(source), std::string("taken again, better"));
            else
                QVERIFY(!std::filesystem::exists(source));
        }
    }

    // Recovery that has to make a folder again keeps it before it counts on what it moved into it.
    void recoveryKeepsTheFoldersThatItMakes() {
        Scene scene;
        const Path in = scene.box / "in", file = test::makeSound(in, "a.flac");
        const Path outer = in / "new", target = outer / "deep/a.flac";
        // The new content has its name, the move is still to come; and the power cut took the folders with
        // it.
        QVERIFY(scene.killed({"m", {step(file, large, target)}, {}}, Call::Rename, 1));
        QVERIFY(tags::readTags(file)->fields["title"].front() == "Gorse");
        std::filesystem::remove_all(outer);
        test::WatchedDisk disk;
        QVERIFY(scene.recover().setAside.empty());
        QVERIFY(std::filesystem::exists(target) && !std::filesystem::exists(file));
        const int moved = disk.find(Call::Rename, target);
        const int outerKept = disk.find(Call::FlushFolder, in, moved),
                  innerKept = disk.find(Call::FlushFolder, outer, moved),
                  nameKept = disk.find(Call::FlushFolder, target.parent_path(), moved);
        QVERIFY2(moved >= 0 && outerKept > moved, "the outer folder is not flushed");
        QVERIFY2(innerKept > outerKept, "the inner folder is not flushed behind the outer one");
        QVERIFY2(nameKept > innerKept, "the file is flushed before its folders");
    }

    // Killed in front of every change of a name; what waits under a name in between comes out of it.
    void namesInBetweenDoNotStay_data() {
        QTest::addColumn<int>("kind");
        QTest::newRow("two change places") << 0;
        QTest::newRow("three go round, one with tags") << 1;
        QTest::newRow("only the case of a letter") << 2;
        QTest::newRow("the case, on a disk that folds it") << 3;
    }
    void namesInBetweenDoNotStay() {
        QFETCH(int, kind);
        int n = 0;
        for (bool hit = true; hit; ++n) {
            Scene scene;
            const Path in = scene.box / "in";
            std::vector<std::string> names = {"a.flac", "b.flac", "c.flac"};
            names.resize(kind == 1 ? 3 : kind == 0 ? 2 : 1);
            std::map<std::string, std::string> asked;
            ChangeSet set{"s", {}, {}};
            for (uint32_t i = 0; i < names.size(); ++i)
                test::makeSound(in, names[i], i + 1);
            const auto before = scene.look();
            if (kind >= 2) {
                set.steps = {step(in / "a.flac", {}, in / "A.flac")};
                asked["A.flac"] = before.at("a.flac");
                if (kind ==
                    3) // as a disk that folds case answers: the new name is there, and is the file itself
                    std::filesystem::create_hard_link(in / "a.flac", in / "A.flac");
            } else {
                for (size_t i = 0; i < names.size(); ++i) {
                    const std::string& to = names[(i + 1) % names.size()];
                    set.steps.push_back(
                        step(in / names[i], i == 0 && kind == 1 ? large : tags::Fields(), in / to));
                    asked[to] = before.at(names[i]);
                }
            }
            const pid_t child = ::fork();
            if (child == 0) {
                test::WatchedDisk disk;
                int seen = 0;
                disk.before_ = [&](const files::io::Event& e) {
                    if (e.call == Call::Rename && seen++ == n)
                        ::raise(SIGKILL);
                    // On such a disk the other name goes with the name that goes.
                    if (kind == 3 && e.call == Call::Rename && e.to.extension() == ".parked")
                        ::unlink((in / "A.flac").c_str());
                    return 0;
                };
                scene.write(set);
                ::_exit(0);
            }
            int status = 0;
            ::waitpid(child, &status, 0);
            hit = WIFSIGNALED(status);
            library::RecoveryReport report = scene.recover();
            QVERIFY2(report.setAside.empty(), report.setAside.empty() ? "" : report.setAside[0].why.c_str());
            auto now = scene.look();
            for (const auto& [name, bytes] : now)
                QVERIFY2(!name.starts_with(".moorfrost"), name.c_str());
            QCOMPARE(now.size(), kind == 3 && n == 0 && hit ? size_t{2} : before.size());
            const bool asBefore = now.contains(names[0]) && now[names[0]] == before.at(names[0]);
            if (asBefore) {
                for (const auto& [name, bytes] : before)
                    QVERIFY2(now[name] == bytes, name.c_str());
            } else {
                for (const auto& [name, bytes] : asked)
                    QVERIFY2(now.contains(name) &&
                                 (now[name] == bytes ||
                                  tags::readTags(in / name)->fields["title"].front() == "Gorse"),
                             name.c_str());
            }
            if (!hit)
                QVERIFY(!asBefore);
        }
        QVERIFY2(n > (kind < 2 ? 3 : 1), "it was never killed");
    }

    // Killed while a file waits in between; before the next start something else takes the place that it was
    // to get.
    void whatWaitsInBetweenGoesBackIfItsPlaceIsTaken() {
        Scene scene;
        const Path in = scene.box / "in";
        test::makeSound(in, "a.flac", 1);
        const std::string mine = test::readBytes(in / "a.flac");
        std::filesystem::create_hard_link(in / "a.flac", in / "A.flac"); // as a disk that folds case answers
        const pid_t child = ::fork();
        if (child == 0) {
            test::WatchedDisk disk;
            int renames = 0;
            disk.before_ = [&](const files::io::Event& e) {
                if (e.call == Call::Rename && ++renames == 2)
                    ::raise(SIGKILL);
                return 0;
            };
            scene.write({"s", {step(in / "a.flac", {}, in / "A.flac")}, {}});
            ::_exit(0);
        }
        int status = 0;
        ::waitpid(child, &status, 0);
        QVERIFY(WIFSIGNALED(status));
        QVERIFY(!std::filesystem::exists(in / "a.flac"));
        std::filesystem::remove(in / "A.flac");
        test::writeBytes(in / "A.flac", "somebody's");
        library::RecoveryReport report = scene.recover();
        QVERIFY2(report.setAside.empty(), report.setAside.empty() ? "" : report.setAside[0].why.c_str());
        QVERIFY(test::readBytes(in / "a.flac") == mine);
        QCOMPARE(test::readBytes(in / "A.flac"), std::string("somebody's"));
        QCOMPARE(scene.look().size(), size_t{2});
    }

    // One that comes while another writes waits: two groups in one log would be put right by each other.
    void twoProgramsWriteOneAfterTheOther() {
        Scene scene;
        Path first = test::makeSound(scene.box / "in", "a.flac", 1),
             second = test::makeSound(scene.box / "in", "b.flac", 2);
        QProcess other;
        bool started = false, waited = true;
        library::WriteOutcome outcome;
        {
            test::WatchedDisk disk;
            disk.before_ = [&](const files::io::Event& e) {
                if (e.call != Call::Rename || started)
                    return 0;
                started = true; // in the middle of a group
                other.start(QString::fromStdString(test::inBuild("src/cli/moorfrost-cli").native()),
                            {"--library", QString::fromStdString(scene.library().native()), "set", "--field",
                             "title=Undertow", QString::fromStdString(second.native())});
                waited = !other.waitForFinished(1200);
                return 0;
            };
            outcome = scene.write({"first", {step(first, large)}, {}});
        }
        QVERIFY(started);
        QVERIFY2(waited, "it wrote while the other one was in the middle of it");
        QVERIFY(other.waitForFinished(30000));
        QVERIFY2(other.exitCode() == 0, other.readAllStandardError().constData());
        QCOMPARE(outcome.report.done, size_t{1});
        QCOMPARE(tags::readTags(first)->fields["title"].front(), std::string("Gorse"));
        QCOMPARE(tags::readTags(second)->fields["title"].front(), std::string("Undertow"));
        QVERIFY(scene.recover().isEmpty());
    }

    // What several files need together counts, before anything is copied.
    void roomIsCountedTogether() {
        NEEDS_ROOT;
        Scene scene;
        test::SmallDisk disk(scene.box / "small", "size=4m");
        QVERIFY2(disk.isThere(), "a small disk could not be mounted");
        ChangeSet set{"c", {}, {}};
        for (int i = 0; i < 3; ++i) {
            Path file = scene.box / "in" / ("note" + std::to_string(i) + ".txt");
            test::writeBytes(file, std::string(1400000, static_cast<char>('a' + i)));
            set.steps.push_back(step(file, {}, scene.box / "small" / file.filename(), true));
        }
        test::WatchedDisk watched;
        auto report = scene.write(set).report;
        QCOMPARE(report.done, size_t{2});
        QCOMPARE(report.failed, size_t{1});
        // With one decimal: "3 MB are needed, 2 MB are free" of 2.1 and 2.0 would be odd.
        const QRegularExpression told("[45]\\.[0-9] MB are needed, [0-9]\\.[0-9] MB are free");
        QVERIFY2(QString::fromStdString(report.steps[2].error).contains(told), report.steps[2].error.c_str());
        QVERIFY2(watched.find(Call::Create, files::temporaryName(set.steps[2].target, false)) < 0,
                 "it was begun although there is no room");
    }

    // New files beside old ones need room until they have taken their places: then the next ones get it.
    void groupsUseTheRoomOneAfterTheOther() {
        NEEDS_ROOT;
        Scene scene;
        test::SmallDisk disk(scene.box / "in", "size=32m");
        QVERIFY2(disk.isThere(), "a small disk could not be mounted");
        ChangeSet set{"w", {}, {}};
        for (uint32_t i = 0; i < 60; ++i)
            set.steps.push_back(
                step(test::makeSound(scene.box / "in", std::to_string(i) + ".flac", i), large));
        std::error_code error;
        const uint64_t one = std::filesystem::file_size(set.steps[0].source) + 60000;
        const uint64_t free = std::filesystem::space(scene.box / "in", error).free;
        const uint64_t keep = (1u << 20) + 60 * 26000 + 2 * one +
                              one / 2; // the reserve, what all grow by, two and a half files
        QVERIFY(free > keep);
        test::writeBytes(scene.box / "in/ballast", std::string(free - keep, 'b'));
        QVERIFY(60 * one > keep + one); // all of them do not fit together
        auto report = scene.write(set).report;
        for (const files::StepRecord& r : report.steps)
            QVERIFY2(r.state == StepState::Done, r.error.c_str());
    }

    // As root: the new file that takes the place of another's belongs to whom the old one did.
    void theOwnerStays() {
        NEEDS_ROOT;
        Scene scene;
        Path file = test::makeSound(scene.box / "in", "a.flac");
        QCOMPARE(::chown(file.c_str(), 1234, 2345), 0);
        auto outcome = scene.write({"w", {step(file, large)}, {}});
        QCOMPARE(outcome.report.steps[0].how, CommitClass::Rewrite);
        struct stat st {};
        QCOMPARE(::stat(file.c_str(), &st), 0);
        QCOMPARE(st.st_uid, uid_t{1234});
        QCOMPARE(st.st_gid, gid_t{2345});
        QCOMPARE(scene.takeBack(outcome.set).done, size_t{1});
        QCOMPARE(::stat(file.c_str(), &st), 0);
        QCOMPARE(st.st_uid, uid_t{1234});
    }

    // The checksum that was stored for a file is the file's, wherever it goes and comes back.
    void fixityFollowsThereAndBack() {
        Scene scene;
        Path a = test::makeSound(scene.box / "in", "a.flac", 1),
             b = test::makeSound(scene.box / "in", "b.flac", 2);
        const Path shelf = scene.box / "in/shelf/a.flac";
        auto store = std::move(*library::Store::open(scene.library()));
        for (const Path& p : {a, b})
            store->fixity().save(
                {p, audio::essenceOf(**FileSource::open(p), audio::Format::Flac)->hash, "", 1, 1});
        const std::string first = store->fixity().find(a)->essence, second = store->fixity().find(b)->essence;
        QVERIFY(first != second);
        auto moved = scene.write({"m", {step(a, small, shelf)}, {}});
        QCOMPARE(moved.report.done, size_t{1});
        QVERIFY(!store->fixity().find(a));
        QCOMPARE(store->fixity().find(shelf)->essence, first);
        QCOMPARE(scene.takeBack(moved.set).done, size_t{1});
        QVERIFY(!store->fixity().find(shelf));
        QCOMPARE(store->fixity().find(a)->essence, first);
        auto exchanged = scene.write({"x", {step(a, {}, b), step(b, {}, a)}, {}});
        QCOMPARE(exchanged.report.done, size_t{2});
        QCOMPARE(store->fixity().find(b)->essence, first);
        QCOMPARE(store->fixity().find(a)->essence, second);
        QCOMPARE(scene.takeBack(exchanged.set).done, size_t{2});
        QCOMPARE(store->fixity().find(a)->essence, first);
        QCOMPARE(store->fixity().find(b)->essence, second);
    }
};

QTEST_GUILESS_MAIN(TestWriteCalls)
#include "test_write_calls.moc"
