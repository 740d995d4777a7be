// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/people/works_page.h"

#include <QDateTime>
#include <QDialog>
#include <QDialogButtonBox>
#include <QInputDialog>
#include <QLocale>
#include <QMenu>
#include <QPlainTextEdit>
#include <QSettings>
#include <QSplitter>
#include <QStackedWidget>
#include <QTextBrowser>
#include <QVBoxLayout>

#include "app/people/card_facts.h"
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

constexpr int narrowest = 980;

QScrollArea* scrolling(QWidget* content) {
    auto* out = new QScrollArea;
    out->setWidget(content);
    out->setWidgetResizable(true);
    out->setFrameShape(QFrame::NoFrame);
    out->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    return out;
}

QString sideName(Side side) {
    return side == Side::Writers      ? WorksPage::tr("Writers")
           : side == Side::Publishers ? WorksPage::tr("Publishers")
                                      : WorksPage::tr("Owners of the master");
}

} // namespace

WorksPage::WorksPage(const Uses& use, PartButtons* parts, QWidget* parent) : QWidget(parent), use_(use) {
    lines_ = new CardLines;
    lines_->setAccessibleName(tr("Works"));
    order_ = new Choice;
    order_->addItems({tr("least complete"), tr("by title")});
    order_->setAccessibleName(tr("Order of the works"));
    order_->setCurrentIndex(QSettings().value("works/order", 0).toInt());
    auto* caption = new QHBoxLayout;
    caption->setContentsMargins(12, 6, 8, 4);
    caption->addWidget(label(tr("Works"), "caption"));
    caption->addStretch();
    caption->addWidget(order_);
    auto* left = new QFrame;
    left->setObjectName("panel");
    auto* leftLayout = new QVBoxLayout(left);
    leftLayout->setContentsMargins(0, 0, 0, 0);
    leftLayout->setSpacing(0);
    leftLayout->addLayout(caption);
    leftLayout->addWidget(lines_, 1);
    side_ = new WorkSide;
    sideBox_ = scrolling(side_);
    scroll_ = scrolling(sheet());
    empty_ = new EmptyHint("release", {}, {}, tr("Works of all recordings"));
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
    remember(splitter, "works/panes");
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addWidget(head(parts));
    layout->addWidget(splitter, 1);

    connect(search_, &QLineEdit::textChanged, this, &WorksPage::refresh);
    connect(search_, &QLineEdit::returnPressed, lines_, [this] { lines_->setFocus(); });
    connect(order_, &QComboBox::activated, this, [this](int order) {
        QSettings().setValue("works/order", order);
        refresh();
    });
    connect(lines_, &CardLines::chosenChanged, this, &WorksPage::read);
    connect(lines_, &CardLines::menuWanted, this, &WorksPage::showMenu);
    connect(lines_, &CardLines::removeWanted, this,
            [this] { use_.people.remove(lines_->chosen(), title_->text()); });
    connect(&use_.people, &PeopleController::changed, this, [this] {
        if (!isVisible())
            return;
        refresh();
        read();
    });
    connect(empty_->button(), &QPushButton::clicked, this, &WorksPage::makeAll);
    connect(side_, &WorkSide::gapChosen, this, &WorksPage::goTo);
    connect(side_, &WorkSide::settled, this,
            [this](const library::Claim& claim, bool take) { use_.people.settle(shown_.id, claim, take); });
    connect(side_, &WorkSide::recordingWanted, this, &WorksPage::libraryWanted);
    refresh();
}

QWidget* WorksPage::head(PartButtons* parts) {
    search_ = new QLineEdit;
    search_->setPlaceholderText(tr("Search: title, name, number \u2026"));
    search_->setAccessibleName(tr("Search the works"));
    search_->setClearButtonEnabled(true);
    search_->setMinimumWidth(200);
    count_ = new ShortLabel;
    count_->setObjectName("quiet");
    auto* fresh = button(tr("New work"));
    auto* ways = new QMenu(fresh);
    ways->addAction(tr("By its title\u2026"), this, &WorksPage::newWork);
    ways->addAction(tr("Of all recordings that have none"), this, &WorksPage::makeAll);
    fresh->setMenu(ways);
    auto* row = new QHBoxLayout;
    row->addWidget(label(tr("Releases"), "title"));
    row->addWidget(search_, 2);
    row->addWidget(count_, 2);
    row->addStretch();
    row->addWidget(parts);
    row->addWidget(fresh);
    return bar("head", row, 46);
}

QWidget* WorksPage::sheet() {
    title_ = label({}, "title");
    title_->setWordWrap(true);
    line_ = label({}, "quiet");
    line_->setWordWrap(true);
    auto* copy = button(tr("Copy shares from\u2026"));
    copy->setToolTip(tr("From another song, or by a template"));
    connect(copy, &QPushButton::clicked, this, &WorksPage::copyShares);
    auto* lyrics = button(tr("Lyrics\u2026"));
    connect(lyrics, &QPushButton::clicked, this, &WorksPage::showLyrics);
    facts_ = new FactTable;
    connect(facts_, &FactTable::typed, this, [this](const std::string& key, const QString& text) {
        QString trouble;
        const auto values = cardFactTyped(CardKind::Work, key, text, use_.people.list(), trouble);
        if (values)
            use_.people.setFact(shown_.id, CardKind::Work, key, *values);
        else
            use_.messages.say(trouble, true);
    });
    connect(facts_, &FactTable::noneWanted, this, [this](const std::string& key) {
        use_.people.setFact(shown_.id, CardKind::Work, key, {}, true);
    });
    more_ = button({}, "flat");
    connect(more_, &QPushButton::clicked, this, [this] {
        facts_->setShowsAll(!facts_->showsAll());
        show(shown_);
    });
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
    for (const Side side : library::allSides) {
        Part& part = parts_[static_cast<size_t>(side)];
        part.table = new ShareTable(side);
        part.add = button(tr("Add\u2026"), "flat");
        part.add->setAccessibleName(tr("%1: add").arg(sideName(side)));
        auto* equal = button(tr("Share equally"), "flat");
        equal->setAccessibleName(tr("%1: share equally").arg(sideName(side)));
        auto* headRow = new QHBoxLayout;
        headRow->addWidget(label(sideName(side), "strong"));
        headRow->addStretch();
        headRow->addWidget(equal);
        headRow->addWidget(part.add);
        layout->addLayout(headRow);
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
    }
    layout->addWidget(label(tr("About the song"), "strong"));
    layout->addSpacing(4);
    layout->addWidget(facts_);
    layout->addWidget(more_, 0, Qt::AlignLeft);
    layout->addStretch();
    return content;
}

