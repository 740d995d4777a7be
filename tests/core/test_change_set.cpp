// SPDX-License-Identifier: GPL-3.0-or-later
// Carrying out and taking back, with real files of every format.
#include <QtTest>

#include <fcntl.h>
#include <sys/stat.h>
#include <sys/wait.h>
#include <sys/xattr.h>
#include <unistd.h>

#include "core/audio/essence.h"
#include "core/files/io.h"
#include "core/library/writing.h"
#include "core/tags/tag_io.h"
#include "support/kept_folder.h"
#include "support/sample_files.h"

using namespace moorfrost;
using files::ChangeSet;
using files::Step;
using files::StepState;

namespace {
Step step(const Path& source, const tags::Fields& changes, const Path& target = {}) {
    Step s;
    s.source = source;
    s.changes = changes;
    s.target = target;
    s.expected = *files::stateOf(source);
    return s;
}
} // namespace

class TestFileSet : public QObject {
    Q_OBJECT
private slots:
    void init() {
        box_ = std::make_unique<test::Sandbox>();
        auto store = library::Store::open(*box_ / "library.db");
        QVERIFY_RESULT(store);
        store_ = std::move(*store);
    }
    void cleanup() { store_.reset(); }

    library::WriteOutcome write(const ChangeSet& set, std::stop_token stop = {}) {
        work::Progress progress;
        return library::writeSet(*store_, set, 0, stop, progress);
    }
    library::TakeBackOutcome takeBack(int64_t set, std::optional<std::set<size_t>> only = {}) {
        work::Progress progress;
        return library::takeBackSet(*store_, set, only, {}, progress);
    }

    void tagsAndPlacesThereAndBack() {
        ChangeSet set{"Put away", {}, {*box_ / "in"}};
        std::map<Path, std::string> before;
        for (const std::string& e : test::endings()) {
            Path file = test::makeSound(*box_ / "in", "song" + e);
            test::tag(file, {{"title", {"Old"}}, {"comment", {std::string(300, 'c')}}});
            before[file] = test::readBytes(file);
            set.steps.push_back(step(file,
                                     {{"title", {"Gorse"}}, {"comment", {}}, {"artist", {"Isla Varnholt"}}},
                                     *box_ / "shelf/Isla Varnholt" / ("Gorse" + e)));
        }
        auto outcome = write(set);
        QCOMPARE(outcome.report.done, before.size());
        QVERIFY(!std::filesystem::exists(*box_ / "in"));
        for (const std::string& e : test::endings()) {
            auto read = tags::readTags(*box_ / "shelf/Isla Varnholt" / ("Gorse" + e));
            QVERIFY_RESULT(read);
            QCOMPARE(read->fields["title"].front(), std::string("Gorse"));
            QVERIFY(!read->fields.contains("comment"));
        }
        auto back = takeBack(outcome.set);
        QCOMPARE(back.done, before.size());
        for (const auto& [file, bytes] : before)
            QVERIFY2(test::readBytes(file) == bytes, file.c_str());
        QVERIFY(!std::filesystem::exists(*box_ / "shelf"));
        QCOMPARE(store_->journal().sets().front().takenBack, before.size());
    }

    void timesModeAndAttributesSurvive() {
        // Where extended attributes are kept: the temporary folder may lie on a disk that has none.
        std::optional<test::KeptFolder> beside;
        Path file = test::makeSound(box_->root(), "a.flac");
        auto setNote = [&] { return ::setxattr(file.c_str(), "user.note", "kept", 4, 0) == 0; };
        if (!setNote()) {
            file = test::makeSound(beside.emplace().root(), "a.flac");
            QVERIFY2(setNote(), "neither the temporary folder nor the build keeps extended attributes");
        }
        ::chmod(file.c_str(), 0640);
        timespec times[2] = {{1000, 0}, {921412800, 5}};
        ::utimensat(AT_FDCWD, file.c_str(), times, 0);
        auto outcome = write({"w", {step(file, {{"title", {"x"}}})}, {}});
        QCOMPARE(outcome.report.done, size_t{1});
        struct stat st {};
        ::stat(file.c_str(), &st);
        QCOMPARE(st.st_mode & 0777, mode_t{0640});
        char value[8] = {};
        QCOMPARE(::getxattr(file.c_str(), "user.note", value, sizeof value), ssize_t{4});
        takeBack(outcome.set);
        QCOMPARE(files::stateOf(file)->modifiedNs, int64_t{921412800} * 1000000000 + 5);
    }

