// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/focus_ring.h"

#include <QAbstractItemView>
#include <QApplication>
#include <QCheckBox>
#include <QComboBox>
#include <QFocusEvent>
#include <QHelpEvent>
#include <QLabel>
#include <QLineEdit>
#include <QPainter>
#include <QRadioButton>
#include <QToolButton>
#include <QToolTip>

#include <functional>

#include "app/shell/theme.h"

namespace moorfrost::app {

namespace {

bool isOnRail(const QWidget* widget) {
    return widget->parentWidget() && widget->parentWidget()->objectName() == "rail";
}

/// Others show it in the style sheet.
bool needsRing(const QWidget* widget) {
    return qobject_cast<const QCheckBox*>(widget) || qobject_cast<const QRadioButton*>(widget) ||
           qobject_cast<const QAbstractItemView*>(widget) || qobject_cast<const QLabel*>(widget) ||
           (qobject_cast<const QToolButton*>(widget) && isOnRail(widget));
}

/// Follows the focus, and knows whether the last thing that was done was a key.
class Follower : public QObject {
public:
    Follower(QObject* owner, std::function<QWidget*(QWidget*)> make)
        : QObject(owner), make_(std::move(make)) {
        qApp->installEventFilter(this);
    }

protected:
    bool eventFilter(QObject* object, QEvent* event) override {
        switch (event->type()) {
        case QEvent::KeyPress:
        case QEvent::ShortcutOverride:
            byKey_ = true;
            break;
        case QEvent::MouseButtonPress:
            byKey_ = false;
            break;
        case QEvent::FocusIn: {
            const auto reason = static_cast<QFocusEvent*>(event)->reason();
            const bool byKey =
                reason == Qt::TabFocusReason || reason == Qt::BacktabFocusReason ||
                reason == Qt::ShortcutFocusReason ||
                (byKey_ && reason != Qt::MouseFocusReason && reason != Qt::ActiveWindowFocusReason);
            auto* widget = qobject_cast<QWidget*>(object);
            if (!widget)
                break; // the style is told, too
            delete ring_;
            if (byKey && needsRing(widget))
                ring_ = make_(widget);
            break;
        }
        case QEvent::FocusOut:
            if (ring_ && ring_->parent() == object)
                delete ring_;
            break;
        default:
            break;
        }
        return false;
    }

private:
    std::function<QWidget*(QWidget*)> make_;
    QPointer<QWidget> ring_;
    bool byKey_ = false;
};

} // namespace

void FocusRing::follow(QObject* owner) {
    new Follower(owner, [](QWidget* around) -> QWidget* { return new FocusRing(around); });
}

FocusRing::FocusRing(QWidget* around) : QWidget(around) {
    setAttribute(Qt::WA_TransparentForMouseEvents);
    setAttribute(Qt::WA_NoSystemBackground);
    setFocusPolicy(Qt::NoFocus);
    setGeometry(around->rect());
    around->installEventFilter(this);
    raise();
    show();
}

bool FocusRing::eventFilter(QObject* object, QEvent* event) {
    if (object == parentWidget() && event->type() == QEvent::Resize)
        setGeometry(parentWidget()->rect());
    return false;
}

void FocusRing::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.setPen(QPen(isOnRail(parentWidget()) ? QColor("#8CC7E0") : theme::colours().fjord, 1));
    p.drawRect(rect().adjusted(0, 0, -1, -1));
}

FullText::FullText(QObject* owner) : QObject(owner) {
    qApp->installEventFilter(this);
}

QString FullText::of(const QWidget* widget) {
    auto tooLong = [widget](const QString& text, int room) {
        return widget->fontMetrics().horizontalAdvance(text) > room ? text : QString();
    };
    if (!widget->toolTip().isEmpty())
        return {};
    if (const auto* line = qobject_cast<const QLineEdit*>(widget))
        return tooLong(line->text().isEmpty() ? line->placeholderText() : line->text(), line->width() - 16);
    if (const auto* box = qobject_cast<const QComboBox*>(widget))
        return tooLong(box->currentText(), box->width() - 34);
    if (const auto* button = qobject_cast<const QAbstractButton*>(widget);
        button && button->sizeHint().width() > button->width())
        return button->text().remove('&');
    return {};
}

bool FullText::eventFilter(QObject* object, QEvent* event) {
    if (event->type() != QEvent::ToolTip)
        return false;
    const auto* widget = qobject_cast<QWidget*>(object);
    const QString text = widget ? of(widget) : QString();
    if (text.isEmpty())
        return false;
    QToolTip::showText(static_cast<QHelpEvent*>(event)->globalPos(), text.toHtmlEscaped());
    return true;
}

} // namespace moorfrost::app
