// SPDX-License-Identifier: GPL-3.0-or-later
// People: persons, groups and organisations, entered once; what is known of one, the songs in which it has a
// share, how tags spell it, who may be the same.
#pragma once

#include <QTreeWidget>

#include "app/control/agreements_controller.h"
#include "app/people/card_page.h"

namespace moorfrost::app {

class PartButtons;
class PartySide;

class PeoplePage : public CardPage {
    Q_OBJECT
public:
    struct Uses {
        Messages& messages;
        PeopleController& people;
        AgreementsController& agreements;
    };
    PeoplePage(const Uses& use, PartButtons* parts, QWidget* parent = nullptr);

    QTreeWidget* songs() { return songs_; }
    PartySide* side() { return side_; }
    void newParty();
    void showProposals();

protected:
    std::vector<CardLine> linesOf(const library::People& people, const std::string& words) const override;
    size_t countOf(const library::People& people) const override { return people.parties().size(); }
    QString countText(const library::People& people) const override;
    std::pair<QString, QString> noneText() const override;
    void display() override;
    void showMenu(const QPoint& at) override;

private:
    QWidget* sheet();
    void showSongs(const library::People& people);

    Uses use_;
    QLabel *line_, *notes_, *noSongs_;
    QTreeWidget* songs_;
    QPushButton* proposals_;
    PartySide* side_;
};

} // namespace moorfrost::app
