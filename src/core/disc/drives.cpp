// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/disc/drives.h"

#include "core/disc/cdio_drive.h"

namespace moorfrost::disc {

bool isDevice(const Path& drive) {
    std::error_code error;
    const auto status = std::filesystem::status(drive, error);
    return std::filesystem::is_block_file(status) || std::filesystem::is_character_file(status);
}

Result<std::unique_ptr<Drive>> openDrive(const Path& drive) {
    if (isDevice(drive)) {
        auto opened = CdioDrive::open(drive);
        if (!opened)
            return opened.error();
        return std::unique_ptr<Drive>(std::move(*opened));
    }
    auto opened = SimulatedDrive::open(drive);
    if (!opened)
        return opened.error();
    return std::unique_ptr<Drive>(std::move(*opened));
}

} // namespace moorfrost::disc
