// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/drive_offsets.h"

#include <QSettings>

#include "app/shell/text_utils.h"
#include "core/disc/ripper.h"

namespace moorfrost::app {

namespace {

QString settingOf(const QString& drive) {
    return "rip/offsets/" + QString::fromLatin1(drive.toUtf8().toHex());
}

} // namespace

std::optional<KnownOffset> DriveOffsets::of(const DiscsController::Disc& disc) {
    const QStringList kept = QSettings().value(settingOf(disc.driveKey())).toStringList();
    if (kept.size() != 2)
        return std::nullopt;
    return KnownOffset{kept[0].toInt(), kept[1]};
}

void DriveOffsets::keep(const QString& drive, const KnownOffset& offset) {
    QSettings().setValue(settingOf(drive), QStringList{QString::number(offset.samples), offset.from});
    emit changed();
}

void DriveOffsets::remember(const DiscsController::Disc& disc, const KnownOffset& offset) {
    keep(disc.driveKey(), offset);
}

bool DriveOffsets::canFind(int number) const {
    const DiscsController::Disc* d = discs_.find(number);
    const disc::Variant* v = d && !d->busy ? d->variant() : nullptr;
    return v && v->mediumThere() && !v->mediumThere()->readings.empty();
}

void DriveOffsets::find(int number) {
    if (!canFind(number))
        return;
    const DiscsController::Disc& d = *discs_.find(number);
    jobs_.start(
        this,
        {ss(tr("Finding the offset of %1").arg(d.name)), work::Priority::Asked, {.drive = d.drive.native()}},
        [drive = d.drive, toc = d.toc, medium = *d.variant()->mediumThere()](
            std::stop_token stop, work::Progress&) { return disc::offsetOfDrive(drive, toc, medium, stop); },
        [this, key = d.driveKey(), title = d.title()](Result<std::optional<int>> offset) {
            if (!offset)
                messages_.say(offset.error());
            else if (*offset)
                keep(key, {**offset, title});
            else
                messages_.say(tr("What others have read of this disc is not what this drive reads, by no "
                                 "offset. Try another disc."),
                              true);
        });
}

} // namespace moorfrost::app
