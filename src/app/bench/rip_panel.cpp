// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/rip_panel.h"

#include <algorithm>

#include <QCheckBox>
#include <QFileDialog>
#include <QVBoxLayout>

#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/controls.h"
#include "core/audio/encode.h"

namespace moorfrost::app {

using State = DiscsController::Track::State;

RipPanel::RipPanel(DiscsController& discs, QWidget* parent) : QFrame(parent), discs_(discs) {
    setObjectName("drawer");
    setMinimumWidth(230);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(14, 12, 14, 12);
    layout->setSpacing(6);
    auto* title = label(tr("Rip to files"), "");
    title->setFont(theme::uiFont(14, QFont::DemiBold));
    layout->addWidget(title);
    const DiscsController::Settings kept = DiscsController::remembered();
    format_ = new Choice;
    format_->setAccessibleName(tr("Format"));
    for (const audio::EncodeFormat& f : audio::encodeFormats())
        format_->addItem(f.lossless ? tr("%1, every sample").arg(qs(f.label)) : qs(f.label), qs(f.name));
    format_->setCurrentIndex(std::max(0, format_->findData(qs(kept.format))));
    bitrate_ = new Choice;
    bitrate_->setAccessibleName(tr("Bit rate"));
    layout->addWidget(label(tr("Format"), "caption"));
    layout->addWidget(format_);
    layout->addWidget(bitrate_);
    layout->addSpacing(6);
    layout->addWidget(label(tr("Into"), "caption"));
    folder_ = kept.into;
    into_ = new ShortLabel(shownPath(folder_));
    auto* choose = button(tr("Choose\u2026"));
    choose->setAutoDefault(false);
    auto* place = new QHBoxLayout;
    place->addWidget(into_, 1);
    place->addWidget(choose);
    layout->addLayout(place);
    layout->addSpacing(6);
    layout->addWidget(label(tr("Where it will be"), "caption"));
    preview_ = label({}, "mono");
    preview_->setTextFormat(Qt::PlainText);
    preview_->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Preferred);
    layout->addWidget(preview_);
    layout->addSpacing(6);
    layout->addWidget(label(tr("Reading"), "caption"));
    verify_ = new QCheckBox(tr("until two readings agree"));
    verify_->setChecked(kept.verify);
    layout->addWidget(verify_);
    layout->addStretch();
    fillRates(kept.bitrate);
    connect(format_, &QComboBox::currentIndexChanged, this, [this] {
        fillRates(DiscsController::remembered().bitrate);
        showPlan();
    });
    connect(choose, &QPushButton::clicked, this, [this] {
        const QString dir =
            QFileDialog::getExistingDirectory(this, tr("Where ripped discs go"), shownPath(folder_));
        if (!dir.isEmpty())
            setInto(Path(ss(dir)));
    });
}

void RipPanel::fillRates(int wanted) {
    const audio::EncodeFormat* format = audio::encodeFormat(ss(format_->currentData().toString()));
    bitrate_->clear();
    if (format)
        for (const int rate : format->bitrates)
            bitrate_->addItem(tr("%1 kbit/s").arg(rate / 1000), rate);
    const int at = bitrate_->findData(wanted);
    bitrate_->setCurrentIndex(at >= 0 ? at : bitrate_->findData(format ? format->usual : 0));
    bitrate_->setHidden(bitrate_->count() == 0);
}

QString RipPanel::preview() const {
    return preview_->toolTip();
}

DiscsController::Settings RipPanel::settings() const {
    return {ss(format_->currentData().toString()),
            bitrate_->count() > 0 ? bitrate_->currentData().toInt() : 0, folder_, verify_->isChecked()};
}

void RipPanel::setInto(const Path& folder) {
    folder_ = folder;
    into_->setText(shownPath(folder));
    into_->setToolTip(shownPath(folder));
    showPlan();
}

void RipPanel::setDisc(int number) {
    disc_ = number;
    showPlan();
}

void RipPanel::resizeEvent(QResizeEvent* event) {
    QFrame::resizeEvent(event);
    showPlan(); // its lines are as long as there is room
}

void RipPanel::showPlan() {
    const DiscsController::Disc* d = discs_.find(disc_);
    if (!d) {
        preview_->clear();
        emit planned(0);
        return;
    }
    const disc::RipPlan plan = discs_.planOf(*d, settings());
    QStringList lines;
    constexpr size_t most = 12;
    for (size_t i = 0; i < plan.tracks.size() && i < most; ++i) {
        if (i == 0)
            lines << shownName(plan.tracks[i].target.parent_path()) + "/";
        lines << "  " + shownName(plan.tracks[i].target);
    }
    if (plan.tracks.size() > most)
        lines << "  " + tr("and %n more", "", static_cast<int>(plan.tracks.size() - most));
    if (!plan.tracks.empty())
        lines << "  disc report.txt, disc.cue";
    preview_->setToolTip(lines.join('\n'));
    for (QString& line : lines)
        line = preview_->fontMetrics().elidedText(line, Qt::ElideMiddle, std::max(120, preview_->width()));
    const bool all = std::ranges::all_of(
        d->tracks, [](const DiscsController::Track& t) { return t.state == State::Ripped || !t.wanted; });
    preview_->setText(!lines.isEmpty() ? lines.join('\n')
                      : all &&
                              std::ranges::count(d->tracks, State::Ripped, &DiscsController::Track::state) > 0
                          ? tr("all of it is ripped")
                          : tr("nothing"));
    emit planned(static_cast<int>(plan.tracks.size()));
}

} // namespace moorfrost::app
