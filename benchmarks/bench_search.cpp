// SPDX-License-Identifier: GPL-3.0-or-later
// Searching, sorting and counting in a library of invented tracks (1,000,000, or as many as are asked for),
// beside SQLite's FTS5 and LIKE over the same texts. Prints milliseconds.
#include <algorithm>
#include <cstdio>
#include <cstdlib>
#include <filesystem>

#include <fmt/format.h>
#include <sqlite3.h>

#include "benchmarks/measure.h"
#include "core/library/search/readiness_table.h"
#include "core/library/search/searcher.h"
#include "core/text/text.h"
#include "support/invented.h"

using namespace moorfrost;

using bench::memoryInUse;
using bench::milliseconds;
using bench::Times;

namespace {

/// The same texts in SQLite: a table for LIKE, and FTS5 with prefixes. Counts, and the first 100 by artist.
class Beside {
public:
    explicit Beside(const Path& file) {
        std::filesystem::remove(file);
        sqlite3_open(file.c_str(), &db_);
        run("PRAGMA journal_mode=OFF; PRAGMA synchronous=OFF;"
            "CREATE TABLE track (id INTEGER PRIMARY KEY, artist TEXT, text TEXT);"
            "CREATE VIRTUAL TABLE words USING fts5 (text, content='', tokenize='unicode61 remove_diacritics "
            "2', "
            "prefix='1 2 3'); BEGIN");
        sqlite3_prepare_v2(db_, "INSERT INTO track VALUES (?,?,?)", -1, &track_, nullptr);
        sqlite3_prepare_v2(db_, "INSERT INTO words (rowid, text) VALUES (?,?)", -1, &words_, nullptr);
    }
    ~Beside() { sqlite3_close(db_); }
    void add(const library::FileRecord& r) {
        std::string text = r.path.filename().native();
        for (const auto& [key, values] : r.tags.fields)
            for (const std::string& v : values)
                text += '\n' + v;
        sqlite3_bind_int64(track_, 1, r.id);
        sqlite3_bind_text(track_, 2, r.tags.fields.at("artist").front().c_str(), -1, SQLITE_TRANSIENT);
        sqlite3_bind_text(track_, 3, text.c_str(), -1, SQLITE_TRANSIENT);
        sqlite3_bind_int64(words_, 1, r.id);
        sqlite3_bind_text(words_, 2, text.c_str(), -1, SQLITE_TRANSIENT);
        for (sqlite3_stmt* s : {track_, words_}) {
            sqlite3_step(s);
            sqlite3_reset(s);
        }
    }
    void finish() {
        sqlite3_finalize(track_);
        sqlite3_finalize(words_);
        run("COMMIT; CREATE INDEX by_artist ON track (artist)");
    }
    void like(const std::string& query) {
        std::string where;
        for (const std::string& w : text::split(query, " "))
            where += (where.empty() ? "" : " AND ") + std::string("text LIKE '%") + w + "%'";
        run("SELECT count(*) FROM track WHERE " + where);
        run("SELECT id FROM track WHERE " + where + " ORDER BY artist LIMIT 100");
    }
    void fts(const std::string& query) {
        std::string match;
        for (const std::string& w : text::split(query, " "))
            match += (match.empty() ? "" : " ") + std::string("\"") + w + "\"*";
        run("SELECT count(*) FROM words WHERE words MATCH '" + match + "'");
        run("SELECT id FROM track WHERE id IN (SELECT rowid FROM words WHERE words MATCH '" + match +
            "') ORDER BY artist LIMIT 100");
    }

private:
    void run(const std::string& sql) {
        char* message = nullptr;
        if (sqlite3_exec(db_, sql.c_str(), nullptr, nullptr, &message) != SQLITE_OK) {
            std::fprintf(stderr, "%s\n", message);
            std::exit(1);
        }
    }
    sqlite3* db_ = nullptr;
    sqlite3_stmt *track_ = nullptr, *words_ = nullptr;
};

} // namespace

