// SPDX-License-Identifier: GPL-3.0-or-later
// The Releases workspace: editions, people and works, one of them in sight.
#pragma once

#include <QStackedWidget>

#include "app/people/part_buttons.h"
#include "app/releases/releases_page.h"

namespace moorfrost::app {

class PeopleController;
class PeoplePage;
class WorksPage;

class ReleaseParts : public QStackedWidget {
    Q_OBJECT
public:
    ReleaseParts(const ReleasesPage::Uses& use, PeopleController& people, QWidget* parent = nullptr);
    ReleasesPage* editions() { return editions_; }
    PeoplePage* people() { return people_; }
    WorksPage* works() { return works_; }
    PartButtons::Part part() const { return static_cast<PartButtons::Part>(currentIndex()); }
    void showPart(PartButtons::Part part);
    /// The list of the part in sight gets the keyboard.
    void takeKeyboard();

private:
    ReleasesPage* editions_;
    PeoplePage* people_;
    WorksPage* works_;
};

} // namespace moorfrost::app
