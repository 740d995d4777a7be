// SPDX-License-Identifier: GPL-3.0-or-later
// Searching, sorting and counting over the columns, beside a plain walk over the records that shares no code
// with it.
#include <QtTest>

#include <fstream>
#include <set>

#include "core/library/search/searcher.h"
#include "core/library/search/sleeves.h"
#include "core/tags/fields.h"
#include "core/text/text.h"
#include "support/invented.h"
#include "support/sample_files.h"
#include "support/search_records.h"

using namespace moorfrost;
using namespace moorfrost::library;

namespace {

/// Whether a word is anywhere in the text of a record, by looking.
bool hasWord(const FileRecord& r, const std::string& folded) {
    for (const auto& [key, values] : r.tags.fields)
        for (const std::string& v : values)
            if (text::fold(v).find(folded) != std::string::npos)
                return true;
    return text::fold(r.path.filename().native()).find(folded) != std::string::npos ||
           text::fold(r.tags.facts.codec).find(folded) != std::string::npos ||
           text::fold(audio::formatName(r.tags.format)).find(folded) != std::string::npos;
}

using Ids = std::vector<FileId>;

} // namespace

class TestSearcher : public QObject {
    Q_OBJECT
    std::vector<FileRecord> records_;
    std::shared_ptr<const Columns> columns_;

private slots:
    void initTestCase() {
        bench::InventedLibrary invented(3000);
        FileRecord r;
        while (invented.next(r))
            records_.push_back(r);
        columns_ = columnsOf(records_);
    }

    void wordsAreFoundAnywhere() {
        Searcher s(columns_);
        bench::Chance random(3);
        std::vector<std::string> queries = bench::InventedLibrary::queries(60, random);
        queries.insert(queries.end(), {"a", "7", "st", "северный", "ветер", "ВЕТЕР", "灯台", "のうた", "lac",
                                       "flac", "quart"});
        size_t found = 0;
        for (const std::string& q : queries)
            for (size_t n : {q.size(), q.size() / 2}) {
                std::string part = q.substr(0, n);
                if (!text::isUtf8(part) || text::trim(part).empty())
                    continue;
                Ids expected;
                for (const FileRecord& r : records_) {
                    bool all = true;
                    for (const std::string& w : text::split(text::fold(part), " "))
                        all = all && hasWord(r, w);
                    if (all)
                        expected.push_back(r.id);
                }
                found += expected.size();
                QVERIFY2(answer(s, part.c_str()) == expected, part.c_str());
            }
        QVERIFY(found > 5000);
    }

    void marksCaseAndScripts() {
        Searcher s(
            columnsOf({record(1, {{"artist", {"Åse-Linn Brække"}}, {"title", {"Lanterns"}}}),
                       record(2, {{"artist", {"Хор Маяка"}}, {"title", {"Северный ветер"}}}),
                       record(3, {{"artist", {"灯台うた会"}}, {"title", {"灯台"}}}),
                       record(4, {{"title", {"Whin Moor"}}, {"comment", {"first line\nsecond line"}}})}));
        QCOMPARE(answer(s, "ase"), Ids{1});
        QCOMPARE(answer(s, "BRAEKKE lant"), Ids{1});
        QCOMPARE(answer(s, "åse-linn"), Ids{1});
        QCOMPARE(answer(s, "маяк"), Ids{2});
        QCOMPARE(answer(s, "うた"), Ids{3});
        QCOMPARE(answer(s, "second moor"), Ids{4});
        QCOMPARE(answer(s, "&"), (Ids{1, 2, 3, 4})); // says nothing
        QVERIFY(answer(s, "artist:whin").empty());
        QCOMPARE(answer(s, "artist:ÅSE"), Ids{1});
        QCOMPARE(answer(s, "artist:\"хор маяка\""), Ids{2});
    }

