// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/people/part_buttons.h"

#include <QHBoxLayout>
#include <QPushButton>

#include "app/widgets/controls.h"

namespace moorfrost::app {

PartButtons::PartButtons(Part current, QWidget* parent) : QWidget(parent) {
    auto* layout = new QHBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    const QString names[] = {tr("Editions"), tr("People"), tr("Works"), tr("Agreements")};
    for (const Part part : {Editions, People, Works, Agreements}) {
        QPushButton* b = moorfrost::app::button(names[part], part == Editions     ? "left"
                                                             : part == Agreements ? "right"
                                                                                  : "middle");
        b->setCheckable(true);
        b->setChecked(part == current);
        buttons_[part] = b;
        layout->addWidget(b);
        connect(b, &QPushButton::clicked, this, [this, part, current, b] {
            b->setChecked(part == current); // each page has its own buttons
            if (part != current)
                emit wanted(part);
        });
    }
}

} // namespace moorfrost::app
