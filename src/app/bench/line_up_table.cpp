// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/line_up_table.h"

#include <QContextMenuEvent>
#include <QHeaderView>
#include <QKeyEvent>
#include <QMenu>
#include <QMimeData>
#include <QPainter>
#include <QStyle>
#include <QStyledItemDelegate>

#include <algorithm>
#include <cmath>

#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/controls.h"
#include "app/widgets/paint.h"

namespace moorfrost::app {

namespace {

enum Column { File, FileLength, Match, Number, Title, TrackLength, Isrc, ColumnCount };
constexpr size_t mostStrays = 6;
constexpr int toneRole = Qt::UserRole + 1, fileRole = Qt::UserRole + 2;
const QString rowMime = QStringLiteral("application/x-moorfrost-seat");

} // namespace

class LineUpModel : public QAbstractTableModel {
public:
    LineUpModel(const LineUpTable::Uses& use, LineUpTable* view) : QAbstractTableModel(view), use_(use) {}

    struct Row {
        int file = -1;  // of the clues
        int track = -1; // counted through all media; -1: this file has no seat
        // A stray that would fit an empty seat: which one, and how well.
        FileId stray = 0;
        matching::EmptySeat fits = {};
    };

    std::function<void(int from, int to)> moved;

    void show(const std::string& sleeve) {
        beginResetModel();
        sleeve_ = sleeve;
        rows_.clear();
        // A copy: answers come and go.
        if (const SleeveAnswer* answer = use_.identify.answer(sleeve); answer && answer->best()) {
            candidate_ = *answer->best();
            files_ = answer->clues.files;
            const matching::Candidate& c = candidate_;
            for (size_t t = 0; t < c.seating.fileOf.size(); ++t)
                rows_.push_back({c.seating.fileOf[t], static_cast<int>(t)});
            for (size_t f : c.seating.unseated)
                rows_.push_back({static_cast<int>(f), -1});
            const auto strays = use_.identify.straysThatFit(sleeve);
            for (size_t i = 0; i < std::min(mostStrays, strays.size()); ++i)
                rows_.push_back({-1, -1, strays[i].file, strays[i].seat});
            tracks_.clear();
            for (size_t m = 0; m < c.release.media.size(); ++m)
                for (size_t t = 0; t < c.release.media[m].tracks.size(); ++t)
                    tracks_.emplace_back(m, t);
        }
        endResetModel();
    }
    const Row& row(int i) const { return rows_[static_cast<size_t>(i)]; }
    const std::string& sleeve() const { return sleeve_; }
    FilePtr fileAt(int row) const {
        const Row& r = rows_[static_cast<size_t>(row)];
        if (r.stray > 0)
            return use_.files.file(r.stray);
        return r.file < 0 ? nullptr : use_.files.file(files_[static_cast<size_t>(r.file)].id);
    }
    /// "4 Lowland Quay"; with the medium where there are several.
    QString trackName(int track) const {
        const auto [m, t] = tracks_[static_cast<size_t>(track)];
        return numberOf(track) + " " + qs(candidate_.release.media[m].tracks[t].title);
    }
    QString numberOf(int track) const {
        const auto [m, t] = tracks_[static_cast<size_t>(track)];
        const QString position = qs(candidate_.release.media[m].tracks[t].position);
        return candidate_.release.media.size() > 1 ? QString("%1-%2").arg(m + 1).arg(position) : position;
    }

