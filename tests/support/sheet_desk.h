// SPDX-License-Identifier: GPL-3.0-or-later
// What tests of the sheet and the drawer have in common.
#pragma once

#include <QtTest>

#include "app/bench/bench_page.h"
#include "app/bench/describe_page.h"
#include "app/widgets/field_box.h"
#include "support/driver.h"
#include "support/sample_files.h"

namespace moorfrost::app {

class SheetDesk {
protected:
    std::unique_ptr<test::Sandbox> sheetBox_;
    std::unique_ptr<Driver> desk_;
    SheetView* sheet_ = nullptr;
    SheetModel* model_ = nullptr;

    /// Brings in the folder "in" of the sandbox and goes to the sheet.
    void describeFolder() {
        desk_ = std::make_unique<Driver>(*sheetBox_ / "library.db");
        desk_->bringIn({*sheetBox_ / "in"});
        desk_->window().bench()->showStep(BenchPage::Describe);
        desk_->settle();
        sheet_ = desk_->window().bench()->describe()->sheet();
        model_ = static_cast<SheetModel*>(sheet_->model());
        sheet_->setFocus();
    }
    int column(const std::string& key) {
        const auto& c = model_->columns();
        auto it = std::find(c.begin(), c.end(), key);
        return it == c.end() ? -1 : static_cast<int>(it - c.begin());
    }
    QString cell(int row, const char* key) {
        return model_->index(row, column(key)).data(Qt::EditRole).toString();
    }
    void go(int row, const char* key) { sheet_->setCurrentIndex(model_->index(row, column(key))); }
    void select(int row1, const char* key1, int row2, const char* key2) {
        go(row1, key1);
        sheet_->selectionModel()->select(
            QItemSelection(model_->index(row1, column(key1)), model_->index(row2, column(key2))),
            QItemSelectionModel::ClearAndSelect);
    }
    FieldBox* box(const char* key) {
        for (FieldBox* b : desk_->window().findChildren<FieldBox*>())
            if (b->key() == key && b->isVisible())
                return b;
        return nullptr;
    }
};

} // namespace moorfrost::app
