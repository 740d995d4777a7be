// SPDX-License-Identifier: GPL-3.0-or-later
// Sounds and what is said to them as JSON (docs/reference-protocol.md). Reading trusts nothing. Any thread.
#pragma once

#include <string>
#include <string_view>

#include "core/base/result.h"
#include "core/reference/hearing.h"

namespace moorfrost::reference {

// What is taken at most.
inline constexpr size_t maxSounds = 64;    // in one question
inline constexpr size_t maxItems = 16'000; // of one fingerprint
inline constexpr size_t maxHeard = 50;     // recordings for one sound

std::string toJson(const std::vector<sound::Fingerprint>& sounds);
Result<std::vector<sound::Fingerprint>> soundsFromJson(std::string_view json);

std::string toJson(const Heard& heard);
Result<Heard> heardFromJson(std::string_view json);

} // namespace moorfrost::reference
