// SPDX-License-Identifier: GPL-3.0-or-later
#include "demo/damaged_sleeves.h"

#include <algorithm>
#include <functional>
#include <set>

#include <fmt/format.h>

#include "core/text/text.h"
#include "demo/invented_releases.h"

namespace moorfrost::demo {

using namespace reference;

const char* nameOf(Damage damage) {
    static constexpr const char* names[] = {"misspelt",    "swapped",     "cut",           "hyphens",
                                            "wrong year",  "extra track", "missing track", "other script",
                                            "mixed discs", "two releases"};
    return names[static_cast<size_t>(damage)];
}

namespace {

std::vector<std::string> charactersOf(const std::string& s) {
    std::vector<std::string> out;
    for (char c : s) {
        if ((static_cast<unsigned char>(c) & 0xC0) == 0x80 && !out.empty())
            out.back() += c;
        else
            out.emplace_back(1, c);
    }
    return out;
}

std::string misspelt(Dice& dice, const std::string& s) {
    std::vector<std::string> c = charactersOf(s);
    for (size_t n = 1 + c.size() / 12; n > 0 && c.size() > 3; --n) {
        const size_t at = 1 + dice.below(c.size() - 2);
        switch (dice.below(4)) {
        case 0:
            std::swap(c[at], c[at + 1]);
            break;
        case 1:
            c.erase(c.begin() + static_cast<std::ptrdiff_t>(at));
            break;
        case 2:
            c.insert(c.begin() + static_cast<std::ptrdiff_t>(at), c[at]);
            break;
        default:
            c[at] = std::string(1, static_cast<char>('a' + dice.below(26)));
            break;
        }
    }
    return text::join(c, "");
}

std::string cut(Dice& dice, const std::string& s) {
    std::vector<std::string> c = charactersOf(s);
    if (c.size() > 7)
        c.resize(5 + dice.below(c.size() - 6));
    return text::trim(text::join(c, ""));
}

struct Names {
    std::string artist, album, year;
    std::vector<std::string> titles, artists;
};

} // namespace

std::vector<DamagedSleeve> damagedSleeves(const std::vector<Release>& releases, size_t count, uint64_t seed) {
    Dice dice(seed);
    std::vector<DamagedSleeve> out;
    for (size_t n = 0; n < count; ++n) {
        DamagedSleeve sleeve;
        std::set<Damage> damages{static_cast<Damage>(n % damageCount)};
        for (size_t more = dice.below(3); more > 0; --more)
            damages.insert(static_cast<Damage>(dice.below(damageCount)));
        auto has = [&](Damage d) { return damages.contains(d); };
        if (has(Damage::MixedDiscs))
            damages.erase(Damage::OtherScript); // there are too few of both
        do {
            sleeve.release = dice.below(releases.size());
        } while ((has(Damage::MixedDiscs) && releases[sleeve.release].media.size() < 2) ||
                 (has(Damage::OtherScript) && releases[sleeve.release].script == "Latn") ||
                 releases[sleeve.release].trackCount() < 4);
        const Release& r = releases[sleeve.release];
        sleeve.damages.assign(damages.begin(), damages.end());
        Names names{r.credit.text(), r.title, r.date().substr(0, 4), {}, {}};
        std::vector<int> discs, numbers;
        std::vector<double> lengths;
        for (size_t m = 0; m < r.media.size(); ++m)
            for (size_t t = 0; t < r.media[m].tracks.size(); ++t) {
                const Track& track = r.media[m].tracks[t];
                names.titles.push_back(track.title);
                names.artists.push_back(track.credit.names.empty() ? names.artist : track.credit.text());
                discs.push_back(static_cast<int>(m) + 1);
                numbers.push_back(static_cast<int>(t) + 1);
                lengths.push_back(static_cast<double>(track.lengthMs) / 1000 + (dice.unit() - 0.5) * 1.2);
                sleeve.tracks.push_back(static_cast<int>(sleeve.tracks.size()));
            }
        auto erase = [&](size_t at) {
            const auto i = static_cast<std::ptrdiff_t>(at);
            names.titles.erase(names.titles.begin() + i);
            names.artists.erase(names.artists.begin() + i);
            discs.erase(discs.begin() + i);
            numbers.erase(numbers.begin() + i);
            lengths.erase(lengths.begin() + i);
            sleeve.tracks.erase(sleeve.tracks.begin() + i);
        };
        auto add = [&](const Release& from, size_t medium, size_t place) {
            const Track& t = from.media[medium].tracks[place];
            names.titles.push_back(t.title);
            names.artists.push_back(t.credit.names.empty() ? from.credit.text() : t.credit.text());
            discs.push_back(static_cast<int>(medium) + 1);
            numbers.push_back(static_cast<int>(place) + 1);
            lengths.push_back(static_cast<double>(t.lengthMs) / 1000);
            sleeve.tracks.push_back(-1);
        };
        if (has(Damage::MissingTrack))
            for (size_t k = 1 + dice.below(2); k > 0 && names.titles.size() > 3; --k)
                erase(dice.below(names.titles.size()));
        if (has(Damage::ExtraTrack)) {
            const Release& other = releases[dice.below(releases.size())];
            add(other, 0, dice.below(other.media[0].tracks.size()));
            numbers.back() = static_cast<int>(numbers.size());
        }
        if (has(Damage::TwoReleases)) {
            const Release& other = releases[dice.below(releases.size())];
            for (size_t k = 0; k < std::min(names.titles.size() / 2, other.media[0].tracks.size()); ++k)
                add(other, 0, k);
        }
        auto everyName = [&](const std::function<std::string(const std::string&)>& change, unsigned of100) {
            if (dice.in100(of100))
                names.artist = change(names.artist);
            if (dice.in100(of100))
                names.album = change(names.album);
            for (std::string& t : names.titles)
                if (dice.in100(of100))
                    t = change(t);
        };
        if (has(Damage::OtherScript)) {
            everyName([](const std::string& s) { return text::plainLetters(s); }, 100);
            for (std::string& a : names.artists)
                a = text::plainLetters(a);
        }
        if (has(Damage::Misspelt))
            everyName([&](const std::string& s) { return misspelt(dice, s); }, 70);
        if (has(Damage::Cut))
            everyName([&](const std::string& s) { return cut(dice, s); }, 60);
        if (has(Damage::Swapped))
            std::swap(names.artist, names.album);
        if (has(Damage::WrongYear) && !names.year.empty())
            names.year = std::to_string(std::stoi(names.year) +
                                        (dice.in100(50) ? 1 : -1) * static_cast<int>(1 + dice.below(9)));
        if (has(Damage::MixedDiscs))
            for (int& d : discs)
                d = 0;
        const bool tagged = dice.in100(50), numbered = dice.in100(85), withYear = dice.in100(50),
                   codes = tagged && dice.in100(12);
        const bool labelled = tagged && !r.labels.empty() && dice.in100(35);
        const std::string made =
            dice.in100(15) && !r.media[0].carrier.starts_with("File") ? " [" + r.media[0].carrier + "]" : "";
        const size_t folders = dice.below(3);
        auto safe = [&](std::string s) {
            std::ranges::replace(s, '/', '-');
            if (has(Damage::Hyphens))
                std::ranges::replace(s, ' ', n % 2 ? '-' : '_');
            return s;
        };
        const std::string album =
            safe(names.album + (withYear && !names.year.empty() ? " (" + names.year + ")" : "") + made);
        const std::string folder = folders == 0   ? "/in/" + safe(names.artist) + "/" + album
                                   : folders == 1 ? "/in/" + safe(names.artist) + " - " + album
                                                  : "/in/" + album;
        for (size_t i = 0; i < names.titles.size(); ++i) {
            matching::SleeveInput f;
            f.id = static_cast<int64_t>(n * 1000 + i + 1);
            f.seconds = lengths[i];
            f.format = "MP3";
            std::string name = safe(names.titles[i]);
            if (folders == 2 && !tagged)
                name = safe(names.artist) + " - " + name;
            if (numbered)
                name = fmt::format("{:02} {}", numbers[i], name);
            const bool discFolder = r.media.size() > 1 && discs[i] > 0;
            f.path =
                Path(folder) / (discFolder ? fmt::format("CD{}", discs[i]) : std::string()) / (name + ".mp3");
            if (tagged) {
                f.fields["title"] = {names.titles[i]};
                f.fields["artist"] = {has(Damage::Swapped) ? names.artist : names.artists[i]};
                f.fields["album"] = {names.album};
                if (!names.year.empty())
                    f.fields["date"] = {names.year};
                if (numbered)
                    f.fields["track"] = {std::to_string(numbers[i])};
                if (labelled)
                    f.fields["label"] = {r.labels[0].name};
                if (codes && !r.labels.empty())
                    f.fields["catalogue_number"] = {r.labels[0].catalogueNumber};
            }
            sleeve.files.push_back(std::move(f));
        }
        out.push_back(std::move(sleeve));
    }
    return out;
}

} // namespace moorfrost::demo
