// SPDX-License-Identifier: GPL-3.0-or-later
// Rows of a sheet that came in, those of some states: what each says, and which track it means.
#pragma once

#include <QAbstractTableModel>

#include "app/control/library_index.h"
#include "core/deliver/rows/rows_in.h"

namespace moorfrost::app {

class RowsInModel : public QAbstractTableModel {
    Q_OBJECT
public:
    enum Column { Line, Says, Track, Why, ColumnCount };
    /// Which rows are listed.
    enum class Part { Needs, Changes, Agree, LeftOut, All };

    explicit RowsInModel(LibraryIndex& index, QObject* parent = nullptr);
    void show(const deliver::RowsIn* rows, Part part);
    /// What is said of a row is otherwise; it may not belong here any more.
    void refresh();
    size_t rowAt(int row) const { return listed_.at(static_cast<size_t>(row)); }
    int placeOf(size_t row) const; // -1: it is not listed

    static bool belongs(deliver::InRow::State state, Part part);
    /// "Lanterns, Kestrel & Rook", by the library.
    static QString trackName(LibraryIndex& index, FileId file);
    static QString stateName(const deliver::InRow& row);

    int rowCount(const QModelIndex& parent = {}) const override;
    int columnCount(const QModelIndex& = {}) const override { return ColumnCount; }
    QVariant data(const QModelIndex& index, int role) const override;
    QVariant headerData(int section, Qt::Orientation orientation, int role) const override;

private:
    LibraryIndex& index_;
    const deliver::RowsIn* rows_ = nullptr;
    Part part_ = Part::Needs;
    std::vector<size_t> listed_;
};

} // namespace moorfrost::app
