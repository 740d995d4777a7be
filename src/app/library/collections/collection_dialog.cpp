// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/library/collections/collection_dialog.h"

#include <QDialogButtonBox>
#include <QFormLayout>
#include <QLineEdit>
#include <QPlainTextEdit>

#include "app/shell/text_utils.h"
#include "app/widgets/controls.h"

namespace moorfrost::app {

using library::Collection;

CollectionDialog::CollectionDialog(const Collection& collection, const QString& title, QWidget* parent)
    : QDialog(parent), collection_(collection) {
    setWindowTitle(title);
    name_ = new QLineEdit(qs(collection.name));
    name_->setObjectName("name");
    name_->selectAll();
    query_ = new QLineEdit(qs(collection.query));
    note_ = new QPlainTextEdit(qs(collection.note));
    note_->setTabChangesFocus(true);
    note_->setFixedHeight(80);
    seenBy_ = new Choice;
    seenBy_->addItems({tr("Only me"), tr("The people named here"), tr("Everyone")});
    seenBy_->setCurrentIndex(static_cast<int>(collection.seenBy));
    seenBy_->setToolTip(tr("Where it is shown to others: on pages that are shared"));
    QStringList people;
    for (const std::string& one : collection.people)
        people << qs(one);
    people_ = new QLineEdit(people.join("; "));
    people_->setPlaceholderText(tr("Names, with semicolons between them"));
    trouble_ = label({}, "wrong");
    trouble_->setWordWrap(true);
    auto* form = new QFormLayout;
    form->setVerticalSpacing(10);
    form->setHorizontalSpacing(16);
    form->addRow(tr("Name"), name_);
    if (collection.kind == Collection::Kind::Search)
        form->addRow(tr("Search"), query_);
    form->addRow(tr("Note"), note_);
    form->addRow(tr("Who may see it"), seenBy_);
    form->addRow(tr("People"), people_);
    auto* buttons = new QDialogButtonBox(QDialogButtonBox::Ok | QDialogButtonBox::Cancel);
    ok_ = buttons->button(QDialogButtonBox::Ok);
    ok_->setText(collection.id == 0 ? tr("Make") : tr("Keep"));
    ok_->setObjectName("accent");
    connect(buttons, &QDialogButtonBox::accepted, this, &QDialog::accept);
    connect(buttons, &QDialogButtonBox::rejected, this, &QDialog::reject);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(20, 18, 20, 16);
    layout->setSpacing(14);
    layout->addLayout(form);
    layout->addWidget(trouble_);
    layout->addWidget(buttons);
    resize(440, 320); // the note has room for some lines
    connect(name_, &QLineEdit::textChanged, this, &CollectionDialog::check);
    connect(people_, &QLineEdit::textChanged, this, &CollectionDialog::check);
    connect(seenBy_, &QComboBox::currentIndexChanged, this, &CollectionDialog::check);
    check();
}

void CollectionDialog::check() {
    const Collection now = collection();
    const bool named = now.seenBy == Collection::SeenBy::Named;
    people_->setEnabled(named);
    QString why = name_->text().trimmed().isEmpty() ? QString() : qs(library::whyNotNamed(now.name));
    if (why.isEmpty() && named && now.people.empty())
        why = tr("Name at least one of the people who may see it.");
    trouble_->setText(why);
    trouble_->setHidden(why.isEmpty());
    ok_->setEnabled(why.isEmpty() && !name_->text().trimmed().isEmpty());
}

Collection CollectionDialog::collection() const {
    Collection out = collection_;
    out.name = ss(name_->text().trimmed());
    out.query = ss(query_->text().trimmed());
    out.note = ss(note_->toPlainText().trimmed());
    out.seenBy = static_cast<Collection::SeenBy>(seenBy_->currentIndex());
    out.people.clear();
    for (const QString& one : people_->text().split(';'))
        if (!one.trimmed().isEmpty())
            out.people.push_back(ss(one.simplified()));
    return out;
}

} // namespace moorfrost::app
