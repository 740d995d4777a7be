// SPDX-License-Identifier: GPL-3.0-or-later
#include "support/edition_world.h"

#include <fmt/format.h>

#include <random>
#include <set>

namespace moorfrost::test {

namespace {

using library::FileId;
using library::FileRecord;

const char* const words[] = {
    "night",  "post",    "ferry",   "reel",   "cold",    "slip",   "keeper",   "wife",    "salt",
    "road",   "harbour", "lantern", "moor",   "whin",    "gorse",  "tide",     "timber",  "slate",
    "fell",   "street",  "walk",    "seven",  "bridges", "quarry", "hall",     "lapwing", "late",
    "train",  "north",   "skarn",   "hollow", "kestrel", "rook",   "varnholt", "odran",   "choir",
    "beacon", "island",  "winter",  "summer", "letter",  "window", "stone",    "river",   "market",
    "bell",   "tower",   "anchor",  "rope",   "weather", "signal", "mirror",   "garden",  "orchard",
    "mill",   "wheel",   "paper",   "silver", "copper",  "amber",  "thistle",  "heather", "raven",
    "heron",  "otter",   "seal",    "drift",  "shore",   "bay",    "cliff",    "cave",    "light",
    "shadow", "echo",    "silence", "storm",  "rain"};

struct Song {
    std::string title;
    double seconds = 0;
};

class Maker {
public:
    Maker(size_t tracks, unsigned seed) : most_(tracks), random_(seed) {}

    EditionWorld make() {
        while (out_.files.size() < most_)
            artist();
        return std::move(out_);
    }

private:
    size_t below(size_t n) { return static_cast<size_t>(random_() % n); }
    bool chance(int percent) { return below(100) < static_cast<size_t>(percent); }
    std::string name(size_t least, size_t most) {
        std::string out;
        const size_t count = least + below(most - least + 1);
        for (size_t i = 0; i < count; ++i) {
            std::string word = words[below(std::size(words))];
            word[0] = static_cast<char>(word[0] - 32);
            out += (out.empty() ? "" : " ") + word;
        }
        return out;
    }
    Song song() {
        std::string title;
        do
            title = name(1, 4);
        while (!used_.insert(title).second);
        return {title, 90.0 + static_cast<double>(below(300))};
    }
    std::string misspelled(std::string text) {
        if (text.size() < 6)
            return text;
        const size_t at = 2 + below(text.size() - 4);
        std::swap(text[at], text[at + 1]);
        return text;
    }

    struct Style {
        std::string title, artist, number, suffix;
        double wobble = 0.5; // seconds that lengths differ
    };
    std::vector<FileId> put(const Style& style, const std::vector<Song>& songs, int set) {
        ++folder_;
        std::vector<FileId> out;
        for (size_t i = 0; i < songs.size(); ++i) {
            FileRecord r;
            r.id = ++last_;
            r.path = fmt::format("/archive/{:05}/{:02}.flac", folder_, i + 1);
            r.tags.fields = {{"title", {songs[i].title + style.suffix}},
                             {"artist", {style.artist}},
                             {"album", {style.title}},
                             {"album_artist", {style.artist}},
                             {"track", {std::to_string(i + 1)}}};
            if (!style.number.empty())
                r.tags.fields["catalogue_number"] = {style.number};
            r.tags.format = audio::Format::Flac;
            r.tags.facts.duration =
                songs[i].seconds + style.wobble * (static_cast<double>(below(200)) - 100) / 100;
            out_.setOf[r.id] = set;
            out.push_back(r.id);
            out_.files.push_back(std::move(r));
        }
        return out;
    }
    std::string number() { return fmt::format("GR {:04}", ++number_); }

    void editions(const std::string& title, const std::string& artist, const std::vector<Song>& songs,
                  int set, const std::vector<FileId>& first) {
        const size_t count = 1 + below(3);
        for (size_t i = 0; i < count; ++i) {
            Style style{title, artist, number(), "", 0.8};
            std::vector<Song> tracks = songs;
            switch (below(7)) {
            case 0: // another carrier
                break;
            case 1:
                style.title += chance(50) ? " (2011 Remaster)" : " [Remastered]";
                if (chance(50))
                    style.suffix = " - 2011 Remaster";
                break;
            case 2:
                style.title += chance(50) ? " (Deluxe Edition)" : " (Expanded 25th Anniversary Edition)";
                for (size_t n = 2 + below(6); n > 0; --n)
                    tracks.push_back(song());
                break;
            case 3:
                style.title = misspelled(title);
                for (Song& s : tracks)
                    if (chance(20))
                        s.title = misspelled(s.title);
                break;
            case 4:
                style.artist = artist.starts_with("The ") ? artist.substr(4) : "The " + artist;
                break;
            case 5: // half of it is here
                tracks.resize(std::max<size_t>(2, tracks.size() * 2 / 3));
                style.number.clear();
                break;
            default: // another order
                for (size_t n = 0; n + 1 < tracks.size(); n += 2)
                    std::swap(tracks[n], tracks[n + 1]);
            }
            const auto ids = put(style, tracks, set);
            if (!style.suffix.empty() && !remastered_.contains(set)) { // each is another version of its first
                remastered_.insert(set);
                for (size_t n = 0; n < ids.size(); ++n) {
                    if (!out_.familyOf.contains(first[n]))
                        out_.familyOf[first[n]] = ++families_;
                    out_.familyOf[ids[n]] = out_.familyOf[first[n]];
                }
            }
        }
    }

