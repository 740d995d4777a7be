// SPDX-License-Identifier: GPL-3.0-or-later
// Review after a write: what was done, release by release, and what was not, with the reasons.
#include <QDesktopServices>
#include <QUrl>

#include <algorithm>

#include "app/bench/review_page.h"
#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/controls.h"
#include "app/widgets/file_table.h"
#include "core/text/text.h"

namespace moorfrost::app {

namespace {

constexpr int stepRole = Qt::UserRole + 11;   // of a file: its number in the set
constexpr int folderRole = Qt::UserRole + 12; // where it is now

bool isDone(const files::StepRecord& step) {
    return step.state == files::StepState::Done;
}

} // namespace

QTreeWidgetItem* ReviewPage::reportRow(const files::StepRecord& step) {
    const auto& c = theme::colours();
    const bool done = isDone(step), moved = done && !step.step.target.empty();
    auto* item = new QTreeWidgetItem;
    item->setText(What, shownName(step.step.source));
    item->setFont(What, theme::monoFont());
    QStringList fields;
    for (const auto& [key, values] : step.step.changes)
        fields << fieldLabel(key);
    item->setText(Future, moved ? use_.shelves.placeText(step.step.target) : fields.join(", "));
    item->setText(Present, use_.shelves.placeText(step.step.source));
    item->setToolTip(Future, shownPath(step.step.target));
    item->setToolTip(Present, shownPath(step.step.source));
    item->setFont(Present, theme::monoFont());
    if (moved)
        item->setFont(Future, theme::monoFont());
    const QString fared = done ? (step.notes.empty() ? tr("written") : qs(text::join(step.notes, " ")))
                          : step.state == files::StepState::Failed ? tr("left as before")
                                                                   : tr("not begun");
    item->setText(Origin, fared);
    item->setToolTip(Origin, fared);
    item->setForeground(Origin, done ? c.moss : c.rowan);
    item->setData(
        What, folderRole,
        QByteArray::fromStdString((moved ? step.step.target : step.step.source).parent_path().native()));
    return item;
}

void ReviewPage::showReport() {
    const files::SetReport& r = *use_.writing.lastReport();
    const auto& c = theme::colours();
    title_->setText(tr("Written"));
    note_->setText({});
    QString text = tr("%n file(s) written.", "", static_cast<int>(r.done));
    if (!r.removedFolders.empty())
        text += " " + tr("%n emptied folder(s) gone.", "", static_cast<int>(r.removedFolders.size()));
    if (const size_t left = use_.sleeves.files().size(); left > 0)
        text += " " + tr("%n file(s) left on the bench.", "", static_cast<int>(left));
    if (r.failed > 0)
        text += " " + tr("%n file(s) left as before; the reasons are below, the drafts are kept.", "",
                         static_cast<int>(r.failed));
    if (r.left > 0)
        text += " " + tr("Stopped: %n file(s) were not begun.", "", static_cast<int>(r.left));
    if (!r.error.empty())
        text += " " + spoken(r.error);
    text += " " + (allNames_->isHidden() ? tr("The journal keeps what was replaced.")
                                         : tr("Choose above what is to become of the other names."));
    banner_->setVisible(true);
    setBanner(text, r.failed > 0 || !r.error.empty() ? "banner" : "bannerGood");
    tree_->setHeaderLabels({tr("File"), tr("Is now"), tr("Was before"), tr("How it fared")});
    tree_->clear();
    QList<QTreeWidgetItem*> troubles, plain;
    std::map<Path, QList<QTreeWidgetItem*>> releases; // what moved, by where it is now
    for (size_t i = 0; i < r.steps.size(); ++i) {
        const files::StepRecord& step = r.steps[i];
        QTreeWidgetItem* item = reportRow(step);
        if (isDone(step)) {
            item->setData(What, stepRole, static_cast<qulonglong>(i));
            if (!step.step.target.empty()) // the line above them tells the folder
                item->setText(Future, shownName(step.step.target));
            (step.step.target.empty() ? plain : releases[step.step.target.parent_path()]) << item;
            continue;
        }
        troubles << item;
        item->setIcon(What, theme::icon("attention", c.rowan));
        if (step.error.empty())
            continue;
        // The reason, and what to do, in full: one line under the file.
        auto* why = new QTreeWidgetItem(item, {spoken(step.error)});
        why->setFirstColumnSpanned(true);
        why->setFlags(Qt::ItemIsEnabled);
        why->setForeground(What, c.rowan);
        why->setToolTip(What, spoken(step.error));
    }
    // What needs a look comes first.
    std::ranges::stable_sort(troubles, {},
                             [](const QTreeWidgetItem* item) { return item->childCount() == 0; });
    tree_->addTopLevelItems(troubles);
    for (auto& [folder, items] : releases) {
        auto* head = new QTreeWidgetItem({use_.shelves.placeText(folder) + " \u00B7 " +
                                          tr("%n file(s)", "", static_cast<int>(items.size()))});
        head->setFont(What, theme::uiFont(13, QFont::DemiBold));
        head->setToolTip(What, shownPath(folder));
        head->setData(What, folderRole, QByteArray::fromStdString(folder.native()));
        head->addChildren(items);
        tree_->addTopLevelItem(head);
        head->setFirstColumnSpanned(true);
    }
    tree_->addTopLevelItems(plain);
    tree_->expandAll();
    stack_->setCurrentIndex(0);
    tellChosen();
}

std::set<size_t> ReviewPage::chosenSteps() const {
    std::set<size_t> out;
    for (const QTreeWidgetItem* item : tree_->selectedItems()) {
        if (const QVariant step = item->data(What, stepRole); step.isValid())
            out.insert(static_cast<size_t>(step.toULongLong()));
        for (int i = 0; i < item->childCount(); ++i)
            if (const QVariant step = item->child(i)->data(What, stepRole); step.isValid())
                out.insert(static_cast<size_t>(step.toULongLong()));
    }
    return out;
}

Path ReviewPage::chosenFolder() const {
    std::set<std::string> folders;
    for (const QTreeWidgetItem* item : tree_->selectedItems())
        if (const QByteArray folder = item->data(What, folderRole).toByteArray(); !folder.isEmpty())
            folders.insert(folder.toStdString());
    return folders.size() == 1 ? Path(*folders.begin()) : Path();
}

void ReviewPage::tellChosen() {
    const bool report = use_.writing.lastReport().has_value();
    showFolder_->setEnabled(report && !chosenFolder().empty());
    const auto steps = report ? static_cast<int>(chosenSteps().size()) : 0;
    takeBackThese_->setVisible(steps > 0);
    takeBackThese_->setText(tr("Take back %n of these", "", steps));
    takeBack_->setText(steps > 0 ? tr("Take back all") : tr("Take back"));
}

void ReviewPage::showFolder() {
    if (const Path folder = chosenFolder(); !folder.empty())
        QDesktopServices::openUrl(QUrl::fromLocalFile(qs(folder.native())));
}

} // namespace moorfrost::app
