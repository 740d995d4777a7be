// SPDX-License-Identifier: GPL-3.0-or-later
// Inside the search: sort forms ("Hollow Ferry, The") of what is laid over the columns.
#pragma once

#include "core/library/search/layer.h"

namespace moorfrost::library {

/// Whether the rows above tell another sort form of something that is also below, so that the places that
/// were worked out below are no longer right. `replaced`: the row below that each takes the place of,
/// UINT32_MAX for none.
bool tellOtherSortForms(const Layer& below, const Layer& above, const std::vector<Row>& replaced);

} // namespace moorfrost::library
