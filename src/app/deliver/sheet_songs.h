// SPDX-License-Identifier: GPL-3.0-or-later
// What a sheet is of: its songs in order, and a search that puts more on it.
#pragma once

#include <QLineEdit>
#include <QListWidget>

#include "app/control/library_index.h"
#include "core/deliver/sheet_subject.h"

class QLabel;

namespace moorfrost::app {

class SheetSongs : public QWidget {
    Q_OBJECT
public:
    explicit SheetSongs(LibraryIndex& index, QWidget* parent = nullptr);
    /// `of` what the sheet is to be, with the names that are known of it.
    void show(const deliver::SheetOf& of, const deliver::SheetSubject* subject);
    QLineEdit* searchBox() { return search_; }
    QListWidget* found() { return found_; }
    QListWidget* songs() { return songs_; }

signals:
    /// Another order, or fewer of them.
    void changed(const std::vector<moorfrost::library::FileId>& songs);
    void added(const std::vector<moorfrost::library::FileId>& songs);

protected:
    bool eventFilter(QObject* object, QEvent* event) override;

private:
    void look();
    void addFound();
    void removeChosen();
    void tell();

    LibraryIndex& index_;
    QLineEdit* search_;
    QListWidget *found_, *songs_;
    QLabel *caption_, *none_;
    bool isRelease_ = false;
};

} // namespace moorfrost::app
