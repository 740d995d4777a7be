// SPDX-License-Identifier: GPL-3.0-or-later
// The tracks of one disc as a table: which are wanted, what they are called, how their reading goes.
#pragma once

#include <QAbstractTableModel>
#include <QTableView>

#include "app/control/rip_controller.h"

namespace moorfrost::app {

class DiscTrackModel : public QAbstractTableModel {
    Q_OBJECT
public:
    enum Column { Number, Title, Artist, Composer, Length, Gap, Isrc, Reading, Columns };
    /// 0 to 1, -1 for none; paint::Tone; another than what the disc says.
    enum Role { ShareRole = Qt::UserRole + 1, ToneRole, ChangedRole };

    DiscTrackModel(DiscsController& discs, RipController& rips, QObject* parent = nullptr);
    void setDisc(int number);
    int disc() const { return number_; }
    void refresh();

    int rowCount(const QModelIndex& parent = {}) const override;
    int columnCount(const QModelIndex& parent = {}) const override { return parent.isValid() ? 0 : Columns; }
    QVariant data(const QModelIndex& index, int role) const override;
    bool setData(const QModelIndex& index, const QVariant& value, int role) override;
    QVariant headerData(int section, Qt::Orientation orientation, int role) const override;
    Qt::ItemFlags flags(const QModelIndex& index) const override;

    /// The field that a column shows; "" for others.
    static std::string fieldOf(int column);

private:
    const DiscsController::Track* track(int row) const;
    /// How its reading goes; that of none where nothing was ripped.
    const RipController::Track& rip(int row) const;
    QString readingText(int row) const;
    QString readingTip(int row) const;

    DiscsController& discs_;
    RipController& rips_;
    int number_ = 0;
    int rows_ = 0;
};

/// The column that tells how the reading goes is painted as a bar with its words.
class DiscTrackTable : public QTableView {
    Q_OBJECT
public:
    explicit DiscTrackTable(DiscTrackModel* model, QWidget* parent = nullptr);
    /// Whether anybody is told as a composer, and any code: else these columns are not shown, nor where there
    /// is no room for them.
    void setTold(bool composers, bool codes);

protected:
    void resizeEvent(QResizeEvent* event) override;

private:
    void fit();

    bool composers_ = false, codes_ = false;
};

} // namespace moorfrost::app
