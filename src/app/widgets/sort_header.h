// SPDX-License-Identifier: GPL-3.0-or-later
// The head of a table that shows by which columns it is sorted: an arrow, and a number where there are
// several.
#pragma once

#include <QHeaderView>
#include <QItemSelectionModel>

namespace moorfrost::app {

class SortHeader : public QHeaderView {
    Q_OBJECT
public:
    explicit SortHeader(QWidget* parent = nullptr);
    /// Sections in the order in which they count, and whether each rises.
    void setSorting(std::vector<std::pair<int, bool>> sorting);
    /// What is selected does not concern it: it would ask about every row whenever it is painted.
    void setSelectionModel(QItemSelectionModel*) override {
        QHeaderView::setSelectionModel(new QItemSelectionModel(model(), this));
    }

protected:
    void paintSection(QPainter* p, const QRect& rect, int section) const override;

private:
    std::vector<std::pair<int, bool>> sorting_;
};

} // namespace moorfrost::app
