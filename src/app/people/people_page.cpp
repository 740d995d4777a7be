// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/people/people_page.h"

#include <QDialog>
#include <QDialogButtonBox>
#include <QFormLayout>
#include <QHeaderView>
#include <QMenu>
#include <QPointer>
#include <QVBoxLayout>

#include "app/people/part_buttons.h"
#include "app/people/party_side.h"
#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"

namespace moorfrost::app {

namespace {

using library::CardId;
using library::CardKind;

constexpr int songHeight = 28;
constexpr int workRole = Qt::UserRole;
constexpr size_t mostLines = 3000; // of the list: nobody looks through more

QString sideWord(library::Side side) {
    return side == library::Side::Writers      ? PeoplePage::tr("writer")
           : side == library::Side::Publishers ? PeoplePage::tr("publisher")
                                               : PeoplePage::tr("owner");
}

} // namespace

PeoplePage::PeoplePage(const Uses& use, PartButtons* parts, QWidget* parent)
    : CardPage(use.messages, use.people, CardKind::Party, parent), use_(use) {
    lines_->setAccessibleName(tr("People"));
    auto* caption = new QHBoxLayout;
    caption->setContentsMargins(12, 12, 8, 8);
    caption->addWidget(label(tr("Persons, groups, organisations"), "caption"));
    proposals_ = button(tr("Proposals"));
    proposals_->setToolTip(tr("Two that may be one and the same"));
    connect(proposals_, &QPushButton::clicked, this, &PeoplePage::showProposals);
    auto* fresh = button(tr("New party"));
    connect(fresh, &QPushButton::clicked, this, &PeoplePage::newParty);
    auto* empty = new EmptyHint("release", {}, {}, tr("New party\u2026"));
    connect(empty->button(), &QPushButton::clicked, this, &PeoplePage::newParty);
    side_ = new PartySide;
    layOut(searchHead(tr("Releases"), tr("Search: name, spelling, number \u2026"), tr("Search the people"),
                      {parts, proposals_, fresh}),
           caption, sheet(), empty, side_, "people");
    connect(&use_.people, &PeopleController::proposalsChanged, this, [this] {
        const auto count = use_.people.proposals().size();
        proposals_->setText(count == 0 ? tr("Proposals") : tr("Proposals (%1)").arg(count));
        if (isVisible() && shown_.id != 0)
            side_->show(shown_, use_.people, use_.agreements.of(shown_.id));
    });
    connect(side_, &PartySide::factWanted, facts_, [this](const std::string& key) { facts_->editFact(key); });
    connect(side_, &PartySide::mergeWanted, this,
            [this](CardId into, CardId other) { use_.people.merge(into, {other}); });
    connect(side_, &PartySide::partyWanted, this, [this](CardId party) { showCard(party); });
    connect(side_, &PartySide::agreementWanted, &use_.agreements, &AgreementsController::wantShown);
    connect(side_, &PartySide::spellingTaken, this, [this](const std::string& name) {
        std::vector<std::string> all = library::factValues(shown_.facts, "spellings");
        all.push_back(name);
        use_.people.setFact(shown_.id, CardKind::Party, "spellings", all);
    });
}

QWidget* PeoplePage::sheet() {
    line_ = label({}, "quiet");
    line_->setWordWrap(true);
    songs_ = new QTreeWidget;
    prepareTree(songs_, {tr("Song"), tr("As"), tr("Share")});
    songs_->setRootIsDecorated(false);
    songs_->setAccessibleName(tr("Songs in which they have a share"));
    songs_->setVerticalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    songs_->setFrameShape(QFrame::NoFrame);
    songs_->header()->setStretchLastSection(false);
    songs_->header()->setSectionResizeMode(0, QHeaderView::Stretch);
    songs_->setColumnWidth(1, 200);
    songs_->setColumnWidth(2, 110);
    connect(songs_, &QTreeWidget::itemActivated, this, [this](QTreeWidgetItem* item) {
        use_.people.wantShown(item->data(0, workRole).toLongLong(), CardKind::Work);
    });
    noSongs_ = label(tr("They have no share in a song yet."), "quiet");
    notes_ = label({}, "");
    notes_->setWordWrap(true);
    notes_->setTextFormat(Qt::PlainText);
    auto* content = new QFrame;
    content->setObjectName("panel");
    auto* layout = new QVBoxLayout(content);
    layout->setContentsMargins(18, 16, 18, 16);
    layout->setSpacing(0);
    layout->addWidget(title_);
    layout->addSpacing(3);
    layout->addWidget(line_);
    layout->addSpacing(12);
    layout->addWidget(facts_);
    layout->addWidget(moreFacts_, 0, Qt::AlignLeft);
    layout->addSpacing(14);
    layout->addWidget(label(tr("Songs"), "strong"));
    layout->addSpacing(4);
    layout->addWidget(noSongs_);
    layout->addWidget(songs_);
    layout->addSpacing(14);
    layout->addWidget(textHead(tr("Notes"), "notes"));
    layout->addWidget(notes_);
    layout->addStretch();
    return content;
}

std::vector<CardLine> PeoplePage::linesOf(const library::People& people, const std::string& words) const {
    std::vector<CardLine> out;
    for (const size_t i : people.findParties(words, mostLines)) {
        const library::PartyEntry& p = people.parties()[i];
        QStringList second;
        for (const std::string& part : {p.kind, p.society})
            if (!part.empty())
                second << qs(part);
        second << tr("%n song(s)", "", static_cast<int>(p.shares));
        out.push_back({p.id, qs(p.name), second.join(" \u00B7 "), {}, paint::Tone::Neutral});
    }
    return out;
}

QString PeoplePage::countText(const library::People& people) const {
    return tr("%1 in all").arg(people.parties().size());
}

std::pair<QString, QString> PeoplePage::noneText() const {
    return {
        tr("Nobody is known yet"),
        tr("Who wrote a song, who publishes it, who owns a recording: entered once, with their numbers, and "
           "chosen ever after. Names that are typed into the shares of a work come here by themselves.")};
}

void PeoplePage::display() {
    const auto list = use_.people.list();
    QStringList line;
    if (const std::string kind = library::firstFact(shown_.facts, "kind"); !kind.empty())
        line << qs(kind);
    for (const std::string& role : library::factValues(shown_.facts, "roles"))
        line << qs(role);
    line_->setText(line.join(" \u00B7 "));
    line_->setVisible(!line.isEmpty());
    if (list)
        showSongs(*list);
    const std::string notes = library::firstFact(shown_.facts, "notes");
    notes_->setText(notes.empty() ? tr("No notes") : qs(notes));
    side_->show(shown_, use_.people, use_.agreements.of(shown_.id));
}

void PeoplePage::showSongs(const library::People& people) {
    songs_->clear();
    for (const library::PartyShare& s : people.sharesOf(shown_.id)) {
        const size_t at = people.work(s.work);
        QStringList as;
        for (const std::string& role : s.share.roles)
            as << qs(role);
        if (as.isEmpty())
            as << sideWord(s.side);
        auto* item =
            new QTreeWidgetItem({at == SIZE_MAX ? QString() : qs(people.works()[at].title), as.join(", "),
                                 s.share.part ? qs(s.share.part->percent()) : tr("not known")});
        item->setData(0, workRole, QVariant::fromValue<qlonglong>(s.work));
        item->setTextAlignment(2, Qt::AlignRight | Qt::AlignVCenter);
        item->setToolTip(0, tr("Return or a double click shows the song"));
        songs_->addTopLevelItem(item);
    }
    const int count = songs_->topLevelItemCount();
    noSongs_->setVisible(count == 0);
    songs_->setVisible(count > 0);
    songs_->setFixedHeight(songs_->header()->sizeHint().height() + count * songHeight + 4);
}

void PeoplePage::showMenu(const QPoint& at) {
    const std::vector<CardId> chosen = lines_->allChosen();
    if (chosen.empty())
        return;
    QMenu menu(this);
    if (chosen.size() > 1)
        menu.addAction(tr("They are one"), this, [this, chosen] {
            use_.people.merge(chosen.front(), {chosen.begin() + 1, chosen.end()});
        });
    if (chosen.size() == 1)
        menu.addAction(tr("Remove\tDel"), this, [this] { removeShown(); });
    menu.exec(at);
}

void PeoplePage::newParty() {
    QDialog dialog(this);
    dialog.setWindowTitle(tr("New party"));
    auto* name = new QLineEdit;
    name->setAccessibleName(tr("Name"));
    auto* kind = new Choice;
    kind->setAccessibleName(tr("Is"));
    for (const std::string& one : library::choicesOf("kind"))
        kind->addItem(qs(one));
    auto* ipi = new QLineEdit;
    ipi->setAccessibleName(tr("IPI number"));
    ipi->setPlaceholderText(tr("11 digits, if known"));
    auto* like = label({}, "attention");
    like->setWordWrap(true);
    auto* form = new QFormLayout;
    form->setHorizontalSpacing(12);
    form->setVerticalSpacing(8);
    form->addRow(label(tr("Name"), "quiet"), name);
    form->addRow(label(tr("Is"), "quiet"), kind);
    form->addRow(label(tr("IPI number"), "quiet"), ipi);
    const TakeBar foot = takeBar(&dialog, tr("Enter"));
    auto check = [&] {
        // Entered once: whoever is there already is pointed at.
        const auto list = use_.people.list();
        QString text;
        if (list && name->text().trimmed().size() > 2) {
            const auto alike = list->alike(ss(name->text()), 1);
            if (!alike.empty() && alike.front().likeness > 0.75)
                text = tr("There is %1 already.").arg(qs(list->parties()[alike.front().party].name));
        }
        if (const std::string odd = library::whatIsOddOfCard("ipi", {ss(ipi->text().trimmed())});
            !ipi->text().trimmed().isEmpty() && !odd.empty())
            text += (text.isEmpty() ? QString() : QStringLiteral(" ")) + spoken(odd) + ".";
        like->setText(text);
        foot.take->setEnabled(!name->text().trimmed().isEmpty());
    };
    connect(name, &QLineEdit::textChanged, &dialog, check);
    connect(ipi, &QLineEdit::textChanged, &dialog, check);
    connect(foot.take, &QPushButton::clicked, &dialog, &QDialog::accept);
    check();
    auto* body = new QVBoxLayout;
    body->setContentsMargins(16, 14, 16, 10);
    body->setSpacing(10);
    body->addLayout(form);
    body->addWidget(like);
    body->addStretch();
    auto* layout = new QVBoxLayout(&dialog);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addLayout(body, 1);
    layout->addWidget(foot.widget);
    dialog.resize(440, 240);
    if (dialog.exec() != QDialog::Accepted)
        return;
    library::CardValues facts = {{"name", {ss(name->text().trimmed())}}, {"kind", {ss(kind->currentText())}}};
    if (const QString number = ipi->text().trimmed(); !number.isEmpty())
        facts["ipi"] = {ss(number)};
    use_.people.make(CardKind::Party, facts, [self = QPointer(this)](CardId id) {
        if (self)
            self->showCard(id);
    });
}

void PeoplePage::showProposals() {
    const auto& proposals = use_.people.proposals();
    if (proposals.empty())
        return use_.messages.say(tr("No two seem to be one."));
    showCard(proposals.front().first);
}

} // namespace moorfrost::app
