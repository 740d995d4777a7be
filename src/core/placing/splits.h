// SPDX-License-Identifier: GPL-3.0-or-later
// Albums that a plan would tear apart. Inside placing/ only.
#pragma once

#include "core/placing/namer.h"
#include "core/placing/put_away.h"

namespace moorfrost::placing {

/// Marks the files that go elsewhere than most of their sleeve, with the field that makes them. Discs with
/// folders of their own are meant.
void markSplits(const std::vector<PutAwayFile>& files, const naming::Plan& plan, const Namer& namer,
                PutAwayResult& result);

} // namespace moorfrost::placing
