// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/thumbnails.h"

#include <algorithm>

#include <QCoreApplication>
#include <QCryptographicHash>
#include <QDateTime>
#include <QDir>
#include <QDirIterator>
#include <QStandardPaths>
#include <QThread>

#include "core/sandbox/parser_pool.h"

namespace moorfrost::app::thumbnails {

namespace {

constexpr int keptSide = 320;
constexpr int mostSide = 2048; // pixels

QImage square(const QImage& image, int side) {
    QImage scaled = image.scaled(side, side, Qt::KeepAspectRatioByExpanding, Qt::SmoothTransformation);
    return scaled.copy((scaled.width() - side) / 2, (scaled.height() - side) / 2, side, side);
}

/// Decoded, cut and scaled in a reading process.
QImage imageOf(const Result<pictures::Square>& square) {
    if (!square)
        return {};
    const QImage there(reinterpret_cast<const uchar*>(square->pixels.data()), square->side, square->side,
                       square->side * 4, QImage::Format_RGBA8888);
    return there.convertToFormat(square->hasAlpha ? QImage::Format_ARGB32_Premultiplied
                                                  : QImage::Format_RGB32);
}

QString placeOf(const Path& file, const files::FileState& state) {
    QCryptographicHash hash(QCryptographicHash::Blake2b_160);
    hash.addData(QByteArray::fromStdString(file.native()));
    hash.addData(QByteArray::number(qint64(state.size)) + ' ' + QByteArray::number(qint64(state.modifiedNs)));
    QString name = QString::fromLatin1(hash.result().toHex());
    return folder() + "/" + name.left(2) + "/" + name.mid(2) + ".jpg";
}

} // namespace

QString folder() {
    return QStandardPaths::writableLocation(QStandardPaths::CacheLocation) + "/thumbnails";
}

QImage ofPicture(const Path& picture, const Path& holder, uint64_t hash, int side) {
    auto& readers = sandbox::ParserPool::shared();
    side = std::min(side, mostSide);
    std::error_code error;
    if (std::filesystem::is_regular_file(picture, error))
        if (QImage image = imageOf(readers.pictureOf(picture, 0, side)); !image.isNull())
            return image;
    return holder.empty() || hash == 0 ? QImage() : imageOf(readers.pictureOf(holder, hash, side));
}

QImage of(const Path& file, const files::FileState& state, int side) {
    const QString place = placeOf(file, state);
    if (QImage kept; side <= keptSide && kept.load(place))
        return square(kept, side);
    QImage cover =
        imageOf(sandbox::ParserPool::shared().coverOf(file, std::min(std::max(side, keptSide), mostSide)));
    if (cover.isNull())
        return {};
    if (side <= keptSide && !cover.hasAlphaChannel()) {
        // Under another name first: one that is cut short must never be taken for whole.
        const QString part = place + QString(".%1-%2.part")
                                         .arg(QCoreApplication::applicationPid())
                                         .arg(quintptr(QThread::currentThreadId()));
        QDir().mkpath(QFileInfo(place).path());
        if (!cover.save(part, "JPG", 88) || !QFile::rename(part, place))
            QFile::remove(part);
    }
    return square(cover, side);
}

void prune(qint64 most) {
    std::vector<std::pair<QDateTime, QFileInfo>> all;
    qint64 bytes = 0;
    for (QDirIterator it(folder(), QDir::Files, QDirIterator::Subdirectories); it.hasNext();) {
        it.next();
        all.emplace_back(it.fileInfo().lastModified(), it.fileInfo());
        bytes += it.fileInfo().size();
    }
    std::sort(all.begin(), all.end(), [](const auto& a, const auto& b) { return a.first < b.first; });
    for (const auto& [when, file] : all) {
        if (bytes <= most)
            break;
        if (QFile::remove(file.filePath()))
            bytes -= file.size();
    }
}

} // namespace moorfrost::app::thumbnails
