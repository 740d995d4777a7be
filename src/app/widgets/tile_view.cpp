// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/tile_view.h"

#include <algorithm>

#include <QApplication>
#include <QPaintEvent>
#include <QPainter>
#include <QScrollBar>
#include <QStyle>

namespace moorfrost::app {

namespace {
constexpr int gap = 4, headingHeight = 34;
}

TileView::TileView(QWidget* parent) : QAbstractItemView(parent) {
    setFrameShape(QFrame::NoFrame);
    setVerticalScrollMode(ScrollPerPixel);
    setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    setVerticalScrollBarPolicy(Qt::ScrollBarAlwaysOn); // else the width would depend on the height
}

void TileView::setModel(QAbstractItemModel* model) {
    QAbstractItemView::setModel(model);
    connect(model, &QAbstractItemModel::modelReset, this, &TileView::findGroups);
    findGroups();
}

void TileView::setTileSize(const QSize& size) {
    tile_ = size;
    layOut();
}

void TileView::findGroups() {
    groups_.clear();
    const int rows = model()->rowCount();
    for (int row = 0; row < rows; ++row) {
        const bool heading = model()->index(row, 0).data(HeadingRole).toBool();
        if (heading)
            groups_.push_back({row + 1, 0, 0, true});
        else if (groups_.empty())
            groups_.push_back({row, 1, 0, false});
        else
            ++groups_.back().count;
    }
    anchor_ = 0;
    layOut();
}

int TileView::columns() const {
    return std::max(1, (viewport()->width() - gap) / (tile_.width() + gap));
}

void TileView::layOut() {
    int y = gap;
    for (Group& g : groups_) {
        g.top = y;
        y += (g.headed ? headingHeight : 0) + (g.count + columns() - 1) / columns() * (tile_.height() + gap);
    }
    height_ = y;
    updateGeometries();
    viewport()->update();
}

void TileView::updateGeometries() {
    verticalScrollBar()->setRange(0, std::max(0, height_ - viewport()->height()));
    verticalScrollBar()->setPageStep(viewport()->height());
    verticalScrollBar()->setSingleStep(std::max(1, tile_.height() / 3));
    QAbstractItemView::updateGeometries();
}

void TileView::resizeEvent(QResizeEvent* event) {
    QAbstractItemView::resizeEvent(event);
    layOut();
}

int TileView::verticalOffset() const {
    return verticalScrollBar()->value();
}

const TileView::Group* TileView::groupOf(int row) const {
    auto it = std::upper_bound(groups_.begin(), groups_.end(), row,
                               [](int r, const Group& g) { return r < g.first - (g.headed ? 1 : 0); });
    return it == groups_.begin() ? nullptr : &*(it - 1);
}

/// In pixels from the top of all.
QRect TileView::tileRect(const Group& g, int tile) const {
    const int n = columns();
    const QRect at(gap + tile % n * (tile_.width() + gap),
                   g.top + (g.headed ? headingHeight : 0) + tile / n * (tile_.height() + gap), tile_.width(),
                   tile_.height());
    return QStyle::visualRect(layoutDirection(), QRect(0, 0, viewport()->width(), 0), at);
}

QRect TileView::visualRect(const QModelIndex& index) const {
    const Group* g = index.isValid() ? groupOf(index.row()) : nullptr;
    if (!g)
        return {};
    QRect r = index.row() < g->first ? QRect(gap, g->top, viewport()->width() - 2 * gap, headingHeight)
                                     : tileRect(*g, index.row() - g->first);
    return r.translated(0, -verticalOffset());
}

/// Calls `each(row)` for what lies in the area of the viewport.
template<class Each>
void TileView::eachVisible(const QRect& area, Each&& each) const {
    const int from = area.top() + verticalOffset(), to = area.bottom() + verticalOffset();
    auto g = std::upper_bound(groups_.begin(), groups_.end(), from,
                              [](int y, const Group& group) { return y < group.top; });
    for (g -= g == groups_.begin() ? 0 : 1; g != groups_.end() && g->top <= to; ++g) {
        if (g->headed)
            each(g->first - 1);
        const int above = from - g->top - (g->headed ? headingHeight : 0);
        int tile = std::max(0, above / (tile_.height() + gap)) * columns();
        for (; tile < g->count && tileRect(*g, tile).top() <= to; ++tile)
            each(g->first + tile);
    }
}

QModelIndex TileView::indexAt(const QPoint& point) const {
    QModelIndex found;
    eachVisible(QRect(point, QSize(1, 1)), [&](int row) {
        QModelIndex index = model()->index(row, 0);
        if (visualRect(index).contains(point))
            found = index;
    });
    return found;
}

void TileView::scrollTo(const QModelIndex& index, ScrollHint hint) {
    const QRect r = visualRect(index);
    if (!r.isValid())
        return;
    const int page = viewport()->height();
    int by = 0;
    if (hint == PositionAtCenter)
        by = r.center().y() - page / 2;
    else if (r.top() < 0 || hint == PositionAtTop)
        by = r.top() - gap;
    else if (r.bottom() > page || hint == PositionAtBottom)
        by = std::min(r.bottom() + gap - page, r.top());
    verticalScrollBar()->setValue(verticalOffset() + by);
    viewport()->update();
}

QModelIndex TileView::moveCursor(CursorAction action, Qt::KeyboardModifiers) {
    if (groups_.empty())
        return {};
    const int n = columns();
    const int last = groups_.back().first + groups_.back().count - 1;
    int row = currentIndex().isValid() ? currentIndex().row() : groups_.front().first;
    auto step = [&](int by) { // over headings, too
        int next = row + by;
        const Group* g = groupOf(next);
        if (g && next < g->first)
            next += by;
        if (next >= groups_.front().first && next <= last)
            row = next;
    };
    auto line = [&](int by) {
        const Group* g = groupOf(row);
        const int tile = row - g->first, column = tile % n;
        if (by > 0 ? tile / n < (g->count - 1) / n : tile >= n) {
            row = g->first + std::min(tile + by * n, g->count - 1);
            return true;
        }
        const Group* other = g + by;
        if (other < groups_.data() || other >= groups_.data() + groups_.size() || other->count == 0)
            return false;
        const int start = by > 0 ? 0 : (other->count - 1) / n * n;
        row = other->first + std::min(start + column, other->count - 1);
        return true;
    };
    auto lines = [&](int by) {
        for (int i = std::max(1, viewport()->height() / (tile_.height() + gap)); i > 0 && line(by); --i) {
        }
    };
    const int onward = isRightToLeft() ? -1 : 1; // to the right
    switch (action) {
    case MoveUp:
        line(-1);
        break;
    case MoveDown:
        line(1);
        break;
    case MoveLeft:
        step(-onward);
        break;
    case MoveRight:
        step(onward);
        break;
    case MovePrevious:
        step(-1);
        break;
    case MoveNext:
        step(1);
        break;
    case MovePageUp:
        lines(-1);
        break;
    case MovePageDown:
        lines(1);
        break;
    case MoveHome:
        row = groups_.front().first;
        break;
    case MoveEnd:
        row = last;
        break;
    }
    return model()->index(row, 0);
}

void TileView::currentChanged(const QModelIndex& current, const QModelIndex& previous) {
    QAbstractItemView::currentChanged(current, previous);
    if (!(QApplication::keyboardModifiers() & Qt::ShiftModifier) && state() != DragSelectingState)
        anchor_ = current.row();
    viewport()->update();
}

void TileView::setSelection(const QRect& rect, QItemSelectionModel::SelectionFlags command) {
    // As text is selected: all from where it began to where it is, not what lies in the rectangle.
    const bool further =
        QApplication::keyboardModifiers() & Qt::ShiftModifier || state() == DragSelectingState;
    QModelIndex to = further ? currentIndex() : indexAt(rect.topLeft());
    if (!to.isValid() && currentIndex().isValid() && visualRect(currentIndex()).intersects(rect))
        to = currentIndex();
    if (!to.isValid()) {
        selectionModel()->select(QItemSelection(), command);
        return;
    }
    const int from = further ? std::clamp(anchor_, 0, model()->rowCount() - 1) : to.row();
    selectionModel()->select(QItemSelection(model()->index(std::min(from, to.row()), 0),
                                            model()->index(std::max(from, to.row()), 0)),
                             command);
}

QRegion TileView::visualRegionForSelection(const QItemSelection&) const {
    return viewport()->rect(); // painting it all is cheaper than finding out
}

void TileView::paintEvent(QPaintEvent* event) {
    QPainter painter(viewport());
    QStyleOptionViewItem option;
    initViewItemOption(&option);
    const QStyle::State state = option.state;
    eachVisible(event->rect(), [&](int row) {
        QModelIndex index = model()->index(row, 0);
        option.rect = visualRect(index);
        if (!option.rect.intersects(event->rect()))
            return;
        option.state = state;
        option.state.setFlag(QStyle::State_Selected, selectionModel()->isSelected(index));
        option.state.setFlag(QStyle::State_HasFocus, hasFocus() && currentIndex() == index);
        itemDelegate()->paint(&painter, option, index);
    });
}

} // namespace moorfrost::app
