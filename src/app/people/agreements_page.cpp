// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/people/agreements_page.h"

#include <QDateTime>
#include <QDesktopServices>
#include <QDir>
#include <QDragEnterEvent>
#include <QFileDialog>
#include <QFileInfo>
#include <QHeaderView>
#include <QInputDialog>
#include <QMenu>
#include <QMimeData>
#include <QPointer>
#include <QSettings>
#include <QUrl>
#include <QVBoxLayout>

#include <algorithm>

#include "app/people/agreement_link.h"
#include "app/people/part_buttons.h"
#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/file_drag.h"
#include "app/widgets/two_lines.h"

namespace moorfrost::app {

namespace {

using library::CardId;
using library::CardKind;
using State = library::DocumentStore::State;

constexpr int documentHeight = 46, coveredHeight = 28;
constexpr int idRole = Qt::UserRole, kindRole = Qt::UserRole + 1; // of what is covered
constexpr int releaseKind = 1;

paint::Tone toneOf(const library::Holding& holding) {
    switch (holding.holds) {
    case library::Holds::Soon:
        return paint::Tone::Attention;
    case library::Holds::Over:
        return paint::Tone::Wrong;
    case library::Holds::Running:
        return paint::Tone::Good;
    case library::Holds::NotYet:
    case library::Holds::Open:
        break;
    }
    return paint::Tone::Neutral;
}

QString shownDocument(const library::KeptDocument& d) {
    return AgreementsPage::tr("%1, kept %2")
        .arg(shownSize(d.bytes),
             QLocale().toString(QDateTime::fromSecsSinceEpoch(d.added).date(), "d MMM yyyy"));
}

} // namespace

void AgreementSide::show(const library::AgreementLine& a, const library::Facts& facts) {
    clear();
    const auto& c = theme::colours();
    caption(tr("How long it holds"));
    line(coloured(spoken(a.says), inkOf(a.holding)));
    caption(tr("What is missing"));
    bool any = false;
    auto add = [&](const QString& sentence, const std::string& key) {
        any = true;
        gap(sentence, false, [this, key] {
            if (key.empty())
                emit documentWanted();
            else
                emit factWanted(key);
        });
    };
    for (const auto& [key, sentence] : {std::pair("parties", tr("No party is named")),
                                        {"works", tr("No song is named")},
                                        {"signed", tr("When it was signed")},
                                        {"ends", tr("When it ends")}})
        if (!facts.contains(std::string_view(key)) &&
            (key != std::string_view("works") || !facts.contains(std::string_view(library::coveredReleases))))
            add(sentence, key);
    if (a.documents.empty())
        add(tr("No document"), {});
    if (!any)
        line(coloured(tr("Nothing"), c.moss));
    end();
}

AgreementsPage::AgreementsPage(const Uses& use, PartButtons* parts, QWidget* parent)
    : CardPage(use.messages, use.people, CardKind::Agreement, parent), use_(use) {
    setAcceptDrops(true);
    lines_->setAccessibleName(tr("Agreements"));
    auto* caption = new QHBoxLayout;
    caption->setContentsMargins(12, 12, 8, 8);
    caption->addWidget(label(tr("Those that end soon come first"), "caption"));
    auto* fresh = button(tr("New agreement\u2026"));
    connect(fresh, &QPushButton::clicked, this, &AgreementsPage::newAgreement);
    auto* empty = new EmptyHint("release", {}, {}, tr("New agreement\u2026"));
    connect(empty->button(), &QPushButton::clicked, this, &AgreementsPage::newAgreement);
    side_ = new AgreementSide;
    connect(side_, &AgreementSide::factWanted, this, [this](const std::string& key) {
        if (key == "works")
            addWorks();
        else
            facts_->editFact(key);
    });
    connect(side_, &AgreementSide::documentWanted, this, [this] { addDocuments(); });
    layOut(searchHead(tr("Releases"), tr("Search: title, name, song \u2026"), tr("Search the agreements"),
                      {parts, fresh}),
           caption, sheet(), empty, side_, "agreements");
}

QWidget* AgreementsPage::sheet() {
    line_ = label({}, "quiet");
    line_->setWordWrap(true);
    documents_ = new QListWidget;
    documents_->setFrameShape(QFrame::NoFrame);
    documents_->setItemDelegate(new TwoLineDelegate(Qt::ElideRight, documents_));
    documents_->setVerticalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    documents_->setAccessibleName(tr("Documents"));
    documents_->setContextMenuPolicy(Qt::CustomContextMenu);
    connect(documents_, &QListWidget::customContextMenuRequested, this, &AgreementsPage::documentMenu);
    connect(documents_, &QListWidget::itemActivated, this, &AgreementsPage::openDocument);
    noDocuments_ =
        label(tr("None yet. Drop the PDF or the scans here: copies are kept beside the library."), "quiet");
    noDocuments_->setWordWrap(true);
    covered_ = new QTreeWidget;
    prepareTree(covered_, {tr("Song or release"), tr("By")});
    covered_->setRootIsDecorated(false);
    covered_->setFrameShape(QFrame::NoFrame);
    covered_->setAccessibleName(tr("What it is about"));
    covered_->setVerticalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    covered_->setContextMenuPolicy(Qt::CustomContextMenu);
    covered_->header()->setSectionResizeMode(0, QHeaderView::Stretch);
    covered_->header()->setStretchLastSection(false);
    covered_->setColumnWidth(1, 240);
    connect(covered_, &QTreeWidget::itemActivated, this, [this](QTreeWidgetItem* item) {
        if (item->data(0, kindRole).toInt() == releaseKind)
            use_.releases.wantShown({item->data(0, idRole).toLongLong(), {}});
        else
            use_.people.wantShown(item->data(0, idRole).toLongLong(), CardKind::Work);
    });
    connect(covered_, &QTreeWidget::customContextMenuRequested, this, [this](const QPoint& at) {
        QMenu menu(this);
        if (covered_->currentItem())
            menu.addAction(tr("It is not about this one"), this, &AgreementsPage::removeCovered);
        menu.addAction(tr("Add songs\u2026"), this, &AgreementsPage::addWorks);
        menu.exec(covered_->viewport()->mapToGlobal(at));
    });
    noneCovered_ = label(tr("Nothing yet."), "quiet");
    auto text = [] {
        QLabel* out = label({}, "");
        out->setWordWrap(true);
        out->setTextFormat(Qt::PlainText);
        return out;
    };
    says_ = text();
    notes_ = text();
    auto flat = [](const QString& caption, const QString& name) {
        QPushButton* out = button(caption, "flat");
        out->setAccessibleName(name);
        return out;
    };
    auto* add = flat(tr("Add\u2026"), tr("Add documents"));
    connect(add, &QPushButton::clicked, this, [this] { addDocuments(); });
    auto* songs = flat(tr("Add songs\u2026"), tr("Add songs that it is about"));
    connect(songs, &QPushButton::clicked, this, &AgreementsPage::addWorks);
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
    layout->addSpacing(12);
    layout->addWidget(partHead(tr("Documents"), add));
    layout->addWidget(noDocuments_);
    layout->addWidget(documents_);
    layout->addSpacing(12);
    layout->addWidget(partHead(tr("What it is about"), songs));
    layout->addWidget(noneCovered_);
    layout->addWidget(covered_);
    layout->addSpacing(12);
    layout->addWidget(textHead(tr("What it covers"), "covers"));
    layout->addWidget(says_);
    layout->addSpacing(12);
    layout->addWidget(textHead(tr("Notes"), "notes"));
    layout->addWidget(notes_);
    layout->addStretch();
    return content;
}

std::vector<CardLine> AgreementsPage::linesOf(const library::People& people, const std::string& words) const {
    const std::string today = library::todayText();
    std::vector<library::AgreementLine> found;
    for (const size_t i : people.findAgreements(words))
        found.push_back(
            library::agreementLine(people.agreements()[i].id, people.agreements()[i].facts, today));
    std::vector<CardLine> out;
    for (const library::AgreementLine& a : library::inOrder(std::move(found)))
        out.push_back({a.id, qs(a.title), {}, spoken(a.says), toneOf(a.holding)});
    return out;
}

QString AgreementsPage::countText(const library::People& people) const {
    const std::string today = library::todayText();
    const auto soon = std::ranges::count_if(people.agreements(), [&](const library::AgreementEntry& a) {
        return library::holdingOf(a.facts, today).holds == library::Holds::Soon;
    });
    const QString all = tr("%1 in all").arg(people.agreements().size());
    return soon == 0 ? all : all + " \u00B7 " + tr("%n end(s) soon", "", static_cast<int>(soon));
}

std::pair<QString, QString> AgreementsPage::noneText() const {
    return {tr("No agreement is known yet"),
            tr("Drop a contract or a split sheet here, or make one from a song: who agreed on what, until "
               "when. It is told before it ends, and the document is looked at each time it is shown: it "
               "shows if it was altered or has gone.")};
}

void AgreementsPage::display() {
    const library::AgreementLine a = library::agreementLine(shown_.id, shown_.facts, library::todayText());
    line_->setText(spoken(a.says));
    kept_ = a.documents;
    showDocuments();
    showCovered();
    for (const auto& [key, text] : {std::pair("covers", says_), {"notes", notes_}}) {
        const std::string value = library::firstFact(shown_.facts, key);
        text->setText(value.empty() ? tr("Nothing is noted.") : qs(value));
        text->setObjectName(value.empty() ? "quiet" : "");
        text->style()->unpolish(text);
        text->style()->polish(text);
    }
    side_->show(a, shown_.facts);
}

void AgreementsPage::showDocuments() {
    documents_->clear();
    for (const library::KeptDocument& d : kept_) {
        auto* row = new QListWidgetItem(qs(d.name));
        row->setData(TwoLineDelegate::SecondRole, shownDocument(d));
        row->setToolTip(tr("Return or a double click opens a copy\nSHA-256 %1").arg(qs(d.sha256)));
        documents_->addItem(row);
    }
    noDocuments_->setVisible(kept_.empty());
    documents_->setVisible(!kept_.empty());
    documents_->setFixedHeight(documentHeight * static_cast<int>(kept_.size()) + 4);
    const int run = ++checking_;
    if (kept_.empty())
        return;
    use_.agreements.check(this, kept_, [this, run](const std::vector<State>& states) {
        if (run != checking_)
            return;
        for (size_t i = 0; i < states.size() && i < kept_.size(); ++i) {
            QListWidgetItem* row = documents_->item(static_cast<int>(i));
            const QString how = states[i] == State::Whole  ? tr("as it was kept")
                                : states[i] == State::Gone ? tr("it has vanished: add it again")
                                                           : tr("it was altered: it is not what was kept");
            row->setData(TwoLineDelegate::SecondRole, shownDocument(kept_[i]) + " \u00B7 " + how);
            if (states[i] != State::Whole)
                row->setIcon(theme::icon("attention", theme::colours().rowan));
        }
    });
}

void AgreementsPage::showCovered() {
    covered_->clear();
    const auto people = use_.people.list();
    const auto releases = use_.releases.list();
    auto add = [&](int64_t id, int kind, const QString& title, const QString& by) {
        auto* item = new QTreeWidgetItem({title, by});
        item->setData(0, idRole, QVariant::fromValue<qlonglong>(id));
        item->setData(0, kindRole, kind);
        covered_->addTopLevelItem(item);
    };
    for (const std::string& one : library::factValues(shown_.facts, "works")) {
        const CardId id = std::strtoll(one.c_str(), nullptr, 10);
        const size_t at = people ? people->work(id) : SIZE_MAX;
        add(id, 0, at == SIZE_MAX ? tr("a song that is no longer known") : qs(people->works()[at].title),
            at == SIZE_MAX ? QString() : qs(people->works()[at].by));
    }
    for (const std::string& one : library::factValues(shown_.facts, library::coveredReleases)) {
        const library::ReleaseId id = std::strtoll(one.c_str(), nullptr, 10);
        const size_t at = releases ? releases->find({id, {}}) : SIZE_MAX;
        add(id, releaseKind, at == SIZE_MAX ? tr("a release") : qs(releases->entries()[at].title),
            at == SIZE_MAX ? QString() : qs(releases->entries()[at].artist));
    }
    const int count = covered_->topLevelItemCount();
    noneCovered_->setVisible(count == 0);
    covered_->setVisible(count > 0);
    covered_->setFixedHeight(covered_->header()->sizeHint().height() + count * coveredHeight + 4);
}

void AgreementsPage::removeCovered() {
    const QTreeWidgetItem* item = covered_->currentItem();
    if (!item)
        return;
    const char* key = item->data(0, kindRole).toInt() == releaseKind ? library::coveredReleases : "works";
    use_.agreements.setCovered(shown_.id, key, item->data(0, idRole).toLongLong(), false);
}

void AgreementsPage::addWorks() {
    const auto people = use_.people.list();
    if (shown_.id == 0 || !people)
        return;
    const std::vector<std::string> have = library::factValues(shown_.facts, "works");
    QStringList titles;
    std::vector<CardId> ids;
    for (const library::WorkEntry& w : people->works())
        if (std::ranges::find(have, std::to_string(w.id)) == have.end()) {
            titles << (w.by.empty() ? qs(w.title) : qs(w.title) + " \u00B7 " + qs(w.by));
            ids.push_back(w.id);
        }
    if (titles.isEmpty())
        return use_.messages.say(tr("There is no other work in the library."), true);
    const CardId agreement = shown_.id;
    bool ok = false;
    const QString chosen =
        QInputDialog::getItem(this, tr("A song that it is about"), tr("Song:"), titles, 0, true, &ok);
    if (!ok)
        return;
    const auto at = titles.indexOf(chosen);
    const CardId typed = at < 0 ? people->workTitled(ss(chosen)) : ids[static_cast<size_t>(at)];
    if (typed == 0)
        return use_.messages.say(tr("No work, or several, are called \u201C%1\u201D.").arg(chosen.trimmed()),
                                 true);
    use_.agreements.setCovered(agreement, "works", typed, true);
}

void AgreementsPage::newAgreement() {
    bool ok = false;
    const QString title =
        QInputDialog::getText(this, tr("New agreement"), tr("What it is called:"), QLineEdit::Normal, {}, &ok)
            .simplified();
    if (!ok)
        return;
    if (title.isEmpty())
        return use_.messages.say(tr("It needs a title."), true);
    use_.agreements.make(title, {}, {}, 0, {}, [self = QPointer(this)](CardId id) {
        if (self)
            self->showCard(id);
    });
}

void AgreementsPage::addDocuments() {
    if (shown_.id == 0)
        return;
    const CardId agreement = shown_.id;
    const QString folder = QSettings().value("agreements/folder", QDir::homePath()).toString();
    const QStringList files = QFileDialog::getOpenFileNames(
        this, tr("Documents"), folder,
        tr("Documents (*.pdf *.png *.jpg *.jpeg *.tif *.tiff *.odt *.docx *.txt);;All files (*)"));
    if (files.isEmpty() || shown_.id != agreement)
        return;
    QSettings().setValue("agreements/folder", QFileInfo(files.front()).absolutePath());
    std::vector<Path> paths;
    for (const QString& file : files)
        paths.emplace_back(ss(file));
    addDocuments(paths);
}

void AgreementsPage::addDocuments(const std::vector<Path>& files) {
    if (files.empty())
        return;
    if (shown_.id == 0) { // the first one
        use_.agreements.make(shownName(files.front().stem()), {}, {}, 0, files,
                             [self = QPointer(this)](CardId id) {
                                 if (self)
                                     self->showCard(id);
                             });
        return;
    }
    use_.agreements.addDocuments(shown_.id, files);
}

const library::KeptDocument* AgreementsPage::chosenDocument() const {
    const int row = documents_->currentRow();
    return row < 0 || row >= static_cast<int>(kept_.size()) ? nullptr : &kept_[static_cast<size_t>(row)];
}

void AgreementsPage::openDocument() {
    if (const library::KeptDocument* d = chosenDocument())
        use_.agreements.copyToOpen(
            *d, [](const Path& file) { QDesktopServices::openUrl(QUrl::fromLocalFile(qs(file.native()))); });
}

void AgreementsPage::documentMenu(const QPoint& at) {
    QMenu menu(this);
    if (const library::KeptDocument* chosen = chosenDocument()) {
        const library::KeptDocument d = *chosen;
        menu.addAction(tr("Open a copy\tReturn"), this, &AgreementsPage::openDocument);
        menu.addAction(tr("Save a copy as\u2026"), this, [this, d] {
            const QString file =
                QFileDialog::getSaveFileName(this, tr("Save a copy"), QDir::homePath() + "/" + qs(d.name));
            if (!file.isEmpty())
                use_.agreements.copy(d, Path(ss(file)));
        });
        menu.addAction(tr("Take it out"), this,
                       [this, id = shown_.id, d] { use_.agreements.removeDocument(id, d); });
    }
    menu.addAction(tr("Add\u2026"), this, [this] { addDocuments(); });
    menu.exec(documents_->viewport()->mapToGlobal(at));
}

void AgreementsPage::showMenu(const QPoint& at) {
    QMenu menu(this);
    if (lines_->chosen() != 0)
        menu.addAction(tr("Remove\tDel"), this, [this] { removeShown(); });
    menu.exec(at);
}

void AgreementsPage::dragEnterEvent(QDragEnterEvent* event) {
    if (event->mimeData()->hasUrls())
        event->acceptProposedAction();
}

void AgreementsPage::dropEvent(QDropEvent* event) {
    const std::vector<Path> files = drag::pathsOf(event->mimeData());
    if (files.empty())
        return;
    event->acceptProposedAction();
    addDocuments(files);
}

} // namespace moorfrost::app
