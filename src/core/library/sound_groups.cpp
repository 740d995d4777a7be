// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/sound_groups.h"

#include <algorithm>
#include <cmath>
#include <cstdlib>
#include <map>
#include <mutex>
#include <numeric>
#include <unordered_map>

#include "core/reference/catalogue.h"
#include "core/text/text.h"
#include "core/work/parallel.h"

namespace moorfrost::library {

namespace {

using sound::secondsPerItem;

// What may be missing at the ends of the same recording: silence, a breath of tape.
constexpr double mostMissing = 10, partMissing = 0.1; // seconds; of the longer one
constexpr size_t mostLinks = 24;                      // of one file

SoundLink linkOf(FileId one, FileId other, const sound::Overlap& o, double speed = 1) {
    return {one,
            other,
            o.z,
            static_cast<double>(o.offset) * secondsPerItem,
            static_cast<double>(o.items) * secondsPerItem,
            speed};
}

/// Which files hang together.
class Clusters {
public:
    size_t of(FileId id) {
        const auto [it, isNew] = places_.try_emplace(id, parents_.size());
        if (isNew) {
            parents_.push_back(parents_.size());
            ids_.push_back(id);
        }
        size_t at = it->second;
        while (parents_[at] != at)
            at = parents_[at] = parents_[parents_[at]];
        return at;
    }
    void join(FileId a, FileId b) { parents_[of(a)] = of(b); }
    std::map<size_t, std::vector<FileId>> all() {
        std::map<size_t, std::vector<FileId>> out;
        for (FileId id : std::vector<FileId>(ids_))
            out[of(id)].push_back(id);
        return out;
    }

private:
    std::unordered_map<FileId, size_t> places_;
    std::vector<size_t> parents_;
    std::vector<FileId> ids_;
};

bool isApart(const ToldApart& apart, FileId a, FileId b) {
    return apart.contains({std::min(a, b), std::max(a, b)});
}

std::set<std::string> codesOf(const Searcher& searcher, FileId id) {
    std::set<std::string> out;
    const auto row = searcher.rowOf(id);
    if (!row)
        return out;
    const tags::Fields fields = searcher.fieldsOf(*row);
    if (const auto isrcs = fields.find("isrc"); isrcs != fields.end())
        for (const std::string& isrc : isrcs->second)
            if (std::string code = reference::plainCode(isrc); !code.empty())
                out.insert(std::move(code));
    return out;
}

/// 1.015 of "1.5 % fast"; 0 where nothing is said.
double saidSpeed(const std::string& text) {
    const double percent = std::atof(text.c_str());
    if (percent <= 0 || percent > 10)
        return 0;
    return text.find("slow") != std::string::npos ? 1 - percent / 100 : 1 + percent / 100;
}

double durationOf(const Searcher& searcher, FileId id) {
    const auto row = searcher.rowOf(id);
    return row ? searcher.durationOf(*row) : 0;
}

/// Whether the two are the same from beginning to end.
bool isWhole(const SoundLink& link, const Searcher& searcher) {
    const double one = durationOf(searcher, link.one) * link.speed, other = durationOf(searcher, link.other);
    return std::abs(one - other) <= std::max(2.0, std::min(mostMissing, partMissing * std::max(one, other)));
}

class Finding {
public:
    Finding(sound::SoundStore& sounds, const Searcher& searcher, const ToldApart& apart, std::stop_token stop,
            work::Progress& progress)
        : sounds_(sounds), searcher_(searcher), apart_(apart), stop_(std::move(stop)), progress_(progress) {}

