// SPDX-License-Identifier: GPL-3.0-or-later
// What people gave to recordings outlives the files that hold them.
#include <QtTest>

#include "core/library/recordings.h"
#include "core/library/store/keeping.h"
#include "core/library/store/schema.h"
#include "core/library/work_rows.h"
#include "core/library/writing.h"
#include "core/tags/packed.h"
#include "support/sample_files.h"

using namespace moorfrost;
using library::FileId;
using library::kindField;

class TestRecordings : public QObject {
    Q_OBJECT
private slots:
    void init() {
        box_ = std::make_unique<test::Sandbox>();
        store_ = std::move(*library::Store::open(*box_ / "library.db"));
        shelf_ = store_->shelves().add("Archive", *box_ / "shelf");
        batch_ = store_->batches().add("Transfers");
    }
    void cleanup() { store_.reset(); }

    void everyFileOnAShelfBelongsToOne() {
        const FileId scanned = store_->files().save(scan("shelf", "a.flac"), shelf_);
        const FileId sent = store_->files().save(scan("in", "b.flac"));
        const FileId moved = store_->files().save(scan("in", "c.flac"));
        QCOMPARE(store_->recordings().placeOf(sent).recording, int64_t{0}); // not put away, nothing kept
        store_->files().setShelf({sent}, shelf_);
        store_->files().update(moved, {1, 2}, std::nullopt, shelf_);
        std::set<int64_t> different;
        for (FileId id : {scanned, sent, moved})
            different.insert(store_->recordings().placeOf(id).recording);
        QCOMPARE(different.size(), size_t{3});
        QVERIFY(!different.contains(0));
        // Known already: it stays.
        const auto before = store_->recordings().placeOf(scanned);
        store_->files().save(scan("shelf", "a.flac"), shelf_);
        QVERIFY(store_->recordings().placeOf(scanned) == before);
    }

    void whatIsKeptSurvivesClearingABatch() {
        const auto ids = store_->saveFiles({scan("in", "a.flac"), scan("in", "b.flac")}, batch_);
        say(ids[0], "speech");
        store_->batches().forget(batch_);
        QVERIFY(!store_->files().find(ids[1])); // nothing of it is kept
        // Brought in again, it is the same.
        const int64_t again = store_->batches().add("Again");
        const auto back = store_->saveFiles({scan("in", "a.flac")}, again);
        QCOMPARE(kindOf(back[0]), std::string("speech"));
        store_->batches().removeFiles(again, back);
        QCOMPARE(kindOf(store_->files().idOf(*box_ / "in/a.flac")), std::string("speech"));
    }

    void noRecordingIsLeftOfWhatWasNeverKept() {
        const auto ids = store_->saveFiles({scan("in", "a.flac")}, batch_);
        store_->recordings().ensure(ids[0]);
        store_->batches().forget(batch_);
        QCOMPARE(count("recording"), 0);
        QCOMPARE(count("recording_file"), 0);
    }

    void whatIsKeptSurvivesRemovingAShelf() {
        const FileId id = store_->files().save(scan("shelf", "a.flac"), shelf_);
        say(id, "tone");
        store_->shelves().remove(shelf_);
        const int64_t again = store_->shelves().add("Archive", *box_ / "shelf");
        const FileId back = store_->files().save(scan("shelf", "a.flac"), again);
        QCOMPARE(kindOf(back), std::string("tone"));
    }

    void whatIsKeptSurvivesTakingBackACopy() {
        const auto ids = store_->saveFiles({scan("in", "a.flac")}, batch_);
        const auto set = copyToShelf("in/a.flac", ids[0]);
        const FileId copy = store_->files().idOf(*box_ / "shelf/a.flac");
        QVERIFY(copy > 0);
        QVERIFY(store_->recordings().placeOf(copy).recording ==
                    store_->recordings().placeOf(ids[0]).recording ||
                !store_->files().find(ids[0]));
        say(copy, "ident"); // of the copy, which goes
        takeBack(set);
        QVERIFY(!store_->files().find(copy));
        QCOMPARE(kindOf(store_->files().idOf(*box_ / "in/a.flac")), std::string("ident"));
    }

