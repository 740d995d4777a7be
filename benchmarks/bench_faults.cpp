// SPDX-License-Identifier: GPL-3.0-or-later
// moorfrost-bench-faults FOLDER [SEED] [SOURCES]: how well the audit tells what is wrong with sounds, and how
// fast. Invented sounds of eight makings are spoilt, each in a dozen ways (coders with loss and other rates
// by FFmpeg), and measured beside honest ones. FOLDER gets them one after the other.
#include <algorithm>
#include <chrono>
#include <cmath>
#include <cstdio>
#include <cstdlib>
#include <filesystem>
#include <map>
#include <mutex>
#include <set>

#include <fmt/format.h>

#include "core/library/findings/sound_faults.h"
#include "core/work/parallel.h"
#include "demo/synth.h"
#include "support/sound_sets.h"

using namespace moorfrost;
using namespace moorfrost::test;

namespace {

using Clock = std::chrono::steady_clock;
constexpr double secondsOfSound = 20;
constexpr int bitrates[] = {96, 128, 160, 192, 256, 320};

struct Case {
    std::string kind;   // "mp3 128", "honest", "clipped" ...
    std::string wanted; // the rule that should find it; "": none
    Path file;
};

void ffmpeg(const std::string& what) {
    if (std::system(("ffmpeg -nostdin -v error -y " + what).c_str()) != 0)
        std::fprintf(stderr, "ffmpeg cannot: %s\n", what.c_str());
}

std::string quoted(const Path& path) {
    return "'" + path.native() + "'";
}

/// All that is made of one source, in a folder of its own.
std::vector<Case> casesOf(const Path& folder, uint32_t seed, int number) {
    std::filesystem::create_directories(folder);
    std::vector<Case> out;
    const auto making = static_cast<Making>(number % makings);
    const std::string name = nameOf(making);
    auto file = [&](const std::string& what) { return folder / (what + ".flac"); };
    auto keep = [&](const std::string& kind, const std::string& wanted, const Stereo& sound, int depth = 16) {
        const Path wav = folder / (kind + ".wav");
        writeWav(wav, sound, depth).ignore();
        out.push_back({kind, wanted, wav});
        return wav;
    };
    Stereo sound = madeSound(making, seed, 44100, secondsOfSound);
    const Path honest = keep("honest " + name, "", sound);
    // Coded with loss.
    struct Coder {
        const char *name, *ending, *options;
    };
    static constexpr Coder coders[] = {{"mp3", "mp3", "-c:a libmp3lame"},
                                       {"aac", "m4a", "-c:a aac"},
                                       {"vorbis", "ogg", "-c:a libvorbis"},
                                       {"opus", "opus", "-c:a libopus"}};
    for (size_t c = 0; c < std::size(coders); ++c) {
        const int bitrate = bitrates[(static_cast<size_t>(number) + c) % std::size(bitrates)];
        const Path coded = folder / (std::string("coded.") + coders[c].ending);
        ffmpeg(
            fmt::format("-i {} {} -b:a {}k {}", quoted(honest), coders[c].options, bitrate, quoted(coded)));
        const Path back = file(coders[c].name);
        ffmpeg(fmt::format("-i {} -sample_fmt s16 {} {}", quoted(coded), number % 2 == 0 ? "" : "-ar 44100",
                           quoted(back)));
        out.push_back({fmt::format("{} {}", coders[c].name, bitrate), "coded-before", back});
    }
    // Raised rates, by two resamplers; recordings of the old makings hardly have anything to tell it by.
    struct Raised {
        int from, to;
    };
    static constexpr Raised rates[] = {{22050, 44100}, {32000, 44100}, {44100, 48000},
                                       {44100, 96000}, {48000, 96000}, {16000, 44100}};
    const Raised rate = rates[(static_cast<size_t>(number) / 2) % std::size(rates)];
    const Path low = folder / "low.wav";
    ffmpeg(fmt::format("-i {} -ar {} {}", quoted(honest), rate.from, quoted(low)));
    const Path high = file("raised");
    if (number % 2 == 0)
        ffmpeg(fmt::format("-i {} -ar {} -sample_fmt s32 {}", quoted(low), rate.to, quoted(high)));
    else if (std::system(fmt::format("sox {} -b 24 -r {} {}", quoted(low), rate.to, quoted(high)).c_str()) !=
             0)
        std::fprintf(stderr, "sox cannot raise a rate\n");
    out.push_back({"raised", "raised-rate", high});
    // Honest in high rates.
    keep("honest 48 " + name, "", madeSound(making, seed + 5000, 48000, secondsOfSound / 2), 24);
    keep("honest 96 " + name, "", madeSound(making, seed + 9000, 96000, secondsOfSound / 2), 24);
    // Bits that are not used.
    const Path padded = file("bits");
    ffmpeg(fmt::format("-i {} -sample_fmt s32 {}", quoted(honest), quoted(padded)));
    out.push_back({"bits", "unused-bits", padded});
    // Clipped.
    demo::Chance chance(seed);
    Stereo spoilt = sound;
    gain(spoilt, 4 + 6 * static_cast<double>(chance.unit()) - 20 * std::log10(peakOf(spoilt)));
    const auto ceiling = chance.below(2) == 0 ? 1.0f : 0.7f + 0.25f * chance.unit();
    for (std::vector<float>* channel : {&spoilt.left, &spoilt.right})
        for (float& v : *channel)
            v = std::clamp(v, -1.0f, 1.0f) * ceiling;
    keep("clipped", "clipped", spoilt);
    spoilt = sound;
    spoilt.right = spoilt.left;
    keep("channel twice", "one-channel", spoilt);
    spoilt = sound;
    (chance.below(2) == 0 ? spoilt.left : spoilt.right).assign(sound.frames(), 0.0f);
    keep("channel missing", "one-channel", spoilt);
    spoilt = sound;
    for (float& v : spoilt.right)
        v = -v;
    keep("turned", "phase", spoilt);
    spoilt = sound;
    const auto silence = static_cast<size_t>((6 + 6 * static_cast<double>(chance.unit())) * sound.rate);
    const bool atStart = chance.below(2) == 0;
    for (std::vector<float>* channel : {&spoilt.left, &spoilt.right})
        channel->insert(atStart ? channel->begin() : channel->end(), silence, 0.0f);
    keep("silence", "silence", spoilt);
    spoilt = sound;
    for (int gap = 0; gap < 3; ++gap) {
        const auto from = static_cast<size_t>((3 + 14 * static_cast<double>(chance.unit())) * sound.rate);
        const auto length =
            static_cast<size_t>((0.005 + 0.1 * static_cast<double>(chance.unit())) * sound.rate);
        std::fill_n(spoilt.left.begin() + static_cast<std::ptrdiff_t>(from), length, 0.0f);
        std::fill_n(spoilt.right.begin() + static_cast<std::ptrdiff_t>(from), length, 0.0f);
    }
    const Path gaps = folder / "gaps.wav";
    writeWav(gaps, spoilt, 16, 2, false).ignore(); // what was lost is 0
    out.push_back({"gaps", "dropouts", gaps});
    spoilt = sound;
    const double mains = chance.below(2) == 0 ? 50 : 60;
    for (size_t i = 0; i < spoilt.frames(); ++i) {
        double hum = 0;
        for (int k = 1; k <= 4; ++k)
            hum += std::sin(2 * 3.14159265358979 * mains * k * static_cast<double>(i) / sound.rate) / k;
        spoilt.left[i] += static_cast<float>(0.004 * hum);
        spoilt.right[i] += static_cast<float>(0.004 * hum);
    }
    keep("hum", "hum", spoilt);
    spoilt = sound;
    for (float& v : spoilt.left)
        v += 0.012f;
    keep("offset", "offset", spoilt);
    return out;
}

struct Count {
    int right = 0, all = 0;
};

} // namespace

