// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/covers.h"

#include <QGuiApplication>

#include "app/shell/text_utils.h"
#include "app/widgets/thumbnails.h"
#include "core/tags/kept_pictures.h"

namespace moorfrost::app {

namespace {
constexpr qint64 mostOnDisk = qint64(512) << 20;
}

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
    pool_.start([] { thumbnails::prune(mostOnDisk); });
}

QPixmap Covers::cover(const library::FileRecord& file, int side) {
    return file.tags.pictures.empty() ? QPixmap() : cover(file.path, side);
}

QPixmap Covers::cover(const Path& file, int side) {
    const int pixels = qRound(side * qGuiApp->devicePixelRatio());
    const QString key =
        QString::number(pixels) + "/" + QString::fromLatin1(QByteArray::fromStdString(file.native()));
    const Kept* kept = cache_.object(key);
    if (!kept || kept->age != age_)
        ask(key, file, pixels, kept);
    return kept ? kept->picture : QPixmap();
}

void Covers::ask(const QString& key, const Path& file, int pixels, const Kept* had) {
    if (!asked_.insert(key).second)
        return;
    pool_.start(
        [this, key, pixels, file, age = age_, before = had ? std::optional(had->state) : std::nullopt] {
            auto looked = files::stateOf(file);
            const files::FileState state = looked ? *looked : files::FileState();
            const bool same = before && *before == state;
            QImage image = same ? QImage() : thumbnails::of(file, state, pixels);
            QMetaObject::invokeMethod(
                this,
                [this, key, image, state, same, age, pixels] {
                    asked_.erase(key);
                    if (Kept* kept = same ? cache_.object(key) : nullptr) {
                        kept->age = age;
                        return;
                    }
                    keep(key, image, state, age, pixels);
                },
                Qt::QueuedConnection);
        });
}

void Covers::keep(const QString& key, const QImage& image, const files::FileState& state, int age,
                  int pixels) {
    auto* fresh = new Kept{QPixmap::fromImage(image), state, age};
    fresh->picture.setDevicePixelRatio(qGuiApp->devicePixelRatio());
    cache_.insert(key, fresh, image.isNull() ? 1 : std::max(1, pixels * pixels * 4 / 1024));
    emit ready();
}

QPixmap Covers::picture(const tags::PictureInfo& info, const Path& folder, const Path& holder, int side) {
    const int pixels = qRound(side * qGuiApp->devicePixelRatio());
    const Path kept = folder / tags::keptName(info);
    const QString key = QString("%1:%2").arg(pixels).arg(QString::fromStdString(tags::keptName(info)));
    if (const Kept* had = cache_.object(key); had && (!had->picture.isNull() || had->age == age_))
        return had->picture;
    if (asked_.insert(key).second)
        pool_.start([this, key, pixels, kept, holder, hash = info.hash, age = age_] {
            const QImage image = thumbnails::ofPicture(kept, holder, hash, pixels);
            QMetaObject::invokeMethod(
                this,
                [this, key, image, age, pixels] {
                    asked_.erase(key);
                    keep(key, image, {}, age, pixels);
                },
                Qt::QueuedConnection);
        });
    return {};
}

} // namespace moorfrost::app
