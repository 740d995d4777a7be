// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shell/parts.h"

#include <QAbstractItemView>
#include <QApplication>
#include <QStyle>

#include <algorithm>
#include <vector>

namespace moorfrost::app {

namespace {

constexpr const char* partProperty = "moorfrost part";

bool isPart(const QWidget* w) {
    return w->property(partProperty).toBool() || qobject_cast<const QAbstractItemView*>(w);
}

/// Itself, or the first in it that Tab would reach.
QWidget* taker(QWidget* part) {
    if (part->isEnabled() && part->focusPolicy() & Qt::TabFocus)
        return part;
    for (QWidget* w = part->nextInFocusChain(); w && w != part; w = w->nextInFocusChain())
        if (part->isAncestorOf(w) && w->isVisible() && w->isEnabled() && w->focusPolicy() & Qt::TabFocus)
            return w;
    return nullptr;
}

} // namespace

void markAsPart(QWidget* widget) {
    widget->setProperty(partProperty, true);
}

void goToPart(QWidget* window, int by) {
    std::vector<QWidget*> parts;
    for (QWidget* w : window->findChildren<QWidget*>()) {
        if (!w->isVisible() || w->window() != window || !isPart(w) || !taker(w))
            continue;
        bool within = false; // what lies in a part belongs to it
        for (QWidget* p = w->parentWidget(); p && p != window; p = p->parentWidget())
            within = within || isPart(p);
        if (!within)
            parts.push_back(w);
    }
    if (parts.empty())
        return;
    std::ranges::sort(parts, {}, [window](QWidget* w) {
        const QRect at = QStyle::visualRect(window->layoutDirection(), window->rect(),
                                            QRect(w->mapTo(window, QPoint()), w->size()));
        return std::pair(at.x(), at.y());
    });
    const QWidget* now = QApplication::focusWidget();
    const auto at =
        std::ranges::find_if(parts, [now](QWidget* w) { return now && (w == now || w->isAncestorOf(now)); });
    const auto n = static_cast<int>(parts.size());
    const int from = at == parts.end() ? (by > 0 ? -1 : 0) : static_cast<int>(at - parts.begin());
    taker(parts[static_cast<size_t>((from + by + n) % n)])->setFocus(Qt::TabFocusReason);
}

} // namespace moorfrost::app