    void exactQuestions_data() {
        QTest::addColumn<QString>("query");
        QTest::addColumn<QList<int>>("ids");
        auto row = [](const char* q, QList<int> ids) { QTest::newRow(q) << QString::fromUtf8(q) << ids; };
        row("\"night post\"", {1});
        row("night post", {1, 2});
        row("title:night", {1, 2});
        row("title:=\"night post\"", {1});
        row("title:=night", {});
        row("genre:folk", {1, 2, 3});
        row("genre:=folk", {1, 3});
        row("genre:folk,jazz", {1, 2, 3, 4});
        row("year:1998", {1});
        row("year:1970-1989", {3, 4});
        row("decade:1980", {4});
        row("date:<1998", {3, 4});
        row("date:1998-05", {1});
        row("date:>1998-05", {2});
        row("date:>=1998-05", {1, 2});
        row("track:3", {2});
        row("track:>3", {3});
        row("missing:date", {5});
        row("has:isrc", {1});
        row("missing:isrc,date", {2, 3, 4, 5});
        row("missing:picture", {1, 3, 4, 5});
        row("has:cover", {2});
        row("length:<60", {4});
        row("length:3:42", {1}); // 221.7 s, as it is shown
        row("length:3:41", {});
        row("length:3:00-4:00", {1, 2});
        row("format:flac", {1, 2, 3, 4});
        row("format:mp3", {5});
        row("differs:title", {3});
        row("is:damaged", {4});
        row("is:variable", {5});
        row("rate:44.1", {1, 2, 3, 4});
        row("rate:48000", {5});
        row("bits:24", {2});
        row("channels:1", {3});
        row("bitrate:>=320", {5});
        row("size:>10", {2});
        row("size:<=10", {1, 3, 4, 5});
        row("added:2026", {1});
        row("added:<2026", {2, 3, 4, 5});
        row("file:\"tide\"", {5});
        row("folder:singles", {5});
        row("archive_box:12", {3});
        row("not genre:folk", {4, 5});
        row("genre:folk not year:<1990", {1, 2});
        row("year:1998 or length:<60", {1, 4});
        row("(year:1998 or length:<60) not missing:isrc", {1});
        row("artist:kestrel", {2});
        row("artist:\"rook\"", {2}); // the second of two values
    }
    void exactQuestions() {
        QFETCH(QString, query);
        QFETCH(QList<int>, ids);
        std::vector<FileRecord> all = {
            record(1,
                   {{"title", {"Night Post"}},
                    {"genre", {"Folk"}},
                    {"date", {"1998-05-10"}},
                    {"isrc", {"QZMFR9800001"}},
                    {"track", {"1"}}},
                   "/a/1.flac", 221.7),
            record(2,
                   {{"title", {"Post of the Night"}},
                    {"genre", {"Harbour folk"}},
                    {"date", {"2021"}},
                    {"track", {"3"}},
                    {"artist", {"Kestrel", "Rook"}}},
                   "/a/2.flac", 200),
            record(3,
                   {{"title", {"Whin Moor"}},
                    {"genre", {"Folk", "Speech"}},
                    {"date", {"1974"}},
                    {"track", {"12"}},
                    {"archive box", {"12"}}},
                   "/a/3.flac", 500),
            record(4, {{"title", {"Lanterns"}}, {"genre", {"Jazz"}}, {"date", {"1986-02"}}}, "/a/4.flac", 31),
            record(5, {{"title", {"Salt Road"}}}, "/singles/Tide Table.mp3", 400),
        };
        for (FileRecord& r : all) {
            r.tags.facts.sampleRate = 44100;
            r.tags.facts.bitDepth = 16;
            r.tags.facts.channels = 2;
            r.tags.facts.bitrate = 300000;
            r.state.size = 5000000;
            r.added = 1700000000;
        }
        all[0].added = 1770000000;
        all[1].tags.facts.bitDepth = 24;
        all[1].state.size = 50000000;
        all[1].tags.pictures.push_back({});
        all[2].tags.facts.channels = 1;
        all[2].tags.differences.push_back({"title", "ID3v1", {"Whin"}});
        all[3].tags.damaged = true;
        all[4].tags.format = audio::Format::Mp3;
        all[4].tags.facts = {"MP3", 400, 48000, 2, 0, 320000, tags::RateKind::Variable, {}, {}, {}, 5000000};
        Searcher s(columnsOf(all));
        Ids expected(ids.begin(), ids.end());
        QCOMPARE(answer(s, query.toUtf8().constData()), expected);
    }

    void sortedAsPeopleDo() {
        Searcher s(columnsOf({
            record(1, {{"title", {"Track 10"}}, {"album", {"B"}}, {"track", {"10"}}}, "/1.flac", 50),
            record(2, {{"title", {"Track 9"}}, {"album", {"B"}}, {"track", {"9"}}}, "/2.flac", 70),
            record(3, {{"title", {"Åse"}}, {"album", {"A"}}, {"track", {"2"}}}, "/3.flac", 60),
            record(4, {{"album", {"A"}}, {"track", {"1"}}}, "/4.flac", 40),
            record(5, {{"title", {"The Pier"}}, {"title_sort", {"Pier, The"}}}, "/5.flac", 30),
        }));
        auto sorted = [&](std::vector<SortBy> by, size_t most = 99) {
            return idsOf(s, s.ordered(s.all(), by, most));
        };
        QCOMPARE(sorted({{"title", true}}), (Ids{3, 5, 2, 1, 4}));
        QCOMPARE(sorted({{"title", false}}), (Ids{1, 2, 5, 3, 4})); // blanks last either way
        QCOMPARE(sorted({}), (Ids{4, 3, 2, 1, 5}));
        QCOMPARE(sorted({{"track", true}}), (Ids{4, 3, 2, 1, 5}));
        QCOMPARE(sorted({{"album", false}, {"title", true}}), (Ids{2, 1, 3, 4, 5}));
        QCOMPARE(sorted({{"@length", true}}, 2), (Ids{5, 4}));
        QCOMPARE(sorted({{"@file", false}}), (Ids{5, 4, 3, 2, 1}));
    }

