// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/places_tree.h"

#include <QHeaderView>
#include <QPainter>
#include <QScrollBar>
#include <QStyledItemDelegate>

#include <map>
#include <set>

#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/controls.h"
#include "app/widgets/paint.h"

namespace moorfrost::app {

namespace {

constexpr int pillsRole = Qt::UserRole + 1; // list of "tone|text"
constexpr int draftRole = Qt::UserRole + 2;
constexpr int kindsRole = Qt::UserRole + 3; // of a file: PlacesTree::Kind, added up

paint::Tone toneOf(naming::MarkKind kind) {
    switch (kind) {
    case naming::MarkKind::NewFolder:
        return paint::Tone::Good;
    case naming::MarkKind::Gap:
    case naming::MarkKind::Split:
        return paint::Tone::Attention;
    case naming::MarkKind::Clash:
    case naming::MarkKind::Taken:
    case naming::MarkKind::Blocked:
        return paint::Tone::Wrong;
    case naming::MarkKind::InPlace:
    case naming::MarkKind::GoesAlong:
        break;
    }
    return paint::Tone::Neutral;
}

QString pillOf(paint::Tone tone, const QString& text) {
    return QString::number(static_cast<int>(tone)) + "|" + text;
}

/// Lines between rows, pills at the right, the notch where a move is drafted.
class TreeDelegate : public QStyledItemDelegate {
public:
    using QStyledItemDelegate::QStyledItemDelegate;
    QSize sizeHint(const QStyleOptionViewItem& o, const QModelIndex& i) const override {
        return {QStyledItemDelegate::sizeHint(o, i).width(), 28};
    }
    void paint(QPainter* p, const QStyleOptionViewItem& option, const QModelIndex& index) const override {
        QStyleOptionViewItem o = option;
        int right = option.rect.right() - 12;
        QStringList pills = index.data(pillsRole).toStringList();
        for (const QString& pill : pills)
            right -= paint::pillWidth(pill.section('|', 1)) + 4;
        const auto& c = theme::colours();
        bool drafted = index.column() == 0 && index.data(draftRole).toBool();
        if (!pills.isEmpty())
            o.rect.setRight(std::max(right - 4, o.rect.left() + 20));
        QStyledItemDelegate::paint(p, o, index);
        if (drafted)
            paint::notch(*p, option.rect);
        p->fillRect(QRect(option.rect.left(), option.rect.bottom(), option.rect.width(), 1), c.faint);
        right = option.rect.right() - 8;
        for (const QString& pill : pills)
            right -= paint::pill(*p, right, option.rect, pill.section('|', 1),
                                 static_cast<paint::Tone>(pill.section('|', 0, 0).toInt())) +
                     4;
    }
};

/// The folder that holds all of these, and the one above it: what is shown is told from there.
Path commonFolder(const std::vector<naming::Placement>& files) {
    Path common;
    for (const naming::Placement& p : files) {
        const Path parent = p.from.parent_path();
        if (common.empty()) {
            common = parent;
            continue;
        }
        Path shared;
        for (auto a = common.begin(), b = parent.begin(); a != common.end() && b != parent.end() && *a == *b;
             ++a, ++b)
            shared /= *a;
        common = shared;
    }
    return common.parent_path();
}

int kindsOf(const naming::Placement& p, const std::set<Path>& fresh, const std::set<Path>& emptied) {
    int out = 0;
    if (p.moves())
        out |= PlacesTree::Moving;
    if (p.moves() && fresh.contains(p.to.parent_path()))
        out |= PlacesTree::IntoNewFolder;
    if (emptied.contains(p.from.parent_path()))
        out |= PlacesTree::OutOfEmptied;
    if (p.mark(naming::MarkKind::Split))
        out |= PlacesTree::Splitting;
    if (p.mark(naming::MarkKind::Gap))
        out |= PlacesTree::WithGap;
    if (p.blocked())
        out |= PlacesTree::Problem;
    return out;
}

} // namespace

PlacesTree::PlacesTree(QWidget* parent) : QTreeWidget(parent) {
    prepareTree(this, {tr("Where each file will be"), tr("Where it is now")});
    setItemDelegate(new TreeDelegate(this));
    setAccessibleName(tr("The shelf as it will be"));
    header()->resizeSection(0, 400);
    remember(header(), "put away 2");
}

void PlacesTree::show(const naming::PutAwayResult& result, const QString& shelfName, const Path& shelf,
                      const std::function<bool(library::FileId)>& isDrafted) {
    setUpdatesEnabled(false);
    const int scroll = verticalScrollBar()->value();
    clear();
    auto* root = new QTreeWidgetItem(this, {shelfName});
    const QFont bold = theme::uiFont(13, QFont::DemiBold);
    root->setFont(0, bold);
    root->setFirstColumnSpanned(false);
    const std::set<Path> fresh(result.newFolders.begin(), result.newFolders.end()),
        emptied(result.emptied.begin(), result.emptied.end());
    std::map<Path, QTreeWidgetItem*> folders;
    std::function<QTreeWidgetItem*(const Path&)> folderItem = [&](const Path& relative) -> QTreeWidgetItem* {
        if (relative.empty())
            return root;
        const auto [it, isNew] = folders.try_emplace(relative, nullptr);
        if (!isNew)
            return it->second;
        auto* item = new QTreeWidgetItem(folderItem(relative.parent_path()), {shownName(relative)});
        item->setFont(0, bold);
        if (fresh.contains(shelf / relative))
            item->setData(1, pillsRole, QStringList{pillOf(paint::Tone::Good, tr("new folder"))});
        return folders[relative] = item;
    };
    const Path common = commonFolder(result.files);
    QTreeWidgetItem* nowhere = nullptr;
    auto add = [&](const naming::Placement& p) {
        QTreeWidgetItem* parent = nullptr;
        if (p.to.empty()) {
            if (!nowhere) {
                nowhere = new QTreeWidgetItem(this, {tr("No place yet")});
                nowhere->setFont(0, bold);
            }
            parent = nowhere;
        } else {
            Path relative;
            for (size_t i = 0; i + 1 < p.parts.size(); ++i)
                relative /= p.parts[i];
            parent = folderItem(relative);
        }
        auto* item = new QTreeWidgetItem(parent);
        item->setText(0, p.to.empty() ? shownName(p.from) : shownName(p.to));
        item->setText(1, shownPath(p.from.lexically_relative(common)));
        item->setFont(1, theme::monoFont());
        item->setForeground(1, theme::colours().third);
        item->setData(0, kindsRole, kindsOf(p, fresh, emptied));
        item->setData(0, draftRole, p.id > 0 && p.moves() && isDrafted(p.id));
        QStringList pills, tips;
        for (const naming::Mark& m : p.marks) {
            pills << pillOf(toneOf(m.kind), qs(m.text));
            tips << qs(m.text);
        }
        item->setData(1, pillsRole, pills);
        item->setToolTip(1, shownPath(p.from) + (tips.isEmpty() ? QString() : "\n" + tips.join('\n')));
        item->setToolTip(0, shownPath(p.to.empty() ? p.from : p.to));
        if (p.blocked())
            item->setForeground(0, theme::colours().rowan);
    };
    for (const naming::Placement& p : result.files)
        add(p);
    for (const naming::Placement& p : result.along)
        add(p);
    for (auto& [path, item] : folders)
        item->sortChildren(0, Qt::AscendingOrder);
    root->sortChildren(0, Qt::AscendingOrder);
    expandAll();
    hideOthers();
    verticalScrollBar()->setValue(scroll);
    setUpdatesEnabled(true);
}

void PlacesTree::filter(Kind kind) {
    kind_ = kind;
    hideOthers();
    for (QTreeWidgetItemIterator it(this, QTreeWidgetItemIterator::NotHidden); kind != All && *it; ++it)
        if ((*it)->data(0, kindsRole).toInt() & kind) {
            scrollToItem(*it);
            break;
        }
}

void PlacesTree::hideOthers() {
    const std::function<bool(QTreeWidgetItem*)> settle = [&](QTreeWidgetItem* item) { // is it shown?
        bool shown = kind_ == All || (item->data(0, kindsRole).toInt() & kind_) != 0;
        for (int i = 0; i < item->childCount(); ++i)
            shown = settle(item->child(i)) || shown;
        item->setHidden(!shown);
        return shown;
    };
    for (int i = 0; i < topLevelItemCount(); ++i)
        settle(topLevelItem(i));
}

int PlacesTree::rows() const {
    int out = 0;
    for (QTreeWidgetItemIterator it(const_cast<PlacesTree*>(this), QTreeWidgetItemIterator::NotHidden); *it;
         ++it)
        out += (*it)->childCount() == 0 && (*it)->data(0, kindsRole).isValid();
    return out;
}

} // namespace moorfrost::app
