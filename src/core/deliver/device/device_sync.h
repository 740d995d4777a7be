// SPDX-License-Identifier: GPL-3.0-or-later
// Brings a device into step by a plan: what goes is removed, what comes is copied or made anew, in parallel,
// each file under its name only when it is whole and was read again. What was done is noted one by one, so
// that it is gone on with after a stop, a crash, or a device that was taken out.
#pragma once

#include "core/deliver/device/device_plan.h"
#include "core/work/progress.h"

namespace moorfrost::deliver {

struct DeviceReport {
    size_t came = 0, changed = 0, gone = 0, lists = 0;
    std::vector<std::string> trouble; // sentences: of each file that could not be done
    bool complete = false;            // all of the plan was done
    std::string ended;                // why not, a sentence
    uint64_t bytes = 0;               // that were written
};

/// A list that stands on the device, too.
struct DeviceList {
    std::string name;
    std::vector<library::FileId> files;
};

/// `plan`: of just now. `pictures`: a folder for pictures while they are made to fit. `store`: a connection
/// of its own; it gets the key of the device where it had none. An Error where nothing could be begun.
Result<DeviceReport> syncDevice(library::Store& store, const DevicePlan& plan,
                                const std::vector<DeviceList>& lists, const Path& pictures,
                                std::stop_token stop, work::Progress& progress);

} // namespace moorfrost::deliver
