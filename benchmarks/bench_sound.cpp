// SPDX-License-Identifier: GPL-3.0-or-later
// moorfrost-bench-sound FOLDER [SEED] [RECORDINGS]: how well and how fast recordings are known by their
// sound. Made-up pieces are spoilt in many ways by FFmpeg and looked for among RECORDINGS (a million): most
// of those are simulated fingerprints, some thousands are of other made-up pieces. FOLDER needs 6 GB for a
// million.
#include <algorithm>
#include <chrono>
#include <cstdio>
#include <cstdlib>
#include <functional>
#include <mutex>
#include <numeric>
#include <random>

#include <fmt/format.h>

#include "core/audio/decoder.h"
#include "core/files/disk.h"
#include "core/matching/listening.h"
#include "core/sound/fingerprint.h"
#include "core/sound/index.h"
#include "core/work/parallel.h"
#include "demo/encode.h"
#include "demo/synth.h"

using namespace moorfrost;
using namespace moorfrost::sound;
using Clock = std::chrono::steady_clock;

namespace {

constexpr size_t pieces = 60, others = 2000;
constexpr size_t itemsOfSimulated = 960; // two minutes
constexpr double secondsOfPiece = 60;

double msSince(Clock::time_point from) {
    return std::chrono::duration<double, std::milli>(Clock::now() - from).count();
}

demo::Piece pieceOf(uint32_t number, double speed = 1) {
    constexpr demo::Sound kinds[] = {demo::Sound::Band, demo::Sound::Band, demo::Sound::Beat,
                                     demo::Sound::Voice};
    return {number, secondsOfPiece, kinds[number % 4], speed};
}

Fingerprint printOf(const std::vector<int16_t>& stereo, size_t fromSecond = 0, size_t seconds = 0) {
    Fingerprinter f(1, demo::sampleRate, 2);
    const size_t from = std::min(stereo.size(), fromSecond * demo::sampleRate * 2),
                 length = seconds == 0 ? stereo.size() - from
                                       : std::min(stereo.size() - from, seconds * demo::sampleRate * 2);
    f.feed(std::span(stereo).subspan(from, length));
    return f.finish();
}

/// Items that change as those of music do: a bit keeps its value for a while, and some are set more often.
std::vector<uint32_t> simulated(uint64_t seed, size_t count) {
    std::mt19937_64 random(seed);
    std::vector<uint32_t> out(count);
    auto item = static_cast<uint32_t>(random());
    for (uint32_t& o : out) {
        // About 4.5 bits of 32 change from one to the next: two random words and a third, anded.
        const uint64_t a = random(), b = random();
        item ^= static_cast<uint32_t>(a) & static_cast<uint32_t>(a >> 32) & static_cast<uint32_t>(b);
        o = item;
    }
    return out;
}

struct Spoilt {
    const char* name;
    const char* arguments; // of ffmpeg, between input and output
    const char* ending;
    double speed = 1; // that it is asked about at
};
const Spoilt ways[] = {
    {"MP3 128", "-b:a 128k", "mp3"},
    {"MP3 48", "-b:a 48k", "mp3"},
    {"AAC 64", "-c:a aac -b:a 64k", "m4a"},
    {"Vorbis lowest", "-c:a libvorbis -q:a -1", "ogg"},
    {"Opus 32", "-c:a libopus -b:a 32k", "opus"},
    {"8 bit", "-c:a pcm_u8", "wav"},
    {"mono, 22 kHz", "-ac 1 -ar 22050", "wav"},
    {"20 dB softer", "-af volume=-20dB", "wav"},
    {"faded", "-af afade=in:d=8,afade=out:st=50:d=10", "wav"},
    {"3 s lead-in", "-af adelay=3000:all=1", "wav"},
    {"first 20 s", "-t 20", "wav"},
    {"10 s excerpt", "-ss 23.3 -t 10", "wav"},
    {"30 s excerpt", "-ss 17.7 -t 30", "mp3"},
    {"noise at 20 dB",
     "-filter_complex [0]volume=1[a];anoisesrc=c=pink:a=0.06:d=60[n];[a][n]amix=inputs=2:normalize=0", "wav"},
    {"noise at 10 dB",
     "-filter_complex [0]volume=1[a];anoisesrc=c=pink:a=0.19:d=60[n];[a][n]amix=inputs=2:normalize=0", "wav"},
    {"EQ +6 -6", "-af bass=g=6,treble=g=-6", "wav"},
    {"EQ -6 +6", "-af bass=g=-6,treble=g=6", "wav"},
    {"2 % longer, same pitch", "-af atempo=0.98", "wav"},
    {"1.5 % fast, made up for", "-af asetrate=44100*1.015,aresample=44100", "wav", 1.015},
    {"3 % slow, made up for", "-af asetrate=44100*0.97,aresample=44100", "wav", 0.97},
    {"4.5 % fast, made up for", "-af asetrate=44100*1.045,aresample=44100", "wav", 1.045},
};

/// The index as a reference.
class IndexReference : public reference::Reference {
public:
    explicit IndexReference(const SoundIndex& index) : index_(index) {}
    std::string key() const override { return "bench"; }
    std::string name() const override { return "Bench"; }
    Result<std::vector<reference::Release>> find(const reference::Question&, std::stop_token) override {
        return std::vector<reference::Release>();
    }
    Result<reference::Release> fetch(const std::string&, std::stop_token) override {
        return Error{ErrorKind::NotFound, {}, "There are no releases."};
    }
    Result<std::string> picture(const std::string&, int, std::stop_token) override {
        return Error{ErrorKind::NotFound, {}, "There are no pictures."};
    }
    Result<reference::Heard> hear(const std::vector<Fingerprint>& sounds, std::stop_token) override {
        reference::Heard out;
        for (const Fingerprint& f : sounds) {
            out.sounds.emplace_back();
            for (const Hit& h : index_.find(f.items))
                out.sounds.back().push_back({std::to_string(h.id), h.overlap.z, 0, 0});
        }
        return out;
    }

private:
    const SoundIndex& index_;
};

} // namespace

