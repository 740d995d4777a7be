// SPDX-License-Identifier: GPL-3.0-or-later
// A sheet of rows for another system: its columns and how the file is put down on the left, its first rows as
// they will be on the right.
#pragma once

#include <QPushButton>
#include <QTableView>

#include "app/control/rows_out_controller.h"
#include "app/deliver/deliver_view.h"
#include "app/widgets/controls.h"

class QCheckBox;
class QFormLayout;
class QLineEdit;

namespace moorfrost::app {

class ColumnEditor;
class FieldPicker;
class LayoutBar;
class OrderList;

class RowsOutView : public DeliverView {
    Q_OBJECT
public:
    RowsOutView(RowsOutController& rows, Delivering& delivering, LibraryIndex& index, Messages& messages,
                QWidget* parent = nullptr);

    LayoutBar* layouts() { return layouts_; }
    OrderList* columns() { return columns_; }
    ColumnEditor* column() { return column_; }
    FieldPicker* adder() { return add_; }
    QTableView* preview() { return preview_; }
    Choice* fileKind() { return kind_; }
    Choice* delimiter() { return delimiter_; }
    Choice* charset() { return charset_; }
    QLineEdit* forWhom() { return forWhom_; }
    QPushButton* saveButton() { return save_; }
    QString told() const { return told_->text(); }
    QWidget* headPart() override;
    void takeKeyboard() override;
    bool isTrue() const override { return rows_.isTrue(); }
    /// Asks for the name.
    void save();
    void copyText();

protected:
    void setInSight(bool inSight) override { rows_.setInSight(inSight); }

private:
    QWidget* left();
    QWidget* right();
    QWidget* fileForm();
    void showLayout();
    void showPreview();
    /// What there is to say of a column beside its heading.
    QString tellsOf(const deliver::RowColumn& column) const;
    /// A change of the layout by a person.
    void change(const std::function<void(deliver::RowLayout&)>& how);

    RowsOutController& rows_;
    Delivering& delivering_;
    LibraryIndex& index_;
    Messages& messages_;
    LayoutBar* layouts_;
    OrderList* columns_;
    ColumnEditor* column_;
    FieldPicker* add_;
    Choice *kind_, *delimiter_, *quotes_, *charset_, *decimal_, *dates_;
    QCheckBox *mark_, *headings_, *drafts_;
    QLineEdit *pathFrom_, *pathTo_, *forWhom_;
    QFormLayout* form_;
    QTableView* preview_;
    ShortLabel* told_;
    QPushButton *copy_, *save_;
    bool showing_ = false;
};

} // namespace moorfrost::app
