// SPDX-License-Identifier: GPL-3.0-or-later
// Fixes of many findings, to be looked at before they become drafts: those that are ticked.
#pragma once

#include <QDialog>
#include <QTreeWidget>

#include "app/control/audit_controller.h"
#include "app/widgets/controls.h"

namespace moorfrost::app {

class TakeFixesDialog : public QDialog {
    Q_OBJECT
public:
    TakeFixesDialog(AuditController& audit, const std::vector<size_t>& findings, QWidget* parent = nullptr);
    QPushButton* takeButton() { return bar_.take; }
    QTreeWidget* list() { return list_; }
    /// Keys: the controller may have other findings by then.
    std::vector<uint64_t> chosen() const;

private:
    void showCount();

    std::vector<uint64_t> keys_;
    QTreeWidget* list_;
    TakeBar bar_;
};

} // namespace moorfrost::app
