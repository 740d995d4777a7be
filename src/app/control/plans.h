// SPDX-License-Identifier: GPL-3.0-or-later
// Plans to choose from: those that ship with the program and those that were kept under a name.
#pragma once

#include <QString>

#include <utility>
#include <vector>

#include "app/control/library_settings.h"

namespace moorfrost::app {

/// Name and text.
std::vector<std::pair<QString, QString>> plansOf(const LibrarySettings& settings);
/// The first of those that ship.
QString usualPlanText();

} // namespace moorfrost::app
