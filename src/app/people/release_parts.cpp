// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/people/release_parts.h"

#include "app/people/people_page.h"
#include "app/people/works_page.h"
#include "app/releases/release_lines.h"

namespace moorfrost::app {

ReleaseParts::ReleaseParts(const ReleasesPage::Uses& use, PeopleController& people, QWidget* parent)
    : QStackedWidget(parent) {
    PartButtons* buttons[3];
    for (const auto part : {PartButtons::Editions, PartButtons::People, PartButtons::Works}) {
        buttons[part] = new PartButtons(part);
        connect(buttons[part], &PartButtons::wanted, this, [this](PartButtons::Part wanted) {
            showPart(wanted);
            takeKeyboard();
        });
    }
    editions_ = new ReleasesPage(use, buttons[PartButtons::Editions]);
    people_ = new PeoplePage({use.messages, people}, buttons[PartButtons::People]);
    works_ = new WorksPage({use.messages, people, use.index}, buttons[PartButtons::Works]);
    addWidget(editions_);
    addWidget(people_);
    addWidget(works_);
}

void ReleaseParts::showPart(PartButtons::Part part) {
    setCurrentIndex(part);
}

void ReleaseParts::takeKeyboard() {
    if (part() == PartButtons::Editions)
        editions_->lines()->setFocus();
    else
        (part() == PartButtons::People ? people_->lines() : works_->lines())->setFocus();
}

} // namespace moorfrost::app
