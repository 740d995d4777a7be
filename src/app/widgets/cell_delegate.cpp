// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/cell_delegate.h"

#include <QKeyEvent>
#include <QLineEdit>
#include <QPainter>
#include <QTimer>

#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/file_table.h"
#include "app/widgets/paint.h"
#include "app/widgets/value_completer.h"
#include "core/tags/fields.h"

namespace moorfrost::app {

void CellDelegate::paint(QPainter* p, const QStyleOptionViewItem& option, const QModelIndex& index) const {
    const auto& c = theme::colours();
    QRect r = option.rect;
    bool draft = index.data(FileTable::DraftRole).toBool();
    bool odd = index.data(FileTable::OddRole).toBool();
    bool selected = option.state & QStyle::State_Selected;
    const std::string& key = static_cast<const FileTable*>(index.model())->keyAt(index.column());
    if (draft)
        p->fillRect(r, c.heatherBack);
    if (selected) {
        QColor over = c.fjordBack;
        over.setAlpha(draft ? 120 : 255);
        p->fillRect(r, over);
    }
    p->fillRect(QRect(r.left(), r.bottom(), r.width(), 1), c.faint);
    const paint::Mirror side(*p, r);
    p->fillRect(side(QRect(r.right(), r.top(), 1, r.height())), c.faint);
    if (draft)
        paint::notch(*p, r);
    if (view_->currentIndex() == index && view_->hasFocus()) {
        p->setPen(QPen(c.fjord, 2));
        p->drawRect(r.adjusted(1, 1, -2, -2));
    }
    const tags::FieldDef* def = tags::fieldByKey(key);
    bool mono = key == nameColumn || key == placeColumn || (def && def->kind == tags::FieldKind::Code);
    QString t = index.data().toString();
    const QString standIn = t.isEmpty() && !odd ? index.data(FileTable::StandInRole).toString() : QString();
    const Face face = mono ? Mono : key == "title" && standIn.isEmpty() ? Strong : Plain;
    p->setFont(fontOf(face));
    const bool absent = index.data(FileTable::AbsentRole).toBool();
    p->setPen(odd                            ? c.rowan
              : absent || !standIn.isEmpty() ? c.second
              : key == nameColumn || !mono   ? c.ink
                                             : c.second);
    if (!standIn.isEmpty())
        t = standIn;
    if (odd)
        t = QString(QChar(0x2260)) + " " + (t.isEmpty() ? QObject::tr("blank") : t);
    if (t.isEmpty() && !absent)
        return;
    auto align = static_cast<Qt::Alignment>(index.data(Qt::TextAlignmentRole).toInt());
    QRect room = r.adjusted(8, 0, -8, 0);
    if (absent && index.column() == 0) {
        const QPen pen = p->pen();
        room.setRight(room.right() -
                      paint::pill(*p, room.right() + 4, r, QObject::tr("absent"), paint::Tone::Attention));
        p->setPen(pen);
        p->setFont(fontOf(face));
    }
    if (key == readyColumn) {
        const int width = room.width() - p->fontMetrics().horizontalAdvance(t) - 5;
        const auto marks = index.data(FileTable::MarksRole).value<library::Marks>();
        if (width >= 7 * static_cast<int>(marks.size())) // else in words only
            room.setLeft(room.left() + 5 +
                         paint::tally(*p, r, {room.left(), r.center().y() - 1}, marks, width));
        p->setPen(c.second);
    }
    if (const QVariant family = index.data(FileTable::FamilyRole); family.isValid()) {
        const int versions = family.toInt();
        const QPen pen = p->pen();
        p->setPen(c.second);
        if (versions == FileTable::versionBelow) {
            room.setLeft(room.left() + 16);
            p->fillRect(side(QRect(room.left() - 10, r.top(), 1, r.height() / 2)), c.second);
            p->fillRect(side(QRect(room.left() - 10, r.center().y(), 7, 1)), c.second);
        } else {
            const QString mark = QString(QChar(versions > 0  ? 0x25BE
                                               : side.isOn() ? 0x25C2
                                                             : 0x25B8)) +
                                 " " + QString::number(std::abs(versions));
            p->setFont(fontOf(Plain));
            p->drawText(side(room), Qt::AlignRight | Qt::AlignVCenter, mark);
            room.setRight(room.right() - p->fontMetrics().horizontalAdvance(mark) - 8);
        }
        p->setPen(pen);
        p->setFont(fontOf(face));
    }
    const Shaped& text = shaped(t, room.width(), face);
    const QRect shown = side(room);
    const bool atRight = align.testFlag(Qt::AlignRight) != side.isOn();
    const int x = atRight ? shown.right() + 1 - text.width : shown.left();
    p->drawStaticText(QPointF(x, room.top() + (room.height() - text.height) / 2.0), text.text);
}

QWidget* CellDelegate::createEditor(QWidget* parent, const QStyleOptionViewItem&,
                                    const QModelIndex& index) const {
    auto* edit = new QLineEdit(parent);
    edit->setObjectName("cellEditor");
    edit->setAccessibleName(columnLabel(ss(index.data(FileTable::KeyRole).toString())));
    const std::string key = ss(index.data(FileTable::KeyRole).toString());
    if (values_ && ValueBooks::isOffered(key))
        new ValueCompleter(edit, *values_, key);
    return edit;
}

void CellDelegate::setEditorData(QWidget* editor, const QModelIndex& index) const {
    auto* edit = static_cast<QLineEdit*>(editor);
    if (edit->property("filled").toBool())
        return;
    edit->setProperty("filled", true);
    edit->setText(index.data(Qt::EditRole).toString());
    edit->setProperty("before", edit->text());
    if (ValueCompleter* values = ValueCompleter::of(edit)) // when it is in its place
        QTimer::singleShot(0, values, &ValueCompleter::offerList);
}

void CellDelegate::setModelData(QWidget* editor, QAbstractItemModel* model, const QModelIndex& index) const {
    auto* edit = static_cast<QLineEdit*>(editor);
    if (edit->text() == edit->property("before").toString())
        return;
    edit->setProperty("before", edit->text());
    model->setData(index, edit->text(), Qt::EditRole);
}

bool CellDelegate::eventFilter(QObject* object, QEvent* event) {
    auto* key = event->type() == QEvent::KeyPress ? static_cast<QKeyEvent*>(event) : nullptr;
    if (ValueCompleter* values = key ? ValueCompleter::of(object) : nullptr; values && values->takesKey(key))
        return true;
    bool enter = key && (key->key() == Qt::Key_Return || key->key() == Qt::Key_Enter) &&
                 !(key->modifiers() & (Qt::AltModifier | Qt::ControlModifier));
    bool up = key && key->key() == Qt::Key_Up, down = key && key->key() == Qt::Key_Down;
    if (enter || up || down) {
        auto* editor = static_cast<QWidget*>(object);
        emit commitData(editor);
        emit closeEditor(editor, NoHint);
        int step = up || (enter && key->modifiers() & Qt::ShiftModifier) ? -1 : 1;
        QModelIndex now = view_->currentIndex();
        QModelIndex next = now.siblingAtRow(now.row() + step);
        if (next.isValid())
            view_->setCurrentIndex(next);
        return true;
    }
    return QStyledItemDelegate::eventFilter(object, event);
}

QFont CellDelegate::fontOf(Face face) {
    static const QFont fonts[] = {theme::uiFont(13), theme::uiFont(13, QFont::Medium), theme::monoFont()};
    return fonts[face];
}

const CellDelegate::Shaped& CellDelegate::shaped(const QString& text, int width, Face face) const {
    const QString key = QString::number(width * 4 + face) + ' ' + text;
    if (Shaped* held = cache_.object(key))
        return *held;
    const QFont font = fontOf(face);
    const QFontMetrics metrics(font);
    auto* fresh = new Shaped;
    fresh->text.setTextFormat(Qt::PlainText);
    fresh->text.setPerformanceHint(QStaticText::AggressiveCaching);
    fresh->text.setText(
        metrics.elidedText(text, face == Mono ? Qt::ElideMiddle : Qt::ElideRight, std::max(0, width)));
    fresh->text.prepare(QTransform(), font);
    fresh->width = qCeil(fresh->text.size().width());
    fresh->height = qCeil(fresh->text.size().height());
    cache_.insert(key, fresh);
    return *fresh;
}

} // namespace moorfrost::app
