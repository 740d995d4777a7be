// SPDX-License-Identifier: GPL-3.0-or-later
// Whether two references mean the same edition. Any thread.
#pragma once

#include "core/reference/release.h"

namespace moorfrost::matching {

/// By barcode or catalogue number where both have one; else by names, date, carrier and number of tracks, all
/// of which must agree. In doubt: no.
bool isSameEdition(const reference::Release& a, const reference::Release& b);

} // namespace moorfrost::matching