    void sortedLikeACollator() {
        Searcher s(columns_);
        for (const char* query : {"", "a", "st"}) { // many rows, and few
            RowSet rows = s.find(parseQuery(query).query);
            for (bool up : {true, false}) {
                auto ids = idsOf(s, s.ordered(rows, {{"title", up}}));
                QCOMPARE(ids.size(), rows.count());
                for (size_t i = 1; i < ids.size(); ++i) {
                    auto title = [&](size_t k) {
                        return records_[static_cast<size_t>(ids[k] - 1)].tags.fields.at("title").front();
                    };
                    int c = text::compare(title(i - 1), title(i));
                    QVERIFY2(up ? c <= 0 : c >= 0, (title(i - 1) + " | " + title(i)).c_str());
                }
                auto first = idsOf(s, s.ordered(rows, {{"title", up}}, 20));
                QVERIFY(std::equal(first.begin(), first.end(), ids.begin()));
            }
        }
    }

    void countsBelongToTheResult() {
        Searcher s(columns_);
        for (const char* query : {"", "genre:folk", "missing:isrc year:>2000"}) {
            RowSet rows = s.find(parseQuery(query).query);
            std::map<std::string, size_t> genres, decades;
            size_t noIsrc = 0;
            rows.each([&](Row row) {
                const auto& f = records_[row].tags.fields;
                ++genres[f.at("genre").front()];
                ++decades[f.at("date").front().substr(0, 3) + "0"];
                noIsrc += !f.contains("isrc");
            });
            auto facet = s.facet(rows, "genre");
            QCOMPARE(facet.size(), genres.size());
            for (const FacetValue& v : facet)
                QCOMPARE(v.count, genres[v.value]);
            QVERIFY(std::is_sorted(facet.begin(), facet.end(),
                                   [](auto& a, auto& b) { return a.count > b.count; }));
            for (const FacetValue& v : s.facet(rows, "decade"))
                QCOMPARE(v.count, decades[v.value]);
            QCOMPARE(s.facet(rows, "missing", 9, {"isrc"}), (std::vector<FacetValue>{{"isrc", noIsrc}}));
            QCOMPARE(s.facet(rows, "artist", 3).size(), size_t{3});
            // What a click on a value finds is as many as it said.
            for (const FacetValue& v : s.facet(rows, "label", 5))
                QCOMPARE(s.find(parseQuery(withChosen(query, "label", v.value)).query).count(), v.count);
        }
    }

    void anotherSortFormIsNoticed() {
        const tags::Fields ferry = {{"title", {"Gorse"}}, {"artist", {"The Hollow Ferry"}}},
                           isla = {{"title", {"Kelp"}},
                                   {"artist", {"Isla Varnholt"}},
                                   {"artist_sort", {"Varnholt, Isla"}}};
        auto base = std::make_shared<const Searcher>(
            columnsOf({record(1, ferry), record(2, ferry), record(3, isla), record(4, isla)}));
        QVERIFY(!base->tellsOtherSortForms());
        auto changed = [&](FileId id, tags::Fields fields) {
            return base->with({id}, columnsOf({record(id, std::move(fields))}))->tellsOtherSortForms();
        };
        auto but = [](tags::Fields fields, const char* key, const char* value) {
            fields[key] = {value};
            return fields;
        };
        QVERIFY(changed(1, but(ferry, "artist_sort", "Hollow Ferry, The")));
        QVERIFY(changed(5, but(ferry, "artist_sort", "Hollow Ferry, The"))); // a new one
        QVERIFY(changed(3, but(isla, "artist_sort", "Isla Varnholt")));
        QVERIFY(changed(3, {{"title", {"Kelp"}}, {"artist", {"Isla Varnholt"}}}));
        QVERIFY(!changed(3, but(isla, "title", "Tide")));
        QVERIFY(!changed(1, isla));
        QVERIFY(!changed(5, but(but(isla, "artist", "Wren-Low"), "artist_sort", "Low, Wren")));
        QVERIFY(!base->with({3}, columnsOf({}))->tellsOtherSortForms()); // it is gone
    }

