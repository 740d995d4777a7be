// SPDX-License-Identifier: GPL-3.0-or-later
// What is done where names clash, what goes along, which folders go, and what disks allow.
#include <QtTest>

#include <sys/stat.h>
#include <sys/wait.h>
#include <unistd.h>

#include "core/files/file_system.h"
#include "core/library/place_wish.h"
#include "core/library/placing_rules.h"
#include "support/needs_root.h"
#include "support/put_away_world.h"
#include "support/small_disk.h"

using namespace moorfrost;
using namespace moorfrost::placing;

namespace {
constexpr const char* usual = "{artist}/{album}/{track: 2 digits} {title}";
}

class TestPlacing : public QObject, test::PutAwayWorld {
    Q_OBJECT
private slots:
    void init() { beginWorld(); }

    void bothAreKept() {
        std::vector<PutAwayFile> all = {file("a.flac", song("Night Post")),
                                        file("b.flac", song("Night Post")),
                                        file("c.flac", song("Night Post"))};
        all[1].onClash = all[2].onClash = OnClash::Suffix;
        const auto r = planPutAway(all, options(usual));
        QCOMPARE(r.problems, size_t(0));
        QCOMPARE(r.files[0].to.filename(), Path("01 Night Post.flac"));
        QCOMPARE(r.files[1].to.filename(), Path("01 Night Post (2).flac"));
        QCOMPARE(r.files[2].to.filename(), Path("01 Night Post (3).flac"));
        QVERIFY(r.files[2].mark(MarkKind::Suffixed));
    }

    void aNumberThatIsTakenIsPassedOver() {
        const Path there = shelf_ / "The Hollow Ferry/Night Post EP";
        test::writeBytes(there / "01 Night Post.flac", "there");
        test::writeBytes(there / "01 night post (2).flac", "there");
        std::vector<PutAwayFile> all = {file("a.flac", song("Night Post"))};
        QVERIFY(planPutAway(all, options(usual)).files[0].mark(MarkKind::Taken));
        all[0].onClash = OnClash::Suffix;
        QCOMPARE(planPutAway(all, options(usual)).files[0].to.filename(), Path("01 Night Post (3).flac"));
    }

    // It was put away under a number once: it stays there.
    void aNumberedFileIsInPlace() {
        const Path there = shelf_ / "The Hollow Ferry/Night Post EP";
        test::writeBytes(there / "01 Night Post.flac", "there");
        test::writeBytes(there / "01 Night Post (2).flac", "mine");
        PutAwayFile mine = file("x.flac", song("Night Post"));
        mine.path = there / "01 Night Post (2).flac";
        mine.onClash = OnClash::Suffix;
        const auto r = planPutAway({mine}, options(usual));
        QVERIFY(r.files[0].mark(MarkKind::InPlace));
        QVERIFY(!r.files[0].moves());
    }

    void oneIsLeftOut() {
        std::vector<PutAwayFile> all = {file("a.flac", song("Night Post")),
                                        file("b.flac", song("Night Post"))};
        all[0].onClash = OnClash::Skip;
        auto r = planPutAway(all, options(usual));
        QVERIFY(r.files[0].leftOut() && !r.files[0].moves() && r.files[1].moves());
        QCOMPARE(r.problems, size_t(0));
        QVERIFY(r.emptied.empty()); // one of them is still in it
        // If all say so, the first is taken all the same: it has nobody to give way to.
        all[1].onClash = OnClash::Skip;
        r = planPutAway(all, options(usual));
        QVERIFY(r.files[0].moves() && r.files[1].leftOut());
    }

    void theBetterIsKept() {
        std::vector<PutAwayFile> all = {file("a.mp3", song("Night Post")),
                                        file("b.flac", song("Night Post"))};
        all[0].quality = {false, 0, 44100, 320000};
        all[1].quality = {true, 16, 44100, 900000};
        all[0].format = audio::Format::Flac; // the same ending
        all[0].onClash = all[1].onClash = OnClash::KeepBetter;
        const auto r = planPutAway(all, options(usual));
        QVERIFY(r.files[0].leftOut() && r.files[1].moves());
        QCOMPARE(r.files[0].mark(MarkKind::LeftOut)->other, in_ / "b.flac");
    }

