// SPDX-License-Identifier: GPL-3.0-or-later
#include "demo/synth.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <numbers>

namespace moorfrost::demo {

namespace {

const std::array<float, 4096>& sineTable() {
    static const std::array<float, 4096> table = [] {
        std::array<float, 4096> t{};
        for (size_t i = 0; i < t.size(); ++i)
            t[i] = static_cast<float>(std::sin(2 * std::numbers::pi * static_cast<double>(i) / 4096.0));
        return t;
    }();
    return table;
}

struct Voice {
    float phase = 0;
    float step = 0;
    float level = 0;
    float decay = 1;
    float tick() {
        phase += step;
        if (phase >= 1)
            phase -= 1;
        level *= decay;
        return sineTable()[static_cast<size_t>(phase * 4095.0f)] * level;
    }
    void strike(double hertz, float volume, double halfLife) {
        step = static_cast<float>(hertz / sampleRate);
        level = volume;
        decay = static_cast<float>(std::pow(0.5, 1.0 / (halfLife * sampleRate)));
    }
};

double hertz(int semitonesFromA) {
    return 220.0 * std::pow(2.0, semitonesFromA / 12.0);
}

/// As a machine plays it that runs too fast or too slow: pitch and time together.
std::vector<int16_t> played(const std::vector<int16_t>& stereo, double speed) {
    const size_t frames = stereo.size() / 2;
    std::vector<int16_t> out;
    for (double at = 0; at < static_cast<double>(frames); at += speed) {
        const auto i = static_cast<size_t>(at);
        const double x = at - static_cast<double>(i);
        for (size_t channel = 0; channel < 2; ++channel) {
            auto sample = [&](std::ptrdiff_t k) {
                const auto n = std::clamp<std::ptrdiff_t>(static_cast<std::ptrdiff_t>(i) + k, 0,
                                                          static_cast<std::ptrdiff_t>(frames) - 1);
                return static_cast<double>(stereo[static_cast<size_t>(n) * 2 + channel]);
            };
            // A cubic through four samples (Catmull and Rom 1974).
            const double a = sample(-1), b = sample(0), c = sample(1), d = sample(2);
            const double value =
                b + 0.5 * x * (c - a + x * (2 * a - 5 * b + 4 * c - d + x * (3 * (b - c) + d - a)));
            out.push_back(static_cast<int16_t>(std::clamp(value, -32768.0, 32767.0)));
        }
    }
    return out;
}

} // namespace

std::vector<int16_t> synthesise(const Piece& piece) {
    if (piece.speed != 1)
        return played(synthesise({piece.seed, piece.seconds, piece.sound, 1}), piece.speed);
    Chance chance(piece.seed);
    if (piece.sound == Sound::Bell || piece.sound == Sound::Speech) {
        const auto length = static_cast<size_t>(piece.seconds * sampleRate);
        std::vector<int16_t> both;
        for (float v : piece.sound == Sound::Bell ? bell(chance, length) : babble(chance, length))
            both.insert(both.end(), 2, static_cast<int16_t>(std::clamp(v, -0.98f, 0.98f) * 32000.0f));
        return both;
    }
    static constexpr std::array<std::array<int, 7>, 3> scales = {
        {{0, 2, 4, 5, 7, 9, 11}, {0, 2, 3, 5, 7, 8, 10}, {0, 2, 3, 5, 7, 9, 10}}};
    const auto& scale = scales[static_cast<size_t>(chance.below(3))];
    int root = chance.below(12) - 6;
    double beat = 60.0 / (70 + chance.below(80));
    auto frames = static_cast<size_t>(piece.seconds * sampleRate);
    auto perStep = static_cast<size_t>(beat * sampleRate / 2);
    std::vector<int16_t> out(frames * 2);
    std::array<Voice, 6> voices;
    Voice kick;
    std::array<int, 8> pattern{};
    for (int& p : pattern)
        p = chance.below(10);
    std::array<int, 4> chords{};
    for (int& c : chords)
        c = chance.below(7);
    float noise = 0, noiseLevel = 0, width = 0.3f + 0.4f * chance.unit();
    auto degree = [&](int d, int octave) {
        return hertz(root + scale[static_cast<size_t>(((d % 7) + 7) % 7)] + 12 * octave);
    };
    for (size_t i = 0; i < frames; ++i) {
        if (i % perStep == 0) {
            size_t step = i / perStep;
            int chord = chords[(step / 8) % 4];
            bool melody = piece.sound == Sound::Band || piece.sound == Sound::Voice ||
                          (piece.sound == Sound::Beat && step % 4 == 0);
            if (piece.sound == Sound::Tone) {
                voices[0].strike(1000, 0.5f, 1e9);
            } else {
                if (melody && chance.below(4) > 0)
                    voices[0].strike(degree(chord + pattern[step % 8] - 3 + chance.below(2), 1), 0.28f, 0.25);
                if (melody && step % 3 == 0)
                    voices[4].strike(degree(chord + pattern[(step + 3) % 8], 2), 0.10f, 0.12);
                if (step % 8 == 0)
                    for (int k = 0; k < 3; ++k)
                        voices[static_cast<size_t>(k + 1)].strike(degree(chord + 2 * k, 0), 0.13f,
                                                                  piece.sound == Sound::Drone ? 4.0 : 0.9);
                if (step % 2 == 0 && piece.sound != Sound::Voice)
                    voices[5].strike(degree(chord, -1), 0.22f, 0.2);
                if (piece.sound == Sound::Beat || piece.sound == Sound::Band) {
                    if (step % 4 == 0)
                        kick.strike(55, 0.35f, 0.05);
                    if (step % 4 == 2)
                        noiseLevel = 0.12f;
                }
            }
        }
        float sum = kick.tick();
        for (Voice& v : voices)
            sum += v.tick();
        noise = 0.5f * noise + (chance.unit() - 0.5f);
        noiseLevel *= 0.9994f;
        float hiss = noise * (noiseLevel + (piece.sound == Sound::Voice ? 0.02f : 0.004f));
        double t = static_cast<double>(i) / sampleRate;
        double edge = std::min({1.0, t / 0.05, (piece.seconds - t) / 0.8});
        float swell = 0.85f + 0.15f * sineTable()[static_cast<size_t>(std::fmod(t * 0.15, 1.0) * 4095.0)];
        auto gain = static_cast<float>(std::max(0.0, edge)) * swell;
        float left = (sum + hiss) * gain, right = (sum * (1 - width * 0.2f) + hiss * width) * gain;
        out[2 * i] = static_cast<int16_t>(std::clamp(left, -0.98f, 0.98f) * 32000.0f);
        out[2 * i + 1] = static_cast<int16_t>(std::clamp(right, -0.98f, 0.98f) * 32000.0f);
    }
    return out;
}

} // namespace moorfrost::demo
