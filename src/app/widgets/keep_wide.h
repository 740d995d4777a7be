// SPDX-License-Identifier: GPL-3.0-or-later
// How narrow a panel may be.
#pragma once

#include <QWidget>

namespace moorfrost::app {

/// Never narrower than `least` pixels, nor than what stands in it needs, whatever the language. After its
/// layout is set.
void keepWide(QWidget* panel, int least);

} // namespace moorfrost::app
