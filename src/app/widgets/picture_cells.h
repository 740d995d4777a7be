// SPDX-License-Identifier: GPL-3.0-or-later
// Small pictures in the cells of trees, in front of the text that tells of them: as they were, as they will
// be.
#pragma once

#include <QMetaType>
#include <QRect>
#include <QString>

#include <vector>

#include "core/tags/tag_file.h"

class QPainter;
class QTreeWidget;
class QTreeWidgetItem;

namespace moorfrost::app {

struct PictureCell {
    std::vector<tags::PictureInfo> pictures;
    Path folder; // where pictures are kept
    Path holder; // a file of sound that holds them, if they are not
};

constexpr int picturesRole = Qt::UserRole + 20;

/// "600 \u00D7 600 JPEG, 31 kB".
QString pictureFacts(const tags::PictureInfo& picture);
/// The cell tells of these pictures; "none" where there are none.
void setPictures(QTreeWidgetItem* item, int column, const PictureCell& cell);
/// The tree is painted again when pictures have been read.
void showsPictures(QTreeWidget* tree);
/// Paints them from the left; returns how wide they are together. Of many only some.
int paintPictures(QPainter* painter, const QRect& rect, const PictureCell& cell);

} // namespace moorfrost::app

Q_DECLARE_METATYPE(moorfrost::app::PictureCell)
