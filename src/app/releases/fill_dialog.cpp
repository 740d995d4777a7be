// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/releases/fill_dialog.h"

#include <QHeaderView>
#include <QStackedWidget>
#include <QVBoxLayout>

#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "core/text/casing.h"

namespace moorfrost::app {

namespace {

enum Column { What, After, Before };
constexpr int factRole = Qt::UserRole; // which fact of the plan; -1: the tracks

} // namespace

FillDialog::FillDialog(const SourcePicker::Uses& use, const library::ReleaseView& release, QWidget* parent)
    : QDialog(parent), release_(release) {
    setWindowTitle(release.release.title.empty() ? tr("Fill a new release")
                                                 : tr("Fill \u201C%1\u201D").arg(qs(release.release.title)));
    picker_ =
        new SourcePicker(use, qs(release.release.title + " " + release.release.credit.text()).trimmed());
    tree_ = new QTreeWidget;
    prepareTree(tree_, {tr("What"), tr("Will be"), tr("Is now")});
    tree_->setAccessibleName(tr("What would change"));
    tree_->setSelectionMode(QAbstractItemView::SingleSelection);
    tree_->setColumnWidth(What, 130);
    tree_->setColumnWidth(After, 270);
    casing_ = new QCheckBox(tr("Capitals as the language of the titles has them"));
    casing_->setToolTip(
        tr("Proposes titles by the rules of the language that the release tells, else of English"));
    auto* stack = new QStackedWidget;
    empty_ =
        new EmptyHint("release", tr("What would change is shown here"),
                      tr("Choose on the left what to fill it from. Nothing is taken before you say so."));
    stack->addWidget(empty_);
    stack->addWidget(tree_);
    auto* right = new QFrame;
    right->setObjectName("panel");
    auto* rightLayout = new QVBoxLayout(right);
    rightLayout->setContentsMargins(12, 14, 16, 12);
    rightLayout->setSpacing(8);
    rightLayout->addWidget(stack, 1);
    rightLayout->addWidget(casing_);
    const TakeBar foot = twoParts(this, picker_, right, {360, 620}, "releases/fill");
    summary_ = foot.summary;
    take_ = foot.take;
    take_->setText(tr("Take"));
    take_->setEnabled(false);
    take_->setAutoDefault(false);
    take_->setDefault(false); // Enter looks up
    connect(take_, &QPushButton::clicked, this, &QDialog::accept);
    connect(picker_, &SourcePicker::picked, this, [this, stack](const auto& from, const auto& source) {
        show(from, source);
        const bool any = !plan_.facts.empty() || plan_.mediaChange;
        empty_->setTexts(
            from == reference::Release() ? tr("What would change is shown here") : tr("Nothing would change"),
            from == reference::Release()
                ? tr("Choose on the left what to fill it from. Nothing is taken before you say so.")
                : tr("All that it tells is known already."));
        stack->setCurrentIndex(any ? 1 : 0);
    });
    connect(casing_, &QCheckBox::toggled, this, &FillDialog::arrange);
    connect(tree_, &QTreeWidget::itemChanged, this, [this](QTreeWidgetItem* item) {
        if (showing_)
            return;
        const bool on = item->checkState(What) == Qt::Checked;
        if (const int fact = item->data(What, factRole).toInt(); fact >= 0)
            plan_.facts[static_cast<size_t>(fact)].taken = on;
        else
            plan_.takeMedia = on;
        tell();
    });
    resize(1000, 620);
}

void FillDialog::show(const reference::Release& release, const library::ReleaseSource& source) {
    source_ = release;
    from_ = source;
    arrange();
}

void FillDialog::arrange() {
    reference::Release source = source_;
    if (casing_->isChecked()) {
        const std::string said = source.language.empty() ? release_.release.language : source.language;
        const std::string code = text::languageCode(said);
        library::putCasingRight(source, code.empty() ? "en" : code);
    }
    plan_ = library::planFilling(release_, source);
    const auto& c = theme::colours();
    showing_ = true;
    tree_->clear();
    for (size_t i = 0; i < plan_.facts.size(); ++i) {
        const library::FactFilling& f = plan_.facts[i];
        const library::FactDef* def = library::factByKey(f.key);
        // What is shown alike differs in what is only typed: sort forms.
        const bool alike = library::shownFact(f.key, f.after) == library::shownFact(f.key, f.before);
        auto* item = new QTreeWidgetItem(
            tree_, {tr(def->label),
                    qs(alike ? library::typingLine(f.key, f.after) : library::shownFact(f.key, f.after)),
                    f.fills ? tr("not known") : qs(library::shownFact(f.key, f.before))});
        item->setData(What, factRole, static_cast<int>(i));
        item->setCheckState(What, f.taken ? Qt::Checked : Qt::Unchecked);
        item->setForeground(Before, f.fills ? c.third : c.second);
        item->setForeground(After, c.heather);
        for (int column : {After, Before})
            item->setToolTip(column, item->text(column));
    }
    if (plan_.mediaChange) {
        auto* head = new QTreeWidgetItem(
            tree_, {tr("Tracks"),
                    tr("%n track(s)", "", static_cast<int>(source.trackCount() ? source.trackCount() : 0)),
                    tr("%n track(s)", "", static_cast<int>(release_.release.trackCount()))});
        head->setData(What, factRole, -1);
        head->setCheckState(What, plan_.takeMedia ? Qt::Checked : Qt::Unchecked);
        for (const library::TrackFilling& t : plan_.tracks) {
            auto* line = new QTreeWidgetItem(head, {{},
                                                    t.after.empty() ? tr("goes") : qs(t.after),
                                                    t.before.empty() ? tr("new") : qs(t.before)});
            line->setFlags(Qt::ItemIsEnabled);
            line->setForeground(After, t.after.empty()       ? c.rowan
                                       : t.after == t.before ? c.second
                                                             : c.heather);
            line->setForeground(Before, c.second);
            for (int column : {After, Before})
                line->setToolTip(column, line->text(column));
        }
        head->setExpanded(true);
    }
    showing_ = false;
    tell();
}

void FillDialog::tell() {
    const auto facts = static_cast<int>(plan_.takenFacts());
    const bool media = plan_.mediaChange && plan_.takeMedia;
    QStringList parts;
    if (facts > 0)
        parts << tr("%n fact(s)", "", facts);
    if (media)
        parts << tr("the tracks");
    summary_->setText(parts.isEmpty() ? QString()
                                      : tr("Taken: %1. The rest stays as it is.").arg(parts.join(", ")));
    take_->setEnabled(!parts.isEmpty());
}

library::ReleaseFilling FillDialog::filling() const {
    library::ReleaseSource source = from_;
    const auto facts = static_cast<int>(plan_.takenFacts());
    QStringList taken;
    if (facts > 0)
        taken << tr("%n fact(s)", "", facts);
    if (plan_.mediaChange && plan_.takeMedia)
        taken << tr("%n track(s)", "", static_cast<int>(source_.trackCount()));
    source.taken = ss(taken.join(", "));
    return plan_.filling(source);
}

} // namespace moorfrost::app
