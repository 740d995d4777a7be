// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/field_sets.h"

#include <algorithm>

#include <QGridLayout>
#include <QInputDialog>
#include <QLineEdit>
#include <QListWidget>
#include <QMenu>
#include <QPushButton>
#include <QSettings>
#include <QShortcut>
#include <QVBoxLayout>

#include "app/shell/text_utils.h"
#include "app/widgets/controls.h"

namespace moorfrost::app {

namespace {

std::vector<std::string> keysFrom(const QStringList& list) {
    std::vector<std::string> out;
    for (const QString& key : list)
        if (!key.isEmpty())
            out.push_back(ss(key));
    return out;
}

QStringList listFrom(const std::vector<std::string>& keys) {
    QStringList out;
    for (const std::string& key : keys)
        out << qs(key);
    return out;
}

/// Names of sets may hold any character, keys of settings may not.
QString settingOf(const QString& group, const QString& name) {
    return group + " sets/" + QString::fromLatin1(name.toUtf8().toHex());
}

} // namespace

std::vector<FieldSet> fieldSets(const QString& group) {
    QSettings settings;
    settings.beginGroup(group + " sets");
    std::vector<FieldSet> out;
    for (const QString& key : settings.childKeys())
        out.push_back({QString::fromUtf8(QByteArray::fromHex(key.toLatin1())),
                       keysFrom(settings.value(key).toStringList())});
    std::ranges::sort(
        out, [](const FieldSet& a, const FieldSet& b) { return text::compare(ss(a.name), ss(b.name)) < 0; });
    return out;
}

void keepFieldSet(const QString& group, const FieldSet& set) {
    QSettings().setValue(settingOf(group, set.name), listFrom(set.keys));
}

void forgetFieldSet(const QString& group, const QString& name) {
    QSettings().remove(settingOf(group, name));
}

std::vector<std::string> shownFields(const QString& group, const std::vector<std::string>& preset) {
    const std::vector<std::string> kept = keysFrom(QSettings().value(group).toStringList());
    return kept.empty() ? preset : kept;
}

void setShownFields(const QString& group, const std::vector<std::string>& keys) {
    QSettings().setValue(group, listFrom(keys));
}

FieldSetDialog::FieldSetDialog(const QString& title, const QString& group, std::vector<std::string> all,
                               const std::vector<std::string>& shown, QString (*labelOf)(const std::string&),
                               QWidget* parent)
    : QDialog(parent), group_(group), all_(std::move(all)), label_(labelOf) {
    setWindowTitle(title);
    resize(620, 520);
    search_ = new QLineEdit;
    search_->setPlaceholderText(tr("Find a field"));
    search_->setAccessibleName(tr("Find a field"));
    offered_ = new QListWidget;
    offered_->setAccessibleName(tr("Not shown"));
    shown_ = new QListWidget;
    shown_->setAccessibleName(tr("Shown, in this order"));
    shown_->setDragDropMode(QAbstractItemView::InternalMove);
    sets_ = button(tr("Sets \u25BE"), "flat");
    sets_->setMenu(new QMenu(sets_));
    auto* put = button(tr("Show \u2192"));
    auto* take = button(tr("\u2190 Hide"));
    auto* up = iconButton("up", tr("Earlier (Alt+Up)"));
    auto* down = iconButton("down", tr("Later (Alt+Down)"));

    auto* head = new QHBoxLayout;
    head->addWidget(label(tr("Shown, in this order"), "caption"), 1);
    head->addWidget(sets_);
    auto* order = new QHBoxLayout;
    order->addWidget(take);
    order->addStretch();
    order->addWidget(up);
    order->addWidget(down);
    auto* lists = new QGridLayout; // both lists end on one line
    lists->setContentsMargins(16, 12, 16, 12);
    lists->setHorizontalSpacing(16);
    lists->setVerticalSpacing(8);
    lists->addWidget(label(tr("Not shown"), "caption"), 0, 0);
    lists->addLayout(head, 0, 1);
    lists->addWidget(search_, 1, 0);
    lists->addWidget(offered_, 2, 0);
    lists->addWidget(shown_, 1, 1, 2, 1);
    lists->addWidget(put, 3, 0, Qt::AlignRight);
    lists->addLayout(order, 3, 1);
    lists->setRowStretch(2, 1);
    lists->setColumnStretch(0, 1);
    lists->setColumnStretch(1, 1);
    for (QListWidget* list : {offered_, shown_})
        list->setObjectName("fieldList");
    TakeBar foot = takeBar(this, tr("Use these"));
    use_ = foot.take;
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addLayout(lists, 1);
    layout->addWidget(foot.widget);
    for (QPushButton* b : {put, take, sets_})
        b->setAutoDefault(false);

    for (const std::string& key : shown)
        add(key, -1);
    narrow();
    stepThrough(search_, offered_);
    connect(search_, &QLineEdit::textChanged, this, &FieldSetDialog::narrow);
    connect(put, &QPushButton::clicked, this, &FieldSetDialog::addCurrent);
    connect(take, &QPushButton::clicked, this, &FieldSetDialog::removeCurrent);
    connect(offered_, &QListWidget::itemActivated, this, &FieldSetDialog::addCurrent);
    connect(offered_, &QListWidget::itemDoubleClicked, this, &FieldSetDialog::addCurrent);
    connect(shown_, &QListWidget::itemDoubleClicked, this, &FieldSetDialog::removeCurrent);
    connect(up, &QToolButton::clicked, this, [this] { move(-1); });
    connect(down, &QToolButton::clicked, this, [this] { move(1); });
    connect(new QShortcut(QKeySequence("Alt+Up"), this), &QShortcut::activated, this, [this] { move(-1); });
    connect(new QShortcut(QKeySequence("Alt+Down"), this), &QShortcut::activated, this, [this] { move(1); });
    auto* space = new QShortcut(QKeySequence("Ctrl+Space"), this);
    space->setObjectName("toggle");
    connect(space, &QShortcut::activated, this,
            [this] { shown_->hasFocus() ? removeCurrent() : addCurrent(); });
    auto* gone = new QShortcut(Qt::Key_Delete, shown_, nullptr, nullptr, Qt::WidgetShortcut);
    connect(gone, &QShortcut::activated, this, &FieldSetDialog::removeCurrent);
    connect(sets_->menu(), &QMenu::aboutToShow, this, &FieldSetDialog::fillSets);
    connect(use_, &QPushButton::clicked, this, &QDialog::accept);
    foot.summary->setText(tr("Ctrl+Space shows or hides the field that is current."));
    search_->setFocus();
}

std::vector<std::string> FieldSetDialog::chosen() const {
    std::vector<std::string> out;
    for (int i = 0; i < shown_->count(); ++i)
        out.push_back(ss(shown_->item(i)->data(Qt::UserRole).toString()));
    return out;
}

void FieldSetDialog::add(const std::string& key, int row) {
    auto* item = new QListWidgetItem(label_(key));
    item->setData(Qt::UserRole, qs(key));
    shown_->insertItem(row < 0 ? shown_->count() : row, item);
    use_->setEnabled(true);
}

void FieldSetDialog::addCurrent() {
    if (QListWidgetItem* item = offered_->currentItem()) {
        add(ss(item->data(Qt::UserRole).toString()),
            shown_->currentRow() < 0 ? -1 : shown_->currentRow() + 1);
        const int next = offered_->currentRow();
        narrow();
        offered_->setCurrentRow(std::min(next, offered_->count() - 1));
        search_->selectAll();
    }
}

void FieldSetDialog::removeCurrent() {
    delete shown_->takeItem(shown_->currentRow());
    use_->setEnabled(shown_->count() > 0);
    narrow();
}

void FieldSetDialog::move(int by) {
    const int from = shown_->currentRow(), to = from + by;
    if (from < 0 || to < 0 || to >= shown_->count())
        return;
    shown_->insertItem(to, shown_->takeItem(from));
    shown_->setCurrentRow(to);
}

void FieldSetDialog::narrow() {
    const std::vector<std::string> now = chosen();
    const std::string typed = text::fold(ss(search_->text().trimmed()));
    offered_->clear();
    for (const std::string& key : all_)
        if (std::ranges::find(now, key) == now.end() &&
            text::fold(ss(label_(key))).find(typed) != std::string::npos) {
            auto* item = new QListWidgetItem(label_(key), offered_);
            item->setData(Qt::UserRole, qs(key));
        }
    offered_->setCurrentRow(offered_->count() > 0 ? 0 : -1);
}

void FieldSetDialog::fillSets() {
    QMenu* menu = sets_->menu();
    menu->clear();
    for (const FieldSet& set : fieldSets(group_))
        menu->addAction(QString(set.name).replace('&', "&&"), this, [this, set] {
            shown_->clear();
            for (const std::string& key : set.keys)
                add(key, -1);
            narrow();
        });
    menu->addSeparator();
    menu->addAction(tr("Keep these as a set\u2026"), this, [this] {
        const QString name = QInputDialog::getText(this, tr("Keep as a set"), tr("Name:"));
        if (!name.trimmed().isEmpty())
            keepAs(name.trimmed());
    });
    if (const auto sets = fieldSets(group_); !sets.empty()) {
        QMenu* forget = menu->addMenu(tr("Forget"));
        for (const FieldSet& set : sets)
            forget->addAction(QString(set.name).replace('&', "&&"), this,
                              [this, name = set.name] { forgetFieldSet(group_, name); });
    }
}

void FieldSetDialog::keepAs(const QString& name) {
    keepFieldSet(group_, {name, chosen()});
}

} // namespace moorfrost::app
