// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/batch_dialog.h"

#include <QDateTime>
#include <QHeaderView>
#include <QLineEdit>
#include <QLocale>
#include <QPlainTextEdit>
#include <QPointer>
#include <QPushButton>
#include <QTreeWidget>
#include <QVBoxLayout>

#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/controls.h"

namespace moorfrost::app {

BatchDialog::BatchDialog(const Uses& use, QWidget* parent) : QDialog(parent), use_(use) {
    setWindowTitle(tr("This batch"));
    resize(620, 460);
    name_ = new QLineEdit(use_.batch.name());
    name_->setAccessibleName(tr("Name of the batch"));
    note_ = new QPlainTextEdit(use_.batch.note());
    note_->setAccessibleName(tr("Note on the batch"));
    note_->setPlaceholderText(tr("Whose files they are, what was agreed, what is left to do \u2026"));
    note_->setTabChangesFocus(true);
    note_->setMaximumHeight(110);
    origins_ = new QTreeWidget;
    origins_->setRootIsDecorated(false);
    origins_->setAccessibleName(tr("Where its files came from"));
    prepareTree(origins_, {tr("Came from"), tr("When"), tr("Files")});
    origins_->setSelectionMode(QAbstractItemView::SingleSelection);
    origins_->header()->resizeSection(0, 330);
    origins_->header()->resizeSection(1, 150);
    origins_->headerItem()->setTextAlignment(2, Qt::AlignRight | Qt::AlignVCenter);
    TakeBar foot = takeBar(this);
    foot.take->setText(tr("Keep"));
    connect(foot.take, &QPushButton::clicked, this, &BatchDialog::accept);
    auto* inner = new QVBoxLayout;
    inner->setContentsMargins(12, 12, 12, 12);
    inner->setSpacing(6);
    inner->addWidget(label(tr("Name"), "caption"));
    inner->addWidget(name_);
    inner->addSpacing(6);
    inner->addWidget(label(tr("Note"), "caption"));
    inner->addWidget(note_);
    inner->addSpacing(6);
    inner->addWidget(label(tr("Where its files came from"), "caption"));
    inner->addWidget(origins_, 1);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addLayout(inner, 1);
    layout->addWidget(foot.widget);
    use_.batch.readOrigins(this, [self = QPointer(this)](const std::vector<library::BatchOrigin>& origins) {
        if (!self)
            return;
        for (const library::BatchOrigin& o : origins) {
            auto* item = new QTreeWidgetItem(self->origins_);
            item->setText(0, !o.place.empty() ? shownPath(o.place)
                             : o.when > 0     ? tr("from the library")
                                              : tr("not known"));
            item->setToolTip(0, item->text(0));
            if (!o.place.empty())
                item->setFont(0, theme::monoFont());
            item->setText(1, o.when <= 0 ? tr("not known")
                                         : QLocale().toString(QDateTime::fromSecsSinceEpoch(o.when),
                                                              QLocale::ShortFormat));
            item->setTextAlignment(2, Qt::AlignRight | Qt::AlignVCenter);
            item->setText(2, QLocale().toString(static_cast<qulonglong>(o.files)));
        }
    });
}

void BatchDialog::accept() {
    const QString name = name_->text().simplified();
    use_.batch.describe(name.isEmpty() ? use_.batch.name() : name, note_->toPlainText().trimmed());
    QDialog::accept();
}

} // namespace moorfrost::app