int main(int argc, char** argv) {
    if (argc < 2) {
        std::puts("moorfrost-bench-faults FOLDER [SEED] [SOURCES]");
        return 2;
    }
    const Path folder = argv[1];
    const auto seed = static_cast<uint32_t>(argc > 2 ? std::atoi(argv[2]) : 77000);
    const int sources = argc > 3 ? std::atoi(argv[3]) : 64;
    std::map<std::string, Count> found;                       // kind: how many were told
    std::map<std::string, std::map<std::string, int>> blamed; // kind: what else was said
    std::mutex mutex;
    double sound = 0, took = 0;
    int sounds = 0, notCoded = 0, accused = 0;
    work::inParallel(
        static_cast<size_t>(sources),
        [&](size_t number) {
            const Path own = folder / std::to_string(number);
            for (const Case& one :
                 casesOf(own, seed + static_cast<uint32_t>(number), static_cast<int>(number))) {
                const auto from = Clock::now();
                const auto report = measure::measureSound(one.file, {});
                const double seconds = std::chrono::duration<double>(Clock::now() - from).count();
                if (!report) {
                    std::fprintf(stderr, "%s: %s\n", one.file.c_str(), report.error().message.c_str());
                    continue;
                }
                std::set<std::string> rules;
                for (const library::SoundFault& fault : library::soundFaults(*report, {}))
                    rules.insert(fault.rule);
                std::lock_guard lock(mutex);
                ++sounds;
                sound += report->seconds;
                took += seconds;
                if (one.wanted != "coded-before") {
                    ++notCoded;
                    accused += rules.contains("coded-before");
                }
                Count& count = found[one.kind.starts_with("honest") ? "honest" : one.kind];
                ++count.all;
                count.right += one.wanted.empty()
                                   ? !rules.contains("coded-before") && !rules.contains("raised-rate")
                                   : rules.contains(one.wanted);
                for (const std::string& rule : rules)
                    if (rule != one.wanted)
                        ++blamed[one.kind][rule];
                if (!one.wanted.empty() && !rules.contains(one.wanted))
                    std::printf(
                        "missed: %zu %s in %s (trace %s %.1f %d/%d, mirror %.2f, clipped %llu, %.2f %.2f)\n",
                        number, one.kind.c_str(), nameOf(static_cast<Making>(number % makings)),
                        report->trace.coder.c_str(), report->trace.strength, report->trace.segments,
                        report->trace.looked, report->mirror,
                        static_cast<unsigned long long>(report->levels.clipped),
                        report->stereo ? report->stereo->likeness : 0.0,
                        report->stereo ? report->stereo->turned : 0.0);
            }
            std::filesystem::remove_all(own);
        },
        2);
    std::printf("%d sounds of %d sources; %.0f times real time on one processor\n", sounds, sources,
                sound / took);
    Count low, high;
    for (const auto& [kind, count] : found) {
        std::printf("%-18s %3d of %3d\n", kind.c_str(), count.right, count.all);
        for (const char* coder : {"mp3 ", "aac ", "vorbis ", "opus "})
            if (kind.starts_with(coder)) {
                Count& to = std::atoi(kind.c_str() + std::string_view(coder).size()) <= 192 ? low : high;
                to.right += count.right;
                to.all += count.all;
            }
    }
    std::printf(
        "coded with loss up to 192 kbit/s: %d of %d; above: %d of %d; others accused of it: %d of %d\n",
        low.right, low.all, high.right, high.all, accused, notCoded);
    for (const auto& [kind, rules] : blamed) {
        std::printf("also said of %-22s", kind.c_str());
        for (const auto& [rule, count] : rules)
            std::printf(" %s %d", rule.c_str(), count);
        std::printf("\n");
    }
    return 0;
}
