// SPDX-License-Identifier: GPL-3.0-or-later
// moorfrost-bench-identify [SEED [FEATURES]]: how often the right release comes first among 20,000, how far
// certainties can be trusted, and what it takes. Sleeves of one seed were tuned on, those of another are
// reported. FEATURES: a file for scripts/fit-evidence.
#include <algorithm>
#include <array>
#include <chrono>
#include <cmath>
#include <cstdio>
#include <cstdlib>
#include <map>
#include <mutex>

#include "core/matching/identify.h"
#include "core/reference/catalogue.h"
#include "core/reference/http_reference.h"
#include "core/reference/standin_process.h"
#include "core/work/parallel.h"
#include "demo/damaged_sleeves.h"
#include "demo/reference_world.h"

namespace {

using namespace moorfrost;

void check(bool fine, const char* what) {
    if (fine)
        return;
    std::fprintf(stderr, "moorfrost-bench-identify: %s\n", what);
    std::exit(1);
}

/// Asks a catalogue in this process: what a reference adds in time is not ours.
class Direct : public reference::Reference {
public:
    explicit Direct(const reference::Catalogue& c) : catalogue_(c) {}
    std::string key() const override { return "cairn"; }
    std::string name() const override { return "Cairn"; }
    Result<std::vector<reference::Release>> find(const reference::Question& q, std::stop_token) override {
        const auto start = std::chrono::steady_clock::now();
        std::vector<reference::Release> out;
        for (const auto& a : catalogue_.ask(q, q.limit))
            out.push_back(catalogue_.releases()[a.release]);
        seconds += std::chrono::duration<double>(std::chrono::steady_clock::now() - start).count();
        ++asked;
        return out;
    }
    Result<reference::Release> fetch(const std::string& id, std::stop_token) override {
        if (const auto* r = catalogue_.find(id))
            return *r;
        return Error{ErrorKind::NotFound, {}, "no"};
    }
    Result<std::string> picture(const std::string&, int, std::stop_token) override {
        return Error{ErrorKind::NotFound, {}, "no"};
    }
    double seconds = 0;
    size_t asked = 0;

private:
    const reference::Catalogue& catalogue_;
};

/// The evidence for each candidate of a sleeve, and which is right (-1: none of them).
struct Case {
    std::vector<std::array<double, matching::evidenceCount>> candidates;
    int right = -1;
};

Case caseOf(const std::vector<matching::Candidate>& candidates, const std::string& right) {
    Case out;
    for (const matching::Candidate& c : candidates) {
        if (c.release.id == right)
            out.right = static_cast<int>(out.candidates.size());
        auto& values = out.candidates.emplace_back();
        for (size_t e = 0; e < matching::evidenceCount; ++e)
            values[e] = c.said[e].known ? c.said[e].value : 0;
    }
    return out;
}

/// A conditional logit (McFadden 1974) with "none of them" as one more choice, by gradient ascent; weights
/// are not negative and are pulled towards 0 a little.
void fit(const std::vector<Case>& cases) {
    std::array<double, matching::evidenceCount + 1> w{}, m{}, v{};
    w.fill(3);
    w.back() = 12;
    for (int step = 1; step <= 6000; ++step) {
        std::array<double, matching::evidenceCount + 1> gradient{};
        for (const Case& c : cases) {
            std::vector<double> logits;
            for (const auto& values : c.candidates) {
                double sum = 0;
                for (size_t e = 0; e < values.size(); ++e)
                    sum += w[e] * values[e];
                logits.push_back(sum);
            }
            logits.push_back(w.back());
            const double top = *std::max_element(logits.begin(), logits.end());
            double total = 0;
            for (double& l : logits)
                total += l = std::exp(l - top);
            for (size_t k = 0; k < logits.size(); ++k) {
                const bool isNone = k == c.candidates.size();
                const double error =
                    (isNone ? c.right < 0 : c.right == static_cast<int>(k)) - logits[k] / total;
                if (isNone)
                    gradient.back() += error;
                else
                    for (size_t e = 0; e < matching::evidenceCount; ++e)
                        gradient[e] += error * c.candidates[k][e];
            }
        }
        for (size_t e = 0; e < w.size(); ++e) {
            gradient[e] -= 0.02 * w[e];
            m[e] = 0.9 * m[e] + 0.1 * gradient[e];
            v[e] = 0.999 * v[e] + 0.001 * gradient[e] * gradient[e];
            w[e] += 0.05 * (m[e] / (1 - std::pow(0.9, step))) /
                    (std::sqrt(v[e] / (1 - std::pow(0.999, step))) + 1e-8);
            w[e] = std::max(0.0, w[e]);
        }
    }
    std::printf("fitted:");
    for (double x : w)
        std::printf(" %.2f", x);
    std::printf(" (the last: none of them)\n");
}

} // namespace

