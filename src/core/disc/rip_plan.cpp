// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/disc/rip_plan.h"

#include <algorithm>

#include <fmt/format.h>

#include "core/audio/encode.h"
#include "core/files/disk.h"
#include "core/files/safe_name.h"

namespace moorfrost::disc {

namespace {

using files::NameProfile;

std::string textOf(const CdTextBlock& block, int track, const char* what) {
    const auto entry = block.entries.find(track);
    if (entry == block.entries.end())
        return {};
    const auto value = entry->second.texts.find(what);
    return value == entry->second.texts.end() ? std::string() : value->second;
}

} // namespace

tags::Fields fieldsOf(const Toc& toc, const CdText& text, int track) {
    tags::Fields out;
    const auto put = [&out](const char* field, const std::string& value) {
        if (!value.empty())
            out[field] = {value};
    };
    if (!text.blocks.empty()) {
        const CdTextBlock& block = text.blocks.front();
        const std::string of = textOf(block, track, "performer"), all = textOf(block, 0, "performer");
        put("title", track > 0 ? textOf(block, track, "title") : std::string());
        put("artist", of.empty() ? all : of);
        put("album_artist", all);
        put("album", textOf(block, 0, "title"));
        put("composer", textOf(block, track, "composer"));
        put("genre", block.genre);
    }
    put("barcode", toc.mediaNumber);
    if (track > 0) {
        put("track", std::to_string(track));
        put("tracks", std::to_string(toc.tracks.back().number));
    }
    for (const TocTrack& t : toc.tracks)
        if (t.number == track)
            put("isrc", t.isrc);
    return out;
}

RipPlan usualPlan(const Toc& toc, const CdText& text, const Path& into, const std::string& format,
                  const std::string& name) {
    RipPlan out;
    out.format = format;
    const audio::EncodeFormat* kind = audio::encodeFormat(format);
    const std::string ending = kind ? kind->ending : std::string();
    const tags::Fields whole = fieldsOf(toc, text, 0);
    const std::string &artist = tags::firstValue(whole, "album_artist"),
                      &album = tags::firstValue(whole, "album");
    const std::string folder = album.empty() ? name : artist.empty() ? album : artist + " - " + album;
    const auto place = [&](int number, const std::string& title) {
        return into / files::safeName(folder, NameProfile::Portable) /
               files::safeName(fmt::format("{:02} {}", number, title) + ending, NameProfile::Portable);
    };
    if (toc.beforeFirst() > worthATrack && toc.tracks.front().audio) {
        tags::Fields fields = whole;
        fields.erase("title");
        fields["track"] = {"0"};
        out.tracks.push_back({0, 0, toc.beforeFirst(), place(0, "Before track 1"), std::move(fields)});
    }
    for (const TocTrack& t : toc.tracks) {
        if (!t.audio)
            continue;
        RipTrack track{t.number, t.start, t.length, {}, fieldsOf(toc, text, t.number)};
        // Its pause is played before it: it goes with the track before, as players expect.
        for (const TocTrack& next : toc.tracks)
            if (next.number == t.number + 1)
                track.length += next.gap;
        const std::string& title = tags::firstValue(track.fields, "title");
        track.target = place(t.number, title.empty() ? fmt::format("Track {}", t.number) : title);
        out.tracks.push_back(std::move(track));
    }
    return out;
}

RipReport together(const std::vector<TrackReport>& earlier, RipReport report) {
    for (const TrackReport& t : earlier)
        if (std::ranges::find(report.tracks, t.number, &TrackReport::number) == report.tracks.end())
            report.tracks.push_back(t);
    std::ranges::sort(report.tracks, {}, &TrackReport::number);
    return report;
}

ReportFiles placeForReports(const Path& folder) {
    const auto named = [&](int n) {
        const std::string number = n == 1 ? std::string() : fmt::format(" {}", n);
        return ReportFiles{folder / ("disc report" + number + ".txt"),
                           folder / ("disc report" + number + ".json"), folder / ("disc" + number + ".cue")};
    };
    ReportFiles out = named(1);
    for (int n = 2;
         n < 1000 && (files::isThere(out.text) || files::isThere(out.json) || files::isThere(out.sheet)); ++n)
        out = named(n);
    return out;
}

Status keepReports(const RipReport& report, const ReportFiles& files) {
    if (std::ranges::all_of(report.tracks, [](const TrackReport& t) { return t.file.empty(); }))
        return Done{};
    for (const auto& [file, text] : {std::pair(files.text, reportText(report, files.text.parent_path())),
                                     std::pair(files.json, reportJson(report, files.text.parent_path())),
                                     std::pair(files.sheet, reportSheet(report, files.text.parent_path()))})
        if (Status written = files::writeWhole(file, text); !written)
            return written;
    return Done{};
}

} // namespace moorfrost::disc
