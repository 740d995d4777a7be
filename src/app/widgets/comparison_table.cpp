// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/comparison_table.h"

#include <QHeaderView>
#include <QKeyEvent>
#include <QPainter>
#include <QScrollBar>
#include <QStyledItemDelegate>

#include "app/shell/theme.h"
#include "app/widgets/paint.h"

namespace moorfrost::app {

namespace {

constexpr int lineHeight = 28, captionWidth = 136, leastColumn = 168;
constexpr int barRole = Qt::UserRole + 1, differsRole = Qt::UserRole + 2, chosenRole = Qt::UserRole + 3,
              blankRole = Qt::UserRole + 4, pickedRole = Qt::UserRole + 5;

} // namespace

class ComparisonModel : public QAbstractTableModel {
public:
    using QAbstractTableModel::QAbstractTableModel;

    void show(const Comparison& comparison) {
        beginResetModel();
        all_ = comparison;
        fill();
        endResetModel();
    }
    void setOnlyDifferent(bool on) {
        beginResetModel();
        onlyDifferent_ = on;
        fill();
        endResetModel();
    }
    size_t chosen() const { return all_.chosen; }
    int columns() const { return static_cast<int>(all_.columns.size()); }

    int rowCount(const QModelIndex& = {}) const override { return static_cast<int>(rows_.size()) + 1; }
    int columnCount(const QModelIndex& = {}) const override { return columns() + 1; }
    Qt::ItemFlags flags(const QModelIndex& index) const override {
        return index.column() == 0 ? Qt::ItemIsEnabled : Qt::ItemIsEnabled | Qt::ItemIsSelectable;
    }
    QVariant data(const QModelIndex& index, int role) const override {
        const bool isChosen = index.column() == static_cast<int>(all_.chosen) + 1;
        if (role == chosenRole && index.row() > 0) {
            const int holds = rows_[static_cast<size_t>(index.row()) - 1]->effective;
            return holds == -1 ? isChosen : index.column() == holds + 1;
        }
        if (role == chosenRole)
            return isChosen;
        if (role == pickedRole)
            return index.row() > 0 && index.column() > 0 &&
                   rows_[static_cast<size_t>(index.row()) - 1]->effective == index.column() - 1;
        if (index.row() == 0) { // which is chosen
            if (role == Qt::DisplayRole)
                return index.column() == 0 ? ComparisonTable::tr("Compare")
                       : isChosen          ? ComparisonTable::tr("Chosen")
                                           : ComparisonTable::tr("Choose");
            if (role == Qt::AccessibleTextRole && index.column() > 0)
                return (isChosen ? ComparisonTable::tr("Chosen: %1") : ComparisonTable::tr("Choose %1"))
                    .arg(all_.columns[static_cast<size_t>(index.column()) - 1]);
            return {};
        }
        const Comparison::Row& row = *rows_[static_cast<size_t>(index.row()) - 1];
        if (index.column() == 0)
            return role == Qt::DisplayRole || role == Qt::AccessibleTextRole ? QVariant(row.caption)
                                                                             : QVariant();
        const Comparison::Cell& cell = row.cells[static_cast<size_t>(index.column()) - 1];
        // What is not told is no difference.
        const QString& ofChosen = row.cells[all_.chosen].text;
        const bool differs =
            !isChosen && !row.always && !cell.text.isEmpty() && !ofChosen.isEmpty() && cell.text != ofChosen;
        switch (role) {
        case Qt::DisplayRole:
            return cell.text.isEmpty() ? ComparisonTable::tr("not told") : cell.text;
        case blankRole:
            return cell.text.isEmpty();
        case Qt::ToolTipRole:
            return cell.tip.isEmpty() ? cell.text : cell.tip;
        case Qt::AccessibleTextRole:
            return row.caption + ": " + cell.text +
                   (differs ? ", " + ComparisonTable::tr("differs") : QString()) +
                   (row.effective == index.column() - 1 ? ", " + ComparisonTable::tr("taken") : QString());
        case differsRole:
            return differs;
        case barRole:
            return cell.bar ? QVariant(*cell.bar) : QVariant();
        default:
            return {};
        }
    }

    const Comparison::Row* row(const QModelIndex& index) const {
        return index.row() > 0 ? rows_[static_cast<size_t>(index.row()) - 1] : nullptr;
    }
    size_t placeOf(const Comparison::Row* row) const { return static_cast<size_t>(row - all_.rows.data()); }

private:
    void fill() {
        rows_.clear();
        for (const Comparison::Row& row : all_.rows) {
            bool any = false, differ = false;
            for (const Comparison::Cell& cell : row.cells) {
                any = any || !cell.text.isEmpty();
                differ = differ || cell.text != row.cells[0].text;
            }
            if (row.always || (any && (differ || !onlyDifferent_)))
                rows_.push_back(&row);
        }
    }

    Comparison all_;
    std::vector<const Comparison::Row*> rows_;
    bool onlyDifferent_ = false;
};

namespace {

class CellDelegate : public QStyledItemDelegate {
public:
    using QStyledItemDelegate::QStyledItemDelegate;

