// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/people/people_page.h"

#include <QDialog>
#include <QDialogButtonBox>
#include <QFormLayout>
#include <QHeaderView>
#include <QMenu>
#include <QPlainTextEdit>
#include <QPointer>
#include <QSplitter>
#include <QStackedWidget>
#include <QVBoxLayout>

#include "app/people/card_facts.h"
#include "app/people/part_buttons.h"
#include "app/people/party_side.h"
#include "app/shell/text_utils.h"
#include "app/shell/theme.h"

namespace moorfrost::app {

namespace {

using library::CardId;
using library::CardKind;

constexpr int narrowest = 980, songHeight = 28;
constexpr int workRole = Qt::UserRole;

QScrollArea* scrolling(QWidget* content) {
    auto* out = new QScrollArea;
    out->setWidget(content);
    out->setWidgetResizable(true);
    out->setFrameShape(QFrame::NoFrame);
    out->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    return out;
}

} // namespace

PeoplePage::PeoplePage(const Uses& use, PartButtons* parts, QWidget* parent) : QWidget(parent), use_(use) {
    lines_ = new CardLines;
    lines_->setAccessibleName(tr("People"));
    auto* caption = new QHBoxLayout;
    caption->setContentsMargins(12, 12, 8, 8);
    caption->addWidget(label(tr("Persons, groups, organisations"), "caption"));
    auto* left = new QFrame;
    left->setObjectName("panel");
    auto* leftLayout = new QVBoxLayout(left);
    leftLayout->setContentsMargins(0, 0, 0, 0);
    leftLayout->setSpacing(0);
    leftLayout->addLayout(caption);
    leftLayout->addWidget(lines_, 1);
    side_ = new PartySide;
    sideBox_ = scrolling(side_);
    scroll_ = scrolling(sheet());
    empty_ = new EmptyHint("release", {}, {}, tr("New party\u2026"));
    stack_ = new QStackedWidget;
    stack_->setObjectName("panel");
    stack_->addWidget(scroll_);
    stack_->addWidget(empty_);
    auto* splitter = new QSplitter;
    splitter->addWidget(left);
    splitter->addWidget(stack_);
    splitter->addWidget(sideBox_);
    splitter->setStretchFactor(1, 1);
    splitter->setChildrenCollapsible(false);
    splitter->setSizes({236, 706, 262});
    remember(splitter, "people/panes");
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addWidget(head(parts));
    layout->addWidget(splitter, 1);

    connect(search_, &QLineEdit::textChanged, this, &PeoplePage::refresh);
    connect(search_, &QLineEdit::returnPressed, lines_, [this] { lines_->setFocus(); });
    connect(lines_, &CardLines::chosenChanged, this, &PeoplePage::read);
    connect(lines_, &CardLines::menuWanted, this, &PeoplePage::showMenu);
    connect(lines_, &CardLines::removeWanted, this,
            [this] { use_.people.remove(lines_->chosen(), title_->text()); });
    connect(&use_.people, &PeopleController::changed, this, [this] {
        if (!isVisible())
            return;
        refresh();
        read();
    });
    connect(&use_.people, &PeopleController::proposalsChanged, this, [this] {
        const auto count = use_.people.proposals().size();
        proposals_->setText(count == 0 ? tr("Proposals") : tr("Proposals (%1)").arg(count));
        if (isVisible() && shown_.id != 0)
            showSide();
    });
    connect(empty_->button(), &QPushButton::clicked, this, &PeoplePage::newParty);
    connect(side_, &PartySide::factWanted, facts_, [this](const std::string& key) { facts_->editFact(key); });
    connect(side_, &PartySide::mergeWanted, this,
            [this](CardId into, CardId other) { use_.people.merge(into, {other}); });
    connect(side_, &PartySide::partyWanted, this, &PeoplePage::showParty);
    connect(side_, &PartySide::spellingTaken, this, [this](const std::string& name) {
        std::vector<std::string> all = library::factValues(shown_.facts, "spellings");
        all.push_back(name);
        use_.people.setFact(shown_.id, CardKind::Party, "spellings", all);
    });
    refresh();
}

QWidget* PeoplePage::head(PartButtons* parts) {
    search_ = new QLineEdit;
    search_->setPlaceholderText(tr("Search: name, spelling, number \u2026"));
    search_->setAccessibleName(tr("Search the people"));
    search_->setClearButtonEnabled(true);
    search_->setMinimumWidth(200);
    count_ = new ShortLabel;
    count_->setObjectName("quiet");
    proposals_ = button(tr("Proposals"));
    proposals_->setToolTip(tr("Two that may be one and the same"));
    connect(proposals_, &QPushButton::clicked, this, &PeoplePage::showProposals);
    auto* fresh = button(tr("New party"));
    connect(fresh, &QPushButton::clicked, this, &PeoplePage::newParty);
    auto* row = new QHBoxLayout;
    row->addWidget(label(tr("Releases"), "title"));
    row->addWidget(search_, 2);
    row->addWidget(count_, 2);
    row->addStretch();
    row->addWidget(parts);
    row->addWidget(proposals_);
    row->addWidget(fresh);
    return bar("head", row, 46);
}

QWidget* PeoplePage::sheet() {
    title_ = label({}, "title");
    title_->setWordWrap(true);
    line_ = label({}, "quiet");
    line_->setWordWrap(true);
    facts_ = new FactTable;
    connect(facts_, &FactTable::typed, this, [this](const std::string& key, const QString& text) {
        QString trouble;
        const auto values = cardFactTyped(CardKind::Party, key, text, use_.people.list(), trouble);
        if (values)
            use_.people.setFact(shown_.id, CardKind::Party, key, *values);
        else
            use_.messages.say(trouble, true);
    });
    connect(facts_, &FactTable::noneWanted, this, [this](const std::string& key) {
        use_.people.setFact(shown_.id, CardKind::Party, key, {}, true);
    });
    more_ = button({}, "flat");
    connect(more_, &QPushButton::clicked, this, [this] {
        facts_->setShowsAll(!facts_->showsAll());
        show(shown_);
    });
    songs_ = new QTreeWidget;
    prepareTree(songs_, {tr("Song"), tr("As"), tr("Share")});
    songs_->setRootIsDecorated(false);
    songs_->setAccessibleName(tr("Songs in which they have a share"));
    songs_->setVerticalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    songs_->setFrameShape(QFrame::NoFrame);
    connect(songs_, &QTreeWidget::itemActivated, this, [this](QTreeWidgetItem* item) {
        use_.people.wantShown(item->data(0, workRole).toLongLong(), CardKind::Work);
    });
    noSongs_ = label(tr("They have no share in a song yet."), "quiet");
    notes_ = label({}, "");
    notes_->setWordWrap(true);
    notes_->setTextFormat(Qt::PlainText);
    auto* change = button(tr("Change\u2026"), "flat");
    change->setAccessibleName(tr("Change the notes"));
    connect(change, &QPushButton::clicked, this, &PeoplePage::changeNotes);
    auto* notesHead = new QHBoxLayout;
    notesHead->addWidget(label(tr("Notes"), "strong"));
    notesHead->addStretch();
    notesHead->addWidget(change);
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
    layout->addWidget(more_, 0, Qt::AlignLeft);
    layout->addSpacing(14);
    layout->addWidget(label(tr("Songs"), "strong"));
    layout->addSpacing(4);
    layout->addWidget(noSongs_);
    layout->addWidget(songs_);
    layout->addSpacing(14);
    layout->addLayout(notesHead);
    layout->addWidget(notes_);
    layout->addStretch();
    return content;
}

void PeoplePage::showEvent(QShowEvent* event) {
    QWidget::showEvent(event);
    use_.people.want();
    refresh();
    read();
}

void PeoplePage::resizeEvent(QResizeEvent* event) {
    QWidget::resizeEvent(event);
    sideBox_->setVisible(width() >= narrowest);
}

void PeoplePage::refresh() {
    const auto list = use_.people.list();
    std::vector<CardLine> lines;
    if (list)
        for (const size_t i : list->findParties(ss(search_->text()))) {
            const library::PartyEntry& p = list->parties()[i];
            QStringList second;
            for (const std::string& part : {p.kind, p.society})
                if (!part.empty())
                    second << qs(part);
            second << tr("%n song(s)", "", static_cast<int>(p.shares));
            lines.push_back({p.id, qs(p.name), second.join(" \u00B7 "), {}, paint::Tone::Neutral});
        }
    const bool any = !lines.empty();
    const size_t all = list ? list->parties().size() : 0;
    lines_->show(std::move(lines));
    if (wanted_ != 0 && list) {
        if (list->party(wanted_) == SIZE_MAX) {
            if (use_.people.isTrue())
                wanted_ = 0; // it is no more
        } else {
            const CardId wanted = std::exchange(wanted_, 0);
            if (!lines_->choose(wanted)) { // what is searched hides it
                search_->clear();
                lines_->choose(wanted);
            }
        }
    }
    count_->setText(!list ? QString() : tr("%1 in all").arg(all));
    if (any)
        return;
    shown_ = {};
    empty_->setTexts(!list      ? tr("Reading \u2026")
                     : all == 0 ? tr("Nobody is known yet")
                                : tr("Nobody is found"),
                     !list || all > 0
                         ? QString()
                         : tr("Who wrote a song, who publishes it, who owns a recording: entered once, "
                              "with their numbers, and chosen ever after. Names that are typed into "
                              "the shares of a work come here by themselves."));
    empty_->button()->setVisible(list && all == 0);
    stack_->setCurrentWidget(empty_);
    side_->setVisible(false);
}

void PeoplePage::read() {
    const CardId chosen = lines_->chosen();
    if (chosen == 0)
        return;
    reading_ = true;
    use_.people.read(this, chosen, [this, run = ++run_](library::CardView view) {
        if (run != run_)
            return;
        reading_ = false;
        if (view.id != 0)
            show(std::move(view));
    });
}

void PeoplePage::show(library::CardView view) {
    const bool other = view.id != shown_.id;
    shown_ = std::move(view);
    const auto list = use_.people.list();
    title_->setText(qs(library::nameOfCard(CardKind::Party, shown_.facts)));
    QStringList line;
    if (const std::string kind = library::firstFact(shown_.facts, "kind"); !kind.empty())
        line << qs(kind);
    if (const QString roles =
            qs(library::cardLine(CardKind::Party, "roles", library::factValues(shown_.facts, "roles")));
        !roles.isEmpty())
        line << roles;
    facts_->show(cardFactRows(shown_, list));
    const int hidden = facts_->hidden();
    more_->setVisible(hidden > 0 || facts_->showsAll());
    more_->setText(facts_->showsAll() ? tr("Hide what is not known")
                                      : tr("%n more fact(s), not known", "", hidden));
    songs_->clear();
    if (list)
        for (const library::PartyShare& s : list->sharesOf(shown_.id)) {
            const size_t at = list->work(s.work);
            QStringList as;
            for (const std::string& role : s.share.roles)
                as << qs(role);
            if (as.isEmpty())
                as << (s.side == library::Side::Writers ? tr("writer") : tr("publisher"));
            auto* item =
                new QTreeWidgetItem({at == SIZE_MAX ? QString() : qs(list->works()[at].title), as.join(", "),
                                     s.share.part ? qs(s.share.part->percent()) : tr("not known")});
            item->setData(0, workRole, QVariant::fromValue<qlonglong>(s.work));
            item->setTextAlignment(2, Qt::AlignRight | Qt::AlignVCenter);
            item->setToolTip(0, tr("Return or a double click shows the song"));
            songs_->addTopLevelItem(item);
        }
    const int count = songs_->topLevelItemCount();
    line << tr("%n song(s)", "",
               list && list->party(shown_.id) != SIZE_MAX
                   ? static_cast<int>(list->parties()[list->party(shown_.id)].shares)
                   : count);
    line_->setText(line.join(" \u00B7 "));
    noSongs_->setVisible(count == 0);
    songs_->setVisible(count > 0);
    songs_->setFixedHeight(songs_->header()->sizeHint().height() + count * songHeight + 4);
    songs_->header()->setStretchLastSection(false);
    songs_->header()->setSectionResizeMode(0, QHeaderView::Stretch);
    songs_->setColumnWidth(1, 220);
    songs_->setColumnWidth(2, 110);
    const std::string notes = library::firstFact(shown_.facts, "notes");
    notes_->setText(notes.empty() ? tr("No notes") : qs(notes));
    showSide();
    side_->setVisible(true);
    stack_->setCurrentWidget(scroll_);
    if (other)
        scroll_->ensureVisible(0, 0);
}

void PeoplePage::showSide() {
    side_->show(shown_, use_.people);
}

void PeoplePage::showParty(CardId party) {
    use_.people.want();
    wanted_ = party;
    refresh();
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
        menu.addAction(tr("Remove\tDel"), this, [this] { use_.people.remove(shown_.id, title_->text()); });
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
            text += (text.isEmpty() ? QString() : QStringLiteral(" ")) + qs(odd) + ".";
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
            self->showParty(id);
    });
}

