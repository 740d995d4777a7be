// SPDX-License-Identifier: GPL-3.0-or-later
// The report of a rip as JSON, and the cue sheet that goes with the files.
#include <fmt/format.h>
#include <nlohmann/json.hpp>

#include "core/disc/cue_sheet.h"
#include "core/disc/rip.h"
#include "core/text/text.h"

namespace moorfrost::disc {

Path folderOf(const RipReport& report) {
    for (const TrackReport& t : report.tracks)
        if (!t.file.empty())
            return t.file.parent_path();
    return {};
}

std::string reportJson(const RipReport& report, const Path& folder) {
    using Json = nlohmann::ordered_json;
    Json out;
    out["moorfrost"] = "rip";
    out["version"] = 1;
    out["table"] = report.toc.table();
    out["media_number"] = report.toc.mediaNumber.empty() ? Json(nullptr) : Json(report.toc.mediaNumber);
    out["drive"] = report.drive;
    out["format"] = report.format;
    out["verified"] = report.verified;
    out["offset"] = report.offset;
    out["heard"] = report.heard.empty() ? Json(nullptr) : Json(report.heard);
    out["complete"] = report.complete;
    out["ended"] = report.ended.empty() ? Json(nullptr) : Json(report.ended);
    out["tracks"] = Json::array();
    for (const TrackReport& t : report.tracks) {
        Json j{{"number", t.number}};
        j["file"] = t.file.empty() ? Json(nullptr)
                                   : Json(text::forDisplay(t.file.lexically_relative(folder).native()));
        j["error"] = t.error.empty() ? Json(nullptr) : Json(t.error);
        if (!t.file.empty()) {
            j["crc32"] = fmt::format("{:08x}", t.crc);
            j["crc32_without_silence"] = fmt::format("{:08x}", t.crcLoud);
            j["crc32_shared"] = fmt::format("{:08x}", t.crcShared);
            j["peak"] = t.peak;
            j["seconds"] = t.seconds;
            j["essence"] = t.essence;
            if (t.agree >= 0)
                j["others"] = {{"same", t.agree}, {"different", t.others}};
        }
        j["doubtful"] = Json::array();
        for (const Doubtful& d : t.doubtful)
            j["doubtful"].push_back({{"sector", d.sector}, {"readings", d.readings}, {"agreed", d.agreed}});
        out["tracks"].push_back(std::move(j));
    }
    return out.dump(2, ' ', false, Json::error_handler_t::replace) + "\n";
}

std::string reportSheet(const RipReport& report, const Path& folder) {
    CueSheet sheet;
    sheet.mediaNumber = report.toc.mediaNumber;
    for (const TrackReport& t : report.tracks) {
        if (t.file.empty() || t.number < 1)
            continue;
        CueTrack track;
        track.number = t.number;
        track.file = sheet.files.size();
        track.indexes = {{1, sheet.files.size(), 0}};
        for (const TocTrack& entry : report.toc.tracks)
            if (entry.number == t.number) {
                track.isrc = entry.isrc;
                track.preEmphasis = entry.preEmphasis;
                track.copyPermitted = entry.copyPermitted;
            }
        sheet.files.push_back({t.file.lexically_relative(folder).native(), CueFile::Kind::Sound});
        sheet.tracks.push_back(std::move(track));
    }
    return cueSheetText(sheet);
}

} // namespace moorfrost::disc
