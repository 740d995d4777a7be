// SPDX-License-Identifier: GPL-3.0-or-later
#include "support/sleeve_styles.h"

#include <algorithm>

#include <fmt/format.h>

namespace moorfrost::test {

namespace {

using tags::Fields;

struct Song {
    std::string title, artist;
    int disc = 1, track = 1;
};

struct Release {
    int number = 0;
    std::string artist, album, barcode;
    int year = 1998, discs = 1;
    std::vector<Song> songs;
};

class Maker {
public:
    Maker(StyledFiles& out, uint64_t seed) : out_(out), chance_(seed) {}

    unsigned below(unsigned n) { return chance_() % n; }
    bool perhaps(unsigned percent) { return below(100) < percent; }

    std::string word() {
        static const char* parts[] = {"tarn", "hol", "mar", "ves", "lin", "or", "kest", "fel", "bra",  "wen",
                                      "sal",  "gan", "ost", "ri",  "dun", "ey", "mo",   "hav", "sten", "lu"};
        std::string s;
        for (unsigned n = 2 + below(2); n > 0; --n)
            s += parts[below(20)];
        s[0] = static_cast<char>(s[0] - 32);
        return s;
    }
    std::string words(unsigned least, unsigned most) {
        std::string s = word();
        for (unsigned n = least + below(most - least + 1); n > 1; --n)
            s += " " + word();
        return s;
    }

    Release release(int discs = 1, bool mixed = false) {
        Release r;
        r.number = ++releases_;
        r.artist = (perhaps(30) ? "The " : "") + words(1, 2) + (perhaps(20) ? " & " + word() : "");
        r.album = words(1, 3);
        r.year = 1968 + static_cast<int>(below(55));
        r.discs = discs;
        if (perhaps(40))
            r.barcode = fmt::format("2{:011}", static_cast<unsigned>(r.number));
        for (int d = 1; d <= discs; ++d)
            for (int t = 1, n = 5 + static_cast<int>(below(9)); t <= n; ++t)
                r.songs.push_back({words(1, 4), mixed ? words(1, 2) : r.artist, d, t});
        return r;
    }

    /// As a careful person tags. `less`: fields that are left out.
    Fields tags(const Release& r, const Song& s, std::initializer_list<const char*> less = {}) {
        Fields f{{"title", {s.title}},
                 {"artist", {s.artist}},
                 {"album", {r.album}},
                 {"track", {std::to_string(s.track)}},
                 {"date", {std::to_string(r.year)}}};
        if (perhaps(60) && s.artist == r.artist)
            f["album_artist"] = {r.artist};
        if (r.discs > 1)
            f["disc"] = {std::to_string(s.disc)};
        if (!r.barcode.empty() && perhaps(50))
            f["barcode"] = {r.barcode};
        if (perhaps(10))
            f["artist"] = {s.artist + " feat. " + word()};
        for (const char* key : less)
            f.erase(key);
        return f;
    }

    void file(const char* style, int release, const std::string& path, Fields fields,
              const char* format = "FLAC", double seconds = 0, int64_t modified = 0, uint64_t picture = 0) {
        auto id = static_cast<int64_t>(out_.files.size() + 1);
        if (modified == 0) // copied, as most are, all within a few seconds
            modified = copied_ += below(2);
        if (seconds == 0)
            seconds = 120 + below(240);
        out_.files.push_back({id, path, std::move(fields), format, picture, seconds, modified});
        out_.release[id] = release;
        out_.style[id] = style;
    }
    int stray() { return ++releases_; }

