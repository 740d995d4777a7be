// SPDX-License-Identifier: GPL-3.0-or-later
// What the program and the process that rips tell each other, as JSON. Bytes that need not be UTF-8 are
// hexadecimal.
#include <nlohmann/json.hpp>

#include "core/disc/ripper.h"
#include "core/text/text.h"

namespace moorfrost::disc {

namespace {

using Json = nlohmann::json;

std::string dumped(const Json& j) {
    return j.dump(-1, ' ', false, Json::error_handler_t::replace);
}

Json path(const Path& p) {
    return text::hex(p.native());
}
Path pathOf(const Json& j) {
    return text::fromHex(j.get<std::string>());
}

Json put(const Toc& toc) {
    Json out{{"lead_out", toc.leadOut}, {"media_number", toc.mediaNumber}, {"tracks", Json::array()}};
    for (const TocTrack& t : toc.tracks)
        out["tracks"].push_back(
            {t.number, t.audio, t.start, t.gap, t.length, t.preEmphasis, t.copyPermitted, t.isrc});
    return out;
}
Toc tocOf(const Json& j) {
    Toc out;
    out.leadOut = j.at("lead_out").get<int32_t>();
    out.mediaNumber = j.at("media_number").get<std::string>();
    for (const Json& t : j.at("tracks"))
        out.tracks.push_back({t.at(0).get<int>(), t.at(1).get<bool>(), t.at(2).get<int32_t>(),
                              t.at(3).get<int32_t>(), t.at(4).get<int32_t>(), t.at(5).get<bool>(),
                              t.at(6).get<bool>(), t.at(7).get<std::string>()});
    return out;
}

Json put(const CdText& text) {
    Json blocks = Json::array();
    for (const CdTextBlock& b : text.blocks) {
        Json entries = Json::array();
        for (const auto& [track, entry] : b.entries)
            entries.push_back({track, entry.texts, entry.code});
        blocks.push_back(
            {{"language", b.language}, {"genre", b.genre}, {"id", b.discId}, {"entries", entries}});
    }
    return {{"blocks", std::move(blocks)}, {"damaged", text.damaged}};
}
CdText cdTextOf(const Json& j) {
    CdText out;
    out.damaged = j.at("damaged").get<int>();
    for (const Json& b : j.at("blocks")) {
        CdTextBlock block{b.at("language"), b.at("genre"), b.at("id"), {}};
        for (const Json& e : b.at("entries"))
            block.entries[e.at(0).get<int>()] = {e.at(1).get<std::map<std::string, std::string>>(),
                                                 e.at(2).get<std::string>()};
        out.blocks.push_back(std::move(block));
    }
    return out;
}

template<class T>
Result<T> parsed(const std::string& text, T (*read)(const Json&)) {
    try {
        return read(Json::parse(text));
    } catch (const Json::exception& e) {
        return Error{ErrorKind::Damaged, {}, std::string("This makes no sense: ") + e.what()};
    }
}

RipPlan planOf(const Json& j) {
    RipPlan out;
    out.format = j.at("format").get<std::string>();
    out.bitrate = j.at("bitrate").get<int>();
    out.reading = {j.at("verify").get<bool>(), j.at("most").get<int>()};
    out.offset = j.at("offset").get<int>();
    out.eject = j.at("eject").get<bool>();
    out.pictures = pathOf(j.at("pictures"));
    for (const Json& t : j.at("tracks"))
        out.tracks.push_back({t.at("number").get<int>(), t.at("from").get<int32_t>(),
                              t.at("length").get<int32_t>(), pathOf(t.at("target")),
                              t.at("fields").get<tags::Fields>()});
    return out;
}

TrackReport trackOf(const Json& j) {
    TrackReport out;
    out.number = j.at("number").get<int>();
    out.file = pathOf(j.at("file"));
    out.error = j.at("error").get<std::string>();
    out.crc = j.at("crc").get<uint32_t>();
    out.crcLoud = j.at("loud").get<uint32_t>();
    out.crcShared = j.at("shared").get<uint32_t>();
    out.peak = j.at("peak").get<int>();
    out.essence = j.at("essence").get<std::string>();
    out.seconds = j.at("seconds").get<double>();
    for (const Json& d : j.at("doubtful"))
        out.doubtful.push_back({d.at(0).get<int32_t>(), d.at(1).get<int>(), d.at(2).get<bool>()});
    for (const Json& f : j.at("folders"))
        out.folders.push_back(pathOf(f));
    return out;
}

DriveLook lookOf(const Json& j) {
    return {j.at("name").get<std::string>(), tocOf(j.at("toc")), cdTextOf(j.at("text"))};
}

} // namespace

std::string toText(const RipPlan& plan) {
    Json out{{"format", plan.format},           {"bitrate", plan.bitrate}, {"verify", plan.reading.verify},
             {"most", plan.reading.most},       {"offset", plan.offset},   {"eject", plan.eject},
             {"pictures", path(plan.pictures)}, {"tracks", Json::array()}};
    for (const RipTrack& t : plan.tracks)
        out["tracks"].push_back({{"number", t.number},
                                 {"from", t.from},
                                 {"length", t.length},
                                 {"target", path(t.target)},
                                 {"fields", t.fields}});
    return dumped(out);
}

Result<RipPlan> planFromText(const std::string& text) {
    return parsed(text, planOf);
}

std::string toText(const TrackReport& report) {
    Json out{{"number", report.number},   {"file", path(report.file)}, {"error", report.error},
             {"crc", report.crc},         {"loud", report.crcLoud},    {"shared", report.crcShared},
             {"peak", report.peak},       {"essence", report.essence}, {"seconds", report.seconds},
             {"doubtful", Json::array()}, {"folders", Json::array()}};
    for (const Doubtful& d : report.doubtful)
        out["doubtful"].push_back({d.sector, d.readings, d.agreed});
    for (const Path& f : report.folders)
        out["folders"].push_back(path(f));
    return dumped(out);
}

Result<TrackReport> trackFromText(const std::string& text) {
    return parsed(text, trackOf);
}

std::string toText(const DriveLook& look) {
    return dumped({{"name", look.name}, {"toc", put(look.toc)}, {"text", put(look.text)}});
}

Result<DriveLook> lookFromText(const std::string& text) {
    return parsed(text, lookOf);
}

} // namespace moorfrost::disc
