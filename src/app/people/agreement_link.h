// SPDX-License-Identifier: GPL-3.0-or-later
// An agreement as a line of a panel that leads to it: what it is called, and how long it holds.
#pragma once

#include "app/widgets/side_lines.h"
#include "core/library/people/agreements.h"

namespace moorfrost::app {

QColor inkOf(const library::Holding& holding);
/// QLabel::linkActivated tells.
QLabel* agreementLink(SideLines& lines, const library::AgreementLine& agreement);

} // namespace moorfrost::app
