// SPDX-License-Identifier: GPL-3.0-or-later
// Between the core's UTF-8 strings and byte paths, and Qt's strings.
#pragma once

#include <QLocale>
#include <QRegularExpression>
#include <QString>

#include "core/base/result.h"
#include "core/text/text.h"

namespace moorfrost::app {

inline QString qs(const std::string& s) {
    return QString::fromUtf8(s.data(), static_cast<qsizetype>(s.size()));
}
inline std::string ss(const QString& s) {
    return s.toStdString();
}
/// A path to show; not to open a file with.
inline QString shownPath(const Path& path) {
    return qs(text::forDisplay(path.native()));
}
inline QString shownName(const Path& path) {
    return qs(text::forDisplay(path.filename().native()));
}

/// A path has no blanks to break at: with places where it may be broken over lines.
inline QString breakable(QString path) {
    static const QRegularExpression joints("([/_.-]|[^/_.-]{20})");
    return path.replace(joints, QString("\\1") + QChar(0x200B));
}

/// "3:41", "1:02:03".
inline QString shownLength(double seconds) {
    auto s = static_cast<qlonglong>(seconds + 0.5);
    QString rest =
        QString("%1:%2").arg(s / 60 % 60, s >= 3600 ? 2 : 1, 10, QChar('0')).arg(s % 60, 2, 10, QChar('0'));
    return s >= 3600 ? QString("%1:%2").arg(s / 3600).arg(rest) : rest;
}

inline QString shownSize(uint64_t bytes) {
    return QLocale().formattedDataSize(static_cast<qint64>(bytes), 1, QLocale::DataSizeTraditionalFormat);
}

} // namespace moorfrost::app
