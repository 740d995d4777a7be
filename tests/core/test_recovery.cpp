// SPDX-License-Identifier: GPL-3.0-or-later
// The real writer is killed at every single step of the disk, in every kind of set, and so is its recovery;
// each file must be wholly as before or wholly as asked.
#include <QtTest>

#include <sys/wait.h>
#include <unistd.h>

#include "core/audio/essence.h"
#include "core/library/writing.h"
#include "core/tags/tag_io.h"
#include "support/disk_faults.h"
#include "support/sample_files.h"
#include "support/share.h"

using namespace moorfrost;
using files::StepState;
using test::FaultyDisk;

namespace {

files::Step step(const Path& source, const tags::Fields& changes, const Path& target = {},
                 bool copy = false) {
    files::Step s;
    s.source = source;
    s.changes = changes;
    s.target = target;
    s.copy = copy;
    return s;
}

const tags::Fields small = {{"title", {"Gorse"}}};
const tags::Fields large = {{"title", {"Gorse"}}, {"comment", {std::string(20000, 'c')}}};

/// A way of using the writer: what files there are, and the sets that are written one after the other.
struct Kind {
    const char* name;
    std::vector<std::string> files;
    std::function<std::vector<files::ChangeSet>(const Path& in, const Path& other)> sets;
    bool takesBack = false; // the last of them is taken back at the end
};

std::vector<Kind> kinds() {
    auto one = [](std::vector<files::Step> steps) {
        return std::vector<files::ChangeSet>{{"set", std::move(steps), {}}};
    };
    return {
        {"in place",
         {"a.flac", "b.m4a"},
         [=](const Path& in, const Path&) {
             return one({step(in / "a.flac", small), step(in / "b.m4a", small)});
         }},
        {"tail",
         {"a.wav", "b.aiff"},
         [=](const Path& in, const Path&) {
             return one({step(in / "a.wav", large), step(in / "b.aiff", large)});
         }},
        {"rewrite",
         {"a.flac", "b.ogg", "c.mp3"},
         [=](const Path& in, const Path&) {
             return one({step(in / "a.flac", large), step(in / "b.ogg", large), step(in / "c.mp3", large)});
         }},
        {"move",
         {"a.flac", "b.opus"},
         [=](const Path& in, const Path&) {
             auto sets = one(
                 {step(in / "a.flac", {}, in / "new/deep/a.flac"), step(in / "b.opus", {}, in / "c.opus")});
             sets[0].emptied = {in};
             return sets;
         }},
        {"tags and move",
         {"a.flac", "b.mp3", "c.wav"},
         [=](const Path& in, const Path&) {
             return one({step(in / "a.flac", small, in / "new/a.flac"),
                         step(in / "b.mp3", large, in / "new/b.mp3"),
                         step(in / "c.wav", large, in / "new/c.wav")});
         }},
        {"copy",
         {"a.flac", "b.ogg"},
         [=](const Path& in, const Path&) {
             return one({step(in / "a.flac", small, in / "copies/a.flac", true),
                         step(in / "b.ogg", {}, in / "copies/b.ogg", true)});
         }},
        {"to another disk",
         {"a.flac", "b.wav"},
         [=](const Path& in, const Path& other) {
             return one({step(in / "a.flac", small, other / "shelf/a.flac"),
                         step(in / "b.wav", {}, other / "shelf/b.wav")});
         }},
        {"places exchanged",
         {"a.flac", "b.flac", "c.flac"},
         [=](const Path& in, const Path&) {
             return one({step(in / "a.flac", small, in / "b.flac"), step(in / "b.flac", large, in / "c.flac"),
                         step(in / "c.flac", {}, in / "a.flac")});
         }},
        {"several sets",
         {"a.flac", "b.mp3"},
         [=](const Path& in, const Path&) {
             return std::vector<files::ChangeSet>{
                 {"one", {step(in / "a.flac", small), step(in / "b.mp3", large)}, {}},
                 {"two", {step(in / "a.flac", {{"title", {"Again"}}}), step(in / "b.mp3", small)}, {}},
                 {"three", {step(in / "a.flac", {{"title", {"And again"}}}, in / "x/a.flac")}, {}}};
         }},
        {"taking back",
         {"a.flac", "b.mp3", "c.wav", "d.flac"},
         [=](const Path& in, const Path&) {
             return one({step(in / "a.flac", small), step(in / "b.mp3", large, in / "x/b.mp3"),
                         step(in / "c.wav", {}, in / "x/c.wav", true), step(in / "d.flac", large)});
         },
         true},
    };
}

/// A fresh place to write in: library, files, a folder on another disk.
struct Scene {
    explicit Scene(const Kind& kind) : box(true), far(false), in(box / "in"), other(far / "disk") {
        uint32_t seed = 0;
        for (const std::string& name : kind.files) {
            Path file = test::makeSound(in, name, ++seed);
            before[file] = test::readBytes(file);
        }
        std::filesystem::create_directories(other);
        QVERIFY(library::Store::open(box / "library.db"));
    }
    std::map<std::string, std::string> look() const {
        std::map<std::string, std::string> found;
        for (const Path& root : {in, other})
            if (std::filesystem::exists(root))
                for (const auto& e : std::filesystem::recursive_directory_iterator(root))
                    if (e.is_regular_file())
                        found[e.path().native()] = test::readBytes(e.path());
        return found;
    }
    test::Sandbox box, far;
    Path in, other;
    std::map<std::string, std::string> before;
};

void writeAll(const Kind& kind, const Scene& scene) {
    auto store = library::Store::open(scene.box / "library.db");
    work::Progress progress;
    int64_t last = 0;
    for (const files::ChangeSet& set : kind.sets(scene.in, scene.other))
        last = library::writeSet(**store, set, 0, {}, progress).set;
    if (kind.takesBack)
        library::takeBackSet(**store, last, std::nullopt, {}, progress);
}

/// In a process of its own, with a fault. True if it was killed by it.
bool inChild(FaultyDisk::What what, int at, const std::function<void()>& work) {
    pid_t child = ::fork();
    if (child == 0) {
        FaultyDisk disk(what, at);
        work();
        ::_exit(0);
    }
    int status = 0;
    ::waitpid(child, &status, 0);
    if (!WIFSIGNALED(status) && WEXITSTATUS(status) != 0)
        qFatal("the writer failed by itself");
    return WIFSIGNALED(status);
}

} // namespace

