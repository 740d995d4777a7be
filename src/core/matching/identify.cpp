// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/matching/identify.h"

#include <algorithm>
#include <future>
#include <set>

namespace moorfrost::matching {

namespace {

using reference::Reference;

/// Gathers candidates; each release once.
class Gathering {
public:
    Gathering(const SleeveClues& clues, std::stop_token stop) : clues_(clues), stop_(std::move(stop)) {}

    /// All at once; what they answer is taken in their order.
    void ask(const std::vector<Reference*>& references, const reference::Question& question) {
        if (question.isEmpty() || stop_.stop_requested())
            return;
        std::vector<std::pair<Reference*, std::future<Result<std::vector<reference::Release>>>>> answers;
        for (Reference* r : references)
            if (!lost_.contains(r->key()))
                answers.emplace_back(
                    r, std::async(references.size() > 1 ? std::launch::async : std::launch::deferred,
                                  [r, &question, stop = stop_] { return r->find(question, stop); }));
        for (auto& [from, coming] : answers) {
            auto answer = coming.get();
            if (!answer) {
                fail(*from, answer.error());
                continue;
            }
            for (reference::Release& r : *answer)
                add(*from, std::move(r), false);
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
        found_.candidates.push_back(judge(clues_, std::move(release), from.key()));
        found_.candidates.back().complete = complete;
    }
    void fail(Reference& from, const Error& error) {
        if (error.kind != ErrorKind::Cancelled && lost_.insert(from.key()).second)
            found_.errors.push_back(error);
    }

    const SleeveClues& clues_;
    std::stop_token stop_;
    Identified found_;
    std::set<std::string> known_, lost_;
};

} // namespace

Identified identify(const SleeveClues& clues, const std::vector<Reference*>& references, Ways ways,
                    std::stop_token stop, size_t most) {
    Gathering all(clues, stop);
    if (ways.byCodes) {
        for (Reference* r : references)
            for (const std::string& number : clues.referenceNumbers)
                if (number.starts_with(r->key() + ":"))
                    all.fetch(*r, number.substr(r->key().size() + 1));
        all.ask(references, clues.byCodes());
    }
    if (ways.byName) {
        all.ask(references, clues.byEverything());
        all.weigh();
        if (all.verdict() != Verdict::Sure && all.verdict() != Verdict::Likely) {
            all.ask(references, clues.byTracks());
            reference::Question names = clues.byEverything();
            names.tracks.clear();
            names.lengthsMs.clear();
            all.ask(references, names);
        }
    }
    return all.take(most);
}

Identified identifyBy(const reference::Question& question, const SleeveClues& clues,
                      const std::vector<Reference*>& references, std::stop_token stop, size_t most) {
    Gathering all(clues, stop);
    all.ask(references, question);
    return all.take(most);
}

} // namespace moorfrost::matching