    void aCopyThatIsTakenBackWithoutItsSourceIsAbsent() {
        test::makeSound(*box_ / "in", "a.flac"); // the library never knew it
        const auto set = copyToShelf("in/a.flac", 0);
        const FileId copy = store_->files().idOf(*box_ / "shelf/a.flac");
        say(copy, "ident");
        takeBack(set);
        QVERIFY(store_->files().find(copy)->absent > 0);
        QCOMPARE(kindOf(copy), std::string("ident"));
        copyToShelf("in/a.flac", 0); // and there again
        QCOMPARE(store_->files().idOf(*box_ / "shelf/a.flac"), copy);
        QCOMPARE(store_->files().find(copy)->absent, int64_t{0});
    }

    void whatIsKeptSurvivesMovingOverAKnownPath() {
        const FileId gone = store_->files().save(scan("shelf", "a.flac"), shelf_);
        say(gone, "speech");
        std::filesystem::remove(*box_ / "shelf/a.flac");
        const FileId other = store_->files().save(scan("in", "b.flac"));
        store_->files().move(other, *box_ / "shelf/a.flac");
        QCOMPARE(store_->files().idOf(*box_ / "shelf/a.flac"), other);
        QCOMPARE(kindOf(other), std::string());
        const auto left = store_->files().find(gone);
        QVERIFY(left && left->absent > 0);
        QCOMPARE(left->kind, std::string("speech"));
        // Of a file in a batch only, and of which nothing is kept, nothing stays.
        const FileId plain = store_->files().save(scan("in", "c.flac"));
        const FileId over = store_->files().save(scan("in", "d.flac"));
        store_->files().move(over, *box_ / "in/c.flac");
        QVERIFY(!store_->files().find(plain));
    }

    void anAbsentFileComesBack() {
        const FileId id = store_->files().save(scan("shelf", "a.flac"), shelf_);
        const std::string before = store_->revisions().begin();
        store_->files().setAbsent({id}, 1700000000);
        QCOMPARE(store_->files().find(id)->absent, int64_t{1700000000});
        store_->files().setAbsent({id}, 1800000000); // since when stays
        QCOMPARE(store_->files().find(id)->absent, int64_t{1700000000});
        QCOMPARE(store_->revisions().changedSince(before)->size(), size_t{1}); // searches hear of it
        store_->files().save(scan("shelf", "a.flac"), shelf_);
        QCOMPARE(store_->files().find(id)->absent, int64_t{0});
    }

    void mergingAndTakingItBack() {
        const FileId a = store_->files().save(scan("shelf", "a.flac"), shelf_);
        const FileId b = store_->files().save(scan("shelf", "b.flac"), shelf_);
        const FileId c = store_->files().save(scan("shelf", "c.flac"), shelf_);
        say(b, "speech");
        const auto before = places({a, b, c});
        const std::string revision = store_->revisions().begin();
        auto merged = library::mergeRecordings(*store_, {a, b});
        QVERIFY(merged);
        QCOMPARE(merged->touched, (std::vector<FileId>{a, b}));
        QVERIFY(!store_->revisions().changedSince(revision)->empty()); // the kind of a is searched
        QCOMPARE(kindOf(a), std::string("speech"));                    // of the one that kept something
        QCOMPARE(store_->recordings().placeOf(a).recording, store_->recordings().placeOf(b).recording);
        QVERIFY(!library::mergeRecordings(*store_, {b, a}));
        QVERIFY(!library::mergeRecordings(*store_, {a}));
        QVERIFY(!library::mergeRecordings(*store_, {}));
        QVERIFY(library::mergeRecordings(*store_, {c, a}));
        QCOMPARE(library::recordingOf(*store_, b).files.size(), size_t{3});
        // In the wrong order it says so, and nothing is done.
        auto early = library::takeBackChange(*store_, merged->change);
        QVERIFY(early); // c came later and stands for itself
        QCOMPARE(store_->recordings().placeOf(a), before.at(a));
        QVERIFY(!library::takeBackChange(*store_, merged->change));
        QVERIFY(library::makeChangeAgain(*store_, merged->change));
        QCOMPARE(library::recordingOf(*store_, b).files.size(), size_t{3});
    }