    Result<SoundGroups> run(const matching::PrintsOf& printsOf) {
        for (int64_t id : sounds_.ids())
            if (const auto row = searcher_.rowOf(id); row && !searcher_.has(*row, Absent))
                known_.push_back(id);
        out_.compared = known_.size();
        searcher_.all().each([&](Row row) { out_.unheard += !searcher_.has(row, Absent); });
        out_.unheard -= std::min(out_.unheard, known_.size());
        progress_.begin(known_.size());
        work::inParallel(known_.size(), [&](size_t i) { ask(known_[i]); });
        if (printsOf && !stop_.stop_requested())
            listenAgain(printsOf);
        if (stop_.stop_requested())
            return Error{ErrorKind::Cancelled, {}, "It was stopped."};
        group();
        sameCodes();
        std::ranges::stable_sort(out_.groups,
                                 [](const SoundGroup& a, const SoundGroup& b) { return a.z > b.z; });
        return std::move(out_);
    }

private:
    void ask(FileId id) {
        if (stop_.stop_requested())
            return;
        for (const sound::Hit& hit : sounds_.find(sounds_.itemsOf(id), sound::surely, mostLinks))
            add(linkOf(id, hit.id, hit.overlap));
        progress_.step({});
    }
    void add(const SoundLink& link) {
        const auto row = searcher_.rowOf(link.other);
        if (link.one == link.other || !row || searcher_.has(*row, Absent) ||
            isApart(apart_, link.one, link.other))
            return;
        std::lock_guard lock(mutex_);
        SoundLink& kept = links_[{std::min(link.one, link.other), std::max(link.one, link.other)}];
        if (link.z > kept.z)
            kept = link;
    }

    /// Files that are said to run fast or slow are asked about at the right speed; files with the name of
    /// another one that were not found to be it are compared with it at other speeds.
    void listenAgain(const matching::PrintsOf& printsOf) {
        std::set<FileId> linked;
        for (const auto& [pair, link] : links_)
            linked.insert({pair.first, pair.second});
        std::map<std::string, std::vector<FileId>> byTitle;
        for (FileId id : known_) {
            const auto row = searcher_.rowOf(id);
            if (const double speed = saidSpeed(searcher_.text(*row, matching::speedField)); speed > 0)
                if (auto prints = printsOf(id, {speed}); prints && prints->size() == 1)
                    for (const sound::Hit& hit :
                         sounds_.find(prints->front().items, sound::surely, mostLinks))
                        add(linkOf(id, hit.id, hit.overlap, speed));
            if (const std::string title = text::fold(searcher_.text(*row, "title")); title.size() > 2)
                byTitle[title].push_back(id);
        }
        for (const auto& [title, files] : byTitle)
            for (size_t i = 0; i < files.size() && files.size() <= mostNamesakes; ++i)
                for (size_t k = 0; k < i && !stop_.stop_requested(); ++k)
                    if (!links_.contains({std::min(files[i], files[k]), std::max(files[i], files[k])}) &&
                        mayDifferInSpeed(files[i], files[k]))
                        compareSpeeds(files[i], files[k], printsOf);
    }
    bool mayDifferInSpeed(FileId a, FileId b) const {
        const double one = durationOf(searcher_, a), other = durationOf(searcher_, b);
        return one > 0 && other > 0 && std::abs(one / other - 1) <= matching::mostSpeedError + 0.005 &&
               !isApart(apart_, a, b);
    }
    void compareSpeeds(FileId a, FileId b, const matching::PrintsOf& printsOf) {
        // Which speeds are likely is told by the lengths; a little to both sides.
        const double likely = durationOf(searcher_, b) / durationOf(searcher_, a);
        std::vector<double> speeds;
        for (int step = -6; step <= 6; ++step)
            speeds.push_back(likely + step * 0.001);
        const auto prints = printsOf(a, speeds);
        const std::vector<uint32_t> other = sounds_.itemsOf(b);
        SoundLink best;
        for (size_t s = 0; prints && s < prints->size() && s < speeds.size(); ++s)
            if (const sound::Overlap o = sound::bestOverlap((*prints)[s].items, other); o.z > best.z)
                best = linkOf(a, b, o, speeds[s]);
        if (best.z >= sound::surely)
            add(best);
    }

