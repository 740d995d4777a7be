// SPDX-License-Identifier: GPL-3.0-or-later
// What was delivered before, as the library keeps it: what, to whom, when, in which form, and what came back.
#pragma once

#include <QObject>

#include "app/control/delivering.h"
#include "app/control/library_access.h"
#include "core/deliver/delivered.h"

namespace moorfrost::app {

class Deliveries : public QObject {
    Q_OBJECT
public:
    explicit Deliveries(LibraryAccess& library);

    /// The latest first.
    const std::vector<library::Delivery>& all() const { return all_; }
    void load();
    /// Something went out: these files, now.
    void note(library::Delivery delivery, std::vector<FileId> files);
    void setState(int64_t id, const std::string& state);
    void forget(int64_t id);
    /// What of it has changed since, and its tracks.
    void since(QObject* asker, int64_t id, std::function<void(deliver::DeliveredSince)> then);
    void notes(QObject* asker, int64_t id, std::function<void(std::vector<library::DeliveryNote>)> then);
    /// What came back; `then`: how many are new.
    void addNotes(int64_t id, std::vector<library::DeliveryNote> notes, std::function<void(size_t)> then);

signals:
    void changed();
    /// A file or folder was made.
    void made(const Path& target);

private:
    LibraryAccess& library_;
    std::vector<library::Delivery> all_;
};

} // namespace moorfrost::app
