// SPDX-License-Identifier: GPL-3.0-or-later
// Small buttons inside a line of text, with names for whoever does not see them: Qt gives them none.
#pragma once

#include <QLineEdit>
#include <QToolButton>

namespace moorfrost::app {

/// The last one that was added.
inline void nameLineIcon(QLineEdit* line, const QString& name) {
    if (const auto all = line->findChildren<QToolButton*>(); !all.isEmpty())
        all.back()->setAccessibleName(name);
}

/// A button that blanks the line, while there is something in it.
inline void addClearButton(QLineEdit* line) {
    line->setClearButtonEnabled(true);
    nameLineIcon(line, QLineEdit::tr("Blank the line"));
}

} // namespace moorfrost::app
