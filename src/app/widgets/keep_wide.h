// SPDX-License-Identifier: GPL-3.0-or-later
// How narrow a panel may be.
#pragma once

#include <QScrollArea>

namespace moorfrost::app {

/// Never narrower than `least` pixels, nor than what stands in it needs, whatever the language. After its
/// layout is set.
void keepWide(QWidget* panel, int least);

/// A panel that goes up and down only: what stands in it is not cut off, up to `most` pixels. After it has
/// its widget.
void keepWide(QScrollArea* area, int least, int most);

} // namespace moorfrost::app