int main(int argc, char** argv) {
    const size_t count = argc > 1 ? std::strtoull(argv[1], nullptr, 10) : 1000000;
    const Path folder = argc > 2 ? argv[2] : "build";
    const Path snapshot = folder / "bench-columns";
    std::shared_ptr<const library::Columns> columns;
    std::printf("%zu tracks\n", count);
    double building = milliseconds([&] {
        library::ColumnsBuilder builder(snapshot, "bench");
        bench::InventedLibrary invented(count);
        library::FileRecord record;
        while (invented.next(record))
            builder.add(record);
        columns = builder.finish();
    });
    std::printf("columns built, snapshot written       %8.0f ms (%.0f tracks/s), %.0f MB; memory %.0f MB, at "
                "most %.0f MB\n",
                building, static_cast<double>(count) / building * 1000,
                static_cast<double>(columns->arena().size()) / 1e6, memoryInUse("VmRSS:"),
                memoryInUse("VmHWM:"));
    columns.reset();
    double mapping = milliseconds(
        [&] { columns = std::make_shared<library::Columns>(files::Arena::map(snapshot, "bench")); });
    std::printf("snapshot mapped and checked           %8.0f ms\n", mapping);
    // Readiness as a standard of five rules tells it of such a library.
    library::ReadinessTableWriter table({"Title, Artist", "Album", "Date", "Track numbers", "Picture"}, "");
    {
        bench::Chance random(5);
        uint32_t sleeve = 0;
        for (size_t i = 0; i < count; ++i) {
            if (i % 11 == 0) {
                library::Marks marks(5);
                for (audit::Met& met : marks)
                    met = static_cast<audit::Met>(random() % 3);
                sleeve = table.addSleeve(marks);
            }
            table.addFile(static_cast<library::FileId>(i + 1), sleeve);
        }
    }
    std::shared_ptr<const library::Searcher> ready;
    const auto readiness = table.finish();
    std::printf("readiness put to the rows             %8.1f ms\n",
                milliseconds([&] { ready = library::Searcher(columns).withReadiness(readiness); }));
    const library::Searcher& searcher = *ready;

    const std::vector<library::SortBy> byArtist = {{"artist", true}};
    std::printf("first sort by artist                  %8.1f ms\n",
                milliseconds([&] { searcher.ordered(searcher.all(), byArtist, 100); }));
    for (const char* column : {"title", "album", "date", "@length", "track", "@file", "@ready"}) {
        double first = milliseconds([&] { searcher.ordered(searcher.all(), {{column, false}}); });
        std::printf("everything sorted by %-10s       %8.1f ms\n", column, first);
    }
    // Keystrokes: queries of one to three words, letter by letter.
    size_t hits = 0;
    for (const bool beginnings : {false, true}) {
        bench::Chance random(7);
        Times typed, oneLetter;
        for (const std::string& query : bench::InventedLibrary::queries(120, random))
            for (size_t n = 1; n <= query.size(); ++n) {
                if (query[n - 1] == ' ')
                    continue;
                double ms = milliseconds([&] {
                    library::Query parsed = library::parseQuery(query.substr(0, n)).query;
                    auto rows = searcher.find(beginnings ? library::withBeginnings(parsed) : parsed);
                    hits += rows.count() + searcher.ordered(rows, byArtist, 100).size();
                });
                typed.add(ms);
                if (n <= 2)
                    oneLetter.add(ms);
            }
        std::printf("keystroke to count and first 100      %s (%s)\n", typed.shown().c_str(),
                    beginnings ? "beginnings of words" : "inside words");
        std::printf("the first two letters of them         %s\n", oneLetter.shown().c_str());
    }
    Times exact;
    for (const char* query : {"year:1970-1989 genre:folk,choral missing:isrc length:<60", "artist:ferry",
                              "format:flac added:>2026-01-01", "title:night", "album:post not genre:jazz",
                              "label:gannet year:>=2000", "is:ready genre:folk", "lacks:picture unmet:<=2",
                              "length:3:00-4:00 has:isrc"}) {
        Times one;
        for (int i = 0; i < 5; ++i) {
            double ms = milliseconds([&] {
                auto rows = searcher.find(library::parseQuery(query).query);
                hits += rows.count() + searcher.ordered(rows, byArtist, 100).size();
            });
            exact.add(ms);
            one.add(ms);
        }
        std::printf("  %-60s %s\n", query, one.shown().c_str());
    }
    std::printf("exact questions                       %s\n", exact.shown().c_str());
    Times facets;
    for (const char* query : {"", "a", "night", "genre:folk"}) {
        auto rows = searcher.find(library::parseQuery(query).query);
        for (int i = 0; i < 5; ++i)
            facets.add(milliseconds([&] {
                for (const char* key : {"artist", "genre", "label", "decade", "format", "unmet", "lacks"})
                    hits += searcher.facet(rows, key, 20).size();
                hits += searcher.facet(rows, "missing", 20, {"isrc", "date", "picture", "label"}).size();
            }));
    }
    std::printf("all facet counts                      %s\n", facets.shown().c_str());
    std::printf("memory %.0f MB\n", memoryInUse("VmRSS:"));
    if (argc > 3) {
        Beside beside(folder / "bench-beside.db");
        std::printf("the same texts into SQLite            %8.0f ms\n", milliseconds([&] {
                        bench::InventedLibrary invented(count);
                        library::FileRecord record;
                        while (invented.next(record))
                            beside.add(record);
                        beside.finish();
                    }));
        bench::Chance again(7);
        Times fts, like;
        for (const std::string& query : bench::InventedLibrary::queries(12, again))
            for (size_t n = 1; n <= query.size(); ++n) {
                if (query[n - 1] == ' ')
                    continue;
                fts.add(milliseconds([&] { beside.fts(query.substr(0, n)); }));
                if (n % 4 == 1)
                    like.add(milliseconds([&] { beside.like(query.substr(0, n)); }));
            }
        std::printf("keystroke, FTS5 (beginnings of words) %s\n", fts.shown().c_str());
        std::printf("keystroke, LIKE                       %s\n", like.shown().c_str());
        std::filesystem::remove(folder / "bench-beside.db");
    }
    std::printf("(%zu)\n", hits % 10); // so that nothing is left out
    std::filesystem::remove(snapshot);
    return 0;
}
