// SPDX-License-Identifier: GPL-3.0-or-later
// The columns of the sheet: which, in which order, how wide; remembered, and kept as sets under names.
#pragma once

#include <QObject>

#include "app/control/places_controller.h"
#include "app/widgets/sheet.h"

class QMenu;

namespace moorfrost::app {

class SheetColumns : public QObject {
    Q_OBJECT
public:
    SheetColumns(SheetModel* model, SheetView* view, const CustomFields& customFields);

    /// Lets the user choose.
    void choose(QWidget* parent);
    void show(const std::vector<std::string>& columns);
    /// The sets, and the way to choose.
    void fillMenu(QMenu* menu, QWidget* parent);
    std::vector<std::string> all() const;

signals:
    void changed();

private:
    void remember();
    /// As they are seen.
    std::vector<std::string> inSight() const;

    SheetModel* model_;
    SheetView* view_;
    const CustomFields& customFields_;
    bool placing_ = false;
};

} // namespace moorfrost::app
