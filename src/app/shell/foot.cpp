// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shell/foot.h"

#include <QHBoxLayout>
#include <QPointer>

#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/controls.h"

namespace moorfrost::app {

Foot::Foot(const Uses& use, QWidget* parent) : QFrame(parent), use_(use) {
    setObjectName("foot");
    setFixedHeight(46);
    auto* layout = new QHBoxLayout(this);
    layout->setContentsMargins(12, 0, 14, 0);
    layout->setSpacing(8);
    bar_ = new PlayerBar({use_.files, use_.drafts, use_.peaks, use_.queue, use_.player});
    drafts_ = label({}, "draft");
    moves_ = label({}, "quiet");
    review_ = button(tr("Review"));
    write_ = button(tr("Write\u2026"), "accent");
    layout->addWidget(bar_, 1);
    layout->addSpacing(16);
    layout->addWidget(drafts_);
    layout->addWidget(moves_);
    layout->addSpacing(4);
    layout->addWidget(review_);
    layout->addWidget(write_);
    connect(&use_.drafts, &DraftsController::changed, this, &Foot::showDrafts);
    connect(&use_.places, &PlacesController::changed, this, &Foot::showDrafts);
    connect(&use_.batch, &BatchController::changed, this, &Foot::showDrafts);
    connect(&use_.jobs, &JobList::changed, this, &Foot::showDrafts);
    connect(&use_.writing, &WritingController::written, this, &Foot::showDrafts);
    showDrafts();
}

void Foot::setReviewing(bool on) {
    reviewing_ = on;
    review_->setText(on ? tr("Close review") : tr("Review"));
    showDrafts();
}

void Foot::resizeEvent(QResizeEvent* event) {
    QFrame::resizeEvent(event);
    // In a narrow window what matters less makes room.
    bar_->setRoom(width());
    moves_->setVisible(width() >= 740);
}

void Foot::showDrafts() {
    const bench::DraftCounts& counts = use_.places.counts();
    const auto drafts = static_cast<int>(counts.fields);
    const auto inFiles = static_cast<int>(counts.files);
    const auto elsewhere = static_cast<int>(counts.elsewhere);
    const auto moves = static_cast<int>(use_.places.places().moving());
    bool any = drafts > 0 || moves > 0;
    drafts_->setText(drafts > 0
                         ? tr("%1 in %2").arg(tr("%n draft(s)", "", drafts), tr("%n file(s)", "", inFiles))
                         : QString());
    QStringList parts;
    if (moves > 0)
        parts << tr("%n file(s) to move", "", moves);
    parts << (any ? tr("nothing written yet") : tr("No drafts: nothing to write"));
    if (elsewhere > 0)
        parts << tr("%n more in other batches", "", elsewhere);
    moves_->setText((drafts > 0 ? QString("\u00B7 ") : QString()) + parts.join(" \u00B7 "));
    review_->setEnabled(any || reviewing_);
    write_->setEnabled(any && use_.writing.canWrite());
    write_->setText(!reviewing_ || !any ? tr("Write\u2026") : tr("Write %n change(s)", "", drafts + moves));
}

JobShelf::JobShelf(JobList& jobs, QWidget* parent) : QFrame(parent), jobs_(jobs) {
    setObjectName("jobs");
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(12, 4, 14, 4);
    layout->setSpacing(2);
    trouble_ = new QWidget;
    auto* line = new QHBoxLayout(trouble_);
    line->setContentsMargins(0, 0, 0, 0);
    line->setSpacing(12);
    troubleTitle_ = label({}, "wrong");
    troubleDetail_ = new ShortLabel;
    look_ = button(tr("Look"));
    look_->setToolTip(tr("Show every file of this write, with the reasons"));
    retry_ = button(tr("Retry"));
    auto* dismiss = button(tr("Dismiss"), "flat");
    line->addWidget(troubleTitle_);
    line->addWidget(troubleDetail_, 1);
    for (QPushButton* b : {look_, retry_, dismiss})
        line->addWidget(b);
    layout->addWidget(trouble_);
    trouble_->hide();
    connect(look_, &QPushButton::clicked, this, &JobShelf::lookWanted);
    connect(dismiss, &QPushButton::clicked, this, [this] { jobs_.setTrouble(std::nullopt); });
    connect(retry_, &QPushButton::clicked, this, [this] {
        if (jobs_.trouble())
            jobs_.trouble()->retry();
    });
    connect(&jobs_, &JobList::changed, this, &JobShelf::refresh);
    hide();
}

QString JobShelf::troubleText() const {
    return jobs_.trouble() ? jobs_.trouble()->title + " " + jobs_.trouble()->detail : QString();
}

void JobShelf::refresh() {
    std::vector<work::JobView> shown;
    for (work::JobView& job : jobs_.list())
        if (job.progress.total > 0 || job.waiting)
            shown.push_back(std::move(job));
    while (rows_.size() < shown.size()) {
        auto* box = new QWidget;
        auto* line = new QHBoxLayout(box);
        line->setContentsMargins(0, 0, 0, 0);
        line->setSpacing(12);
        Row row{0, box, label({}, ""), label({}, "quiet"), new QProgressBar, button(tr("Stop"))};
        row.bar->setTextVisible(false);
        row.bar->setFixedWidth(180);
        line->addWidget(row.title);
        line->addWidget(row.bar);
        line->addWidget(row.detail, 1);
        line->addWidget(row.stop);
        size_t index = rows_.size();
        connect(row.stop, &QPushButton::clicked, this, [this, index] { jobs_.stop(rows_[index].job); });
        static_cast<QVBoxLayout*>(layout())->insertWidget(static_cast<int>(rows_.size()), box);
        rows_.push_back(row);
    }
    for (size_t i = 0; i < rows_.size(); ++i) {
        rows_[i].box->setVisible(i < shown.size());
        if (i >= shown.size())
            continue;
        const work::JobView& job = shown[i];
        const work::Progress::State& s = job.progress;
        rows_[i].job = job.id;
        rows_[i].title->setText(qs(job.title));
        rows_[i].bar->setRange(0, std::max(1, static_cast<int>(s.total)));
        rows_[i].bar->setValue(static_cast<int>(s.done));
        rows_[i].stop->setEnabled(!job.stopping);
        if (job.waiting) {
            rows_[i].detail->setText(tr("waits until what is being written is done"));
            continue;
        }
        QStringList parts{tr("%L1 of %L2").arg(s.done).arg(s.total)};
        if (s.perSecond > 0)
            parts << tr("%L1 a second").arg(qRound(s.perSecond));
        if (s.secondsLeft > 1)
            parts << tr("%n second(s) left", "", static_cast<int>(s.secondsLeft + 0.5));
        parts << qs(text::forDisplay(s.item));
        rows_[i].detail->setText(parts.join(" \u00B7 "));
    }
    trouble_->setVisible(jobs_.trouble().has_value());
    if (jobs_.trouble()) {
        troubleTitle_->setText(jobs_.trouble()->title);
        troubleDetail_->setText(jobs_.trouble()->detail);
        troubleDetail_->setToolTip(jobs_.trouble()->detail);
        retry_->setEnabled(!jobs_.isWriting());
        for (QPushButton* b : {look_, retry_}) // of a write
            b->setVisible(static_cast<bool>(jobs_.trouble()->retry));
    }
    setVisible(!shown.empty() || jobs_.trouble());
}

} // namespace moorfrost::app
