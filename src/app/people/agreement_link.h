// SPDX-License-Identifier: GPL-3.0-or-later
// Agreements as lines of a panel that lead to them: what each is called, and how long it holds.
#pragma once

#include "app/widgets/side_lines.h"
#include "core/library/people/agreements.h"

namespace moorfrost::app {

QColor inkOf(const library::Holding& holding);
/// With a caption above them; nothing where there are none.
void showAgreements(SideLines& lines, const std::vector<library::AgreementLine>& agreements,
                    std::function<void(library::CardId)> follow);

} // namespace moorfrost::app
