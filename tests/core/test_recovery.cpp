// SPDX-License-Identifier: GPL-3.0-or-later
// A writer that is killed: forked, ended at a random moment, then recovered. Every file is wholly old or
// wholly new.
#include <QtTest>

#include <csignal>
#include <sys/wait.h>
#include <unistd.h>

#include "core/library/writing.h"
#include "core/tags/tag_io.h"
#include "support/sample_files.h"

using namespace moorfrost;
using files::StepState;

class TestRecovery : public QObject {
    Q_OBJECT
private slots:
    void killedAnywhere() {
        int interrupted = 0;
        for (int round = 0; round < 30; ++round) {
            test::Sandbox box;
            Path library = box / "library.db";
            QVERIFY_RESULT(library::Store::open(library)); // the tables are there before
            files::FileSet set{"Put away", {}, {}};
            std::map<Path, std::string> before;
            for (size_t i = 0; i < 28; ++i) {
                const std::string& e = test::endings()[i % test::endings().size()];
                Path file =
                    test::makeSound(box / "in", std::to_string(i) + e, 1 + static_cast<uint32_t>(i % 3));
                before[file] = test::readBytes(file);
                files::Step step;
                step.source = file;
                step.expected = *files::stateOf(file);
                step.changes = {{"title", {"Night Post " + std::to_string(i)}}};
                if (i % 2)
                    step.target = box / "shelf" / (std::to_string(i) + e);
                set.steps.push_back(step);
            }
            pid_t child = ::fork();
            if (child == 0) {
                auto store = library::Store::open(library);
                work::Progress progress;
                library::writeSet(**store, set, 0, {}, progress);
                ::_exit(0);
            }
            ::usleep(static_cast<useconds_t>(2000 + round * 2500));
            ::kill(child, SIGKILL);
            int status = 0;
            ::waitpid(child, &status, 0);
            interrupted += WIFSIGNALED(status) ? 1 : 0;

            auto opened = library::Store::open(library);
            QVERIFY_RESULT(opened);
            library::Store& store = **opened;
            library::recover(store);
            QVERIFY(library::recover(store).isEmpty()); // a second time there is nothing left to do
            if (store.sets().empty()) {
                for (const auto& [path, bytes] : before)
                    QVERIFY(test::readBytes(path) == bytes);
                continue;
            }
            QVERIFY(!store.sets().front().running);
            size_t done = 0;
            for (const library::SetStep& s : store.steps(store.sets().front().id)) {
                const files::StepRecord& r = s.record;
                bool isDone = r.state == StepState::Done;
                done += isDone;
                Path now = isDone && !r.step.target.empty() ? r.step.target : r.step.source;
                Path other = now == r.step.source ? r.step.target : r.step.source;
                QVERIFY2(std::filesystem::exists(now), now.c_str());
                QVERIFY(other.empty() || !std::filesystem::exists(other));
                if (!isDone)
                    QVERIFY2(test::readBytes(now) == before[r.step.source], now.c_str());
                else
                    QVERIFY(tags::readTags(now)->fields["title"].front().starts_with("Night Post"));
            }
            for (const auto& e : std::filesystem::recursive_directory_iterator(box.root()))
                QVERIFY2(!e.path().filename().native().starts_with(".moorfrost"), e.path().c_str());
            // And all of it can still be taken back.
            work::Progress progress;
            auto back = library::takeBackSet(store, store.sets().front().id, std::nullopt, {}, progress);
            QCOMPARE(back.done, done);
            for (const auto& [path, bytes] : before)
                QVERIFY2(test::readBytes(path) == bytes, path.c_str());
        }
        QVERIFY2(interrupted >= 5, "the kills came too late to mean anything");
    }
};

QTEST_GUILESS_MAIN(TestRecovery)
#include "test_recovery.moc"