int main(int argc, char** argv) {
    std::setvbuf(stdout, nullptr, _IOLBF, 0);
    if (argc < 2) {
        std::fprintf(stderr, "moorfrost-bench-sound FOLDER [SEED] [RECORDINGS]\n");
        return 2;
    }
    const Path folder = argv[1];
    const auto seed = static_cast<uint32_t>(argc > 2 ? std::atoi(argv[2]) : 2);
    const size_t count = argc > 3 ? static_cast<size_t>(std::atoll(argv[3])) : 1'000'000;
    std::filesystem::create_directories(folder);
    const uint32_t first = seed * 1'000'000;

    // The catalogue; that of an earlier run serves again.
    const std::string revision = fmt::format("bench {} {}", seed, count);
    auto start = Clock::now();
    if (!SoundIndex::open(folder / "sounds", revision)) {
        start = Clock::now();
        SoundIndexBuilder builder;
        std::vector<std::vector<uint32_t>> real(pieces + others);
        work::inParallel(real.size(), [&](size_t i) {
            real[i] = printOf(demo::synthesise(pieceOf(first + static_cast<uint32_t>(i)))).items;
        });
        double flips = 0, pairs = 0;
        for (const auto& items : real)
            for (size_t k = 1; k < items.size(); ++k, ++pairs)
                flips += std::popcount(items[k] ^ items[k - 1]);
        std::printf("%zu made-up pieces: %.0f s, %.2f bits change from item to item\n", real.size(),
                    msSince(start) / 1000, flips / pairs);
        for (size_t i = 0; i < real.size(); ++i)
            builder.add(static_cast<int64_t>(i), real[i]);
        start = Clock::now();
        for (size_t i = real.size(); i < count; ++i)
            builder.add(static_cast<int64_t>(i), simulated(seed * 7919ull + i, itemsOfSimulated));
        std::printf("simulated the rest: %.0f s\n", msSince(start) / 1000);
        start = Clock::now();
        if (Status s = builder.save(folder / "sounds", revision); !s) {
            std::fprintf(stderr, "%s\n", s.error().message.c_str());
            return 1;
        }
        std::printf("index of %zu made and written: %.0f s\n", count, msSince(start) / 1000);
    }
    start = Clock::now();
    const auto index = SoundIndex::open(folder / "sounds", revision);
    if (!index)
        return 1;
    std::printf("opened and looked through: %.1f s; %.2f kB a recording\n", msSince(start) / 1000,
                static_cast<double>(index->bytes()) / static_cast<double>(count) / 1000);

    // Each way of spoiling.
    std::vector<double> times;
    for (size_t i = 0; i < pieces; ++i)
        if (Status s = demo::encodeSound(demo::synthesise(pieceOf(first + static_cast<uint32_t>(i))),
                                         folder / fmt::format("{}.wav", i), 128000);
            !s)
            return 1;
    size_t allRight = 0, all = 0, wrong = 0;
    const char* only = std::getenv("WAY"); // one of them, and nothing else
    for (const Spoilt& way : ways) {
        if (only && std::string(way.name).find(only) == std::string::npos)
            continue;
        std::vector<Fingerprint> prints(pieces);
        work::inParallel(pieces, [&](size_t i) {
            const Path out = folder / fmt::format("spoilt-{}.{}", i, way.ending);
            const std::string command =
                fmt::format("ffmpeg -v error -y -i '{}' {} '{}' 2>/dev/null",
                            (folder / fmt::format("{}.wav", i)).native(),
                            std::string(way.arguments).find("filter_complex") != std::string::npos
                                ? "-filter_complex '" + std::string(way.arguments).substr(16) + "'"
                                : way.arguments,
                            out.native());
            if (std::system(command.c_str()) == 0)
                if (auto p = fingerprintsOf(out, {way.speed}, mostSeconds, {}))
                    prints[i] = std::move(p->front());
            std::filesystem::remove(out);
        });
        size_t right = 0;
        std::vector<double> z;
        for (size_t i = 0; i < pieces; ++i) {
            const auto t = Clock::now();
            const auto hits = index->find(prints[i].items);
            times.push_back(msSince(t));
            right += !hits.empty() && hits[0].id == static_cast<int64_t>(i) && hits[0].overlap.z >= surely;
            for (const Hit& h : hits)
                wrong += h.id != static_cast<int64_t>(i) && h.overlap.z >= surely;
            if (!hits.empty())
                z.push_back(hits[0].overlap.z);
        }
        std::ranges::sort(z);
        std::printf("%-26s %3zu of %zu, z: %5.1f at least, %5.1f median\n", way.name, right, pieces,
                    z.empty() ? 0 : z.front(), z.empty() ? 0 : z[z.size() / 2]);
        allRight += right;
        all += pieces;
    }
    if (!times.empty()) {
        std::ranges::sort(times);
        std::printf(
            "all: %zu of %zu; %zu wrong ones that were sure; a question %.2f ms median, %.2f ms p95\n",
            allRight, all, wrong, times[times.size() / 2], times[times.size() * 95 / 100]);
    }
    if (!only || std::string(only) == "search") {
        // At any speed, by the way that the program goes: among steps, between them, finely.
        std::mt19937 random(seed);
        std::vector<double> speeds(pieces);
        for (double& s : speeds)
            s = 1 + std::uniform_real_distribution<double>(-0.045, 0.045)(random);
        IndexReference reference(*index);
        std::mutex counted;
        size_t right = 0, off = 0;
        work::inParallel(pieces, [&](size_t i) {
            const Path file = folder / fmt::format("fast-{}.wav", i);
            if (!demo::encodeSound(demo::synthesise(pieceOf(first + static_cast<uint32_t>(i), speeds[i])),
                                   file, 128000))
                return;
            matching::SleeveClues clues;
            clues.files.emplace_back();
            const auto heard = matching::listen(
                clues, {&reference},
                [&](int64_t, const std::vector<double>& at) { return fingerprintsOf(file, at, 60, {}); }, {});
            std::filesystem::remove(file);
            std::lock_guard lock(counted);
            const auto& all = clues.files[0].heard;
            if (!all.empty() && all[0].isSure() && all[0].recording == fmt::format("bench/{}", i)) {
                ++right;
                off += std::abs(all[0].speed - speeds[i]) > 0.001;
            }
        });
        std::printf(
            "at any speed within 4.5 %%: %zu of %zu found, %zu of them told wrong by more than 0.1 %%\n",
            right, pieces, off);
    }
    if (only)
        return 0;

    // What is not there: twelve seconds each of pieces that are no part of it, which begin every five
    // seconds.
    constexpr size_t foreign = 3000, parts = 10;
    constexpr auto length = static_cast<size_t>(12 / secondsPerItem),
                   step = static_cast<size_t>(5 / secondsPerItem);
    std::mutex mutex;
    size_t asked = 0, possible = 0, sure = 0;
    double highest = 0;
    work::inParallel(foreign, [&](size_t i) {
        const auto items =
            printOf(demo::synthesise(pieceOf(first + 500'000 + static_cast<uint32_t>(i)))).items;
        for (size_t part = 0; part < parts && part * step + length <= items.size() + step; ++part) {
            const auto hits = index->find(
                std::span(items).subspan(part * step, std::min(length, items.size() - part * step)));
            std::lock_guard lock(mutex);
            ++asked;
            possible += !hits.empty();
            sure += !hits.empty() && hits[0].overlap.z >= surely;
            if (!hits.empty())
                highest = std::max(highest, hits[0].overlap.z);
        }
    });
    std::printf("not there: %zu asked, %zu possible (z >= %.1f), %zu sure (z >= %.1f), the highest %.1f\n",
                asked, possible, possibly, sure, surely, highest);

    // Duplicates: all of fifty thousand against all.
    SoundIndexBuilder small;
    const size_t some = std::min<size_t>(50'000, count);
    for (size_t i = 0; i < some; ++i)
        small.add(static_cast<int64_t>(i), index->itemsAt(i), index);
    const auto fewer = small.finish();
    start = Clock::now();
    std::atomic<size_t> found = 0;
    work::inParallel(some, [&](size_t i) { found += fewer->find(fewer->itemsAt(i), surely).size() == 1; });
    std::printf("duplicates of %zu: %.1f s, %zu found themselves alone\n", some, msSince(start) / 1000,
                found.load());

    // Extraction beside decoding.
    double decoding = 0, both = 0;
    for (size_t i = 0; i < 40; ++i) {
        const Path file = folder / fmt::format("{}.wav", i), flac = folder / "one.flac";
        if (std::system(
                fmt::format("ffmpeg -v error -y -i '{}' '{}'", file.native(), flac.native()).c_str()) != 0)
            continue;
        auto t = Clock::now();
        if (auto d = audio::Decoder::open(flac, fingerprintRate, 1))
            while (!(*d)->next().empty()) {
            }
        decoding += msSince(t);
        t = Clock::now();
        fingerprintsOf(flac, {1}, mostSeconds, {}).ignore();
        both += msSince(t);
    }
    std::printf("extraction: %.2f times decoding; %.0f times real time\n", both / decoding,
                40 * secondsOfPiece * 1000 / both);
    return 0;
}
