// SPDX-License-Identifier: GPL-3.0-or-later
// People: persons, groups and organisations, entered once; what is known of one, the songs in which it has a
// share, how tags spell it, who may be the same.
#pragma once

#include <QLineEdit>
#include <QPushButton>
#include <QScrollArea>
#include <QTreeWidget>
#include <QWidget>

#include "app/control/people_controller.h"
#include "app/people/card_lines.h"
#include "app/widgets/controls.h"
#include "app/widgets/fact_table.h"

class QStackedWidget;

namespace moorfrost::app {

class PartButtons;
class PartySide;

class PeoplePage : public QWidget {
    Q_OBJECT
public:
    struct Uses {
        Messages& messages;
        PeopleController& people;
    };
    PeoplePage(const Uses& use, PartButtons* parts, QWidget* parent = nullptr);

    QLineEdit* searchBox() { return search_; }
    CardLines* lines() { return lines_; }
    FactTable* facts() { return facts_; }
    QTreeWidget* songs() { return songs_; }
    PartySide* side() { return side_; }
    QPushButton* proposalsButton() { return proposals_; }
    QString told() const { return count_->text(); }
    QString titleText() const { return title_->text(); }
    const library::CardView& shown() const { return shown_; }
    bool isTrue() const { return !reading_ && use_.people.isTrue(); }
    void showParty(library::CardId party);
    void newParty();
    void showProposals();
    void changeNotes();

protected:
    void showEvent(QShowEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;

private:
    QWidget* head(PartButtons* parts);
    QWidget* sheet();
    void refresh();
    void read();
    void show(library::CardView view);
    void showSide();
    void showMenu(const QPoint& at);

    Uses use_;
    QLineEdit* search_;
    ShortLabel* count_;
    CardLines* lines_;
    QStackedWidget* stack_;
    QScrollArea *scroll_, *sideBox_;
    EmptyHint* empty_;
    QLabel *title_, *line_, *notes_;
    FactTable* facts_;
    QTreeWidget* songs_;
    QLabel* noSongs_;
    QPushButton *more_, *proposals_;
    PartySide* side_;
    library::CardView shown_;
    library::CardId wanted_ = 0;
    int run_ = 0;
    bool reading_ = false;
};

} // namespace moorfrost::app
