// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/people/card_page.h"

#include <QInputDialog>
#include <QVBoxLayout>

#include <utility>

#include "app/people/card_facts.h"
#include "app/shell/text_utils.h"

namespace moorfrost::app {

namespace {
constexpr int narrowest = 980;
}

CardPage::CardPage(Messages& messages, PeopleController& people, library::CardKind kind, QWidget* parent)
    : QWidget(parent), messages_(messages), people_(people), kind_(kind) {
    lines_ = new CardLines;
    title_ = label({}, "title");
    title_->setWordWrap(true);
    facts_ = new FactTable;
    moreFacts_ = button({}, "flat");
    connect(facts_, &FactTable::typed, this, [this](const std::string& key, const QString& text) {
        QString trouble;
        const auto values = cardFactTyped(kind_, key, text, people_.list(), trouble);
        if (values)
            people_.setFact(shown_.id, kind_, key, *values);
        else
            messages_.say(trouble, true);
    });
    connect(facts_, &FactTable::noneWanted, this,
            [this](const std::string& key) { people_.setFact(shown_.id, kind_, key, {}, true); });
    connect(facts_, &FactTable::editorClosed, this, &CardPage::showNext);
    connect(moreFacts_, &QPushButton::clicked, this, [this] {
        facts_->setShowsAll(!facts_->showsAll());
        show(shown_);
    });
}

void CardPage::layOut(const SearchHead& head, QBoxLayout* caption, QWidget* sheet, EmptyHint* empty,
                      QWidget* side, const QString& name) {
    head_ = head;
    empty_ = empty;
    panes_ = threePanes(caption, lines_, sheet, empty, side, {236, 706, 262}, name + "/panes");
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addWidget(head.widget);
    layout->addWidget(panes_.widget, 1);
    connect(head.search, &QLineEdit::textChanged, this, &CardPage::refresh);
    connect(head.search, &QLineEdit::returnPressed, lines_, [this] { lines_->setFocus(); });
    connect(lines_, &CardLines::chosenChanged, this, &CardPage::read);
    connect(lines_, &CardLines::menuWanted, this, &CardPage::showMenu);
    connect(lines_, &CardLines::removeWanted, this, &CardPage::removeShown);
    connect(&people_, &PeopleController::changed, this, [this] {
        if (!isVisible())
            return; // it is read when it comes into sight
        refresh();
        read();
    });
    refresh();
}

QWidget* CardPage::partHead(const QString& title, QPushButton* change) {
    auto* row = new QHBoxLayout;
    row->setContentsMargins(0, 0, 0, 0);
    row->addWidget(label(title, "strong"));
    row->addStretch();
    row->addWidget(change);
    auto* out = new QWidget;
    out->setLayout(row);
    return out;
}

QWidget* CardPage::textHead(const QString& title, const std::string& key) {
    auto* change = button(tr("Change\u2026"), "flat");
    change->setAccessibleName(tr("Change: %1").arg(title));
    connect(change, &QPushButton::clicked, this, [this, title, key] { changeText(title, key); });
    return partHead(title, change);
}

void CardPage::changeText(const QString& title, const std::string& key) {
    const library::CardId card = shown_.id; // another may be shown when the dialog has ended
    if (card == 0)
        return;
    const std::string before = library::firstFact(shown_.facts, key);
    bool ok = false;
    const std::string text =
        ss(QInputDialog::getMultiLineText(this, title, title_->text(), qs(before), &ok).trimmed());
    if (ok && text != before)
        people_.setFact(card, kind_, key,
                        text.empty() ? std::vector<std::string>() : std::vector<std::string>{text});
}

void CardPage::removeShown() {
    // The one that is chosen: what is shown may be the one before, while it is being read.
    if (shown_.id != 0 && shown_.id == lines_->chosen())
        people_.remove(shown_.id, title_->text());
}

void CardPage::showEvent(QShowEvent* event) {
    QWidget::showEvent(event);
    people_.want();
    refresh();
    read();
}

void CardPage::resizeEvent(QResizeEvent* event) {
    QWidget::resizeEvent(event);
    panes_.side->setVisible(width() >= narrowest);
}

void CardPage::refresh() {
    const auto list = people_.list();
    std::vector<CardLine> lines;
    if (list)
        lines = linesOf(*list, ss(head_.search->text()));
    const bool any = !lines.empty();
    const bool none = list && countOf(*list) == 0;
    lines_->show(std::move(lines));
    if (wanted_ != 0 && list) {
        const bool there = list->find(kind_, wanted_) != SIZE_MAX;
        if (there) {
            const library::CardId wanted = std::exchange(wanted_, 0);
            if (!lines_->choose(wanted)) { // what is searched hides it
                head_.search->clear();
                lines_->choose(wanted);
            }
        } else if (people_.isTrue()) {
            wanted_ = 0; // it is no more
        }
    }
    head_.count->setText(list ? countText(*list) : QString());
    if (any)
        return;
    shown_ = {};
    next_.reset();
    const auto [title, text] = noneText();
    empty_->setTexts(!list  ? tr("Reading \u2026")
                     : none ? title
                            : tr("Nothing is found"),
                     none ? text : QString());
    empty_->button()->setVisible(none);
    panes_.stack->setCurrentWidget(empty_);
    panes_.side->widget()->setVisible(false);
}

void CardPage::read() {
    const library::CardId chosen = lines_->chosen();
    if (chosen == 0)
        return;
    reading_ = true;
    people_.read(this, chosen, [this, run = ++run_](library::CardView view) {
        if (run != run_)
            return;
        reading_ = false;
        if (view.id != 0)
            show(std::move(view));
    });
}

void CardPage::show(library::CardView view) {
    const bool other = view.id != shown_.id;
    if (other && shown_.id != 0 && isEditing()) {
        next_ = std::move(view);
        return;
    }
    next_.reset();
    shown_ = std::move(view);
    title_->setText(qs(library::nameOfCard(kind_, shown_.facts)));
    facts_->show(cardFactRows(shown_, people_.list()));
    const int hidden = facts_->hidden();
    moreFacts_->setVisible(hidden > 0 || facts_->showsAll());
    moreFacts_->setText(facts_->showsAll() ? tr("Hide what is not known")
                                           : tr("%n more fact(s), not known", "", hidden));
    display();
    panes_.side->widget()->setVisible(true);
    panes_.stack->setCurrentWidget(panes_.sheet);
    if (other)
        panes_.sheet->ensureVisible(0, 0);
    if (toEnter_.first == shown_.id && !toEnter_.second.empty())
        enter(std::exchange(toEnter_.second, {}));
}

void CardPage::enter(const std::string& key) {
    facts_->editFact(key);
}

void CardPage::showNext() {
    if (next_ && !isEditing())
        show(std::move(*std::exchange(next_, std::nullopt)));
}

void CardPage::showCard(library::CardId card, const std::string& key) {
    people_.want();
    wanted_ = card;
    toEnter_ = {card, key};
    const bool isShown = lines_->chosen() == card;
    refresh();
    if (isShown && !key.empty())
        read(); // nothing else is chosen, so nothing is read by itself
}

} // namespace moorfrost::app
