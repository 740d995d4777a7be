// SPDX-License-Identifier: GPL-3.0-or-later
// Files of the batch, as they are dragged within the window; and those that are dropped on it.
#pragma once

#include <QMimeData>
#include <QUrl>

#include <memory>

#include "app/control/files_controller.h"

namespace moorfrost::app::drag {

inline const QString mimeType = QStringLiteral("application/x-moorfrost-files");

inline std::unique_ptr<QMimeData> dataOf(const std::vector<FileId>& files) {
    QByteArray numbers;
    for (FileId id : files)
        numbers += QByteArray::number(static_cast<qlonglong>(id)) + ' ';
    auto data = std::make_unique<QMimeData>();
    data->setData(mimeType, numbers);
    return data;
}

inline std::vector<FileId> filesOf(const QMimeData* data) {
    std::vector<FileId> out;
    for (const QByteArray& number : data->data(mimeType).split(' '))
        if (!number.isEmpty())
            out.push_back(number.toLongLong());
    return out;
}

/// Files and folders from outside: the bytes of their paths, which need not be UTF-8.
inline std::vector<Path> pathsOf(const QMimeData* data) {
    std::vector<Path> out;
    for (const QUrl& url : data->urls())
        if (url.isLocalFile())
            out.emplace_back(
                QByteArray::fromPercentEncoding(url.path(QUrl::FullyEncoded).toLatin1()).toStdString());
    return out;
}

} // namespace moorfrost::app::drag
