// SPDX-License-Identifier: GPL-3.0-or-later
// A FLAC file gets a front cover of one colour.
#pragma once

#include <QBuffer>
#include <QImage>

#include "core/base/numbers.h"
#include "support/sample_files.h"

namespace moorfrost::test {

/// 600 by 600 points, as JPEG in a PICTURE block behind the first block of the file.
inline void addCover(const Path& flac, const QColor& colour) {
    QImage picture(600, 600, QImage::Format_RGB32);
    picture.fill(colour);
    QByteArray jpeg;
    QBuffer buffer(&jpeg);
    if (!buffer.open(QIODevice::WriteOnly) || !picture.save(&buffer, "JPG"))
        qFatal("no picture");
    // Type, MIME type, no description, size, colours, data.
    auto n = [](size_t v) { return asBigEndian(static_cast<uint32_t>(v), 4); };
    const std::string block = n(3) + n(10) + "image/jpeg" + n(0) + n(600) + n(600) + n(24) + n(0) +
                              n(static_cast<size_t>(jpeg.size())) + jpeg.toStdString();
    const std::string before = readBytes(flac);
    writeBytes(flac, before.substr(0, 42) + "\x06" + asBigEndian(static_cast<uint32_t>(block.size()), 3) +
                         block + before.substr(42));
}

} // namespace moorfrost::test
