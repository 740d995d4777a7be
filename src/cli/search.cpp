// SPDX-License-Identifier: GPL-3.0-or-later
// search, facets, stats: over the columns of the library.
#include <algorithm>
#include <cmath>

#include <fmt/format.h>

#include "cli/common.h"
#include "cli/json_out.h"
#include "core/library/shelf_readiness.h"
#include "core/tags/fields.h"
#include "core/text/text.h"

namespace moorfrost::cli {

namespace {

using namespace library;

struct Opened {
    std::unique_ptr<Store> store;
    std::shared_ptr<const Searcher> searcher;
    RowSet rows;
    int exitCode = 0;
};

/// The library and what the query finds in it; an exit code where that cannot be.
Opened opened(const Options& options) {
    Opened out;
    out.store = openLibrary(options);
    if (!out.store) {
        out.exitCode = 1;
        return out;
    }
    const LibrarySearch search = searchOf(*out.store);
    out.searcher = search.searcher;
    auto parsed = parseQuery(options.query, out.searcher->customFields());
    if (asksForReadiness(parsed.query) ||
        std::any_of(options.by.begin(), options.by.end(), isAboutReadiness) ||
        std::any_of(options.sort.begin(), options.sort.end(),
                    [](const std::string& s) { return s.starts_with("ready"); })) {
        work::Progress progress;
        auto before = [] { say("What is ready is worked out now; in a large library that takes a while."); };
        out.searcher = out.searcher->withReadiness(
            readinessOfShelves(*out.store, search, rulesOf(*out.store), nullptr, {}, progress, before));
    }
    if (parsed.error) {
        say(fmt::format("{} (at character {}: {})", parsed.error->sentence, parsed.error->from + 1,
                        options.query.substr(parsed.error->from, parsed.error->to - parsed.error->from)));
        out.exitCode = 2;
        return out;
    }
    out.rows = out.searcher->find(options.beginnings ? library::withBeginnings(std::move(parsed.query))
                                                     : parsed.query);
    return out;
}

/// The key of a field or column that a person named; "" if there is none.
std::string keyOf(const Searcher& searcher, const std::string& name) {
    for (const char* column :
         {"length", "added", "size", "rate", "bitrate", "file", "folder", "format", "codec", "kind", "ready"})
        if (name == column)
            return std::string("@") + column;
    if (const tags::FieldDef* def = tags::fieldByName(name))
        return def->key;
    return searcher.hasField(name) ? name : std::string();
}

} // namespace

int search(const Options& options) {
    Opened o = opened(options);
    if (o.exitCode != 0)
        return o.exitCode;
    std::vector<SortBy> by;
    for (const std::string& s : options.sort) {
        const size_t colon = s.rfind(":down");
        const bool down = colon != std::string::npos && colon + 5 == s.size();
        std::string key = keyOf(*o.searcher, down ? s.substr(0, colon) : s);
        if (key.empty()) {
            say("There is no field named \"" + s + "\" to sort by.");
            return 2;
        }
        by.push_back({key, !down});
    }
    if (options.count) {
        print(Json{{"count", o.rows.count()}});
        return 0;
    }
    size_t most = options.limit > 0 ? options.limit : static_cast<size_t>(-1);
    for (Row row : o.searcher->ordered(o.rows, by, most))
        if (auto file = o.store->files().find(o.searcher->idOf(row)))
            print(fileJson(*file));
    return 0;
}

int facets(const Options& options) {
    Opened o = opened(options);
    if (o.exitCode != 0)
        return o.exitCode;
    for (const std::string& name : options.by) {
        const bool special = name == "decade" || name == "year" || name == "format" || name == "codec" ||
                             name == "kind" || name == "missing" || isAboutReadiness(name);
        std::string key = special ? name : keyOf(*o.searcher, name);
        if (key.empty()) {
            say("There is no field named \"" + name + "\" to count by.");
            return 2;
        }
        std::vector<std::string> all;
        for (const tags::FieldDef& def : tags::fieldTable())
            all.push_back(def.key);
        all.emplace_back("picture");
        Json values = Json::array();
        for (const FacetValue& v :
             o.searcher->facet(o.rows, key, options.limit > 0 ? options.limit : static_cast<size_t>(-1), all))
            values.push_back({{"value", text::isUtf8(v.value) ? v.value : text::escapeBytes(v.value)},
                              {"count", v.count}});
        print(Json{{"facet", name}, {"values", values}});
    }
    return 0;
}

int stats(const Options& options) {
    Opened o = opened(options);
    if (o.exitCode != 0)
        return o.exitCode;
    const Searcher& library = *o.searcher;
    double seconds = 0;
    uint64_t bytes = 0;
    size_t damaged = 0;
    library.all().each([&](Row row) {
        seconds += library.durationOf(row);
        bytes += library.sizeOf(row);
        damaged += library.has(row, Damaged) || library.has(row, Unreadable);
    });
    auto distinct = [&](const char* key) {
        return library.facet(library.all(), key, static_cast<size_t>(-1)).size();
    };
    Json formats = Json::object();
    for (const FacetValue& v : o.searcher->facet(o.rows, "format"))
        formats[v.value] = v.count;
    Json missing = Json::object();
    for (const FacetValue& v : o.searcher->facet(
             o.rows, "missing", 0, {"title", "artist", "album", "date", "genre", "isrc", "picture"}))
        missing[v.value] = v.count;
    print(Json{{"tracks", library.count()},
               {"hours", std::round(seconds / 36) / 100},
               {"bytes", bytes},
               {"artists", distinct("artist")},
               {"albums", distinct("album")},
               {"damaged", damaged},
               {"formats", formats},
               {"missing", missing}});
    return 0;
}

} // namespace moorfrost::cli