    void oneTroubleStopsOnlyItself() {
        Path fine = test::makeSound(box_->root(), "fine.mp3"),
             gone = test::makeSound(box_->root(), "gone.mp3", 2),
             changed = test::makeSound(box_->root(), "changed.mp3", 3),
             taken = test::makeSound(box_->root(), "taken.mp3", 4),
             broken = test::makeSound(box_->root(), "broken.wav", 5);
        ChangeSet set{"w", {}, {}};
        for (const Path& p : {fine, gone, changed, taken, broken})
            set.steps.push_back(step(p, {{"title", {"x"}}}));
        set.steps[3].target = *box_ / "occupied.mp3";
        test::writeBytes(*box_ / "occupied.mp3", "somebody's");
        std::filesystem::remove(gone);
        test::tag(changed, {{"title", {"by another program"}}});
        std::string cut = test::readBytes(broken).substr(0, 20000);
        test::writeBytes(broken, cut);
        set.steps[4].expected = *files::stateOf(broken);
        std::string takenBytes = test::readBytes(taken);
        auto report = write(set).report;
        QCOMPARE(report.done, size_t{1});
        QCOMPARE(report.failed, size_t{4});
        QVERIFY(report.steps[1].error.find("not there") != std::string::npos);
        QVERIFY(report.steps[2].error.find("changed by something else") != std::string::npos);
        QVERIFY(report.steps[3].error.find("overwritten") != std::string::npos);
        QVERIFY(report.steps[4].error.find("cut short") != std::string::npos);
        QVERIFY(test::readBytes(taken) == takenBytes);
        QCOMPARE(test::readBytes(*box_ / "occupied.mp3"), std::string("somebody's"));
        QVERIFY(test::readBytes(broken) == cut);
    }

    void readOnlyFilesAndFolders() {
        // Root may write anywhere: the work is done in a child without its rights.
        Path locked = *box_ / "locked", open = *box_ / "open";
        Path inLocked = test::makeSound(locked, "a.flac"), readOnly = test::makeSound(open, "b.flac");
        ::chmod(readOnly.c_str(), 0444);
        ::chmod(locked.c_str(), 0555);
        ::chmod(open.c_str(), 0777);
        ::chmod(box_->root().c_str(), 0777);
        store_.reset();
        pid_t child = ::fork();
        if (child == 0) {
            if (::geteuid() == 0 && ::setuid(65534) != 0)
                ::_exit(3);
            auto store = library::Store::open(*box_ / "child.db");
            work::Progress progress;
            ChangeSet set{"w", {step(inLocked, {{"title", {"x"}}}), step(readOnly, {{"title", {"x"}}})}, {}};
            auto report = library::writeSet(**store, set, 0, {}, progress).report;
            bool right = report.failed == 2 && report.steps[0].error.find("read-only") != std::string::npos &&
                         report.steps[1].error.find("read-only") != std::string::npos;
            ::_exit(right ? 0 : 1);
        }
        int status = -1;
        ::waitpid(child, &status, 0);
        ::chmod(locked.c_str(), 0755);
        QCOMPARE(status, 0);
    }

    void copiesLeaveTheSource() {
        Path file = test::makeSound(box_->root(), "a.ogg");
        std::string before = test::readBytes(file);
        Step s = step(file, {{"title", {"Copy"}}}, *box_ / "shelf/a.ogg");
        s.copy = true;
        auto outcome = write({"c", {s}, {}});
        QCOMPARE(outcome.report.done, size_t{1});
        QVERIFY(test::readBytes(file) == before);
        QCOMPARE(tags::readTags(*box_ / "shelf/a.ogg")->fields["title"].front(), std::string("Copy"));
        QCOMPARE(takeBack(outcome.set).done, size_t{1});
        QVERIFY(!std::filesystem::exists(*box_ / "shelf"));
        QVERIFY(test::readBytes(file) == before);
    }

