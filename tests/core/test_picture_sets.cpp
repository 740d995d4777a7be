// SPDX-License-Identifier: GPL-3.0-or-later
// Pictures in sets that are written: what the library knows then, what the journal keeps, taking back.
#include <QtTest>

#include "core/library/clean_pictures.h"
#include "core/library/drafts.h"
#include "core/library/writing.h"
#include "core/tags/kept_pictures.h"
#include "demo/pictures.h"
#include "support/sample_files.h"

using namespace moorfrost;
using tags::pictureKey;
using tags::pictureText;

class TestPictureSets : public QObject {
    Q_OBJECT
private slots:
    void init() {
        box_ = std::make_unique<test::Sandbox>();
        store_ = std::move(*library::Store::open(*box_ / "library.db"));
        pictures_ =
            std::make_unique<library::PictureStore>(library::PictureStore::folderOf(*box_ / "library.db"));
    }
    void cleanup() { store_.reset(); }

    void writtenShownAndTakenBack() {
        const auto front = *pictures_->add(demo::drawCover(1, 300), "front cover");
        const auto other = *pictures_->add(demo::drawCover(2, 500), "front cover");
        std::vector<Path> files;
        std::vector<std::string> originals;
        for (const std::string& e : test::endings()) {
            files.push_back(test::makeSound(*box_ / "in", "a" + e));
            store_->files().save(files::scanFile(files.back()));
            originals.push_back(test::readBytes(files.back()));
        }
        const int64_t added = write(files, {{pictureKey("front cover"), {pictureText(front)}}});
        std::vector<std::string> once;
        for (const Path& file : files) {
            const auto known = store_->files().find(store_->files().idOf(file));
            QCOMPARE(known->tags.pictures.size(), size_t{1});
            QCOMPARE(pictureText(known->tags.pictures[0]), pictureText(tags::readTags(file)->pictures[0]));
            QVERIFY(known->tags.fields == tags::readTags(file)->fields); // no picture among them
            once.push_back(test::readBytes(file));
        }
        const auto steps = store_->journal().steps(added);
        QVERIFY(!steps[0].record.before.contains(pictureKey("front cover")));
        QCOMPARE(tags::picturesIn(steps[0].record.after).at(0).hash, front.hash);
        // Replaced, and gone.
        const int64_t replaced = write(files, {{pictureKey("front cover"), {pictureText(other)}}});
        const int64_t removed = write(files, {{pictureKey("front cover"), {}}, {"title", {"Gorse"}}});
        for (const Path& file : files)
            QVERIFY(tags::readTags(file)->pictures.empty());
        // Byte for byte, in the order of time.
        takeBack(removed);
        for (const Path& file : files)
            QVERIFY((*tags::readPictures(file))[0].data == demo::drawCover(2, 500));
        takeBack(replaced);
        for (size_t i = 0; i < files.size(); ++i)
            QVERIFY2(test::readBytes(files[i]) == once[i], files[i].c_str());
        takeBack(added);
        for (size_t i = 0; i < files.size(); ++i) {
            QVERIFY2(test::readBytes(files[i]) == originals[i], files[i].c_str());
            QVERIFY(store_->files().find(store_->files().idOf(files[i]))->tags.pictures.empty());
        }
    }

    void whatManyFilesHeldIsKeptOnce() {
        const std::string large = demo::drawCover(5, 1400, true);
        QVERIFY(large.size() > 100000);
        const auto front = *pictures_->add(large, "front cover");
        std::vector<Path> files;
        for (int i = 0; i < 20; ++i)
            for (const char* e : {".mp3", ".flac", ".m4a", ".wav"})
                files.push_back(test::makeSound(*box_ / "in", std::to_string(i) + e));
        write(files, {{pictureKey("front cover"), {pictureText(front)}}});
        std::vector<std::string> before;
        for (const Path& file : files)
            before.push_back(test::readBytes(file));
        const int64_t removed = write(files, {{pictureKey("front cover"), {}}});
        QVERIFY2(store_->journal().use().used < 3 * large.size(),
                 qPrintable(QString::number(store_->journal().use().used)));
        // It is needed for as long as that can be taken back.
        const std::string name = tags::keptName(front);
        QVERIFY(store_->journal().pictureNames().contains(name));
        QVERIFY(library::cleanPictures(*box_ / "library.db"));
        takeBack(removed);
        for (size_t i = 0; i < files.size(); ++i)
            QVERIFY2(test::readBytes(files[i]) == before[i], files[i].c_str());
    }

    void whatIsLostIsFoundOutBeforeAnythingIsChanged() {
        const auto front = *pictures_->add(demo::drawCover(1, 900, true), "front cover");
        const Path file = test::makeSound(*box_ / "in", "a.flac");
        write({file}, {{pictureKey("front cover"), {pictureText(front)}}});
        const int64_t removed = write({file}, {{pictureKey("front cover"), {}}});
        std::filesystem::remove(pictures_->fileOf(front));
        const std::string now = test::readBytes(file);
        work::Progress progress;
        const auto outcome = library::takeBackSet(*store_, removed, std::nullopt, {}, progress);
        QCOMPARE(outcome.done, size_t{0});
        QCOMPARE(outcome.refused.size(), size_t{1});
        QVERIFY(test::readBytes(file) == now);
    }

