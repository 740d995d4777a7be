// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/deliver/entry_dialog.h"

#include <QDialogButtonBox>
#include <QFormLayout>
#include <QPushButton>
#include <QSpinBox>
#include <QVBoxLayout>

#include "app/shell/text_utils.h"
#include "app/widgets/controls.h"
#include "core/matching/content_kinds.h"

namespace moorfrost::app {

EntryDialog::EntryDialog(const std::vector<library::Shelf>& shelves,
                         const std::vector<deliver::RowKindRule>& rules, int rows, QWidget* parent)
    : QDialog(parent) {
    setWindowTitle(tr("Entries without a file"));
    auto* says =
        label(tr("%n row(s) become entries of the library whose file is absent: they are found, listed and "
                 "sent out like others. When a file comes, it takes its place.",
                 "", rows),
              "quiet");
    says->setWordWrap(true);
    shelf_ = new Choice;
    shelf_->setAccessibleName(tr("Shelf"));
    for (const library::Shelf& shelf : shelves)
        shelf_->addItem(qs(shelf.name), QVariant::fromValue<qlonglong>(shelf.id));
    auto* form = new QFormLayout;
    form->addRow(tr("Shelf"), shelf_);
    list_ = new QVBoxLayout;
    list_->setSpacing(6);
    for (const deliver::RowKindRule& rule : rules)
        addRule(rule);
    auto* more = button(tr("Another rule"), "flat");
    connect(more, &QPushButton::clicked, this, [this] { addRule({0, false, "speech"}); });
    auto* buttons = new QDialogButtonBox(QDialogButtonBox::Cancel);
    auto* add = buttons->addButton(tr("Add the entries"), QDialogButtonBox::AcceptRole);
    add->setDefault(true);
    connect(buttons, &QDialogButtonBox::accepted, this, &QDialog::accept);
    connect(buttons, &QDialogButtonBox::rejected, this, &QDialog::reject);
    auto* layout = new QVBoxLayout(this);
    layout->addWidget(says);
    layout->addLayout(form);
    layout->addWidget(
        label(tr("What kind of sound a row is that does not say so: the first rule that fits"), "caption"));
    layout->addLayout(list_);
    layout->addWidget(more, 0, Qt::AlignLeft);
    layout->addWidget(buttons);
    resize(520, sizeHint().height());
}

void EntryDialog::addRule(const deliver::RowKindRule& rule) {
    Row row{};
    row.widget = new QWidget;
    row.artist = new Choice;
    row.artist->addItem(tr("without an artist"));
    row.artist->addItem(tr("whoever the artist is"));
    row.artist->setCurrentIndex(rule.withoutArtist ? 0 : 1);
    row.artist->setAccessibleName(tr("Artist"));
    row.seconds = new QSpinBox;
    row.seconds->setButtonSymbols(QAbstractSpinBox::NoButtons);
    row.seconds->setRange(0, 36000);
    row.seconds->setSuffix(tr(" s"));
    row.seconds->setSpecialValueText(tr("any length"));
    row.seconds->setPrefix(tr("shorter than "));
    row.seconds->setValue(static_cast<int>(rule.shorterThan));
    row.seconds->setAccessibleName(tr("Shorter than"));
    row.kind = new Choice;
    for (const matching::ContentKind kind : matching::allKinds())
        row.kind->addItem(tr(matching::kindName(kind).c_str()), qs(matching::kindName(kind)));
    row.kind->setCurrentIndex(std::max(0, row.kind->findData(qs(rule.kind))));
    row.kind->setAccessibleName(tr("Kind"));
    auto* remove = iconButton("close", tr("Remove the rule"));
    auto* line = new QHBoxLayout(row.widget);
    line->setContentsMargins(0, 0, 0, 0);
    line->addWidget(row.artist);
    line->addWidget(row.seconds);
    line->addWidget(label(tr("is"), "quiet"));
    line->addWidget(row.kind);
    line->addWidget(remove);
    line->addStretch();
    list_->addWidget(row.widget);
    connect(remove, &QToolButton::clicked, this, [this, widget = row.widget] {
        std::erase_if(rows_, [widget](const Row& r) { return r.widget == widget; });
        widget->hide();
        widget->deleteLater();
    });
    rows_.push_back(row);
}

int64_t EntryDialog::shelf() const {
    return shelf_->currentData().toLongLong();
}

std::vector<deliver::RowKindRule> EntryDialog::rules() const {
    std::vector<deliver::RowKindRule> out;
    for (const Row& row : rows_)
        out.push_back({static_cast<double>(row.seconds->value()), row.artist->currentIndex() == 0,
                       ss(row.kind->currentData().toString())});
    return out;
}

} // namespace moorfrost::app