    void takeBackRefusesWhatOthersChanged() {
        Path a = test::makeSound(box_->root(), "a.flac"), b = test::makeSound(box_->root(), "b.flac", 2),
             c = test::makeSound(box_->root(), "c.flac", 3);
        auto outcome = write(
            {"w",
             {step(a, {{"title", {"x"}}}), step(b, {{"title", {"x"}}}), step(c, {}, *box_ / "moved.flac")},
             {}});
        QCOMPARE(outcome.report.done, size_t{3});
        test::tag(a, {{"title", {"by another program"}}});
        std::string changed = test::readBytes(a);
        test::writeBytes(c, "a new file in the old place");
        auto back = takeBack(outcome.set);
        QCOMPARE(back.done, size_t{1});
        QCOMPARE(back.refused.size(), size_t{2});
        QVERIFY(test::readBytes(a) == changed);
        QVERIFY(std::filesystem::exists(*box_ / "moved.flac"));
        // Once the place is free again, the rest can be taken back.
        std::filesystem::remove(c);
        QCOMPARE(takeBack(outcome.set).done, size_t{1});
        QVERIFY(std::filesystem::exists(c));
    }

    void someFilesOfASet() {
        Path a = test::makeSound(box_->root(), "a.flac"), b = test::makeSound(box_->root(), "b.flac", 2);
        std::string beforeA = test::readBytes(a), beforeB = test::readBytes(b);
        auto outcome = write({"w", {step(a, {{"title", {"x"}}}), step(b, {{"title", {"x"}}})}, {}});
        QCOMPARE(takeBack(outcome.set, std::set<size_t>{1}).done, size_t{1});
        QVERIFY(test::readBytes(b) == beforeB);
        QVERIFY(test::readBytes(a) != beforeA);
        QCOMPARE(takeBack(outcome.set).done, size_t{1});
        QVERIFY(test::readBytes(a) == beforeA);
    }

    void namesThatChangePlaces() {
        // b's place becomes free in the same set; c and d swap; x, y and z go round.
        std::map<std::string, std::string> bytes;
        for (uint32_t i = 0; const char* name : {"a", "b", "c", "d", "x", "y", "z"}) {
            test::makeSound(box_->root(), std::string(name) + ".mp3", ++i);
            bytes[name] = test::readBytes(*box_ / (std::string(name) + ".mp3"));
        }
        auto at = [&](const char* name) { return *box_ / (std::string(name) + ".mp3"); };
        ChangeSet set{"m",
                      {step(at("a"), {}, at("b")), step(at("b"), {}, at("e")),
                       step(at("c"), {{"title", {"was c"}}}, at("d")), step(at("d"), {}, at("c")),
                       step(at("x"), {}, at("y")), step(at("y"), {}, at("z")), step(at("z"), {}, at("x"))},
                      {}};
        auto outcome = write(set);
        QCOMPARE(outcome.report.done, size_t{7});
        QVERIFY(test::readBytes(at("b")) == bytes["a"] && test::readBytes(at("e")) == bytes["b"]);
        QVERIFY(test::readBytes(at("c")) == bytes["d"]);
        QCOMPARE(tags::readTags(at("d"))->fields["title"].front(), std::string("was c"));
        QVERIFY(test::readBytes(at("y")) == bytes["x"] && test::readBytes(at("z")) == bytes["y"] &&
                test::readBytes(at("x")) == bytes["z"]);
        QCOMPARE(takeBack(outcome.set).done, size_t{7});
        for (const auto& [name, content] : bytes)
            QVERIFY2(test::readBytes(at(name.c_str())) == content, name.c_str());
        QVERIFY(!std::filesystem::exists(at("e")));
    }

