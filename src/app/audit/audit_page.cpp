// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/audit/audit_page.h"

#include <QDate>
#include <QHBoxLayout>
#include <QInputDialog>
#include <QKeyEvent>
#include <QLocale>
#include <QScrollArea>
#include <QShortcut>
#include <QSplitter>
#include <QStackedWidget>

#include "app/audit/take_fixes_dialog.h"
#include "app/shell/text_utils.h"
#include "app/widgets/three_panes.h"
#include "app/widgets/two_lines.h"

namespace moorfrost::app {

AuditPage::AuditPage(const Uses& use, QWidget* parent)
    : QWidget(parent), audit_(use.audit), codes_(use.codes), soundUses_(use.sound) {
    plot_ = new CoursePlot;
    was_ = new ShortLabel;
    was_->setObjectName("quiet");
    const SearchHead head = searchHead(tr("Audit"), tr("Search in the findings \u2026"),
                                       tr("Search in the findings"), {plot_, was_, partChoice()});
    search_ = head.search;
    told_ = head.count;
    auto* panes = new QSplitter;
    panes->setChildrenCollapsible(false);
    panes->setHandleWidth(1);
    panes->addWidget(left());
    panes->addWidget(middle());
    panes->addWidget(right());
    panes->setStretchFactor(2, 1);
    panes->setSizes({236, 300, 660});
    remember(panes, "audit/panes");
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addWidget(head.widget);
    codesView_ = new CodesView(codes_, {tr("Every recording has its ISRC"),
                                        tr("Recordings on the shelves that lack one are listed here.")});
    parts_ = new QStackedWidget;
    parts_->addWidget(panes);
    parts_->addWidget(codesView_);
    fixityView_ = new FixityView(use.fixity);
    parts_->addWidget(fixityView_);
    connect(fixityView_, &FixityView::libraryWanted, this, &AuditPage::libraryWanted);
    layout->addWidget(parts_, 1);
    connect(codesView_, &CodesView::libraryWanted, this, &AuditPage::libraryWanted);
    connect(&codes_, &CodesController::changed, this, [this] { showPart(part()); });
    connect(&audit_, &AuditController::changed, this, &AuditPage::refresh);
    connect(&audit_, &AuditController::listed, this, &AuditPage::showList);
    connect(&audit_, &AuditController::takenChanged, this, [this] {
        list_->viewport()->update();
        showChosen();
    });
    connect(rules_, &RulesList::chosen, this, &AuditPage::filter);
    connect(search_, &QLineEdit::textChanged, this, &AuditPage::filter);
    connect(facets_, &FacetRow::chosen, this, &AuditPage::filter);
    showPart(FindingsPart);
    filter();
    refresh();
}

QWidget* AuditPage::partChoice() {
    auto* out = new QWidget;
    auto* row = new QHBoxLayout(out);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(0);
    for (const Part part : {FindingsPart, CodesPart, FixityPart}) {
        QPushButton* b = button({}, part == FindingsPart ? "left" : part == FixityPart ? "right" : "middle");
        b->setCheckable(true);
        row->addWidget(b);
        partButtons_[part] = b;
        connect(b, &QPushButton::clicked, this, [this, part] { showPart(part); });
    }
    return out;
}

void AuditPage::showPart(Part part) {
    parts_->setCurrentIndex(part);
    partButtons_[FindingsPart]->setText(tr("Findings"));
    partButtons_[CodesPart]->setText(
        codes_.gaps().empty() ? tr("Codes to fill") : tr("Codes to fill  %L1").arg(codes_.gaps().size()));
    partButtons_[FixityPart]->setText(tr("Fixity"));
    for (const Part one : {FindingsPart, CodesPart, FixityPart})
        partButtons_[one]->setChecked(one == part);
    search_->setEnabled(part == FindingsPart);
}

QWidget* AuditPage::left() {
    rules_ = new RulesList(audit_);
    rule_ = new RuleBox(audit_);
    rule_->hide();
    auto* box = new QFrame;
    box->setObjectName("panel");
    auto* rows = new QVBoxLayout(box);
    rows->setContentsMargins(0, 6, 0, 0);
    rows->setSpacing(0);
    rows->addWidget(rules_, 1);
    rows->addWidget(rule_);
    box->setMinimumWidth(180);
    return box;
}

QWidget* AuditPage::middle() {
    std::vector<QWidget*> tabs;
    const QString names[] = {tr("All"), tr("Grave"), tr("Plain"), tr("Slight")};
    for (size_t i = 0; i < weights_.size(); ++i) {
        weights_[i] = button(names[i], i == 0 ? "left" : i + 1 == weights_.size() ? "right" : "middle");
        weights_[i]->setCheckable(true);
        connect(weights_[i], &QPushButton::clicked, this, [this, i] {
            weight_ = static_cast<int>(i);
            filter();
        });
        tabs.push_back(weights_[i]);
    }
    model_ = new FindingsModel(audit_, this);
    list_ = twoLineList(model_, tr("Findings"));
    list_->setSelectionMode(QAbstractItemView::ExtendedSelection);
    connect(list_->selectionModel(), &QItemSelectionModel::selectionChanged, this, &AuditPage::showChosen);
    auto* taking = new QShortcut(Qt::Key_Return, list_, this, &AuditPage::takeFixes);
    auto* leaving = new QShortcut(Qt::Key_Delete, list_, this, &AuditPage::askToLeave);
    for (QShortcut* key : {taking, leaving})
        key->setContext(Qt::WidgetShortcut);
    facets_ = new FacetRow(audit_);
    count_ = label({}, "caption");
    auto* head = new QVBoxLayout;
    head->setContentsMargins(12, 8, 12, 6);
    head->setSpacing(6);
    head->addWidget(flowing(tabs, 0));
    head->addWidget(facets_);
    head->addWidget(count_);
    auto* box = new QFrame;
    box->setObjectName("panel");
    auto* rows = new QVBoxLayout(box);
    rows->setContentsMargins(0, 0, 0, 0);
    rows->setSpacing(0);
    rows->addLayout(head);
    rows->addWidget(list_, 1);
    box->setMinimumWidth(200);
    return box;
}

QWidget* AuditPage::right() {
    box_ = new FindingBox(audit_, soundUses_);
    connect(box_->sound(), &SoundPanel::playWanted, this, &AuditPage::playWanted);
    connect(box_->sound(), &SoundPanel::stopWanted, this, &AuditPage::stopWanted);
    connect(box_, &FindingBox::fileWanted, this, &AuditPage::libraryWanted);
    connect(box_, &FindingBox::releaseWanted, facets_, &FacetRow::chooseRelease);
    auto* scroll = new QScrollArea;
    scroll->setFrameShape(QFrame::NoFrame);
    scroll->setWidgetResizable(true);
    scroll->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    scroll->setWidget(box_);
    empty_ = new EmptyHint("audit", {}, {});
    stack_ = new QStackedWidget;
    stack_->addWidget(scroll);
    stack_->addWidget(empty_);
    take_ = button(tr("Take the fix"), "accent");
    takeAll_ = button(tr("Take all\u2026"));
    leave_ = button(tr("Leave it\u2026"));
    show_ = button(tr("Show in the library"));
    connect(take_, &QPushButton::clicked, this, &AuditPage::takeFixes);
    connect(takeAll_, &QPushButton::clicked, this, &AuditPage::takeAll);
    connect(leave_, &QPushButton::clicked, this, &AuditPage::askToLeave);
    connect(show_, &QPushButton::clicked, this, [this] {
        if (const auto some = chosen(); !some.empty() && audit_.firstFile(some.front()) != 0)
            emit libraryWanted(audit_.firstFile(some.front()));
    });
    auto* box = new QFrame;
    box->setObjectName("panel");
    auto* rows = new QVBoxLayout(box);
    rows->setContentsMargins(0, 0, 0, 0);
    rows->setSpacing(0);
    rows->addWidget(stack_, 1);
    rows->addWidget(bar("foot", toldBeside(new ShortLabel, {show_, leave_, takeAll_, take_})));
    box->setMinimumWidth(240);
    return box;
}

void AuditPage::showEvent(QShowEvent* event) {
    QWidget::showEvent(event);
    audit_.setInSight(true);
    codes_.setInSight(true);
}

void AuditPage::hideEvent(QHideEvent* event) {
    QWidget::hideEvent(event);
    audit_.setInSight(false);
    codes_.setInSight(false);
}

void AuditPage::takeKeyboard() {
    if (part() == CodesPart)
        return codesView_->list()->setFocus();
    if (part() == FixityPart)
        return fixityView_->calendar()->setFocus();
    if (model_->rowCount() > 0)
        list_->setFocus();
    else
        search_->setFocus();
}

void AuditPage::refresh() {
    rules_->showCounts();
    rule_->show(rules_->rule());
    plot_->show(audit_.course());
    const auto& course = audit_.course();
    was_->setText(course.size() < 2
                      ? QString()
                      : tr("was %L1 on %2")
                            .arg(course.front().second)
                            .arg(QLocale().toString(QDate::fromString(qs(course.front().first), Qt::ISODate),
                                                    QLocale::ShortFormat)));
    was_->setVisible(course.size() > 1);
    showList();
}

void AuditPage::filter() {
    library::FindingFilter filter;
    filter.rule = rules_->rule();
    filter.left = rules_->isLeft();
    filter.words = ss(search_->text());
    if (weight_ > 0)
        filter.weight = static_cast<library::Weight>(weight_ - 1);
    facets_->putInto(filter);
    for (size_t i = 0; i < weights_.size(); ++i)
        weights_[i]->setChecked(static_cast<int>(i) == weight_);
    rule_->show(filter.rule);
    audit_.setFilter(filter);
}

void AuditPage::showList() {
    const int before = list_->currentIndex().row();
    const uint64_t key = model_->keyAt(before);
    std::vector<uint64_t> keys; // that are chosen
    for (const QModelIndex& index : list_->selectionModel()->selectedIndexes())
        keys.push_back(model_->keyAt(index.row()));
    const bool isOther = !(audit_.filter() == shown_);
    shown_ = audit_.filter();
    model_->refresh();
    facets_->refresh();
    // The same finding, or the one that stands where it stood.
    int row = key != 0 ? model_->rowOfKey(key) : -1;
    if (row < 0 && model_->rowCount() > 0)
        row = isOther || before < 0 ? 0 : std::min(before, model_->rowCount() - 1);
    if (row >= 0)
        list_->setCurrentIndex(model_->index(row));
    for (const uint64_t one : keys)
        if (const int at = keys.size() > 1 ? model_->rowOfKey(one) : -1; at >= 0)
            list_->selectionModel()->select(model_->index(at), QItemSelectionModel::Select);
    stack_->setCurrentIndex(model_->rowCount() > 0 ? 0 : 1);
    sayNothing();
    tellCounts();
    showChosen();
}

void AuditPage::sayNothing() {
    if (!audit_.hasLooked())
        empty_->setTexts(tr("The library is being looked through"),
                         tr("What is found is listed here, rule by rule, with its reason."));
    else if (shown_.left)
        empty_->setTexts(tr("Nothing is left as it is"),
                         tr("A finding that you leave as it is stands here, until its facts change."));
    else if (shown_.rule && !audit_.choices().of(*shown_.rule).on)
        empty_->setTexts(tr("This is not looked for"), tr("Switch it on below the rules."));
    else if (audit_.open() == 0)
        empty_->setTexts(tr("Nothing is wrong by these rules"),
                         tr("The library is looked through again whenever something changes."));
    else
        empty_->setTexts(tr("No such finding"),
                         facets_->narrows()
                             ? tr("Choose all shelves, releases and times, or search for less.")
                             : tr("Choose another rule or weight, or search for less."));
}

void AuditPage::tellCounts() {
    QString told = tr("%n finding(s)", "", static_cast<int>(audit_.open()));
    if (audit_.releases() > 0)
        told = tr("%1 in %2").arg(told, tr("%n release(s)", "", static_cast<int>(audit_.releases())));
    count_->setText(shown_.rule ? tr(shown_.rule->name) + " \u00B7 " + QString("%L1").arg(model_->rowCount())
                                : tr("%L1 shown").arg(model_->rowCount()));
    if (audit_.isLooking())
        told += " \u00B7 " + tr("looking through the library \u2026");
    else if (audit_.isMeasuring())
        told += " \u00B7 " + tr("measuring sound and pictures \u2026");
    told_->setText(told);
}

std::vector<size_t> AuditPage::chosen() const {
    std::vector<size_t> out;
    for (const QModelIndex& index : list_->selectionModel()->selectedIndexes())
        out.push_back(model_->findingAt(index.row()));
    return out;
}

void AuditPage::showChosen() {
    const auto some = chosen();
    const bool isLeft = rules_->isLeft();
    box_->show(some.size() == 1 ? std::optional(some.front()) : std::nullopt);
    const auto fixes = std::ranges::count_if(some, [this](size_t f) { return audit_.hasFix(f); });
    take_->setEnabled(fixes > 0);
    take_->setText(some.size() > 1 ? tr("Take %n fix(es)", "", static_cast<int>(fixes)) : tr("Take the fix"));
    leave_->setEnabled(!some.empty());
    leave_->setText(isLeft ? tr("Bring back") : tr("Leave it\u2026"));
    const bool isOne = some.size() == 1;
    show_->setEnabled(isOne && audit_.firstFile(some.front()) != 0);
    takeAll_->setEnabled(audit_.found().anyFix);
}

void AuditPage::takeFixes() {
    audit_.takeFixes(chosen());
}

void AuditPage::takeAll() {
    std::vector<size_t> findings;
    for (int row = 0; row < model_->rowCount(); ++row)
        if (audit_.hasFix(model_->findingAt(row)))
            findings.push_back(model_->findingAt(row));
    TakeFixesDialog dialog(audit_, findings, this);
    if (dialog.exec() == QDialog::Accepted)
        audit_.takeFixes(audit_.withKeys(dialog.chosen()));
}

void AuditPage::leave(const std::string& reason) {
    audit_.leave(chosen(), reason);
}

void AuditPage::askToLeave() {
    const auto some = chosen();
    if (some.empty())
        return;
    if (rules_->isLeft())
        return audit_.bringBack(some);
    std::vector<uint64_t> keys; // the findings may be others when it is answered
    for (const size_t finding : some)
        keys.push_back(audit_.key(finding));
    bool ok = false;
    const QString reason = QInputDialog::getText(
        this, tr("Leave as it is"), tr("Why it may stay as it is. It comes back when its facts change."),
        QLineEdit::Normal, {}, &ok);
    if (ok)
        audit_.leave(audit_.withKeys(keys), ss(reason.trimmed()));
}

} // namespace moorfrost::app
