// SPDX-License-Identifier: GPL-3.0-or-later
// References and files of the made-up world, for tests of identifying.
#pragma once

#include <QString>

#include <algorithm>
#include <map>

#include "core/matching/sleeves.h"
#include "core/reference/catalogue.h"
#include "core/reference/reference.h"
#include "core/sound/index.h"
#include "demo/invented_releases.h"
#include "demo/reference_world.h"
#include "demo/synth.h"
#include "demo/world.h"

namespace moorfrost::test {

/// A catalogue in this process as a reference.
class Shelf : public reference::Reference {
public:
    explicit Shelf(std::vector<reference::Release> releases, std::string key = "cairn")
        : catalogue(std::move(releases)), key_(std::move(key)) {}
    std::string key() const override { return key_; }
    std::string name() const override { return "Cairn"; }
    Result<std::vector<reference::Release>> find(const reference::Question& q, std::stop_token) override {
        ++asked;
        if (fails)
            return Error{ErrorKind::Io, {}, "Cairn: It cannot be reached."};
        std::vector<reference::Release> out;
        for (const auto& a : catalogue.ask(q, q.limit))
            out.push_back(catalogue.releases()[a.release]);
        return out;
    }
    Result<reference::Release> fetch(const std::string& id, std::stop_token) override {
        const auto* r = catalogue.find(id);
        return r ? Result<reference::Release>(*r) : Error{ErrorKind::NotFound, {}, "It is not there."};
    }
    Result<std::string> picture(const std::string&, int, std::stop_token) override {
        return Error{ErrorKind::NotFound, {}, "It is not there."};
    }
    Result<reference::Heard> hear(const std::vector<sound::Fingerprint>& sounds, std::stop_token) override {
        ++heard;
        if (fails)
            return Error{ErrorKind::Io, {}, "Cairn: It cannot be reached."};
        reference::Heard out;
        for (const sound::Fingerprint& f : sounds) {
            out.sounds.emplace_back();
            for (const sound::Hit& h : index ? index->find(f.items) : std::vector<sound::Hit>()) {
                const std::string recording = "r-" + std::to_string(h.id);
                out.sounds.back().push_back({recording, h.overlap.z,
                                             static_cast<double>(h.overlap.offset) * sound::secondsPerItem,
                                             static_cast<double>(h.overlap.items) * sound::secondsPerItem});
                for (const reference::Release& r : catalogue.releases())
                    for (const reference::Medium& m : r.media)
                        if (std::ranges::find(m.tracks, recording, &reference::Track::recording) !=
                                m.tracks.end() &&
                            std::ranges::find(out.releases, r.id, &reference::Release::id) ==
                                out.releases.end())
                            out.releases.push_back(r);
            }
        }
        return out;
    }
    /// It knows how these pieces sound: "r-920".
    void knowSounds(const std::vector<uint32_t>& seeds) {
        sound::SoundIndexBuilder builder;
        for (uint32_t seed : seeds)
            builder.add(seed, printOf(seed).items);
        index = builder.finish();
    }
    static sound::Fingerprint printOf(uint32_t seed, double playedAt = 1, double heardAs = 1) {
        sound::Fingerprinter f(heardAs, demo::sampleRate, 2);
        static std::map<std::pair<uint32_t, double>, std::vector<int16_t>> played; // it takes its time
        std::vector<int16_t>& samples = played[{seed, playedAt}];
        if (samples.empty())
            samples = demo::synthesise({seed, demo::pieceSeconds(seed), demo::Sound::Band, playedAt});
        f.feed(samples);
        return f.finish();
    }

    reference::Catalogue catalogue;
    std::shared_ptr<const sound::SoundIndex> index;
    size_t asked = 0, heard = 0;
    bool fails = false;

private:
    std::string key_;
};

inline std::vector<reference::Release> world(size_t invented) {
    std::vector<reference::Release> all = demo::namedReleases();
    for (reference::Release& r : demo::inventedReleases(invented))
        all.push_back(std::move(r));
    return all;
}

inline const reference::Release& named(const char* id) {
    static const std::vector<reference::Release> all = demo::namedReleases();
    return *std::ranges::find(all, id, &reference::Release::id);
}

/// Files as they are, named and untagged, of a release.
inline std::vector<matching::SleeveInput> filesOf(const reference::Release& r, const std::string& folder) {
    std::vector<matching::SleeveInput> out;
    for (size_t m = 0; m < r.media.size(); ++m)
        for (size_t t = 0; t < r.media[m].tracks.size(); ++t) {
            matching::SleeveInput f;
            f.id = static_cast<int64_t>(out.size()) + 1;
            f.path = Path(folder) / (r.media.size() > 1 ? "CD" + std::to_string(m + 1) : std::string()) /
                     (QString("%1 %2.flac")
                          .arg(t + 1, 2, 10, QChar('0'))
                          .arg(QString::fromStdString(r.media[m].tracks[t].title)))
                         .toStdString();
            f.seconds = static_cast<double>(r.media[m].tracks[t].lengthMs) / 1000;
            out.push_back(std::move(f));
        }
    return out;
}

} // namespace moorfrost::test
