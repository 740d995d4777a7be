// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/deliver/sheet_songs.h"

#include <QAbstractItemModel>
#include <QKeyEvent>
#include <QLabel>
#include <QVBoxLayout>

#include <algorithm>
#include <span>

#include "app/shell/text_utils.h"
#include "app/widgets/controls.h"

namespace moorfrost::app {

namespace {

constexpr size_t mostListed = 500;

} // namespace

SheetSongs::SheetSongs(LibraryIndex& index, QWidget* parent) : QWidget(parent), index_(index) {
    search_ = new TrackSearch(index, tr("Add tracks: title, artist \u2026"));
    songs_ = trackList(tr("Tracks that go out"));
    songs_->setSelectionMode(QAbstractItemView::ExtendedSelection);
    songs_->setDefaultDropAction(Qt::MoveAction);
    more_ = label({}, "quiet");
    more_->setContentsMargins(14, 4, 10, 6);
    more_->hide();
    caption_ = new ShortLabel(tr("Tracks that go out"));
    caption_->setObjectName("caption");
    none_ = label(tr("None yet. Search above, or choose tracks in the Library or an edition in Releases and "
                     "press Ctrl+Alt+S."),
                  "quiet");
    none_->setWordWrap(true);
    none_->setContentsMargins(14, 4, 10, 0);
    auto* captions = new QHBoxLayout;
    captions->setContentsMargins(14, 6, 12, 4);
    captions->addWidget(caption_);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addWidget(search_, 1);
    layout->addLayout(captions);
    layout->addWidget(none_);
    layout->addWidget(songs_, 1);
    layout->addWidget(more_);
    layout->addStretch();
    connect(search_, &TrackSearch::chosen, this, [this](FileId file) { emit added({file}); });
    // After the drop: the list is filled anew by what is told.
    connect(songs_->model(), &QAbstractItemModel::rowsMoved, this, &SheetSongs::tell, Qt::QueuedConnection);
    songs_->installEventFilter(this);
}

void SheetSongs::show(const deliver::SheetOf& of, const deliver::SheetSubject* subject) {
    isRelease_ = of.songs.empty() && !of.isEmpty();
    caption_->setText(isRelease_ ? tr("Tracks of the release") : tr("Tracks that go out"));
    const FileId current = songs_->currentItem() ? fileOf(songs_->currentItem()) : 0;
    std::vector<FileId> chosen;
    for (const QListWidgetItem* row : songs_->selectedItems())
        chosen.push_back(fileOf(row));
    songs_->clear();
    auto add = [&](FileId file, const QString& title, const QString& second) {
        QListWidgetItem* row = trackRow(file, title, second);
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
        for (const FileId file : std::span(of.songs).first(std::min(of.songs.size(), mostListed)))
            if (const deliver::SheetSong* song = songOf(file))
                add(file, qs(song->title), qs(song->artist));
            else if (const QString title = inLibrary(file, "title"); !title.isEmpty()) // it is being read
                add(file, title, inLibrary(file, "artist"));
            else
                add(file, subject ? tr("not in the library any more") : QString("\u2026"), {});
    }
    rest_.assign(of.songs.begin() + static_cast<ptrdiff_t>(std::min(of.songs.size(), mostListed)),
                 of.songs.end());
    more_->setVisible(!rest_.empty());
    more_->setText(tr("and %n more", "", static_cast<int>(rest_.size())));
    songs_->setDragDropMode(isRelease_ ? QAbstractItemView::NoDragDrop : QAbstractItemView::InternalMove);
    none_->setVisible(of.isEmpty());
    songs_->setVisible(!of.isEmpty());
}

void SheetSongs::tell() {
    std::vector<FileId> songs;
    for (int i = 0; i < songs_->count(); ++i)
        songs.push_back(fileOf(songs_->item(i)));
    songs.insert(songs.end(), rest_.begin(), rest_.end());
    emit changed(songs);
}

void SheetSongs::removeChosen() {
    if (isRelease_)
        return;
    std::vector<FileId> songs;
    for (int i = 0; i < songs_->count(); ++i)
        if (!songs_->item(i)->isSelected())
            songs.push_back(fileOf(songs_->item(i)));
    songs.insert(songs.end(), rest_.begin(), rest_.end());
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
    }
    return QWidget::eventFilter(object, event);
}

} // namespace moorfrost::app
