// SPDX-License-Identifier: GPL-3.0-or-later
// A share page: what is on it on the left, about as it will be on the right.
#pragma once

#include <QPushButton>

#include "app/control/pages_controller.h"
#include "app/deliver/deliver_view.h"
#include "app/widgets/controls.h"

class QCheckBox;
class QLineEdit;
class QPlainTextEdit;

namespace moorfrost::app {

class FieldPicker;
class LayoutBar;
class PagePreview;

class PageView : public DeliverView {
    Q_OBJECT
public:
    PageView(PagesController& pages, Delivering& delivering, LibraryIndex& index, Messages& messages,
             QWidget* parent = nullptr);
    LayoutBar* layouts() { return layouts_; }
    QLineEdit* title() { return title_; }
    QLineEdit* forWhom() { return forWhom_; }
    QCheckBox* stems() { return stems_; }
    Choice* takeChoice() { return take_; }
    Choice* listenChoice() { return listen_; }
    PagePreview* preview() { return preview_; }
    QPushButton* makeButton() { return make_; }
    QPushButton* openButton() { return open_; }
    QPushButton* notesButton() { return takeNotes_; }
    QWidget* headPart() override;
    void takeKeyboard() override;
    bool isTrue() const override { return pages_.isTrue(); }
    /// Asks where.
    void make();
    void takeNotes();

protected:
    void setInSight(bool inSight) override { pages_.setInSight(inSight); }

private:
    QWidget* left();
    QWidget* right();
    void showLayout();
    void showSubject();
    void change(const std::function<void(deliver::PageLayout&)>& how);

    PagesController& pages_;
    Delivering& delivering_;
    LibraryIndex& index_;
    Messages& messages_;
    LayoutBar* layouts_;
    QLineEdit *title_, *forWhom_, *from_;
    QPlainTextEdit* words_;
    FieldPicker* facts_;
    QCheckBox *artists_, *versions_, *stems_, *lyrics_, *marks_, *takeAll_, *notes_;
    Choice *listen_, *take_, *oneSheet_;
    ShortLabel* told_;
    PagePreview* preview_;
    EmptyHint* empty_;
    QWidget* page_;
    QPushButton *make_, *open_, *takeNotes_;
    Path made_;
    bool showing_ = false;
};

} // namespace moorfrost::app
