// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/sound/fingerprint.h"

#include <chromaprint.h>

#include <algorithm>
#include <cmath>

#include "core/audio/decoder.h"

namespace moorfrost::sound {

struct Fingerprinter::State {
    ChromaprintContext* context = nullptr;
    uint64_t samples = 0;
    double perSecond = fingerprintRate; // of all channels
    double speed = 1;
    bool works = false;
    ~State() { chromaprint_free(context); }
};

Fingerprinter::Fingerprinter(double speed, int sampleRate, int channels) : state_(std::make_unique<State>()) {
    state_->perSecond = static_cast<double>(sampleRate) * channels;
    state_->speed = speed;
    state_->context = chromaprint_new(CHROMAPRINT_ALGORITHM_TEST2);
    // A sound that is told to have a lower rate is a slower sound.
    state_->works =
        state_->context &&
        chromaprint_start(state_->context, static_cast<int>(std::lround(sampleRate / speed)), channels);
}
Fingerprinter::~Fingerprinter() = default;
Fingerprinter::Fingerprinter(Fingerprinter&&) noexcept = default;
Fingerprinter& Fingerprinter::operator=(Fingerprinter&&) noexcept = default;

void Fingerprinter::feed(std::span<const int16_t> samples) {
    if (!state_->works || samples.empty())
        return;
    state_->samples += samples.size();
    state_->works = chromaprint_feed(state_->context, samples.data(), static_cast<int>(samples.size()));
}

Fingerprint Fingerprinter::finish() {
    Fingerprint out;
    out.seconds = static_cast<double>(state_->samples) / state_->perSecond * state_->speed;
    uint32_t* items = nullptr;
    int count = 0;
    if (state_->works && chromaprint_finish(state_->context) &&
        chromaprint_get_raw_fingerprint(state_->context, &items, &count)) {
        out.items.assign(items, items + std::max(0, count));
        chromaprint_dealloc(items);
    }
    state_->works = false;
    return out;
}

Result<std::vector<Fingerprint>> fingerprintsOf(const Path& path, const std::vector<double>& speeds,
                                                double most, std::stop_token stop,
                                                const std::function<void(double)>& going) {
    auto decoder = audio::Decoder::open(path, fingerprintRate, 1);
    if (!decoder)
        return decoder.error();
    std::vector<Fingerprinter> all;
    for (double speed : speeds)
        all.emplace_back(speed);
    auto left = static_cast<size_t>(std::max(0.0, most) * fingerprintRate);
    size_t heard = 0;
    for (auto samples = (*decoder)->next(); !samples.empty() && left > 0; samples = (*decoder)->next()) {
        if (stop.stop_requested())
            return Error{ErrorKind::Cancelled, path, "It was stopped."};
        const std::span<const int16_t> some =
            std::span<const int16_t>(samples).first(std::min(left, samples.size()));
        for (Fingerprinter& f : all)
            f.feed(some);
        left -= some.size();
        const size_t before = heard / (10 * fingerprintRate);
        heard += some.size();
        if (going && heard / (10 * fingerprintRate) != before)
            going(static_cast<double>(heard) / fingerprintRate);
    }
    std::vector<Fingerprint> out;
    for (Fingerprinter& f : all)
        out.push_back(f.finish());
    return out;
}

} // namespace moorfrost::sound
