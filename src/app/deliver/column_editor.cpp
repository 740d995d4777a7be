// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/deliver/column_editor.h"

#include <QGridLayout>
#include <QLabel>
#include <QLineEdit>
#include <QSpinBox>

#include "app/shell/text_utils.h"
#include "app/widgets/controls.h"
#include "app/widgets/field_picker.h"
#include "core/tags/custom_fields.h"
#include "core/tags/fields.h"

namespace moorfrost::app {

using Several = deliver::RowColumn::Several;

std::vector<std::string> columnKeys(const LibraryIndex& index) {
    std::vector<std::string> out;
    for (const tags::FieldDef& field : tags::fieldTable())
        out.push_back(field.key);
    const auto searcher = index.searcher();
    for (const std::string& key :
         tags::withDescribed(searcher ? searcher->customFields() : std::vector<std::string>()))
        out.push_back(key);
    for (const deliver::RowFact& fact : deliver::rowFacts())
        out.emplace_back(fact.key);
    return out;
}

QString columnName(const std::string& key) {
    return qs(deliver::columnLabel(key));
}

ColumnEditor::ColumnEditor(QWidget* parent) : QFrame(parent) {
    setObjectName("panel");
    heading_ = new QLineEdit;
    heading_->setAccessibleName(tr("Heading of the column"));
    says_ = new FieldPicker(true);
    says_->setLabels(columnName);
    says_->setNothing(tr("always the same text"));
    always_ = new QLineEdit;
    always_->setAccessibleName(tr("The text that stands in every row"));
    between_ = new QLineEdit;
    between_->setAccessibleName(tr("What stands between the parts"));
    several_ = new Choice;
    several_->addItem(tr("in one cell, joined by"));
    several_->addItem(tr("only the first"));
    several_->addItem(tr("in columns of their own"));
    several_->setAccessibleName(tr("Several values"));
    joint_ = new QLineEdit;
    joint_->setMaximumWidth(56);
    joint_->setAccessibleName(tr("What stands between several values"));
    count_ = new QSpinBox;
    count_->setButtonSymbols(QAbstractSpinBox::NoButtons);
    count_->setRange(2, 50);
    count_->setAccessibleName(tr("How many columns"));
    form_ = new Choice;
    for (const std::string& form : deliver::lengthForms())
        form_->addItem(qs(form), qs(form));
    form_->setItemText(0, tr("3:41"));
    form_->setItemText(1, tr("0:03:41"));
    form_->setItemText(2, tr("221.400 seconds"));
    form_->setItemText(3, tr("221400 milliseconds"));
    form_->setAccessibleName(tr("How lengths are told"));
    for (Choice* choice : {several_, form_})
        choice->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Fixed); // long entries make nothing wide
    auto* layout = new QGridLayout(this);
    layout->setContentsMargins(14, 4, 14, 8);
    layout->setHorizontalSpacing(8);
    layout->setVerticalSpacing(6);
    layout->setColumnStretch(1, 1);
    int row = 0;
    auto add = [&](const QString& caption, QWidget* widget) {
        QLabel* says = label(caption, "quiet");
        layout->addWidget(says, row, 0);
        layout->addWidget(widget, row++, 1, 1, 2);
        return says;
    };
    add(tr("Heading"), heading_);
    add(tr("Says"), says_);
    alwaysLabel_ = add(tr("Text"), always_);
    betweenLabel_ = add(tr("Between"), between_);
    severalLabel_ = label(tr("Several"), "quiet");
    layout->addWidget(severalLabel_, row, 0);
    layout->addWidget(several_, row, 1);
    auto* how = new QHBoxLayout;
    how->setContentsMargins(0, 0, 0, 0);
    how->addWidget(joint_);
    how->addWidget(count_);
    layout->addLayout(how, row++, 2);
    formLabel_ = add(tr("As"), form_);
    for (QLineEdit* line : {heading_, always_, between_, joint_})
        connect(line, &QLineEdit::textEdited, this, &ColumnEditor::tell);
    connect(says_, &FieldPicker::changed, this, &ColumnEditor::tell);
    connect(several_, &QComboBox::activated, this, &ColumnEditor::tell);
    connect(form_, &QComboBox::activated, this, &ColumnEditor::tell);
    connect(count_, &QSpinBox::valueChanged, this, &ColumnEditor::tell);
    show(nullptr);
}

void ColumnEditor::setKeys(std::vector<std::string> keys) {
    says_->setKeys(std::move(keys));
}

void ColumnEditor::show(const deliver::RowColumn* column) {
    showing_ = true;
    setEnabled(column != nullptr);
    column_ = column ? *column : deliver::RowColumn();
    auto put = [](QLineEdit* line, const std::string& text) {
        if (line->text() != qs(text)) // the cursor stays where one types
            line->setText(qs(text));
    };
    put(heading_, column_.heading);
    deliver::RowColumn unnamed = column_;
    unnamed.heading.clear();
    heading_->setPlaceholderText(column ? qs(unnamed.shownHeading()) : QString());
    says_->setChosen(column_.parts);
    put(always_, column_.text);
    put(between_, column_.between);
    several_->setCurrentIndex(static_cast<int>(column_.several));
    put(joint_, column_.joint);
    count_->setValue(column_.columns);
    form_->setCurrentIndex(std::max(0, form_->findData(qs(column_.form))));
    showParts();
    showing_ = false;
}

void ColumnEditor::showParts() {
    bool several = false, length = false;
    for (const std::string& key : column_.parts) {
        const tags::FieldDef* field = key.starts_with('@') ? nullptr : tags::fieldByKey(key);
        several = several ||
                  (field ? field->several
                         : key == "@uses" || key == "@writers" || key == "@publishers" || key == "@owners" ||
                               key == "@keywords" || key == "@work" || !key.starts_with('@'));
        length = length || key == "@length";
    }
    const bool none = column_.parts.empty(), parts = column_.parts.size() > 1;
    alwaysLabel_->setVisible(none);
    always_->setVisible(none);
    betweenLabel_->setVisible(parts);
    between_->setVisible(parts);
    severalLabel_->setVisible(several);
    several_->setVisible(several);
    joint_->setVisible(several && column_.several == Several::Joined);
    count_->setVisible(several && column_.several == Several::Columns);
    formLabel_->setVisible(length);
    form_->setVisible(length);
}

void ColumnEditor::tell() {
    if (showing_)
        return;
    column_.heading = ss(heading_->text());
    column_.parts = says_->chosen();
    column_.text = ss(always_->text());
    column_.between = ss(between_->text());
    column_.several = static_cast<Several>(several_->currentIndex());
    column_.joint = ss(joint_->text());
    column_.columns = count_->value();
    const std::string form = ss(form_->currentData().toString());
    column_.form = form == deliver::lengthForms().front() ? std::string() : form;
    showParts();
    emit changed(column_);
}

} // namespace moorfrost::app
