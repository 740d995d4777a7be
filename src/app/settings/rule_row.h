// SPDX-License-Identifier: GPL-3.0-or-later
// One rule of a standard, to be edited: what it asks, how far the batch on the bench meets it.
#pragma once

#include <QFrame>

#include "core/audit/readiness.h"

class QCheckBox;
class QHBoxLayout;
class QLabel;
class QSpinBox;
class QToolButton;

namespace moorfrost::app {

class ChipEditor;
class FieldsLine;

class RuleRow : public QFrame {
    Q_OBJECT
public:
    RuleRow(const audit::Rule& rule, const std::vector<std::string>& customKeys, QWidget* parent = nullptr);

    /// As it stands in the row; it may not be usable yet.
    audit::Rule rule() const;
    bool isUsable() const { return audit::whyNotUsable(rule()).empty(); }
    /// How many sleeves of the batch meet it, of how many that it is asked of.
    void setMet(int met, int asked);
    void setPlace(bool first, bool last);
    void focusFirst();

    static QString kindText(audit::RuleKind kind);
    static constexpr int kindWidth = 110, metWidth = 64; // of its first and last column

signals:
    void changed();
    void moved(int by);
    void removed();

private:
    void edited();
    void showTrouble();
    audit::RuleKind kind_;
    FieldsLine* fields_ = nullptr;
    QCheckBox *required_ = nullptr, *same_ = nullptr, *front_ = nullptr;
    std::vector<std::pair<std::string, QCheckBox*>> asked_; // of songs
    QSpinBox* side_ = nullptr;
    ChipEditor* plan_ = nullptr;
    QLabel *met_, *trouble_;
    QToolButton *up_, *down_;
};

} // namespace moorfrost::app
