// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/button_access.h"

#include <QAbstractButton>
#include <QAccessibleWidget>
#include <QButtonGroup>
#include <QCheckBox>
#include <QPushButton>
#include <QRegularExpression>
#include <QToolButton>

#include "app/shell/rail_button.h"

namespace moorfrost::app {

namespace {

bool hasMenu(const QAbstractButton* button) {
    const auto* push = qobject_cast<const QPushButton*>(button);
    const auto* tool = qobject_cast<const QToolButton*>(button);
    return (push && push->menu()) || (tool && tool->menu());
}

/// What it is, is asked anew each time: it may be made to stay down after somebody asked first.
class ButtonAccess : public QAccessibleWidget {
public:
    explicit ButtonAccess(QAbstractButton* button) : QAccessibleWidget(button, QAccessible::Button) {}

    QAccessible::Role role() const override {
        if (qobject_cast<const RailButton*>(button()))
            return QAccessible::PageTab;
        if (!button()->isCheckable())
            return hasMenu(button()) ? QAccessible::ButtonMenu : QAccessible::Button;
        const bool oneOfSeveral =
            button()->autoExclusive() || (button()->group() && button()->group()->exclusive());
        return oneOfSeveral ? QAccessible::RadioButton : QAccessible::CheckBox;
    }
    QString text(QAccessible::Text kind) const override {
        if (kind != QAccessible::Name)
            return QAccessibleWidget::text(kind);
        if (!button()->accessibleName().isEmpty())
            return button()->accessibleName();
        QString out = button()->text().isEmpty() ? button()->toolTip() : button()->text();
        static const QRegularExpression mnemonic("&(.)");
        return out.replace(mnemonic, "\\1");
    }
    QAccessible::State state() const override {
        QAccessible::State out = QAccessibleWidget::state();
        out.checkable = button()->isCheckable();
        out.checked = button()->isChecked();
        const auto* box = qobject_cast<const QCheckBox*>(button());
        out.checkStateMixed = box && box->checkState() == Qt::PartiallyChecked;
        out.hasPopup = hasMenu(button());
        out.pressed = button()->isDown();
        if (const auto* push = qobject_cast<const QPushButton*>(button()))
            out.defaultButton = push->isDefault();
        if (role() == QAccessible::PageTab) {
            out.selectable = true;
            out.selected = button()->isChecked();
        }
        return out;
    }
    QStringList actionNames() const override {
        if (!button()->isEnabled())
            return {};
        const bool turns = button()->isCheckable() && role() != QAccessible::PageTab;
        return QStringList{hasMenu(button()) ? showMenuAction()
                           : turns           ? toggleAction()
                                             : pressAction()} +
               QAccessibleWidget::actionNames();
    }
    void doAction(const QString& name) override {
        if (name == showMenuAction()) {
            if (auto* push = qobject_cast<QPushButton*>(button()))
                push->showMenu();
            else if (auto* tool = qobject_cast<QToolButton*>(button()))
                tool->showMenu();
        } else if (name == toggleAction() || name == pressAction()) {
            button()->click();
        } else {
            QAccessibleWidget::doAction(name);
        }
    }

private:
    QAbstractButton* button() const { return static_cast<QAbstractButton*>(object()); }
};

QAccessibleInterface* made(const QString&, QObject* object) {
    auto* button = qobject_cast<QAbstractButton*>(object);
    return button ? new ButtonAccess(button) : nullptr;
}

} // namespace

void installButtonAccess() {
    static const bool once = [] {
        QAccessible::installFactory(made);
        return true;
    }();
    Q_UNUSED(once);
}

} // namespace moorfrost::app
