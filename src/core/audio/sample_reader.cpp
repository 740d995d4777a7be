// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/audio/sample_reader.h"

#include <algorithm>
#include <cmath>

#include "core/audio/ffmpeg_input.h"

namespace moorfrost::audio {

struct SampleReader::State {
    std::unique_ptr<FfmpegInput> input;
    double skipUntil = 0; // seconds
};

namespace {

struct Plane {
    const uint8_t* data;
    int step; // samples from one to the next
};

Plane planeOf(const AVFrame& frame, int channel, int channels) {
    const auto format = static_cast<AVSampleFormat>(frame.format);
    if (av_sample_fmt_is_planar(format) != 0)
        return {frame.extended_data[channel], 1};
    return {frame.extended_data[0] + channel * av_get_bytes_per_sample(format), channels};
}

template<class T>
uint32_t takeWhole(const Plane& plane, int from, int to, int shift, int64_t middle, float scale, float* out) {
    const T* in = reinterpret_cast<const T*>(plane.data) + static_cast<std::ptrdiff_t>(from) * plane.step;
    uint32_t bits = 0;
    for (int i = from; i < to; ++i, in += plane.step) {
        const int64_t v = static_cast<int64_t>(*in) - middle;
        bits |= static_cast<uint32_t>(shift >= 0 ? v << shift : v >> -shift);
        *out++ = static_cast<float>(v) * scale;
    }
    return bits;
}

template<class T>
uint32_t takeReal(const Plane& plane, int from, int to, float* out) {
    const T* in = reinterpret_cast<const T*>(plane.data) + static_cast<std::ptrdiff_t>(from) * plane.step;
    uint32_t bits = 0;
    for (int i = from; i < to; ++i, in += plane.step) {
        const double v = std::isfinite(*in) ? std::clamp(static_cast<double>(*in), -64.0, 64.0) : 0.0;
        const double whole = v * 2147483648.0;
        bits |= whole == std::floor(whole) ? static_cast<uint32_t>(static_cast<int64_t>(whole)) : 1u;
        *out++ = static_cast<float>(v);
    }
    return bits;
}

uint32_t takeSamples(const AVFrame& frame, const Plane& plane, int from, float* out) {
    const int to = frame.nb_samples;
    switch (av_get_packed_sample_fmt(static_cast<AVSampleFormat>(frame.format))) {
    case AV_SAMPLE_FMT_U8:
        return takeWhole<uint8_t>(plane, from, to, 24, 128, 1.0f / 128, out);
    case AV_SAMPLE_FMT_S16:
        return takeWhole<int16_t>(plane, from, to, 16, 0, 1.0f / 32768, out);
    case AV_SAMPLE_FMT_S32:
        return takeWhole<int32_t>(plane, from, to, 0, 0, 1.0f / 2147483648.0f, out);
    case AV_SAMPLE_FMT_S64:
        return takeWhole<int64_t>(plane, from, to, -32, 0, 1.0f / 9223372036854775808.0f, out);
    case AV_SAMPLE_FMT_FLT:
        return takeReal<float>(plane, from, to, out);
    case AV_SAMPLE_FMT_DBL:
        return takeReal<double>(plane, from, to, out);
    default:
        std::fill(out, out + (to - from), 0.0f);
        return 0;
    }
}

} // namespace

SampleReader::SampleReader(std::unique_ptr<State> state) : state_(std::move(state)) {}
SampleReader::~SampleReader() = default;

Result<std::unique_ptr<SampleReader>> SampleReader::open(const Path& path) {
    auto input = FfmpegInput::open(path);
    if (!input)
        return input.error();
    const AVCodecContext& codec = (*input)->codec();
    if (codec.sample_rate <= 0 || codec.ch_layout.nb_channels <= 0)
        return Error{ErrorKind::Unsupported, path, "The sound of this file cannot be decoded."};
    if (codec.ch_layout.nb_channels > mostChannels)
        return Error{ErrorKind::Unsupported, path, "The sound of this file has too many channels."};
    auto state = std::make_unique<State>();
    state->input = std::move(*input);
    return std::unique_ptr<SampleReader>(new SampleReader(std::move(state)));
}

bool SampleReader::next(Block& block) {
    State& s = *state_;
    const int channels = this->channels();
    while (const AVFrame* frame = s.input->next()) {
        if (frame->ch_layout.nb_channels != channels || frame->sample_rate != rate() ||
            frame->nb_samples <= 0)
            continue;
        int from = 0;
        if (const auto at = s.input->placeSeconds(); s.skipUntil > 0 && at) {
            from = static_cast<int>(
                std::clamp<int64_t>(std::llround((s.skipUntil - *at) * rate()), 0, frame->nb_samples));
            if (from == frame->nb_samples)
                continue;
        }
        s.skipUntil = 0;
        block.channels.resize(static_cast<size_t>(channels));
        block.bits = 0;
        for (int c = 0; c < channels; ++c) {
            auto& out = block.channels[static_cast<size_t>(c)];
            out.resize(static_cast<size_t>(frame->nb_samples - from));
            block.bits |= takeSamples(*frame, planeOf(*frame, c, channels), from, out.data());
        }
        return true;
    }
    return false;
}

void SampleReader::seek(double seconds) {
    if (state_->input->seek(seconds))
        state_->skipUntil = seconds;
}

int SampleReader::rate() const {
    return state_->input->codec().sample_rate;
}

int SampleReader::channels() const {
    return state_->input->codec().ch_layout.nb_channels;
}

int SampleReader::depth() const {
    const AVCodecContext& codec = state_->input->codec();
    if (!isLossless())
        return 0;
    if (codec.bits_per_raw_sample > 0)
        return codec.bits_per_raw_sample;
    const int coded = av_get_bits_per_sample(codec.codec_id); // of PCM
    return coded > 0 ? coded : av_get_bytes_per_sample(codec.sample_fmt) * 8;
}

bool SampleReader::isLossless() const {
    const AVCodecDescriptor* about = avcodec_descriptor_get(state_->input->codec().codec_id);
    return about && (about->props & AV_CODEC_PROP_LOSSLESS) != 0 && (about->props & AV_CODEC_PROP_LOSSY) == 0;
}

std::string SampleReader::codec() const {
    return avcodec_get_name(state_->input->codec().codec_id);
}

double SampleReader::seconds() const {
    return state_->input->seconds();
}

} // namespace moorfrost::audio
