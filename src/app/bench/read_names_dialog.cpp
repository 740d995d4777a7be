// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/read_names_dialog.h"

#include <algorithm>
#include <mutex>

#include <QHeaderView>
#include <QKeyEvent>
#include <QPainter>
#include <QStyledItemDelegate>
#include <QVBoxLayout>

#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/chip_editor.h"
#include "app/widgets/controls.h"
#include "app/widgets/paint.h"
#include "app/widgets/sheet.h"

namespace moorfrost::app {

namespace {
const char* const shippedPlans[] = {
    "{artist} - {title}",
    "{position} {title}",
    "{artist}/{album}/{position} {title}",
    "{artist}/{album}/CD{disc}/{track} {title}",
    "{album}/{position} - {title}",
    "{skip} - {title}",
};
constexpr int resultRole = Qt::UserRole + 2;
constexpr int factsRole = Qt::UserRole + 3; // of a way: how well it fits
constexpr int firstRole = Qt::UserRole + 4; // and what it gives first
constexpr int ownRole = Qt::UserRole + 5;   // made by hand

/// A way to read names: the plan, how many files it fits, and what the first becomes.
class WayDelegate : public QStyledItemDelegate {
public:
    using QStyledItemDelegate::QStyledItemDelegate;
    QSize sizeHint(const QStyleOptionViewItem&, const QModelIndex&) const override { return {200, 68}; }
    void paint(QPainter* p, const QStyleOptionViewItem& option, const QModelIndex& index) const override {
        const auto& c = theme::colours();
        const bool chosen = option.state & QStyle::State_Selected;
        paint::listRow(*p, option.rect, chosen, option.state & QStyle::State_HasFocus);
        const paint::Mirror side(*p, option.rect);
        const QRect room = side(option.rect.adjusted(14, 7, -10, -7));
        const bool plan = index.row() > 0;
        auto line = [&](int n, const QFont& font, const QColor& colour, const QString& text) {
            p->setFont(font);
            p->setPen(colour);
            const QRect at(room.left(), room.top() + n * 18, room.width(), 18);
            p->drawText(at, Qt::AlignVCenter | Qt::AlignLeft,
                        p->fontMetrics().elidedText(text, Qt::ElideRight, at.width()));
        };
        line(0, plan ? theme::monoFont() : theme::uiFont(13, QFont::DemiBold), c.ink,
             index.data().toString());
        line(1, theme::uiFont(12), c.second, index.data(factsRole).toString());
        line(2, theme::uiFont(12), c.third, index.data(firstRole).toString());
    }
};
} // namespace

/// Who is known already: made once, by the first job that needs it. Jobs run one after the other or not, so
/// the list is made under a lock and never changed after that.
struct ReadNamesDialog::Artists {
    std::shared_ptr<const library::Searcher> library;
    std::map<std::string, size_t> batch; // and how often