    void whatWasChangedAgainIsNotTakenBack() {
        const FileId a = store_->files().save(scan("shelf", "a.flac"), shelf_);
        const auto first = library::keepValues(*store_, "Kind: speech", kindField, {{a, {"speech"}}});
        const auto second = library::keepValues(*store_, "Kind: tone", kindField, {{a, {"tone"}}});
        QCOMPARE(library::keepValues(*store_, "Kind: tone", kindField, {{a, {"tone"}}}).change, int64_t{0});
        auto refused = library::takeBackChange(*store_, first.change);
        QVERIFY(!refused);
        QVERIFY(refused.error().message.find("\"Kind: tone\"") != std::string::npos);
        QCOMPARE(kindOf(a), std::string("tone"));
        QVERIFY(library::takeBackChange(*store_, second.change));
        QVERIFY(library::takeBackChange(*store_, first.change));
        QCOMPARE(kindOf(a), std::string());
        QVERIFY(!library::takeBackChange(*store_, 999));
        const auto all = store_->changes().all();
        QCOMPARE(all.size(), size_t{2});
        QVERIFY(all[0].takenBack && all[0].title == "Kind: tone" && all[0].parts == 1);
    }

    void partingKeepsWhatWasKept() {
        const FileId a = store_->files().save(scan("shelf", "a.flac"), shelf_);
        const FileId b = store_->files().save(scan("shelf", "b.flac"), shelf_);
        QVERIFY(!library::partFiles(*store_, {a})); // it is alone
        QVERIFY(library::mergeRecordings(*store_, {a, b}));
        say(a, "speech");
        QVERIFY(library::chooseBest(*store_, b));
        QVERIFY(!library::partFiles(*store_, {a, b})); // nothing would be left
        auto parted = library::partFiles(*store_, {b});
        QVERIFY(parted);
        QCOMPARE(kindOf(a), std::string("speech"));
        QCOMPARE(kindOf(b), std::string("speech"));
        say(b, "tone");
        QCOMPARE(kindOf(a), std::string("speech"));
        // The same sound does not bring them together again.
        QCOMPARE(library::joinSameSound(*store_, {{a, b}}).change, int64_t{0});
    }

    void theBestFile() {
        auto file = [](int bits, int rate, int bitrate) {
            library::FileRecord f;
            f.tags.facts.bitDepth = bits;
            f.tags.facts.sampleRate = rate;
            f.tags.facts.bitrate = bitrate;
            return f;
        };
        QVERIFY(library::isBetter(file(16, 44100, 700000), file(0, 48000, 320000)));
        QVERIFY(library::isBetter(file(24, 44100, 0), file(16, 96000, 0)));
        QVERIFY(library::isBetter(file(16, 96000, 0), file(16, 44100, 0)));
        QVERIFY(library::isBetter(file(0, 44100, 320000), file(0, 44100, 128000)));
        auto damaged = file(24, 96000, 0);
        damaged.tags.damaged = true;
        QVERIFY(library::isBetter(file(0, 44100, 96000), damaged));
        auto absent = file(24, 96000, 0);
        absent.absent = 5;
        QVERIFY(library::isBetter(damaged, absent));
        // Or the one that a person chose.
        const FileId a = store_->files().save(scan("shelf", "a.flac"), shelf_);
        const FileId b = store_->files().save(scan("shelf", "b.mp3"), shelf_);
        QVERIFY(library::mergeRecordings(*store_, {a, b}));
        QCOMPARE(library::recordingOf(*store_, b).best, a);
        auto chosen = library::chooseBest(*store_, b);
        QCOMPARE(library::recordingOf(*store_, a).best, b);
        QVERIFY(library::recordingOf(*store_, a).chosen);
        QVERIFY(library::takeBackChange(*store_, chosen->change));
        QCOMPARE(library::recordingOf(*store_, a).best, a);
        QVERIFY(!library::chooseBest(*store_, 999));
    }

