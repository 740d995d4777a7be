// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/library/library_page.h"

#include <QApplication>
#include <QElapsedTimer>
#include <QPointer>
#include <QScrollBar>
#include <QSettings>
#include <QShortcut>
#include <QSlider>
#include <QSplitter>
#include <QStackedWidget>
#include <QVBoxLayout>

#include "app/bench/mend_text_dialog.h"
#include "app/library/check_files_dialog.h"
#include "app/library/collections/collection_menus.h"
#include "app/library/collections/list_line.h"
#include "app/library/collections/shown_list.h"
#include "app/library/same_sound_page.h"
#include "app/library/sleeve_grid.h"
#include "app/library/sound_group_list.h"
#include "app/library/track_model.h"
#include "app/listen/track_strip.h"
#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/controls.h"
#include "app/widgets/file_details.h"
#include "app/widgets/sort_header.h"

namespace moorfrost::app {

namespace {

constexpr size_t mostRanges = 20000; // of chosen rows that are chosen again after a search

const QStringList defaultColumns = {"title", "artist", "album", "date", "genre", lengthColumn, formatColumn};

/// Narrower than on the bench, where they are typed into: the panes at the sides take room.
int widthOf(const std::string& key, int byDefault) {
    return key == "title" ? 178 : key == "artist" ? 140 : key == "genre" ? 92 : byDefault;
}

/// The column of the library behind a column of the table.
std::string sortColumn(const std::string& key) {
    return key == nameColumn ? library::fileNameColumn : key;
}

} // namespace

LibraryPage::LibraryPage(const Uses& use, QWidget* parent) : QWidget(parent), use_(use) {
    bar_ = new SearchBar({use_.jobs, use_.settings});
    count_ = new ShortLabel;
    count_->setObjectName("quiet");
    save_ = button(tr("Save search"));
    save_->setToolTip(tr("Keeps this search in the list on the left, where it stays up to date"));
    check_ = button(tr("Check files\u2026"));
    check_->setToolTip(tr("Whether the selected files are whole, and still the ones they were"));
    send_ = button(tr("Send to bench"));
    send_->setToolTip(tr("Puts the selected files on the bench, to be described or put away again"));

    model_ = new TrackModel({use_.drafts}, this);
    model_->setFold(&fold_);
    view_ = new SheetView({use_.drafts, use_.customFields}, model_);
    view_->setAccessibleName(tr("Tracks"));
    view_->setSelectionBehavior(QAbstractItemView::SelectRows);
    view_->setEditTriggers(QAbstractItemView::NoEditTriggers);
    header_ = new SortHeader(view_);
    connect(&use_.customFields, &CustomFields::changed, model_, [this] { // other labels
        emit model_->headerDataChanged(Qt::Horizontal, 0, model_->columnCount() - 1);
    });
    view_->setHorizontalHeader(header_);
    std::vector<std::string> keys;
    for (const QString& key : QSettings().value("library/columns", defaultColumns).toStringList())
        keys.push_back(ss(key));
    model_->setColumns(keys);
    for (int i = 0; i < model_->columnCount(); ++i) {
        const tags::FieldDef* def = tags::fieldByKey(keys[static_cast<size_t>(i)]);
        view_->setColumnWidth(i, def ? widthOf(def->key, def->columnWidth) : 64);
    }
    remember(header_, "library/columns of table");
    sorting_ = LibraryIndex::rememberedSorting();

    empty_ = new EmptyHint(
        "library", tr("The library is empty"),
        tr("Files come here when they are put away on a shelf. Start on the bench: bring in a folder."),
        tr("Go to the bench"));
    stack_ = new QStackedWidget;
    stack_->setObjectName("panel");
    stack_->addWidget(view_);
    stack_->addWidget(empty_);
    stack_->addWidget(gridPage());
    facets_ = new FacetPanel;
    collections_ = new CollectionTree(use_.collections);
    list_ = new ShownList(use_.collections);
    list_->setParent(this);
    listLine_ = new ListLine;
    details_ = new FileDetails(
        {use_.index, use_.standards, use_.shelves, use_.journal, use_.recordings, use_.releases});
    strip_ = new TrackStrip({use_.peaks, use_.recordings, use_.player});
    details_->addBelowTitle(strip_);
    connect(strip_, &TrackStrip::playWanted, this, &LibraryPage::playFromRequested);
    layOut();

    connect(&use_.index, &LibraryIndex::changed, this, &LibraryPage::takeSearcher);
    connect(&use_.settings, &LibrarySettings::loaded, this, [this] {
        if (bar_->findsBeginnings())
            bar_->parse(); // the library may have been searchable before these were read
    });
    connect(bar_, &SearchBar::changed, this, &LibraryPage::search);
    connect(bar_->box(), &QLineEdit::returnPressed, this, [this] {
        if (showsSleeves())
            return grid_->setFocus();
        view_->setFocus();
        if (model_->rowCount() > 0 && !view_->currentIndex().isValid())
            view_->setCurrentIndex(model_->index(0, 0));
    });
    connect(facets_, &FacetPanel::chosen, this, [this](const std::string& field, const std::string& value) {
        bar_->setText(library::withChosen(
            bar_->text(), field, value, searcher_ ? searcher_->customFields() : std::vector<std::string>()));
    });
    connect(facets_, &FacetPanel::keysChanged, this, &LibraryPage::search);
    connect(header_, &QHeaderView::sectionClicked, this,
            [this](int section) { sortBy(section, QApplication::keyboardModifiers() & Qt::ShiftModifier); });
    connect(header_, &QWidget::customContextMenuRequested, this, [this] {
        view_->chooseColumns("library/columns");
        showSorting();
    });
    connect(view_, &SheetView::chosenChanged, this, &LibraryPage::showDetails);
    connect(view_, &SheetView::playRequested, this, &LibraryPage::playRequested);
    connect(view_, &QTableView::doubleClicked, this,
            [this](const QModelIndex& i) { emit playRequested(model_->fileAt(i.row())); });
    for (int n = 0; n <= 5; ++n) {
        auto* rate = new QShortcut(QKeySequence(QString("Ctrl+Alt+%1").arg(n)), this);
        rate->setContext(Qt::WidgetWithChildrenShortcut);
        connect(rate, &QShortcut::activated, this, [this, n] {
            if (std::vector<FileId> files = chosenFiles(); !files.empty())
                use_.recordings.rate(files, n);
        });
    }
    connect(view_, &SheetView::menuRequested, this, &LibraryPage::showMenu);
    connectFamilies();
    connect(grid_, &SleeveGrid::menuRequested, this, &LibraryPage::showMenu);
    connect(grid_, &SleeveGrid::chosenChanged, this, &LibraryPage::showDetails);
    connect(grid_, &SleeveGrid::playRequested, this, &LibraryPage::playRequested);
    connect(grid_, &SleeveGrid::opened, this, [this](const std::string& query) {
        showAs(false);
        bar_->setText(query);
        view_->setFocus();
    });
    connectCollections();
    connect(save_, &QPushButton::clicked, menus_, &CollectionMenus::saveSearch);
    connect(send_, &QPushButton::clicked, this, &LibraryPage::sendToBench);
    connect(check_, &QPushButton::clicked, this, &LibraryPage::checkFiles);
    connect(empty_->button(), &QPushButton::clicked, this, &LibraryPage::benchWanted);
    connect(details_, &FileDetails::mendTextWanted, this, [this] {
        std::vector<FileId> files = chosenFiles();
        use_.files.takeUp(this, files, [self = QPointer(this), files] {
            if (self)
                MendTextDialog({self->use_.files, self->use_.drafts}, files, self).exec();
        });
    });
    showSorting();
    takeSearcher();
}

void LibraryPage::layOut() {
    auto* head = new QHBoxLayout;
    bar_->setMinimumWidth(120);
    head->addWidget(bar_, 2);
    head->addSpacing(8);
    head->addWidget(count_, 1);
    head->addStretch();
    head->addWidget(save_);
    auto* views = new QHBoxLayout;
    views->setSpacing(0);
    tracks_ = button(tr("Tracks"), "left");
    sleeves_ = button(tr("Sleeves"), "middle");
    same_ = button(tr("Same sound"), "right");
    same_->setToolTip(tr("Files that are the same recording, whatever they are called"));
    for (QPushButton* b : {tracks_, sleeves_, same_}) {
        b->setCheckable(true);
        views->addWidget(b);
    }
    connect(tracks_, &QPushButton::clicked, this, [this] { showAs(false); });
    connect(sleeves_, &QPushButton::clicked, this, [this] { showAs(true); });
    connect(same_, &QPushButton::clicked, this, &LibraryPage::showSameSound);
    sleeves_->setChecked(QSettings().value("library/sleeves", false).toBool());
    tracks_->setChecked(!sleeves_->isChecked());
    head->addLayout(views);
    for (QPushButton* b : {check_, send_})
        head->addWidget(b);
    auto* splitter = new QSplitter;
    splitter->addWidget(sidePanel());
    splitter->addWidget(tracksPanel());
    splitter->addWidget(details_);
    splitter->setStretchFactor(1, 1);
    splitter->setCollapsible(1, false);
    splitter->setSizes({176, 764, 262});
    remember(splitter, "library/panes");
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addWidget(bar("head", head, 46));
    layout->addWidget(bar_->understood());
    sameSound_ = new SameSoundPage({use_.index, use_.sounds, use_.soundGroups, use_.player});
    views_ = new QStackedWidget;
    views_->addWidget(splitter);
    views_->addWidget(sameSound_);
    layout->addWidget(views_, 1);
    connect(&use_.soundGroups, &SoundGroupsController::changed, this, [this] {
        if (same_->isChecked())
            count_->setText(sameSound_->told());
    });
}

QWidget* LibraryPage::gridPage() {
    grid_ = new SleeveGrid({use_.index, use_.standards});
    group_ = new Choice;
    group_->addItems({tr("Not grouped"), tr("By artist"), tr("By label"), tr("By decade")});
    group_->setCurrentIndex(QSettings().value("library/group", 0).toInt());
    group_->setAccessibleName(tr("Grouping of the sleeves"));
    size_ = new QSlider(Qt::Horizontal);
    size_->setRange(96, 260);
    size_->setFixedWidth(120);
    size_->setAccessibleName(tr("Size of the covers"));
    size_->setValue(QSettings().value("library/cover size", 148).toInt());
    grid_->setCoverSize(size_->value());
    connect(size_, &QSlider::valueChanged, this, [this](int side) {
        grid_->setCoverSize(side);
        QSettings().setValue("library/cover size", side);
    });
    connect(group_, &QComboBox::currentIndexChanged, this, [this](int index) {
        QSettings().setValue("library/group", index);
        search();
    });
    auto* tools = new QHBoxLayout;
    tools->addWidget(group_);
    tools->addStretch();
    tools->addWidget(label(tr("Size"), "quiet"));
    tools->addWidget(size_);
    auto* page = new QWidget;
    auto* layout = new QVBoxLayout(page);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addWidget(bar("tools", tools, 40));
    layout->addWidget(grid_, 1);
    return page;
}

bool LibraryPage::showsSleeves() const {
    return sleeves_->isChecked();
}

void LibraryPage::showSameSound() {
    for (QPushButton* b : {tracks_, sleeves_})
        b->setChecked(false);
    same_->setChecked(true);
    views_->setCurrentWidget(sameSound_);
    for (QPushButton* b : {save_, check_, send_})
        b->hide();
    count_->setText(sameSound_->told());
    sameSound_->list()->setFocus();
}

void LibraryPage::showAs(bool sleeves) {
    same_->setChecked(false);
    views_->setCurrentIndex(0);
    for (QPushButton* b : {save_, check_, send_})
        b->show();
    makeRoom();
    sleeves_->setChecked(sleeves);
    tracks_->setChecked(!sleeves);
    QSettings().setValue("library/sleeves", sleeves);
    search();
}

std::vector<FileId> LibraryPage::chosenFiles() const {
    return same_->isChecked() ? sameSound_->files()
           : showsSleeves()   ? grid_->chosenFiles()
                              : view_->chosenFiles();
}

QString LibraryPage::told() const {
    return count_->text();
}

void LibraryPage::takeSearcher() {
    if (!use_.index.searcher())
        return;
    searcher_ = use_.index.searcher();
    facets_->setMeasured(searcher_->readyRows() != nullptr);
    facets_->setCustomFields(tags::withDescribed(searcher_->customFields()));
    bar_->setSearcher(searcher_); // and so searches
}

void LibraryPage::search() {
    answered_ = searched_ = false;
    const int run = ++run_;
    stop_.request_stop(); // what was asked before is of no use any more
    stop_ = {};
    save_->setEnabled(!bar_->parsed().query.isEmpty() && !bar_->parsed().error);
    if (!searcher_)
        return;
    if (same_->isChecked() && !bar_->text().empty()) {
        showAs(QSettings().value("library/sleeves", false).toBool()); // which searches
        return;
    }
    LibraryQuestion question;
    question.query = bar_->parsed().query;
    question.list = list_->files();
    question.sorting = question.list ? listSorting_ : sorting_;
    question.asSleeves = showsSleeves();
    question.group = static_cast<library::SleeveGroup>(group_->currentIndex());
    for (const std::string& key : facets_->keys())
        question.facets.emplace_back(key, facets_->mostOf(key));
    question.saved = savedSearches();
    question.beginnings = bar_->findsBeginnings();
    question.folds = foldsFamilies();
    // All of many are chosen again as all.
    if (view_->selectionModel()->hasSelection() &&
        view_->chosenCount() < std::max<size_t>(1000, model_->rows().size()))
        question.chosen = view_->chosenFiles();
    auto work = [jobs = &use_.jobs, self = QPointer(this), run, question, searcher = searcher_,
                 mine = stop_](std::stop_token stop, work::Progress&) mutable -> Result<LibraryCounts> {
        // Either a newer question or the end of the program.
        std::stop_callback either(stop, [&] { mine.request_stop(); });
        const std::stop_token both = mine.get_token();
        auto rows = std::make_shared<LibraryRows>(rowsFor(question, *searcher, both));
        if (both.stop_requested())
            return LibraryCounts();
        QMetaObject::invokeMethod( // the list outlives its jobs, the page need not
            jobs,
            [self, run, question, rows, searcher] {
                if (self && run == self->run_)
                    self->take(question, searcher, std::move(*rows));
            },
            Qt::QueuedConnection);
        return countsFor(question, *searcher, both);
    };
    use_.jobs.start(this, {ss(tr("Searching"))}, work,
                    [this, run, question](const Result<LibraryCounts>& counts) {
                        if (run != run_)
                            return;
                        if (!counts) {
                            use_.messages.say(counts.error());
                            return;
                        }
                        facets_->show(question.query, counts->facets);
                        std::map<library::CollectionId, size_t> found;
                        for (const SavedSearch& s : counts->saved)
                            found[s.id] = s.count;
                        collections_->setFound(found);
                        searched_ = true;
                    });
}

namespace {

/// Where in the rows these files are.
std::vector<int> placesOf(const std::vector<FileId>& files, const library::Searcher& searcher,
                          const std::vector<library::Row>& rows) {
    std::set<library::Row> wanted;
    for (const FileId id : files)
        if (const auto row = searcher.rowOf(id))
            wanted.insert(*row);
    std::vector<int> out;
    for (size_t i = 0; i < rows.size() && !wanted.empty(); ++i)
        if (wanted.contains(rows[i]))
            out.push_back(static_cast<int>(i));
    return out;
}

} // namespace

void LibraryPage::take(const LibraryQuestion& question, std::shared_ptr<const library::Searcher> searcher,
                       LibraryRows answer) {
    const auto hits = static_cast<int>(answer.found);
    fold_.set(std::move(answer.families));
    folded_ = {std::move(answer.rows), std::move(answer.places)};
    FamilyFold::Shown shown = fold_.shown(folded_);
    answer.rows = std::move(shown.rows);
    answer.places = std::move(shown.places);
    if (answer.rows.size() != folded_.rows.size())
        answer.chosen = placesOf(question.chosen, *searcher, answer.rows);
    const bool same =
        searcher == model_->searcher() && answer.rows == model_->rows() && answer.places == model_->places();
    const bool sameQuestion = question.hasRowsOf(shown_);
    const bool all = sameQuestion && model_->rowCount() > 0 &&
                     view_->chosenCount() == static_cast<size_t>(model_->rowCount());
    const int scrolled = view_->verticalScrollBar()->value();
    model_->setArranged(question.list && question.sorting.empty());
    model_->setRows(searcher, std::move(answer.rows), std::move(answer.places));
    view_->viewport()->update(); // families may be others though the rows are the same
    totals_ = answer.totals;
    const bool none = searcher->count() == 0;
    stack_->setCurrentIndex(none ? 1 : showsSleeves() ? 2 : 0);
    if (showsSleeves())
        grid_->setSleeves(std::move(answer.sleeves), searcher);
    makeRoom();
    if (!same_->isChecked())
        count_->setText(none                                         ? QString()
                        : question.query.isEmpty() && !question.list ? tr("%n track(s)", "", hits)
                        : question.query.isEmpty()
                            ? QString()
                            : tr("%L1 of %L2 tracks \u00B7 %3")
                                  .arg(hits)
                                  .arg(question.list ? totals_.count : searcher->count())
                                  .arg(answer.nanoseconds < 1000000
                                           ? tr("under 1 ms")
                                           : tr("%L1 ms").arg(answer.nanoseconds / 1000000)));
    if (!same && hits > 0) {
        if (all && hits > 1)
            view_->selectAll();
        else
            choose(answer.chosen);
        if (sameQuestion) // the library has changed under it: nothing may jump
            view_->verticalScrollBar()->setValue(scrolled);
        else
            view_->scrollTo(view_->currentIndex());
    }
    shown_ = question;
    showListLine();
    collections_->setShown(list_->id(), bar_->text());
    send_->setEnabled(hits > 0);
    check_->setEnabled(hits > 0);
    showDetails();
    answered_ = true;
    if (const FileId wanted = std::exchange(wanted_, 0); wanted != 0 && question.query.isEmpty())
        showFile(wanted);
}

/// What was chosen stays chosen, where it still is.
void LibraryPage::choose(const std::vector<int>& rows) {
    QItemSelection again;
    for (size_t i = 0; i < rows.size();) {
        size_t end = i + 1;
        while (end < rows.size() && rows[end] == rows[end - 1] + 1)
            ++end;
        again.append(QItemSelectionRange(model_->index(rows[i], 0), model_->index(rows[end - 1], 0)));
        i = end;
    }
    if (static_cast<size_t>(again.size()) > mostRanges) { // rather none than others
        view_->clearSelection();
        view_->selectionModel()->clearCurrentIndex();
        use_.messages.say(tr("The choice was given up: in this order it would be in too many pieces."),
                          false);
        return;
    }
    if (again.isEmpty())
        again.select(model_->index(0, 0), model_->index(0, 0));
    view_->selectionModel()->setCurrentIndex(again.front().topLeft(), QItemSelectionModel::NoUpdate);
    view_->selectionModel()->select(again, QItemSelectionModel::ClearAndSelect | QItemSelectionModel::Rows);
}

void LibraryPage::makeRoom() {
    const bool narrow = width() < 920; // the table and the question come first
    details_->setVisible(!narrow && searcher_ && searcher_->count() > 0);
    check_->setVisible(!narrow && !same_->isChecked()); // it is in the menu, too
}

void LibraryPage::resizeEvent(QResizeEvent* event) {
    QWidget::resizeEvent(event);
    makeRoom();
}

void LibraryPage::sortBy(int section, bool within) {
    const std::string key = sortColumn(model_->columns()[static_cast<size_t>(section)]);
    std::vector<library::SortBy>& sorting = list_->files() ? listSorting_ : sorting_;
    auto held = std::find_if(sorting.begin(), sorting.end(), [&](const auto& s) { return s.column == key; });
    bool up = held == sorting.end() || !held->ascending;
    if (within && held != sorting.end())
        held->ascending = up;
    else if (within)
        sorting.push_back({key, true});
    else
        sorting = {{key, held == sorting.begin() && held != sorting.end() ? up : true}};
    LibraryIndex::rememberSorting(sorting_);
    showSorting();
    search();
}

void LibraryPage::showSorting() {
    std::vector<std::pair<int, bool>> sections;
    for (const library::SortBy& s : list_->files() ? listSorting_ : sorting_)
        for (size_t i = 0; i < model_->columns().size(); ++i)
            if (sortColumn(model_->columns()[i]) == s.column)
                sections.emplace_back(static_cast<int>(i), s.ascending);
    header_->setSorting(std::move(sections));
}

void LibraryPage::sendToBench() {
    const std::vector<FileId> files = chosenFiles();
    use_.batch.send(files, [&messages = use_.messages, n = static_cast<int>(files.size())] {
        messages.say(tr("%n file(s) sent to the bench.", "", n));
    });
    emit benchWanted();
}

void LibraryPage::checkFiles() {
    if (CheckFilesDialog::showAgain(checks_))
        return;
    const size_t chosen = showsSleeves() ? grid_->chosenCount() : view_->chosenCount();
    const bool some = chosen > 1;
    // The rows in sight are those of the columns that they were found in, which may not be the newest.
    const auto& searcher = model_->searcher();
    std::vector<Path> paths;
    if (some)
        for (FileId id : chosenFiles()) {
            if (auto row = searcher->rowOf(id))
                paths.push_back(searcher->pathOf(*row));
        }
    else
        for (library::Row row : model_->rows())
            paths.push_back(searcher->pathOf(row));
    const auto n = static_cast<int>(paths.size());
    delete checks_;
    checks_ = new CheckFilesDialog(
        {use_.messages, use_.jobs, use_.library}, std::move(paths),
        some ? tr("the %n selected file(s)", "", n) : tr("the %n file(s) shown", "", n), this);
    checks_->exec();
}

void LibraryPage::showDetails() {
    const FileId first = showsSleeves() ? grid_->firstChosen() : view_->firstChosen();
    const size_t count = showsSleeves() ? grid_->chosenCount() : view_->chosenCount();
    const int run = ++detailsRun_;
    if (first == 0) {
        details_->showFile(nullptr);
        strip_->show(nullptr);
        return;
    }
    use_.files.withFile(this, first, [self = QPointer(this), run, count](const FilePtr& file) {
        if (self && run == self->detailsRun_) {
            self->details_->showFile(file, static_cast<int>(count) - 1);
            self->strip_->show(file);
            self->details_->fit();
        }
    });
}

} // namespace moorfrost::app
