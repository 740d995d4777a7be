// SPDX-License-Identifier: GPL-3.0-or-later
// Keeps one column of a table in sight: when it has been scrolled out to the left, it stands over the left
// edge.
#pragma once

#include <QTableView>

namespace moorfrost::app {

class FileTable;

class FrozenColumn : public QTableView {
    Q_OBJECT
public:
    /// Over the table, whose model and selection it shares. `key`: of the column.
    FrozenColumn(QTableView* table, FileTable* model, std::string key);

protected:
    bool eventFilter(QObject* object, QEvent* event) override;
    void wheelEvent(QWheelEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    QRegion visualRegionForSelection(const QItemSelection&) const override { return viewport()->rect(); }

private:
    void place();
    void takeColumns();

    QTableView* table_;
    FileTable* model_;
    std::string key_;
};

} // namespace moorfrost::app
