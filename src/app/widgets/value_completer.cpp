// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/value_completer.h"

#include <QKeyEvent>
#include <QPainter>
#include <QScreen>
#include <QStyledItemDelegate>
#include <QWindow>

#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/paint.h"

namespace moorfrost::app {

namespace {

constexpr int countRole = Qt::UserRole + 1;

/// The value, and how often it is used on the right.
class ValueDelegate : public QStyledItemDelegate {
public:
    using QStyledItemDelegate::QStyledItemDelegate;
    QSize sizeHint(const QStyleOptionViewItem&, const QModelIndex&) const override { return {100, 26}; }
    void paint(QPainter* p, const QStyleOptionViewItem& option, const QModelIndex& index) const override {
        const auto& c = theme::colours();
        if (option.state & (QStyle::State_Selected | QStyle::State_MouseOver))
            p->fillRect(option.rect, c.fjordBack);
        const paint::Mirror side(*p, option.rect);
        const QRect room = option.rect.adjusted(8, 0, -8, 0);
        const qulonglong uses = index.data(countRole).toULongLong();
        const QString count = uses > 0 ? QLocale().toString(uses) : QString();
        p->setFont(theme::uiFont(11));
        p->setPen(c.third);
        const int width = p->fontMetrics().horizontalAdvance(count);
        p->drawText(room, Qt::AlignVCenter | Qt::AlignRight, count);
        p->setFont(theme::uiFont(13));
        p->setPen(c.ink);
        p->drawText(
            side(room.adjusted(0, 0, -width - 10, 0)), Qt::AlignVCenter | Qt::AlignLeft,
            p->fontMetrics().elidedText(index.data().toString(), Qt::ElideRight, room.width() - width - 10));
    }
};

} // namespace

ValueCompleter::ValueCompleter(QLineEdit* edit, ValueBooks& books, const std::string& field)
    : QObject(edit), edit_(edit), books_(books), field_(field) {
    connect(edit_, &QLineEdit::textEdited, this, &ValueCompleter::offer);
    connect(&books_, &ValueBooks::ready, this, [this] {
        if (edit_->hasFocus() && edit_->isModified() && !isOpen())
            offer();
    });
    edit_->installEventFilter(this);
    if (edit_->hasFocus())
        books_.prepare(field_);
}

ValueCompleter::~ValueCompleter() {
    if (list_)
        list_->deleteLater();
}

ValueCompleter* ValueCompleter::of(const QObject* edit) {
    return edit->findChild<ValueCompleter*>(QString(), Qt::FindDirectChildrenOnly);
}

qsizetype ValueCompleter::begin() const {
    const qsizetype at = edit_->text().lastIndexOf(qs(std::string(tags::valueBreak)));
    return at < 0 ? 0 : at + 1;
}

void ValueCompleter::offerList() {
    if (!ValueBooks::listOf(field_).empty() && edit_->isVisible())
        offer();
}

void ValueCompleter::offer() {
    books_.prepare(field_);
    const QString typed = edit_->isModified() ? edit_->text().mid(begin()).trimmed() : QString();
    const bool closed = !ValueBooks::listOf(field_).empty(); // all of it is of use at any time
    const auto values = edit_->cursorPosition() < begin() || (typed.isEmpty() && !closed)
                            ? std::vector<ValueBooks::Value>()
                            : books_.complete(field_, ss(typed));
    model_.clear();
    for (const ValueBooks::Value& v : values) {
        auto* item = new QStandardItem(qs(v.text));
        item->setData(static_cast<qulonglong>(v.count), countRole);
        model_.appendRow(item);
    }
    if (values.empty()) {
        hide();
        return;
    }
    if (!list_) {
        list_ = new QListView; // a window of its own
        list_->setObjectName("suggestions");
        list_->setWindowFlags(Qt::ToolTip | Qt::FramelessWindowHint); // it never takes the focus
        list_->setAttribute(Qt::WA_ShowWithoutActivating);
        list_->setFocusPolicy(Qt::NoFocus);
        list_->setEditTriggers(QAbstractItemView::NoEditTriggers);
        list_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
        list_->setItemDelegate(new ValueDelegate(list_));
        list_->setAccessibleName(tr("Values to choose from"));
        list_->setModel(&model_);
        connect(list_, &QListView::clicked, this, [this](const QModelIndex& i) { choose(i.row()); });
    }
    list_->clearSelection();
    list_->setCurrentIndex({});
    list_->resize(std::max(edit_->width(), 220), static_cast<int>(values.size()) * 26 + 10);
    QPoint at = edit_->mapToGlobal(QPoint(0, edit_->height() + 1));
    if (const QScreen* s = edit_->screen(); s && at.y() + list_->height() > s->availableGeometry().bottom())
        at.setY(edit_->mapToGlobal(QPoint(0, -1)).y() - list_->height());
    list_->move(at);
    list_->winId();
    if (QWindow* own = list_->windowHandle()) // above the one that it belongs to
        own->setTransientParent(edit_->window()->windowHandle());
    list_->show();
}

void ValueCompleter::choose(int row) {
    if (row < 0 || row >= model_.rowCount())
        return;
    std::string value; // with its breaks doubled, as a line has it
    tags::appendShown(value, ss(model_.item(row)->text()));
    const qsizetype from = begin();
    edit_->setText(edit_->text().left(from) + (from > 0 ? " " : "") + qs(value));
    edit_->setModified(true);
    hide();
}

void ValueCompleter::hide() {
    if (list_)
        list_->hide();
}

bool ValueCompleter::takesKey(QKeyEvent* event) {
    if (!isOpen())
        return false;
    const int row = list_->currentIndex().isValid() ? list_->currentIndex().row() : -1;
    switch (event->key()) {
    case Qt::Key_Down:
    case Qt::Key_Up: {
        const int next = event->key() == Qt::Key_Down ? row + 1 : row - 1;
        list_->setCurrentIndex(next < 0 || next >= model_.rowCount() ? QModelIndex() : model_.index(next, 0));
        if (next < 0)
            list_->clearSelection();
        return true;
    }
    case Qt::Key_Return:
    case Qt::Key_Enter:
    case Qt::Key_Tab:
        if (row < 0) {
            hide();
            return false; // what is typed is taken
        }
        choose(row);
        return false; // and is done with
    case Qt::Key_Escape:
        hide();
        return true;
    default:
        return false;
    }
}

bool ValueCompleter::eventFilter(QObject*, QEvent* event) {
    if (event->type() == QEvent::FocusIn)
        books_.prepare(field_);
    else if (event->type() == QEvent::FocusOut || event->type() == QEvent::Hide ||
             event->type() == QEvent::Move)
        hide();
    return false;
}

QStringList ValueCompleter::offered() const {
    QStringList out;
    for (int i = 0; isOpen() && i < model_.rowCount(); ++i)
        out << model_.item(i)->text();
    return out;
}

} // namespace moorfrost::app
