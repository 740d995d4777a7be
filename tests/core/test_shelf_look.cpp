// SPDX-License-Identifier: GPL-3.0-or-later
// The library stays true to its shelves: what came, went, was moved or changed by others, and a disk that is
// not mounted. And the folders that the system watches for it.
#include <QtTest>

#include <condition_variable>
#include <fstream>
#include <mutex>

#include "core/files/folder_watch.h"
#include "core/library/audio_duplicates.h"
#include "core/library/find_again.h"
#include "core/library/fixity.h"
#include "core/library/moved_shelf.h"
#include "core/library/recordings.h"
#include "core/library/rescan.h"
#include "core/tags/tag_io.h"
#include "support/sample_files.h"

using namespace moorfrost;
using library::FileId;
using library::MovedBy;
namespace fs = std::filesystem;

namespace {

/// What a watch told, and how long until then.
class Told {
public:
    files::FolderWatch::Told wait(int milliseconds = 8000) {
        std::unique_lock lock(mutex_);
        come_.wait_for(lock, std::chrono::milliseconds(milliseconds), [&] { return has_; });
        has_ = false;
        return std::exchange(told_, {});
    }
    void take(const files::FolderWatch::Told& told) {
        std::lock_guard lock(mutex_);
        told_.all = told_.all || told.all;
        told_.folders.insert(told.folders.begin(), told.folders.end());
        told_.trees.insert(told.trees.begin(), told.trees.end());
        has_ = true;
        come_.notify_all();
    }
    void say(const std::string& sentence) {
        std::lock_guard lock(mutex_);
        trouble_ = sentence;
    }
    std::string trouble() {
        std::lock_guard lock(mutex_);
        return trouble_;
    }

private:
    std::mutex mutex_;
    std::condition_variable come_;
    files::FolderWatch::Told told_;
    std::string trouble_;
    bool has_ = false;
};

} // namespace

class TestShelfLook : public QObject {
    Q_OBJECT
private slots:
    void init() {
        box_ = std::make_unique<test::Sandbox>();
        store_ = std::move(*library::Store::open(*box_ / "library.db"));
        root_ = *box_ / "shelf";
        fs::create_directories(root_ / "Salt Road");
        shelf_ = {store_->shelves().add("Archive", root_), "Archive", root_};
        for (uint32_t i = 0; i < 4; ++i)
            test::makeSound(root_ / "Salt Road", "0" + std::to_string(i) + ".flac", i + 1);
        QCOMPARE(look().summary.read, uint64_t{4});
    }
    void cleanup() { store_.reset(); }

    void nothingIsReadTwice() {
        const auto again = look();
        QCOMPARE(again.summary.read, uint64_t{0});
        QCOMPARE(again.summary.unchanged, uint64_t{4});
        QVERIFY(again.absence.gone.empty() && again.absence.followed.empty());
    }

    void aRenamedFolderIsFollowed() {
        const FileId id = idOf("Salt Road/01.flac");
        library::keepValues(*store_, "Rate", library::ratingField, {{id, {"5"}}});
        fs::rename(root_ / "Salt Road", root_ / "Salt Road (2019)");
        const auto done = look();
        QCOMPARE(done.moves.size(), size_t{4});
        QVERIFY(done.moves[0].by == MovedBy::SameState);
        QCOMPARE(idOf("Salt Road (2019)/01.flac"), id); // and so all that hangs on it
        QCOMPARE(store_->files().find(id)->kept.at(library::ratingField).front(), std::string("5"));
        QCOMPARE(store_->files().onShelf(shelf_.id).size(), size_t{4}); // no row is left over
        QCOMPARE(done.absence.stillMissed(), size_t{0});
    }

    void aCopyWithoutItsTimeIsFollowedByItsName() {
        const FileId id = idOf("Salt Road/01.flac");
        fs::create_directories(root_ / "Elsewhere");
        fs::copy_file(root_ / "Salt Road/01.flac", root_ / "Elsewhere/01.flac");
        fs::last_write_time(root_ / "Elsewhere/01.flac",
                            fs::file_time_type::clock::now() - std::chrono::hours(5));
        fs::remove(root_ / "Salt Road/01.flac");
        const auto done = look();
        QCOMPARE(done.moves.size(), size_t{1});
        QVERIFY(done.moves[0].by == MovedBy::SameContent);
        QCOMPARE(idOf("Elsewhere/01.flac"), id);
    }

    void oneThatWasRetaggedOnTheWayIsFollowedByItsSound() {
        const FileId id = idOf("Salt Road/01.flac");
        keepEssence(id);
        fs::create_directories(root_ / "Elsewhere");
        fs::rename(root_ / "Salt Road/01.flac", root_ / "Elsewhere/Tide Table.flac");
        test::tag(root_ / "Elsewhere/Tide Table.flac", {{"title", {"Tide Table"}}});
        const auto done = look();
        QCOMPARE(done.moves.size(), size_t{1});
        QVERIFY(done.moves[0].by == MovedBy::SameSound);
        QCOMPARE(idOf("Elsewhere/Tide Table.flac"), id);
        QCOMPARE(tags::firstValue(store_->files().find(id)->tags.fields, "title"), std::string("Tide Table"));
        QVERIFY(store_->files().find(id)->absent == 0);
        // Read again, it is as it is known.
        QCOMPARE(look().summary.read, uint64_t{0});
    }

