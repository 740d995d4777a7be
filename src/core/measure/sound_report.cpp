// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/measure/sound_report.h"

#include <algorithm>
#include <array>
#include <bit>

#include "core/audio/sample_reader.h"
#include "core/measure/segment_picker.h"

namespace moorfrost::measure {

namespace {

constexpr size_t segmentsHeard = 8;
constexpr int highestTraced = 50000; // Hz: coders with loss are hardly used above

constexpr double leastMirror = 0.4;
constexpr double digitalFloor = -118; // dB a line: a line or a tape that ends there has hiss above

int usedBits(uint32_t bits, int depth) {
    if (bits == 0 || depth <= 0)
        return 0;
    return std::clamp(32 - std::countr_zero(bits), 1, depth);
}

} // namespace

Result<SoundReport> measureSound(const Path& path, std::stop_token stop,
                                 const std::function<void(double)>& going) {
    auto opened = audio::SampleReader::open(path);
    if (!opened)
        return opened.error();
    audio::SampleReader& reader = **opened;
    SoundReport out;
    out.codec = reader.codec();
    out.lossless = reader.isLossless();
    out.rate = reader.rate();
    out.channels = reader.channels();
    out.depth = reader.depth();
    LevelMeter levels(out.rate, out.channels);
    LoudnessMeter loudness(out.rate, out.channels);
    ChannelMeter stereo(out.rate);
    SpectrumMeter spectrum(out.rate);
    HumMeter hum(out.rate);
    SegmentPicker segments(out.rate);
    uint32_t bits = 0;
    uint64_t frames = 0;
    double told = 0;
    audio::SampleReader::Block block;
    while (reader.next(block)) {
        if (stop.stop_requested())
            return Error{ErrorKind::Cancelled, path, "Stopped."};
        bits |= block.bits;
        const std::vector<float>& left = block.channels.front();
        const std::vector<float>& right = block.channels[out.channels > 1 ? 1 : 0];
        levels.feed(block.channels);
        loudness.feed(block.channels);
        if (out.channels == 2)
            stereo.feed(left, right);
        spectrum.feed(left);
        hum.feed(left);
        if (out.lossless && out.rate <= highestTraced)
            segments.feed(left, right);
        frames += block.frames();
        const double seconds = static_cast<double>(frames) / out.rate;
        if (going && seconds - told >= 5) {
            told = seconds;
            going(seconds);
        }
    }
    if (frames == 0)
        return Error{ErrorKind::Damaged, path, "No sound could be decoded from this file."};
    out.seconds = static_cast<double>(frames) / out.rate;
    out.usedBits = usedBits(bits, out.depth);
    out.levels = levels.result();
    out.loudness = loudness.result();
    if (out.channels == 2)
        out.stereo = stereo.result();
    out.edges = spectrum.edges();
    const std::vector<double> mirrors = spectrum.mirrors();
    if (const auto best = std::ranges::max_element(mirrors); best != mirrors.end()) {
        out.mirror = *best;
        out.mirrored = spectrum.lowerRates()[static_cast<size_t>(best - mirrors.begin())];
    }
    out.hum = hum.result();
    if (going)
        going(out.seconds);
    if (out.lossless && out.rate <= highestTraced)
        out.trace = coderTraceOf(segments.best(segmentsHeard), out.rate);
    return out;
}

std::string coderOfEdge(const SoundReport& report) {
    if (!report.lossless || (report.rate != 44100 && report.rate != 48000))
        return {};
    const bool ends = std::ranges::any_of(report.edges, [](const SpectrumEdge& edge) {
        return edge.hertz > 19980 && edge.hertz < 20180 && edge.drop > 12 && edge.width < 480;
    });
    return ends ? "Opus" : "";
}

int raisedFrom(const SoundReport& report) {
    if (!report.lossless)
        return 0;
    if (report.mirror >= leastMirror)
        return report.mirrored;
    constexpr std::array rates = {8000, 11025, 12000, 16000, 22050, 24000, 32000, 44100, 48000, 88200, 96000};
    for (const SpectrumEdge& edge : report.edges)
        for (const int rate : rates) {
            if (rate > report.rate * 0.93)
                break;
            const double half = rate / 2.0;
            if (edge.hertz > 0.935 * half && edge.hertz < 1.01 * half && edge.drop > 10 &&
                edge.width < 0.09 * half && edge.above < 12 && edge.floor < digitalFloor)
                return rate;
        }
    return 0;
}

} // namespace moorfrost::measure
