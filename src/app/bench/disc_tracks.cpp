// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/disc_tracks.h"

#include <QHeaderView>
#include <QPainter>
#include <QStyledItemDelegate>

#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/paint.h"

namespace moorfrost::app {

namespace {

using State = DiscsController::Track::State;

QString readingText(const DiscsController::Track& t) {
    switch (t.state) {
    case State::Waiting:
        return t.wanted              ? QString()
               : t.entry.number == 0 ? DiscTrackModel::tr("before track 1: tick it to keep it")
               : t.entry.audio       ? DiscTrackModel::tr("left out")
                                     : DiscTrackModel::tr("data");
    case State::Reading:
        return t.doubtful > 0 ? DiscTrackModel::tr("%1, %n read again", "", static_cast<int>(t.doubtful))
                                    .arg(qs(disc::shownTime(t.done)))
                              : qs(disc::shownTime(t.done));
    case State::Failed:
        return qs(t.report.error);
    case State::Ripped:
        break;
    }
    if (t.bad > 0)
        return DiscTrackModel::tr("%n sector(s) not proven", "", static_cast<int>(t.bad));
    return t.doubtful > 0 ? DiscTrackModel::tr("proven, %n read again", "", static_cast<int>(t.doubtful))
                          : DiscTrackModel::tr("two readings agree");
}

paint::Tone toneOf(const DiscsController::Track& t) {
    return t.state == State::Failed || t.bad > 0 ? paint::Tone::Wrong
           : t.state != State::Ripped            ? paint::Tone::Neutral
           : t.doubtful > 0                      ? paint::Tone::Attention
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
        QRect room = option.rect.adjusted(8, 0, -8, 0);
        const double share = index.data(DiscTrackModel::ShareRole).toDouble();
        const auto tone = static_cast<paint::Tone>(index.data(DiscTrackModel::ToneRole).toInt());
        p->save();
        if (share >= 0) {
            const QRect bar(room.left(), room.center().y() - 3, 70, 7);
            p->setRenderHint(QPainter::Antialiasing);
            p->setPen(Qt::NoPen);
            p->setBrush(c.faint);
            p->drawRoundedRect(bar, 3, 3);
            p->setBrush(tone == paint::Tone::Neutral ? c.fjord : paint::ink(tone));
            if (const int width = qRound(bar.width() * share); width > 0)
                p->drawRoundedRect(QRect(bar.left(), bar.top(), width, bar.height()), 3, 3);
            room.setLeft(bar.right() + 9);
        }
        p->setPen(tone == paint::Tone::Neutral ? c.second : paint::ink(tone));
        p->setFont(theme::uiFont(13));
        p->drawText(room, Qt::AlignVCenter | Qt::AlignLeft,
                    p->fontMetrics().elidedText(index.data().toString(), Qt::ElideRight, room.width()));
        p->restore();
    }
};

} // namespace

DiscTrackModel::DiscTrackModel(DiscsController& discs, QObject* parent)
    : QAbstractTableModel(parent), discs_(discs) {}

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
        const bool whole = t->state == State::Ripped;
        return whole                        ? 1.0
               : t->state == State::Reading ? static_cast<double>(t->done) / std::max(1, t->entry.length)
                                            : -1.0;
    }
    if (role == ToneRole)
        return static_cast<int>(toneOf(*t));
    if (role == Qt::FontRole && index.column() == Isrc)
        return theme::monoFont();
    if (role == Qt::ToolTipRole && index.column() == Reading)
        return t->doubtful > 0 ? readingText(*t) + "\n" +
                                     tr("Sectors that did not read the same at once; where they are "
                                        "is in the report.")
                               : readingText(*t);
    if (role != Qt::DisplayRole && role != Qt::EditRole)
        return {};
    switch (index.column()) {
    case Number:
        return QString::number(t->entry.number);
    case Title:
        return qs(tags::shownValue(t->fields, "title"));
    case Artist:
        return qs(tags::shownValue(t->fields, "artist"));
    case Length:
        return qs(disc::shownTime(t->entry.length));
    case Gap:
        return t->entry.gap > 0 ? qs(disc::shownTime(t->entry.gap)) : QString();
    case Isrc:
        return qs(t->entry.isrc);
    case Reading:
        return readingText(*t);
    default:
        return {};
    }
}

bool DiscTrackModel::setData(const QModelIndex& index, const QVariant& value, int role) {
    if (role == Qt::CheckStateRole && index.column() == Number) {
        discs_.setWanted(number_, static_cast<size_t>(index.row()), value.toInt() == Qt::Checked);
        return true;
    }
    if (role != Qt::EditRole || (index.column() != Title && index.column() != Artist))
        return false;
    discs_.setField(number_, index.row(), index.column() == Title ? "title" : "artist", ss(value.toString()));
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
    const QString names[] = {tr("No."), tr("Title"), tr("Artist"), tr("Length"),
                             tr("Gap"), tr("ISRC"),  tr("Reading")};
    return section < Columns ? names[section] : QString();
}

Qt::ItemFlags DiscTrackModel::flags(const QModelIndex& index) const {
    Qt::ItemFlags out = Qt::ItemIsEnabled | Qt::ItemIsSelectable;
    const DiscsController::Track* t = track(index.row());
    if (!t || discs_.ripping() == number_ || t->state == State::Ripped)
        return out;
    if (index.column() == Number && t->entry.audio)
        out |= Qt::ItemIsUserCheckable;
    if (index.column() == Title || index.column() == Artist)
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
    const int widths[] = {52, 150, 130, 58, 52, 122, 232};
    for (int c = 0; c < DiscTrackModel::Columns; ++c)
        setColumnWidth(c, widths[c]);
    for (const int c : {DiscTrackModel::Title, DiscTrackModel::Artist})
        horizontalHeader()->setSectionResizeMode(c, QHeaderView::Stretch);
    horizontalHeader()->setMinimumSectionSize(44);
}

} // namespace moorfrost::app