    void twoThatAreAlikeAreNotTakenForOne() {
        const FileId id = idOf("Salt Road/01.flac");
        fs::create_directories(root_ / "Elsewhere");
        for (const char* name : {"a.flac", "b.flac"}) {
            fs::copy_file(root_ / "Salt Road/01.flac", root_ / "Elsewhere" / name);
            fs::last_write_time(root_ / "Elsewhere" / name, fs::last_write_time(root_ / "Salt Road/01.flac"));
        }
        fs::remove(root_ / "Salt Road/01.flac");
        const auto done = look();
        QVERIFY(done.moves.empty());
        QCOMPARE(done.absence.gone, std::vector<FileId>{id});
        QVERIFY(store_->files().find(id)->absent != 0);
        // It comes back.
        fs::copy_file(root_ / "Elsewhere/a.flac", root_ / "Salt Road/01.flac");
        QCOMPARE(look().absence.stillMissed(), size_t{0});
        QCOMPARE(store_->files().find(id)->absent, int64_t{0});
    }

    void aShelfThatIsNotMountedIsNotEmpty() {
        fs::rename(root_, *box_ / "away");
        auto done = look();
        QCOMPARE(done.absence.notThere, std::vector<int64_t>{shelf_.id});
        QVERIFY(done.absence.gone.empty());
        // The place where it is mounted is an empty folder.
        fs::create_directories(root_);
        done = look();
        QCOMPARE(done.absence.notThere, std::vector<int64_t>{shelf_.id});
        QVERIFY(done.absence.gone.empty());
        fs::remove(root_);
        fs::rename(*box_ / "away", root_);
        done = look();
        QVERIFY(done.absence.notThere.empty());
        QCOMPARE(done.summary.unchanged, uint64_t{4});
    }

    void onlyThePlacesThatAreTold() {
        fs::remove(root_ / "Salt Road/01.flac");
        fs::create_directories(root_ / "Other");
        work::Progress progress;
        library::Places places;
        places.folders.insert(root_ / "Other");
        QVERIFY(library::lookForAbsent(*store_, {shelf_}, {}, progress, places).gone.empty());
        places.folders.insert(root_ / "Salt Road");
        QCOMPARE(library::lookForAbsent(*store_, {shelf_}, {}, progress, places).gone.size(), size_t{1});
        QVERIFY(!places.has(root_ / "Salt Road/inside/a.flac"));
        QVERIFY(!places.has(root_ / "Salt Road 2/a.flac"));
        places.trees.insert(root_ / "Salt Road");
        QVERIFY(places.has(root_ / "Salt Road/inside/a.flac"));
        QVERIFY(!places.has(root_ / "Salt Road 2/a.flac"));
    }

    void absentOnesAreFoundAgain() {
        const FileId bySound = idOf("Salt Road/00.flac"), byState = idOf("Salt Road/01.flac"),
                     byName = idOf("Salt Road/02.flac"), lost = idOf("Salt Road/03.flac");
        keepEssence(bySound);
        const Path away = *box_ / "away";
        fs::create_directories(away / "deep");
        fs::rename(root_ / "Salt Road/00.flac", away / "deep/other name.flac");
        test::tag(away / "deep/other name.flac", {{"title", {"Tide Table"}}});
        fs::rename(root_ / "Salt Road/01.flac", away / "renamed.flac");
        fs::rename(root_ / "Salt Road/02.flac", away / "02.flac");
        test::tag(away / "02.flac", {{"title", {"Gorse"}}});
        fs::remove(root_ / "Salt Road/03.flac");
        test::makeSound(away, "03.flac", 99); // another sound by its name
        std::ofstream(root_ / "a.txt") << "the shelf is not empty";
        QCOMPARE(look().absence.gone.size(), size_t{4});
        keepEssence(lost, "00000000000000000000000000000000");
        work::Progress progress;
        const auto found =
            library::findAgain(*store_, {bySound, byState, byName, lost}, {away}, {}, progress);
        using By = library::FoundAgain::By;
        QCOMPARE(found.size(), size_t{4});
        QVERIFY(found[0].by == By::SameSound && found[0].now.path == away / "deep/other name.flac");
        QVERIFY(found[1].by == By::SameState && found[1].now.path == away / "renamed.flac");
        QVERIFY(found[2].by == By::NameAndLength && found[2].now.path == away / "02.flac");
        QVERIFY2(found[3].by == By::Nothing, found[3].told.c_str());
        QCOMPARE(library::follow(*store_, found), size_t{3});
        const auto file = store_->files().find(bySound);
        QCOMPARE(file->path, away / "deep/other name.flac");
        QCOMPARE(tags::firstValue(file->tags.fields, "title"), std::string("Tide Table"));
        QCOMPARE(file->absent, int64_t{0});
        QVERIFY(store_->files().find(lost)->absent != 0);
        QCOMPARE(library::follow(*store_, found), size_t{0}); // they are there by now
    }

