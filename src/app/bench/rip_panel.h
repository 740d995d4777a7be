// SPDX-License-Identifier: GPL-3.0-or-later
// How a disc is ripped, and where its files will be.
#pragma once

#include <QFrame>

#include "app/control/discs_controller.h"

class QCheckBox;
class QLabel;

namespace moorfrost::app {

class Choice;
class ShortLabel;

class RipPanel : public QFrame {
    Q_OBJECT
public:
    explicit RipPanel(DiscsController& discs, QWidget* parent = nullptr);

    /// 0: none. To be called again when something of the disc is otherwise.
    void setDisc(int number);
    void setInto(const Path& folder);
    DiscsController::Settings settings() const;
    Choice* formats() { return format_; }
    /// In full, a line each; what is shown is as long as there is room.
    QString preview() const;

signals:
    /// So many tracks of the disc are to be ripped by what is set.
    void planned(int tracks);

protected:
    void resizeEvent(QResizeEvent* event) override;

private:
    void fillRates(int wanted);
    void showPlan();

    DiscsController& discs_;
    int disc_ = 0;
    Choice *format_, *bitrate_;
    QCheckBox* verify_;
    ShortLabel* into_;
    QLabel* preview_;
    Path folder_; // in which each disc gets one
};

} // namespace moorfrost::app
