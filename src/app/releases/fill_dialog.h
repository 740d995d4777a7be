// SPDX-License-Identifier: GPL-3.0-or-later
// Fills a release from a source: what would change, fact by fact and track by track, before it is taken.
#pragma once

#include <QCheckBox>
#include <QDialog>
#include <QTreeWidget>

#include "app/releases/source_picker.h"
#include "app/widgets/controls.h"
#include "core/library/releases/filling.h"

namespace moorfrost::app {

class FillDialog : public QDialog {
    Q_OBJECT
public:
    /// `release`: what is to be filled; an empty one where it is new.
    FillDialog(const SourcePicker::Uses& use, const library::ReleaseView& release, QWidget* parent = nullptr);
    SourcePicker* picker() { return picker_; }
    QTreeWidget* tree() { return tree_; }
    QCheckBox* casingBox() { return casing_; }
    QPushButton* takeButton() { return take_; }
    /// What was taken.
    library::ReleaseFilling filling() const;
    library::FillingPlan plan() const { return plan_; }

private:
    void show(const reference::Release& release, const library::ReleaseSource& source);
    void arrange();
    void tell();

    library::ReleaseView release_;
    reference::Release source_;
    library::ReleaseSource from_;
    library::FillingPlan plan_;
    SourcePicker* picker_;
    QTreeWidget* tree_;
    QCheckBox* casing_;
    EmptyHint* empty_;
    QLabel* summary_;
    QPushButton* take_;
    bool showing_ = false;
};

} // namespace moorfrost::app
