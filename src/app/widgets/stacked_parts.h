// SPDX-License-Identifier: GPL-3.0-or-later
// What most dialogs are made of: bars and a panel, one below the other, without room between them.
#pragma once

#include <QVBoxLayout>

#include <initializer_list>

namespace moorfrost::app {

/// Lays them out in `dialog`; the one that is `panel` takes what room is left.
inline void stackParts(QWidget* dialog, std::initializer_list<QWidget*> parts, QWidget* panel) {
    auto* layout = new QVBoxLayout(dialog);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    for (QWidget* part : parts)
        layout->addWidget(part, part == panel ? 1 : 0);
}

} // namespace moorfrost::app
