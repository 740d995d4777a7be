// SPDX-License-Identifier: GPL-3.0-or-later
// Buttons that stay down, boxes to be ticked, and the workspaces of the rail, for whoever hears the screen:
// using one there is the same as a click. (What Qt offers only turns the mark, and nothing that follows a
// click would happen.)
#pragma once

namespace moorfrost::app {

/// For all buttons that are asked about from now on. Once is enough.
void installButtonAccess();

} // namespace moorfrost::app
