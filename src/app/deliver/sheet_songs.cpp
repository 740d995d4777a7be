// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/deliver/sheet_songs.h"

#include <QAbstractItemModel>
#include <QKeyEvent>
#include <QLabel>
#include <QVBoxLayout>

#include <algorithm>

#include "app/shell/text_utils.h"
#include "app/widgets/controls.h"
#include "app/widgets/two_lines.h"

namespace moorfrost::app {

namespace {

constexpr size_t mostFound = 40;
constexpr int FileRole = Qt::UserRole + 1;

QListWidgetItem* rowOf(FileId file, const QString& title, const QString& second) {
    auto* row = new QListWidgetItem(title);
    row->setData(FileRole, QVariant::fromValue<qlonglong>(file));
    row->setData(TwoLineDelegate::SecondRole, second);
    row->setToolTip(second.isEmpty() ? title : title + "\n" + second);
    return row;
}

FileId fileOf(const QListWidgetItem* row) {
    return row->data(FileRole).toLongLong();
}

QListWidget* twoLineList(const QString& name) {
    auto* list = new QListWidget;
    list->setFrameShape(QFrame::NoFrame);
    list->setItemDelegate(new TwoLineDelegate(Qt::ElideRight, list));
    list->setUniformItemSizes(true);
    list->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    list->setAccessibleName(name);
    return list;
}

} // namespace

SheetSongs::SheetSongs(LibraryIndex& index, QWidget* parent) : QWidget(parent), index_(index) {
    search_ = new QLineEdit;
    search_->setPlaceholderText(tr("Add songs: title, artist \u2026"));
    search_->setAccessibleName(tr("Search the library for songs to add"));
    search_->setClearButtonEnabled(true);
    found_ = twoLineList(tr("Songs that were found"));
    songs_ = twoLineList(tr("Songs on the sheet"));
    songs_->setSelectionMode(QAbstractItemView::ExtendedSelection);
    songs_->setDefaultDropAction(Qt::MoveAction);
    caption_ = label(tr("Songs on the sheet"), "caption");
    none_ = label(tr("None yet. Search above, or choose tracks in the Library or an edition in Releases and "
                     "press Ctrl+Alt+S."),
                  "quiet");
    none_->setWordWrap(true);
    none_->setContentsMargins(14, 4, 10, 0);
    auto* searching = new QHBoxLayout;
    searching->setContentsMargins(12, 10, 12, 6);
    searching->addWidget(search_);
    auto* captions = new QHBoxLayout;
    captions->setContentsMargins(14, 6, 12, 4);
    captions->addWidget(caption_);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addLayout(searching);
    layout->addWidget(found_, 1);
    layout->addLayout(captions);
    layout->addWidget(none_);
    layout->addWidget(songs_, 1);
    layout->addStretch();
    found_->hide();
    stepThrough(search_, found_);
    connect(search_, &QLineEdit::textChanged, this, &SheetSongs::look);
    connect(search_, &QLineEdit::returnPressed, this, &SheetSongs::addFound);
    connect(found_, &QListWidget::itemClicked, this, &SheetSongs::addFound);
    connect(found_, &QListWidget::itemActivated, this, &SheetSongs::addFound);
    // After the drop: the list is filled anew by what is told.
    connect(songs_->model(), &QAbstractItemModel::rowsMoved, this, &SheetSongs::tell, Qt::QueuedConnection);
    songs_->installEventFilter(this);
    search_->installEventFilter(this);
}

void SheetSongs::show(const deliver::SheetOf& of, const deliver::SheetSubject* subject) {
    isRelease_ = of.songs.empty() && !of.isEmpty();
    caption_->setText(isRelease_ ? tr("Tracks of the release") : tr("Songs on the sheet"));
    const FileId current = songs_->currentItem() ? fileOf(songs_->currentItem()) : 0;
    std::vector<FileId> chosen;
    for (const QListWidgetItem* row : songs_->selectedItems())
        chosen.push_back(fileOf(row));
    songs_->clear();
    auto add = [&](FileId file, const QString& title, const QString& second) {
        QListWidgetItem* row = rowOf(file, title, second);
        songs_->addItem(row);
        if (file == current && file != 0)
            songs_->setCurrentItem(row, QItemSelectionModel::NoUpdate);
        row->setSelected(std::ranges::find(chosen, file) != chosen.end());
    };
    auto songOf = [&](FileId file) -> const deliver::SheetSong* {
        if (subject)
            for (const deliver::SheetSong& song : subject->songs)
                if (song.file == file)
                    return &song;
        return nullptr;
    };
    auto inLibrary = [this](FileId file, const char* field) {
        if (const auto searcher = index_.searcher())
            if (const auto row = searcher->rowOf(file))
                return qs(searcher->text(*row, field));
        return QString();
    };
    if (isRelease_) {
        if (subject)
            for (const deliver::SheetSong& song : subject->songs)
                add(song.file, qs(song.position + "  " + song.title), qs(song.artist));
    } else {
        for (const FileId file : of.songs)
            if (const deliver::SheetSong* song = songOf(file))
                add(file, qs(song->title), qs(song->artist));
            else if (const QString title = inLibrary(file, "title"); !title.isEmpty()) // it is being read
                add(file, title, inLibrary(file, "artist"));
            else
                add(file, subject ? tr("not in the library any more") : QString("\u2026"), {});
    }
    songs_->setDragDropMode(isRelease_ ? QAbstractItemView::NoDragDrop : QAbstractItemView::InternalMove);
    none_->setVisible(of.isEmpty());
    songs_->setVisible(!of.isEmpty());
}

void SheetSongs::look() {
    found_->clear();
    const QString words = search_->text().trimmed();
    const auto searcher = index_.searcher();
    found_->setVisible(!words.isEmpty());
    if (words.isEmpty() || !searcher)
        return;
    const library::ParsedQuery asked = library::parseQuery(ss(words), searcher->customFields());
    for (const library::Row row :
         searcher->ordered(searcher->find(asked.query), {{"title", true}}, mostFound)) {
        const QString title = qs(searcher->text(row, "title"));
        QStringList second;
        for (const char* key : {"artist", "album"})
            if (const QString one = qs(searcher->text(row, key)); !one.isEmpty())
                second << one;
        found_->addItem(rowOf(searcher->idOf(row), title.isEmpty() ? shownName(searcher->pathOf(row)) : title,
                              second.join(" \u00B7 ")));
    }
    if (found_->count() > 0)
        found_->setCurrentRow(0);
}

void SheetSongs::addFound() {
    if (!found_->currentItem())
        return;
    const FileId file = fileOf(found_->currentItem());
    search_->clear();
    search_->setFocus();
    emit added({file});
}

void SheetSongs::tell() {
    std::vector<FileId> songs;
    for (int i = 0; i < songs_->count(); ++i)
        songs.push_back(fileOf(songs_->item(i)));
    emit changed(songs);
}

void SheetSongs::removeChosen() {
    if (isRelease_)
        return;
    std::vector<FileId> songs;
    for (int i = 0; i < songs_->count(); ++i)
        if (!songs_->item(i)->isSelected())
            songs.push_back(fileOf(songs_->item(i)));
    emit changed(songs);
}

bool SheetSongs::eventFilter(QObject* object, QEvent* event) {
    if (event->type() == QEvent::KeyPress) {
        const auto* key = static_cast<QKeyEvent*>(event);
        if (object == songs_ && key->key() == Qt::Key_Delete) {
            removeChosen();
            return true;
        }
        const bool moves = key->key() == Qt::Key_Up || key->key() == Qt::Key_Down;
        if (object == songs_ && moves && key->modifiers() == Qt::AltModifier && !isRelease_) {
            const int from = songs_->currentRow(), to = from + (key->key() == Qt::Key_Up ? -1 : 1);
            if (from >= 0 && to >= 0 && to < songs_->count()) {
                songs_->insertItem(to, songs_->takeItem(from));
                songs_->setCurrentRow(to);
                tell();
            }
            return true;
        }
        if (object == search_ && key->key() == Qt::Key_Escape && !search_->text().isEmpty()) {
            search_->clear();
            return true;
        }
    }
    return QWidget::eventFilter(object, event);
}

} // namespace moorfrost::app
