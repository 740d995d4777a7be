// SPDX-License-Identifier: GPL-3.0-or-later
// What is remembered with a library for delivering (library/settings.h has the others).
#pragma once

#include "core/library/settings.h"

namespace moorfrost::library::settings {

inline const Setting<Strings> rowLayouts{"row layouts", {}};            // deliver/rows/row_layout
inline const Setting<std::string> lastRowLayout{"last row layout", {}}; // its name
inline const Setting<Strings> pageLayouts{"page layouts", {}};          // deliver/page/page_layout
inline const Setting<std::string> lastPageLayout{"last page layout", {}};
inline const Setting<Strings> listLayouts{"list layouts", {}}; // deliver/list_layout
inline const Setting<std::string> lastListLayout{"last list layout", {}};
inline const Setting<Strings> packageLayouts{"package layouts", {}}; // deliver/package/package_layout
inline const Setting<std::string> lastPackageLayout{"last package layout", {}};

} // namespace moorfrost::library::settings

namespace moorfrost::library {

/// Kept of a recording: its path on a machine that is not this one, as that one wants it.
inline constexpr const char* elsewhereField = "path elsewhere";

} // namespace moorfrost::library
