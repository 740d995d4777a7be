// SPDX-License-Identifier: GPL-3.0-or-later
// What files of one sound differ in, as a table, and which of two is the better copy.
#pragma once

#include "app/control/sound_groups_controller.h"
#include "app/widgets/comparison_table.h"

namespace moorfrost::app {

/// A column for each file of the group. `chosen`: the one that the others are held against.
Comparison soundFacts(SoundGroupsController& groups, const library::SoundGroup& group, size_t chosen);
/// Why the one is a better copy than the other; "" where it is not, or one of them is not known.
QString whyBetter(const SoundGroupFile* one, const SoundGroupFile* other);

} // namespace moorfrost::app
