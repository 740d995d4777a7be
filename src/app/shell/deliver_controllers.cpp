// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shell/deliver_controllers.h"

#include "app/shell/controllers.h"

namespace moorfrost::app {

DeliverControllers::DeliverControllers(Controllers& c)
    : delivering(c.library), deliveries(c.library),
      sheet(delivering, deliveries, c.library, c.jobs, c.messages, c.settings, c.files, c.drafts, c.index,
            c.releases, c.people),
      rowsOut(
          {delivering, c.library, c.jobs, c.messages, c.settings, c.files, c.drafts, c.index, deliveries}),
      rowsIn({c.library, c.jobs, c.messages, c.files, c.drafts, c.kept, c.index, rowsOut}),
      pages({delivering, c.library, c.jobs, c.messages, c.settings, c.files, c.index, c.kept, sheet,
             deliveries}),
      lists(delivering, c.library, c.jobs, c.messages, c.settings, c.index, deliveries),
      devices({delivering, c.library, c.jobs, c.messages, c.index, c.kept, deliveries}),
      packages(
          {delivering, c.library, c.jobs, c.messages, c.settings, c.index, c.bringIn, rowsIn, deliveries}) {
    QObject::connect(&c.settings, &LibrarySettings::loaded, &deliveries, &Deliveries::load);
    QObject::connect(&c.settings, &LibrarySettings::loaded, &devices, &DevicesController::load);
}

std::vector<QObject*> DeliverControllers::all() {
    return {&delivering, &deliveries, &sheet, &rowsOut, &rowsIn, &pages, &lists, &devices, &packages};
}

} // namespace moorfrost::app
