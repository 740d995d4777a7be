// SPDX-License-Identifier: GPL-3.0-or-later
// What can be done with collections: their menus, and the dialogs that these lead to. Used by the library
// page.
#pragma once

#include <QObject>

#include "app/library/collections/collection_tree.h"

class QMenu;

namespace moorfrost::app {

class CollectionMenus : public QObject {
    Q_OBJECT
public:
    using Along = std::function<std::optional<std::vector<FileId>>(const std::vector<FileId>&)>;
    /// `query`: what is asked now; `files`: what is chosen; `nameOf`: what a file is called; `along`: with
    /// what goes along when files are put into a list.
    struct Sight {
        std::function<std::string()> query;
        std::function<std::vector<FileId>()> files;
        std::function<QString(FileId)> nameOf;
        Along along;
    };
    CollectionMenus(CollectionsController& collections, Messages& messages, CollectionTree* tree, Sight sight,
                    QWidget* window);

    /// Of the button above the tree: what can be made.
    void addNew(QMenu& menu);
    /// Of the one that is chosen in the tree.
    void showMenu(const QPoint& global);
    /// Lists to which these can be added, and a new one.
    void addAddTo(QMenu& menu, const std::vector<FileId>& files);
    void make(library::Collection::Kind kind, const std::vector<FileId>& files = {},
              library::CollectionId folder = 0);
    void saveSearch();
    void importPlaylist();
    void importPlaylist(const Path& file);
    /// Asks how, and writes it.
    void exportPlaylist(const QString& name, const std::vector<FileId>& files);
    void exportList(library::CollectionId list);
    void edit(library::CollectionId id);

signals:
    /// A new list, to be shown.
    void made(moorfrost::library::CollectionId id);

private:
    void addTo(library::CollectionId list, const std::vector<FileId>& files);
    void addLists(QMenu& menu, library::CollectionId folder, const std::vector<FileId>& files);

    CollectionsController& collections_;
    Messages& messages_;
    CollectionTree* tree_;
    Sight sight_;
    QWidget* window_;
};

} // namespace moorfrost::app
