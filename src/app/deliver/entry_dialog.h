// SPDX-License-Identifier: GPL-3.0-or-later
// Entries without a file for rows of a sheet: on which shelf, and what kind of sound they are, by rule.
#pragma once

#include <QDialog>

#include "core/deliver/rows/rows_take.h"
#include "core/library/records.h"

class QSpinBox;
class QVBoxLayout;

namespace moorfrost::app {

class Choice;

class EntryDialog : public QDialog {
    Q_OBJECT
public:
    EntryDialog(const std::vector<library::Shelf>& shelves, const std::vector<deliver::RowKindRule>& rules,
                int rows, QWidget* parent = nullptr);
    int64_t shelf() const;
    std::vector<deliver::RowKindRule> rules() const;
    Choice* shelfChoice() { return shelf_; }

private:
    void addRule(const deliver::RowKindRule& rule);

    struct Row {
        QWidget* widget;
        Choice *artist, *kind;
        QSpinBox* seconds;
    };
    Choice* shelf_;
    QVBoxLayout* list_;
    std::vector<Row> rows_;
};

} // namespace moorfrost::app
