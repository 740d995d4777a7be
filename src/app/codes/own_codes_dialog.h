// SPDX-License-Identifier: GPL-3.0-or-later
// Codes of one's own: the registrant's prefix and the year, the next free number, for which recordings.
#pragma once

#include <QDialog>

#include "app/control/codes_controller.h"
#include "app/widgets/controls.h"

class QLineEdit;
class QRadioButton;
class QSpinBox;

namespace moorfrost::app {

class OwnCodesDialog : public QDialog {
    Q_OBJECT
public:
    /// `chosen`: of the list; `unknown`: those that nobody knows a code of.
    OwnCodesDialog(CodesController& codes, const std::vector<library::CodeGap>& chosen,
                   const std::vector<library::CodeGap>& unknown, QWidget* parent = nullptr);
    QLineEdit* prefix() { return prefix_; }
    QSpinBox* year() { return year_; }
    QRadioButton* allUnknown() { return all_; }
    QString told() const;
    QPushButton* giveButton() { return bar_.take; }
    library::IsrcSeries series() const;
    const std::vector<library::CodeGap>& gaps() const;

private:
    void look();
    void saveRegister();

    CodesController& codes_;
    const std::vector<library::CodeGap> chosen_, unknown_;
    QLineEdit* prefix_;
    QSpinBox* year_;
    QRadioButton *one_, *all_;
    QLabel* next_;
    TakeBar bar_;
    int run_ = 0;
};

} // namespace moorfrost::app
