// SPDX-License-Identifier: GPL-3.0-or-later
#include <QtTest>

#include <map>
#include <set>

#include "core/library/store/keeping.h"
#include "core/library/store/schema.h"
#include "core/library/writing.h"
#include "support/sample_files.h"

using namespace moorfrost;

class TestStore : public QObject {
    Q_OBJECT
private slots:
    void init() {
        box_ = std::make_unique<test::Sandbox>();
        store_ = std::move(*library::Store::open(*box_ / "library.db"));
    }
    void cleanup() { store_.reset(); }

    void filesComeBackAsTheyWere() {
        Path file = test::makeSound(box_->root(), "old \xE5.flac");
        test::tag(file, {{"title", {"Север"}}, {"artist", {"A", "B"}}, {"reel", {"7"}}});
        int64_t batch = store_->batches().add("Tarnholm");
        files::ScannedFile scanned = files::scanFile(file);
        files::ScannedFile bad;
        bad.path = *box_ / "gone.mp3";
        bad.error = "The file is not there any more.";
        auto ids = store_->saveFiles({scanned, bad}, batch);
        store_.reset();
        store_ = std::move(*library::Store::open(*box_ / "library.db"));
        auto read = store_->files().find(ids[0]);
        QVERIFY(read);
        QCOMPARE(read->path, file);
        QCOMPARE(read->tags.fields, scanned.tags->fields);
        QCOMPARE(read->tags.facts.sampleRate, 44100);
        QVERIFY(read->state == scanned.state);
        QCOMPARE(store_->files().find(ids[1])->error, bad.error);
        QCOMPARE(store_->batches().files(batch).size(), size_t{2});
        QCOMPARE(store_->files().all().size(), size_t{2});
        // The same path again is the same file.
        QCOMPARE(store_->files().save(scanned), ids[0]);
    }

    void forgettingABatch() {
        int64_t shelf = store_->shelves().add("Archive", *box_ / "shelf");
        int64_t batch = store_->batches().add("one"), other = store_->batches().add("two");
        Path a = test::makeSound(box_->root(), "a.flac"), b = test::makeSound(box_->root(), "b.flac"),
             c = test::makeSound(box_->root(), "c.flac");
        auto ids = store_->saveFiles({files::scanFile(a), files::scanFile(b), files::scanFile(c)}, batch);
        store_->files().save(files::scanFile(a), shelf);
        store_->batches().addFiles(other, {ids[1]});
        store_->batches().forget(batch);
        QVERIFY(store_->files().find(ids[0])); // on a shelf
        QVERIFY(store_->files().find(ids[1])); // in another batch
        QVERIFY(!store_->files().find(ids[2]));
        QVERIFY(std::filesystem::exists(c));
    }

    void whereFilesOfABatchCameFrom() {
        Path a = test::makeSound(*box_ / "in", "a.flac"), b = test::makeSound(*box_ / "in2", "b.flac"),
             c = test::makeSound(*box_ / "shelf", "c.flac");
        int64_t batch = store_->batches().add("b");
        store_->saveFiles({files::scanFile(a), files::scanFile(b)}, batch);
        library::FileId kept =
            store_->files().save(files::scanFile(c), store_->shelves().add("Archive", *box_ / "shelf"));
        store_->batches().send(batch, {kept}); // while the others are still being read
        store_->batches().noteOrigins(batch, {*box_ / "in/"});
        store_->batches().noteOrigins(batch, {box_->root()}); // what is known stays
        std::map<Path, size_t> from;
        for (const library::BatchOrigin& o : store_->batches().origins(batch)) {
            QVERIFY(o.when > 0);
            from[o.place] += o.files;
        }
        QVERIFY((from == std::map<Path, size_t>{{"", 1}, {*box_ / "in", 1}, {box_->root(), 1}}));
    }

