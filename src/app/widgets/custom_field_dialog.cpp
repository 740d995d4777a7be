// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/custom_field_dialog.h"

#include <QCheckBox>
#include <QGridLayout>
#include <QLineEdit>
#include <QPlainTextEdit>

#include "app/shell/text_utils.h"
#include "app/widgets/controls.h"
#include "core/text/text.h"

namespace moorfrost::app {

namespace {

using tags::FieldKind;

const std::vector<std::pair<FieldKind, const char*>>& kinds() {
    static const std::vector<std::pair<FieldKind, const char*>> all = {
        {FieldKind::Text, QT_TRANSLATE_NOOP("CustomFieldDialog", "Text")},
        {FieldKind::Decimal, QT_TRANSLATE_NOOP("CustomFieldDialog", "Number")},
        {FieldKind::Date, QT_TRANSLATE_NOOP("CustomFieldDialog", "Date")},
        {FieldKind::YesNo, QT_TRANSLATE_NOOP("CustomFieldDialog", "Yes or no")},
        {FieldKind::Choice, QT_TRANSLATE_NOOP("CustomFieldDialog", "Choice from a list")}};
    return all;
}

} // namespace

CustomFieldDialog::CustomFieldDialog(CustomFields& fields, const std::string& key, QWidget* parent)
    : QDialog(parent), fields_(fields), key_(key) {
    const tags::CustomField* known = fields_.find(key);
    setWindowTitle(known || !key.empty() ? tr("Describe a custom field") : tr("A new custom field"));
    label_ = new QLineEdit;
    label_->setObjectName("field label");
    label_->setPlaceholderText(tr("As it is called everywhere, such as \u201CSource tape\u201D"));
    place_ = new QLineEdit;
    place_->setObjectName("field place");
    kind_ = new Choice;
    kind_->setObjectName("field kind");
    for (const auto& [kind, name] : kinds())
        kind_->addItem(tr(name), static_cast<int>(kind));
    several_ = new QCheckBox(tr("May hold several values"));
    choices_ = new QPlainTextEdit;
    choices_->setObjectName("field choices");
    choices_->setTabChangesFocus(true);
    choices_->setPlaceholderText(tr("One a line"));
    choices_->setFixedHeight(116);
    choicesCaption_ = label(tr("List"), "caption");
    inFiles_ = label({}, "quiet");
    inFiles_->setWordWrap(true);
    wrong_ = label({}, "wrong");
    wrong_->setWordWrap(true);
    auto* form = new QGridLayout;
    form->setContentsMargins(16, 16, 16, 12);
    form->setHorizontalSpacing(12);
    form->setVerticalSpacing(8);
    form->setColumnStretch(1, 1);
    int row = 0;
    auto line = [&](QLabel* caption, QWidget* control, Qt::Alignment align = {}) {
        control->setAccessibleName(caption->text());
        caption->setBuddy(control);
        form->addWidget(caption, row, 0, Qt::AlignTop | Qt::AlignLeft);
        caption->setContentsMargins(0, 6, 0, 0);
        form->addWidget(control, row++, 1, align);
    };
    line(label(tr("Label"), "caption"), label_);
    line(label(tr("Kind"), "caption"), kind_, Qt::AlignLeft);
    line(choicesCaption_, choices_);
    form->addWidget(several_, row++, 1);
    line(label(tr("Name in files"), "caption"), place_);
    form->addWidget(inFiles_, row++, 1);
    form->addWidget(wrong_, row++, 1);
    form->setRowStretch(row, 1);
    TakeBar foot = takeBar(this, known ? tr("Change") : tr("Describe"));
    foot.summary->setText(tr("Values that are in files stay as they are."));
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->addLayout(form, 1);
    layout->addWidget(foot.widget);
    resize(520, 400);

    tags::CustomField begin;
    if (known)
        begin = *known;
    else if (!key.empty()) { // found in files
        begin.place = text::upper(key);
        const QString name = qs(key);
        begin.label = ss(name.left(1).toUpper() + name.mid(1));
        begin.several = true;
    }
    placed_ = !key.empty();
    place_->setReadOnly(placed_);
    fill(begin);
    connect(label_, &QLineEdit::textEdited, this, [this] {
        if (!placed_)
            place_->setText(qs(tags::placeFromLabel(ss(label_->text()))));
        adapt();
    });
    connect(place_, &QLineEdit::textEdited, this, [this](const QString& typed) {
        placed_ = !typed.isEmpty();
        const int cursor = place_->cursorPosition();
        place_->setText(typed.toUpper());
        place_->setCursorPosition(cursor);
        adapt();
    });
    connect(kind_, &QComboBox::activated, this, &CustomFieldDialog::adapt);
    connect(choices_, &QPlainTextEdit::textChanged, this, &CustomFieldDialog::adapt);
    connect(foot.take, &QPushButton::clicked, this, &CustomFieldDialog::take);
}

std::string CustomFieldDialog::ask(CustomFields& fields, const std::string& key, QWidget* parent) {
    CustomFieldDialog dialog(fields, key, parent);
    return dialog.exec() == Accepted ? dialog.field().key() : std::string();
}

void CustomFieldDialog::fill(const tags::CustomField& field) {
    label_->setText(qs(field.label));
    place_->setText(qs(field.place));
    kind_->setCurrentIndex(std::max(0, kind_->findData(static_cast<int>(field.kind))));
    several_->setChecked(field.several);
    choices_->setPlainText(qs(text::join(field.choices, "\n")));
    adapt();
}

tags::CustomField CustomFieldDialog::field() const {
    tags::CustomField out;
    out.label = ss(label_->text().simplified());
    out.place = text::trim(ss(place_->text()));
    out.kind = static_cast<FieldKind>(kind_->currentData().toInt());
    const bool words = out.kind == FieldKind::Text || out.kind == FieldKind::Choice;
    out.several = words && several_->isChecked();
    if (out.kind == FieldKind::Choice)
        for (const QString& line : choices_->toPlainText().split('\n'))
            if (const QString choice = line.simplified(); !choice.isEmpty())
                out.choices.push_back(ss(choice));
    return out;
}

void CustomFieldDialog::adapt() {
    const tags::CustomField now = field();
    choices_->setVisible(now.kind == FieldKind::Choice);
    choicesCaption_->setVisible(now.kind == FieldKind::Choice);
    several_->setVisible(now.kind == FieldKind::Text || now.kind == FieldKind::Choice);
    wrong_->clear();
    const QString place = now.place.empty() ? tr("NAME") : qs(now.place);
    inFiles_->setText(
        (place_->isReadOnly() ? tr("It never changes, so that nothing in files is lost from sight.") + " "
                              : QString()) +
        tr("MP3, WAV and AIFF have it as user text \u201C%1\u201D, FLAC and Ogg as %1, all others as a free "
           "name.")
            .arg(place));
}

void CustomFieldDialog::take() {
    const tags::CustomField now = field();
    const QString why = fields_.whyNot(now, key_);
    wrong_->setText(why);
    if (!why.isEmpty())
        return;
    fields_.describe(now, key_);
    accept();
}

} // namespace moorfrost::app
