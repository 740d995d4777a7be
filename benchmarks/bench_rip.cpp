// SPDX-License-Identifier: GPL-3.0-or-later
// moorfrost-bench-rip FOLDER [MINUTES]: how fast discs are ripped, beside ffmpeg that encodes the same
// samples on one thread. The disc is made-up sound, as BIN and as one FLAC.
#include <chrono>
#include <cstdio>
#include <cstdlib>
#include <fstream>

#include <fmt/format.h>

#include "core/disc/image.h"
#include "core/disc/rip_plan.h"
#include "core/disc/ripper.h"
#include "core/files/disk.h"
#include "core/work/parallel.h"
#include "demo/encode.h"
#include "demo/synth.h"

using namespace moorfrost;
using Clock = std::chrono::steady_clock;

namespace {

double secondsSince(Clock::time_point from) {
    return std::chrono::duration<double>(Clock::now() - from).count();
}

std::vector<int16_t> soundOf(size_t minutes) {
    std::vector<std::vector<int16_t>> parts(minutes);
    work::inParallel(minutes, [&](size_t i) {
        parts[i] = demo::synthesise({static_cast<uint32_t>(900 + i), 60, demo::Sound::Band, 1.0});
        parts[i].resize(size_t{demo::sampleRate} * 60 * 2);
    });
    std::vector<int16_t> out;
    for (const auto& part : parts)
        out.insert(out.end(), part.begin(), part.end());
    return out;
}

std::string sheetOf(const char* file, const char* kind, size_t minutes) {
    std::string out = fmt::format("FILE \"{}\" {}\n", file, kind);
    for (size_t i = 0; i * 4 < minutes; ++i)
        out += fmt::format("TRACK {:02} AUDIO\nINDEX 01 {:02}:00:00\n", i + 1, i * 4);
    return out;
}

void noteMemory();
long mostOfRipper = 0, mostOfReader = 0;

double rip(const Path& sheet, const Path& into, const std::string& format) {
    auto image = disc::openImage(sheet);
    if (!image) {
        std::fprintf(stderr, "%s\n", image.error().message.c_str());
        std::exit(1);
    }
    std::filesystem::remove_all(into);
    const disc::RipPlan plan = disc::usualPlan(image->toc, {}, into, format, "disc");
    const auto begun = Clock::now();
    const disc::RipReport report = disc::ripInProcess(
        sheet, plan, {},
        [](const disc::RipProgress& p) {
            if (p.done % 15000 == 0)
                noteMemory();
        },
        [](const disc::TrackReport&) { noteMemory(); });
    if (!report.complete) {
        std::fprintf(stderr, "%s\n", report.ended.c_str());
        std::exit(1);
    }
    return secondsSince(begun);
}

/// What the largest of the processes that rip or read for it has needed so far, in MB: of each the most.
void noteMemory() {
    for (const auto& entry : std::filesystem::directory_iterator("/proc")) {
        std::ifstream in(entry.path() / "status");
        std::string line, name;
        while (std::getline(in, line)) {
            if (line.starts_with("Name:"))
                name = line.substr(6);
            if (!line.starts_with("VmHWM:") || !name.starts_with("moorfrost-r"))
                continue;
            const long here = std::strtol(line.c_str() + 6, nullptr, 10) / 1024;
            (name.starts_with("moorfrost-rip") ? mostOfRipper : mostOfReader) =
                std::max(name.starts_with("moorfrost-rip") ? mostOfRipper : mostOfReader, here);
        }
    }
}

double ffmpeg(const Path& folder, const char* codec, const char* ending) {
    const std::string command =
        fmt::format("ffmpeg -v error -y -f s16le -ar 44100 -ac 2 -i '{0}/disc.bin' -threads 1 -c:a {1} "
                    "'{0}/by ffmpeg{2}'",
                    folder.native(), codec, ending);
    const auto begun = Clock::now();
    if (std::system(command.c_str()) != 0)
        std::exit(1);
    return secondsSince(begun);
}

} // namespace

int main(int argc, char** argv) {
    if (argc < 2) {
        std::fprintf(stderr, "moorfrost-bench-rip FOLDER [MINUTES]\n");
        return 2;
    }
    const Path folder = Path(argv[1]) / "bench-rip";
    const size_t minutes = argc > 2 ? std::strtoul(argv[2], nullptr, 10) : 41;
    std::filesystem::remove_all(folder);
    std::filesystem::create_directories(folder);
    const std::vector<int16_t> sound = soundOf(minutes);
    const std::string_view bytes(reinterpret_cast<const char*>(sound.data()), sound.size() * 2);
    if (!files::writeWhole(folder / "disc.bin", std::span(&bytes, 1)) ||
        !files::writeWhole(folder / "bin.cue", sheetOf("disc.bin", "BINARY", minutes)) ||
        !demo::encodeSound(sound, folder / "disc.flac", 0) ||
        !files::writeWhole(folder / "flac.cue", sheetOf("disc.flac", "WAVE", minutes)))
        return 1;
    std::printf("Ripping %zu minutes, seconds; beside ffmpeg on one thread\n", minutes);
    for (const auto& [format, codec, ending] : {std::tuple("flac", "flac", ".flac"),
                                                {"wavpack", "wavpack", ".wv"},
                                                {"mp3", "libmp3lame", ".mp3"}}) {
        const double alone = ffmpeg(folder, codec, ending),
                     bin = rip(folder / "bin.cue", folder / "out", format),
                     flac = rip(folder / "flac.cue", folder / "out", format);
        std::printf("%-8s ffmpeg %5.2f   from BIN %5.2f (%.2f)   from FLAC %5.2f (%.2f)\n", format, alone,
                    bin, bin / alone, flac, flac / alone);
    }
    std::printf("most memory: of the process that rips %ld MB, of one that decodes %ld MB\n", mostOfRipper,
                mostOfReader);
    std::filesystem::remove_all(folder);
    return 0;
}
