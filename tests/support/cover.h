// SPDX-License-Identifier: GPL-3.0-or-later
// A FLAC file gets a front cover.
#pragma once

#include <QBuffer>
#include <QImage>

#include <algorithm>
#include <random>
#include <vector>

#include "core/base/numbers.h"
#include "support/sample_files.h"

namespace moorfrost::test {

/// A sharp picture of so many points, as steep as pictures are (random walks along rows and columns);
/// enlarged to `shown`.
inline QImage walkPicture(int side, int shown) {
    QImage out(side, side, QImage::Format_RGB32);
    std::mt19937 random(7);
    const auto step = [&] { return (static_cast<double>(random() % 2001) - 1000) / 1000; };
    std::vector<double> down(static_cast<size_t>(side));
    for (int y = 0; y < side; ++y) {
        double along = 0;
        for (int x = 0; x < side; ++x) {
            double& d = down[static_cast<size_t>(x)];
            along = along * 0.95 + step() * 12;
            d = d * 0.95 + step() * 12;
            const int v = std::clamp(static_cast<int>(128 + along + d), 0, 255);
            out.setPixel(x, y, qRgb(v, v, 255 - v));
        }
    }
    return side == shown ? out : out.scaled(shown, shown, Qt::IgnoreAspectRatio, Qt::SmoothTransformation);
}

/// As JPEG in a PICTURE block behind the first block of the file.
inline void addCover(const Path& flac, const QImage& picture) {
    QByteArray jpeg;
    QBuffer buffer(&jpeg);
    if (!buffer.open(QIODevice::WriteOnly) || !picture.save(&buffer, "JPG", 92))
        qFatal("no picture");
    // Type, MIME type, no description, size, colours, data.
    auto n = [](auto v) { return asBigEndian(static_cast<uint32_t>(v), 4); };
    const std::string block = n(3) + n(10) + "image/jpeg" + n(0) + n(picture.width()) + n(picture.height()) +
                              n(24) + n(0) + n(jpeg.size()) + jpeg.toStdString();
    const std::string before = readBytes(flac);
    writeBytes(flac, before.substr(0, 42) + "\x06" + asBigEndian(static_cast<uint32_t>(block.size()), 3) +
                         block + before.substr(42));
}

/// 600 by 600 points.
inline void addCover(const Path& flac, const QColor& colour) {
    QImage picture(600, 600, QImage::Format_RGB32);
    picture.fill(colour);
    addCover(flac, picture);
}

} // namespace moorfrost::test
