// SPDX-License-Identifier: GPL-3.0-or-later
// The standards: making, naming and removing them, and the rules of one, which hold at once.
#pragma once

#include <QWidget>

#include "app/control/library_settings.h"
#include "app/control/places_controller.h"
#include "app/control/sleeve_views.h"
#include "app/control/standards.h"

class QCheckBox;
class QComboBox;
class QPushButton;
class QVBoxLayout;

namespace moorfrost::app {

class RuleRow;

class StandardEditor : public QWidget {
    Q_OBJECT
public:
    /// What it uses.
    struct Uses {
        LibrarySettings& settings;
        Standards& standards;
        CustomFields& customFields;
        SleeveViews& sleeves;
    };

    explicit StandardEditor(const Uses& use, QWidget* parent = nullptr);

    /// Shows the rules of this one.
    void show(const std::string& name);
    const std::string& shown() const { return shown_; }
    const std::vector<RuleRow*>& rows() const { return rows_; }

private:
    void refresh();
    void fillRows();
    void fillNew();
    void addRow(const audit::Rule& rule);
    void addRule(audit::RuleKind kind);
    void moveRow(RuleRow* row, int by);
    void removeRow(RuleRow* row);
    void rowsChanged();
    void showMet();
    void save();
    void add(audit::Standard standard, const QString& title);
    void rename();
    void remove();
    /// A name that no other standard has; "" if none was given.
    std::string askName(const QString& title, const QString& proposed, const std::string& own);
    const audit::Standard* standard() const;

    Uses use_;
    QComboBox* choice_;
    QCheckBox* default_;
    QPushButton *new_, *remove_;
    QVBoxLayout* list_;
    std::vector<RuleRow*> rows_;
    std::string shown_;
    bool saving_ = false;
};

} // namespace moorfrost::app
