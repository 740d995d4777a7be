// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/audit/rules_list.h"

#include <QCheckBox>
#include <QDoubleSpinBox>
#include <QFormLayout>
#include <QPainter>
#include <QStyledItemDelegate>
#include <QVBoxLayout>

#include "app/audit/findings_model.h"
#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/paint.h"

namespace moorfrost::app {

namespace {

constexpr int keyRole = Qt::UserRole;
constexpr int toneRole = Qt::UserRole + 1;
constexpr const char* leftKey = "left";

/// The name of a rule, and how many findings it has.
class RuleDelegate : public QStyledItemDelegate {
public:
    using QStyledItemDelegate::QStyledItemDelegate;
    QSize sizeHint(const QStyleOptionViewItem&, const QModelIndex&) const override { return {60, 27}; }
    void paint(QPainter* p, const QStyleOptionViewItem& option, const QModelIndex& index) const override {
        const auto& c = theme::colours();
        const bool isGroup = index.data(keyRole).isNull(), chosen = option.state & QStyle::State_Selected;
        const auto* view = static_cast<const QAbstractItemView*>(option.widget);
        const QRect r(0, option.rect.top(), view->viewport()->width(), option.rect.height());
        const paint::Mirror side(*p, r);
        p->save();
        if (chosen) {
            p->fillRect(r, c.fjordBack);
            p->fillRect(side(QRect(r.left(), r.top(), 3, r.height())), c.accent);
        }
        int right = r.right() - 10;
        const QString count = index.data(Qt::UserRole + 2).toString();
        if (!count.isEmpty())
            right -=
                paint::pill(*p, right, r, count, static_cast<paint::Tone>(index.data(toneRole).toInt())) + 6;
        p->setFont(isGroup  ? theme::uiFont(12, QFont::DemiBold)
                   : chosen ? theme::uiFont(13, QFont::DemiBold)
                            : theme::uiFont(13));
        p->setPen(isGroup || index.data(Qt::UserRole + 3).toBool() ? c.second : c.ink);
        const int left = 14;
        p->drawText(side(QRect(left, r.top(), right - left, r.height())), Qt::AlignVCenter | Qt::AlignLeft,
                    p->fontMetrics().elidedText(index.data().toString(), Qt::ElideRight, right - left));
        p->restore();
    }
};

} // namespace

RulesList::RulesList(AuditController& audit, QWidget* parent) : QTreeWidget(parent), audit_(audit) {
    prepareTree(this, {tr("Rule")});
    setHeaderHidden(true);
    setRootIsDecorated(false);
    setIndentation(0);
    setItemDelegate(new RuleDelegate(this));
    setFrameShape(QFrame::NoFrame);
    setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    setAccessibleName(tr("Rules"));
    auto add = [this](QTreeWidgetItem* parent, const QString& name, const std::string& key) {
        auto* item = parent ? new QTreeWidgetItem(parent) : new QTreeWidgetItem(this);
        item->setText(0, name);
        item->setData(0, keyRole, qs(key));
        items_[key] = item;
        return item;
    };
    add(nullptr, tr("All findings"), "");
    QTreeWidgetItem* group = nullptr;
    for (const library::AuditRule& rule : library::auditRules()) {
        const QString name = tr(library::groupName(rule.group));
        if (!group || group->text(0) != name) {
            group = new QTreeWidgetItem(this);
            group->setText(0, name);
            group->setFlags(Qt::ItemIsEnabled);
        }
        add(group, tr(rule.name), rule.key)->setToolTip(0, tr(rule.name));
    }
    add(nullptr, tr("Left as they are"), leftKey);
    expandAll();
    connect(this, &QTreeWidget::currentItemChanged, this, &RulesList::chosen);
    setCurrentItem(items_[""]);
}

void RulesList::showCounts() {
    auto tell = [&](QTreeWidgetItem* item, size_t count, bool on, paint::Tone tone) {
        const QString shown = !on ? tr("off") : count == 0 ? QString() : QString("%L1").arg(count);
        item->setData(0, Qt::UserRole + 2, shown);
        item->setData(0, Qt::UserRole + 3, !on || count == 0);
        item->setData(0, toneRole, static_cast<int>(on ? tone : paint::Tone::Neutral));
        item->setData(0, Qt::AccessibleTextRole, QString("%1 %2").arg(item->text(0), shown));
    };
    tell(items_[""], audit_.open(), true, paint::Tone::Neutral);
    tell(items_[leftKey], audit_.leftAlone(), true, paint::Tone::Neutral);
    for (const library::AuditRule& rule : library::auditRules()) {
        const auto choice = audit_.choices().of(rule);
        tell(items_[rule.key], audit_.count(rule), choice.on, FindingsModel::tone(choice.weight));
    }
}

const library::AuditRule* RulesList::rule() const {
    return currentItem() ? library::auditRule(ss(currentItem()->data(0, keyRole).toString())) : nullptr;
}

bool RulesList::isLeft() const {
    return currentItem() && currentItem()->data(0, keyRole).toString() == leftKey;
}

void RulesList::choose(const char* key) {
    if (const auto at = items_.find(key); at != items_.end())
        setCurrentItem(at->second);
}

void RulesList::resizeEvent(QResizeEvent* event) {
    QTreeWidget::resizeEvent(event);
    if (currentItem()) // what is said of it below takes room
        scrollToItem(currentItem());
}

RuleBox::RuleBox(AuditController& audit, QWidget* parent) : QFrame(parent), audit_(audit) {
    why_ = label({}, "quiet");
    why_->setWordWrap(true);
    asked_ = new QCheckBox(tr("Look for this"));
    weight_ = new Choice;
    for (const library::Weight weight :
         {library::Weight::Grave, library::Weight::Plain, library::Weight::Slight})
        weight_->addItem(FindingsModel::weightName(weight));
    weight_->setAccessibleName(tr("How much it weighs"));
    limit_ = new QDoubleSpinBox;
    limit_->setButtonSymbols(QAbstractSpinBox::NoButtons);
    limit_->setAccessibleName(tr("Limit of the rule"));
    weightLabel_ = label(tr("Weight"), "quiet");
    limitLabel_ = label({}, "quiet");
    limitLabel_->setWordWrap(true);
    connect(asked_, &QCheckBox::clicked, this, &RuleBox::change);
    connect(weight_, &QComboBox::activated, this, &RuleBox::change);
    connect(limit_, &QDoubleSpinBox::editingFinished, this, &RuleBox::change);
    auto* form = new QFormLayout;
    form->addRow(weightLabel_, weight_);
    form->addRow(limitLabel_, limit_);
    auto* rows = new QVBoxLayout(this);
    rows->setContentsMargins(14, 8, 14, 8);
    rows->setSpacing(6);
    rows->addWidget(why_);
    rows->addWidget(asked_);
    rows->addLayout(form);
}

void RuleBox::show(const library::AuditRule* rule) {
    rule_ = rule;
    setVisible(rule != nullptr);
    if (!rule)
        return;
    const auto choice = audit_.choices().of(*rule);
    why_->setText(spoken(rule->why));
    asked_->setChecked(choice.on);
    weight_->setCurrentIndex(static_cast<int>(choice.weight));
    const bool hasLimit = *rule->limit.name != '\0';
    limit_->setVisible(hasLimit);
    limitLabel_->setVisible(hasLimit);
    if (hasLimit && !limit_->hasFocus()) {
        limitLabel_->setText(tr(rule->limit.name));
        limit_->setDecimals(rule->limit.most > 100 ? 0 : 1);
        limit_->setRange(rule->limit.least, rule->limit.most);
        limit_->setValue(choice.limit);
    }
}

void RuleBox::change() {
    if (!rule_)
        return;
    auto choice = audit_.choices().of(*rule_);
    choice.on = asked_->isChecked();
    choice.weight = static_cast<library::Weight>(weight_->currentIndex());
    if (*rule_->limit.name != '\0')
        choice.limit = limit_->value();
    audit_.setChoice(*rule_, choice);
}

} // namespace moorfrost::app