    void whatIsThereGivesWayToTheBetter() {
        const Path there = shelf_ / "The Hollow Ferry/Night Post EP/01 Night Post.flac";
        test::writeBytes(there, "there");
        PutAwayFile mine = file("a.flac", song("Night Post"));
        mine.quality = {true, 24, 96000, 0};
        mine.onClash = OnClash::KeepBetter;
        auto o = options(usual);
        o.qualityThere = [](const Path&) { return Quality{true, 16, 44100, 0}; };
        auto r = planPutAway({mine}, o);
        QCOMPARE(r.files[0].replaces, there);
        QVERIFY(r.files[0].moves() && r.files[0].mark(MarkKind::Replaces));
        // No better, or not to be told: it stays.
        o.qualityThere = [](const Path&) { return Quality{true, 24, 96000, 0}; };
        QVERIFY(planPutAway({mine}, o).files[0].leftOut());
        o.qualityThere = [](const Path&) { return std::optional<Quality>(); };
        QVERIFY(planPutAway({mine}, o).files[0].leftOut());
        // Asked for outright.
        mine.onClash = OnClash::Replace;
        QCOMPARE(planPutAway({mine}, options(usual)).files[0].replaces, there);
    }

    // The same track in another format has another name: it is told, and the better can be kept.
    void theSameInAnotherFormat() {
        const Path there = shelf_ / "The Hollow Ferry/Night Post EP/01 Night Post.mp3";
        test::writeBytes(there, "there");
        PutAwayFile mine = file("a.flac", song("Night Post"));
        mine.quality = {true, 16, 44100, 0};
        auto o = options(usual);
        o.qualityThere = [](const Path&) { return Quality{false, 0, 44100, 192000}; };
        auto r = planPutAway({mine}, o);
        QCOMPARE(r.files[0].mark(MarkKind::Beside)->other, there);
        QVERIFY(r.files[0].moves() && r.files[0].replaces.empty());
        mine.onClash = OnClash::KeepBetter;
        r = planPutAway({mine}, o);
        QCOMPARE(r.files[0].replaces, there);
        QCOMPARE(r.files[0].to.filename(), Path("01 Night Post.flac"));
        mine.quality = {false, 0, 44100, 96000};
        QVERIFY(planPutAway({mine}, o).files[0].leftOut());
        mine.onClash = OnClash::Skip;
        QVERIFY(planPutAway({mine}, o).files[0].leftOut());
        // Its own old name is not another file.
        PutAwayFile own = file("b.flac", song("Night Post"));
        own.path = shelf_ / "The Hollow Ferry/Night Post EP/01 Night Post.mp3";
        QVERIFY(!planPutAway({own}, o).files[0].mark(MarkKind::Beside));
    }

    // What is left out stays, so who counted on its place does not get it.
    void theStayingOfOneIsToldToTheNext() {
        const Path there = shelf_ / "The Hollow Ferry/Night Post EP";
        test::writeBytes(there / "02 Salt Road.mp3", "better");
        PutAwayFile stays = file("x.flac", song("Salt Road", "2"));
        stays.path = there / "01 Night Post.flac";
        test::writeBytes(stays.path, "was called wrongly");
        stays.onClash = OnClash::KeepBetter;
        const PutAwayFile next = file("a.flac", song("Night Post"));
        auto o = options(usual);
        o.qualityThere = [](const Path&) { return Quality{true, 24, 96000, 0}; };
        const auto r = planPutAway({stays, next}, o);
        QVERIFY(r.files[0].leftOut());
        QVERIFY(r.files[1].mark(MarkKind::Taken));
        QCOMPARE(r.problems, size_t(1));
    }

    void aFolderIsNeverReplaced() {
        std::filesystem::create_directories(shelf_ / "The Hollow Ferry/Night Post EP/01 Night Post.flac");
        PutAwayFile mine = file("a.flac", song("Night Post"));
        for (const OnClash choice : {OnClash::Ask, OnClash::Replace, OnClash::KeepBetter}) {
            mine.onClash = choice;
            const auto r = planPutAway({mine}, options(usual));
            QVERIFY(r.files[0].mark(MarkKind::Taken));
            QVERIFY(r.files[0].replaces.empty());
        }
    }

