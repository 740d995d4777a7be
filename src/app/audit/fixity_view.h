// SPDX-License-Identifier: GPL-3.0-or-later
// Fixity as a part of the audit: how much a night, how the library stands, a calendar of what was compared
// when, and the files of a day.
#pragma once

#include <QAbstractTableModel>
#include <QCheckBox>
#include <QDoubleSpinBox>
#include <QSpinBox>
#include <QTreeView>

#include "app/audit/fixity_calendar.h"
#include "app/control/fixity_controller.h"
#include "app/widgets/controls.h"

namespace moorfrost::app {

/// Files that were compared last on one day.
class FixityDayModel : public QAbstractTableModel {
    Q_OBJECT
public:
    enum Column { Name, Found, When, Size, Columns };
    using QAbstractTableModel::QAbstractTableModel;
    void show(std::vector<library::FixityDue> files);
    const std::vector<library::FixityDue>& files() const { return files_; }
    int rowCount(const QModelIndex& parent = {}) const override;
    int columnCount(const QModelIndex& parent = {}) const override;
    QVariant data(const QModelIndex& index, int role) const override;
    QVariant headerData(int section, Qt::Orientation orientation, int role) const override;

private:
    std::vector<library::FixityDue> files_;
};

class FixityView : public QWidget {
    Q_OBJECT
public:
    explicit FixityView(FixityController& fixity, QWidget* parent = nullptr);
    QCheckBox* every() { return every_; }
    QDoubleSpinBox* amount() { return amount_; }
    QPushButton* verifyButton() { return verify_; }
    QPushButton* takeButton() { return take_; }
    FixityCalendar* calendar() { return calendar_; }
    FixityDayModel* model() { return model_; }
    QTreeView* table() { return table_; }
    QString standing() const { return standing_->text(); }
    QString day() const { return dayTold_->text(); }

signals:
    void libraryWanted(moorfrost::library::FileId file);

protected:
    void showEvent(QShowEvent* event) override;

private:
    QWidget* planBox();
    QWidget* dayBox();
    void refresh();
    void showStanding();
    void showDay();
    void change();
    void takeAsTheyAre();
    std::vector<Path> chosenTroubles() const;

    FixityController& fixity_;
    QCheckBox *every_, *takeNew_;
    QDoubleSpinBox* amount_;
    QSpinBox *from_, *to_;
    QLabel *standing_, *pace_, *dayTold_;
    QPushButton *verify_, *take_;
    FixityCalendar* calendar_;
    FixityDayModel* model_;
    QTreeView* table_;
    bool showing_ = false; // the plan, as it is: no change of it
    int run_ = 0;          // of the day that was asked for
};

} // namespace moorfrost::app
