// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/audio_duplicates.h"

#include <algorithm>
#include <cstdlib>
#include <set>
#include <unordered_map>
#include <unordered_set>
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

using ByLength = std::unordered_map<float, std::vector<Candidate>>;

/// Those that are like a file of the batch, and that file.
std::set<FileId> worthReading(const ByLength& byLength) {
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

Candidate candidateOf(const Searcher& searcher, Row row, bool ofBatch) {
    return {searcher.idOf(row), static_cast<float>(searcher.durationOf(row)),
            static_cast<double>(searcher.bitrateOf(row)), searcher.sizeOf(row), ofBatch};
}

ByLength candidates(const std::vector<const FileRecord*>& batch, const Searcher* searcher) {
    ByLength byLength;
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
            if (auto it = byLength.find(static_cast<float>(searcher->durationOf(row))); it != byLength.end())
                if (!known.contains(searcher->idOf(row)))
                    it->second.push_back(candidateOf(*searcher, row, false));
        });
    return byLength;
}

ByLength candidates(const std::vector<FileId>& files, const Searcher& searcher) {
    const std::unordered_set<FileId> wanted(files.begin(), files.end());
    ByLength byLength;
    auto isCandidate = [&](Row row) {
        return searcher.durationOf(row) > 0 && !searcher.has(row, Absent) && !searcher.has(row, Unreadable);
    };
    searcher.all().each([&](Row row) {
        if (wanted.contains(searcher.idOf(row)) && isCandidate(row))
            byLength[static_cast<float>(searcher.durationOf(row))].push_back(
                candidateOf(searcher, row, true));
    });
    searcher.all().each([&](Row row) { // those that are looked for stand in front
        if (auto it = byLength.find(static_cast<float>(searcher.durationOf(row))); it != byLength.end())
            if (!wanted.contains(searcher.idOf(row)) && isCandidate(row))
                it->second.push_back(candidateOf(searcher, row, false));
    });
    return byLength;
}

/// What is kept of a file as it is now; "" if nothing.
std::string keptEssence(const KeptValues& kept, const FileRecord& file) {
    auto it = kept.find(file.id);
    const bool holds = it != kept.end() && it->second.size() == 3 &&
                       it->second[1] == std::to_string(file.state.size) &&
                       it->second[2] == std::to_string(file.state.modifiedNs);
    return holds ? it->second[0] : std::string();
}

using Keep = std::function<void(KeptValues&&)>;
using ByEssence = std::map<std::string, std::vector<const FileRecord*>>;

/// Reads what is not known yet. True if it was stopped.
bool readEssences(const std::vector<FileRecord>& files, const KeptValues& kept, std::stop_token stop,
                  work::Progress& progress, const Keep& keep, ByEssence& byEssence) {
    constexpr size_t portion = 50; // files
    progress.begin(files.size());
    KeptValues essences;
    bool stopped = false;
    for (const FileRecord& f : files) {
        if ((stopped = stop.stop_requested()))
            break;
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
    return stopped;
}

} // namespace

std::string knownEssence(Store& store, const FileRecord& file) {
    if (std::string kept = keptEssence(store.workedOut().find(essenceField, {file.id}), file); !kept.empty())
        return kept;
    const auto fixity = store.fixity().find(file.path);
    return fixity ? fixity->essence : std::string();
}

Result<AudioDuplicates> findAudioDuplicates(const Path& library, const std::vector<const FileRecord*>& batch,
                                            const Searcher* searcher, std::stop_token stop,
                                            work::Progress& progress, const Keep& keep) {
    AudioDuplicates out;
    const std::set<FileId> wanted = worthReading(candidates(batch, searcher));
    if (wanted.empty())
        return out;
    auto store = Store::open(library);
    if (!store)
        return store.error();
    const std::vector<FileId> ids(wanted.begin(), wanted.end());
    const std::vector<FileRecord> files = (*store)->files().findAll(ids);
    ByEssence byEssence;
    out.stopped =
        readEssences(files, (*store)->workedOut().find(essenceField, ids), stop, progress, keep, byEssence);
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

Result<SameSound> findSameSound(const Path& library, const std::vector<FileId>& wanted,
                                const Searcher& searcher, std::stop_token stop, work::Progress& progress,
                                const Keep& keep) {
    constexpr size_t portion = 2000; // files in memory at a time
    SameSound out;
    const std::set<FileId> worth = worthReading(candidates(wanted, searcher));
    if (worth.empty())
        return out;
    auto store = Store::open(library);
    if (!store)
        return store.error();
    std::map<std::string, std::vector<FileId>> groups;
    const std::vector<FileId> all(worth.begin(), worth.end());
    for (size_t at = 0; at < all.size() && !out.stopped; at += portion) {
        const std::vector<FileId> ids(all.begin() + static_cast<std::ptrdiff_t>(at),
                                      all.begin() +
                                          static_cast<std::ptrdiff_t>(std::min(all.size(), at + portion)));
        const std::vector<FileRecord> files = (*store)->files().findAll(ids);
        ByEssence byEssence;
        out.stopped = readEssences(files, (*store)->workedOut().find(essenceField, ids), stop, progress, keep,
                                   byEssence);
        for (const auto& [essence, same] : byEssence)
            for (const FileRecord* f : same)
                groups[essence].push_back(f->id);
    }
    for (auto& [essence, same] : groups)
        if (same.size() > 1)
            out.groups.push_back(std::move(same));
    return out;
}

} // namespace moorfrost::library