    void sameSoundIsOneRecording() {
        const FileId a = store_->files().save(scan("shelf", "a.flac"), shelf_);
        const FileId b = store_->files().save(scan("shelf", "b.flac"), shelf_);
        const FileId c = store_->files().save(scan("shelf", "c.flac"), shelf_);
        QCOMPARE(store_->recordings().unlooked().size(), size_t{3});
        store_->recordings().setLooked({a, b, c});
        QVERIFY(store_->recordings().unlooked().empty());
        auto joined = library::joinSameSound(*store_, {{a, b}});
        QVERIFY(joined.change > 0);
        QCOMPARE(library::recordingOf(*store_, a).files.size(), size_t{2});
        QCOMPARE(library::joinSameSound(*store_, {{b, a}}).change, int64_t{0});
        QVERIFY(library::takeBackChange(*store_, joined.change));
        QCOMPARE(library::recordingOf(*store_, a).files.size(), size_t{1});
        // A person said that they are two.
        QCOMPARE(library::joinSameSound(*store_, {{a, b}}).change, int64_t{0});
    }

    void forgettingAnAbsentFile() {
        const FileId a = store_->files().save(scan("shelf", "a.flac"), shelf_);
        say(a, "speech");
        auto there = library::forgetAbsent(*store_, {a});
        QVERIFY(!there && there.error().message.find("absent") != std::string::npos);
        store_->files().setAbsent({a}, 1700000000);
        const auto before = *store_->files().find(a);
        auto gone = library::forgetAbsent(*store_, {a});
        QVERIFY(gone);
        QVERIFY(!store_->files().find(a));
        QCOMPARE(count("recording_value"), 0);
        QVERIFY(library::takeBackChange(*store_, gone->change));
        const auto back = store_->files().find(a);
        QVERIFY(back);
        QCOMPARE(back->path, before.path);
        QCOMPARE(back->kind, std::string("speech"));
        QCOMPARE(back->absent, before.absent);
        QCOMPARE(back->shelf, before.shelf);
        QVERIFY(back->tags.fields == before.tags.fields);
        QVERIFY(library::makeChangeAgain(*store_, gone->change));
        QVERIFY(!store_->files().find(a));
    }

    void librariesOfEarlierVersions_data() {
        QTest::addColumn<int>("version");
        constexpr int recordingsCame = 8; // with the version after this one
        for (int v = 5; v <= recordingsCame; ++v)
            QTest::addRow("version %d", v) << v;
    }
    void librariesOfEarlierVersions() {
        QFETCH(int, version);
        const Path path = *box_ / "old.db";
        {
            library::Database db(path);
            for (int n = 0; n < version; ++n) {
                db.execute(library::migrations()[static_cast<size_t>(n)].sql);
                if (library::migrations()[static_cast<size_t>(n)].work)
                    library::migrations()[static_cast<size_t>(n)].work(db);
            }
            db.execute("INSERT INTO shelf VALUES (1, 'Archive', CAST('/archive' AS BLOB))");
            for (const char* row : {"(7, CAST('/archive/a.flac' AS BLOB), 1, 2, 3, '', ?, 1, 4)",
                                    "(8, CAST('/archive/b.flac' AS BLOB), 2, 2, 3, '', ?, 1, 4)",
                                    "(9, CAST('/in/c.flac' AS BLOB), 3, 2, 3, '', ?, NULL, 4)",
                                    "(10, CAST('/in/d.flac' AS BLOB), 4, 2, 3, '', ?, NULL, 4)"})
                library::Statement(db, std::string("INSERT INTO file VALUES ") + row)
                    .bindBlob(tags::packed({}))
                    .run();
            if (version >= 6)
                db.execute("INSERT INTO kept_value VALUES (7, 'kind', 0, 'speech'), (9, 'kind', 0, 'tone'),"
                           " (10, 'proposed kind', 0, 'ident'), (8, 'essence', 0, 'x');"
                           "INSERT INTO collection VALUES (1, NULL, 'Reissue', NULL, '', 0);"
                           "INSERT INTO collection_file VALUES (1, 0, 8);"
                           "INSERT INTO family VALUES (2, 'Lanterns', '');"
                           "INSERT INTO family_file VALUES (8, 2, 'instrumental', 0);"
                           "INSERT INTO \"use\" VALUES (1, 7, 5, 'Midsummer concert', '')");
            db.execute(("PRAGMA user_version = " + std::to_string(version)).c_str());
        }
        auto store = std::move(*library::Store::open(path));
        QVERIFY(store->recordings().placeOf(7).recording != 0);
        QVERIFY(store->recordings().placeOf(8).recording != 0);
        QCOMPARE(store->recordings().placeOf(10).recording, int64_t{0});
        QCOMPARE(store->recordings().unlooked().size(), size_t{version >= 6 ? 3u : 2u});
        if (version < 6)
            return;
        QCOMPARE(store->files().find(7)->kind, std::string("speech"));
        QCOMPARE(store->files().find(9)->kind, std::string("tone"));
        QCOMPARE(store->workedOut().find(library::proposedKindField, {10}).size(), size_t{1});
        QCOMPARE(store->workedOut().find("essence", {8}).size(), size_t{1});
        for (const char* sql :
             {"SELECT recording FROM collection_recording", "SELECT recording FROM family_recording"})
            QCOMPARE(number(*store, sql), store->recordings().placeOf(8).recording);
        QCOMPARE(number(*store, "SELECT recording FROM \"use\""), store->recordings().placeOf(7).recording);
        // What is used is not lost with its file.
        store->database().execute("DELETE FROM recording_value");
        store->files().forget(7);
        QCOMPARE(number(*store, "SELECT count(*) FROM recording WHERE id=(SELECT recording FROM \"use\")"),
                 int64_t{1});
        // And a number is never given twice.
        store->files().forget(10);
        QVERIFY(store->recordings().add() > 9);
    }