class TestRecovery : public QObject {
    Q_OBJECT
private slots:
    void killedAtEveryStep_data() {
        QTest::addColumn<int>("kind");
        QTest::addColumn<int>("what");
        QTest::addColumn<bool>("recoveryToo");
        std::vector<Kind> all = kinds();
        for (int k = 0; k < static_cast<int>(all.size()); ++k) {
            const char* name = all[static_cast<size_t>(k)].name;
            QTest::addRow("%s", name) << k << static_cast<int>(FaultyDisk::What::KillBefore) << false;
            QTest::addRow("%s, writes torn", name)
                << k << static_cast<int>(FaultyDisk::What::KillTorn) << false;
            QTest::addRow("%s, recovery too", name)
                << k << static_cast<int>(FaultyDisk::What::KillBefore) << true;
        }
    }
    void killedAtEveryStep() {
        QFETCH(int, kind);
        QFETCH(int, what);
        QFETCH(bool, recoveryToo);
        Kind k = kinds()[static_cast<size_t>(kind)];
        // What each step makes of its file, from a run without a fault (same bytes, other folders).
        Scene model(k);
        Kind untaken = k;
        untaken.takesBack = false;
        std::map<std::pair<int64_t, size_t>, std::string> after;
        {
            auto store = std::move(*library::Store::open(model.box / "library.db"));
            work::Progress progress;
            for (const files::ChangeSet& set : k.sets(model.in, model.other)) {
                auto outcome = library::writeSet(*store, set, 0, {}, progress);
                QVERIFY2(outcome.report.done == set.steps.size(), outcome.report.error.c_str());
                for (size_t i = 0; i < set.steps.size(); ++i)
                    after[{outcome.set, i}] = test::readBytes(
                        set.steps[i].target.empty() ? set.steps[i].source : set.steps[i].target);
            }
        }
        int killed = 0, aside = 0;
        int recoveriesKilled = 0;
        const test::Share share(kind * 3 + what + (recoveryToo ? 1 : 0));
        for (int at = share.start;; at += share.stride) {
            Scene scene(k);
            bool hit = inChild(static_cast<FaultyDisk::What>(what), at, [&] { writeAll(k, scene); });
            auto recover = [&] {
                auto store = library::Store::open(scene.box / "library.db");
                aside += static_cast<int>(library::recover(**store).setAside.size());
            };
            // Recovery is killed at its first step, started again and killed at its second, and so on, until
            // one gets to its end.
            for (int m = 0; recoveryToo && inChild(FaultyDisk::What::KillBefore, m, recover); ++m)
                ++recoveriesKilled;
            recover();
            check(scene, after);
            if (QTest::currentTestFailed()) {
                qWarning("killed at step %d, day %d", at, test::shareDay());
                return;
            }
            QCOMPARE(aside, 0);
            killed += hit;
            if (!hit)
                break;
        }
        QVERIFY2(killed >= 11 / share.stride, "the kills came too late to mean anything");
        // Of all kills; a share of them may be just those that leave nothing to do.
        QVERIFY(!recoveryToo || share.stride > 1 || recoveriesKilled >= killed);
    }

