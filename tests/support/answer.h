// SPDX-License-Identifier: GPL-3.0-or-later
// Answers a dialog that is about to come up: it runs an event loop of its own.
#pragma once

#include <QApplication>
#include <QTimer>

#include <functional>
#include <memory>

namespace moorfrost::test {

/// `how` is called with the next dialog of that kind; one that it leaves open is cancelled.
template<class Dialog>
void answer(QObject* asker, std::function<void(Dialog*)> how) {
    auto tries = std::make_shared<int>(400);
    auto* timer = new QTimer(asker);
    timer->setInterval(10);
    QObject::connect(timer, &QTimer::timeout, asker, [timer, tries, how] {
        for (QWidget* w : QApplication::topLevelWidgets())
            if (auto* dialog = qobject_cast<Dialog*>(w); dialog && dialog->isVisible()) {
                timer->stop();
                timer->deleteLater();
                how(dialog);
                if (dialog->isVisible())
                    dialog->reject();
                return;
            }
        if (--*tries == 0) {
            timer->deleteLater();
            qWarning("no dialog came");
        }
    });
    timer->start();
}

} // namespace moorfrost::test
