// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/disc/rip_places.h"

#include <algorithm>
#include <set>

#include <fmt/format.h>
#include <nlohmann/json.hpp>

#include "core/audio/encode.h"
#include "core/base/byte_source.h"
#include "core/files/disk.h"
#include "core/text/text.h"

namespace moorfrost::disc {

namespace {

using Json = nlohmann::json;

/// As a plan sees it: what is not known gets a name to be told apart by.
placing::PutAwayFile fileOf(const RipTrack& track, const RipPlan& rip, const Path& root,
                            const std::string& name) {
    const audio::EncodeFormat* format = audio::encodeFormat(rip.format);
    const std::string ending = format ? format->ending : std::string();
    placing::PutAwayFile out;
    out.id = track.number + 1; // 0 is for files that go along
    out.path = root / ".moorfrost disc" / fmt::format("{:02}{}", track.number, ending);
    out.format = audio::formatByExtension(out.path);
    out.fields = track.fields;
    out.sleeve = "disc";
    const auto unless = [&out](const char* field, const std::string& value) {
        if (tags::firstValue(out.fields, field).empty())
            out.fields[field] = {value};
    };
    unless("title", track.number == 0 ? "Before track 1" : fmt::format("Track {}", track.number));
    unless("album", name);
    if (tags::firstValue(out.fields, "album_artist").empty())
        unless("artist", "Unknown artist");
    const bool opus = rip.format == "opus";
    out.facts = {{"format", audio::formatName(out.format)},
                 {"codec", rip.format},
                 {"sample rate", opus ? "48000" : "44100"},
                 {"bit depth", format && format->lossless ? "16" : ""},
                 {"name", fmt::format("Track {}", track.number)},
                 {"folder", name}};
    return out;
}

std::string contentOf(const Path& file) {
    auto source = FileSource::open(file);
    return source && (*source)->size() < (8u << 20)
               ? (*source)->bytes(0, static_cast<size_t>((*source)->size()))
               : std::string();
}

std::optional<TrackReport> trackIn(const Json& j, const Path& folder) {
    TrackReport out;
    out.number = j.at("number").get<int>();
    if (!j.at("file").is_string())
        return std::nullopt;
    out.file = (folder / j.at("file").get<std::string>()).lexically_normal();
    out.crc = static_cast<uint32_t>(std::stoul(j.at("crc32").get<std::string>(), nullptr, 16));
    out.crcLoud =
        static_cast<uint32_t>(std::stoul(j.at("crc32_without_silence").get<std::string>(), nullptr, 16));
    out.crcShared = static_cast<uint32_t>(std::stoul(j.value("crc32_shared", "0"), nullptr, 16));
    out.peak = j.at("peak").get<int>();
    out.essence = j.value("essence", "");
    out.seconds = j.value("seconds", 0.0);
    if (const auto others = j.find("others"); others != j.end()) {
        out.agree = others->value("same", -1);
        out.others = others->value("different", 0);
    }
    for (const Json& d : j.at("doubtful"))
        out.doubtful.push_back(
            {d.at("sector").get<int32_t>(), d.at("readings").get<int>(), d.at("agreed").get<bool>()});
    return out;
}

} // namespace

std::vector<placing::Placement> placeByPlan(RipPlan& rip, const naming::Plan& plan, const Path& root,
                                            files::NameProfile profile, const std::string& name) {
    std::vector<placing::PutAwayFile> files;
    for (const RipTrack& t : rip.tracks)
        files.push_back(fileOf(t, rip, root, name));
    placing::PutAwayOptions options;
    options.plan = plan;
    options.shelf = root;
    options.profile = profile;
    options.copy = true;
    options.along = placing::AlongRule::none();
    options.removeEmptied = false;
    std::vector<placing::Placement> out = placing::planPutAway(files, options).files;
    for (size_t i = 0; i < out.size(); ++i)
        rip.tracks[i].target = out[i].blocked() ? Path() : out[i].to;
    return out;
}

EarlierRip rippedEarlier(const std::vector<Path>& targets, const std::string& format, const Toc& toc) {
    EarlierRip out;
    std::set<Path> folders;
    for (const Path& target : targets)
        folders.insert(target.parent_path());
    for (const Path& folder : folders)
        for (int n = 1; n < 20; ++n) {
            const std::string number = n == 1 ? std::string() : fmt::format(" {}", n);
            const ReportFiles files{folder / ("disc report" + number + ".txt"),
                                    folder / ("disc report" + number + ".json"),
                                    folder / ("disc" + number + ".cue")};
            const std::string text = contentOf(files.json);
            if (text.empty())
                break;
            try {
                const Json report = Json::parse(text);
                if (report.at("moorfrost") != "rip" || report.at("table") != toc.table() ||
                    report.at("format") != format)
                    continue;
                for (const Json& j : report.at("tracks"))
                    if (auto track = trackIn(j, folder);
                        track && files::isThere(track->file) &&
                        std::ranges::find(targets, track->file) != targets.end() &&
                        std::ranges::find(out.tracks, track->number, &TrackReport::number) ==
                            out.tracks.end()) {
                        out.tracks.push_back(std::move(*track));
                        out.reports = files;
                    }
            } catch (const std::exception&) { // somebody else's, or changed by hand: it tells nothing
            }
        }
    return out;
}

} // namespace moorfrost::disc