    void aCircleWithABrokenFileStaysAsItIs() {
        Path a = test::makeSound(box_->root(), "a.wav", 1), b = test::makeSound(box_->root(), "b.wav", 2);
        test::writeBytes(b, test::readBytes(b).substr(0, 9000));
        std::string first = test::readBytes(a), second = test::readBytes(b);
        auto report =
            write({"m", {step(a, {{"title", {"x"}}}, b), step(b, {{"title", {"x"}}}, a)}, {}}).report;
        QCOMPARE(report.failed, size_t{2});
        QVERIFY(test::readBytes(a) == first);
        QVERIFY(test::readBytes(b) == second);
    }

    void namesThatOnlyLookTheSame() {
        // "ö" as one character, and as o with dots behind it.
        Path one = *box_ / "Str\u00F6m.mp3", two = *box_ / "Stro\u0308m.mp3";
        Path there = test::makeSound(box_->root(), one.filename().native());
        Path a = test::makeSound(box_->root(), "a.mp3", 2), b = test::makeSound(box_->root(), "b.mp3", 3);
        auto report = write({"m", {step(a, {}, two)}, {}}).report;
        QVERIFY(report.steps[0].error.find("looks just the same") != std::string::npos);
        std::filesystem::create_directories(*box_ / "new");
        report =
            write({"m",
                   {step(a, {}, *box_ / "new" / one.filename()), step(b, {}, *box_ / "new" / two.filename())},
                   {}})
                .report;
        QCOMPARE(report.done, size_t{1});
        QCOMPARE(report.failed, size_t{1});
        // A file may change the form of its own name, and the case of its letters.
        QCOMPARE(write({"m", {step(there, {}, two)}, {}}).report.done, size_t{1});
        QCOMPARE(write({"m", {step(two, {}, *box_ / "STROM.mp3")}, {}}).report.done, size_t{1});
    }

    // As on a disk that does not tell upper from lower case, played with a second name of the same file: the
    // new name is there already, and goes when the old one goes.
    void aNewNameThatIsTheFileItself() {
        Path file = test::makeSound(box_->root(), "night post.mp3"), target = *box_ / "Night Post.mp3";
        std::string bytes = test::readBytes(file);
        std::filesystem::create_hard_link(file, target);
        struct Folding : files::io::Observer {
            Path twin;
            int before(files::io::Event&) override { return 0; }
            void after(const files::io::Event& e) override {
                if (e.call == files::io::Call::Rename && e.to.extension() == ".parked")
                    ::unlink(twin.c_str());
            }
        } folding;
        folding.twin = target;
        files::io::observe(&folding);
        auto report = write({"m", {step(file, {}, target)}, {}}).report;
        files::io::observe(nullptr);
        QVERIFY2(report.done == 1, report.steps[0].error.c_str());
        QVERIFY(!std::filesystem::exists(file));
        QVERIFY(test::readBytes(target) == bytes);
        // Where the other name is a second name in truth, nothing is replaced and all stays as it was.
        std::filesystem::create_hard_link(target, file);
        report = write({"m", {step(file, {}, target)}, {}}).report;
        QCOMPARE(report.failed, size_t{1});
        QVERIFY(test::readBytes(file) == bytes && test::readBytes(target) == bytes);
        for (const auto& e : std::filesystem::directory_iterator(box_->root()))
            QVERIFY(!e.path().filename().native().starts_with(".moorfrost"));
    }

    void aLaterSetComesFirst() {
        Path a = test::makeSound(box_->root(), "a.flac"), b = test::makeSound(box_->root(), "b.flac", 2);
        std::string before = test::readBytes(a);
        int64_t first =
            write({"first", {step(a, {{"title", {"x"}}}), step(b, {}, *box_ / "moved.flac")}, {}}).set;
        int64_t second = write({"second", {step(a, {{"artist", {"y"}}}, *box_ / "b.flac")}, {}}).set;
        auto back = takeBack(first);
        QCOMPARE(back.done, size_t{0});
        QCOMPARE(back.refused.size(), size_t{2}); // one was changed again, the other's place is taken
        for (const auto& [path, why] : back.refused)
            QVERIFY2(why.find("\"second\"") != std::string::npos, why.c_str());
        QCOMPARE(takeBack(second).done, size_t{1});
        QCOMPARE(takeBack(first).done, size_t{2});
        QVERIFY(test::readBytes(a) == before);
    }

