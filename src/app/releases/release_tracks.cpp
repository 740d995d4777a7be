// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/releases/release_tracks.h"

#include <QContextMenuEvent>
#include <QHeaderView>
#include <QInputDialog>
#include <QKeyEvent>
#include <QMenu>
#include <QPainter>
#include <QStyledItemDelegate>

#include <algorithm>
#include <set>

#include "app/releases/release_lines.h"
#include "app/shell/text_utils.h"
#include "app/shell/theme.h"

namespace moorfrost::app {

namespace {

enum Role { SecondRole = Qt::UserRole + 1, HeadRole, MissingRole };
constexpr int lineHeight = 28, numberWidth = 46, lengthWidth = 62, recordingWidth = 196, filesWidth = 110;

} // namespace

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

class ReleaseTrackModel : public QAbstractTableModel {
public:
    ReleaseTrackModel(ReleaseTracks* table) : QAbstractTableModel(table), table_(table) {}

    /// The head of a medium, or a track.
    struct Row {
        size_t medium = 0;
        size_t track = SIZE_MAX; // SIZE_MAX: the head
    };

    void show(const ShownRelease& release, ReleasesController::List list) {
        beginResetModel();
        release_ = release;
        list_ = list;
        media_ = library::mediaOf(release.view);
        rows_.clear();
        const bool several = media_.size() > 1 || (media_.size() == 1 && !media_[0].title.empty());
        for (size_t m = 0; m < media_.size(); ++m) {
            if (several)
                rows_.push_back({m, SIZE_MAX});
            for (size_t t = 0; t < media_[m].tracks.size(); ++t)
                rows_.push_back({m, t});
        }
        endResetModel();
    }
    const std::vector<Row>& rows() const { return rows_; }
    const std::vector<library::MediumToKeep>& media() const { return media_; }
    const library::TrackView* track(int row) const {
        if (row < 0 || row >= rowCount())
            return nullptr;
        const Row& r = rows_[static_cast<size_t>(row)];
        return r.track == SIZE_MAX ? nullptr : &release_.view.media[r.medium].tracks[r.track];
    }
    const ShownRelease& release() const { return release_; }

