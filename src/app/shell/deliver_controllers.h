// SPDX-License-Identifier: GPL-3.0-or-later
// The controllers of what goes out of the library and what comes back, in the order in which they are made.
#pragma once

#include "app/control/deliveries.h"
#include "app/control/delivering.h"
#include "app/control/devices_controller.h"
#include "app/control/lists_out_controller.h"
#include "app/control/packages_controller.h"
#include "app/control/pages_controller.h"
#include "app/control/rows_in_controller.h"
#include "app/control/rows_out_controller.h"
#include "app/control/sheet_controller.h"

namespace moorfrost::app {

class Controllers;

struct DeliverControllers {
    explicit DeliverControllers(Controllers& c);
    std::vector<QObject*> all();

    Delivering delivering;
    Deliveries deliveries;
    SheetController sheet;
    RowsOutController rowsOut;
    RowsInController rowsIn;
    PagesController pages;
    ListsOutController lists;
    DevicesController devices;
    PackagesController packages;
};

} // namespace moorfrost::app
