// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/matching/identify.h"

#include <algorithm>
#include <future>
#include <set>

#include "core/matching/same_edition.h"

namespace moorfrost::matching {

namespace {

using reference::Reference;

/// Gathers candidates; each release once, each edition once: where several references tell it, the first of
/// them in the order of the user does.
class Gathering {
public:
    Gathering(const SleeveClues& clues, const std::vector<Reference*>& references, std::stop_token stop)
        : clues_(clues), references_(references), stop_(std::move(stop)) {}

    /// All at once; what they answer is taken in their order.
    void ask(const reference::Question& question) {
        if (question.isEmpty() || stop_.stop_requested())
            return;
        std::vector<std::pair<Reference*, std::future<Result<std::vector<reference::Release>>>>> answers;
        for (Reference* r : references_)
            if (!lost_.contains(r->key()))
                answers.emplace_back(
                    r, std::async(references_.size() > 1 ? std::launch::async : std::launch::deferred,
                                  [r, &question, stop = stop_] { return r->find(question, stop); }));
        for (auto& [from, coming] : answers) {
            auto answer = coming.get();
            if (!answer) {
                fail(*from, answer.error());
                continue;
            }
            for (reference::Release& r : *answer)
                add(*from, std::move(r), from->tellsAllAtOnce());
        }
    }
    void fetch(Reference& from, const std::string& id) {
        if (stop_.stop_requested() || lost_.contains(from.key()))
            return;
        auto release = from.fetch(id, stop_);
        if (release)
            add(from, std::move(*release), true);
        else if (release.error().kind != ErrorKind::NotFound) // it may be gone there
            fail(from, release.error());
    }
    void add(const Told& told) {
        for (Reference* r : references_)
            if (r->key() == told.reference)
                add(*r, told.release, r->tellsAllAtOnce());
    }
    void weigh() { weighAll(found_.candidates); }
    Verdict verdict() const { return verdictOn(found_.candidates); }

    Identified take(size_t most) {
        weigh();
        found_.verdict = verdict();
        // What has nothing in common is no candidate; nor is what is nearly nothing beside the best.
        if (!found_.candidates.empty()) {
            const double best = found_.candidates[0].logit;
            const std::string set = found_.candidates[0].release.editionSet;
            std::erase_if(found_.candidates, [&](const Candidate& c) {
                return c.fit < 0.2 || (c.logit < best - 9 && (set.empty() || c.release.editionSet != set));
            });
        }
        if (found_.candidates.size() > most)
            found_.candidates.erase(found_.candidates.begin() + static_cast<std::ptrdiff_t>(most),
                                    found_.candidates.end());
        return std::move(found_);
    }

private:
    void add(Reference& from, reference::Release release, bool complete) {
        if (!known_.insert(from.key() + ":" + release.id).second)
            return;
        if (from.key() == reference::libraryKey && isOwn(clues_, release))
            return;
        const std::string number = reference::numberOf(from.key(), release.id);
        // Of those that it may be, the one that it is called after, else the likeliest.
        Candidate* same = nullptr;
        for (Candidate& c : found_.candidates) {
            const bool isFree =
                c.reference != from.key() && std::ranges::find(c.also, from.key()) == c.also.end();
            if (!isFree || (c.number() != number && !isSameEdition(c.release, release)))
                continue;
            if (!same || c.number() == number || (same->number() != number && c.logit > same->logit))
                same = &c;
        }
        Candidate fresh = judge(clues_, std::move(release), from.key());
        fresh.complete = complete;
        if (!same) {
            found_.candidates.push_back(std::move(fresh));
        } else if (placeOf(from.key()) > placeOf(same->reference)) {
            same->also.push_back(from.key());
        } else {
            fresh.also = std::move(same->also);
            fresh.also.push_back(same->reference);
            *same = std::move(fresh);
        }
    }
    size_t placeOf(const std::string& key) const {
        return static_cast<size_t>(
            std::ranges::find(references_, key, [](const Reference* r) { return r->key(); }) -
            references_.begin());
    }
    void fail(Reference& from, const Error& error) {
        if (error.kind != ErrorKind::Cancelled && lost_.insert(from.key()).second)
            found_.errors.push_back(error);
    }

    const SleeveClues& clues_;
    const std::vector<Reference*>& references_;
    std::stop_token stop_;
    Identified found_;
    std::set<std::string> known_, lost_;
};

} // namespace

bool isOwn(const SleeveClues& clues, const reference::Release& release) {
    std::set<std::string> own;
    for (const FileClues& f : clues.files)
        own.insert(reference::recordingOfFile(f.id));
    size_t same = 0;
    for (const reference::Medium& m : release.media)
        for (const reference::Track& t : m.tracks)
            same += own.contains(t.recording);
    return same * 2 > release.trackCount();
}

Identified identify(const SleeveClues& clues, const std::vector<Reference*>& references, Ways ways,
                    std::stop_token stop, size_t most, const std::vector<Told>& heard) {
    Gathering all(clues, references, stop);
    for (const Told& told : heard)
        all.add(told);
    if (ways.byCodes) {
        for (Reference* r : references)
            for (const std::string& number : clues.referenceNumbers)
                if (number.starts_with(r->key() + ":"))
                    all.fetch(*r, number.substr(r->key().size() + 1));
                else if (r->key() == reference::libraryKey)
                    all.fetch(*r, number);
        all.ask(clues.byCodes());
    }
    if (ways.byName) {
        all.ask(clues.byEverything());
        all.weigh();
        if (all.verdict() != Verdict::Sure && all.verdict() != Verdict::Likely) {
            all.ask(clues.byTracks());
            reference::Question names = clues.byEverything();
            names.tracks.clear();
            names.lengthsMs.clear();
            all.ask(names);
        }
    }
    return all.take(most);
}

Identified identifyBy(const reference::Question& question, const SleeveClues& clues,
                      const std::vector<Reference*>& references, std::stop_token stop, size_t most) {
    Gathering all(clues, references, stop);
    all.ask(question);
    return all.take(most);
}

} // namespace moorfrost::matching
