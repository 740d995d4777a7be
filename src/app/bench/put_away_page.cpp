// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/put_away_page.h"

#include <QButtonGroup>
#include <QCheckBox>
#include <QFileDialog>
#include <QHeaderView>
#include <QInputDialog>
#include <QPainter>
#include <QStackedWidget>
#include <QStyledItemDelegate>
#include <QVBoxLayout>

#include "app/control/plans.h"
#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/chip_editor.h"
#include "app/widgets/controls.h"

namespace moorfrost::app {

namespace {

constexpr int pillsRole = Qt::UserRole + 1; // list of "tone|text"
constexpr int idRole = Qt::UserRole + 2;
constexpr int draftRole = Qt::UserRole + 3;

paint::Tone toneOf(naming::MarkKind kind) {
    switch (kind) {
    case naming::MarkKind::NewFolder:
        return paint::Tone::Good;
    case naming::MarkKind::Gap:
    case naming::MarkKind::Split:
        return paint::Tone::Attention;
    case naming::MarkKind::Clash:
    case naming::MarkKind::Taken:
    case naming::MarkKind::Blocked:
        return paint::Tone::Wrong;
    case naming::MarkKind::InPlace:
    case naming::MarkKind::GoesAlong:
        break;
    }
    return paint::Tone::Neutral;
}

QString pillOf(paint::Tone tone, const QString& text) {
    return QString::number(static_cast<int>(tone)) + "|" + text;
}

/// Lines between rows, pills at the right, the notch where a move is drafted.
class TreeDelegate : public QStyledItemDelegate {
public:
    using QStyledItemDelegate::QStyledItemDelegate;
    QSize sizeHint(const QStyleOptionViewItem& o, const QModelIndex& i) const override {
        return {QStyledItemDelegate::sizeHint(o, i).width(), 28};
    }
    void paint(QPainter* p, const QStyleOptionViewItem& option, const QModelIndex& index) const override {
        QStyleOptionViewItem o = option;
        int right = option.rect.right() - 12;
        QStringList pills = index.data(pillsRole).toStringList();
        for (const QString& pill : pills)
            right -= paint::pillWidth(pill.section('|', 1)) + 4;
        const auto& c = theme::colours();
        bool drafted = index.column() == 0 && index.data(draftRole).toBool();
        if (!pills.isEmpty())
            o.rect.setRight(std::max(right - 4, o.rect.left() + 20));
        QStyledItemDelegate::paint(p, o, index);
        if (drafted)
            paint::notch(*p, option.rect);
        p->fillRect(QRect(option.rect.left(), option.rect.bottom(), option.rect.width(), 1), c.faint);
        right = option.rect.right() - 8;
        for (const QString& pill : pills)
            right -= paint::pill(*p, right, option.rect, pill.section('|', 1),
                                 static_cast<paint::Tone>(pill.section('|', 0, 0).toInt())) +
                     4;
    }
};

} // namespace

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

    tree_ = new QTreeWidget;
    prepareTree(tree_, {tr("Where each file will be"), tr("Where it is now")});
    tree_->setItemDelegate(new TreeDelegate(tree_));
    tree_->setAccessibleName(tr("The shelf as it will be"));
    tree_->header()->resizeSection(0, 400);
    remember(tree_->header(), "put away 2");
    empty_ = new EmptyHint("folder", tr("Where should the music be kept?"),
                           tr("A shelf is a folder in which files live under consistent names. Choose one, "
                              "and you will see where each file would go. "
                              "Nothing moves before you say Write."),
                           tr("Add a shelf\u2026"));
    stack_ = new QStackedWidget;
    stack_->setObjectName("panel");
    stack_->addWidget(tree_);
    stack_->addWidget(empty_);

