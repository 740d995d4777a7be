// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/search/sleeves.h"

#include <algorithm>
#include <array>
#include <map>

#include "core/library/search/find_term.h"
#include "core/library/search/joint_field.h"
#include "core/text/text.h"

namespace moorfrost::library {

namespace {

/// The list that all these rows share, 0 if they differ.
uint32_t shared(const JointField& f, const std::vector<Row>& rows) {
    uint32_t first = f.listOf(rows.front());
    for (Row r : rows)
        if (f.listOf(r) != first)
            return 0;
    return first;
}

} // namespace

std::vector<LibrarySleeve> sleevesOf(const Searcher& searcher, const std::vector<Row>& rows,
                                     SleeveGroup group) {
    const JointField& album = searcher.field("album");
    const JointField& albumArtist = searcher.field("album_artist");
    const JointField& artist = searcher.field("artist");
    const JointField& folder = searcher.field(folderColumn);
    const JointField& date = searcher.field("date");
    const JointField& label = searcher.field("label");

    std::map<std::array<uint32_t, 3>, size_t> known; // album, album artist, folder
    std::vector<LibrarySleeve> out;
    std::array<uint32_t, 3> last{};
    size_t current = 0; // the sleeve of the row before: mostly the same
    for (Row r : rows) {
        std::array<uint32_t, 3> key{album.listOf(r), albumArtist.listOf(r), 0};
        if (key[0] == 0)
            key[1] = 0;
        if (key[1] == 0)
            key[2] = folder.listOf(r);
        if (out.empty() || key != last) {
            auto [it, fresh] = known.try_emplace(key, out.size());
            if (fresh)
                out.emplace_back();
            last = key;
            current = it->second;
        }
        out[current].rows.push_back(r);
    }

    struct Place {
        bool noGroup, noArtist;
        uint64_t group;
        std::string artist; // as a sort key
        int year;
        uint64_t album;
        size_t sleeve;
        auto operator<=>(const Place&) const = default;
    };
    std::map<std::string, std::string> sortKeys; // artists come again and again
    std::vector<Place> order;
    for (size_t i = 0; i < out.size(); ++i) {
        LibrarySleeve& s = out[i];
        const Row first = s.rows.front();
        if (uint32_t l = album.listOf(first))
            s.album = album.text(l);
        const uint32_t byAlbum = albumArtist.listOf(first), byTrack = shared(artist, s.rows);
        s.artist = byAlbum ? albumArtist.text(byAlbum) : byTrack ? artist.text(byTrack) : "";
        for (Row r : s.rows)
            if (uint32_t l = date.listOf(r); l && s.year == 0)
                s.year = yearOf(date.text(l));
        std::string& sortKey = sortKeys[s.artist];
        if (sortKey.empty())
            sortKey = text::sortKey(s.artist);
        Place place{false, s.artist.empty(), 0, sortKey, s.year, album.placeOf(album.listOf(first)), i};
        if (group == SleeveGroup::Artist) {
            s.group = s.artist;
        } else if (group == SleeveGroup::Label) {
            uint32_t l = shared(label, s.rows);
            s.group = l ? label.text(l) : "";
            place.group = l ? label.placeOf(l) : 0;
        } else if (group == SleeveGroup::Decade && s.year > 0) {
            s.group = std::to_string(s.year / 10 * 10);
            place.group = static_cast<uint64_t>(s.year / 10);
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
