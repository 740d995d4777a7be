// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/search/sleeves.h"

#include <algorithm>
#include <array>
#include <map>
#include <unordered_map>

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

using SleeveKey = std::array<uint32_t, 3>; // album, album artist, folder

/// What makes the rows of a sleeve one.
struct SleeveKeys {
    explicit SleeveKeys(const Searcher& s)
        : album(s.field("album")), albumArtist(s.field("album_artist")), folder(s.field(folderColumn)),
          compilation(s.field("compilation")), flagged(compilation.listCount()) {
        for (uint32_t list = 1; list < flagged.size(); ++list)
            flagged[list] = compilation.text(list) == "1";
    }
    SleeveKey of(Row r) const {
        SleeveKey key{album.listOf(r), albumArtist.listOf(r), 0};
        if (key[0] == 0)
            key[1] = 0;
        if (key[0] != 0 && key[1] == 0 && flagged[compilation.listOf(r)])
            key[1] = UINT32_MAX; // of several, whatever the folder
        else if (key[1] == 0)
            key[2] = folder.listOf(r);
        return key;
    }
    const JointField &album, &albumArtist, &folder, &compilation;
    std::vector<bool> flagged; // values of `compilation` that say so
};

class SleeveNumbers {
public:
    /// From 0, in the order in which they are asked for.
    uint32_t of(const SleeveKey& key) {
        if (known_.empty() || key != last_) { // mostly it is that of the row before
            last_ = key;
            number_ = known_.try_emplace(key, static_cast<uint32_t>(known_.size())).first->second;
        }
        return number_;
    }
    bool has(const SleeveKey& key) const { return known_.contains(key); }
    size_t size() const { return known_.size(); }

private:
    struct Hash {
        size_t operator()(const SleeveKey& k) const {
            return (k[0] * size_t{0x9E3779B97F4A7C15} ^ k[1]) * size_t{0xC2B2AE3D27D4EB4F} ^ k[2];
        }
    };
    std::unordered_map<SleeveKey, uint32_t, Hash> known_;
    SleeveKey last_{};
    uint32_t number_ = 0;
};

} // namespace

RowsBySleeve wholeSleevesOf(const Searcher& searcher, const RowSet& rows) {
    const SleeveKeys keys(searcher);
    SleeveNumbers numbers;
    std::vector<bool> albums(keys.album.listCount()); // most rows are of none of these
    rows.each([&](Row r) {
        numbers.of(keys.of(r));
        albums[keys.album.listOf(r)] = true;
    });
    // Twice the same way: to count them, and to put them in their places.
    auto eachMember = [&](auto&& each) {
        searcher.all().each([&](Row r) {
            if (albums[keys.album.listOf(r)])
                if (SleeveKey key = keys.of(r); numbers.has(key))
                    each(numbers.of(key), r);
        });
    };
    RowsBySleeve out;
    out.starts.assign(numbers.size() + 1, 0);
    eachMember([&](uint32_t sleeve, Row) { ++out.starts[sleeve + 1]; });
    for (size_t i = 1; i < out.starts.size(); ++i)
        out.starts[i] += out.starts[i - 1];
    out.rows.resize(out.starts.back());
    std::vector<uint32_t> next(out.starts.begin(), out.starts.end() - 1);
    eachMember([&](uint32_t sleeve, Row r) { out.rows[next[sleeve]++] = r; });
    return out;
}

std::vector<LibrarySleeve> sleevesOf(const Searcher& searcher, const std::vector<Row>& rows,
                                     SleeveGroup group) {
    const SleeveKeys keys(searcher);
    const JointField& album = keys.album;
    const JointField& albumArtist = keys.albumArtist;
    const JointField& artist = searcher.field("artist");
    const JointField& date = searcher.field("date");
    const JointField& label = searcher.field("label");

    SleeveNumbers numbers;
    std::vector<LibrarySleeve> out;
    for (Row r : rows) {
        const size_t sleeve = numbers.of(keys.of(r));
        if (sleeve == out.size())
            out.emplace_back();
        out[sleeve].rows.push_back(r);
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
