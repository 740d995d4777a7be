// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/sleeve_list.h"

#include <QAbstractListModel>
#include <QPainter>
#include <QScrollBar>
#include <QStyledItemDelegate>

#include <algorithm>

#include "app/shell/theme.h"
#include "app/widgets/covers.h"
#include "app/widgets/file_drag.h"
#include "app/widgets/paint.h"

namespace moorfrost::app {

namespace {

class SleeveDelegate : public QStyledItemDelegate {
public:
    SleeveDelegate(const SleeveList::Uses& use, QObject* parent) : QStyledItemDelegate(parent), use_(use) {}

    QSize sizeHint(const QStyleOptionViewItem&, const QModelIndex&) const override { return {100, 63}; }

    void paint(QPainter* p, const QStyleOptionViewItem& option, const QModelIndex& index) const override {
        const auto& sleeves = use_.sleeves.all();
        auto row = static_cast<size_t>(index.row());
        if (row >= sleeves.size())
            return;
        const SleeveView& s = sleeves[row];
        const auto& c = theme::colours();
        QRect r = option.rect;
        bool chosen = option.state & QStyle::State_Selected;
        p->save();
        paint::listRow(*p, r, chosen, option.state & QStyle::State_HasFocus);
        const paint::Mirror side(*p, r);
        const QRect cover(r.left() + 12, r.top() + 9, 44, 44);
        QPixmap picture;
        if (FilePtr f = use_.files.file(s.coverFile))
            picture = Covers::instance().cover(*f, 44);
        if (picture.isNull())
            paint::blankCover(*p, side(cover), s.isStrays() ? "file" : "sleeve");
        else
            p->drawPixmap(side(cover), picture);
        int left = cover.right() + 11, width = r.right() - left - 10;
        p->setFont(theme::uiFont(13, QFont::DemiBold));
        p->setPen(c.ink);
        p->drawText(side(QRect(left, r.top() + 7, width, 18)), Qt::AlignVCenter | Qt::AlignLeft,
                    p->fontMetrics().elidedText(s.title, Qt::ElideRight, width));
        p->setFont(theme::uiFont(12));
        p->setPen(c.second);
        p->drawText(side(QRect(left, r.top() + 25, width, 17)), Qt::AlignVCenter | Qt::AlignLeft,
                    p->fontMetrics().elidedText(s.line(), Qt::ElideRight, width));
        const int end = left + paint::tally(*p, r, {left, r.top() + 47}, s.readiness.parts, width - 20);
        if (s.byHand)
            p->drawPixmap(side(QRect(end + 6, r.top() + 42, 14, 14)),
                          theme::pixmap("pin", c.second, 14, p->device()->devicePixelRatioF()));
        p->restore();
    }

private:
    SleeveList::Uses use_;
};

} // namespace

class SleeveModel : public QAbstractListModel {
public:
    SleeveModel(const SleeveList::Uses& use, SleeveList* list)
        : QAbstractListModel(list), use_(use), list_(list) {}

    /// True if rows came, went or moved.
    bool refill() {
        std::vector<std::string> keys;
        for (const SleeveView& s : use_.sleeves.all())
            keys.push_back(s.key);
        if (keys == keys_) {
            if (!keys.empty())
                emit dataChanged(index(0), index(rowCount() - 1));
            return false;
        }
        beginResetModel();
        keys_ = std::move(keys);
        endResetModel();
        return true;
    }
    const std::vector<std::string>& keys() const { return keys_; }

