// SPDX-License-Identifier: GPL-3.0-or-later
// Staying true to the disk and the shapes of sounds: a hundred thousand files that nobody has changed are
// looked through, a folder of ten thousand is renamed, and the peaks of a track are drawn beside plain
// decoding.
//   moorfrost-bench-keeping FOLDER [files]
#include <chrono>
#include <cstdio>
#include <cstdlib>
#include <fstream>

#include "core/audio/decoder.h"
#include "core/library/collections.h"
#include "core/library/recordings.h"
#include "core/library/rescan.h"
#include "core/sandbox/parser_pool.h"

using namespace moorfrost;
namespace fs = std::filesystem;

namespace {

using Clock = std::chrono::steady_clock;

double since(Clock::time_point start) {
    return std::chrono::duration<double>(Clock::now() - start).count();
}

void number(std::string& out, uint32_t value, int bytes) {
    for (int i = 0; i < bytes; ++i)
        out += static_cast<char>(value >> (8 * i) & 0xFF);
}

/// A WAV of so many samples of one channel, each file another.
void makeWav(const Path& file, uint32_t seed, uint32_t samples, int rate = 8000) {
    std::string out = "RIFF";
    number(out, 36 + samples * 2, 4);
    out += "WAVEfmt ";
    number(out, 16, 4);
    number(out, 1, 2);
    number(out, 1, 2);
    number(out, static_cast<uint32_t>(rate), 4);
    number(out, static_cast<uint32_t>(rate) * 2, 4);
    number(out, 2, 2);
    number(out, 16, 2);
    out += "data";
    number(out, samples * 2, 4);
    uint32_t state = seed * 2654435761u + 1;
    for (uint32_t i = 0; i < samples; ++i) {
        state = state * 1664525u + 1013904223u;
        number(out, state >> 18, 2);
    }
    std::ofstream(file, std::ios::binary) << out;
}

library::Rescan look(library::Store& store, const std::vector<library::Shelf>& shelves) {
    work::Progress progress;
    auto done = library::rescan(store, shelves, {}, progress);
    if (!done) {
        std::fprintf(stderr, "%s\n", done.error().message.c_str());
        std::exit(1);
    }
    return std::move(*done);
}

void shelves(const Path& base, uint32_t count) {
    const Path root = base / "shelf";
    const uint32_t perFolder = 100, moved = std::min(count, 10000u);
    for (uint32_t i = 0; i < count; ++i) {
        const Path folder = root / (i < moved ? "to be renamed" : "others") / std::to_string(i / perFolder);
        if (i % perFolder == 0)
            fs::create_directories(folder);
        makeWav(folder / (std::to_string(i) + ".wav"), i, 400 + i % 7);
    }
    fs::remove(base / "library.db");
    auto store = std::move(*library::Store::open(base / "library.db"));
    const std::vector<library::Shelf> all = {{store->shelves().add("Archive", root), "Archive", root}};
    auto start = Clock::now();
    const auto first = look(*store, all);
    std::printf("%u files come to a shelf: %.2f s (%llu read)\n", count, since(start),
                static_cast<unsigned long long>(first.summary.read));
    for (int i = 0; i < 2; ++i) {
        start = Clock::now();
        const auto again = look(*store, all);
        std::printf("looked through again, %llu unchanged: %.2f s (aim 3 s for 100,000)\n",
                    static_cast<unsigned long long>(again.summary.unchanged), since(start));
    }
    fs::rename(root / "to be renamed", root / "renamed");
    start = Clock::now();
    const auto after = look(*store, all);
    std::printf("a folder of %u renamed: %zu followed, %zu missed, %.2f s (aim 10 s)\n", moved,
                after.moves.size(), after.absence.stillMissed(), since(start));
    // A list of all of them.
    std::vector<library::FileId> ids;
    for (const library::ShelfFile& f : store->files().onShelf(all.front().id))
        ids.push_back(f.id);
    library::Collection list;
    list.name = "All";
    start = Clock::now();
    if (!library::makeCollection(*store, list, 0, ids))
        std::exit(1);
    std::printf("a list of %zu tracks made: %.2f s", ids.size(), since(start));
    start = Clock::now();
    const size_t shown = library::listOf(*store, list.id).files.size();
    std::printf(", read: %.2f s (%zu)", since(start), shown);
    start = Clock::now();
    if (!library::moveInList(*store, list.id, {shown - 1}, 0))
        std::exit(1);
    std::printf(", its last track moved to the front: %.2f s\n", since(start));
}

void peaks(const Path& base) {
    const Path file = base / "track.flac";
    makeWav(base / "track.wav", 7, 44100u * 240, 44100);
    const std::string command =
        "ffmpeg -v quiet -y -i '" + (base / "track.wav").native() + "' '" + file.native() + "'";
    if (std::system(command.c_str()) != 0)
        std::exit(1);
    std::printf("peaks of four minutes (FLAC) beside decoding alone, both at 8 kHz in one process:");
    for (int run = 0; run < 5; ++run) {
        auto start = Clock::now();
        auto decoder = std::move(*audio::Decoder::open(file, 8000, 1));
        while (!decoder->next().empty()) {
        }
        const double decoding = since(start);
        start = Clock::now();
        if (!audio::peaksOf(file, 310, {}, [](double, const std::vector<float>&) {}))
            std::exit(1);
        std::printf(" %.3f", since(start) / decoding);
    }
    std::printf(" (aim 1.1)\n");
}

} // namespace

int main(int argc, char** argv) {
    if (argc < 2) {
        std::fprintf(stderr, "moorfrost-bench-keeping FOLDER [files]\n");
        return 2;
    }
    const Path base = Path(argv[1]) / "bench-keeping";
    fs::remove_all(base);
    fs::create_directories(base);
    shelves(base, argc > 2 ? static_cast<uint32_t>(std::atoi(argv[2])) : 100000);
    peaks(base);
    fs::remove_all(base);
    return 0;
}
