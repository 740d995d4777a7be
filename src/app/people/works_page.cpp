// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/people/works_page.h"

#include <QDateTime>
#include <QDialog>
#include <QDialogButtonBox>
#include <QInputDialog>
#include <QLocale>
#include <QMenu>
#include <QPlainTextEdit>
#include <QPointer>
#include <QSettings>
#include <QTextBrowser>
#include <QVBoxLayout>

#include "app/people/copy_shares_dialog.h"
#include "app/people/part_buttons.h"
#include "app/people/work_side.h"
#include "app/shell/text_utils.h"
#include "app/shell/theme.h"

namespace moorfrost::app {

namespace {

using library::CardId;
using library::CardKind;
using library::Side;

QString sideName(Side side) {
    return side == Side::Writers      ? WorksPage::tr("Writers")
           : side == Side::Publishers ? WorksPage::tr("Publishers")
                                      : WorksPage::tr("Owners of the master");
}

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
    connect(side_, &WorkSide::recordingWanted, this, &WorksPage::libraryWanted);
    layOut(searchHead(tr("Releases"), tr("Search: title, name, number \u2026"), tr("Search the works"),
                      {parts, fresh}),
           caption, sheet(), empty, side_, "works");
}

QWidget* WorksPage::sheet() {
    line_ = label({}, "quiet");
    line_->setWordWrap(true);
    auto* copy = button(tr("Copy shares from\u2026"));
    copy->setToolTip(tr("From another song, for this one or for all that are chosen"));
    connect(copy, &QPushButton::clicked, this, &WorksPage::copyShares);
    auto* lyrics = button(tr("Lyrics\u2026"));
    connect(lyrics, &QPushButton::clicked, this, &WorksPage::showLyrics);
    auto* content = new QFrame;
    content->setObjectName("panel");
    auto* layout = new QVBoxLayout(content);
    layout->setContentsMargins(18, 16, 18, 16);
    layout->setSpacing(0);
    layout->addWidget(title_);
    layout->addSpacing(3);
    layout->addWidget(line_);
    layout->addSpacing(8);
    layout->addWidget(flowing({copy, lyrics}));
    layout->addSpacing(10);
    for (const Side side : library::allSides)
        addPart(side, layout);
    layout->addWidget(label(tr("About the song"), "strong"));
    layout->addSpacing(4);
    layout->addWidget(facts_);
    layout->addWidget(moreFacts_, 0, Qt::AlignLeft);
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
    side_->show(shown_, at == SIZE_MAX ? nullptr : &list->works()[at], list);
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

void WorksPage::showHistory(Side side) {
    if (side == Side::Owners)
        return use_.messages.say(tr("The journal tells how the owners came about."));
    use_.people.readHistory(
        this, shown_.id, library::sideKey(side),
        [this, side](const std::vector<library::FactHistory>& history) {
            const auto list = use_.people.list();
            auto nameOf = [&](CardId id) { return list ? list->nameOf(id) : std::string(); };
            QStringList blocks;
            for (const library::FactHistory& h : history) {
                QStringList shares;
                if (h.fact)
                    for (const library::Share& s : library::sharesFrom(h.fact->values))
                        shares << QString("%1 %2").arg(qs(library::shownParty(s, nameOf)),
                                                       s.part ? qs(s.part->percent()) : tr("not known"));
                blocks << QString("<p><span style='color:%1'>%2, %3</span><br>%4</p>")
                              .arg(theme::colours().second.name(),
                                   QLocale()
                                       .toString(QDateTime::fromSecsSinceEpoch(h.when), "d MMM yyyy, HH:mm")
                                       .toHtmlEscaped(),
                                   (h.fact && h.fact->origin != library::typedOrigin ? qs(h.fact->origin)
                                                                                     : tr("typed"))
                                       .toHtmlEscaped(),
                                   (shares.isEmpty() ? tr("nobody") : shares.join(", ")).toHtmlEscaped());
            }
            QDialog dialog(this);
            dialog.setWindowTitle(
                tr("%1 of \u201C%2\u201D: how it came about").arg(sideName(side), title_->text()));
            auto* text = new QTextBrowser;
            text->setHtml(blocks.join(QString()));
            auto* buttons = new QDialogButtonBox(QDialogButtonBox::Close);
            connect(buttons, &QDialogButtonBox::rejected, &dialog, &QDialog::reject);
            auto* layout = new QVBoxLayout(&dialog);
            layout->addWidget(text);
            layout->addWidget(buttons);
            dialog.resize(520, 400);
            dialog.exec();
        });
}

void WorksPage::goTo(const library::Gap& gap) {
    using What = library::Gap::What;
    switch (gap.what) {
    case What::Number: {
        ShareTable* writers = table(Side::Writers);
        if (gap.party == 0) { // a name of the tags: entered as somebody, they can have a number
            setShares(Side::Writers, writers->shares(), tr("Enter the writers"));
            use_.messages.say(tr("The writers are known under People now: their numbers can be typed."));
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

void WorksPage::showMenu(const QPoint& at) {
    const std::vector<CardId> chosen = lines_->allChosen();
    if (chosen.empty())
        return;
    QMenu menu(this);
    menu.addAction(tr("Copy shares from\u2026"), this, &WorksPage::copyShares);
    if (chosen.size() == 1) {
        menu.addAction(tr("Lyrics\u2026"), this, &WorksPage::showLyrics);
        if (!shown_.recordings.empty()) {
            const FileId file = shown_.recordings.front().file;
            menu.addAction(tr("Play"), this, [this, file] { emit playRequested(file); });
            menu.addAction(tr("Show in the library"), this, [this, file] { emit libraryWanted(file); });
        }
        menu.addSeparator();
        menu.addAction(tr("Remove\tDel"), this, [this] { removeShown(); });
    }
    menu.exec(at);
}

void WorksPage::newWork() {
    bool ok = false;
    const QString title = QInputDialog::getText(this, tr("New work"), tr("What is the song called?"),
                                                QLineEdit::Normal, {}, &ok)
                              .trimmed();
    if (ok && !title.isEmpty())
        use_.people.make(CardKind::Work, {{"title", {ss(title)}}}, [self = QPointer(this)](CardId id) {
            if (self)
                self->showCard(id);
        });
}

void WorksPage::makeAll() {
    const auto searcher = use_.index.searcher();
    if (!searcher)
        return;
    std::vector<FileId> files;
    searcher->all().each([&](library::Row row) { files.push_back(searcher->idOf(row)); });
    use_.people.makeWorksOf(files, [this](size_t made) {
        use_.messages.say(made == 0
                              ? tr("All recordings have their works already.")
                              : tr("%n new work(s). Ctrl+Z takes them back.", "", static_cast<int>(made)));
    });
}

void WorksPage::copyShares() {
    if (shown_.id == 0)
        return;
    std::vector<CardId> works = lines_->allChosen();
    if (works.empty())
        works = {shown_.id};
    CopySharesDialog dialog(use_.people, works, this);
    if (dialog.exec() != QDialog::Accepted)
        return;
    for (const Side side : {Side::Writers, Side::Publishers})
        if (const auto shares = dialog.shares(side))
            use_.people.setShares(works, side, *shares, tr("%1 as of another song").arg(sideName(side)));
}

void WorksPage::showLyrics() {
    if (shown_.id == 0)
        return;
    QDialog dialog(this);
    dialog.setWindowTitle(tr("Lyrics of \u201C%1\u201D").arg(title_->text()));
    auto* text = new QPlainTextEdit(qs(library::firstFact(shown_.facts, "lyrics")));
    text->setAccessibleName(tr("Lyrics"));
    text->setTabChangesFocus(true);
    text->setLineWrapMode(QPlainTextEdit::NoWrap); // a line is a line; chords above it stay where they are
    text->setFont(theme::monoFont());
    auto* count = label({}, "quiet");
    auto tell = [text, count] {
        // Verses are what blank lines part.
        const QStringList verses =
            text->toPlainText().trimmed().split(QRegularExpression("\n[ \t]*\n+"), Qt::SkipEmptyParts);
        const auto lines = text->toPlainText().split('\n', Qt::SkipEmptyParts).size();
        count->setText(lines == 0 ? tr("Verses are parted by blank lines. Chords stay as they are typed.")
                                  : tr("%1 verses, %2 lines").arg(verses.size()).arg(lines));
    };
    connect(text, &QPlainTextEdit::textChanged, &dialog, tell);
    tell();
    auto* buttons = new QDialogButtonBox(QDialogButtonBox::Ok | QDialogButtonBox::Cancel);
    buttons->button(QDialogButtonBox::Ok)->setText(tr("Keep"));
    connect(buttons, &QDialogButtonBox::accepted, &dialog, &QDialog::accept);
    connect(buttons, &QDialogButtonBox::rejected, &dialog, &QDialog::reject);
    auto* layout = new QVBoxLayout(&dialog);
    layout->setContentsMargins(16, 14, 16, 12);
    layout->setSpacing(8);
    layout->addWidget(text, 1);
    layout->addWidget(count);
    layout->addWidget(buttons);
    dialog.resize(560, 520);
    if (dialog.exec() != QDialog::Accepted)
        return;
    QString words = text->toPlainText();
    while (words.endsWith('\n'))
        words.chop(1);
    if (ss(words) != library::firstFact(shown_.facts, "lyrics"))
        use_.people.setFact(shown_.id, CardKind::Work, "lyrics",
                            words.trimmed().isEmpty() ? std::vector<std::string>()
                                                      : std::vector<std::string>{ss(words)});
}

} // namespace moorfrost::app
