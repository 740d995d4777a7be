// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shell/theme.h"

#include <QAbstractItemView>
#include <QApplication>
#include <QFile>
#include <QFontDatabase>
#include <QPainter>
#include <QPalette>
#include <QPixmapCache>
#include <QProxyStyle>
#include <QRegularExpression>
#include <QStyleFactory>
#include <QSvgRenderer>

namespace moorfrost::app::theme {

namespace {

/// The row that has the keyboard has the frame of everything else that has it.
class Style : public QProxyStyle {
public:
    using QProxyStyle::QProxyStyle;
    void drawPrimitive(PrimitiveElement element, const QStyleOption* option, QPainter* painter,
                       const QWidget* widget) const override {
        // A tree does not say that it is one.
        const bool inView = !widget || qobject_cast<const QAbstractItemView*>(widget);
        if (element != PE_FrameFocusRect || !inView) {
            QProxyStyle::drawPrimitive(element, option, painter, widget);
            return;
        }
        painter->setPen(QPen(colours().fjord, 1));
        painter->setBrush(Qt::NoBrush);
        painter->drawRect(option->rect.adjusted(0, 0, -1, -1));
    }
};

Colours frost() {
    Colours c;
    c.window = "#EEF1F2", c.panel = "#FBFCFC", c.sunk = "#E4E9EB", c.line = "#CFD7DB", c.faint = "#E2E8EA";
    c.ink = "#17232B", c.second = "#4C5D68", c.third = "#66767F", c.rail = "#1D2A33";
    c.heather = "#6B4A8C", c.heatherBack = "#EDE6F4", c.fjord = "#1F5F7A", c.fjordBack = "#DCEBF1";
    c.moss = "#2F6B48", c.mossBack = "#E1EFE6", c.lichen = "#855808", c.lichenBack = "#F8EDD3";
    c.rowan = "#AE3440", c.rowanBack = "#F8E1E2";
    c.accent = "#6B4A8C", c.accentHover = "#5B3D79", c.accentInk = "#FFFFFF";
    return c;
}

Colours nightMoor() {
    Colours c;
    c.dark = true;
    c.window = "#151B20", c.panel = "#1B2329", c.sunk = "#11171B", c.line = "#33404A", c.faint = "#28333B";
    c.ink = "#E6ECEF", c.second = "#A9B7C0", c.third = "#8B9AA5", c.rail = "#0E1418";
    c.heather = "#C3A7E6", c.heatherBack = "#2E2540", c.fjord = "#8CC7E0", c.fjordBack = "#1B3440";
    c.moss = "#86C79E", c.mossBack = "#1C3326", c.lichen = "#E0B35A", c.lichenBack = "#3A2F16";
    c.rowan = "#EE8A92", c.rowanBack = "#3D2024";
    c.accent = "#C3A7E6", c.accentHover = "#D3BDEE", c.accentInk = "#1B1426";
    return c;
}

/// Black on white; what tells a state is as dark as it can be and still be told apart.
Colours highContrast() {
    Colours c;
    c.window = "#FFFFFF", c.panel = "#FFFFFF", c.sunk = "#F2F2F2", c.line = "#4A4A4A", c.faint = "#8A8A8A";
    c.ink = "#000000", c.second = "#111111", c.third = "#2E2E2E", c.rail = "#000000";
    c.heather = "#4A1E73", c.heatherBack = "#F1E6FA", c.fjord = "#003A5C", c.fjordBack = "#D5E9F5";
    c.moss = "#0A4222", c.mossBack = "#E0F3E6", c.lichen = "#5A3700", c.lichenBack = "#FFF0CC";
    c.rowan = "#7E0012", c.rowanBack = "#FFE3E5";
    c.accent = "#4A1E73", c.accentHover = "#2E0F4D", c.accentInk = "#FFFFFF";
    return c;
}

Colours current = frost();

bool systemIsDark() {
    static const bool dark = QApplication::palette().color(QPalette::Window).lightness() < 110;
    return dark;
}

/// Qt mirrors where things stand, but not what is around them: edges, corners and room at one side.
QString mirrored(const QString& sheet) {
    static const QRegularExpression side("((?:border|padding|margin)-(?:top-|bottom-)?)(left|right)\\b"),
        all("((?:padding|margin): *\\w+ )(\\w+)( \\w+ )(\\w+)(?= *[;}])");
    QString out;
    qsizetype done = 0;
    for (auto at = side.globalMatch(sheet); at.hasNext();) {
        const QRegularExpressionMatch one = at.next();
        out += QStringView(sheet).mid(done, one.capturedStart() - done);
        out += one.captured(1) + (one.captured(2) == "left" ? "right" : "left");
        done = one.capturedEnd();
    }
    out += QStringView(sheet).mid(done);
    return out.replace(all, "\\1\\4\\3\\2");
}

QString styleSheet() {
    QFile file(":/style.qss");
    if (!file.open(QIODevice::ReadOnly))
        return {};
    QString s = QString::fromUtf8(file.readAll());
    const Colours& c = current;
    // Longer names first: "@heatherBack" before "@heather".
    const std::pair<const char*, QColor> tokens[] = {{"@heatherBack", c.heatherBack},
                                                     {"@fjordBack", c.fjordBack},
                                                     {"@mossBack", c.mossBack},
                                                     {"@lichenBack", c.lichenBack},
                                                     {"@rowanBack", c.rowanBack},
                                                     {"@accentHover", c.accentHover},
                                                     {"@accentInk", c.accentInk},
                                                     {"@accent", c.accent},
                                                     {"@heather", c.heather},
                                                     {"@fjord", c.fjord},
                                                     {"@moss", c.moss},
                                                     {"@lichen", c.lichen},
                                                     {"@rowan", c.rowan},
                                                     {"@window", c.window},
                                                     {"@panel", c.panel},
                                                     {"@sunk", c.sunk},
                                                     {"@line", c.line},
                                                     {"@faint", c.faint},
                                                     {"@second", c.second},
                                                     {"@third", c.third},
                                                     {"@ink", c.ink},
                                                     {"@rail", c.rail}};
    s.replace("@mode", c.dark ? "dark" : "light");
    for (const auto& [name, colour] : tokens)
        s.replace(QLatin1String(name), colour.name());
    return QGuiApplication::layoutDirection() == Qt::RightToLeft ? mirrored(s) : s;
}

} // namespace

void loadFonts() {
    for (const char* file :
         {"Inter-Regular.otf", "Inter-Medium.otf", "Inter-SemiBold.otf", "JetBrainsMono-Regular.ttf"})
        QFontDatabase::addApplicationFont(QString(":/fonts/") + file);
    systemIsDark(); // before the palette is ours
    QApplication::setStyle(new Style(QStyleFactory::create("Fusion")));
    QApplication::setFont(uiFont());
}

void apply(Choice choice) {
    chooseColours(choice);
    applyStyleSheet();
}

void applyStyleSheet() {
    qApp->setStyleSheet(styleSheet());
}

void chooseColours(Choice choice) {
    bool dark = choice == Choice::Dark || (choice == Choice::System && systemIsDark());
    current = choice == Choice::HighContrast ? highContrast() : dark ? nightMoor() : frost();
    const Colours& c = current;
    QPalette p;
    p.setColor(QPalette::Window, c.window);
    p.setColor(QPalette::WindowText, c.ink);
    p.setColor(QPalette::Base, c.panel);
    p.setColor(QPalette::AlternateBase, c.window);
    p.setColor(QPalette::Text, c.ink);
    p.setColor(QPalette::Button, c.panel);
    p.setColor(QPalette::ButtonText, c.ink);
    p.setColor(QPalette::Highlight, c.fjordBack);
    p.setColor(QPalette::HighlightedText, c.ink);
    p.setColor(QPalette::PlaceholderText, c.third);
    p.setColor(QPalette::Link, c.fjord);
    p.setColor(QPalette::ToolTipBase, c.rail);
    p.setColor(QPalette::ToolTipText, Qt::white);
    for (auto role : {QPalette::WindowText, QPalette::Text, QPalette::ButtonText})
        p.setColor(QPalette::Disabled, role, c.third);
    QPixmapCache::clear();
    QApplication::setPalette(p);
}

Choice choiceFromKey(const QString& key) {
    return key == "light"      ? Choice::Light
           : key == "dark"     ? Choice::Dark
           : key == "contrast" ? Choice::HighContrast
                               : Choice::System;
}

QString keyOf(Choice choice) {
    return choice == Choice::Light          ? "light"
           : choice == Choice::Dark         ? "dark"
           : choice == Choice::HighContrast ? "contrast"
                                            : "system";
}

const Colours& colours() {
    return current;
}

QFont uiFont(int pixels, QFont::Weight weight) {
    QFont font("Inter");
    font.setPixelSize(pixels);
    font.setWeight(weight);
    return font;
}

QFont monoFont() {
    QFont font("JetBrains Mono");
    font.setPixelSize(12);
    font.setStyleHint(QFont::Monospace);
    return font;
}

QPixmap pixmap(const QString& name, const QColor& colour, int size, qreal ratio) {
    QString key = QString("%1/%2/%3/%4").arg(name, colour.name()).arg(size).arg(ratio);
    QPixmap out;
    if (QPixmapCache::find(key, &out))
        return out;
    QFile file(":/icons/" + name + ".svg");
    if (!file.open(QIODevice::ReadOnly))
        return {};
    QByteArray svg = file.readAll();
    svg.replace("currentColor", colour.name().toLatin1());
    QSvgRenderer renderer(svg);
    out = QPixmap(qRound(size * ratio), qRound(size * ratio));
    out.fill(Qt::transparent);
    QPainter painter(&out);
    renderer.render(&painter);
    painter.end();
    out.setDevicePixelRatio(ratio);
    QPixmapCache::insert(key, out);
    return out;
}

QIcon icon(const QString& name, const QColor& colour) {
    QColor c = colour.isValid() ? colour : current.second;
    QIcon icon;
    for (qreal ratio : {1.0, 2.0}) {
        icon.addPixmap(pixmap(name, c, 20, ratio));
        icon.addPixmap(pixmap(name, current.line, 20, ratio), QIcon::Disabled);
    }
    return icon;
}

} // namespace moorfrost::app::theme
