// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/releases/set_proposals.h"

#include <QHeaderView>
#include <QVBoxLayout>

#include "app/releases/release_lines.h"
#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "app/shell/theme.h"

namespace moorfrost::app {

namespace {

enum Column { What, Sure, Why };
constexpr double ticked = 0.85; // as sure as that

} // namespace

SetProposals::SetProposals(ReleasesController& releases, QWidget* parent)
    : QDialog(parent), releases_(releases) {
    setWindowTitle(tr("Editions that may be of one set"));
    tree_ = new QTreeWidget;
    prepareTree(tree_, {tr("Release"), tr("Sure"), tr("Why")});
    tree_->setAccessibleName(tr("Proposals"));
    tree_->setColumnWidth(What, 520);
    tree_->setColumnWidth(Sure, 60);
    apart_ = button(tr("Not the same"));
    apart_->setToolTip(tr("The chosen ones are not proposed again"));
    const TakeBar foot = takeBar(this, tr("Join the ticked ones"));
    join_ = foot.take;
    summary_ = foot.summary;
    auto* row = new QHBoxLayout;
    row->addWidget(
        label(tr("What is ticked becomes one set of editions each. Nothing happens to the files."), "quiet"));
    row->addStretch();
    row->addWidget(apart_);
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
    connect(tree_, &QTreeWidget::itemChanged, this, &SetProposals::tell);
    connect(tree_, &QTreeWidget::itemSelectionChanged, this, &SetProposals::tell);
    connect(join_, &QPushButton::clicked, this, &SetProposals::join);
    connect(apart_, &QPushButton::clicked, this, &SetProposals::keepApart);
    connect(&releases_, &ReleasesController::proposalsChanged, this, &SetProposals::fill);
    resize(900, 560);
    fill();
}

void SetProposals::fill() {
    list_ = releases_.proposalsOf();
    proposals_ = releases_.proposals();
    const QSignalBlocker quiet(tree_);
    tree_->clear();
    for (const library::SetProposal& p : proposals_) {
        const library::ReleaseEntry& first = list_->entries()[p.entries.front()];
        auto* group = new QTreeWidgetItem(
            tree_, {qs(first.title) + (first.artist.empty() ? QString() : " \u00B7 " + qs(first.artist)),
                    QLocale().toString(p.evidence.sure, 'f', 2), spoken(p.evidence.words())});
        group->setFont(What, theme::uiFont(13, QFont::DemiBold));
        group->setCheckState(What, p.evidence.sure >= ticked ? Qt::Checked : Qt::Unchecked);
        for (const size_t entry : p.entries) {
            const library::ReleaseEntry& e = list_->entries()[entry];
            QString line = qs(e.title) + " \u00B7 " + editionLine(e);
            if (!e.date.empty())
                line += " \u00B7 " + qs(e.date);
            auto* item =
                new QTreeWidgetItem(group, {line, {}, tr("%n track(s)", "", static_cast<int>(e.tracks))});
            item->setForeground(Why, theme::colours().second);
            item->setFlags(Qt::ItemIsEnabled);
            item->setToolTip(What, line);
        }
        group->setExpanded(true);
    }
    tell();
}

void SetProposals::tell() {
    int ticks = 0;
    for (int i = 0; i < tree_->topLevelItemCount(); ++i)
        ticks += tree_->topLevelItem(i)->checkState(What) == Qt::Checked;
    join_->setEnabled(ticks > 0);
    apart_->setEnabled(!tree_->selectedItems().isEmpty());
    summary_->setText(proposals_.empty() ? tr("There is nothing to propose.")
                                         : tr("%1 of %2 ticked").arg(ticks).arg(tree_->topLevelItemCount()));
}

void SetProposals::join() {
    std::vector<std::vector<library::ReleaseRef>> sets;
    for (int i = 0; i < tree_->topLevelItemCount(); ++i)
        if (tree_->topLevelItem(i)->checkState(What) == Qt::Checked) {
            auto& set = sets.emplace_back();
            for (const size_t entry : proposals_[static_cast<size_t>(i)].entries)
                set.push_back(list_->entries()[entry].ref);
        }
    releases_.joinSets(sets);
    accept();
}

void SetProposals::keepApart() {
    for (QTreeWidgetItem* item : tree_->selectedItems())
        if (const int row = tree_->indexOfTopLevelItem(item); row >= 0) {
            std::vector<library::ReleaseRef> refs;
            for (const size_t entry : proposals_[static_cast<size_t>(row)].entries)
                refs.push_back(list_->entries()[entry].ref);
            releases_.keepApart(refs);
        }
}

} // namespace moorfrost::app
