// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/codes/codes_view.h"

#include <QScrollArea>
#include <QSplitter>
#include <QStackedWidget>
#include <QVBoxLayout>

#include "app/codes/own_codes_dialog.h"
#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/two_lines.h"

namespace moorfrost::app {

namespace {

QString clockText(double seconds) {
    const auto all = static_cast<int>(seconds + 0.5);
    return QString("%1:%2").arg(all / 60).arg(all % 60, 2, 10, QChar('0'));
}

} // namespace

CodeGapsModel::CodeGapsModel(CodesController& codes, QObject* parent)
    : QAbstractListModel(parent), codes_(codes) {}

void CodeGapsModel::refresh() {
    if (count_ == codes_.gaps().size()) {
        if (count_ > 0)
            emit dataChanged(index(0), index(static_cast<int>(count_) - 1));
        return;
    }
    beginResetModel();
    count_ = codes_.gaps().size();
    endResetModel();
}

int CodeGapsModel::rowCount(const QModelIndex& parent) const {
    return parent.isValid() ? 0 : static_cast<int>(std::min(count_, codes_.gaps().size()));
}

QString CodeGapsModel::stateOf(size_t gap) const {
    if (codes_.isTaken(gap))
        return tr("a draft");
    const library::CodeAnswer* answer = codes_.answer(gap);
    if (!answer)
        return tr("not looked up yet");
    if (answer->candidates.empty())
        return tr("nobody knows one");
    if (answer->isSure())
        return answer->candidates.front().confirmed
                   ? tr("%1, and it sounds the same").arg(qs(answer->candidates.front().isrc))
                   : tr("%1").arg(qs(answer->candidates.front().isrc));
    const auto good =
        std::ranges::count_if(answer->candidates, [](const auto& one) { return one.refused.empty(); });
    return good == 0 ? tr("refused: %1").arg(qs(answer->candidates.front().refused))
                     : tr("%n code(s) to choose from", "", static_cast<int>(good));
}

QVariant CodeGapsModel::data(const QModelIndex& index, int role) const {
    if (!index.isValid() || static_cast<size_t>(index.row()) >= codes_.gaps().size())
        return {};
    const auto at = static_cast<size_t>(index.row());
    const library::CodeGap& gap = codes_.gaps()[at];
    const QString name = gap.artist.empty() ? qs(gap.title) : qs(gap.title) + ", " + qs(gap.artist);
    switch (role) {
    case Qt::DisplayRole:
        return name;
    case TwoLineDelegate::SecondRole:
        return stateOf(at);
    case Qt::AccessibleTextRole:
        return name + ". " + stateOf(at);
    default:
        return {};
    }
}

void CodeBox::show(std::optional<size_t> at) {
    clear();
    if (!at)
        return end();
    const auto& c = theme::colours();
    const library::CodeGap& gap = codes_.gaps()[*at];
    caption(qs(gap.title));
    QStringList facts{qs(gap.artist), qs(gap.album), qs(gap.label)};
    if (gap.seconds > 0)
        facts << clockText(gap.seconds);
    facts.removeAll(QString());
    line(coloured(facts.join(" \u00B7 "), c.second));
    if (codes_.isTaken(*at))
        line(coloured(tr("Drafts made: %1").arg(gap.files.size()), c.heather));
    const library::CodeAnswer* answer = codes_.answer(*at);
    if (!answer) {
        line(coloured(
            tr("Nobody was asked yet. \u201CLook up all\u201D asks the references by artist, titles, "
               "album and lengths, and by the sound."),
            c.second));
    } else if (answer->candidates.empty()) {
        line(coloured(tr("No reference knows a code of this recording."), c.second));
    }
    if (answer)
        for (const library::CodeCandidate& one : answer->candidates) {
            caption(qs(one.isrc));
            line(coloured(qs(one.source), c.second));
            for (const std::string& sentence : one.evidence)
                if (sentence != one.refused)
                    line(spoken(sentence).toHtmlEscaped());
            if (!one.refused.empty())
                line(coloured(tr("Refused: %1").arg(qs(one.refused)), c.rowan));
            else if (one.confirmed)
                line(coloured(tr("Confirmed by the sound."), c.moss));
            link(one.refused.empty() ? tr("Take this code") : tr("Take it all the same"),
                 [this, gap, isrc = one.isrc] { codes_.take(gap, isrc); });
        }
    if (!leadsToFiles_)
        return end();
    caption(tr("Files"));
    for (const FileId file : gap.files)
        link(tr("Show in the library: %1").arg(qs(gap.title)), [this, file] { emit fileWanted(file); });
    end();
}

CodesView::CodesView(CodesController& codes, const Place& place, QWidget* parent)
    : QWidget(parent), codes_(codes) {
    model_ = new CodeGapsModel(codes_, this);
    list_ = twoLineList(model_, tr("Recordings without an ISRC"));
    list_->setMinimumWidth(260);
    connect(list_->selectionModel(), &QItemSelectionModel::selectionChanged, this, &CodesView::showChosen);
    box_ = new CodeBox(codes_, !place.isDialog);
    connect(box_, &CodeBox::fileWanted, this, &CodesView::libraryWanted);
    auto* scroll = new QScrollArea;
    scroll->setFrameShape(QFrame::NoFrame);
    scroll->setWidgetResizable(true);
    scroll->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    scroll->setWidget(box_);
    told_ = new ShortLabel;
    told_->setObjectName("quiet");
    lookUp_ = button(tr("Look up all"));
    own_ = button(tr("Own codes\u2026"));
    connect(own_, &QPushButton::clicked, this, &CodesView::giveOwn);
    takeSure_ = button(tr("Take"), "accent");
    connect(lookUp_, &QPushButton::clicked, this, [this] {
        if (codes_.isAsking())
            codes_.stop();
        else
            codes_.lookUpAll();
    });
    connect(takeSure_, &QPushButton::clicked, &codes_, &CodesController::takeSure);
    auto* right = new QFrame;
    right->setObjectName("panel");
    auto* rows = new QVBoxLayout(right);
    rows->setContentsMargins(0, 0, 0, 0);
    rows->setSpacing(0);
    rows->addWidget(scroll, 1);
    std::vector<QWidget*> controls{own_, lookUp_, takeSure_};
    if (place.isDialog) {
        controls.insert(controls.begin(), button(tr("Close")));
        connect(static_cast<QPushButton*>(controls.front()), &QPushButton::clicked, this,
                &CodesView::closeWanted);
    }
    rows->addWidget(bar("foot", toldBeside(told_, controls)));
    auto* split = new QSplitter;
    split->setChildrenCollapsible(false);
    split->setHandleWidth(1);
    split->addWidget(list_);
    split->addWidget(right);
    split->setStretchFactor(1, 1);
    split->setSizes({380, 700});
    remember(split, "audit/codes");
    empty_ =
        new EmptyHint("audit", place.nothing, place.nothingMore, place.isDialog ? tr("Close") : QString());
    if (place.isDialog)
        connect(empty_->button(), &QPushButton::clicked, this, &CodesView::closeWanted);
    stack_ = new QStackedWidget;
    stack_->addWidget(split);
    stack_->addWidget(empty_);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->addWidget(stack_);
    connect(&codes_, &CodesController::changed, this, &CodesView::refresh);
    refresh();
}

void CodesView::refresh() {
    const int row = list_->currentIndex().row();
    model_->refresh();
    if (model_->rowCount() > 0 && !list_->currentIndex().isValid())
        list_->setCurrentIndex(model_->index(std::clamp(row, 0, model_->rowCount() - 1)));
    stack_->setCurrentIndex(codes_.gaps().empty() ? 1 : 0);
    const size_t sure = codes_.sure();
    takeSure_->setEnabled(sure > 0);
    takeSure_->setText(tr("Take %n sure code(s)", "", static_cast<int>(sure)));
    lookUp_->setText(codes_.isAsking() ? tr("Stop") : tr("Look up all"));
    told_->setText(codes_.isAsking()
                       ? tr("Looking up \u2026 %L1 of %L2").arg(codes_.asked()).arg(codes_.gaps().size())
                       : tr("%n without an ISRC", "", static_cast<int>(codes_.gaps().size())));
    showChosen();
}

std::optional<size_t> CodesView::chosen() const {
    const QModelIndex index = list_->currentIndex();
    if (!index.isValid() || static_cast<size_t>(index.row()) >= codes_.gaps().size())
        return std::nullopt;
    return static_cast<size_t>(index.row());
}

void CodesView::giveOwn() {
    std::vector<library::CodeGap> some;
    if (const auto gap = chosen(); gap && !codes_.isTaken(*gap))
        some.push_back(codes_.gaps()[*gap]);
    OwnCodesDialog dialog(codes_, some, codes_.unknown(), this);
    if (dialog.exec() == QDialog::Accepted)
        codes_.giveOwn(dialog.gaps(), dialog.series());
}

void CodesView::showChosen() {
    box_->show(chosen());
}

} // namespace moorfrost::app
