// SPDX-License-Identifier: GPL-3.0-or-later
// Delivering: 100,000 rows out and in, a device of 10,000 files of which nothing changed, a package beside cp
// and sha256sum. Argument: a folder for what is made.
#include <cstdlib>

#include <fmt/format.h>

#include "benchmarks/measure.h"
#include "core/deliver/device/device_sync.h"
#include "core/deliver/package/package.h"
#include "core/deliver/rows/rows_in.h"
#include "core/deliver/rows/rows_out.h"
#include "core/library/store/device_table.h"

using namespace moorfrost;
using namespace moorfrost::deliver;

namespace {

double seconds(const std::function<void()>& work) {
    return bench::milliseconds(work) / 1000;
}

std::vector<library::FileId> fill(library::Store& store, int64_t shelf, const Path& folder, size_t count) {
    std::vector<files::ScannedFile> files;
    for (size_t i = 0; i < count; ++i) {
        files::ScannedFile f;
        f.path =
            folder / fmt::format("Artist {}/Album {}/{:02} Title {}.flac", i / 120, i / 12, i % 12 + 1, i);
        f.state = {30'000'000 + i, static_cast<int64_t>(i)};
        f.tags.emplace();
        f.tags->format = audio::Format::Flac;
        f.tags->facts.duration = 120 + static_cast<double>(i % 300);
        f.tags->fields = {
            {"title", {fmt::format("Title {}", i)}},      {"artist", {fmt::format("Artist {}", i / 120)}},
            {"album", {fmt::format("Album {}", i / 12)}}, {"track", {std::to_string(i % 12 + 1)}},
            {"date", {std::to_string(1960 + i % 60)}},    {"genre", {"Folk", "Brass"}},
            {"isrc", {fmt::format("ZZFSR{:07}", i)}}};
        files.push_back(std::move(f));
    }
    return store.saveFiles(files, 0, shelf);
}

RowLayout layoutOf(RowFile file) {
    RowLayout out = shippedRowLayouts().front();
    out.file = file;
    return out;
}

} // namespace

