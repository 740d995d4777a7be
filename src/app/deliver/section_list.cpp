// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/deliver/section_list.h"

#include <QDropEvent>
#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QStyledItemDelegate>

#include <algorithm>

#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/paint.h"

namespace moorfrost::app {

namespace {

using deliver::Section;

constexpr int rowHeight = 42, boxLeft = 14, textLeft = 40, gripWidth = 30;
enum Role { SectionRole = Qt::UserRole + 1, TellsRole, GapsRole, HardRole };

QString labelOf(const deliver::SectionDef& def) {
    return SectionList::tr(def.label);
}

QRect boxOf(const QStyleOptionViewItem& option) {
    const QRect& row = option.rect;
    return QStyle::visualRect(option.direction, row, {row.left() + boxLeft, row.center().y() - 7, 16, 16});
}

class SectionDelegate : public QStyledItemDelegate {
public:
    using QStyledItemDelegate::QStyledItemDelegate;
    QSize sizeHint(const QStyleOptionViewItem&, const QModelIndex&) const override {
        return {180, rowHeight};
    }
    void paint(QPainter* p, const QStyleOptionViewItem& option, const QModelIndex& index) const override {
        const auto& c = theme::colours();
        const QRect r = option.rect;
        const bool on = index.data(Qt::CheckStateRole).toInt() == Qt::Checked;
        p->save();
        paint::listRow(*p, r, option.state & QStyle::State_Selected, option.state & QStyle::State_HasFocus);
        QStyleOptionViewItem box(option);
        box.rect = boxOf(option);
        box.state = QStyle::State_Enabled | (on ? QStyle::State_On : QStyle::State_Off);
        const QWidget* view = option.widget;
        view->style()->drawPrimitive(QStyle::PE_IndicatorItemViewItemCheck, &box, p, view);
        int right = r.right() - gripWidth;
        if (const int gaps = index.data(GapsRole).toInt(); gaps > 0 && on)
            right -=
                paint::pill(*p, right, r, SectionList::tr("%n gap(s)", "", gaps),
                            index.data(HardRole).toBool() ? paint::Tone::Wrong : paint::Tone::Attention) +
                6;
        const paint::Mirror side(*p, r);
        const int left = r.left() + textLeft, width = right - left;
        p->setFont(theme::uiFont(13, QFont::Medium));
        p->setPen(on ? c.ink : c.second);
        p->drawText(side(QRect(left, r.top() + 3, width, 19)), Qt::AlignVCenter | Qt::AlignLeft,
                    p->fontMetrics().elidedText(index.data().toString(), Qt::ElideRight, width));
        p->setFont(theme::uiFont(12));
        p->setPen(on ? c.second : c.third);
        p->drawText(side(QRect(left, r.top() + 22, width, 16)), Qt::AlignVCenter | Qt::AlignLeft,
                    p->fontMetrics().elidedText(index.data(TellsRole).toString(), Qt::ElideRight, width));
        // What it is held by.
        p->setPen(Qt::NoPen);
        p->setBrush(c.third);
        for (int x = 0; x < 2; ++x)
            for (int y = -1; y <= 1; ++y)
                p->drawEllipse(QRectF(side(QRect(r.right() - 20 + x * 5, r.center().y() + y * 5 - 1, 2, 2))));
        p->restore();
    }
    bool editorEvent(QEvent* event, QAbstractItemModel* model, const QStyleOptionViewItem& option,
                     const QModelIndex& index) override {
        if (event->type() == QEvent::MouseButtonRelease) {
            const auto* mouse = static_cast<QMouseEvent*>(event);
            const QPoint at = QStyle::visualPos(option.direction, option.rect,
                                                mouse->position().toPoint()); // from the left
            if (mouse->button() == Qt::LeftButton && at.x() < option.rect.left() + boxLeft + 16 + 6) {
                const bool on = index.data(Qt::CheckStateRole).toInt() == Qt::Checked;
                model->setData(index, on ? Qt::Unchecked : Qt::Checked, Qt::CheckStateRole);
                return true;
            }
        }
        return false; // the keys are the list's
    }
};

} // namespace

SectionList::SectionList(QWidget* parent) : QListWidget(parent) {
    setItemDelegate(new SectionDelegate(this));
    setFrameShape(NoFrame);
    setUniformItemSizes(true);
    setDragDropMode(InternalMove);
    setDefaultDropAction(Qt::MoveAction);
    setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    setVerticalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    setAccessibleName(tr("Sections of the sheet"));
    setToolTip(tr("Drag to put in order, or Alt+Up and Alt+Down; Space puts a section on or off."));
    connect(this, &QListWidget::itemChanged, this, [this] {
        if (!showing_)
            emit changed();
    });
}

void SectionList::show(const deliver::SheetLayout& layout, const std::vector<deliver::SheetGap>& gaps) {
    const bool had = currentRow() >= 0;
    const auto chosen = static_cast<Section>(had ? currentItem()->data(SectionRole).toInt() : 0);
    showing_ = true;
    if (count() != static_cast<int>(layout.places.size())) {
        clear();
        for (size_t i = 0; i < layout.places.size(); ++i)
            addItem(new QListWidgetItem);
    }
    for (size_t i = 0; i < layout.places.size(); ++i) {
        const auto& [section, on] = layout.places[i];
        const deliver::SectionDef& def = deliver::sectionDef(section);
        QListWidgetItem* row = item(static_cast<int>(i));
        row->setFlags(Qt::ItemIsEnabled | Qt::ItemIsSelectable | Qt::ItemIsDragEnabled |
                      Qt::ItemIsUserCheckable);
        row->setText(labelOf(def));
        row->setCheckState(on ? Qt::Checked : Qt::Unchecked);
        row->setData(SectionRole, static_cast<int>(section));
        row->setData(TellsRole, tr(def.tells));
        int count = 0;
        bool hard = false;
        for (const deliver::SheetGap& gap : gaps)
            if (gap.section == section) {
                ++count;
                hard = hard || gap.isHard;
            }
        row->setData(GapsRole, count);
        row->setData(HardRole, hard);
    }
    if (had)
        choose(chosen);
    showing_ = false;
    updateGeometry();
}

std::vector<deliver::SheetLayout::Place> SectionList::places() const {
    std::vector<deliver::SheetLayout::Place> out;
    for (int i = 0; i < count(); ++i)
        out.push_back(
            {static_cast<Section>(item(i)->data(SectionRole).toInt()), item(i)->checkState() == Qt::Checked});
    return out;
}

void SectionList::choose(Section section) {
    for (int i = 0; i < count(); ++i)
        if (static_cast<Section>(item(i)->data(SectionRole).toInt()) == section)
            setCurrentRow(i);
}

void SectionList::moveChosen(int by) {
    const int from = currentRow(), to = from + by;
    if (from < 0 || to < 0 || to >= count())
        return;
    showing_ = true;
    insertItem(to, takeItem(from));
    setCurrentRow(to);
    showing_ = false;
    emit changed();
}

QSize SectionList::sizeHint() const {
    return {300, count() * rowHeight + 2};
}

void SectionList::keyPressEvent(QKeyEvent* event) {
    if (event->modifiers() == Qt::AltModifier && (event->key() == Qt::Key_Up || event->key() == Qt::Key_Down))
        return moveChosen(event->key() == Qt::Key_Up ? -1 : 1);
    if (event->key() == Qt::Key_Space && currentItem()) {
        QListWidgetItem* row = currentItem();
        row->setCheckState(row->checkState() == Qt::Checked ? Qt::Unchecked : Qt::Checked);
        return;
    }
    QListWidget::keyPressEvent(event);
}

void SectionList::dropEvent(QDropEvent* event) {
    showing_ = true;
    QListWidget::dropEvent(event);
    showing_ = false;
    emit changed();
}

} // namespace moorfrost::app
