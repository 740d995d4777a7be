// SPDX-License-Identifier: GPL-3.0-or-later
// What is to go out of the library: tracks in an order, or a release. All ways out are of the same.
#pragma once

#include <QObject>

#include "app/control/library_access.h"
#include "core/deliver/sheet_subject.h"

namespace moorfrost::app {

using library::FileId;

class Delivering : public QObject {
    Q_OBJECT
public:
    explicit Delivering(LibraryAccess& library);

    const deliver::SheetOf& of() const { return of_; }
    /// What a person would call it: the name of a list, what was searched for; "" where it goes by its
    /// tracks.
    const QString& name() const { return name_; }
    /// The last change was to something else altogether: no track of before is in it.
    bool isAnother() const { return another_; }
    void setOf(deliver::SheetOf of, const QString& name = {});
    /// At the end, those that are not in it yet; of a release behind its tracks, which are tracks from then
    /// on.
    void addSongs(const std::vector<FileId>& songs);
    /// The files in order; of a release those of its tracks.
    void withFiles(QObject* asker, std::function<void(std::vector<FileId>)> then);

signals:
    void changed();

private:
    LibraryAccess& library_;
    deliver::SheetOf of_;
    QString name_;
    bool another_ = true;
};

} // namespace moorfrost::app
