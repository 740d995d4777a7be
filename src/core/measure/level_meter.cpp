// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/measure/level_meter.h"

#include <algorithm>
#include <cmath>

namespace moorfrost::measure {

namespace {

constexpr float step = 1.0f / 32768;     // of 16 bit
constexpr float sameLevel = 3.5f * step; // cut off, with dither
constexpr uint32_t leastFlat = 3;        // samples
constexpr float leastClip = 0.1f;        // softer ones are something else
constexpr float steep = 0.002f;          // what is cut off was on its way
constexpr float loudAround = 0.005f;     // RMS around a gap
constexpr float stuckBelow = 0.05f;      // a reader that repeats its last sample
constexpr double longestGap = 2;         // seconds; longer ones are meant

} // namespace

double decibels(double ofFullScale) {
    return ofFullScale > 1e-10 ? 20 * std::log10(ofFullScale) : -200;
}

LevelMeter::LevelMeter(int rate, int channels)
    : rate_(rate), window_(static_cast<size_t>(std::max(1, rate / 100))),
      flats_(static_cast<size_t>(channels)), lastPowers_(300, 0.0),
      recent_(static_cast<size_t>(std::max(8, rate / 200)), 0.0f),
      lastSample_(static_cast<size_t>(channels), 0.0f), sums_(static_cast<size_t>(channels), 0.0),
      secondSums_(sums_), above_(static_cast<size_t>(channels), 0u), below_(above_) {}

void LevelMeter::endFlat(Flat& flat, float next) {
    const float level = flat.level;
    if (std::abs(level) < leastClip)
        return;
    Clips& clips = clips_[static_cast<int>(std::lround(level * 4096))];
    clips.samples += flat.length;
    if (std::abs(flat.before) < std::abs(level) && std::abs(next) < std::abs(level) &&
        std::max(std::abs(level - flat.before), std::abs(level - next)) > steep) {
        ++clips.count;
        ++clips.places[static_cast<uint32_t>(frames_ / static_cast<uint64_t>(rate_) / 10)];
    }
}

void LevelMeter::endWindow() {
    const double power = windowPower_ / static_cast<double>(inWindow_ * flats_.size());
    if (windowPeak_ > silence) {
        firstLoud_ = std::min(firstLoud_, windows_);
        lastLoud_ = windows_;
    }
    if (beginPower_ < 0)
        beginPower_ = power;
    lastPowers_[windows_ % lastPowers_.size()] = power;
    ++windows_;
    windowPeak_ = 0;
    windowPower_ = 0;
    inWindow_ = 0;
}

void LevelMeter::watchGap(const std::vector<std::vector<float>>& channels, size_t i) {
    float loudest = 0;
    bool still = true; // nothing, or nothing new, in every channel; what is cut off at the top is still, too
    for (size_t c = 0; c < channels.size(); ++c) {
        const float v = channels[c][i];
        loudest = std::max(loudest, std::abs(v));
        still = still && (v == lastSample_[c] || std::abs(v) < 1e-6f);
        lastSample_[c] = v;
    }
    still = still && loudest < stuckBelow;
    if (gapLength_ > 0) { // how does it go on behind the gap?
        afterPower_ += static_cast<double>(loudest * loudest);
        if (frames_ - gapEnd_ < 4)
            edgeAfter_ = std::max(edgeAfter_, loudest);
        if (frames_ - gapEnd_ + 1 == recent_.size()) {
            const auto after =
                static_cast<float>(std::sqrt(afterPower_ / static_cast<double>(recent_.size())));
            const bool sudden = edgeBefore_ > 0.3f * beforeGap_ || edgeAfter_ > 0.3f * after;
            if (after > loudAround && after > 0.1f * beforeGap_ && sudden) {
                ++dropouts_;
                if (gapLength_ > longest_) {
                    longest_ = gapLength_;
                    longestAt_ = gapEnd_ - gapLength_;
                }
            }
            gapLength_ = 0;
        }
    }
    if (still) {
        if (!inGap_) {
            inGap_ = true;
            gapFrom_ = frames_;
            float power = 0;
            for (const float v : recent_)
                power += v * v;
            beforeGap_ = std::sqrt(power / static_cast<float>(recent_.size()));
            edgeBefore_ = 0;
            for (uint64_t k = 1; k <= 4 && k <= frames_; ++k)
                edgeBefore_ =
                    std::max(edgeBefore_, recent_[(recentAt_ + recent_.size() - k) % recent_.size()]);
        }
    } else if (inGap_) {
        inGap_ = false;
        const uint64_t length = frames_ - gapFrom_;
        const double seconds = static_cast<double>(length) / rate_;
        if (gapFrom_ > 0 && gapLength_ == 0 && seconds >= 0.0007 && seconds <= longestGap &&
            beforeGap_ > loudAround) {
            gapLength_ = length;
            gapEnd_ = frames_;
            afterPower_ = static_cast<double>(loudest * loudest);
            edgeAfter_ = loudest;
        }
    }
    recent_[recentAt_] = loudest;
    if (++recentAt_ == recent_.size())
        recentAt_ = 0;
}

void LevelMeter::feed(const std::vector<std::vector<float>>& channels) {
    const size_t frames = channels.empty() ? 0 : channels.front().size();
    for (size_t i = 0; i < frames; ++i) {
        watchGap(channels, i);
        for (size_t c = 0; c < channels.size(); ++c) {
            const float v = channels[c][i], loud = std::abs(v);
            if (loud > peak_) {
                peak_ = loud;
                peakAt_ = frames_;
            }
            windowPeak_ = std::max(windowPeak_, loud);
            windowPower_ += static_cast<double>(v * v);
            secondSums_[c] += static_cast<double>(v);
            Flat& flat = flats_[c];
            if (flat.length > 0 && std::abs(v - flat.level) <= sameLevel) {
                ++flat.length;
            } else {
                if (flat.length >= leastFlat)
                    endFlat(flat, v);
                flat = {v, flat.last, v, 1};
            }
            flat.last = v;
        }
        ++frames_;
        if (++inWindow_ == window_)
            endWindow();
        if (++inSecond_ == static_cast<uint32_t>(rate_)) {
            for (size_t c = 0; c < channels.size(); ++c) {
                sums_[c] += secondSums_[c];
                const double mean = secondSums_[c] / rate_;
                above_[c] += mean > 0.0003;
                below_[c] += mean < -0.0003;
                secondSums_[c] = 0;
            }
            inSecond_ = 0;
        }
    }
}

Levels LevelMeter::result() const {
    Levels out;
    const double rate = rate_;
    out.peak = decibels(static_cast<double>(peak_));
    out.loudest = static_cast<double>(peakAt_) / rate;
    const double seconds = static_cast<double>(frames_) / rate;
    if (firstLoud_ == UINT64_MAX) {
        out.silenceBefore = 0;
        out.silenceAfter = seconds;
    } else {
        out.silenceBefore = static_cast<double>(firstLoud_) / 100;
        out.silenceAfter = std::max(0.0, seconds - static_cast<double>(lastLoud_ + 1) / 100);
    }
    // Cut off at the top or the bottom: where the runs lie at the very edge of all that there is.
    std::map<uint32_t, uint32_t> places;
    uint64_t samples = 0;
    for (const auto& [level, clips] : clips_) {
        if (std::abs(level) < 4096 * static_cast<double>(peak_) * 0.985)
            continue;
        out.clipped += clips.count;
        samples += clips.samples;
        for (const auto& [place, count] : clips.places)
            places[place] += count;
    }
    // A square wave is flat all the time: it is meant.
    if (samples > frames_ * flats_.size() / 4)
        out.clipped = 0;
    if (out.clipped > 0) {
        const auto most = std::ranges::max_element(places, {}, [](const auto& p) { return p.second; });
        out.clippedAt = most->first * 10.0;
        out.ceiling = out.peak;
    }
    out.dropouts = dropouts_;
    out.dropoutAt = static_cast<double>(longestAt_) / rate;
    out.dropoutSeconds = static_cast<double>(longest_) / rate;
    if (windows_ > 0) {
        out.beginLevel = decibels(std::sqrt(beginPower_));
        out.endLevel = decibels(std::sqrt(lastPowers_[(windows_ - 1) % lastPowers_.size()]));
        double sum = 0;
        const size_t n = std::min<size_t>(windows_, lastPowers_.size());
        for (size_t i = 0; i < n; ++i)
            sum += lastPowers_[i];
        out.endBefore = decibels(std::sqrt(sum / static_cast<double>(n)));
    }
    for (size_t c = 0; c < sums_.size(); ++c) {
        const uint32_t whole = std::max(above_[c], below_[c]);
        const double heard = seconds - inSecond_ / rate;
        const bool stays = heard >= 3 && whole >= 0.9 * heard;
        out.offset.push_back(stays ? sums_[c] / (heard * rate) : 0);
    }
    return out;
}

} // namespace moorfrost::measure
