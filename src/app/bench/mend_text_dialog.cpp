// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/mend_text_dialog.h"

#include <QHeaderView>
#include <QPushButton>
#include <QVBoxLayout>

#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/controls.h"
#include "app/widgets/sheet.h"
#include "core/text/encodings.h"

namespace moorfrost::app {

namespace {
enum Column { File, Field, Now, Then, In };
constexpr int rowRole = Qt::UserRole + 2;
} // namespace

MendTextDialog::MendTextDialog(const Uses& use, std::vector<FileId> files, QWidget* parent)
    : QDialog(parent), use_(use), files_(std::move(files)) {
    setWindowTitle(tr("Mend the text"));
    resize(980, 560);
    auto* head = new QHBoxLayout;
    auto* what = label(
        tr("Some programs wrote text in the encoding of their country and marked it as Latin-1."), "quiet");
    what->setWordWrap(true);
    head->addWidget(what, 1);
    head->addWidget(label(tr("Read the text as"), "caption"));
    encoding_ = new Choice;
    encoding_->setAccessibleName(tr("Read the text as"));
    encoding_->addItem(tr("what is likeliest for each file"));
    for (const std::string& name : text::encodingNames())
        encoding_->addItem(qs(name));
    head->addWidget(encoding_);

    tree_ = new QTreeWidget;
    tree_->setRootIsDecorated(false);
    tree_->setAccessibleName(tr("What the text would be"));
    prepareTree(tree_, {tr("File"), tr("Field"), tr("As it is"), tr("As it would be"), tr("Read as")});
    tree_->header()->resizeSection(File, 250);
    tree_->header()->resizeSection(Field, 100);
    tree_->header()->resizeSection(Now, 230);
    tree_->header()->resizeSection(Then, 230);

    TakeBar foot = takeBar(this);
    summary_ = foot.summary;
    take_ = foot.take;
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addWidget(bar("head", head, 52));
    layout->addWidget(tree_, 1);
    layout->addWidget(foot.widget);
    connect(encoding_, &QComboBox::currentIndexChanged, this, &MendTextDialog::fill);
    connect(tree_, &QTreeWidget::itemChanged, this, &MendTextDialog::count);
    connect(take_, &QPushButton::clicked, this, &MendTextDialog::take);
    fill();
}

void MendTextDialog::fill() {
    rows_.clear();
    std::string chosen = encoding_->currentIndex() > 0 ? ss(encoding_->currentText()) : std::string();
    tree_->blockSignals(true);
    tree_->clear();
    for (FileId id : files_) {
        FilePtr f = use_.files.file(id);
        if (!f || !f->readable())
            continue;
        const edits::Subject file = use_.drafts.subject(id);
        const std::string encoding = chosen.empty() ? tags::likelyEncoding(file.fields) : chosen;
        if (encoding.empty())
            continue;
        for (edits::Proposal& p : edits::mendText({file}, encoding)) {
            auto* item = new QTreeWidgetItem(tree_);
            item->setText(File, shownName(f->path));
            item->setToolTip(File, shownPath(f->path));
            item->setFont(File, theme::monoFont());
            item->setText(Field, fieldLabel(p.field));
            item->setText(Now, qs(tags::shownValue(file.fields, p.field)));
            item->setText(Then, qs(tags::shownValues(p.values)));
            item->setForeground(Now, theme::colours().second);
            for (int c : {Now, Then})
                item->setToolTip(c, item->text(c));
            item->setText(In,
                          f->writable() ? qs(encoding) : tr("%1; will not be written to").arg(qs(encoding)));
            item->setData(File, rowRole, static_cast<qulonglong>(rows_.size()));
            item->setCheckState(File, f->writable() ? Qt::Checked : Qt::Unchecked);
            if (!f->writable())
                item->setFlags(Qt::ItemIsSelectable | Qt::ItemIsEnabled);
            rows_.push_back(std::move(p));
        }
    }
    tree_->blockSignals(false);
    count();
}

void MendTextDialog::count() {
    int ticked = 0;
    for (int i = 0; i < tree_->topLevelItemCount(); ++i)
        ticked += tree_->topLevelItem(i)->checkState(File) == Qt::Checked;
    summary_->setText(rows_.empty() ? encoding_->currentIndex() == 0
                                          ? tr("All text of these %n file(s) looks right.", "",
                                               static_cast<int>(files_.size()))
                                          : tr("No text of these files can be read in this encoding.")
                                    : tr("%1 of %2 values will be taken").arg(ticked).arg(rows_.size()));
    take_->setEnabled(ticked > 0);
}

void MendTextDialog::take() {
    edits::Proposals taken;
    for (int i = 0; i < tree_->topLevelItemCount(); ++i)
        if (tree_->topLevelItem(i)->checkState(File) == Qt::Checked)
            taken.push_back(rows_[tree_->topLevelItem(i)->data(File, rowRole).toULongLong()]);
    use_.drafts.propose(tr("Mend the text"), taken);
    accept();
}

} // namespace moorfrost::app
