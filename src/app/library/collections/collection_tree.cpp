// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/library/collections/collection_tree.h"

#include <algorithm>
#include <functional>

#include <QContextMenuEvent>
#include <QDropEvent>
#include <QHeaderView>
#include <QKeyEvent>
#include <QLocale>
#include <QMimeData>
#include <QPainter>
#include <QSettings>
#include <QStyledItemDelegate>

#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/file_drag.h"
#include "app/widgets/paint.h"
#include "core/text/text.h"

namespace moorfrost::app {

using library::Collection;
using library::CollectionId;
using Kind = library::Collection::Kind;

namespace {

enum Role { IdRole = Qt::UserRole + 1, FolderRole, KindRole, CountRole, ShownRole };

const QString collectionMime = QStringLiteral("application/x-moorfrost-collection"); // "number folder"

class CollectionDelegate : public QStyledItemDelegate {
public:
    using QStyledItemDelegate::QStyledItemDelegate;

    QSize sizeHint(const QStyleOptionViewItem&, const QModelIndex&) const override { return {100, 24}; }
    void paint(QPainter* p, const QStyleOptionViewItem& option, const QModelIndex& index) const override {
        const auto& c = theme::colours();
        const bool shown = index.data(ShownRole).toBool();
        const auto* tree = static_cast<const QTreeWidget*>(option.widget);
        const QRect line(0, option.rect.top(), tree->viewport()->width(), option.rect.height());
        const paint::Mirror side(*p, line);
        // Reckoned from the left: how far in it stands.
        const int left = side(option.rect).left();
        if (option.state & (QStyle::State_MouseOver | QStyle::State_Selected))
            p->fillRect(line, c.faint);
        if ((option.state & QStyle::State_Selected) && tree->hasFocus()) {
            p->setPen(QPen(c.fjord, 1));
            p->drawRect(line.adjusted(0, 0, -1, -1));
        }
        if (shown) // colour does not speak alone
            p->fillRect(side(QRect(0, line.top() + 4, 3, line.height() - 8)), c.heather);
        const auto kind = static_cast<Kind>(index.data(KindRole).toInt());
        const QPoint middle = side(QRect(left + 19, line.center().y() + 1, 1, 1)).topLeft();
        const QColor mark = shown ? c.heather : c.third;
        if (kind == Kind::Folder) {
            p->save();
            p->setRenderHint(QPainter::Antialiasing);
            p->setPen(QPen(c.second, 1.6, Qt::SolidLine, Qt::RoundCap, Qt::RoundJoin));
            p->translate(middle);
            if (tree->isExpanded(index))
                p->rotate(90);
            else if (side.isOn())
                p->rotate(180);
            p->drawPolyline(QPolygon({QPoint(-2, -4), QPoint(2, 0), QPoint(-2, 4)}));
            p->restore();
        } else {
            theme::icon(kind == Kind::List ? "list" : "search", mark)
                .paint(p, QRect(middle - QPoint(7, 7), QSize(14, 14)));
        }
        p->setFont(theme::uiFont(13, shown ? QFont::DemiBold : QFont::Normal));
        const QString count = index.data(CountRole).isValid()
                                  ? QLocale().toString(index.data(CountRole).toULongLong())
                                  : QString();
        const int countWidth = p->fontMetrics().horizontalAdvance(count) + (count.isEmpty() ? 0 : 8);
        const QRect text(left + 32, line.top(), line.right() - 12 - left - 32, line.height());
        p->setPen(shown ? c.heather : c.ink);
        p->drawText(
            side(text.adjusted(0, 0, -countWidth, 0)), Qt::AlignLeft | Qt::AlignVCenter,
            p->fontMetrics().elidedText(index.data().toString(), Qt::ElideRight, text.width() - countWidth));
        p->setPen(shown ? c.heather : c.second);
        p->drawText(side(text), Qt::AlignRight | Qt::AlignVCenter, count);
    }
    void updateEditorGeometry(QWidget* editor, const QStyleOptionViewItem& option,
                              const QModelIndex&) const override {
        editor->setGeometry(
            QStyle::visualRect(option.direction, option.rect, option.rect.adjusted(28, 0, -4, 0)));
    }
};

QString ownKey(CollectionId folder) {
    return QString("library/collections of my own/%1").arg(folder);
}

std::vector<CollectionId> numbersFrom(const QVariant& value) {
    std::vector<CollectionId> out;
    for (const QString& number : value.toStringList())
        out.push_back(number.toLongLong());
    return out;
}

} // namespace

CollectionTree::CollectionTree(CollectionsController& collections, QWidget* parent)
    : QTreeWidget(parent), collections_(collections) {
    setObjectName("facets");
    setAccessibleName(tr("Collections"));
    setColumnCount(1);
    header()->hide();
    setRootIsDecorated(false);
    setIndentation(12);
    setExpandsOnDoubleClick(false);
    setMouseTracking(true);
    setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    setVerticalScrollMode(QAbstractItemView::ScrollPerPixel);
    setItemDelegate(new CollectionDelegate(this));
    setMinimumWidth(150);
    setEditTriggers(QAbstractItemView::EditKeyPressed);
    setDragEnabled(true);
    setAcceptDrops(true);
    setDragDropMode(QAbstractItemView::DragDrop);
    setDropIndicatorShown(true);
    order_ = static_cast<Order>(std::clamp(QSettings().value("library/collections order", 0).toInt(), 0, 3));
    connect(&collections_, &CollectionsController::changed, this, qOverload<>(&CollectionTree::fill));
    connect(this, &QTreeWidget::itemClicked, this, &CollectionTree::activate);
    connect(this, &QTreeWidget::itemExpanded, this, [this](QTreeWidgetItem* item) {
        if (!filling_)
            QSettings().setValue(QString("library/open folders/%1").arg(item->data(0, IdRole).toLongLong()),
                                 true);
    });
    connect(this, &QTreeWidget::itemCollapsed, this, [this](QTreeWidgetItem* item) {
        if (!filling_)
            QSettings().setValue(QString("library/open folders/%1").arg(item->data(0, IdRole).toLongLong()),
                                 false);
    });
    connect(this, &QTreeWidget::itemChanged, this, [this](QTreeWidgetItem* item) { // its name was typed
        const Collection* known = collections_.tree().find(item->data(0, IdRole).toLongLong());
        if (filling_ || !known)
            return;
        Collection renamed = *known;
        renamed.name = ss(item->text(0).trimmed());
        if (renamed.name.empty() || renamed.name == known->name)
            QMetaObject::invokeMethod(
                this, [this] { fill(); }, Qt::QueuedConnection);
        else
            collections_.change(renamed);
    });
    fill();
}

void CollectionTree::setOrder(Order order) {
    order_ = order;
    QSettings().setValue("library/collections order", static_cast<int>(order));
    fill();
}

std::vector<CollectionId> CollectionTree::arranged(CollectionId folder) const {
    const library::CollectionTree& tree = collections_.tree();
    std::vector<CollectionId> out = tree.in(folder);
    auto by = [&](auto before) {
        std::stable_sort(out.begin(), out.end(), [&](CollectionId a, CollectionId b) {
            const Collection *one = tree.find(a), *other = tree.find(b);
            return one && other && before(*one, *other);
        });
    };
    if (order_ == Order::ByName)
        by([](const Collection& a, const Collection& b) { return text::compare(a.name, b.name) < 0; });
    else if (order_ == Order::NewestFirst)
        by([](const Collection& a, const Collection& b) { return a.created > b.created; });
    else if (order_ == Order::Own) {
        const std::vector<CollectionId> own = numbersFrom(QSettings().value(ownKey(folder)));
        by([&](const Collection& a, const Collection& b) { // what is new to it comes last
            return std::ranges::find(own, a.id) < std::ranges::find(own, b.id);
        });
    }
    return out;
}

void CollectionTree::fill() {
    if (state() == QAbstractItemView::EditingState)
        return; // what is typed is told when it is done, and then it is filled again
    filling_ = true;
    const CollectionId was = current();
    const CollectionId in = currentItem() ? currentItem()->data(0, FolderRole).toLongLong() : 0;
    clear();
    fill(invisibleRootItem(), 0);
    for (QTreeWidgetItemIterator it(this); *it; ++it)
        if ((*it)->data(0, IdRole).toLongLong() == was && (*it)->data(0, FolderRole).toLongLong() == in)
            setCurrentItem(*it);
    filling_ = false;
    mark();
}

void CollectionTree::fill(QTreeWidgetItem* under, CollectionId folder) {
    const library::CollectionTree& tree = collections_.tree();
    for (const CollectionId id : arranged(folder)) {
        const Collection* c = tree.find(id);
        if (!c)
            continue;
        auto* item = new QTreeWidgetItem(under, {qs(c->name)});
        item->setData(0, IdRole, static_cast<qlonglong>(id));
        item->setData(0, FolderRole, static_cast<qlonglong>(folder));
        item->setData(0, KindRole, static_cast<int>(c->kind));
        Qt::ItemFlags flags = Qt::ItemIsEnabled | Qt::ItemIsSelectable | Qt::ItemIsEditable |
                              Qt::ItemIsDragEnabled | Qt::ItemIsDropEnabled;
        item->setFlags(flags);
        item->setToolTip(0, c->note.empty() ? qs(c->name) : qs(c->name + "\n" + c->note));
        if (c->kind == Kind::List) {
            const auto count = tree.counts.find(id);
            item->setData(0, CountRole,
                          static_cast<qulonglong>(count == tree.counts.end() ? 0 : count->second));
        }
        if (c->kind == Kind::Folder) {
            fill(item, id);
            item->setExpanded(QSettings().value(QString("library/open folders/%1").arg(id), true).toBool());
        }
    }
}

void CollectionTree::setShown(CollectionId list, const std::string& query) {
    shown_ = list;
    query_ = query;
    mark();
}

void CollectionTree::setFound(const std::map<CollectionId, size_t>& counts) {
    found_ = counts;
    mark();
}

void CollectionTree::mark() {
    filling_ = true;
    for (QTreeWidgetItemIterator it(this); *it; ++it) {
        QTreeWidgetItem* item = *it;
        const CollectionId id = item->data(0, IdRole).toLongLong();
        const Collection* c = collections_.tree().find(id);
        if (!c)
            continue;
        const bool shown = c->kind == Kind::List ? id == shown_
                                                 : c->kind == Kind::Search && shown_ == 0 &&
                                                       !query_.empty() && c->query == query_;
        item->setData(0, ShownRole, shown);
        if (const auto found = found_.find(id); c->kind == Kind::Search && found != found_.end())
            item->setData(0, CountRole, static_cast<qulonglong>(found->second));
        const QString count = item->data(0, CountRole).isValid()
                                  ? tr("%n track(s)", "", item->data(0, CountRole).toInt())
                                  : QString();
        item->setData(0, Qt::AccessibleTextRole,
                      (c->kind == Kind::Folder ? tr("Folder %1").arg(qs(c->name))
                       : c->kind == Kind::List ? tr("List %1, %2").arg(qs(c->name), count)
                                               : tr("Search %1, %2").arg(qs(c->name), count)) +
                          (shown ? tr(", chosen") : QString()));
    }
    filling_ = false;
}

CollectionId CollectionTree::current() const {
    return currentItem() ? currentItem()->data(0, IdRole).toLongLong() : 0;
}

CollectionId CollectionTree::currentFolder() const {
    if (!currentItem())
        return 0;
    return static_cast<Kind>(currentItem()->data(0, KindRole).toInt()) == Kind::Folder
               ? current()
               : currentItem()->data(0, FolderRole).toLongLong();
}

QTreeWidgetItem* CollectionTree::itemOf(CollectionId id) const {
    for (QTreeWidgetItemIterator it(const_cast<CollectionTree*>(this)); *it; ++it)
        if ((*it)->data(0, IdRole).toLongLong() == id)
            return *it;
    return nullptr;
}

void CollectionTree::rename() {
    if (currentItem())
        editItem(currentItem(), 0);
}

void CollectionTree::removeCurrent() {
    if (currentItem())
        collections_.remove(current(), currentItem()->data(0, FolderRole).toLongLong());
}

void CollectionTree::activate(QTreeWidgetItem* item) {
    if (!item)
        return;
    const CollectionId id = item->data(0, IdRole).toLongLong();
    switch (static_cast<Kind>(item->data(0, KindRole).toInt())) {
    case Kind::Folder:
        item->setExpanded(!item->isExpanded());
        break;
    case Kind::List:
        emit listChosen(id);
        break;
    case Kind::Search:
        emit searchChosen(id);
        break;
    }
}

void CollectionTree::keyPressEvent(QKeyEvent* event) {
    if (event->key() == Qt::Key_Return || event->key() == Qt::Key_Enter || event->key() == Qt::Key_Space)
        activate(currentItem());
    else if (event->key() == Qt::Key_Delete)
        removeCurrent();
    else
        QTreeWidget::keyPressEvent(event);
}

void CollectionTree::contextMenuEvent(QContextMenuEvent* event) {
    if (event->reason() == QContextMenuEvent::Mouse)
        setCurrentItem(itemAt(event->pos()));
    emit menuWanted(event->globalPos());
}

QStringList CollectionTree::mimeTypes() const {
    return {collectionMime, drag::mimeType};
}

QMimeData* CollectionTree::mimeData(const QList<QTreeWidgetItem*>& items) const {
    if (items.isEmpty())
        return nullptr;
    auto* data = new QMimeData;
    data->setData(collectionMime, QByteArray::number(items[0]->data(0, IdRole).toLongLong()) + ' ' +
                                      QByteArray::number(items[0]->data(0, FolderRole).toLongLong()));
    return data;
}

CollectionTree::Place CollectionTree::placeAt(const QPoint& pos) const {
    QTreeWidgetItem* item = itemAt(pos);
    if (!item)
        return {0, 0, arranged(0).size()};
    const CollectionId id = item->data(0, IdRole).toLongLong(),
                       folder = item->data(0, FolderRole).toLongLong();
    const QRect rect = visualItemRect(item);
    const int edge = rect.height() / 4;
    const bool above = pos.y()<rect.top() + edge, below = pos.y()> rect.bottom() - edge;
    const bool isFolder = static_cast<Kind>(item->data(0, KindRole).toInt()) == Kind::Folder;
    if (isFolder && !above)
        return {id, id, arranged(id).size()};
    const std::vector<CollectionId> order = arranged(folder);
    const auto at = static_cast<size_t>(std::ranges::find(order, id) - order.begin());
    return {folder, above || below ? 0 : id, above ? at : at + 1};
}

void CollectionTree::dragMoveEvent(QDragMoveEvent* event) {
    QTreeWidget::dragMoveEvent(event); // shows where
    event->acceptProposedAction();
}

void CollectionTree::dropEvent(QDropEvent* event) {
    const Place place = placeAt(event->position().toPoint());
    const QMimeData* data = event->mimeData();
    event->setDropAction(Qt::CopyAction); // what is dragged stays for us to move
    event->accept();
    setState(NoState);
    viewport()->update();
    if (data->hasFormat(drag::mimeType)) {
        // Anywhere on a list is on it; beside all lists a new one is wanted.
        const std::vector<FileId> files = drag::filesOf(data);
        const QTreeWidgetItem* item = itemAt(event->position().toPoint());
        const CollectionId id = item ? item->data(0, IdRole).toLongLong() : 0;
        const Collection* on = collections_.tree().find(id);
        // Something may be asked: not while the drag still goes on.
        QMetaObject::invokeMethod(
            this,
            [this, files, id, isList = on && on->kind != Kind::Folder] {
                if (isList)
                    emit addWanted(id, files);
                else
                    emit listWanted(files, id);
            },
            Qt::QueuedConnection);
        return;
    }
    const QList<QByteArray> numbers = data->data(collectionMime).split(' ');
    if (numbers.size() != 2)
        return;
    const CollectionId id = numbers[0].toLongLong(), from = numbers[1].toLongLong();
    std::vector<CollectionId> order = arranged(place.folder);
    size_t position = place.position;
    if (const auto at = std::ranges::find(order, id);
        at != order.end() && static_cast<size_t>(at - order.begin()) < position)
        --position;
    if (order_ == Order::Own && from == place.folder) { // nobody else's order changes
        std::erase(order, id);
        order.insert(order.begin() + static_cast<std::ptrdiff_t>(std::min(position, order.size())), id);
        QStringList own;
        for (const CollectionId one : order)
            own << QString::number(one);
        QSettings().setValue(ownKey(place.folder), own);
        fill();
        return;
    }
    collections_.place(id, from, place.folder, position, event->modifiers() & Qt::ControlModifier);
}

} // namespace moorfrost::app
