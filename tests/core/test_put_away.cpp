// SPDX-License-Identifier: GPL-3.0-or-later
#include <QtTest>

#include <sys/stat.h>
#include <sys/wait.h>
#include <unistd.h>

#include "core/placing/put_away.h"
#include "support/sample_files.h"

using namespace moorfrost;
using placing::MarkKind;

namespace {
constexpr const char* usual = "{album artist, else artist}/{date: year} {album}/{track: 2 digits} {title}";

placing::PutAwayFile file(int64_t id, const Path& path, const tags::Fields& fields,
                          const std::string& sleeve = "s") {
    return {id, path, audio::Format::Flac, fields, {}, sleeve};
}
tags::Fields song(const char* title, const char* track, const char* date = "1998") {
    return {{"title", {title}},
            {"artist", {"The Hollow Ferry"}},
            {"album", {"Night Post EP"}},
            {"track", {track}},
            {"date", {date}}};
}
} // namespace

class TestPutAway : public QObject {
    Q_OBJECT
private slots:
    void init() {
        box_ = std::make_unique<test::Sandbox>();
        shelf_ = *box_ / "shelf";
        in_ = *box_ / "in";
        std::filesystem::create_directories(shelf_);
        for (const char* name : {"a.flac", "b.flac", "c.flac"})
            test::writeBytes(in_ / name, name);
    }

    placing::PutAwayOptions options(const std::string& plan = usual) {
        placing::PutAwayOptions o;
        o.plan = std::get<naming::Plan>(naming::parsePlan(plan));
        o.shelf = shelf_;
        return o;
    }

    void placesAndNewFolders() {
        auto r = placing::planPutAway({file(1, in_ / "a.flac", song("Night Post", "1"))}, options());
        QVERIFY(r.shelfProblem.empty());
        QCOMPARE(r.files[0].to, shelf_ / "The Hollow Ferry/1998 Night Post EP/01 Night Post.flac");
        QCOMPARE(r.newFolders, (std::vector<Path>{shelf_ / "The Hollow Ferry",
                                                  shelf_ / "The Hollow Ferry/1998 Night Post EP"}));
        QCOMPARE(r.moving, size_t{1});
        QVERIFY(r.emptied.empty()); // b and c stay
    }

    void twoFilesForOneName() {
        auto r = placing::planPutAway({file(1, in_ / "a.flac", song("Night Post", "1")),
                                       file(2, in_ / "b.flac", song("Night POST", "1"))},
                                      options());
        QVERIFY(r.files[0].mark(MarkKind::Clash) &&
                r.files[1].mark(MarkKind::Clash)); // one name where case does not count
        QCOMPARE(r.problems, size_t{2});
        auto linux = options();
        linux.profile = files::NameProfile::Linux;
        QCOMPARE(placing::planPutAway({file(1, in_ / "a.flac", song("Night Post", "1")),
                                       file(2, in_ / "b.flac", song("Night POST", "1"))},
                                      linux)
                     .problems,
                 size_t{0});
    }

    void takenNames() {
        test::writeBytes(shelf_ / "The Hollow Ferry/1998 Night Post EP/01 Night Post.flac", "there");
        auto r = placing::planPutAway({file(1, in_ / "a.flac", song("Night Post", "1"))}, options());
        QVERIFY(r.files[0].mark(MarkKind::Taken));
        QVERIFY(!r.files[0].moves());
    }

    void splitAlbumsSayWhy() {
        auto r = placing::planPutAway({file(1, in_ / "a.flac", song("One", "1")),
                                       file(2, in_ / "b.flac", song("Two", "2")),
                                       file(3, in_ / "c.flac", song("Three", "3", "1989"))},
                                      options());
        QCOMPARE(r.splitSleeves, size_t{1});
        const placing::Mark* mark = r.files[2].mark(MarkKind::Split);
        QVERIFY(mark);
        QCOMPARE(mark->text, std::string("splits an album: date: 1989 / 1998?"));
        QVERIFY(!r.files[0].mark(MarkKind::Split));
        QVERIFY(r.files[2].moves()); // a warning, not a refusal
    }

