// SPDX-License-Identifier: GPL-3.0-or-later
// Absent files that were looked for: where each was, where it may be now, and why. What is ticked the library
// follows.
#pragma once

#include <QDialog>

#include "core/library/find_again.h"

class QPushButton;
class QTreeWidget;

namespace moorfrost::app {

class ShortLabel;

class FindAgainDialog : public QDialog {
    Q_OBJECT
public:
    FindAgainDialog(std::vector<library::FoundAgain> found, QWidget* parent);
    /// Those that are ticked.
    std::vector<library::FoundAgain> chosen() const;
    QTreeWidget* list() { return list_; }
    QPushButton* followButton() { return follow_; }
    QString told() const;

private:
    void tell();

    std::vector<library::FoundAgain> found_;
    QTreeWidget* list_;
    ShortLabel* told_;
    QPushButton* follow_;
};

} // namespace moorfrost::app
