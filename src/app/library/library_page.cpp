// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/library/library_page.h"

#include <QApplication>
#include <QElapsedTimer>
#include <QInputDialog>
#include <QJsonArray>
#include <QJsonDocument>
#include <QJsonObject>
#include <QMenu>
#include <QSettings>
#include <QSlider>
#include <QSplitter>
#include <QStackedWidget>
#include <QVBoxLayout>

#include "app/bench/mend_text_dialog.h"
#include "app/library/check_files_dialog.h"
#include "app/library/sleeve_grid.h"
#include "app/library/sort_header.h"
#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/controls.h"
#include "app/widgets/file_details.h"
#include "core/library/search/library_columns.h"

namespace moorfrost::app {

namespace {

const QStringList defaultColumns = {"title", "artist", "album", "date", "genre", lengthColumn, formatColumn};

/// Narrower than on the bench, where they are typed into: the panes at the sides take room.
int widthOf(const std::string& key, int usual) {
    return key == "title" ? 178 : key == "artist" ? 140 : key == "genre" ? 92 : usual;
}

/// The column of the library behind a column of the table.
std::string sortColumn(const std::string& key) {
    return key == nameColumn ? library::fileNameColumn : key;
}

} // namespace

struct LibraryPage::Answer {
    std::vector<FileId> ids;
    std::vector<FacetCounts> facets;
    std::vector<SavedSearch> saved;
    std::vector<library::LibrarySleeve> sleeves;
    qint64 nanoseconds = 0;
};

LibraryPage::LibraryPage(Session& session, QWidget* parent) : QWidget(parent), session_(session) {
    bar_ = new SearchBar(session_);
    count_ = new ShortLabel;
    count_->setObjectName("quiet");
    save_ = button(tr("Save search"));
    save_->setToolTip(tr("Keeps this search in the list on the left, where it stays up to date"));
    check_ = button(tr("Check files\u2026"));
    check_->setToolTip(tr("Whether the selected files are whole, and still the ones they were"));
    send_ = button(tr("Send to bench"));
    send_->setToolTip(tr("Puts the selected files on the bench, to be described or put away again"));

    model_ = new SheetModel(session_, false, this);
    view_ = new SheetView(session_, model_);
    view_->setAccessibleName(tr("Tracks"));
    view_->setSelectionBehavior(QAbstractItemView::SelectRows);
    view_->setEditTriggers(QAbstractItemView::NoEditTriggers);
    header_ = new SortHeader(view_);
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
    for (const QString& s : QSettings().value("library/sorting", QStringList{"artist+"}).toStringList())
        sorting_.push_back({ss(s.chopped(1)), s.endsWith('+')});

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
    details_ = new FileDetails(session_);
    layOut();

    connect(&session_, &Session::libraryChanged, this, &LibraryPage::readColumns);
    connect(bar_, &SearchBar::changed, this, &LibraryPage::search);
    connect(bar_->box(), &QLineEdit::returnPressed, this, [this] {
        if (showsSleeves())
            return grid_->setFocus();
        view_->setFocus();
        if (model_->rowCount() > 0 && !view_->currentIndex().isValid())
            view_->setCurrentIndex(model_->index(0, 0));
    });
    connect(facets_, &FacetPanel::chosen, this, [this](const std::string& field, const std::string& value) {
        bar_->setText(library::withChosen(bar_->text(), field, value,
                                          searcher_ ? searcher_->columns().customFields()
                                                    : std::vector<std::string>()));
    });
    connect(facets_, &FacetPanel::searchChosen, this,
            [this](const std::string& query) { bar_->setText(query); });
    connect(facets_, &FacetPanel::searchForgotten, this, [this](const std::string& name) {
        auto all = savedSearches();
        std::erase_if(all, [&](const SavedSearch& s) { return s.name == name; });
        keepSearches(all);
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
    connect(view_, &SheetView::menuRequested, this, &LibraryPage::showMenu);
    connect(grid_, &SleeveGrid::menuRequested, this, &LibraryPage::showMenu);
    connect(grid_, &SleeveGrid::chosenChanged, this, &LibraryPage::showDetails);
    connect(grid_, &SleeveGrid::playRequested, this, &LibraryPage::playRequested);
    connect(grid_, &SleeveGrid::opened, this, [this](const std::string& query) {
        showAs(false);
        bar_->setText(query);
        view_->setFocus();
    });
    connect(save_, &QPushButton::clicked, this, &LibraryPage::askForName);
    connect(send_, &QPushButton::clicked, this, &LibraryPage::sendToBench);
    connect(check_, &QPushButton::clicked, this, &LibraryPage::checkFiles);
    connect(empty_->button(), &QPushButton::clicked, this, &LibraryPage::benchWanted);
    connect(details_, &FileDetails::mendTextWanted, this,
            [this] { MendTextDialog(session_, chosenFiles(), this).exec(); });
    showSorting();
    if (session_.isLoaded())
        readColumns();
}

void LibraryPage::layOut() {
    auto* head = new QHBoxLayout;
    bar_->setMinimumWidth(220);
    head->addWidget(bar_, 3);
    head->addSpacing(8);
    head->addWidget(count_, 1);
    head->addStretch();
    head->addWidget(save_);
    auto* views = new QHBoxLayout;
    views->setSpacing(0);
    tracks_ = button(tr("Tracks"), "left");
    sleeves_ = button(tr("Sleeves"), "right");
    for (QPushButton* b : {tracks_, sleeves_}) {
        b->setCheckable(true);
        views->addWidget(b);
        connect(b, &QPushButton::clicked, this, [this, b] { showAs(b == sleeves_); });
    }
    sleeves_->setChecked(QSettings().value("library/sleeves", false).toBool());
    tracks_->setChecked(!sleeves_->isChecked());
    head->addLayout(views);
    for (QPushButton* b : {check_, send_})
        head->addWidget(b);
    auto* narrow = new QWidget;
    narrow->setObjectName("panel");
    auto* more = button(tr("Facets\u2026"), "flat");
    more->setToolTip(tr("Choose what to narrow by"));
    connect(more, &QPushButton::clicked, this,
            [this, more] { facets_->chooseFacets(more->mapToGlobal(QPoint(0, more->height()))); });
    auto* side = new QVBoxLayout(narrow);
    side->setContentsMargins(0, 4, 0, 6);
    side->setSpacing(0);
    side->addWidget(facets_, 1);
    auto* foot = new QHBoxLayout;
    foot->setContentsMargins(8, 0, 8, 0);
    foot->addWidget(more);
    foot->addStretch();
    side->addLayout(foot);
    auto* splitter = new QSplitter;
    splitter->addWidget(narrow);
    splitter->addWidget(stack_);
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
    layout->addWidget(splitter, 1);
}

QWidget* LibraryPage::gridPage() {
    grid_ = new SleeveGrid(session_);
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

void LibraryPage::showAs(bool sleeves) {
    sleeves_->setChecked(sleeves);
    tracks_->setChecked(!sleeves);
    QSettings().setValue("library/sleeves", sleeves);
    search();
}

std::vector<FileId> LibraryPage::chosenFiles() const {
    return showsSleeves() ? grid_->chosenFiles() : view_->chosenFiles();
}

void LibraryPage::showMenu(const QPoint& at) {
    QMenu menu(this);
    if (std::vector<FileId> chosen = chosenFiles(); !chosen.empty())
        menu.addAction(tr("Play\tSpace"), [this, id = chosen.front()] { emit playRequested(id); });
    menu.addAction(tr("Send to bench"), this, &LibraryPage::sendToBench);
    menu.addAction(tr("Check files\u2026"), this, &LibraryPage::checkFiles);
    if (!showsSleeves())
        menu.addAction(tr("Copy\tCtrl+C"), view_, &SheetView::copy);
    menu.exec(at);
}

QString LibraryPage::told() const {
    return count_->text();
}

void LibraryPage::readColumns() {
    searched_ = false;
    int run = ++readRun_;
    auto made = std::make_shared<std::shared_ptr<const library::Searcher>>();
    session_.jobs().start(
        tr("Indexing the library"),
        [file = session_.libraryFile(), made](std::stop_token stop, work::Progress&) {
            auto store = library::Store::open(file);
            if (!store)
                return;
            if (auto columns = library::columnsOf(**store, stop))
                *made = std::make_shared<library::Searcher>(columns);
        },
        [this, run, made] {
            if (run != readRun_ || !*made)
                return; // a newer one is on its way
            searcher_ = *made;
            facets_->setCustomFields(searcher_->columns().customFields());
            bar_->setSearcher(searcher_); // and so searches
        });
}

void LibraryPage::search() {
    searched_ = false;
    int run = ++run_;
    save_->setEnabled(!bar_->parsed().query.isEmpty() && !bar_->parsed().error);
    if (!searcher_)
        return;
    auto answer = std::make_shared<Answer>();
    answer->saved = savedSearches();
    for (const std::string& key : facets_->keys())
        answer->facets.push_back({key, {}});
    std::vector<size_t> most;
    for (const std::string& key : facets_->keys())
        most.push_back(facets_->mostOf(key));
    session_.jobs().start(
        tr("Searching"),
        [searcher = searcher_, query = bar_->parsed().query, sorting = sorting_, answer, most,
         asSleeves = showsSleeves(), group = static_cast<library::SleeveGroup>(group_->currentIndex())](
            std::stop_token stop, work::Progress&) {
            QElapsedTimer clock;
            clock.start();
            library::RowSet rows = searcher->find(query, stop);
            for (library::Row row : searcher->ordered(rows, sorting))
                answer->ids.push_back(searcher->columns().ids[row]);
            if (asSleeves)
                answer->sleeves = library::sleevesOf(searcher->columns(), searcher->ordered(rows, {}), group);
            answer->nanoseconds = clock.nsecsElapsed();
            for (size_t i = 0; i < most.size() && !stop.stop_requested(); ++i) {
                FacetCounts& facet = answer->facets[i];
                library::Query other = library::withoutChosen(query, facet.key);
                bool all = facet.key == "missing"; // these are all to hold: their counts are of the result
                facet.values = searcher->facet(all ? rows : searcher->find(other, stop), facet.key, most[i],
                                               FacetPanel::missingKeys());
            }
            for (SavedSearch& s : answer->saved)
                s.count =
                    searcher
                        ->find(library::parseQuery(s.query, searcher->columns().customFields()).query, stop)
                        .count();
        },
        [this, run, answer] {
            if (run == run_)
                take(std::move(*answer));
        });
}

void LibraryPage::take(Answer answer) {
    std::vector<FileId> chosen =
        view_->selectionModel()->hasSelection() ? view_->chosenFiles() : std::vector<FileId>();
    const auto hits = static_cast<int>(answer.ids.size());
    const bool same = answer.ids == model_->files();
    model_->setFiles(std::move(answer.ids));
    const bool none = searcher_->size() == 0;
    stack_->setCurrentIndex(none ? 1 : showsSleeves() ? 2 : 0);
    if (showsSleeves())
        grid_->setSleeves(std::move(answer.sleeves), searcher_);
    makeRoom();
    facets_->show(bar_->parsed().query, bar_->text(), answer.saved, answer.facets);
    count_->setText(none ? QString()
                    : bar_->parsed().query.isEmpty()
                        ? tr("%n track(s)", "", hits)
                        : tr("%L1 of %L2 tracks \u00B7 %3")
                              .arg(hits)
                              .arg(searcher_->size())
                              .arg(answer.nanoseconds < 1000000
                                       ? tr("under 1 ms")
                                       : tr("%L1 ms").arg(answer.nanoseconds / 1000000)));
    if (!same && hits > 0) { // what was chosen stays chosen, where it still is
        QItemSelection again;
        std::set<FileId> wanted(chosen.begin(), chosen.end());
        for (int row = 0; row < hits && !wanted.empty() && chosen.size() < 2000; ++row)
            if (wanted.erase(model_->fileAt(row)))
                again.select(model_->index(row, 0), model_->index(row, 0));
        if (again.isEmpty())
            again.select(model_->index(0, 0), model_->index(0, 0));
        QModelIndex first = again.indexes().front();
        view_->selectionModel()->setCurrentIndex(first, QItemSelectionModel::NoUpdate);
        view_->selectionModel()->select(again,
                                        QItemSelectionModel::ClearAndSelect | QItemSelectionModel::Rows);
        view_->scrollTo(first);
    }
    send_->setEnabled(hits > 0);
    check_->setEnabled(hits > 0);
    showDetails();
    searched_ = true;
}

void LibraryPage::makeRoom() {
    const bool narrow = width() < 920; // the table and the question come first
    details_->setVisible(!narrow && searcher_ && searcher_->size() > 0);
    check_->setVisible(!narrow); // it is in the menu, too
}

void LibraryPage::resizeEvent(QResizeEvent* event) {
    QWidget::resizeEvent(event);
    makeRoom();
}

void LibraryPage::sortBy(int section, bool within) {
    const std::string key = sortColumn(model_->columns()[static_cast<size_t>(section)]);
    auto held =
        std::find_if(sorting_.begin(), sorting_.end(), [&](const auto& s) { return s.column == key; });
    bool up = held == sorting_.end() || !held->ascending;
    if (within && held != sorting_.end())
        held->ascending = up;
    else if (within)
        sorting_.push_back({key, true});
    else
        sorting_ = {{key, held == sorting_.begin() && held != sorting_.end() ? up : true}};
    QStringList stored;
    for (const library::SortBy& s : sorting_)
        stored << qs(s.column) + (s.ascending ? "+" : "-");
    QSettings().setValue("library/sorting", stored);
    showSorting();
    search();
}

void LibraryPage::showSorting() {
    std::vector<std::pair<int, bool>> sections;
    for (const library::SortBy& s : sorting_)
        for (size_t i = 0; i < model_->columns().size(); ++i)
            if (sortColumn(model_->columns()[i]) == s.column)
                sections.emplace_back(static_cast<int>(i), s.ascending);
    header_->setSorting(std::move(sections));
}

std::vector<SavedSearch> LibraryPage::savedSearches() const {
    std::vector<SavedSearch> out;
    const QJsonArray list = QJsonDocument::fromJson(session_.setting("searches").toUtf8()).array();
    for (const QJsonValue& v : list)
        out.push_back({ss(v[QLatin1String("name")].toString()), ss(v[QLatin1String("query")].toString()), 0});
    return out;
}

void LibraryPage::keepSearches(const std::vector<SavedSearch>& searches) {
    QJsonArray list;
    for (const SavedSearch& s : searches)
        list.append(QJsonObject{{"name", qs(s.name)}, {"query", qs(s.query)}});
    session_.setSetting("searches", QString::fromUtf8(QJsonDocument(list).toJson(QJsonDocument::Compact)));
    search();
}

void LibraryPage::askForName() {
    bool ok = false;
    QString name = QInputDialog::getText(this, tr("Save search"), tr("Name of the search"), QLineEdit::Normal,
                                         bar_->box()->text(), &ok);
    if (ok && !name.trimmed().isEmpty())
        saveSearch(name.trimmed());
}

void LibraryPage::saveSearch(const QString& name) {
    auto all = savedSearches();
    std::erase_if(all, [&](const SavedSearch& s) { return s.name == ss(name); });
    all.push_back({ss(name), bar_->text(), 0});
    keepSearches(all);
}

void LibraryPage::sendToBench() {
    session_.sendToBench(chosenFiles());
    emit benchWanted();
}

void LibraryPage::checkFiles() {
    std::vector<FileId> chosen = chosenFiles();
    bool some = chosen.size() > 1;
    if (!some)
        chosen = model_->files();
    CheckFilesDialog(session_, chosen,
                     some ? tr("the %n selected file(s)", "", static_cast<int>(chosen.size()))
                          : tr("the %n file(s) shown", "", static_cast<int>(chosen.size())),
                     this)
        .exec();
}

void LibraryPage::showDetails() {
    std::vector<FileId> chosen = chosenFiles();
    details_->showFile(chosen.empty() ? nullptr : session_.file(chosen.front()),
                       std::max(0, static_cast<int>(chosen.size()) - 1));
}

} // namespace moorfrost::app
