// SPDX-License-Identifier: GPL-3.0-or-later
// How discs are ripped: remembered from one time to the next.
#pragma once

#include <QString>

#include <cstdint>
#include <string>

#include "core/base/result.h"

namespace moorfrost::app {

struct RipSettings {
    std::string format = "flac";
    int bitrate = 0;    // of lossy ones; 0: the usual one
    int64_t shelf = 0;  // 0: into a folder
    Path folder;        // in which it is ripped then
    std::string plan;   // its text
    bool verify = true; // until two readings agree
    bool listen = true; // is it the release that was chosen?
    bool eject = false; // when all is ripped
    bool operator==(const RipSettings&) const = default;
};

RipSettings rememberedRip();
void rememberRip(const RipSettings& settings);

} // namespace moorfrost::app
