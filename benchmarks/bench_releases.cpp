// SPDX-License-Identifier: GPL-3.0-or-later
// Releases and families over a generated library of which it is known what belongs together: what is
// proposed, how right, how long it takes; lists of tracks as people paste them; a release of 300 tracks; the
// list at a million tracks.
#include <chrono>
#include <cstdlib>
#include <filesystem>
#include <map>

#include <fmt/format.h>

#include "core/exchange/track_list_text.h"
#include "core/library/families/families.h"
#include "core/library/releases/edition_sets.h"
#include "core/library/store/store.h"
#include "support/edition_world.h"
#include "support/track_list_styles.h"

using namespace moorfrost;

namespace {

using Clock = std::chrono::steady_clock;

double ms(Clock::time_point from) {
    return std::chrono::duration<double, std::milli>(Clock::now() - from).count();
}

struct Score {
    size_t wanted = 0, told = 0, right = 0;
    void print(const char* what, double took) const {
        fmt::print("{:<34}{:>8} pairs, precision {:.4f}, recall {:.4f}, {:.0f} ms\n", what, wanted,
                   told == 0 ? 1.0 : static_cast<double>(right) / static_cast<double>(told),
                   static_cast<double>(right) / static_cast<double>(wanted), took);
    }
};

void measure(size_t tracks, unsigned seed) {
    const test::EditionWorld world = test::editionWorld(tracks, seed);
    library::ColumnsBuilder builder;
    for (const library::FileRecord& r : world.files)
        builder.add(r);
    const auto searcher = std::make_shared<const library::Searcher>(builder.finish());
    auto start = Clock::now();
    const auto list = library::ReleaseList::make(searcher, {});
    fmt::print("{} tracks, {} releases; the list made in {:.0f} ms\n", world.files.size(),
               list->entries().size(), ms(start));
    start = Clock::now();
    const size_t lines = list->lines("harbour", library::ReleaseOrder::Title).size();
    fmt::print("{:<34}{:>8} lines, {:.2f} ms\n", "searched for a word", lines, ms(start));
    start = Clock::now();
    const auto like = library::likeReleases(*list, {"night post", "hollow", "", "", {}});
    fmt::print("{:<34}{:>8} found, {:.2f} ms\n", "what is like it, while one types", like.size(), ms(start));

    Score sets;
    std::map<int, size_t> count;
    std::vector<int> truth;
    for (const library::ReleaseEntry& e : list->entries()) {
        truth.push_back(world.setOf.at(e.ref.files.front()));
        ++count[truth.back()];
    }
    for (const auto& [set, n] : count)
        sets.wanted += n * (n - 1) / 2;
    start = Clock::now();
    const auto proposals = library::proposeSets(*list);
    double took = ms(start);
    for (const auto& p : proposals)
        for (size_t i = 0; i < p.entries.size(); ++i)
            for (size_t j = i + 1; j < p.entries.size(); ++j) {
                ++sets.told;
                sets.right += truth[p.entries[i]] == truth[p.entries[j]];
            }
    sets.print("edition sets", took);

    Score families;
    count.clear();
    for (const auto& [file, family] : world.familyOf)
        ++count[family];
    for (const auto& [family, n] : count)
        families.wanted += n * (n - 1) / 2;
    start = Clock::now();
    const auto found = library::proposeFamilies(*searcher);
    took = ms(start);
    auto familyOf = [&](library::FileId file) {
        const auto it = world.familyOf.find(file);
        return it == world.familyOf.end() ? -static_cast<int>(file) : it->second;
    };
    for (const auto& p : found)
        for (size_t i = 0; i < p.versions.size(); ++i)
            for (size_t j = i + 1; j < p.versions.size(); ++j) {
                ++families.told;
                families.right += familyOf(p.versions[i].file) == familyOf(p.versions[j].file);
            }
    families.print("families", took);
}

void lists() {
    size_t lines = 0, right = 0;
    const auto start = Clock::now();
    for (int shape = 0; shape < test::trackListShapes; ++shape)
        for (unsigned seed = 101; seed <= 110; ++seed) {
            const test::StyledList list = test::styledTrackList(shape, seed);
            std::vector<reference::Track> got;
            for (const auto& m : exchange::readTrackList(list.text).media)
                got.insert(got.end(), m.tracks.begin(), m.tracks.end());
            for (size_t i = 0; i < list.tracks.size(); ++i) {
                ++lines;
                right += i < got.size() && got[i].title == list.tracks[i].title &&
                         got[i].position == list.tracks[i].position &&
                         got[i].lengthMs == list.tracks[i].lengthMs;
            }
        }
    fmt::print("200 pasted lists in {} shapes: {} of {} lines right in all ({:.1f} %), {:.0f} ms\n",
               test::trackListShapes, right, lines,
               100.0 * static_cast<double>(right) / static_cast<double>(lines), ms(start));
}

void opening(const Path& folder) {
    const Path file = folder / "bench-releases.db";
    std::filesystem::remove(file);
    {
        auto opened = library::Store::open(file);
        if (!opened)
            std::exit(1);
        library::Store& store = **opened;
        const int64_t shelf = store.shelves().add("Archive", "/archive");
        std::vector<files::ScannedFile> scanned;
        for (int i = 0; i < 300; ++i) {
            files::ScannedFile& f = scanned.emplace_back();
            f.path = fmt::format("/archive/box/{:03}.flac", i + 1);
            f.state = {1, 2};
            f.tags = tags::TagFile();
            f.tags->fields = {{"title", {fmt::format("Track {}", i + 1)}},
                              {"artist", {"Tarnholm Harbour Band"}},
                              {"album", {"The Box"}},
                              {"disc", {std::to_string(i / 20 + 1)}},
                              {"track", {std::to_string(i % 20 + 1)}}};
            f.tags->facts.duration = 200;
        }
        store.saveFiles(scanned, 0, shelf);
        library::ReleaseRef ref;
        for (const auto& f : scanned)
            ref.files.push_back(store.files().idOf(f.path));
        for (int i = 0; i < 3; ++i) {
            const auto start = Clock::now();
            const library::ReleaseView view = library::releaseView(store, ref);
            fmt::print("a release of {} tracks is read in {:.1f} ms\n", view.release.trackCount(), ms(start));
        }
    }
    std::filesystem::remove(file);
}

} // namespace

int main(int argc, char** argv) {
    lists();
    opening(argc > 1 ? Path(argv[1]) : Path("/tmp"));
    measure(argc > 2 ? static_cast<size_t>(std::atoll(argv[2])) : 50000, 42);
    return 0;
}
