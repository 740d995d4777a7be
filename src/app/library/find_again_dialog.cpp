// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/library/find_again_dialog.h"

#include <QDialogButtonBox>
#include <QHeaderView>
#include <QPushButton>
#include <QTreeWidget>
#include <QVBoxLayout>

#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/controls.h"

namespace moorfrost::app {

using By = library::FoundAgain::By;

FindAgainDialog::FindAgainDialog(std::vector<library::FoundAgain> found, QWidget* parent)
    : QDialog(parent), found_(std::move(found)) {
    setWindowTitle(tr("Find again"));
    const auto& c = theme::colours();
    told_ = new ShortLabel;
    list_ = new QTreeWidget;
    prepareTree(list_, {tr("Was"), tr("Is now"), tr("Why")});
    list_->setAccessibleName(tr("Absent files"));
    for (const library::FoundAgain& f : found_) {
        const bool there = f.by != By::Nothing;
        auto* item = new QTreeWidgetItem(
            list_, {shownName(f.was), there ? shownPath(f.now.path) : tr("not found"), qs(f.told)});
        item->setToolTip(0, shownPath(f.was));
        item->setToolTip(1, there ? shownPath(f.now.path) : QString());
        item->setToolTip(2, qs(f.told));
        item->setFont(1, there ? theme::monoFont() : theme::uiFont(13));
        item->setForeground(1, there ? c.ink : c.rowan);
        item->setForeground(2, c.second);
        item->setFlags(there ? Qt::ItemIsEnabled | Qt::ItemIsSelectable | Qt::ItemIsUserCheckable
                             : Qt::ItemIsSelectable | Qt::ItemIsEnabled);
        // What is sure is ticked; what only looks like it is left to a person.
        if (there)
            item->setCheckState(0, f.by == By::NameAndLength ? Qt::Unchecked : Qt::Checked);
    }
    list_->setRootIsDecorated(false);
    list_->setColumnWidth(0, 210);
    list_->setColumnWidth(1, 330);
    auto* buttons = new QDialogButtonBox(QDialogButtonBox::Cancel);
    follow_ = buttons->addButton(QString(), QDialogButtonBox::AcceptRole);
    follow_->setObjectName("accent");
    connect(buttons, &QDialogButtonBox::accepted, this, &QDialog::accept);
    connect(buttons, &QDialogButtonBox::rejected, this, &QDialog::reject);
    connect(list_, &QTreeWidget::itemChanged, this, &FindAgainDialog::tell);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(16, 14, 16, 14);
    layout->setSpacing(12);
    layout->addWidget(told_);
    layout->addWidget(list_, 1);
    layout->addWidget(buttons);
    resize(980, 460);
    tell();
}

std::vector<library::FoundAgain> FindAgainDialog::chosen() const {
    std::vector<library::FoundAgain> out;
    for (int i = 0; i < list_->topLevelItemCount(); ++i)
        if (list_->topLevelItem(i)->checkState(0) == Qt::Checked)
            out.push_back(found_[static_cast<size_t>(i)]);
    return out;
}

void FindAgainDialog::tell() {
    const auto there = static_cast<int>(
        std::ranges::count_if(found_, [](const library::FoundAgain& f) { return f.by != By::Nothing; }));
    told_->setText(tr("%n file(s) found again", "", there) + QString(" \u00B7 ") +
                   tr("%n not found", "", static_cast<int>(found_.size()) - there));
    const auto ticked = static_cast<int>(chosen().size());
    follow_->setText(tr("Follow %n file(s)", "", ticked));
    follow_->setEnabled(ticked > 0);
}

QString FindAgainDialog::told() const {
    return told_->text();
}

} // namespace moorfrost::app
