// SPDX-License-Identifier: GPL-3.0-or-later
// Texts of labels begin at the side from which the window is read, whatever language they are in: a Latin
// title in a window that is read from the right, too. One for the whole application.
#pragma once

#include <QObject>

namespace moorfrost::app {

class ReadingSide : public QObject {
    Q_OBJECT
public:
    /// Follows from now on. `owner`: with which it ends.
    explicit ReadingSide(QObject* owner);

protected:
    bool eventFilter(QObject* object, QEvent* event) override;
};

} // namespace moorfrost::app
