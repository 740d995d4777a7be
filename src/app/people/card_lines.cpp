// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/people/card_lines.h"

#include <QKeyEvent>
#include <QPainter>
#include <QStyledItemDelegate>

#include <algorithm>

#include "app/shell/theme.h"
#include "app/widgets/paint.h"

namespace moorfrost::app {

namespace {

constexpr int lineHeight = 55;
enum Role { SecondRole = Qt::UserRole + 1, MarkRole, ToneRole };

class LineDelegate : public QStyledItemDelegate {
public:
    using QStyledItemDelegate::QStyledItemDelegate;
    QSize sizeHint(const QStyleOptionViewItem&, const QModelIndex&) const override {
        return {120, lineHeight};
    }
    void paint(QPainter* p, const QStyleOptionViewItem& option, const QModelIndex& index) const override {
        const auto& c = theme::colours();
        const QRect r = option.rect;
        p->save();
        paint::listRow(*p, r, option.state & QStyle::State_Selected, option.state & QStyle::State_HasFocus);
        const paint::Mirror side(*p, r);
        const int left = r.left() + 12, width = r.width() - 22;
        p->setFont(theme::uiFont(13, QFont::DemiBold));
        p->setPen(c.ink);
        p->drawText(side(QRect(left, r.top() + 8, width, 19)), Qt::AlignVCenter,
                    p->fontMetrics().elidedText(index.data().toString(), Qt::ElideRight, width));
        const QRect below(left, r.top() + 28, width, 19);
        if (const QString mark = index.data(MarkRole).toString(); !mark.isEmpty()) {
            p->setFont(theme::uiFont(12, QFont::DemiBold));
            const QString text = p->fontMetrics().elidedText(mark, Qt::ElideRight, width - 18);
            paint::pill(*p, left + paint::pillWidth(text),
                        QRect(r.left(), below.top(), r.width(), below.height()), text,
                        static_cast<paint::Tone>(index.data(ToneRole).toInt()));
        } else {
            p->setFont(theme::uiFont(12));
            p->setPen(c.second);
            p->drawText(
                side(below), Qt::AlignVCenter,
                p->fontMetrics().elidedText(index.data(SecondRole).toString(), Qt::ElideRight, width));
        }
        p->restore();
    }
};

} // namespace

class CardLineModel : public QAbstractListModel {
public:
    using QAbstractListModel::QAbstractListModel;

    void show(std::vector<CardLine> lines) {
        beginResetModel();
        lines_ = std::move(lines);
        endResetModel();
    }
    const std::vector<CardLine>& lines() const { return lines_; }
    int rowCount(const QModelIndex& parent = {}) const override {
        return parent.isValid() ? 0 : static_cast<int>(lines_.size());
    }
    QVariant data(const QModelIndex& index, int role) const override {
        if (!index.isValid())
            return {};
        const CardLine& line = lines_[static_cast<size_t>(index.row())];
        switch (role) {
        case Qt::DisplayRole:
            return line.title;
        case Qt::ToolTipRole:
        case Qt::AccessibleTextRole:
            return line.title + ", " + (line.mark.isEmpty() ? line.second : line.mark);
        case SecondRole:
            return line.second;
        case MarkRole:
            return line.mark;
        case ToneRole:
            return static_cast<int>(line.tone);
        default:
            return {};
        }
    }

private:
    std::vector<CardLine> lines_;
};

CardLines::CardLines(QWidget* parent) : QListView(parent), model_(new CardLineModel(this)) {
    setModel(model_);
    setItemDelegate(new LineDelegate(this));
    setUniformItemSizes(true);
    setSelectionMode(ExtendedSelection);
    setFrameShape(NoFrame);
    setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    setVerticalScrollMode(ScrollPerPixel);
    setContextMenuPolicy(Qt::CustomContextMenu);
    connect(this, &QWidget::customContextMenuRequested, this,
            [this](const QPoint& at) { emit menuWanted(viewport()->mapToGlobal(at)); });
}

void CardLines::show(std::vector<CardLine> lines) {
    if (lines == model_->lines())
        return;
    const library::CardId had = chosen();
    const int row = currentIndex().row();
    showing_ = true;
    model_->show(std::move(lines));
    bool again = had != 0 && choose(had);
    if (!again && !model_->lines().empty()) // what stands where it stood
        setCurrentIndex(model_->index(std::clamp(row, 0, model_->rowCount() - 1)));
    showing_ = false;
    if (!again)
        emit chosenChanged();
}

const std::vector<CardLine>& CardLines::lines() const {
    return model_->lines();
}

library::CardId CardLines::chosen() const {
    const int row = currentIndex().row();
    return row < 0 || row >= model_->rowCount() ? 0 : model_->lines()[static_cast<size_t>(row)].id;
}

std::vector<library::CardId> CardLines::allChosen() const {
    std::vector<library::CardId> out;
    for (const QModelIndex& index : selectionModel()->selectedIndexes())
        out.push_back(model_->lines()[static_cast<size_t>(index.row())].id);
    return out;
}

bool CardLines::choose(library::CardId id) {
    const auto& lines = model_->lines();
    const auto at = std::ranges::find(lines, id, &CardLine::id);
    if (at == lines.end())
        return false;
    const QModelIndex index = model_->index(static_cast<int>(at - lines.begin()));
    if (index != currentIndex())
        setCurrentIndex(index);
    scrollTo(index);
    return true;
}

void CardLines::selectionChanged(const QItemSelection& selected, const QItemSelection& deselected) {
    QListView::selectionChanged(selected, deselected);
    if (!showing_)
        emit chosenChanged();
}

void CardLines::keyPressEvent(QKeyEvent* event) {
    if (event->key() == Qt::Key_Delete && chosen() != 0)
        emit removeWanted();
    else
        QListView::keyPressEvent(event);
}

} // namespace moorfrost::app