    void paint(QPainter* p, const QStyleOptionViewItem& option, const QModelIndex& index) const override {
        const auto& c = theme::colours();
        const QRect r = option.rect;
        const bool chosen = index.data(chosenRole).toBool(), head = index.row() == 0;
        p->save();
        if (chosen)
            p->fillRect(r, c.heatherBack);
        if (index.data(pickedRole).toBool())
            paint::notch(*p, r);
        p->fillRect(QRect(r.left(), r.bottom(), r.width(), 1), head ? c.line : c.faint);
        const paint::Mirror side(*p, r);
        QRect text = r.adjusted(10, 0, -8, -1);
        const QString words = index.data().toString();
        if (index.column() == 0) {
            p->setFont(theme::uiFont(head ? 11 : 13, head ? QFont::DemiBold : QFont::Normal));
            p->setPen(c.second);
        } else if (head) {
            p->setRenderHint(QPainter::Antialiasing);
            const QRectF ring =
                QRectF(side(QRect(text.left(), r.center().y() - 5, 10, 10))).adjusted(0.5, 0.5, -0.5, -0.5);
            p->setPen(QPen(chosen ? c.heather : c.third, 1.4));
            p->drawEllipse(ring);
            if (chosen) {
                p->setBrush(c.heather);
                p->drawEllipse(ring.adjusted(2.4, 2.4, -2.4, -2.4));
            }
            text.setLeft(text.left() + 17);
            p->setFont(theme::uiFont(12, QFont::DemiBold));
            p->setPen(chosen ? c.heather : c.second);
        } else {
            const bool differs = index.data(differsRole).toBool();
            p->setFont(theme::uiFont(13, differs ? QFont::Medium : QFont::Normal));
            p->setPen(differs ? c.lichen : index.data(blankRole).toBool() ? c.third : c.ink);
            if (differs) { // colour does not speak alone
                p->drawText(side(text), Qt::AlignVCenter | Qt::AlignLeft, QStringLiteral("\u2260"));
                text.setLeft(text.left() + 15);
            }
            if (const QVariant bar = index.data(barRole); bar.isValid()) {
                const double share = std::clamp(bar.toDouble(), 0.0, 1.0);
                const int whole = std::min(108, text.width() - 44);
                if (whole > 20) {
                    const QRect track(text.left(), r.center().y() - 3, whole, 7);
                    p->fillRect(side(track), c.sunk);
                    p->fillRect(side(QRect(track.topLeft(), QSize(static_cast<int>(whole * share), 7))),
                                share >= 0.95 ? c.moss : c.lichen);
                    text.setLeft(track.right() + 9);
                }
                p->setFont(theme::uiFont(13, QFont::DemiBold));
                p->setPen(c.ink);
            }
        }
        p->drawText(side(text), Qt::AlignVCenter | Qt::AlignLeft,
                    p->fontMetrics().elidedText(words, Qt::ElideRight, text.width()));
        if ((option.state & QStyle::State_HasFocus) && index.column() > 0) {
            p->setRenderHint(QPainter::Antialiasing, false);
            p->setBrush(Qt::NoBrush);
            p->setPen(c.fjord);
            p->drawRect(r.adjusted(0, 0, -1, -2));
        }
        p->restore();
    }
};

} // namespace

ComparisonTable::ComparisonTable(QWidget* parent) : QTableView(parent), model_(new ComparisonModel(this)) {
    setModel(model_);
    setItemDelegate(new CellDelegate(this));
    horizontalHeader()->hide();
    verticalHeader()->hide();
    verticalHeader()->setDefaultSectionSize(lineHeight);
    verticalHeader()->setSectionResizeMode(QHeaderView::Fixed);
    setShowGrid(false);
    setFrameShape(QFrame::NoFrame);
    setSelectionMode(SingleSelection);
    setTabKeyNavigation(false);
    setHorizontalScrollMode(ScrollPerPixel);
    setVerticalScrollMode(ScrollPerPixel);
    setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Preferred);
    setAccessibleName(tr("Candidates side by side"));
    connect(this, &QTableView::clicked, this, &ComparisonTable::choose);
}

void ComparisonTable::show(const Comparison& comparison) {
    const int column = currentIndex().column(), row = currentIndex().row();
    model_->show(comparison);
    if (column > 0 && row >= 0)
        setCurrentIndex(
            model_->index(std::min(row, model_->rowCount() - 1), std::min(column, model_->columns())));
    fit();
}

void ComparisonTable::setOnlyDifferent(bool on) {
    model_->setOnlyDifferent(on);
    fit();
}

QSize ComparisonTable::sizeHint() const {
    return {600, model_->rowCount() * lineHeight + 2 +
                     (horizontalScrollBar()->isVisible() ? horizontalScrollBar()->height() : 0)};
}

void ComparisonTable::fit() {
    const int columns = model_->columns();
    if (columns == 0)
        return;
    const int room = viewport()->width() - captionWidth;
    const int each = std::clamp(room / columns, leastColumn, columns <= 2 ? 480 : 300);
    setColumnWidth(0, captionWidth);
    for (int i = 1; i <= columns; ++i)
        setColumnWidth(i, each);
    updateGeometry();
}

void ComparisonTable::resizeEvent(QResizeEvent* event) {
    QTableView::resizeEvent(event);
    fit();
}

void ComparisonTable::choose(const QModelIndex& index) {
    if (index.column() < 1)
        return;
    const auto column = static_cast<size_t>(index.column()) - 1;
    if (const Comparison::Row* row = model_->row(index); row && row->pickable) {
        if (!row->cells[column].text.isEmpty())
            emit picked(model_->placeOf(row), column);
    } else {
        emit chosen(column);
    }
}

void ComparisonTable::keyPressEvent(QKeyEvent* event) {
    if (event->key() == Qt::Key_Space || event->key() == Qt::Key_Return || event->key() == Qt::Key_Enter) {
        choose(currentIndex());
        return;
    }
    QTableView::keyPressEvent(event);
}

} // namespace moorfrost::app
