// SPDX-License-Identifier: GPL-3.0-or-later
// disc: the table of contents of discs.
#include "cli/json_out.h"
#include "cli/sets.h"
#include "core/disc/image.h"

namespace moorfrost::cli {

namespace {

Json tocJson(const disc::DiscImage& image) {
    Json out;
    putPath(out, image.sheetFile);
    const disc::Toc& toc = image.toc;
    out["table"] = toc.table();
    out["media_number"] = toc.mediaNumber.empty() ? Json(nullptr) : Json(toc.mediaNumber);
    out["sectors"] = toc.leadOut;
    out["before_first"] = toc.beforeFirst();
    out["tracks"] = Json::array();
    for (const disc::TocTrack& t : toc.tracks) {
        Json j{{"number", t.number}, {"audio", t.audio},   {"start", t.start},
               {"gap", t.gap},       {"length", t.length}, {"time", disc::shownTime(t.length)}};
        j["isrc"] = t.isrc.empty() ? Json(nullptr) : Json(t.isrc);
        j["pre_emphasis"] = t.preEmphasis;
        j["copy_permitted"] = t.copyPermitted;
        out["tracks"].push_back(std::move(j));
    }
    out["cd_text"] = Json::array();
    for (const disc::CdTextBlock& block : image.text.blocks) {
        Json b{{"language", block.language.empty() ? Json(nullptr) : Json(block.language)}};
        if (!block.genre.empty())
            b["genre"] = block.genre;
        if (!block.discId.empty())
            b["disc_id"] = block.discId;
        b["of_disc"] = Json::object();
        b["of_tracks"] = Json::object();
        for (const auto& [track, entry] : block.entries)
            (track == 0 ? b["of_disc"] : b["of_tracks"][std::to_string(track)]) = entry.texts;
        out["cd_text"].push_back(std::move(b));
    }
    out["notes"] = image.notes;
    return out;
}

} // namespace

int disc(const Options& options) {
    int exitCode = 0;
    for (const Path& path : pathsOf(options)) {
        auto image = disc::openImage(std::filesystem::absolute(path));
        if (!image) {
            say(image.error().message);
            exitCode = 1;
            continue;
        }
        print(tocJson(*image));
    }
    return exitCode;
}

} // namespace moorfrost::cli
