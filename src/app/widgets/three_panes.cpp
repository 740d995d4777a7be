// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/three_panes.h"
#include "app/widgets/keep_wide.h"
#include "app/widgets/line_icons.h"

#include <QSplitter>
#include <QVBoxLayout>

namespace moorfrost::app {

namespace {

QScrollArea* scrolling(QWidget* content) {
    auto* out = new QScrollArea;
    out->setWidget(content);
    out->setWidgetResizable(true);
    out->setFrameShape(QFrame::NoFrame);
    out->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    return out;
}

} // namespace

SearchHead searchHead(const QString& title, const QString& hint, const QString& name,
                      const std::vector<QWidget*>& buttons) {
    SearchHead out;
    out.search = new QLineEdit;
    out.search->setPlaceholderText(hint);
    out.search->setAccessibleName(name);
    addClearButton(out.search);
    out.search->setMinimumWidth(92);
    out.count = new ShortLabel;
    out.count->setObjectName("quiet");
    auto* row = new QHBoxLayout;
    auto* told = new ShortLabel(title);
    told->setObjectName("title");
    told->setSizePolicy(QSizePolicy::Maximum, QSizePolicy::Preferred);
    row->addWidget(told);
    row->addWidget(out.search, 2);
    row->addWidget(out.count, 2);
    row->addStretch();
    for (QWidget* b : buttons)
        row->addWidget(b);
    out.widget = bar("head", row, 46);
    return out;
}

ThreePanes threePanes(QBoxLayout* caption, QWidget* list, QWidget* sheet, QWidget* empty, QWidget* side,
                      const QList<int>& widths, const QString& name) {
    ThreePanes out;
    auto* left = new QFrame;
    left->setObjectName("panel");
    auto* leftLayout = new QVBoxLayout(left);
    leftLayout->setContentsMargins(0, 0, 0, 0);
    leftLayout->setSpacing(0);
    leftLayout->addLayout(caption);
    leftLayout->addWidget(list, 1);
    out.sheet = scrolling(sheet);
    out.side = scrolling(side);
    constexpr int widest = 420; // a single long word is no reason to be wider
    keepWide(out.side, 0, widest);
    out.stack = new QStackedWidget;
    out.stack->setObjectName("panel");
    out.stack->addWidget(out.sheet);
    out.stack->addWidget(empty);
    auto* splitter = new QSplitter;
    splitter->addWidget(left);
    splitter->addWidget(out.stack);
    splitter->addWidget(out.side);
    splitter->setStretchFactor(1, 1);
    splitter->setChildrenCollapsible(false);
    splitter->setSizes(widths);
    remember(splitter, name);
    out.widget = splitter;
    return out;
}

} // namespace moorfrost::app
