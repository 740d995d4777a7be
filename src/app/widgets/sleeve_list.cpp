// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/sleeve_list.h"

#include <QPainter>
#include <QStyledItemDelegate>

#include "app/shell/theme.h"
#include "app/widgets/covers.h"
#include "app/widgets/paint.h"

namespace moorfrost::app {

namespace {

class SleeveDelegate : public QStyledItemDelegate {
public:
    SleeveDelegate(Session& session, QObject* parent) : QStyledItemDelegate(parent), session_(session) {}

    QSize sizeHint(const QStyleOptionViewItem&, const QModelIndex&) const override { return {100, 63}; }

    void paint(QPainter* p, const QStyleOptionViewItem& option, const QModelIndex& index) const override {
        const auto& sleeves = session_.sleeves();
        auto row = static_cast<size_t>(index.row());
        if (row >= sleeves.size())
            return;
        const SleeveView& s = sleeves[row];
        const auto& c = theme::colours();
        QRect r = option.rect;
        bool chosen = option.state & QStyle::State_Selected;
        p->save();
        paint::listRow(*p, r, chosen, option.state & QStyle::State_HasFocus);
        QRect cover(r.left() + 12, r.top() + 9, 44, 44);
        QPixmap picture;
        if (FilePtr f = session_.file(s.coverFile))
            picture = Covers::instance().cover(*f, 44);
        if (picture.isNull())
            paint::blankCover(*p, cover, s.isStrays() ? "file" : "sleeve");
        else
            p->drawPixmap(cover, picture);
        int left = cover.right() + 11, width = r.right() - left - 10;
        p->setFont(theme::uiFont(13, QFont::DemiBold));
        p->setPen(c.ink);
        p->drawText(QRect(left, r.top() + 7, width, 18), Qt::AlignVCenter | Qt::AlignLeft,
                    p->fontMetrics().elidedText(s.title, Qt::ElideRight, width));
        p->setFont(theme::uiFont(12));
        p->setPen(c.second);
        p->drawText(QRect(left, r.top() + 25, width, 17), Qt::AlignVCenter | Qt::AlignLeft,
                    p->fontMetrics().elidedText(s.subtitle, Qt::ElideRight, width));
        paint::tally(*p, {left, r.top() + 47}, s.readiness);
        p->restore();
    }

private:
    Session& session_;
};

} // namespace

SleeveList::SleeveList(Session& session, QWidget* parent) : QListWidget(parent), session_(session) {
    setItemDelegate(new SleeveDelegate(session, this));
    setSelectionMode(QAbstractItemView::ExtendedSelection);
    setVerticalScrollMode(QAbstractItemView::ScrollPerPixel);
    setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    setUniformItemSizes(true);
    setAccessibleName(tr("Sleeves"));
    connect(&session_, &Session::batchChanged, this, &SleeveList::refill);
    connect(&Covers::instance(), &Covers::ready, viewport(), qOverload<>(&QWidget::update));
    connect(this, &QListWidget::itemSelectionChanged, this, [this] {
        if (!filling_)
            emit chosenChanged();
    });
    refill();
}

void SleeveList::refill() {
    filling_ = true;
    std::set<QString> chosen;
    for (QListWidgetItem* item : selectedItems())
        chosen.insert(item->data(Qt::UserRole).toString());
    setAutoScroll(false); // a new order must not move what is in sight
    std::optional<QString> current;
    if (currentItem())
        current = currentItem()->data(Qt::UserRole).toString();
    const auto& sleeves = session_.sleeves();
    auto rows = static_cast<int>(sleeves.size());
    while (count() > rows)
        delete takeItem(count() - 1);
    while (count() < rows)
        addItem(new QListWidgetItem);
    clearSelection();
    for (int i = 0; i < rows; ++i) {
        const SleeveView& s = sleeves[static_cast<size_t>(i)];
        QString key = QString::fromStdString(s.key);
        item(i)->setData(Qt::UserRole, key);
        item(i)->setData(Qt::AccessibleTextRole, s.title + ", " + s.subtitle);
        item(i)->setToolTip(s.title + "\n" + s.why + "\n\n" + paint::tallyText(s.readiness));
        if (chosen.contains(key))
            item(i)->setSelected(true);
        if (current && key == *current)
            setCurrentItem(item(i), QItemSelectionModel::NoUpdate);
    }
    setAutoScroll(true);
    filling_ = false;
    viewport()->update();
    emit chosenChanged();
}

std::vector<const SleeveView*> SleeveList::chosen() const {
    std::vector<const SleeveView*> out;
    const auto& sleeves = session_.sleeves();
    for (int i = 0; i < count() && static_cast<size_t>(i) < sleeves.size(); ++i)
        if (item(i)->isSelected() || selectedItems().isEmpty())
            out.push_back(&sleeves[static_cast<size_t>(i)]);
    return out;
}

std::vector<FileId> SleeveList::chosenFiles() const {
    std::vector<FileId> out;
    for (const SleeveView* s : chosen())
        for (FileId id : s->files)
            if (FilePtr f = session_.file(id); f && f->readable())
                out.push_back(id);
    return out;
}

} // namespace moorfrost::app
