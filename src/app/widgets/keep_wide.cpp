// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/keep_wide.h"

#include <QEvent>
#include <QLayout>
#include <QScrollBar>

#include <algorithm>

namespace moorfrost::app {

namespace {

bool changesRoom(const QEvent* event) {
    return event->type() == QEvent::LayoutRequest || event->type() == QEvent::Polish ||
           event->type() == QEvent::Show || event->type() == QEvent::StyleChange;
}

class KeepsWide : public QObject {
public:
    KeepsWide(QWidget* panel, int least) : QObject(panel), panel_(panel), least_(least) {
        panel->installEventFilter(this);
    }

protected:
    bool eventFilter(QObject*, QEvent* event) override {
        if (changesRoom(event))
            panel_->setMinimumWidth(std::max(least_, panel_->layout()->minimumSize().width()));
        return false;
    }

private:
    QWidget* panel_;
    int least_;
};

class KeepsAreaWide : public QObject {
public:
    KeepsAreaWide(QScrollArea* area, int least, int most)
        : QObject(area), area_(area), least_(least), most_(most) {
        area->widget()->installEventFilter(this);
    }

protected:
    bool eventFilter(QObject* object, QEvent* event) override {
        if (changesRoom(event) && object == area_->widget()) {
            const int frame = 2 * area_->frameWidth() + area_->verticalScrollBar()->sizeHint().width();
            const int wants = area_->widget()->minimumSizeHint().width() + frame;
            area_->setMinimumWidth(std::max(least_, std::min(wants, most_)));
        }
        return false;
    }

private:
    QScrollArea* area_;
    int least_, most_;
};

} // namespace

void keepWide(QWidget* panel, int least) {
    panel->setMinimumWidth(least);
    new KeepsWide(panel, least);
}

void keepWide(QScrollArea* area, int least, int most) {
    area->setMinimumWidth(least);
    new KeepsAreaWide(area, least, most);
}

} // namespace moorfrost::app
