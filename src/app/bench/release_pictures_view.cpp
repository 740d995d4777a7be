// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/release_pictures_view.h"

#include <QDialog>
#include <QHeaderView>
#include <QLabel>
#include <QPainter>
#include <QPushButton>
#include <QTreeWidget>
#include <QVBoxLayout>

#include <algorithm>
#include <map>
#include <set>

#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/controls.h"
#include "app/widgets/file_table.h"
#include "app/widgets/picture_mat.h"

namespace moorfrost::app {

namespace {

enum Column { Type, Size, Verdict };
constexpr int indexRole = Qt::UserRole + 1;

QString sizeText(const tags::PictureInfo& p) {
    return QString("%1 \u00D7 %2").arg(p.width).arg(p.height) + " \u00B7 " + shownSize(p.bytes);
}

} // namespace

ReleasePicturesView::ReleasePicturesView(ReleasePictures& pictures, QWidget* parent)
    : QWidget(parent), pictures_(pictures) {
    list_ = new QTreeWidget;
    prepareTree(list_, {tr("Picture"), tr("Size"), tr("How good it is")});
    list_->setRootIsDecorated(false);
    list_->setAccessibleName(tr("Pictures of the release"));
    list_->header()->resizeSection(Type, 150);
    list_->header()->resizeSection(Size, 150);
    there_ = new PictureMat(tr("As it is"));
    candidate_ = new PictureMat(tr("Of the release"));
    note_ = label({}, "quiet");
    note_->setWordWrap(true);
    take_ = button({});
    auto* mats = new QHBoxLayout;
    mats->setSpacing(16);
    mats->addWidget(candidate_, 1);
    mats->addWidget(there_, 1);
    auto* left = new QVBoxLayout;
    left->addWidget(list_, 1);
    auto* foot = new QHBoxLayout;
    foot->setContentsMargins(8, 0, 0, 8);
    for_ = new Choice;
    for_->setAccessibleName(tr("For which files"));
    for_->setMinimumContentsLength(14);
    for_->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
    foot->addWidget(note_, 1);
    foot->addWidget(for_);
    foot->addSpacing(6);
    foot->addWidget(take_);
    left->addLayout(foot);
    auto* layout = new QHBoxLayout(this);
    layout->setContentsMargins(0, 0, 8, 0);
    layout->setSpacing(16);
    layout->addLayout(left, 3);
    layout->addLayout(mats, 2);
    connect(&pictures_, &ReleasePictures::changed, this, [this](const std::string& sleeve) {
        if (isVisible() && (sleeve.empty() || sleeve == sleeve_))
            refresh();
    });
    connect(list_, &QTreeWidget::currentItemChanged, this, &ReleasePicturesView::showCurrent);
    connect(list_, &QTreeWidget::itemChanged, this, &ReleasePicturesView::count);
    connect(for_, &QComboBox::activated, this, &ReleasePicturesView::receiversChosen);
    connect(list_, &QTreeWidget::itemActivated, this, &ReleasePicturesView::showLarge);
    list_->setToolTip(tr("Enter or a double click shows both large, side by side."));
    connect(take_, &QPushButton::clicked, this, [this] { pictures_.take(sleeve_, ticked(), files_); });
}

void ReleasePicturesView::show(const std::string& sleeve) {
    if (sleeve_ != sleeve) {
        forWhom_ = All;
        some_.clear();
    }
    sleeve_ = sleeve;
    if (!pictures_.of(sleeve) && !pictures_.isFetching(sleeve))
        pictures_.fetch(sleeve);
    refresh();
}

void ReleasePicturesView::refresh() {
    const ReleasePictures::Shown* shown = pictures_.of(sleeve_);
    if (!shown && !pictures_.isFetching(sleeve_) && isVisible())
        pictures_.fetch(sleeve_); // another release was chosen
    if (shown && shown->number == number_ &&
        list_->topLevelItemCount() == static_cast<int>(shown->candidates.size())) {
        showCurrent();
        fillReceivers();
        return; // what is ticked stays
    }
    number_ = shown ? shown->number : std::string();
    list_->clear();
    there_->show({}, {});
    candidate_->show({}, {});
    if (!shown) {
        note_->setText(pictures_.isFetching(sleeve_) ? tr("They are being fetched \u2026")
                                                     : tr("There are none to show."));
        take_->hide();
        for_->hide();
        return;
    }
    const int wanted = pictures_.wantedSide();
    QTreeWidgetItem* best = nullptr;
    for (size_t i = 0; i < shown->candidates.size(); ++i) {
        const PictureCandidate& c = shown->candidates[i];
        auto* item = new QTreeWidgetItem(list_);
        item->setData(Type, indexRole, static_cast<qulonglong>(i));
        item->setText(Type, pictureTypeLabel(c.refused.isEmpty() ? c.info.type : c.told.type));
        if (!c.refused.isEmpty()) {
            item->setText(Verdict, c.refused);
            item->setForeground(Verdict, theme::colours().rowan);
            item->setToolTip(Verdict, c.refused);
            continue;
        }
        item->setText(Size, sizeText(c.info));
        const bool small = wanted > 0 && c.shorterSide() < wanted;
        const QString verdict = small            ? tr("smaller than the standard asks (%1)").arg(wanted)
                                : c.isEnlarged() ? tr("enlarged: detail of about %1 pixels").arg(c.detail)
                                : pictures_.isProposed(*shown, i) ? shown->present.contains(c.info.type)
                                                                        ? tr("better than what is there")
                                                                        : tr("good, and none is there")
                                                                  : tr("good");
        item->setText(Verdict, verdict);
        item->setToolTip(Verdict, verdict);
        item->setForeground(Verdict,
                            small || c.isEnlarged() ? theme::colours().lichen : theme::colours().moss);
        item->setCheckState(Type, pictures_.isProposed(*shown, i) ? Qt::Checked : Qt::Unchecked);
        if (!best || pictures_.isProposed(*shown, i))
            best = best && best->checkState(Type) == Qt::Checked ? best : item;
    }
    note_->setText(shown->candidates.empty() ? tr("The reference has no pictures of this release.")
                                             : QString());
    take_->setVisible(!shown->candidates.empty());
    for_->setVisible(!shown->candidates.empty());
    if (best)
        list_->setCurrentItem(best);
    fillReceivers();
}

void ReleasePicturesView::fillReceivers() {
    const auto receivers = pictures_.receivers(sleeve_);
    std::map<int, int> seated; // by medium
    std::set<FileId> there;
    int seats = 0;
    for (const auto& r : receivers) {
        there.insert(r.file);
        if (r.medium >= 0)
            ++seated[r.medium], ++seats;
    }
    std::erase_if(some_, [&](FileId id) { return !there.contains(id); });
    for_->clear();
    for_->addItem(tr("for all %n file(s)", "", static_cast<int>(receivers.size())), All);
    if (seats > 0 && seats < static_cast<int>(receivers.size()))
        for_->addItem(tr("for the %n with a seat", "", seats), Seated);
    if (seated.size() > 1)
        for (const auto& [medium, n] : seated)
            for_->addItem(tr("for disc %1 (%n file(s))", "", n).arg(medium + 1), medium);
    for_->addItem(some_.empty() ? tr("only for some\u2026")
                                : tr("for %n that were chosen\u2026", "", static_cast<int>(some_.size())),
                  Some);
    int at = for_->findData(forWhom_);
    if (at < 0 || (forWhom_ == Some && some_.empty())) {
        forWhom_ = All;
        at = 0;
    }
    for_->setCurrentIndex(at);
    files_.clear();
    for (const auto& r : receivers)
        if (forWhom_ == All || (forWhom_ == Seated && r.medium >= 0) ||
            (forWhom_ == Some && std::ranges::find(some_, r.file) != some_.end()) ||
            (forWhom_ >= 0 && r.medium == forWhom_))
            files_.push_back(r.file);
    count();
}

void ReleasePicturesView::receiversChosen(int index) {
    const int whom = for_->itemData(index).toInt();
    if (whom == Some)
        chooseReceivers();
    else
        forWhom_ = whom;
    fillReceivers();
}

void ReleasePicturesView::takeFor(const std::vector<FileId>& files) {
    some_ = files;
    forWhom_ = files.empty() ? All : Some;
    fillReceivers();
}

void ReleasePicturesView::chooseReceivers() {
    QDialog dialog(this);
    dialog.setWindowTitle(tr("Which files get the pictures"));
    auto* tree = new QTreeWidget;
    prepareTree(tree, {tr("File")});
    tree->setRootIsDecorated(false);
    tree->setAccessibleName(dialog.windowTitle());
    for (const auto& r : pictures_.receivers(sleeve_)) {
        auto* item = new QTreeWidgetItem(tree, {r.name});
        item->setFont(0, theme::monoFont());
        item->setData(0, indexRole, static_cast<qlonglong>(r.file));
        const bool is = some_.empty() || std::ranges::find(some_, r.file) != some_.end();
        item->setCheckState(0, is ? Qt::Checked : Qt::Unchecked);
    }
    TakeBar foot = takeBar(&dialog, tr("These files"));
    auto chosen = [tree] {
        std::vector<FileId> out;
        for (int i = 0; i < tree->topLevelItemCount(); ++i)
            if (const QTreeWidgetItem* item = tree->topLevelItem(i); item->checkState(0) == Qt::Checked)
                out.push_back(item->data(0, indexRole).toLongLong());
        return out;
    };
    auto told = [&foot, chosen] {
        const auto n = static_cast<int>(chosen().size());
        foot.summary->setText(tr("%n file(s)", "", n));
        foot.take->setEnabled(n > 0);
    };
    told();
    auto* layout = new QVBoxLayout(&dialog);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addWidget(tree, 1);
    layout->addWidget(foot.widget);
    dialog.resize(460, 380);
    connect(tree, &QTreeWidget::itemChanged, &dialog, told);
    connect(foot.take, &QPushButton::clicked, &dialog, &QDialog::accept);
    if (dialog.exec() == QDialog::Accepted)
        takeFor(chosen());
}

void ReleasePicturesView::count() {
    const auto n = static_cast<int>(ticked().size());
    take_->setText(tr("Take %n picture(s)", "", n));
    take_->setEnabled(n > 0 && !files_.empty());
}

void ReleasePicturesView::showCurrent() {
    const ReleasePictures::Shown* shown = pictures_.of(sleeve_);
    const QTreeWidgetItem* item = list_->currentItem();
    if (!shown || !item)
        return;
    const auto i = static_cast<size_t>(item->data(Type, indexRole).toULongLong());
    if (i >= shown->candidates.size())
        return;
    const PictureCandidate& c = shown->candidates[i];
    auto told = [](const tags::PictureInfo& info, int detail) {
        return sizeText(info) + (detail > 0 ? "\n" + tr("detail of %1 pixels").arg(detail) : QString());
    };
    candidate_->show(c.image, c.refused.isEmpty() ? told(c.info, c.detail) : c.refused);
    const auto there = shown->present.find(c.info.type);
    if (there == shown->present.end())
        there_->show({}, {});
    else
        there_->show(there->second.image, told(there->second.info, there->second.detail));
}

void ReleasePicturesView::showLarge() {
    QDialog large(this);
    large.setWindowTitle(tr("Side by side"));
    auto* layout = new QHBoxLayout(&large);
    layout->setContentsMargins(20, 16, 20, 12);
    layout->setSpacing(20);
    for (const auto& [name, from] :
         {std::pair(tr("Of the release"), candidate_), std::pair(tr("As it is"), there_)}) {
        auto* mat = new PictureMat(name);
        mat->show(from->image(), from->told());
        layout->addWidget(mat, 1);
    }
    large.setObjectName("sideBySide");
    large.resize(1180, 660);
    large.exec();
}

std::vector<size_t> ReleasePicturesView::ticked() const {
    std::vector<size_t> out;
    for (int i = 0; i < list_->topLevelItemCount(); ++i)
        if (list_->topLevelItem(i)->checkState(Type) == Qt::Checked)
            out.push_back(static_cast<size_t>(list_->topLevelItem(i)->data(Type, indexRole).toULongLong()));
    return out;
}

} // namespace moorfrost::app
