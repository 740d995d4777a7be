// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/deliver/deliver_view.h"

#include <QFileDialog>
#include <QFrame>
#include <QScrollArea>
#include <QSplitter>
#include <QVBoxLayout>

#include "app/deliver/layout_bar.h"
#include "app/shell/text_utils.h"
#include "app/widgets/controls.h"
#include "app/widgets/keep_wide.h"

namespace moorfrost::app {

void DeliverView::showEvent(QShowEvent* event) {
    QWidget::showEvent(event);
    setInSight(true);
}

void DeliverView::hideEvent(QHideEvent* event) {
    QWidget::hideEvent(event);
    setInSight(false);
}

QWidget* DeliverView::panes(QWidget* left, QWidget* right, const QString& name, int leftWidth) {
    auto* split = new QSplitter;
    split->setChildrenCollapsible(false);
    split->setHandleWidth(1);
    split->addWidget(left);
    split->addWidget(right);
    split->setStretchFactor(1, 1);
    split->setSizes({leftWidth, 990 - leftWidth});
    remember(split, name);
    return split;
}

void DeliverView::fillWith(QWidget* widget) {
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->addWidget(widget);
}

QWidget* DeliverView::scrolling(QWidget* content, int narrowest) {
    auto* area = new QScrollArea;
    area->setFrameShape(QFrame::NoFrame);
    area->setWidgetResizable(true);
    area->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    area->setWidget(content);
    constexpr int widest = 640;
    keepWide(area, narrowest, widest);
    return area;
}

QWidget* DeliverView::ground(QBoxLayout* row, QWidget* below, int narrowest) {
    row->setContentsMargins(20, 12, 20, 10);
    row->setSpacing(8);
    auto* box = new QFrame;
    box->setObjectName("paperGround");
    auto* layout = new QVBoxLayout(box);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addLayout(row);
    layout->addWidget(below, 1);
    box->setMinimumWidth(narrowest);
    return box;
}

Path DeliverView::askWhereToSave(const QString& title, const Path& proposed, const QString& ending) {
    const QString file =
        QFileDialog::getSaveFileName(this, title, deliverFolder() + "/" + qs(proposed.native()),
                                     tr("%1 (*%2);;All files (*)").arg(ending.mid(1).toUpper(), ending));
    if (file.isEmpty())
        return {};
    rememberDeliverFolder(file);
    Path out(ss(file));
    if (!out.has_extension())
        out += ss(ending);
    return out;
}

QWidget* DeliverView::groundOrHint(QWidget* shown, QWidget* hint) {
    auto* box = new QFrame;
    box->setObjectName("paperGround");
    auto* layout = new QVBoxLayout(box);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->addWidget(shown);
    layout->addWidget(hint);
    box->setMinimumWidth(300);
    return box;
}

} // namespace moorfrost::app
