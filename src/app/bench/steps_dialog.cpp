// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/steps_dialog.h"

#include <algorithm>
#include <map>

#include <QCoreApplication>
#include <QFile>
#include <QFileDialog>
#include <QHeaderView>
#include <QInputDialog>
#include <QMenu>
#include <QMessageBox>
#include <QScrollArea>
#include <QShortcut>
#include <QTreeView>
#include <QVBoxLayout>

#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "app/widgets/controls.h"
#include "core/files/disk.h"
#include "core/placing/put_away.h"

namespace moorfrost::app {

StepsDialog::StepsDialog(const Uses& use, const std::vector<FileId>& files, edits::Chain chain,
                         QWidget* parent)
    : QDialog(parent), use_(use) {
    setWindowTitle(tr("Change values"));
    resize(1120, 640);
    auto subjects = use_.drafts.subjects(files);
    for (edits::Subject& s : subjects)
        if (const FilePtr f = use_.files.file(s.file)) {
            s.facts = placing::factsOf(f->path, f->tags);
            s.folder = f->path.parent_path().native();
        }
    subjects_ = std::make_shared<const std::vector<edits::Subject>>(std::move(subjects));
    for (const tags::FieldDef& def : tags::fieldTable())
        keys_.push_back(def.key);
    for (const std::string& key : use_.customFields.keys())
        keys_.push_back(key);

    auto* head = new QHBoxLayout;
    caption_ = label(tr("Steps"), "caption");
    chains_ = button(tr("Chains \u25BE"), "flat");
    chains_->setMenu(new QMenu(chains_));
    head->setContentsMargins(16, 10, 10, 4);
    head->addWidget(caption_, 1);
    head->addWidget(chains_);
    auto* forms = new QWidget;
    list_ = new QVBoxLayout(forms);
    list_->setContentsMargins(16, 2, 14, 12);
    list_->setSpacing(10);
    auto* more = button(tr("Add a step \u25BE"));
    more->setMenu(kindsMenu());
    list_->addWidget(more, 0, Qt::AlignLeft);
    list_->addStretch();
    auto* scroll = new QScrollArea;
    scroll->setWidgetResizable(true);
    scroll->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    scroll->setWidget(forms);
    scroll->setAccessibleName(tr("Steps"));
    auto* left = new QFrame;
    left->setObjectName("sunk");
    left->setMinimumWidth(300);
    auto* leftLayout = new QVBoxLayout(left);
    leftLayout->setContentsMargins(0, 0, 0, 0);
    leftLayout->setSpacing(0);
    leftLayout->addLayout(head);
    leftLayout->addWidget(scroll, 1);

    model_ = new ProposalModel(use_.files, this);
    table_ = new QTreeView;
    table_->setModel(model_);
    table_->setRootIsDecorated(false);
    table_->setAccessibleName(tr("What would change"));
    prepareTree(table_);
    table_->setItemDelegateForColumn(ProposalModel::Then, new DifferenceDelegate(table_));
    const int widths[] = {190, 90, 205, 185};
    for (int c = 0; c < 4; ++c)
        table_->header()->resizeSection(c, widths[c]);
    error_ = label({}, "bannerWrong");
    error_->setWordWrap(true);
    error_->hide();
    auto* right = new QWidget;
    auto* rightLayout = new QVBoxLayout(right);
    rightLayout->setContentsMargins(0, 0, 0, 0);
    rightLayout->setSpacing(0);
    rightLayout->addWidget(error_);
    rightLayout->addWidget(table_, 1);
    for (QPushButton* b : {chains_, more})
        b->setAutoDefault(false);
    const TakeBar foot = twoParts(this, left, right, {340, 780}, "steps");
    summary_ = foot.summary;
    take_ = foot.take;

    soon_.setSingleShot(true);
    soon_.setInterval(80);
    connect(&soon_, &QTimer::timeout, this, &StepsDialog::work);
    connect(model_, &ProposalModel::takenChanged, this, &StepsDialog::count);
    connect(take_, &QPushButton::clicked, this, &StepsDialog::take);
    connect(chains_->menu(), &QMenu::aboutToShow, this, &StepsDialog::fillChains);
    auto* space = new QShortcut(Qt::Key_Space, table_, nullptr, nullptr, Qt::WidgetShortcut);
    connect(space, &QShortcut::activated, this,
            [this] { model_->toggle(table_->selectionModel()->selectedRows()); });
    setChain(std::move(chain));
}

QMenu* StepsDialog::kindsMenu() {
    auto* menu = new QMenu(this);
    menu->setToolTipsVisible(true);
    for (const edits::StepKind& kind : edits::stepKinds()) {
        QAction* action = menu->addAction(spoken(kind.label), this, [this, name = kind.name] {
            addStep({name, {}});
            forms_.back()->focusFirst();
        });
        action->setToolTip(spoken(kind.does));
    }
    return menu;
}

edits::Chain StepsDialog::chain() const {
    edits::Chain out{name_, {}};
    for (const StepForm* form : forms_)
        out.steps.push_back(form->step());
    return out;
}

void StepsDialog::setChain(edits::Chain chain) {
    name_ = std::move(chain.name);
    rebuild(chain.steps);
    if (!forms_.empty())
        forms_.front()->focusFirst();
}

void StepsDialog::rebuild(const std::vector<edits::Step>& steps) {
    for (StepForm* form : forms_) {
        form->hide();
        form->deleteLater(); // it may be what asked for this
    }
    forms_.clear();
    for (const edits::Step& step : steps)
        addStep(step);
    placeForms();
    tryAgain();
}

void StepsDialog::addStep(const edits::Step& step) {
    if (!edits::stepKind(step.kind) || forms_.size() >= edits::mostSteps)
        return;
    auto* form = new StepForm(step, keys_);
    list_->insertWidget(list_->count() - 2, form); // before the button and the stretch
    forms_.push_back(form);
    connect(form, &StepForm::changed, this, &StepsDialog::tryAgain);
    auto placeOf = [this, form] { return std::ranges::find(forms_, form) - forms_.begin(); };
    connect(form, &StepForm::moveWanted, this, [this, placeOf](int by) {
        std::vector<edits::Step> steps = chain().steps;
        const auto from = static_cast<size_t>(placeOf());
        const auto to = static_cast<size_t>(static_cast<std::ptrdiff_t>(from) + by);
        if (from >= steps.size() || to >= steps.size())
            return;
        std::swap(steps[from], steps[to]);
        rebuild(steps);
    });
    connect(form, &StepForm::removeWanted, this, [this, placeOf] {
        std::vector<edits::Step> steps = chain().steps;
        steps.erase(steps.begin() + placeOf());
        rebuild(steps);
    });
    placeForms();
    tryAgain();
}

void StepsDialog::placeForms() {
    const auto n = static_cast<int>(forms_.size());
    for (int i = 0; i < n; ++i)
        forms_[static_cast<size_t>(i)]->setPlace(i + 1, n);
    caption_->setText(name_.empty() ? tr("Steps") : tr("Chain: %1").arg(qs(name_)));
}

void StepsDialog::tryAgain() {
    take_->setEnabled(false); // what is shown is not what these steps make
    soon_.start();
}

void StepsDialog::work() {
    if (job_ != 0)
        use_.jobs.stop(job_);
    auto run = std::make_shared<Run>();
    run->chain = chain();
    take_->setEnabled(false); // until what is shown is what these steps make
    const int number = ++run_;
    job_ = use_.jobs.start(
        this, {ss(tr("Trying the steps"))},
        [run, subjects = subjects_](std::stop_token stop, work::Progress&) -> Status {
            run->outcome = edits::run(run->chain, *subjects, stop);
            return Done{};
        },
        [this, run, number](const Status& ended) {
            if (number != run_)
                return;
            job_ = 0;
            if (!ended)
                run->outcome = ended.error();
            showRun(*run);
        });
}

void StepsDialog::showRun(const Run& run) {
    shownRun_ = run_;
    error_->setVisible(!run.outcome);
    if (!run.outcome) {
        error_->setText(spoken(run.outcome.error().message));
        refused_ = 0;
        model_->setRows({});
        return;
    }
    std::map<int64_t, const edits::Subject*> of;
    for (const edits::Subject& s : *subjects_)
        of[s.file] = &s;
    std::map<int64_t, size_t> order;
    for (size_t i = 0; i < subjects_->size(); ++i)
        order[(*subjects_)[i].file] = i;
    std::vector<ProposalModel::Row> rows;
    rows.reserve(run.outcome->proposals.size());
    for (const edits::Proposal& p : run.outcome->proposals)
        rows.push_back({p, edits::valuesOf(*of.at(p.file), p.field), {}});
    for (const edits::Outcome::Refused& r : run.outcome->refused) {
        const std::vector<std::string>& now = edits::valuesOf(*of.at(r.file), r.field);
        rows.push_back({{r.file, r.field, now, {}}, now, r.why, false});
    }
    std::ranges::stable_sort(rows, {},
                             [&](const ProposalModel::Row& r) { return order.at(r.proposal.file); });
    refused_ = run.outcome->refused.size();
    model_->setRows(std::move(rows));
}

void StepsDialog::count() {
    const size_t taken = model_->takenCount();
    std::set<int64_t> files;
    for (const ProposalModel::Row& row : model_->rows())
        if (row.taken)
            files.insert(row.proposal.file);
    QStringList parts;
    if (model_->rows().empty())
        parts << (error_->isHidden()
                      ? tr("Nothing would change in %n file(s)", "", static_cast<int>(subjects_->size()))
                      : QString());
    else
        parts << tr("%n value(s)", "", static_cast<int>(taken)) + " " +
                     tr("in %n file(s) will be drafts", "", static_cast<int>(files.size()));
    if (refused_ > 0)
        parts << tr("%n cannot be", "", static_cast<int>(refused_));
    summary_->setText(parts.join(" \u00B7 "));
    take_->setEnabled(taken > 0 && shownRun_ == run_ && error_->isHidden());
}

void StepsDialog::take() {
    if (!isCurrent())
        return;
    const QString what = !name_.empty()       ? qs(name_)
                         : forms_.size() == 1 ? spoken(edits::stepKind(forms_.front()->step().kind)->label)
                                              : tr("Steps");
    use_.drafts.propose(what, model_->taken());
    accept();
}

void StepsDialog::fillChains() {
    QMenu* menu = chains_->menu();
    menu->clear();
    for (const edits::Chain& kept : use_.chains.all())
        menu->addAction(QString(qs(kept.name)).replace('&', "&&"), this, [this, kept] { setChain(kept); });
    menu->addSeparator();
    menu->addAction(tr("Keep these steps as a chain\u2026"), this, [this] { keepAs(); });
    if (use_.chains.find(name_))
        menu->addAction(tr("Forget \"%1\"").arg(qs(name_)), this, [this] {
            use_.chains.remove(name_);
            name_.clear();
            placeForms();
        });
    menu->addSeparator();
    menu->addAction(tr("Open a chain file\u2026"), this, &StepsDialog::openFile);
    menu->addAction(tr("Save as a chain file\u2026"), this, &StepsDialog::saveFile);
}

void StepsDialog::keepAs(QString name) {
    if (name.isEmpty())
        name = QInputDialog::getText(this, tr("Keep as a chain"), tr("Name:"), QLineEdit::Normal, qs(name_));
    name = name.trimmed();
    if (name.isEmpty())
        return;
    name_ = ss(name);
    use_.chains.keep(chain());
    placeForms();
}

void StepsDialog::openFile() {
    const QString name =
        QFileDialog::getOpenFileName(this, tr("Open a chain file"), {}, tr("Chains (*.json);;All files (*)"));
    if (name.isEmpty())
        return;
    QFile file(name);
    const bool opened = file.open(QIODevice::ReadOnly);
    const Result<edits::Chain> chain =
        opened ? edits::chainFromJson(file.read((1 << 20) + 1).toStdString())
               : Result<edits::Chain>(Error{ErrorKind::Io, {}, ss(file.errorString())});
    if (!chain) {
        QMessageBox::warning(this, tr("Open a chain file"),
                             tr("%1 was not opened. %2").arg(name, spoken(chain.error().message)));
        return;
    }
    setChain(*chain);
}

void StepsDialog::saveFile() {
    QString name =
        QFileDialog::getSaveFileName(this, tr("Save as a chain file"),
                                     qs(name_.empty() ? "chain" : name_) + ".json", tr("Chains (*.json)"));
    if (name.isEmpty())
        return;
    const std::string json = edits::chainJson(chain());
    if (const Status saved = files::writeWhole(Path(QFile::encodeName(name).toStdString()), json); !saved)
        QMessageBox::warning(this, tr("Save as a chain file"),
                             tr("%1 could not be written: %2").arg(name, spoken(saved.error().message)));
}

} // namespace moorfrost::app
