// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/measure/fft.h"

#include <cmath>
#include <mutex>
#include <numbers>
#include <tuple>
#include <utility>
#include <vector>

#include <fftw3.h>

namespace moorfrost::measure {

namespace {

std::mutex planning; // FFTW makes plans on one thread at a time

} // namespace

struct RealFft::State {
    explicit State(size_t n) : size(n), in(fftwf_alloc_real(n)), out(fftwf_alloc_complex(n / 2 + 1)) {
        std::lock_guard lock(planning);
        plan = fftwf_plan_dft_r2c_1d(static_cast<int>(n), in, out, FFTW_ESTIMATE);
    }
    ~State() {
        std::lock_guard lock(planning);
        fftwf_destroy_plan(plan);
        fftwf_free(in);
        fftwf_free(out);
    }
    size_t size;
    float* in;
    fftwf_complex* out;
    fftwf_plan plan;
};

RealFft::RealFft(size_t size) : state_(std::make_unique<State>(size)) {}
RealFft::~RealFft() = default;

size_t RealFft::size() const {
    return state_->size;
}

std::span<float> RealFft::in() {
    return {state_->in, state_->size};
}

std::span<const std::complex<float>> RealFft::run() {
    fftwf_execute(state_->plan);
    return {reinterpret_cast<const std::complex<float>*>(state_->out), state_->size / 2 + 1};
}

/// By a complex transform of half the size, with a turn before and one after it.
struct Dct4::State {
    explicit State(size_t n)
        : size(n), in(fftwf_alloc_real(n)), half(fftwf_alloc_complex(n / 2)), out(n), turns(n / 2) {
        const double scale = std::pow(2.0 / static_cast<double>(n), 0.25); // twice
        for (size_t k = 0; k < n / 2; ++k)
            turns[k] = std::polar(static_cast<float>(scale),
                                  static_cast<float>(-std::numbers::pi * (4 * static_cast<double>(k) + 1) /
                                                     (4 * static_cast<double>(n))));
        std::lock_guard lock(planning);
        plan = fftwf_plan_dft_1d(static_cast<int>(n / 2), half, half, FFTW_FORWARD, FFTW_ESTIMATE);
    }
    ~State() {
        std::lock_guard lock(planning);
        fftwf_destroy_plan(plan);
        fftwf_free(in);
        fftwf_free(half);
    }
    size_t size;
    float* in;
    fftwf_complex* half;
    std::vector<float> out;
    std::vector<std::complex<float>> turns;
    fftwf_plan plan;
};

Dct4::Dct4(size_t size) : state_(std::make_unique<State>(size)) {}
Dct4::~Dct4() = default;

std::span<float> Dct4::in() {
    return {state_->in, state_->size};
}

std::span<const float> Dct4::run() {
    State& s = *state_;
    auto turned = [](float re, float im, const std::complex<float>& by) {
        return std::pair(re * by.real() - im * by.imag(), re * by.imag() + im * by.real());
    };
    const size_t n = s.size;
    for (size_t k = 0; k < n / 2; ++k)
        std::tie(s.half[k][0], s.half[k][1]) = turned(s.in[2 * k], s.in[n - 1 - 2 * k], s.turns[k]);
    fftwf_execute(s.plan);
    for (size_t k = 0; k < n / 2; ++k) {
        const auto [re, im] = turned(s.half[k][0], s.half[k][1], s.turns[k]);
        s.out[2 * k] = re;
        s.out[n - 1 - 2 * k] = -im;
    }
    return s.out;
}

float hann(size_t at, size_t size) {
    const double s = std::sin(std::numbers::pi * (static_cast<double>(at) + 0.5) / static_cast<double>(size));
    return static_cast<float>(s * s);
}

} // namespace moorfrost::measure
