// SPDX-License-Identifier: GPL-3.0-or-later
// Where a share holds, and since when: asked for in a dialog.
#pragma once

#include <QDialog>

#include "core/library/people/share.h"

class QLabel;
class QLineEdit;

namespace moorfrost::app {

class ShareTerms : public QDialog {
    Q_OBJECT
public:
    ShareTerms(const QString& who, const library::Share& share, library::Side side,
               QWidget* parent = nullptr);
    QLineEdit* territory() { return territory_; }
    QLineEdit* from() { return from_; }
    /// As it is to be.
    library::Share share() const;
    /// What is wrong with what was typed; "" where nothing is.
    QString trouble() const;
    /// The old one is to stay, and this one to hold from its date on, or in its territory.
    bool isAnother() const { return another_; }

private:
    void tell();
    void end(bool another);

    library::Share share_;
    library::Side side_;
    QLineEdit *territory_, *from_;
    QLabel* trouble_;
    bool another_ = false;
};

} // namespace moorfrost::app
