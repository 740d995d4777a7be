// SPDX-License-Identifier: GPL-3.0-or-later
// Devices: which there are and what each is, on the left; what would come, change and go, on the right.
#pragma once

#include <QPushButton>
#include <QTreeWidget>

#include "app/control/devices_controller.h"
#include "app/deliver/deliver_view.h"
#include "app/widgets/controls.h"

class QCheckBox;
class QLineEdit;
class QProgressBar;
class QStackedWidget;

namespace moorfrost::app {

class ChipEditor;

class DeviceView : public DeliverView {
    Q_OBJECT
public:
    DeviceView(DevicesController& devices, Delivering& delivering, Messages& messages,
               QWidget* parent = nullptr);
    Choice* devices() { return choice_; }
    QTreeWidget* steps() { return steps_; }
    QPushButton* addButton() { return add_; }
    QPushButton* wantButton() { return want_; }
    QPushButton* syncButton() { return sync_; }
    QLineEdit* use() { return use_; }
    ChipEditor* plan() { return plan_; }
    QString told() const { return told_->text(); }
    bool isTrue() const override { return devices_.isTrue(); }
    void takeKeyboard() override;
    /// Asks for the folder, and which profile it has.
    void addFolder();
    /// The profile of the chosen one as a file, and one that was handed on in its place.
    void handOn(const Path& file);
    void takeIn(const Path& file);

protected:
    void setInSight(bool inSight) override { devices_.setInSight(inSight); }

private:
    QWidget* left();
    QWidget* right();
    void show();
    void showSteps();
    void showAddMenu();
    void change(const std::function<void(deliver::Device&)>& how);

    DevicesController& devices_;
    Delivering& delivering_;
    Messages& messages_;
    QStackedWidget* stack_;
    EmptyHint* empty_;
    Choice *choice_, *format_;
    QPushButton *add_, *forget_, *profile_, *want_, *look_, *sync_;
    QLineEdit* use_;
    ChipEditor* plan_;
    QCheckBox* loudness_;
    QLabel *about_, *wanted_, *told_, *room_;
    QProgressBar* used_;
    QTreeWidget* steps_;
    int64_t shown_ = 0;
    bool showing_ = false;
};

} // namespace moorfrost::app
