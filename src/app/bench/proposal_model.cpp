// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/proposal_model.h"

#include <algorithm>

#include <QPainter>

#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/file_table.h"
#include "app/widgets/paint.h"

namespace moorfrost::app {

void ProposalModel::setRows(std::vector<Row> rows) {
    beginResetModel();
    rows_ = std::move(rows);
    for (Row& row : rows_)
        row.taken = row.why.empty() && !leftOut_.contains({row.proposal.file, row.proposal.field});
    endResetModel();
    emit takenChanged();
}

edits::Proposals ProposalModel::taken() const {
    edits::Proposals out;
    for (const Row& row : rows_)
        if (row.taken)
            out.push_back(row.proposal);
    return out;
}

size_t ProposalModel::takenCount() const {
    return static_cast<size_t>(std::ranges::count_if(rows_, &Row::taken));
}

void ProposalModel::toggle(const QModelIndexList& indexes) {
    std::set<int> which;
    for (const QModelIndex& i : indexes)
        if (rows_[static_cast<size_t>(i.row())].why.empty())
            which.insert(i.row());
    const bool all =
        std::ranges::all_of(which, [&](int row) { return rows_[static_cast<size_t>(row)].taken; });
    for (int row : which)
        take(rows_[static_cast<size_t>(row)], !all);
    if (!which.empty())
        emit dataChanged(index(*which.begin(), File), index(*which.rbegin(), File), {Qt::CheckStateRole});
    emit takenChanged(); // once: whoever counts looks at all of them
}

void ProposalModel::take(Row& row, bool on) {
    row.taken = on;
    const std::pair key(row.proposal.file, row.proposal.field);
    if (on)
        leftOut_.erase(key);
    else
        leftOut_.insert(key);
}

QVariant ProposalModel::data(const QModelIndex& index, int role) const {
    const Row& row = rows_[static_cast<size_t>(index.row())];
    const FilePtr file = files_.file(row.proposal.file);
    const auto& c = theme::colours();
    auto line = [](const std::vector<std::string>& values) {
        return qs(tags::shownValues(values)).replace('\n', QChar(0x21B5));
    };
    switch (role) {
    case Qt::DisplayRole:
        switch (index.column()) {
        case File:
            return file ? shownName(file->path) : QString();
        case Field:
            return fieldLabel(row.proposal.field);
        case Then:
            return row.proposal.values.empty() ? tr("blank") : line(row.proposal.values);
        case Now:
            return line(row.now);
        default:
            return row.why.empty() ? spoken(row.proposal.origin) : spoken(row.why);
        }
    case Qt::ToolTipRole:
        return index.column() == File && file ? shownPath(file->path) : data(index, Qt::DisplayRole);
    case Qt::CheckStateRole:
        if (index.column() == File)
            return row.taken ? Qt::Checked : Qt::Unchecked;
        return {};
    case Qt::FontRole:
        return index.column() == File ? theme::monoFont() : theme::uiFont(13);
    case Qt::ForegroundRole:
        if (index.column() == Why)
            return row.why.empty() ? c.third : c.rowan;
        return index.column() == Then && !row.proposal.values.empty() ? c.ink : c.second;
    default:
        return {};
    }
}

QVariant ProposalModel::headerData(int section, Qt::Orientation orientation, int role) const {
    if (orientation != Qt::Horizontal || role != Qt::DisplayRole)
        return {};
    const QString heads[] = {tr("File"), tr("Field"), tr("Will be"), tr("Is now"), tr("Why")};
    return heads[section];
}

Qt::ItemFlags ProposalModel::flags(const QModelIndex& index) const {
    Qt::ItemFlags f = Qt::ItemIsEnabled | Qt::ItemIsSelectable;
    if (index.isValid() && index.column() == File && rows_[static_cast<size_t>(index.row())].why.empty())
        f |= Qt::ItemIsUserCheckable;
    return f;
}

bool ProposalModel::setData(const QModelIndex& index, const QVariant& value, int role) {
    Row& row = rows_[static_cast<size_t>(index.row())];
    if (role != Qt::CheckStateRole || index.column() != File || !row.why.empty())
        return false;
    take(row, value.toInt() == Qt::Checked);
    emit dataChanged(index, index, {Qt::CheckStateRole});
    emit takenChanged();
    return true;
}

QSize DifferenceDelegate::sizeHint(const QStyleOptionViewItem& option, const QModelIndex& index) const {
    return {QStyledItemDelegate::sizeHint(option, index).width(), 28};
}

void DifferenceDelegate::paint(QPainter* p, const QStyleOptionViewItem& option,
                               const QModelIndex& index) const {
    const auto& c = theme::colours();
    if (option.state & QStyle::State_Selected)
        p->fillRect(option.rect, c.fjordBack);
    const QString text = index.data().toString();
    const QString other = index.siblingAtColumn(ProposalModel::Now).data().toString();
    const paint::Mirror side(*p, option.rect);
    const QRect room = side(option.rect.adjusted(8, 0, -6, 0));
    p->setFont(theme::uiFont(13));
    const QFontMetrics metrics = p->fontMetrics();
    qsizetype head = 0, tail = 0;
    const qsizetype shorter = std::min(text.size(), other.size());
    while (head < shorter && text[head] == other[head])
        ++head;
    while (tail < shorter - head && text[text.size() - 1 - tail] == other[other.size() - 1 - tail])
        ++tail;
    const QString middle = text.mid(head, text.size() - head - tail);
    // Most of it is new, letters join, or it goes from right to left: it is told as a whole.
    const bool whole =
        other.isEmpty() || middle.isEmpty() || text.isRightToLeft() || head + tail < text.size() / 3;
    if (!whole) {
        const int from = metrics.horizontalAdvance(text.left(head));
        const int width = metrics.horizontalAdvance(text.left(head + middle.size())) - from;
        // The text still reads from the left, from where it begins.
        const int begin = side.isOn()
                              ? std::max(room.left(), room.right() + 1 - metrics.horizontalAdvance(text))
                              : room.left();
        const QRect mark(begin + from - 1, room.center().y() - 9, width + 2, 19);
        p->fillRect(mark.intersected(room), c.heatherBack);
    }
    p->setPen(index.data(Qt::ForegroundRole).value<QColor>());
    p->drawText(room, Qt::AlignVCenter | Qt::AlignLeft,
                metrics.elidedText(text, Qt::ElideRight, room.width()));
}

} // namespace moorfrost::app