void PeoplePage::showProposals() {
    const auto& proposals = use_.people.proposals();
    if (proposals.empty())
        return use_.messages.say(tr("No two seem to be one."));
    showParty(proposals.front().first);
}

void PeoplePage::changeNotes() {
    if (shown_.id == 0)
        return;
    QDialog dialog(this);
    dialog.setWindowTitle(tr("Notes on %1").arg(title_->text()));
    auto* text = new QPlainTextEdit(qs(library::firstFact(shown_.facts, "notes")));
    text->setAccessibleName(tr("Notes"));
    text->setTabChangesFocus(true);
    auto* buttons = new QDialogButtonBox(QDialogButtonBox::Ok | QDialogButtonBox::Cancel);
    buttons->button(QDialogButtonBox::Ok)->setText(tr("Keep"));
    connect(buttons, &QDialogButtonBox::accepted, &dialog, &QDialog::accept);
    connect(buttons, &QDialogButtonBox::rejected, &dialog, &QDialog::reject);
    auto* layout = new QVBoxLayout(&dialog);
    layout->addWidget(text);
    layout->addWidget(buttons);
    dialog.resize(480, 300);
    if (dialog.exec() != QDialog::Accepted)
        return;
    const std::string notes = ss(text->toPlainText().trimmed());
    if (notes != library::firstFact(shown_.facts, "notes"))
        use_.people.setFact(shown_.id, CardKind::Party, "notes",
                            notes.empty() ? std::vector<std::string>() : std::vector<std::string>{notes});
}

} // namespace moorfrost::app
