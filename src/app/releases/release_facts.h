// SPDX-License-Identifier: GPL-3.0-or-later
// The facts of an edition as rows to be shown and typed over.
#pragma once

#include "app/control/releases_controller.h"
#include "app/widgets/fact_table.h"

namespace moorfrost::app {

/// `oddNumber`: what is odd of its number beside others of the label; "" for nothing.
std::vector<FactRow> releaseFactRows(const ShownRelease& release, const std::string& oddNumber = {});
/// "typed, 30 Nov".
QString originText(const library::Fact& fact);

} // namespace moorfrost::app
