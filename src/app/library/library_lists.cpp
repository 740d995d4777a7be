// SPDX-License-Identifier: GPL-3.0-or-later
// The library page's side of collections: the panel at the side, the list that is shown, what is done in it.
#include <QMenu>
#include <QShortcut>
#include <QSplitter>
#include <QStackedWidget>
#include <QVBoxLayout>

#include "app/library/collections/collection_menus.h"
#include "app/library/collections/list_line.h"
#include "app/library/collections/shown_list.h"
#include "app/library/library_page.h"
#include "app/library/same_sound_page.h"
#include "app/library/sleeve_grid.h"
#include "app/library/track_model.h"
#include "app/shell/text_utils.h"
#include "app/widgets/controls.h"

namespace moorfrost::app {

using library::Collection;
using library::CollectionId;

QWidget* LibraryPage::sidePanel() {
    auto* add = iconButton("plus", tr("New list, folder or saved search"));
    auto* head = new QHBoxLayout;
    head->setContentsMargins(14, 6, 8, 0);
    head->addWidget(label(tr("Collections"), "caption"));
    head->addStretch();
    head->addWidget(add);
    auto* top = new QWidget;
    auto* above = new QVBoxLayout(top);
    above->setContentsMargins(0, 0, 0, 4);
    above->setSpacing(2);
    above->addLayout(head);
    above->addWidget(collections_, 1);
    auto* more = button(tr("Facets\u2026"), "flat");
    more->setToolTip(tr("Choose what to narrow by"));
    connect(more, &QPushButton::clicked, this,
            [this, more] { facets_->chooseFacets(more->mapToGlobal(QPoint(0, more->height()))); });
    auto* bottom = new QWidget;
    auto* below = new QVBoxLayout(bottom);
    below->setContentsMargins(0, 4, 0, 6);
    below->setSpacing(0);
    below->addWidget(facets_, 1);
    auto* foot = new QHBoxLayout;
    foot->setContentsMargins(8, 0, 8, 0);
    foot->addWidget(more);
    foot->addStretch();
    below->addLayout(foot);
    auto* side = new QSplitter(Qt::Vertical);
    side->setObjectName("panel");
    side->addWidget(top);
    side->addWidget(bottom);
    side->setStretchFactor(1, 1);
    side->setCollapsible(1, false);
    side->setSizes({178, 520});
    remember(side, "library/side");
    menus_ = new CollectionMenus(use_.collections, use_.messages, collections_,
                                 {[this] { return bar_->text(); }, [this] { return chosenFiles(); },
                                  [this](FileId id) {
                                      const auto row = searcher_ ? searcher_->rowOf(id) : std::nullopt;
                                      if (!row)
                                          return QString();
                                      const QString title = qs(searcher_->text(*row, "title")),
                                                    artist = qs(searcher_->text(*row, "artist"));
                                      return title.isEmpty()    ? shownName(searcher_->pathOf(*row))
                                             : artist.isEmpty() ? title
                                                                : tr("%1 \u00B7 %2").arg(title, artist);
                                  },
                                  [this](const std::vector<FileId>& files) { return alongWith(files); }},
                                 this);
    connect(add, &QToolButton::clicked, this, [this, add] {
        QMenu menu(this);
        menus_->addNew(menu);
        menu.exec(add->mapToGlobal(QPoint(0, add->height())));
    });
    return side;
}

QWidget* LibraryPage::tracksPanel() {
    auto* panel = new QWidget;
    auto* layout = new QVBoxLayout(panel);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addWidget(listLine_);
    layout->addWidget(stack_, 1);
    listLine_->hide();
    return panel;
}

void LibraryPage::connectCollections() {
    view_->setDragEnabled(true);
    view_->setAcceptDrops(true);
    view_->setDragDropMode(QAbstractItemView::DragDrop);
    view_->setDragDropOverwriteMode(false);
    view_->setDropIndicatorShown(true);
    connect(&use_.collections, &CollectionsController::changed, this, &LibraryPage::search);
    connect(menus_, &CollectionMenus::made, this, &LibraryPage::showList);
    connect(collections_, &CollectionTree::listChosen, this,
            [this](CollectionId list) { showList(list == list_->id() ? 0 : list); });
    connect(collections_, &CollectionTree::searchChosen, this, [this](CollectionId id) {
        const Collection* search = use_.collections.tree().find(id);
        if (!search)
            return;
        const bool again = list_->id() == 0 && bar_->text() == search->query;
        list_->show(0);
        bar_->setText(again ? std::string() : search->query);
    });
    connect(list_, &ShownList::changed, this, [this] {
        showListLine();
        showSorting();
        search();
    });
    connect(listLine_, &ListLine::closeWanted, this, [this] { showList(0); });
    connect(listLine_, &ListLine::exportWanted, this, &LibraryPage::exportPlaylist);
    connect(listLine_, &ListLine::byHandWanted, this, [this] {
        listSorting_.clear();
        showSorting();
        search();
    });
    connect(listLine_, &ListLine::keepOrderWanted, this, [this] {
        if (!shown_.query.isEmpty() || model_->places().size() != totals_.count)
            return use_.messages.say(
                tr("Only a part of the list is shown. Empty the search first: then its order can be kept."),
                true);
        list_->order(model_->places());
        listSorting_.clear();
        showSorting();
    });
    connect(model_, &TrackModel::dropped, this,
            [this](int row, const std::vector<FileId>& files, const std::vector<size_t>& places) {
                if (!list_->files())
                    return;
                const auto& shown = model_->places();
                const size_t to =
                    static_cast<size_t>(row) < shown.size() ? shown[static_cast<size_t>(row)] : SIZE_MAX;
                if (!places.empty())
                    list_->move(places, to);
                else if (const auto all = alongWith(files))
                    list_->add(*all, to);
            });
    auto key = [this](const QKeySequence& keys, auto slot) {
        auto* shortcut = new QShortcut(keys, view_);
        shortcut->setContext(Qt::WidgetShortcut);
        connect(shortcut, &QShortcut::activated, this, slot);
    };
    key(QKeySequence(Qt::Key_Delete), [this] { removeFromList(); });
    key(QKeySequence(Qt::ALT | Qt::Key_Up), [this] { moveInList(-1); });
    key(QKeySequence(Qt::ALT | Qt::Key_Down), [this] { moveInList(1); });
    key(QKeySequence(Qt::Key_Escape), [this] { showList(0); });
}

void LibraryPage::showList(CollectionId list) {
    if (list != 0 && list != list_->id()) {
        listSorting_.clear();
        list_->show(list);
        if (!bar_->text().empty())
            bar_->setText({});
        if (showsSleeves() || same_->isChecked())
            showAs(false);
    } else if (list == 0) {
        list_->show(0);
    }
}

CollectionId LibraryPage::shownList() const {
    return list_->files() ? list_->id() : 0;
}

QString LibraryPage::sightName() const {
    if (list_->id() != 0)
        return list_->name();
    const QString asked = qs(bar_->text()).simplified();
    return asked.isEmpty() ? QString() : tr("Search: %1").arg(asked);
}

std::vector<FileId> LibraryPage::filesInSight() const {
    std::vector<FileId> out;
    const auto& searcher = model_->searcher();
    if (same_->isChecked())
        return sameSound_->files();
    if (showsSleeves()) // sleeve by sleeve
        for (const library::LibrarySleeve& sleeve : grid_->sleeves())
            for (const library::Row row : sleeve.rows)
                out.push_back(searcher->idOf(row));
    else
        for (const library::Row row : model_->rows())
            out.push_back(searcher->idOf(row));
    return out;
}

void LibraryPage::showFile(FileId id) {
    const auto row = model_->searcher() ? model_->searcher()->rowOf(id) : std::nullopt;
    if (!row)
        return;
    if (same_->isChecked() || showsSleeves())
        showAs(false);
    if (const auto lead = fold_.leadOf(*row); lead && !fold_.isOpen(*lead))
        if (const auto at = std::ranges::find(model_->rows(), *lead); at != model_->rows().end())
            turnFamily(static_cast<int>(at - model_->rows().begin()));
    const auto at = std::ranges::find(model_->rows(), *row);
    if (at == model_->rows().end()) {
        // It is looked for in the whole library when that is shown.
        wanted_ = id;
        list_->show(0);
        bar_->setText({});
        search();
        return;
    }
    wanted_ = 0;
    const QModelIndex index = model_->index(static_cast<int>(at - model_->rows().begin()), 0);
    view_->selectionModel()->setCurrentIndex(index,
                                             QItemSelectionModel::ClearAndSelect | QItemSelectionModel::Rows);
    view_->scrollTo(index, QAbstractItemView::PositionAtCenter);
}

void LibraryPage::showListLine() {
    const bool on = list_->files() != nullptr;
    listLine_->setVisible(on);
    if (!on)
        return;
    listLine_->show(list_->name(), list_->note(), totals_);
    listLine_->setSorted(!listSorting_.empty());
}

std::vector<size_t> LibraryPage::chosenPlaces() const {
    std::vector<size_t> out;
    if (showsSleeves() || !list_->files() || shown_.list != list_->files())
        return out;
    for (const auto& [from, to] : view_->chosenRows())
        for (int row = from; row <= to && static_cast<size_t>(row) < model_->places().size(); ++row) {
            out.push_back(model_->places()[static_cast<size_t>(row)]);
            // What is under a closed lead goes with it.
            const auto under = fold_.hidden(model_->rows()[static_cast<size_t>(row)]).places;
            out.insert(out.end(), under.begin(), under.end());
        }
    return out;
}

void LibraryPage::removeFromList() {
    if (list_->files())
        list_->remove(chosenPlaces());
}

void LibraryPage::moveInList(int by) {
    const std::vector<size_t> places = chosenPlaces();
    if (places.empty())
        return;
    if (!listSorting_.empty())
        return use_.messages.say(
            tr("The list is sorted by a column. Show it as arranged first, then tracks can be moved."));
    // Past what is shown before or behind them, with all that is under it.
    const std::vector<size_t>& shown = model_->places();
    const auto first = std::ranges::find(shown, places.front());
    if (by < 0) {
        if (first != shown.begin() && first != shown.end())
            list_->move(places, *std::prev(first));
        else if (first == shown.begin() && places.front() > 0)
            list_->move(places, places.front() - 1);
        return;
    }
    const auto last = std::ranges::find_if(shown, [&](size_t place) { return place > places.back(); });
    if (last != shown.end())
        list_->move(places, std::next(last) == shown.end() ? totals_.count : *std::next(last));
    else if (places.back() + 1 < totals_.count)
        list_->move(places, places.back() + 2);
}

void LibraryPage::exportPlaylist() {
    if (list_->files())
        menus_->exportList(list_->id());
    else if (const auto files = alongWith(chosenFiles()))
        menus_->exportPlaylist(tr("Playlist"), *files);
}

std::vector<SavedSearch> LibraryPage::savedSearches() const {
    std::vector<SavedSearch> out;
    for (const auto& [id, c] : use_.collections.tree().all)
        if (c.kind == Collection::Kind::Search)
            out.push_back({id, c.query, 0});
    return out;
}

} // namespace moorfrost::app
