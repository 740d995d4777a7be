// SPDX-License-Identifier: GPL-3.0-or-later
#include "support/name_styles.h"

#include <algorithm>
#include <array>

#include <fmt/format.h>

#include "core/text/text.h"
#include "support/invented.h"

namespace moorfrost::test {

namespace {

using Words = std::vector<const char*>;
const Words firsts = {"Isla",      "Odran",  "Wren", "Kestrel", "Åse-Linn", "Torrin", "Maren", "Eilidh",
                      "Sven-Olaf", "Birgit", "Tove", "Anselm",  "Rhona",    "Jarl",   "Ylva",  "Ketil"};
const Words lasts = {"Varnholt", "Fell", "Brække", "Low",     "Skarne", "Tarn", "Lindqvist", "Haugen",
                     "Moor",     "Rask", "Holm",   "Ferrier", "Gannet", "Whin", "Dray",      "Stroud"};
const Words nouns = {"Ferry",       "Post",   "Lantern", "Harbour", "Gorse",   "Tide",   "Keeper",
                     "Slack Water", "Salt",   "Road",    "Beacon",  "Heather", "Ebb",    "Moor",
                     "Rook",        "Peat",   "Sound",   "Kelp",    "Mast",    "Gull",   "Hearth",
                     "Loom",        "Anchor", "Thaw",    "Drift",   "Reel",    "Candle", "Plough"};
const Words adjectives = {"Night", "Hollow", "Cold",   "Long", "Slow", "Northern", "Bright", "Last",
                          "Quiet", "Grey",   "Winter", "Old",  "Low",  "Far",      "Still",  "Iron"};
const Words bands = {"The {a} {n}", "{a} {n} Quartet", "{n} & {n2}", "{n} Hill Singers",
                     "The {n}s",    "{a} {n} Band",    "Trio {n}",   "{n} Ensemble"};
const Words titles = {
    "{a} {n}",        "The {n}",         "{n} and {n2}",  "{a} {n} Waltz",     "{n}",
    "The {a} {n}",    "{n} in {a} {n2}", "{n} Reel",      "Song of the {n}",   "No {n} Tonight",
    "{n} (part {d})", "{d} {n}s",        "{a}-{n} March", "What the {n} Said", "Over the {n}",
    "{n}, {n2}"};
const Words albums = {"{a} {n}",    "Live at {n} Hall", "The {n} Sessions", "{n} Songs",
                      "{a} {n} EP", "{n} & {n2}",       "From the {a} {n}"};

class Maker {
public:
    explicit Maker(uint64_t seed) : chance_(seed) {}
    bool in100(unsigned n) { return chance_() % 100 < n; }
    size_t below(size_t n) { return chance_() % n; }
    const char* of(const Words& words) { return words[below(words.size())]; }
    std::string filled(std::string pattern) {
        for (const auto& [mark, words] :
             {std::pair<const char*, const Words*>{"{a}", &adjectives}, {"{n2}", &nouns}, {"{n}", &nouns}})
            while (pattern.find(mark) != std::string::npos)
                pattern.replace(pattern.find(mark), std::string_view(mark).size(), of(*words));
        return text::replaceAll(pattern, "{d}", std::to_string(2 + below(7)));
    }
    std::string artist() { return in100(55) ? of(firsts) + std::string(" ") + of(lasts) : filled(of(bands)); }

private:
    moorfrost::bench::Chance chance_;
};

struct Track {
    std::string artist, title;
    int number = 1, disc = 1;
};
struct Release {
    std::string artist, album;
    int year = 1980;
    std::vector<Track> tracks;
};

struct Style {
    const char* name;
    const char* folder; // below the root
    const char* file;
    const char* tells;   // the fields: a artist, l album, t title, n track, d date, c disc
    bool single = false; // a stray
    bool various = false;
};

const std::array<Style, 25> styles = {{
    {"artist/album/number title", "{artist}/{album}", "{nn} {title}", "altn"},
    {"artist/album/number - title", "{artist}/{album}", "{nn} - {title}", "altn"},
    {"artist/album/number. title", "{artist}/{album}", "{nn}. {title}", "altn"},
    {"artist - album/number title", "{artist} - {album}", "{nn} {title}", "altn"},
    {"artist - album (year)/number - title", "{artist} - {album} ({year})", "{nn} - {title}", "altnd"},
    {"artist/year - album/number title", "{artist}/{year} - {album}", "{nn} {title}", "altnd"},
    {"artist/album/CD/number title", "{artist}/{album}/CD{disc}", "{nn} {title}", "altnc"},
    {"artist/album/disc-number title", "{artist}/{album}", "{disc}-{nn} {title}", "altnc"},
    {"artist/album/number artist - title", "{artist}/{album}", "{nn} {artist} - {title}", "altn"},
    {"album/number - artist - title", "{album} {year}", "{nn} - {artist} - {title}", "altnd", false, true},
    {"artist - album - number - title", "{artist} {album} rip", "{artist} - {album} - {nn} - {title}",
     "altn"},
    {"artist - number - title", "rips", "{artist} - {nn} - {title}", "atn"},
    {"number artist - title", "tapes", "{nn} {artist} - {title}", "atn"},
    {"number. artist - title, various", "mixes", "{nn}. {artist} - {title}", "atn", false, true},
    {"[number] title", "{artist}/{album}", "[{nn}] {title}", "altn"},
    {"side", "{artist}/{album}", "{side}{n} {title}", "altn"},
    {"Track number", "{artist}/{album}", "Track {nn} - {title}", "altn"},
    {"number_artist_title", "{artist} - {album}", "{nn}-{artist}-{title}", "altn"},
    {"artist/album/title", "{artist}/{album}", "{title}", "alt"},
    {"artist - title", "", "{artist} - {title}", "at", true},
    {"title - artist", "", "{title} - {artist}", "at", true},
    {"artist title", "", "{artist} {title}", "at", true},
    {"artist-title", "", "{artist}-{title}", "at", true},
    {"artist - title (year)", "", "{artist} - {title} ({year})", "atd", true},
    {"title by artist", "", "{title} by {artist}", "at", true},
}};

std::string damagedName(const std::string& name, int damage, Maker& make) {
    switch (damage) {
    case 1:
        return text::replaceAll(name, " ", "_");
    case 2:
        return text::replaceAll(text::replaceAll(name, ". ", " "), " ", ".");
    case 3:
        return text::lower(name);
    case 4:
        return text::upper(name);
    case 5:
        return text::replaceAll(name, " - ", "-");
    case 6:
        return text::replaceAll(name, " - ", " \u2013 ");
    case 7:
        return name + (make.in100(50) ? " (1)" : " - Copy");
    case 10:
        return make.in100(50) ? text::replaceAll(name, " ", "  ") : text::replaceAll(name, " ", "%20");
    default:
        return name; // remarks and guests are put to the title
    }
}

const char* const damages[] = {"",         "underscores", "dots",        "lower case",
                               "capitals", "hyphens",     "long dashes", "copies",
                               "remarks",  "guests",      "spaces"};

} // namespace

NamedFiles namedFiles(size_t count, uint64_t seed, unsigned damaged) {
    Maker make(seed);
    NamedFiles out;
    std::vector<std::pair<std::string, bool>> artists;
    for (size_t i = 0; i < 120; ++i) {
        artists.emplace_back(make.artist(), i % 2 == 0);
        // Of two artists of one name, both are known or none.
        for (const auto& [name, known] : artists)
            if (naming::KnownNames::keyOf(name) == naming::KnownNames::keyOf(artists.back().first))
                artists.back().second = known;
    }
    for (const auto& [name, known] : artists)
        if (known)
            out.known.add(name);
    size_t number = 0;
    while (out.files.size() < count) {
        const Style& style = styles[number++ % styles.size()];
        const auto& [artist, known] = artists[make.below(artists.size())];
        Release release{artist, make.filled(make.of(albums)), 1955 + static_cast<int>(make.below(68)), {}};
        const size_t tracks = 4 + make.below(9);
        for (size_t t = 0; t < tracks; ++t) {
            Track track{artist, make.filled(make.of(titles)), static_cast<int>(t) + 1, 1};
            if (style.various)
                for (int tries = 0; tries < 50; ++tries) { // as well known as the others
                    const auto& other = artists[make.below(artists.size())];
                    track.artist = other.first;
                    if (other.second == known)
                        break;
                }
            release.tracks.push_back(track);
        }
        if (style.single) // each of somebody else
            for (Track& track : release.tracks) {
                const auto& other = artists[make.below(artists.size())];
                track.artist = other.first;
            }
        const bool discs = std::string_view(style.tells).find('c') != std::string_view::npos;
        if (discs)
            for (size_t t = 0; t < tracks; ++t) {
                const size_t half = (tracks + 1) / 2;
                release.tracks[t].disc = t < half ? 1 : 2;
                release.tracks[t].number = static_cast<int>(t < half ? t : t - half) + 1;
            }
        int damage[2] = {0, 0};
        if (make.in100(damaged)) {
            damage[0] = 1 + static_cast<int>(make.below(10));
            if (make.in100(20))
                damage[1] = 1 + static_cast<int>(make.below(10));
        }
        const std::string guest = artists[make.below(artists.size() / 2) * 2].first;
        for (size_t t = 0; t < tracks; ++t) {
            const Track& track = release.tracks[t];
            NamedFile file;
            file.style = style.name;
            file.damage = damages[damage[0]];
            file.artistKnown = out.known.find(track.artist) != nullptr;
            std::string title = track.title;
            std::vector<std::string> who{track.artist};
            for (int d : damage) {
                if (d == 8 && title == track.title)
                    title += t % 2 ? " [remaster]" : " [live]";
                if (d == 9 && who.size() == 1 && guest != track.artist) {
                    title += " (feat. " + guest + ")";
                    who.push_back(guest);
                }
            }
            const size_t sideLength = (tracks + 1) / 2;
            auto put = [&](std::string s) {
                const std::pair<const char*, std::string> all[] = {
                    {"{artist}", track.artist},
                    {"{album}", release.album},
                    {"{title}", title},
                    {"{year}", std::to_string(release.year)},
                    {"{nn}", fmt::format("{:02}", track.number)},
                    {"{disc}", std::to_string(track.disc)},
                    {"{side}", t < sideLength ? "A" : "B"},
                    {"{n}", std::to_string(t < sideLength ? t + 1 : t + 1 - sideLength)}};
                for (const auto& [mark, value] : all)
                    s = text::replaceAll(s, mark, text::replaceAll(value, "/", "-"));
                return s;
            };
            std::string folder = put(style.folder), name = put(style.file);
            for (int d : damage)
                name = damagedName(name, d, make);
            if (style.various || std::string_view(style.folder).find("{artist}") == std::string_view::npos)
                folder = text::replaceAll(folder, "{artist}", "");
            if (!style.single)
                folder = fmt::format("{}{}", folder.empty() ? "" : fmt::format("box {}/", number), folder);
            file.path = Path("/incoming") / (style.single ? "strays" : folder) / (name + ".flac");
            for (char c : std::string_view(style.tells))
                switch (c) {
                case 'a':
                    file.truth["artist"] = who;
                    break;
                case 'l':
                    file.truth["album"] = {release.album};
                    break;
                case 't':
                    file.truth["title"] = {text::replaceAll(
                        text::replaceAll(title.substr(0, title.find(" (feat.")), "[", "("), "]", ")")};
                    break;
                case 'n':
                    file.truth["track"] = {std::to_string(track.number)};
                    break;
                case 'd':
                    file.truth["date"] = {std::to_string(release.year)};
                    break;
                case 'c':
                    file.truth["disc"] = {std::to_string(track.disc)};
                    break;
                default:
                    break;
                }
            out.files.push_back(std::move(file));
        }
    }
    return out;
}

NameScore scoreOf(const NamedFile& file, const naming::NameReading& reading) {
    NameScore out;
    out.files = 1;
    bool wrong = false;
    auto key = [](const std::vector<std::string>& values) {
        std::string all;
        for (const std::string& v : values)
            all += naming::KnownNames::keyOf(v) + "|";
        return all;
    };
    for (const auto& [field, values] : file.truth) {
        ++out.fields;
        const auto it = reading.values.find(field);
        const bool right = it != reading.values.end() && key(it->second) == key(values);
        out.right += right;
        wrong = wrong || (!right && it != reading.values.end());
    }
    for (const auto& [field, values] : reading.values)
        if (!file.truth.contains(field)) {
            ++out.fields;
            wrong = true;
        }
    out.wrongUnmarked = wrong && !reading.doubtful;
    return out;
}

} // namespace moorfrost::test