    int rowCount(const QModelIndex& = {}) const override { return static_cast<int>(rows_.size()); }
    int columnCount(const QModelIndex& = {}) const override { return ColumnCount; }
    QVariant headerData(int section, Qt::Orientation orientation, int role) const override {
        if (orientation != Qt::Horizontal || role != Qt::DisplayRole)
            return {};
        const QString names[] = {LineUpTable::tr("Your files"),
                                 LineUpTable::tr("Length"),
                                 LineUpTable::tr("Match"),
                                 LineUpTable::tr("No."),
                                 LineUpTable::tr("Track of the reference"),
                                 LineUpTable::tr("Length"),
                                 LineUpTable::tr("ISRC")};
        return names[section];
    }
    Qt::ItemFlags flags(const QModelIndex& index) const override {
        if (!index.isValid())
            return Qt::NoItemFlags;
        return QAbstractTableModel::flags(index) | Qt::ItemIsDropEnabled |
               (row(index.row()).file >= 0 || row(index.row()).stray > 0 ? Qt::ItemIsDragEnabled
                                                                         : Qt::NoItemFlags);
    }
    QStringList mimeTypes() const override { return {rowMime}; }
    Qt::DropActions supportedDropActions() const override { return Qt::MoveAction; }
    QMimeData* mimeData(const QModelIndexList& indexes) const override {
        auto* data = new QMimeData;
        data->setData(rowMime, QByteArray::number(indexes.isEmpty() ? -1 : indexes[0].row()));
        return data;
    }
    bool dropMimeData(const QMimeData* data, Qt::DropAction, int, int, const QModelIndex& parent) override {
        bool is = false;
        const int from = data->data(rowMime).toInt(&is);
        if (!is || from < 0 || from >= rowCount() || !parent.isValid())
            return false;
        // Not while the view is still in the middle of the drag.
        QMetaObject::invokeMethod(
            this, [this, from, to = parent.row()] { moved(from, to); }, Qt::QueuedConnection);
        return false; // nothing is to be removed by the view
    }

