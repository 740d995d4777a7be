// SPDX-License-Identifier: GPL-3.0-or-later
// What the samples of a sound tell by themselves: how high they go, where they are cut off, pause, break off.
#pragma once

#include <cstdint>
#include <map>
#include <span>
#include <vector>

namespace moorfrost::measure {

/// Places in seconds, levels in dB below full scale.
struct Levels {
    double peak = -200;         // the loudest sample
    double loudest = 0;         // where it is
    uint64_t clipped = 0;       // runs of samples cut off at one level
    double clippedAt = 0;       // where most of them are
    double ceiling = 0;         // the level at which they are cut off
    double silenceBefore = 0;   // seconds without sound at the start
    double silenceAfter = 0;    // at the end; all of it where there is no sound at all
    uint64_t dropouts = 0;      // sudden gaps in the midst of sound
    double dropoutAt = 0;       // the longest
    double dropoutSeconds = 0;  // how long that is
    double beginLevel = -200;   // of the first hundredth of a second
    double endLevel = -200;     // of the last
    double endBefore = -200;    // of the three seconds before the end
    std::vector<double> offset; // mean of each channel, of full scale; 0 where it does not stay
};

/// One thread. All channels of a stretch at once.
class LevelMeter {
public:
    LevelMeter(int rate, int channels);
    void feed(const std::vector<std::vector<float>>& channels);
    Levels result() const;

    /// Softer is silence: the loudest sample of a hundredth of a second.
    static constexpr float silence = 0.002f;

private:
    struct Flat { // samples that stay at one level
        float level = 0, before = 0, last = 0;
        uint32_t length = 0;
    };
    struct Clips {
        uint64_t count = 0, samples = 0;
        std::map<uint32_t, uint32_t> places; // ten seconds each
    };
    void endFlat(Flat& flat, float next);
    void endWindow();
    void watchGap(const std::vector<std::vector<float>>& channels, size_t i);

    int rate_;
    size_t window_; // samples of a hundredth of a second
    uint64_t frames_ = 0;
    std::vector<Flat> flats_;
    std::map<int, Clips> clips_; // by level, in 4096ths
    float peak_ = 0;
    uint64_t peakAt_ = 0;
    // of the hundredth of a second that is going on
    float windowPeak_ = 0;
    double windowPower_ = 0;
    size_t inWindow_ = 0;
    uint64_t windows_ = 0, firstLoud_ = UINT64_MAX, lastLoud_ = 0;
    double beginPower_ = -1;
    std::vector<double> lastPowers_; // of the last three seconds, in a ring
    // gaps
    std::vector<float> recent_; // the loudest channel, of five thousandths of a second, in a ring
    size_t recentAt_ = 0;
    uint64_t gapFrom_ = 0;
    bool inGap_ = false;
    float beforeGap_ = 0, edgeBefore_ = 0;
    uint64_t gapEnd_ = 0, gapLength_ = 0; // of one that waits to be judged
    double afterPower_ = 0;
    float edgeAfter_ = 0;
    uint64_t dropouts_ = 0, longest_ = 0, longestAt_ = 0;
    std::vector<float> lastSample_;
    // offset, by seconds
    std::vector<double> sums_, secondSums_;
    std::vector<uint32_t> above_, below_; // seconds whose mean is above and below zero
    uint32_t inSecond_ = 0;
};

double decibels(double ofFullScale);

} // namespace moorfrost::measure
