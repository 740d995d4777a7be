// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/picture_cells.h"

#include <QCoreApplication>
#include <QPainter>
#include <QTreeWidget>

#include "app/shell/text_utils.h"
#include "app/widgets/covers.h"
#include "app/widgets/paint.h"

namespace moorfrost::app {

namespace {
constexpr int side = 24, gap = 4;
constexpr size_t most = 4;
} // namespace

QString pictureFacts(const tags::PictureInfo& p) {
    QStringList parts;
    if (p.width > 0)
        parts << QString("%1 \u00D7 %2").arg(p.width).arg(p.height);
    if (const QString kind = qs(p.mime).section('/', 1).toUpper(); !kind.isEmpty())
        parts << kind;
    QString out = parts.join(" ");
    out += (out.isEmpty() ? "" : ", ") + shownSize(p.bytes);
    if (!p.description.empty())
        out += QString(" \u201C%1\u201D").arg(qs(p.description));
    return out;
}

void setPictures(QTreeWidgetItem* item, int column, const PictureCell& cell) {
    QStringList facts;
    for (const tags::PictureInfo& p : cell.pictures)
        facts << pictureFacts(p);
    item->setText(column,
                  facts.isEmpty() ? QCoreApplication::translate("PictureCells", "none") : facts.join("; "));
    item->setToolTip(column, item->text(column));
    if (!cell.pictures.empty())
        item->setData(column, picturesRole, QVariant::fromValue(cell));
}

void showsPictures(QTreeWidget* tree) {
    QObject::connect(&Covers::instance(), &Covers::ready, tree, [tree] { tree->viewport()->update(); });
}

int paintPictures(QPainter* painter, const QRect& rect, const PictureCell& cell) {
    int used = 0;
    for (size_t i = 0; i < std::min(most, cell.pictures.size()); ++i) {
        const QRect at = paint::Mirror(*painter, rect)(
            QRect(rect.left() + 3 + used, rect.top() + (rect.height() - side) / 2, side, side));
        const QPixmap picture = Covers::instance().picture(cell.pictures[i], cell.folder, cell.holder, side);
        if (picture.isNull())
            paint::blankCover(*painter, at, "sleeve");
        else
            painter->drawPixmap(at, picture);
        used += side + gap;
    }
    return used;
}

} // namespace moorfrost::app
