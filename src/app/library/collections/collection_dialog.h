// SPDX-License-Identifier: GPL-3.0-or-later
// What a collection is called, what it is for, and who may see it where it is shown to others.
#pragma once

#include <QDialog>

#include "core/library/collections.h"

class QLineEdit;
class QPlainTextEdit;
class QLabel;
class QPushButton;

namespace moorfrost::app {

class Choice;

class CollectionDialog : public QDialog {
    Q_OBJECT
public:
    CollectionDialog(const library::Collection& collection, const QString& title, QWidget* parent);
    library::Collection collection() const;
    QLineEdit* nameLine() { return name_; }
    Choice* seenBy() { return seenBy_; }
    QLineEdit* peopleLine() { return people_; }
    QPlainTextEdit* noteBox() { return note_; }
    QPushButton* okButton() { return ok_; }

private:
    void check();

    library::Collection collection_;
    QLineEdit *name_, *query_, *people_;
    QPlainTextEdit* note_;
    Choice* seenBy_;
    QLabel* trouble_;
    QPushButton* ok_;
};

} // namespace moorfrost::app