    void touchedIsNotChanged() {
        Path a = test::makeSound(box_->root(), "a.flac"), b = test::makeSound(box_->root(), "b.flac", 2);
        std::vector<Step> steps{step(a, {{"title", {"x"}}}), step(b, {{"title", {"x"}}})};
        for (Step& s : steps) {
            s.expectedFields = tags::readTags(s.source)->fields;
            s.expectedEssence = audio::essenceOf(**FileSource::open(s.source), audio::Format::Flac)->hash;
            timespec times[2] = {{1000, 0}, {1000, 0}};
            ::utimensat(AT_FDCWD, s.source.c_str(), times, 0);
        }
        std::string other = test::readBytes(b);
        other[other.size() - 5] = static_cast<char>(other[other.size() - 5] ^ 1);
        test::writeBytes(b, other);
        auto report = write({"w", steps, {}}).report;
        QCOMPARE(report.steps[0].state, StepState::Done);
        QVERIFY(report.steps[0].notes.front().find("touched") != std::string::npos);
        QVERIFY2(report.steps[1].error.find("sound") != std::string::npos, report.steps[1].error.c_str());
    }

    void theHistoryIsBounded() {
        Path a = test::makeSound(box_->root(), "a.flac"), b = test::makeSound(box_->root(), "b.flac", 2);
        for (const Path& p : {a, b})
            test::tag(p, {{"comment", {std::string(3000, 'c')}}});
        int64_t first = write({"first", {step(a, {{"comment", {}}})}, {}}).set;
        QVERIFY(store_->journal().use().used >= 3000);
        QVERIFY(store_->journal().use().next.empty());
        store_->settings().save("history-limit", "3500");
        int64_t second = write({"second", {step(b, {{"comment", {}}})}, {}}).set;
        // Told before it goes, gone with the next write.
        auto use = store_->journal().use();
        QCOMPARE(use.next.size(), size_t{1});
        QCOMPARE(use.next.front().id, first);
        QVERIFY(!store_->journal().sets().back().dropped);
        write({"third", {step(b, {{"title", {"x"}}})}, {}});
        QVERIFY(store_->journal().use().used <= 3500);
        QVERIFY(store_->journal().sets().back().dropped);
        auto back = takeBack(first);
        QCOMPARE(back.done, size_t{0});
        QVERIFY2(back.refused.front().second.find("history") != std::string::npos,
                 back.refused.front().second.c_str());
        QVERIFY(!store_->journal().sets()[1].dropped && store_->journal().sets()[1].id == second);
    }

    void timesStayIfAskedFor() {
        Path a = test::makeSound(box_->root(), "a.flac"), b = test::makeSound(box_->root(), "b.opus");
        timespec times[2] = {{1000, 0}, {921412800, 0}};
        for (const Path& p : {a, b})
            ::utimensat(AT_FDCWD, p.c_str(), times, 0);
        ChangeSet set{"w", {step(a, {{"title", {"x"}}}), step(b, {{"title", {std::string(9000, 'x')}}})}, {}};
        set.keepTimes = true;
        QCOMPARE(write(set).report.done, size_t{2});
        for (const Path& p : {a, b})
            QCOMPARE(files::stateOf(p)->modifiedNs, int64_t{921412800} * 1000000000);
    }