    void whatBelongsToAFileGoesWithIt() {
        Path a = test::makeSound(box_->root(), "a.flac"), b = test::makeSound(box_->root(), "b.flac");
        auto ids = store_->saveFiles({files::scanFile(a), files::scanFile(b)}, 0);
        auto state = *files::stateOf(a);
        store_->peaks().save(ids[0], state, {0.0f, 0.5f, 1.0f, 2.0f});
        store_->peaks().save(999, state, {0.5f}); // of a file that was forgotten meanwhile
        auto heights = store_->peaks().find(ids[0], state);
        QCOMPARE(heights.size(), size_t{4});
        QVERIFY(std::abs(heights[1] - 0.5f) < 0.01f && heights[3] == 1.0f);
        QVERIFY(store_->peaks().find(ids[0], {state.size, state.modifiedNs + 1}).empty()); // another sound
        library::Database& db = store_->database();
        for (const char* sql : {"INSERT INTO kept_value VALUES (?, 'essence', 0, '4')",
                                "INSERT INTO fingerprint VALUES (?, 1, 1, 2, 20.0, x'00')"}) {
            for (library::FileId id : ids)
                library::Statement(db, sql).bind(id).run();
        }
        store_->files().move(ids[0], *box_ / "elsewhere.flac"); // it is kept by the file, not by its place
        store_->files().forget(ids[1]);
        for (const char* table : {"kept_value", "fingerprint", "peaks"}) {
            library::Statement s(db, std::string("SELECT file FROM ") + table);
            QVERIFY2(s.step() && s.integer(0) == ids[0] && !s.step(), table);
        }
    }

    void aNewerLibraryIsRefused() {
        store_->database().execute("PRAGMA user_version = 999");
        store_.reset();
        auto opened = library::Store::open(*box_ / "library.db");
        QVERIFY(!opened);
        QVERIFY(opened.error().message.find("newer") != std::string::npos);
        test::writeBytes(*box_ / "not.db", "this is not a database, it is a letter to the archive");
        QVERIFY(!library::Store::open(*box_ / "not.db"));
    }

    void shelfOfAPath() {
        std::vector<library::Shelf> shelves = {{1, "a", "/music"}, {2, "b", "/music/radio"}};
        QCOMPARE(library::shelfOf(shelves, "/music/x.mp3"), int64_t{1});
        QCOMPARE(library::shelfOf(shelves, "/music/radio/x.mp3"), int64_t{2});
        QCOMPARE(library::shelfOf(shelves, "/musical/x.mp3"), int64_t{0});
    }

    void puttingAwayAndBack() {
        int64_t shelf = store_->shelves().add("Archive", *box_ / "shelf");
        int64_t batch = store_->batches().add("one");
        Path a = test::makeSound(*box_ / "in", "a.flac");
        library::FileId id = store_->saveFiles({files::scanFile(a)}, batch).front();
        store_->drafts().save({{id, "title", {}, library::Draft{{"Gorse"}, "typed", 1}},
                               {id, "genre", {}, library::Draft{{"Folk"}, "typed", 1}}});
        files::Step step;
        step.file = id;
        step.source = a;
        step.target = *box_ / "shelf/Gorse.flac";
        step.changes = {{"title", {"Gorse"}}};
        work::Progress progress;
        auto outcome = library::writeSet(*store_, {"Put away", {step}, {}}, batch, {}, progress);
        auto file = store_->files().find(id);
        QCOMPARE(file->path, step.target);
        QCOMPARE(file->shelf, shelf);
        QCOMPARE(file->tags.fields["title"].front(), std::string("Gorse"));
        QVERIFY(store_->batches().files(batch).empty());
        auto drafts = store_->drafts().all();
        QCOMPARE(drafts.size(), size_t{1}); // what was not in the set is still a draft
        QCOMPARE(std::get<1>(drafts.front()), std::string("genre"));

        auto steps = store_->journal().steps(outcome.set);
        QCOMPARE(steps.size(), size_t{1});
        QCOMPARE(steps[0].record.after["title"].front(), std::string("Gorse"));
        library::takeBackSet(*store_, outcome.set, std::nullopt, {}, progress);
        file = store_->files().find(id);
        QCOMPARE(file->path, a);
        QCOMPARE(file->shelf, int64_t{0});
        QVERIFY(!file->tags.fields.contains("title"));
        QCOMPARE(store_->batches().files(batch).size(), size_t{1});
    }

