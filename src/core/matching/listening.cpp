// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/matching/listening.h"

#include <algorithm>
#include <cmath>
#include <map>
#include <set>

#include <fmt/format.h>

namespace moorfrost::matching {

namespace {

using reference::Reference;
using sound::Fingerprint;

// At the eighteen speeds that are tried, chance has as many chances: it must be surer than usual.
constexpr double surelyAtAnotherSpeed = 12;

class Listening {
public:
    Listening(SleeveClues& clues, const std::vector<Reference*>& references, const PrintsOf& printsOf,
              std::stop_token stop)
        : clues_(clues), references_(references), printsOf_(printsOf), stop_(std::move(stop)) {
        // The library is at hand: it is searched first.
        std::ranges::stable_partition(references_,
                                      [](const Reference* r) { return r->key() == reference::libraryKey; });
    }

    Listened run() {
        std::vector<Fingerprint> prints(clues_.files.size());
        std::vector<bool> can(clues_.files.size());
        for (size_t i = 0; i < clues_.files.size() && !stop_.stop_requested(); ++i) {
            clues_.files[i].heard.clear();
            auto print = printsOf_(clues_.files[i].id, {1});
            can[i] = print && print->size() == 1 && print->front().items.size() >= sound::leastItems;
            if (can[i])
                prints[i] = std::move(print->front());
            else if (!print && print.error().kind != ErrorKind::Cancelled)
                out_.errors.push_back(print.error());
        }
        for (Reference* r : references_) {
            auto heard = hear(*r, prints);
            for (size_t i = 0; heard && i < heard->sounds.size(); ++i)
                for (const reference::HeardRecording& h : heard->sounds[i])
                    add(i, *r, h, 1);
            if (heard)
                keep(*r, heard->releases);
        }
        for (size_t i = 0; i < clues_.files.size() && !stop_.stop_requested(); ++i) {
            std::vector<HeardAs>& all = clues_.files[i].heard;
            if (can[i] && std::ranges::none_of(all, &HeardAs::isSure))
                tryOtherSpeeds(i);
            std::ranges::stable_sort(all, [](const HeardAs& a, const HeardAs& b) { return a.z > b.z; });
        }
        return std::move(out_);
    }

private:
    std::optional<reference::Heard> hear(Reference& from, const std::vector<Fingerprint>& prints) {
        if (stop_.stop_requested() || lost_.contains(from.key()))
            return std::nullopt;
        auto heard = from.hear(prints, stop_);
        if (heard)
            return std::move(*heard);
        if (heard.error().kind != ErrorKind::Cancelled && lost_.insert(from.key()).second)
            out_.errors.push_back(heard.error());
        return std::nullopt;
    }
    void add(size_t file, const Reference& from, const reference::HeardRecording& h, double speed) {
        if (from.key() == reference::libraryKey &&
            h.recording == reference::recordingOfFile(clues_.files[file].id))
            return; // it is this very file
        clues_.files[file].heard.push_back({from.key() + "/" + h.recording, h.z, h.offset, h.overlap, speed});
    }
    void keep(const Reference& from, std::vector<reference::Release>& releases) {
        for (reference::Release& r : releases)
            if (known_.insert(from.key() + ":" + r.id).second)
                out_.releases.push_back({from.key(), std::move(r)});
    }

