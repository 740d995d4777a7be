// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shell/command_finder.h"

#include <QKeyEvent>
#include <QLineEdit>
#include <QListWidget>
#include <QPainter>
#include <QStyledItemDelegate>
#include <QTimer>
#include <QVBoxLayout>

#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/controls.h"
#include "app/widgets/paint.h"

namespace moorfrost::app {

namespace {

constexpr int gap = 6; // beside what is told
constexpr int actionRole = Qt::UserRole, keysRole = Qt::UserRole + 1;

/// The command on the left, its keys on the right.
class CommandDelegate : public QStyledItemDelegate {
public:
    using QStyledItemDelegate::QStyledItemDelegate;
    void paint(QPainter* p, const QStyleOptionViewItem& option, const QModelIndex& index) const override {
        QStyleOptionViewItem inside(option);
        const paint::Mirror side(*p, option.rect);
        inside.rect = side(option.rect.adjusted(gap, 0, 0, 0));
        if (option.state & QStyle::State_Selected)
            p->fillRect(option.rect, theme::colours().fjordBack);
        QStyledItemDelegate::paint(p, inside, index);
        const QString keys = index.data(keysRole).toString();
        if (keys.isEmpty())
            return;
        p->save();
        p->setPen(option.state & QStyle::State_Selected ? theme::colours().ink : theme::colours().second);
        p->setFont(option.font);
        p->drawText(side(option.rect.adjusted(0, 0, -gap - 6, 0)), Qt::AlignRight | Qt::AlignVCenter, keys);
        p->restore();
    }
};

} // namespace

CommandFinder::CommandFinder(const QList<QAction*>& actions, QWidget* parent)
    : QDialog(parent), actions_(actions) {
    setWindowTitle(tr("Find a command"));
    resize(520, 380);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(12, 12, 12, 12);
    search_ = new QLineEdit;
    search_->setPlaceholderText(tr("What do you want to do?"));
    search_->setAccessibleName(windowTitle());
    list_ = new QListWidget;
    list_->setUniformItemSizes(true);
    list_->setItemDelegate(new CommandDelegate(list_));
    layout->addWidget(search_);
    layout->addWidget(list_, 1);
    stepThrough(search_, list_);
    connect(search_, &QLineEdit::textChanged, this, &CommandFinder::refill);
    connect(search_, &QLineEdit::returnPressed, this, &CommandFinder::trigger);
    connect(list_, &QListWidget::itemActivated, this, &CommandFinder::trigger);
    refill();
}

void CommandFinder::refill() {
    list_->clear();
    std::vector<std::string> words;
    for (const std::string& w : text::split(text::fold(ss(search_->text())), " "))
        if (!w.empty())
            words.push_back(w);
    for (QAction* action : actions_) {
        if (!action->isEnabled() || action->text().isEmpty())
            continue;
        QString name = action->text().remove('&');
        std::string folded = text::fold(ss(name + " " + action->toolTip()));
        if (!std::all_of(words.begin(), words.end(),
                         [&](const std::string& w) { return folded.find(w) != std::string::npos; }))
            continue;
        QString keys = action->shortcut().toString(QKeySequence::NativeText);
        auto* item = new QListWidgetItem(name, list_);
        item->setData(actionRole, QVariant::fromValue(action));
        item->setData(keysRole, keys);
        item->setData(Qt::AccessibleTextRole, keys.isEmpty() ? name : tr("%1, %2").arg(name, keys));
    }
    list_->setCurrentRow(0);
}

void CommandFinder::trigger() {
    QListWidgetItem* item = list_->currentItem();
    if (!item)
        return;
    auto* action = item->data(actionRole).value<QAction*>();
    accept();
    // After this window is gone, so that a command may open one of its own.
    QTimer::singleShot(0, action, &QAction::trigger);
}

} // namespace moorfrost::app
