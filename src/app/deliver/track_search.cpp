// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/deliver/track_search.h"

#include <QKeyEvent>
#include <QVBoxLayout>

#include "app/shell/text_utils.h"
#include "app/widgets/controls.h"
#include "app/widgets/line_icons.h"
#include "app/widgets/two_lines.h"

namespace moorfrost::app {

namespace {

constexpr size_t mostFound = 40;
constexpr int FileRole = Qt::UserRole + 1;

} // namespace

QListWidgetItem* trackRow(FileId file, const QString& title, const QString& second) {
    auto* row = new QListWidgetItem(title);
    row->setData(FileRole, QVariant::fromValue<qlonglong>(file));
    row->setData(TwoLineDelegate::SecondRole, second);
    row->setToolTip(second.isEmpty() ? title : title + "\n" + second);
    return row;
}

FileId fileOf(const QListWidgetItem* row) {
    return row->data(FileRole).toLongLong();
}

QListWidget* trackList(const QString& name) {
    auto* list = new QListWidget;
    list->setFrameShape(QFrame::NoFrame);
    list->setItemDelegate(new TwoLineDelegate(Qt::ElideRight, list));
    list->setUniformItemSizes(true);
    list->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    list->setAccessibleName(name);
    return list;
}

TrackSearch::TrackSearch(LibraryIndex& index, const QString& placeholder, QWidget* parent)
    : QWidget(parent), index_(index) {
    search_ = new QLineEdit;
    search_->setPlaceholderText(placeholder);
    search_->setAccessibleName(tr("Search the library for a track"));
    addClearButton(search_);
    found_ = trackList(tr("Tracks that were found"));
    auto* searching = new QHBoxLayout;
    searching->setContentsMargins(12, 10, 12, 6);
    searching->addWidget(search_);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addLayout(searching);
    layout->addWidget(found_, 1);
    found_->hide();
    setSizePolicy(QSizePolicy::Preferred, QSizePolicy::Maximum);
    stepThrough(search_, found_);
    connect(search_, &QLineEdit::textChanged, this, &TrackSearch::look);
    connect(search_, &QLineEdit::returnPressed, this, &TrackSearch::choose);
    connect(found_, &QListWidget::itemClicked, this, &TrackSearch::choose);
    connect(found_, &QListWidget::itemActivated, this, &TrackSearch::choose);
    search_->installEventFilter(this);
}

void TrackSearch::look() {
    found_->clear();
    const QString words = search_->text().trimmed();
    const auto searcher = index_.searcher();
    found_->setVisible(!words.isEmpty());
    // Without an answer it takes no room.
    setSizePolicy(QSizePolicy::Preferred, words.isEmpty() ? QSizePolicy::Maximum : QSizePolicy::Expanding);
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
        found_->addItem(trackRow(searcher->idOf(row),
                                 title.isEmpty() ? shownName(searcher->pathOf(row)) : title,
                                 second.join(" \u00B7 ")));
    }
    if (found_->count() > 0)
        found_->setCurrentRow(0);
}

void TrackSearch::choose() {
    if (!found_->currentItem())
        return;
    const FileId file = fileOf(found_->currentItem());
    search_->clear();
    search_->setFocus();
    emit chosen(file);
}

bool TrackSearch::eventFilter(QObject* object, QEvent* event) {
    if (event->type() == QEvent::KeyPress && object == search_ && !search_->text().isEmpty() &&
        static_cast<QKeyEvent*>(event)->key() == Qt::Key_Escape) {
        search_->clear();
        return true;
    }
    return QWidget::eventFilter(object, event);
}

} // namespace moorfrost::app