    void aDamagedLibraryKeepsThem() {
        const FileId a = store_->files().save(scan("shelf", "a.flac"), shelf_);
        const FileId b = store_->files().save(scan("shelf", "b.flac"), shelf_);
        say(a, "speech");
        QVERIFY(library::mergeRecordings(*store_, {a, b}));
        // As if the rows of recordings could not be read.
        store_->database().execute("PRAGMA foreign_keys=OFF; DELETE FROM recording; PRAGMA foreign_keys=ON");
        store_.reset();
        auto made = library::makeAnew(*box_ / "library.db");
        QVERIFY(made);
        store_ = std::move(*library::Store::open(*box_ / "library.db"));
        QCOMPARE(kindOf(b), std::string("speech"));
        QCOMPARE(library::recordingOf(*store_, a).files.size(), size_t{2});
    }

private:
    files::ScannedFile scan(const char* folder, const char* name) {
        const Path path = *box_ / folder / name;
        if (!std::filesystem::exists(path))
            test::makeSound(*box_ / folder, name, ++seed_);
        return files::scanFile(path);
    }
    void say(FileId file, const std::string& kind) {
        library::keepValues(*store_, "Kind", kindField, {{file, {kind}}});
    }
    std::string kindOf(FileId file) {
        const auto found = store_->files().find(file);
        return found ? found->kind : "not known";
    }
    std::map<FileId, library::RecordingPlace> places(const std::vector<FileId>& files) {
        std::map<FileId, library::RecordingPlace> out;
        for (FileId id : files)
            out[id] = store_->recordings().placeOf(id);
        return out;
    }
    int64_t copyToShelf(const char* from, FileId file) {
        files::ChangeSet set;
        set.title = "Put away a copy";
        files::Step step;
        step.file = file;
        step.source = *box_ / from;
        step.target = *box_ / "shelf" / step.source.filename();
        step.copy = true;
        set.steps.push_back(step);
        work::Progress progress;
        const auto outcome = library::writeSet(*store_, set, file > 0 ? batch_ : 0, {}, progress);
        return outcome.report.done == 1 ? outcome.set : 0;
    }
    void takeBack(int64_t set) {
        work::Progress progress;
        QCOMPARE(library::takeBackSet(*store_, set, std::nullopt, {}, progress).done, size_t{1});
    }
    int64_t number(library::Store& store, const std::string& sql) {
        library::Statement s(store.database(), sql);
        return s.step() ? s.integer(0) : -1;
    }
    int count(const std::string& table) {
        return static_cast<int>(number(*store_, "SELECT count(*) FROM " + table));
    }

    std::unique_ptr<test::Sandbox> box_;
    std::unique_ptr<library::Store> store_;
    int64_t shelf_ = 0, batch_ = 0;
    uint32_t seed_ = 0;
};

QTEST_GUILESS_MAIN(TestRecordings)
#include "test_recordings.moc"
