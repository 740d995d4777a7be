// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/put_away_page.h"

#include <QScrollArea>
#include <QSplitter>
#include <QStackedWidget>
#include <QVBoxLayout>

#include <algorithm>
#include <utility>

#include "app/shell/text_utils.h"
#include "app/widgets/chip_editor.h"
#include "app/widgets/controls.h"

namespace moorfrost::app {

namespace {
constexpr size_t manyFiles = 5000; // take longer than a person waits between two keys
} // namespace

PutAwayPage::PutAwayPage(const Uses& use, QWidget* parent) : QWidget(parent), use_(use) {
    tools_ = new PlaceTools({use_.jobs, use_.settings, use_.shelves, use_.customFields});
    tree_ = new PlacesTree([this](FileId file) { return isDrafted(file); });
    troubles_ = new TroubleBox({use_.files, use_.drafts, use_.jobs});
    auto* scroll = new QScrollArea;
    scroll->setFrameShape(QFrame::NoFrame);
    scroll->setWidgetResizable(true);
    scroll->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    scroll->setWidget(troubles_);
    scroll->setMinimumWidth(250);
    side_ = scroll;
    side_->hide();
    auto* split = new QSplitter;
    split->setChildrenCollapsible(false);
    split->setHandleWidth(1);
    split->addWidget(tree_);
    split->addWidget(side_);
    split->setStretchFactor(0, 1);
    split->setSizes({640, 300});
    remember(split, "put away/sides");
    empty_ = new EmptyHint("folder", tr("Where should the music be kept?"),
                           tr("A shelf is a folder in which files live under consistent names. Choose one, "
                              "and you will see where each file would go. "
                              "Nothing moves before you say Write."),
                           tr("Add a shelf\u2026"));
    stack_ = new QStackedWidget;
    stack_->setObjectName("panel");
    stack_->addWidget(split);
    stack_->addWidget(empty_);
    constexpr int leastHeight = 90; // before lines above it are cut
    stack_->setMinimumHeight(leastHeight);
    auto* bottom = new QHBoxLayout;
    bottom->addWidget(counts(), 1);
    drop_ = button(tr("Drop moves"), "flat");
    draft_ = button(tr("Draft the moves"));
    bottom->addWidget(drop_);
    bottom->addWidget(draft_);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addWidget(tools_);
    layout->addWidget(stack_, 1);
    layout->addWidget(bar("bottom", bottom, 46));
    connectAll();
}

QWidget* PutAwayPage::counts() {
    trouble_ = label({}, "wrong");
    trouble_->setWordWrap(true);
    std::vector<QWidget*> counts{trouble_};
    const std::pair<PlacesTree::Kind, const char*> kinds[] = {{PlacedFiles::Moving, "count"},
                                                              {PlacedFiles::IntoNewFolder, "count"},
                                                              {PlacedFiles::Along, "count"},
                                                              {PlacedFiles::OutOfEmptied, "count"},
                                                              {PlacedFiles::LeftOut, "count"},
                                                              {PlacedFiles::Altered, "count"},
                                                              {PlacedFiles::Besides, "countAttention"},
                                                              {PlacedFiles::Replacing, "countAttention"},
                                                              {PlacedFiles::Splitting, "countAttention"},
                                                              {PlacedFiles::WithGap, "countAttention"},
                                                              {PlacedFiles::Problem, "countWrong"}};
    for (const auto& [kind, style] : kinds) {
        QPushButton* b = button({}, style);
        b->setCheckable(true);
        b->setToolTip(tr("Only these; again: all"));
        connect(b, &QPushButton::clicked, this,
                [this, kind = kind] { filter(tree_->kind() == kind ? PlacedFiles::All : kind); });
        counts_.push_back({kind, b});
        counts.push_back(b);
    }
    return flowing(counts, 4);
}

void PutAwayPage::connectAll() {
    timer_.setSingleShot(true);
    timer_.setInterval(90);
    connect(&timer_, &QTimer::timeout, this, &PutAwayPage::planAgain);
    connect(tools_, &PlaceTools::changed, this, &PutAwayPage::adjust);
    connect(tools_, &PlaceTools::affected, this, &PutAwayPage::soon);
    connect(tools_, &PlaceTools::searched, tree_, &PlacesTree::search);
    connect(tree_, &PlacesTree::chosenChanged, this, &PutAwayPage::tellTroubles);
    connect(troubles_, &TroubleBox::choiceWanted, this, &PutAwayPage::choose);
    connect(troubles_, &TroubleBox::describeWanted, this, &PutAwayPage::describeWanted);
    connect(empty_->button(), &QPushButton::clicked, this, &PutAwayPage::addShelf);
    connect(draft_, &QPushButton::clicked, this, &PutAwayPage::draftMoves);
    connect(drop_, &QPushButton::clicked, this, &PutAwayPage::dropMoves);
    connect(&use_.drafts, &DraftsController::changed, this, &PutAwayPage::soon);
}

bench::PlaceWish PutAwayPage::wishOf(FileId file) const {
    bench::PlaceWish out = tools_->wish();
    if (const auto at = choices_.find(file); at != choices_.end())
        out.onClash = at->second;
    return out;
}

bool PutAwayPage::isDrafted(FileId file) const {
    return use_.drafts.session().find(file, library::placeKey) != nullptr;
}

void PutAwayPage::soon() {
    planned_ = false;
    timer_.start();
}

void PutAwayPage::adjust() {
    draftThen_ = false; // that was meant for what was typed then
    soon();
    preview();
    if (!editor()->plan() || (tools_->wish().shelf <= 0 && !tools_->renames()))
        return;
    std::vector<library::DraftSession::Wish> wishes;
    for (const FileId id : files_)
        if (isDrafted(id))
            wishes.push_back({id, library::placeKey, wishOf(id).toValues()});
    if (!wishes.empty())
        use_.drafts.session().propose(ss(tr("Change the plan")), wishes, ss(tr("plan")));
}

void PutAwayPage::choose(placing::OnClash choice, const std::vector<FileId>& files) {
    for (const FileId file : files)
        choices_[file] = choice;
    adjust();
}

void PutAwayPage::setFiles(std::vector<FileId> files) {
    files_ = std::move(files);
    draftThen_ = false;
    for (const FileId file : files_)
        if (const library::Draft* draft = use_.drafts.session().find(file, library::placeKey))
            choices_[file] = bench::PlaceWish::fromValues(draft->values).onClash;
    tools_->refreshFields();
    soon();
}

void PutAwayPage::planAgain() {
    if (!isVisible())
        return;
    const bool noShelf = use_.shelves.all().empty() && !tools_->renames();
    stack_->setCurrentIndex(noShelf ? 1 : 0);
    draft_->setVisible(!noShelf);
    const bench::PlaceWish wish = tools_->wish();
    const auto options = bench::optionsFor(wish, use_.places.rules());
    if (!options) {
        draft_->setEnabled(false);
        if (noShelf)
            show(std::make_shared<PlacedFiles>());
        return; // the last good tree stays in sight while the plan is mended
    }
    const int run = ++run_;
    std::vector<bench::Proposal> files;
    for (const FileId id : files_)
        if (FilePtr file = use_.files.file(id); file && file->readable()) {
            std::string sleeve = bench::sleeveKeyOf(use_.batch.places(), *file);
            files.push_back(
                {std::move(file), use_.drafts.session().changes(id), wishOf(id), std::move(sleeve)});
        }
    use_.jobs.start(
        this, {ss(tr("Working out the places"))},
        [files = std::move(files), options = *options](
            std::stop_token stop, work::Progress&) -> Result<std::shared_ptr<const PlacedFiles>> {
            std::vector<placing::PutAwayFile> toPlace;
            std::vector<std::string> sleeves;
            for (const bench::Proposal& one : files) {
                toPlace.push_back(one.toPlace());
                sleeves.push_back(one.sleeve);
            }
            placing::PutAwayResult result = placing::planPutAway(toPlace, options, stop);
            if (stop.stop_requested())
                return Error{ErrorKind::Cancelled, {}, "It was stopped."};
            return std::make_shared<const PlacedFiles>(std::move(result), std::move(sleeves));
        },
        [this, run](Result<std::shared_ptr<const PlacedFiles>> placed) {
            if (run == run_ && placed)
                show(*std::move(placed));
        });
}

void PutAwayPage::preview() {
    const auto options = bench::optionsFor(tools_->wish(), use_.places.rules());
    if (files_.size() < manyFiles || !options || options->inPlace || !isVisible())
        return;
    const PlacedFiles& placed = tree_->placed();
    std::vector<FileId> ids;
    std::unordered_map<FileId, size_t> wanted; // what is in sight, by its place in `placed`
    for (const size_t i : tree_->inSight())
        if (const FileId id = placed.at(i).id; id > 0 && wanted.emplace(id, i).second)
            for (const FileId other : placed.sleeveOf(id))
                ids.push_back(other);
    std::ranges::sort(ids);
    ids.erase(std::unique(ids.begin(), ids.end()), ids.end());
    const int run = ++previewRun_;
    use_.jobs.start(
        this, {ss(tr("Working out the places in sight"))},
        [files = use_.places.toPlace(ids), options = *options](
            std::stop_token, work::Progress&) -> Result<std::vector<std::vector<std::string>>> {
            return placing::namesByPlan(files, options.plan, options.profile);
        },
        [this, run, shown = run_, ids, wanted](Result<std::vector<std::vector<std::string>>> names) {
            if (run != previewRun_ || shown != run_ || !names || names->size() != ids.size())
                return; // another plan is typed, or all are planned
            std::unordered_map<size_t, std::vector<std::string>> parts;
            for (size_t i = 0; i < ids.size(); ++i)
                if (const auto at = wanted.find(ids[i]); at != wanted.end() && !(*names)[i].empty())
                    parts[at->second] = std::move((*names)[i]);
            tree_->preview(std::move(parts));
        });
}

void PutAwayPage::show(std::shared_ptr<const PlacedFiles> placed) {
    tree_->setPlaced(std::move(placed), tools_->shelfName());
    showCounts();
    const placing::PutAwayResult& result = tree_->placed().result();
    size_t drafted = 0, toDraft = 0;
    for (const placing::Placement& p : result.files) {
        drafted += p.moves() && isDrafted(p.id);
        toDraft += p.moves() && !isDrafted(p.id);
    }
    drop_->setVisible(drafted > 0);
    draft_->setEnabled(toDraft > 0 && result.shelfProblem.empty());
    const auto n = static_cast<int>(toDraft);
    draft_->setText(toDraft == 0 && drafted > 0                           ? tr("All moves are drafted")
                    : tools_->wish().mode == bench::PlaceWish::Mode::Copy ? tr("Draft %n copy(ies)", "", n)
                    : tools_->renames()                                   ? tr("Draft %n new name(s)", "", n)
                                                                          : tr("Draft %n move(s)", "", n));
    planned_ = !timer_.isActive(); // else something else was typed since
    if (planned_ && std::exchange(draftThen_, false))
        draftMoves();
}

QPushButton* PutAwayPage::countButton(PlacesTree::Kind kind) {
    return std::ranges::find(counts_, kind, &Count::kind)->button;
}

void PutAwayPage::showCounts() {
    const PlacedFiles& placed = tree_->placed();
    const placing::PutAwayResult& result = placed.result();
    auto tell = [this](PlacesTree::Kind kind, size_t count, const QString& text) {
        QPushButton* b = countButton(kind);
        b->setText(text);
        b->setVisible(count > 0);
        if (count == 0 && tree_->kind() == kind)
            filter(PlacedFiles::All);
    };
    auto n = [](size_t v) { return static_cast<int>(v); };
    tell(PlacedFiles::Moving, result.moving,
         tools_->wish().mode == bench::PlaceWish::Mode::Copy
             ? tr("%n file(s) will be copied", "", n(result.moving))
         : tools_->renames() ? tr("%n file(s) will be renamed", "", n(result.moving))
                             : tr("%n file(s) will move", "", n(result.moving)));
    tell(PlacedFiles::IntoNewFolder, result.newFolders.size(),
         tr("%n new folder(s)", "", n(result.newFolders.size())));
    tell(PlacedFiles::Along, result.along.size(), tr("%n go(es) along", "", n(result.along.size())));
    tell(PlacedFiles::OutOfEmptied, result.emptied.size(),
         tr("%n emptied folder(s) will go", "", n(result.emptied.size())));
    auto tellKind = [&](PlacesTree::Kind kind, const QString& text) { tell(kind, placed.count(kind), text); };
    tellKind(PlacedFiles::LeftOut, tr("%n left out", "", n(placed.count(PlacedFiles::LeftOut))));
    tellKind(PlacedFiles::Altered, tr("%n name(s) altered", "", n(placed.count(PlacedFiles::Altered))));
    tellKind(PlacedFiles::Replacing, tr("%n will be replaced", "", n(placed.count(PlacedFiles::Replacing))));
    tellKind(PlacedFiles::Besides,
             tr("%n there in another format", "", n(placed.count(PlacedFiles::Besides))));
    tell(PlacedFiles::Splitting, result.splitSleeves,
         tr("%n album(s) would be split", "", n(result.splitSleeves)));
    tellKind(PlacedFiles::WithGap, tr("%n with gaps in the name", "", n(placed.count(PlacedFiles::WithGap))));
    tell(PlacedFiles::Problem, result.problems, tr("%n cannot be put away", "", n(result.problems)));
    trouble_->setText(qs(result.shelfProblem));
    trouble_->setVisible(!result.shelfProblem.empty());
    filter(tree_->kind());
}

void PutAwayPage::tellTroubles() {
    troubles_->tell(tree_->placed(), tree_->chosen());
    side_->setVisible(troubles_->saysSomething());
}

void PutAwayPage::filter(PlacesTree::Kind kind) {
    if (tree_->kind() != kind)
        tree_->filter(kind);
    for (const Count& count : counts_)
        count.button->setChecked(count.kind == kind);
}

void PutAwayPage::draftMoves() {
    const bench::PlaceWish wish = tools_->wish();
    if (!bench::optionsFor(wish, use_.places.rules()))
        return;
    if (!planned_) { // by what was typed, not by the plan before
        draftThen_ = true;
        timer_.stop();
        return planAgain();
    }
    std::vector<library::DraftSession::Wish> wishes;
    for (const placing::Placement& p : tree_->placed().result().files)
        if (p.id > 0 && p.moves())
            wishes.push_back({p.id, library::placeKey, wishOf(p.id).toValues()});
    if (wish.shelf > 0) // from now on its files are held to it
        use_.settings.set(
            library::settings::shelfPlans,
            library::withShelfPlan(use_.settings.get(library::settings::shelfPlans), wish.shelf, wish.plan));
    use_.drafts.session().propose(ss(tr("Put away")), wishes, ss(tr("plan: %1").arg(tools_->planName())));
}

void PutAwayPage::dropMoves() {
    std::vector<std::pair<FileId, std::string>> which;
    for (FileId id : files_)
        which.emplace_back(id, library::placeKey);
    use_.drafts.session().drop(ss(tr("Drop moves")), which);
}

} // namespace moorfrost::app