    /// The best that all references say to the file at these speeds; z 0: nothing.
    struct Found {
        Reference* from = nullptr;
        reference::HeardRecording heard;
        double speed = 1;
        std::vector<reference::Release> releases;
    };
    Found bestAt(size_t file, const std::vector<double>& speeds, const std::vector<Reference*>& references) {
        Found best;
        auto prints = printsOf_(clues_.files[file].id, speeds);
        if (!prints || prints->size() != speeds.size())
            return best;
        for (Reference* r : references) {
            auto heard = hear(*r, *prints);
            for (size_t s = 0; heard && s < heard->sounds.size() && s < speeds.size(); ++s)
                for (const reference::HeardRecording& h : heard->sounds[s]) {
                    const bool own = r->key() == reference::libraryKey &&
                                     h.recording == reference::recordingOfFile(clues_.files[file].id);
                    if (!own && h.z > best.heard.z)
                        best = {r, h, speeds[s], {}};
                }
            if (heard && best.from == r)
                best.releases = std::move(heard->releases);
        }
        return best;
    }
    void tryOtherSpeeds(size_t file) {
        // In steps first, then between them.
        Found best;
        for (double from : {speedStep, speedStep / 2}) {
            std::vector<double> speeds;
            for (double off = from; off < mostSpeedError + speedStep / 4; off += speedStep) {
                speeds.push_back(1 + off);
                speeds.push_back(1 - off);
            }
            if (Found here = bestAt(file, speeds, references_); here.heard.z > best.heard.z)
                best = std::move(here);
            if (best.heard.z >= sound::surely)
                break;
        }
        if (best.heard.z < sound::possibly)
            return;
        // Between the steps, to a tenth of a percent.
        std::vector<double> near;
        for (int tenth = -4; tenth <= 4; ++tenth)
            if (tenth != 0)
                near.push_back(best.speed + tenth * 0.001);
        if (Found finer = bestAt(file, near, {best.from});
            finer.from && finer.heard.z > best.heard.z && finer.heard.recording == best.heard.recording) {
            best.heard = finer.heard;
            best.speed = finer.speed;
        }
        if (best.heard.z < surelyAtAnotherSpeed)
            return;
        add(file, *best.from, best.heard, best.speed);
        keep(*best.from, best.releases);
    }

    SleeveClues& clues_;
    std::vector<Reference*> references_;
    const PrintsOf& printsOf_;
    std::stop_token stop_;
    Listened out_;
    std::set<std::string> known_, lost_;
};

} // namespace

Listened listen(SleeveClues& clues, const std::vector<Reference*>& references, const PrintsOf& printsOf,
                std::stop_token stop) {
    return Listening(clues, references, printsOf, std::move(stop)).run();
}

Identified identifyByAll(SleeveClues& clues, const std::vector<reference::Reference*>& references,
                         const PrintsOf& printsOf, ByEar when, std::stop_token stop) {
    Identified found = identify(clues, references, {}, stop);
    // What rests on lengths and numbers alone is worth being heard.
    auto isNamed = [&] {
        const Candidate& best = found.candidates.at(0);
        return best[Evidence::Titles].value >= 0.6 || best[Evidence::Codes].value > 0.5;
    };
    const bool likely = (found.verdict == Verdict::Sure || found.verdict == Verdict::Likely) && isNamed();
    if (!printsOf || (likely && when == ByEar::WhereNamesFail) || stop.stop_requested())
        return found;
    Listened heard = listen(clues, references, printsOf, stop);
    if (std::ranges::any_of(clues.files, [](const FileClues& f) { return !f.heard.empty(); })) {
        std::vector<Error> before = std::move(found.errors);
        found = identify(clues, references, {}, stop, 8, heard.releases);
        if (found.errors.empty())
            found.errors = std::move(before);
    }
    for (Error& e : heard.errors)
        if (std::ranges::none_of(found.errors, [&](const Error& o) { return o.message == e.message; }))
            found.errors.push_back(std::move(e));
    return found;
}

std::string speedText(double speed) {
    if (std::abs(speed - 1) < speedWorthTelling)
        return {};
    return fmt::format("{:.1f} % {}", std::abs(speed - 1) * 100, speed > 1 ? "fast" : "slow");
}

double speedOf(const FileClues& file, const std::string& recording) {
    for (const HeardAs& h : file.heard)
        if (h.isSure() && h.recording == recording)
            return h.speed;
    return 1;
}

} // namespace moorfrost::matching
