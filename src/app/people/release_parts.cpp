// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/people/release_parts.h"

#include "app/people/agreements_page.h"
#include "app/people/people_page.h"
#include "app/people/works_page.h"
#include "app/releases/release_lines.h"

namespace moorfrost::app {

ReleaseParts::ReleaseParts(const ReleasesPage::Uses& use, PeopleController& people,
                           AgreementsController& agreements, QWidget* parent)
    : QStackedWidget(parent) {
    PartButtons* buttons[4];
    for (const auto part :
         {PartButtons::Editions, PartButtons::People, PartButtons::Works, PartButtons::Agreements}) {
        buttons[part] = new PartButtons(part);
        connect(buttons[part], &PartButtons::wanted, this, [this](PartButtons::Part wanted) {
            showPart(wanted);
            takeKeyboard();
        });
    }
    editions_ = new ReleasesPage(use, buttons[PartButtons::Editions]);
    people_ = new PeoplePage({use.messages, people, agreements}, buttons[PartButtons::People]);
    works_ = new WorksPage({use.messages, people, use.index, agreements, use.settings},
                           buttons[PartButtons::Works]);
    addWidget(editions_);
    addWidget(people_);
    agreements_ = new AgreementsPage({use.messages, people, agreements, use.releases},
                                     buttons[PartButtons::Agreements]);
    addWidget(works_);
    addWidget(agreements_);
}

void ReleaseParts::showPart(PartButtons::Part part) {
    setCurrentIndex(part);
}

void ReleaseParts::showCard(library::CardId card, library::CardKind kind, const std::string& key) {
    const auto part = kind == library::CardKind::Party  ? PartButtons::People
                      : kind == library::CardKind::Work ? PartButtons::Works
                                                        : PartButtons::Agreements;
    showPart(part);
    static_cast<CardPage*>(currentWidget())->showCard(card, key);
}

void ReleaseParts::takeKeyboard() {
    if (part() == PartButtons::Editions)
        editions_->lines()->setFocus();
    else
        static_cast<CardPage*>(currentWidget())->lines()->setFocus();
}

} // namespace moorfrost::app
