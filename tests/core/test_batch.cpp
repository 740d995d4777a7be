// SPDX-License-Identifier: GPL-3.0-or-later
// The batch without a window: what hands do and undo, sorting beside them, the rows for the library, and the
// feed of changes.
#include <QtTest>

#include "core/bench/batch.h"
#include "core/bench/change_feed.h"

using namespace moorfrost;
using namespace moorfrost::bench;
using library::SleeveNote;

class TestBatch : public QObject {
    Q_OBJECT

    std::unique_ptr<KnownFiles> files_;
    std::unique_ptr<library::DraftSession> drafts_;
    std::unique_ptr<Batch> batch_;
    std::vector<BatchRows> told_;

    static library::FileRecord song(FileId id, const char* folder, const char* album, const char* title) {
        library::FileRecord f;
        f.id = id;
        f.path = Path("/in") / folder / (std::string(title) + ".flac");
        f.tags.format = audio::Format::Flac;
        f.tags.fields = {{"title", {title}}, {"album", {album}}, {"artist", {"Isla Varnholt"}}};
        return f;
    }
    void sortAll() {
        while (auto work = batch_->beginSorting()) {
            work->run({});
            batch_->endSorting(work);
        }
    }
    std::string keyOf(FileId id) const { return batch_->places().keyOf(id); }

private slots:
    void init() {
        told_.clear();
        files_ = std::make_unique<KnownFiles>();
        drafts_ = std::make_unique<library::DraftSession>([this](FileId id) { return files_->fieldsOf(id); },
                                                          [] { return int64_t{7}; });
        batch_ = std::make_unique<Batch>(*files_, *drafts_,
                                         [this](const BatchRows& rows) { told_.push_back(rows); });
        files_->put(song(1, "a", "Salt Road", "Tide Table"), {5});
        files_->put(song(2, "a", "Salt Road", "Gorse"), {5});
        files_->put(song(3, "b", "Lanterns", "Undertow"), {5});
        files_->put(song(4, "b", "Lanterns", "Small Hours"), {5});
        batch_->load(5, {}, {});
        batch_->put({{1}, {2}, {3}, {4}}, true);
        sortAll();
    }

    void sortingFindsSleevesAndTellsTheLibrary() {
        QVERIFY(batch_->isSorted());
        QVERIFY(!keyOf(1).empty() && keyOf(1) == keyOf(2) && keyOf(3) == keyOf(4) && keyOf(1) != keyOf(3));
        QCOMPARE(told_.size(), size_t{1});
        QCOMPARE(told_[0].batch, int64_t{5});
        QCOMPARE(told_[0].sorted.size(), size_t{4});
        QVERIFY(told_[0].notes.contains(keyOf(1)) && !told_[0].notes.at(keyOf(1)).why.empty());
        // A fifth that comes costs the library one row and what is said of its sleeve.
        files_->put(song(5, "a", "Salt Road", "Last Ferry Home"), {5});
        batch_->put({{5}}, true);
        sortAll();
        QCOMPARE(keyOf(5), keyOf(1));
        QCOMPARE(told_.back().notes.size(), size_t{1});
    }

    void handsArePutAndUndone() {
        const std::string first = keyOf(1), second = keyOf(3);
        batch_->takeTouched();
        told_.clear();
        batch_->putIntoSleeve({3}, first);
        QCOMPARE(keyOf(3), first);
        QVERIFY(batch_->places().isByHand(3) && batch_->places().isByHand(1)); // what it was laid on stays
        QVERIFY(!batch_->places().isByHand(4));
        QCOMPARE(batch_->takeTouched(), (std::set<std::string>{first, second}));
        QCOMPARE(told_.size(), size_t{1});
        batch_->sortAnew(); // nothing that hands did is given over to sorting
        sortAll();
        QCOMPARE(keyOf(3), first);
        QVERIFY(batch_->canUndoByHand());
        told_.clear();
        batch_->undoByHand();
        QCOMPARE(keyOf(3), second);
        QVERIFY(!batch_->places().isByHand(1) && !batch_->canUndoByHand());
        QCOMPARE(told_.size(), size_t{1});
        // What changes nothing is no step.
        batch_->putIntoSleeve({3}, second);
        batch_->newSleeve({99}, "Nobody");
        batch_->mergeSleeves({first});
        QVERIFY(!batch_->canUndoByHand());
    }

    void aNewSleeveGoesWithItsUndo() {
        batch_->newSleeve({1, 4}, "Harbour Day");
        const std::string key = keyOf(1);
        QCOMPARE(keyOf(4), key);
        QCOMPARE(batch_->note(key)->name, std::string("Harbour Day"));
        batch_->newSleeve({2}, "Another");
        QVERIFY(keyOf(2) != key);
        batch_->undoByHand();
        batch_->undoByHand();
        QVERIFY(!batch_->note(key));
        QCOMPARE(told_.back().notesGone, std::vector<std::string>{key});
    }