    // The one that has the name does not leave after all: so it is taken.
    void aPlaceIsFreeOnlyIfItIsLeft() {
        const Path album = shelf_ / "The Hollow Ferry/Night Post EP";
        test::writeBytes(album / "01 Gorse.flac", "one");
        test::writeBytes(album / "02 Undertow.flac", "two");
        PutAwayFile one = file("x.flac", song("Undertow", "2")), two = file("y.flac", song("Wren", "3"));
        one.path = album / "01 Gorse.flac";
        two.path = album / "02 Undertow.flac";
        auto r = planPutAway({one, two}, options(usual));
        QVERIFY(r.files[0].moves() && r.files[1].moves());
        test::writeBytes(album / "03 Wren.flac", "three");
        r = planPutAway({one, two}, options(usual));
        QVERIFY(r.files[1].mark(MarkKind::Taken));
        QVERIFY(r.files[0].mark(MarkKind::Taken));
    }

    void caseAloneIsNoOtherName() {
        test::writeBytes(shelf_ / "The Hollow Ferry/Night Post EP/01 NIGHT POST.flac", "there");
        const auto r = planPutAway({file("a.flac", song("Night Post"))}, options(usual));
        const Mark* taken = r.files[0].mark(MarkKind::Taken);
        QVERIFY(taken);
        QVERIFY(taken->text.find("case of letters") != std::string::npos);
        // A file that changes its own case is free to.
        PutAwayFile own = file("b.flac", song("Night Post"));
        own.path = shelf_ / "The Hollow Ferry/Night Post EP/01 NIGHT POST.flac";
        QVERIFY(planPutAway({own}, options(usual)).files[0].moves());
    }

    void foldersThatDifferByCaseAreTold() {
        std::filesystem::create_directories(shelf_ / "the hollow ferry");
        auto r = planPutAway({file("a.flac", song("Night Post"))}, options(usual));
        const Mark* cased = r.files[0].mark(MarkKind::Cased);
        QVERIFY(cased);
        QVERIFY(cased->text.find("the hollow ferry") != std::string::npos);
        QVERIFY(r.files[0].moves());
        auto o = options(usual);
        o.profile = files::NameProfile::Linux;
        QVERIFY(!planPutAway({file("a.flac", song("Night Post"))}, o).files[0].mark(MarkKind::Cased));
    }

    void namesThatHadToBeAltered() {
        auto r = planPutAway({file("a.flac", song("Where to?")), file("b.flac", song(std::string(300, 'x')))},
                             options(usual));
        QCOMPARE(r.files[0].mark(MarkKind::Adapted)->text, std::string("names cannot have ?"));
        QVERIFY(r.files[1].mark(MarkKind::Shortened));
        QVERIFY(r.files[0].moves() && r.files[1].moves());
    }

    void aPathThatIsTooLong() {
        std::string plan;
        for (int i = 0; i < 20; ++i)
            plan += "{title}/";
        const auto r = planPutAway({file("a.flac", song(std::string(250, 'x')))}, options(plan + "{title}"));
        QCOMPARE(r.files[0].mark(MarkKind::Blocked)->text, std::string("the path is too long"));
    }

    void theFieldThatCausesItIsNamed() {
        auto blank = song("");
        blank.erase("title");
        auto r = planPutAway({file("a.flac", blank)}, options("{title}"));
        QCOMPARE(r.files[0].mark(MarkKind::Blocked)->key, std::string("title"));
        r = planPutAway({file("a.flac", blank)}, options("{album}/{position} {title}"));
        QCOMPARE(r.files[0].mark(MarkKind::Gap)->key, std::string("title"));
        auto one = song("One", "1"), two = song("Two", "2"), three = song("Three", "3");
        two["label"] = {"Fallow Sound"};
        r = planPutAway({file("a.flac", one), file("b.flac", two), file("c.flac", three)},
                        options("{label, else \"none\"}/{title}"));
        QCOMPARE(r.files[1].mark(MarkKind::Split)->key, std::string("label"));
    }

    void onlyNamesChange() {
        auto o = options(usual);
        o.inPlace = true;
        const auto r =
            planPutAway({file("x/a.flac", song("Night Post", "1")), file("y/b.flac", song("Gorse", "2"))}, o);
        QCOMPARE(r.files[0].to, in_ / "x/01 Night Post.flac");
        QCOMPARE(r.files[1].to, in_ / "y/02 Gorse.flac");
        QCOMPARE(r.root, in_);
        QVERIFY(r.along.empty() && r.emptied.empty() && r.newFolders.empty());
    }

