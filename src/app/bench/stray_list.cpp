// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/stray_list.h"

#include <QHeaderView>
#include <QTreeWidget>
#include <QVBoxLayout>

#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/controls.h"

namespace moorfrost::app {

namespace {
enum Column { File, Length, Proposed, Likeness, Sleeve };
constexpr int idRole = Qt::UserRole + 1;

QString described(const matching::TrackCandidate& c) {
    const reference::Track& t = c.track();
    const std::string who = t.credit.names.empty() ? c.release.credit.text() : t.credit.text();
    QString out = qs(who) + " \u2013 " + qs(t.title) + ", " +
                  StrayList::tr("%1 on %2").arg(qs(t.position), qs(c.release.title));
    if (const std::string carrier = c.release.carrier(); !carrier.empty())
        out += ", " + qs(carrier);
    if (const std::string date = c.release.date(); !date.empty())
        out += ", " + qs(date.substr(0, 4));
    if (c.reference == reference::libraryKey)
        out += StrayList::tr(" (your library)");
    return out;
}
} // namespace

StrayList::StrayList(const Uses& use, QWidget* parent) : QWidget(parent), use_(use) {
    tree_ = new QTreeWidget;
    prepareTree(tree_, {tr("Stray"), tr("Length"), tr("Is probably"), tr("Alike"), tr("Goes to")});
    tree_->setRootIsDecorated(false);
    tree_->setAccessibleName(tr("Strays and what they may be"));
    const int widths[] = {280, 60, 380, 60, 160};
    for (int i = 0; i < 5; ++i)
        tree_->header()->resizeSection(i, widths[i]);
    summary_ = new ShortLabel;
    summary_->setObjectName("quiet");
    look_ = button(tr("Look up the strays"));
    take_ = button({}, "accent");
    auto* bottom = new QHBoxLayout;
    bottom->addWidget(summary_, 1);
    bottom->addWidget(look_);
    bottom->addWidget(take_);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addWidget(tree_, 1);
    layout->addWidget(bar("bottom", bottom, 46));
    connect(look_, &QPushButton::clicked, &use_.strays, &StrayIdentifier::identifyAll);
    connect(take_, &QPushButton::clicked, this, [this] {
        const std::vector<FileId> files = ticked();
        ticks_.clear();
        use_.strays.take(files);
    });
    connect(tree_, &QTreeWidget::itemChanged, this, [this](QTreeWidgetItem* item, int column) {
        if (column == File) {
            ticks_[item->data(File, idRole).toLongLong()] = item->checkState(File) == Qt::Checked;
            count();
        }
    });
    connect(tree_, &QTreeWidget::itemDoubleClicked, this,
            [this](QTreeWidgetItem* item) { emit playRequested(item->data(File, idRole).toLongLong()); });
    connect(&use_.strays, &StrayIdentifier::changed, this, [this] {
        if (isVisible())
            refresh();
    });
}

void StrayList::refresh() {
    tree_->blockSignals(true);
    const FileId current = tree_->currentItem() ? tree_->currentItem()->data(File, idRole).toLongLong() : 0;
    tree_->clear();
    for (FileId id : use_.strays.strays()) {
        const FilePtr f = use_.files.file(id);
        auto* item = new QTreeWidgetItem(tree_);
        item->setText(File, shownName(f->path));
        item->setToolTip(File, shownPath(f->path));
        item->setFont(File, theme::monoFont());
        item->setData(File, idRole, static_cast<qlonglong>(id));
        item->setText(Length, f->tags.facts.duration > 0 ? shownLength(f->tags.facts.duration) : QString());
        const matching::FileIdentified* a = use_.strays.answer(id);
        if (a && a->candidates.empty()) {
            item->setText(Proposed, tr("nothing like it was found"));
            item->setForeground(Proposed, theme::colours().second);
        } else if (a) {
            const size_t chosen = use_.strays.chosen(id);
            const matching::TrackCandidate& best = a->candidates[chosen];
            const auto ticked = ticks_.find(id);
            item->setCheckState(
                File, (ticked == ticks_.end() ? best.likeness >= matching::probablyIt : ticked->second)
                          ? Qt::Checked
                          : Qt::Unchecked);
            item->setText(Likeness, QString::number(best.likeness, 'f', 2));
            item->setForeground(Likeness, best.likeness >= matching::probablyIt ? theme::colours().moss
                                                                                : theme::colours().lichen);
            QStringList why;
            if (best.fit.title)
                why << tr("Name: %1").arg(*best.fit.title, 0, 'f', 2);
            if (best.artist >= 0)
                why << tr("Artist: %1").arg(best.artist, 0, 'f', 2);
            if (best.fit.sound)
                why << tr("Sound: %1").arg(*best.fit.sound, 0, 'f', 2);
            if (best.fit.length)
                why << tr("Length: %1 s apart").arg(std::abs(best.fit.secondsApart), 0, 'f', 1);
            item->setToolTip(Likeness, why.join('\n'));
            const std::string sleeve = use_.strays.sleeveFor(id);
            const SleeveView* view = sleeve.empty() ? nullptr : use_.sleeves.find(sleeve);
            item->setText(Sleeve, view ? view->title : tr("a new sleeve"));
            if (a->candidates.size() == 1) {
                item->setText(Proposed, described(best));
            } else {
                auto* choice = new Choice;
                for (const matching::TrackCandidate& c : a->candidates)
                    choice->addItem(described(c));
                choice->setCurrentIndex(static_cast<int>(chosen));
                choice->setAccessibleName(tr("What %1 is").arg(shownName(f->path)));
                choice->setFocusPolicy(Qt::StrongFocus);
                choice->setMinimumContentsLength(20);
                choice->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
                tree_->setItemWidget(item, Proposed, choice);
                // The row is made anew when it was chosen: not while the box is still at it.
                connect(choice, &QComboBox::activated, this, [this, id](int i) {
                    QMetaObject::invokeMethod(
                        this, [this, id, i] { use_.strays.choose(id, static_cast<size_t>(i)); },
                        Qt::QueuedConnection);
                });
            }
        }
        if (id == current)
            tree_->setCurrentItem(item);
    }
    tree_->blockSignals(false);
    look_->setEnabled(!use_.strays.isAsking() && tree_->topLevelItemCount() > 0);
    count();
}

std::vector<FileId> StrayList::ticked() const {
    std::vector<FileId> out;
    for (int i = 0; i < tree_->topLevelItemCount(); ++i)
        if (const QTreeWidgetItem* item = tree_->topLevelItem(i); item->checkState(File) == Qt::Checked)
            out.push_back(item->data(File, idRole).toLongLong());
    return out;
}

void StrayList::count() {
    const auto n = static_cast<int>(ticked().size());
    take_->setText(tr("Take %n as drafts", "", n));
    take_->setVisible(n > 0);
    summary_->setText(use_.strays.isAsking() ? tr("They are being looked up \u2026")
                      : tree_->topLevelItemCount() == 0
                          ? tr("There are no strays.")
                          : tr("%n stray(s). Those that are taken go to the sleeve of their release.", "",
                               tree_->topLevelItemCount()));
}

} // namespace moorfrost::app