    void aDraftForTenThousandFilesIsOnePicture() {
        const std::string large = demo::drawCover(5, 1400, true);
        std::vector<library::DraftSession::Wish> wishes;
        for (library::FileId id = 1; id <= 10000; ++id) {
            const auto kept = *pictures_->add(large, "front cover");
            wishes.push_back({id, pictureKey("front cover"), {pictureText(kept)}, {}});
        }
        QCOMPARE(std::distance(std::filesystem::directory_iterator(pictures_->folder()), {}), 1);
        size_t bytes = 0;
        library::DraftSession session([](library::FileId) { return nullptr; }, [] { return int64_t{1}; });
        session.setSink([&](const std::vector<library::DraftChange>& changes) {
            for (const library::DraftChange& c : changes)
                bytes += c.after ? c.after->values.front().size() + c.after->origin.size() : 0;
        });
        session.propose("Add picture", wishes, "a file");
        QCOMPARE(session.fieldDrafts(), size_t{10000});
        QVERIFY(bytes < 10 * large.size()); // what tells it apart, not the picture
        session.undo();
        QCOMPARE(session.fieldDrafts(), size_t{0});
    }

    void nobodyNeedsIt() {
        const auto front = *pictures_->add(demo::drawCover(1, 300), "front cover");
        const auto drafted = *pictures_->add(demo::drawCover(2, 300), "front cover");
        const Path file = test::makeSound(*box_ / "in", "a.flac");
        const library::FileId id = store_->files().save(files::scanFile(file));
        store_->drafts().save({{id, pictureKey("front cover"), std::nullopt,
                                library::Draft{{pictureText(drafted)}, "a file", 1}}});
        QCOMPARE(store_->drafts().pictureNames(), std::set<std::string>{tags::keptName(drafted)});
        auto age = [&](const tags::PictureInfo& p) {
            std::filesystem::last_write_time(
                pictures_->fileOf(p), std::filesystem::file_time_type::clock::now() - std::chrono::hours(30));
        };
        QCOMPARE(*library::cleanPictures(*box_ / "library.db"), uint64_t{0}); // all are young
        age(front);
        age(drafted);
        QCOMPARE(*library::cleanPictures(*box_ / "library.db"), front.bytes);
        QVERIFY(pictures_->bytesOf(drafted));
        // Where there is no library, or none that can be read, nothing is removed.
        for (const char* what : {"", "a letter to the archive"}) {
            const Path library = *box_ / (std::string("none") + what + ".db");
            const library::PictureStore beside(library::PictureStore::folderOf(library));
            const auto kept = *beside.add(demo::drawCover(3, 300), "front cover");
            std::filesystem::last_write_time(
                beside.fileOf(kept), std::filesystem::file_time_type::clock::now() - std::chrono::hours(30));
            if (*what)
                test::writeBytes(library, what);
            QVERIFY(!library::cleanPictures(library));
            QVERIFY(beside.bytesOf(kept));
        }
    }

    void aPictureThatVanishesBetweenDraftAndWrite() {
        const auto front = *pictures_->add(demo::drawCover(1, 300), "front cover");
        const Path a = test::makeSound(*box_ / "in", "a.flac"), b = test::makeSound(*box_ / "in", "b.mp3");
        const std::string before = test::readBytes(a);
        std::filesystem::remove(pictures_->fileOf(front));
        files::ChangeSet set = setOf({a}, {{pictureKey("front cover"), {pictureText(front)}}});
        set.steps.push_back(setOf({b}, {{"title", {"Gorse"}}}).steps[0]);
        work::Progress progress;
        const auto outcome = library::writeSet(*store_, set, 0, {}, progress);
        QCOMPARE(outcome.report.done, size_t{1}); // the other one
        QVERIFY2(outcome.report.steps[0].error.find("not kept any more") != std::string::npos,
                 outcome.report.steps[0].error.c_str());
        QVERIFY(test::readBytes(a) == before);
    }

private:
    static files::ChangeSet setOf(const std::vector<Path>& files, const tags::Fields& changes) {
        files::ChangeSet set;
        set.title = "Pictures";
        for (const Path& file : files) {
            files::Step step;
            step.source = file;
            step.changes = changes;
            set.steps.push_back(step);
        }
        return set;
    }
    int64_t write(const std::vector<Path>& files, const tags::Fields& changes) {
        work::Progress progress;
        const auto outcome = library::writeSet(*store_, setOf(files, changes), 0, {}, progress);
        for (const auto& step : outcome.report.steps)
            if (!step.error.empty())
                qWarning("%s", step.error.c_str());
        if (outcome.report.done != files.size())
            QTest::qFail("not all were written", __FILE__, __LINE__);
        return outcome.set;
    }
    void takeBack(int64_t set) {
        work::Progress progress;
        const auto outcome = library::takeBackSet(*store_, set, std::nullopt, {}, progress);
        for (const auto& [path, why] : outcome.refused)
            qWarning("%s: %s", path.c_str(), why.c_str());
        QVERIFY(outcome.refused.empty() && outcome.done > 0);
    }

    std::unique_ptr<test::Sandbox> box_;
    std::unique_ptr<library::Store> store_;
    std::unique_ptr<library::PictureStore> pictures_;
};

QTEST_GUILESS_MAIN(TestPictureSets)
#include "test_picture_sets.moc"