    void kindsThatGoAlong() {
        for (const char* name :
             {"cover.jpg", "notes.txt", "rip.log", "liner.pdf", "list.m3u8", "disc.cue", "x.bin"})
            test::writeBytes(in_ / name, name);
        auto o = options(usual);
        o.along = AlongRule::fromText("pictures,cue sheets");
        auto r = planPutAway({file("a.flac", song("Night Post"))}, o);
        QCOMPARE(r.along.size(), size_t(2));
        QVERIFY(r.emptied.empty()); // the rest stays
        o.along = AlongRule();
        o.along.name = "{album} - {name}";
        r = planPutAway({file("a.flac", song("Night Post"))}, o);
        QCOMPARE(r.along.size(), size_t(7));
        QCOMPARE(r.along[0].to.filename(), Path("Night Post EP - cover.jpg"));
        QCOMPARE(r.emptied, std::vector<Path>{in_});
    }

    void whatGoesAlongIsNeverLost() {
        test::writeBytes(in_ / "x/cover.jpg", "one");
        test::writeBytes(in_ / "y/cover.jpg", "two");
        test::writeBytes(shelf_ / "The Hollow Ferry/Night Post EP/COVER.jpg", "there");
        const auto r = planPutAway({file("x/a.flac", song("One", "1")), file("y/b.flac", song("Two", "2"))},
                                   options(usual));
        std::set<Path> names;
        for (const Placement& p : r.along) {
            QVERIFY(p.moves());
            names.insert(p.to.filename());
        }
        QCOMPARE(names, (std::set<Path>{"cover (2).jpg", "cover (3).jpg"}));
    }

    void severalAlbumsOfOneFolderShareIt() {
        test::writeBytes(in_ / "box.pdf", "booklet");
        const auto r = planPutAway({file("a.flac", song("One", "1", "Gorse Hill"), "1"),
                                    file("b.flac", song("Two", "2", "Gorse Hill"), "1"),
                                    file("c.flac", song("Three", "1", "Salt Road"), "2")},
                                   options(usual));
        QCOMPARE(r.along.size(), size_t(2));
        QCOMPARE(r.along[0].to, shelf_ / "The Hollow Ferry/Gorse Hill/box.pdf");
        QVERIFY(!r.along[0].copy);
        QCOMPARE(r.along[1].to, shelf_ / "The Hollow Ferry/Salt Road/box.pdf");
        QVERIFY(r.along[1].copy);
        QCOMPARE(r.emptied, std::vector<Path>{in_});
    }

    // Discs in folders of their own: what lies beside these goes to the album, and both levels go.
    void theFolderAboveTheDiscs() {
        test::writeBytes(in_ / "box/front.jpg", "front");
        test::writeBytes(in_ / "box/CD1/rip.log", "log");
        auto one = song("One"), two = song("Two");
        one["disc"] = {"1"};
        two["disc"] = {"2"};
        const auto r = planPutAway({file("box/CD1/a.flac", one), file("box/CD2/b.flac", two)},
                                   options("{artist}/{album}/Disc {disc}/{title}"));
        std::map<Path, Path> along;
        for (const Placement& p : r.along)
            along[p.from] = p.to;
        QCOMPARE(along[in_ / "box/front.jpg"], shelf_ / "The Hollow Ferry/Night Post EP/front.jpg");
        QCOMPARE(along[in_ / "box/CD1/rip.log"], shelf_ / "The Hollow Ferry/Night Post EP/Disc 1/rip.log");
        QCOMPARE(r.emptied, (std::vector<Path>{in_ / "box/CD1", in_ / "box/CD2", in_ / "box"}));
        // What was brought in itself stays, where the music was only below it.
        QVERIFY(std::ranges::find(r.emptied, in_) == r.emptied.end());
    }

    // What lies above several albums goes where all of them go; where that is the shelf itself, it stays.
    void aboveSeveralAlbums() {
        test::writeBytes(in_ / "ferry/band.jpg", "band");
        const std::vector<PutAwayFile> all = {file("ferry/one/a.flac", song("One", "1", "Gorse Hill"), "1"),
                                              file("ferry/two/b.flac", song("Two", "1", "Salt Road"), "2")};
        auto r = planPutAway(all, options(usual));
        QCOMPARE(r.along.size(), size_t(1));
        QCOMPARE(r.along[0].to, shelf_ / "The Hollow Ferry/band.jpg");
        QCOMPARE(r.emptied.size(), size_t(3));
        r = planPutAway(all, options("{album}/{title}"));
        QVERIFY(r.along.empty());
        QCOMPARE(r.emptied.size(), size_t(2));
    }