    void whatIsTypedDuringAWriteStays() {
        int64_t batch = store_->batches().add("one");
        Path a = test::makeSound(*box_ / "in", "a.flac");
        library::FileId id = store_->saveFiles({files::scanFile(a)}, batch).front();
        store_->drafts().save({{id, "title", {}, library::Draft{{"Newer"}, "typed", 2}},
                               {id, "artist", {}, library::Draft{{"A", "B"}, "typed", 1}}});
        files::Step step;
        step.file = id;
        step.source = a;
        step.changes = {{"title", {"Older"}}, {"artist", {"A", "B"}}};
        work::Progress progress;
        library::writeSet(*store_, {"w", {step}, {}}, batch, {}, progress);
        auto drafts = store_->drafts().all();
        QCOMPARE(drafts.size(), size_t{1});
        QCOMPARE(std::get<2>(drafts.front()).values, std::vector<std::string>{"Newer"});
    }

    void everyChangeOfAFileIsMarked() {
        std::set<std::string> marks{store_->revisions().current()};
        auto changed = [&](const char* what, auto&& change) {
            change();
            QVERIFY2(marks.insert(store_->revisions().current()).second, what);
        };
        auto same = [&](const char* what, auto&& change) {
            std::string before = store_->revisions().current();
            change();
            QVERIFY2(store_->revisions().current() == before, what);
        };
        files::ScannedFile file;
        file.path = "/in/a.flac";
        file.tags.emplace();
        library::FileId id = 0;
        changed("saved", [&] { id = store_->files().save(file); });
        changed("moved", [&] { store_->files().move(id, "/in/b.flac"); });
        changed("updated", [&] {
            store_->files().update(id, {1, 2}, tags::Fields{{"title", {"Gorse"}}}, 0);
        });
        int64_t shelf = 0, batch = 0;
        same("a shelf", [&] { shelf = store_->shelves().add("Archive", "/archive"); });
        changed("put away", [&] { store_->files().update(id, {1, 2}, std::nullopt, shelf); });
        same("a batch", [&] { batch = store_->batches().add("b"); });
        same("in a batch", [&] { store_->batches().addFiles(batch, {id}); });
        same("a draft", [&] {
            store_->drafts().save({{id, "title", std::nullopt, library::Draft{{"Salt Road"}, "typed", 1}}});
        });
        same("a setting", [&] { store_->settings().save("names", "ascii"); });
        changed("a shelf given up", [&] { store_->shelves().remove(shelf); });
        changed("forgotten", [&] { store_->files().forget(id); });
        // Another connection sees it, too.
        auto other = std::move(*library::Store::open(store_->file()));
        QCOMPARE(other->revisions().current(), store_->revisions().current());
    }

