// SPDX-License-Identifier: GPL-3.0-or-later
// Transforms by FFTW, with room of their own. One thread each; making them is safe from any thread.
#pragma once

#include <complex>
#include <memory>
#include <span>

namespace moorfrost::measure {

/// Of `size` real values: size/2 + 1 complex ones.
class RealFft {
public:
    explicit RealFft(size_t size);
    ~RealFft();
    RealFft(const RealFft&) = delete;
    RealFft& operator=(const RealFft&) = delete;
    size_t size() const;
    std::span<float> in();
    std::span<const std::complex<float>> run();

private:
    struct State;
    std::unique_ptr<State> state_;
};

/// The discrete cosine transform of type IV of `size` values, orthonormal: the core of a modified discrete
/// cosine transform.
class Dct4 {
public:
    explicit Dct4(size_t size);
    ~Dct4();
    Dct4(const Dct4&) = delete;
    Dct4& operator=(const Dct4&) = delete;
    std::span<float> in();
    std::span<const float> run();

private:
    struct State;
    std::unique_ptr<State> state_;
};

/// sin^2: Hann.
float hann(size_t at, size_t size);

} // namespace moorfrost::measure
