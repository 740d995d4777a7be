// SPDX-License-Identifier: GPL-3.0-or-later
// Which fields are taken from a reference, and what its genres are called here.
#pragma once

#include <QDialog>

#include "app/control/identify_controller.h"

class QTableWidget;

namespace moorfrost::app {

class TakeRulesDialog : public QDialog {
    Q_OBJECT
public:
    /// `genres`: what references have told lately, to be mapped.
    TakeRulesDialog(IdentifyController& identify, const std::vector<std::string>& genres,
                    QWidget* parent = nullptr);
    void accept() override;

private:
    IdentifyController& identify_;
    QTableWidget *fields_, *genres_;
};

} // namespace moorfrost::app
