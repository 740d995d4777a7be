// SPDX-License-Identifier: GPL-3.0-or-later
// What a sheet is of: its songs in order, and a search that puts more on it.
#pragma once

#include "app/deliver/track_search.h"
#include "core/deliver/sheet_subject.h"

class QLabel;

namespace moorfrost::app {

class SheetSongs : public QWidget {
    Q_OBJECT
public:
    explicit SheetSongs(LibraryIndex& index, QWidget* parent = nullptr);
    /// `of` what the sheet is to be, with the names that are known of it.
    void show(const deliver::SheetOf& of, const deliver::SheetSubject* subject);
    QLineEdit* searchBox() { return search_->box(); }
    QListWidget* found() { return search_->found(); }
    QListWidget* songs() { return songs_; }

signals:
    /// Another order, or fewer of them.
    void changed(const std::vector<moorfrost::library::FileId>& songs);
    void added(const std::vector<moorfrost::library::FileId>& songs);

protected:
    bool eventFilter(QObject* object, QEvent* event) override;

private:
    void removeChosen();
    void tell();

    LibraryIndex& index_;
    TrackSearch* search_;
    QListWidget* songs_;
    QLabel *caption_, *none_, *more_;
    std::vector<FileId> rest_; // beyond those that are listed
    bool isRelease_ = false;
};

} // namespace moorfrost::app
