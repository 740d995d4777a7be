// SPDX-License-Identifier: GPL-3.0-or-later
// Sounds that are not music.
#include <algorithm>
#include <array>
#include <cmath>
#include <numbers>

#include "demo/synth.h"

namespace moorfrost::demo {

namespace {

constexpr double turn = 2 * std::numbers::pi;

/// Two poles that ring at a frequency: a formant.
struct Resonator {
    double a = 0, b = 0, gain = 0, y1 = 0, y2 = 0;
    void tune(double hertz, double width) {
        const double r = std::exp(-std::numbers::pi * width / sampleRate);
        a = 2 * r * std::cos(turn * hertz / sampleRate);
        b = -r * r;
        gain = 1 - r;
    }
    double tick(double x) {
        const double y = gain * x + a * y1 + b * y2;
        y2 = y1;
        y1 = y;
        return y;
    }
};

} // namespace

std::vector<float> bell(Chance& chance, size_t frames) {
    // The partials of a church bell against its prime: hum, prime, tierce, quint, nominal and above.
    constexpr std::array<std::pair<double, double>, 7> partials = {
        {{0.5, 0.5}, {1, 0.6}, {1.2, 0.5}, {1.5, 0.2}, {2, 0.7}, {2.5, 0.3}, {3, 0.2}}};
    const double prime = 380 + 40 * chance.unit();
    std::vector<float> out(frames);
    for (size_t i = 0; i < frames; ++i) {
        const double since = std::fmod(static_cast<double>(i) / sampleRate, 2.0);
        double sum = 0;
        for (const auto& [ratio, level] : partials)
            sum += level * std::sin(turn * prime * ratio * since) * std::exp(-since * (0.8 + ratio * 0.9));
        out[i] = static_cast<float>(0.25 * sum);
    }
    return out;
}

std::vector<float> babble(Chance& chance, size_t frames) {
    constexpr std::array<std::array<double, 3>, 6> vowels = {{{730, 1090, 2440},
                                                              {270, 2290, 3010},
                                                              {300, 870, 2240},
                                                              {530, 1840, 2480},
                                                              {570, 840, 2410},
                                                              {490, 1350, 1690}}};
    std::array<Resonator, 3> formants;
    std::vector<float> out;
    double phase = 0;
    auto pause = [&](double seconds) {
        out.insert(out.end(), static_cast<size_t>(seconds * sampleRate), 0.0f);
    };
    while (out.size() < frames) {
        const int syllables = 5 + chance.below(8);
        for (int s = 0; s < syllables; ++s) {
            const auto& vowel = vowels[static_cast<size_t>(chance.below(6))];
            for (size_t f = 0; f < 3; ++f)
                formants[f].tune(vowel[f], 60 + 40.0 * static_cast<double>(f));
            if (chance.below(3) == 0) // a consonant that hisses
                for (int i = 0; i < sampleRate / 16; ++i)
                    out.push_back(0.06f * (chance.unit() - 0.5f));
            const double seconds = 0.11 + 0.16 * chance.unit();
            const auto length = static_cast<size_t>(seconds * sampleRate);
            const double from = 130 - 4.0 * s + 20 * chance.unit(), loud = 0.6 + 0.4 * chance.unit();
            for (size_t i = 0; i < length; ++i) {
                const double at = static_cast<double>(i) / static_cast<double>(length);
                phase += (from - 15 * at) / sampleRate;
                const double pulse = phase >= 1 ? 30.0 : 0.0;
                phase -= std::floor(phase);
                double sum = 0;
                for (size_t f = 0; f < 3; ++f)
                    sum += formants[f].tick(pulse) / (1.0 + static_cast<double>(f));
                const double envelope = std::min({1.0, at / 0.15, (1 - at) / 0.4});
                out.push_back(static_cast<float>(loud * envelope * sum));
            }
            pause(0.02 + 0.06 * chance.unit());
        }
        pause(0.3 + 0.4 * chance.unit());
    }
    out.resize(frames);
    float loudest = 0.01f;
    for (float v : out)
        loudest = std::max(loudest, std::abs(v));
    for (float& v : out)
        v *= 0.6f / loudest;
    return out;
}

} // namespace moorfrost::demo
