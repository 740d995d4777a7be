// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/library/collections/collection_menus.h"

#include <algorithm>
#include <set>

#include <QActionGroup>
#include <QFileDialog>
#include <QMenu>
#include <QPointer>
#include <QSettings>
#include <QStandardPaths>

#include "app/library/collections/collection_dialog.h"
#include "app/library/collections/playlist_export_dialog.h"
#include "app/library/collections/playlist_import_dialog.h"
#include "app/shell/text_utils.h"

namespace moorfrost::app {

using library::Collection;
using library::CollectionId;
using Kind = library::Collection::Kind;

namespace {
constexpr size_t mostListsInMenu = 40; // of a folder: the others are reached by dragging
}

CollectionMenus::CollectionMenus(CollectionsController& collections, Messages& messages, CollectionTree* tree,
                                 Sight sight, QWidget* window)
    : QObject(window), collections_(collections), messages_(messages), tree_(tree), sight_(std::move(sight)),
      window_(window) {
    connect(tree_, &CollectionTree::menuWanted, this, &CollectionMenus::showMenu);
    connect(tree_, &CollectionTree::addWanted, this, &CollectionMenus::addTo);
    connect(
        tree_, &CollectionTree::listWanted, this,
        [this](const std::vector<FileId>& files, CollectionId folder) { make(Kind::List, files, folder); });
}

void CollectionMenus::make(Kind kind, const std::vector<FileId>& files, CollectionId folder) {
    Collection fresh;
    fresh.kind = kind;
    if (kind == Kind::Search)
        fresh.query = sight_.query();
    if (kind == Kind::Search)
        fresh.name = fresh.query;
    CollectionDialog dialog(fresh,
                            kind == Kind::Folder ? tr("New folder")
                            : kind == Kind::List ? tr("New list")
                                                 : tr("Save search"),
                            window_);
    if (dialog.exec() != QDialog::Accepted)
        return;
    const auto all = sight_.along(files);
    if (!all)
        return;
    collections_.make(dialog.collection(), folder, *all,
                      [self = QPointer(this), isList = kind == Kind::List](CollectionId id) {
                          if (self && isList)
                              emit self->made(id);
                      });
}

void CollectionMenus::addTo(CollectionId list, const std::vector<FileId>& files) {
    if (const auto all = sight_.along(files))
        collections_.add(list, *all);
}

void CollectionMenus::saveSearch() {
    make(Kind::Search, {}, tree_->currentFolder());
}

void CollectionMenus::addNew(QMenu& menu) {
    const CollectionId folder = tree_->currentFolder();
    menu.addAction(tr("New list\u2026"), this, [this, folder] { make(Kind::List, {}, folder); });
    const std::vector<FileId> files = sight_.files();
    if (!files.empty())
        menu.addAction(tr("New list of %n chosen track(s)\u2026", "", static_cast<int>(files.size())), this,
                       [this, folder, files] { make(Kind::List, files, folder); });
    menu.addAction(tr("New folder\u2026"), this, [this, folder] { make(Kind::Folder, {}, folder); });
    menu.addAction(tr("Save this search\u2026"), this, [this, folder] { make(Kind::Search, {}, folder); })
        ->setEnabled(!sight_.query().empty());
    menu.addSeparator();
    menu.addAction(tr("Import playlist\u2026"), this, [this] { importPlaylist(); });
    menu.addSeparator();
    QMenu* order = menu.addMenu(tr("Order"));
    auto* one = new QActionGroup(order);
    const QStringList orders = {tr("As arranged here by all"), tr("My own order"), tr("By name"),
                                tr("Newest first")};
    for (int i = 0; i < orders.size(); ++i) {
        QAction* action = order->addAction(
            orders[i], this, [this, i] { tree_->setOrder(static_cast<CollectionTree::Order>(i)); });
        action->setCheckable(true);
        action->setChecked(static_cast<int>(tree_->order()) == i);
        one->addAction(action);
    }
}

void CollectionMenus::showMenu(const QPoint& global) {
    QMenu menu(window_);
    const CollectionId id = tree_->current();
    if (const Collection* c = collections_.tree().find(id)) {
        if (c->kind == Kind::List) {
            menu.addAction(tr("Show"), this, [this, id] { emit tree_->listChosen(id); });
            menu.addAction(tr("Export playlist\u2026"), this, [this, id] { exportList(id); });
            menu.addAction(tr("Another list of these tracks"), this, [this, id, c = *c] {
                collections_.read(this, id, [this, c](const library::ListView& view) {
                    Collection copy;
                    copy.kind = Kind::List;
                    copy.name = ss(tr("%1, copy").arg(qs(c.name)));
                    std::vector<FileId> files = view.files;
                    std::erase(files, FileId{0});
                    collections_.make(copy, tree_->currentFolder(), files);
                });
            });
        } else if (c->kind == Kind::Search) {
            menu.addAction(tr("Search"), this, [this, id] { emit tree_->searchChosen(id); });
        }
        menu.addAction(tr("Rename\tF2"), tree_, &CollectionTree::rename);
        menu.addAction(tr("Properties\u2026"), this, [this, id] { edit(id); });
        menu.addSeparator();
        menu.addAction(c->kind == Kind::Folder ? tr("Remove with all that is in it\tDel")
                                               : tr("Remove from here\tDel"),
                       tree_, &CollectionTree::removeCurrent);
        menu.addSeparator();
    }
    addNew(menu);
    menu.exec(global);
}

void CollectionMenus::addLists(QMenu& menu, CollectionId folder, const std::vector<FileId>& files) {
    const library::CollectionTree& tree = collections_.tree();
    size_t shown = 0;
    for (const CollectionId id : tree.in(folder)) {
        const Collection* c = tree.find(id);
        if (!c || c->kind == Kind::Search || ++shown > mostListsInMenu)
            continue;
        QString name = qs(c->name);
        name.replace('&', "&&");
        if (c->kind == Kind::Folder)
            addLists(*menu.addMenu(name), id, files);
        else
            menu.addAction(name, this, [this, id, files] { addTo(id, files); });
    }
}

void CollectionMenus::addAddTo(QMenu& menu, const std::vector<FileId>& files) {
    QMenu* to = menu.addMenu(tr("Add to list"));
    addLists(*to, 0, files);
    to->addSeparator();
    to->addAction(tr("New list\u2026"), this, [this, files] { make(Kind::List, files, 0); });
}

void CollectionMenus::edit(CollectionId id) {
    const Collection* c = collections_.tree().find(id);
    if (!c)
        return;
    CollectionDialog dialog(*c, qs(c->name), window_);
    if (dialog.exec() == QDialog::Accepted)
        collections_.change(dialog.collection());
}

void CollectionMenus::exportList(CollectionId list) {
    const Collection* c = collections_.tree().find(list);
    if (!c)
        return;
    collections_.read(this, list, [this, name = qs(c->name)](const library::ListView& view) {
        std::vector<FileId> files = view.files;
        std::erase(files, FileId{0});
        exportPlaylist(name, files);
    });
}

void CollectionMenus::exportPlaylist(const QString& name, const std::vector<FileId>& files) {
    if (files.empty())
        return messages_.say(tr("There is nothing to export: the list is empty."));
    collections_.pathOf(this, files.front(), [this, name, files](const Path& first) {
        PlaylistExportDialog dialog(name, files.size(), first, window_);
        if (dialog.exec() == QDialog::Accepted)
            collections_.exportPlaylist(name, files, dialog.file(), dialog.style());
    });
}

void CollectionMenus::importPlaylist() {
    const QString folder =
        QSettings()
            .value("playlists/folder", QStandardPaths::writableLocation(QStandardPaths::MusicLocation))
            .toString();
    const QString file = QFileDialog::getOpenFileName(window_, tr("Import playlist"), folder,
                                                      tr("Playlists (*.m3u8 *.m3u *.xspf);;All files (*)"));
    if (!file.isEmpty())
        importPlaylist(Path(ss(file)));
}

void CollectionMenus::importPlaylist(const Path& file) {
    collections_.readPlaylist(this, file, [this, file](const Result<CollectionsController::Import>& import) {
        if (!import) {
            if (import.error().kind != ErrorKind::Cancelled)
                messages_.say(import.error());
            return;
        }
        if (import->matches.empty())
            return messages_.say(tr("\u201C%1\u201D has no entries.").arg(shownName(file)), true);
        std::map<FileId, QString> names;
        for (const library::PlaylistMatch& m : import->matches) {
            if (m.file != 0)
                names[m.file] = sight_.nameOf(m.file);
            for (const FileId id : m.candidates)
                names[id] = sight_.nameOf(id);
        }
        QString name = qs(import->playlist.title);
        if (name.isEmpty())
            name = shownName(file.stem());
        PlaylistImportDialog dialog(*import, std::move(names), name, window_);
        if (dialog.exec() != QDialog::Accepted)
            return;
        Collection list;
        list.kind = Kind::List;
        list.name = ss(dialog.name());
        collections_.make(list, tree_->currentFolder(), dialog.files(),
                          [self = QPointer(this)](CollectionId id) {
                              if (self)
                                  emit self->made(id);
                          });
    });
}

} // namespace moorfrost::app
