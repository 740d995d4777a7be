// SPDX-License-Identifier: GPL-3.0-or-later
// The pattern of a label's catalogue numbers, and numbers that do not fit it. Any thread.
#pragma once

#include "core/library/releases/release_list.h"

namespace moorfrost::library {

/// A sentence where other releases of the label have numbers that begin otherwise (it may be another label of
/// the same name); "" where the number fits, where nothing is told, or where too few are known.
std::string whyOddNumber(const ReleaseList& list, const ReleaseEntry& entry);

/// What stands before the digits: "GR" of "GR 014 C". Folded.
std::string numberPrefix(std::string_view number);

} // namespace moorfrost::library
