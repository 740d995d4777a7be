// SPDX-License-Identifier: GPL-3.0-or-later
// The shares of a side of a work as rows: a party each, perhaps one that is being added, and what they add up
// to. What is typed is told, not done.
#pragma once

#include <QAbstractTableModel>

#include "app/control/people_controller.h"

namespace moorfrost::app {

class ShareModel : public QAbstractTableModel {
    Q_OBJECT
public:
    enum Column { Name, Role, Number, Administered, Part, ColumnCount };
    /// FractionRole: 0 to 1, for a bar. SumRole: the last row. ToneRole: Tone. ChoicesRole: what may be
    /// typed.
    enum Roles { FractionRole = Qt::UserRole + 1, SumRole, ToneRole, ChoicesRole };
    enum class Tone { Plain, Missing, Good, Open, TooMuch };

    explicit ShareModel(library::Side side, QObject* parent = nullptr);
    void show(std::vector<library::Share> shares, std::vector<library::Share> writers,
              std::vector<library::Share> publishers, PeopleController::List people);
    /// At once, before the library has them.
    void replace(std::vector<library::Share> shares);
    const std::vector<library::Share>& shares() const { return shares_; }
    const std::vector<library::Share>& writers() const { return writers_; }
    const PeopleController::List& people() const { return people_; }
    /// A row for one that is not there yet.
    void setAdding(bool on);
    bool isAdding() const { return adding_; }
    int sumRow() const { return static_cast<int>(shares_.size()) + (adding_ ? 1 : 0); }
    QString nameOf(const library::Share& share) const;

    int rowCount(const QModelIndex& parent = {}) const override;
    int columnCount(const QModelIndex& = {}) const override { return ColumnCount; }
    QVariant headerData(int section, Qt::Orientation orientation, int role) const override;
    Qt::ItemFlags flags(const QModelIndex& index) const override;
    QVariant data(const QModelIndex& index, int role) const override;
    bool setData(const QModelIndex& index, const QVariant& value, int role) override;

signals:
    void typed(int row, int column, const QString& text);

private:
    QString numberOf(const library::Share& share) const;
    QString oddNumber(const library::Share& share) const;
    QString cell(const library::Share& share, int column, bool typing) const;
    QVariant sum(int column, int role) const;
    QStringList names() const;
    QStringList roles() const;

    library::Side side_;
    std::vector<library::Share> shares_, writers_, publishers_;
    PeopleController::List people_;
    bool adding_ = false;
};

} // namespace moorfrost::app
