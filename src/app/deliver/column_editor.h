// SPDX-License-Identifier: GPL-3.0-or-later
// One column of a sheet of rows: its heading, what it says, and how.
#pragma once

#include <QFrame>

#include "app/control/library_index.h"
#include "core/deliver/rows/row_layout.h"

class QLabel;
class QLineEdit;
class QSpinBox;

namespace moorfrost::app {

class Choice;
class FieldPicker;

class ColumnEditor : public QFrame {
    Q_OBJECT
public:
    explicit ColumnEditor(QWidget* parent = nullptr);
    void show(const deliver::RowColumn* column); // nullptr: none is chosen
    void setKeys(std::vector<std::string> keys);
    QLineEdit* heading() { return heading_; }
    FieldPicker* says() { return says_; }
    QLineEdit* always() { return always_; }
    Choice* several() { return several_; }
    Choice* form() { return form_; }

signals:
    /// By a person.
    void changed(const moorfrost::deliver::RowColumn& column);

private:
    void tell();
    void showParts();

    deliver::RowColumn column_;
    QLineEdit *heading_, *always_, *between_, *joint_;
    FieldPicker* says_;
    Choice *several_, *form_;
    QSpinBox* count_;
    QLabel *alwaysLabel_, *betweenLabel_, *formLabel_, *severalLabel_;
    bool showing_ = false;
};

/// All keys that a column may say, in the order in which they are offered, and what they are called.
std::vector<std::string> columnKeys(const LibraryIndex& index);
QString columnName(const std::string& key);

} // namespace moorfrost::app
