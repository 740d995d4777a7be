// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/sound_prints.h"

#include <algorithm>
#include <mutex>
#include <utility>

#include "core/base/log.h"
#include "core/library/file_portions.h"
#include "core/sandbox/parser_pool.h"

namespace moorfrost::library {

std::vector<FileRecord> notListenedTo(Store& store, sound::SoundStore& sounds,
                                      const std::vector<FileId>& files) {
    const KeptValues kept = store.workedOut().find(soundPrintField, files);
    std::vector<FileRecord> out;
    for (FileRecord& f : store.files().findAll(files)) {
        if (!f.readable())
            continue;
        const auto it = kept.find(f.id);
        const bool asItIs = it != kept.end() && it->second.size() == 3 &&
                            it->second[1] == std::to_string(f.state.size) &&
                            it->second[2] == std::to_string(f.state.modifiedNs);
        if (!asItIs || (it->second[0] == "known" && !sounds.has(f.id)))
            out.push_back(std::move(f));
    }
    return out;
}

KeptValues keepHeard(sound::SoundStore& sounds, std::vector<HeardFile> heard) {
    KeptValues out;
    std::vector<sound::SoundStore::Print> prints;
    for (HeardFile& h : heard) {
        const bool known = h.items.size() >= sound::leastItems;
        out[h.id] = {known ? "known" : "nothing", std::to_string(h.state.size),
                     std::to_string(h.state.modifiedNs)};
        prints.push_back({h.id, known ? std::move(h.items) : std::vector<uint32_t>()});
    }
    if (Status s = sounds.add(std::move(prints)); !s) {
        log::warning(log::About::Job, "Fingerprints are not kept: {}", s.error().message);
        return {}; // they are listened to again in the next run
    }
    return out;
}

void forgetUnknown(Store& store, sound::SoundStore& sounds) {
    constexpr size_t portion = 1000;
    const std::vector<int64_t> ids = sounds.ids();
    std::vector<sound::SoundStore::Print> unknown;
    for (size_t from = 0; from < ids.size(); from += portion) {
        const std::vector<FileId> some(ids.begin() + static_cast<std::ptrdiff_t>(from),
                                       ids.begin() +
                                           static_cast<std::ptrdiff_t>(std::min(ids.size(), from + portion)));
        const KeptValues kept = store.workedOut().find(soundPrintField, some);
        for (FileId id : some)
            if (const auto it = kept.find(id);
                it == kept.end() || it->second.empty() || it->second[0] != "known")
                unknown.push_back({id, {}});
    }
    if (!unknown.empty())
        sounds.add(std::move(unknown)).ignore(); // for this run at least
}

Result<std::vector<sound::Fingerprint>> fingerprintsOf(const Path& file, const std::vector<double>& speeds,
                                                       std::stop_token stop) {
    constexpr double secondsAtOtherSpeeds = 60;
    const bool asItIs = speeds == std::vector<double>{1};
    return sandbox::ParserPool::shared().fingerprintsOf(
        file, speeds, asItIs ? sound::mostSeconds : secondsAtOtherSpeeds, std::move(stop));
}

Result<size_t> listenTo(Store& store, sound::SoundStore& sounds, const std::vector<FileId>& files,
                        unsigned threads, std::stop_token stop, work::Progress& progress,
                        const std::function<void(KeptValues&&)>& keep) {
    std::vector<HeardFile> some;
    std::mutex mutex; // of some
    FilePortions portions;
    portions.unknown = [&](const std::vector<FileId>& ids) { return notListenedTo(store, sounds, ids); };
    portions.work = [&](const FileRecord& file) {
        auto prints = fingerprintsOf(file.path, {1}, stop);
        if (!prints && prints.error().kind == ErrorKind::Cancelled)
            return;
        // What cannot be decoded has nothing to tell; it is heard again when it has changed.
        std::lock_guard lock(mutex);
        some.push_back(
            {file.id, file.state, prints ? std::move(prints->front().items) : std::vector<uint32_t>()});
    };
    portions.end = [&] {
        const size_t heard = some.size();
        if (!some.empty())
            keep(keepHeard(sounds, std::exchange(some, {})));
        sounds.fold().ignore(); // a disk that does not take it leaves the log
        return heard;
    };
    return workInPortions(files, portions, threads, stop, progress);
}

Path soundsOf(const Path& library) {
    Path out = library;
    out += ".sounds";
    return out;
}

} // namespace moorfrost::library
