// SPDX-License-Identifier: GPL-3.0-or-later
// A list for any player, as it will be; and the whole library as JSON Lines.
#pragma once

#include <QPlainTextEdit>
#include <QPushButton>

#include "app/control/lists_out_controller.h"
#include "app/deliver/deliver_view.h"
#include "app/deliver/layout_bar.h"
#include "app/widgets/controls.h"

class QLineEdit;

namespace moorfrost::app {

class ListsView : public DeliverView {
    Q_OBJECT
public:
    ListsView(ListsOutController& lists, Delivering& delivering, Messages& messages,
              QWidget* parent = nullptr);
    QWidget* headPart() override;
    LayoutBar* layouts() { return layouts_; }
    Choice* form() { return form_; }
    Choice* places() { return places_; }
    QLineEdit* title() { return title_; }
    QLineEdit* from() { return from_; }
    QLineEdit* to() { return to_; }
    QPlainTextEdit* preview() { return preview_; }
    QPushButton* saveButton() { return save_; }
    bool isTrue() const override { return lists_.isTrue(); }
    void takeKeyboard() override;
    void save();
    void saveLibrary();

protected:
    void setInSight(bool inSight) override { lists_.setInSight(inSight); }

private:
    void change();
    void showLayout();
    void showPreview();

    ListsOutController& lists_;
    Delivering& delivering_;
    LayoutBar* layouts_;
    Choice *form_, *places_;
    QLineEdit *title_, *from_, *to_;
    QLabel *fromLabel_, *toLabel_;
    QPlainTextEdit* preview_;
    ShortLabel* told_;
    QPushButton *library_, *save_;
};

} // namespace moorfrost::app
