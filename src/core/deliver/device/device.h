// SPDX-License-Identifier: GPL-3.0-or-later
// Devices that get copies: what one plays and holds, where it is, how names are made for it. A plain folder
// is a device, too. Profiles are JSON that can be handed on. Any thread.
#pragma once

#include <string>
#include <string_view>
#include <vector>

#include "core/base/result.h"
#include "core/library/records.h"

namespace moorfrost::deliver {

struct DeviceProfile {
    std::string name;
    std::vector<std::string> plays; // endings of files, ".mp3"; none: everything
    int highestRate = 0;            // Hz; 0: any
    int highestBits = 0;            // of lossless ones; 0: any
    std::string format = "mp3";     // what all others become: a name of audio::encodeFormats()
    int bitrate = 192000;           // bits per second, of lossy ones
    int pictureSide = 0;            // pixels; 0: pictures stay as they are; negative: none
    size_t longestName = 255;       // characters of a name of a file or folder
    uint64_t capacity = 0;          // bytes of all of it; 0: as its disk says
    uint64_t keepFree = 1'000'000;  // bytes that are left alone
    std::string plan;               // naming/plan; {place} is the place in what is sent
    std::string lists;              // folder of playlists on it; "" for none
    bool loudness = false;          // what is made anew is as loud as its Track gain says
    bool operator==(const DeviceProfile&) const = default;
};
/// A plain folder, a small player, a telephone.
const std::vector<DeviceProfile>& shippedDeviceProfiles();
std::string deviceProfileJson(const DeviceProfile& profile);
/// An Error (Invalid) says what was not understood.
Result<DeviceProfile> deviceProfileFromJson(std::string_view json);

/// Something that is kept in step.
struct Device {
    int64_t id = 0;
    std::string name;
    Path folder;     // where it was last
    std::string key; // noted on it, so that it is found again; "" until it was there once
    DeviceProfile profile;
    std::vector<library::FileId> wanted; // tracks that are to be on it, in order
    std::string wantedName;              // what these are: a list, a search
    std::string use;                     // noted of the tracks when they have gone there; "" for none
};
std::string deviceContent(const Device& device);
Device deviceFrom(int64_t id, const std::string& content);

/// A file that we put there.
struct OnDevice {
    std::string path; // from its folder
    library::FileId file = 0;
    uint64_t sourceSize = 0;
    int64_t sourceModified = 0; // nanoseconds: the file of the library as it was then
    std::string made;           // by which profile: deviceMadeBy()
    uint64_t size = 0;
    int64_t modified = 0; // nanoseconds, on the device
    bool operator==(const OnDevice&) const = default;
};
/// What of a profile makes a copy another.
std::string deviceMadeBy(const DeviceProfile& profile);

/// The file on a device by which it is known again.
inline constexpr const char* deviceMark = ".moorfrost-device";
/// Where it is now: its folder of before, or another that has its mark, in places where disks are mounted;
/// empty where it is not there.
Path placeOfDevice(const Device& device, const std::vector<Path>& mounts = {"/media", "/run/media", "/mnt"});
/// Bytes that may still be put there: by its capacity, or as its disk says.
Result<uint64_t> roomOnDevice(const DeviceProfile& profile, const Path& folder);

} // namespace moorfrost::deliver