ShareTable* WorksPage::table(Side side) {
    return parts_[static_cast<size_t>(side)].table;
}

QPushButton* WorksPage::addButton(Side side) {
    return parts_[static_cast<size_t>(side)].add;
}

void WorksPage::showEvent(QShowEvent* event) {
    QWidget::showEvent(event);
    use_.people.want();
    refresh();
    read();
}

void WorksPage::resizeEvent(QResizeEvent* event) {
    QWidget::resizeEvent(event);
    sideBox_->setVisible(width() >= narrowest);
}

void WorksPage::refresh() {
    const auto list = use_.people.list();
    std::vector<CardLine> lines;
    if (list)
        for (const size_t i : list->findWorks(
                 ss(search_->text()), order_->currentIndex() == 0 ? library::People::WorkOrder::LeastComplete
                                                                  : library::People::WorkOrder::Title)) {
            const library::WorkEntry& w = list->works()[i];
            const bool none = w.writers.empty() && w.publishers.empty() && w.owners.empty();
            lines.push_back({w.id,
                             qs(w.title),
                             {},
                             qs(w.state()),
                             none             ? paint::Tone::Wrong
                             : w.gaps.empty() ? paint::Tone::Good
                                              : paint::Tone::Attention});
        }
    const bool any = !lines.empty();
    const size_t all = list ? list->works().size() : 0;
    lines_->show(std::move(lines));
    if (wanted_ != 0 && list) {
        if (list->work(wanted_) == SIZE_MAX) {
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
    count_->setText(!list ? QString()
                          : tr("%n work(s)", "", static_cast<int>(all)) + " \u00B7 " +
                                tr("people: %1").arg(list->parties().size()));
    if (any)
        return;
    shown_ = {};
    empty_->setTexts(
        !list      ? tr("Reading \u2026")
        : all == 0 ? tr("No works yet")
                   : tr("Nothing is found"),
        !list || all > 0
            ? QString()
            : tr("A work is the song itself, whatever recordings there are of it: who wrote it, who "
                 "publishes it, who owns which part. The recordings on the shelves can get theirs "
                 "in one step."));
    empty_->button()->setVisible(list && all == 0);
    stack_->setCurrentWidget(empty_);
    side_->setVisible(false);
}

void WorksPage::read() {
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

void WorksPage::show(library::CardView view) {
    const bool other = view.id != shown_.id;
    shown_ = std::move(view);
    const auto list = use_.people.list();
    title_->setText(qs(library::nameOfCard(CardKind::Work, shown_.facts)));
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
    facts_->show(cardFactRows(shown_, list));
    const int hidden = facts_->hidden();
    more_->setVisible(hidden > 0 || facts_->showsAll());
    more_->setText(facts_->showsAll() ? tr("Hide what is not known")
                                      : tr("%n more fact(s), not known", "", hidden));
    const size_t at = list ? list->work(shown_.id) : SIZE_MAX;
    side_->show(shown_, at == SIZE_MAX ? nullptr : &list->works()[at], list);
    side_->setVisible(true);
    stack_->setCurrentWidget(scroll_);
    if (other)
        scroll_->ensureVisible(0, 0);
}

std::vector<FileId> WorksPage::filesOf(const library::CardView& view) const {
    const std::vector<library::Share> lead = view.shares(Side::Owners);
    std::vector<FileId> out;
    for (const auto& [id, r] : view.recordings)
        if (r.file != 0 && (r.owners == lead || r.owners.empty())) // those with other owners keep them
            out.push_back(r.file);
    return out;
}

void WorksPage::setShares(Side side, const std::vector<library::Share>& shares, const QString& title) {
    ++run_; // what is being read is older than this
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
        scroll_->ensureWidgetVisible(t);
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
            const FileId file = shown_.recordings.front().second.file;
            menu.addAction(tr("Play"), this, [this, file] { emit playRequested(file); });
            menu.addAction(tr("Show in the library"), this, [this, file] { emit libraryWanted(file); });
        }
        menu.addSeparator();
        menu.addAction(tr("Remove\tDel"), this, [this] { use_.people.remove(shown_.id, title_->text()); });
    }
    menu.exec(at);
}

void WorksPage::showWork(CardId work) {
    use_.people.want();
    wanted_ = work;
    refresh();
}

void WorksPage::newWork() {
    bool ok = false;
    const QString title = QInputDialog::getText(this, tr("New work"), tr("What is the song called?"),
                                                QLineEdit::Normal, {}, &ok)
                              .trimmed();
    if (ok && !title.isEmpty())
        use_.people.make(CardKind::Work, {{"title", {ss(title)}}}, [self = QPointer(this)](CardId id) {
            if (self)
                self->showWork(id);
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
