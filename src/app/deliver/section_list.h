// SPDX-License-Identifier: GPL-3.0-or-later
// The sections of a sheet: on or off, in their order, with how much of each is missing. Dragged, or moved
// with Alt+Up and Alt+Down; Space puts one on or off.
#pragma once

#include <QListWidget>

#include "core/deliver/one_sheet.h"

namespace moorfrost::app {

class SectionList : public QListWidget {
    Q_OBJECT
public:
    explicit SectionList(QWidget* parent = nullptr);
    /// `gaps` of it as far as they are known.
    void show(const deliver::SheetLayout& layout, const std::vector<deliver::SheetGap>& gaps);
    std::vector<deliver::SheetLayout::Place> places() const;
    void choose(deliver::Section section);
    void moveChosen(int by);
    QSize sizeHint() const override;

signals:
    /// By the person: places() are others.
    void changed();

protected:
    void keyPressEvent(QKeyEvent* event) override;
    void dropEvent(QDropEvent* event) override;

private:
    bool showing_ = false;
};

} // namespace moorfrost::app
