// SPDX-License-Identifier: GPL-3.0-or-later
// The collections at the side of the library: folders, lists, searches that are kept, in one order for all or
// in one of one's own. Tracks are dropped on lists; collections are dragged to other places, with Ctrl they
// stand in both.
#pragma once

#include <QTreeWidget>

#include "app/control/collections_controller.h"

namespace moorfrost::app {

class CollectionTree : public QTreeWidget {
    Q_OBJECT
public:
    /// ByHand: as it is for everyone who uses this library. Own: as the person at this computer dragged it.
    enum class Order { ByHand, Own, ByName, NewestFirst };

    explicit CollectionTree(CollectionsController& collections, QWidget* parent = nullptr);

    Order order() const { return order_; }
    void setOrder(Order order);
    /// The list in sight, or the question that is asked: marked as chosen.
    void setShown(library::CollectionId list, const std::string& query);
    /// How many tracks a search finds.
    void setFound(const std::map<library::CollectionId, size_t>& counts);
    /// What is chosen here; 0: nothing.
    library::CollectionId current() const;
    library::CollectionId currentFolder() const;             // that it stands in, or that it is
    QTreeWidgetItem* itemOf(library::CollectionId id) const; // nullptr: it stands nowhere
    void rename();
    void removeCurrent();

signals:
    void listChosen(moorfrost::library::CollectionId list);
    void searchChosen(moorfrost::library::CollectionId search);
    void menuWanted(const QPoint& global);
    /// Tracks were dropped on a list; beside all lists, into a folder: a list is to be made of them.
    void addWanted(moorfrost::library::CollectionId list, const std::vector<moorfrost::app::FileId>& files);
    void listWanted(const std::vector<moorfrost::app::FileId>& files,
                    moorfrost::library::CollectionId folder);

protected:
    QStringList mimeTypes() const override;
    QMimeData* mimeData(const QList<QTreeWidgetItem*>& items) const override;
    Qt::DropActions supportedDropActions() const override { return Qt::CopyAction | Qt::MoveAction; }
    void dragMoveEvent(QDragMoveEvent* event) override;
    void dropEvent(QDropEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void contextMenuEvent(QContextMenuEvent* event) override;

private:
    struct Place {
        library::CollectionId folder = 0, on = 0; // `on`: right on that one
        size_t position = 0;
    };
    Place placeAt(const QPoint& pos) const;
    void fill();
    void fill(QTreeWidgetItem* under, library::CollectionId folder);
    std::vector<library::CollectionId> arranged(library::CollectionId folder) const;
    void activate(QTreeWidgetItem* item);
    void mark();

    CollectionsController& collections_;
    Order order_ = Order::ByHand;
    library::CollectionId shown_ = 0;
    std::string query_;
    std::map<library::CollectionId, size_t> found_;
    bool filling_ = false;
};

} // namespace moorfrost::app