    void aShelfThatHasMoved() {
        const FileId id = idOf("Salt Road/01.flac");
        const Path to = *box_ / "another disk/music";
        fs::create_directories(to.parent_path());
        fs::rename(root_, to);
        fs::remove(to / "Salt Road/03.flac");
        const auto seen = library::lookAtMoved(*store_, shelf_, to, {});
        QCOMPARE(seen->files, size_t{4});
        QCOMPARE(seen->found, size_t{3});
        QVERIFY(!library::moveShelf(*store_, shelf_, shelf_.path)); // it is one already
        QVERIFY(!library::moveShelf(*store_, shelf_, shelf_.path / "inside"));
        QVERIFY(library::moveShelf(*store_, shelf_, to));
        QCOMPARE(store_->files().find(id)->path, to / "Salt Road/01.flac");
        shelf_ = store_->shelves().all().front();
        QCOMPARE(shelf_.path, to);
        const auto done = look();
        QCOMPARE(done.summary.unchanged, uint64_t{3});
        QCOMPARE(done.absence.gone.size(), size_t{1});
    }

    // The watch.

    void tellsWhichFoldersChanged() {
        Told told;
        files::FolderWatch watch(
            {root_}, quick(), [&](auto t) { told.take(t); }, [&](auto s) { told.say(s); });
        QTest::qWait(150);
        test::makeSound(root_ / "Salt Road", "new.flac", 9);
        QVERIFY(told.wait().folders.contains(root_ / "Salt Road"));
        // A folder that comes is watched with all in it, from then on.
        fs::create_directories(root_ / "One/Two");
        QVERIFY(told.wait().trees.contains(root_ / "One"));
        std::ofstream(root_ / "One/Two/a.txt") << "x";
        QVERIFY(told.wait().folders.contains(root_ / "One/Two"));
        // One that is moved is told by both names, and known by the new one.
        fs::rename(root_ / "One", root_ / "Three");
        const auto moved = told.wait();
        QVERIFY(moved.trees.contains(root_ / "One") && moved.trees.contains(root_ / "Three"));
        fs::remove(root_ / "Three/Two/a.txt");
        QVERIFY(told.wait().folders.contains(root_ / "Three/Two"));
        QCOMPARE(told.trouble(), std::string());
    }

    void aRootThatGoesAndComes() {
        Told told;
        files::FolderWatch::Options options = quick();
        options.roots = std::chrono::milliseconds(100);
        files::FolderWatch watch(
            {root_}, options, [&](auto t) { told.take(t); }, [&](auto s) { told.say(s); });
        QTest::qWait(150);
        fs::rename(root_, *box_ / "away");
        QVERIFY(told.wait().trees.contains(root_));
        fs::rename(*box_ / "away", root_);
        QVERIFY(told.wait().trees.contains(root_));
        QTest::qWait(300);
        told.wait(1);
        test::makeSound(root_ / "Salt Road", "new.flac", 9);
        QVERIFY(told.wait().folders.contains(root_ / "Salt Road"));
    }

    void theLimitIsSaid() {
        for (int i = 0; i < 20; ++i)
            fs::create_directories(root_ / std::to_string(i));
        Told told;
        files::FolderWatch::Options options = quick();
        options.mostFolders = 10;
        files::FolderWatch watch(
            {root_}, options, [&](auto t) { told.take(t); }, [&](auto s) { told.say(s); });
        QTRY_VERIFY_WITH_TIMEOUT(!told.trouble().empty(), 5000);
        QVERIFY(QString::fromStdString(told.trouble()).contains("no more folders"));
    }

private:
    library::Rescan look() {
        work::Progress progress;
        auto done = library::rescan(*store_, {shelf_}, {}, progress);
        if (!done)
            qFatal("%s", done.error().message.c_str());
        return std::move(*done);
    }
    static files::FolderWatch::Options quick() {
        files::FolderWatch::Options options;
        options.quiet = std::chrono::milliseconds(100);
        options.most = std::chrono::milliseconds(1000);
        return options;
    }
    FileId idOf(const char* path) { return store_->files().idOf(root_ / path); }
    void keepEssence(FileId id, const std::string& essence = {}) {
        const auto file = store_->files().find(id);
        store_->workedOut().save(
            library::essenceField,
            {{id,
              {essence.empty() ? library::fixityOf(file->path, false)->essence : essence,
               std::to_string(file->state.size), std::to_string(file->state.modifiedNs)}}});
    }

    std::unique_ptr<test::Sandbox> box_;
    std::unique_ptr<library::Store> store_;
    library::Shelf shelf_;
    Path root_;
};

QTEST_GUILESS_MAIN(TestShelfLook)
#include "test_shelf_look.moc"
