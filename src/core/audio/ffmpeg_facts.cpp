// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/audio/ffmpeg_facts.h"

#include <memory>

extern "C" {
#include <libavcodec/avcodec.h>
#include <libavformat/avformat.h>
#include <libavutil/dict.h>
#include <libavutil/log.h>
}

#include "core/text/text.h"

namespace moorfrost::audio {

namespace {

std::string codecName(const AVCodecParameters& p) {
    switch (p.codec_id) {
    case AV_CODEC_ID_AAC:
        return "AAC";
    case AV_CODEC_ID_AC3:
        return "AC-3";
    case AV_CODEC_ID_EAC3:
        return "E-AC-3";
    case AV_CODEC_ID_DSD_LSBF:
    case AV_CODEC_ID_DSD_MSBF:
    case AV_CODEC_ID_DSD_LSBF_PLANAR:
    case AV_CODEC_ID_DSD_MSBF_PLANAR:
        return "DSD";
    default: {
        const AVCodecDescriptor* d = avcodec_descriptor_get(p.codec_id);
        std::string name = d ? d->name : "unknown";
        return name.starts_with("pcm_") ? "PCM" : text::upper(name);
    }
    }
}

} // namespace

Result<FfmpegFacts> ffmpegFacts(const Path& path, bool known) {
    av_log_set_level(AV_LOG_QUIET);
    AVFormatContext* opened = avformat_alloc_context();
    if (!opened)
        return Error{ErrorKind::NoSpace, path, "There is not enough memory."};
    opened->max_streams = 32;
    opened->probesize = 1 << 21;
    opened->max_analyze_duration = 5 * AV_TIME_BASE;
    const Error none{ErrorKind::Unsupported, path, "No sound was found in this file."};
    if (avformat_open_input(&opened, ("file:" + path.native()).c_str(), nullptr, nullptr) < 0)
        return none;
    auto close = [](AVFormatContext* c) { avformat_close_input(&c); };
    std::unique_ptr<AVFormatContext, decltype(close)> context(opened, close);
    // A name is no evidence: the content itself must be recognised.
    if ((!known && context->probe_score <= AVPROBE_SCORE_EXTENSION) ||
        avformat_find_stream_info(context.get(), nullptr) < 0)
        return none;
    int stream = av_find_best_stream(context.get(), AVMEDIA_TYPE_AUDIO, -1, -1, nullptr, 0);
    if (stream < 0)
        return none;
    const AVCodecParameters& p = *context->streams[stream]->codecpar;
    FfmpegFacts facts;
    facts.codec = codecName(p);
    facts.sampleRate = p.sample_rate;
    facts.channels = p.ch_layout.nb_channels;
    facts.bitDepth = p.bits_per_raw_sample > 0 ? p.bits_per_raw_sample : av_get_bits_per_sample(p.codec_id);
    if (facts.codec == "DSD") { // FFmpeg counts bytes of eight samples
        facts.sampleRate *= 8;
        facts.bitDepth = 1;
    }
    facts.bitrate =
        static_cast<int>(std::min<int64_t>(p.bit_rate > 0 ? p.bit_rate : context->bit_rate, INT32_MAX));
    if (context->duration > 0)
        facts.duration = static_cast<double>(context->duration) / AV_TIME_BASE;
    for (const AVDictionary* tags : {context->metadata, context->streams[stream]->metadata})
        for (const AVDictionaryEntry* e = nullptr; (e = av_dict_get(tags, "", e, AV_DICT_IGNORE_SUFFIX));)
            facts.tags.try_emplace(e->key, e->value);
    if (facts.sampleRate <= 0 || facts.channels <= 0)
        return none;
    return facts;
}

} // namespace moorfrost::audio