int main(int argc, char** argv) {
    std::setvbuf(stdout, nullptr, _IOLBF, 0);
    const Path folder = Path(argc > 1 ? argv[1] : ".") / "bench-deliver";
    std::filesystem::remove_all(folder);
    std::filesystem::create_directories(folder / "shelf");
    work::Progress progress;

    constexpr size_t rows = 100000;
    auto store = std::move(*library::Store::open(folder / "library.db"));
    const int64_t shelf = store->shelves().add("Archive", folder / "shelf");
    const auto files = fill(*store, shelf, folder / "shelf", rows);
    for (const auto& [file, name] : {std::pair{RowFile::Delimited, "out.csv"},
                                     {RowFile::JsonLines, "out.jsonl"},
                                     {RowFile::Workbook, "out.xlsx"}}) {
        const double before = bench::memoryInUse("VmRSS:");
        const double took =
            seconds([&] { writeRows(*store, layoutOf(file), files, folder / name, {}, progress).ignore(); });
        std::printf("%zu rows out as %s: %.2f s, %.0f MB, memory %+.0f MB\n", rows, name, took,
                    static_cast<double>(std::filesystem::file_size(folder / name)) / 1e6,
                    bench::memoryInUse("VmRSS:") - before);
    }
    // In again: found by path, by code, by words and length.
    for (const char* key : {"@path", "isrc", "title"}) {
        RowLayout layout;
        if (std::string(key) != "title")
            layout.columns.emplace_back().parts = {key};
        for (const char* part : {"title", "artist", "@length", "genre"})
            layout.columns.emplace_back().parts = {part};
        layout.columns.emplace_back().parts = {"date"};
        writeRows(*store, layout, files, folder / "in.csv", {}, progress).ignore();
        const auto look = lookAtRows(folder / "in.csv", {layout});
        const double before = bench::memoryInUse("VmRSS:");
        size_t same = 0, all = 0;
        const double took = seconds([&] {
            const auto in = readRowsIn(*store, folder / "in.csv", look->plan, {}, progress);
            same = in ? in->same : 0;
            all = in ? in->all() : 0;
        });
        std::printf("%zu rows in, found by %s: %.2f s, %zu agree, memory %+.0f MB\n", all, key, took, same,
                    bench::memoryInUse("VmRSS:") - before);
    }
    store.reset();

    constexpr size_t onDevice = 10000;
    auto small = std::move(*library::Store::open(folder / "small.db"));
    const int64_t own = small->shelves().add("Archive", folder / "music");
    std::vector<files::ScannedFile> scanned;
    for (size_t i = 0; i < onDevice; ++i) {
        files::ScannedFile f;
        f.path = folder / "music" / fmt::format("{}.mp3", i);
        std::filesystem::create_directories(f.path.parent_path());
        std::FILE* file = std::fopen(f.path.c_str(), "w");
        std::fputs("sound", file);
        std::fclose(file);
        f.state = *files::stateOf(f.path);
        f.tags.emplace();
        f.tags->fields = {{"title", {fmt::format("Title {}", i)}},
                          {"artist", {fmt::format("Artist {}", i / 100)}},
                          {"album", {fmt::format("Album {}", i / 10)}}};
        scanned.push_back(std::move(f));
    }
    Device device;
    device.name = "Player";
    device.folder = folder / "player";
    std::filesystem::create_directories(device.folder);
    device.profile = shippedDeviceProfiles().front();
    device.wanted = small->saveFiles(scanned, 0, own);
    library::DeviceTable table(small->database());
    device.id = table.add(deviceContent(device), 1);
    auto plan = planDevice(*small, device);
    const double filled =
        seconds([&] { syncDevice(*small, *plan, {}, folder / "pictures", {}, progress).ignore(); });
    std::printf("a device filled with %zu small files: %.1f s\n", onDevice, filled);
    for (const auto& [id, content] : table.all())
        device = deviceFrom(id, content);
    const double again = seconds([&] {
        plan = planDevice(*small, device);
        syncDevice(*small, *plan, {}, folder / "pictures", {}, progress).ignore();
    });
    std::printf("%zu files of which nothing changed, planned and brought into step: %.2f s (%s)\n", onDevice,
                again, plan->isInStep() ? "in step" : "NOT IN STEP");
    small.reset();

    // A package of 40 files of 25 MB, beside cp and sha256sum of the same.
    std::filesystem::create_directories(folder / "big");
    PackageSubject subject;
    subject.title = "Package";
    std::string noise(25'000'000, '\0');
    uint64_t state = 1;
    for (char& c : noise)
        c = static_cast<char>((state = state * 6364136223846793005ULL + 1442695040888963407ULL) >> 56);
    for (int i = 0; i < 40; ++i) {
        PackageFile f;
        f.path = folder / "big" / fmt::format("{}.flac", i);
        std::FILE* file = std::fopen(f.path.c_str(), "w");
        noise[0] = static_cast<char>(i);
        std::fwrite(noise.data(), 1, noise.size(), file);
        std::fclose(file);
        f.name = fmt::format("sound/{}.flac", i);
        f.bytes = noise.size();
        subject.files.push_back(std::move(f));
    }
    auto quoted = [](const Path& path) { return "'" + path.native() + "'"; };
    double ours = 0, theirs = 0;
    for (int turn = 0; turn < 3; ++turn) {
        std::filesystem::remove_all(folder / "package");
        std::filesystem::remove_all(folder / "copy");
        const double a = seconds([&] {
            makePackage(subject, {}, std::filesystem::absolute(folder / "package"), "2026-12-02", {},
                        progress)
                .ignore();
        });
        const double b = seconds([&] {
            if (std::system(("cp -r " + quoted(folder / "big") + " " + quoted(folder / "copy") +
                             " && sync -f " + quoted(folder / "copy") + " && cd " + quoted(folder / "copy") +
                             " && sha256sum * > ../sums")
                                .c_str()) != 0)
                std::printf("cp and sha256sum failed\n");
        });
        std::printf("a package of 1 GB: %.2f s (SHA-256 and SHA-512); cp, sync and sha256sum: %.2f s\n", a,
                    b);
        ours = turn == 0 ? a : std::min(ours, a);
        theirs = turn == 0 ? b : std::min(theirs, b);
    }
    std::printf("ratio of speed: %.2f\n", theirs / ours);
    const double verified = seconds([&] { verifyPackage(folder / "package", {}, progress).ignore(); });
    std::printf("verified: %.2f s\n", verified);
    std::filesystem::remove_all(folder);
    return 0;
}
