// SPDX-License-Identifier: GPL-3.0-or-later
#include <QtTest>

#include "core/library/drafts.h"

using namespace moorfrost;
using library::DraftSession;

class TestDrafts : public QObject {
    Q_OBJECT
private slots:
    void init() {
        disk_ = {{1, {{"title", {"Old"}}}}, {2, {}}};
        stored_.clear();
        session_ = std::make_unique<DraftSession>(
            [this](library::FileId id) { return disk_.contains(id) ? &disk_[id] : nullptr; },
            [] { return int64_t{42}; });
        session_->setSink([this](const std::vector<library::DraftChange>& changes) {
            for (const auto& c : changes) {
                if (c.after)
                    stored_[{c.file, c.field}] = *c.after;
                else
                    stored_.erase({c.file, c.field});
            }
        });
    }

    void proposing() {
        session_->propose("Edit", {{1, "title", {"New"}}, {2, "title", {"Two"}}}, "typed");
        QCOMPARE(session_->effective(1, "title"), std::vector<std::string>{"New"});
        QCOMPARE(session_->find(1, "title")->origin, std::string("typed"));
        QCOMPARE(session_->find(1, "title")->when, int64_t{42});
        QCOMPARE(session_->fieldDrafts(), size_t{2});
        QCOMPARE(session_->filesWithFieldDrafts(), size_t{2});
        QCOMPARE(stored_.size(), size_t{2});
    }

    void whatIsOnDiskIsNoDraft() {
        session_->propose("Edit", {{1, "title", {"New"}}}, "typed");
        session_->propose("Edit", {{1, "title", {"Old"}}}, "typed");
        QVERIFY(!session_->find(1, "title"));
        QVERIFY(stored_.empty());
        session_->propose("Edit", {{2, "title", {}}}, "typed"); // blank and blank already
        QVERIFY(!session_->find(2, "title"));
        QCOMPARE(session_->undoName(), std::string("Edit"));
        session_->undo();
        QCOMPARE(session_->effective(1, "title"), std::vector<std::string>{"New"});
    }

    void undoAndRedoOfWholeActions() {
        session_->propose("One", {{1, "title", {"A"}}, {2, "title", {"A"}}}, "typed");
        session_->propose("Two", {{1, "title", {"B"}}}, "pasted");
        session_->undo();
        QCOMPARE(session_->effective(1, "title"), std::vector<std::string>{"A"});
        QCOMPARE(session_->find(1, "title")->origin, std::string("typed"));
        session_->undo();
        QCOMPARE(session_->fieldDrafts(), size_t{0});
        QVERIFY(stored_.empty());
        session_->redo();
        session_->redo();
        QCOMPARE(session_->effective(1, "title"), std::vector<std::string>{"B"});
        QVERIFY(!session_->canRedo());
        session_->undo();
        session_->propose("Three", {{2, "genre", {"Folk"}}}, "typed");
        QVERIFY(!session_->canRedo()); // a new action ends what could be redone
    }

    void blankingIsADraft() {
        session_->propose("Blank", {{1, "title", {}}}, "blanked");
        QVERIFY(session_->find(1, "title"));
        QVERIFY(!session_->effective(1).contains("title"));
        QVERIFY(session_->changes(1).at("title").empty());
    }

    void placesAreCountedApart() {
        session_->propose("Put away", {{1, library::placeKey, {"1", "plan"}}}, "plan");
        QCOMPARE(session_->fieldDrafts(), size_t{0});
        QCOMPARE(session_->placeDrafts(), size_t{1});
        QVERIFY(session_->changes(1).empty());
    }

    void dropping() {
        session_->propose("Edit", {{1, "title", {"A"}}, {1, "genre", {"Folk"}}, {2, "title", {"B"}}},
                          "typed");
        session_->drop("Drop", {{1, "genre"}, {2, "genre"}});
        QCOMPARE(session_->fieldDrafts(), size_t{2});
        session_->dropAll("Drop all", {1, 2});
        QCOMPARE(session_->fieldDrafts(), size_t{0});
        session_->undo();
        QCOMPARE(session_->fieldDrafts(), size_t{2});
    }

private:
    std::map<library::FileId, tags::Fields> disk_;
    std::map<std::pair<library::FileId, std::string>, library::Draft> stored_;
    std::unique_ptr<DraftSession> session_;
};

QTEST_GUILESS_MAIN(TestDrafts)
#include "test_drafts.moc"
