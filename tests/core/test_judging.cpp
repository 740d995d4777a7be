// SPDX-License-Identifier: GPL-3.0-or-later
// What a person says of recordings: kept, searched, merged, taken back.
#include <QtTest>

#include "core/library/mirror.h"
#include "core/library/recordings.h"
#include "core/library/search/library_search.h"
#include "core/library/store/store.h"
#include "support/sample_files.h"
#include "support/search_records.h"

using namespace moorfrost;
using namespace moorfrost::library;

class TestJudging : public QObject {
    Q_OBJECT

    std::unique_ptr<test::Sandbox> box_;
    std::unique_ptr<Store> store_;
    std::vector<FileId> files_;

    void add(const char* name) {
        const Path path = test::makeSound(*box_ / "shelf", name, static_cast<uint32_t>(files_.size()) + 1);
        files_.push_back(store_->files().save(files::scanFile(path), 1));
    }
    std::vector<std::string> values(FileId file, const char* field) {
        return store_->recordings().values(store_->recordings().placeOf(file).recording, field);
    }
    /// As the program searches: all columns made from the library.
    std::vector<FileId> found(const char* query) {
        ColumnsBuilder builder;
        store_->files().eachPacked([&](const PackedRecord& r) {
            builder.add(r);
            return true;
        });
        return answer(Searcher(builder.finish()), query);
    }

private slots:
    void init() {
        box_ = std::make_unique<test::Sandbox>(true);
        auto opened = Store::open(*box_ / "library.db");
        QVERIFY_RESULT(opened);
        store_ = std::move(*opened);
        std::filesystem::create_directories(*box_ / "shelf");
        QCOMPARE(store_->shelves().add("Music archive", *box_ / "shelf"), int64_t{1});
        files_.clear();
        for (const char* name : {"a.flac", "b.flac", "c.flac", "d.flac"})
            add(name);
    }
    void cleanup() {
        store_.reset();
        box_.reset();
    }

    void bookmarks() {
        QVERIFY(addBookmark(*store_, "Bookmark", {61.5, "the fiddle\tcomes in"}, files_[0]));
        QVERIFY(addBookmark(*store_, "Bookmark", {9, ""}, files_[0]));
        QVERIFY(addBookmark(*store_, "Bookmark", {9, ""}, files_[0])); // once is enough
        const auto kept = bookmarksFrom(values(files_[0], bookmarkField));
        QCOMPARE(kept.size(), size_t{2});
        QCOMPARE(kept[0].seconds, 9.0); // the earliest first
        QCOMPARE(kept[1].text, std::string("the fiddle comes in"));
        QCOMPARE(found("bookmark:fiddle"), std::vector<FileId>{files_[0]});
        QVERIFY(addBookmark(*store_, "Bookmark", {3, ""}, files_[1])); // without a text it is there, too
        QCOMPARE(found("has:bookmark"), (std::vector<FileId>{files_[0], files_[1]}));
        QVERIFY(!addBookmark(*store_, "Bookmark", {3, std::string(600, 'x')}, files_[1]));
        QVERIFY(!addBookmark(*store_, "Bookmark", {3, ""}, 4711));
        // Merged, those of both stay.
        QVERIFY(mergeRecordings(*store_, {files_[0], files_[1]}));
        QCOMPARE(values(files_[0], bookmarkField).size(), size_t{3});
        removeBookmark(*store_, "Not", {9, ""}, files_[1]);
        QCOMPARE(values(files_[0], bookmarkField).size(), size_t{2});
        for (const char* odd : {"", "nan", "-5\tx", "1e999", "text"})
            QVERIFY(bookmarkFrom(odd).seconds >= 0);
    }

    void mirrored() {
        const auto rules = mirrorRulesFrom(
            {"rating=rating", "use=grouping", "note=rating", "length=title", "note", "kind="});
        QCOMPARE(rules, (std::vector<MirrorRule>{{"rating", "rating"}, {"use", "grouping"}}));
        QCOMPARE(mirrorTexts(rules), (std::vector<std::string>{"rating=rating", "use=grouping"}));
        const KeptOfRecording kept{
            {"rating", {"4"}},
            {"note", {"clear"}},
            {"use",
             {useText({"2026-11", "Tide and Timber", "Harbour Radio", ""}), useText({"", "Quay", "", ""})}}};
        const tags::Fields fields = library::mirrored(rules, kept);
        QCOMPARE(fields.size(), size_t{2});
        QCOMPARE(fields.at("rating"), std::vector<std::string>{"4"});
        QCOMPARE(fields.at("grouping"),
                 (std::vector<std::string>{"Tide and Timber \u00B7 Harbour Radio \u00B7 2026-11", "Quay"}));
        QVERIFY(library::mirrored(rules, {{"note", {"clear"}}}).empty()); // what is not kept blanks nothing
    }

    void whatCanBeKept() {
        for (const char* rating : {"1", "5"})
            QCOMPARE(whyNotKept(ratingField, {rating}), std::string());
        for (const std::vector<std::string>& wrong :
             std::vector<std::vector<std::string>>{{"0"}, {"6"}, {"10"}, {"good"}, {"1", "2"}})
            QVERIFY(!whyNotKept(ratingField, wrong).empty());
        QCOMPARE(whyNotKept(ratingField, {}), std::string()); // none
        QVERIFY(!whyNotKept(noteField, {std::string(2000000, 'x')}).empty());
        QVERIFY(!whyNotKept(useField, {useText({"2026", "", "Harbour Radio", ""})}).empty());
        QVERIFY(!whyNotKept(useField, {useText({"last week", "Tide and Timber", "", ""})}).empty());
        QCOMPARE(whyNotKept(useField, {useText({"2026-11", "Tide and Timber", "", ""})}), std::string());
        // The texts of uses, there and back; tabs and lines in them do no harm.
        const Use use{"2026-11-03", "Tide and\tTimber", "Harbour\nRadio", "twice"};
        QCOMPARE(useFrom(useText(use)), (Use{"2026-11-03", "Tide and Timber", "Harbour Radio", "twice"}));
        QCOMPARE(useFrom("anything").what, std::string("anything"));
        const KeptOfRecording kept{{"note", {"A\nB"}}, {"use", {"x", "y"}}};
        QCOMPARE(unpackKept(packKept(kept)), kept);
        QCOMPARE(unpackKept(""), KeptOfRecording());
    }