    void namesThatAreNotUtf8() {
        Path odd = test::makeSound(box_->root(), "a.wav");
        Path latin = *box_ / "old \xE5\xE4\xF6.wav";
        std::filesystem::rename(odd, latin);
        auto outcome = write({"w", {step(latin, {{"title", {"x"}}}, *box_ / "new \xFF.wav")}, {}});
        QCOMPARE(outcome.report.done, size_t{1});
        QVERIFY(std::filesystem::exists(*box_ / "new \xFF.wav"));
        QCOMPARE(takeBack(outcome.set).done, size_t{1});
        QVERIFY(std::filesystem::exists(latin));
    }

    void linksAreFollowedNotReplaced() {
        Path real = test::makeSound(*box_ / "real", "a.flac");
        Path link = *box_ / "link.flac";
        std::filesystem::create_symlink(real, link);
        QCOMPARE(write({"w", {step(link, {{"title", {"x"}}})}, {}}).report.done, size_t{1});
        QVERIFY(std::filesystem::is_symlink(link));
        QCOMPARE(tags::readTags(real)->fields["title"].front(), std::string("x"));
        // Moving a link would take the file from where it lives: refused. A copy is no trouble.
        auto report = write({"m", {step(link, {}, *box_ / "shelf/a.flac")}, {}}).report;
        QCOMPARE(report.failed, size_t{1});
        QVERIFY(report.steps[0].error.find("link") != std::string::npos);
        QVERIFY(std::filesystem::exists(real) && !std::filesystem::exists(*box_ / "shelf"));
        Step copy = step(link, {}, *box_ / "shelf/a.flac");
        copy.copy = true;
        QCOMPARE(write({"c", {copy}, {}}).report.done, size_t{1});
        QVERIFY(test::readBytes(*box_ / "shelf/a.flac") == test::readBytes(real));
    }

    // A booklet that two albums share: each gets it, and the source goes.
    void whatIsCopiedIsCopiedBeforeItLeaves() {
        const Path source = *box_ / "in/box.pdf";
        test::writeBytes(source, "booklet");
        Step moved = step(source, {}, *box_ / "shelf/one/box.pdf"), copied = moved;
        copied.target = *box_ / "shelf/two/box.pdf";
        copied.copy = true;
        for (const auto& steps : {std::vector<Step>{moved, copied}, std::vector<Step>{copied, moved}}) {
            const auto outcome = write({"shared", steps, {*box_ / "in"}});
            QCOMPARE(outcome.report.done, size_t{2});
            QCOMPARE(test::readBytes(*box_ / "shelf/one/box.pdf"), std::string("booklet"));
            QCOMPARE(test::readBytes(*box_ / "shelf/two/box.pdf"), std::string("booklet"));
            QVERIFY(!std::filesystem::exists(*box_ / "in"));
            QCOMPARE(takeBack(outcome.set).done, size_t{2});
            QCOMPARE(test::readBytes(source), std::string("booklet"));
            QVERIFY(!std::filesystem::exists(*box_ / "shelf"));
        }
        // What moved was changed since: it does not come back, and the copy is the only one as it was.
        auto changed = write({"shared", {moved, copied}, {}});
        test::writeBytes(*box_ / "shelf/one/box.pdf", "written over");
        QCOMPARE(takeBack(changed.set).done, size_t{0});
        QCOMPARE(test::readBytes(*box_ / "shelf/two/box.pdf"), std::string("booklet"));
        std::filesystem::rename(*box_ / "shelf/two/box.pdf", source);
        std::filesystem::remove_all(*box_ / "shelf");
        moved.expected = *files::stateOf(source);
        // Twice the same that moves makes no sense still.
        Step other = moved;
        other.target = *box_ / "shelf/three/box.pdf";
        QCOMPARE(write({"twice", {moved, other}, {}}).report.failed, size_t{1});
    }

