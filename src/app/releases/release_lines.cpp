// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/releases/release_lines.h"

#include <QPainter>
#include <QStyledItemDelegate>

#include <algorithm>
#include <set>
#include <utility>

#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/covers.h"
#include "app/widgets/paint.h"

namespace moorfrost::app {

namespace {

enum Role { SecondRole = Qt::UserRole + 1, EntryRole, EditionRole };
constexpr int lineHeight = 54, coverSide = 38, leftEdge = 12;

QString joined(std::initializer_list<QString> parts) {
    QStringList out;
    for (const QString& part : parts)
        if (!part.isEmpty())
            out << part;
    return out.join(" \u00B7 ");
}

} // namespace

QString editionLine(const library::ReleaseEntry& e) {
    const QString line = joined({qs(e.carrier), qs(e.country), qs(e.number)});
    if (!line.isEmpty())
        return line;
    return e.edition.empty() ? ReleaseLines::tr("an edition of which nothing is known") : qs(e.edition);
}

class ReleaseLineModel : public QAbstractListModel {
public:
    using QAbstractListModel::QAbstractListModel;

    void show(ReleasesController::List list, const QString& words, library::ReleaseOrder order) {
        beginResetModel();
        list_ = std::move(list);
        lines_ = list_ ? list_->lines(ss(words), order) : std::vector<library::ReleaseList::Line>();
        endResetModel();
    }
    const std::vector<library::ReleaseList::Line>& lines() const { return lines_; }
    const ReleasesController::List& list() const { return list_; }
    int rowCount(const QModelIndex& parent = {}) const override {
        return parent.isValid() ? 0 : static_cast<int>(lines_.size());
    }
    QVariant data(const QModelIndex& index, int role) const override {
        if (!index.isValid() || !list_)
            return {};
        const auto& line = lines_[static_cast<size_t>(index.row())];
        const library::ReleaseEntry& e = list_->entries()[line.entry];
        const bool edition = line.inSet && !line.isHead;
        const QString title = e.title.empty() ? ReleaseLines::tr("without a title") : qs(e.title);
        switch (role) {
        case Qt::DisplayRole:
            return edition ? editionLine(e) : title;
        case SecondRole:
            if (line.isHead)
                return joined(
                    {qs(e.artist), ReleaseLines::tr("%n edition(s)", "", static_cast<int>(line.editions))});
            if (edition)
                return joined({qs(e.date), qs(e.edition),
                               ReleaseLines::tr("%n track(s)", "", static_cast<int>(e.tracks))});
            return joined({qs(e.artist), qs(e.carrier), qs(e.date).left(4), qs(e.number)});
        case EntryRole:
            return QVariant::fromValue<qulonglong>(line.entry);
        case EditionRole:
            return edition;
        case Qt::AccessibleTextRole:
            return joined(
                {title, edition ? editionLine(e) : qs(e.artist), data(index, SecondRole).toString()});
        default:
            return {};
        }
    }

private:
    ReleasesController::List list_;
    std::vector<library::ReleaseList::Line> lines_;
};

namespace {

class LineDelegate : public QStyledItemDelegate {
public:
    LineDelegate(std::function<QPixmap(size_t)> cover, QObject* parent)
        : QStyledItemDelegate(parent), cover_(std::move(cover)) {}
    QSize sizeHint(const QStyleOptionViewItem&, const QModelIndex&) const override {
        return {120, lineHeight};
    }
    void paint(QPainter* p, const QStyleOptionViewItem& option, const QModelIndex& index) const override {
        const auto& c = theme::colours();
        const QRect r = option.rect;
        p->save();
        paint::listRow(*p, r, option.state & QStyle::State_Selected, option.state & QStyle::State_HasFocus);
        const QRect cover(r.left() + leftEdge, r.top() + (r.height() - coverSide) / 2, coverSide, coverSide);
        const paint::Mirror side(*p, r);
        const bool edition = index.data(EditionRole).toBool();
        if (!edition) {
            const QPixmap picture = cover_(index.data(EntryRole).toULongLong());
            if (picture.isNull())
                paint::blankCover(*p, side(cover), "release");
            else
                p->drawPixmap(side(cover), picture);
        } else { // what holds the editions of a set together
            p->setPen(QPen(c.line, 1.4));
            const QRect at = side(cover);
            const int x = at.center().x();
            p->drawLine(x, r.top(), x, r.center().y());
            p->drawLine(x, r.center().y(), side.isOn() ? at.left() : at.right(), r.center().y());
        }
        const int left = cover.right() + 10, width = r.right() - 10 - left;
        p->setFont(theme::uiFont(13, edition ? QFont::Medium : QFont::DemiBold));
        p->setPen(c.ink);
        p->drawText(side(QRect(left, r.top() + 9, width, 18)), Qt::AlignVCenter,
                    p->fontMetrics().elidedText(index.data().toString(), Qt::ElideRight, width));
        p->setFont(theme::uiFont(12));
        p->setPen(c.second);
        p->drawText(side(QRect(left, r.top() + 27, width, 18)), Qt::AlignVCenter,
                    p->fontMetrics().elidedText(index.data(SecondRole).toString(), Qt::ElideRight, width));
        p->restore();
    }

private:
    std::function<QPixmap(size_t)> cover_;
};

} // namespace

ReleaseLines::ReleaseLines(QWidget* parent) : QListView(parent), model_(new ReleaseLineModel(this)) {
    setModel(model_);
    setUniformItemSizes(true);
    setSelectionMode(ExtendedSelection);
    setFrameShape(NoFrame);
    setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    setVerticalScrollMode(ScrollPerPixel);
    setContextMenuPolicy(Qt::CustomContextMenu);
    setAccessibleName(tr("Releases"));
    connect(this, &QWidget::customContextMenuRequested, this,
            [this](const QPoint& at) { emit menuWanted(viewport()->mapToGlobal(at)); });
    connect(&Covers::instance(), &Covers::ready, viewport(), qOverload<>(&QWidget::update));
}

void ReleaseLines::setCovers(std::function<QPixmap(const library::ReleaseEntry&)> cover) {
    setItemDelegate(new LineDelegate(
        [this, cover = std::move(cover)](size_t entry) {
            const auto& list = model_->list();
            return list && entry < list->entries().size() ? cover(list->entries()[entry]) : QPixmap();
        },
        this));
}

void ReleaseLines::show(ReleasesController::List list, const QString& words, library::ReleaseOrder order) {
    std::optional<library::ReleaseRef> had;
    if (const size_t entry = chosen(); entry != SIZE_MAX)
        had = model_->list()->entries()[entry].ref;
    showing_ = true;
    const bool hadFocus = currentIndex().isValid();
    const int row = currentIndex().row();
    model_->show(std::move(list), words, order);
    size_t entry = SIZE_MAX;
    if (had && model_->list())
        entry = model_->list()->find(*had);
    if (entry == SIZE_MAX || !choose(entry))
        if (hadFocus && model_->rowCount() > 0)
            setCurrentIndex(model_->index(std::clamp(row, 0, model_->rowCount() - 1)));
    showing_ = false;
    emit chosenChanged();
}

size_t ReleaseLines::chosen() const {
    const QModelIndex index = currentIndex();
    return index.isValid() ? model_->lines()[static_cast<size_t>(index.row())].entry : SIZE_MAX;
}

std::vector<size_t> ReleaseLines::allChosen() const {
    std::set<size_t> out;
    for (const QModelIndex& index : selectionModel()->selectedIndexes()) {
        const auto& line = model_->lines()[static_cast<size_t>(index.row())];
        if (!line.isHead)
            out.insert(line.entry);
        else
            for (const size_t edition : model_->list()->editionsOf(line.entry))
                out.insert(edition);
    }
    return {out.begin(), out.end()};
}

bool ReleaseLines::choose(size_t entry) {
    const auto& lines = model_->lines();
    const auto line =
        std::ranges::find_if(lines, [&](const auto& l) { return l.entry == entry && !l.isHead; });
    if (line == lines.end())
        return false;
    const QModelIndex index = model_->index(static_cast<int>(line - lines.begin()));
    selectionModel()->setCurrentIndex(index, QItemSelectionModel::ClearAndSelect);
    scrollTo(index);
    return true;
}

size_t ReleaseLines::releases() const {
    return static_cast<size_t>(
        std::ranges::count_if(model_->lines(), [](const auto& l) { return !l.isHead; }));
}

void ReleaseLines::selectionChanged(const QItemSelection& selected, const QItemSelection& deselected) {
    QListView::selectionChanged(selected, deselected);
    if (!showing_)
        emit chosenChanged();
}

} // namespace moorfrost::app
