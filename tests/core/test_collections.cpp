// SPDX-License-Identifier: GPL-3.0-or-later
// Folders, lists and searches that are kept: what stands where, and that every change can be taken back.
#include <QtTest>

#include "core/library/collections.h"
#include "core/library/recordings.h"
#include "core/library/store/schema.h"
#include "support/sample_files.h"

using namespace moorfrost;
using library::Collection;
using library::CollectionId;
using library::FileId;
using Kind = library::Collection::Kind;
using SeenBy = library::Collection::SeenBy;

class TestCollections : public QObject {
    Q_OBJECT
private slots:
    void init() {
        box_ = std::make_unique<test::Sandbox>();
        store_ = std::move(*library::Store::open(*box_ / "library.db"));
        shelf_ = store_->shelves().add("Archive", *box_ / "shelf");
        files_.clear();
        for (const char* name : {"a.flac", "b.flac", "c.flac", "d.flac", "e.flac"}) {
            files::ScannedFile f;
            f.path = *box_ / "shelf" / name;
            f.state = {1, 2};
            f.tags = tags::TagFile();
            files_.push_back(store_->files().save(f, shelf_));
        }
    }
    void cleanup() { store_.reset(); }

    void foldersHoldListsInOrder() {
        const CollectionId reissues = make(Kind::Folder, "Reissues 2027");
        const CollectionId side = make(Kind::List, "Side A shortlist", reissues);
        const CollectionId liner = make(Kind::List, "Liner audio", reissues);
        const auto tree = library::collectionsOf(*store_);
        QCOMPARE(tree.in(0), std::vector<CollectionId>{reissues});
        QCOMPARE(tree.in(reissues), (std::vector<CollectionId>{side, liner}));
        QCOMPARE(tree.pathOf(liner), std::string("Reissues 2027 / Liner audio"));
        QCOMPARE(tree.byPath("reissues 2027 / LINER audio"), liner);
        QCOMPARE(tree.byPath("liner audio"), liner);
        QCOMPARE(tree.byPath("nothing"), CollectionId{0});
        // Only one of two that are called the same is meant by its path.
        make(Kind::List, "Liner audio");
        QCOMPARE(library::collectionsOf(*store_).byPath("Reissues 2027 / Liner audio"), liner);
    }

    void aListStandsInSeveralFolders() {
        const CollectionId one = make(Kind::Folder, "One"), two = make(Kind::Folder, "Two");
        const CollectionId list = make(Kind::List, "Slow pieces", one, {files_[0]});
        QVERIFY(library::placeCollection(*store_, list, one, two, 0, true));
        QCOMPARE(store_->collections().foldersOf(list), (std::vector<CollectionId>{one, two}));
        // Gone from one, it is still in the other, with what it holds.
        QVERIFY(library::removeCollection(*store_, list, one));
        QCOMPARE(store_->collections().countOf(list), size_t{1});
        const auto last = library::removeCollection(*store_, list, two);
        QVERIFY(last);
        QCOMPARE(store_->collections().find(list).id, CollectionId{0});
        QCOMPARE(store_->collections().countOf(list), size_t{0});
        QVERIFY(library::takeBackChange(*store_, last->change));
        QCOMPARE(store_->collections().find(list).name, std::string("Slow pieces"));
        QCOMPARE(order(list), "a");
        QCOMPARE(store_->collections().foldersOf(list), std::vector<CollectionId>{two});
    }

    void aFolderGoesWithWhatIsOnlyInIt() {
        const CollectionId outer = make(Kind::Folder, "Outer"), inner = make(Kind::Folder, "Inner", outer);
        const CollectionId only = make(Kind::List, "Only here", inner, {files_[0], files_[1]});
        const CollectionId both = make(Kind::List, "Both", inner, {files_[2]});
        QVERIFY(library::placeCollection(*store_, both, inner, 0, 0, true));
        const auto before = library::collectionsOf(*store_);
        const auto gone = library::removeCollection(*store_, outer, 0);
        QVERIFY(gone && gone->collections);
        QCOMPARE(store_->collections().all().size(), size_t{1});
        QCOMPARE(order(both), "c");
        QVERIFY(library::takeBackChange(*store_, gone->change));
        QVERIFY(library::collectionsOf(*store_) == before);
        QCOMPARE(order(only), "ab");
        QVERIFY(library::makeChangeAgain(*store_, gone->change));
        QCOMPARE(store_->collections().all().size(), size_t{1});
    }

