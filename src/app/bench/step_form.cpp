// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/step_form.h"

#include <QCheckBox>
#include <QCoreApplication>
#include <QGridLayout>
#include <QLineEdit>
#include <QSpinBox>
#include <QVBoxLayout>

#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "app/widgets/controls.h"
#include "app/widgets/field_picker.h"

namespace moorfrost::app {

namespace {

using Kind = edits::OptionDef::Kind;

} // namespace

StepForm::StepForm(const edits::Step& step, const std::vector<std::string>& keys, QWidget* parent)
    : QFrame(parent), kind_(*edits::stepKind(step.kind)) {
    setObjectName("card");
    auto* head = new QHBoxLayout;
    number_ = label({}, "caption");
    auto* title = label(spoken(kind_.label), "strong");
    title->setToolTip(spoken(kind_.does));
    auto* up = iconButton("up", tr("Earlier"));
    auto* down = iconButton("down", tr("Later"));
    auto* remove = iconButton("close", tr("Remove this step"));
    up_ = up;
    down_ = down;
    remove_ = remove;
    head->addWidget(number_);
    head->addWidget(title, 1);
    for (QWidget* w : {up_, down_, remove_})
        head->addWidget(w);
    head->setSpacing(4);
    auto* grid = new QGridLayout;
    grid->setHorizontalSpacing(8);
    grid->setVerticalSpacing(6);
    grid->setColumnStretch(1, 1);
    for (const edits::OptionDef& def : kind_.options) {
        QWidget* w = control(def, step.options, keys);
        controls_.push_back(w);
        const int row = grid->rowCount();
        if (def.kind == Kind::Flag) {
            grid->addWidget(w, row, 0, 1, 2);
            continue;
        }
        w->setAccessibleName(spoken(def.label));
        auto* caption = label(spoken(def.label), "quiet");
        caption->setMinimumWidth(76);
        caption->setBuddy(w);
        grid->addWidget(caption, row, 0);
        grid->addWidget(w, row, 1);
    }
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(10, 6, 6, 10);
    layout->setSpacing(6);
    layout->addLayout(head);
    grid->setContentsMargins(0, 0, 4, 0);
    layout->addLayout(grid);
    connect(up, &QToolButton::clicked, this, [this] { emit moveWanted(-1); });
    connect(down, &QToolButton::clicked, this, [this] { emit moveWanted(1); });
    connect(remove, &QToolButton::clicked, this, &StepForm::removeWanted);
}

QWidget* StepForm::control(const edits::OptionDef& def, const edits::Options& options,
                           const std::vector<std::string>& keys) {
    const std::string now = edits::said(options, def);
    auto reads = [&](std::function<std::vector<std::string>()> read) {
        readers_.emplace_back(def.name, std::move(read));
    };
    switch (def.kind) {
    case Kind::Fields:
    case Kind::Field: {
        auto* picker = new FieldPicker(def.kind == Kind::Fields);
        picker->setKeys(keys);
        if (def.mayBeBlank)
            picker->setNothing(spoken(def.hint));
        if (def.kind == Kind::Fields)
            picker->setChosen(edits::saidFields(options, def));
        else if (!now.empty())
            picker->setChosen({now});
        connect(picker, &FieldPicker::changed, this, &StepForm::changed);
        reads([picker] { return picker->chosen(); });
        return picker;
    }
    case Kind::Number: {
        auto* box = new QSpinBox;
        box->setRange(-100000, 999999);
        box->setButtonSymbols(QAbstractSpinBox::NoButtons);
        box->setValue(QString::fromStdString(now).toInt());
        connect(box, &QSpinBox::valueChanged, this, &StepForm::changed);
        reads([box] { return std::vector<std::string>{std::to_string(box->value())}; });
        return box;
    }
    case Kind::Choice: {
        auto* box = new Choice;
        for (const edits::OptionDef::Choice& c : def.choices)
            box->addItem(spoken(c.label), qs(c.value));
        box->setCurrentIndex(std::max(0, box->findData(qs(now))));
        box->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Fixed);
        connect(box, &QComboBox::currentIndexChanged, this, &StepForm::changed);
        reads([box] { return std::vector<std::string>{ss(box->currentData().toString())}; });
        return box;
    }
    case Kind::Flag: {
        auto* box = new QCheckBox(spoken(def.label));
        box->setChecked(now == "yes");
        connect(box, &QCheckBox::toggled, this, &StepForm::changed);
        reads([box] { return std::vector<std::string>{box->isChecked() ? "yes" : "no"}; });
        return box;
    }
    case Kind::Text:
    case Kind::Plan:
        break;
    }
    auto* edit = new QLineEdit(qs(now));
    edit->setPlaceholderText(spoken(def.hint));
    if (def.kind == Kind::Plan)
        edit->setObjectName("plan");
    connect(edit, &QLineEdit::textChanged, this, &StepForm::changed);
    reads([edit] { return std::vector<std::string>{ss(edit->text())}; });
    return edit;
}

edits::Step StepForm::step() const {
    edits::Step out{kind_.name, {}};
    for (const auto& [name, read] : readers_)
        out.options[name] = read();
    for (const edits::OptionDef& def : kind_.options) // a field that is not chosen yet is not said
        if (def.kind == Kind::Field && out.options[def.name].empty())
            out.options.erase(def.name);
    return out;
}

void StepForm::setPlace(int number, int of) {
    number_->setText(of > 1 ? QString::number(number) : QString());
    number_->setVisible(of > 1);
    up_->setVisible(of > 1);
    down_->setVisible(of > 1);
    up_->setEnabled(number > 1);
    down_->setEnabled(number < of);
    remove_->setVisible(of > 1);
}

void StepForm::focusFirst() {
    // What has no preset is what is asked for.
    for (size_t i = 0; i < controls_.size(); ++i)
        if (kind_.options[i].preset.empty() && !kind_.options[i].mayBeBlank) {
            controls_[i]->setFocus();
            return;
        }
    if (!controls_.empty())
        controls_.front()->setFocus();
}

} // namespace moorfrost::app
