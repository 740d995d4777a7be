// SPDX-License-Identifier: GPL-3.0-or-later
// Where the tracks of a disc will be, by a plan.
#pragma once

#include "core/disc/rip_plan.h"
#include "core/placing/put_away.h"

namespace moorfrost::disc {

/// Gives each track of the plan its target below `root`, and tells of each what stands against it. Where a
/// name cannot be made, or is taken, the target is empty. `name`: what the disc is called where nothing is
/// known of it. Looks at the disk.
std::vector<placing::Placement> placeByPlan(RipPlan& rip, const naming::Plan& plan, const Path& root,
                                            files::NameProfile profile, const std::string& name);

/// What an earlier rip of the same disc has left, as its reports beside the files say.
struct EarlierRip {
    std::vector<TrackReport> tracks; // whose file is there
    ReportFiles reports;             // that tell of them
};
/// `targets`: of tracks, where they would be.
EarlierRip rippedEarlier(const std::vector<Path>& targets, const std::string& format, const Toc& toc);

} // namespace moorfrost::disc
