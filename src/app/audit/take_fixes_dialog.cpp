// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/audit/take_fixes_dialog.h"

#include <QVBoxLayout>

#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"

namespace moorfrost::app {

TakeFixesDialog::TakeFixesDialog(AuditController& audit, const std::vector<size_t>& findings, QWidget* parent)
    : QDialog(parent) {
    setWindowTitle(tr("Fixes to take"));
    list_ = new QTreeWidget;
    prepareTree(list_, {tr("About"), tr("What is wrong"), tr("The fix")});
    list_->setRootIsDecorated(false);
    list_->setFrameShape(QFrame::NoFrame);
    list_->setAccessibleName(tr("Fixes to take"));
    list_->setColumnWidth(0, 230);
    list_->setColumnWidth(1, 280);
    QList<QTreeWidgetItem*> rows;
    for (const size_t at : findings) {
        keys_.push_back(audit.key(at));
        const library::Finding finding = audit.finding(at);
        auto* row =
            new QTreeWidgetItem({qs(finding.title), spoken(finding.sentence), spoken(finding.fix.says)});
        row->setCheckState(0, Qt::Checked);
        for (int c = 0; c < 3; ++c)
            row->setToolTip(c, row->text(c).toHtmlEscaped());
        rows << row;
    }
    list_->addTopLevelItems(rows);
    bar_ = takeBar(this, tr("Take as drafts"));
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addWidget(list_, 1);
    layout->addWidget(bar_.widget);
    connect(bar_.take, &QPushButton::clicked, this, &QDialog::accept);
    connect(list_, &QTreeWidget::itemChanged, this, &TakeFixesDialog::showCount);
    showCount();
    resize(820, 480);
}

std::vector<uint64_t> TakeFixesDialog::chosen() const {
    std::vector<uint64_t> out;
    for (int i = 0; i < list_->topLevelItemCount(); ++i)
        if (list_->topLevelItem(i)->checkState(0) == Qt::Checked)
            out.push_back(keys_[static_cast<size_t>(i)]);
    return out;
}

void TakeFixesDialog::showCount() {
    const auto count = static_cast<int>(chosen().size());
    bar_.summary->setText(tr("As drafts: %n fix(es). Nothing is written yet.", "", count));
    bar_.take->setEnabled(count > 0);
}

} // namespace moorfrost::app
