// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/identify_overview.h"

#include <QHeaderView>
#include <QPainter>
#include <QStackedLayout>
#include <QStyledItemDelegate>
#include <QTreeWidget>
#include <QVBoxLayout>

#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/controls.h"
#include "app/widgets/paint.h"

namespace moorfrost::app {

namespace {

enum Column { Sleeve, Files, Proposed, Certainty, Here };
constexpr int keyRole = Qt::UserRole + 1, shareRole = Qt::UserRole + 2;
enum Group { Look, Likely, Sure, Unknown, NotAsked, Taken, GroupCount };

class RowDelegate : public QStyledItemDelegate {
public:
    using QStyledItemDelegate::QStyledItemDelegate;
    QSize sizeHint(const QStyleOptionViewItem& o, const QModelIndex& i) const override {
        return {QStyledItemDelegate::sizeHint(o, i).width(), i.parent().isValid() ? 28 : 32};
    }
    void paint(QPainter* p, const QStyleOptionViewItem& option, const QModelIndex& index) const override {
        QStyledItemDelegate::paint(p, option, index);
        const auto& c = theme::colours();
        p->fillRect(QRect(option.rect.left(), option.rect.bottom(), option.rect.width(), 1), c.faint);
        if (const QVariant share = index.data(shareRole); share.isValid()) {
            const double value = share.toDouble();
            const QRect track = paint::Mirror(*p, option.rect)(
                QRect(option.rect.left() + 52, option.rect.center().y() - 3, 90, 7));
            p->fillRect(track, c.sunk);
            p->fillRect(
                paint::Mirror(*p, track)(QRect(track.topLeft(), QSize(static_cast<int>(90 * value), 7))),
                value >= 0.95 ? c.moss : c.lichen);
        }
    }
};

} // namespace

QString hereText(const library::AlreadyHere& here) {
    using What = library::AlreadyHere::What;
    QString text;
    switch (here.what) {
    case What::Nothing:
        return {};
    case What::Recordings:
        text = IdentifyOverview::tr("the same recordings, %n file(s)", "", static_cast<int>(here.files));
        break;
    case What::Release:
        text = IdentifyOverview::tr("this release, edition not told, %n file(s)", "",
                                    static_cast<int>(here.files));
        break;
    case What::OtherEdition:
        text =
            here.edition.empty()
                ? IdentifyOverview::tr("another edition, %n file(s)", "", static_cast<int>(here.files))
                : IdentifyOverview::tr("another edition (%1), %n file(s)", "", static_cast<int>(here.files))
                      .arg(qs(here.edition));
        break;
    case What::Edition:
        text = IdentifyOverview::tr("this edition, %n file(s)", "", static_cast<int>(here.files));
        break;
    }
    return text + (here.quality > 0   ? IdentifyOverview::tr(", better than these")
                   : here.quality < 0 ? IdentifyOverview::tr(", worse than these")
                                      : QString());
}

IdentifyOverview::IdentifyOverview(const Uses& use, QWidget* parent) : QWidget(parent), use_(use) {
    tree_ = new QTreeWidget;
    prepareTree(tree_,
                {tr("Sleeve"), tr("Files"), tr("Is probably"), tr("Certainty"), tr("On your shelves")});
    tree_->setRootIsDecorated(true);
    tree_->setItemDelegate(new RowDelegate(tree_));
    tree_->setAccessibleName(tr("Sleeves by how sure it is what they are"));
    tree_->header()->resizeSection(Sleeve, 250);
    tree_->header()->resizeSection(Files, 48);
    tree_->header()->resizeSection(Proposed, 340);
    tree_->header()->resizeSection(Certainty, 160);
    empty_ = new EmptyHint(
        "sleeve", tr("Nothing to identify yet"),
        tr("Bring in folders first. Their files are sorted into sleeves, which can be looked up here."),
        tr("Go to Bring in"));
    auto* bottom = new QHBoxLayout;
    summary_ = new ShortLabel;
    summary_->setObjectName("quiet");
    all_ = button(tr("Look up all sleeves"));
    take_ = button({}, "accent");
    bottom->addWidget(summary_, 1);
    bottom->addWidget(all_);
    bottom->addWidget(take_);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addWidget(tree_, 1);
    layout->addWidget(empty_, 1);
    layout->addWidget(bar("bottom", bottom, 46));
    connect(all_, &QPushButton::clicked, &use_.identify, &IdentifyController::identifyAll);
    connect(take_, &QPushButton::clicked, &use_.identify, &IdentifyController::takeSure);
    connect(empty_->button(), &QPushButton::clicked, this, &IdentifyOverview::filesWanted);
    connect(tree_, &QTreeWidget::itemActivated, this, [this](QTreeWidgetItem* item) {
        if (const QVariant key = item->data(0, keyRole); key.isValid())
            emit sleeveWanted(ss(key.toString()));
    });
    connect(tree_, &QTreeWidget::itemClicked, this, [this](QTreeWidgetItem* item) {
        if (const QVariant key = item->data(0, keyRole); key.isValid())
            emit sleeveWanted(ss(key.toString()));
    });
    refresh();
}

void IdentifyOverview::refresh() {
    const QString titles[GroupCount] = {
        tr("Look at these"),     tr("Likely"), tr("Sure"), tr("Unknown to the references"),
        tr("Not looked up yet"), tr("Taken")};
    std::vector<std::vector<const SleeveView*>> groups(GroupCount);
    size_t sleeves = 0, toAsk = 0;
    for (const SleeveView& view : use_.sleeves.all()) {
        if (view.isStrays())
            continue;
        ++sleeves;
        const SleeveAnswer* a = use_.identify.answer(view.key);
        Group group = NotAsked;
        if (use_.identify.isTaken(view))
            group = Taken;
        else if (a && a->asking == 0)
            group = a->verdict == matching::Verdict::Sure     ? Sure
                    : a->verdict == matching::Verdict::Likely ? Likely
                    : a->verdict == matching::Verdict::Look   ? Look
                                                              : Unknown;
        toAsk += group == NotAsked;
        groups[group].push_back(&view);
    }
    const QVariant current = tree_->currentItem() ? tree_->currentItem()->data(0, keyRole) : QVariant();
    tree_->clear();
    for (size_t g = 0; g < GroupCount; ++g) {
        if (groups[g].empty())
            continue;
        auto* top = new QTreeWidgetItem(tree_);
        top->setText(Sleeve, titles[g]);
        top->setText(Files, QLocale().toString(static_cast<qulonglong>(groups[g].size())));
        top->setFont(Sleeve, theme::uiFont(13, QFont::DemiBold));
        top->setForeground(Files, theme::colours().second);
        top->setFlags(Qt::ItemIsEnabled);
        for (const SleeveView* view : groups[g]) {
            auto* item = new QTreeWidgetItem(top);
            // How many files there are has a column of its own.
            const QString who = view->subtitle.section(" \u00B7 ", 0, -2);
            item->setText(Sleeve, who.isEmpty() ? view->title : view->title + " \u00B7 " + who);
            item->setToolTip(Sleeve, item->text(Sleeve));
            item->setText(Files, QLocale().toString(static_cast<qulonglong>(view->files.size())));
            item->setData(Sleeve, keyRole, qs(view->key));
            if (const SleeveAnswer* a = use_.identify.answer(view->key); a && a->asking != 0) {
                item->setText(Proposed, tr("is being looked up \u2026"));
            } else if (a && a->best() && a->verdict != matching::Verdict::Unknown) {
                const matching::Candidate& c = *a->best();
                QStringList what{qs(c.release.credit.text()) + " \u2013 " + qs(c.release.title)};
                for (const std::string& part : {c.release.carrier(), c.release.date()})
                    if (!part.empty())
                        what << qs(part);
                if (!c.release.labels.empty())
                    what << qs(c.release.labels[0].catalogueNumber);
                item->setText(Proposed, what.join(", "));
                item->setToolTip(Proposed, item->text(Proposed));
                item->setText(Certainty, QString::number(c.certainty, 'f', 2));
                item->setData(Certainty, shareRole, c.certainty);
                item->setText(Here, hereText(a->here));
                item->setToolTip(Here, item->text(Here));
            } else if (a) {
                item->setText(Proposed,
                              a->errors.isEmpty() ? tr("nothing like it was found") : a->errors.first());
            }
            if (item->data(0, keyRole) == current)
                tree_->setCurrentItem(item);
        }
        top->setExpanded(g != Taken);
    }
    const size_t sure = use_.identify.sure().size();
    tree_->setVisible(sleeves > 0);
    empty_->setVisible(sleeves == 0);
    all_->setEnabled(toAsk > 0 && !use_.identify.isAskingAll());
    take_->setText(tr("Take the %n sure one(s) as drafts", "", static_cast<int>(sure)));
    take_->setVisible(sure > 0);
    const size_t left = use_.identify.left();
    summary_->setText(sleeves == 0 ? QString()
                      : left == 0  ? tr("All sleeves are identified.")
                                   : tr("Nothing is taken before you say so. %n sleeve(s) left.", "",
                                        static_cast<int>(left)));
}

} // namespace moorfrost::app
