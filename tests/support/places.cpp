// SPDX-License-Identifier: GPL-3.0-or-later
#include "support/places.h"

namespace moorfrost::test {

Path inSources(const std::string& below) {
    return Path(MOORFROST_SOURCES) / below;
}

Path inBuild(const std::string& below) {
    return Path(MOORFROST_BUILD) / below;
}

} // namespace moorfrost::test
