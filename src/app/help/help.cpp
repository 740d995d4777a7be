// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/help/help.h"

#include <QApplication>
#include <QKeyEvent>

namespace moorfrost::app {

ManualPage keysPage(const QMenu& menu, const ManualPage* written) {
    ManualPage out =
        written ? *written : ManualPage{"keys", Help::tr("Keys"), "# " + Help::tr("Keys") + "\n"};
    auto row = [](const QAction* action) {
        QString name = action->text();
        name.remove('&').replace('|', "\\|");
        const QString keys = action->shortcut().toString(QKeySequence::NativeText).replace('|', "\\|");
        return "| " + name + " | " + keys + " |\n";
    };
    const QString head = "\n| " + Help::tr("command") + " | " + Help::tr("keys") + " |\n|---|---|\n";
    QString rest;
    for (const QAction* part : menu.actions()) {
        if (part->isSeparator())
            continue;
        if (!part->menu()) {
            rest += row(part);
            continue;
        }
        out.text += "\n## " + part->text() + "\n" + head;
        for (const QAction* action : part->menu()->actions())
            if (!action->isSeparator() && !action->menu())
                out.text += row(action);
    }
    if (!rest.isEmpty())
        out.text += "\n## " + Help::tr("Everywhere") + "\n" + head + rest;
    return out;
}

Help::Help(QWidget* window, std::function<QString()> here, std::function<const QMenu*()> commands)
    : QObject(window), over_(window), here_(std::move(here)), commands_(std::move(commands)) {
    qApp->installEventFilter(this);
}

void Help::openHere() {
    const QWidget* dialog = QApplication::activeModalWidget();
    const QString about = dialog ? dialog->property("manual").toString() : QString();
    open(about.isEmpty() ? here_() : about);
}

void Help::open(const QString& place) {
    // A modal dialog lets only windows of its own be used.
    QWidget* over = QApplication::activeModalWidget() ? QApplication::activeModalWidget() : over_;
    if (manual_ && manual_->parentWidget() != over)
        delete manual_;
    if (!manual_) {
        Manual manual = Manual::shipped();
        if (!manual.pages().empty())
            manual.add(keysPage(*commands_(), manual.page("keys")));
        manual_ = new ManualWindow(std::move(manual), over);
    }
    manual_->open(place);
    manual_->show();
    manual_->raise();
    manual_->activateWindow();
}

/// The shortcuts of the window do not hold while a dialog is open over it.
bool Help::eventFilter(QObject* object, QEvent* event) {
    if (event->type() == QEvent::KeyPress && static_cast<QKeyEvent*>(event)->key() == Qt::Key_F1 &&
        static_cast<QKeyEvent*>(event)->modifiers() == Qt::NoModifier && object->isWidgetType() &&
        QApplication::activeModalWidget() &&
        QApplication::activeModalWidget() == static_cast<QWidget*>(object)->window()) {
        openHere();
        return true;
    }
    return QObject::eventFilter(object, event);
}

} // namespace moorfrost::app