    void discsAreNotASplit() {
        auto one = song("One", "1"), two = song("Two", "1");
        one["disc"] = {"1"};
        two["disc"] = {"2"};
        auto r = placing::planPutAway({file(1, in_ / "a.flac", one), file(2, in_ / "b.flac", two)},
                                      options("{artist}/{album}/Disc {disc}/{title}"));
        QCOMPARE(r.splitSleeves, size_t{0});
        QCOMPARE(placing::planPutAway({file(1, in_ / "a.flac", one), file(2, in_ / "b.flac", two)},
                                      options("{disc: if several, after \"-\"}{title}"))
                     .files[0]
                     .to.filename(),
                 Path("1-One.flac"));
    }

    void gapsAndBlanks() {
        tags::Fields bare = {{"title", {"Gorse"}}, {"artist", {"Isla Varnholt"}}};
        auto r = placing::planPutAway({file(1, in_ / "a.flac", bare, "")}, options());
        QVERIFY(r.files[0].mark(MarkKind::Blocked)); // the folder of the album would have no name
        r = placing::planPutAway({file(1, in_ / "a.flac", bare, "")}, options("{artist}/{track} {title}"));
        QCOMPARE(r.files[0].mark(MarkKind::Gap)->text, std::string("no track"));
        QCOMPARE(r.files[0].to, shelf_ / "Isla Varnholt/Gorse.flac");
    }

    void valuesCannotClimbOut() {
        for (const char* evil : {"../../etc", "/etc/passwd", "..", "a/../../b", "."}) {
            tags::Fields f = {{"title", {evil}}, {"artist", {evil}}};
            auto r = placing::planPutAway({file(1, in_ / "a.flac", f, "")}, options("{artist}/{title}"));
            QVERIFY(r.files[0].to.lexically_normal().native().starts_with(shelf_.native() + "/"));
            QCOMPARE(r.files[0].to, r.files[0].to.lexically_normal());
        }
    }

    void longNamesAreClipped() {
        auto r = placing::planPutAway({file(1, in_ / "a.flac", {{"title", {std::string(400, 'x')}}}, "")},
                                      options("{title}"));
        QCOMPARE(r.files[0].to.filename().native().size(), size_t{255});
        QVERIFY(r.files[0].to.native().ends_with(".flac"));
    }

    void othersGoAlong() {
        test::writeBytes(in_ / "scan.jpg", "picture");
        std::vector<placing::PutAwayFile> all = {file(1, in_ / "a.flac", song("One", "1")),
                                                 file(2, in_ / "b.flac", song("Two", "2"))};
        QVERIFY(placing::planPutAway(all, options()).along.empty()); // c stays, so the picture stays with it
        all.push_back(file(3, in_ / "c.flac", song("Three", "3")));
        auto r = placing::planPutAway(all, options());
        QCOMPARE(r.along.size(), size_t{1});
        QCOMPARE(r.along[0].to, shelf_ / "The Hollow Ferry/1998 Night Post EP/scan.jpg");
        QCOMPARE(r.emptied, std::vector<Path>{in_});
        auto without = options();
        without.along = placing::AlongRule::none();
        QVERIFY(placing::planPutAway(all, without).emptied.empty());
        auto copies = options();
        copies.copy = true;
        QVERIFY(placing::planPutAway(all, copies).emptied.empty());
    }

    void shelvesThatCannotBeUsed() {
        auto o = options();
        o.shelf = *box_ / "nowhere";
        QVERIFY(placing::planPutAway({}, o).shelfProblem.find("not there") != std::string::npos);
        o.shelf = in_ / "a.flac";
        QVERIFY(placing::planPutAway({}, o).shelfProblem.find("is a file") != std::string::npos);
    }

    void aShelfThatIsNotWritable() {
        // Everything runs as root in CI: permissions mean something only without its rights, in a child.
        ::chmod(box_->root().c_str(), 0755);
        ::chmod(shelf_.c_str(), 0555);
        pid_t child = ::fork();
        if (child == 0) {
            if (::geteuid() == 0 && ::setuid(65534) != 0)
                ::_exit(3);
            ::_exit(placing::planPutAway({}, options()).shelfProblem.find("not writable") != std::string::npos
                        ? 0
                        : 1);
        }
        int status = -1;
        ::waitpid(child, &status, 0);
        ::chmod(shelf_.c_str(), 0755);
        QCOMPARE(status, 0);
    }

private:
    std::unique_ptr<test::Sandbox> box_;
    Path shelf_, in_;
};

QTEST_GUILESS_MAIN(TestPutAway)
#include "test_put_away.moc"
