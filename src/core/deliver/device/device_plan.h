// SPDX-License-Identifier: GPL-3.0-or-later
// What would come to a device, change on it and go from it. Nothing is changed. On a thread that has a store
// of its own: the device is looked at.
#pragma once

#include <stop_token>

#include "core/deliver/device/device.h"
#include "core/library/store/store.h"

namespace moorfrost::deliver {

struct DeviceStep {
    enum class Kind {
        Same,   // it is there as it is to be
        Come,   // it is new there
        Change, // the track, its place or the profile is another than when it was put there
        Go,     // it is not wanted any more
        Refuse, // it cannot come
    };
    Kind kind = Kind::Same;
    library::FileId file = 0;
    Path source;        // empty of Go
    std::string path;   // on the device
    std::string before; // of Change: where it was
    bool anew = false;  // it is made in another format, or its pictures are
    uint64_t bytes = 0; // about, of what will be there
    std::string why;    // a sentence: of Change and Refuse
    double seconds = 0;
    files::FileState state; // of the source
    tags::Fields fields;    // that a copy which is made anew gets
    std::vector<tags::PictureInfo> pictures;
};

struct DevicePlan {
    Device device;
    Path folder; // where it is
    std::vector<DeviceStep> steps;
    std::vector<OnDevice> there;      // what we put there, as far as it is still as it was
    std::vector<std::string> foreign; // of ours that others have changed there: left alone
    uint64_t room = 0;                // bytes, before anything is done
    uint64_t comes = 0, goes = 0;     // bytes, about
    size_t count(DeviceStep::Kind kind) const;
    bool isInStep() const;
};

/// An Error (NotFound) where the device is not there, (Invalid) where its plan makes no sense.
Result<DevicePlan> planDevice(library::Store& store, const Device& device, std::stop_token stop = {},
                              const std::vector<Path>& mounts = {"/media", "/run/media", "/mnt"});

} // namespace moorfrost::deliver
