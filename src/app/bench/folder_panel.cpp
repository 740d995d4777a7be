// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/folder_panel.h"

#include <QAbstractListModel>
#include <QFileDialog>
#include <QToolButton>
#include <QVBoxLayout>

#include "app/shell/text_utils.h"
#include "app/widgets/controls.h"
#include "app/widgets/two_lines.h"

namespace moorfrost::app {

/// Where each folder is below the place that is looked through, and how many of its files have drafts.
class FolderListModel : public QAbstractListModel {
public:
    FolderListModel(FolderWalk& walk, QObject* parent) : QAbstractListModel(parent), walk_(walk) {}

    void refill() {
        drafted_ = walk_.drafted();
        const std::vector<Path>& now = walk_.folders();
        if (now == folders_) {
            if (!now.empty())
                emit dataChanged(index(0), index(rowCount() - 1));
            return;
        }
        beginResetModel();
        folders_ = now;
        endResetModel();
    }
    int rowCount(const QModelIndex& parent = {}) const override {
        return parent.isValid() ? 0 : static_cast<int>(folders_.size());
    }
    QVariant data(const QModelIndex& index, int role) const override {
        if (!index.isValid())
            return {};
        const Path& folder = folders_[static_cast<size_t>(index.row())];
        const auto drafts = drafted_.find(folder);
        const int n = drafts == drafted_.end() ? 0 : drafts->second;
        const Path below = folder.lexically_relative(walk_.root());
        const Path above = below.parent_path();
        switch (role) {
        case Qt::DisplayRole:
            return shownName(folder);
        case TwoLineDelegate::SecondRole:
            return above.empty() ? QString() : shownPath(above);
        case TwoLineDelegate::PillRole:
            return n;
        case Qt::ToolTipRole:
            return shownPath(folder);
        case Qt::AccessibleTextRole:
            return n > 0 ? FolderPanel::tr("%1, %n file(s) with drafts", "", n).arg(shownPath(below))
                         : shownPath(below);
        default:
            return {};
        }
    }

private:
    FolderWalk& walk_;
    std::vector<Path> folders_;
    std::map<Path, int> drafted_;
};

FolderPanel::FolderPanel(const Uses& use, QWidget* parent) : QFrame(parent), use_(use) {
    setObjectName("panel");
    setMinimumWidth(180);
    count_ = new ShortLabel;
    count_->setObjectName("caption");
    auto* close = iconButton("close", tr("Back to the sleeves; drafts stay"));
    auto* head = new QHBoxLayout;
    head->setContentsMargins(12, 4, 6, 0);
    head->addWidget(count_, 1);
    head->addWidget(close);
    root_ = new ShortLabel;
    root_->setObjectName("quiet");
    root_->setContentsMargins(12, 0, 8, 6);
    model_ = new FolderListModel(use_.folders, this);
    list_ = new QListView;
    list_->setAccessibleName(tr("Folders with sound"));
    list_->setModel(model_);
    list_->setItemDelegate(new TwoLineDelegate(Qt::ElideLeft, list_));
    list_->setFrameShape(QFrame::NoFrame);
    list_->setUniformItemSizes(true);
    list_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    list_->setEditTriggers(QAbstractItemView::NoEditTriggers);
    previous_ = button(tr("Previous"));
    previous_->setToolTip(tr("The folder before this one (Shift+F8)"));
    next_ = button(tr("Next (F8)"), "accent");
    next_->setToolTip(tr("The next folder, with its files (F8)"));
    bring_ = button(tr("Bring it in"));
    bring_->setToolTip(tr("The folder in sight goes into the batch, with its drafts"));
    QWidget* foot = flowing({previous_, next_, bring_});
    foot->setContentsMargins(10, 8, 10, 8);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addLayout(head);
    layout->addWidget(root_);
    layout->addWidget(list_, 1);
    layout->addWidget(foot);
    connect(close, &QToolButton::clicked, this, [this] { use_.folders.end(); });
    connect(previous_, &QPushButton::clicked, this, [this] { use_.folders.step(-1); });
    connect(next_, &QPushButton::clicked, this, [this] { use_.folders.step(1); });
    connect(bring_, &QPushButton::clicked, this, [this] {
        if (const int i = use_.folders.current(); i >= 0)
            use_.bringIn.start({use_.folders.folders()[static_cast<size_t>(i)]}, false);
    });
    connect(list_->selectionModel(), &QItemSelectionModel::currentChanged, this,
            [this](const QModelIndex& now) {
                if (!filling_ && now.isValid() && now.row() != use_.folders.current())
                    use_.folders.show(now.row());
            });
    connect(&use_.folders, &FolderWalk::changed, this, &FolderPanel::refresh);
}

void FolderPanel::ask() {
    const QStringList recent = use_.bringIn.recentFolders();
    const QString dir = QFileDialog::getExistingDirectory(this, tr("Look through a folder and those in it"),
                                                          recent.isEmpty() ? QString() : recent.front());
    if (!dir.isEmpty())
        use_.folders.begin(Path(ss(dir)));
}

void FolderPanel::refresh() {
    filling_ = true;
    model_->refill();
    const FolderWalk& walk = use_.folders;
    const int now = walk.current(), all = static_cast<int>(walk.folders().size());
    const QModelIndex at = now < 0 ? QModelIndex() : model_->index(now);
    if (list_->currentIndex() != at) {
        list_->setCurrentIndex(at);
        list_->scrollTo(at);
    }
    filling_ = false;
    count_->setText(all == 0           ? (walk.isLooking() ? tr("Looking\u2026") : tr("No folders"))
                    : walk.isLooking() ? tr("Folder %1 of %2 so far").arg(now + 1).arg(all)
                                       : tr("Folder %1 of %2").arg(now + 1).arg(all));
    root_->setText(tr("in %1").arg(shownName(walk.root())));
    root_->setToolTip(shownPath(walk.root()));
    previous_->setEnabled(now > 0);
    next_->setEnabled(now >= 0 && now + 1 < all);
    bring_->setEnabled(now >= 0);
}

} // namespace moorfrost::app
