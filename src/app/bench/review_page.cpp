// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/review_page.h"

#include <algorithm>
#include <cstdlib>
#include <tuple>
#include <unordered_map>

#include <QDateTime>
#include <QHeaderView>
#include <QKeyEvent>
#include <QShortcut>
#include <QStackedWidget>
#include <QVBoxLayout>

#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/controls.h"
#include "app/widgets/picture_cells.h"
#include "app/widgets/sheet.h"

namespace moorfrost::app {

namespace {
constexpr int fileRole = Qt::UserRole + 1;
constexpr int fieldRole = Qt::UserRole + 2;
} // namespace

ReviewPage::ReviewPage(const Uses& use, QWidget* parent) : QWidget(parent), use_(use) {
    auto* head = new QHBoxLayout;
    title_ = label({}, "title");
    note_ = new ShortLabel; // it gives way to the buttons
    note_->setObjectName("quiet");
    drop_ = button(tr("Drop chosen"));
    drop_->setToolTip(tr("Forget the chosen drafts (Delete). Files are not touched."));
    dropAll_ = button(tr("Drop all"), "flat");
    takeBack_ = button(tr("Take back"));
    retry_ = button(tr("Retry"));
    retry_->setToolTip(tr("Write what is still drafted, once more"));
    readAgain_ = button(tr("Read again"));
    readAgain_->setToolTip(
        tr("Read the files that something else has changed. The drafts stay, to be reviewed "
           "against what the files hold now"));
    allNames_ = button(tr("Change all names"));
    allNames_->setToolTip(
        tr("Some files have other names (hard links): change the files themselves, so that all "
           "their names show the change"));
    thisName_ = button(tr("Change this name only"));
    thisName_->setToolTip(
        tr("Some files have other names (hard links): give these names files of their own; the "
           "other names keep the old content"));
    evenDamaged_ = button(tr("Write all the same"));
    evenDamaged_->setToolTip(
        tr("Some files are cut short. They are written to where it can be shown that what is there of their "
           "sound stays as it is"));
    back_ = button(tr("Done"));
    showFolder_ = button(tr("Show in folder"));
    takeBackThese_ = button(tr("Take back these"));
    connect(showFolder_, &QPushButton::clicked, this, &ReviewPage::showFolder);
    connect(takeBackThese_, &QPushButton::clicked, this,
            [this] { use_.writing.takeBack(use_.writing.lastSet(), chosenSteps()); });
    head->addWidget(title_);
    head->addWidget(note_, 1);
    for (QPushButton* b : {drop_, dropAll_, readAgain_, allNames_, thisName_, evenDamaged_, retry_,
                           showFolder_, takeBackThese_, takeBack_, back_})
        head->addWidget(b);
    connect(retry_, &QPushButton::clicked, this, [this] { use_.writing.write(); });
    connect(readAgain_, &QPushButton::clicked, this, [this] {
        std::vector<FileId> files;
        for (const files::StepRecord& r : use_.writing.lastReport()->steps)
            if (r.stale && r.step.file > 0)
                files.push_back(r.step.file);
        use_.writing.readAgain(files);
    });
    connect(allNames_, &QPushButton::clicked, this,
            [this] { use_.writing.write(files::HardLinks::AllNames); });
    connect(thisName_, &QPushButton::clicked, this,
            [this] { use_.writing.write(files::HardLinks::ThisName); });
    connect(evenDamaged_, &QPushButton::clicked, this,
            [this] { use_.writing.write(files::HardLinks::Ask, tags::Damage::Allow); });
    banner_ = label({}, "banner");
    banner_->setWordWrap(true);
    tree_ = new QTreeWidget;
    prepareTree(tree_, {tr("File and field"), tr("Will be"), tr("Is now"), tr("Where it comes from")});
    tree_->setAccessibleName(tr("Drafts and moves"));
    showsPictures(tree_);
    tree_->header()->resizeSection(What, 330);
    tree_->header()->resizeSection(Future, 320);
    tree_->header()->resizeSection(Present, 300);
    remember(tree_->header(), "review");
    empty_ =
        new EmptyHint("bench", tr("There are no drafts"),
                      tr("What you type or take on the bench shows up here before anything is written."));
    stack_ = new QStackedWidget;
    stack_->setObjectName("panel");
    stack_->addWidget(tree_);
    stack_->addWidget(empty_);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addWidget(bar("head", head, 46));
    layout->addWidget(banner_);
    layout->addWidget(stack_, 1);
    timer_.setSingleShot(true);
    timer_.setInterval(30);
    connect(&timer_, &QTimer::timeout, this, [this] {
        if (isVisible())
            refresh();
    });
    auto soon = [this] {
        isOld_ = true;
        if (isVisible()) // else when it is seen next
            timer_.start();
    };
    connect(&use_.drafts, &DraftsController::changed, this, soon);
    connect(&use_.places, &PlacesController::changed, this, soon);
    connect(&use_.writing, &WritingController::written, this, soon);
    connect(drop_, &QPushButton::clicked, this, &ReviewPage::dropChosen);
    connect(dropAll_, &QPushButton::clicked, this, [this] {
        std::set<FileId> files;
        for (const auto& [id, fields] : use_.drafts.session().all())
            files.insert(id);
        use_.drafts.session().dropAll(ss(tr("Drop all drafts")), files);
    });
    connect(takeBack_, &QPushButton::clicked, this,
            [this] { use_.writing.takeBack(use_.writing.lastSet(), std::nullopt); });
    connect(back_, &QPushButton::clicked, &use_.writing, &WritingController::clearReport);
    connect(tree_, &QTreeWidget::itemSelectionChanged, this, [this] {
        drop_->setEnabled(!tree_->selectedItems().isEmpty());
        tellChosen();
    });
    auto* remove = new QShortcut(QKeySequence::Delete, tree_);
    remove->setContext(Qt::WidgetShortcut);
    connect(remove, &QShortcut::activated, this, &ReviewPage::dropChosen);
    refresh();
}

void ReviewPage::showEvent(QShowEvent* event) {
    QWidget::showEvent(event);
    if (isOld_)
        refresh();
}

void ReviewPage::refresh() {
    isOld_ = false;
    timer_.stop();
    bool report = use_.writing.lastReport().has_value();
    bool asks = false, stale = false, cut = false;
    if (report)
        for (const files::StepRecord& r : use_.writing.lastReport()->steps) {
            asks = asks || r.linksAsked;
            cut = cut || r.damageAsked;
            stale = stale || (r.stale && r.step.file > 0);
        }
    readAgain_->setVisible(stale);
    allNames_->setVisible(asks);
    thisName_->setVisible(asks);
    // One question at a time: a narrow window has no room for all.
    evenDamaged_->setVisible(cut && !asks);
    size_t rest = report ? use_.writing.lastReport()->failed + use_.writing.lastReport()->left : 0;
    retry_->setVisible(rest > 0 && !asks && !stale && !cut);
    retry_->setText(report && use_.writing.lastReport()->left > 0 ? tr("Write the rest") : tr("Retry"));
    drop_->setVisible(!report);
    dropAll_->setVisible(!report);
    takeBack_->setVisible(report && use_.writing.lastReport()->done > 0);
    showFolder_->setVisible(report);
    takeBackThese_->setVisible(false);
    back_->setVisible(report);
    if (report)
        showReport();
    else
        showDrafts();
}

/// The files that have drafts: sleeve by sleeve as on the bench, in a sleeve by disc, track and name; then
/// the others by their places.
std::vector<FilePtr> ReviewPage::inReadingOrder() const {
    std::unordered_map<FileId, size_t> sleeveOf;
    for (size_t i = 0; i < use_.sleeves.all().size(); ++i)
        for (FileId id : use_.sleeves.all()[i].files)
            sleeveOf.emplace(id, i);
    struct Placed {
        size_t sleeve;
        long disc, track;
        FilePtr file;
    };
    std::vector<Placed> all;
    for (const auto& [id, fields] : use_.drafts.session().all())
        if (FilePtr f = use_.files.file(id)) {
            auto sleeve = sleeveOf.find(id);
            auto number = [&](const char* key) {
                return std::strtol(tags::firstValue(f->tags.fields, key).c_str(), nullptr, 10);
            };
            all.push_back(
                {sleeve == sleeveOf.end() ? SIZE_MAX : sleeve->second, number("disc"), number("track"), f});
        }
    std::sort(all.begin(), all.end(), [](const Placed& a, const Placed& b) {
        if (a.sleeve == SIZE_MAX || a.sleeve != b.sleeve)
            return std::tie(a.sleeve, a.file->path) < std::tie(b.sleeve, b.file->path);
        return std::tie(a.disc, a.track, a.file->path) < std::tie(b.disc, b.track, b.file->path);
    });
    std::vector<FilePtr> out;
    for (const Placed& p : all)
        out.push_back(p.file);
    return out;
}

void ReviewPage::showDrafts() {
    tree_->setHeaderLabels({tr("File and field"), tr("Will be"), tr("Is now"), tr("Where it comes from")});
    tree_->setUpdatesEnabled(false);
    int scroll = tree_->verticalScrollBar()->value();
    tree_->clear();
    const auto& c = theme::colours();
    QFont bold = theme::uiFont(13, QFont::DemiBold);
    int drafts = 0;
    for (const FilePtr& f : inReadingOrder()) {
        const FileId id = f->id;
        const auto& fields = use_.drafts.session().of(id);
        auto* parent = new QTreeWidgetItem(tree_);
        parent->setText(What, shownName(f->path));
        parent->setFont(What, theme::monoFont());
        parent->setToolTip(What, shownPath(f->path));
        parent->setText(Present, use_.shelves.placeText(f->path.parent_path()));
        parent->setToolTip(Present, shownPath(f->path.parent_path()));
        parent->setFont(Present, theme::monoFont());
        parent->setForeground(Present, c.third);
        parent->setData(What, fileRole, static_cast<qlonglong>(id));
        std::vector<std::string> keys;
        for (const auto& [key, draft] : fields)
            keys.push_back(key);
        for (const std::string& key : inTableOrder(keys)) {
            const library::Draft& draft = fields.find(key)->second;
            auto* item = new QTreeWidgetItem(parent);
            item->setData(What, fileRole, static_cast<qlonglong>(id));
            item->setData(What, fieldRole, qs(key));
            item->setText(Origin, spoken(draft.origin));
            item->setForeground(Origin, c.second);
            item->setForeground(Future, c.heather);
            item->setFont(Future, bold);
            if (key == library::placeKey) {
                const placing::Placement* p = use_.places.places().of(id);
                const auto mode = bench::PlaceWish::fromValues(draft.values).mode;
                item->setText(What, mode == bench::PlaceWish::Mode::Copy     ? tr("Copy to")
                                    : mode == bench::PlaceWish::Mode::Rename ? tr("Rename to")
                                                                             : tr("Move to"));
                item->setText(Present, use_.shelves.placeText(f->path));
                item->setFont(Future, theme::monoFont());
                item->setFont(Present, theme::monoFont());
                if (p && p->moves()) {
                    item->setText(Future, use_.shelves.placeText(p->to));
                } else {
                    QStringList why;
                    if (p)
                        for (const placing::Mark& m : p->marks)
                            why << spoken(m.text);
                    item->setText(Future, tr("stays: %1")
                                              .arg(why.isEmpty() ? tr("no place could be worked out")
                                                                 : why.join(", ")));
                    item->setForeground(Future,
                                        p && p->mark(placing::MarkKind::InPlace) ? c.second : c.rowan);
                }
            } else if (tags::isPictureKey(key)) {
                ++drafts;
                const std::string type = tags::pictureTypeOf(key);
                auto ofType = [&](std::vector<tags::PictureInfo> pictures) {
                    std::erase_if(pictures, [&](const auto& p) { return p.type != type; });
                    return PictureCell{std::move(pictures), use_.pictures.folder(), f->path};
                };
                const PictureCell after = ofType(use_.drafts.session().pictures(id));
                item->setText(What, fieldLabel(key));
                setPictures(item, Future, after);
                setPictures(item, Present, ofType(f->tags.pictures));
                if (ofType(f->tags.pictures).pictures.empty())
                    item->setForeground(Present, c.third);
                if (const std::string why = tags::whyNotHeld(f->tags.format, type, after.pictures);
                    !why.empty()) {
                    item->setText(Origin, spoken(why));
                    item->setForeground(Origin, c.rowan);
                    item->setToolTip(Origin, spoken(why));
                }
            } else {
                ++drafts;
                QString before = qs(tags::shownValue(f->tags.fields, key)),
                        after = qs(tags::shownValues(draft.values));
                item->setText(What, fieldLabel(key));
                item->setText(Future, after.isEmpty() ? tr("blank") : after);
                item->setText(Present, before.isEmpty() ? tr("blank") : before);
                if (before.isEmpty())
                    item->setForeground(Present, c.third);
            }
            for (int column : {Future, Present})
                item->setToolTip(column, item->text(column));
            if (key == library::placeKey)
                item->setToolTip(Present, shownPath(f->path));
        }
    }
    tree_->expandAll();
    tree_->verticalScrollBar()->setValue(scroll);
    tree_->setUpdatesEnabled(true);
    auto moves = static_cast<int>(use_.places.places().moving());
    const auto& drafted = use_.drafts.session().all();
    auto files = static_cast<int>(drafted.size());
    const auto changed = std::count_if(drafted.begin(), drafted.end(), [](const auto& of) {
        return of.second.size() > of.second.count(library::placeKey);
    });
    title_->setText(tr("Review"));
    QStringList parts;
    if (drafts > 0)
        parts << tr("%1 in %2")
                     .arg(tr("%n draft(s)", "", drafts), tr("%n file(s)", "", static_cast<int>(changed)));
    if (moves > 0)
        parts << tr("%n file(s) to move", "", moves);
    note_->setText(files == 0 ? QString()
                              : tr("%1. Nothing is written yet; all of it can be taken back afterwards.")
                                    .arg(parts.join(", ")));
    const library::HistoryUse& history = use_.journal.use();
    banner_->setVisible(files > 0 && !history.next.empty());
    if (!history.next.empty())
        setBanner(
            tr("The journal is full. With this write the %n oldest set(s), until %1, can no longer be taken "
               "back. Settings can give the journal more room.",
               "", static_cast<int>(history.next.size()))
                .arg(QLocale().toString(QDateTime::fromSecsSinceEpoch(history.next.back().when).date(),
                                        QLocale::ShortFormat)),
            "banner");
    empty_->setTexts(tr("There are no drafts"),
                     tr("What you type or take on the bench shows up here before anything is written."));
    stack_->setCurrentIndex(files == 0 ? 1 : 0);
    drop_->setEnabled(!tree_->selectedItems().isEmpty());
    dropAll_->setEnabled(files > 0);
}

void ReviewPage::setBanner(const QString& text, const char* look) {
    banner_->setText(text);
    banner_->setObjectName(look);
    banner_->style()->unpolish(banner_);
    banner_->style()->polish(banner_);
}

void ReviewPage::dropChosen() {
    if (use_.writing.lastReport())
        return;
    std::vector<std::pair<FileId, std::string>> which;
    for (QTreeWidgetItem* item : tree_->selectedItems()) {
        FileId id = item->data(What, fileRole).toLongLong();
        QString field = item->data(What, fieldRole).toString();
        if (!field.isEmpty())
            which.emplace_back(id, ss(field));
        else
            for (const auto& [key, draft] : use_.drafts.session().of(id))
                which.emplace_back(id, key);
    }
    use_.drafts.session().drop(ss(tr("Drop drafts")), which);
}

} // namespace moorfrost::app
