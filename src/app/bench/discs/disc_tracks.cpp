// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/discs/disc_tracks.h"

#include <QHeaderView>
#include <QPainter>
#include <QStyledItemDelegate>

#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/paint.h"

namespace moorfrost::app {

namespace {

using State = RipController::Track::State;
using As = disc::HeardTrack::As;

paint::Tone toneOf(const RipController::Track& t) {
    return t.state == State::Failed || t.bad > 0 || t.heard.as == As::Other ? paint::Tone::Wrong
           : t.state != State::Ripped                                       ? paint::Tone::Neutral
           : t.report.agree > 0                    ? paint::Tone::Good // others have read the very same
           : t.doubtful > 0 || t.report.others > 0 ? paint::Tone::Attention
                                                   : paint::Tone::Good;
}

/// An editor is filled when it opens and not again: what is told meanwhile must not take what is typed.
class WordsDelegate : public QStyledItemDelegate {
public:
    using QStyledItemDelegate::QStyledItemDelegate;
    void setEditorData(QWidget* editor, const QModelIndex& index) const override {
        if (editor->property("filled").toBool())
            return;
        editor->setProperty("filled", true);
        QStyledItemDelegate::setEditorData(editor, index);
    }
    /// What is another than the disc says is a draft: it goes into the new file.
    void paint(QPainter* p, const QStyleOptionViewItem& option, const QModelIndex& index) const override {
        const bool changed = index.data(DiscTrackModel::ChangedRole).toBool();
        if (changed && !(option.state & QStyle::State_Selected))
            p->fillRect(option.rect, theme::colours().heatherBack);
        QStyledItemDelegate::paint(p, option, index);
        if (changed)
            paint::notch(*p, option.rect);
    }
};

class ReadingDelegate : public QStyledItemDelegate {
public:
    using QStyledItemDelegate::QStyledItemDelegate;
    void paint(QPainter* p, const QStyleOptionViewItem& option, const QModelIndex& index) const override {
        QStyleOptionViewItem plain = option;
        initStyleOption(&plain, index);
        plain.text.clear();
        option.widget->style()->drawControl(QStyle::CE_ItemViewItem, &plain, p, option.widget);
        const auto& c = theme::colours();
        const paint::Mirror side(*p, option.rect);
        QRect room = option.rect.adjusted(8, 0, -8, 0);
        const double share = index.data(DiscTrackModel::ShareRole).toDouble();
        const auto tone = static_cast<paint::Tone>(index.data(DiscTrackModel::ToneRole).toInt());
        p->save();
        if (share >= 0) {
            const QRect bar(room.left(), room.center().y() - 3, 46, 7);
            p->setRenderHint(QPainter::Antialiasing);
            p->setPen(Qt::NoPen);
            p->setBrush(c.faint);
            p->drawRoundedRect(side(bar), 3, 3);
            p->setBrush(tone == paint::Tone::Neutral ? c.fjord : paint::ink(tone));
            if (const int width = qRound(bar.width() * share); width > 0)
                p->drawRoundedRect(side(QRect(bar.left(), bar.top(), width, bar.height())), 3, 3);
            room.setLeft(bar.right() + 9);
        }
        p->setPen(tone == paint::Tone::Neutral ? c.second : paint::ink(tone));
        p->setFont(theme::uiFont(13));
        p->drawText(side(room), Qt::AlignVCenter | Qt::AlignLeft,
                    p->fontMetrics().elidedText(index.data().toString(), Qt::ElideRight, room.width()));
        p->restore();
    }
};

} // namespace

DiscTrackModel::DiscTrackModel(DiscsController& discs, RipController& rips, QObject* parent)
    : QAbstractTableModel(parent), discs_(discs), rips_(rips) {}

std::string DiscTrackModel::fieldOf(int column) {
    switch (column) {
    case Title:
        return "title";
    case Artist:
        return "artist";
    case Composer:
        return "composer";
    case Isrc:
        return "isrc";
    default:
        return {};
    }
}

const RipController::Track& DiscTrackModel::rip(int row) const {
    static const RipController::Track none;
    const std::vector<RipController::Track>& tracks = rips_.of(number_).tracks;
    return row >= 0 && static_cast<size_t>(row) < tracks.size() ? tracks[static_cast<size_t>(row)] : none;
}

QString DiscTrackModel::readingText(int row) const {
    const DiscsController::Track& t = *track(row);
    const RipController::Track& r = rip(row);
    switch (r.state) {
    case State::Waiting:
        return t.wanted              ? QString()
               : t.entry.number == 0 ? tr("before track 1: tick it to keep it")
               : t.entry.audio       ? tr("left out")
                                     : tr("data");
    case State::Reading:
        return r.doubtful > 0 ? tr("%1, %n read again", "", static_cast<int>(r.doubtful))
                                    .arg(qs(disc::shownTime(r.done)))
                              : qs(disc::shownTime(r.done));
    case State::Failed:
        return spoken(r.report.error);
    case State::Ripped:
        break;
    }
    if (r.heard.as == As::Other)
        return tr("sounds like %1").arg(qs(r.heard.other));
    if (r.bad > 0)
        return tr("%n sector(s) not proven", "", static_cast<int>(r.bad));
    if (r.report.agree > 0)
        return tr("%n other(s) read the same", "", r.report.agree);
    if (r.report.others > 0)
        return tr("%n other(s) read it otherwise", "", r.report.others);
    return r.doubtful > 0 ? tr("proven, %n read again", "", static_cast<int>(r.doubtful))
                          : tr("two readings agree");
}

QString DiscTrackModel::readingTip(int row) const {
    const RipController::Track& r = rip(row);
    QStringList lines{readingText(row)};
    if (r.state == State::Ripped && r.doubtful == 0)
        lines << tr("All its sectors read the same twice.");
    if (r.doubtful > 0)
        lines
            << tr("Sectors that did not read the same at once: %1, of them never proven: %2. Where they are "
                  "is in the report.")
                   .arg(r.doubtful)
                   .arg(r.bad);
    if (r.report.agree >= 0)
        lines << tr("Readings of others: %1 the same, %2 something else.")
                     .arg(r.report.agree)
                     .arg(r.report.others);
    if (r.state == State::Ripped && !r.report.file.empty())
        lines << shownPath(r.report.file) << tr("CRC-32 %1").arg(r.report.crc, 8, 16, QChar('0'));
    return lines.join('\n');
}

void DiscTrackModel::setDisc(int number) {
    beginResetModel();
    number_ = number;
    const DiscsController::Disc* d = discs_.find(number);
    rows_ = d ? static_cast<int>(d->tracks.size()) : 0;
    endResetModel();
}

void DiscTrackModel::refresh() {
    if (rows_ > 0 && discs_.find(number_))
        emit dataChanged(index(0, 0), index(rows_ - 1, Columns - 1));
}

const DiscsController::Track* DiscTrackModel::track(int row) const {
    const DiscsController::Disc* d = discs_.find(number_);
    return d && row >= 0 && static_cast<size_t>(row) < d->tracks.size() ? &d->tracks[static_cast<size_t>(row)]
                                                                        : nullptr;
}

int DiscTrackModel::rowCount(const QModelIndex& parent) const {
    return parent.isValid() ? 0 : rows_;
}

QVariant DiscTrackModel::data(const QModelIndex& index, int role) const {
    const DiscsController::Track* t = track(index.row());
    if (!t)
        return {};
    if (role == Qt::CheckStateRole && index.column() == Number)
        return t->wanted ? Qt::Checked : Qt::Unchecked;
    if (role == Qt::TextAlignmentRole)
        return QVariant(Qt::AlignVCenter |
                        (index.column() == Length || index.column() == Gap ? Qt::AlignRight : Qt::AlignLeft));
    if (role == ShareRole) {
        const RipController::Track& r = rip(index.row());
        const bool whole = r.state == State::Ripped;
        return whole                       ? 1.0
               : r.state == State::Reading ? static_cast<double>(r.done) / std::max(1, t->entry.length)
                                           : -1.0;
    }
    if (role == ToneRole)
        return static_cast<int>(toneOf(rip(index.row())));
    if (role == ChangedRole) { // what is in a file is no draft
        const std::string field = fieldOf(index.column());
        return !field.empty() && !t->fixed && t->isChanged(field);
    }
    if (role == Qt::FontRole && index.column() == Isrc)
        return theme::monoFont();
    if (role == Qt::ToolTipRole && index.column() == Reading)
        return readingTip(index.row());
    if (role == Qt::ToolTipRole && t->isChanged(fieldOf(index.column())))
        return tr("The disc says: %1")
            .arg(t->own.contains(fieldOf(index.column()))
                     ? qs(tags::shownValue(t->own, fieldOf(index.column())))
                     : tr("nothing"));
    if (role != Qt::DisplayRole && role != Qt::EditRole)
        return {};
    switch (index.column()) {
    case Number:
        return QString::number(t->entry.number);
    case Title:
    case Artist:
    case Composer:
    case Isrc:
        return qs(tags::shownValue(t->fields, fieldOf(index.column())));
    case Length:
        return qs(disc::shownTime(t->entry.length));
    case Gap:
        return t->entry.gap > 0 ? qs(disc::shownTime(t->entry.gap)) : QString();
    case Reading:
        return readingText(index.row());
    default:
        return {};
    }
}

bool DiscTrackModel::setData(const QModelIndex& index, const QVariant& value, int role) {
    if (role == Qt::CheckStateRole && index.column() == Number) {
        discs_.setWanted(number_, static_cast<size_t>(index.row()), value.toInt() == Qt::Checked);
        return true;
    }
    const std::string field = fieldOf(index.column());
    const DiscsController::Track* t = track(index.row());
    if (role != Qt::EditRole || field.empty() || !t ||
        qs(tags::shownValue(t->fields, field)) == value.toString())
        return false;
    discs_.setField(number_, index.row(), field, ss(value.toString()));
    emit dataChanged(index, index);
    return true;
}

QVariant DiscTrackModel::headerData(int section, Qt::Orientation orientation, int role) const {
    if (orientation != Qt::Horizontal)
        return {};
    if (role == Qt::TextAlignmentRole)
        return QVariant(Qt::AlignVCenter |
                        (section == Length || section == Gap ? Qt::AlignRight : Qt::AlignLeft));
    if (role != Qt::DisplayRole)
        return {};
    const QString names[] = {tr("No."),    tr("Title"), tr("Artist"), tr("Composer"),
                             tr("Length"), tr("Gap"),   tr("ISRC"),   tr("Reading")};
    return section < Columns ? names[section] : QString();
}

Qt::ItemFlags DiscTrackModel::flags(const QModelIndex& index) const {
    Qt::ItemFlags out = Qt::ItemIsEnabled | Qt::ItemIsSelectable;
    const DiscsController::Track* t = track(index.row());
    const DiscsController::Disc* d = discs_.find(number_);
    if (!t || !d || d->busy || t->fixed)
        return out;
    if (index.column() == Number && t->entry.audio)
        out |= Qt::ItemIsUserCheckable;
    if (!fieldOf(index.column()).empty())
        out |= Qt::ItemIsEditable;
    return out;
}

DiscTrackTable::DiscTrackTable(DiscTrackModel* model, QWidget* parent) : QTableView(parent) {
    setModel(model);
    setAccessibleName(tr("Tracks of the disc"));
    setItemDelegate(new WordsDelegate(this));
    setItemDelegateForColumn(DiscTrackModel::Reading, new ReadingDelegate(this));
    setShowGrid(false);
    setSelectionBehavior(QAbstractItemView::SelectItems);
    setSelectionMode(QAbstractItemView::SingleSelection);
    setEditTriggers(QAbstractItemView::DoubleClicked | QAbstractItemView::EditKeyPressed |
                    QAbstractItemView::AnyKeyPressed);
    setTabKeyNavigation(false);
    setWordWrap(false);
    verticalHeader()->hide();
    verticalHeader()->setDefaultSectionSize(30);
    horizontalHeader()->setHighlightSections(false);
    const int widths[] = {52, 150, 130, 104, 58, 46, 116, 220};
    for (int c = 0; c < DiscTrackModel::Columns; ++c)
        setColumnWidth(c, widths[c]);
    for (const int c : {DiscTrackModel::Title, DiscTrackModel::Artist})
        horizontalHeader()->setSectionResizeMode(c, QHeaderView::Stretch);
    horizontalHeader()->setMinimumSectionSize(44);
}

void DiscTrackTable::setTold(bool composers, bool codes) {
    composers_ = composers;
    codes_ = codes;
    fit();
}

void DiscTrackTable::resizeEvent(QResizeEvent* event) {
    QTableView::resizeEvent(event);
    fit();
}

void DiscTrackTable::fit() {
    constexpr int forCodes = 640, forAll = 740;
    setColumnHidden(DiscTrackModel::Isrc, !codes_ || width() < forCodes);
    setColumnHidden(DiscTrackModel::Composer, !composers_ || width() < forAll);
}

} // namespace moorfrost::app