    // The disk says no at every step: one call fails, or all from some moment on.
    void theDiskFailsAtEveryStep_data() {
        QTest::addColumn<int>("kind");
        QTest::addColumn<int>("what");
        QTest::addColumn<int>("error");
        std::vector<Kind> all = kinds();
        for (int k = 0; k < static_cast<int>(all.size()); ++k) {
            const char* name = all[static_cast<size_t>(k)].name;
            QTest::addRow("%s, full", name) << k << static_cast<int>(FaultyDisk::What::Fail) << ENOSPC;
            QTest::addRow("%s, full from then on", name)
                << k << static_cast<int>(FaultyDisk::What::FailOn) << ENOSPC;
            QTest::addRow("%s, read-only from then on", name)
                << k << static_cast<int>(FaultyDisk::What::FailOn) << EROFS;
            QTest::addRow("%s, not allowed", name) << k << static_cast<int>(FaultyDisk::What::Fail) << EACCES;
            QTest::addRow("%s, damaged", name) << k << static_cast<int>(FaultyDisk::What::Fail) << EIO;
        }
    }
    void theDiskFailsAtEveryStep() {
        QFETCH(int, kind);
        QFETCH(int, what);
        QFETCH(int, error);
        Kind k = kinds()[static_cast<size_t>(kind)];
        int steps = 0;
        {
            Scene scene(k);
            FaultyDisk disk;
            writeAll(k, scene);
            steps = disk.count();
        }
        QVERIFY(steps > 5);
        const test::Share share(kind * 5 + what + error);
        for (int at = share.start; at <= steps; at += share.stride) {
            Scene scene(k);
            auto store = std::move(*library::Store::open(scene.box / "library.db"));
            std::map<std::pair<int64_t, size_t>, std::string> after;
            {
                FaultyDisk disk(static_cast<FaultyDisk::What>(what), at, error);
                work::Progress progress;
                int64_t last = 0;
                for (const files::ChangeSet& set : k.sets(scene.in, scene.other)) {
                    auto outcome = library::writeSet(*store, set, 0, {}, progress);
                    last = outcome.set;
                    for (const files::StepRecord& r : outcome.report.steps)
                        if (r.state == StepState::Failed)
                            QVERIFY(!r.error.empty());
                    if (outcome.report.failed + outcome.report.left > 0)
                        QVERIFY(outcome.report.failed > 0 || !outcome.report.error.empty());
                }
                if (k.takesBack && last > 0)
                    library::takeBackSet(*store, last, std::nullopt, {}, progress);
            }
            library::RecoveryReport report = library::recover(*store); // the disk is well again
            QVERIFY2(report.error.empty(), report.error.c_str());
            if (!report.setAside.empty())
                QFAIL(report.setAside[0].why.c_str());
            store.reset();
            check(scene, after);
            if (QTest::currentTestFailed()) {
                qWarning("failed at step %d, day %d", at, test::shareDay());
                return;
            }
        }
    }

    void whatIsNeitherIsSetAside() {
        Kind k{
            "one", {"a.flac"}, [](const Path& in, const Path&) {
                return std::vector<files::ChangeSet>{{"w", {step(in / "a.flac", large, in / "b.flac")}, {}}};
            }};
        // Killed after the new content is in place, before the move; then another program changes the file.
        int at = 0;
        std::unique_ptr<Scene> scene;
        for (bool hit = true; hit; ++at) {
            scene = std::make_unique<Scene>(k);
            hit = inChild(FaultyDisk::What::KillBefore, at, [&] { writeAll(k, *scene); });
            if (hit &&
                test::readBytes(scene->in / "a.flac") != scene->before[(scene->in / "a.flac").native()])
                break;
        }
        test::tag(scene->in / "a.flac", {{"title", {"by another program"}}});
        std::string theirs = test::readBytes(scene->in / "a.flac");
        auto store = std::move(*library::Store::open(scene->box / "library.db"));
        library::RecoveryReport report = library::recover(*store);
        QCOMPARE(report.setAside.size(), size_t{1});
        QVERIFY(report.setAside[0].why.find("left alone") != std::string::npos);
        QVERIFY(test::readBytes(scene->in / "a.flac") == theirs);
        QCOMPARE(store->journal().sets().front().setAside, size_t{1});
        QVERIFY(library::recover(*store).isEmpty()); // told once
        QCOMPARE(store->journal().asideSteps().size(), size_t{1});
        // Writing the file again ends it.
        work::Progress progress;
        QCOMPARE(
            library::writeSet(*store, {"again", {step(scene->in / "a.flac", small)}, {}}, 0, {}, progress)
                .report.done,
            size_t{1});
        QVERIFY(store->journal().asideSteps().empty());
    }

