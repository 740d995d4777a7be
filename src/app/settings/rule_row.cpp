// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/settings/rule_row.h"

#include <QCheckBox>
#include <QLabel>
#include <QLineEdit>
#include <QSpinBox>
#include <QVBoxLayout>

#include <algorithm>

#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/chip_editor.h"
#include "app/widgets/controls.h"
#include "app/widgets/fields_line.h"

namespace moorfrost::app {

using audit::RuleKind;

QString RuleRow::kindText(RuleKind kind) {
    switch (kind) {
    case RuleKind::Fields:
        return tr("Fields");
    case RuleKind::Numbers:
        return tr("Track numbers");
    case RuleKind::Picture:
        return tr("Picture");
    case RuleKind::Codes:
        return tr("Codes");
    case RuleKind::Works:
        return tr("Songs");
    case RuleKind::Names:
        return tr("Names");
    }
    return {};
}

RuleRow::RuleRow(const audit::Rule& rule, const std::vector<std::string>& customKeys, QWidget* parent)
    : QFrame(parent), kind_(rule.kind) {
    auto* head = new QHBoxLayout;
    const QFont kindFont = theme::uiFont(13, QFont::DemiBold);
    auto* kind = label(QFontMetrics(kindFont).elidedText(kindText(kind_), Qt::ElideRight, kindWidth), "");
    kind->setFont(kindFont);
    kind->setToolTip(kindText(kind_));
    kind->setFixedWidth(kindWidth);
    met_ = label({}, "quiet");
    met_->setFixedWidth(metWidth);
    met_->setAlignment(Qt::AlignRight | Qt::AlignVCenter);
    up_ = iconButton("up", tr("Move up"));
    down_ = iconButton("down", tr("Move down"));
    auto* remove = iconButton("close", tr("Remove the rule"));
    auto* asks = new QHBoxLayout;
    asks->setSpacing(12);
    head->setSpacing(4);
    head->addWidget(kind);
    head->addLayout(asks, 1);
    head->addWidget(met_);
    for (QToolButton* b : {up_, down_, remove})
        head->addWidget(b);

    auto check = [&](const QString& text, bool on) {
        auto* box = new QCheckBox(text);
        box->setChecked(on);
        asks->addWidget(box);
        connect(box, &QCheckBox::toggled, this, &RuleRow::edited);
        return box;
    };
    switch (kind_) {
    case RuleKind::Fields:
    case RuleKind::Codes:
        fields_ = new FieldsLine(customKeys);
        fields_->setKeys(rule.fields);
        asks->addWidget(fields_, 1);
        connect(fields_, &FieldsLine::changed, this, &RuleRow::edited);
        if (kind_ == RuleKind::Codes) {
            auto* text = label(tr("in every file, well formed"), "quiet");
            text->setToolTip(tr("ISRC, ISWC and barcode are checked, check digits included. An ISRC is in "
                                "one file only."));
            asks->addWidget(text);
            break;
        }
        required_ = check(tr("in every file"), rule.required);
        same_ = check(tr("the same in all"), rule.same);
        break;
    case RuleKind::Numbers:
        asks->addWidget(label(tr("1, 2, 3 \u2026 on each disc, no gap, none twice"), ""));
        asks->addStretch();
        break;
    case RuleKind::Picture: {
        auto* text = new ShortLabel(tr("in every file, its shorter side at least"));
        text->setSizePolicy(QSizePolicy::Maximum, QSizePolicy::Preferred);
        asks->addWidget(text);
    }
        side_ = new QSpinBox;
        side_->setRange(0, 100000);
        side_->setSingleStep(100);
        side_->setValue(rule.side);
        side_->setSuffix(tr(" pixels"));
        side_->setSpecialValueText(tr("any size"));
        side_->setAccessibleName(tr("Shorter side"));
        side_->setButtonSymbols(QAbstractSpinBox::NoButtons);
        side_->setFixedWidth(110);
        asks->addWidget(side_);
        connect(side_, &QSpinBox::valueChanged, this, &RuleRow::edited);
        front_ = check(tr("front cover"), rule.front);
        asks->addStretch();
        break;
    case RuleKind::Works:
        for (const auto& [key, text] : audit::workAsks())
            asked_.emplace_back(
                key, check(tr(text.c_str()), std::ranges::find(rule.fields, key) != rule.fields.end()));
        asks->addStretch();
        break;
    case RuleKind::Names:
        plan_ = new ChipEditor;
        plan_->setCustomFields(customKeys);
        plan_->setText(qs(rule.plan));
        asks->addWidget(plan_, 1);
        connect(plan_, &ChipEditor::changed, this, &RuleRow::edited);
        break;
    }
    trouble_ = label({}, "wrong");
    trouble_->setWordWrap(true);
    trouble_->setContentsMargins(kindWidth + 4, 0, 0, 0);
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 5, 0, 5);
    column->setSpacing(3);
    column->addLayout(head);
    column->addWidget(trouble_);
    connect(up_, &QToolButton::clicked, this, [this] { emit moved(-1); });
    connect(down_, &QToolButton::clicked, this, [this] { emit moved(1); });
    connect(remove, &QToolButton::clicked, this, &RuleRow::removed);
    showTrouble();
}

audit::Rule RuleRow::rule() const {
    audit::Rule out{.kind = kind_};
    if (fields_)
        out.fields = fields_->keys();
    for (const auto& [key, box] : asked_)
        if (box->isChecked())
            out.fields.push_back(key);
    if (required_) {
        out.required = required_->isChecked();
        out.same = same_->isChecked();
    }
    if (side_) {
        out.side = side_->value();
        out.front = front_->isChecked();
    }
    if (plan_)
        out.plan = ss(plan_->text());
    return out;
}

void RuleRow::edited() {
    showTrouble();
    emit changed();
}

void RuleRow::showTrouble() {
    const std::string why = audit::whyNotUsable(rule());
    trouble_->setText(why.empty() ? QString() : tr("%1 Until then the rule is left out.").arg(spoken(why)));
    trouble_->setVisible(!why.empty());
}

void RuleRow::setMet(int met, int asked) {
    met_->setText(asked == 0 ? QString(QChar(0x2013)) : tr("%1 of %2").arg(met).arg(asked));
    met_->setToolTip(asked == 0 ? QString() : tr("%n sleeve(s) on the bench, met by %1", "", asked).arg(met));
}

void RuleRow::setPlace(bool first, bool last) {
    up_->setEnabled(!first);
    down_->setEnabled(!last);
}

void RuleRow::focusFirst() {
    if (fields_)
        fields_->edit()->setFocus();
    else if (side_)
        side_->setFocus();
    else if (!asked_.empty())
        asked_.front().second->setFocus();
    else if (plan_)
        plan_->setFocus();
}

} // namespace moorfrost::app
