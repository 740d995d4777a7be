// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/settings/standard_editor.h"

#include <algorithm>

#include <QCheckBox>
#include <QInputDialog>
#include <QMenu>
#include <QMessageBox>
#include <QSignalBlocker>
#include <QVBoxLayout>

#include "app/settings/rule_row.h"
#include "app/shell/text_utils.h"
#include "app/widgets/controls.h"

namespace moorfrost::app {

using audit::RuleKind;

StandardEditor::StandardEditor(const Uses& use, QWidget* parent) : QWidget(parent), use_(use) {
    choice_ = new Choice;
    choice_->setAccessibleName(tr("Standard"));
    choice_->setMinimumWidth(180);
    new_ = button(tr("New \u25BE"), "flat");
    new_->setMenu(new QMenu(new_));
    auto* rename = button(tr("Rename\u2026"), "flat");
    remove_ = button(tr("Remove\u2026"), "flat");
    default_ = new QCheckBox(tr("the default"));
    default_->setToolTip(tr("The library is held to it, and every batch for which no other was chosen"));
    auto* box = new QFrame;
    box->setObjectName("rows");
    list_ = new QVBoxLayout(box);
    list_->setContentsMargins(0, 0, 0, 0);
    list_->setSpacing(0);
    auto* more = button(tr("Add a rule \u25BE"));
    more->setMenu(new QMenu(more));
    for (RuleKind kind : {RuleKind::Fields, RuleKind::Numbers, RuleKind::Picture, RuleKind::Codes,
                          RuleKind::Works, RuleKind::Names})
        more->menu()->addAction(RuleRow::kindText(kind), this, [this, kind] { addRule(kind); });

    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->addWidget(flowing({choice_, default_, new_, rename, remove_}));
    auto* captions = new QHBoxLayout;
    captions->setSpacing(4);
    auto* kind = label(tr("Rule"), "caption");
    kind->setFixedWidth(RuleRow::kindWidth);
    auto* met = label(tr("Met on the bench"), "caption");
    captions->addWidget(kind);
    captions->addWidget(label(tr("What it asks"), "caption"), 1);
    captions->addWidget(met);
    captions->addSpacing(3 * 39 + 4);
    column->addSpacing(4);
    column->addLayout(captions);
    column->addWidget(box);
    column->addWidget(more, 0, Qt::AlignLeft);

    connect(choice_, &QComboBox::activated, this, [this](int i) { show(ss(choice_->itemText(i))); });
    connect(default_, &QCheckBox::clicked, this, [this](bool on) {
        if (on)
            use_.standards.setDefault(shown_);
        refresh(); // one of them always is
    });
    connect(new_->menu(), &QMenu::aboutToShow, this, &StandardEditor::fillNew);
    connect(rename, &QPushButton::clicked, this, &StandardEditor::rename);
    connect(remove_, &QPushButton::clicked, this, &StandardEditor::remove);
    connect(&use_.standards, &Standards::changed, this, [this] {
        if (!saving_)
            refresh();
    });
    connect(&use_.sleeves, &SleeveViews::changed, this, &StandardEditor::showMet);
    refresh();
}

const audit::Standard* StandardEditor::standard() const {
    const auto& all = use_.standards.all();
    auto it = std::find_if(all.begin(), all.end(), [this](const auto& s) { return s.name == shown_; });
    return it == all.end() ? nullptr : &*it;
}

void StandardEditor::show(const std::string& name) {
    shown_ = name;
    refresh();
}

void StandardEditor::refresh() {
    if (!standard())
        shown_ = use_.standards.byDefault().name;
    const QSignalBlocker quiet(choice_);
    choice_->clear();
    for (const audit::Standard& s : use_.standards.all())
        choice_->addItem(qs(s.name));
    choice_->setCurrentText(qs(shown_));
    default_->setChecked(shown_ == use_.standards.byDefault().name);
    remove_->setEnabled(choice_->count() > 1);
    fillRows();
}

void StandardEditor::fillRows() {
    std::vector<audit::Rule> now;
    for (const RuleRow* row : rows_)
        now.push_back(row->rule());
    if (now != standard()->rules) { // else the focus stays where it is
        for (RuleRow* row : rows_)
            row->deleteLater();
        rows_.clear();
        for (const audit::Rule& rule : standard()->rules)
            addRow(rule);
    }
    rowsChanged();
}

void StandardEditor::addRow(const audit::Rule& rule) {
    auto* row = new RuleRow(rule, use_.customFields.keys());
    rows_.push_back(row);
    list_->addWidget(row);
    connect(row, &RuleRow::changed, this, &StandardEditor::save);
    connect(row, &RuleRow::moved, this, [this, row](int by) { moveRow(row, by); });
    connect(row, &RuleRow::removed, this, [this, row] { removeRow(row); });
}

void StandardEditor::addRule(RuleKind kind) {
    audit::Rule rule{.kind = kind};
    if (kind == RuleKind::Codes)
        rule.fields = {"isrc"};
    else if (kind == RuleKind::Works)
        rule.fields = {"shares"};
    else if (kind == RuleKind::Names)
        rule.plan = use_.settings.get(library::settings::lastPlan);
    addRow(rule);
    rows_.back()->show();
    rows_.back()->focusFirst();
    save();
}

void StandardEditor::moveRow(RuleRow* row, int by) {
    const auto at = std::find(rows_.begin(), rows_.end(), row) - rows_.begin();
    const auto to = at + by;
    if (to < 0 || to >= std::ssize(rows_))
        return;
    std::swap(rows_[static_cast<size_t>(at)], rows_[static_cast<size_t>(to)]);
    list_->removeWidget(row);
    list_->insertWidget(static_cast<int>(to), row);
    save();
}

void StandardEditor::removeRow(RuleRow* row) {
    std::erase(rows_, row);
    list_->removeWidget(row);
    row->hide();
    row->deleteLater();
    save();
}

void StandardEditor::rowsChanged() {
    for (size_t i = 0; i < rows_.size(); ++i)
        rows_[i]->setPlace(i == 0, i + 1 == rows_.size());
    showMet();
}

void StandardEditor::showMet() {
    const bool held = use_.standards.ofBatch().name == shown_;
    size_t part = 0;
    for (RuleRow* row : rows_) {
        int met = 0, asked = 0;
        if (held && row->isUsable()) {
            for (const SleeveView& s : use_.sleeves.all())
                if (!s.isStrays() && part < s.readiness.parts.size()) {
                    met += s.readiness.parts[part].met == audit::Met::Yes;
                    asked += s.readiness.parts[part].met != audit::Met::NotAsked;
                }
            ++part;
        }
        row->setMet(met, asked);
    }
}

void StandardEditor::save() {
    std::vector<audit::Standard> all = use_.standards.all();
    for (audit::Standard& s : all)
        if (s.name == shown_) {
            s.rules.clear();
            for (const RuleRow* row : rows_)
                if (row->isUsable())
                    s.rules.push_back(row->rule());
        }
    saving_ = true;
    use_.standards.setAll(std::move(all));
    saving_ = false;
    rowsChanged();
}

void StandardEditor::fillNew() {
    QMenu* menu = new_->menu();
    menu->clear();
    menu->addAction(tr("An empty one\u2026"), this, [this] { add({}, {}); });
    menu->addAction(tr("A copy of \"%1\"\u2026").arg(qs(shown_)), this,
                    [this] { add(*standard(), tr("%1, copy").arg(qs(shown_))); });
    menu->addSeparator();
    for (const audit::Standard& s : audit::shippedStandards())
        menu->addAction(tr("\"%1\" as it comes with Moorfrost\u2026").arg(qs(s.name)), this,
                        [this, &s] { add(s, qs(s.name)); });
}

std::string StandardEditor::askName(const QString& title, const QString& proposed, const std::string& own) {
    QString name = proposed;
    QString prompt = tr("Name:");
    for (;;) {
        bool ok = false;
        name = QInputDialog::getText(this, title, prompt, QLineEdit::Normal, name, &ok).simplified();
        if (!ok || name.isEmpty())
            return {};
        const auto& all = use_.standards.all();
        if (ss(name) == own ||
            std::none_of(all.begin(), all.end(), [&](const auto& s) { return s.name == ss(name); }))
            return ss(name);
        prompt = tr("There is a standard \"%1\" already. Another name:").arg(name);
    }
}

void StandardEditor::add(audit::Standard standard, const QString& proposed) {
    standard.name = askName(tr("New standard"), proposed, {});
    if (standard.name.empty())
        return;
    shown_ = standard.name;
    std::vector<audit::Standard> all = use_.standards.all();
    all.push_back(std::move(standard));
    use_.standards.setAll(std::move(all));
}

void StandardEditor::rename() {
    const std::string name = askName(tr("Rename the standard"), qs(shown_), shown_);
    if (name.empty() || name == shown_)
        return;
    const std::string before = std::exchange(shown_, name);
    use_.standards.rename(before, name);
}

void StandardEditor::remove() {
    if (QMessageBox::question(this, tr("Remove the standard"),
                              tr("\"%1\" and its rules are removed. Batches that are held to it are held to "
                                 "the default.")
                                  .arg(qs(shown_)),
                              QMessageBox::Ok | QMessageBox::Cancel) != QMessageBox::Ok)
        return;
    std::vector<audit::Standard> all = use_.standards.all();
    std::erase_if(all, [this](const audit::Standard& s) { return s.name == shown_; });
    shown_.clear();
    use_.standards.setAll(std::move(all));
}

} // namespace moorfrost::app
