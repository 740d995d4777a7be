// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/deliver/rows_in_model.h"

#include <algorithm>

#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/file_table.h"

namespace moorfrost::app {

using State = deliver::InRow::State;

RowsInModel::RowsInModel(LibraryIndex& index, QObject* parent) : QAbstractTableModel(parent), index_(index) {}

bool RowsInModel::belongs(State state, Part part) {
    switch (part) {
    case Part::Needs:
        return deliver::InRow::needsSomebody(state);
    case Part::Changes:
        return state == State::Changes || state == State::New;
    case Part::Agree:
        return state == State::Same || state == State::Again;
    case Part::LeftOut:
        return state == State::LeftOut;
    case Part::All:
        return true;
    }
    return false;
}

void RowsInModel::show(const deliver::RowsIn* rows, Part part) {
    beginResetModel();
    rows_ = rows;
    part_ = part;
    listed_.clear();
    if (rows)
        for (size_t i = 0; i < rows->rows.size(); ++i)
            if (belongs(rows->rows.state(i), part))
                listed_.push_back(i);
    endResetModel();
}

void RowsInModel::refresh() {
    // A row that was settled stays in sight until another part is chosen: nothing jumps.
    if (!listed_.empty())
        emit dataChanged(index(0, 0), index(rowCount() - 1, ColumnCount - 1));
}

int RowsInModel::placeOf(size_t row) const {
    const auto at = std::ranges::find(listed_, row);
    return at == listed_.end() ? -1 : static_cast<int>(at - listed_.begin());
}

QString RowsInModel::trackName(LibraryIndex& index, FileId file) {
    const auto searcher = index.searcher();
    const auto row = searcher ? searcher->rowOf(file) : std::nullopt;
    if (!row)
        return tr("track %1").arg(file);
    QStringList parts{qs(searcher->text(*row, "title")), qs(searcher->text(*row, "artist"))};
    parts.removeAll(QString());
    return parts.isEmpty() ? shownName(searcher->pathOf(*row)) : parts.join(", ");
}

QString RowsInModel::stateName(const deliver::InRow& row) {
    switch (row.state) {
    case State::Changes: {
        QStringList names;
        for (const auto& [key, values] : row.changes)
            names << qs(deliver::columnLabel(key));
        return tr("Says otherwise: %1").arg(names.join(", "));
    }
    case State::Several:
        return tr("%n tracks are as likely", "", static_cast<int>(row.candidates.size()));
    case State::NoTrack:
        return tr("No track found");
    case State::Contradicts:
        return tr("Another row says otherwise");
    case State::Same:
        return tr("Says what the library has");
    case State::Again:
        return tr("Says the same again");
    case State::LeftOut:
        return tr("Left out");
    case State::New:
        return tr("New entry without a file");
    }
    return {};
}

int RowsInModel::rowCount(const QModelIndex& parent) const {
    return parent.isValid() ? 0 : static_cast<int>(listed_.size());
}

QVariant RowsInModel::data(const QModelIndex& index, int role) const {
    if (!index.isValid() || !rows_)
        return {};
    const deliver::InRow row = rows_->rows[listed_[static_cast<size_t>(index.row())]];
    const auto& c = theme::colours();
    if (role == Qt::ToolTipRole) {
        QStringList says{qs(row.told), qs(row.trouble)};
        says.removeAll(QString());
        return says.join('\n').toHtmlEscaped();
    }
    if (role == Qt::ForegroundRole) {
        if (index.column() == Line)
            return c.third;
        if (index.column() == Why && (row.needsSomebody() || !row.trouble.empty()))
            return c.lichen;
        if (index.column() == Why && row.state == State::Changes)
            return c.heather;
        if (row.state == State::LeftOut || row.state == State::Again || row.state == State::Same)
            return c.second;
        return {};
    }
    if (role == Qt::TextAlignmentRole && index.column() == Line)
        return int(Qt::AlignRight | Qt::AlignVCenter);
    if (role != Qt::DisplayRole)
        return {};
    switch (index.column()) {
    case Line:
        return QString::number(row.line);
    case Says: {
        const std::string name = deliver::rowName(row);
        return name.empty() && row.file != 0 ? trackName(index_, row.file) : qs(name);
    }
    case Track:
        return row.file == 0 ? QString() : trackName(index_, row.file);
    default:
        return row.trouble.empty() || row.needsSomebody() ? stateName(row)
                                                          : tr("%1. %2").arg(stateName(row), qs(row.trouble));
    }
}

QVariant RowsInModel::headerData(int section, Qt::Orientation orientation, int role) const {
    if (orientation != Qt::Horizontal || role != Qt::DisplayRole)
        return {};
    switch (section) {
    case Line:
        return tr("Line");
    case Says:
        return tr("The row says");
    case Track:
        return tr("Track of the library");
    default:
        return tr("What comes of it");
    }
}

} // namespace moorfrost::app
