// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/discs/disc_pictures_strip.h"

#include "app/shell/text_utils.h"

namespace moorfrost::app {

namespace {

constexpr int side = 56;

} // namespace

DiscPicturesStrip::DiscPicturesStrip(DiscPictures& pictures, QWidget* parent)
    : QListWidget(parent), pictures_(pictures) {
    setAccessibleName(tr("Pictures of the release"));
    setFlow(LeftToRight);
    setWrapping(false);
    setFrameShape(NoFrame);
    setIconSize({side, side});
    setHorizontalScrollMode(ScrollPerPixel);
    setVerticalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Fixed);
    connect(this, &QListWidget::itemChanged, this, [this](QListWidgetItem* item) {
        if (!filling_)
            pictures_.setWanted(disc_, static_cast<size_t>(row(item)), item->checkState() == Qt::Checked);
    });
    connect(&pictures, &DiscPictures::changed, this, [this](int disc) {
        if (disc == disc_)
            fill();
    });
}

void DiscPicturesStrip::setDisc(int number) {
    disc_ = number;
    fill();
}

void DiscPicturesStrip::fill() {
    const DiscPictures::Shown* shown = pictures_.of(disc_);
    filling_ = true;
    const int row = currentRow();
    clear();
    for (size_t i = 0; shown && i < shown->candidates.size(); ++i) {
        const PictureCandidate& c = shown->candidates[i];
        auto* item = new QListWidgetItem(this);
        const QString type = qs(c.info.type.empty() ? c.told.type : c.info.type);
        const QString size =
            c.refused.isEmpty() ? QString("%1 \u00D7 %2").arg(c.info.width).arg(c.info.height) : c.refused;
        item->setIcon(QIcon(QPixmap::fromImage(
            c.image.isNull()
                ? QImage(side, side, QImage::Format_RGB32)
                : c.image.scaled(side * 2, side * 2, Qt::KeepAspectRatio, Qt::SmoothTransformation))));
        item->setToolTip(
            type + ", " + size +
            (c.isEnlarged() ? "\n" + tr("enlarged: it has less detail than its size") : QString()));
        item->setData(Qt::AccessibleTextRole, type + ", " + size);
        item->setFlags(c.refused.isEmpty()
                           ? Qt::ItemIsEnabled | Qt::ItemIsSelectable | Qt::ItemIsUserCheckable
                           : Qt::ItemIsSelectable);
        item->setCheckState(shown->wanted.contains(i) ? Qt::Checked : Qt::Unchecked);
    }
    if (row >= 0 && row < count())
        setCurrentRow(row);
    filling_ = false;
}

} // namespace moorfrost::app
