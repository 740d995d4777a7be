// SPDX-License-Identifier: GPL-3.0-or-later
// The data of the simulated reference as files: releases, pictures, sounds.
#include <filesystem>
#include <fstream>
#include <map>
#include <set>

#include <fmt/format.h>

#include "core/reference/hearing.h"
#include "core/reference/release_json.h"
#include "core/sound/index.h"
#include "core/work/parallel.h"
#include "demo/discs.h"
#include "demo/pictures.h"
#include "demo/reference_world.h"
#include "demo/world.h"

namespace moorfrost::demo {

namespace fs = std::filesystem;
using namespace reference;

namespace {

Status writeTo(const Path& file, const std::string& bytes) {
    std::ofstream out(file, std::ios::binary);
    out << bytes;
    out.close();
    if (!out)
        return Error{ErrorKind::Io, file, "The data of the reference could not be written."};
    return Done{};
}

/// The sounds of all recordings, as the pieces that the files of the world are.
Status makeSounds(const Path& folder, const std::vector<Release>& releases) {
    std::map<uint32_t, Sound> kinds; // where they are no band
    for (const DemoTrack& t : demoTracks())
        kinds.emplace(t.sound.seed, t.sound.sound);
    std::set<uint32_t> seeds;
    for (const Release& r : releases)
        for (const Medium& m : r.media)
            for (const Track& t : m.tracks)
                seeds.insert(static_cast<uint32_t>(std::stoul(t.recording.substr(2))));
    const std::vector<uint32_t> all(seeds.begin(), seeds.end());
    std::vector<std::vector<uint32_t>> items(all.size());
    work::inParallel(all.size(), [&](size_t i) {
        const auto kind = kinds.find(all[i]);
        sound::Fingerprinter f(1, sampleRate, 2);
        f.feed(
            synthesise({all[i], pieceSeconds(all[i]), kind == kinds.end() ? Sound::Band : kind->second, 1}));
        items[i] = f.finish().items;
    });
    sound::SoundIndexBuilder builder;
    std::string names;
    for (size_t i = 0; i < all.size(); ++i) {
        names += fmt::format("r-{}\n", all[i]);
        builder.add(static_cast<int64_t>(i), std::move(items[i]));
    }
    if (Status s = writeTo(folder / "cairn.recordings", names); !s)
        return s;
    return builder.save(folder / "cairn.sounds", soundsRevision);
}

/// What others have read of the discs of the demo.
void addReadings(Release& release) {
    const int readers = release.id == "night-post-cd" ? 12 : release.id == "salt-road-cd" ? 3 : 0;
    if (readers == 0)
        return;
    const uint32_t seed = release.id == "night-post-cd" ? 100 : 200;
    const std::vector<uint32_t> sums = checksumsOfDisc(seed, release.media[0].tracks.size());
    for (size_t i = 0; i < sums.size(); ++i)
        release.media[0].readings.push_back({static_cast<int>(i) + 1, sums[i], readers});
    // One whose drive was not corrected.
    release.media[0].readings.push_back({2, sums[1] ^ 0x5A17C0DE, 1});
}

} // namespace

Status makeReference(const Path& folder, bool keep, size_t invented) {
    const std::string version = fmt::format("{}{}\n", referenceVersion, invented);
    if (keep) {
        std::ifstream in(folder / ".complete", std::ios::binary);
        if (std::string(std::istreambuf_iterator<char>(in), {}) == version)
            return Done{};
    }
    std::error_code error;
    fs::remove_all(folder, error);
    fs::create_directories(folder / "pictures", error);
    if (error)
        return systemError(error.value(), folder, "Making the data of the reference");
    std::ofstream out(folder / "cairn.jsonl", std::ios::binary);
    std::vector<Release> named = namedReleases();
    for (Release& r : named) {
        for (Picture& p : r.pictures) {
            const auto drawn = static_cast<uint32_t>(std::stoul(p.comment.substr(6)));
            p.comment.clear();
            const std::string jpeg = drawCover(drawn, p.width);
            p.bytes = jpeg.size();
            if (Status s = writeTo(folder / "pictures" / p.id, jpeg); !s)
                return s;
        }
        addReadings(r);
        out << toJson(r) << '\n';
    }
    for (const Release& r : inventedReleases(invented))
        out << toJson(r) << '\n';
    out.close();
    if (!out)
        return Error{ErrorKind::Io, folder, "The data of the reference could not be written."};
    if (Status s = makeSounds(folder, named); !s)
        return s;
    return writeTo(folder / ".complete", version);
}

} // namespace moorfrost::demo
