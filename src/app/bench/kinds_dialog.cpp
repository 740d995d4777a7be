// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/kinds_dialog.h"

#include <QHeaderView>
#include <QPushButton>
#include <QTreeWidget>
#include <QVBoxLayout>

#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/controls.h"

namespace moorfrost::app {

using matching::ContentKind;

namespace {
enum Column { File, Length, Is, Why };
constexpr int idRole = Qt::UserRole, kindRole = Qt::UserRole + 1;
} // namespace

KindsDialog::KindsDialog(const Uses& use, QWidget* parent) : QDialog(parent), use_(use) {
    setWindowTitle(tr("Kinds to confirm"));
    resize(900, 480);
    auto* head = new QHBoxLayout;
    auto* what = label(tr("What these files hold is guessed from their words, lengths and sound. What is not "
                          "music is not asked for an artist or an album. The files are not changed."),
                       "quiet");
    what->setWordWrap(true);
    listen_ = button({});
    head->addWidget(what, 1);
    head->addWidget(listen_);
    tree_ = new QTreeWidget;
    tree_->setRootIsDecorated(false);
    tree_->setAccessibleName(tr("Files and what they may be"));
    prepareTree(tree_, {tr("File"), tr("Length"), tr("Kind"), tr("Why")});
    tree_->header()->resizeSection(File, 300);
    tree_->header()->resizeSection(Length, 64);
    tree_->header()->resizeSection(Is, 90);

    auto* chosen = new QHBoxLayout;
    play_ = button(tr("Play"));
    chosen->addWidget(play_);
    chosen->addSpacing(12);
    chosen->addWidget(label(tr("What is selected is"), "quiet"));
    for (ContentKind kind : matching::allKinds()) {
        auto* b = button(kindText(kind));
        kindButtons_.push_back(b);
        chosen->addWidget(b);
        connect(b, &QPushButton::clicked, this, [this, kind] { setSelected(kind); });
    }
    chosen->addStretch();
    TakeBar foot = takeBar(this, tr("Confirm all"));
    summary_ = foot.summary;
    confirm_ = foot.take;
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addWidget(bar("head", head, 52));
    layout->addWidget(tree_, 1);
    layout->addWidget(bar("tools", chosen));
    layout->addWidget(foot.widget);

    connect(confirm_, &QPushButton::clicked, this, &KindsDialog::confirm);
    connect(tree_, &QTreeWidget::itemSelectionChanged, this, &KindsDialog::refresh);
    auto play = [this] {
        if (const QTreeWidgetItem* item = tree_->currentItem())
            emit playRequested(item->data(File, idRole).toLongLong());
    };
    connect(play_, &QPushButton::clicked, this, play);
    connect(tree_, &QTreeWidget::itemActivated, this, play);
    connect(listen_, &QPushButton::clicked, this, [this] { use_.kinds.listen(true); });
    connect(&use_.kinds, &ContentKinds::changed, this, &KindsDialog::fill);
    fill();
    tree_->setCurrentItem(tree_->topLevelItem(0));
    tree_->setFocus();
}

void KindsDialog::fill() {
    std::map<FileId, ContentKind> chosen; // here already
    for (int i = 0; i < tree_->topLevelItemCount(); ++i)
        chosen[tree_->topLevelItem(i)->data(File, idRole).toLongLong()] =
            static_cast<ContentKind>(tree_->topLevelItem(i)->data(File, kindRole).toInt());
    tree_->clear();
    for (const auto& [id, proposal] : use_.kinds.proposals()) {
        FilePtr f = use_.files.file(id);
        if (!f)
            continue;
        auto* item = new QTreeWidgetItem(tree_);
        item->setData(File, idRole, static_cast<qlonglong>(id));
        item->setText(File, shownName(f->path));
        item->setToolTip(File, shownPath(f->path));
        item->setFont(File, theme::monoFont());
        item->setText(Length, shownLength(f->tags.facts.duration));
        item->setTextAlignment(Length, Qt::AlignRight | Qt::AlignVCenter);
        item->setText(Why, spoken(proposal.why));
        item->setToolTip(Why, item->text(Why));
        item->setForeground(Why, theme::colours().second);
        setKind(item, chosen.contains(id) ? chosen[id] : proposal.kind);
    }
    refresh();
}

void KindsDialog::setKind(QTreeWidgetItem* item, ContentKind kind) {
    item->setText(Is, kindText(kind));
    item->setData(File, kindRole, static_cast<int>(kind));
}

void KindsDialog::setSelected(ContentKind kind) {
    for (QTreeWidgetItem* item : tree_->selectedItems())
        setKind(item, kind);
}

void KindsDialog::refresh() {
    const int count = tree_->topLevelItemCount();
    const bool any = !tree_->selectedItems().isEmpty();
    for (QPushButton* b : kindButtons_)
        b->setEnabled(any);
    play_->setEnabled(any);
    confirm_->setEnabled(count > 0);
    const auto unheard = static_cast<int>(use_.kinds.unheard());
    listen_->setVisible(unheard > 0);
    listen_->setText(tr("Listen to %n more file(s)", "", unheard));
    summary_->setText(count == 0 ? tr("Nothing to confirm.") : tr("%n file(s)", "", count));
}

void KindsDialog::confirm() {
    std::map<FileId, ContentKind> kinds;
    for (int i = 0; i < tree_->topLevelItemCount(); ++i)
        kinds[tree_->topLevelItem(i)->data(File, idRole).toLongLong()] =
            static_cast<ContentKind>(tree_->topLevelItem(i)->data(File, kindRole).toInt());
    accept();
    use_.kinds.confirm(kinds);
}

} // namespace moorfrost::app
