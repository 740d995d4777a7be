// SPDX-License-Identifier: GPL-3.0-or-later
// The audit: misspellings planted among 50,000 artists (told on one set, tuned on another), a whole library,
// a change of one release. moorfrost-bench-audit FOLDER [COUNT]
#include <cstdlib>
#include <set>

#include <fmt/format.h>

#include "benchmarks/measure.h"
#include "core/library/findings/audit.h"
#include "core/library/findings/near_values.h"
#include "support/invented.h"

using namespace moorfrost;
using namespace moorfrost::library;

namespace {

/// Names of bands and persons; misspelled as hands do: a letter put in, left out, changed, doubled, two
/// swapped, a space astray, another mark or case.
void nearValuesAmong(size_t count, size_t planted, unsigned seed) {
    bench::Chance random(seed);
    bench::InventedLibrary invented(count * 25);
    std::set<std::string> names;
    FileRecord r;
    while (names.size() < count && invented.next(r))
        names.insert(tags::firstValue(r.tags.fields, "artist"));
    std::vector<CountedValue> values;
    for (const std::string& name : names)
        if (!name.empty())
            values.push_back({name, random() % 3 == 0 ? 1 + random() % 3 : 5 + random() % 60});
    const size_t known = values.size();
    std::map<std::string, size_t> meant;
    while (meant.size() < planted) {
        const size_t of = random() % known;
        if (values[of].count < 5) // which of them is right cannot be told
            continue;
        std::string name = values[of].text;
        if (name.size() < 8 || std::ranges::any_of(name, [](char c) { return (c & 0x80) != 0; }))
            continue;
        const size_t at = 1 + random() % (name.size() - 2);
        switch (random() % 6) {
        case 0:
            name[at] = static_cast<char>('a' + random() % 26);
            break;
        case 1:
            name.erase(at, 1);
            break;
        case 2:
            name.insert(at, 1, name[at]);
            break;
        case 3:
            std::swap(name[at], name[at + 1]);
            break;
        case 4:
            name.insert(at, 1, static_cast<char>('a' + random() % 26));
            break;
        default:
            for (char& c : name)
                c = static_cast<char>(std::tolower(c));
        }
        if (!names.contains(name) && meant.emplace(name, of).second)
            values.push_back({name, 1 + random() % 2});
    }
    size_t right = 0, wrong = 0;
    const double took = bench::milliseconds([&] {
        for (const NearValues& group : nearValues(values))
            for (const size_t other : group.others) {
                const auto at = meant.find(values[other].text);
                (at != meant.end() && at->second == group.kept ? right : wrong)++;
            }
    });
    std::printf("%zu values, %zu planted (seed %u): %.0f ms, precision %.3f, recall %.3f\n", values.size(),
                planted, seed, took, static_cast<double>(right) / static_cast<double>(right + wrong),
                static_cast<double>(right) / static_cast<double>(planted));
}

} // namespace

int main(int argc, char** argv) {
    std::setvbuf(stdout, nullptr, _IOLBF, 0);
    nearValuesAmong(50000, 500, 1); // tuned on
    nearValuesAmong(50000, 500, 2);
    nearValuesAmong(50000, 500, 3);

    const Path folder = Path(argc > 1 ? argv[1] : ".") / "bench-audit";
    const size_t count = argc > 2 ? std::strtoull(argv[2], nullptr, 10) : 100000;
    std::filesystem::remove_all(folder);
    std::filesystem::create_directories(folder);
    auto store = std::move(*Store::open(folder / "library.db"));
    const int64_t shelf = store->shelves().add("Archive", "/archive");
    bench::InventedLibrary invented(count);
    FileRecord r;
    std::vector<files::ScannedFile> chunk;
    for (bool more = true; more;) {
        chunk.clear();
        while (chunk.size() < 10000 && (more = invented.next(r)))
            chunk.push_back({r.path, r.state, std::move(r.tags), {}});
        store->saveFiles(chunk, 0, shelf);
    }
    LibrarySearch search = searchMadeAnew(*store);
    const AuditRules rules = auditRulesOf(*store);
    work::Progress progress;
    std::shared_ptr<const ReleaseAudit> held;
    const double before = bench::memoryInUse("VmRSS:");
    const double releases =
        bench::milliseconds([&] { held = auditReleases(*store, search, rules, nullptr, {}, {}, progress); });
    std::optional<Findings> together;
    const double all = bench::milliseconds(
        [&] { together = auditTogether(*store, *search.searcher, rules, nullptr, {}, progress); });
    std::printf(
        "%zu tracks: releases %.1f s (%zu findings), all together %.1f s (%zu findings); memory %+.0f MB\n",
        count, releases / 1000, held->findings.size(), all / 1000, together->size(),
        bench::memoryInUse("VmRSS:") - before);
    for (int i = 0; i < 3; ++i) {
        auto file = *store->files().find(static_cast<FileId>(1000 + i * 11));
        file.tags.fields["date"] = {"19"};
        files::ScannedFile changed;
        changed.path = file.path;
        changed.state = {file.state.size + 1, file.state.modifiedNs + 1};
        changed.tags = file.tags;
        store->files().save(changed);
        search = searchOf(*store, search);
        std::printf("one release again: %.1f ms\n", bench::milliseconds([&] {
                        held = auditReleases(*store, search, rules, held, {}, {}, progress);
                    }));
    }
    return 0;
}
