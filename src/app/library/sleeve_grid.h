// SPDX-License-Identifier: GPL-3.0-or-later
// The result as covers: title, who, year and tally of every sleeve, under headings where they are grouped.
#pragma once

#include "app/control/library_index.h"
#include "app/control/standards.h"
#include "app/widgets/tile_view.h"
#include "core/library/search/sleeves.h"

namespace moorfrost::app {

class SleeveGridModel;

class SleeveGrid : public TileView {
    Q_OBJECT
public:
    /// What it uses.
    struct Uses {
        LibraryIndex& index;
        Standards& standards;
    };

    explicit SleeveGrid(const Uses& use, QWidget* parent = nullptr);

    void setSleeves(std::vector<library::LibrarySleeve> sleeves,
                    std::shared_ptr<const library::Searcher> searcher);
    const std::vector<library::LibrarySleeve>& sleeves() const;
    /// Side of a cover, in pixels.
    void setCoverSize(int side);
    int coverSize() const { return side_; }
    /// Of the selected sleeves; of the current one if none is.
    std::vector<FileId> chosenFiles() const;
    size_t chosenCount() const; // of files
    FileId firstChosen() const; // 0: none

signals:
    void chosenChanged();
    void playRequested(moorfrost::app::FileId id);
    /// To see its tracks: a query that finds them.
    void opened(const std::string& query);
    void menuRequested(const QPoint& global);

protected:
    void keyPressEvent(QKeyEvent* event) override;
    void contextMenuEvent(QContextMenuEvent* event) override;
    void selectionChanged(const QItemSelection& a, const QItemSelection& b) override;

private:
    std::vector<int> chosenRows() const;
    void open(const QModelIndex& index);
    SleeveGridModel* model_;
    int side_ = 148;
};

} // namespace moorfrost::app
