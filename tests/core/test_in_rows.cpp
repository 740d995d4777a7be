// SPDX-License-Identifier: GPL-3.0-or-later
// Rows of a sheet that came in, put away in a file without a name: read back as they were, with or without a
// disk.
#include <QtTest>

#include "core/deliver/rows/in_rows.h"
#include "support/sample_files.h"

using namespace moorfrost;
using namespace moorfrost::deliver;
using library::FileId;
using State = InRow::State;
using Strings = std::vector<std::string>;

class TestInRows : public QObject {
    Q_OBJECT
    std::unique_ptr<test::Sandbox> box_;

private slots:
    void init() { box_ = std::make_unique<test::Sandbox>(); }
    void cleanup() { box_.reset(); }

    void rowsArePutAway() {
        const Path beside = *box_ / "library";
        InRows rows;
        rows.layBeside(beside);
        for (size_t i = 0; i < 3; ++i) {
            InRow row;
            row.line = i + 2;
            row.file = static_cast<FileId>(i * 7);
            row.state = i == 0 ? State::Several : State::Same;
            row.evidence = InRow::Evidence::Words;
            row.placeIsElsewhere = i == 1;
            row.told = "It has the same words.";
            row.trouble = i == 2 ? "\xC3\x84" : "";
            row.candidates = {4, 9};
            row.says = {{"title", {"Gorse"}}, {"own field", {"a", ""}}, {"@path", {}}};
            row.changes = {{"title", {"Gorse"}}};
            row.saysHash = i + 100;
            rows.add(row);
        }
        const InRow one = rows[1];
        QCOMPARE(one.line, size_t{3});
        QCOMPARE(one.file, FileId{7});
        QCOMPARE(one.other, SIZE_MAX);
        QVERIFY(one.placeIsElsewhere);
        QCOMPARE(one.candidates, (std::vector<FileId>{4, 9}));
        QCOMPARE(one.says.at("own field"), (Strings{"a", ""}));
        QVERIFY(one.says.at("@path").empty());
        QVERIFY(one.before.empty());
        QCOMPARE(rows[2].trouble, std::string("\xC3\x84"));
        QVERIFY(rows.anyNeedsSomebody());
        // A copy keeps what it had.
        const InRows copy = rows;
        InRow other = rows[0];
        other.state = State::LeftOut;
        other.other = 5;
        other.told.clear();
        rows.put(0, other);
        QVERIFY(!rows.anyNeedsSomebody());
        QCOMPARE(rows[0].other, size_t{5});
        QCOMPARE(copy.state(0), State::Several);
        QCOMPARE(copy[0].told, std::string("It has the same words."));
        rows.erase({false, true, false});
        QCOMPARE(rows.size(), size_t{2});
        QCOMPARE(rows[1].line, size_t{4});
        QCOMPARE(rows.saysHash(1), uint64_t{102});
    }

    void rowsWithoutADisk() {
        for (const bool hasFolder : {false, true}) {
            InRows rows;
            if (hasFolder)
                rows.layBeside(*box_ / "no such folder/library");
            InRow row;
            row.says = {{"title", {"Gorse"}}};
            rows.add(row);
            row.says = {{"title", {"Tidewater"}}};
            rows.add(row);
            QCOMPARE(rows[0].says.at("title"), Strings{"Gorse"});
            QCOMPARE(rows[1].says.at("title"), Strings{"Tidewater"});
        }
    }
};

QTEST_APPLESS_MAIN(TestInRows)
#include "test_in_rows.moc"