    void searched() {
        keepValues(*store_, "Rate", ratingField,
                   {{files_[0], {"5"}}, {files_[1], {"3"}}, {files_[2], {"1"}}});
        keepValues(*store_, "Note", noteField, {{files_[1], {"Best take:\nthe fiddle is clear"}}});
        keepValues(*store_, "Playout", playoutField, {{files_[3], {"HR-0042"}}});
        QVERIFY(addUse(*store_, "Use", {"2024-05-01", "Tide and Timber", "Harbour Radio", ""},
                       {files_[0], files_[1]}));
        QVERIFY(addUse(*store_, "Use", {"2026-02", "Night Ferry", "", ""}, {files_[0]}));
        using Ids = std::vector<FileId>;
        const FileId a = files_[0], b = files_[1], c = files_[2], d = files_[3];
        QCOMPARE(found("rating:5"), (Ids{a}));
        QCOMPARE(found("rating:>=3"), (Ids{a, b}));
        QCOMPARE(found("rating:1-3"), (Ids{b, c}));
        QCOMPARE(found("missing:rating"), (Ids{d}));
        QCOMPARE(found("note:fiddle"), (Ids{b}));
        QCOMPARE(found("fiddle"), (Ids{b})); // by words alone, too
        QCOMPARE(found("has:note"), (Ids{b}));
        QCOMPARE(found("playout:0042"), (Ids{d}));
        QCOMPARE(found("used:\"tide and timber\""), (Ids{a, b}));
        QCOMPARE(found("used:harbour"), (Ids{a, b}));
        QCOMPARE(found("last_used:<2025"), (Ids{b})); // not used since
        QCOMPARE(found("last_used:2026"), (Ids{a}));
        QCOMPARE(found("missing:used"), (Ids{c, d})); // never used
    }

    /// Files have fields of such names, too: both are found.
    void fieldsOfFilesOfTheSameName() {
        FileRecord tagged = record(1, {{"rating", {"80"}}, {"note", {"from a tag"}}}), kept = record(2, {}),
                   neither = record(3, {});
        kept.kept = {{ratingField, {"4"}}};
        const Searcher s(columnsOf({tagged, kept, neither}));
        using Ids = std::vector<FileId>;
        QCOMPARE(answer(s, "rating:80"), (Ids{1}));
        QCOMPARE(answer(s, "rating:4"), (Ids{2}));
        QCOMPARE(answer(s, "note:tag"), (Ids{1}));
        QCOMPARE(answer(s, "has:rating"), (Ids{1, 2}));
        QCOMPARE(answer(s, "missing:rating"), (Ids{3}));
    }

    void theIndexFollows() {
        LibrarySearch held = searchOf(*store_);
        QVERIFY(answer(*held.searcher, "rating:5").empty());
        keepValues(*store_, "Rate", ratingField, {{files_[2], {"5"}}});
        held = searchOf(*store_, held);
        QCOMPARE(answer(*held.searcher, "rating:5"), std::vector<FileId>{files_[2]});
        keepValues(*store_, "Rate", ratingField, {{files_[2], {}}});
        held = searchOf(*store_, held);
        QVERIFY(answer(*held.searcher, "rating:5").empty());
        QCOMPARE(answer(*held.searcher, "missing:rating").size(), size_t{4});
    }

    /// Uses of both recordings stay; a rating stays as the one has it of which more is kept.
    void mergedAndTakenBack() {
        QVERIFY(addUse(*store_, "Use", {"2024-05-01", "Tide and Timber", "", ""}, {files_[0]}));
        QVERIFY(addUse(*store_, "Use", {"2025-05-01", "Night Ferry", "", ""}, {files_[1]}));
        QVERIFY(addUse(*store_, "Use", {"2024-05-01", "Tide and Timber", "", ""}, {files_[1]}));
        keepValues(*store_, "Rate", ratingField, {{files_[0], {"4"}}});
        const auto merged = mergeRecordings(*store_, {files_[0], files_[1]});
        QVERIFY_RESULT(merged);
        QCOMPARE(values(files_[1], ratingField), std::vector<std::string>{"4"});
        QCOMPARE(usesFrom(values(files_[0], useField)),
                 (std::vector<Use>{{"2025-05-01", "Night Ferry", "", ""},
                                   {"2024-05-01", "Tide and Timber", "", ""}}));
        QVERIFY(takeBackChange(*store_, merged->change));
        QCOMPARE(usesFrom(values(files_[0], useField)).size(), size_t{1});
        QCOMPARE(usesFrom(values(files_[1], useField)).size(), size_t{2});
        removeUse(*store_, "No use", {"2025-05-01", "Night Ferry", "", ""}, {files_[1]});
        QCOMPARE(usesFrom(values(files_[1], useField)).size(), size_t{1});
        QVERIFY(!addUse(*store_, "Use", {"", "", "", ""}, {files_[1]}));
    }
};

QTEST_GUILESS_MAIN(TestJudging)
#include "test_judging.moc"
