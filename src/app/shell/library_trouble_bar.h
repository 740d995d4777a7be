// SPDX-License-Identifier: GPL-3.0-or-later
// Above the foot, for as long as what was done cannot be written to the library: why, how much waits, and a
// button that tries at once.
#pragma once

#include <QFrame>
#include <QLabel>
#include <QPushButton>

#include "app/control/library_access.h"

namespace moorfrost::app {

class LibraryTroubleBar : public QFrame {
    Q_OBJECT
public:
    explicit LibraryTroubleBar(LibraryAccess& library, QWidget* parent = nullptr);
    QString text() const { return text_->text(); }
    QPushButton* retryButton() { return retry_; }
    /// Asks whether to end although something would be lost; true if there is nothing, or it may be.
    bool mayEnd(QWidget* window) const;

private:
    void refresh();

    LibraryAccess& library_;
    QLabel* text_;
    QPushButton* retry_;
};

} // namespace moorfrost::app