    void whatHasChangedIsTold() {
        files::ScannedFile file;
        file.path = "/in/a.flac";
        file.tags.emplace();
        int64_t shelf = store_->shelves().add("Archive", "/in");
        library::FileId a = store_->files().save(file, shelf);
        const std::string first = store_->revisions().begin();
        QCOMPARE(store_->revisions().changedSince(first), std::optional(std::vector<library::FileId>{}));
        file.path = "/in/b.flac";
        library::FileId b = store_->files().save(file, shelf);
        store_->files().move(a, "/in/c.flac");
        QCOMPARE(store_->revisions().changedSince(first), std::optional(std::vector<library::FileId>{a, b}));
        const std::string second = store_->revisions().begin();
        store_->files().forget(b);
        QCOMPARE(store_->revisions().changedSince(second), std::optional(std::vector<library::FileId>{b}));
        QCOMPARE(store_->revisions().changedSince(first), std::optional(std::vector<library::FileId>{a, b}));
        QCOMPARE(store_->revisions().known().front(), second);
        store_->revisions().keep({second});
        QVERIFY(!store_->revisions().changedSince(first));
        QCOMPARE(store_->revisions().changedSince(second), std::optional(std::vector<library::FileId>{b}));
        QVERIFY(!store_->revisions().changedSince("never heard of"));
        // What is not on a shelf, and what leaves it.
        file.path = "/in/d.flac";
        library::FileId d = store_->files().save(file);
        QCOMPARE(store_->revisions().changedSince(second)->size(), size_t{1});
        store_->files().update(d, {1, 2}, std::nullopt, shelf);
        const std::string third = store_->revisions().begin();
        store_->files().update(d, {1, 2}, std::nullopt, 0);
        QCOMPARE(store_->revisions().changedSince(third), std::optional(std::vector<library::FileId>{d}));
        // More than is worth a list.
        std::vector<files::ScannedFile> many(20001);
        for (size_t i = 0; i < many.size(); ++i)
            many[i].path = "/in/" + std::to_string(i);
        store_->saveFiles(many, 0, shelf);
        QVERIFY(!store_->revisions().changedSince(second));
        QCOMPARE(store_->revisions().changedSince(store_->revisions().known().front()),
                 std::optional(std::vector<library::FileId>{}));
        QCOMPARE(store_->files().findAll({a, 99999}).size(), size_t{1}); // what is no more is left out
    }

    void aDamagedLibraryIsFoundAndACopyPutBack() {
        const Path file = *box_ / "library.db";
        std::vector<files::ScannedFile> many(3000);
        for (size_t i = 0; i < many.size(); ++i) {
            many[i].path = "/archive/" + std::to_string(i) + " Night Post.flac";
            many[i].tags.emplace();
            many[i].tags->fields = {{"title", {"Night Post " + std::to_string(i)}}};
        }
        int64_t shelf = store_->shelves().add("Archive", "/archive");
        store_->saveFiles(many, 0, shelf);
        QCOMPARE(library::damageOf(file), std::string()); // while it is open
        QVERIFY(!library::keptCopy(file));
        QVERIFY(!library::putBackCopy(file));
        QVERIFY_RESULT(library::keepCopy(file));
        QVERIFY_RESULT(library::keepCopy(file)); // in place of the one before
        QVERIFY(library::keptCopy(file));
        store_->files().save(files::ScannedFile{"/archive/later.flac", {}, {}, "It is no sound."}, shelf);
        store_.reset();
        QCOMPARE(library::damageOf(file), std::string());

        // Any page in the middle.
        std::string bytes = test::readBytes(file), bad = bytes;
        for (size_t at = bytes.size() / 2 / 4096 * 4096, i = 0; i < 4096; ++i)
            bad[at + i] = static_cast<char>(i * 7 + 1);
        test::writeBytes(file, bad);
        QVERIFY(library::damageOf(file).starts_with("The file of the library is damaged"));
        auto aside = library::putBackCopy(file);
        QVERIFY_RESULT(aside);
        QVERIFY(test::readBytes(*aside) == bad); // nothing is thrown away
        QCOMPARE(library::damageOf(file), std::string());
        store_ = std::move(*library::Store::open(file));
        QCOMPARE(store_->files().all().size(), size_t{3000});
        QCOMPARE(store_->files().find(2000)->tags.fields["title"].front(), std::string("Night Post 1999"));
        QCOMPARE(store_->shelves().all().size(), size_t{1});
        store_.reset();

        // Not a library at all; a copy that is damaged, too.
        test::writeBytes(file, "this is not a database, it is a letter to the archive, and it goes on");
        QVERIFY(!library::damageOf(file).empty());
        const std::string copy = test::readBytes(library::keptCopy(file)->file);
        test::writeBytes(library::keptCopy(file)->file, bad);
        QVERIFY(!library::putBackCopy(file));
        QVERIFY(test::readBytes(file).starts_with("this is not")); // as it was
        test::writeBytes(library::keptCopy(file)->file, copy);
        // Cut off between the two steps: the next start ends it.
        std::filesystem::rename(file, *box_ / "library.db.damaged-9");
        test::writeBytes(*box_ / "library.db.fresh", copy);
        store_ = std::move(*library::Store::open(file));
        QCOMPARE(store_->files().all().size(), size_t{3000});
        QVERIFY(!std::filesystem::exists(*box_ / "library.db.fresh"));
    }

