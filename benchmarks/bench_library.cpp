// SPDX-License-Identifier: GPL-3.0-or-later
// The library on disk at a million tracks: bringing ready metadata in, its size, reading it into columns,
// what is changed afterwards. moorfrost-bench-library [COUNT [FOLDER [keep]]]; GIVEN=100000 in the
// environment for so many ratings, uses and entries of a list
#include <cstdio>
#include <cstdlib>
#include <filesystem>

#include "benchmarks/measure.h"
#include "core/library/collections.h"
#include "core/library/recordings.h"
#include "core/library/shelf_readiness.h"
#include "core/library/store/schema.h"
#include "support/invented.h"

using namespace moorfrost;

using bench::memoryInUse;
using bench::milliseconds;

int main(int argc, char** argv) {
    const size_t count = argc > 1 ? std::strtoull(argv[1], nullptr, 10) : 1000000;
    const char* given = std::getenv("GIVEN"); // so many ratings, uses and entries of a list
    const Path folder = Path(argc > 2 ? argv[2] : "build") / "bench-library";
    std::filesystem::remove_all(folder);
    const Path file = folder / "library.db";
    auto store = std::move(*library::Store::open(file));
    int64_t shelf = store->shelves().add("Archive", "/archive");
    std::printf("%zu tracks\n", count);
    double making = 0;
    double all = milliseconds([&] {
        bench::InventedLibrary invented(count);
        library::FileRecord r;
        std::vector<files::ScannedFile> chunk;
        for (bool more = true; more;) {
            making += milliseconds([&] {
                chunk.clear();
                while (chunk.size() < 10000 && (more = invented.next(r)))
                    chunk.push_back({r.path, r.state, std::move(r.tags), {}});
            });
            store->saveFiles(chunk, 0, shelf);
        }
    });
    std::printf("into the library                      %8.0f ms (%.0f tracks/s), %.0f MB\n", all - making,
                static_cast<double>(count) / (all - making) * 1000,
                static_cast<double>(std::filesystem::file_size(file)) / 1e6);
    if (given && std::atoi(given) > 0) { // what people gave: ratings, uses, a list
        const auto many = std::min(static_cast<size_t>(std::atoi(given)), count);
        std::vector<library::FileId> ids;
        library::KeptValues ratings, uses;
        for (size_t i = 0; i < many; ++i) {
            ids.push_back(static_cast<library::FileId>(1 + i * (count / many)));
            ratings[ids.back()] = {std::to_string(1 + i % 5)};
            uses[ids.back()] = {
                library::useText({"2026-11", "Programme " + std::to_string(i % 1000), "", ""})};
        }
        library::Collection list;
        list.name = "All of them";
        std::printf("%zu ratings, uses, entries of a list given %6.0f ms\n", many, milliseconds([&] {
                        library::keepValues(*store, "Rate", library::ratingField, ratings);
                        library::keepValues(*store, "Uses", library::useField, uses);
                        if (!library::makeCollection(*store, list, 0, ids))
                            std::exit(1);
                    }));
        std::printf("the list read %35.0f ms\n", milliseconds([&] { library::listOf(*store, list.id); }));
    }
    library::LibrarySearch search;
    double reading = milliseconds([&] { search = library::searchMadeAnew(*store); });
    std::printf("read into columns, and a snapshot left %8.0f ms; memory at most %.0f MB\n", reading,
                memoryInUse("VmHWM:"));
    search = {};
    std::printf("searchable from the snapshot          %8.1f ms\n",
                milliseconds([&] { search = library::searchOf(*store); }));
    const std::vector<library::SortBy> byArtist = {{"artist", true}};
    auto ask = [&] {
        auto rows = search.searcher->find(library::parseQuery("night").query);
        return search.searcher->ordered(rows, byArtist, 100).size();
    };
    std::printf("the first question                    %8.1f ms\n", milliseconds([&] { ask(); }));
    if (given)
        std::printf("rating:>=4 not used:programme         %8.1f ms\n", milliseconds([&] {
                        search.searcher->find(library::parseQuery("rating:>=4 not used:programme").query);
                    }));
    for (size_t changed : {size_t{1}, size_t{1000}}) {
        std::vector<library::FileId> ids;
        for (size_t i = 0; i < changed; ++i)
            ids.push_back(static_cast<library::FileId>(1 + i * (count / changed)));
        auto before = store->files().findAll(ids);
        double writing = milliseconds([&] {
            library::Transaction together(store->database());
            for (library::FileRecord& r : before) {
                r.tags.fields["mood"] = {"calm"};
                r.tags.fields["title"] = {"Night Post " + std::to_string(r.id)};
                store->files().update(r.id, r.state, r.tags.fields, r.shelf);
            }
            together.commit();
        });
        double laying = milliseconds([&] { search = library::searchOf(*store, search); });
        double first = milliseconds([&] { ask(); });
        double again = milliseconds([&] { ask(); });
        std::printf("%4zu changed tracks written, laid over the columns, first question, next question:\n"
                    "                                      %8.1f %.1f %.1f %.1f ms\n",
                    changed, writing, laying, first, again);
    }
    work::Progress progress;
    const library::ShelfRules rules{audit::shippedStandards().front()};
    std::shared_ptr<const library::ReadinessTable> ready;
    const double first = milliseconds(
        [&] { ready = library::readinessOfShelves(*store, search, rules, nullptr, {}, progress); });
    auto record = *store->files().find(static_cast<library::FileId>(count / 2));
    record.tags.fields["mood"] = {"bright"};
    store->files().update(record.id, record.state, record.tags.fields, record.shelf);
    search = library::searchOf(*store, search);
    const double one = milliseconds(
        [&] { ready = library::readinessOfShelves(*store, search, rules, ready, {}, progress); });
    std::printf("readiness of all, of one changed track %7.0f %.1f ms; memory %.0f MB, at most %.0f MB\n",
                first, one, memoryInUse("VmRSS:"), memoryInUse("VmHWM:"));
    // As an earlier version left it: files and kinds, no recordings.
    const Path old = folder / "old.db";
    store.reset();
    {
        library::Database db(old);
        for (size_t n = 0; n < 8; ++n) {
            db.execute(library::migrations()[n].sql);
            if (library::migrations()[n].work)
                library::migrations()[n].work(db);
        }
        db.execute(
            ("ATTACH '" + file.native() +
             "' AS now; INSERT INTO shelf SELECT * FROM now.shelf;"
             " INSERT INTO file (id, path, path_key, size, modified_ns, error, content, shelf, added)"
             " SELECT id, path, path_key, size, modified_ns, error, content, shelf, added FROM now.file;"
             " INSERT INTO kept_value SELECT id, 'kind', 0, 'speech' FROM now.file WHERE id % 100 = 0;"
             " PRAGMA user_version = 8")
                .c_str());
    }
    double migrating = milliseconds([&] { store = std::move(*library::Store::open(old)); });
    std::printf("a library of version 8 is copied and migrated %9.0f ms\n", migrating);
    if (store->recordings().placeOf(100).recording == 0 || store->files().find(100)->kind != "speech")
        std::printf("IT IS NOT WHAT IT WAS\n");
    return 0;
}
