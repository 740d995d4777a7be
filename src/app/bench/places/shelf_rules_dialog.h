// SPDX-License-Identifier: GPL-3.0-or-later
// How one shelf keeps its files: what names must suit, what the other files are called that go along, and
// where files go that are replaced.
#pragma once

#include <QDialog>

#include "app/widgets/controls.h"
#include "core/library/placing_rules.h"
#include "core/library/records.h"

class QLineEdit;
class QRadioButton;

namespace moorfrost::app {

class ShelfRulesDialog : public QDialog {
    Q_OBJECT
public:
    /// `ofAll`: what names must suit where a shelf has no choice of its own. `aside`: a folder, or "".
    ShelfRulesDialog(const library::Shelf& shelf, library::PlacingRule rule, const std::string& aside,
                     files::NameProfile ofAll, std::vector<std::string> customFields,
                     QWidget* parent = nullptr);
    library::PlacingRule rule() const;
    std::string asideFolder() const;
    Choice* names() { return names_; }
    QLineEdit* alongNames() { return along_; }
    QRadioButton* ownFolder() { return own_; }
    QPushButton* takeButton() { return bar_.take; }
    QString told() const;

private:
    void check();
    void chooseFolder();

    library::PlacingRule rule_;
    std::vector<std::string> customFields_;
    Choice* names_;
    QLineEdit *along_, *folder_;
    QRadioButton *trash_, *own_;
    QLabel* error_;
    TakeBar bar_;
};

} // namespace moorfrost::app
