// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/people/share_terms.h"

#include <QDialogButtonBox>
#include <QFormLayout>
#include <QLineEdit>
#include <QPushButton>
#include <QVBoxLayout>

#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "app/widgets/controls.h"

namespace moorfrost::app {

ShareTerms::ShareTerms(const QString& who, const library::Share& share, library::Side side, QWidget* parent)
    : QDialog(parent), share_(share), side_(side) {
    setWindowTitle(tr("Share of %1: where, and since when").arg(who));
    territory_ = new QLineEdit(qs(share.territory));
    territory_->setPlaceholderText(tr("everywhere; two letters for a country, such as NO"));
    from_ = new QLineEdit(qs(share.from));
    from_->setPlaceholderText(tr("ever since; 2024, 2024-07 or 2024-07-01"));
    auto* form = new QFormLayout;
    form->addRow(tr("Holds in"), territory_);
    form->addRow(tr("Since"), from_);
    auto* says = label(tr("What is said for a country goes there before what is said for the world. A share "
                          "that begins later takes the place of the one before on that day; both stay on "
                          "record."),
                       "quiet");
    says->setWordWrap(true);
    trouble_ = label({}, "wrong");
    trouble_->setWordWrap(true);
    auto* buttons = new QDialogButtonBox(QDialogButtonBox::Cancel);
    auto* change = buttons->addButton(tr("Keep"), QDialogButtonBox::AcceptRole);
    auto* another = buttons->addButton(tr("Keep beside the one before"), QDialogButtonBox::ActionRole);
    connect(change, &QPushButton::clicked, this, [this] { end(false); });
    connect(another, &QPushButton::clicked, this, [this] { end(true); });
    connect(buttons, &QDialogButtonBox::rejected, this, &QDialog::reject);
    connect(territory_, &QLineEdit::textChanged, this, &ShareTerms::tell);
    connect(from_, &QLineEdit::textChanged, this, &ShareTerms::tell);
    auto* layout = new QVBoxLayout(this);
    layout->addLayout(form);
    layout->addWidget(says);
    layout->addWidget(trouble_);
    layout->addWidget(buttons);
    resize(460, sizeHint().height());
    tell();
}

library::Share ShareTerms::share() const {
    library::Share out = share_;
    out.territory = ss(territory_->text().trimmed().toUpper());
    out.from = ss(from_->text().trimmed());
    return out;
}

QString ShareTerms::trouble() const {
    return spoken(library::whyNotShares(side_, {share()}));
}

void ShareTerms::tell() {
    trouble_->setText(trouble());
    trouble_->setVisible(!trouble_->text().isEmpty());
}

void ShareTerms::end(bool another) {
    if (!trouble().isEmpty())
        return;
    another_ = another && share() != share_;
    accept();
}

} // namespace moorfrost::app
