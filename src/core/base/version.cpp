// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/base/version.h"

namespace moorfrost {

const char* version() {
    return MOORFROST_VERSION;
}

} // namespace moorfrost
