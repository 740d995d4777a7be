// SPDX-License-Identifier: GPL-3.0-or-later
// Works: all songs of the library with how complete they are, and of one who has which part of it.
#pragma once

#include <QLineEdit>
#include <QPushButton>
#include <QScrollArea>
#include <QWidget>

#include "app/control/people_controller.h"
#include "app/people/card_lines.h"
#include "app/people/share_table.h"
#include "app/widgets/controls.h"
#include "app/widgets/fact_table.h"

class QStackedWidget;

namespace moorfrost::app {

class PartButtons;
class WorkSide;

class WorksPage : public QWidget {
    Q_OBJECT
public:
    struct Uses {
        Messages& messages;
        PeopleController& people;
        LibraryIndex& index;
    };
    WorksPage(const Uses& use, PartButtons* parts, QWidget* parent = nullptr);

    QLineEdit* searchBox() { return search_; }
    CardLines* lines() { return lines_; }
    FactTable* facts() { return facts_; }
    ShareTable* table(library::Side side);
    WorkSide* side() { return side_; }
    QString told() const { return count_->text(); }
    QString titleText() const { return title_->text(); }
    QPushButton* addButton(library::Side side);
    const library::CardView& shown() const { return shown_; }
    /// What is shown is what is chosen, as the library has it.
    bool isTrue() const { return !reading_ && use_.people.isTrue(); }
    void showWork(library::CardId work);
    void newWork();
    /// Works for all recordings on the shelves that have none.
    void makeAll();
    void copyShares();
    void showLyrics();

signals:
    void libraryWanted(moorfrost::app::FileId id);
    void playRequested(moorfrost::app::FileId id);

protected:
    void showEvent(QShowEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;

private:
    QWidget* head(PartButtons* parts);
    QWidget* sheet();
    void refresh();
    void read();
    void show(library::CardView view);
    void showMenu(const QPoint& at);
    void setShares(library::Side side, const std::vector<library::Share>& shares, const QString& title);
    void showHistory(library::Side side);
    void goTo(const library::Gap& gap);
    std::vector<FileId> filesOf(const library::CardView& view) const;

    Uses use_;
    QLineEdit* search_;
    ShortLabel* count_;
    Choice* order_;
    CardLines* lines_;
    QStackedWidget* stack_;
    QScrollArea *scroll_, *sideBox_;
    EmptyHint* empty_;
    QLabel *title_, *line_;
    FactTable* facts_;
    QPushButton* more_;
    struct Part {
        ShareTable* table = nullptr;
        QPushButton* add = nullptr;
        QLabel* note = nullptr;
    };
    Part parts_[3]; // by side
    WorkSide* side_;
    library::CardView shown_;
    library::CardId wanted_ = 0;
    int run_ = 0;
    bool reading_ = false;
};

} // namespace moorfrost::app
