// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/frozen_column.h"

#include <algorithm>

#include <QMouseEvent>
#include <QScrollBar>
#include <QWheelEvent>

#include "app/widgets/cell_delegate.h"
#include "app/widgets/file_table.h"
#include "app/widgets/sort_header.h"

namespace moorfrost::app {

FrozenColumn::FrozenColumn(QTableView* table, FileTable* model, std::string key)
    : QTableView(table), table_(table), model_(model), key_(std::move(key)) {
    setVerticalHeader(new RowHeights);
    setModel(model);
    setSelectionModel(table->selectionModel());
    setItemDelegate(new CellDelegate(table)); // of its own: two views on one would both end an edit
    setFocusPolicy(Qt::NoFocus);
    setObjectName("frozen");
    setShowGrid(false);
    setWordWrap(false);
    setCornerButtonEnabled(false);
    setEditTriggers(NoEditTriggers);
    setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    setVerticalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    setVerticalScrollMode(table->verticalScrollMode());
    setHorizontalHeader(new SortHeader(this)); // what is selected does not concern it
    horizontalHeader()->setSectionsClickable(false);
    horizontalHeader()->setSectionsMovable(false);
    horizontalHeader()->setSectionResizeMode(QHeaderView::Fixed);
    horizontalHeader()->setFixedHeight(table->horizontalHeader()->minimumHeight());
    setAccessibleName(tr("File names, kept in sight"));
    setAttribute(Qt::WA_NoMousePropagation);
    table->installEventFilter(this);
    connect(model, &QAbstractItemModel::modelReset, this, &FrozenColumn::takeColumns);
    connect(table->horizontalScrollBar(), &QScrollBar::valueChanged, this, &FrozenColumn::place);
    connect(table->horizontalHeader(), &QHeaderView::sectionResized, this, &FrozenColumn::place);
    connect(table->horizontalHeader(), &QHeaderView::sectionMoved, this, &FrozenColumn::place);
    connect(table->horizontalHeader(), &QHeaderView::geometriesChanged, this, &FrozenColumn::place);
    connect(table->verticalScrollBar(), &QScrollBar::valueChanged, verticalScrollBar(),
            &QScrollBar::setValue);
    connect(table->verticalScrollBar(), &QScrollBar::rangeChanged, verticalScrollBar(),
            &QScrollBar::setRange);
    takeColumns();
}

void FrozenColumn::takeColumns() {
    for (int c = 0; c < model_->columnCount(); ++c)
        setColumnHidden(c, model_->keyAt(c) != key_);
    place();
}

void FrozenColumn::place() {
    const auto& keys = model_->columns();
    const auto it = std::ranges::find(keys, key_);
    if (it == keys.end()) {
        hide();
        return;
    }
    const auto column = static_cast<int>(it - keys.begin());
    const int width = table_->columnWidth(column);
    const QRect view = table_->viewport()->geometry();
    // Not where it would cover most of what is looked at.
    const bool wanted = table_->columnViewportPosition(column) < 0 && width * 2 < view.width();
    if (wanted) {
        const int head = table_->horizontalHeader()->height();
        horizontalHeader()->setFixedHeight(head);
        setColumnWidth(column, width);
        setGeometry(view.left(), view.top() - head, width + 1, view.height() + head);
        verticalScrollBar()->setValue(table_->verticalScrollBar()->value());
    }
    setVisible(wanted);
}

bool FrozenColumn::eventFilter(QObject*, QEvent* event) {
    if (event->type() == QEvent::Resize || event->type() == QEvent::LayoutRequest)
        place();
    return false;
}

void FrozenColumn::wheelEvent(QWheelEvent* event) {
    QCoreApplication::sendEvent(table_->viewport(), event);
}

void FrozenColumn::mousePressEvent(QMouseEvent* event) {
    QTableView::mousePressEvent(event);
    table_->setFocus();
}

} // namespace moorfrost::app