    void whatMakesNoSenseIsRefused() {
        const CollectionId outer = make(Kind::Folder, "Outer"), inner = make(Kind::Folder, "Inner", outer);
        const CollectionId list = make(Kind::List, "A list");
        Collection search = named(Kind::Search, "Slow");
        search.query = "tempo:<80";
        QVERIFY(library::makeCollection(*store_, search, 0));
        auto refused = [](const Result<library::ChangeOutcome>& r, const char* part) {
            return !r && QString::fromStdString(r.error().message).contains(part);
        };
        QVERIFY(refused(library::placeCollection(*store_, outer, 0, inner, 0, false), "in itself"));
        QVERIFY(refused(library::placeCollection(*store_, list, outer, 0, 0, false), "somewhere else"));
        QVERIFY(refused(library::placeCollection(*store_, list, 0, search.id, 0, false), "Only a folder"));
        QVERIFY(refused(library::addToList(*store_, outer, files_), "holds lists"));
        QVERIFY(refused(library::addToList(*store_, search.id, files_), "fills itself"));
        QVERIFY(refused(library::addToList(*store_, 999, files_), "no such collection"));
        QVERIFY(refused(library::removeFromList(*store_, list, {0}), "fewer tracks"));
        Collection nameless = named(Kind::List, "  ");
        QVERIFY(refused(library::makeCollection(*store_, nameless, 0), "needs a name"));
        Collection lines = named(Kind::List, "two\nlines");
        QVERIFY(refused(library::makeCollection(*store_, lines, 0), "one line"));
        QCOMPARE(store_->collections().all().size(), size_t{4}); // and nothing was made
    }

    void orderedByHand() {
        const CollectionId list = make(Kind::List, "Evening", 0, files_);
        QCOMPARE(order(list), "abcde");
        QVERIFY(library::moveInList(*store_, list, {3, 1}, 0));
        QCOMPARE(order(list), "bdace");
        QVERIFY(library::moveInList(*store_, list, {0, 1}, 5));
        QCOMPARE(order(list), "acebd");
        QVERIFY(library::moveInList(*store_, list, {1, 2}, 2)); // where they are
        QCOMPARE(order(list), "acebd");
        QVERIFY(library::removeFromList(*store_, list, {4, 0}));
        QCOMPARE(order(list), "ceb");
        QVERIFY(library::addToList(*store_, list, {files_[0], files_[0]}, 1)); // the same twice
        QCOMPARE(order(list), "caaeb");
        QVERIFY(library::orderList(*store_, list, {1, 2, 4, 0, 3}));
        QCOMPARE(order(list), "aabce");
        QVERIFY(!library::orderList(*store_, list, {0, 0, 1, 2, 3}));
        // The last change can be taken back, earlier ones not before it.
        const auto changes = store_->changes().all();
        const auto early = library::takeBackChange(*store_, changes[1].id);
        QVERIFY(!early && QString::fromStdString(early.error().message).contains("Put \"Evening\" in order"));
        for (const auto& change : changes)
            if (change.title != changes.back().title)
                QVERIFY(library::takeBackChange(*store_, change.id));
        QCOMPARE(order(list), "abcde");
    }

    void namesNotesAndWhoMaySee() {
        const CollectionId list = make(Kind::List, "Evening");
        Collection c = store_->collections().find(list);
        c.name = "Evening, by the harbour";
        c.note = "For the second hour";
        c.seenBy = SeenBy::Named;
        c.people = {"Isla", "Odran"};
        const auto done = library::changeCollection(*store_, c);
        QVERIFY(done);
        QVERIFY(store_->collections().find(list) == c);
        QVERIFY(library::takeBackChange(*store_, done->change));
        QCOMPARE(store_->collections().find(list).name, std::string("Evening"));
        QVERIFY(store_->collections().find(list).people.empty());
    }

