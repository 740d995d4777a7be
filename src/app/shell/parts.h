// SPDX-License-Identifier: GPL-3.0-or-later
// The parts of a page, for hands that stay on the keyboard: lists, tables and what is marked as one. Tab
// stays within a table; this leads out of it.
#pragma once

class QWidget;

namespace moorfrost::app {

/// Marks a widget as a part; its first child that takes the focus gets it.
void markAsPart(QWidget* widget);
/// The focus goes to the next part that is in sight (-1: the one before), as one reads, from top to
/// bottom.
void goToPart(QWidget* window, int by);

} // namespace moorfrost::app
