// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/work/job.h"

#include <sys/resource.h>
#include <unistd.h>

namespace moorfrost::work {

void giveWay() {
    constexpr int politeness = 10;
    ::setpriority(PRIO_PROCESS, static_cast<id_t>(::gettid()), politeness); // of this thread, on Linux
}

} // namespace moorfrost::work
