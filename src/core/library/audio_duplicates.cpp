// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/audio_duplicates.h"

#include <algorithm>
#include <cstdlib>
#include <set>
#include <unordered_map>
#include <utility>

#include "core/library/fixity.h"

namespace moorfrost::library {

namespace {

struct Candidate {
    FileId id = 0;
    float seconds = 0; // as in the columns
    double bitrate = 0;
    uint64_t size = 0;
    bool ofBatch = false;
};

/// What tags and pictures may take, one way or the other.
constexpr uint64_t mostBeside = 32u << 20;

bool mayBeSame(const Candidate& a, const Candidate& b) {
    const uint64_t apart = a.size > b.size ? a.size - b.size : b.size - a.size;
    return a.seconds == b.seconds && std::abs(a.bitrate - b.bitrate) <= 0.01 * a.bitrate &&
           apart <= mostBeside;
}

/// Those that are like a file of the batch, and that file.
std::set<FileId> worthReading(const std::vector<const FileRecord*>& batch, const Searcher* searcher) {
    std::unordered_map<float, std::vector<Candidate>> byLength;
    std::set<FileId> known;
    for (const FileRecord* f : batch)
        if (f->readable() && f->tags.facts.duration > 0) {
            const auto& facts = f->tags.facts;
            byLength[static_cast<float>(facts.duration)].push_back({f->id, static_cast<float>(facts.duration),
                                                                    static_cast<double>(facts.bitrate),
                                                                    f->state.size, true});
            known.insert(f->id);
        }
    if (searcher)
        searcher->all().each([&](Row row) {
            const auto seconds = static_cast<float>(searcher->durationOf(row));
            if (auto it = byLength.find(seconds); it != byLength.end())
                if (FileId id = searcher->idOf(row); !known.contains(id))
                    it->second.push_back({id, seconds, static_cast<double>(searcher->bitrateOf(row)),
                                          searcher->sizeOf(row), false});
        });
    std::set<FileId> out;
    for (const auto& [seconds, members] : byLength)
        for (size_t i = 0; i < members.size(); ++i)
            for (size_t k = i + 1; k < members.size() && members[i].ofBatch; ++k)
                if (mayBeSame(members[i], members[k])) {
                    out.insert(members[i].id);
                    out.insert(members[k].id);
                }
    return out;
}

/// What is kept of a file as it is now; "" if nothing.
std::string keptEssence(const KeptValues& kept, const FileRecord& file) {
    auto it = kept.find(file.id);
    const bool holds = it != kept.end() && it->second.size() == 3 &&
                       it->second[1] == std::to_string(file.state.size) &&
                       it->second[2] == std::to_string(file.state.modifiedNs);
    return holds ? it->second[0] : std::string();
}

} // namespace

Result<AudioDuplicates> findAudioDuplicates(const Path& library, const std::vector<const FileRecord*>& batch,
                                            const Searcher* searcher, std::stop_token stop,
                                            work::Progress& progress,
                                            const std::function<void(KeptValues&&)>& keep) {
    constexpr size_t portion = 50; // files
    AudioDuplicates out;
    const std::set<FileId> wanted = worthReading(batch, searcher);
    if (wanted.empty())
        return out;
    auto store = Store::open(library);
    if (!store)
        return store.error();
    const std::vector<FileId> ids(wanted.begin(), wanted.end());
    const std::vector<FileRecord> files = (*store)->files().findAll(ids);
    const KeptValues kept = (*store)->kept().find(essenceField, ids);
    progress.begin(files.size());
    std::map<std::string, std::vector<const FileRecord*>> byEssence;
    KeptValues essences;
    for (const FileRecord& f : files) {
        if (stop.stop_requested()) {
            out.stopped = true;
            break;
        }
        std::string essence = keptEssence(kept, f);
        auto now = essence.empty() ? files::stateOf(f.path) : f.state;
        if (essence.empty() && now && *now == f.state)
            if (auto read = fixityOf(f.path, false)) {
                essence = read->essence;
                essences[f.id] = {essence, std::to_string(f.state.size), std::to_string(f.state.modifiedNs)};
            }
        if (essences.size() >= portion)
            keep(std::exchange(essences, {}));
        if (!essence.empty())
            byEssence[essence].push_back(&f);
        progress.stepPath(f.path);
    }
    if (!essences.empty())
        keep(std::move(essences));
    std::set<FileId> ofBatch;
    for (const FileRecord* f : batch)
        ofBatch.insert(f->id);
    for (auto& [essence, same] : byEssence) {
        std::stable_sort(same.begin(), same.end(), [](const FileRecord* a, const FileRecord* b) {
            return (a->shelf > 0) > (b->shelf > 0);
        });
        for (const FileRecord* f : same)
            for (const FileRecord* other : same)
                if (f != other && ofBatch.contains(f->id))
                    out.others[f->id].push_back(other->id);
    }
    return out;
}

} // namespace moorfrost::library
