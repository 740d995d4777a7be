// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/releases/release_track_model.h"

#include <map>
#include <set>

#include "app/releases/release_lines.h"
#include "app/shell/text_utils.h"

namespace moorfrost::app {

int64_t lengthFromTyping(const QString& text) {
    const QString clean = text.trimmed();
    if (clean.isEmpty())
        return 0;
    double seconds = 0;
    for (const QString& part : clean.split(':')) {
        bool ok = false;
        const double n = part.toDouble(&ok);
        if (!ok || n < 0 || n > 100000)
            return -1;
        seconds = seconds * 60 + n;
    }
    return seconds > 1000.0 * 3600 ? -1 : static_cast<int64_t>(seconds * 1000 + 0.5);
}

void ReleaseTrackModel::show(const ShownRelease& release, ReleasesController::List list) {
    beginResetModel();
    release_ = release;
    list_ = std::move(list);
    arrange();
    endResetModel();
}

void ReleaseTrackModel::arrange() {
    media_ = library::mediaOf(release_.view);
    rows_.clear();
    const bool several = media_.size() > 1 || (media_.size() == 1 && !media_[0].title.empty());
    for (size_t m = 0; m < media_.size(); ++m) {
        if (several)
            rows_.push_back({m, SIZE_MAX});
        for (size_t t = 0; t < media_[m].tracks.size(); ++t)
            rows_.push_back({m, t});
    }
}

void ReleaseTrackModel::change(std::vector<library::MediumToKeep> media, const QString& title) {
    // What is known of the recordings goes with them, wherever they stand now.
    std::map<library::RecordingId, library::TrackView> known;
    for (const library::MediumView& m : release_.view.media)
        for (const library::TrackView& t : m.tracks)
            if (t.recording != 0)
                known.try_emplace(t.recording, t);
    beginResetModel();
    release_.view.media.clear();
    for (const library::MediumToKeep& m : media) {
        library::MediumView& medium = release_.view.media.emplace_back();
        medium.carrier = m.carrier;
        medium.title = m.title;
        medium.discTable = m.discTable;
        for (const auto& [track, recording] : m.tracks) {
            const auto at = recording == 0 ? known.end() : known.find(recording);
            library::TrackView& view =
                medium.tracks.emplace_back(at == known.end() ? library::TrackView{} : at->second);
            view.printed = track;
            view.recording = recording;
        }
    }
    arrange();
    endResetModel();
    emit changed(media, title);
}

const library::TrackView* ReleaseTrackModel::track(int row) const {
    if (row < 0 || row >= rowCount())
        return nullptr;
    const Row& r = rows_[static_cast<size_t>(row)];
    return r.track == SIZE_MAX ? nullptr : &release_.view.media[r.medium].tracks[r.track];
}

std::vector<size_t> ReleaseTrackModel::standsOn(const library::TrackView& track) const {
    std::set<size_t> out;
    if (!list_)
        return {};
    for (const library::ReleaseId id : track.alsoOn)
        if (const size_t at = list_->find({id, {}}); at != SIZE_MAX)
            out.insert(at);
    for (const FileId file : track.files)
        if (const size_t at = list_->ofFile(file); at != SIZE_MAX)
            out.insert(at);
    if (const size_t own = list_->find(release_.view.ref); own != SIZE_MAX)
        out.insert(own);
    return {out.begin(), out.end()};
}

QString ReleaseTrackModel::entryText(size_t entry) const {
    const library::ReleaseEntry& e = list_->entries()[entry];
    return qs(e.title) + " \u00B7 " + editionLine(e);
}

int ReleaseTrackModel::rowCount(const QModelIndex& parent) const {
    return parent.isValid() ? 0 : static_cast<int>(rows_.size());
}

Qt::ItemFlags ReleaseTrackModel::flags(const QModelIndex& index) const {
    Qt::ItemFlags out = Qt::ItemIsEnabled | Qt::ItemIsSelectable;
    const bool head = rows_[static_cast<size_t>(index.row())].track == SIZE_MAX;
    if (head ? index.column() == Title : index.column() <= Length)
        out |= Qt::ItemIsEditable;
    return out;
}

QVariant ReleaseTrackModel::headerData(int section, Qt::Orientation orientation, int role) const {
    if (orientation == Qt::Horizontal && role == Qt::TextAlignmentRole)
        return int((section == Length ? Qt::AlignRight : Qt::AlignLeft) | Qt::AlignVCenter);
    if (orientation != Qt::Horizontal || role != Qt::DisplayRole)
        return {};
    const QString names[] = {tr("No."), tr("Title as printed"), tr("Length"), tr("Recording"), tr("Files")};
    return names[section];
}

QVariant ReleaseTrackModel::data(const QModelIndex& index, int role) const {
    const Row& row = rows_[static_cast<size_t>(index.row())];
    const int column = index.column();
    if (role == Qt::TextAlignmentRole)
        return int((column == Length ? Qt::AlignRight : Qt::AlignLeft) | Qt::AlignVCenter);
    if (role == HeadRole)
        return row.track == SIZE_MAX;
    if (row.track == SIZE_MAX)
        return headData(row.medium, column, role);
    const library::TrackView& t = release_.view.media[row.medium].tracks[row.track];
    switch (role) {
    case Qt::DisplayRole:
        if (column == Title && t.printed.title.empty())
            return t.files.empty() && t.recording == 0 ? tr("not here") : tr("without a title");
        return cellText(t, column);
    case Qt::EditRole:
        return cellText(t, column);
    case SecondRole:
        return column == Title && t.printed.credit.text() != release_.view.release.credit.text()
                   ? qs(t.printed.credit.text())
                   : QString();
    case MissingRole:
        return column == Files ? t.files.empty() : t.printed.title.empty();
    case Qt::ToolTipRole:
        return tip(t, column);
    case Qt::AccessibleTextRole:
        return headerData(column, Qt::Horizontal, Qt::DisplayRole).toString() + ": " +
               data(index, Qt::DisplayRole).toString();
    default:
        return {};
    }
}

bool ReleaseTrackModel::setData(const QModelIndex& index, const QVariant& value, int role) {
    if (role != Qt::EditRole || value.toString() == data(index, Qt::EditRole).toString())
        return false;
    const Row row = rows_[static_cast<size_t>(index.row())];
    const std::string text = ss(value.toString().trimmed());
    library::MediumToKeep& medium = media_[row.medium];
    library::MediumView& shown = release_.view.media[row.medium];
    QString title;
    if (row.track == SIZE_MAX) { // "Vinyl: Side A"
        const size_t colon = text.find(':');
        medium.carrier = text::trim(text.substr(0, colon));
        medium.title = colon == std::string::npos ? std::string() : text::trim(text.substr(colon + 1));
        shown.carrier = medium.carrier;
        shown.title = medium.title;
        title = tr("Change a medium");
    } else {
        reference::Track& track = medium.tracks[row.track].first;
        if (index.column() == Number) {
            track.position = text;
            title = tr("Position of a track");
        } else if (index.column() == Title) {
            track.title = text;
            title = tr("Title of a track");
        } else {
            const int64_t ms = lengthFromTyping(value.toString());
            if (ms < 0)
                return false;
            track.lengthMs = ms;
            title = tr("Length of a track");
        }
        shown.tracks[row.track].printed = track;
    }
    emit dataChanged(this->index(index.row(), 0), this->index(index.row(), ColumnCount - 1));
    emit changed(media_, title);
    return true;
}

QVariant ReleaseTrackModel::headData(size_t medium, int column, int role) const {
    const library::MediumToKeep& m = media_[medium];
    if (role == Qt::EditRole)
        return m.title.empty() ? qs(m.carrier) : qs(m.carrier + ": " + m.title);
    if (role != Qt::DisplayRole && role != Qt::AccessibleTextRole)
        return {};
    if (column == Number)
        return QString::number(medium + 1);
    if (column != Title)
        return QString();
    const QString name = m.carrier.empty() ? tr("Medium %1").arg(medium + 1) : qs(m.carrier);
    return m.title.empty() ? name : name + " \u00B7 " + qs(m.title);
}

QString ReleaseTrackModel::cellText(const library::TrackView& t, int column) const {
    switch (column) {
    case Number:
        return qs(t.printed.position);
    case Title:
        return qs(t.printed.title);
    case Length:
        return t.printed.lengthMs > 0 ? shownLength(static_cast<double>(t.printed.lengthMs) / 1000)
                                      : QString();
    case Recording:
        return recordingText(t);
    default:
        return filesText(t);
    }
}

QString ReleaseTrackModel::recordingText(const library::TrackView& t) const {
    if (t.recording == 0)
        return tr("not known");
    const auto editions = static_cast<int>(standsOn(t).size());
    QStringList parts;
    if (editions > 1)
        parts << tr("%n edition(s)", "", editions);
    parts << (t.printed.isrcs.empty() ? tr("no code") : qs(t.printed.isrcs.front()));
    return parts.join(" \u00B7 ");
}

QString ReleaseTrackModel::filesText(const library::TrackView& t) const {
    QStringList out;
    for (const FileId id : t.files)
        if (const auto file = release_.files.find(id); file != release_.files.end()) {
            const QString format = qs(audio::formatName(file->second.tags.format));
            if (!out.contains(format))
                out << format;
        }
    return out.isEmpty() ? tr("none") : out.join(", ");
}

QString ReleaseTrackModel::tip(const library::TrackView& t, int column) const {
    QStringList lines;
    if (column == Recording) {
        for (const size_t at : standsOn(t))
            lines << entryText(at);
        return lines.isEmpty() ? QString() : tr("Stands on:") + "\n" + lines.join("\n");
    }
    if (column != Files)
        return cellText(t, column);
    for (const FileId id : t.files)
        if (const auto file = release_.files.find(id); file != release_.files.end())
            lines << shownPath(file->second.path);
    return lines.join("\n");
}

} // namespace moorfrost::app