    void theBestFileStandsForARecording() {
        const CollectionId list = make(Kind::List, "Best", 0, {files_[1]});
        files::ScannedFile better;
        better.path = *box_ / "shelf/better.flac";
        better.state = {3, 4};
        better.tags = tags::TagFile();
        better.tags->facts.bitDepth = 24;
        const FileId best = store_->files().save(better, shelf_);
        QVERIFY(library::mergeRecordings(*store_, {files_[1], best}));
        QCOMPARE(library::listOf(*store_, list).files, std::vector<FileId>{best});
        // One that is meant stays the one.
        QVERIFY(library::addToList(*store_, list, {files_[1]}, SIZE_MAX, true));
        QCOMPARE(library::listOf(*store_, list).files, (std::vector<FileId>{best, files_[1]}));
        // Where it is parted, it stands for the part.
        QVERIFY(library::partFiles(*store_, {files_[1]}));
        QCOMPARE(library::listOf(*store_, list).files, (std::vector<FileId>{best, files_[1]}));
        QCOMPARE(store_->collections().entries(list)[1].recording,
                 store_->recordings().placeOf(files_[1]).recording);
    }

    void mergingKeepsThePlaces() {
        const CollectionId list = make(Kind::List, "Two", 0, {files_[0], files_[1], files_[2]});
        const auto merged = library::mergeRecordings(*store_, {files_[0], files_[1]});
        QVERIFY(merged && merged->collections);
        const auto entries = store_->collections().entries(list);
        QCOMPARE(entries.size(), size_t{3});
        QCOMPARE(entries[0].recording, entries[1].recording);
        QVERIFY(library::takeBackChange(*store_, merged->change));
        QCOMPARE(order(list), "abc");
    }

    void whatIsAbsentStaysAndWhatIsForgottenGoes() {
        const CollectionId list = make(Kind::List, "Two", 0, {files_[0], files_[1], files_[0]});
        store_->files().setAbsent({files_[0]}, 5);
        QCOMPARE(library::listOf(*store_, list).files.size(), size_t{3});
        const auto forgotten = library::forgetAbsent(*store_, {files_[0]});
        QVERIFY(forgotten);
        QCOMPARE(order(list), "b");
        QVERIFY(library::takeBackChange(*store_, forgotten->change));
        QCOMPARE(order(list), "aba");
    }

    void savedSearchesOfBeforeAreKept() {
        const Path old = *box_ / "old.db";
        {
            library::Database db(old);
            for (int n = 0; n < 11; ++n) {
                db.execute(library::migrations()[static_cast<size_t>(n)].sql);
                if (library::migrations()[static_cast<size_t>(n)].work)
                    library::migrations()[static_cast<size_t>(n)].work(db);
            }
            db.execute("INSERT INTO setting VALUES ('searches',"
                       " '[{\"name\":\"To be coded\",\"query\":\"missing:isrc\"},{\"name\":\"Slow\"}]')");
            db.execute("PRAGMA user_version = 11");
        }
        auto store = std::move(*library::Store::open(old));
        const auto tree = library::collectionsOf(*store);
        QCOMPARE(tree.all.size(), size_t{1});
        const Collection& search = tree.all.begin()->second;
        QVERIFY(search.kind == Kind::Search && search.name == "To be coded" &&
                search.query == "missing:isrc");
        QCOMPARE(tree.in(0), std::vector<CollectionId>{search.id});
        QCOMPARE(store->settings().find("searches"), std::string());
    }

private:
    static Collection named(Kind kind, const std::string& name) {
        Collection c;
        c.kind = kind;
        c.name = name;
        return c;
    }
    CollectionId make(Kind kind, const std::string& name, CollectionId folder = 0,
                      const std::vector<FileId>& files = {}) {
        Collection c = named(kind, name);
        if (!library::makeCollection(*store_, c, folder, files))
            return 0;
        return c.id;
    }
    /// The first letters of what the list holds.
    QString order(CollectionId list) {
        QString out;
        for (const FileId id : library::listOf(*store_, list).files)
            out += QChar(store_->files().find(id)->path.filename().native()[0]);
        return out;
    }

    std::unique_ptr<test::Sandbox> box_;
    std::unique_ptr<library::Store> store_;
    int64_t shelf_ = 0;
    std::vector<FileId> files_;
};

QTEST_APPLESS_MAIN(TestCollections)
#include "test_collections.moc"
