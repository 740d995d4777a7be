// SPDX-License-Identifier: GPL-3.0-or-later
// Shares of a song as those of another, or by a template that was kept ("We two, half and half").
#pragma once

#include <QDialog>
#include <QLineEdit>
#include <QListWidget>
#include <QPushButton>

#include <optional>

#include "app/control/people_controller.h"

class QCheckBox;
class QLabel;

namespace moorfrost::app {

class CopySharesDialog : public QDialog {
    Q_OBJECT
public:
    /// `works`: that get them.
    CopySharesDialog(PeopleController& people, const std::vector<library::CardId>& works,
                     QWidget* parent = nullptr);
    QLineEdit* searchBox() { return search_; }
    QListWidget* list() { return list_; }
    QPushButton* takeButton() { return take_; }
    QString previewText() const;
    /// nullopt: this side stays as it is.
    std::optional<std::vector<library::Share>> shares(library::Side side) const;

private:
    void fill();
    void read();
    void tell();

    PeopleController& people_;
    std::vector<library::CardId> works_;
    QLineEdit* search_;
    QListWidget* list_;
    QLabel* preview_;
    QCheckBox *writers_, *publishers_;
    QPushButton* take_;
    library::CardView from_;
    int run_ = 0;
};

} // namespace moorfrost::app
