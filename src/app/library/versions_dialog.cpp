// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/library/versions_dialog.h"

#include <QDropEvent>
#include <QHeaderView>
#include <QKeyEvent>
#include <QMenu>
#include <QStyledItemDelegate>
#include <QVBoxLayout>

#include <algorithm>
#include <set>

#include "app/shell/text_utils.h"
#include "app/shell/theme.h"

namespace moorfrost::app {

namespace {

using library::FileId;

enum Column { Title, Kind, Detail, Length, Place };
constexpr int fileRole = Qt::UserRole, kindRole = Qt::UserRole + 1;

QString kindShown(const std::string& kind) {
    return kind == library::leadVersion ? VersionsDialog::tr("lead version")
           : kind.empty()               ? VersionsDialog::tr("not told")
                                        : VersionsDialog::tr(kind.c_str());
}

/// Only what is said of a version is typed.
class DetailDelegate : public QStyledItemDelegate {
public:
    using QStyledItemDelegate::QStyledItemDelegate;
    QWidget* createEditor(QWidget* parent, const QStyleOptionViewItem& option,
                          const QModelIndex& index) const override {
        return index.column() == Detail && index.parent().isValid()
                   ? QStyledItemDelegate::createEditor(parent, option, index)
                   : nullptr;
    }
    QSize sizeHint(const QStyleOptionViewItem& option, const QModelIndex& index) const override {
        QSize size = QStyledItemDelegate::sizeHint(option, index);
        size.setHeight(28);
        return size;
    }
};

} // namespace

VersionsDialog::VersionsDialog(const std::vector<VersionGroup>& groups, QWidget* parent) : QDialog(parent) {
    setWindowTitle(tr("Versions of recordings"));
    tree_ = new QTreeWidget;
    prepareTree(tree_, {tr("Recording"), tr("Version"), tr("Which"), tr("Length"), tr("File")});
    tree_->setItemDelegate(new DetailDelegate(tree_));
    tree_->setAccessibleName(tr("Families of versions"));
    tree_->setDragDropMode(QAbstractItemView::InternalMove);
    tree_->setDefaultDropAction(Qt::MoveAction);
    // Between families is nowhere: a line that fell there would be of none.
    tree_->invisibleRootItem()->setFlags(tree_->invisibleRootItem()->flags() & ~Qt::ItemIsDropEnabled);
    tree_->setEditTriggers(QAbstractItemView::DoubleClicked | QAbstractItemView::EditKeyPressed);
    tree_->setColumnWidth(Title, 280);
    tree_->setColumnWidth(Kind, 120);
    tree_->setColumnWidth(Detail, 140);
    tree_->setColumnWidth(Length, 60);
    tree_->viewport()->installEventFilter(this);
    tree_->installEventFilter(this);
    family_ = button(tr("One family"));
    family_->setToolTip(tr("The chosen ones become a family of their own (F)"));
    lead_ = button(tr("Leads"));
    lead_->setToolTip(tr("The chosen one leads its family (L)"));
    kind_ = button(tr("Version"));
    auto* kinds = new QMenu(kind_);
    int number = 1;
    for (const std::string& kind : library::versionKinds()) {
        const QString key = number <= 9 ? QString("\t%1").arg(number) : QString();
        kinds->addAction(kindShown(kind) + key, this, [this, kind] { setKind(kind); });
        ++number;
    }
    kind_->setMenu(kinds);
    out_ = button(tr("Out of the family"));
    out_->setToolTip(tr("The chosen ones stand alone (Del)"));
    auto* row = new QHBoxLayout;
    for (QPushButton* b : {family_, lead_, kind_, out_}) {
        b->setAutoDefault(false);
        row->addWidget(b);
    }
    row->addStretch();
    row->addWidget(label(tr("Drag lines from family to family; 1 to 9 say the version"), "quiet"));
    const TakeBar foot = takeBar(this, tr("Take"));
    take_ = foot.take;
    summary_ = foot.summary;
    auto* body = new QVBoxLayout;
    body->setContentsMargins(16, 14, 16, 10);
    body->setSpacing(10);
    body->addWidget(tree_, 1);
    body->addLayout(row);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addLayout(body, 1);
    layout->addWidget(foot.widget);
    arranging_ = true;
    for (size_t i = 0; i < groups.size(); ++i) {
        const VersionGroup& g = groups[i];
        const bool last = i + 1 == groups.size();
        if (last) {
            alone_ = addFamily(tr("Standing alone"), false, {});
            alone_->setFlags(Qt::ItemIsEnabled | Qt::ItemIsDropEnabled);
            alone_->setData(Title, Qt::CheckStateRole, QVariant());
        }
        QTreeWidgetItem* family =
            last ? alone_
                 : addFamily(g.members.front().title, g.taken, g.kept ? tr("a family already") : g.why);
        for (const VersionGroup::Member& m : g.members)
            addMember(family, m);
    }
    arranging_ = false;
    connect(tree_, &QTreeWidget::itemChanged, this, &VersionsDialog::tell);
    connect(tree_, &QTreeWidget::itemSelectionChanged, this, &VersionsDialog::tell);
    connect(family_, &QPushButton::clicked, this, &VersionsDialog::makeFamily);
    connect(lead_, &QPushButton::clicked, this, &VersionsDialog::makeLead);
    connect(out_, &QPushButton::clicked, this, &VersionsDialog::takeOut);
    connect(take_, &QPushButton::clicked, this, &QDialog::accept);
    resize(980, 560);
    tell();
}

QTreeWidgetItem* VersionsDialog::addFamily(const QString& title, bool tick, const QString& why) {
    auto* item = new QTreeWidgetItem({title, {}, {}, {}, why});
    item->setFlags(Qt::ItemIsEnabled | Qt::ItemIsDropEnabled | Qt::ItemIsUserCheckable);
    item->setCheckState(Title, tick ? Qt::Checked : Qt::Unchecked);
    item->setFont(Title, theme::uiFont(13, QFont::DemiBold));
    item->setForeground(Place, theme::colours().second);
    // In front of those that stand alone.
    tree_->insertTopLevelItem(std::max(0, tree_->topLevelItemCount() - (alone_ ? 1 : 0)), item);
    item->setExpanded(true);
    return item;
}

void VersionsDialog::addMember(QTreeWidgetItem* family, const VersionGroup::Member& m) {
    auto* item = new QTreeWidgetItem(family, {m.title, kindShown(m.kind), qs(m.detail),
                                              m.seconds > 0 ? shownLength(m.seconds) : QString(), m.place});
    item->setFlags(Qt::ItemIsEnabled | Qt::ItemIsSelectable | Qt::ItemIsDragEnabled | Qt::ItemIsEditable);
    item->setData(Title, fileRole, QVariant::fromValue<qlonglong>(m.file));
    item->setData(Title, kindRole, QString::fromStdString(m.kind));
    item->setForeground(Place, theme::colours().second);
    item->setFont(Place, theme::monoFont());
    item->setToolTip(Place, m.place);
    item->setToolTip(Title, m.title);
}

std::vector<QTreeWidgetItem*> VersionsDialog::chosen() const {
    std::vector<QTreeWidgetItem*> out;
    for (QTreeWidgetItem* item : tree_->selectedItems())
        if (item->parent())
            out.push_back(item);
    return out;
}

void VersionsDialog::makeFamily() {
    const auto lines = chosen();
    if (lines.size() < 2)
        return;
    arranging_ = true; // what is chosen changes as they go: a family that is still empty is to stay
    QTreeWidgetItem* family = addFamily(lines.front()->text(Title), true, {});
    for (QTreeWidgetItem* line : lines) {
        line->parent()->removeChild(line);
        family->addChild(line);
    }
    arranging_ = false;
    std::vector<QTreeWidgetItem*> leads;
    std::ranges::copy_if(lines, std::back_inserter(leads),
                         [](auto* l) { return l->data(Title, kindRole).toString() == library::leadVersion; });
    if (!leads.empty()) { // of several families: the first leads all of them
        tree_->setCurrentItem(leads.front(), 0, QItemSelectionModel::NoUpdate);
        makeLead();
    } else {
        // The one whose name tells no version.
        const auto plain = std::ranges::find_if(
            lines, [](auto* l) { return l->data(Title, kindRole).toString().isEmpty(); });
        tree_->setCurrentItem(plain == lines.end() ? lines.front() : *plain);
        makeLead();
    }
    tell();
}

void VersionsDialog::makeLead() {
    QTreeWidgetItem* line = tree_->currentItem();
    if (!line || !line->parent() || line->parent() == alone_)
        return;
    for (int i = 0; i < line->parent()->childCount(); ++i) {
        QTreeWidgetItem* other = line->parent()->child(i);
        if (other->data(Title, kindRole).toString() == library::leadVersion) {
            other->setData(Title, kindRole, QString(library::otherVersion));
            other->setText(Kind, kindShown(library::otherVersion));
        }
    }
    line->setData(Title, kindRole, QString(library::leadVersion));
    line->setText(Kind, kindShown(library::leadVersion));
    line->parent()->setText(Title, line->text(Title));
    tell();
}

void VersionsDialog::setKind(const std::string& kind) {
    for (QTreeWidgetItem* line : chosen()) {
        line->setData(Title, kindRole, QString::fromStdString(kind));
        line->setText(Kind, kindShown(kind));
    }
    tell();
}

void VersionsDialog::takeOut() {
    arranging_ = true;
    for (QTreeWidgetItem* line : chosen()) {
        line->parent()->removeChild(line);
        alone_->addChild(line);
    }
    arranging_ = false;
    tell();
}

bool VersionsDialog::eventFilter(QObject* object, QEvent* event) {
    if (object == tree_ && event->type() == QEvent::KeyPress) {
        const auto* key = static_cast<QKeyEvent*>(event);
        if (key->modifiers() == Qt::NoModifier || key->modifiers() == Qt::KeypadModifier) {
            const auto& kinds = library::versionKinds();
            if (key->key() == Qt::Key_F)
                return makeFamily(), true;
            if (key->key() == Qt::Key_L)
                return makeLead(), true;
            if (key->key() == Qt::Key_Delete)
                return takeOut(), true;
            if (key->key() >= Qt::Key_1 && key->key() <= Qt::Key_9 &&
                static_cast<size_t>(key->key() - Qt::Key_1) < kinds.size())
                return setKind(kinds[static_cast<size_t>(key->key() - Qt::Key_1)]), true;
        }
    }
    if (object == tree_->viewport() && event->type() == QEvent::Drop)
        QMetaObject::invokeMethod(this, &VersionsDialog::tell, Qt::QueuedConnection);
    return QDialog::eventFilter(object, event);
}

void VersionsDialog::tell() {
    if (arranging_)
        return;
    arranging_ = true;
    for (int i = tree_->topLevelItemCount() - 1; i >= 0; --i) { // a family of nobody
        QTreeWidgetItem* family = tree_->topLevelItem(i);
        if (family != alone_ && family->childCount() == 0)
            delete tree_->takeTopLevelItem(i);
        else
            family->setExpanded(true);
    }
    arranging_ = false;
    const auto all = families();
    size_t versions = 0;
    std::string trouble;
    for (const auto& family : all) {
        versions += family.size();
        const auto leads =
            std::ranges::count(family, std::string(library::leadVersion), &library::VersionToKeep::kind);
        if (leads > 1)
            trouble = ss(tr("A family has one lead version: choose which (L)."));
    }
    const auto lines = chosen();
    family_->setEnabled(lines.size() > 1);
    lead_->setEnabled(lines.size() == 1 && lines.front()->parent() != alone_);
    kind_->setEnabled(!lines.empty());
    out_->setEnabled(std::ranges::any_of(lines, [&](auto* l) { return l->parent() != alone_; }));
    summary_->setText(!trouble.empty() ? qs(trouble)
                      : all.empty()    ? tr("No family is ticked.")
                                       : tr("Families: %1, versions: %2").arg(all.size()).arg(versions));
    take_->setEnabled(trouble.empty() && (!all.empty() || !alone().empty()));
}

std::vector<std::vector<library::VersionToKeep>> VersionsDialog::families() const {
    std::vector<std::vector<library::VersionToKeep>> out;
    for (int i = 0; i < tree_->topLevelItemCount(); ++i) {
        const QTreeWidgetItem* family = tree_->topLevelItem(i);
        if (family == alone_ || family->checkState(Title) != Qt::Checked || family->childCount() < 2)
            continue;
        auto& versions = out.emplace_back();
        for (int k = 0; k < family->childCount(); ++k) {
            const QTreeWidgetItem* line = family->child(k);
            std::string kind = ss(line->data(Title, kindRole).toString());
            versions.push_back({line->data(Title, fileRole).toLongLong(),
                                kind.empty() ? std::string(library::otherVersion) : kind,
                                ss(line->text(Detail).trimmed())});
        }
        // Where nobody was said to lead it is the one whose name tells no version.
        if (std::ranges::none_of(versions, [](const auto& v) { return v.kind == library::leadVersion; })) {
            for (int k = 0; k < family->childCount(); ++k)
                if (family->child(k)->data(Title, kindRole).toString().isEmpty()) {
                    versions[static_cast<size_t>(k)].kind = library::leadVersion;
                    break;
                }
        }
    }
    return out;
}

std::vector<FileId> VersionsDialog::alone() const {
    std::vector<FileId> out;
    for (int k = 0; k < alone_->childCount(); ++k)
        out.push_back(alone_->child(k)->data(Title, fileRole).toLongLong());
    return out;
}

} // namespace moorfrost::app
