// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/sound_prints.h"

#include "core/base/log.h"

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

Path soundsOf(const Path& library) {
    Path out = library;
    out += ".sounds";
    return out;
}

} // namespace moorfrost::library
