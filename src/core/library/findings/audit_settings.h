// SPDX-License-Identifier: GPL-3.0-or-later
// What is remembered with a library for the audit (library/settings.h has the others).
#pragma once

#include "core/library/settings.h"

namespace moorfrost::library::settings {

inline const Setting<std::string> auditRules{"audit rules", "{}"}; // findings/rules

} // namespace moorfrost::library::settings
