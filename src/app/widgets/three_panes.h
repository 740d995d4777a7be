// SPDX-License-Identifier: GPL-3.0-or-later
// What the parts of the Releases workspace have in common: a head with a search, and below it a list, the
// sheet of what is chosen in it, and what stands beside that.
#pragma once

#include <QLineEdit>
#include <QScrollArea>
#include <QStackedWidget>

#include <vector>

#include "app/widgets/controls.h"

class QBoxLayout;

namespace moorfrost::app {

struct SearchHead {
    QWidget* widget;
    QLineEdit* search;
    ShortLabel* count;
};
/// `hint`: what can be searched; `name`: of the line, for those who do not see it; `buttons` from the left.
SearchHead searchHead(const QString& title, const QString& hint, const QString& name,
                      const std::vector<QWidget*>& buttons);

struct ThreePanes {
    QWidget* widget;
    QStackedWidget* stack; // the sheet, or what stands in its place where nothing is chosen
    QScrollArea *sheet, *side;
};
/// `caption`: above the list. How wide each is, is remembered under `name`.
ThreePanes threePanes(QBoxLayout* caption, QWidget* list, QWidget* sheet, QWidget* empty, QWidget* side,
                      const QList<int>& widths, const QString& name);

} // namespace moorfrost::app
