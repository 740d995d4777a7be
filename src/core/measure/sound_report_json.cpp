// SPDX-License-Identifier: GPL-3.0-or-later
#include <cmath>
#include <string>

#include <nlohmann/json.hpp>

#include "core/measure/sound_report.h"

namespace moorfrost::measure {

namespace {

using Json = nlohmann::ordered_json;

constexpr int version = 1; // of what is measured: files that were measured otherwise are measured again

double rounded(double v) {
    return std::round(v * 1000) / 1000;
}

Json jsonOf(const Levels& l) {
    Json offset = Json::array();
    for (const double v : l.offset)
        offset.push_back(std::round(v * 1e6) / 1e6);
    return {{"peak", rounded(l.peak)},
            {"loudest_at", rounded(l.loudest)},
            {"clipped", l.clipped},
            {"clipped_at", rounded(l.clippedAt)},
            {"ceiling", rounded(l.ceiling)},
            {"silence_before", rounded(l.silenceBefore)},
            {"silence_after", rounded(l.silenceAfter)},
            {"dropouts", l.dropouts},
            {"dropout_at", rounded(l.dropoutAt)},
            {"dropout_seconds", std::round(l.dropoutSeconds * 1e6) / 1e6},
            {"begin_level", rounded(l.beginLevel)},
            {"end_level", rounded(l.endLevel)},
            {"end_before", rounded(l.endBefore)},
            {"offset", offset}};
}

Levels levelsOf(const Json& j) {
    Levels l;
    l.peak = j.at("peak");
    l.loudest = j.at("loudest_at");
    l.clipped = j.at("clipped");
    l.clippedAt = j.at("clipped_at");
    l.ceiling = j.at("ceiling");
    l.silenceBefore = j.at("silence_before");
    l.silenceAfter = j.at("silence_after");
    l.dropouts = j.at("dropouts");
    l.dropoutAt = j.at("dropout_at");
    l.dropoutSeconds = j.at("dropout_seconds");
    l.beginLevel = j.at("begin_level");
    l.endLevel = j.at("end_level");
    l.endBefore = j.at("end_before");
    l.offset = j.at("offset").get<std::vector<double>>();
    return l;
}

Json jsonOf(const LoudnessFacts& l) {
    Json blocks = Json::array();
    for (const auto& [loud, count] : l.blocks) {
        blocks.push_back(loud);
        blocks.push_back(count);
    }
    return {{"integrated", l.integrated ? Json(rounded(*l.integrated)) : Json(nullptr)},
            {"range", rounded(l.range)},
            {"true_peak", rounded(l.truePeak)},
            {"blocks", blocks}};
}

LoudnessFacts loudnessOf(const Json& j) {
    LoudnessFacts l;
    if (!j.at("integrated").is_null())
        l.integrated = j.at("integrated").get<double>();
    l.range = j.at("range");
    l.truePeak = j.at("true_peak");
    const Json& blocks = j.at("blocks");
    for (size_t i = 0; i + 1 < blocks.size(); i += 2)
        l.blocks[blocks[i].get<int>()] = blocks[i + 1].get<uint32_t>();
    return l;
}

} // namespace

std::string SoundReport::json() const {
    Json edgeList = Json::array();
    for (const SpectrumEdge& e : edges)
        edgeList.push_back({{"hertz", std::round(e.hertz)},
                            {"drop", rounded(e.drop)},
                            {"width", std::round(e.width)},
                            {"above", rounded(e.above)},
                            {"ends", std::round(e.ends)},
                            {"floor", rounded(e.floor)}});
    Json out = {{"version", version},
                {"codec", codec},
                {"lossless", lossless},
                {"rate", rate},
                {"channels", channels},
                {"depth", depth},
                {"used_bits", usedBits},
                {"seconds", rounded(seconds)},
                {"levels", jsonOf(levels)},
                {"loudness", jsonOf(loudness)},
                {"edges", edgeList},
                {"mirrored_rate", mirrored},
                {"mirror", rounded(mirror)},
                {"coder_trace",
                 {{"coder", trace.coder},
                  {"strength", rounded(trace.strength)},
                  {"places", trace.segments},
                  {"looked", trace.looked}}},
                {"hum",
                 {{"hertz", hum.hertz},
                  {"level", rounded(hum.level)},
                  {"over", rounded(hum.over)},
                  {"tones", hum.tones}}}};
    if (stereo)
        out["stereo"] = {{"left", rounded(stereo->left)},
                         {"right", rounded(stereo->right)},
                         {"difference", rounded(stereo->difference)},
                         {"likeness", rounded(stereo->likeness)},
                         {"low_likeness", rounded(stereo->lowLikeness)},
                         {"turned", rounded(stereo->turned)}};
    return out.dump();
}

std::optional<SoundReport> SoundReport::fromJson(std::string_view text) {
    try {
        const Json j = Json::parse(text);
        if (j.at("version") != version)
            return std::nullopt;
        SoundReport out;
        out.codec = j.at("codec");
        out.lossless = j.at("lossless");
        out.rate = j.at("rate");
        out.channels = j.at("channels");
        out.depth = j.at("depth");
        out.usedBits = j.at("used_bits");
        out.seconds = j.at("seconds");
        out.levels = levelsOf(j.at("levels"));
        out.loudness = loudnessOf(j.at("loudness"));
        for (const Json& e : j.at("edges"))
            out.edges.push_back(
                {e.at("hertz"), e.at("drop"), e.at("width"), e.at("above"), e.at("ends"), e.at("floor")});
        out.mirrored = j.at("mirrored_rate");
        out.mirror = j.at("mirror");
        const Json& t = j.at("coder_trace");
        out.trace = {t.at("coder"), t.at("strength"), t.at("places"), t.at("looked")};
        const Json& h = j.at("hum");
        out.hum = {h.at("hertz"), h.at("level"), h.at("over"), h.at("tones")};
        if (j.contains("stereo")) {
            const Json& s = j.at("stereo");
            out.stereo = ChannelTraits{s.at("left"),     s.at("right"),        s.at("difference"),
                                       s.at("likeness"), s.at("low_likeness"), s.at("turned")};
        }
        return out;
    } catch (const Json::exception&) {
        return std::nullopt;
    }
}

bool SoundReport::isCurrent(std::string_view json) {
    return json.starts_with("{\"version\":" + std::to_string(version) + ",");
}

} // namespace moorfrost::measure
