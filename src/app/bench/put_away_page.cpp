// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/put_away_page.h"

#include <QButtonGroup>
#include <QCheckBox>
#include <QFileDialog>
#include <QInputDialog>
#include <QStackedWidget>
#include <QVBoxLayout>

#include <algorithm>

#include "app/control/plans.h"
#include "app/shell/text_utils.h"
#include "app/widgets/chip_editor.h"
#include "app/widgets/controls.h"
#include "core/library/shelf_plans.h"

namespace moorfrost::app {

PutAwayPage::PutAwayPage(const Uses& use, QWidget* parent) : QWidget(parent), use_(use) {
    auto* top = new QHBoxLayout;
    shelf_ = new Choice;
    shelf_->setMinimumWidth(190);
    shelf_->setAccessibleName(tr("Shelf"));
    plan_ = new Choice;
    plan_->setMinimumWidth(190);
    plan_->setAccessibleName(tr("Plan"));
    auto* save = button(tr("Keep plan\u2026"), "flat");
    move_ = button(tr("Move"), "left");
    copy_ = button(tr("Copy"), "right");
    auto* group = new QButtonGroup(this);
    for (QPushButton* b : {move_, copy_}) {
        b->setCheckable(true);
        group->addButton(b);
    }
    auto* namesLabel = label(tr("Names"), "caption");
    namesLabel->setFixedWidth(48);
    QWidget* shelfBox = captioned(tr("Shelf"), {shelf_});
    static_cast<QBoxLayout*>(shelfBox->layout())->itemAt(0)->widget()->setFixedWidth(48);
    top->addWidget(flowing({shelfBox, captioned(tr("Plan"), {plan_, save})}, 8), 1);
    auto* segment = new QHBoxLayout;
    segment->setSpacing(0);
    segment->addWidget(move_);
    segment->addWidget(copy_);
    top->addLayout(segment);
    top->setAlignment(segment, Qt::AlignTop);

    auto* names = new QHBoxLayout;
    editor_ = new ChipEditor;
    names->addWidget(namesLabel, 0, Qt::AlignTop);
    namesLabel->setContentsMargins(0, 8, 0, 0);
    names->addWidget(editor_, 1);
    error_ = label({}, "wrong");
    error_->setWordWrap(true);
    error_->setContentsMargins(56, 0, 0, 0);
    error_->hide();
    auto* options = new QHBoxLayout;
    along_ = new QCheckBox(tr("pictures, notes and logs go along"));
    tidy_ = new QCheckBox(tr("remove folders that become empty"));
    along_->setChecked(true);
    tidy_->setChecked(true);
    options->addSpacing(56);
    options->addWidget(flowing({along_, tidy_}, 16), 1);
    auto* tools = new QVBoxLayout;
    tools->addLayout(top);
    tools->addLayout(names);
    tools->addWidget(error_);
    tools->addLayout(options);
    QWidget* toolBar = bar("tools", tools);
    toolBar->layout()->setContentsMargins(12, 8, 12, 8);

    tree_ = new PlacesTree;
    empty_ = new EmptyHint("folder", tr("Where should the music be kept?"),
                           tr("A shelf is a folder in which files live under consistent names. Choose one, "
                              "and you will see where each file would go. "
                              "Nothing moves before you say Write."),
                           tr("Add a shelf\u2026"));
    stack_ = new QStackedWidget;
    stack_->setObjectName("panel");
    stack_->addWidget(tree_);
    stack_->addWidget(empty_);

    trouble_ = label({}, "wrong");
    trouble_->setWordWrap(true);
    std::vector<QWidget*> counts{trouble_};
    const std::pair<PlacesTree::Kind, const char*> kinds[] = {
        {PlacesTree::Moving, "count"},           {PlacesTree::IntoNewFolder, "count"},
        {PlacesTree::OutOfEmptied, "count"},     {PlacesTree::Splitting, "countAttention"},
        {PlacesTree::WithGap, "countAttention"}, {PlacesTree::Problem, "countWrong"}};
    for (const auto& [kind, style] : kinds) {
        QPushButton* b = button({}, style);
        b->setCheckable(true);
        b->setToolTip(tr("Only these; again: all"));
        connect(b, &QPushButton::clicked, this,
                [this, kind = kind] { filter(tree_->kind() == kind ? PlacesTree::All : kind); });
        counts_.push_back({kind, b});
        counts.push_back(b);
    }
    auto* bottom = new QHBoxLayout;
    bottom->addWidget(flowing(counts, 4), 1);
    drop_ = button(tr("Drop moves"), "flat");
    draft_ = button(tr("Draft the moves"));
    bottom->addWidget(drop_);
    bottom->addWidget(draft_);

    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addWidget(toolBar);
    layout->addWidget(stack_, 1);
    layout->addWidget(bar("bottom", bottom, 46));

    timer_.setSingleShot(true);
    timer_.setInterval(90);
    connect(&timer_, &QTimer::timeout, this, &PutAwayPage::planAgain);
    auto soon = [this] {
        planned_ = false;
        timer_.start();
    };
    auto adjust = [this, soon] {
        // Moves that are drafted already follow the plan.
        soon();
        std::vector<library::DraftSession::Wish> wishes;
        if (editor_->plan() && wish().shelf > 0)
            for (FileId id : files_)
                if (use_.drafts.session().find(id, library::placeKey))
                    wishes.push_back({id, library::placeKey, wish().toValues()});
        use_.drafts.session().propose(ss(tr("Change the plan")), wishes, ss(tr("plan")));
    };
    editor_->setText(usualPlanText());
    connect(editor_, &ChipEditor::changed, this, [this, adjust] {
        error_->setText(editor_->error());
        error_->setVisible(!editor_->error().isEmpty());
        if (editor_->plan())
            use_.settings.set(library::settings::lastPlan, ss(editor_->text()));
        adjust();
    });
    connect(shelf_, &QComboBox::activated, this, [this, adjust](int i) {
        if (shelf_->itemData(i).toLongLong() == 0)
            addShelf();
        else
            use_.settings.set(library::settings::lastShelf, shelf_->itemData(i).toLongLong());
        const auto plans = library::shelfPlansFrom(use_.settings.get(library::settings::shelfPlans));
        if (const auto plan = plans.find(shelf_->currentData().toLongLong()); plan != plans.end())
            editor_->setText(qs(plan->second)); // its own
        adjust();
    });
    connect(plan_, &QComboBox::activated, this,
            [this](int i) { editor_->setText(plan_->itemData(i).toString()); });
    connect(save, &QPushButton::clicked, this, &PutAwayPage::savePlan);
    connect(move_, &QPushButton::clicked, this, [this, adjust] {
        use_.settings.set(library::settings::putAwayMode, "move");
        adjust();
    });
    connect(copy_, &QPushButton::clicked, this, [this, adjust] {
        use_.settings.set(library::settings::putAwayMode, "copy");
        adjust();
    });
    connect(along_, &QCheckBox::toggled, this, adjust);
    connect(tidy_, &QCheckBox::toggled, this, adjust);
    connect(empty_->button(), &QPushButton::clicked, this, &PutAwayPage::addShelf);
    connect(draft_, &QPushButton::clicked, this, &PutAwayPage::draftMoves);
    connect(drop_, &QPushButton::clicked, this, &PutAwayPage::dropMoves);
    connect(&use_.shelves, &ShelvesController::changed, this, &PutAwayPage::refreshShelves);
    connect(&use_.drafts, &DraftsController::changed, this, soon);
    connect(&use_.settings, &LibrarySettings::changed, this, [soon](const std::string& key) {
        if (LibrarySettings::is(key, library::settings::names))
            soon();
    });
    connect(&use_.settings, &LibrarySettings::loaded, this, [this] {
        const QString last = qs(use_.settings.get(library::settings::lastPlan));
        refreshPlans();
        editor_->setText(last.isEmpty() ? usualPlanText() : last);
        (use_.settings.get(library::settings::putAwayMode) == "copy" ? copy_ : move_)->setChecked(true);
        refreshShelves();
    });
    move_->setChecked(true);
}

bench::PlaceWish PutAwayPage::wish() const {
    bench::PlaceWish w;
    w.shelf = shelf_->currentData().toLongLong();
    w.plan = ss(editor_->text());
    w.copy = copy_->isChecked();
    w.goesAlong = along_->isChecked();
    w.removeEmptied = tidy_->isChecked();
    return w;
}

void PutAwayPage::refreshShelves() {
    qlonglong wanted = shelf_->currentData().toLongLong();
    if (wanted == 0)
        wanted = use_.settings.get(library::settings::lastShelf);
    shelf_->clear();
    for (const library::Shelf& s : use_.shelves.all()) {
        shelf_->addItem(qs(s.name), static_cast<qlonglong>(s.id));
        shelf_->setItemData(shelf_->count() - 1, shownPath(s.path), Qt::ToolTipRole);
    }
    shelf_->addItem(tr("Add a shelf\u2026"), 0);
    shelf_->setCurrentIndex(wanted > 0 ? std::max(0, shelf_->findData(wanted)) : 0);
    timer_.start();
}

void PutAwayPage::refreshPlans() {
    plan_->clear();
    for (const auto& [name, text] : plansOf(use_.settings))
        plan_->addItem(name, text);
    int at = plan_->findData(editor_->text());
    plan_->setCurrentIndex(at);
    plan_->setPlaceholderText(tr("own plan"));
}

void PutAwayPage::savePlan() {
    if (!editor_->plan())
        return;
    QString name = QInputDialog::getText(this, tr("Keep this plan"), tr("Name of the plan:")).simplified();
    if (name.isEmpty())
        return;
    std::vector<std::string> lines = use_.settings.get(library::settings::plans);
    lines.push_back(ss(name + "\t" + editor_->text()));
    use_.settings.set(library::settings::plans, lines);
    refreshPlans();
}

void PutAwayPage::addShelf() {
    QString dir = QFileDialog::getExistingDirectory(this, tr("A folder for the shelf"));
    if (dir.isEmpty()) {
        refreshShelves();
        return;
    }
    QString name = QInputDialog::getText(this, tr("Add a shelf"), tr("Name of the shelf:"), QLineEdit::Normal,
                                         QDir(dir).dirName());
    use_.shelves.add(name.isEmpty() ? QDir(dir).dirName() : name, Path(ss(dir)));
}

void PutAwayPage::setFiles(std::vector<FileId> files) {
    files_ = std::move(files);
    editor_->setCustomFields(use_.customFields.keys());
    planned_ = false;
    timer_.start();
}

void PutAwayPage::planAgain() {
    if (!isVisible())
        return;
    int at = plan_->findData(editor_->text());
    plan_->setCurrentIndex(at);
    bool noShelf = use_.shelves.all().empty();
    stack_->setCurrentIndex(noShelf ? 1 : 0);
    draft_->setVisible(!noShelf);
    auto options = bench::optionsFor(wish(), use_.places.rules());
    if (!options) {
        draft_->setEnabled(false);
        if (noShelf)
            show({});
        return; // the last good tree stays in sight while the plan is mended
    }
    int run = ++run_;
    auto files = use_.places.toPlace(files_);
    use_.jobs.start(
        this, {ss(tr("Working out the places"))},
        [files, options = *options](std::stop_token stop, work::Progress&) -> Result<naming::PutAwayResult> {
            return naming::planPutAway(files, options, stop);
        },
        [this, run](const Result<naming::PutAwayResult>& result) {
            if (run == run_ && result)
                show(*result);
        });
}

void PutAwayPage::show(const naming::PutAwayResult& result) {
    const auto options = bench::optionsFor(wish(), use_.places.rules());
    auto isDrafted = [this](FileId file) {
        return use_.drafts.session().find(file, library::placeKey) != nullptr;
    };
    result_ = result;
    tree_->show(result, shelf_->currentText(), options ? options->shelf : Path(), isDrafted);
    showCounts();
    size_t drafted = 0, toDraft = 0;
    for (const naming::Placement& p : result.files) {
        drafted += p.moves() && isDrafted(p.id);
        toDraft += p.moves() && !isDrafted(p.id);
    }
    drop_->setVisible(drafted > 0);
    draft_->setEnabled(toDraft > 0 && result.shelfProblem.empty());
    const auto n = static_cast<int>(toDraft);
    draft_->setText(toDraft == 0 && drafted > 0 ? tr("All moves are drafted")
                    : copy_->isChecked()        ? tr("Draft %n copy(ies)", "", n)
                                                : tr("Draft %n move(s)", "", n));
    planned_ = true;
}

QPushButton* PutAwayPage::countButton(PlacesTree::Kind kind) {
    return std::ranges::find(counts_, kind, &Count::kind)->button;
}

void PutAwayPage::showCounts() {
    const auto gaps = std::ranges::count_if(
        result_.files, [](const naming::Placement& p) { return p.mark(naming::MarkKind::Gap) != nullptr; });
    auto tell = [this](PlacesTree::Kind kind, size_t count, const QString& text) {
        QPushButton* b = countButton(kind);
        b->setText(text);
        b->setVisible(count > 0);
        if (count == 0 && tree_->kind() == kind)
            filter(PlacesTree::All);
    };
    auto n = [](size_t v) { return static_cast<int>(v); };
    tell(PlacesTree::Moving, result_.moving,
         copy_->isChecked() ? tr("%n file(s) will be copied", "", n(result_.moving))
                            : tr("%n file(s) will move", "", n(result_.moving)));
    tell(PlacesTree::IntoNewFolder, result_.newFolders.size(),
         tr("%n new folder(s)", "", n(result_.newFolders.size())));
    tell(PlacesTree::OutOfEmptied, result_.emptied.size(),
         tr("%n emptied folder(s) will go", "", n(result_.emptied.size())));
    tell(PlacesTree::Splitting, result_.splitSleeves,
         tr("%n album(s) would be split", "", n(result_.splitSleeves)));
    tell(PlacesTree::WithGap, static_cast<size_t>(gaps),
         tr("%n with gaps in the name", "", static_cast<int>(gaps)));
    tell(PlacesTree::Problem, result_.problems, tr("%n cannot be put away", "", n(result_.problems)));
    trouble_->setText(qs(result_.shelfProblem));
    trouble_->setVisible(!result_.shelfProblem.empty());
    filter(tree_->kind());
}

void PutAwayPage::filter(PlacesTree::Kind kind) {
    if (tree_->kind() != kind)
        tree_->filter(kind);
    for (const Count& count : counts_)
        count.button->setChecked(count.kind == kind);
}

void PutAwayPage::draftMoves() {
    auto options = bench::optionsFor(wish(), use_.places.rules());
    if (!options)
        return;
    std::vector<library::DraftSession::Wish> wishes;
    for (const naming::Placement& p : result_.files)
        if (p.id > 0 && p.moves())
            wishes.push_back({p.id, library::placeKey, wish().toValues()});
    // From now on its files are held to it.
    use_.settings.set(
        library::settings::shelfPlans,
        library::withShelfPlan(use_.settings.get(library::settings::shelfPlans), wish().shelf, wish().plan));
    use_.drafts.session().propose(
        ss(tr("Put away")), wishes,
        ss(tr("plan: %1").arg(plan_->currentText().isEmpty() ? editor_->text() : plan_->currentText())));
}

void PutAwayPage::dropMoves() {
    std::vector<std::pair<FileId, std::string>> which;
    for (FileId id : files_)
        which.emplace_back(id, library::placeKey);
    use_.drafts.session().drop(ss(tr("Drop moves")), which);
}

} // namespace moorfrost::app
