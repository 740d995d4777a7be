// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/bring_in_page.h"

#include <QCheckBox>
#include <QFileDialog>
#include <QHeaderView>
#include <QMenu>
#include <QSplitter>
#include <QVBoxLayout>

#include "app/bench/mend_text_dialog.h"
#include "app/library/check_files_dialog.h"
#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/controls.h"
#include "app/widgets/file_details.h"

namespace moorfrost::app {

namespace {

enum Column { Name, Length, Kind, Size, Note };

struct Finding {
    paint::Tone tone = paint::Tone::Neutral;
    QString text;
};

Finding findingOf(const library::FileRecord& f) {
    if (!f.readable())
        return {paint::Tone::Wrong, qs(f.error)};
    if (f.tags.damaged)
        return {paint::Tone::Wrong, BringInPage::tr("%1 It can be read, but will not be written to.")
                                        .arg(qs(text::join(f.tags.notes, " ")))};
    QStringList odd;
    for (const std::string& note : f.tags.notes)
        odd << qs(note);
    if (!f.tags.readOnly.empty())
        odd << qs(f.tags.readOnly);
    if (std::string encoding = tags::likelyEncoding(f.tags.fields); !encoding.empty())
        odd << BringInPage::tr("The text seems to be %1 that was read as Latin-1.").arg(qs(encoding));
    if (!f.tags.differences.empty())
        odd << BringInPage::tr("Its tags differ in %n field(s).", "",
                               static_cast<int>(f.tags.differences.size()));
    if (!odd.isEmpty())
        return {paint::Tone::Attention, odd.join(" ")};
    if (f.tags.fields.empty())
        return {paint::Tone::Neutral, BringInPage::tr("no tags")};
    if (!f.tags.fields.contains("title") || !f.tags.fields.contains("artist"))
        return {paint::Tone::Neutral, BringInPage::tr("half tagged: no %1")
                                          .arg(f.tags.fields.contains("title") ? BringInPage::tr("artist")
                                                                               : BringInPage::tr("title"))};
    return {paint::Tone::Good, {}};
}

} // namespace

BringInPage::BringInPage(Session& session, QWidget* parent) : QWidget(parent), session_(session) {
    auto* tools = new QHBoxLayout;
    auto* add = button(tr("Add folder\u2026"));
    auto* files = button(tr("Add files\u2026"));
    recent_ = button(tr("Recent folders \u25BE"));
    recent_->setMenu(new QMenu(recent_));
    subfolders_ = new QCheckBox(tr("with the folders inside"));
    subfolders_->setChecked(true);
    resort_ = button(tr("Sort into sleeves again"));
    resort_->setToolTip(tr("Puts files together by folder, album and album artist, drafts included"));
    tools->addWidget(flowing({add, files, recent_, subfolders_}), 1);
    tools->addWidget(resort_, 0, Qt::AlignTop);

    tree_ = new QTreeWidget;
    prepareTree(tree_, {tr("Folder and file"), tr("Length"), tr("Format"), tr("Size"), tr("What was found")});
    tree_->header()->resizeSection(Name, 300);
    tree_->header()->resizeSection(Length, 64);
    tree_->header()->resizeSection(Kind, 130);
    tree_->header()->resizeSection(Size, 76);
    for (Column c : {Length, Size})
        tree_->headerItem()->setTextAlignment(c, Qt::AlignRight | Qt::AlignVCenter);
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
    details_ = new FileDetails(session_);
    auto* splitter = new QSplitter;
    splitter->addWidget(tree_);
    splitter->addWidget(details_);
    splitter->setStretchFactor(0, 1);
    splitter->setCollapsible(0, false);
    splitter->setSizes({700, 262});
    remember(splitter, "bring in");
    stack_->addWidget(splitter);

    auto* bottom = new QHBoxLayout;
    found_ = label({}, "");
    formats_ = label({}, "quiet");
    attention_ = label({}, "attention");
    wrong_ = label({}, "wrong");
    for (QLabel* l : {found_, formats_, attention_, wrong_})
        bottom->addWidget(l);
    bottom->addStretch();
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
    connect(files, &QPushButton::clicked, this, &BringInPage::addFiles);
    connect(resort_, &QPushButton::clicked, &session_, &Session::sortIntoSleeves);
    connect(recent_->menu(), &QMenu::aboutToShow, this, &BringInPage::fillRecent);
    connect(tree_, &QTreeWidget::customContextMenuRequested, this, &BringInPage::showMenu);
    connect(check, &QPushButton::clicked, this, &BringInPage::checkFiles);
    connect(tree_, &QTreeWidget::itemSelectionChanged, this, &BringInPage::showDetails);
    connect(details_, &FileDetails::mendTextWanted, this, &BringInPage::mendText);
    connect(tree_, &QTreeWidget::itemActivated, this, [this](QTreeWidgetItem* item) {
        if (FileId id = item->data(Name, Qt::UserRole).toLongLong())
            emit playRequested(id);
    });
}

void BringInPage::addFolder() {
    QStringList recent = session_.recentFolders();
    QString dir = QFileDialog::getExistingDirectory(this, tr("Bring in a folder"),
                                                    recent.isEmpty() ? QString() : recent.front());
    if (!dir.isEmpty())
        session_.bringIn({Path(ss(dir))}, subfolders_->isChecked());
}

void BringInPage::addFiles() {
    std::vector<Path> paths;
    for (const QString& f : QFileDialog::getOpenFileNames(this, tr("Bring in files")))
        paths.emplace_back(ss(f));
    session_.bringIn(paths, false);
}

bool BringInPage::withSubfolders() const {
    return subfolders_->isChecked();
}

void BringInPage::fillRecent() {
    recent_->menu()->clear();
    for (const QString& folder : session_.recentFolders())
        recent_->menu()->addAction(
            folder, [this, folder] { session_.bringIn({Path(ss(folder))}, subfolders_->isChecked()); });
    if (recent_->menu()->isEmpty())
        recent_->menu()->addAction(tr("None yet"))->setEnabled(false);
}

void BringInPage::setFiles(std::vector<FileId> files) {
    files_ = std::move(files);
    refresh();
}

void BringInPage::refresh() {
    bool none = session_.batchFiles().empty();
    stack_->setCurrentIndex(none ? 0 : 1);
    bottom_->setVisible(!none);
    resort_->setVisible(!none);
    std::map<Path, std::vector<FilePtr>> folders;
    std::map<std::string, int> formats;
    int wrong = 0, attention = 0, untagged = 0, all = 0;
    uint64_t bytes = 0;
    for (FileId id : files_)
        if (FilePtr f = session_.file(id)) {
            folders[f->path.parent_path()].push_back(f);
            ++all;
            bytes += f->state.size;
            if (f->readable())
                ++formats[audio::formatName(f->tags.format)];
        }
    std::set<QString> closed;
    for (int i = 0; i < tree_->topLevelItemCount(); ++i)
        if (!tree_->topLevelItem(i)->isExpanded())
            closed.insert(tree_->topLevelItem(i)->text(Name));
    // The part of the paths that all share says nothing.
    Path common;
    for (const auto& [folder, members] : folders) {
        if (common.empty()) {
            common = folder;
            continue;
        }
        Path shared;
        auto a = common.begin(), b = folder.begin();
        for (; a != common.end() && b != folder.end() && *a == *b; ++a, ++b)
            shared /= *a;
        common = shared;
    }
    std::set<FileId> selected;
    for (FileId id : chosen())
        selected.insert(id);
    tree_->setUpdatesEnabled(false);
    tree_->blockSignals(true);
    tree_->clear();
    for (auto& [folder, members] : folders) {
        Path shownFolder = folders.size() > 1 ? folder.lexically_relative(common) : folder;
        if (shownFolder == "." || shownFolder.empty())
            shownFolder = folder;
        auto* parent = new QTreeWidgetItem(tree_);
        parent->setText(Name, shownPath(shownFolder));
        parent->setToolTip(Name, shownPath(folder));
        parent->setIcon(Name, theme::icon("folder"));
        QFont bold = theme::uiFont(13, QFont::DemiBold);
        parent->setFont(Name, bold);
        parent->setForeground(Note, theme::colours().second);
        std::sort(members.begin(), members.end(),
                  [](const FilePtr& a, const FilePtr& b) { return a->path < b->path; });
        for (const FilePtr& f : members) {
            Finding finding = findingOf(*f);
            wrong += finding.tone == paint::Tone::Wrong;
            attention += finding.tone == paint::Tone::Attention;
            untagged += f->readable() && f->tags.fields.empty();
            auto* item = new QTreeWidgetItem(parent);
            item->setText(Name, shownName(f->path));
            item->setFont(Name, theme::monoFont());
            item->setData(Name, Qt::UserRole, static_cast<qlonglong>(f->id));
            if (f->readable()) {
                item->setText(Length, shownLength(f->tags.facts.duration));
                QString kind = qs(audio::formatName(f->tags.format));
                if (f->tags.facts.bitDepth > 0)
                    kind += tr(" %1/%2")
                                .arg(f->tags.facts.bitDepth)
                                .arg(QLocale::c().toString(f->tags.facts.sampleRate / 1000.0, 'g', 4));
                else if (f->tags.facts.bitrate > 0)
                    kind += tr(" %1 kbit/s").arg(f->tags.facts.bitrate / 1000);
                item->setText(Kind, kind);
            }
            item->setText(Size, shownSize(f->state.size));
            item->setTextAlignment(Length, Qt::AlignRight | Qt::AlignVCenter);
            item->setTextAlignment(Size, Qt::AlignRight | Qt::AlignVCenter);
            for (int c : {Length, Kind, Size})
                item->setForeground(c, theme::colours().second);
            QString fields = f->readable() && finding.text.isEmpty()
                                 ? tr("%1 \u2013 %2")
                                       .arg(qs(tags::shownValue(f->tags.fields, "artist")),
                                            qs(tags::shownValue(f->tags.fields, "title")))
                                 : finding.text;
            item->setText(Note, fields);
            item->setToolTip(Note, fields);
            item->setForeground(Note, finding.tone == paint::Tone::Good ? theme::colours().second
                                                                        : paint::ink(finding.tone));
            if (finding.tone == paint::Tone::Wrong || finding.tone == paint::Tone::Attention)
                item->setIcon(Note, theme::icon("attention", paint::ink(finding.tone)));
        }
        parent->setText(Note, tr("%n file(s)", "", static_cast<int>(members.size())));
        parent->setExpanded(!closed.contains(parent->text(Name)));
        for (int i = 0; i < parent->childCount(); ++i)
            if (selected.contains(parent->child(i)->data(Name, Qt::UserRole).toLongLong()))
                parent->child(i)->setSelected(true);
    }
    tree_->blockSignals(false);
    tree_->setUpdatesEnabled(true);
    showDetails();
    found_->setText(tr("%1, %2").arg(tr("%n file(s)", "", all), shownSize(bytes)));
    QStringList kinds;
    for (const auto& [format, n] : formats)
        kinds << QString("%1 %2").arg(n).arg(qs(format));
    formats_->setText(kinds.join("  "));
    QStringList notes;
    if (untagged > 0)
        notes << tr("%n without tags", "", untagged);
    if (attention > 0)
        notes << tr("%n to look at", "", attention);
    attention_->setText(notes.join("  "));
    wrong_->setText(wrong > 0 ? tr("%n damaged or unreadable", "", wrong) : QString());
}

void BringInPage::resizeEvent(QResizeEvent* event) {
    QWidget::resizeEvent(event);
    // In a narrow window what was found matters more than its details.
    bool wide = width() >= 760;
    details_->setVisible(wide);
    formats_->setVisible(wide);
}

std::vector<FileId> BringInPage::chosen() const {
    std::vector<FileId> ids;
    for (QTreeWidgetItem* item : tree_->selectedItems()) {
        if (FileId id = item->data(Name, Qt::UserRole).toLongLong())
            ids.push_back(id);
        for (int i = 0; i < item->childCount(); ++i)
            ids.push_back(item->child(i)->data(Name, Qt::UserRole).toLongLong());
    }
    return ids;
}

void BringInPage::removeChosen() {
    session_.removeFromBatch(chosen());
}

void BringInPage::showDetails() {
    std::vector<FileId> ids = chosen();
    details_->showFile(ids.empty() ? nullptr : session_.file(ids.front()),
                       std::max(0, static_cast<int>(ids.size()) - 1));
}

void BringInPage::mendText() {
    // What is wrong in one file is mostly wrong in its neighbours: all that are shown are looked at.
    MendTextDialog(session_, files_, this).exec();
}

void BringInPage::checkFiles() {
    std::vector<FileId> ids = chosen();
    bool some = !ids.empty();
    CheckFilesDialog(session_, session_.pathsOf(some ? ids : files_),
                     some ? tr("the %n selected file(s)", "", static_cast<int>(ids.size()))
                          : tr("the %n file(s) shown", "", static_cast<int>(files_.size())),
                     this)
        .exec();
}

void BringInPage::showMenu(const QPoint& at) {
    QMenu menu(this);
    QTreeWidgetItem* item = tree_->itemAt(at);
    FileId id = item ? item->data(Name, Qt::UserRole).toLongLong() : 0;
    menu.addAction(tr("Play"), [this, id] { emit playRequested(id); })->setEnabled(id > 0);
    menu.addAction(tr("Check files\u2026"), this, &BringInPage::checkFiles);
    menu.addAction(tr("Mend the text\u2026"), this, &BringInPage::mendText);
    menu.addAction(tr("Remove from the batch (the files stay as they are)"), [this] { removeChosen(); })
        ->setEnabled(!tree_->selectedItems().isEmpty());
    menu.exec(tree_->viewport()->mapToGlobal(at));
}

} // namespace moorfrost::app
