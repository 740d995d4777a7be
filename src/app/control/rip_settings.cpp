// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/rip_settings.h"

#include <QCoreApplication>
#include <QSettings>
#include <QStandardPaths>

#include "app/control/plans.h"
#include "app/shell/text_utils.h"
#include "core/audio/encode.h"

namespace moorfrost::app {

RipSettings rememberedRip() {
    const QSettings kept;
    RipSettings out;
    out.format = ss(kept.value("rip/format", "flac").toString());
    if (!audio::encodeFormat(out.format))
        out.format = "flac";
    out.bitrate = kept.value("rip/bitrate", 0).toInt();
    out.shelf = kept.value("rip/shelf", -1).toLongLong(); // -1: the first one
    const QString usual = QStandardPaths::writableLocation(QStandardPaths::MusicLocation) + "/" +
                          QCoreApplication::translate("Rip", "From discs");
    out.folder = Path(ss(kept.value("rip/into", usual).toString()));
    out.plan = ss(kept.value("rip/plan", usualPlanText()).toString());
    out.verify = kept.value("rip/verify", true).toBool();
    out.listen = kept.value("rip/listen", true).toBool();
    out.eject = kept.value("rip/eject", false).toBool();
    return out;
}

void rememberRip(const RipSettings& settings) {
    QSettings kept;
    kept.setValue("rip/format", qs(settings.format));
    kept.setValue("rip/bitrate", settings.bitrate);
    kept.setValue("rip/shelf", static_cast<qlonglong>(settings.shelf));
    kept.setValue("rip/into", qs(settings.folder.native()));
    kept.setValue("rip/plan", qs(settings.plan));
    kept.setValue("rip/verify", settings.verify);
    kept.setValue("rip/listen", settings.listen);
    kept.setValue("rip/eject", settings.eject);
}

} // namespace moorfrost::app
