// SPDX-License-Identifier: GPL-3.0-or-later
// A sheet that comes in: its columns on the left, its rows with the tracks they mean on the right, what is to
// be settled below them.
#pragma once

#include <QPushButton>
#include <QTableView>

#include <array>

#include "app/control/rows_in_controller.h"
#include "app/control/shelves_controller.h"
#include "app/deliver/deliver_view.h"
#include "app/deliver/rows_in_model.h"
#include "app/widgets/controls.h"
#include "app/widgets/side_lines.h"

class QCheckBox;
class QListWidget;
class QSplitter;
class QStackedWidget;

namespace moorfrost::app {

class FieldPicker;
class TrackSearch;

/// One row: why it means which track, what it says otherwise, what a person can say of it.
class RowBox : public SideLines {
    Q_OBJECT
public:
    RowBox(LibraryIndex& index, QWidget* parent = nullptr) : SideLines(parent), index_(index) {}
    void show(const std::optional<deliver::InRow>& row);

signals:
    void trackChosen(moorfrost::library::FileId file);
    void preferred();

private:
    LibraryIndex& index_;
};

class RowsInView : public DeliverView {
    Q_OBJECT
public:
    RowsInView(RowsInController& rows, LibraryIndex& index, ShelvesController& shelves, Messages& messages,
               QWidget* parent = nullptr);

    QTableView* table() { return table_; }
    RowsInModel* model() { return model_; }
    QListWidget* columns() { return columns_; }
    FieldPicker* says() { return says_; }
    Choice* layoutChoice() { return layout_; }
    RowBox* row() { return row_; }
    TrackSearch* search() { return search_; }
    QPushButton* part(RowsInModel::Part part) { return parts_[static_cast<size_t>(part)]; }
    QPushButton* takeButton() { return take_; }
    QPushButton* leaveOutButton() { return leaveOut_; }
    QPushButton* entriesButton() { return entries_; }
    QString told() const { return told_->text(); }
    QWidget* headPart() override;
    void takeKeyboard() override;
    bool isTrue() const override { return !rows_.isReading(); }
    bool isOfTracks() const override { return false; }
    void choose();

protected:
    void dragEnterEvent(QDragEnterEvent* event) override;
    void dropEvent(QDropEvent* event) override;

private:
    QWidget* left();
    QWidget* right();
    void showAll();
    void showColumns();
    void showRows();
    void showRow();
    void showPart(RowsInModel::Part part);
    void askForEntries();
    std::vector<size_t> chosenRows() const;

    RowsInController& rows_;
    LibraryIndex& index_;
    ShelvesController& shelves_;
    Messages& messages_;
    QPushButton* open_;
    ShortLabel* file_;
    QStackedWidget* stack_;
    EmptyHint* empty_;
    Choice *layout_, *charset_, *delimiter_;
    QCheckBox *headings_, *quotes_, *clears_;
    QListWidget* columns_;
    FieldPicker* says_;
    QLabel* samples_;
    std::array<QPushButton*, 5> parts_ = {};
    QTableView* table_;
    RowsInModel* model_;
    RowBox* row_;
    TrackSearch* search_;
    ShortLabel* told_;
    QPushButton *take_, *leaveOut_, *entries_;
    QWidget* below_;
    RowsInModel::Part part_ = RowsInModel::Part::Needs;
    const deliver::RowsIn* shown_ = nullptr;
    int run_ = -1; // which reading that is
};

} // namespace moorfrost::app