    std::string misspelled(std::string s) {
        size_t at = 1 + below(static_cast<unsigned>(s.size() - 1));
        switch (below(3)) {
        case 0:
            s.erase(at, 1);
            break;
        case 1:
            s.insert(at, 1, s[at]);
            break;
        default:
            s[at] = s[at] == 'e' ? 'a' : 'e';
        }
        return s;
    }

private:
    StyledFiles& out_;
    bench::Chance chance_;
    int releases_ = 0;
    int64_t copied_ = 1'600'000'000;
};

std::string two(int n) {
    return fmt::format("{:02}", n);
}

using Style = std::function<void(Maker&, const char* name, const std::string& root)>;

std::string numberedName(const Song& s) {
    return two(s.track) + " " + s.title + ".flac";
}

const std::vector<std::pair<const char*, Style>>& styles() {
    static const std::vector<std::pair<const char*, Style>> all = {
        {"one release, tagged",
         [](Maker& m, const char* n, const std::string& root) {
             Release r = m.release();
             for (const Song& s : r.songs)
                 m.file(n, r.number, root + "/" + r.artist + "/" + r.album + "/" + numberedName(s),
                        m.tags(r, s));
         }},
        {"one release, tagged, names say nothing",
         [](Maker& m, const char* n, const std::string& root) {
             Release r = m.release();
             for (const Song& s : r.songs)
                 m.file(n, r.number, root + "/" + fmt::format("rip{:05}.flac", m.below(99999)), m.tags(r, s));
         }},
        {"several in one folder, tagged",
         [](Maker& m, const char* n, const std::string& root) {
             for (unsigned k = 2 + m.below(4); k > 0; --k) {
                 Release r = m.release();
                 for (const Song& s : r.songs)
                     m.file(n, r.number, root + "/" + s.artist + " - " + s.title + ".flac", m.tags(r, s));
             }
         }},
        {"several in one folder, names only",
         [](Maker& m, const char* n, const std::string& root) {
             for (unsigned k = 2 + m.below(3); k > 0; --k) {
                 Release r = m.release();
                 for (const Song& s : r.songs)
                     m.file(n, r.number,
                            root + "/" + s.artist + " - " + r.album + " - " + two(s.track) + " - " + s.title +
                                ".flac",
                            {});
             }
         }},
        {"discs, tagged",
         [](Maker& m, const char* n, const std::string& root) {
             Release r = m.release(2 + static_cast<int>(m.below(2)));
             for (const Song& s : r.songs)
                 m.file(n, r.number,
                        root + "/" + r.album + "/CD" + std::to_string(s.disc) + "/" + numberedName(s),
                        m.tags(r, s));
         }},
        {"discs named in the album, every disc the first",
         [](Maker& m, const char* n, const std::string& root) {
             Release r = m.release(2);
             for (const Song& s : r.songs) {
                 Fields f = m.tags(r, s, {"disc"});
                 f["album"] = {r.album + " (Disc " + std::to_string(s.disc) + ")"};
                 m.file(n, r.number,
                        root + "/" + r.album + "/Disc " + std::to_string(s.disc) + "/" + numberedName(s), f);
             }
         }},
        {"discs, names only",
         [](Maker& m, const char* n, const std::string& root) {
             Release r = m.release(2);
             for (const Song& s : r.songs)
                 m.file(n, r.number,
                        root + "/" + r.artist + "/" + r.album + "/Disc " + std::to_string(s.disc) + "/" +
                            numberedName(s),
                        {});
         }},
        {"one release in two folders",
         [](Maker& m, const char* n, const std::string& root) {
             Release r = m.release();
             for (const Song& s : r.songs)
                 m.file(n, r.number, root + (s.track < 5 ? "/from tape/" : "/later/") + numberedName(s),
                        m.tags(r, s));
         }},
        {"compilation in one folder",
         [](Maker& m, const char* n, const std::string& root) {
             Release r = m.release(1, true);
             for (const Song& s : r.songs)
                 m.file(n, r.number, root + "/" + r.album + "/" + numberedName(s), m.tags(r, s));
         }},
        {"compilation in the folders of its artists",
         [](Maker& m, const char* n, const std::string& root) {
             Release r = m.release(1, true);
             for (const Song& s : r.songs)
                 m.file(n, r.number, root + "/" + s.artist + "/" + r.album + "/" + numberedName(s),
                        m.tags(r, s));
         }},
        {"single songs of many",
         [](Maker& m, const char* n, const std::string& root) {
             for (unsigned k = 5 + m.below(10); k > 0; --k) {
                 Release r = m.release();
                 const Song& s = r.songs[m.below(static_cast<unsigned>(r.songs.size()))];
                 m.file(n, r.number, root + "/strays/" + s.artist + " - " + s.title + ".flac",
                        m.perhaps(50) ? m.tags(r, s) : m.tags(r, s, {"album", "track"}));
             }
         }},
        {"without album and number, told by pictures",
         [](Maker& m, const char* n, const std::string& root) {
             const Release first = m.release();
             for (int k = 0; k < 3; ++k) {
                 Release r = k == 0 ? first : m.release();
                 if (k == 1)
                     r.artist = first.artist; // who made two
                 for (Song& s : r.songs) {
                     s.artist = r.artist;
                     m.file(n, r.number, root + "/downloads/" + s.title + " " + m.word() + ".m4a",
                            m.tags(r, s, {"album", "album_artist", "track", "barcode"}), "M4A", 0, 0,
                            1000 + static_cast<uint64_t>(r.number));
                 }
             }
         }},
        {"album misspelled in some",
         [](Maker& m, const char* n, const std::string& root) {
             Release r = m.release();
             for (const Song& s : r.songs) {
                 Fields f = m.tags(r, s, {"barcode"});
                 if (m.perhaps(30))
                     f["album"] = {m.misspelled(r.album)};
                 m.file(n, r.number, root + "/" + r.album + "/" + numberedName(s), f);
             }
         }},
        {"album missing in some",
         [](Maker& m, const char* n, const std::string& root) {
             Release r = m.release();
             for (const Song& s : r.songs)
                 m.file(n, r.number, root + "/" + numberedName(s),
                        m.perhaps(35) ? m.tags(r, s, {"album", "album_artist"}) : m.tags(r, s));
         }},
        {"artist spelled in several ways",
         [](Maker& m, const char* n, const std::string& root) {
             Release r = m.release();
             for (const Song& s : r.songs) {
                 Fields f = m.tags(r, s);
                 f["album_artist"] = {m.perhaps(50) ? r.artist : m.misspelled(r.artist)};
                 f["artist"] = {m.perhaps(70) ? s.artist : m.misspelled(s.artist)};
                 m.file(n, r.number, root + "/" + numberedName(s), f);
             }
         }},
        {"no tags, numbered names",
         [](Maker& m, const char* n, const std::string& root) {
             Release r = m.release();
             for (const Song& s : r.songs)
                 m.file(n, r.number, root + "/" + r.artist + "/" + r.album + "/" + numberedName(s), {});
         }},
        {"no tags, a folder of one artist",
         [](Maker& m, const char* n, const std::string& root) {
             Release r = m.release();
             for (const Song& s : r.songs)
                 m.file(n, r.number, root + "/" + r.album + "/" + r.artist + " - " + s.title + ".flac", {});
         }},
        {"years that disagree",
         [](Maker& m, const char* n, const std::string& root) {
             Release r = m.release();
             for (const Song& s : r.songs) {
                 Fields f = m.tags(r, s);
                 f["date"] = {std::to_string(r.year + static_cast<int>(m.below(3)))};
                 m.file(n, r.number, root + "/" + numberedName(s), f);
             }
         }},
        {"two editions in two folders",
         [](Maker& m, const char* n, const std::string& root) {
             Release r = m.release(), later = r;
             later.number = m.stray();
             later.year += 13;
             later.barcode.clear();
             r.barcode.clear();
             for (const Release& e : {r, later})
                 for (const Song& s : e.songs)
                     m.file(n, e.number,
                            root + "/" + std::to_string(e.year) + " " + e.album + "/" + numberedName(s),
                            m.tags(e, s));
         }},
        {"two copies in one folder",
         [](Maker& m, const char* n, const std::string& root) {
             Release r = m.release(), copy = r;
             copy.number = m.stray();
             for (const Song& s : r.songs) {
                 m.file(n, r.number, root + "/" + numberedName(s), m.tags(r, s));
                 m.file(n, copy.number, root + "/" + two(s.track) + " " + s.title + ".mp3", m.tags(copy, s),
                        "MP3");
             }
         }},
        {"every album is Unknown",
         [](Maker& m, const char* n, const std::string& root) {
             for (unsigned k = 2 + m.below(3); k > 0; --k) {
                 Release r = m.release();
                 for (const Song& s : r.songs)
                     m.file(n, r.number, root + "/" + std::to_string(k) + "/Track " + two(s.track) + ".flac",
                            {{"album", {"Unknown Album"}},
                             {"artist", {"Unknown Artist"}},
                             {"title", {"Track " + std::to_string(s.track)}},
                             {"track", {std::to_string(s.track)}}});
             }
         }},
        {"sides of a cassette",
         [](Maker& m, const char* n, const std::string& root) {
             Release r = m.release(2);
             for (const Song& s : r.songs)
                 m.file(n, r.number,
                        root + "/" + r.album + "/Side " + (s.disc == 1 ? "A" : "B") + "/" + numberedName(s),
                        {});
         }},
        {"a heap: releases and single songs",
         [](Maker& m, const char* n, const std::string& root) {
             for (unsigned k = 3 + m.below(4); k > 0; --k) {
                 Release r = m.release(1, m.perhaps(20));
                 for (const Song& s : r.songs)
                     m.file(n, r.number, root + "/" + fmt::format("{:04}.flac", m.below(10000)),
                            m.tags(r, s));
             }
             for (unsigned k = m.below(8); k > 0; --k)
                 m.file(n, m.stray(), root + "/" + m.words(1, 3) + ".flac", {});
         }},
        {"a series of volumes",
         [](Maker& m, const char* n, const std::string& root) {
             Release one = m.release();
             for (int volume = 1; volume <= 3; ++volume) {
                 Release r = m.release();
                 r.artist = one.artist;
                 r.album = one.album + ", Volume " + std::to_string(volume);
                 for (Song& s : r.songs) {
                     s.artist = one.artist;
                     m.file(n, r.number, root + "/" + s.title + ".flac", m.tags(r, s));
                 }
             }
         }},
        {"transfers in one folder, one after the other",
         [](Maker& m, const char* n, const std::string& root) {
             int64_t now = 1'500'000'000 + m.below(1'000'000);
             for (unsigned k = 2 + m.below(3); k > 0; --k) {
                 Release r = m.release();
                 now += 4 * 3600 + m.below(90000); // another day
                 for (size_t i = 0; i < r.songs.size(); ++i) {
                     const unsigned seconds = 120 + m.below(600);
                     now += seconds + m.below(40);
                     m.file(n, r.number, root + "/" + m.word() + std::to_string(m.below(99)) + ".wav", {},
                            "WAV", seconds, now);
                 }
             }
         }},
        {"sides of reels in the names",
         [](Maker& m, const char* n, const std::string& root) {
             for (int reel = 1; reel <= 4; ++reel) {
                 const int number = m.stray();
                 for (const char* side : {"A", "B"})
                     m.file(n, number, root + "/Reel" + two(reel) + "-side" + side + ".wav", {}, "WAV", 1800);
             }
         }},
        {"two copies in one folder, years apart",
         [](Maker& m, const char* n, const std::string& root) {
             Release r = m.release();
             int64_t now = 1'400'000'000;
             for (int copy = 0; copy < 2; ++copy, now += 70'000'000) {
                 const int number = copy == 0 ? r.number : m.stray();
                 for (const Song& s : r.songs)
                     m.file(n, number,
                            root + "/" + two(s.track) + " " + s.title + (copy ? " (1)" : "") + ".flac",
                            m.tags(r, s, {"barcode"}), "FLAC", 200, now += 20);
             }
         }},
        {"nothing tells",
         [](Maker& m, const char* n, const std::string& root) {
             for (unsigned k = 3 + m.below(10); k > 0; --k)
                 m.file(n, m.stray(), root + "/" + m.word() + std::to_string(m.below(9)) + "_FINAL.flac", {});
         }},
    };
    return all;
}

} // namespace

StyledFiles styledFiles(size_t folders, uint64_t seed) {
    StyledFiles out;
    Maker maker(out, seed);
    for (size_t i = 0; i < folders; ++i) {
        const auto& [name, make] = styles()[i % styles().size()];
        ++out.foldersOf[name];
        make(maker, name, "/incoming/" + std::to_string(i));
    }
    return out;
}

std::map<std::string, PairsFound> pairsFound(const StyledFiles& truth,
                                             const std::vector<matching::Sleeve>& sleeves) {
    std::map<std::string, PairsFound> out;
    std::map<int, std::vector<int64_t>> releases;
    for (const auto& [id, release] : truth.release)
        releases[release].push_back(id);
    auto eachPair = [&](const std::vector<int64_t>& ids, auto&& each) {
        for (size_t i = 0; i < ids.size(); ++i)
            for (size_t j = i + 1; j < ids.size(); ++j)
                for (const std::string& key : {std::string(), std::string(truth.style.at(ids[i]))})
                    each(out[key], truth.release.at(ids[i]) == truth.release.at(ids[j]));
    };
    for (const auto& [release, ids] : releases)
        eachPair(ids, [](PairsFound& p, bool) { ++p.all; });
    for (const matching::Sleeve& s : sleeves)
        if (!s.key.empty()) // strays are not said to belong together
            eachPair(s.ids, [](PairsFound& p, bool same) {
                ++p.together;
                p.right += same;
            });
    return out;
}

} // namespace moorfrost::test
