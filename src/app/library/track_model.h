// SPDX-License-Identifier: GPL-3.0-or-later
// The tracks of a result, painted straight from the columns of the library: no row costs anything before it
// is seen. Drafts stand in their cells.
#pragma once

#include "app/control/drafts_controller.h"
#include "app/library/family_fold.h"
#include "app/widgets/file_table.h"
#include "core/library/search/searcher.h"

namespace moorfrost::app {

class TrackModel : public FileTable {
    Q_OBJECT
public:
    /// What it uses.
    struct Uses {
        DraftsController& drafts;
    };

    explicit TrackModel(const Uses& use, QObject* parent = nullptr);

    /// `places`: of each row in the list that is shown; empty: it is no list.
    void setRows(std::shared_ptr<const library::Searcher> searcher, std::vector<library::Row> rows,
                 std::vector<size_t> places = {});
    const std::vector<size_t>& places() const { return places_; }
    /// What stands below its lead; nullptr: nothing does. To be set before the rows.
    void setFold(const FamilyFold* fold) { fold_ = fold; }
    /// Whether rows can be dropped between others.
    void setArranged(bool arranged) { arranged_ = arranged; }
    const std::vector<library::Row>& rows() const { return rows_; }
    const std::shared_ptr<const library::Searcher>& searcher() const { return searcher_; }

    /// FamilyRole of the row, whatever the column.
    QVariant familyMark(int row) const;

    FileId fileAt(int row) const override;
    std::vector<std::string> ownColumns() const override {
        return {readyColumn, ratingColumn, noteColumn, playoutColumn, usedColumn, lastUsedColumn};
    }
    int rowCount(const QModelIndex& parent = {}) const override;
    QVariant data(const QModelIndex& index, int role) const override;
    Qt::ItemFlags flags(const QModelIndex& index) const override;
    std::unique_ptr<QMimeData> dragged(const std::vector<std::pair<int, int>>& rows) const override;
    QStringList mimeTypes() const override;
    Qt::DropActions supportedDropActions() const override { return Qt::CopyAction | Qt::MoveAction; }
    bool dropMimeData(const QMimeData* data, Qt::DropAction action, int row, int column,
                      const QModelIndex& parent) override;

signals:
    /// Before that row. `places`: they stand in this list already.
    void dropped(int row, const std::vector<moorfrost::library::FileId>& files,
                 const std::vector<size_t>& places);

private:
    const library::Marks* marksAt(int row) const; // nullptr: not known
    QString cellText(int row, const std::string& key) const;
    const library::Draft* draftOf(int row, const std::string& key) const;

    Uses use_;
    std::shared_ptr<const library::Searcher> searcher_;
    std::vector<library::Row> rows_;
    std::vector<size_t> places_;
    bool arranged_ = false;
    const FamilyFold* fold_ = nullptr;
};

} // namespace moorfrost::app
