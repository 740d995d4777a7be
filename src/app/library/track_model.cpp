// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/library/track_model.h"

#include "app/control/content_kinds.h"
#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "app/widgets/file_drag.h"
#include "app/widgets/judging_box.h"
#include "app/widgets/paint.h"
#include "core/text/text.h"

namespace moorfrost::app {

namespace {
const QString placesMime = QStringLiteral("application/x-moorfrost-places"); // in the list that is shown
}

TrackModel::TrackModel(const Uses& use, QObject* parent) : FileTable(parent), use_(use) {
    auto refresh = [this] {
        if (rowCount() > 0 && columnCount() > 0)
            emit dataChanged(index(0, 0), index(rowCount() - 1, columnCount() - 1));
    };
    connect(&use_.drafts, &DraftsController::changed, this, refresh);
    connect(&use_.drafts, &DraftsController::diskShown, this, refresh);
}

void TrackModel::setRows(std::shared_ptr<const library::Searcher> searcher, std::vector<library::Row> rows,
                         std::vector<size_t> places) {
    if (searcher == searcher_ && rows == rows_ && places == places_)
        return;
    beginResetModel();
    searcher_ = std::move(searcher);
    rows_ = std::move(rows);
    places_ = std::move(places);
    endResetModel();
}

Qt::ItemFlags TrackModel::flags(const QModelIndex& index) const {
    if (!index.isValid()) // between two rows
        return arranged_ ? Qt::ItemIsDropEnabled : Qt::NoItemFlags;
    return FileTable::flags(index) | Qt::ItemIsDragEnabled;
}

std::unique_ptr<QMimeData> TrackModel::dragged(const std::vector<std::pair<int, int>>& rows) const {
    std::vector<FileId> files;
    QByteArray places;
    for (const auto& [from, to] : rows)
        for (int row = from; row <= to; ++row) {
            files.push_back(fileAt(row));
            if (places_.empty())
                continue;
            auto add = [&](size_t place) {
                places += QByteArray::number(static_cast<qulonglong>(place)) + ' ';
            };
            add(places_[static_cast<size_t>(row)]);
            // What is under a closed lead goes with it.
            if (!fold_)
                continue;
            const FamilyFold::Shown under = fold_->hidden(rows_[static_cast<size_t>(row)]);
            for (const library::Row version : under.rows)
                files.push_back(searcher_->idOf(version));
            std::ranges::for_each(under.places, add);
        }
    auto data = drag::dataOf(files);
    if (!places_.empty())
        data->setData(placesMime, places);
    return data;
}

QStringList TrackModel::mimeTypes() const {
    return {drag::mimeType};
}

bool TrackModel::dropMimeData(const QMimeData* data, Qt::DropAction, int row, int, const QModelIndex&) {
    std::vector<size_t> places;
    for (const QByteArray& number : data->data(placesMime).split(' '))
        if (!number.isEmpty())
            places.push_back(number.toULongLong());
    // After the drag has ended: it must not find other rows under it.
    QMetaObject::invokeMethod(
        this,
        [this, row = row < 0 ? rowCount() : row, files = drag::filesOf(data), places] {
            emit dropped(row, files, places);
        },
        Qt::QueuedConnection);
    return false; // nothing of what is dragged is to be removed by the view
}

QVariant TrackModel::familyMark(int at) const {
    if (!fold_)
        return {};
    const library::Row row = rows_[static_cast<size_t>(at)];
    if (const auto count = static_cast<int>(fold_->count(row)); count > 0)
        return fold_->isOpen(row) ? count : -count;
    return fold_->leadOf(row) ? QVariant(versionBelow) : QVariant();
}

FileId TrackModel::fileAt(int row) const {
    return searcher_->idOf(rows_[static_cast<size_t>(row)]);
}

int TrackModel::rowCount(const QModelIndex& parent) const {
    return parent.isValid() ? 0 : static_cast<int>(rows_.size());
}

const library::Draft* TrackModel::draftOf(int row, const std::string& key) const {
    if (key[0] == '@' || use_.drafts.showsDisk() || use_.drafts.session().all().empty())
        return nullptr;
    return use_.drafts.session().find(fileAt(row), key);
}

QString TrackModel::cellText(int row, const std::string& key) const {
    if (const library::Draft* draft = draftOf(row, key))
        return qs(tags::shownValues(draft->values));
    const library::Row r = rows_[static_cast<size_t>(row)];
    if (key == nameColumn || key == placeColumn)
        return shownPath(
            Path(searcher_->text(r, key == nameColumn ? library::fileNameColumn : library::folderColumn)));
    if (key == lengthColumn)
        return shownLength(searcher_->durationOf(r));
    if (key == formatColumn) {
        std::string codec = searcher_->text(r, library::codecColumn);
        return qs(codec == "PCM" ? searcher_->text(r, library::formatNameColumn) : codec);
    }
    if (key == ratingColumn)
        return starsText(searcher_->text(r, key));
    if (key == kindColumn)
        if (auto kind = matching::kindByName(searcher_->text(r, library::kindColumn)))
            return kindText(*kind);
    return qs(searcher_->text(r, key));
}

const library::Marks* TrackModel::marksAt(int row) const {
    const library::ReadyRows* ready = searcher_->readyRows();
    return ready ? ready->marksOf(rows_[static_cast<size_t>(row)]) : nullptr;
}

QVariant TrackModel::data(const QModelIndex& index, int role) const {
    if (!index.isValid())
        return {};
    const std::string& key = keyAt(index.column());
    switch (role) {
    case Qt::DisplayRole:
        return cellText(index.row(), key).replace('\n', QChar(0x21B5));
    case Qt::EditRole:
        return cellText(index.row(), key);
    case DraftRole:
        return draftOf(index.row(), key) != nullptr;
    case OddRole:
        return false;
    case AbsentRole:
        return searcher_->has(rows_[static_cast<size_t>(index.row())], library::Absent);
    case FamilyRole:
        return key == "title" ? familyMark(index.row()) : QVariant();
    case StandInRole:
        return key == "title"
                   ? QVariant(shownName(searcher_->pathOf(rows_[static_cast<size_t>(index.row())])))
                   : QVariant();
    case KeyRole:
        return qs(key);
    case Qt::ToolTipRole: {
        if (key == nameColumn || key == placeColumn)
            return shownPath(searcher_->pathOf(rows_[static_cast<size_t>(index.row())]));
        if (const library::Marks* marks = key == readyColumn ? marksAt(index.row()) : nullptr)
            return paint::marksText(searcher_->readiness()->rules, *marks);
        QString text = cellText(index.row(), key);
        if (const library::Draft* draft = draftOf(index.row(), key))
            text += (text.isEmpty() ? "" : "\n") + tr("Draft: %1").arg(spoken(draft->origin));
        return text;
    }
    case MarksRole:
        if (const library::Marks* marks = marksAt(index.row()))
            return QVariant::fromValue(*marks);
        return {};
    case Qt::TextAlignmentRole:
        return QVariant(alignmentOf(key));
    default:
        return {};
    }
}

} // namespace moorfrost::app
