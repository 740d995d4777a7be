// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shell/reading_side.h"

#include <QApplication>
#include <QEvent>
#include <QLabel>
#include <QLayout>

namespace moorfrost::app {

namespace {

/// What a label had before it was turned.
constexpr const char* turnedFrom = "alignment as it is read from the left";

void followSide(QLabel* label) {
    const QVariant had = label->property(turnedFrom);
    if (!label->isRightToLeft()) {
        if (had.isValid()) {
            label->setAlignment(static_cast<Qt::Alignment>(had.toInt()));
            label->setProperty(turnedFrom, QVariant());
        }
        return;
    }
    const Qt::Alignment is = label->alignment();
    const Qt::Alignment across = is & (Qt::AlignLeft | Qt::AlignRight);
    if (had.isValid() || !across || is.testFlag(Qt::AlignAbsolute))
        return;
    label->setProperty(turnedFrom, static_cast<int>(is));
    label->setAlignment((is & Qt::AlignVertical_Mask) | Qt::AlignAbsolute |
                        (across == Qt::AlignLeft ? Qt::AlignRight : Qt::AlignLeft));
}

constexpr const char* isTurned = "margins are turned";

/// The room that a layout leaves at one side.
void followSide(QLayout* layout, bool fromRight) {
    if (layout->property(isTurned).toBool() != fromRight) {
        const QMargins m = layout->contentsMargins();
        layout->setContentsMargins(m.right(), m.top(), m.left(), m.bottom());
        layout->setProperty(isTurned, fromRight);
    }
    for (QObject* inside : layout->children())
        if (auto* one = qobject_cast<QLayout*>(inside))
            followSide(one, fromRight);
}

} // namespace

ReadingSide::ReadingSide(QObject* owner) : QObject(owner) {
    qApp->installEventFilter(this);
}

bool ReadingSide::eventFilter(QObject* object, QEvent* event) {
    if (event->type() != QEvent::Polish && event->type() != QEvent::LayoutDirectionChange)
        return false;
    auto* widget = qobject_cast<QWidget*>(object);
    if (auto* label = qobject_cast<QLabel*>(widget))
        followSide(label);
    if (widget && widget->layout())
        followSide(widget->layout(), widget->isRightToLeft());
    return false;
}

} // namespace moorfrost::app
