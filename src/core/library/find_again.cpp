// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/find_again.h"

#include <algorithm>
#include <cmath>
#include <map>
#include <optional>

#include <fmt/format.h>

#include "core/library/audio_duplicates.h"
#include "core/library/fixity.h"
#include "core/library/writing.h"
#include "core/tags/packed.h"
#include "core/text/text.h"

namespace moorfrost::library {

namespace {

using By = FoundAgain::By;

constexpr double lengthsDiffer = 0.5; // seconds: more is another length

std::string stemOf(const Path& path) {
    return text::fold(path.stem().native());
}

std::string lengthText(double seconds) {
    const auto all = static_cast<long>(std::lround(seconds));
    return fmt::format("{}:{:02}", all / 60, all % 60);
}

class Search {
public:
    Search(Store& store, std::stop_token stop) : store_(store), stop_(std::move(stop)) {}

    void look(const std::vector<Path>& folders) {
        files::ScanSummary summary;
        for (files::FoundFile& f : files::findFiles(folders, true, stop_, summary)) {
            if (!f.error.empty())
                continue;
            const size_t at = all_.size();
            bySize_[f.state.size].push_back(at);
            byStem_[stemOf(f.path)].push_back(at);
            all_.push_back({std::move(f), {}, {}});
        }
    }

    FoundAgain answer(const FileRecord& missed) {
        FoundAgain out{missed.id, missed.path, By::Nothing, {}, {}};
        const std::string essence = knownEssence(store_, missed);
        std::vector<size_t> named =
            byStem_.contains(stemOf(missed.path)) ? byStem_[stemOf(missed.path)] : std::vector<size_t>();
        std::vector<size_t> sized =
            bySize_.contains(missed.state.size) ? bySize_[missed.state.size] : std::vector<size_t>();
        // The cheapest first: what has the same size or name may well be it.
        std::vector<size_t> near = sized;
        near.insert(near.end(), named.begin(), named.end());
        for (const size_t at : near)
            if (mayBe(at, missed) && !essence.empty() && essenceOf(at) == essence)
                return take(out, at, By::SameSound, "It has the same sound, byte for byte.");
        std::optional<size_t> same;
        size_t alike = 0;
        for (const size_t at : sized)
            if (mayBe(at, missed) && all_[at].found.state == missed.state && read(at).tags &&
                tags::packed(*read(at).tags) == tags::packed(missed.tags)) {
                same = at;
                ++alike;
            }
        if (alike == 1)
            return take(out, *same, By::SameState, "Same size, time and tags.");
        alike = 0;
        for (const size_t at : named) // where the sound is kept and is another, it is another
            if (mayBe(at, missed) && sameLength(at, missed) && (essence.empty() || essenceOf(at).empty())) {
                same = at;
                ++alike;
            }
        if (alike == 1)
            return take(out, *same, By::NameAndLength,
                        fmt::format("Same name, same length, {}. What it sounds like was not kept.",
                                    lengthText(missed.tags.facts.duration)));
        // By another name.
        if (!essence.empty())
            for (size_t at = 0; at < all_.size() && !stop_.stop_requested(); ++at)
                if (mayBe(at, missed) && sameLength(at, missed) && essenceOf(at) == essence)
                    return take(out, at, By::SameSound,
                                "By another name, with the same sound, byte for byte.");
        out.told = alike > 1 ? fmt::format("{} files are as likely.", alike)
                             : std::string("Nothing that could be it was found.");
        return out;
    }

private:
    struct There {
        files::FoundFile found;
        std::optional<files::ScannedFile> read;
        std::optional<std::string> essence;
    };

    FoundAgain take(FoundAgain out, size_t at, By by, std::string told) {
        out.by = by;
        out.told = std::move(told);
        out.now = read(at);
        taken_.insert(at);
        return out;
    }

    bool mayBe(size_t at, const FileRecord& missed) {
        if (taken_.contains(at))
            return false;
        const FileId known = store_.files().idOf(all_[at].found.path);
        return known == 0 || known == missed.id ||
               (known > missed.id && !store_.recordings().isKept(known) &&
                store_.batches().placesOf({known}).empty() && !store_.drafts().has(known));
    }

    const files::ScannedFile& read(size_t at) {
        if (!all_[at].read)
            all_[at].read = files::scanFile(all_[at].found.path);
        return *all_[at].read;
    }

    bool sameLength(size_t at, const FileRecord& missed) {
        const auto& tags = read(at).tags;
        return tags && missed.tags.facts.duration > 0 &&
               std::abs(tags->facts.duration - missed.tags.facts.duration) <= lengthsDiffer;
    }

    std::string essenceOf(size_t at) {
        if (!all_[at].essence) {
            const auto read = fixityOf(all_[at].found.path, false);
            all_[at].essence = read ? read->essence : std::string();
        }
        return *all_[at].essence;
    }

    Store& store_;
    std::stop_token stop_;
    std::vector<There> all_;
    std::map<uint64_t, std::vector<size_t>> bySize_;
    std::map<std::string, std::vector<size_t>> byStem_;
    std::set<size_t> taken_;
};

} // namespace

std::vector<FoundAgain> findAgain(Store& store, const std::vector<FileId>& absent,
                                  const std::vector<Path>& folders, std::stop_token stop,
                                  work::Progress& progress) {
    std::vector<FoundAgain> out;
    progress.begin(absent.size());
    Search search(store, stop);
    search.look(folders);
    for (const FileRecord& f : store.files().findAll(absent)) {
        if (stop.stop_requested())
            break;
        if (f.absent != 0)
            out.push_back(search.answer(f));
        progress.stepPath(f.path);
    }
    return out;
}

size_t follow(Store& store, const std::vector<FoundAgain>& found) {
    size_t out = 0;
    Transaction transaction(store.database());
    const std::vector<Shelf> shelves = store.shelves().all();
    for (const FoundAgain& f : found) {
        const auto missed = store.files().find(f.missed);
        if (f.by == By::Nothing || !missed || missed->absent == 0)
            continue;
        const auto state = files::stateOf(f.now.path);
        if (!state || !(*state == f.now.state))
            continue;
        if (const FileId known = store.files().idOf(f.now.path); known != 0 && known != f.missed)
            store.files().forget(known);
        store.fixity().moveAll({{missed->path, f.now.path}});
        store.files().move(f.missed, f.now.path);
        // Its recording stays with it wherever it stands.
        const int64_t shelf = shelfOf(shelves, f.now.path);
        store.files().save(f.now, shelf > 0 ? shelf : missed->shelf);
        ++out;
    }
    transaction.commit();
    return out;
}

} // namespace moorfrost::library
