// SPDX-License-Identifier: GPL-3.0-or-later
// Which Moorfrost this is. Said once, in CMakeLists.txt. Any thread.
#pragma once

namespace moorfrost {

/// Such as "0.1.0".
const char* version();

} // namespace moorfrost