    void otherNamesOfAFileAreAskedAbout() {
        Path file = test::makeSound(box_->root(), "a.flac"), twin = *box_ / "twin.flac";
        test::tag(file, {{"title", {"Cold Slip"}}});
        std::filesystem::create_hard_link(file, twin);
        std::string before = test::readBytes(file);
        ChangeSet set{"w", {step(file, {{"title", {"x"}}})}, {}};
        auto outcome = write(set);
        QVERIFY(outcome.report.steps[0].linksAsked);
        QVERIFY(test::readBytes(file) == before);
        set.hardLinks = files::HardLinks::ThisName;
        outcome = write(set);
        QCOMPARE(outcome.report.steps[0].notes.size(), size_t{1});
        QVERIFY(test::readBytes(file) != before);
        QVERIFY(test::readBytes(twin) == before);
        QCOMPARE(takeBack(outcome.set).done, size_t{1});
        QVERIFY(test::readBytes(file) == before);
        // All names: they are one file before and after.
        std::filesystem::remove(twin);
        std::filesystem::create_hard_link(file, twin);
        set.steps = {step(file, {{"title", {"x"}}})};
        set.hardLinks = files::HardLinks::AllNames;
        outcome = write(set);
        QCOMPARE(outcome.report.done, size_t{1});
        QVERIFY(std::filesystem::equivalent(file, twin));
        QCOMPARE(tags::readTags(twin)->fields["title"].front(), std::string("x"));
        QCOMPARE(takeBack(outcome.set).done, size_t{1});
        QVERIFY(test::readBytes(twin) == before);
        // Where that needs a new file it is refused.
        set.steps = {step(file, {{"title", {std::string(20000, 'x')}}})};
        outcome = write(set);
        QVERIFY(outcome.report.steps[0].error.find("this name only") != std::string::npos);
        QVERIFY(test::readBytes(twin) == before);
    }

    void stoppedInTheMiddleAndContinued() {
        ChangeSet set{"w", {}, {}};
        for (int i = 0; i < 900; ++i)
            set.steps.push_back(
                step(test::makeSound(*box_ / "m", std::to_string(i) + ".flac"), {{"title", {"x"}}}));
        std::stop_source stop;
        struct StopAtFirstWrite : files::io::Observer {
            std::stop_source& stop;
            explicit StopAtFirstWrite(std::stop_source& s) : stop(s) { files::io::observe(this); }
            ~StopAtFirstWrite() override { files::io::observe(nullptr); }
            int before(files::io::Event& e) override {
                if (e.call == files::io::Call::FlushDisk)
                    stop.request_stop();
                return 0;
            }
            void after(const files::io::Event&) override {}
        };
        library::WriteOutcome outcome;
        {
            StopAtFirstWrite observer(stop);
            outcome = write(set, stop.get_token());
        }
        QVERIFY2(outcome.report.error.empty(), outcome.report.error.c_str());
        QVERIFY(outcome.report.done > 0 && outcome.report.left > 0 && outcome.report.failed == 0);
        QVERIFY(library::recover(*store_).isEmpty()); // nothing is open
        ChangeSet rest{"rest", {}, {}};
        for (const files::StepRecord& r : outcome.report.steps) {
            bool isDone = tags::readTags(r.step.source)->fields.contains("title");
            QCOMPARE(isDone, r.state == StepState::Done);
            if (!isDone)
                rest.steps.push_back(r.step);
        }
        QCOMPARE(write(rest).report.done, rest.steps.size());
    }

    void stoppingLeavesACleanState() {
        ChangeSet set{"w", {}, {}};
        for (int i = 0; i < 40; ++i)
            set.steps.push_back(
                step(test::makeSound(box_->root(), std::to_string(i) + ".flac"), {{"title", {"x"}}}));
        std::stop_source stop;
        stop.request_stop();
        auto report = write(set, stop.get_token()).report;
        QCOMPARE(report.done + report.left, size_t{40});
        QCOMPARE(report.left, size_t{40});
        for (const Step& s : set.steps)
            QVERIFY(tags::readTags(s.source)->fields.count("title") == 0);
        for (const auto& entry : std::filesystem::directory_iterator(box_->root()))
            QVERIFY(!entry.path().filename().native().starts_with(".moorfrost"));
    }

private:
    std::unique_ptr<test::Sandbox> box_;
    std::unique_ptr<library::Store> store_;
};

QTEST_GUILESS_MAIN(TestFileSet)
#include "test_change_set.moc"
