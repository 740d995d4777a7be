// SPDX-License-Identifier: GPL-3.0-or-later
// What would change, a value a row: which file, which field, what it will be and what it is. Each row can be
// left out.
#pragma once

#include <QAbstractTableModel>
#include <QStyledItemDelegate>

#include <set>

#include "app/control/files_controller.h"
#include "core/edits/chain.h"

namespace moorfrost::app {

class ProposalModel : public QAbstractTableModel {
    Q_OBJECT
public:
    enum Column { File, Field, Then, Now, Why, Columns };
    explicit ProposalModel(FilesController& files, QObject* parent = nullptr)
        : QAbstractTableModel(parent), files_(files) {}

    struct Row {
        edits::Proposal proposal;
        std::vector<std::string> now;
        std::string why; // it cannot be taken
        bool taken = true;
    };
    /// What was left out stays left out where it is the same field of the same file.
    void setRows(std::vector<Row> rows);
    const std::vector<Row>& rows() const { return rows_; }
    edits::Proposals taken() const;
    size_t takenCount() const;
    /// Takes all of these rows, or leaves all of them out if they are taken.
    void toggle(const QModelIndexList& rows);

    int rowCount(const QModelIndex& parent = {}) const override {
        return parent.isValid() ? 0 : static_cast<int>(rows_.size());
    }
    int columnCount(const QModelIndex& = {}) const override { return Columns; }
    QVariant data(const QModelIndex& index, int role) const override;
    QVariant headerData(int section, Qt::Orientation orientation, int role) const override;
    Qt::ItemFlags flags(const QModelIndex& index) const override;
    bool setData(const QModelIndex& index, const QVariant& value, int role) override;

signals:
    void takenChanged();

private:
    void take(Row& row, bool on);
    FilesController& files_;
    std::vector<Row> rows_;
    std::set<std::pair<int64_t, std::string>> leftOut_;
};

/// Shows in what a text differs from the one beside it.
class DifferenceDelegate : public QStyledItemDelegate {
public:
    using QStyledItemDelegate::QStyledItemDelegate;
    void paint(QPainter* p, const QStyleOptionViewItem& option, const QModelIndex& index) const override;
    QSize sizeHint(const QStyleOptionViewItem& option, const QModelIndex& index) const override;
};

} // namespace moorfrost::app
