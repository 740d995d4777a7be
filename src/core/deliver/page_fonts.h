// SPDX-License-Identifier: GPL-3.0-or-later
// Inside the module: the fonts of pages. Those that ship with the application, then what the machine has.
#pragma once

#include <pango/pangocairo.h>

namespace moorfrost::deliver {

/// A map of fonts of its own; to be given back with g_object_unref. Any thread.
PangoFontMap* pageFonts();
inline constexpr const char* textFace = "Inter";
inline constexpr const char* codeFace = "JetBrains Mono";

} // namespace moorfrost::deliver
