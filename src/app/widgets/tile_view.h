// SPDX-License-Identifier: GPL-3.0-or-later
// A grid of tiles of one size under headings across the width. Places are computed, never kept: a hundred
// thousand tiles cost as much as ten.
#pragma once

#include <QAbstractItemView>

#include <vector>

namespace moorfrost::app {

class TileView : public QAbstractItemView {
    Q_OBJECT
public:
    /// Role of the model: true for what is a heading, and no tile.
    static constexpr int HeadingRole = Qt::UserRole + 100;

    explicit TileView(QWidget* parent = nullptr);

    void setTileSize(const QSize& size);
    void setModel(QAbstractItemModel* model) override;
    QRect visualRect(const QModelIndex& index) const override;
    void scrollTo(const QModelIndex& index, ScrollHint hint = EnsureVisible) override;
    QModelIndex indexAt(const QPoint& point) const override;

protected:
    QModelIndex moveCursor(CursorAction action, Qt::KeyboardModifiers modifiers) override;
    int horizontalOffset() const override { return 0; }
    int verticalOffset() const override;
    bool isIndexHidden(const QModelIndex&) const override { return false; }
    void setSelection(const QRect& rect, QItemSelectionModel::SelectionFlags command) override;
    QRegion visualRegionForSelection(const QItemSelection& selection) const override;
    void paintEvent(QPaintEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;
    void updateGeometries() override;
    void currentChanged(const QModelIndex& current, const QModelIndex& previous) override;

private:
    struct Group {
        int first = 0; // row of its first tile; its heading, if it has one, is before it
        int count = 0;
        int top = 0; // of its heading, in pixels from the top of all
        bool headed = false;
    };
    void findGroups();
    void layOut();
    int columns() const;
    QRect tileRect(const Group& group, int tile) const;
    const Group* groupOf(int row) const;
    template<class Each>
    void eachVisible(const QRect& area, Each&& each) const;

    QSize tile_{160, 200};
    std::vector<Group> groups_;
    int height_ = 0; // of all
    int anchor_ = 0; // row from which Shift selects
};

} // namespace moorfrost::app
