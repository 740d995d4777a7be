// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/search/sleeves.h"

#include <algorithm>
#include <array>
#include <map>

#include "core/library/search/find_term.h"
#include "core/text/text.h"

namespace moorfrost::library {

namespace {

/// The list that all these rows share, 0 if they differ.
uint32_t shared(const FieldColumn* f, const std::vector<Row>& rows) {
    if (!f)
        return 0;
    uint32_t first = f->listOf(rows.front());
    for (Row r : rows)
        if (f->listOf(r) != first)
            return 0;
    return first;
}

} // namespace

std::vector<LibrarySleeve> sleevesOf(const Columns& c, const std::vector<Row>& rows, SleeveGroup group) {
    const FieldColumn* album = c.field("album");
    const FieldColumn* albumArtist = c.field("album_artist");
    const FieldColumn* artist = c.field("artist");
    const FieldColumn* folder = c.field(folderColumn);
    const FieldColumn* date = c.field("date");
    const FieldColumn* label = c.field("label");
    auto list = [](const FieldColumn* f, Row r) { return f ? f->listOf(r) : 0; };

    std::map<std::array<uint32_t, 3>, size_t> known; // album, album artist, folder
    std::vector<LibrarySleeve> out;
    for (Row r : rows) {
        std::array<uint32_t, 3> key{list(album, r), list(albumArtist, r), 0};
        if (key[0] == 0)
            key[1] = 0;
        if (key[1] == 0)
            key[2] = list(folder, r);
        auto [it, fresh] = known.try_emplace(key, out.size());
        if (fresh)
            out.emplace_back();
        out[it->second].rows.push_back(r);
    }

    struct Place {
        bool noGroup, noArtist;
        uint32_t group;
        std::string artist; // as a sort key
        int year;
        uint32_t album;
        size_t sleeve;
        auto operator<=>(const Place&) const = default;
    };
    std::map<std::string, std::string> sortKeys; // artists come again and again
    std::vector<Place> order;
    for (size_t i = 0; i < out.size(); ++i) {
        LibrarySleeve& s = out[i];
        const Row first = s.rows.front();
        if (uint32_t l = list(album, first))
            s.album = album->text(l);
        const uint32_t byAlbum = list(albumArtist, first), byTrack = shared(artist, s.rows);
        s.artist = byAlbum ? albumArtist->text(byAlbum) : byTrack ? artist->text(byTrack) : "";
        for (Row r : s.rows)
            if (uint32_t l = list(date, r); l && s.year == 0)
                s.year = yearOf(date->text(l));
        std::string& sortKey = sortKeys[s.artist];
        if (sortKey.empty())
            sortKey = text::sortKey(s.artist);
        Place place{false, s.artist.empty(), 0, sortKey, s.year, album ? album->ranks[list(album, first)] : 0,
                    i};
        if (group == SleeveGroup::Artist) {
            s.group = s.artist;
        } else if (group == SleeveGroup::Label) {
            uint32_t l = shared(label, s.rows);
            s.group = l ? label->text(l) : "";
            place.group = l ? label->ranks[l] : 0;
        } else if (group == SleeveGroup::Decade && s.year > 0) {
            s.group = std::to_string(s.year / 10 * 10);
            place.group = static_cast<uint32_t>(s.year / 10);
        }
        place.noGroup = group != SleeveGroup::None && s.group.empty();
        order.push_back(place);
    }
    std::sort(order.begin(), order.end());
    std::vector<LibrarySleeve> sorted;
    sorted.reserve(out.size());
    for (const Place& p : order)
        sorted.push_back(std::move(out[p.sleeve]));
    return sorted;
}

} // namespace moorfrost::library
