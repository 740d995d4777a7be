// SPDX-License-Identifier: GPL-3.0-or-later
// The rules of the audit in their groups, with how many findings each has; below them what the chosen one
// asks for, and whether it is to be asked.
#pragma once

#include <QTreeWidget>

#include "app/control/audit_controller.h"
#include "app/widgets/controls.h"

class QCheckBox;
class QDoubleSpinBox;

namespace moorfrost::app {

class RulesList : public QTreeWidget {
    Q_OBJECT
public:
    explicit RulesList(AuditController& audit, QWidget* parent = nullptr);
    void showCounts();
    /// nullptr: all of them, or (isLeft) those that are left.
    const library::AuditRule* rule() const;
    bool isLeft() const;
    void choose(const char* key); // "": all; "left"

signals:
    void chosen();

protected:
    void resizeEvent(QResizeEvent* event) override;

private:
    AuditController& audit_;
    std::map<std::string, QTreeWidgetItem*> items_;
};

class RuleBox : public QFrame {
    Q_OBJECT
public:
    explicit RuleBox(AuditController& audit, QWidget* parent = nullptr);
    void show(const library::AuditRule* rule);
    QCheckBox* asked() { return asked_; }
    Choice* weight() { return weight_; }
    QDoubleSpinBox* limit() { return limit_; }
    QString why() const { return why_->text(); }

private:
    void change();

    AuditController& audit_;
    const library::AuditRule* rule_ = nullptr;
    QLabel *why_, *weightLabel_, *limitLabel_;
    QCheckBox* asked_;
    Choice* weight_;
    QDoubleSpinBox* limit_;
};

} // namespace moorfrost::app
