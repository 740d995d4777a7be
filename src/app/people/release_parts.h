// SPDX-License-Identifier: GPL-3.0-or-later
// The Releases workspace: editions, people, works and agreements, one of them in sight.
#pragma once

#include <QStackedWidget>

#include "app/people/part_buttons.h"
#include "app/releases/releases_page.h"

namespace moorfrost::app {

class AgreementsController;
class AgreementsPage;
class PeopleController;
class PeoplePage;
class WorksPage;

class ReleaseParts : public QStackedWidget {
    Q_OBJECT
public:
    ReleaseParts(const ReleasesPage::Uses& use, PeopleController& people, AgreementsController& agreements,
                 QWidget* parent = nullptr);
    ReleasesPage* editions() { return editions_; }
    PeoplePage* people() { return people_; }
    WorksPage* works() { return works_; }
    AgreementsPage* agreements() { return agreements_; }
    PartButtons::Part part() const { return static_cast<PartButtons::Part>(currentIndex()); }
    void showPart(PartButtons::Part part);
    /// `key`: of what is to be entered of it.
    void showCard(library::CardId card, library::CardKind kind, const std::string& key);
    /// The list of the part in sight gets the keyboard.
    void takeKeyboard();

private:
    ReleasesPage* editions_;
    PeoplePage* people_;
    WorksPage* works_;
    AgreementsPage* agreements_;
};

} // namespace moorfrost::app
