// SPDX-License-Identifier: GPL-3.0-or-later
// Orders, decades and ranges by their values; several who ask at once.
#include <QtTest>

#include <atomic>
#include <thread>

#include "support/invented.h"
#include "support/search_records.h"

using namespace moorfrost;
using namespace moorfrost::library;

using Ids = std::vector<FileId>;

class TestSearchValues : public QObject {
    Q_OBJECT
private slots:
    // Within an album: discs, in each its tracks; also of files that changed since the library was read.
    void tracksFollowTheirDiscs() {
        auto song = [](FileId id, const char* disc, const char* track) {
            return record(id, {{"album", {"Salt Road"}}, {"disc", {disc}}, {"track", {track}}},
                          ("/" + std::to_string(id) + ".flac").c_str());
        };
        const std::vector<FileRecord> all = {song(1, "2", "1"), song(2, "1", "3"), song(3, "2", "2"),
                                             song(4, "1", "10"), song(5, "10", "1")};
        const Ids wanted = {2, 4, 1, 3, 5};
        auto whole = std::make_shared<const Searcher>(columnsOf(all));
        QCOMPARE(idsOf(*whole, whole->ordered(whole->all(), {})), wanted);
        QCOMPARE(idsOf(*whole, whole->ordered(whole->all(), {{"album", true}})), wanted);
        auto some = std::make_shared<const Searcher>(columnsOf({all[0], all[3]}));
        auto joined = some->with({2, 3, 5}, columnsOf({all[1], all[2], all[4]}));
        QCOMPARE(idsOf(*joined, joined->ordered(joined->all(), {})), wanted);
        QCOMPARE(idsOf(*joined, joined->ordered(joined->all(), {{"album", true}})), wanted);
    }

    void yearsAndDecadesComeNewestFirst() {
        std::vector<FileRecord> all;
        for (const auto& [date, times] :
             {std::pair("1974", 5), std::pair("1986-05", 1), std::pair("1998-10-05", 3), std::pair("1989", 2),
              std::pair("2021", 1), std::pair("n.d.", 4)})
            for (int i = 0; i < times; ++i)
                all.push_back(record(static_cast<FileId>(all.size() + 1), {{"date", {date}}}));
        Searcher s(columnsOf(all));
        QCOMPARE(s.facet(s.all(), "decade"),
                 (std::vector<FacetValue>{{"2020", 1}, {"1990", 3}, {"1980", 3}, {"1970", 5}}));
        QCOMPARE(s.facet(s.all(), "year"),
                 (std::vector<FacetValue>{{"2021", 1}, {"1998", 3}, {"1989", 2}, {"1986", 1}, {"1974", 5}}));
        QCOMPARE(s.facet(s.all(), "decade", 2), (std::vector<FacetValue>{{"2020", 1}, {"1990", 3}}));
    }

    // Every kind of value: from the one end to the other, both included, and nothing behind it.
    void rangesEndWhereTheyEnd_data() {
        QTest::addColumn<QString>("query");
        QTest::addColumn<Ids>("ids");
        auto row = [](const char* query, Ids ids) { QTest::newRow(query) << query << ids; };
        row("year:1986-1998", {2, 3});
        row("decade:1980-1990", {2, 3});
        row("date:1986-05..1998-10", {2, 3});
        row("track:2-3", {2, 3});
        row("length:2:00-3:00", {2, 3});
        row("bitrate:200-300", {2, 3});
        row("size:2-3", {2, 3});
        row("added:2024..2025", {2, 3});
        row("channels:2-3", {2, 3});
        row("bits:20-24", {2, 3});
    }
    void rangesEndWhereTheyEnd() {
        QFETCH(QString, query);
        QFETCH(Ids, ids);
        const char* dates[] = {"1974", "1986-05", "1998-10-05", "2021"};
        const int bits[] = {16, 20, 24, 32};
        std::vector<FileRecord> all;
        for (int i = 0; i < 4; ++i) {
            FileRecord r = record(i + 1, {{"date", {dates[i]}}, {"track", {std::to_string(i + 1)}}},
                                  "/archive/a.flac", (i + 1) * 60);
            r.tags.facts.bitrate = (i + 1) * 100000;
            r.tags.facts.channels = i + 1;
            r.tags.facts.bitDepth = bits[i];
            r.state.size = static_cast<uint64_t>(i + 1) * 1000000;
            r.added = 1672531200 + i * int64_t{31600000} + 1000000; // in 2023, 2024, 2025, 2026
            all.push_back(std::move(r));
        }
        QCOMPARE(answer(Searcher(columnsOf(all)), query.toUtf8().constData()), ids);
    }

    // One searcher is asked by several threads at once. (The thread sanitizer looks at it: scripts/sanitize
    // threads.)
    void severalAskAtOnce() {
        const std::vector<std::string> questions = {
            "night", "post", "a",    "st",   "genre:folk", "year:>1980 ferry",
            "rook",  "tide", "salt", "isla", "e",          "not genre:folk o"};
        const std::vector<SortBy> orders[] = {
            {{"title", true}}, {{"artist", false}}, {{"date", true}, {"title", true}}};
        auto ask = [&](const Searcher& s, size_t i) {
            return idsOf(s,
                         s.ordered(s.find(parseQuery(questions[i % questions.size()]).query), orders[i % 3]));
        };
        std::vector<FileRecord> records;
        FileRecord r;
        for (bench::InventedLibrary invented(3000); invented.next(r);)
            records.push_back(r);
        const auto columns = columnsOf(records);
        for (bool changed : {false, true}) {
            auto make = [&]() -> std::shared_ptr<const Searcher> {
                auto base = std::make_shared<const Searcher>(columns);
                return changed
                           ? base->with({1, 7},
                                        columnsOf({record(1, {{"title", {"Night tide"}}}), record(7, {})}))
                           : base;
            };
            const auto alone = make(), asked = make();
            std::vector<Ids> expected;
            for (size_t i = 0; i < questions.size() * 3; ++i)
                expected.push_back(ask(*alone, i));
            std::atomic<int> wrong = 0;
            {
                std::vector<std::jthread> all;
                for (size_t t = 0; t < 4; ++t)
                    all.emplace_back([&, t] {
                        for (size_t k = 0; k < expected.size(); ++k) {
                            const size_t i = (k * 5 + t * 7) % expected.size();
                            wrong += ask(*asked, i) != expected[i];
                        }
                    });
            }
            QCOMPARE(wrong.load(), 0);
        }
    }
};

QTEST_GUILESS_MAIN(TestSearchValues)
#include "test_search_values.moc"
