// SPDX-License-Identifier: GPL-3.0-or-later
// Cells of the sheet: painted, and edited in place.
#pragma once

#include <QCache>
#include <QHeaderView>
#include <QStaticText>
#include <QStyledItemDelegate>
#include <QTableView>

namespace moorfrost::app {

class ValueBooks;

class CellDelegate : public QStyledItemDelegate {
public:
    /// Of this view: where it stands tells which cell has the focus.
    explicit CellDelegate(QTableView* view) : QStyledItemDelegate(view), view_(view) {}
    /// Values are offered while one types.
    void setValues(ValueBooks* values) { values_ = values; }

    void paint(QPainter* p, const QStyleOptionViewItem& option, const QModelIndex& index) const override;
    QWidget* createEditor(QWidget* parent, const QStyleOptionViewItem&,
                          const QModelIndex& index) const override;
    /// Once: what is in the editor belongs to the hands that type, whatever happens to the cell meanwhile.
    void setEditorData(QWidget* editor, const QModelIndex& index) const override;
    void setModelData(QWidget* editor, QAbstractItemModel* model, const QModelIndex& index) const override;

protected:
    bool eventFilter(QObject* object, QEvent* event) override;

private:
    enum Face { Plain, Strong, Mono };
    struct Shaped {
        QStaticText text;
        int width = 0, height = 0;
    };
    static QFont fontOf(Face face);
    /// Shaping is most of the time of painting, and most cells are painted again and again.
    const Shaped& shaped(const QString& text, int width, Face face) const;

    QTableView* view_;
    ValueBooks* values_ = nullptr;
    mutable QCache<QString, Shaped> cache_{4000};
};

/// Never seen; it only keeps the heights of the rows. What is selected does not concern it: it would look at
/// every row.
class RowHeights : public QHeaderView {
public:
    RowHeights() : QHeaderView(Qt::Vertical) {
        hide();
        setSectionResizeMode(QHeaderView::Fixed);
        setDefaultSectionSize(28);
    }
    void setSelectionModel(QItemSelectionModel*) override {
        QHeaderView::setSelectionModel(new QItemSelectionModel(model(), this));
    }
};

} // namespace moorfrost::app