    auto* bottom = new QHBoxLayout;
    for (const char* name : {"", "", "", "attention", "attention", "wrong"}) {
        counts_.push_back(label({}, name));
        bottom->addWidget(counts_.back());
        bottom->addSpacing(8);
    }
    bottom->addStretch();
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
            for (QLabel* l : counts_)
                l->clear();
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
    tree_->setUpdatesEnabled(false);
    int scroll = tree_->verticalScrollBar()->value();
    tree_->clear();
    QString shelfName = shelf_->currentText();
    auto* root = new QTreeWidgetItem(tree_, {shelfName});
    QFont bold = theme::uiFont(13, QFont::DemiBold);
    root->setFont(0, bold);
    root->setFirstColumnSpanned(false);
    auto options = bench::optionsFor(wish(), use_.places.rules());
    std::set<Path> fresh(result.newFolders.begin(), result.newFolders.end());
    std::map<Path, QTreeWidgetItem*> folders;
    std::function<QTreeWidgetItem*(const Path&)> folderItem = [&](const Path& relative) -> QTreeWidgetItem* {
        if (relative.empty())
            return root;
        auto [it, isNew] = folders.try_emplace(relative, nullptr);
        if (isNew) {
            auto* item = new QTreeWidgetItem(folderItem(relative.parent_path()), {shownName(relative)});
            item->setFont(0, bold);
            if (options && fresh.contains(options->shelf / relative))
                item->setData(1, pillsRole, QStringList{pillOf(paint::Tone::Good, tr("new folder"))});
            folders[relative] = item;
            return item;
        }
        return it->second;
    };
    // Where files are now, without what all have in common.
    Path common;
    for (const naming::Placement& p : result.files) {
        Path parent = p.from.parent_path();
        if (common.empty()) {
            common = parent;
            continue;
        }
        Path shared;
        for (auto a = common.begin(), b = parent.begin(); a != common.end() && b != parent.end() && *a == *b;
             ++a, ++b)
            shared /= *a;
        common = shared;
    }
    common = common.parent_path();
    QTreeWidgetItem* nowhere = nullptr;
    auto add = [&](const naming::Placement& p) {
        QTreeWidgetItem* parent = nullptr;
        if (p.to.empty()) {
            if (!nowhere) {
                nowhere = new QTreeWidgetItem(tree_, {tr("No place yet")});
                nowhere->setFont(0, bold);
            }
            parent = nowhere;
        } else {
            Path relative;
            for (size_t i = 0; i + 1 < p.parts.size(); ++i)
                relative /= p.parts[i];
            parent = folderItem(relative);
        }
        auto* item = new QTreeWidgetItem(parent);
        item->setText(0, p.to.empty() ? shownName(p.from) : shownName(p.to));
        item->setText(1, shownPath(p.from.lexically_relative(common)));
        item->setFont(1, theme::monoFont());
        item->setForeground(1, theme::colours().third);
        item->setData(0, idRole, static_cast<qlonglong>(p.id));
        item->setData(0, draftRole,
                      p.id > 0 && use_.drafts.session().find(p.id, library::placeKey) != nullptr &&
                          p.moves());
        QStringList pills, tips;
        for (const naming::Mark& m : p.marks) {
            pills << pillOf(toneOf(m.kind), qs(m.text));
            tips << qs(m.text);
        }
        item->setData(1, pillsRole, pills);
        item->setToolTip(1, shownPath(p.from) + (tips.isEmpty() ? QString() : "\n" + tips.join('\n')));
        item->setToolTip(0, shownPath(p.to.empty() ? p.from : p.to));
        if (p.blocked())
            item->setForeground(0, theme::colours().rowan);
    };
    for (const naming::Placement& p : result.files)
        add(p);
    for (const naming::Placement& p : result.along)
        add(p);
    for (auto& [path, item] : folders)
        item->sortChildren(0, Qt::AscendingOrder);
    root->sortChildren(0, Qt::AscendingOrder);
    tree_->expandAll();
    tree_->verticalScrollBar()->setValue(scroll);
    tree_->setUpdatesEnabled(true);

    auto n = [](size_t v) { return static_cast<int>(v); };
    bool copying = copy_->isChecked();
    size_t gaps = static_cast<size_t>(
        std::count_if(result.files.begin(), result.files.end(),
                      [](const naming::Placement& p) { return p.mark(naming::MarkKind::Gap) != nullptr; }));
    counts_[0]->setText(copying ? tr("%n file(s) will be copied", "", n(result.moving))
                                : tr("%n file(s) will move", "", n(result.moving)));
    counts_[1]->setText(result.newFolders.empty() ? QString()
                                                  : tr("%n new folder(s)", "", n(result.newFolders.size())));
    counts_[2]->setText(result.emptied.empty()
                            ? QString()
                            : tr("%n emptied folder(s) will go", "", n(result.emptied.size())));
    counts_[3]->setText(result.splitSleeves ? tr("%n album(s) would be split", "", n(result.splitSleeves))
                                            : QString());
    counts_[4]->setText(gaps ? tr("%n with gaps in the name", "", n(gaps)) : QString());
    counts_[5]->setText(!result.shelfProblem.empty() ? qs(result.shelfProblem)
                        : result.problems            ? tr("%n cannot be put away", "", n(result.problems))
                                                     : QString());
    for (QLabel* l : counts_)
        l->setVisible(!l->text().isEmpty());
    size_t drafted = 0, toDraft = 0;
    for (const naming::Placement& p : result.files) {
        bool has = use_.drafts.session().find(p.id, library::placeKey) != nullptr;
        drafted += has && p.moves();
        toDraft += !has && p.moves();
    }
    drop_->setVisible(drafted > 0);
    draft_->setEnabled(toDraft > 0 && result.shelfProblem.empty());
    draft_->setText(toDraft == 0 && drafted > 0 ? tr("All moves are drafted")
                    : copying                   ? tr("Draft %n copy(ies)", "", n(toDraft))
                                                : tr("Draft %n move(s)", "", n(toDraft)));
    planned_ = true;
}

void PutAwayPage::draftMoves() {
    auto options = bench::optionsFor(wish(), use_.places.rules());
    if (!options)
        return;
    std::vector<library::DraftSession::Wish> wishes;
    std::function<void(QTreeWidgetItem*)> collect = [&](QTreeWidgetItem* item) {
        FileId id = item->data(0, idRole).toLongLong();
        bool blocked = false, inPlace = false;
        for (const QString& pill : item->data(1, pillsRole).toStringList()) {
            blocked |= pill.startsWith(QString::number(static_cast<int>(paint::Tone::Wrong)) + "|");
            inPlace |=
                item->toolTip(0) == shownPath(use_.files.file(id) ? use_.files.file(id)->path : Path());
        }
        if (id > 0 && !blocked && !inPlace)
            wishes.push_back({id, library::placeKey, wish().toValues()});
        for (int i = 0; i < item->childCount(); ++i)
            collect(item->child(i));
    };
    for (int i = 0; i < tree_->topLevelItemCount(); ++i)
        collect(tree_->topLevelItem(i));
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
