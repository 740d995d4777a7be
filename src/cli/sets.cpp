// SPDX-License-Identifier: GPL-3.0-or-later
#include "cli/sets.h"

#include <algorithm>
#include <chrono>
#include <cstdio>
#include <optional>
#include <thread>

#include <fmt/format.h>
#include <unistd.h>

#include "cli/json_out.h"
#include "core/library/replaced_files.h"
#include "core/library/writing.h"
#include "core/text/text.h"

namespace moorfrost::cli {

namespace {

/// How far the work is, on a terminal, a few times a second.
class ProgressLine {
public:
    ProgressLine(const work::Progress& progress, std::string what) : shows_(::isatty(STDERR_FILENO) != 0) {
        if (!shows_)
            return;
        thread_ = std::jthread([&progress, what = std::move(what)](std::stop_token stop) {
            while (!stop.stop_requested()) {
                std::this_thread::sleep_for(std::chrono::milliseconds(200));
                work::Progress::State s = progress.state();
                if (s.total > 0)
                    fmt::print(stderr, "\r{}: {} of {}, {:.0f} a second ", what, s.done, s.total,
                               s.perSecond);
            }
            fmt::print(stderr, "\r\x1b[K");
        });
    }

private:
    bool shows_;
    std::jthread thread_;
};

} // namespace

std::vector<files::ScannedFile> readAll(const Options& options, bool& fine) {
    std::vector<files::ScannedFile> found;
    work::Progress progress;
    ProgressLine line(progress, "reading");
    files::ScanSummary summary = files::scan(pathsOf(options), {!options.noSubfolders, 0}, {}, progress,
                                             [&](files::ScannedFile f) { found.push_back(std::move(f)); });
    for (const Error& e : summary.folders)
        say(text::forDisplay(e.path.native()) + ": " + e.message);
    fine = fine && summary.folders.empty() && summary.failed == 0;
    std::sort(found.begin(), found.end(), [](const auto& a, const auto& b) { return a.path < b.path; });
    return found;
}

int writeAndReport(library::Store& store, files::ChangeSet set, const Options& options, bool fine) {
    if (set.steps.empty())
        return fine ? 0 : 1;
    if (!options.otherNames.empty())
        set.hardLinks = options.otherNames == "all" ? files::HardLinks::AllNames : files::HardLinks::ThisName;
    set.keepTimes = options.keepTimes;
    set.damage = options.evenDamaged ? tags::Damage::Allow : tags::Damage::Refuse;
    if (library::HistoryUse history = store.journal().use(); !history.next.empty())
        say(fmt::format("The journal is full: the {} oldest sets can no longer be taken back.",
                        history.next.size()));
    auto start = std::chrono::steady_clock::now();
    work::Progress progress;
    std::optional<ProgressLine> line(std::in_place, progress, "writing");
    library::WriteOutcome outcome = library::writeSet(store, set, 0, {}, progress);
    library::forgetNotMoved(set, outcome.report);
    line.reset();
    for (const files::StepRecord& r : outcome.report.steps) {
        Json line = stepJson(r);
        line["set"] = outcome.set;
        print(line);
    }
    if (!outcome.report.error.empty())
        say(outcome.report.error);
    double seconds = std::chrono::duration<double>(std::chrono::steady_clock::now() - start).count();
    say(fmt::format("{} written, {} failed, {:.0f} files/s. To take it back: moorfrost-cli take-back {}",
                    outcome.report.done, outcome.report.failed,
                    static_cast<double>(set.steps.size()) / std::max(seconds, 1e-6), outcome.set));
    return fine && outcome.report.failed == 0 && outcome.report.error.empty() ? 0 : 1;
}

std::vector<std::string> customFieldsOf(const std::vector<files::ScannedFile>& files) {
    std::vector<std::string> custom;
    for (const files::ScannedFile& f : files)
        if (f.tags)
            for (const auto& [key, values] : f.tags->fields)
                if (!tags::isStandard(key))
                    custom.push_back(key);
    return custom;
}

std::optional<naming::Plan> parsePlan(const Options& options, const std::vector<files::ScannedFile>& files) {
    auto parsed = naming::parsePlan(options.plan, customFieldsOf(files));
    if (auto* error = std::get_if<naming::PlanError>(&parsed)) {
        say(fmt::format("The plan has an error at character {}: {}", error->offset + 1, error->message));
        fmt::print(stderr, "  {}\n  {}{}\n", options.plan, std::string(error->offset, ' '),
                   std::string(std::max<size_t>(1, error->length), '^'));
        return std::nullopt;
    }
    return std::get<naming::Plan>(parsed);
}

bench::FilePtr recordOf(const files::ScannedFile& file, int64_t number) {
    library::FileRecord r;
    r.id = number;
    r.path = file.path;
    r.state = file.state;
    r.error = file.error;
    if (file.tags)
        r.tags = *file.tags;
    return std::make_shared<library::FileRecord>(std::move(r));
}

files::ChangeSet setOf(const std::string& title, const std::vector<bench::Proposal>& proposals,
                       const bench::Places& places) {
    files::ChangeSet set = bench::changeSet(proposals, places, {});
    set.title = title;
    for (files::Step& step : set.steps)
        step.file = 0;
    return set;
}

void printRefused(const files::ScannedFile& file, const std::string& why) {
    Json line;
    putPath(line, file.path);
    line["state"] = "failed";
    line["error"] = why;
    print(line);
}

} // namespace moorfrost::cli
