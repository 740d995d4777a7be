// SPDX-License-Identifier: GPL-3.0-or-later
// The parts of a change of what the library keeps, in words.
#pragma once

#include <QString>

#include "core/library/store/change_table.h"

namespace moorfrost::app {

/// What a part was before or is after.
QString partText(const library::ChangePart& part, const std::vector<std::string>& values);
/// What it is a part of.
QString partName(const library::ChangePart& part);

} // namespace moorfrost::app
