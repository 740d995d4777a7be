// SPDX-License-Identifier: GPL-3.0-or-later
#include "demo/discs.h"

#include <fstream>

#include <fmt/format.h>
#include <zlib.h>

#include "core/disc/cd_text.h"
#include "core/disc/cue_sheet.h"
#include "core/disc/rip.h"
#include "core/work/parallel.h"
#include "demo/encode.h"
#include "demo/synth.h"
#include "demo/world.h"

namespace moorfrost::demo {

namespace fs = std::filesystem;
using disc::framesPerSector;

namespace {

using Samples = std::vector<int16_t>;

void write(const Path& file, const std::string& bytes) {
    std::ofstream(file, std::ios::binary) << bytes;
}

/// The sound of a track, in whole sectors.
Samples soundOf(uint32_t seed, Sound sound = Sound::Band) {
    Samples out = synthesise({seed, pieceSeconds(seed), sound, 1.0});
    const size_t sector = framesPerSector * 2;
    out.resize((out.size() + sector - 1) / sector * sector, 0);
    return out;
}

void append(Samples& to, const Samples& more) {
    to.insert(to.end(), more.begin(), more.end());
}

void silence(Samples& to, int sectors) {
    to.resize(to.size() + static_cast<size_t>(sectors) * framesPerSector * 2, 0);
}

int32_t sectorsOf(const Samples& samples) {
    return static_cast<int32_t>(samples.size() / (framesPerSector * 2));
}

std::string bytesOf(const Samples& samples) {
    std::string out;
    out.reserve(samples.size() * 2);
    for (const int16_t s : samples) {
        out += static_cast<char>(s & 255);
        out += static_cast<char>(s >> 8 & 255);
    }
    return out;
}

Status nightPostEp(const Path& folder) {
    fs::create_directories(folder);
    disc::CueSheet sheet;
    sheet.files = {{"night post.flac", disc::CueFile::Kind::Sound}};
    Samples all;
    for (int i = 0; i < 4; ++i) {
        disc::CueTrack track;
        track.number = i + 1;
        if (i > 0) {
            track.indexes.push_back({0, 0, sectorsOf(all)});
            silence(all, 2 * disc::sectorsPerSecond);
        }
        track.indexes.push_back({1, 0, sectorsOf(all)});
        append(all, soundOf(100 + static_cast<uint32_t>(i)));
        sheet.tracks.push_back(track);
    }
    write(folder / "night post.cue", disc::cueSheetText(sheet));
    return encodeSound(all, folder / "night post.flac", 0);
}

Status processional(const Path& folder) {
    fs::create_directories(folder);
    const std::vector<std::string> titles = {"Processional", "Harbour Hymn", "Quayside March",
                                             "The Long Pier", "Lifeboat Sunday"};
    const std::vector<std::string> japanese = {"行進曲", "港の讃歌", "波止場の行進", "長い桟橋",
                                               "救命艇の日曜"};
    disc::CdText text;
    text.blocks = {{"en", "Brass", "GR 003 CD", {}}, {"ja", "", "", {}}};
    text.blocks[0].entries[0] = {{{"title", "PROCESSIONAL"}, {"performer", "TARNHOLM HARBOUR BAND"}},
                                 "2000000770031"};
    text.blocks[1].entries[0] = {{{"title", "行進曲"}, {"performer", "TARNHOLM HARBOUR BAND"}}, ""};
    std::string sheet = "REM made at the harbour\r\nCATALOG 2000000770031\r\ncdtextfile processional.cdt\r\n"
                        "FILE \"PROCESSIONAL.BIN\" BINARY\r\n";
    Samples all = synthesise({990, 4, Sound::Bell, 1.0}); // hidden before track 1
    all.resize(static_cast<size_t>(4 * disc::sectorsPerSecond) * framesPerSector * 2, 0);
    for (size_t i = 0; i < titles.size(); ++i) {
        const std::string isrc = fmt::format("ZZGRW77{:05}", i + 31);
        const auto time = [&] {
            const int32_t s = sectorsOf(all);
            return fmt::format("{:02}:{:02}:{:02}", s / 4500, s / 75 % 60, s % 75);
        };
        sheet += fmt::format("  TRACK {:02} AUDIO\r\n    isrc {}\r\n", i + 1, isrc);
        if (i == 1)
            sheet += "    FLAGS PRE DCP\r\n";
        if (i == 0)
            sheet += "    INDEX 00 00:00:00\r\n";
        sheet += "    INDEX 01 " + time() + "\r\n";
        append(all, soundOf(700 + static_cast<uint32_t>(i)));
        text.blocks[0].entries[static_cast<int>(i) + 1] = {
            {{"title", titles[i]}, {"performer", "TARNHOLM HARBOUR BAND"}}, isrc};
        text.blocks[1].entries[static_cast<int>(i) + 1] = {{{"title", japanese[i]}}, ""};
    }
    write(folder / "PROCESSIONAL.CUE", "\xEF\xBB\xBF" + sheet);
    write(folder / "processional.bin", bytesOf(all));
    write(folder / "processional.cdt", disc::encodeCdText(text) + std::string(1, '\0'));
    return Done{};
}

Status saltRoad(const Path& folder) {
    fs::create_directories(folder);
    std::string sheet = "PERFORMER \"Isla Varnholt\"\nTITLE \"Salt Road\"\nREM DATE 2019\n";
    const std::vector<std::string> titles = {
        "Tide Table", "Salt Road", "Winter Harbour", "Letters to the Mainland", "Gorse", "Last Ferry Home"};
    for (size_t i = 0; i < titles.size(); ++i) {
        const std::string name = fmt::format("{:02} {}", i + 1, titles[i]);
        if (Status s = encodeSound(soundOf(200 + static_cast<uint32_t>(i)), folder / (name + ".flac"), 0); !s)
            return s;
        sheet += fmt::format("FILE \"D:\\rips\\{}.wav\" WAVE\n  TRACK {:02} AUDIO\n    TITLE \"{}\"\n", name,
                             i + 1, titles[i]);
        if (i > 0)
            sheet += "    PREGAP 00:02:00\n";
        sheet += "    INDEX 01 00:00:00\n";
    }
    write(folder / "salt road.cue", sheet);
    // Scratched: the second track reads otherwise now and then, a place in the fifth never at all. The drive
    // that it is in gives its samples six too late.
    write(folder / "salt road.cue.faults.json", R"({"bad": [[9060, 9080]], "unsteady": [[2900, 3100]],
 "offset": 6, "speed": 120}
)");
    return Done{};
}

} // namespace

std::vector<uint32_t> checksumsOfDisc(uint32_t seed, size_t tracks) {
    std::vector<uint32_t> out(tracks);
    work::inParallel(tracks, [&](size_t i) {
        Samples sound = soundOf(seed + static_cast<uint32_t>(i));
        if (i + 1 < tracks)
            silence(sound, 2 * disc::sectorsPerSecond); // the pause before the next
        // Without what not every drive reaches.
        const size_t ends = size_t{disc::unreachable} * framesPerSector * 2;
        if (i == 0)
            sound.erase(sound.begin(), sound.begin() + static_cast<std::ptrdiff_t>(ends));
        if (i + 1 == tracks)
            sound.resize(sound.size() - ends);
        const std::string bytes = bytesOf(sound);
        out[i] = static_cast<uint32_t>(::crc32(::crc32(0, nullptr, 0),
                                               reinterpret_cast<const Bytef*>(bytes.data()),
                                               static_cast<uInt>(bytes.size())));
    });
    return out;
}

Status makeDisc(const Path& folder, size_t number) {
    return number == 0   ? nightPostEp(folder / "Night Post EP")
           : number == 1 ? processional(folder / "Processional")
                         : saltRoad(folder / "Salt Road");
}

} // namespace moorfrost::demo
