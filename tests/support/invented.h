// SPDX-License-Identifier: GPL-3.0-or-later
// A library of invented tracks, the same every time: as many distinct titles, artists and albums as a real
// one of that size, in several scripts, without a file behind them.
#pragma once

#include <string>
#include <vector>

#include "core/library/records.h"

namespace moorfrost::bench {

/// The same numbers on every machine (SplitMix64, by Sebastiano Vigna).
class Chance {
public:
    explicit Chance(uint64_t seed) : state_(seed * 0x9E3779B97F4A7C15u) {}
    unsigned operator()() {
        uint64_t z = state_ += 0x9E3779B97F4A7C15u;
        z = (z ^ z >> 30) * 0xBF58476D1CE4E5B9u;
        z = (z ^ z >> 27) * 0x94D049BB133111EBu;
        return static_cast<unsigned>((z ^ z >> 31) >> 16);
    }

private:
    uint64_t state_;
};

class InventedLibrary {
public:
    explicit InventedLibrary(size_t count) : count_(count) {
        Chance random(1);
        for (size_t i = 0; i < 30000; ++i)
            words_.push_back(word(random));
        for (size_t i = 0; i < std::max<size_t>(count / 25, 1); ++i)
            artists_.push_back(capital(pick(random)) + (i % 3 ? " " + capital(pick(random)) : "") +
                               (i % 7 == 0 ? " Quartet" : ""));
    }

    bool next(library::FileRecord& r) {
        if (made_ == count_)
            return false;
        Chance random(made_ + 1);
        const size_t album = made_ / 11;
        Chance albumRandom(album + 77);
        static const char* genres[] = {"Folk",       "Choral",       "Chamber", "Jazz",
                                       "Electronic", "Harbour folk", "Speech",  "Brass"};
        static const char* labels[] = {"Gannet Row", "Low Tide Tapes", "Tarnholm Sound", "Pier Nine",
                                       "Whin Press"};
        const std::string artist = artists_[albumRandom() % artists_.size()];
        const std::string name = capital(pick(albumRandom)) + " " + pick(albumRandom);
        r = {};
        r.id = static_cast<int64_t>(++made_);
        auto& f = r.tags.fields;
        std::string title = capital(pick(random));
        for (unsigned n = random() % 4; n > 0; --n)
            title += " " + pick(random);
        if (made_ % 50 == 0)
            title += " \u0421\u0435\u0432\u0435\u0440\u043D\u044B\u0439 \u0432\u0435\u0442\u0435\u0440";
        if (made_ % 90 == 0)
            title += " \u706F\u53F0\u306E\u3046\u305F";
        f["title"] = {title};
        f["artist"] = {made_ % 13 ? artist : artist + " & " + capital(pick(random))};
        f["album"] = {name};
        f["album_artist"] = {artist};
        f["track"] = {std::to_string((made_ - 1) % 11 + 1)};
        f["tracks"] = {"11"};
        f["date"] = {std::to_string(1955 + albumRandom() % 71)};
        f["genre"] = {genres[albumRandom() % 8]};
        if (albumRandom() % 10 < 8)
            f["label"] = {labels[albumRandom() % 5] + std::string(" ") + std::to_string(albumRandom() % 400)};
        if (made_ % 10 < 6)
            f["isrc"] = {"QZ" + std::string("MFR") + std::to_string(1000000 + made_ % 9000000)};
        if (made_ % 4 == 0)
            f["composer"] = {artists_[random() % artists_.size()]};
        r.path = "/archive/" + artist + "/" + name + "/" + f["track"][0] + " " + title + ".flac";
        r.state.size = 20000000 + made_ % 5000000;
        r.tags.format = made_ % 3 ? audio::Format::Flac : audio::Format::Mp3;
        r.tags.facts.codec = made_ % 3 ? "FLAC" : "MP3";
        r.tags.facts.duration = 30 + static_cast<double>(random() % 40000) / 100;
        r.tags.facts.sampleRate = 44100;
        r.tags.facts.channels = 2;
        r.tags.facts.bitDepth = made_ % 3 ? 16 : 0;
        r.tags.facts.bitrate = 800000;
        r.added = 1700000000 + static_cast<int64_t>(made_) * 80;
        r.shelf = 1;
        return true;
    }

    /// What a person might type: words that are there, one to three.
    static std::vector<std::string> queries(size_t count, Chance& random) {
        InventedLibrary some(1);
        std::vector<std::string> out;
        for (size_t i = 0; i < count; ++i) {
            std::string q = some.pick(random);
            for (size_t n = i % 3; n > 0; --n)
                q += " " + some.pick(random);
            out.push_back(q);
        }
        return out;
    }

private:
    static std::string word(Chance& random) {
        static const char* first[] = {"b", "br", "c", "cl", "d", "f", "fl", "g", "gr", "h", "k",
                                      "l", "m",  "n", "p",  "r", "s", "st", "t", "tr", "v", "w"};
        static const char* middle[] = {"a", "e", "i", "o", "u", "ea", "oo", "ai", "ou"};
        static const char* last[] = {"n", "r", "l", "st", "m", "ck", "nd", "sh", "t", "", "ll", "rn"};
        std::string out;
        for (unsigned n = 1 + random() % 3; n > 0; --n)
            out += std::string(first[random() % 22]) + middle[random() % 9] + last[random() % 12];
        return out;
    }
    /// Few words are frequent, most are rare.
    const std::string& pick(Chance& random) const {
        double u = static_cast<double>(random() % 1000000) / 1e6;
        return words_[static_cast<size_t>(u * u * u * static_cast<double>(words_.size() - 1))];
    }
    static std::string capital(std::string w) {
        w[0] = static_cast<char>(w[0] - 32);
        return w;
    }

    size_t count_, made_ = 0;
    std::vector<std::string> words_, artists_;
};

} // namespace moorfrost::bench
