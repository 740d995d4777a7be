// SPDX-License-Identifier: GPL-3.0-or-later
// How large everything in the window is: text, icons and the room between them, in per cent of what the
// desktop asks for.
#pragma once

#include <vector>

namespace moorfrost::app::display_scale {

const std::vector<int>& all();
/// 100 where none was chosen.
int chosen();
void choose(int percent);
/// For this process and those that it starts. Before the QApplication is made; a QT_SCALE_FACTOR that is set
/// already stays.
void use();

} // namespace moorfrost::app::display_scale
