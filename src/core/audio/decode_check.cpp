// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/audio/decode_check.h"

#include <algorithm>
#include <array>
#include <memory>
#include <vector>

#include <fmt/format.h>

extern "C" {
#include <libavcodec/avcodec.h>
#include <libavformat/avformat.h>
#include <libavutil/log.h>
#include <libavutil/md5.h>
#include <libavutil/mem.h>
}

namespace moorfrost::audio {

namespace {

template<class T, void (*Free)(T**)>
struct Freed {
    void operator()(T* p) const { Free(&p); }
};
using Input = std::unique_ptr<AVFormatContext, Freed<AVFormatContext, avformat_close_input>>;
using Codec = std::unique_ptr<AVCodecContext, Freed<AVCodecContext, avcodec_free_context>>;
using Packet = std::unique_ptr<AVPacket, Freed<AVPacket, av_packet_free>>;
using Frame = std::unique_ptr<AVFrame, Freed<AVFrame, av_frame_free>>;

/// MD5 of the samples as FLAC defines it: interleaved, little-endian, in as many bytes as their depth needs.
class SampleMd5 {
public:
    SampleMd5() : md5_(av_md5_alloc(), &av_free) { av_md5_init(md5_.get()); }

    void add(const AVFrame& frame, int depth) {
        auto format = static_cast<AVSampleFormat>(frame.format);
        int width = av_get_bytes_per_sample(format), shift = width * 8 - depth;
        auto bytes = static_cast<size_t>((depth + 7) / 8);
        bool planar = av_sample_fmt_is_planar(format) != 0;
        int channels = frame.ch_layout.nb_channels;
        if (shift < 0 || (width != 2 && width != 4))
            return;
        buffer_.clear();
        for (int i = 0; i < frame.nb_samples; ++i)
            for (int c = 0; c < channels; ++c) {
                const uint8_t* plane = frame.extended_data[planar ? c : 0];
                int at = planar ? i : i * channels + c;
                int32_t v = width == 2 ? reinterpret_cast<const int16_t*>(plane)[at]
                                       : reinterpret_cast<const int32_t*>(plane)[at];
                v >>= shift;
                for (size_t b = 0; b < bytes; ++b)
                    buffer_.push_back(static_cast<uint8_t>(v >> (8 * b)));
            }
        av_md5_update(md5_.get(), buffer_.data(), buffer_.size());
    }
    std::array<uint8_t, 16> result() {
        std::array<uint8_t, 16> sum{};
        av_md5_final(md5_.get(), sum.data());
        return sum;
    }

private:
    std::unique_ptr<AVMD5, void (*)(void*)> md5_;
    std::vector<uint8_t> buffer_;
};

} // namespace

std::string DecodeCheck::trouble() const {
    if (badPackets > 0)
        return fmt::format("{} part{} of the sound could not be decoded.", badPackets,
                           badPackets == 1 ? "" : "s");
    if (sum == SampleSum::Differs)
        return "The samples are not those that the encoder had: the MD5 sum in the file is another one.";
    // Frames at either end, and what encoders add, may count or not.
    if (expected - seconds > 0.5 + expected / 100)
        return fmt::format("The sound ends after {:.1f} of {:.1f} seconds.", seconds, expected);
    if (seconds == 0)
        return "No sound came out.";
    return {};
}

Result<DecodeCheck> checkDecoding(const Path& path, const std::function<bool(double)>& going) {
    av_log_set_level(AV_LOG_QUIET);
    const Error cannot{ErrorKind::Unsupported, path, "The sound of this file cannot be decoded."};
    AVFormatContext* opened = nullptr;
    if (avformat_open_input(&opened, ("file:" + path.native()).c_str(), nullptr, nullptr) < 0)
        return cannot;
    Input input(opened);
    const AVCodec* decoder = nullptr;
    if (avformat_find_stream_info(input.get(), nullptr) < 0)
        return cannot;
    int stream = av_find_best_stream(input.get(), AVMEDIA_TYPE_AUDIO, -1, -1, &decoder, 0);
    if (stream < 0 || !decoder)
        return cannot;
    const AVCodecParameters& parameters = *input->streams[stream]->codecpar;
    Codec codec(avcodec_alloc_context3(decoder));
    codec->err_recognition = AV_EF_CRCCHECK | AV_EF_BITSTREAM | AV_EF_BUFFER;
    if (avcodec_parameters_to_context(codec.get(), &parameters) < 0 ||
        avcodec_open2(codec.get(), decoder, nullptr) < 0)
        return cannot;

    DecodeCheck check;
    if (input->duration > 0)
        check.expected = static_cast<double>(input->duration) / AV_TIME_BASE;
    // STREAMINFO of FLAC ends with the sum; all zeros means that the encoder did not know.
    bool flac = parameters.codec_id == AV_CODEC_ID_FLAC && parameters.extradata_size >= 34;
    std::array<uint8_t, 16> wanted{};
    if (flac)
        std::copy_n(parameters.extradata + 18, 16, wanted.begin());
    flac = flac && std::any_of(wanted.begin(), wanted.end(), [](uint8_t b) { return b != 0; });
    SampleMd5 md5;
    Packet packet(av_packet_alloc());
    Frame frame(av_frame_alloc());
    double toldAt = 0;
    auto takeFrames = [&] {
        int got = 0;
        while ((got = avcodec_receive_frame(codec.get(), frame.get())) == 0) {
            if (frame->sample_rate > 0)
                check.seconds += static_cast<double>(frame->nb_samples) / frame->sample_rate;
            check.badPackets += frame->decode_error_flags != 0;
            if (flac)
                md5.add(*frame, codec->bits_per_raw_sample > 0 ? codec->bits_per_raw_sample : 16);
            av_frame_unref(frame.get());
        }
        check.badPackets += got != AVERROR(EAGAIN) && got != AVERROR_EOF;
    };
    int read = 0;
    while ((read = av_read_frame(input.get(), packet.get())) >= 0) {
        if (packet->stream_index == stream) {
            check.badPackets += (packet->flags & AV_PKT_FLAG_CORRUPT) != 0 ||
                                avcodec_send_packet(codec.get(), packet.get()) < 0;
            takeFrames();
        }
        av_packet_unref(packet.get());
        if (check.seconds - toldAt > 5) {
            toldAt = check.seconds;
            if (!going(check.seconds))
                return Error{ErrorKind::Cancelled, path, "Stopped."};
        }
    }
    check.badPackets += read != AVERROR_EOF;
    avcodec_send_packet(codec.get(), nullptr);
    takeFrames();
    if (flac)
        check.sum = md5.result() == wanted ? SampleSum::Same : SampleSum::Differs;
    return check;
}

} // namespace moorfrost::audio