    QVariant data(const QModelIndex& index, int role) const override {
        const Row& r = row(index.row());
        if (r.stray > 0)
            return strayData(r, index, role);
        const matching::Candidate& c = candidate_;
        const matching::FileClues* file = r.file < 0 ? nullptr : &files_[static_cast<size_t>(r.file)];
        const reference::Track* track = nullptr;
        if (r.track >= 0) {
            const auto [m, t] = tracks_[static_cast<size_t>(r.track)];
            track = &c.release.media[m].tracks[t];
        }
        const matching::Fit* fit =
            r.track >= 0 && file ? &c.seating.fits[static_cast<size_t>(r.track)] : nullptr;
        if (role == toneRole)
            return static_cast<int>(toneOf(fit, file != nullptr));
        if (role == fileRole)
            return file != nullptr;
        if (role == Qt::FontRole && (index.column() == File || index.column() == Isrc))
            return theme::monoFont();
        if (role == Qt::FontRole && index.column() == Title)
            return theme::uiFont(13, QFont::Medium);
        if (role == Qt::TextAlignmentRole &&
            (index.column() == FileLength || index.column() == TrackLength || index.column() == Number))
            return QVariant(Qt::AlignRight | Qt::AlignVCenter);
        if (role == Qt::ForegroundRole)
            return (index.column() == File ? !file : !track) ? theme::colours().third : QVariant();
        if (role == Qt::ToolTipRole)
            return tip(index.column(), file, track, fit);
        if (role != Qt::DisplayRole && role != Qt::AccessibleTextRole)
            return {};
        switch (index.column()) {
        case File: {
            const FilePtr f = fileAt(index.row());
            return f ? shownName(f->path) : LineUpTable::tr("empty seat");
        }
        case FileLength:
            return file && file->lengthMs > 0 ? shownLength(static_cast<double>(file->lengthMs) / 1000)
                                              : QString();
        case Match: {
            const QString words = wordsOf(fit, file != nullptr, r.track >= 0);
            const QString speed = fit && fit->sound ? speedOf(*file, r.track) : QString();
            return speed.isEmpty() ? words : words + ", " + speed;
        }
        case Number:
            return track ? numberOf(r.track) : QString();
        case Title: {
            if (!track)
                return LineUpTable::tr("not on this release");
            const QString own = track->credit.names.empty() ? QString() : qs(track->credit.text());
            return own.isEmpty() || own == qs(c.release.credit.text()) ? qs(track->title)
                                                                       : qs(track->title) + " \u00B7 " + own;
        }
        case TrackLength:
            return track && track->lengthMs > 0 ? shownLength(static_cast<double>(track->lengthMs) / 1000)
                                                : QString();
        case Isrc:
            return track && !track->isrcs.empty() ? qs(track->isrcs[0]) : QString();
        default:
            return {};
        }
    }

private:
    /// "1.5 % fast"; "" where it plays as it should.
    QString speedOf(const matching::FileClues& file, int track) const {
        const auto [m, t] = tracks_[static_cast<size_t>(track)];
        return qs(matching::speedText(matching::speedOf(
            file, candidate_.reference + "/" + candidate_.release.media[m].tracks[t].recording)));
    }
    QVariant strayData(const Row& r, const QModelIndex& index, int role) const {
        const FilePtr f = use_.files.file(r.stray);
        if (role == toneRole)
            return static_cast<int>(paint::Tone::Neutral);
        if (role == Qt::FontRole && index.column() == File)
            return theme::monoFont();
        if (role == Qt::ForegroundRole)
            return theme::colours().second;
        if (role == Qt::TextAlignmentRole && index.column() == FileLength)
            return QVariant(Qt::AlignRight | Qt::AlignVCenter);
        if (role == Qt::ToolTipRole)
            return index.column() == Match
                       ? LineUpTable::tr("It stands for itself. Drag it to a seat, or press Enter.")
                       : QVariant();
        if (role != Qt::DisplayRole && role != Qt::AccessibleTextRole)
            return {};
        switch (index.column()) {
        case File:
            return f ? shownName(f->path) : QString();
        case FileLength:
            return f && f->tags.facts.duration > 0 ? shownLength(f->tags.facts.duration) : QString();
        case Match:
            return LineUpTable::tr("a stray");
        case Title:
            return LineUpTable::tr("may be %1").arg(trackName(r.fits.track));
        default:
            return {};
        }
    }
    static paint::Tone toneOf(const matching::Fit* fit, bool hasFile) {
        if (!fit)
            return hasFile ? paint::Tone::Attention : paint::Tone::Neutral;
        const bool sound = fit->sound && *fit->sound >= 0.6;
        const bool name = sound || fit->sameCode || (fit->title && *fit->title >= 0.6);
        const bool length = fit->length && *fit->length >= 0.5;
        if (fit->sound && *fit->sound == 0)
            return paint::Tone::Wrong; // it is known to be another one
        if (sound || (name && (length || !fit->length)))
            return paint::Tone::Good;
        return name || length ? paint::Tone::Attention : paint::Tone::Wrong;
    }
    static QString wordsOf(const matching::Fit* fit, bool hasFile, bool hasTrack) {
        if (!fit)
            return hasFile ? LineUpTable::tr("no seat") : hasTrack ? LineUpTable::tr("no file") : QString();
        const bool name = fit->title && *fit->title >= 0.6, length = fit->length && *fit->length >= 0.5;
        if (fit->sound && *fit->sound == 0)
            return LineUpTable::tr("sounds otherwise");
        if (fit->sound && *fit->sound >= 0.6)
            return name ? LineUpTable::tr("sound + name") : LineUpTable::tr("sound");
        if (fit->sameCode)
            return length ? LineUpTable::tr("code + length") : LineUpTable::tr("code");
        if (name && length)
            return LineUpTable::tr("name + length");
        if (name)
            return fit->length ? LineUpTable::tr("name, other length") : LineUpTable::tr("name");
        if (length)
            return fit->title ? LineUpTable::tr("length only") : LineUpTable::tr("length");
        return fit->number && *fit->number > 0 ? LineUpTable::tr("number only") : LineUpTable::tr("by hand");
    }
    static QString tip(int column, const matching::FileClues* file, const reference::Track* track,
                       const matching::Fit* fit) {
        if (column != Match || !fit || !file || !track)
            return {};
        QStringList lines;
        if (fit->sound)
            lines << LineUpTable::tr("Sound: %1").arg(*fit->sound, 0, 'f', 2);
        if (fit->sameCode)
            lines << LineUpTable::tr("The same ISRC");
        if (fit->title)
            lines << LineUpTable::tr("Name: %1").arg(*fit->title, 0, 'f', 2);
        if (fit->length)
            lines << LineUpTable::tr("Length: %1 s apart").arg(std::abs(fit->secondsApart), 0, 'f', 1);
        if (fit->number)
            lines << (*fit->number > 0 ? LineUpTable::tr("The same track number")
                                       : LineUpTable::tr("Another track number"));
        return lines.join('\n');
    }

