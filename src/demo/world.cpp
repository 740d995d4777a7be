// SPDX-License-Identifier: GPL-3.0-or-later
#include "demo/world.h"

#include <fmt/format.h>

namespace moorfrost::demo {

namespace {

using Strings = std::vector<std::string>;

tags::Fields tagged(const std::string& title, const std::string& artist, const std::string& album,
                    const std::string& date, int track, int tracks, const std::string& genre) {
    tags::Fields f;
    auto put = [&](const char* key, const std::string& value) {
        if (!value.empty())
            f[key] = {value};
    };
    put("title", title);
    put("artist", artist);
    put("album", album);
    put("date", date);
    put("track", track ? std::to_string(track) : "");
    put("tracks", tracks ? std::to_string(tracks) : "");
    put("genre", genre);
    return f;
}

DemoTrack track(std::string path, uint32_t seed, tags::Fields fields = {}, Sound sound = Sound::Band) {
    DemoTrack t;
    t.path = std::move(path);
    t.sound = {seed, pieceSeconds(seed), sound, 1.0};
    t.fields = std::move(fields);
    return t;
}

// Recordings have fixed seeds, so that the same piece sounds the same wherever it turns up.
constexpr uint32_t nightPost = 100, saltRoad = 200, lanterns = 300, tarnholmHall = 400, northWind = 500,
                   singles = 600, processional = 700, songCircle = 800, wrenLow = 900;

const Strings nightPostTitles = {"Night Post",        "Ferryman's Reel", "Cold Slip",
                                 "The Keeper's Wife", "Slack Water",     "Night Post (live)"};
const Strings saltRoadTitles = {"Tide Table", "Salt Road",      "Winter Harbour", "Letters to the Mainland",
                                "Gorse",      "Last Ferry Home"};
const Strings lanternTitles = {"Lanterns", "Wire and Heather", "Undertow", "Small Hours", "Signal Fires"};
const Strings hallTitles = {"Whin Moor",   "Blue Slate", "Fell Street Walk", "Seven Bridges",    "Quarryman",
                            "Hall Lights", "Lapwing",    "Late Train North", "Encore: Whin Moor"};
const Strings windTitles = {"Северный ветер",
                            "Песня маяка",
                            "Белая ночь над гаванью",
                            "Рыбаки выходят в море",
                            "Колыбельная смотрителя",
                            "Туман",
                            "Старая лодка и молодая луна поют друг другу через пролив",
                            "Чайки",
                            "Возвращение",
                            "Огни на том берегу"};
const Strings singleTitles = {"Måneskinn over moen", "Fyrlys",    "Ære være sjøen", "Brevet",
                              "Ishavsvals",          "Hjem igjen"};
const Strings circleTitles = {"浜の朝", "灯台のうた", "網ひき歌", "がんばれ小舟", "おやすみ港"};

void harbourTransfers(std::vector<DemoTrack>& out) {
    const std::string dir = "harbour-transfers/";
    const Strings names = {"01_nightpost_MASTER.flac", "02_ferryman_MASTER.flac", "03_untitled_v2.flac",
                           "04_bonus.flac"};
    for (size_t i = 0; i < names.size(); ++i) {
        tags::Fields f = tagged(i == 2 ? "" : nightPostTitles[i],
                                i == 3 ? "Hollow Ferry" : "The Hollow Ferry", "Night Post EP",
                                i == 3 ? "1989" : "1998", i == 3 ? 0 : static_cast<int>(i) + 1, 0, "Folk");
        f["album_artist"] = {"The Hollow Ferry"};
        out.push_back(track(dir + names[i], nightPost + static_cast<uint32_t>(i), f));
        out.back().cover = i < 2 ? 1 : 0;
    }
    out.push_back(track(dir + "Varnholt, Isla - Gorse (rough).mp3", saltRoad + 4,
                        tagged("Gorse", "Isla Varnholt", "", "", 0, 0, "")));
    out.push_back(track(dir + "isla - tide table.mp3", saltRoad,
                        tagged("tide table", "isla varnholt", "", "2019", 0, 0, "")));
    out.push_back(track(dir + "processional_tape_A.wav", processional));
    out.push_back(track(dir + "processional_tape_B_fast.wav", processional));
    out.back().sound.speed = 1.015;
    out.push_back(track(dir + "HARBOUR BAND - QUAYSIDE MARCH.aiff", processional + 2,
                        tagged("QUAYSIDE MARCH", "TARNHOLM HARBOUR BAND", "", "1977", 0, 0, "Brass")));
    out.push_back(track(dir + "harbour_band-the_long_pier.ogg", processional + 3,
                        tagged("The Long Pier", "Tarnholm Harbour Band", "", "", 0, 0, "")));
    for (int i = 0; i < 4; ++i)
        out.push_back(track(fmt::format("{}Reel{:02}-side{}.wav", dir, i / 2 + 1, i % 2 ? 'B' : 'A'),
                            processional + 10 + static_cast<uint32_t>(i), {},
                            i % 2 ? Sound::Drone : Sound::Band));
    out.push_back(track(dir + "ident 1 (bell).wav", 990, {}, Sound::Bell));
    out.back().sound.seconds = 6;
    out.push_back(track(dir + "spoken introduction - harbour day.mp3", 991,
                        tagged("Harbour Day, introduction", "", "", "1983", 0, 0, "Speech"), Sound::Speech));
}

void donation(std::vector<DemoTrack>& out) {
    const std::string dir = "donation-lindqvist/";
    for (size_t i = 0; i < hallTitles.size(); ++i) {
        bool second = i >= 5;
        out.push_back(track(fmt::format("{}Odran Fell Quartet/Live at Tarnholm Hall/CD{}/{:02} {}.mp3", dir,
                                        second ? 2 : 1, second ? i - 4 : i + 1, hallTitles[i]),
                            tarnholmHall + static_cast<uint32_t>(i)));
    }
    for (size_t i = 0; i < windTitles.size(); ++i)
        out.push_back(track(fmt::format("{}Хор Маяка/Северный ветер/{:02} {}.ogg", dir, i + 1, windTitles[i]),
                            northWind + static_cast<uint32_t>(i), {}, Sound::Voice));
    for (size_t i = 0; i < singleTitles.size(); ++i)
        out.push_back(
            track(fmt::format("{}Åse-Linn Brække/Singles 1979-83/{:02} {}.mp3", dir, i + 1, singleTitles[i]),
                  singles + static_cast<uint32_t>(i)));
    for (size_t i = 0; i < circleTitles.size(); ++i)
        out.push_back(
            track(fmt::format("{}灯台うた会/浜のうた 2003/{:02} {}.opus", dir, i + 1, circleTitles[i]),
                  songCircle + static_cast<uint32_t>(i), {}, Sound::Voice));
}

void bounces(std::vector<DemoTrack>& out) {
    const Strings names = {"mix7_FINAL2",         "mix7_FINAL2_instr",    "mix7_vox_only",
                           "moor song v3",        "moor song v3 (radio)", "untitled 12",
                           "LANTERNS_stem_drums", "LANTERNS_stem_bass",   "LANTERNS_stem_keys",
                           "LANTERNS_acappella"};
    for (size_t i = 0; i < names.size(); ++i)
        out.push_back(track("bounces/" + names[i] + ".wav", wrenLow + static_cast<uint32_t>(i), {},
                            i % 3 == 0   ? Sound::Beat
                            : i % 3 == 1 ? Sound::Band
                                         : Sound::Voice));
}

void strays(std::vector<DemoTrack>& out) {
    const std::string dir = "strays/";
    out.push_back(track(dir + "Åse-Linn Brække - Fyrlys.mp3", singles + 1));
    out.push_back(track(dir + "Kestrel & Rook - Undertow.mp3", lanterns + 2));
    out.push_back(track(dir + "The Hollow Ferry - Slack Water.ogg", nightPost + 4));
    out.push_back(track(dir + "Isla Varnholt - Winter Harbour.m4a", saltRoad + 2));
    out.push_back(track(dir + "wren-low-driftwood.mp3", wrenLow + 20, {}, Sound::Beat));
    out.push_back(track(dir + "quayside.mp3", processional + 2));
    out.push_back(
        track(dir + "03 Lapwing.flac", tarnholmHall + 6,
              tagged("Lapwing", "Odran Fell Quartet", "Live at Tarnholm Hall", "1986", 3, 0, "Jazz")));
    out.push_back(track(dir + "Хор Маяка - Туман.mp3", northWind + 5,
                        // What a program of its time and country wrote, marked as Latin-1.
                        tagged("Òóìàí", "Õîð Ìàÿêà", "", "1974", 0, 0, "Choral"), Sound::Voice));
    out.push_back(track(dir + "gannet row test tone 1k.aiff", 992, {}, Sound::Tone));
    out.back().sound.seconds = 10;
    out.push_back(track(dir + "Tarnholm Harbour Band_The Long Pier.m4a", processional + 3));
    out.push_back(track(dir + "lanterns.opus", lanterns,
                        tagged("Lanterns", "Kestrel + Rook", "Lanterns", "2021", 0, 0, "Electronic"),
                        Sound::Beat));
}

void labelDrive(std::vector<DemoTrack>& out) {
    const std::string dir = "label-drive/";
    for (int quality = 0; quality < 2; ++quality)
        for (size_t i = 0; i < saltRoadTitles.size(); ++i) {
            tags::Fields f =
                tagged(saltRoadTitles[i], "Isla Varnholt", quality == 1 && i == 3 ? "Salt Raod" : "Salt Road",
                       quality == 1 && i == 5 ? "2018" : "2019-03-15", static_cast<int>(i) + 1,
                       static_cast<int>(saltRoadTitles.size()), "Chamber");
            f["album_artist"] = {"Isla Varnholt"};
            f["composer"] = {"Isla Varnholt"};
            f["label"] = {"Fellside Reissues"};
            if (quality == 0) {
                f["catalogue_number"] = {"FSR 190"};
                f["barcode"] = {"2000000190013"};
                f["isrc"] = {fmt::format("ZZFSR19{:05}", i + 11)};
            }
            out.push_back(track(fmt::format("{}Salt Road{}/{:02} {}.{}", dir, quality ? " (mp3)" : "", i + 1,
                                            saltRoadTitles[i], quality ? "mp3" : "flac"),
                                saltRoad + static_cast<uint32_t>(i), f));
            out.back().cover = 2;
            out.back().coverSize = quality ? 160 : 1400;
            out.back().bitrate = 192000;
            if (quality == 0)
                out.back().flaw = i == 2   ? Flaw::CodedBefore
                                  : i == 4 ? Flaw::Clipped
                                  : i == 5 ? Flaw::Gap
                                           : Flaw::None;
        }
    for (size_t i = 0; i < lanternTitles.size(); ++i) {
        tags::Fields f = tagged(lanternTitles[i], i == 3 ? "Kestrel and Rook" : "Kestrel & Rook", "Lanterns",
                                "2021", static_cast<int>(i) + 1, 0, "Electronic");
        f["producer"] = {"Wren-Low"};
        f["tempo"] = {std::to_string(96 + 4 * i)};
        out.push_back(track(fmt::format("{}Lanterns/{} - {}.m4a", dir, i + 1, lanternTitles[i]),
                            lanterns + static_cast<uint32_t>(i), f, Sound::Beat));
        out.back().cover = 4;
    }
    const Strings versions = {"Lanterns (instrumental)", "Lanterns (a cappella)",
                              "Lanterns (30 second edit)"};
    for (size_t i = 0; i < versions.size(); ++i) {
        tags::Fields f = tagged(versions[i], "Kestrel & Rook", "Lanterns", "2021", 0, 0, "Electronic");
        out.push_back(track(dir + "Lanterns/" + versions[i] + ".opus",
                            lanterns + 50 + static_cast<uint32_t>(i), f,
                            i == 1 ? Sound::Voice : Sound::Beat));
    }
    for (size_t i = 0; i < nightPostTitles.size(); ++i) {
        tags::Fields f = tagged(nightPostTitles[i], "The Hollow Ferry", "Night Post (2011 remaster)",
                                i == 2 ? "2001" : "2011-03-21", static_cast<int>(i) + 1,
                                static_cast<int>(nightPostTitles.size()), i % 2 ? "Folk" : "folk");
        f["album_artist"] = {i == 4 ? "Hollow Ferry, The" : "The Hollow Ferry"};
        f["label"] = {"Gannet Row"};
        f["original_date"] = {"1998-10-05"};
        out.push_back(
            track(fmt::format("{}Night Post remaster/{:02}. {}.mp3", dir, i + 1, nightPostTitles[i]),
                  nightPost + static_cast<uint32_t>(i), f));
        out.back().cover = 1;
        out.back().coverSize = 500;
    }
    // The same file twice, under two names.
    out.push_back(track(dir + "copies/Salt Road.mp3", saltRoad + 1,
                        tagged("Salt Road", "Isla Varnholt", "", "", 0, 0, "")));
    out.push_back(track(dir + "copies/Salt Road (1).mp3", saltRoad + 1,
                        tagged("Salt Road", "Isla Varnholt", "", "", 0, 0, "")));
    const Strings various = {"Harbour Day Compilation"};
    const Strings who = {"The Hollow Ferry", "Isla Varnholt", "Tarnholm Harbour Band", "Wren-Low"};
    for (size_t i = 0; i < who.size(); ++i) {
        tags::Fields f = tagged(fmt::format("Harbour Day, part {}", i + 1), who[i], various[0], "2004",
                                static_cast<int>(i) + 1, 4, "");
        f["compilation"] = {"1"};
        out.push_back(track(fmt::format("{}Harbour Day/{:02} {}.ogg", dir, i + 1, who[i]),
                            950 + static_cast<uint32_t>(i), f));
        out.back().cover = 3;
        out.back().coverSize = 300;
    }
}

} // namespace

double pieceSeconds(uint32_t seed) {
    return 20 + (seed * 37 % 90) / 10.0;
}

std::vector<DemoTrack> demoTracks() {
    std::vector<DemoTrack> out;
    harbourTransfers(out);
    donation(out);
    bounces(out);
    strays(out);
    labelDrive(out);
    return out;
}

std::vector<DemoPicture> demoPictures() {
    return {{"harbour-transfers/scan.jpg", 1, 900},
            {"label-drive/Salt Road/front.jpg", 2, 1400},
            {"label-drive/Salt Road (mp3)/folder.jpg", 2, 160},
            {"label-drive/Lanterns/cover.png", 4, 600},
            {"donation-lindqvist/Хор Маяка/Северный ветер/обложка.jpg", 5, 800},
            {"donation-lindqvist/Odran Fell Quartet/Live at Tarnholm Hall/front.jpg", 3, 1000}};
}

} // namespace moorfrost::demo
