// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/audio/loudness.h"

#include <cmath>

#include <ebur128.h>

namespace moorfrost::audio {

struct Loudness::State {
    ebur128_state* meter = nullptr;
    size_t channels = 1;
    ~State() { ebur128_destroy(&meter); }
};

Loudness::Loudness(int sampleRate, int channels) : state_(std::make_unique<State>()) {
    state_->channels = static_cast<size_t>(channels);
    state_->meter =
        ebur128_init(static_cast<unsigned>(channels), static_cast<unsigned long>(sampleRate), EBUR128_MODE_I);
}
Loudness::~Loudness() = default;

void Loudness::feed(std::span<const int16_t> samples) {
    if (state_->meter)
        ebur128_add_frames_short(state_->meter, samples.data(), samples.size() / state_->channels);
}

std::optional<double> Loudness::integrated() const {
    double out = 0;
    if (!state_->meter || ebur128_loudness_global(state_->meter, &out) != EBUR128_SUCCESS ||
        !std::isfinite(out))
        return std::nullopt;
    return out;
}

} // namespace moorfrost::audio
