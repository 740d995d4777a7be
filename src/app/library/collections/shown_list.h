// SPDX-License-Identifier: GPL-3.0-or-later
// The list that the library shows, kept as it is in the library.
#pragma once

#include <QObject>

#include "app/control/collections_controller.h"

namespace moorfrost::app {

class ShownList : public QObject {
    Q_OBJECT
public:
    explicit ShownList(CollectionsController& collections);

    using Files = std::shared_ptr<const std::vector<FileId>>;

    /// 0: none. `changed` follows when it is read.
    void show(library::CollectionId list);
    library::CollectionId id() const { return id_; }
    /// Of each entry in order; 0 where nothing is known of any of its files. nullptr: no list is shown.
    const Files& files() const { return files_; }
    QString name() const;
    QString note() const;
    void add(const std::vector<FileId>& files, size_t at) { collections_.add(id_, files, at); }
    void remove(const std::vector<size_t>& places);
    void move(const std::vector<size_t>& places, size_t to);
    void order(const std::vector<size_t>& places);

signals:
    void changed();

private:
    void read();

    CollectionsController& collections_;
    library::CollectionId id_ = 0;
    Files files_;
    int run_ = 0; // what is read for another list is too late
};

} // namespace moorfrost::app
