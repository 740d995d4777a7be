// SPDX-License-Identifier: GPL-3.0-or-later
// A comparison: things are columns, facts about them are rows. One of the things is chosen; what differs from
// it is marked and can be shown alone. Where rows are pickable, a thing is chosen at its head, and single
// values can be taken from others.
#pragma once

#include <QTableView>

#include <optional>
#include <vector>

namespace moorfrost::app {

struct Comparison {
    struct Cell {
        QString text;
        std::optional<double> bar = {}; // 0 to 1: shown as a length beside the text
        QString tip = {};
    };
    struct Row {
        QString caption;
        std::vector<Cell> cells;        // of all columns
        bool always = false;            // shown, and never marked, even if nothing differs
        bool pickable = false;          // its values can be taken one by one
        int effective = -1;             // the column whose value holds; -1: that of the one that is chosen
        static constexpr int none = -2; // none of them: it was typed
    };
    std::vector<QString> columns; // what each is called for those who cannot see it
    std::vector<Row> rows;
    size_t chosen = 0;
};

class ComparisonModel;

class ComparisonTable : public QTableView {
    Q_OBJECT
public:
    explicit ComparisonTable(QWidget* parent = nullptr);
    void show(const Comparison& comparison);
    void setOnlyDifferent(bool on);
    /// As high as its rows.
    QSize sizeHint() const override;

signals:
    void chosen(size_t column);
    /// A value of a row that is pickable; `row`: among those of the comparison.
    void picked(size_t row, size_t column);

protected:
    void keyPressEvent(QKeyEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;

private:
    void fit();
    void choose(const QModelIndex& index);

    ComparisonModel* model_;
};

} // namespace moorfrost::app
