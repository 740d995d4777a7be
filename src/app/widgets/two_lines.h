// SPDX-License-Identifier: GPL-3.0-or-later
// Rows of a list that say what a thing is called and, smaller below it, what else there is to say; with a
// count on the right where there is one.
#pragma once

#include <QListView>
#include <QStyledItemDelegate>

namespace moorfrost::app {

class TwoLineDelegate : public QStyledItemDelegate {
public:
    /// Text; a count, 0 for none; how sure it is, 0 to 1 (below 1 it is shown), and its tone.
    enum Role { SecondRole = Qt::UserRole + 10, PillRole, SureRole, ToneRole };

    /// `elide`: where the second line is shortened.
    explicit TwoLineDelegate(Qt::TextElideMode elide, QObject* parent);
    QSize sizeHint(const QStyleOptionViewItem&, const QModelIndex&) const override { return {100, 46}; }
    void paint(QPainter* p, const QStyleOptionViewItem& option, const QModelIndex& index) const override;

private:
    Qt::TextElideMode elide_;
};

/// A list of such rows, which fills its pane.
QListView* twoLineList(QAbstractItemModel* model, const QString& name);

} // namespace moorfrost::app
