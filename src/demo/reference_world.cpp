// SPDX-License-Identifier: GPL-3.0-or-later
#include "demo/reference_world.h"

#include <cmath>
#include <fmt/format.h>

#include "demo/invented_releases.h"
#include "demo/world.h"

namespace moorfrost::demo {

using namespace reference;

namespace {

Credit by(const std::string& name, const std::string& sortForm = {}, std::vector<std::string> others = {}) {
    return {{{name, "p-" + plainId(name), sortForm, {}, std::move(others)}}};
}

const Credit hollowFerry = by("The Hollow Ferry", "Hollow Ferry, The");
const Credit isla = by("Isla Varnholt", "Varnholt, Isla");
const Credit quartet = by("Odran Fell Quartet", "Odran Fell Quartet");
const Credit choir = by("Хор Маяка", "Маяка, Хор", {"Khor Mayaka", "Beacon Choir"});
const Credit aaseLinn = by("Åse-Linn Brække", "Brække, Åse-Linn");
const Credit band = by("Tarnholm Harbour Band");
const Credit circle = by("灯台うた会", "灯台うた会", {"Todai Utakai", "Lighthouse Song Circle"});
const Credit wrenLow = by("Wren-Low");
const Credit duo{{{"Kestrel", "p-kestrel", {}, " & ", {}}, {"Rook", "p-rook", {}, {}, {}}}};

/// An edition, from what most of them have in common.
struct Edition {
    std::string id, set, title;
    Credit credit;
    std::string date, country, carrier, label, number, barcode;
    std::vector<std::string> titles;
    uint32_t seed = 0;                  // of the first track's sound
    std::vector<size_t> perMedium = {}; // how many tracks; none: one medium
    int jitter = 0;                     // milliseconds by which lengths differ from the files'
    std::string genre = {}, language = {}, script = "Latn";
    std::string isrcs = {}; // "ZZGRW98": the year's first ones
    int firstCode = 11;
};

Release made(const Edition& e) {
    Release r;
    r.id = e.id;
    r.editionSet = e.set;
    r.title = e.title;
    r.credit = e.credit;
    if (!e.label.empty())
        r.labels.push_back({e.label, e.number});
    r.barcode = e.barcode.empty() ? std::string() : withCheckDigit(e.barcode);
    r.dates.push_back({e.date, e.country});
    r.firstDate = e.date;
    r.status = "official";
    r.language = e.language;
    r.script = e.script;
    if (!e.genre.empty())
        r.genres = {e.genre};
    const bool vinyl = e.carrier == "Vinyl" || e.carrier == "Cassette";
    std::vector<size_t> parts = e.perMedium.empty() ? std::vector<size_t>{e.titles.size()} : e.perMedium;
    size_t at = 0;
    for (size_t part : parts) {
        Medium m;
        m.carrier = e.carrier;
        int64_t frames = 150; // the lead; between tracks are two seconds, as on the discs of the demo
        for (size_t k = 0; k < part; ++k, ++at) {
            Track t;
            const size_t half = (part + 1) / 2;
            t.position = !vinyl ? std::to_string(k + 1)
                                : fmt::format("{}{}", k < half ? 'A' : 'B', (k < half ? k : k - half) + 1);
            t.title = e.titles[at];
            const auto seed = e.seed + static_cast<uint32_t>(at);
            t.lengthMs =
                static_cast<int64_t>(pieceSeconds(seed) * 1000) +
                (e.jitter == 0 ? 0 : static_cast<int>(seed * 7919 % 200) * e.jitter / 100 - e.jitter);
            t.recording = fmt::format("r-{}", seed);
            if (!e.isrcs.empty())
                t.isrcs = {fmt::format("{}{:05}", e.isrcs, static_cast<size_t>(e.firstCode) + at)};
            // Whoever tells of a disc has its table from the disc: lengths as they remember them are no
            // matter.
            if (e.carrier == "CD")
                m.discTable.push_back(frames);
            frames +=
                static_cast<int64_t>(std::ceil(pieceSeconds(seed) * 75 - 1e-6)) + (k + 1 < part ? 150 : 0);
            m.tracks.push_back(std::move(t));
        }
        if (e.carrier == "CD")
            m.discTable.push_back(frames);
        r.media.push_back(std::move(m));
    }
    return r;
}

void addPictures(Release& r, int drawn, int largest) {
    r.pictures = {{fmt::format("{}-front", r.id), "front cover", largest, largest, 0, "image/jpeg",
                   fmt::format("drawn {}", drawn)},
                  {fmt::format("{}-back", r.id), "back cover", largest, largest, 0, "image/jpeg",
                   fmt::format("drawn {}", drawn + 40)}};
}

void nightPost(std::vector<Release>& out) {
    const std::vector<std::string> four = {"Night Post", "Ferryman's Reel", "Cold Slip", "The Keeper's Wife"};
    std::vector<std::string> six = four;
    six.insert(six.end(), {"Slack Water", "Night Post (live)"});
    Edition e{"night-post-cd", "s-night-post", "Night Post EP", hollowFerry, "1998-10-05", "GB", "CD",
              "Gannet Row",    "GR 014",       "200000001401",  four,        100};
    e.genre = "Folk";
    e.language = "eng";
    e.isrcs = "ZZGRW98";
    out.push_back(made(e));
    out.back().packaging = "slim jewel case";
    out.back().roles = {{"producer", "Marit Osk", {}}, {"engineer", "Jonas Fell", {}}};
    for (Track& t : out.back().media[0].tracks)
        t.roles = {{"composer", t.title == "Ferryman's Reel" ? "traditional" : "Elin Sorrow", {}}};
    addPictures(out.back(), 1, 1200);
    e.id = "night-post-cassette";
    e.carrier = "Cassette";
    e.number = "GR 014 C";
    e.barcode = "200000001402";
    e.jitter = 700;
    out.push_back(made(e));
    addPictures(out.back(), 1, 400);
    e.id = "night-post-2011";
    e.title = "Night Post (2011 remaster)";
    e.date = "2011-03-21";
    e.country = "XW";
    e.carrier = "File";
    e.label = "Fellside Reissues";
    e.number = "FSR 207";
    e.barcode = "200000002070";
    e.titles = six;
    e.jitter = 0;
    e.genre = "Folk, traditional";
    e.isrcs = "ZZFSR11";
    out.push_back(made(e));
    out.back().edition = "2011 remaster";
    out.back().firstDate = "1998-10-05";
    out.back().roles = {{"remastering", "Wren-Low", {}}};
    addPictures(out.back(), 1, 1500);
    // What another contributor says of the same CD.
    e = {"night-post-cd-2",
         "s-night-post",
         "Nightpost",
         by("Hollow Ferry"),
         "1998",
         "GB",
         "CD",
         "Gannet Row Records",
         "GR014",
         {},
         four,
         100};
    e.titles[1] = "The Ferrymans Reel";
    e.titles[2] = "Cold slip / Kaldt slipp";
    e.genre = "Celtic";
    e.jitter = 900;
    out.push_back(made(e));
}

void saltRoad(std::vector<Release>& out) {
    Edition e{
        "salt-road-cd",
        "s-salt-road",
        "Salt Road",
        isla,
        "2019-03-15",
        "GB",
        "CD",
        "Fellside Reissues",
        "FSR 190",
        "200000019001",
        {"Tide Table", "Salt Road", "Winter Harbour", "Letters to the Mainland", "Gorse", "Last Ferry Home"},
        200};
    e.genre = "Chamber folk";
    e.language = "eng";
    e.isrcs = "ZZFSR19";
    out.push_back(made(e));
    out.back().barcode = "2000000190013";
    for (Track& t : out.back().media[0].tracks)
        t.roles = {{"composer", "Isla Varnholt", {}}, {"lyricist", "Isla Varnholt", {}}};
    addPictures(out.back(), 2, 1400);
    e.id = "salt-road-lp";
    e.carrier = "Vinyl";
    e.number = "FSR 190 LP";
    e.barcode = "200000019002";
    e.date = "2019-05-31";
    e.jitter = 900;
    out.push_back(made(e));
    addPictures(out.back(), 2, 900);
    e.id = "salt-road-file";
    e.carrier = "File";
    e.number = "FSR 190 D";
    e.barcode = {};
    e.date = "2019-03-15";
    e.country = "XW";
    e.jitter = 0;
    out.push_back(made(e));
}

void lanterns(std::vector<Release>& out) {
    Edition e{"lanterns",
              "s-lanterns",
              "Lanterns",
              duo,
              "2021-11-05",
              "XW",
              "File",
              "Fellside Reissues",
              "FSR 221",
              "200000022101",
              {"Lanterns", "Wire and Heather", "Undertow", "Small Hours", "Signal Fires"},
              300};
    e.genre = "Electronic";
    e.language = "eng";
    e.isrcs = "ZZFSR21";
    out.push_back(made(e));
    out.back().roles = {{"producer", "Wren-Low", {}}, {"mastering", "Jonas Fell", {}}};
    addPictures(out.back(), 4, 1500);
    e.id = "lanterns-cd";
    e.carrier = "CD";
    e.number = "FSR 221 CD";
    e.barcode = "200000022102";
    e.date = "2022-01-14";
    e.country = "GB";
    e.jitter = 600;
    out.push_back(made(e));
    addPictures(out.back(), 4, 700);
}

void tarnholmHall(std::vector<Release>& out) {
    Edition e{"tarnholm-hall-2cd",
              "s-tarnholm-hall",
              "Live at Tarnholm Hall",
              quartet,
              "1996-02-12",
              "GB",
              "CD",
              "Gannet Row",
              "GR 009 CD",
              "200000000901",
              {"Whin Moor", "Blue Slate", "Fell Street Walk", "Seven Bridges", "Quarryman", "Hall Lights",
               "Lapwing", "Late Train North", "Encore: Whin Moor"},
              400};
    e.perMedium = {5, 4};
    e.genre = "Jazz";
    e.isrcs = "ZZGRW86";
    out.push_back(made(e));
    out.back().firstDate = "1986-09-01";
    out.back().roles = {{"engineer", "Jonas Fell", {}}};
    for (Medium& m : out.back().media)
        for (Track& t : m.tracks)
            t.roles = {{"composer", "Odran Fell", {}}};
    addPictures(out.back(), 3, 1000);
    e.id = "tarnholm-hall-2lp";
    e.carrier = "Vinyl";
    e.number = "GR 009";
    e.barcode = {};
    e.date = "1986-09-01";
    e.isrcs = {};
    e.jitter = 1200;
    out.push_back(made(e));
    out.back().firstDate = "1986-09-01";
    addPictures(out.back(), 3, 1200);
}

void others(std::vector<Release>& out) {
    Edition e{"north-wind-lp",
              "s-north-wind",
              "Северный ветер",
              choir,
              "1974",
              "SU",
              "Vinyl",
              "Melos North",
              "MN 74012",
              {},
              {"Северный ветер", "Песня маяка", "Белая ночь над гаванью", "Рыбаки выходят в море",
               "Колыбельная смотрителя", "Туман", "Старая лодка и молодая луна поют друг другу через пролив",
               "Чайки", "Возвращение", "Огни на том берегу"},
              500};
    e.genre = "Choral";
    e.language = "rus";
    e.script = "Cyrl";
    e.jitter = 700;
    out.push_back(made(e));
    addPictures(out.back(), 5, 800);
    e.id = "north-wind-cd";
    e.carrier = "CD";
    e.date = "2003-04-02";
    e.country = "GB";
    e.label = "Gannet Row";
    e.number = "GR 077";
    e.barcode = "200000007701";
    e.isrcs = "ZZGRW03";
    e.jitter = 0;
    out.push_back(made(e));
    out.back().firstDate = "1974";
    addPictures(out.back(), 5, 1400);
    e = {"singles-cd",
         "s-singles",
         "Singles 1979\u201383",
         aaseLinn,
         "1999-05-17",
         "NO",
         "CD",
         "Gannet Row",
         "GR 051",
         "200000005101",
         {"Måneskinn over moen", "Fyrlys", "Ære være sjøen", "Brevet", "Ishavsvals", "Hjem igjen"},
         600};
    e.genre = "Ballad";
    e.language = "nor";
    e.isrcs = "ZZGRW99";
    out.push_back(made(e));
    addPictures(out.back(), 6, 1200);
    e = {"fyrlys-single", "s-fyrlys", "Fyrlys", by("Brække, Åse-Linn"),       "1980", "NO", "Vinyl",
         "Gannet Row",    "GRS 12",   {},       {"Fyrlys", "Ære være sjøen"}, 601};
    e.genre = "Vise";
    e.language = "nor";
    e.jitter = 900;
    out.push_back(made(e));
    e = {"beach-songs",
         "s-beach-songs",
         "浜のうた",
         circle,
         "2003-07-20",
         "JP",
         "CD",
         "Tide Library",
         "TL 3",
         {},
         {"浜の朝", "灯台のうた", "網ひき歌", "がんばれ小舟", "おやすみ港"},
         800};
    e.genre = "Field recording";
    e.language = "jpn";
    e.script = "Jpan";
    out.push_back(made(e));
    out.back().notes = "Field recordings made on the north beach in July 2003.";
    addPictures(out.back(), 7, 1000);
    e = {"processional-lp",
         "s-processional",
         "Processional",
         band,
         "1977-06-11",
         "GB",
         "Vinyl",
         "Gannet Row",
         "GR 003",
         {},
         {"Processional", "Harbour Hymn", "Quayside March", "The Long Pier", "Lifeboat Sunday"},
         700};
    e.genre = "Brass";
    e.jitter = 500;
    out.push_back(made(e));
    addPictures(out.back(), 8, 1100);
    e = {"harbour-day",
         "s-harbour-day",
         "Harbour Day Compilation",
         by("Various artists"),
         "2004-06-12",
         "GB",
         "CD",
         "Gannet Row",
         "GR 081",
         "200000008101",
         {"Harbour Day, part 1", "Harbour Day, part 2", "Harbour Day, part 3", "Harbour Day, part 4"},
         950};
    e.isrcs = "ZZGRW04";
    out.push_back(made(e));
    const Credit who[] = {hollowFerry, isla, band, wrenLow};
    for (size_t i = 0; i < 4; ++i)
        out.back().media[0].tracks[i].credit = who[i];
    addPictures(out.back(), 9, 1000);
    e = {"moor-mixes",
         "s-moor-mixes",
         "Mixes for the Moor",
         wrenLow,
         "2023-03-10",
         "XW",
         "File",
         "Fellside Reissues",
         "FSR 241",
         {},
         {"Heather Line", "Heather Line (instrumental)", "Heather Line (voice only)", "Moor Song",
          "Moor Song (radio edit)", "Twelfth of May"},
         900};
    e.genre = "Electronic";
    e.isrcs = "ZZFSR23";
    out.push_back(made(e));
    addPictures(out.back(), 10, 1200);
    e = {"lanterns-stems",
         "s-lanterns-stems",
         "Lanterns (stems)",
         duo,
         "2021-11-05",
         "XW",
         "File",
         "Fellside Reissues",
         "FSR 219 S",
         {},
         {"Lanterns (drums)", "Lanterns (bass)", "Lanterns (keys)", "Lanterns (a cappella)"},
         906};
    e.genre = "Electronic";
    out.push_back(made(e));
    e = {"driftwood",
         "s-driftwood",
         "Driftwood",
         wrenLow,
         "2022-08-19",
         "XW",
         "File",
         "Fellside Reissues",
         "FSR 230",
         {},
         {"Driftwood", "Driftwood (instrumental)"},
         920};
    e.genre = "Electronic";
    out.push_back(made(e));
}

} // namespace

std::vector<Release> namedReleases() {
    std::vector<Release> out;
    nightPost(out);
    saltRoad(out);
    lanterns(out);
    tarnholmHall(out);
    others(out);
    return out;
}

} // namespace moorfrost::demo
