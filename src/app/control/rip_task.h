// SPDX-License-Identifier: GPL-3.0-or-later
// A rip as a job does it: the process that reads the disc, what is recorded of each file, the reports, and
// what is checked afterwards. Values in, values out; nothing of the interface.
#pragma once

#include "app/control/references_controller.h"
#include "core/disc/find_disc.h"
#include "core/disc/rip_check.h"
#include "core/disc/rip_plan.h"
#include "core/work/progress.h"

namespace moorfrost::app {

struct RipTask {
    Path drive;
    std::string driveName;
    disc::Toc toc;
    disc::RipPlan plan;
    std::optional<disc::Variant> chosen;
    bool findOffset = false; // of a drive that is not known
    bool listen = false;
    ReferencesController::Held references;
    std::vector<disc::TrackReport> earlier; // of the same rip, which goes on
    disc::ReportFiles reports;              // of these; empty: of a new one
    int64_t set = 0;                        // of the journal; 0: a new one
    std::string title;                      // what the journal says
    Path library;
};

struct RipOutcome {
    disc::RipReport report;
    std::vector<disc::HeardTrack> heard;
    int64_t set = 0;
    disc::ReportFiles reports;
    std::vector<std::string> troubles;                  // that kept no track from being a file
    std::optional<int> offset;                          // that was found for it
    std::vector<std::pair<int, library::FileId>> files; // of tracks, on shelves
};

/// `told`: of each track, when it is a file and recorded, or failed. Both are called by the job's thread.
RipOutcome ripInJob(const RipTask& task, std::stop_token stop, work::Progress& progress,
                    const std::function<void(const disc::RipProgress&)>& going,
                    const std::function<void(const disc::TrackReport&)>& told);

} // namespace moorfrost::app
