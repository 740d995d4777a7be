// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/library/collections/shown_list.h"

#include "app/shell/text_utils.h"

namespace moorfrost::app {

ShownList::ShownList(CollectionsController& collections) : collections_(collections) {
    connect(&collections_, &CollectionsController::changed, this, [this] {
        if (id_ == 0)
            return;
        if (collections_.tree().find(id_))
            read();
        else
            show(0); // it is no more
    });
}

void ShownList::show(library::CollectionId list) {
    ++run_;
    id_ = list;
    if (list != 0) {
        read();
        return;
    }
    if (files_) {
        files_.reset();
        emit changed();
    }
}

void ShownList::read() {
    const int run = ++run_;
    collections_.read(this, id_, [this, run](library::ListView view) {
        if (run != run_)
            return;
        files_ = std::make_shared<const std::vector<FileId>>(std::move(view.files));
        emit changed();
    });
}

QString ShownList::name() const {
    const library::Collection* list = collections_.tree().find(id_);
    return list ? qs(list->name) : QString();
}

QString ShownList::note() const {
    const library::Collection* list = collections_.tree().find(id_);
    return list ? qs(list->note) : QString();
}

void ShownList::remove(const std::vector<size_t>& places) {
    if (id_ != 0 && !places.empty())
        collections_.removeFrom(id_, places);
}

void ShownList::move(const std::vector<size_t>& places, size_t to) {
    if (id_ != 0 && !places.empty())
        collections_.moveIn(id_, places, to);
}

void ShownList::order(const std::vector<size_t>& places) {
    if (id_ != 0)
        collections_.order(id_, places);
}

} // namespace moorfrost::app