    void namesMergesAndSplits() {
        const std::string first = keyOf(1), second = keyOf(3);
        batch_->nameSleeve(first, "By hand");
        QCOMPARE(batch_->note(first)->name, std::string("By hand"));
        batch_->mergeSleeves({first, second});
        QCOMPARE(batch_->places().filesOf(keyOf(1)).size(), size_t{4});
        QVERIFY(batch_->note(keyOf(1))->why.find("merged by hand") != std::string::npos);
        auto parts = batch_->partsOf(keyOf(1), SplitBy::Album);
        QCOMPARE(parts.size(), size_t{2});
        drafts_->propose("Edit", {{1, "album", {"Third"}}}, "typed"); // as they will be
        QCOMPARE(batch_->partsOf(keyOf(1), SplitBy::Album).size(), size_t{3});
        batch_->splitSleeve(keyOf(1), SplitBy::Album, "All");
        QCOMPARE(std::set<std::string>({keyOf(1), keyOf(2), keyOf(3)}).size(), size_t{3});
        batch_->undoByHand();
        batch_->undoByHand();
        QCOMPARE(keyOf(1), first);
        QCOMPARE(keyOf(3), second);
        QCOMPARE(batch_->note(first)->name, std::string("By hand"));
    }

    void whatCannotBeReadIsAStray() {
        library::FileRecord broken = song(6, "a", "", "x");
        broken.error = "The file is empty.";
        files_->put(std::move(broken), {5});
        batch_->put({{6}}, true);
        sortAll();
        QCOMPARE(keyOf(6), std::string());
        batch_->putIntoSleeve({6}, keyOf(1));
        QCOMPARE(keyOf(6), std::string());
    }

    void handsGoOnWhileItIsSorted() {
        files_->put(song(7, "c", "Night Post EP", "Cold Slip"), {5});
        batch_->put({{7}}, true);
        auto work = batch_->beginSorting();
        QVERIFY(work && !batch_->beginSorting()); // one at a time
        const std::string first = keyOf(1);
        batch_->putIntoSleeve({7}, first);
        work->run({});
        batch_->endSorting(work);
        QCOMPARE(keyOf(7), first);
        // One that was stopped leaves all as it is; the next one begins from the beginning.
        batch_->sortAnew();
        work = batch_->beginSorting();
        std::stop_source stop;
        stop.request_stop();
        work->run(stop.get_token());
        batch_->endSorting(work);
        QCOMPARE(keyOf(7), first);
        QVERIFY(!batch_->beginSorting()); // and not by itself
        batch_->sortAnew();
        sortAll();
        QCOMPARE(keyOf(2), first);
    }

    /// As a write does, which ends while files that came are sorted.
    void whatIsReadAgainWhileOthersAreSortedLosesNone() {
        files_->put(song(7, "c", "Night Post EP", "Cold Slip"), {5});
        files_->put(song(8, "c", "Night Post EP", "Night Post"), {5});
        batch_->put({{7}, {8}}, true);
        auto work = batch_->beginSorting();
        files_->put(song(1, "a", "Salt Road", "Tide Table, written"), {5});
        batch_->put({{1}}, false);
        work->run({});
        batch_->endSorting(work);
        sortAll();
        QVERIFY(batch_->isSorted());
        QVERIFY(!keyOf(7).empty() && keyOf(7) == keyOf(8));
    }

    void whatWasSortedForAnotherBatchIsNotTaken() {
        batch_->sortAnew();
        auto work = batch_->beginSorting();
        batch_->load(6, {{1, "elsewhere", true}, {2, "", false}}, {{"elsewhere", {"Kept", "why"}}});
        work->run({});
        told_.clear();
        batch_->endSorting(work);
        QCOMPARE(keyOf(1), std::string("elsewhere"));
        QCOMPARE(keyOf(2), std::string());
        QCOMPARE(batch_->note("elsewhere")->name, std::string("Kept"));
        QVERIFY(told_.empty());
        batch_->nameSleeve("elsewhere", "Named");
        QCOMPARE(told_.back().batch, int64_t{6}); // booked on its own batch
        QCOMPARE(told_.back().notes.size(), size_t{1});
    }

    void theFeedTellsAllInOrder() {
        ChangeFeed feed;
        QStringList told;
        feed.subscribe([&](const Changes& c) {
            told << QString("first %1").arg(c.revision);
            if (c.files.contains(1)) { // a reader that publishes itself
                Changes more;
                more.kinds = {1};
                feed.publish(std::move(more));
            }
        });
        feed.subscribe([&](const Changes& c) { told << QString("second %1").arg(c.revision); });
        Changes c;
        c.files = {1};
        feed.publish(c);
        QCOMPARE(told, QStringList({"first 1", "second 1", "first 2", "second 2"}));
        feed.publish({}); // nothing
        QCOMPARE(feed.revision(), uint64_t{2});
    }
};

QTEST_GUILESS_MAIN(TestBatch)
#include "test_batch.moc"