int main(int argc, char** argv) {
    const uint64_t seed = argc > 1 ? std::strtoull(argv[1], nullptr, 10) : 2;
    std::vector<Case> cases;
    std::vector<reference::Release> all = demo::namedReleases();
    for (reference::Release& r : demo::inventedReleases(demo::demoReleases))
        all.push_back(std::move(r));
    const reference::Catalogue catalogue(std::move(all));
    const auto sleeves = demo::damagedSleeves(catalogue.releases(), 500, seed);
    Direct direct(catalogue);
    std::map<demo::Damage, std::pair<size_t, size_t>> byDamage; // right, all
    size_t rightRelease = 0, rightEdition = 0, files = 0, seatedRight = 0, seats = 0;
    std::map<matching::Verdict, std::pair<size_t, size_t>> byVerdict;
    std::vector<std::pair<double, size_t>> bins(10);
    std::vector<size_t> rightInBin(10);
    double slowest = 0, ours = 0;
    for (size_t n = 0; n < sleeves.size(); ++n) {
        const demo::DamagedSleeve& s = sleeves[n];
        const reference::Release& truth = catalogue.releases()[s.release];
        const double before = direct.seconds;
        const auto start = std::chrono::steady_clock::now();
        const matching::SleeveClues clues = matching::cluesOf(s.files);
        const matching::Identified found = matching::identify(clues, {&direct}, {}, {}, 12);
        const double took = std::chrono::duration<double>(std::chrono::steady_clock::now() - start).count() -
                            (direct.seconds - before);
        ours += took;
        slowest = std::max(slowest, took);
        files += s.files.size();
        const bool any = !found.candidates.empty();
        const bool release = any && found.candidates[0].release.editionSet == truth.editionSet;
        const bool edition = any && found.candidates[0].release.id == truth.id;
        rightRelease += release;
        rightEdition += edition;
        for (demo::Damage d : s.damages) {
            byDamage[d].first += release;
            ++byDamage[d].second;
        }
        byVerdict[found.verdict].first += edition;
        ++byVerdict[found.verdict].second;
        if (!release && std::getenv("WRONG")) {
            std::printf("  wrong: %s / %s:", truth.credit.text().c_str(), truth.title.c_str());
            for (demo::Damage d : s.damages)
                std::printf(" %s,", demo::nameOf(d));
            std::printf(" %s; found %s\n", s.files[0].path.c_str(),
                        any ? found.candidates[0].release.title.c_str() : "nothing");
        }
        if (any) {
            const double c = found.candidates[0].certainty;
            const size_t bin = std::min<size_t>(9, static_cast<size_t>(c * 10));
            bins[bin].first += c;
            ++bins[bin].second;
            rightInBin[bin] += edition;
            if (release) {
                size_t track = 0;
                const auto& seating = found.candidates[0].seating;
                for (size_t t = 0; t < seating.fileOf.size(); ++t, ++track) {
                    if (seating.fileOf[t] < 0)
                        continue;
                    ++seats;
                    const int64_t id = clues.files[static_cast<size_t>(seating.fileOf[t])].id;
                    const auto index = static_cast<size_t>(id - static_cast<int64_t>(n * 1000) - 1);
                    seatedRight += s.tracks[index] == static_cast<int>(t);
                }
            }
        }
        cases.push_back(caseOf(found.candidates, truth.id));
    }
    // Releases that the reference does not have: nothing may be sure.
    const std::vector<reference::Release> unknown = demo::inventedReleases(2000, 77 + seed);
    std::map<matching::Verdict, size_t> foreign;
    for (const demo::DamagedSleeve& s : demo::damagedSleeves(unknown, 200, seed + 1000)) {
        const matching::Identified found =
            matching::identify(matching::cluesOf(s.files), {&direct}, {}, {}, 12);
        ++foreign[found.verdict];
        cases.push_back(caseOf(found.candidates, {}));
    }
    if (std::getenv("FIT"))
        fit(cases);
    std::printf("500 damaged sleeves (seed %llu) among %zu releases, %zu files\n",
                static_cast<unsigned long long>(seed), catalogue.releases().size(), files);
    std::printf("right release first: %.1f in 100; right edition first: %.1f in 100; seats right where it "
                "is: %.2f in 100\n",
                static_cast<double>(rightRelease) / 5, static_cast<double>(rightEdition) / 5,
                100.0 * static_cast<double>(seatedRight) / static_cast<double>(std::max<size_t>(1, seats)));
    for (const auto& [d, c] : byDamage)
        std::printf("  %-14s %3zu of %3zu\n", demo::nameOf(d), c.first, c.second);
    std::printf("certainty told, how often the edition was right:\n");
    for (size_t b = 0; b < 10; ++b)
        if (bins[b].second > 0)
            std::printf("  %.1f to %.1f: told %.3f, right %.3f of %zu\n", static_cast<double>(b) / 10,
                        static_cast<double>(b + 1) / 10, bins[b].first / static_cast<double>(bins[b].second),
                        static_cast<double>(rightInBin[b]) / static_cast<double>(bins[b].second),
                        bins[b].second);
    const char* verdicts[] = {"sure", "likely", "look at this", "unknown"};
    for (const auto& [v, c] : byVerdict)
        std::printf("  %-12s %3zu, right edition %3zu\n", verdicts[static_cast<size_t>(v)], c.second,
                    c.first);
    std::printf("200 sleeves of releases that are not in it:");
    for (const auto& [v, n] : foreign)
        std::printf(" %s %zu", verdicts[static_cast<size_t>(v)], n);
    std::printf("\nour own time: %.2f ms a sleeve, at most %.1f ms; %.1f questions a sleeve, %.1f ms each in "
                "the catalogue\n",
                ours * 2, slowest * 1e3, static_cast<double>(direct.asked) / 500,
                direct.seconds * 1e3 / static_cast<double>(direct.asked));
    if (argc > 2) {
        reference::StandinProcess standin(argv[2]);
        reference::HttpReference cairn(
            "cairn", "Cairn", [&] { return standin.address(); }, nullptr);
        check(bool(standin.address()), "the stand-in did not start");
        size_t sure = 0;
        std::mutex mutex;
        const auto begin = std::chrono::steady_clock::now();
        work::inParallel(
            sleeves.size(),
            [&](size_t i) {
                const matching::Identified found =
                    matching::identify(matching::cluesOf(sleeves[i].files), {&cairn}, {}, {});
                std::lock_guard lock(mutex);
                check(found.errors.empty(), "the stand-in could not be asked");
                sure += found.verdict == matching::Verdict::Sure;
            },
            4);
        std::printf("over HTTP, the stand-in at its default delay: 500 sleeves in %.1f s, %zu sure\n",
                    std::chrono::duration<double>(std::chrono::steady_clock::now() - begin).count(), sure);
    }
    return 0;
}