    void aFolderAboveStaysForWhatIsNotMeant() {
        test::writeBytes(in_ / "box/other/thesis.odt", "text");
        const auto r = planPutAway({file("box/CD1/a.flac", song("One"))}, options(usual));
        QCOMPARE(r.emptied, std::vector<Path>{in_ / "box/CD1"});
    }

    void shelvesThatAreNotMounted() {
        auto o = options(usual);
        o.notThere = "The shelf is not there.";
        QCOMPARE(planPutAway({file("a.flac", song("One"))}, o).shelfProblem, o.notThere);
    }

    void disksThatAreFullOrReadOnly() {
        NEEDS_ROOT;
        test::SmallDisk disk(*box_ / "small", "size=2m");
        QVERIFY(disk.isThere());
        auto o = options(usual);
        o.shelf = *box_ / "small";
        PutAwayFile big = file("a.flac", song("One"));
        big.size = 5'000'000;
        auto r = planPutAway({big}, o);
        QCOMPARE(r.needed, big.size);
        QVERIFY(r.shelfProblem.find("5.0 MB are needed") != std::string::npos);
        QCOMPARE(files::fileSystemOf(o.shelf).name, std::string("tmpfs"));
        QVERIFY(disk.makeReadOnly());
        r = planPutAway({file("b.flac", song("Two"))}, o);
        QVERIFY(r.shelfProblem.find("read-only") != std::string::npos);
    }

    void foldersThatAreReadOnly() {
        // Everything runs as root in CI: permissions mean something only without its rights, in a child.
        const PutAwayFile one = file("locked/a.flac", song("One"));
        ::chmod(box_->root().c_str(), 0755);
        ::chmod(shelf_.c_str(), 0777);
        ::chmod((in_ / "locked").c_str(), 0555);
        auto inChild = [](const std::function<bool()>& holds) {
            const pid_t child = ::fork();
            if (child == 0) {
                if (::geteuid() == 0 && ::setuid(65534) != 0)
                    ::_exit(3);
                ::_exit(holds() ? 0 : 1);
            }
            int status = -1;
            ::waitpid(child, &status, 0);
            return status == 0;
        };
        QVERIFY(inChild([&] {
            const auto r = planPutAway({one}, options(usual));
            const Mark* mark = r.files[0].mark(MarkKind::Blocked);
            return mark && mark->text == "its folder is read-only";
        }));
        auto copies = options(usual);
        copies.copy = true;
        QVERIFY(inChild([&] { return planPutAway({one}, copies).files[0].moves(); }));
        std::filesystem::create_directories(shelf_ / "The Hollow Ferry");
        ::chmod((shelf_ / "The Hollow Ferry").c_str(), 0555);
        QVERIFY(inChild([&] {
            const auto r = planPutAway({one}, copies);
            const Mark* mark = r.files[0].mark(MarkKind::Blocked);
            return mark && mark->text == "the folder The Hollow Ferry is read-only";
        }));
        ::chmod((in_ / "locked").c_str(), 0755);
    }

    void wishesAreText() {
        library::PlaceWish wish;
        wish.shelf = 3;
        wish.plan = usual;
        QCOMPARE(wish.toValues(), (std::vector<std::string>{"3", usual, "move", "along", "tidy"}));
        QCOMPARE(library::PlaceWish::fromValues(wish.toValues()), wish);
        wish.mode = library::PlaceWish::Mode::Rename;
        wish.onClash = OnClash::KeepBetter;
        wish.along = AlongRule::fromText("pictures,logs|{album} {name}");
        wish.removeEmptied = false;
        QCOMPARE(library::PlaceWish::fromValues(wish.toValues()), wish);
        QCOMPARE(library::PlaceWish::fromValues({"x"}), library::PlaceWish());
    }

    void rulesOfShelvesAreLines() {
        using namespace library;
        PlacingRules rules;
        rules[2].plan = "{title}";
        rules[5].names = files::NameProfile::Linux;
        rules[5].along = AlongRule::none();
        QCOMPARE(placingRulesFrom(toLines(rules)), rules);
        QCOMPARE(placingRulesFrom({"2\t{title}", "x", "", "7"}).size(),
                 size_t(1)); // as earlier versions kept it
        QCOMPARE(namesOn(rules, 5, files::NameProfile::Portable, files::NameProfile::Portable),
                 files::NameProfile::Linux);
        QCOMPARE(namesOn(rules, 2, files::NameProfile::Linux, files::NameProfile::Portable),
                 files::NameProfile::Portable);
    }
};

QTEST_GUILESS_MAIN(TestPlacing)
#include "test_placing.moc"