    void aDamagedRowIsSaid() {
        files::ScannedFile file;
        file.path = "/in/a.flac";
        file.tags.emplace();
        file.tags->fields = {{"title", {"Gorse"}}};
        library::FileId id = store_->files().save(file);
        store_->database().execute("UPDATE file SET content = x'01FFFFFF'");
        QVERIFY(!store_->files().find(id)->readable()); // so that nothing is written by it
        QVERIFY(store_->files().find(id)->error.find("Bring it in again") != std::string::npos);
        store_->files().save(file);
        QVERIFY(store_->files().find(id)->readable());
        QCOMPARE(store_->files().find(id)->tags.fields["title"].front(), std::string("Gorse"));
    }

    void aLibraryOfAnOlderVersion() {
        // As version 4 left it.
        Path path = *box_ / "old.db";
        {
            library::Database db(path);
            for (size_t n = 0; n < 4; ++n)
                db.execute(library::migrations()[n].sql);
            db.execute(
                "INSERT INTO shelf VALUES (1, 'Archive', CAST('/archive' AS BLOB));"
                "INSERT INTO file VALUES (7, CAST('/archive/a.flac' AS BLOB), 1234, 99, 'FLAC', 'FLAC', "
                "61.5, 44100, 2,"
                " 24, 800000, 0, 'odd' || char(10) || 'odder', '', 1, 1700000000,"
                " '{\"encoder\":\"enc\",\"tags\":[\"Vorbis comment\"],\"gapless\":[576,12],"
                "\"differences\":[{\"key\":\"title\",\"tag\":\"ID3v1\",\"values\":[\"Gors\"]}]}');"
                "INSERT INTO file VALUES (9, x'2F696EFF2E6D7033', 5, 6, 'unknown', '', 0, 0, 0, 0, 0, 0, '',"
                " 'It is no sound.', NULL, 1700000001, '');"
                "INSERT INTO value VALUES (7, 'title', 0, 'Gorse'), (7, 'artist', 0, 'A'), (7, 'artist', 1, "
                "'B'),"
                " (7, 'reel', 0, '7');"
                "INSERT INTO picture VALUES (7, 0, 'front cover', 'image/png', 'd', 60, 40, 999);"
                "INSERT INTO batch VALUES (3, 'b', 0); INSERT INTO batch_file VALUES (3, 9, 's');"
                "INSERT INTO draft VALUES (7, 'genre', '[\"Folk\"]', 'typed', 5);"
                "PRAGMA user_version = 4");
        }
        auto store = std::move(*library::Store::open(path));
        QVERIFY(std::filesystem::exists(*box_ /
                                        ("old.db.before-" + std::to_string(library::migrations().size()))));
        QCOMPARE(store->files().all().size(), size_t{2});
        auto f = store->files().find(7);
        QCOMPARE(f->path, Path("/archive/a.flac"));
        QCOMPARE(f->shelf, int64_t{1});
        QCOMPARE(f->added, int64_t{1700000000});
        QCOMPARE(f->state.size, uint64_t{1234});
        QCOMPARE(f->tags.facts.duration, 61.5);
        QCOMPARE(f->tags.facts.bitDepth, 24);
        QCOMPARE(f->tags.facts.encoder, std::string("enc"));
        QCOMPARE(f->tags.facts.gapless.delay, 576u);
        QCOMPARE(f->tags.notes, (std::vector<std::string>{"odd", "odder"}));
        QCOMPARE(f->tags.tags, std::vector<std::string>{"Vorbis comment"});
        QCOMPARE(f->tags.differences.front().values, std::vector<std::string>{"Gors"});
        QCOMPARE(f->tags.pictures.front().width, 60);
        QVERIFY(
            (f->tags.fields == tags::Fields{{"title", {"Gorse"}}, {"artist", {"A", "B"}}, {"reel", {"7"}}}));
        QCOMPARE(store->batches().origins(3).front().when, int64_t{-1}); // from before that was noted
        QCOMPARE(store->files().find(9)->error, std::string("It is no sound."));
        QCOMPARE(store->files().idOf(Path("/in\xFF.mp3")), library::FileId{9});
        QCOMPARE(store->batches().files(3).size(), size_t{1});
        QCOMPARE(store->drafts().all().size(), size_t{1});
        // What belongs to a file still goes with it.
        store->files().forget(7);
        QVERIFY(store->drafts().all().empty());
        store->shelves().remove(1);
    }