    const naming::KnownNames& known() {
        make();
        return known_;
    }
    const std::set<std::string>& folded() {
        make();
        return folded_;
    }

private:
    void make() {
        std::call_once(once_, [this] {
            constexpr size_t most = 50000;
            // What the library calls them first: that spelling is taken.
            if (library)
                for (const char* key : {"album_artist", "artist"})
                    for (const library::FacetValue& v : library->facet(library->all(), key, most))
                        known_.add(v.value);
            // Of several spellings the most frequent; shouting loses.
            std::vector<std::pair<std::string, size_t>> names(batch.begin(), batch.end());
            std::ranges::stable_sort(names, [](const auto& a, const auto& b) {
                const bool loudA = text::upper(a.first) == a.first, loudB = text::upper(b.first) == b.first;
                return loudA != loudB ? loudB : a.second > b.second;
            });
            for (const auto& [name, count] : names)
                known_.add(name);
            known_.eachFolded([this](const std::string& v) { folded_.insert(v); });
        });
    }
    std::once_flag once_;
    naming::KnownNames known_;
    std::set<std::string> folded_;
};

struct ReadNamesDialog::Reading {
    bool freely = false;
    naming::Plan plan;
    std::vector<Path> paths;
    std::vector<naming::NameReading> results;
};

ReadNamesDialog::ReadNamesDialog(const Uses& use, std::vector<FileId> files, QWidget* parent,
                                 const std::vector<std::string>& artists)
    : QDialog(parent), use_(use), files_(std::move(files)) {
    setWindowTitle(tr("Read from names"));
    resize(1120, 640);
    artists_ = std::make_shared<Artists>();
    artists_->library = use_.index.searcher();
    for (const std::string& name : artists)
        ++artists_->batch[name];
    for (FileId id : use_.sleeves.files())
        for (std::string& v : use_.drafts.session().effective(id, "artist"))
            ++artists_->batch[std::move(v)];

    ways_ = new QListWidget;
    ways_->setObjectName("ways");
    ways_->setItemDelegate(new WayDelegate(ways_));
    ways_->setVerticalScrollMode(QAbstractItemView::ScrollPerPixel);
    ways_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    ways_->setAccessibleName(tr("Ways to read the names"));
    auto* waysHead = label(tr("Ways to read them"), "caption");
    waysHead->setContentsMargins(14, 12, 12, 8);
    auto* left = new QFrame;
    left->setObjectName("panel");
    left->setMinimumWidth(240);
    auto* leftLayout = new QVBoxLayout(left);
    leftLayout->setContentsMargins(0, 0, 0, 0);
    leftLayout->setSpacing(0);
    leftLayout->addWidget(waysHead);
    leftLayout->addWidget(ways_, 1);

    auto* head = new QVBoxLayout;
    head->setContentsMargins(16, 12, 16, 10);
    head->setSpacing(6);
    head->addWidget(label(tr("The names are made like this"), "caption"));
    each_ =
        label(tr("Each folder has names of its own: they are read by what they have in common, and by who is "
                 "known. A plan on the left reads all of them alike, and can be changed."),
              "quiet");
    each_->setWordWrap(true);
    head->addWidget(each_);
    editor_ = new ChipEditor;
    editor_->setCustomFields(use_.customFields.keys());
    head->addWidget(editor_);
    error_ = label({}, "wrong");
    error_->setWordWrap(true);
    head->addWidget(error_);
    auto* headBox = new QFrame;
    headBox->setObjectName("head");
    headBox->setLayout(head);

    tree_ = new QTreeWidget;
    tree_->setRootIsDecorated(false);
    tree_->setAccessibleName(tr("What is read from every name"));
    tree_->installEventFilter(this);
    auto* right = new QWidget;
    auto* rightLayout = new QVBoxLayout(right);
    rightLayout->setContentsMargins(0, 0, 0, 0);
    rightLayout->setSpacing(0);
    rightLayout->addWidget(headBox);
    rightLayout->addWidget(tree_, 1);
    const TakeBar foot = twoParts(this, left, right, {290, 830}, "read names");
    summary_ = foot.summary;
    take_ = foot.take;

    showWays({});
    connect(editor_, &ChipEditor::changed, this, [this] {
        freely_ = false;
        markWay();
        readAgain();
    });
    connect(ways_, &QListWidget::currentRowChanged, this, &ReadNamesDialog::choose);
    connect(take_, &QPushButton::clicked, this, &ReadNamesDialog::take);
    connect(tree_, &QTreeWidget::itemChanged, this, &ReadNamesDialog::countTicked);
    readAgain();
    suggest();
    tree_->setFocus();
}

void ReadNamesDialog::suggest() {
    std::vector<std::string> usual;
    auto add = [&](std::string plan) {
        if (!plan.empty() && std::ranges::find(usual, plan) == usual.end())
            usual.push_back(std::move(plan));
    };
    add(use_.settings.get(library::settings::lastNamePlan));
    for (const std::string& line : use_.settings.get(library::settings::plans)) // "name TAB plan"
        add(ss(qs(line).section('\t', 1)));
    for (const char* plan : shippedPlans)
        add(plan);
    auto found = std::make_shared<std::vector<naming::PlanSuggestion>>();
    std::vector<Path> paths;
    for (FileId id : files_)
        paths.push_back(use_.files.file(id) ? use_.files.file(id)->path : Path());
    use_.jobs.start(
        this, {ss(tr("Looking for plans"))},
        [found, usual, paths, artists = artists_](std::stop_token stop, work::Progress&) -> Status {
            *found = naming::suggestPlans(paths, artists->known(), usual, stop);
            return Done{};
        },
        [this, found](const Status& ended) {
            suggested_ = true;
            if (ended)
                showWays(*found);
        });
}

void ReadNamesDialog::showWays(const std::vector<naming::PlanSuggestion>& plans) {
    const QSignalBlocker quiet(ways_);
    ways_->clear();
    auto* each = new QListWidgetItem(tr("Each folder by itself"), ways_);
    each->setData(factsRole, tr("as its names are best read"));
    for (const naming::PlanSuggestion& plan : plans) {
        auto* item = new QListWidgetItem(qs(plan.plan), ways_);
        item->setData(Qt::UserRole, qs(plan.plan));
        item->setToolTip(qs(plan.plan));
        QString facts = tr("fits %1 of %2").arg(plan.fits).arg(files_.size());
        if (plan.doubtful > 0)
            facts += " \u00B7 " + tr("%1 in doubt").arg(plan.doubtful);
        item->setData(factsRole, facts);
        QStringList first;
        for (const std::string& key : inTableOrder([&] {
                 std::vector<std::string> keys;
                 for (const auto& [k, v] : plan.sample.values)
                     keys.push_back(k);
                 return keys;
             }()))
            first << qs(tags::shownValue(plan.sample.values, key));
        item->setData(firstRole, first.join(" \u00B7 "));
    }
    markWay();
}

void ReadNamesDialog::markWay() {
    const QSignalBlocker quiet(ways_);
    const QString plan = freely_ ? QString() : editor_->text();
    QListWidgetItem* own = nullptr;
    for (int i = 0; i < ways_->count(); ++i) {
        QListWidgetItem* way = ways_->item(i);
        if (way->data(ownRole).toBool())
            own = way;
        else if (way->data(Qt::UserRole).toString() == plan) {
            ways_->setCurrentItem(way);
            delete own;
            return;
        }
    }
    // A plan of the user's own has its place in the list, too: one way is always the current one.
    if (!own) {
        own = new QListWidgetItem;
        own->setData(ownRole, true);
        ways_->insertItem(1, own);
    }
    own->setText(plan.isEmpty() ? tr("(no plan yet)") : plan);
    own->setData(Qt::UserRole, plan);
    own->setData(factsRole, tr("your own"));
    ways_->setCurrentItem(own);
}

void ReadNamesDialog::choose(int way) {
    if (way == 0) {
        freely_ = true;
        readAgain();
    } else if (way > 0 && !ways_->item(way)->data(ownRole).toBool()) {
        editor_->setText(ways_->item(way)->data(Qt::UserRole).toString());
    }
}

void ReadNamesDialog::setPlan(const QString& plan) {
    editor_->setText(plan);
}

void ReadNamesDialog::readAgain() {
    auto plan = editor_->plan();
    const QString wrong = freely_ ? QString() : editor_->error();
    each_->setVisible(freely_);
    editor_->setVisible(!freely_);
    error_->setText(wrong);
    error_->setVisible(!wrong.isEmpty());
    take_->setEnabled(false); // until what is shown is what this plan gives
    if (!freely_ && !plan)
        return; // the last good result stays in sight
    auto reading = std::make_shared<Reading>();
    reading->freely = freely_;
    if (!freely_)
        reading->plan = *plan;
    for (FileId id : files_)
        reading->paths.push_back(use_.files.file(id) ? use_.files.file(id)->path : Path());
    const int run = ++run_;
    use_.jobs.start(
        this, {ss(tr("Reading names"))},
        [reading, artists = artists_](std::stop_token stop, work::Progress&) -> Status {
            reading->results = reading->freely
                                   ? naming::readFreely(reading->paths, artists->known(), stop)
                                   : naming::readNames(reading->plan, reading->paths, artists->folded());
            return Done{};
        },
        [this, run, reading](const Status& read) {
            if (run == run_ && read)
                showReading(*reading);
        });
}

void ReadNamesDialog::showReading(const Reading& reading) {
    shownRun_ = run_;
    readings_ = reading.results;
    const std::vector<Path>& paths = reading.paths;
    keys_.clear();
    if (reading.freely) {
        std::set<std::string> told;
        for (const naming::NameReading& r : readings_)
            for (const auto& [key, values] : r.values)
                told.insert(key);
        keys_ = inTableOrder({told.begin(), told.end()});
    } else {
        for (const std::string& key : reading.plan.keys())
            if (key == naming::positionFact) {
                for (const char* part : {"disc", "track"})
                    if (std::ranges::any_of(readings_,
                                            [&](const auto& r) { return r.values.contains(part); }))
                        keys_.push_back(part);
            } else if (!naming::isFact(key)) {
                keys_.push_back(key);
            }
    }
    QStringList headers{tr("File")};
    for (const std::string& key : keys_)
        headers << columnLabel(key);
    headers << tr("Why not, or what is in doubt");
    const QSignalBlocker quiet(tree_);
    tree_->clear();
    tree_->setColumnCount(static_cast<int>(headers.size()));
    prepareTree(tree_, headers);
    const size_t folders = reading.freely ? 0 : reading.plan.folderCount();
    // What has to be looked at comes first, the rest in the order of the files.
    std::vector<size_t> order(files_.size());
    for (size_t i = 0; i < order.size(); ++i)
        order[i] = i;
    std::ranges::stable_sort(order, {},
                             [&](size_t i) { return readings_[i].fits && readings_[i].doubtful ? 0 : 1; });
    QList<QTreeWidgetItem*> items;
    for (size_t i : order) {
        const naming::NameReading& r = readings_[i];
        auto* item = new QTreeWidgetItem;
        Path shown = paths[i].filename(), folder = paths[i].parent_path();
        for (size_t k = 0; k < folders; ++k, folder = folder.parent_path())
            shown = folder.filename() / shown;
        item->setText(0, shownPath(shown));
        item->setToolTip(0, shownPath(paths[i]));
        item->setFont(0, theme::monoFont());
        item->setData(0, resultRole, static_cast<qulonglong>(i));
        FilePtr f = use_.files.file(files_[i]);
        bool usable = r.fits && f && f->writable();
        item->setCheckState(0, usable && !r.doubtful ? Qt::Checked : Qt::Unchecked);
        if (!usable)
            item->setFlags(Qt::ItemIsSelectable | Qt::ItemIsEnabled);
        showRow(item);
        items << item;
    }
    tree_->addTopLevelItems(items);
    tree_->header()->resizeSection(0, 250);
    for (int c = 1; c <= static_cast<int>(keys_.size()); ++c) {
        const tags::FieldDef* def = tags::fieldByKey(keys_[static_cast<size_t>(c - 1)]);
        tree_->header()->resizeSection(c, def && def->kind == tags::FieldKind::Number ? 52
                                          : def && def->kind == tags::FieldKind::Date ? 70
                                                                                      : 140);
    }
    countTicked();
}

void ReadNamesDialog::showRow(QTreeWidgetItem* item) {
    const auto at = item->data(0, resultRole).toULongLong();
    const naming::NameReading& r = readings_[at];
    const FilePtr f = use_.files.file(files_[at]);
    const auto& c = theme::colours();
    int column = 1;
    for (const std::string& key : keys_) {
        const QString value = qs(tags::shownValue(r.values, key));
        item->setText(column, value);
        item->setToolTip(column, value);
        item->setForeground(column, r.doubtful ? c.lichen : c.ink);
        ++column;
    }
    QString why = spoken(r.why);
    if (r.fits && f && !f->writable())
        why = tr("This file is damaged and will not be written to.");
    else if (r.doubtful && !r.other.empty())
        why = tr("%1 % sure. %2").arg(static_cast<int>(r.certainty * 100)).arg(why);
    item->setText(column, why);
    item->setToolTip(column, why);
    item->setForeground(column, r.fits ? c.lichen : c.rowan);
    item->setIcon(column, why.isEmpty() ? QIcon() : theme::icon("attention", r.fits ? c.lichen : c.rowan));
    item->setForeground(0, r.fits ? c.ink : c.third);
}

void ReadNamesDialog::settle(QTreeWidgetItem* item, int which) {
    if (!item || !(item->flags() & Qt::ItemIsUserCheckable))
        return;
    naming::NameReading& r = readings_[item->data(0, resultRole).toULongLong()];
    if (which == 2 && r.other.empty())
        return;
    if (which == 2)
        std::swap(r.values, r.other);
    r.doubtful = false;
    r.why.clear();
    {
        const QSignalBlocker quiet(tree_);
        showRow(item);
        item->setCheckState(0, which == 0 ? Qt::Unchecked : Qt::Checked);
    }
    countTicked();
    for (int i = 0, row = tree_->indexOfTopLevelItem(item); i < tree_->topLevelItemCount(); ++i) {
        QTreeWidgetItem* next = tree_->topLevelItem((row + 1 + i) % tree_->topLevelItemCount());
        const naming::NameReading& n = readings_[next->data(0, resultRole).toULongLong()];
        if (n.fits && n.doubtful) {
            tree_->setCurrentItem(next);
            return;
        }
    }
    tree_->setCurrentItem(tree_->itemBelow(item) ? tree_->itemBelow(item) : item);
}

bool ReadNamesDialog::eventFilter(QObject*, QEvent* event) {
    if (event->type() != QEvent::KeyPress)
        return false;
    auto* key = static_cast<QKeyEvent*>(event);
    const int which = key->key() == Qt::Key_1   ? 1
                      : key->key() == Qt::Key_2 ? 2
                      : key->key() == Qt::Key_0 ? 0
                                                : -1;
    if (which < 0 || key->modifiers() & ~Qt::KeypadModifier)
        return false;
    const QList<QTreeWidgetItem*> chosen = tree_->selectedItems();
    for (QTreeWidgetItem* item : chosen)
        settle(item, which);
    if (chosen.isEmpty())
        settle(tree_->currentItem(), which);
    return true;
}

void ReadNamesDialog::countTicked() {
    int ticked = 0, doubtful = 0, unfit = 0;
    for (int i = 0; i < tree_->topLevelItemCount(); ++i) {
        const naming::NameReading& r = readings_[tree_->topLevelItem(i)->data(0, resultRole).toULongLong()];
        ticked += tree_->topLevelItem(i)->checkState(0) == Qt::Checked;
        doubtful += r.fits && r.doubtful;
        unfit += !r.fits;
    }
    QStringList parts{tr("%1 of %2 files will be taken").arg(ticked).arg(files_.size())};
    if (doubtful > 0)
        parts << tr("%n in doubt: 1 takes what is read, 2 the other, 0 neither", "", doubtful);
    if (unfit > 0)
        parts << tr("%n do(es) not fit", "", unfit);
    summary_->setText(parts.join(" \u00B7 "));
    take_->setEnabled(ticked > 0 && isRead() && (freely_ || editor_->error().isEmpty()));
}

void ReadNamesDialog::take() {
    std::vector<library::DraftSession::Wish> wishes;
    if (!isRead())
        return;
    for (int i = 0; i < tree_->topLevelItemCount(); ++i) {
        if (tree_->topLevelItem(i)->checkState(0) != Qt::Checked)
            continue;
        auto at = tree_->topLevelItem(i)->data(0, resultRole).toULongLong();
        for (const auto& [key, values] : readings_[at].values)
            if (tags::whyNotValid(key, values).empty())
                wishes.push_back({files_[at], key, values});
    }
    if (!freely_)
        use_.settings.set(library::settings::lastNamePlan, ss(editor_->text()));
    use_.drafts.session().propose(ss(tr("Read from names")), wishes, ss(tr("read from the name")));
    accept();
}

} // namespace moorfrost::app
