// SPDX-License-Identifier: GPL-3.0-or-later
// The look: colours by name, fonts, icons that follow the theme, the style sheet.
#pragma once

#include <QColor>
#include <QFont>
#include <QIcon>
#include <QString>

namespace moorfrost::app::theme {

enum class Choice { System, Light, Dark, HighContrast };

struct Colours {
    QColor window, panel, sunk, line, faint, ink, second, third, rail;
    QColor heather, heatherBack, fjord, fjordBack, moss, mossBack, lichen, lichenBack, rowan, rowanBack;
    QColor accent, accentHover, accentInk;
    bool dark = false;
};

/// Loads the fonts that ship with the application. Once, after QApplication is made.
void loadFonts();
/// Applies a theme to the whole application.
void apply(Choice choice);
/// The two halves of apply(), for the start: colours before the window is built, the style sheet after it,
/// because a window that is put together under a style sheet is polished again at every step.
void chooseColours(Choice choice);
void applyStyleSheet();
Choice choiceFromKey(const QString& key);
QString keyOf(Choice choice);

const Colours& colours();
QFont uiFont(int pixels = 13, QFont::Weight weight = QFont::Normal);
QFont monoFont();
/// An icon of the family in resources/icons, in the colour of the theme.
QIcon icon(const QString& name, const QColor& colour = {});
QPixmap pixmap(const QString& name, const QColor& colour, int size, qreal ratio);

} // namespace moorfrost::app::theme
