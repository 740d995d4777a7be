// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/bring_in_page.h"

#include <QCheckBox>
#include <QFileDialog>
#include <QHeaderView>
#include <QMenu>
#include <QSplitter>
#include <QVBoxLayout>

#include "app/bench/discs/disc_dialog.h"
#include "app/bench/gather_dialog.h"
#include "app/bench/kinds_dialog.h"
#include "app/bench/mend_text_dialog.h"
#include "app/library/check_files_dialog.h"
#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/controls.h"
#include "app/widgets/file_details.h"

namespace moorfrost::app {

BringInPage::BringInPage(const Uses& use, QWidget* parent) : QWidget(parent), use_(use) {
    auto* tools = new QHBoxLayout;
    auto* add = button(tr("Add folder\u2026"));
    auto* files = button(tr("Add files\u2026"));
    auto* gather = button(tr("Gather\u2026"));
    gather->setToolTip(tr("Picks all sound of some formats out of a folder, however deep"));
    auto* discs = button(tr("Discs\u2026"));
    discs->setToolTip(tr("Reads the tables of discs, and makes files of their tracks"));
    recent_ = button(tr("Recent folders \u25BE"));
    recent_->setMenu(new QMenu(recent_));
    subfolders_ = new QCheckBox(tr("with the folders inside"));
    subfolders_->setChecked(true);
    resort_ = button(tr("Sort into sleeves again"));
    resort_->setToolTip(tr("Puts files together by folder, album and album artist, drafts included"));
    tools->addWidget(flowing({add, files, gather, discs, recent_, subfolders_}), 1);
    tools->addWidget(resort_, 0, Qt::AlignTop);

    model_ = new FolderModel({use_.shelves, use_.kinds, use_.duplicates}, this);
    tree_ = new QTreeView;
    tree_->setModel(model_);
    tree_->setAccessibleName(tr("Folders and files"));
    prepareTree(tree_);
    tree_->header()->resizeSection(FolderModel::Name, 256);
    tree_->header()->resizeSection(FolderModel::Length, 58);
    tree_->header()->resizeSection(FolderModel::Kind, 118);
    tree_->header()->resizeSection(FolderModel::Size, 72);
    tree_->setDragEnabled(true);
    tree_->setDragDropMode(QAbstractItemView::DragOnly);
    connect(model_, &QAbstractItemModel::rowsInserted, tree_,
            [this](const QModelIndex& parent, int first, int last) {
                for (int row = first; row <= last && !parent.isValid(); ++row)
                    tree_->expand(model_->index(row, 0));
            });
    remember(tree_->header(), "bring in 2");
    tree_->setContextMenuPolicy(Qt::CustomContextMenu);
    empty_ = new EmptyHint("bringin", tr("Bring in the files to be worked on"),
                           tr("Add a folder, or drop folders and files anywhere on this window. Nothing is "
                              "changed by bringing in: "
                              "Moorfrost only reads."),
                           tr("Add folder\u2026"));
    empty_->button()->setObjectName("accent");
    stack_ = new QStackedWidget;
    stack_->setObjectName("panel");
    stack_->addWidget(empty_);
    details_ = new FileDetails(
        {use_.index, use_.standards, use_.shelves, use_.journal, use_.recordings, use_.releases});
    auto* splitter = new QSplitter;
    splitter->addWidget(tree_);
    splitter->addWidget(details_);
    splitter->setStretchFactor(0, 1);
    splitter->setCollapsible(0, false);
    splitter->setSizes({700, 246});
    remember(splitter, "bring in");
    stack_->addWidget(splitter);

    auto* bottom = new QHBoxLayout;
    found_ = label({}, "");
    formats_ = new ShortLabel; // it gives way to the sleeves
    formats_->setObjectName("quiet");
    attention_ = label({}, "attention");
    wrong_ = label({}, "wrong");
    bottom->addWidget(found_);
    bottom->addWidget(formats_, 1);
    bottom->addWidget(attention_);
    bottom->addWidget(wrong_);
    kinds_ = button({});
    kinds_->setObjectName("kinds");
    kinds_->setToolTip(tr("Files that do not seem to be music: speech, idents, effects, tones"));
    bottom->addWidget(kinds_);
    auto* check = button(tr("Check files\u2026"));
    check->setToolTip(tr("Whether the files are whole, and still the ones they were"));
    bottom->addWidget(check);

    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addWidget(bar("tools", tools));
    layout->addWidget(stack_, 1);
    bottom_ = bar("bottom", bottom, 40);
    layout->addWidget(bottom_);

    connect(add, &QPushButton::clicked, this, &BringInPage::addFolder);
    connect(empty_->button(), &QPushButton::clicked, this, &BringInPage::addFolder);
    connect(empty_->addButton(tr("Try it with sample files\u2026")), &QPushButton::clicked, this,
            &BringInPage::samplesWanted);
    connect(files, &QPushButton::clicked, this, &BringInPage::addFiles);
    connect(gather, &QPushButton::clicked, this, &BringInPage::gather);
    connect(discs, &QPushButton::clicked, this, &BringInPage::readDiscs);
    connect(resort_, &QPushButton::clicked, &use_.batch, &BatchController::sortAnew);
    connect(recent_->menu(), &QMenu::aboutToShow, this, &BringInPage::fillRecent);
    connect(tree_, &QTreeView::customContextMenuRequested, this, &BringInPage::showMenu);
    connect(check, &QPushButton::clicked, this, &BringInPage::checkFiles);
    connect(&use_.along, &AlongFiles::changed, this, [this] {
        model_->setAlong(use_.along.folders());
        refresh();
    });
    connect(kinds_, &QPushButton::clicked, this, &BringInPage::confirmKinds);
    auto repaint = [this] { tree_->viewport()->update(); };
    connect(&use_.kinds, &ContentKinds::changed, this, [this, repaint] {
        refresh();
        repaint();
    });
    connect(&use_.duplicates, &Duplicates::changed, this, repaint);
    connect(tree_->selectionModel(), &QItemSelectionModel::selectionChanged, this, &BringInPage::showDetails);
    connect(details_, &FileDetails::mendTextWanted, this, &BringInPage::mendText);
    connect(tree_, &QTreeView::activated, this, [this](const QModelIndex& index) {
        if (FilePtr f = model_->fileAt(index))
            emit playRequested(f->id);
    });
}

void BringInPage::addFolder() {
    QStringList recent = use_.bringIn.recentFolders();
    QString dir = QFileDialog::getExistingDirectory(this, tr("Bring in a folder"),
                                                    recent.isEmpty() ? QString() : recent.front());
    if (!dir.isEmpty())
        use_.bringIn.start({Path(ss(dir))}, subfolders_->isChecked());
}

void BringInPage::addFiles() {
    std::vector<Path> paths;
    for (const QString& f : QFileDialog::getOpenFileNames(this, tr("Bring in files")))
        paths.emplace_back(ss(f));
    use_.bringIn.start(paths, false);
}

void BringInPage::gather() {
    GatherDialog({use_.jobs, use_.bringIn}, this).exec();
}

void BringInPage::readDiscs() {
    if (!discs_)
        discs_ = new DiscDialog({use_.discs, use_.rips, use_.driveOffsets, use_.worse, use_.discPictures,
                                 use_.shelves, use_.settings},
                                this);
    discs_->show();
    discs_->raise();
    discs_->activateWindow();
}

bool BringInPage::withSubfolders() const {
    return subfolders_->isChecked();
}

void BringInPage::fillRecent() {
    recent_->menu()->clear();
    for (const QString& folder : use_.bringIn.recentFolders())
        recent_->menu()->addAction(
            folder, [this, folder] { use_.bringIn.start({Path(ss(folder))}, subfolders_->isChecked()); });
    if (recent_->menu()->isEmpty())
        recent_->menu()->addAction(tr("None yet"))->setEnabled(false);
}

void BringInPage::setSleeves(const std::vector<const SleeveView*>& sleeves) {
    std::vector<FolderModel::Group> groups;
    groups.reserve(sleeves.size());
    for (const SleeveView* s : sleeves)
        groups.push_back({s->key, s->version, [this, s] {
                              std::vector<FilePtr> files;
                              for (FileId id : s->files)
                                  if (FilePtr f = use_.files.file(id))
                                      files.push_back(std::move(f));
                              return files;
                          }});
    model_->setAlong(use_.along.folders());
    model_->setGroups(groups);
    refresh();
}

void BringInPage::refresh() {
    bool none = use_.sleeves.all().empty();
    stack_->setCurrentIndex(none ? 0 : 1);
    bottom_->setVisible(!none);
    resort_->setVisible(!none);
    const FolderModel::Totals& t = model_->totals();
    showDetails();
    const QString count = tr("%n file(s)", "", t.files);
    QStringList found{count};
    if (isWide())
        found << shownSize(t.bytes);
    if (isWide() && t.along > 0)
        found << tr("%n other(s) beside them", "", t.along);
    found_->setText(found.join(", "));
    QStringList formats;
    for (const auto& [format, n] : t.formats)
        formats << QString("%1 %2").arg(n).arg(qs(format));
    formats_->setText(formats.join("  "));
    QStringList notes;
    if (t.untagged > 0 && isWide())
        notes << tr("%n without tags", "", t.untagged);
    if (t.attention > 0)
        notes << tr("%n to look at", "", t.attention);
    attention_->setText(notes.join("  "));
    const auto kinds = static_cast<int>(use_.kinds.proposals().size());
    kinds_->setVisible(kinds > 0 || use_.kinds.unheard() > 0);
    kinds_->setText(kinds == 0 ? tr("Kinds\u2026")
                    : isWide() ? tr("%n kind(s) to confirm\u2026", "", kinds)
                               : tr("%n kind(s)\u2026", "", kinds));
    wrong_->setText(t.wrong == 0 ? QString()
                    : isWide()   ? tr("%n damaged or unreadable", "", t.wrong)
                                 : tr("%n damaged", "", t.wrong));
}

void BringInPage::resizeEvent(QResizeEvent* event) {
    QWidget::resizeEvent(event);
    // In a narrow window what was found matters more than its details.
    for (auto c : {FolderModel::Kind, FolderModel::Size})
        tree_->setColumnHidden(c, !isWide());
    if (details_->isVisibleTo(this) == isWide())
        return;
    details_->setVisible(isWide());
    formats_->setVisible(isWide());
    refresh();
}

std::vector<FileId> BringInPage::chosen() const {
    std::vector<FileId> ids;
    std::set<FileId> seen;
    for (const QModelIndex& row : tree_->selectionModel()->selectedRows())
        for (const FilePtr& f : model_->filesAt(row))
            if (seen.insert(f->id).second)
                ids.push_back(f->id);
    return ids;
}

void BringInPage::removeChosen() {
    use_.batch.removeFiles(chosen());
}

void BringInPage::showDetails() {
    std::vector<FileId> ids = chosen();
    details_->showFile(ids.empty() ? nullptr : use_.files.file(ids.front()),
                       std::max(0, static_cast<int>(ids.size()) - 1));
}

void BringInPage::mendText() {
    // What is wrong in one file is mostly wrong in its neighbours: all that are shown are looked at.
    MendTextDialog({use_.files, use_.drafts}, model_->files(), this).exec();
}

void BringInPage::checkFiles() {
    if (CheckFilesDialog::showAgain(checks_))
        return;
    std::vector<FileId> ids = chosen();
    bool some = !ids.empty();
    if (!some)
        ids = model_->files();
    const auto count = static_cast<int>(ids.size());
    delete checks_;
    checks_ = new CheckFilesDialog(
        {use_.messages, use_.jobs, use_.library}, use_.files.pathsOf(ids),
        some ? tr("the %n selected file(s)", "", count) : tr("the %n file(s) shown", "", count), this);
    checks_->exec();
}

void BringInPage::confirmKinds() {
    KindsDialog dialog({use_.files, use_.kinds}, this);
    connect(&dialog, &KindsDialog::playRequested, this, &BringInPage::playRequested);
    dialog.exec();
}

void BringInPage::showMenu(const QPoint& at) {
    QMenu menu(this);
    FilePtr file = model_->fileAt(tree_->indexAt(at));
    const FileId id = file ? file->id : 0;
    menu.addAction(tr("Play"), [this, id] { emit playRequested(id); })->setEnabled(id > 0);
    menu.addAction(tr("Check files\u2026"), this, &BringInPage::checkFiles);
    menu.addAction(tr("Mend the text\u2026"), this, &BringInPage::mendText);
    addKindMenu(menu, use_.kinds, chosen());
    menu.addSeparator();
    emit menuOpens(menu);
    menu.addSeparator();
    menu.addAction(tr("Remove from the batch (the files stay as they are)"), [this] { removeChosen(); })
        ->setEnabled(!chosen().empty());
    menu.exec(tree_->viewport()->mapToGlobal(at));
}

std::vector<FileId> BringInPage::filesInSight() const {
    return model_->files();
}

} // namespace moorfrost::app
