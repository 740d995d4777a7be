// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/gather_dialog.h"

#include <QFileDialog>
#include <QHeaderView>
#include <QPointer>
#include <QPushButton>
#include <QTreeWidget>
#include <QVBoxLayout>

#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "app/widgets/controls.h"

namespace moorfrost::app {

namespace {
enum Column { Format, Files, Size, Folders };
constexpr int formatRole = Qt::UserRole, bytesRole = Qt::UserRole + 1, filesRole = Qt::UserRole + 2;
} // namespace

GatherDialog::GatherDialog(const Uses& use, QWidget* parent) : QDialog(parent), use_(use) {
    setWindowTitle(tr("Gather"));
    resize(560, 420);
    auto* what = label(tr("Picks all sound of some formats out of a folder, however deep. The rest is not "
                          "brought in, and stays where it is."),
                       "quiet");
    what->setWordWrap(true);
    auto* head = new QHBoxLayout;
    head->addWidget(what, 1);
    where_ = new ShortLabel(tr("No folder chosen yet."));
    auto* choose = button(tr("Choose a folder\u2026"));
    auto* place = new QHBoxLayout;
    place->addWidget(where_, 1);
    place->addWidget(choose);
    tree_ = new QTreeWidget;
    tree_->setRootIsDecorated(false);
    tree_->setAccessibleName(tr("Formats that are there"));
    prepareTree(tree_, {tr("Named like"), tr("Files"), tr("Size"), tr("Folders")});
    tree_->header()->resizeSection(Format, 220);
    for (int c : {Files, Size, Folders})
        tree_->headerItem()->setTextAlignment(c, Qt::AlignRight | Qt::AlignVCenter);
    TakeBar foot = takeBar(this, tr("Bring in"));
    summary_ = foot.summary;
    take_ = foot.take;
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addWidget(bar("head", head, 52));
    layout->addWidget(bar("tools", place));
    layout->addWidget(tree_, 1);
    layout->addWidget(foot.widget);
    connect(choose, &QPushButton::clicked, this, &GatherDialog::choose);
    connect(tree_, &QTreeWidget::itemChanged, this, &GatherDialog::count);
    connect(take_, &QPushButton::clicked, this, &GatherDialog::take);
    connect(this, &QDialog::finished, this, [this] {
        if (looking_)
            looking_->request_stop();
    });
    count();
}

void GatherDialog::choose() {
    const QStringList recent = use_.bringIn.recentFolders();
    const QString dir = QFileDialog::getExistingDirectory(this, tr("Gather from a folder"),
                                                          recent.isEmpty() ? QString() : recent.front());
    if (!dir.isEmpty())
        look(Path(ss(dir)));
}

void GatherDialog::look(const Path& folder) {
    if (looking_)
        looking_->request_stop();
    looking_ = std::make_shared<std::stop_source>();
    folder_ = folder;
    where_->setText(shownPath(folder));
    where_->setToolTip(shownPath(folder));
    tree_->clear();
    count();
    summary_->setText(tr("Looking through the folder\u2026"));
    struct Work {
        Shares shares;
        files::ScanSummary summary;
        std::string trouble; // of the folder itself
    };
    use_.jobs.start(
        this, {ss(tr("Looking through %1").arg(shownName(folder)))},
        [folder, mine = looking_](std::stop_token stop, work::Progress& progress) -> Result<Work> {
            std::stop_callback both(stop, [mine] { mine->request_stop(); });
            Work work;
            uint64_t seen = 0;
            files::findFiles({folder}, true, mine->get_token(), work.summary,
                             [&](std::vector<files::FoundFile>&& some) {
                                 for (const files::FoundFile& f : some) {
                                     if (!f.error.empty()) {
                                         if (f.path == folder)
                                             work.trouble = f.error;
                                         continue;
                                     }
                                     Share& share = work.shares[audio::formatByExtension(f.path)];
                                     ++share.files;
                                     share.bytes += f.state.size;
                                     share.folders.insert(f.path.parent_path());
                                 }
                                 progress.expect(seen += some.size());
                             });
            return work;
        },
        [this, mine = looking_](const Result<Work>& work) {
            if (looking_ != mine)
                return;
            fill(work ? work->shares : Shares());
            if (!work)
                summary_->setText(spoken(work.error().message));
            else if (mine->stop_requested())
                summary_->setText(tr("Stopped: there may be more."));
            else if (!work->trouble.empty())
                summary_->setText(qs(work->trouble));
            else if (!work->summary.folders.empty())
                summary_->setText(spoken(work->summary.folders.front().message));
        });
}

void GatherDialog::fill(const Shares& shares) {
    tree_->blockSignals(true);
    tree_->clear();
    const QLocale locale;
    for (const auto& [format, share] : shares) {
        auto* item = new QTreeWidgetItem(tree_);
        item->setText(Format, format == audio::Format::Unknown ? tr("other endings, but sound inside")
                                                               : qs(audio::formatName(format)));
        item->setText(Files, locale.toString(static_cast<qulonglong>(share.files)));
        item->setText(Size, shownSize(share.bytes));
        item->setText(Folders, locale.toString(static_cast<qulonglong>(share.folders.size())));
        for (int c : {Files, Size, Folders})
            item->setTextAlignment(c, Qt::AlignRight | Qt::AlignVCenter);
        item->setData(Format, formatRole, static_cast<int>(format));
        item->setData(Format, filesRole, static_cast<qulonglong>(share.files));
        item->setData(Format, bytesRole, static_cast<qulonglong>(share.bytes));
        item->setCheckState(Format, Qt::Unchecked);
    }
    tree_->blockSignals(false);
    tree_->setCurrentItem(tree_->topLevelItem(0));
    tree_->setFocus();
    count();
}

void GatherDialog::count() {
    qulonglong files = 0, bytes = 0;
    for (int i = 0; i < tree_->topLevelItemCount(); ++i)
        if (const QTreeWidgetItem* item = tree_->topLevelItem(i); item->checkState(Format) == Qt::Checked) {
            files += item->data(Format, filesRole).toULongLong();
            bytes += item->data(Format, bytesRole).toULongLong();
        }
    take_->setEnabled(files > 0);
    summary_->setText(files > 0
                          ? tr("%1, %2").arg(tr("%n file(s)", "", static_cast<int>(files)), shownSize(bytes))
                      : folder_.empty()                 ? QString()
                      : tree_->topLevelItemCount() == 0 ? tr("There is no sound in this folder.")
                                                        : tr("Choose the formats."));
}

void GatherDialog::take() {
    std::set<audio::Format> formats;
    for (int i = 0; i < tree_->topLevelItemCount(); ++i)
        if (const QTreeWidgetItem* item = tree_->topLevelItem(i); item->checkState(Format) == Qt::Checked)
            formats.insert(static_cast<audio::Format>(item->data(Format, formatRole).toInt()));
    accept();
    use_.bringIn.start({folder_}, true, formats);
}

} // namespace moorfrost::app