    int rowCount(const QModelIndex& parent = {}) const override {
        return parent.isValid() ? 0 : static_cast<int>(keys_.size());
    }
    QVariant data(const QModelIndex& index, int role) const override {
        const auto& sleeves = use_.sleeves.all();
        auto row = static_cast<size_t>(index.row());
        if (row >= sleeves.size())
            return {};
        const SleeveView& s = sleeves[row];
        if (role == Qt::AccessibleTextRole || role == Qt::DisplayRole)
            return s.title + ", " + s.line() + (s.byHand ? ", " + SleeveList::tr("by hand") : QString());
        if (role == Qt::ToolTipRole)
            return s.title + "\n" + s.line() + "\n" + s.why +
                   (s.byHand ? "\n" + SleeveList::tr("Some of it was put here by hand.") : QString()) +
                   "\n\n" + paint::tallyText(s.readiness.parts);
        return {};
    }
    Qt::ItemFlags flags(const QModelIndex& index) const override {
        // Beside the sleeves, too: a drop there makes a new one.
        return index.isValid()
                   ? QAbstractListModel::flags(index) | Qt::ItemIsDropEnabled | Qt::ItemIsDragEnabled
                   : Qt::ItemIsDropEnabled;
    }
    QStringList mimeTypes() const override { return {drag::mimeType}; }
    QMimeData* mimeData(const QModelIndexList& indexes) const override {
        std::vector<FileId> files;
        for (const QModelIndex& i : indexes) {
            const std::vector<FileId>& of = use_.sleeves.all()[static_cast<size_t>(i.row())].files;
            files.insert(files.end(), of.begin(), of.end());
        }
        return drag::dataOf(files).release();
    }
    Qt::DropActions supportedDropActions() const override { return Qt::MoveAction | Qt::CopyAction; }
    bool dropMimeData(const QMimeData* data, Qt::DropAction, int row, int,
                      const QModelIndex& parent) override {
        std::vector<FileId> files = drag::filesOf(data);
        if (files.empty())
            return false;
        if (!parent.isValid()) {
            Q_UNUSED(row);
            emit list_->newSleeveWanted(files);
            return false;
        }
        // After the drag has ended: it must not find other rows under it.
        const std::string key = use_.sleeves.all()[static_cast<size_t>(parent.row())].key;
        QMetaObject::invokeMethod(
            this, [this, files, key] { use_.batch.putIntoSleeve(files, key); }, Qt::QueuedConnection);
        return false; // nothing of what is dragged is to be removed
    }

private:
    SleeveList::Uses use_;
    SleeveList* list_;
    std::vector<std::string> keys_;
};

SleeveList::SleeveList(const Uses& use, QWidget* parent)
    : QListView(parent), use_(use), model_(new SleeveModel(use, this)) {
    setModel(model_);
    setItemDelegate(new SleeveDelegate(use, this));
    setSelectionMode(QAbstractItemView::ExtendedSelection);
    setVerticalScrollMode(QAbstractItemView::ScrollPerPixel);
    setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    setUniformItemSizes(true);
    setDragDropMode(QAbstractItemView::DragDrop);
    setDropIndicatorShown(true);
    setDragDropOverwriteMode(true); // on a sleeve or beside all of them, not between two
    setAccessibleName(tr("Sleeves"));
    connect(&use_.sleeves, &SleeveViews::changed, this, &SleeveList::refill);
    connect(&Covers::instance(), &Covers::ready, viewport(), qOverload<>(&QWidget::update));
    connect(selectionModel(), &QItemSelectionModel::selectionChanged, this, [this] {
        if (!filling_)
            emit chosenChanged();
    });
    refill();
}

void SleeveList::refill() {
    filling_ = true;
    const std::vector<std::string> before = model_->keys();
    std::set<std::string> chosen;
    for (const std::string& key : chosenKeys())
        chosen.insert(key);
    std::optional<std::string> current;
    if (currentIndex().isValid())
        current = before[static_cast<size_t>(currentIndex().row())];
    const int scrolled = verticalScrollBar()->value(); // a new order must not move what is in sight
    if (model_->refill()) {
        const std::vector<std::string>& keys = model_->keys();
        QItemSelection selection;
        for (size_t i = 0; i < keys.size(); ++i) {
            if (current == keys[i])
                selectionModel()->setCurrentIndex(model_->index(static_cast<int>(i)),
                                                  QItemSelectionModel::NoUpdate);
            if (!chosen.contains(keys[i]))
                continue;
            const size_t first = i; // of a run
            while (i + 1 < keys.size() && chosen.contains(keys[i + 1]) && current != keys[i + 1])
                ++i;
            selection.select(model_->index(static_cast<int>(first)), model_->index(static_cast<int>(i)));
        }
        selectionModel()->select(selection, QItemSelectionModel::ClearAndSelect);
        doItemsLayout();
        verticalScrollBar()->setValue(scrolled);
    }
    filling_ = false;
    viewport()->update();
    emit chosenChanged();
}

int SleeveList::count() const {
    return model_->rowCount();
}

void SleeveList::choose(int row) {
    selectionModel()->setCurrentIndex(model_->index(row), QItemSelectionModel::ClearAndSelect);
}

void SleeveList::choose(const std::string& key) {
    const auto& keys = model_->keys();
    if (auto it = std::find(keys.begin(), keys.end(), key); it != keys.end())
        choose(static_cast<int>(it - keys.begin()));
}

std::vector<std::string> SleeveList::chosenKeys() const {
    std::vector<int> rows;
    for (const QModelIndex& i : selectionModel()->selectedIndexes())
        rows.push_back(i.row());
    std::sort(rows.begin(), rows.end());
    std::vector<std::string> out;
    for (int row : rows)
        out.push_back(model_->keys()[static_cast<size_t>(row)]);
    return out;
}

std::vector<const SleeveView*> SleeveList::chosen() const {
    const std::vector<std::string> keys = chosenKeys();
    const std::set<std::string> wanted(keys.begin(), keys.end());
    std::vector<const SleeveView*> out;
    for (const SleeveView& s : use_.sleeves.all())
        if (wanted.empty() || wanted.contains(s.key))
            out.push_back(&s);
    return out;
}

std::vector<FileId> SleeveList::chosenFiles() const {
    std::vector<FileId> out;
    for (const SleeveView* s : chosen())
        for (FileId id : s->files)
            if (FilePtr f = use_.files.file(id); f && f->readable())
                out.push_back(id);
    return out;
}

} // namespace moorfrost::app
