// SPDX-License-Identifier: GPL-3.0-or-later
#include "support/track_list_styles.h"

#include <fmt/format.h>

namespace moorfrost::test {

namespace {

const char* const titles[] = {"Night Post",
                              "Ferryman's Reel",
                              "Cold Slip",
                              "The Keeper's Wife",
                              "Seven Bridges",
                              "7 Bridges",
                              "Share of the Sea",
                              "Side Street",
                              "Lanterns (Radio Edit)",
                              "Whin Moor",
                              "Disc of the Moon",
                              "Tracks in the Snow",
                              "Северный ветер",
                              "灯台の歌",
                              "Å bli her",
                              "1979",
                              "Half Past Four",
                              "Late Train North",
                              "Gorse & Broom",
                              "What the Tide Said?",
                              "Slack Water, Part 2",
                              "Blue Slate",
                              "I Was There",
                              "A Long Way Down",
                              "Vinterstille",
                              "Total Eclipse at Skarn",
                              "Home Harbour",
                              "Processional No. 4"};

std::string clock(int64_t ms) {
    return fmt::format("{}:{:02}", ms / 60000, ms / 1000 % 60);
}

} // namespace

StyledList styledTrackList(int shape, unsigned seed) {
    std::mt19937 random(seed * 7919 + static_cast<unsigned>(shape));
    auto below = [&](size_t n) { return static_cast<size_t>(random() % n); };
    StyledList out;
    const size_t count = 4 + below(12);
    std::vector<std::string> pool(std::begin(titles), std::end(titles));
    for (size_t i = 0; i < count; ++i) {
        const size_t at = below(pool.size());
        reference::Track t;
        t.position = std::to_string(i + 1);
        t.title = pool[at];
        pool.erase(pool.begin() + static_cast<std::ptrdiff_t>(at));
        t.lengthMs = static_cast<int64_t>(60 + below(540)) * 1000;
        out.tracks.push_back(t);
    }
    auto each = [&](auto how) {
        for (size_t i = 0; i < count; ++i)
            out.text += how(i, out.tracks[i]) + "\n";
    };
    auto forget = [&] {
        for (auto& t : out.tracks)
            t.lengthMs = 0;
    };
    auto toSides = [&] { // the second half on side B
        const size_t half = (count + 1) / 2;
        for (size_t i = 0; i < count; ++i)
            out.tracks[i].position =
                fmt::format("{}{}", i < half ? 'A' : 'B', i < half ? i + 1 : i - half + 1);
    };
    switch (shape) {
    case 0:
        out.shape = "1. Title 3:41";
        each([](size_t i, auto& t) { return fmt::format("{}. {} {}", i + 1, t.title, clock(t.lengthMs)); });
        break;
    case 1:
        out.shape = "01 Title (3:41)";
        each([](size_t i, auto& t) {
            return fmt::format("{:02} {} ({})", i + 1, t.title, clock(t.lengthMs));
        });
        break;
    case 2:
        out.shape = "A1 Title 3:41";
        toSides();
        each([](size_t, auto& t) { return fmt::format("{} {} {}", t.position, t.title, clock(t.lengthMs)); });
        break;
    case 3:
        out.shape = "A1. Title – 3:41";
        toSides();
        each([](size_t, auto& t) {
            return fmt::format("{}. {} \u2013 {}", t.position, t.title, clock(t.lengthMs));
        });
        break;
    case 4:
        out.shape = "1) Title [3'41\"]";
        each([](size_t i, auto& t) {
            return fmt::format("{}) {} [{}'{:02}\"]", i + 1, t.title, t.lengthMs / 60000,
                               t.lengthMs / 1000 % 60);
        });
        break;
    case 5:
        out.shape = "Title ........ 3:41";
        each([](size_t, auto& t) { return fmt::format("{} ............ {}", t.title, clock(t.lengthMs)); });
        break;
    case 6:
        out.shape = "number, title, length in tabs";
        each([](size_t i, auto& t) { return fmt::format("{}\t{}\t{}", i + 1, t.title, clock(t.lengthMs)); });
        break;
    case 7:
        out.shape = "number, artist, title, length in tabs";
        each([](size_t i, auto& t) {
            return fmt::format("{}\tThe Hollow Ferry\t{}\t{}", i + 1, t.title, clock(t.lengthMs));
        });
        break;
    case 8:
        out.shape = "1 - Title - 3:41";
        each(
            [](size_t i, auto& t) { return fmt::format("{} - {} - {}", i + 1, t.title, clock(t.lengthMs)); });
        break;
    case 9:
        out.shape = "1. Artist – Title (3:41)";
        each([](size_t i, auto& t) {
            return fmt::format("{}. The Hollow Ferry \u2013 {} ({})", i + 1, t.title, clock(t.lengthMs));
        });
        break;
    case 10:
        out.shape = "titles alone";
        each([](size_t, auto& t) { return t.title; });
        forget();
        break;
    case 11: {
        out.shape = "headings of sides, numbers anew";
        toSides();
        const size_t half = (count + 1) / 2;
        for (size_t i = 0; i < count; ++i) {
            if (i == 0 || i == half)
                out.text += i == 0 ? "Side A\n" : "\nSide B\n";
            out.text += fmt::format("{}. {} {}\n", i < half ? i + 1 : i - half + 1, out.tracks[i].title,
                                    clock(out.tracks[i].lengthMs));
        }
        break;
    }
    case 12: {
        out.shape = "headings of discs";
        const size_t half = (count + 1) / 2;
        for (size_t i = 0; i < count; ++i) {
            if (i == 0 || i == half)
                out.text += i == 0 ? "CD 1\n" : "CD 2: Live at Tarnholm Hall\n";
            const size_t number = i < half ? i + 1 : i - half + 1;
            out.tracks[i].position = std::to_string(number);
            out.text +=
                fmt::format("{}. {} ({})\n", number, out.tracks[i].title, clock(out.tracks[i].lengthMs));
        }
        break;
    }
    case 13: {
        out.shape = "1-01 Title 3:41";
        const size_t half = (count + 1) / 2;
        for (size_t i = 0; i < count; ++i) {
            const size_t number = i < half ? i + 1 : i - half + 1;
            out.tracks[i].position = std::to_string(number);
            out.text += fmt::format("{}-{:02} {} {}\n", i < half ? 1 : 2, number, out.tracks[i].title,
                                    clock(out.tracks[i].lengthMs));
        }
        break;
    }
    case 14: {
        out.shape = "when each begins";
        int64_t at = 0;
        for (size_t i = 0; i < count; ++i) {
            out.text += fmt::format("{} {}\n", clock(at), out.tracks[i].title);
            at += out.tracks[i].lengthMs;
        }
        out.tracks.back().lengthMs = 0;
        break;
    }
    case 15:
        out.shape = "\"Title\" (3:41) with bullets";
        each([](size_t, auto& t) {
            return fmt::format("\u2022 \u201C{}\u201D ({})", t.title, clock(t.lengthMs));
        });
        break;
    case 16:
        out.shape = "half a web page";
        out.text = "Home | Shop | Contact\nNight Post EP\nThe Hollow Ferry\nReleased 1998 on Gannet Row\n"
                   "<b>Tracklist</b>\n";
        each([](size_t i, auto& t) {
            return fmt::format("<li><span>{}</span>. {} <i>({})</i></li>", i + 1,
                               t.title == std::string("Gorse & Broom") ? "Gorse &amp; Broom" : t.title,
                               clock(t.lengthMs));
        });
        out.text += "Total time: 43:10\n\u2117 1998 Gannet Row\n3 comments\nProduced by Wren-Low\n"
                    "2 people like this\nAll rights reserved\n";
        break;
    case 17:
        out.shape = "number;title;length";
        each([](size_t i, auto& t) { return fmt::format("{};{};{}", i + 1, t.title, clock(t.lengthMs)); });
        break;
    case 18:
        out.shape = "| number | title | length |";
        each([](size_t i, auto& t) {
            return fmt::format("| {} | {} | {} |", i + 1, t.title, clock(t.lengthMs));
        });
        break;
    default:
        out.shape = "Track 1: Title, 3 min 41 s";
        each([](size_t i, auto& t) {
            return fmt::format("Track {}: {}, {} min {} s", i + 1, t.title, t.lengthMs / 60000,
                               t.lengthMs / 1000 % 60);
        });
    }
    return out;
}

} // namespace moorfrost::test