    LineUpTable::Uses use_;
    std::string sleeve_;
    matching::Candidate candidate_;
    std::vector<matching::FileClues> files_;
    std::vector<Row> rows_;
    std::vector<std::pair<size_t, size_t>> tracks_;
};

namespace {

class SeatDelegate : public QStyledItemDelegate {
public:
    using QStyledItemDelegate::QStyledItemDelegate;
    void paint(QPainter* p, const QStyleOptionViewItem& option, const QModelIndex& index) const override {
        const auto& c = theme::colours();
        if (index.column() == Match) {
            QStyleOptionViewItem plain = option;
            initStyleOption(&plain, index);
            plain.text.clear();
            plain.widget->style()->drawPrimitive(QStyle::PE_PanelItemViewItem, &plain, p, plain.widget);
            const auto tone = static_cast<paint::Tone>(index.data(toneRole).toInt());
            const QString words = index.data().toString();
            const int width = paint::pillWidth(words);
            const QRect r = option.rect;
            const bool joined = tone != paint::Tone::Neutral && words != LineUpTable::tr("no seat");
            if (joined) {
                p->fillRect(QRect(r.left() + 4, r.center().y(), r.width() - 8, 2), paint::ink(tone));
                p->fillRect(QRect(r.center().x() - width / 2 - 3, r.top() + 2, width + 6, r.height() - 4),
                            option.state & QStyle::State_Selected ? c.fjordBack : c.panel);
            }
            paint::pill(*p, r.center().x() + width / 2, r, words, tone);
        } else {
            QStyledItemDelegate::paint(p, option, index);
        }
        p->fillRect(QRect(option.rect.left(), option.rect.bottom(), option.rect.width(), 1), c.faint);
    }
};

} // namespace

LineUpTable::LineUpTable(const Uses& use, QWidget* parent)
    : QTableView(parent), use_(use), model_(new LineUpModel(use, this)) {
    setModel(model_);
    setItemDelegate(new SeatDelegate(this));
    setObjectName("panel");
    setFrameShape(NoFrame);
    setShowGrid(false);
    verticalHeader()->hide();
    verticalHeader()->setDefaultSectionSize(28);
    verticalHeader()->setSectionResizeMode(QHeaderView::Fixed);
    horizontalHeader()->setDefaultAlignment(Qt::AlignLeft | Qt::AlignVCenter);
    horizontalHeader()->setHighlightSections(false);
    const int widths[] = {236, 58, 172, 46, 220, 58, 118};
    for (int i = 0; i < ColumnCount; ++i)
        setColumnWidth(i, widths[i]);
    horizontalHeader()->setSectionResizeMode(Title, QHeaderView::Stretch);
    setSelectionBehavior(SelectRows);
    setSelectionMode(SingleSelection);
    setTabKeyNavigation(false);
    setDragEnabled(true);
    setAcceptDrops(true);
    setDragDropMode(InternalMove);
    setDragDropOverwriteMode(true);
    setDropIndicatorShown(true);
    setAccessibleName(tr("Line-up"));
    model_->moved = [this](int from, int to) { move(from, to); };
    connect(this, &QTableView::doubleClicked, this, [this](const QModelIndex& index) {
        if (const FilePtr f = model_->fileAt(index.row()))
            emit playRequested(f->id);
    });
}

void LineUpTable::show(const std::string& sleeve) {
    const int row = model_->sleeve() == sleeve ? currentIndex().row() : -1;
    model_->show(sleeve);
    if (row >= 0 && row < model_->rowCount())
        setCurrentIndex(model_->index(row, 0));
}

void LineUpTable::move(int from, int to) {
    if (from == to || from < 0 || to < 0 || from >= model_->rowCount() || to >= model_->rowCount())
        return;
    const auto source = model_->row(from), target = model_->row(to);
    const std::string sleeve = model_->sleeve();
    if (source.stray > 0 && target.track >= 0) {
        use_.identify.seatStray(sleeve, source.stray, target.track);
        return;
    }
    if (source.file < 0)
        return;
    use_.identify.seat(sleeve, static_cast<size_t>(source.file), target.track);
    // The hand stays on the file.
    for (int row = 0; row < model_->rowCount(); ++row)
        if (model_->row(row).file == source.file)
            setCurrentIndex(model_->index(row, 0));
}

void LineUpTable::keyPressEvent(QKeyEvent* event) {
    const int row = currentIndex().row();
    if (row >= 0 && model_->row(row).stray == 0 && event->modifiers() == Qt::AltModifier &&
        (event->key() == Qt::Key_Up || event->key() == Qt::Key_Down)) {
        move(row, row + (event->key() == Qt::Key_Up ? -1 : 1));
        return;
    }
    if (row >= 0 && (event->key() == Qt::Key_Return || event->key() == Qt::Key_Enter)) {
        if (const auto r = model_->row(row); r.stray > 0)
            use_.identify.seatStray(model_->sleeve(), r.stray, r.fits.track);
        return;
    }
    if (row >= 0 && event->key() == Qt::Key_Delete) {
        if (const auto r = model_->row(row); r.file >= 0 && r.track >= 0)
            use_.identify.seat(model_->sleeve(), static_cast<size_t>(r.file), -1);
        return;
    }
    QTableView::keyPressEvent(event);
}

void LineUpTable::contextMenuEvent(QContextMenuEvent* event) {
    const QModelIndex at =
        event->reason() == QContextMenuEvent::Keyboard ? currentIndex() : indexAt(event->pos());
    if (!at.isValid())
        return;
    const auto r = model_->row(at.row());
    const std::string sleeve = model_->sleeve();
    QMenu menu(this);
    if (const FilePtr f = model_->fileAt(at.row()))
        menu.addAction(tr("Play %1").arg(shownName(f->path)), this,
                       [this, id = f->id] { emit playRequested(id); });
    if (r.stray > 0)
        menu.addAction(tr("Seat it as %1").arg(model_->trackName(r.fits.track)), QKeySequence(Qt::Key_Return),
                       this, [this, sleeve, r] { use_.identify.seatStray(sleeve, r.stray, r.fits.track); });
    if (r.file >= 0 && r.track >= 0)
        menu.addAction(tr("Leave this seat empty"), QKeySequence(Qt::Key_Delete), this,
                       [this, sleeve, r] { use_.identify.seat(sleeve, static_cast<size_t>(r.file), -1); });
    if (r.track >= 0) {
        QMenu* here = menu.addMenu(tr("Seat here"));
        for (int row = 0; row < model_->rowCount(); ++row)
            if (const FilePtr f = model_->fileAt(row); f && row != at.row())
                here->addAction(shownName(f->path), this, [this, row, to = at.row()] { move(row, to); });
        here->setEnabled(!here->isEmpty());
    }
    menu.addSeparator();
    menu.addAction(tr("Seat all as found"), this, [this, sleeve] { use_.identify.seatAnew(sleeve); });
    menu.addAction(tr("Seat all by sound"), this, [this, sleeve] { use_.identify.identifyBySound(sleeve); });
    menu.exec(event->globalPos());
}

} // namespace moorfrost::app