    // Whatever version left it: what the first one kept is still there.
    void aLibraryOfEveryEarlierVersion() {
        const auto& steps = library::migrations();
        QVERIFY(steps.size() > 10);
        for (size_t version = 1; version < steps.size(); ++version) {
            const Path path = *box_ / ("version " + std::to_string(version) + ".db");
            {
                library::Database db(path);
                db.execute("PRAGMA foreign_keys=OFF"); // as migrations run
                db.execute(steps[0].sql);
                db.execute(
                    "INSERT INTO shelf VALUES (1, 'Archive', CAST('/archive' AS BLOB));"
                    "INSERT INTO file VALUES (7, CAST('/archive/a.flac' AS BLOB), 1234, 99, 'FLAC', 'FLAC', "
                    "61.5, 44100, 2, 24, 800000, 0, '', '', 1, 1700000000);"
                    "INSERT INTO value VALUES (7, 'title', 0, 'Gorse'), (7, 'artist', 0, 'Isla Varnholt');"
                    "INSERT INTO batch VALUES (3, 'b', 0); INSERT INTO batch_file VALUES (3, 7, '');"
                    "INSERT INTO draft VALUES (7, 'genre', '[\"Folk\"]', 'typed', 5);"
                    "INSERT INTO setting VALUES ('plans', 'By artist\t{artist}/{title}');"
                    "INSERT INTO file_set VALUES (4, 1700000002, 'Edit', 3, 0, '[]');");
                for (size_t n = 1; n < version; ++n) {
                    db.execute(steps[n].sql);
                    if (steps[n].work)
                        steps[n].work(db);
                }
                db.execute(("PRAGMA user_version = " + std::to_string(version)).c_str());
            }
            auto store = library::Store::open(path);
            QVERIFY2(store, qPrintable(QString("version %1: %2")
                                           .arg(version)
                                           .arg(QString::fromStdString(store ? "" : store.error().message))));
            const auto file = (*store)->files().find(7);
            QVERIFY2(file && file->readable(), qPrintable(QString::number(version)));
            QCOMPARE(file->tags.fields.at("title"), std::vector<std::string>{"Gorse"});
            QCOMPARE(file->tags.facts.duration, 61.5);
            QCOMPARE((*store)->shelves().all().at(0).path, Path("/archive"));
            QCOMPARE((*store)->batches().files(3).size(), size_t{1});
            QCOMPARE((*store)->drafts().all().size(), size_t{1});
            QCOMPARE((*store)->settings().get(library::settings::plans).size(), size_t{1});
            library::Statement sets((*store)->database(), "SELECT count(*) FROM file_set");
            QVERIFY(sets.step());
            QCOMPARE(sets.integer(0), int64_t{1});
            library::Statement whole((*store)->database(), "PRAGMA integrity_check");
            QVERIFY(whole.step());
            QCOMPARE(whole.string(0), std::string("ok"));
            library::Statement loose((*store)->database(), "PRAGMA foreign_key_check");
            QVERIFY2(!loose.step(), qPrintable(QString::number(version)));
        }
    }

private:
    std::unique_ptr<test::Sandbox> box_;
    std::unique_ptr<library::Store> store_;
};

QTEST_GUILESS_MAIN(TestStore)
#include "test_store.moc"
