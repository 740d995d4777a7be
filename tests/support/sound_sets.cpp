// SPDX-License-Identifier: GPL-3.0-or-later
#include "support/sound_sets.h"

#include <algorithm>
#include <cmath>
#include <fstream>
#include <numbers>

#include "demo/synth.h"

namespace moorfrost::test {

namespace {

using demo::Chance;

/// Adds a tone of many partials that decays; `slope`: how much softer each octave of partials is, dB.
void addTone(Stereo& to, Chance& chance, size_t from, size_t frames, double hertz, double level, double slope,
             double decay, double pan) {
    const size_t end = std::min(to.frames(), from + frames);
    const double most = std::min(to.rate / 2.0 - 50, 40000.0);
    for (int k = 1; k * hertz < most && k < 120; ++k) {
        const double loud = level * std::pow(10, -slope * std::log2(k) / 20) * (0.5 + chance.unit());
        if (loud < 2e-6)
            continue;
        const double f = k * hertz * (1 + 0.0004 * k * k / 40 * chance.unit());
        // A rotating vector: one complex product a sample.
        const double step = 2 * std::numbers::pi * f / to.rate,
                     fade = std::exp(-decay * (1 + 0.06 * k) / to.rate);
        double re = loud * std::cos(6.28 * chance.unit()), im = loud * std::sin(6.28 * chance.unit());
        const double c = std::cos(step) * fade, s = std::sin(step) * fade;
        const double side = std::clamp(pan + 0.2 * (chance.unit() - 0.5), 0.0, 1.0);
        const auto l = static_cast<float>(std::sqrt(1 - side)), r = static_cast<float>(std::sqrt(side));
        for (size_t i = from; i < end; ++i) {
            const double next = re * c - im * s;
            im = re * s + im * c;
            re = next;
            const double in = std::min(1.0, static_cast<double>(i - from) / (0.004 * to.rate));
            const double out = std::min(1.0, static_cast<double>(end - i) / (0.01 * to.rate));
            to.left[i] += static_cast<float>(re * in * out) * l;
            to.right[i] += static_cast<float>(re * in * out) * r;
        }
    }
}

/// A burst of noise that is high (a cymbal) or low (a drum).
void addBurst(Stereo& to, Chance& chance, size_t from, double seconds, double level, double highPass,
              double pan) {
    const size_t end = std::min(to.frames(), from + static_cast<size_t>(seconds * to.rate));
    const double a = std::exp(-2 * std::numbers::pi * highPass / to.rate);
    double low = 0, low2 = 0;
    for (size_t i = from; i < end; ++i) {
        const double t = static_cast<double>(i - from) / (seconds * to.rate);
        const double v = (chance.unit() - 0.5) * 2;
        low = a * low + (1 - a) * v;
        const double high = v - low;
        low2 = a * low2 + (1 - a) * high;
        const double s = (high - low2) * level * std::exp(-5 * t);
        to.left[i] += static_cast<float>(s * std::sqrt(1 - pan));
        to.right[i] +=
            static_cast<float>(s * std::sqrt(pan) * (0.7 + 0.3 * std::sin(static_cast<double>(i) * 0.013)));
    }
}

/// As an s sounds: it comes and goes softly.
void addHiss(Stereo& to, Chance& chance, size_t from, double seconds, double level) {
    const auto length = static_cast<size_t>(seconds * to.rate);
    const double a = std::exp(-2 * std::numbers::pi * 4000 / to.rate);
    double low = 0;
    for (size_t i = 0; i < length && from + i < to.frames(); ++i) {
        const double v = (chance.unit() - 0.5) * 2;
        low = a * low + (1 - a) * v;
        const double s = std::sin(std::numbers::pi * static_cast<double>(i) / static_cast<double>(length));
        to.left[from + i] += static_cast<float>((v - low) * level * s);
        to.right[from + i] += static_cast<float>((v - low) * level * s);
    }
}

void addNoise(Stereo& to, Chance& chance, double db, double lowPass) {
    const double level = std::pow(10, db / 20) * 1.7, a = std::exp(-2 * std::numbers::pi * lowPass / to.rate);
    double l = 0, r = 0;
    for (size_t i = 0; i < to.frames(); ++i) {
        l = a * l + (1 - a) * (chance.unit() - 0.5) * 2;
        r = a * r + (1 - a) * (chance.unit() - 0.5) * 2;
        to.left[i] += static_cast<float>(l * level / std::sqrt(1 - a));
        to.right[i] += static_cast<float>(r * level / std::sqrt(1 - a));
    }
}

void lowPass(Stereo& sound, double hertz, int poles) {
    const double a = std::exp(-2 * std::numbers::pi * hertz / sound.rate);
    for (std::vector<float>* channel : {&sound.left, &sound.right})
        for (int p = 0; p < poles; ++p) {
            double y = 0;
            for (float& v : *channel) {
                y = a * y + (1 - a) * v;
                v = static_cast<float>(y);
            }
        }
}

void highPass(Stereo& sound, double hertz, int poles) {
    const double a = std::exp(-2 * std::numbers::pi * hertz / sound.rate);
    for (std::vector<float>* channel : {&sound.left, &sound.right})
        for (int p = 0; p < poles; ++p) {
            double y = 0;
            for (float& v : *channel) {
                y = a * y + (1 - a) * v;
                v = static_cast<float>(v - y);
            }
        }
}

/// Echoes of a room.
void addRoom(Stereo& sound, Chance& chance, double amount) {
    const Stereo dry = sound;
    for (int k = 0; k < 14; ++k) {
        const auto d = static_cast<size_t>((0.011 + 0.09 * chance.unit() + 0.02 * k) * sound.rate);
        const double loud = amount * std::exp(-0.25 * k) * (chance.unit() - 0.5) * 2;
        for (size_t i = d; i < sound.frames(); ++i) {
            sound.left[i] += static_cast<float>(loud * static_cast<double>(dry.right[i - d]));
            sound.right[i] += static_cast<float>(loud * static_cast<double>(dry.left[i - d]));
        }
    }
}

double note(Chance& chance, double base) {
    static constexpr int scale[] = {0, 2, 3, 5, 7, 8, 10, 12, 14, 15, 17, 19};
    return base * std::pow(2, scale[chance.below(12)] / 12.0);
}

void play(Stereo& out, Chance& chance, bool drums, double slope, double decay, double density) {
    const double beat = 0.24 + 0.3 * static_cast<double>(chance.unit());
    const double base = 55 * std::pow(2, chance.below(24) / 12.0);
    const double length = static_cast<double>(out.frames()) / out.rate;
    for (double t = 0; t < length; t += beat) {
        const auto at = static_cast<size_t>(t * out.rate);
        const int voices = 1 + static_cast<int>(density * chance.unit() * 3);
        for (int v = 0; v < voices; ++v)
            addTone(out, chance, at, static_cast<size_t>(beat * (1 + chance.below(4)) * out.rate),
                    note(chance, base * (v == 0 ? 1 : 2)), 0.12, slope, decay, chance.unit());
        if (!drums)
            continue;
        addBurst(out, chance, at, 0.08 + 0.2 * static_cast<double>(chance.unit()),
                 0.02 + 0.08 * static_cast<double>(chance.unit()), 6000, 0.35);
        if (chance.below(2) == 0)
            addBurst(out, chance, at, 0.18, 0.25, 180, 0.5);
        if (chance.below(3) == 0)
            addBurst(out, chance, at + out.rate / 9, 1.2, 0.05, 3500, 0.65);
    }
}

void level(Stereo& sound, Chance& chance, double quiet, double loud) {
    const double peak = peakOf(sound);
    if (peak > 0)
        gain(sound, quiet + (loud - quiet) * static_cast<double>(chance.unit()) - 20 * std::log10(peak));
}

} // namespace

const char* nameOf(Making making) {
    static constexpr const char* names[] = {"band",      "acoustic",   "tape",   "shellac",
                                            "broadcast", "electronic", "speech", "strings"};
    return names[static_cast<size_t>(making)];
}

Stereo madeSound(Making making, uint32_t seed, int rate, double seconds) {
    Chance chance(seed * 31 + static_cast<uint32_t>(making) + 7);
    chance.next();
    Stereo out;
    out.rate = rate;
    out.left.assign(static_cast<size_t>(seconds * rate), 0);
    out.right = out.left;
    const double u = chance.unit();
    switch (making) {
    case Making::Band:
        play(out, chance, true, 3 + 5 * u, 2, 1);
        addRoom(out, chance, 0.3);
        level(out, chance, -6, -0.3);
        addNoise(out, chance, -92 + 20 * static_cast<double>(chance.unit()), 20000);
        break;
    case Making::Acoustic:
        play(out, chance, chance.below(3) == 0, 8 + 5 * u, 1, 0.7);
        addRoom(out, chance, 0.5);
        level(out, chance, -16, -1);
        addNoise(out, chance, -85 + 22 * static_cast<double>(chance.unit()), 3000 + 9000 * u);
        break;
    case Making::Tape:
        play(out, chance, chance.below(2) == 0, 5 + 4 * u, 1.5, 1);
        addRoom(out, chance, 0.3);
        lowPass(out, 4000 + 7000 * u, 2 + chance.below(2));
        level(out, chance, -14, -1);
        addNoise(out, chance, -68 + 14 * static_cast<double>(chance.unit()), 7000 + 9000 * u);
        break;
    case Making::Shellac:
        play(out, chance, false, 6 + 4 * u, 1.5, 0.8);
        lowPass(out, 2500 + 3000 * u, 4);
        highPass(out, 180, 2);
        level(out, chance, -14, -2);
        addNoise(out, chance, -48 + 12 * static_cast<double>(chance.unit()), 3500 + 4500 * u);
        for (int k = 0; k < static_cast<int>(seconds * 12); ++k)
            addBurst(out, chance, static_cast<size_t>(chance.below(static_cast<int>(out.frames()))), 0.002,
                     0.05 + 0.2 * static_cast<double>(chance.unit()), 900, 0.5);
        break;
    case Making::Broadcast:
        play(out, chance, true, 4 + 4 * u, 2, 1);
        addRoom(out, chance, 0.3);
        addNoise(out, chance, -75, 20000);
        // Lines of broadcasters and slow digital tapes end at 15 to 16 kHz.
        cutAbove(out, 14600 + 1600 * u, 300 + 900 * static_cast<double>(chance.unit()));
        level(out, chance, -9, -0.5);
        addNoise(out, chance, -84 + 14 * static_cast<double>(chance.unit()),
                 20000); // of the line and the converter
        break;
    case Making::Electronic:
        play(out, chance, true, 2 + 4 * u, 0.6, 1);
        level(out, chance, 2, 9);
        for (std::vector<float>* channel : {&out.left, &out.right})
            for (float& v : *channel)
                v = 0.97f * std::tanh(v);
        cutAbove(out, rate / 2.0 - 900, 900);
        level(out, chance, -1.5, -0.1);
        break;
    case Making::Speech: {
        std::vector<float> one = demo::babble(chance, static_cast<size_t>(seconds * 44100));
        for (size_t i = 0; i < out.frames(); ++i) {
            const double at = static_cast<double>(i) * 44100 / rate;
            const auto k = std::min(one.size() - 2, static_cast<size_t>(at));
            const auto x = static_cast<float>(at - static_cast<double>(k));
            out.left[i] = out.right[i] = one[k] * (1 - x) + one[k + 1] * x;
        }
        for (double t = 0; t < seconds; t += 0.3 + 0.6 * static_cast<double>(chance.unit())) // s and f
            addHiss(out, chance, static_cast<size_t>(t * rate),
                    0.1 + 0.15 * static_cast<double>(chance.unit()), 0.04);
        level(out, chance, -14, -3);
        addNoise(out, chance, -80 + 22 * u, 9000);
        break;
    }
    case Making::Strings:
        play(out, chance, false, 5 + 3 * u, 0.15, 1.3);
        addRoom(out, chance, 0.8);
        level(out, chance, -24, -2);
        addNoise(out, chance, -88 + 20 * static_cast<double>(chance.unit()), 12000);
        break;
    }
    if (const double peak = peakOf(out); peak > 0.99)
        gain(out, -20 * std::log10(peak / 0.99));
    return out;
}

Status writeWav(const Path& path, const Stereo& sound, int depth, int channels, bool dither) {
    std::ofstream file(path, std::ios::binary);
    auto number = [&](uint64_t v, int bytes) {
        for (int i = 0; i < bytes; ++i)
            file.put(static_cast<char>(v >> (8 * i)));
    };
    const int frame = depth / 8 * channels;
    const uint64_t bytes = sound.frames() * static_cast<uint64_t>(frame);
    file << "RIFF";
    number(36 + bytes, 4);
    file << "WAVEfmt ";
    number(16, 4);
    number(1, 2);
    number(static_cast<uint64_t>(channels), 2);
    number(static_cast<uint64_t>(sound.rate), 4);
    number(static_cast<uint64_t>(sound.rate) * static_cast<uint64_t>(frame), 4);
    number(static_cast<uint64_t>(frame), 2);
    number(static_cast<uint64_t>(depth), 2);
    file << "data";
    number(bytes, 4);
    Chance chance(static_cast<uint32_t>(sound.frames()) + 99);
    const double full = std::pow(2.0, depth - 1);
    std::string data;
    data.reserve(static_cast<size_t>(bytes));
    for (size_t i = 0; i < sound.frames(); ++i)
        for (int c = 0; c < channels; ++c) {
            double v = static_cast<double>(c == 0 ? sound.left[i] : sound.right[i]) * full;
            if (dither)
                v += static_cast<double>(chance.unit()) - static_cast<double>(chance.unit());
            const auto whole = static_cast<int64_t>(std::clamp(std::floor(v + 0.5), -full, full - 1));
            for (int b = 0; b < depth / 8; ++b)
                data.push_back(static_cast<char>(whole >> (8 * b)));
        }
    file.write(data.data(), static_cast<std::streamsize>(data.size()));
    if (!file.flush())
        return Error{ErrorKind::Io, path, "A sound cannot be written."};
    return Done{};
}

void cutAbove(Stereo& sound, double hertz, double over) {
    const int half = std::clamp(static_cast<int>(3.1 * sound.rate / over), 16, 2000);
    std::vector<float> kernel(static_cast<size_t>(2 * half + 1));
    const double w = 2 * hertz / sound.rate;
    double sum = 0;
    for (int i = -half; i <= half; ++i) {
        const double x = std::numbers::pi * w * i, p = std::numbers::pi * i / (half + 1);
        const double v = (i == 0 ? 1 : std::sin(x) / x) * (0.42 + 0.5 * std::cos(p) + 0.08 * std::cos(2 * p));
        kernel[static_cast<size_t>(i + half)] = static_cast<float>(v);
        sum += v;
    }
    for (float& k : kernel)
        k /= static_cast<float>(sum);
    for (std::vector<float>* channel : {&sound.left, &sound.right}) {
        std::vector<float> padded(static_cast<size_t>(half), 0.0f);
        padded.insert(padded.end(), channel->begin(), channel->end());
        padded.resize(padded.size() + static_cast<size_t>(half), 0.0f);
        for (size_t i = 0; i < channel->size(); ++i) {
            float y = 0;
            for (size_t k = 0; k < kernel.size(); ++k)
                y += kernel[k] * padded[i + k];
            (*channel)[i] = y;
        }
    }
}

void gain(Stereo& sound, double db) {
    const auto by = static_cast<float>(std::pow(10, db / 20));
    for (std::vector<float>* channel : {&sound.left, &sound.right})
        for (float& v : *channel)
            v *= by;
}

double peakOf(const Stereo& sound) {
    float out = 0;
    for (const std::vector<float>* channel : {&sound.left, &sound.right})
        for (const float v : *channel)
            out = std::max(out, std::abs(v));
    return static_cast<double>(out);
}

} // namespace moorfrost::test
