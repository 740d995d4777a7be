// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/people/works_page.h"

#include <QMenu>
#include <QSettings>
#include <QVBoxLayout>

#include "app/people/lyrics_view.h"
#include "app/people/part_buttons.h"
#include "app/people/work_side.h"
#include "app/shell/text_utils.h"
#include "app/shell/theme.h"

namespace moorfrost::app {

namespace {

using library::CardId;
using library::CardKind;
using library::Side;

} // namespace

WorksPage::WorksPage(const Uses& use, PartButtons* parts, QWidget* parent)
    : CardPage(use.messages, use.people, CardKind::Work, parent), use_(use) {
    lines_->setAccessibleName(tr("Works"));
    order_ = new Choice;
    order_->addItems({tr("least complete"), tr("by title")});
    order_->setAccessibleName(tr("Order of the works"));
    order_->setCurrentIndex(QSettings().value("works/order", 0).toInt());
    connect(order_, &QComboBox::activated, this, [this](int order) {
        QSettings().setValue("works/order", order);
        refresh();
    });
    auto* caption = new QHBoxLayout;
    caption->setContentsMargins(12, 6, 8, 4);
    caption->addWidget(label(tr("Works"), "caption"));
    caption->addStretch();
    caption->addWidget(order_);
    auto* fresh = button(tr("New work"));
    auto* ways = new QMenu(fresh);
    ways->addAction(tr("By its title\u2026"), this, &WorksPage::newWork);
    ways->addAction(tr("Of all recordings that have none"), this, &WorksPage::makeAll);
    fresh->setMenu(ways);
    auto* empty = new EmptyHint("release", {}, {}, tr("Works of all recordings"));
    connect(empty->button(), &QPushButton::clicked, this, &WorksPage::makeAll);
    side_ = new WorkSide;
    connect(side_, &WorkSide::gapChosen, this, &WorksPage::goTo);
    connect(side_, &WorkSide::settled, this,
            [this](const library::Claim& claim, bool take) { use_.people.settle(shown_.id, claim, take); });
    connect(side_, &WorkSide::agreementWanted, &use_.agreements, &AgreementsController::wantShown);
    connect(side_, &WorkSide::recordingWanted, this, &WorksPage::libraryWanted);
    layOut(searchHead(tr("Releases"), tr("Search: title, name, number \u2026"), tr("Search the works"),
                      {parts, fresh}),
           caption, sheet(), empty, side_, "works");
}

QString WorksPage::sideName(Side side) {
    return side == Side::Writers      ? tr("Writers")
           : side == Side::Publishers ? tr("Publishers")
                                      : tr("Owners of the master");
}

QWidget* WorksPage::sheet() {
    line_ = label({}, "quiet");
    line_->setWordWrap(true);
    auto* copy = button(tr("Shares from \u25BE"));
    copy->setToolTip(tr("As of another song or as kept by name, for this one or for all that are chosen"));
    copy->setMenu(new QMenu(copy));
    connect(copy->menu(), &QMenu::aboutToShow, this, [this, menu = copy->menu()] {
        menu->clear();
        fillShareMenu(*menu);
    });
    auto* keywords = button(tr("Keywords\u2026"));
    connect(keywords, &QPushButton::clicked, this, &WorksPage::chooseKeywords);
    auto* lyrics = button(tr("Lyrics\u2026"));
    connect(lyrics, &QPushButton::clicked, this, &WorksPage::showLyrics);
    oneSheet_ = button(tr("One-sheet"));
    oneSheet_->setToolTip(tr("A sheet of this song, or of all that are chosen (Ctrl+Alt+S)"));
    connect(oneSheet_, &QPushButton::clicked, this, &WorksPage::wantSheet);
    auto* agreement = button(tr("New agreement"));
    agreement->setToolTip(tr("About this song, or all that are chosen, with those who have a share in it"));
    connect(agreement, &QPushButton::clicked, this, &WorksPage::newAgreement);
    auto* content = new QFrame;
    content->setObjectName("panel");
    auto* layout = new QVBoxLayout(content);
    layout->setContentsMargins(18, 16, 18, 16);
    layout->setSpacing(0);
    layout->addWidget(title_);
    layout->addSpacing(3);
    layout->addWidget(line_);
    layout->addSpacing(8);
    layout->addWidget(flowing({copy, keywords, lyrics, agreement, oneSheet_}));
    layout->addSpacing(10);
    for (const Side side : library::allSides)
        addPart(side, layout);
    layout->addWidget(label(tr("About the song"), "strong"));
    layout->addSpacing(4);
    layout->addWidget(facts_);
    layout->addWidget(moreFacts_, 0, Qt::AlignLeft);
    lyricsHead_ = label(tr("Lyrics"), "strong");
    lyrics_ = label({}, "");
    lyrics_->setTextFormat(Qt::RichText);
    lyrics_->setTextInteractionFlags(Qt::TextSelectableByMouse);
    layout->addSpacing(14);
    layout->addWidget(lyricsHead_);
    layout->addSpacing(4);
    layout->addWidget(lyrics_);
    layout->addStretch();
    return content;
}

void WorksPage::addPart(Side side, QBoxLayout* layout) {
    Part& part = parts_[static_cast<size_t>(side)];
    part.table = new ShareTable(side);
    part.add = button(tr("Add\u2026"), "flat");
    part.add->setAccessibleName(tr("%1: add").arg(sideName(side)));
    auto* equal = button(tr("Share equally"), "flat");
    equal->setAccessibleName(tr("%1: share equally").arg(sideName(side)));
    auto* head = new QHBoxLayout;
    head->addWidget(label(sideName(side), "strong"));
    head->addStretch();
    head->addWidget(equal);
    head->addWidget(part.add);
    layout->addLayout(head);
    part.note = label({}, "quiet");
    part.note->setWordWrap(true);
    part.note->hide();
    layout->addWidget(part.note);
    layout->addWidget(part.table);
    layout->addSpacing(14);
    connect(part.add, &QPushButton::clicked, part.table, &ShareTable::addShare);
    connect(equal, &QPushButton::clicked, part.table, &ShareTable::shareEqually);
    connect(part.table, &ShareTable::typed, this,
            [this, side](const std::vector<library::Share>& shares, const QString& title) {
                setShares(side, shares, title);
            });
    connect(part.table, &ShareTable::numberTyped, this, [this](CardId party, const QString& number) {
        use_.people.setFact(party, CardKind::Party, "ipi",
                            library::cardFactFromTyping(CardKind::Party, "ipi", ss(number)));
    });
    connect(part.table, &ShareTable::partyWanted, this,
            [this](CardId party) { use_.people.wantShown(party, CardKind::Party); });
    connect(part.table, &ShareTable::troubled, this,
            [this](const QString& sentence) { use_.messages.say(sentence, true); });
    connect(part.table, &ShareTable::historyWanted, this, [this, side] { showHistory(side); });
    connect(part.table, &ShareTable::editorClosed, this, &WorksPage::showNext);
}

ShareTable* WorksPage::table(Side side) {
    return parts_[static_cast<size_t>(side)].table;
}

bool WorksPage::isEditing() const {
    return CardPage::isEditing() ||
           std::ranges::any_of(parts_, [](const Part& part) { return part.table->isEditing(); });
}

std::vector<CardLine> WorksPage::linesOf(const library::People& people, const std::string& words) const {
    std::vector<CardLine> out;
    const auto order = order_->currentIndex() == 0 ? library::People::WorkOrder::LeastComplete
                                                   : library::People::WorkOrder::Title;
    for (const size_t i : people.findWorks(words, order)) {
        const library::WorkEntry& w = people.works()[i];
        const bool none = w.writers.empty() && w.publishers.empty() && w.owners.empty();
        out.push_back({w.id,
                       qs(w.title),
                       {},
                       qs(w.state()),
                       none             ? paint::Tone::Wrong
                       : w.gaps.empty() ? paint::Tone::Good
                                        : paint::Tone::Attention});
    }
    return out;
}

QString WorksPage::countText(const library::People& people) const {
    return tr("%n work(s)", "", static_cast<int>(people.works().size())) + " \u00B7 " +
           tr("people: %1").arg(people.parties().size());
}

std::pair<QString, QString> WorksPage::noneText() const {
    return {
        tr("No works yet"),
        tr("A work is the song itself, whatever recordings there are of it: who wrote it, who publishes it, "
           "who owns which part. The recordings on the shelves can get theirs in one step.")};
}

void WorksPage::display() {
    const auto list = use_.people.list();
    const std::string iswc = library::firstFact(shown_.facts, "iswc");
    QStringList line;
    if (!iswc.empty())
        line << tr("ISWC %1").arg(qs(iswc)) + (library::whatIsOddOfCard("iswc", {iswc}).empty()
                                                   ? QStringLiteral(" \u2713")
                                                   : tr(" (the check digit is wrong)"));
    line << tr("%n recording(s)", "", static_cast<int>(shown_.recordings.size()));
    line_->setText(line.join(" \u00B7 "));
    const std::vector<library::Share> writers = shown_.shares(Side::Writers),
                                      publishers = shown_.shares(Side::Publishers);
    for (const Side side : library::allSides)
        table(side)->show(shown_.shares(side), writers, publishers, list);
    // The master is of a recording.
    Part& owners = parts_[static_cast<size_t>(Side::Owners)];
    const bool has = !shown_.recordings.empty();
    owners.table->setVisible(has);
    owners.add->setEnabled(has);
    owners.note->setVisible(!has);
    owners.note->setText(tr("A master is of a recording, and there is none of this song yet."));
    const size_t at = list ? list->work(shown_.id) : SIZE_MAX;
    side_->show(shown_, at == SIZE_MAX ? nullptr : &list->works()[at], list, use_.agreements.of(shown_.id));
    oneSheet_->setEnabled(has);
    const QString lyrics = lyricsHtml(library::firstFact(shown_.facts, "lyrics"));
    lyrics_->setText(lyrics);
    for (QLabel* l : {lyricsHead_, lyrics_})
        l->setVisible(!lyrics.isEmpty());
}

void WorksPage::enter(const std::string& key) {
    for (const Side side : library::allSides)
        if (key == library::sideKey(side)) {
            if (table(side)->isVisible()) {
                panes_.sheet->ensureWidgetVisible(table(side));
                table(side)->addShare();
            }
            return;
        }
    if (key == "names")
        return enterNames();
    if (key == "lyrics")
        return showLyrics();
    if (key == "keywords")
        return chooseKeywords();
    CardPage::enter(key);
}

std::vector<FileId> WorksPage::filesOf(const library::CardView& view) const {
    const std::vector<library::Share> lead = view.shares(Side::Owners);
    std::vector<FileId> out;
    for (const library::RecordingOfWork& r : view.recordings)
        if (r.file != 0 && (r.owners == lead || r.owners.empty())) // those with other owners keep them
            out.push_back(r.file);
    return out;
}

void WorksPage::setShares(Side side, const std::vector<library::Share>& shares, const QString& title) {
    outdate();
    if (side == Side::Owners)
        use_.people.setOwners(filesOf(shown_), shares, title);
    else
        use_.people.setShares({shown_.id}, side, shares, title);
}

void WorksPage::goTo(const library::Gap& gap) {
    using What = library::Gap::What;
    switch (gap.what) {
    case What::Number: {
        ShareTable* writers = table(Side::Writers);
        if (gap.party == 0) {
            enterNames();
            break;
        }
        for (size_t i = 0; i < writers->shares().size(); ++i)
            if (writers->shares()[i].party == gap.party)
                writers->editCell(static_cast<int>(i), ShareTable::Number);
        break;
    }
    case What::Iswc:
        facts_->editFact("iswc");
        break;
    default: {
        ShareTable* t = table(gap.what == What::Publishers ? Side::Publishers
                              : gap.what == What::Owners   ? Side::Owners
                                                           : Side::Writers);
        panes_.sheet->ensureWidgetVisible(t);
        t->addShare();
    }
    }
}

} // namespace moorfrost::app
