// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/keep_wide.h"

#include <QEvent>
#include <QLayout>

#include <algorithm>

namespace moorfrost::app {

namespace {

class KeepsWide : public QObject {
public:
    KeepsWide(QWidget* panel, int least) : QObject(panel), panel_(panel), least_(least) {
        panel->installEventFilter(this);
    }

protected:
    bool eventFilter(QObject*, QEvent* event) override {
        const auto type = event->type();
        if (type == QEvent::LayoutRequest || type == QEvent::Polish || type == QEvent::Show ||
            type == QEvent::StyleChange)
            panel_->setMinimumWidth(std::max(least_, panel_->layout()->minimumSize().width()));
        return false;
    }

private:
    QWidget* panel_;
    int least_;
};

} // namespace

void keepWide(QWidget* panel, int least) {
    panel->setMinimumWidth(least);
    new KeepsWide(panel, least);
}

} // namespace moorfrost::app
