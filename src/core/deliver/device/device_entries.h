// SPDX-License-Identifier: GPL-3.0-or-later
// Inside the module: what we put on a device, as the library keeps it. On the thread of the store.
#pragma once

#include "core/deliver/device/device.h"
#include "core/library/store/device_table.h"
#include "core/library/store/store.h"

namespace moorfrost::deliver {

std::vector<OnDevice> entriesOf(library::Store& store, int64_t device);
library::DeviceTable::Entry entryOf(const OnDevice& on);

} // namespace moorfrost::deliver
