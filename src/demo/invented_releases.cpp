// SPDX-License-Identifier: GPL-3.0-or-later
#include "demo/invented_releases.h"

#include <algorithm>
#include <array>
#include <set>

#include <fmt/format.h>

#include "core/text/likeness.h"
#include "demo/reference_world.h"

namespace moorfrost::demo {

using namespace reference;

std::string plainId(const std::string& name) {
    std::string out = text::likenessForm(name);
    std::ranges::replace(out, ' ', '-');
    return out;
}

std::string withCheckDigit(const std::string& twelve) {
    int sum = 0;
    for (size_t i = 0; i < twelve.size(); ++i)
        sum += (twelve[i] - '0') * (i % 2 ? 3 : 1);
    return twelve + static_cast<char>('0' + (10 - sum % 10) % 10);
}

uint64_t Dice::next() {
    state_ += 0x9E3779B97F4A7C15u;
    uint64_t z = state_;
    z = (z ^ (z >> 30)) * 0xBF58476D1CE4E5B9u;
    z = (z ^ (z >> 27)) * 0x94D049BB133111EBu;
    return z ^ (z >> 31);
}

namespace {

using Words = std::vector<const char*>;

const Words first = {"Alva",   "Brannoch", "Calla",  "Dorrin", "Eske",  "Fenna", "Garrick", "Hesper",
                     "Ingar",  "Jorun",    "Kelda",  "Linnet", "Maren", "Nessa", "Orrin",   "Perrin",
                     "Quill",  "Ronja",    "Sorrel", "Tamsin", "Una",   "Vidar", "Wenna",   "Yrsa",
                     "Zennor", "Arvid",    "Bryony", "Corin",  "Dagny", "Ebba",  "Finlo",   "Gudrun",
                     "Halla",  "Isbel",    "Jory",   "Kirsi"};
const Words family = {"Ashgill",  "Birkfell", "Crannock", "Dunmoor",  "Eskdahl",  "Fennwick",  "Garthwaite",
                      "Haldane",  "Ingleby",  "Jarrow",   "Kettlas",  "Lundholt", "Mossgrave", "Norrby",
                      "Oxley",    "Pendrith", "Quarmby",  "Ravnholt", "Skelwith", "Thornby",   "Ullock",
                      "Vinterlo", "Wharram",  "Yarrowby", "Zetland",  "Askvold",  "Brekkan",   "Cawood",
                      "Drakelow", "Elvestad", "Fossum",   "Grimsay",  "Hovland",  "Isfeldt",   "Kvalnes"};
const Words adjective = {
    "Amber",    "Bitter", "Broken", "Cold",   "Crooked", "Distant",  "Drowned", "Early", "Empty",
    "Far",      "Faint",  "Golden", "Grey",   "Hidden",  "High",     "Hollow",  "Iron",  "Late",
    "Lonely",   "Long",   "Low",    "Narrow", "New",     "Northern", "Old",     "Pale",  "Quiet",
    "Restless", "Rusted", "Salt",   "Second", "Silent",  "Silver",   "Slow",    "Small", "Sunken",
    "Tall",     "Thin",   "Velvet", "Wide",   "Winter",  "Wooden",   "Blue",    "Green", "Last"};
const Words noun = {
    "Anchor",  "Ashes",  "Barley",  "Beacon",  "Bell",    "Bridge",   "Candle", "Causeway", "Chapel",
    "Cinder",  "Clover", "Compass", "Copper",  "Current", "Daybreak", "Drift",  "Ember",    "Estuary",
    "Feather", "Fern",   "Ferry",   "Field",   "Flint",   "Foghorn",  "Forest", "Frost",    "Garden",
    "Glass",   "Gravel", "Gull",    "Harbour", "Heather", "Heron",    "Hill",   "Horizon",  "Island",
    "Juniper", "Kettle", "Ladder",  "Lantern", "Ledger",  "Letter",   "Lichen", "Linen",    "Mainland",
    "Marsh",   "Meadow", "Mirror",  "Moor",    "Moth",    "Needle",   "Oar",    "Orchard",  "Paper",
    "Pebble",  "Pier",   "Quarry",  "Quay",    "Rain",    "Reed",     "River",  "Road",     "Rope",
    "Rowan",   "Sailor", "Sand",    "Shadow",  "Shore",   "Signal",   "Slate",  "Smoke",    "Snow",
    "Sparrow", "Star",   "Station", "Stone",   "Storm",   "Sugar",    "Summer", "Thistle",  "Thread",
    "Tide",    "Timber", "Tower",   "Train",   "Valley",  "Veil",     "Wave",   "Well",     "Whistle",
    "Willow",  "Wind",   "Window",  "Wire",    "Wolf",    "Wren",     "Yarn",   "Year"};
const Words verb = {"Carry", "Count",    "Follow", "Forget", "Gather",     "Hold",     "Keep",
                    "Leave", "Mend",     "Meet",   "Name",   "Paint",      "Remember", "Row",
                    "Send",  "Wait for", "Walk",   "Weave",  "Whisper to", "Write to"};
const Words ensembleKind = {"Quartet",   "Trio",    "Ensemble",   "Band",
                            "Orchestra", "Singers", "Collective", "Octet"};
const Words labelWords = {"Lowland",   "Sundial", "Harrow",   "Two Rivers", "Grey Goose", "Stonechat",
                          "Upland",    "Kelp",    "Ninefold", "Papermill",  "Windrow",    "Blackthorn",
                          "Turnstone", "Marram",  "Oxbow",    "Tallow"};
const Words genres = {"Folk",  "Jazz",    "Electronic", "Rock", "Choral",
                      "Brass", "Ambient", "Chamber",    "Pop",  "Blues"};
const Words russianFirst = {"Ночной", "Старый", "Белый",  "Тихий", "Дальний",
                            "Зимний", "Синий",  "Первый", "Южный"};
const Words russianNoun = {"берег", "ветер",  "город",   "мост",  "огонь",  "снег",  "поезд",  "голос",
                           "парус", "камень", "колокол", "туман", "костёр", "вечер", "причал", "остров"};
const Words russianName = {"Вера Полянская", "Аркадий Лесной", "Хор Залива", "Трио Меридиан", "Лада Озёрная"};
const Words nordicNoun = {"Fjell", "Havn",  "Lys", "Måne",  "Sjø", "Bølge",
                          "Skjær", "Fjære", "Øy",  "Bjørk", "Snø", "Vår"};
const Words nordicTail = {"sang", "vise", "drøm", "natt", "brev", "vind", "vals", "minne", "stev", "reise"};
const Words japaneseFirst = {"春", "秋", "夜", "朝", "青い", "遠い", "白い", "小さな", "古い", "風の"};
const Words japaneseNoun = {"うみ", "みち", "そら", "ふね", "かぜ", "まち",
                            "はな", "つき", "やま", "かわ", "とり", "ゆき"};
const Words carriers = {"CD", "CD", "CD", "Vinyl", "Vinyl", "File", "File", "Cassette"};
const Words countries = {"GB", "NO", "SE", "DE", "XW", "IS", "DK", "IE", "NL", "JP"};

std::string pick(Dice& c, const Words& words) {
    return words[c.below(words.size())];
}

enum class Tongue { English, Russian, Nordic, Japanese };

struct Artist {
    std::string name, sortForm;
    std::vector<std::string> others = {};
    Tongue tongue = Tongue::English;
};

Artist inventArtist(Dice& c) {
    const size_t kind = c.below(100);
    if (kind < 6)
        return {pick(c, russianName) + " " + pick(c, russianNoun), {}, {}, Tongue::Russian};
    if (kind < 9)
        return {pick(c, japaneseFirst) + pick(c, japaneseNoun) + "会",
                {},
                {pick(c, noun) + " " + pick(c, noun) + " Circle"},
                Tongue::Japanese};
    if (kind < 35) {
        const std::string a = pick(c, first), b = pick(c, family);
        return {a + " " + b, b + ", " + a, {}, kind < 16 ? Tongue::Nordic : Tongue::English};
    }
    if (kind < 60) {
        const std::string name = pick(c, adjective) + " " + pick(c, noun) + (c.in100(50) ? "s" : "");
        return {"The " + name, name + ", The", {}, Tongue::English};
    }
    if (kind < 72)
        return {
            pick(c, first) + " " + pick(c, family) + " " + pick(c, ensembleKind), {}, {}, Tongue::English};
    if (kind < 84)
        return {pick(c, noun) + (c.in100(50) ? " & " : " and ") + pick(c, noun), {}, {}, Tongue::English};
    if (kind < 92)
        return {pick(c, family) + " " + pick(c, ensembleKind), {}, {}, Tongue::English};
    return {pick(c, noun) + " " + pick(c, noun), {}, {}, Tongue::English};
}

std::string inventTitle(Dice& c, Tongue tongue) {
    switch (tongue) {
    case Tongue::Russian:
        return pick(c, russianFirst) + " " + pick(c, russianNoun) +
               (c.in100(40) ? " и " + pick(c, russianNoun) : "");
    case Tongue::Nordic:
        return pick(c, nordicNoun) + pick(c, nordicTail) + (c.in100(40) ? " om " + pick(c, nordicNoun) : "");
    case Tongue::Japanese:
        return pick(c, japaneseFirst) + pick(c, japaneseNoun) +
               (c.in100(40) ? "の" + std::string(pick(c, japaneseNoun)) : "");
    case Tongue::English:
        break;
    }
    switch (c.below(9)) {
    case 0:
        return pick(c, noun) + " and " + pick(c, noun);
    case 1:
        return "The " + pick(c, noun) + " of " + pick(c, family);
    case 2:
        return pick(c, verb) + " the " + pick(c, noun);
    case 3:
        return pick(c, family) + " " + pick(c, noun);
    case 4:
        return pick(c, noun) + " for " + pick(c, first);
    case 5:
        return pick(c, adjective) + " " + pick(c, noun) + ", " + pick(c, adjective) + " " + pick(c, noun);
    case 6:
        return pick(c, noun);
    default:
        return pick(c, adjective) + " " + pick(c, noun);
    }
}

} // namespace

std::vector<Release> inventedReleases(size_t count, uint64_t seed) {
    Dice c(seed);
    std::vector<Artist> artists;
    for (size_t i = 0; i < std::max<size_t>(10, count / 6); ++i)
        artists.push_back(inventArtist(c));
    std::vector<Release> out;
    out.reserve(count + 2);
    for (size_t set = 0; out.size() < count; ++set) {
        const Artist& who = artists[c.below(artists.size())];
        Release r;
        r.editionSet = fmt::format("i{}", set);
        r.credit = {{{who.name, "p-" + std::to_string(&who - artists.data()), who.sortForm, {}, who.others}}};
        r.title = inventTitle(c, who.tongue);
        if (c.in100(6))
            r.title += " EP";
        r.genres = {pick(c, genres)};
        r.status = "official";
        r.language = who.tongue == Tongue::Russian    ? "rus"
                     : who.tongue == Tongue::Nordic   ? "nor"
                     : who.tongue == Tongue::Japanese ? "jpn"
                                                      : "eng";
        r.script = who.tongue == Tongue::Russian ? "Cyrl" : who.tongue == Tongue::Japanese ? "Jpan" : "Latn";
        const bool isDouble = c.in100(5), single = !isDouble && c.in100(10);
        const size_t tracks = single ? 2 : isDouble ? 14 + c.below(8) : 5 + c.below(10);
        const int year = 1968 + static_cast<int>(c.below(57));
        const std::string label = pick(c, labelWords) + (c.in100(50) ? " Records" : " Sound");
        const size_t number = 1 + c.below(900);
        std::string letters = label.substr(0, 3);
        for (char& l : letters)
            l = static_cast<char>(l >= 'a' && l <= 'z' ? l - 'a' + 'A' : l);
        std::erase(letters, ' ');
        std::vector<Track> all;
        std::set<std::string> taken;
        for (size_t t = 0; t < tracks; ++t) {
            Track track;
            do {
                track.title = inventTitle(c, who.tongue);
            } while (!taken.insert(track.title).second && taken.size() > t);
            track.lengthMs = 95000 + static_cast<int64_t>(c.below(280000));
            track.recording = fmt::format("i{}-{}", set, t);
            if (year >= 1990 && c.in100(70))
                track.isrcs = {fmt::format("ZZ{}{:02}{:05}",
                                           "ABCDEFGHIJKLMNOPQRSTUVWXYZ"[set % 26] + std::string("XQ"),
                                           year % 100, (set * 23 + t) % 100000)};
            all.push_back(std::move(track));
        }
        const size_t editions = c.in100(70) ? 1 : c.in100(65) ? 2 : 3;
        for (size_t e = 0; e < editions; ++e) {
            Release edition = r;
            edition.id = fmt::format("i{}-{}", set, e + 1);
            const int when = e == 0 ? year : std::min(2025, year + static_cast<int>(1 + c.below(25)));
            edition.firstDate = std::to_string(year);
            edition.dates = {{c.in100(40)
                                  ? std::to_string(when)
                                  : fmt::format("{}-{:02}-{:02}", when, 1 + c.below(12), 1 + c.below(28)),
                              pick(c, countries)}};
            edition.labels = {{e == 0 || c.in100(60) ? label : pick(c, labelWords) + std::string(" Reissues"),
                               fmt::format("{} {:03}{}", letters, number,
                                           e == 0   ? ""
                                           : e == 1 ? " R"
                                                    : " X")}};
            if (when >= 1980 && c.in100(75))
                edition.barcode = withCheckDigit(fmt::format("2{:07}{:04}", set % 10000000, e + 1));
            std::string carrier = pick(c, carriers);
            if (when < 1984 && carrier == "CD")
                carrier = "Vinyl";
            if (when < 2003 && carrier == "File")
                carrier = "CD";
            std::vector<Track> here = all;
            const int64_t pressing = e == 0 ? 0 : static_cast<int64_t>(c.below(1800));
            for (Track& t : here)
                if (pressing > 0)
                    t.lengthMs +=
                        static_cast<int64_t>(c.below(static_cast<size_t>(pressing) + 1)) - pressing / 2;
            if (e > 0 && !single && c.in100(45)) { // with more on it
                edition.edition = fmt::format("{} {}", when, c.in100(50) ? "remaster" : "reissue");
                for (size_t more = 1 + c.below(4); more > 0; --more) {
                    Track t;
                    t.title =
                        c.in100(50) ? here[c.below(tracks)].title + " (live)" : inventTitle(c, who.tongue);
                    t.lengthMs = 95000 + static_cast<int64_t>(c.below(280000));
                    t.recording = fmt::format("{}-more-{}", edition.id, more);
                    here.push_back(std::move(t));
                }
            }
            const size_t media = isDouble && carrier != "File" ? 2 : 1;
            for (size_t m = 0, at = 0; m < media; ++m) {
                Medium medium;
                medium.carrier = carrier;
                const size_t end = m + 1 == media ? here.size() : here.size() / 2;
                for (size_t k = 1; at < end; ++at, ++k) {
                    here[at].position = std::to_string(k);
                    medium.tracks.push_back(here[at]);
                }
                edition.media.push_back(std::move(medium));
            }
            out.push_back(std::move(edition));
        }
    }
    return out;
}

} // namespace moorfrost::demo
