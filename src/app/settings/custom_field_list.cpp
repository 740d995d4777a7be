// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/settings/custom_field_list.h"

#include <algorithm>

#include <QGridLayout>
#include <QMessageBox>
#include <QVBoxLayout>

#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/controls.h"
#include "app/widgets/custom_field_dialog.h"
#include "core/text/text.h"

namespace moorfrost::app {

namespace {

QString kindOf(const tags::CustomField& field) {
    switch (field.kind) {
    case tags::FieldKind::Decimal:
        return CustomFieldList::tr("number");
    case tags::FieldKind::Date:
        return CustomFieldList::tr("date");
    case tags::FieldKind::YesNo:
        return CustomFieldList::tr("yes or no");
    case tags::FieldKind::Choice:
        return CustomFieldList::tr("choice: %1").arg(qs(text::join(field.choices, ", ")));
    default:
        return field.several ? CustomFieldList::tr("text, several values") : CustomFieldList::tr("text");
    }
}

} // namespace

CustomFieldList::CustomFieldList(CustomFields& fields, QWidget* parent) : QWidget(parent), fields_(fields) {
    rows_ = new QGridLayout;
    rows_->setColumnStretch(1, 1);
    rows_->setHorizontalSpacing(12);
    auto* add = button(tr("Add a field\u2026"));
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(6);
    layout->addLayout(rows_);
    layout->addWidget(add, 0, Qt::AlignLeft);
    connect(add, &QPushButton::clicked, this, [this] { CustomFieldDialog::ask(fields_, {}, this); });
    connect(&fields_, &CustomFields::changed, this, &CustomFieldList::refresh);
    refresh();
}

void CustomFieldList::showEvent(QShowEvent* event) {
    QWidget::showEvent(event);
    refresh(); // other files may be known
}

void CustomFieldList::refresh() {
    while (QLayoutItem* item = rows_->takeAt(0)) {
        if (item->widget())
            item->widget()->deleteLater();
        delete item;
    }
    int row = 0;
    auto line = [&](const QString& name, const QString& what, const std::string& key, const QString& change) {
        auto* title = label(name, "");
        title->setFont(theme::uiFont(13, QFont::Medium));
        auto* kind = new ShortLabel(what);
        kind->setObjectName("quiet");
        auto* place = label(qs(text::upper(key)), "mono");
        auto* edit = button(change, "flat");
        edit->setAccessibleName(tr("%1 %2").arg(change, name));
        rows_->addWidget(title, row, 0);
        rows_->addWidget(kind, row, 1);
        rows_->addWidget(place, row, 2);
        rows_->addWidget(edit, row, 3);
        connect(edit, &QPushButton::clicked, this,
                [this, key] { CustomFieldDialog::ask(fields_, key, this); });
    };
    for (const std::string& key : fields_.keys()) {
        const tags::CustomField* field = fields_.find(key);
        if (!field) {
            line(qs(key), tr("found in files: text, as it is"), key, tr("Describe\u2026"));
        } else {
            line(qs(field->label), kindOf(*field), key, tr("Change\u2026"));
            auto* forget = button(tr("Forget\u2026"), "flat");
            rows_->addWidget(forget, row, 4);
            connect(forget, &QPushButton::clicked, this, [this, field = *field] { remove(field); });
        }
        ++row;
    }
    if (row == 0)
        rows_->addWidget(label(tr("None yet."), "third"), 0, 0);
}

void CustomFieldList::remove(const tags::CustomField& field) {
    if (QMessageBox::question(
            this, tr("Forget a custom field"),
            tr("What \u201C%1\u201D is, is forgotten. Its values stay in the files: they are "
               "shown as text, under the name %2.")
                .arg(qs(field.label), qs(field.place)),
            QMessageBox::Ok | QMessageBox::Cancel) == QMessageBox::Ok)
        fields_.forget(field.key());
}

} // namespace moorfrost::app