    void changesAreLaidOver() {
        // Laid over, or made anew from the same files: nothing tells them apart.
        auto base = std::make_shared<const Searcher>(columns_);
        std::map<FileId, FileRecord> now;
        for (const FileRecord& r : records_)
            now[r.id] = r;
        bench::Chance random(11);
        std::set<FileId> changed;
        std::shared_ptr<const Searcher> laid = base;
        auto names = bench::InventedLibrary::queries(40, random);
        for (int round = 0; round < 4; ++round) {
            for (int i = 0; i < 60; ++i) {
                FileId id = 1 + random() % 3000;
                changed.insert(id);
                if (!now.contains(id))
                    continue;
                tags::Fields& f = now[id].tags.fields;
                switch (random() % 7) {
                case 0:
                    f["title"] = {names[random() % 40]};
                    break;
                case 1:
                    f["artist"] = {records_[random() % 3000].tags.fields.at("artist").front(), "Whin Moor"};
                    break;
                case 2:
                    f["genre"] = {"Folk"};
                    f.erase("isrc");
                    break;
                case 3:
                    f["album"] = {names[random() % 4]};
                    f["album_artist"] = {"The Hollow Ferry"};
                    f["track"] = {std::to_string(random() % 300)};
                    break;
                case 4:
                    f["take"] = {"Take " + std::to_string(random() % 20)};
                    now[id].tags.facts.duration = random() % 90;
                    break;
                case 5:
                    f.erase("date");
                    f.erase("label");
                    now[id].path = "/archive/whin moor/" + std::to_string(random() % 9000) + ".flac";
                    break;
                default:
                    now.erase(id);
                }
            }
            for (int i = 0; i < 10; ++i) {
                FileId id = 3001 + round * 10 + i;
                now[id] = records_[random() % 3000];
                now[id].id = id;
                now[id].tags.fields["title"] = {names[random() % 40] + " \u0412\u0435\u0442\u0435\u0440"};
                changed.insert(id);
            }
            ColumnsBuilder above;
            for (FileId id : changed)
                if (now.contains(id))
                    above.add(now[id]);
            laid = laid->with({changed.begin(), changed.end()}, above.finish());
            std::vector<FileRecord> all;
            for (const auto& [id, r] : now)
                all.push_back(r);
            Searcher anew(columnsOf(all));
            QCOMPARE(laid->count(), all.size());
            QCOMPARE(laid->customFields(), anew.customFields());
            std::vector<std::string> queries = {"",
                                                "a",
                                                "whin",
                                                "not folk",
                                                "genre:folk or artist:whin",
                                                "missing:isrc,date",
                                                "not has:isrc",
                                                "take:0 or take:take",
                                                "length:<60",
                                                "year:1970-1989 not genre:jazz",
                                                "\u0432\u0435\u0442\u0435\u0440",
                                                "album_artist:=\"The Hollow Ferry\""};
            queries.insert(queries.end(), names.begin(), names.begin() + 10);
            for (const std::string& q : queries) {
                QCOMPARE(answer(*laid, q.c_str()).size(), answer(anew, q.c_str()).size());
                auto query = parseQuery(q, anew.customFields()).query;
                RowSet a = laid->find(query), b = anew.find(query);
                for (const std::vector<SortBy>& by :
                     std::vector<std::vector<SortBy>>{{},
                                                      {{"title", true}},
                                                      {{"artist", false}, {"title", true}},
                                                      {{"date", true}, {"@length", false}},
                                                      {{"genre", true}, {"label", false}, {"@file", true}}}) {
                    QVERIFY2(idsOf(*laid, laid->ordered(a, by)) == idsOf(anew, anew.ordered(b, by)),
                             q.c_str());
                    QVERIFY(idsOf(*laid, laid->ordered(a, by, 7)) == idsOf(anew, anew.ordered(b, by, 7)));
                }
                for (const char* key : {"artist", "genre", "decade", "year", "format", "take", "label"})
                    QVERIFY2(laid->facet(a, key) == anew.facet(b, key), key);
                QCOMPARE(laid->facet(a, "missing", 9, {"isrc", "date", "picture"}),
                         anew.facet(b, "missing", 9, {"isrc", "date", "picture"}));
                auto sleevesLaid = sleevesOf(*laid, laid->ordered(a, {}), SleeveGroup::Label);
                auto sleevesAnew = sleevesOf(anew, anew.ordered(b, {}), SleeveGroup::Label);
                QCOMPARE(sleevesLaid.size(), sleevesAnew.size());
                for (size_t i = 0; i < sleevesLaid.size(); ++i) {
                    QCOMPARE(sleevesLaid[i].album, sleevesAnew[i].album);
                    QCOMPARE(sleevesLaid[i].group, sleevesAnew[i].group);
                    QCOMPARE(idsOf(*laid, sleevesLaid[i].rows), idsOf(anew, sleevesAnew[i].rows));
                }
            }
            for (const auto& [id, r] : now) {
                auto row = laid->rowOf(id);
                QVERIFY(row);
                QVERIFY(laid->fieldsOf(*row) == r.tags.fields);
                QCOMPARE(laid->pathOf(*row), r.path);
            }
            for (FileId id : changed)
                QCOMPARE(laid->rowOf(id).has_value(), now.contains(id));
        }
        QCOMPARE(base->count(), size_t{3000}); // what was held before is as it was
    }

