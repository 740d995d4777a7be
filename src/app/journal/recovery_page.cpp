// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/journal/recovery_page.h"

#include <QHeaderView>
#include <QVBoxLayout>

#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/controls.h"

namespace moorfrost::app {

namespace {
enum Column { File, Place };
}

RecoveryPage::RecoveryPage(const Uses& use, QWidget* parent) : QWidget(parent), use_(use) {
    auto* head = new QHBoxLayout;
    auto* journal = button(tr("Look in the journal"));
    auto* go = button(tr("Go on"), "accent");
    head->addWidget(label(tr("A write was interrupted"), "title"));
    head->addStretch();
    head->addWidget(journal);
    head->addWidget(go);
    text_ = label({}, "banner");
    text_->setWordWrap(true);
    tree_ = new QTreeWidget;
    prepareTree(tree_, {tr("File"), tr("Where it is")});
    tree_->setAccessibleName(tr("Files of the interrupted write"));
    tree_->header()->resizeSection(File, 380);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addWidget(bar("head", head, 46));
    layout->addWidget(text_);
    layout->addWidget(tree_, 1);
    connect(go, &QPushButton::clicked, this, &RecoveryPage::goOn);
    connect(journal, &QPushButton::clicked, this, &RecoveryPage::journalWanted);
    connect(&use_.care, &LibraryCare::interruptionFound, this, &RecoveryPage::refresh);
    connect(&use_.shelves, &ShelvesController::changed, this, &RecoveryPage::refresh); // they tell the places
}

void RecoveryPage::refresh() {
    const library::RecoveryReport& r = use_.care.recovered();
    const auto& c = theme::colours();
    QStringList sets;
    for (const std::string& title : r.sets)
        sets << tr("\u201C%1\u201D").arg(qs(title));
    QString text = sets.isEmpty()
                       ? tr("Moorfrost was stopped while it was writing.")
                       : tr("Moorfrost was stopped while it was writing: %1.").arg(sets.join(", "));
    if (!r.error.empty())
        text += " " + spoken(r.error);
    else if (r.setAside.empty())
        text +=
            " " +
            tr("All is put right: every file is whole, and nothing was lost. What was not written is still "
               "drafted.");
    else
        text +=
            " " +
            tr("Left alone, because to put it right would have meant guessing: %n file(s). All others are "
               "whole.",
               "", static_cast<int>(r.setAside.size()));
    text_->setText(text);
    text_->setObjectName(r.setAside.empty() && r.error.empty() ? "bannerGood" : "bannerWrong");
    text_->style()->unpolish(text_);
    text_->style()->polish(text_);
    tree_->clear();
    auto group = [&](const QString& title, const std::vector<library::RecoveredFile>& files,
                     const QColor& colour, const QString& advice) {
        if (files.empty())
            return;
        auto line = [&](QTreeWidgetItem* under, const QString& sentence, const QColor& ink) {
            auto* item = new QTreeWidgetItem(under, {sentence});
            item->setFirstColumnSpanned(true);
            item->setFlags(Qt::ItemIsEnabled);
            item->setForeground(File, ink);
            item->setToolTip(File, sentence);
            under->setExpanded(true);
        };
        auto* parent = new QTreeWidgetItem(tree_, {title});
        parent->setFirstColumnSpanned(true);
        parent->setFont(File, theme::uiFont(13, QFont::DemiBold));
        parent->setForeground(File, colour);
        line(parent, advice, c.second);
        for (const library::RecoveredFile& f : files) {
            auto* item = new QTreeWidgetItem(
                parent, {shownName(f.path), use_.shelves.placeText(f.path.parent_path())});
            item->setFont(File, theme::monoFont());
            item->setFont(Place, theme::monoFont());
            item->setToolTip(Place, shownPath(f.path));
            if (!f.why.empty())
                line(item, spoken(f.why), colour);
        }
        parent->setExpanded(true);
    };
    group(
        tr("Set aside: %n file(s)", "", static_cast<int>(r.setAside.size())), r.setAside, c.rowan,
        tr("Look at these yourself. What they held before and what they were to hold stays in the journal."));
    group(tr("As before: %n file(s)", "", static_cast<int>(r.asBefore.size())), r.asBefore, c.ink,
          tr("Their drafts are still there; write them again when you like."));
    group(tr("Finished: %n file(s)", "", static_cast<int>(r.finished.size())), r.finished, c.moss,
          tr("There is nothing to do. The journal can take them back."));
}

} // namespace moorfrost::app
