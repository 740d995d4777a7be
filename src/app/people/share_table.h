// SPDX-License-Identifier: GPL-3.0-or-later
// The shares of a side of a work: a row a party, with its part as a bar and as a fraction, and a last row
// with what they add up to. Typed over in place.
#pragma once

#include <QTableView>

#include <optional>

#include "app/people/share_model.h"

namespace moorfrost::app {

class ShareTable : public QTableView {
    Q_OBJECT
public:
    using Column = ShareModel::Column;
    using enum ShareModel::Column;

    explicit ShareTable(library::Side side, QWidget* parent = nullptr);
    library::Side side() const { return side_; }
    /// `writers`: of the work, whom its publishers administer. `publishers`: by whom its writers are
    /// administered. While one types, when that has ended.
    void show(std::vector<library::Share> shares, std::vector<library::Share> writers,
              std::vector<library::Share> publishers, PeopleController::List people);
    const std::vector<library::Share>& shares() const;
    /// A row for another one, in which a name is typed.
    void addShare();
    void removeChosen();
    /// The chosen ones, else all, get the same part, which together is all of it.
    void shareEqually();
    /// Asks where a share holds, and since when.
    void askTerms(int row);
    QString textOf(int row, Column column) const;
    /// What the last row says.
    QString sumText() const;
    /// Types into a cell.
    bool editCell(int row, Column column);
    QSize sizeHint() const override;

    /// An editor is open, or what was typed is being asked about.
    bool isEditing() const { return state() == EditingState || taking_ > 0; }

signals:
    /// And what was typed has been told.
    void editorClosed();
    void typed(const std::vector<moorfrost::library::Share>& shares, const QString& title);
    /// Of a party.
    void numberTyped(moorfrost::library::CardId party, const QString& number);
    void partyWanted(moorfrost::library::CardId party);
    /// A share cannot be what was typed.
    void troubled(const QString& sentence);
    void historyWanted();

protected:
    void keyPressEvent(QKeyEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;
    void contextMenuEvent(QContextMenuEvent* event) override;
    void closeEditor(QWidget* editor, QAbstractItemDelegate::EndEditHint hint) override;

private:
    void take(int row, Column column, const QString& text);
    void takeNow(int row, Column column, const QString& text);
    void endEditing();
    /// What was cut off is asked; nullopt: nothing is taken.
    std::optional<library::TypedShare> partFrom(const QString& text);
    std::vector<size_t> chosenRows() const;
    void change(std::vector<library::Share> shares, const QString& title);
    void fit();

    library::Side side_;
    ShareModel* model_;
    struct Pending {
        std::vector<library::Share> shares, writers, publishers;
        PeopleController::List people;
    };
    std::optional<Pending> pending_;
    bool nobody_ = false; // was named in the row that was being added
    int taking_ = 0;
};

} // namespace moorfrost::app