    /// Releases on which the recording of a track stands, as entries of the list; with this one.
    std::vector<size_t> standsOn(const library::TrackView& track) const {
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

    QString entryText(size_t entry) const {
        const library::ReleaseEntry& e = list_->entries()[entry];
        return qs(e.title) + " \u00B7 " + editionLine(e);
    }

    int rowCount(const QModelIndex& parent = {}) const override {
        return parent.isValid() ? 0 : static_cast<int>(rows_.size());
    }
    int columnCount(const QModelIndex& = {}) const override { return ReleaseTracks::ColumnCount; }
    Qt::ItemFlags flags(const QModelIndex& index) const override {
        Qt::ItemFlags out = Qt::ItemIsEnabled | Qt::ItemIsSelectable;
        const bool head = rows_[static_cast<size_t>(index.row())].track == SIZE_MAX;
        if (head ? index.column() == ReleaseTracks::Title : index.column() <= ReleaseTracks::Length)
            out |= Qt::ItemIsEditable;
        return out;
    }
    QVariant headerData(int section, Qt::Orientation orientation, int role) const override {
        if (orientation != Qt::Horizontal || role != Qt::DisplayRole)
            return role == Qt::TextAlignmentRole && section == ReleaseTracks::Length
                       ? QVariant(int(Qt::AlignRight | Qt::AlignVCenter))
                   : role == Qt::TextAlignmentRole ? QVariant(int(Qt::AlignLeft | Qt::AlignVCenter))
                                                   : QVariant();
        const QString names[] = {ReleaseTracks::tr("No."), ReleaseTracks::tr("Title as printed"),
                                 ReleaseTracks::tr("Length"), ReleaseTracks::tr("Recording"),
                                 ReleaseTracks::tr("Files")};
        return names[section];
    }
    QVariant data(const QModelIndex& index, int role) const override {
        const Row& row = rows_[static_cast<size_t>(index.row())];
        if (role == Qt::TextAlignmentRole)
            return int((index.column() == ReleaseTracks::Length ? Qt::AlignRight : Qt::AlignLeft) |
                       Qt::AlignVCenter);
        if (role == HeadRole)
            return row.track == SIZE_MAX;
        if (row.track == SIZE_MAX)
            return headData(row.medium, index.column(), role);
        const library::TrackView& t = release_.view.media[row.medium].tracks[row.track];
        switch (role) {
        case Qt::DisplayRole:
        case Qt::EditRole:
            switch (index.column()) {
            case ReleaseTracks::Number:
                return qs(t.printed.position);
            case ReleaseTracks::Title:
                if (role == Qt::DisplayRole && t.printed.title.empty())
                    return t.files.empty() && t.recording == 0 ? ReleaseTracks::tr("not here")
                                                               : ReleaseTracks::tr("without a title");
                return qs(t.printed.title);
            case ReleaseTracks::Length:
                return t.printed.lengthMs > 0 ? shownLength(static_cast<double>(t.printed.lengthMs) / 1000)
                                              : QString();
            case ReleaseTracks::Recording:
                return recordingText(t);
            case ReleaseTracks::Files:
                return filesText(t);
            default:
                return {};
            }
        case SecondRole:
            return index.column() == ReleaseTracks::Title &&
                           t.printed.credit.text() != release_.view.release.credit.text()
                       ? qs(t.printed.credit.text())
                       : QString();
        case MissingRole:
            return index.column() == ReleaseTracks::Files ? t.files.empty() : t.printed.title.empty();
        case Qt::ToolTipRole:
            if (index.column() == ReleaseTracks::Recording) {
                QStringList lines;
                for (const size_t at : standsOn(t))
                    lines << entryText(at);
                return lines.isEmpty() ? QString()
                                       : ReleaseTracks::tr("Stands on:") + "\n" + lines.join("\n");
            }
            if (index.column() == ReleaseTracks::Files) {
                QStringList lines;
                for (const FileId id : t.files)
                    if (const auto file = release_.files.find(id); file != release_.files.end())
                        lines << shownPath(file->second.path);
                return lines.join("\n");
            }
            return data(index, Qt::DisplayRole);
        case Qt::AccessibleTextRole:
            return headerData(index.column(), Qt::Horizontal, Qt::DisplayRole).toString() + ": " +
                   data(index, Qt::DisplayRole).toString();
        default:
            return {};
        }
    }
    bool setData(const QModelIndex& index, const QVariant& value, int role) override {
        if (role != Qt::EditRole || value.toString() == data(index, Qt::EditRole).toString())
            return false;
        const Row& row = rows_[static_cast<size_t>(index.row())];
        std::vector<library::MediumToKeep> media = media_;
        const std::string text = ss(value.toString().trimmed());
        QString title;
        if (row.track == SIZE_MAX) { // "Vinyl: Side A"
            const size_t colon = text.find(':');
            media[row.medium].carrier = text::trim(text.substr(0, colon));
            media[row.medium].title =
                colon == std::string::npos ? std::string() : text::trim(text.substr(colon + 1));
            title = ReleaseTracks::tr("Change a medium");
        } else {
            reference::Track& track = media[row.medium].tracks[row.track].first;
            if (index.column() == ReleaseTracks::Number) {
                track.position = text;
                title = ReleaseTracks::tr("Position of a track");
            } else if (index.column() == ReleaseTracks::Title) {
                track.title = text;
                title = ReleaseTracks::tr("Title of a track");
            } else {
                const int64_t ms = lengthFromTyping(value.toString());
                if (ms < 0)
                    return false;
                track.lengthMs = ms;
                title = ReleaseTracks::tr("Length of a track");
            }
        }
        emit table_->mediaWanted(media, title);
        return true;
    }

private:
    QVariant headData(size_t medium, int column, int role) const {
        const library::MediumToKeep& m = media_[medium];
        if (role == Qt::EditRole)
            return m.title.empty() ? qs(m.carrier) : qs(m.carrier + ": " + m.title);
        if (role != Qt::DisplayRole && role != Qt::AccessibleTextRole)
            return {};
        if (column == ReleaseTracks::Number)
            return QString::number(medium + 1);
        if (column != ReleaseTracks::Title)
            return QString();
        const QString name =
            m.carrier.empty() ? ReleaseTracks::tr("Medium %1").arg(medium + 1) : qs(m.carrier);
        return m.title.empty() ? name : name + " \u00B7 " + qs(m.title);
    }
    QString recordingText(const library::TrackView& t) const {
        if (t.recording == 0)
            return ReleaseTracks::tr("not known");
        const auto editions = static_cast<int>(standsOn(t).size());
        QStringList parts;
        if (editions > 1)
            parts << ReleaseTracks::tr("%n edition(s)", "", editions);
        parts << (t.printed.isrcs.empty() ? ReleaseTracks::tr("no code") : qs(t.printed.isrcs.front()));
        return parts.join(" \u00B7 ");
    }
    QString filesText(const library::TrackView& t) const {
        QStringList out;
        for (const FileId id : t.files)
            if (const auto file = release_.files.find(id); file != release_.files.end()) {
                const QString format = qs(audio::formatName(file->second.tags.format));
                if (!out.contains(format))
                    out << format;
            }
        return out.isEmpty() ? ReleaseTracks::tr("none") : out.join(", ");
    }

    ReleaseTracks* table_;
    ShownRelease release_;
    ReleasesController::List list_;
    std::vector<library::MediumToKeep> media_;
    std::vector<Row> rows_;
};

namespace {

class TrackDelegate : public QStyledItemDelegate {
public:
    using QStyledItemDelegate::QStyledItemDelegate;
    void paint(QPainter* p, const QStyleOptionViewItem& option, const QModelIndex& index) const override {
        const auto& c = theme::colours();
        const QRect r = option.rect;
        const bool head = index.data(HeadRole).toBool();
        p->save();
        p->fillRect(r, option.state & QStyle::State_Selected ? c.fjordBack : head ? c.window : c.panel);
        p->fillRect(QRect(r.left(), r.bottom(), r.width(), 1), c.faint);
        QRect text = r.adjusted(8, 0, -8, 0);
        const bool small = index.column() >= ReleaseTracks::Recording;
        p->setFont(theme::uiFont(small ? 12 : 13, head ? QFont::DemiBold : QFont::Normal));
        p->setPen(head || small ? c.second : c.ink);
        if (index.data(MissingRole).toBool())
            p->setPen(small ? c.lichen : c.third);
        const QString words = index.data().toString();
        const auto align = static_cast<Qt::Alignment>(index.data(Qt::TextAlignmentRole).toInt());
        const QString second = index.data(SecondRole).toString();
        const QString shown = p->fontMetrics().elidedText(words, Qt::ElideRight, text.width());
        p->drawText(text, align, shown);
        if (!second.isEmpty()) {
            const int width = p->fontMetrics().horizontalAdvance(shown) + 10;
            p->setPen(c.second);
            p->setFont(theme::uiFont(12));
            text.setLeft(text.left() + width);
            if (text.width() > 30)
                p->drawText(text, align, p->fontMetrics().elidedText(second, Qt::ElideRight, text.width()));
        }
        if (option.state & QStyle::State_HasFocus) {
            p->setPen(c.fjord);
            p->drawRect(r.adjusted(0, 0, -1, -2));
        }
        p->restore();
    }
};

} // namespace

ReleaseTracks::ReleaseTracks(QWidget* parent) : QTableView(parent), model_(new ReleaseTrackModel(this)) {
    setModel(model_);
    setItemDelegate(new TrackDelegate(this));
    verticalHeader()->hide();
    verticalHeader()->setDefaultSectionSize(lineHeight);
    verticalHeader()->setSectionResizeMode(QHeaderView::Fixed);
    horizontalHeader()->setSectionResizeMode(QHeaderView::Fixed);
    horizontalHeader()->setHighlightSections(false);
    setShowGrid(false);
    setFrameShape(NoFrame);
    setSelectionBehavior(SelectRows);
    setSelectionMode(ExtendedSelection);
    setTabKeyNavigation(false);
    setEditTriggers(EditKeyPressed | AnyKeyPressed);
    setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    setVerticalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Fixed);
    setAccessibleName(tr("Tracks of the release"));
    connect(this, &QTableView::doubleClicked, this, [this](const QModelIndex& index) {
        if (index.column() == Files || index.column() == Recording) {
            if (const auto* t = model_->track(index.row()); t && !t->files.empty())
                emit playRequested(t->files.front());
        } else if (index.flags() & Qt::ItemIsEditable) {
            edit(index);
        }
    });
}

void ReleaseTracks::show(const ShownRelease& release, ReleasesController::List list) {
    const QModelIndex had = currentIndex();
    const library::ReleaseRef &was = model_->release().view.ref, &is = release.view.ref;
    const bool same = (is.id != 0 && is.id == was.id) || (!is.files.empty() && is.files == was.files);
    model_->show(release, list);
    if (same && had.isValid() && model_->rowCount() > 0)
        setCurrentIndex(model_->index(std::min(had.row(), model_->rowCount() - 1), had.column()));
    fit();
}

QString ReleaseTracks::textOf(size_t track, Column column) const {
    size_t n = 0;
    for (int row = 0; row < model_->rowCount(); ++row)
        if (model_->track(row) && n++ == track)
            return model_->index(row, column).data().toString();
    return {};
}

std::vector<int> ReleaseTracks::chosenRows() const {
    std::set<int> rows;
    for (const QModelIndex& index : selectionModel()->selectedIndexes())
        rows.insert(index.row());
    return {rows.begin(), rows.end()};
}

void ReleaseTracks::addTrack() {
    std::vector<library::MediumToKeep> media = model_->media();
    if (media.empty())
        media.emplace_back();
    const auto rows = chosenRows();
    size_t medium = media.size() - 1, at = media.back().tracks.size();
    if (!rows.empty()) {
        const ReleaseTrackModel::Row& row = model_->rows()[static_cast<size_t>(rows.back())];
        medium = row.medium;
        at = row.track == SIZE_MAX ? 0 : row.track + 1;
    }
    auto& tracks = media[medium].tracks;
    reference::Track track;
    track.position = std::to_string(at + 1);
    tracks.insert(tracks.begin() + static_cast<std::ptrdiff_t>(at), {track, 0});
    emit mediaWanted(media, tr("Add a track"));
}

void ReleaseTracks::addMedium() {
    std::vector<library::MediumToKeep> media = model_->media();
    media.push_back({media.empty() ? std::string() : media.back().carrier, {}, {}, {}});
    emit mediaWanted(media, tr("Add a medium"));
}

void ReleaseTracks::removeChosen() {
    std::vector<library::MediumToKeep> media = model_->media();
    auto rows = chosenRows();
    if (rows.empty())
        return;
    std::ranges::reverse(rows);
    for (const int r : rows) {
        const ReleaseTrackModel::Row& row = model_->rows()[static_cast<size_t>(r)];
        if (row.track != SIZE_MAX)
            media[row.medium].tracks.erase(media[row.medium].tracks.begin() +
                                           static_cast<std::ptrdiff_t>(row.track));
        else
            media.erase(media.begin() + static_cast<std::ptrdiff_t>(row.medium));
    }
    emit mediaWanted(media, tr("Remove tracks"));
}

void ReleaseTracks::moveChosen(int by) {
    const auto rows = chosenRows();
    if (rows.empty())
        return;
    std::vector<library::MediumToKeep> media = model_->media();
    const size_t medium = model_->rows()[static_cast<size_t>(rows.front())].medium;
    auto& tracks = media[medium].tracks;
    std::vector<size_t> chosen;
    for (const int r : rows) {
        const ReleaseTrackModel::Row& row = model_->rows()[static_cast<size_t>(r)];
        if (row.track == SIZE_MAX || row.medium != medium)
            return;
        chosen.push_back(row.track);
    }
    if ((by < 0 && chosen.front() == 0) || (by > 0 && chosen.back() + 1 >= tracks.size()))
        return;
    if (by > 0)
        std::ranges::reverse(chosen);
    // Places stay where they are printed; what stands there moves.
    for (const size_t at : chosen) {
        const size_t to = by < 0 ? at - 1 : at + 1;
        std::swap(tracks[at], tracks[to]);
        std::swap(tracks[at].first.position, tracks[to].first.position);
    }
    emit mediaWanted(media, tr("Move tracks"));
    const int first = std::max(0, rows.front() + by);
    setCurrentIndex(model_->index(first, currentIndex().column()));
}

void ReleaseTracks::changeCredit() {
    const auto rows = chosenRows();
    const library::TrackView* first = rows.empty() ? nullptr : model_->track(rows.front());
    if (!first)
        return;
    reference::Release r;
    r.credit = first->printed.credit;
    bool ok = false;
    const QString line = QInputDialog::getText(
        this, tr("Artist as printed"), tr("Names; what joins them stands in brackets: Kestrel [ & ] Rook"),
        QLineEdit::Normal, qs(library::typingLine("credit", library::factOf(r, "credit"))), &ok);
    if (!ok)
        return;
    library::putFact(r, "credit", library::factFromTyping("credit", ss(line)));
    std::vector<library::MediumToKeep> media = model_->media();
    for (const int row : rows)
        if (model_->track(row)) {
            const ReleaseTrackModel::Row& at = model_->rows()[static_cast<size_t>(row)];
            media[at.medium].tracks[at.track].first.credit = r.credit;
        }
    emit mediaWanted(media, tr("Artist of tracks"));
}

std::vector<FileId> ReleaseTracks::files() const {
    std::vector<FileId> out;
    for (int row = 0; row < model_->rowCount(); ++row)
        if (const auto* t = model_->track(row); t && !t->files.empty())
            out.push_back(t->files.front());
    return out;
}

QSize ReleaseTracks::sizeHint() const {
    return {400, horizontalHeader()->sizeHint().height() + model_->rowCount() * lineHeight + 1};
}

void ReleaseTracks::fit() {
    const int width = viewport()->width();
    const bool narrow = width < 560;
    const int recording = narrow ? 0 : recordingWidth;
    setColumnHidden(Recording, narrow);
    setColumnWidth(Number, numberWidth);
    setColumnWidth(Length, lengthWidth);
    if (!narrow)
        setColumnWidth(Recording, recordingWidth);
    setColumnWidth(Files, filesWidth);
    setColumnWidth(Title, std::max(120, width - numberWidth - lengthWidth - recording - filesWidth));
    setFixedHeight(sizeHint().height());
}

void ReleaseTracks::resizeEvent(QResizeEvent* event) {
    QTableView::resizeEvent(event);
    fit();
}

void ReleaseTracks::keyPressEvent(QKeyEvent* event) {
    const bool editing = state() == EditingState;
    if (!editing && event->key() == Qt::Key_Space && event->modifiers() == Qt::NoModifier) {
        if (const auto* t = model_->track(currentIndex().row()); t && !t->files.empty())
            emit playRequested(t->files.front());
        return;
    }
    if (!editing && event->key() == Qt::Key_Delete)
        return removeChosen();
    if (!editing && event->key() == Qt::Key_Insert)
        return addTrack();
    if (!editing && event->modifiers() == Qt::AltModifier &&
        (event->key() == Qt::Key_Up || event->key() == Qt::Key_Down))
        return moveChosen(event->key() == Qt::Key_Up ? -1 : 1);
    if (!editing && (event->key() == Qt::Key_Return || event->key() == Qt::Key_Enter)) {
        if (const QModelIndex index = currentIndex(); index.isValid())
            edit(index.flags() & Qt::ItemIsEditable ? index : index.siblingAtColumn(Title));
        return;
    }
    QTableView::keyPressEvent(event);
}

void ReleaseTracks::contextMenuEvent(QContextMenuEvent* event) {
    const bool mouse = event->reason() == QContextMenuEvent::Mouse;
    const QModelIndex at = mouse ? indexAt(viewport()->mapFrom(this, event->pos())) : currentIndex();
    QMenu menu(this);
    const library::TrackView* t = model_->track(at.row());
    if (t && !t->files.empty()) {
        const FileId file = t->files.front();
        menu.addAction(tr("Play"), this, [this, file] { emit playRequested(file); });
        menu.addAction(tr("Show in the library"), this, [this, file] { emit libraryWanted(file); });
    }
    if (t && model_->standsOn(*t).size() > 1) {
        auto* on = menu.addMenu(tr("The recording stands on"));
        for (const size_t entry : model_->standsOn(*t))
            on->addAction(model_->entryText(entry), this, [this, entry] { emit releaseWanted(entry); });
    }
    if (t) {
        menu.addSeparator();
        menu.addAction(tr("Artist as printed\u2026"), this, [this] { changeCredit(); });
    }
    menu.addAction(tr("Add a track"), QKeySequence(Qt::Key_Insert), this, [this] { addTrack(); });
    menu.addAction(tr("Add a medium"), this, [this] { addMedium(); });
    if (!chosenRows().empty())
        menu.addAction(tr("Remove"), QKeySequence(Qt::Key_Delete), this, [this] { removeChosen(); });
    menu.exec(mouse ? event->globalPos() : viewport()->mapToGlobal(visualRect(at).bottomLeft()));
}

} // namespace moorfrost::app
