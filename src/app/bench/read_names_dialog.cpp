// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/read_names_dialog.h"

#include <mutex>

#include <QHeaderView>
#include <QPointer>
#include <QVBoxLayout>

#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/chip_editor.h"
#include "app/widgets/controls.h"
#include "app/widgets/sheet.h"

namespace moorfrost::app {

namespace {
const char* const shippedPlans[] = {
    "{artist} - {title}",
    "{track} {title}",
    "{artist}/{album}/{track} {title}",
    "{artist}/{album}/CD{disc}/{track} {title}",
    "{album}/{track} - {title}",
    "{skip} - {title}",
};
constexpr int resultRole = Qt::UserRole + 2;
} // namespace

/// Who is known already: folded once, by the first job that needs it. Jobs run one after the other or not, so
/// the list is made under a lock and never changed after that.
struct ReadNamesDialog::Artists {
    std::shared_ptr<const library::Searcher> library;
    std::set<std::string> batch;

    const std::set<std::string>& folded() {
        std::call_once(once_, [this] {
            constexpr size_t most = 20000;
            if (library)
                for (const char* key : {"artist", "album_artist"})
                    for (const library::FacetValue& v : library->facet(library->all(), key, most))
                        folded_.insert(text::fold(v.value));
            for (const std::string& v : batch)
                folded_.insert(text::fold(v));
        });
        return folded_;
    }

private:
    std::once_flag once_;
    std::set<std::string> folded_;
};

struct ReadNamesDialog::Reading {
    naming::Plan plan;
    std::vector<Path> paths;
    std::vector<naming::NameReading> results;
};

ReadNamesDialog::ReadNamesDialog(const Uses& use, std::vector<FileId> files, QWidget* parent)
    : QDialog(parent), use_(use), files_(std::move(files)) {
    setWindowTitle(tr("Read from names"));
    resize(980, 600);
    artists_ = std::make_shared<Artists>();
    artists_->library = use_.index.searcher();
    for (FileId id : use_.sleeves.files())
        for (std::string& v : use_.drafts.session().effective(id, "artist"))
            artists_->batch.insert(std::move(v));

    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    auto* head = new QVBoxLayout;
    head->setContentsMargins(16, 12, 16, 10);
    head->setSpacing(6);
    auto* line = new QHBoxLayout;
    line->addWidget(label(tr("The names are made like this"), "caption"));
    line->addStretch();
    line->addWidget(label(tr("Ready-made plans"), "caption"));
    plans_ = new Choice;
    plans_->setAccessibleName(tr("Ready-made plans"));
    plans_->addItem(tr("choose\u2026"));
    for (const char* plan : shippedPlans)
        plans_->addItem(plan);
    line->addWidget(plans_);
    head->addLayout(line);
    editor_ = new ChipEditor;
    editor_->setCustomFields(use_.customFields.keys());
    head->addWidget(editor_);
    error_ = label({}, "wrong");
    error_->setWordWrap(true);
    head->addWidget(error_);
    auto* headBox = new QFrame;
    headBox->setObjectName("head");
    headBox->setLayout(head);
    layout->addWidget(headBox);

    tree_ = new QTreeWidget;
    tree_->setRootIsDecorated(false);
    tree_->setAccessibleName(tr("What the plan gives for every file"));
    layout->addWidget(tree_, 1);

    TakeBar foot = takeBar(this);
    summary_ = foot.summary;
    take_ = foot.take;
    layout->addWidget(foot.widget);

    connect(editor_, &ChipEditor::changed, this, &ReadNamesDialog::readAgain);
    connect(plans_, &QComboBox::activated, this, [this](int i) {
        if (i > 0)
            editor_->setText(plans_->itemText(i));
        plans_->setCurrentIndex(0);
    });
    connect(take_, &QPushButton::clicked, this, &ReadNamesDialog::take);
    connect(tree_, &QTreeWidget::itemChanged, this, &ReadNamesDialog::countTicked);

    const QString last = qs(use_.settings.get(library::settings::lastNamePlan));
    editor_->setText(last.isEmpty() ? QString(shippedPlans[0]) : last);
}

void ReadNamesDialog::setPlan(const QString& plan) {
    editor_->setText(plan);
}

void ReadNamesDialog::readAgain() {
    auto plan = editor_->plan();
    error_->setText(editor_->error());
    error_->setVisible(!editor_->error().isEmpty());
    take_->setEnabled(plan.has_value());
    if (!plan)
        return; // the last good result stays in sight
    auto reading = std::make_shared<Reading>();
    reading->plan = *plan;
    for (FileId id : files_)
        reading->paths.push_back(use_.files.file(id) ? use_.files.file(id)->path : Path());
    take_->setEnabled(false); // until what is shown is what this plan gives
    const int run = ++run_;
    use_.jobs.start(
        this, {ss(tr("Reading names"))},
        [reading, artists = artists_](std::stop_token, work::Progress&) -> Status {
            reading->results = naming::readNames(reading->plan, reading->paths, artists->folded());
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
    std::vector<std::string> keys;
    for (const std::string& key : reading.plan.keys())
        if (!naming::isFact(key))
            keys.push_back(key);
    QStringList headers{tr("File")};
    for (const std::string& key : keys)
        headers << columnLabel(key);
    headers << tr("Why not, or what is in doubt");
    tree_->blockSignals(true);
    tree_->clear();
    tree_->setColumnCount(static_cast<int>(headers.size()));
    prepareTree(tree_, headers);
    size_t folders = reading.plan.folderCount();
    for (size_t i = 0; i < files_.size(); ++i) {
        const naming::NameReading& r = readings_[i];
        auto* item = new QTreeWidgetItem(tree_);
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
        int column = 1;
        for (const std::string& key : keys) {
            QString value = qs(tags::shownValue(r.values, key));
            item->setText(column, value);
            item->setToolTip(column, value);
            if (r.doubtful)
                item->setForeground(column, theme::colours().lichen);
            ++column;
        }
        QString why = qs(r.why);
        if (r.fits && f && !f->writable())
            why = tr("This file is damaged and will not be written to.");
        item->setText(column, why);
        item->setToolTip(column, item->text(column));
        if (!why.isEmpty()) {
            item->setForeground(column, r.fits ? theme::colours().lichen : theme::colours().rowan);
            item->setIcon(
                column, theme::icon("attention", r.fits ? theme::colours().lichen : theme::colours().rowan));
        }
        if (!r.fits)
            item->setForeground(0, theme::colours().third);
    }
    tree_->header()->resizeSection(0, 320);
    for (int c = 1; c <= static_cast<int>(keys.size()); ++c) {
        const tags::FieldDef* def = tags::fieldByKey(keys[static_cast<size_t>(c - 1)]);
        tree_->header()->resizeSection(c, def && def->kind == tags::FieldKind::Number ? 60 : 170);
    }
    tree_->blockSignals(false);
    countTicked();
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
        parts << tr("%n in doubt: tick what is right", "", doubtful);
    if (unfit > 0)
        parts << tr("%n do(es) not fit", "", unfit);
    summary_->setText(parts.join(" \u00B7 "));
    take_->setEnabled(ticked > 0 && isRead() && editor_->error().isEmpty());
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
    use_.settings.set(library::settings::lastNamePlan, ss(editor_->text()));
    use_.drafts.session().propose(ss(tr("Read from names")), wishes, ss(tr("read from the name")));
    accept();
}

} // namespace moorfrost::app
