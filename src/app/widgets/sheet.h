// SPDX-License-Identifier: GPL-3.0-or-later
// The sheet: files by fields, edited in place. Its view shows the tracks of the library, too.
#pragma once

#include <QTableView>

class QLineEdit;

#include "app/control/content_kinds.h"
#include "app/control/drafts_controller.h"
#include "app/control/files_controller.h"
#include "app/control/places_controller.h"
#include "app/control/sleeve_views.h"
#include "app/widgets/file_table.h"
#include "core/bench/sleeve_norms.h"

namespace moorfrost::app {

class SheetModel : public FileTable {
    Q_OBJECT
public:
    /// What it uses.
    struct Uses {
        FilesController& files;
        DraftsController& drafts;
        ContentKinds& kinds;
        SleeveViews& sleeves;
    };

    explicit SheetModel(const Uses& use, QObject* parent = nullptr);

    /// Rows that stay keep their selection and an open editor.
    void setFiles(std::vector<FileId> files);
    const std::vector<FileId>& files() const { return files_; }
    FileId fileAt(int row) const override { return files_[static_cast<size_t>(row)]; }

    int rowCount(const QModelIndex& = {}) const override { return static_cast<int>(files_.size()); }
    QVariant data(const QModelIndex& index, int role) const override;
    Qt::ItemFlags flags(const QModelIndex& index) const override;
    bool setData(const QModelIndex& index, const QVariant& value, int role) override;
    std::vector<std::string> ownColumns() const override;
    QString cellText(FileId id, const std::string& key) const;
    /// What it is sorted by where that is a number; nullopt where it is text, or blank.
    std::optional<double> sortNumber(FileId id, const std::string& key) const;
    bool hasDraft(FileId id) const;
    /// From most of its sleeve, in something that is one for a release.
    bool differs(FileId id) const { return norms_.differs(id); }
    matching::ContentKind kindOf(FileId id) const { return use_.kinds.of(id); }

signals:
    /// In a cell: what is proposed now.
    void typed(const std::vector<moorfrost::app::FileId>& files, const std::string& key,
               const std::vector<std::string>& values);

private:
    void refresh();
    Uses use_;
    std::vector<FileId> files_;
    mutable bench::SleeveNorms norms_;
    size_t sleevesTold_ = 0;
    /// Takes rows away, moves and adds them; false, and nothing done, where too little stays.
    bool changeRows(const std::vector<FileId>& files);
};

class ValueBooks;

class SheetView : public QTableView {
    Q_OBJECT
public:
    /// What it uses.
    struct Uses {
        DraftsController& drafts;
        CustomFields& customFields;
    };

    SheetView(const Uses& use, FileTable* model, QWidget* parent = nullptr);

    /// Values are offered while one types in a cell.
    void setValues(ValueBooks* values);
    /// Of the selected rows, in their order; of the current one if none is.
    std::vector<FileId> chosenFiles() const;
    size_t chosenCount() const;
    FileId firstChosen() const;                          // 0: none
    std::vector<std::pair<int, int>> chosenRows() const; // from, to, in rising order
    void copy();
    void paste();
    void fillDown();
    /// Numbers that go on from the first chosen cell, in each chosen column.
    void fillSeries();
    void blank();
    void dropDrafts();
    /// Takes what is typed in an open editor and closes it.
    void finishEditing();
    /// nullptr if none is open.
    QLineEdit* openEditor() const;
    /// A menu of all columns at the pointer; what is chosen is remembered under `settingsKey`.
    void chooseColumns(const QString& settingsKey);

signals:
    void chosenChanged();
    /// openEditor() has been closed, whatever became of what was typed.
    void editingEnded();
    void playRequested(moorfrost::app::FileId id);
    void menuRequested(const QPoint& global);

protected:
    void startDrag(Qt::DropActions actions) override;
    void keyPressEvent(QKeyEvent* event) override;
    void contextMenuEvent(QContextMenuEvent* event) override;
    void selectionChanged(const QItemSelection& a, const QItemSelection& b) override;
    void rowsAboutToBeRemoved(const QModelIndex& parent, int from, int to) override;
    void closeEditor(QWidget* editor, QAbstractItemDelegate::EndEditHint hint) override;
    QRegion visualRegionForSelection(const QItemSelection& selection) const override;

private:
    /// The chosen cells in sight, as they are seen: row by row, from the left.
    QModelIndexList cells() const;
    /// The files of the chosen cells, with the fields that are chosen of each.
    std::vector<edits::Subject> subjects() const;
    bool isBlock(const QModelIndexList& cells) const;
    std::vector<int> columnsInSight() const; // from the left
    int placeOf(int column) const;
    Uses use_;
    FileTable* model_;
};

} // namespace moorfrost::app
