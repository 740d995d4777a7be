// SPDX-License-Identifier: GPL-3.0-or-later
// Drives are read and sound is encoded in a process of its own (moorfrost-ripper), one for each rip: a drive
// that hangs, or a library that crashes, takes only it. They talk in lines of JSON. Any thread; calls wait.
#pragma once

#include <optional>

#include "core/disc/cdio_drive.h"
#include "core/disc/rip.h"
#include "core/reference/release.h"

namespace moorfrost::disc {

/// What a drive says of the disc in it.
struct DriveLook {
    std::string name;
    Toc toc;
    CdText text;
    bool operator==(const DriveLook&) const = default;
};

/// Drives of the machine; none where the process cannot tell.
std::vector<DriveName> drivesThere(std::stop_token stop = {});
Result<DriveLook> lookAtDrive(const Path& drive, std::stop_token stop = {});
Status ejectDrive(const Path& drive, std::stop_token stop = {});
/// By which offset the track has one of the checksums (disc/offset).
Result<std::optional<int>> offsetOfDrive(const Path& drive, const Toc& toc, const reference::Medium& known,
                                         std::stop_token stop);
/// As rip(), of the drive or image of this name. Where the process ends before its time, what was ripped so
/// far is in the report, and what it left unfinished is removed.
RipReport ripInProcess(const Path& drive, const RipPlan& plan, std::stop_token stop,
                       const std::function<void(const RipProgress&)>& progress,
                       const std::function<void(const TrackReport&)>& ended = {});

/// The other side: answers what comes in lines from a descriptor, on another, until it ends.
int serveRips(int in, int out);

/// As they talk.
std::string toText(const RipPlan& plan);
Result<RipPlan> planFromText(const std::string& text);
std::string toText(const TrackReport& report);
Result<TrackReport> trackFromText(const std::string& text);
std::string toText(const DriveLook& look);
Result<DriveLook> lookFromText(const std::string& text);

} // namespace moorfrost::disc