    void aCompilationIsOneSleeveWhereverItLies() {
        auto track = [](FileId id, const char* artist, const char* path, const char* compilation) {
            tags::Fields fields = {{"album", {"Harbour Day"}}, {"artist", {artist}}};
            if (*compilation)
                fields["compilation"] = {compilation};
            return record(id, std::move(fields), path);
        };
        Searcher s(columnsOf({track(1, "Isla Varnholt", "/archive/Isla Varnholt/a.flac", "1"),
                              track(2, "Wren-Low", "/archive/Wren-Low/b.flac", "1"),
                              track(3, "Odran Fell Quartet", "/archive/Odran Fell Quartet/c.flac", "0"),
                              track(4, "The Hollow Ferry", "/archive/The Hollow Ferry/d.flac", "")}));
        std::set<Ids> found;
        for (const LibrarySleeve& sleeve : sleevesOf(s, s.ordered(s.all(), {}), SleeveGroup::None)) {
            found.insert(idsOf(s, sleeve.rows));
            QCOMPARE(sleeve.artist.empty(), sleeve.rows.size() == 2);
        }
        QCOMPARE(found, (std::set<Ids>{{1, 2}, {3}, {4}}));
        RowSet second(s.all().size());
        second.add(1);
        const RowsBySleeve whole = wholeSleevesOf(s, second);
        QCOMPARE(whole.size(), size_t{1});
        QCOMPARE(idsOf(s, {whole[0].begin(), whole[0].end()}), (Ids{1, 2}));
    }

    void aWholeValueIsItselfAmongVeryMany() {
        std::vector<FileRecord> all;
        for (FileId id = 1; id <= 21000; ++id)
            all.push_back(record(id, {{"artist", {"Fell " + std::to_string(id)}}}));
        all[5].tags.fields["artist"] = {"Whin Moor"};
        all[9].tags.fields["artist"] = {"whin moor"};
        all[11].tags.fields["artist"] = {"The \"Other\" Pier"};
        Searcher s(columnsOf(all));
        QCOMPARE(answer(s, "artist:=\"Whin Moor\""), Ids{6});
        QCOMPARE(answer(s, "artist:=\"whin moor\""), Ids{10});
        QCOMPARE(answer(s, "artist:=\"WHIN MOOR\""), (Ids{6, 10}));
        QCOMPARE(answer(s, "artist:whin"), (Ids{6, 10}));
        QCOMPARE(answer(s, withChosen("", "artist", "The \"Other\" Pier").c_str()), Ids{12});
    }

    void anEmptyLibrary() {
        Searcher s(columnsOf({}));
        QCOMPARE(s.count(), size_t{0});
        QVERIFY(answer(s, "anything").empty() && answer(s, "missing:isrc").empty() &&
                answer(s, "year:>1900").empty());
        QVERIFY(s.ordered(RowSet(0), {{"title", true}}).empty());
        QVERIFY(s.facet(RowSet(0), "genre").empty());
    }

    void pathsThatAreNoText() {
        Searcher s(columnsOf({record(1, {}, "/archive/old \xFF\xFEname.wav"), record(2, {}, "/x.wav")}));
        QCOMPARE(s.pathOf(0), Path("/archive/old \xFF\xFEname.wav"));
        QCOMPARE(s.pathOf(1), Path("/x.wav"));
        QCOMPARE(answer(s, "old"), Ids{1});
    }
};

QTEST_GUILESS_MAIN(TestSearcher)
#include "test_searcher.moc"
