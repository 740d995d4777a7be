// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/store/kept_bytes.h"

#include <algorithm>

#include <nlohmann/json.hpp>
#include <xxhash.h>

#include "core/tags/kept_pictures.h"

namespace moorfrost::library {

using nlohmann::json;

namespace {

constexpr uint64_t worthwhile = 4096; // bytes

/// By what a picture begins; "" for kinds that are not looked for.
std::string_view beginOf(const std::string& mime) {
    using namespace std::string_view_literals;
    return mime == "image/jpeg"   ? "\xFF\xD8\xFF"sv
           : mime == "image/png"  ? "\x89PNG\r\n"sv
           : mime == "image/gif"  ? "GIF8"sv
           : mime == "image/webp" ? "RIFF"sv
                                  : ""sv;
}

/// npos where it is not there as it stands (in Ogg files pictures are coded).
size_t find(std::string_view bytes, const tags::PictureInfo& picture) {
    constexpr int mostTries = 64;
    const std::string_view begin = beginOf(picture.mime);
    if (begin.empty() || picture.hash == 0 || picture.bytes < worthwhile)
        return std::string_view::npos;
    int tries = 0;
    for (size_t at = bytes.find(begin); at != std::string_view::npos; at = bytes.find(begin, at + 1)) {
        if (bytes.size() - at < picture.bytes || ++tries > mostTries)
            break;
        if (XXH3_64bits(bytes.data() + at, static_cast<size_t>(picture.bytes)) == picture.hash)
            return at;
    }
    return std::string_view::npos;
}

struct Cut {
    uint64_t at = 0; // in the whole
    tags::PictureInfo picture;
};

std::vector<Cut> cutsFrom(const std::string& text) {
    std::vector<Cut> out;
    const json list = json::parse(text, nullptr, false);
    if (!list.is_array())
        return out;
    try {
        for (const json& c : list) {
            Cut cut{c.at(0).get<uint64_t>(), {}};
            cut.picture.hash = c.at(1).get<uint64_t>();
            cut.picture.bytes = c.at(2).get<uint64_t>();
            out.push_back(std::move(cut));
        }
    } catch (const json::exception&) {
        out.clear(); // damaged: as if nothing had been kept
    }
    return out;
}

} // namespace

KeptBytes withoutPictures(const files::StepRecord& record, const PictureStore& store) {
    KeptBytes out{record.undo.fresh, {}};
    std::vector<Cut> cuts;
    for (const tags::PictureInfo& p : tags::picturesIn(record.before)) {
        const std::string_view whole = record.undo.fresh;
        const size_t at = find(whole, p);
        const bool overlaps = std::ranges::any_of(
            cuts, [&](const Cut& c) { return at < c.at + c.picture.bytes && c.at < at + p.bytes; });
        if (at == std::string_view::npos || overlaps)
            continue;
        const auto kept = store.add(whole.substr(at, static_cast<size_t>(p.bytes)), p.type);
        if (kept && kept->hash == p.hash && kept->bytes == p.bytes)
            cuts.push_back({at, p});
    }
    if (cuts.empty())
        return out;
    std::ranges::sort(cuts, {}, &Cut::at);
    json list = json::array();
    std::string rest;
    size_t done = 0;
    for (const Cut& c : cuts) {
        rest.append(out.rest, done, static_cast<size_t>(c.at) - done);
        done = static_cast<size_t>(c.at + c.picture.bytes);
        list.push_back(json::array({c.at, c.picture.hash, c.picture.bytes}));
    }
    rest.append(out.rest, done);
    out.rest = std::move(rest);
    out.pictures = list.dump();
    return out;
}

std::string withPictures(KeptBytes kept, const PictureStore& store) {
    std::string out;
    size_t done = 0; // of the rest
    for (const Cut& c : cutsFrom(kept.pictures)) {
        const auto bytes = store.bytesOf(c.picture);
        if (!bytes || c.at < out.size() || c.at - out.size() > kept.rest.size() - done)
            return {};
        const auto before = static_cast<size_t>(c.at - out.size());
        out.append(kept.rest, done, before);
        done += before;
        out += *bytes;
    }
    return out.append(kept.rest, done);
}

std::vector<std::string> picturesKeptOutside(const std::string& pictures) {
    std::vector<std::string> out;
    for (const Cut& c : cutsFrom(pictures))
        out.push_back(tags::keptName(c.picture));
    return out;
}

} // namespace moorfrost::library
