// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/covers.h"

#include <QGuiApplication>
#include <QImage>
#include <QRunnable>

#include "app/shell/text_utils.h"
#include "core/guard/readers.h"

namespace moorfrost::app {

namespace {
constexpr int mostPictureBytes = 32 << 20;

QImage frontCover(const Path& path, int side) {
    auto pictures = guard::Readers::shared().readPictures(path);
    if (!pictures || pictures->empty())
        return {};
    const tags::Picture* best = &pictures->front();
    for (const tags::Picture& p : *pictures)
        if (p.info.type == "front cover") {
            best = &p;
            break;
        }
    if (best->data.size() > mostPictureBytes || best->info.width > 12000 || best->info.height > 12000)
        return {};
    QImage image = QImage::fromData(reinterpret_cast<const uchar*>(best->data.data()),
                                    static_cast<int>(best->data.size()));
    return image.scaled(side, side, Qt::KeepAspectRatioByExpanding, Qt::SmoothTransformation);
}
} // namespace

Covers& Covers::instance() {
    static Covers* covers = [] {
        auto* c = new Covers;
        c->setParent(qApp);
        return c;
    }();
    return *covers;
}

Covers::Covers() : cache_(64 << 10) { // kilobytes
    pool_.setMaxThreadCount(2);
}

QPixmap Covers::cover(const library::FileRecord& file, int side) {
    if (file.tags.pictures.empty())
        return {};
    qreal ratio = qGuiApp->devicePixelRatio();
    int pixels = qRound(side * ratio);
    QString key =
        QString("%1/%2/%3/%4").arg(file.id).arg(file.state.modifiedNs).arg(file.state.size).arg(pixels);
    if (QPixmap* p = cache_.object(key))
        return *p;
    if (!asked_.insert(key).second)
        return {};
    pool_.start([this, key, pixels, ratio, path = file.path] {
        QImage image = frontCover(path, pixels);
        QMetaObject::invokeMethod(
            this,
            [this, key, image, ratio, pixels] {
                if (!image.isNull()) {
                    QPixmap p = QPixmap::fromImage(image.copy((image.width() - pixels) / 2,
                                                              (image.height() - pixels) / 2, pixels, pixels));
                    p.setDevicePixelRatio(ratio);
                    cache_.insert(key, new QPixmap(p), std::max(1, pixels * pixels * 4 / 1024));
                    asked_.erase(key);
                    emit ready();
                }
            },
            Qt::QueuedConnection);
    });
    return {};
}

} // namespace moorfrost::app
