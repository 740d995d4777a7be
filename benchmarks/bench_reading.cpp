// SPDX-License-Identifier: GPL-3.0-or-later
// Reading files, beside a stated baseline in the same run. Data: the demo folders (MOORFROST_BENCH_DATA). The
// programs take turns, because these machines are noisy; what is told are medians.
#include <algorithm>
#include <chrono>
#include <cstdio>
#include <cstdlib>
#include <fstream>
#include <functional>
#include <map>
#include <string>
#include <vector>

#include <fmt/format.h>
#include <taglib/fileref.h>
#include <taglib/tpropertymap.h>

#include "core/files/scan.h"
#include "core/sandbox/parser_pool.h"
#include "core/tags/tag_io.h"
#include "core/work/parallel.h"

using namespace moorfrost;

namespace {

std::vector<Path> soundFiles() {
    files::ScanSummary summary;
    const char* data = std::getenv("MOORFROST_BENCH_DATA");
    std::vector<Path> good;
    for (const auto& f : files::findFiles({Path(data ? data : ".") / "incoming"}, true, {}, summary))
        if (f.path.native().find("/broken/") == std::string::npos)
            good.push_back(f.path);
    return good;
}

volatile size_t sink = 0;

/// The baseline: TagLib's own loop, one thread, tags and audio facts.
void plainTagLib(const std::vector<Path>& files) {
    for (const Path& p : files) {
        TagLib::FileRef ref(p.c_str());
        if (ref.isNull())
            continue;
        TagLib::PropertyMap map = ref.file()->properties();
        sink = sink + map.size() + static_cast<size_t>(ref.audioProperties()->lengthInMilliseconds());
    }
}

void inThisProcess(const std::vector<Path>& files, size_t first, size_t step) {
    for (size_t i = first; i < files.size(); i += step)
        if (auto read = tags::readTags(files[i]))
            sink = sink + read->fields.size();
}

void scanning(const std::vector<Path>& folders, unsigned threads) {
    work::Progress progress;
    files::scan(folders, {true, threads, {}}, {}, progress,
                [&](files::ScannedFile f) { sink = sink + (f.tags ? f.tags->fields.size() : 0); });
}

size_t memoryInUse(const char* what) {
    std::ifstream status("/proc/self/status");
    for (std::string line; std::getline(status, line);)
        if (line.starts_with(what))
            return std::strtoul(line.c_str() + std::string(what).size() + 1, nullptr, 10);
    return 0;
}

void unchangedFiles() {
    Path folder = Path("build") / "bench-unchanged";
    std::filesystem::create_directories(folder);
    for (int i = 0; i < 10000; ++i)
        if (Path p = folder / fmt::format("{}.flac", i); !std::filesystem::exists(p))
            std::ofstream(p) << "fLaC";
    files::ScanSummary summary;
    std::map<Path, files::FileState> known;
    for (const auto& f : files::findFiles({folder}, true, {}, summary))
        known[f.path] = f.state;
    std::ofstream(folder / "77.flac") << "fLaC, changed";
    std::vector<double> times;
    files::ScanSummary found;
    for (int turn = 0; turn < 7; ++turn) {
        auto begin = std::chrono::steady_clock::now();
        work::Progress progress;
        found = files::scan({folder},
                            {true, 2,
                             [&](const Path& p) {
                                 auto it = known.find(p);
                                 return it == known.end() ? std::nullopt : std::optional(it->second);
                             }},
                            {}, progress, [](files::ScannedFile) {});
        times.push_back(std::chrono::duration<double>(std::chrono::steady_clock::now() - begin).count());
    }
    std::sort(times.begin(), times.end());
    std::printf("10,000 files looked at again: %.0f ms (%llu unchanged, %llu read again)\n", times[3] * 1000,
                static_cast<unsigned long long>(found.unchanged),
                static_cast<unsigned long long>(found.read + found.failed));
}

} // namespace

int main() {
    std::vector<Path> files = soundFiles();
    std::vector<Path> folders;
    for (const Path& p : files)
        if (folders.empty() || folders.back() != p.parent_path())
            folders.push_back(p.parent_path());
    struct Way {
        const char* name;
        std::function<void()> run;
        std::vector<double> seconds;
    };
    std::vector<Way> ways = {
        {"plain TagLib loop, one thread (baseline)", [&] { plainTagLib(files); }, {}},
        {"Moorfrost, one thread, in this process", [&] { inThisProcess(files, 0, 1); }, {}},
        {"Moorfrost, two threads, in this process",
         [&] {
             work::inParallel(
                 2, [&](size_t half) { inThisProcess(files, half, 2); }, 2);
         },
         {}},
        {"Moorfrost, one thread, reading process", [&] { scanning(folders, 1); }, {}},
        {"Moorfrost, two threads, reading processes", [&] { scanning(folders, 2); }, {}}};
    constexpr int turns = 25, repeat = 1;
    for (Way& way : ways)
        way.run();
    size_t before = memoryInUse("VmHWM");
    for (int turn = 0; turn < turns; ++turn)
        for (Way& way : ways) {
            auto begin = std::chrono::steady_clock::now();
            for (int i = 0; i < repeat; ++i)
                way.run();
            way.seconds.push_back(
                std::chrono::duration<double>(std::chrono::steady_clock::now() - begin).count() / repeat);
        }
    auto median = [](std::vector<double> v) {
        std::sort(v.begin(), v.end());
        return v[v.size() / 2];
    };
    std::printf("%zu files, medians of %d turns\n", files.size(), turns);
    for (const Way& way : ways) {
        std::vector<double> ratios; // within each turn: what slows the machine slows both
        for (size_t i = 0; i < way.seconds.size(); ++i)
            ratios.push_back(ways.front().seconds[i] / way.seconds[i]);
        std::printf("%-42s %8.0f files/s  %.2f times the baseline\n", way.name,
                    static_cast<double>(files.size()) / median(way.seconds), median(ratios));
    }
    std::printf("memory of this process grew by %zu KB over all turns\n", memoryInUse("VmHWM") - before);
    unchangedFiles();
    return 0;
}