    /// Versions of a song, as one delivers them, in a folder of their own.
    void versions(const std::string& artist, const Song& song, FileId lead, int set) {
        struct Version {
            const char* suffix;
            double share; // of the length
        };
        static const Version all[] = {
            {" (Instrumental)", 1},     {" (A Cappella)", 1},      {" (Radio Edit)", 0.7},
            {" (Live)", 1.1},           {" [Demo]", 0.9},          {" - Instrumental", 1},
            {" (Wren-Low Remix)", 1.3}, {" (Extended Mix)", 1.5},  {"_instr", 1},
            {" acapella", 1},           {" (Clean)", 1},           {" stem bass", 1},
            {" stem drums", 1},         {" (Acoustic Version)", 1}};
        const int family = out_.familyOf.contains(lead) ? out_.familyOf[lead] : ++families_;
        out_.familyOf[lead] = family;
        std::vector<Song> tracks;
        std::set<size_t> taken;
        for (size_t n = 1 + below(4); n > 0; --n)
            if (const size_t v = below(std::size(all)); taken.insert(v).second)
                tracks.push_back({song.title + all[v].suffix, song.seconds * all[v].share});
        for (const FileId id : put({song.title + " versions", artist, {}, {}, 0.2}, tracks, set))
            out_.familyOf[id] = family;
    }

    void artist() {
        used_.clear();
        std::string artist = (chance(30) ? "The " : "") + name(2, 3);
        if (!artists_.insert(artist).second)
            artist += fmt::format(" {}", artists_.size());
        std::vector<std::vector<Song>> albums;
        const bool selfTitled = chance(8);
        const std::string series = chance(15) ? name(2, 2) : std::string();
        std::set<std::string> titles;
        const size_t count = 2 + below(6);
        for (size_t a = 0; a < count; ++a) {
            std::string title = selfTitled && a < 2 ? artist : name(1, 4);
            if (!series.empty() && a < 3)
                title = fmt::format("{}, Volume {}", series, a + 1);
            if (!(selfTitled && a < 2) && !titles.insert(title).second)
                continue; // by chance
            std::vector<Song> songs;
            for (size_t n = 7 + below(7); n > 0; --n)
                songs.push_back(song());
            const int set = ++sets_;
            const auto ids = put({title, artist, number(), "", 0.3}, songs, set);
            if (chance(25))
                editions(title, artist, songs, set, ids);
            if (chance(20))
                versions(artist, songs[0], ids[0], ++sets_);
            albums.push_back(songs);
            if (chance(25) && songs[1].title != title) // a single
                put({songs[1].title, artist, number(), "", 0.3}, {songs[1], song(), song()}, ++sets_);
        }
        if (albums.size() < 2)
            return;
        if (chance(25)) { // an anthology
            std::vector<Song> best;
            for (const auto& songs : albums)
                for (size_t n = 0; n < 4 && n < songs.size(); ++n)
                    best.push_back(songs[n]);
            put({"The Best of " + artist, artist, number(), "", 0.5}, best, ++sets_);
        }
        if (chance(20)) { // a concert
            std::vector<Song> songs;
            for (const auto& album : albums)
                for (size_t n = 0; n < 3 && n < album.size(); ++n)
                    songs.push_back({album[n].title, album[n].seconds * 1.15 + 20});
            put({"Live at " + name(1, 2), artist, number(), "", 0.5}, songs, ++sets_);
        }
    }

    size_t most_;
    std::mt19937 random_;
    EditionWorld out_;
    std::set<std::string> used_, artists_;
    std::set<int> remastered_;
    FileId last_ = 0;
    int folder_ = 0, number_ = 0, sets_ = 0, families_ = 0;
};

} // namespace

EditionWorld editionWorld(size_t tracks, unsigned seed) {
    return Maker(tracks, seed).make();
}

} // namespace moorfrost::test
