// SPDX-License-Identifier: GPL-3.0-or-later
// A line that searches the library for a track, with what it finds below.
#pragma once

#include <QLineEdit>
#include <QListWidget>

#include "app/control/library_index.h"

namespace moorfrost::app {

class TrackSearch : public QWidget {
    Q_OBJECT
public:
    explicit TrackSearch(LibraryIndex& index, const QString& placeholder, QWidget* parent = nullptr);
    QLineEdit* box() { return search_; }
    QListWidget* found() { return found_; }

signals:
    void chosen(moorfrost::library::FileId file);

protected:
    bool eventFilter(QObject* object, QEvent* event) override;

private:
    void look();
    void choose();

    LibraryIndex& index_;
    QLineEdit* search_;
    QListWidget* found_;
};

/// A list whose rows are tracks: title, and smaller below it who and where.
QListWidget* trackList(const QString& name);
QListWidgetItem* trackRow(FileId file, const QString& title, const QString& second);
FileId fileOf(const QListWidgetItem* row);

} // namespace moorfrost::app
