// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/deliveries.h"

#include <QDateTime>

namespace moorfrost::app {

using library::DeliveryTable;
using library::Store;

Deliveries::Deliveries(LibraryAccess& library) : library_(library) {}

void Deliveries::load() {
    library_.read(
        this, [](Store& store) { return DeliveryTable(store.database()).all(); },
        [this](Result<std::vector<library::Delivery>> all) {
            if (!all)
                return;
            all_ = std::move(*all);
            emit changed();
        });
}

void Deliveries::note(library::Delivery delivery, std::vector<FileId> files) {
    delivery.when = QDateTime::currentSecsSinceEpoch();
    if (!delivery.target.empty())
        emit made(delivery.target);
    library_.write(
        this,
        [delivery, files = std::move(files)](Store& store) {
            return DeliveryTable(store.database()).add(delivery, deliver::itemsNow(store, files));
        },
        [this](const Result<int64_t>&) { load(); });
}

void Deliveries::setState(int64_t id, const std::string& state) {
    library_.write(
        this,
        [id, state](Store& store) {
            DeliveryTable(store.database()).setState(id, state);
            return Done{};
        },
        [this](const Result<Done>&) { load(); });
}

void Deliveries::forget(int64_t id) {
    library_.write(
        this,
        [id](Store& store) {
            DeliveryTable(store.database()).remove(id);
            return Done{};
        },
        [this](const Result<Done>&) { load(); });
}

void Deliveries::since(QObject* asker, int64_t id, std::function<void(deliver::DeliveredSince)> then) {
    library_.read(
        asker, [id](Store& store) { return deliver::since(store, id); },
        [then](Result<deliver::DeliveredSince> since) {
            if (since)
                then(std::move(*since));
        });
}

void Deliveries::notes(QObject* asker, int64_t id,
                       std::function<void(std::vector<library::DeliveryNote>)> then) {
    library_.read(
        asker, [id](Store& store) { return DeliveryTable(store.database()).notes(id); },
        [then](Result<std::vector<library::DeliveryNote>> notes) {
            if (notes)
                then(std::move(*notes));
        });
}

void Deliveries::addNotes(int64_t id, std::vector<library::DeliveryNote> notes,
                          std::function<void(size_t)> then) {
    library_.write(
        this,
        [id, notes = std::move(notes)](Store& store) {
            return DeliveryTable(store.database()).addNotes(id, notes);
        },
        [this, then](const Result<size_t>& added) {
            load();
            if (added)
                then(*added);
        });
}

} // namespace moorfrost::app