    void group() {
        Clusters clusters;
        for (const auto& [pair, link] : links_)
            clusters.join(pair.first, pair.second);
        std::map<size_t, std::vector<SoundLink>> linksOf;
        for (const auto& [pair, link] : links_)
            linksOf[clusters.of(pair.first)].push_back(link);
        for (auto& [root, files] : clusters.all()) {
            SoundGroup g;
            std::set<std::string> codes;
            bool whole = true;
            g.z = INFINITY;
            for (const SoundLink& link : linksOf[root]) {
                g.links.push_back(link);
                g.z = std::min(g.z, link.z);
                whole = whole && isWhole(link, searcher_);
            }
            size_t coded = 0;
            std::set<std::string> common;
            for (FileId id : files) {
                const std::set<std::string> own = codesOf(searcher_, id);
                if (own.empty())
                    continue;
                std::set<std::string> both;
                std::ranges::set_intersection(common, own, std::inserter(both, both.begin()));
                common = coded++ == 0 ? own : both;
            }
            g.kind = !whole                        ? SoundGroupKind::OtherVersion
                     : coded > 1 && common.empty() ? SoundGroupKind::CodesDisagree
                                                   : SoundGroupKind::SameRecording;
            g.files = std::move(files);
            sortBest(g.files);
            out_.groups.push_back(std::move(g));
        }
    }
    /// The better first, as the search tells it: lossless, more bits, higher rate, higher bit rate.
    void sortBest(std::vector<FileId>& files) const {
        auto rank = [&](FileId id) {
            const auto row = searcher_.rowOf(id);
            const std::string format = searcher_.text(*row, codecColumn);
            const bool damaged = searcher_.has(*row, Damaged);
            const double saidToRun = saidSpeed(searcher_.text(*row, matching::speedField));
            return std::tuple(damaged, saidToRun > 0, !isLossless(text::fold(format)),
                              -static_cast<int64_t>(searcher_.bitrateOf(*row)), id);
        };
        std::ranges::sort(files, {}, rank);
    }
    static bool isLossless(const std::string& codec) {
        for (const char* c : {"flac", "pcm", "alac", "wavpack", "ape", "tta"})
            if (codec.find(c) != std::string::npos)
                return true;
        return false;
    }

    /// One code on sounds that are not the same.
    void sameCodes() {
        std::map<std::string, std::vector<FileId>> byCode;
        for (FileId id : known_)
            for (const std::string& code : codesOf(searcher_, id))
                byCode[code].push_back(id);
        std::map<FileId, size_t> groupOf;
        for (size_t g = 0; g < out_.groups.size(); ++g)
            for (FileId id : out_.groups[g].files)
                groupOf[id] = g + 1;
        for (auto& [code, files] : byCode) {
            std::set<size_t> different;
            for (FileId id : files)
                different.insert(groupOf.contains(id) ? groupOf[id]
                                                      : out_.groups.size() + 1 + static_cast<size_t>(id));
            if (different.size() < 2 || (files.size() == 2 && isApart(apart_, files[0], files[1])))
                continue;
            SoundGroup g;
            g.kind = SoundGroupKind::SameCode;
            g.files = files;
            sortBest(g.files);
            out_.groups.push_back(std::move(g));
        }
    }

    static constexpr size_t mostNamesakes = 12; // a title of more files ("Untitled") tells nothing
    sound::SoundStore& sounds_;
    const Searcher& searcher_;
    const ToldApart& apart_;
    std::stop_token stop_;
    work::Progress& progress_;
    std::vector<FileId> known_;
    std::mutex mutex_; // of links_
    std::map<std::pair<FileId, FileId>, SoundLink> links_;
    SoundGroups out_;
};

} // namespace

ToldApart toldApart(Store& store, const std::vector<FileId>& files) {
    ToldApart out;
    for (const auto& [file, values] : store.recordings().valuesOfFiles(toldApartField, files))
        for (const std::string& v : values)
            if (const FileId other = std::atoll(v.c_str()); other > 0)
                out.insert({std::min(file, other), std::max(file, other)});
    return out;
}

Result<SoundGroups> findSoundGroups(sound::SoundStore& sounds, const Searcher& searcher,
                                    const ToldApart& apart, const matching::PrintsOf& printsOf,
                                    std::stop_token stop, work::Progress& progress) {
    return Finding(sounds, searcher, apart, std::move(stop), progress).run(printsOf);
}

SoundLink linkBetween(sound::SoundStore& sounds, FileId one, FileId other) {
    return linkOf(one, other, sound::bestOverlap(sounds.itemsOf(one), sounds.itemsOf(other)));
}

} // namespace moorfrost::library
