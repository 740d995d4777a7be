// SPDX-License-Identifier: GPL-3.0-or-later
// What the simulated reference knows: the releases of the made-up world with their editions and what several
// contributors say differently, and as many invented ones as are wanted to get lost among. Deterministic.
#pragma once

#include <vector>

#include "core/base/result.h"
#include "core/reference/release.h"

namespace moorfrost::demo {

/// What is kept from another version is made anew.
constexpr const char* referenceVersion = "moorfrost reference data 6\n";
/// How many invented releases the demo has.
constexpr size_t demoReleases = 20000;

/// The releases of the made-up world. Those of a set follow one another.
std::vector<reference::Release> namedReleases();
/// `count` invented ones (and up to two more, so that the last set is whole).
std::vector<reference::Release> inventedReleases(size_t count, uint64_t seed = 1);

/// Writes "cairn.jsonl" and a folder "pictures" into `folder`. What is there already is left if it is of this
/// version and `keep`.
Status makeReference(const Path& folder, bool keep, size_t invented = demoReleases);

} // namespace moorfrost::demo