    void aDiskThatIsAwayIsWaitedFor() {
        Kind k{"one", {"a.flac"}, [](const Path& in, const Path&) {
                   return std::vector<files::ChangeSet>{{"w", {step(in / "a.flac", small)}, {}}};
               }};
        for (int at = 0;; ++at) {
            Scene scene(k);
            bool hit = inChild(FaultyDisk::What::KillBefore, at, [&] { writeAll(k, scene); });
            if (!hit)
                break;
            auto store = std::move(*library::Store::open(scene.box / "library.db"));
            std::filesystem::rename(scene.in, scene.box / "unplugged");
            library::RecoveryReport report = library::recover(*store);
            for (const library::RecoveredFile& f : report.setAside)
                QVERIFY2(f.why.find("Connect its disk") != std::string::npos, f.why.c_str());
            std::filesystem::rename(scene.box / "unplugged", scene.in);
            QCOMPARE(library::recover(*store).setAside.size(), size_t{0});
            QVERIFY(store->journal().asideSteps().empty());
            std::string now = test::readBytes(scene.in / "a.flac");
            bool old = now == scene.before[(scene.in / "a.flac").native()];
            QVERIFY(old || tags::readTags(scene.in / "a.flac")->fields["title"].front() == "Gorse");
        }
    }

private:
    /// Each file is where the library says that it is, with the bytes of that state; the sound is untouched;
    /// all that was done can be taken back.
    static void check(const Scene& scene, const std::map<std::pair<int64_t, size_t>, std::string>& after) {
        auto opened = library::Store::open(scene.box / "library.db");
        QVERIFY_RESULT(opened);
        library::Store& store = **opened;
        QVERIFY(library::recover(store).isEmpty());
        std::map<std::string, std::string> wanted = scene.before, essences;
        for (const auto& [path, bytes] : scene.before)
            essences[path] = path;
        std::vector<library::SetSummary> sets = store.journal().sets();
        std::reverse(sets.begin(), sets.end());
        for (const library::SetSummary& set : sets) {
            QVERIFY(!set.running);
            std::map<std::string, std::string> next = wanted;
            std::vector<library::SetStep> steps = store.journal().steps(set.id);
            for (const library::SetStep& s : steps)
                if (s.record.state == StepState::Done && !s.record.step.target.empty() && !s.record.step.copy)
                    next.erase(s.record.step.source.native());
            for (const library::SetStep& s : steps) {
                QVERIFY2(s.record.state != StepState::SetAside && s.record.state != StepState::Begun,
                         s.record.error.c_str());
                if (s.record.state != StepState::Done)
                    continue;
                std::string to =
                    (s.record.step.target.empty() ? s.record.step.source : s.record.step.target).native();
                auto bytes = after.find({set.id, s.number});
                next[to] = bytes == after.end() ? test::readBytes(to) : bytes->second;
            }
            wanted = next;
        }
        std::map<std::string, std::string> found = scene.look();
        for (const auto& [path, bytes] : wanted) {
            QVERIFY2(found.contains(path), ("missing: " + path).c_str());
            QVERIFY2(found[path] == bytes, ("torn: " + path).c_str());
        }
        for (const auto& [path, bytes] : found)
            QVERIFY2(wanted.contains(path), ("too much: " + path).c_str());
        // Every sound that there was is still there.
        std::multiset<std::string> sounds, still;
        auto essence = [](const std::string& path, const std::string& bytes) {
            test::Sandbox box(true);
            Path file = box / ("x" + Path(path).extension().native());
            test::writeBytes(file, bytes);
            auto source = FileSource::open(file);
            return audio::essenceOf(**source, audio::detectFormat(**source))->hash;
        };
        for (const auto& [path, bytes] : scene.before)
            sounds.insert(essence(path, bytes));
        for (const auto& [path, bytes] : found)
            still.insert(essence(path, bytes));
        QVERIFY(std::includes(still.begin(), still.end(), sounds.begin(), sounds.end()));
        work::Progress progress;
        for (const library::SetSummary& set : store.journal().sets()) {
            auto back = library::takeBackSet(store, set.id, std::nullopt, {}, progress);
            QVERIFY2(back.refused.empty(), back.refused.empty() ? "" : back.refused[0].second.c_str());
            QVERIFY2(back.error.empty(), back.error.c_str());
        }
        QVERIFY(scene.look() == scene.before);
    }
};

QTEST_GUILESS_MAIN(TestRecovery)
#include "test_recovery.moc"
