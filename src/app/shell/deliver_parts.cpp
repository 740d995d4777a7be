// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shell/deliver_parts.h"

#include <QCoreApplication>

#include "app/deliver/before_view.h"
#include "app/deliver/deliver_page.h"
#include "app/deliver/device_view.h"
#include "app/deliver/lists_view.h"
#include "app/deliver/one_sheet_view.h"
#include "app/deliver/package_view.h"
#include "app/deliver/page_view.h"
#include "app/deliver/rows_in_view.h"
#include "app/deliver/rows_out_view.h"
#include "app/shell/controllers.h"
#include "app/shell/deliver_controllers.h"

namespace moorfrost::app {

DeliverPage* makeDeliverPage(Controllers& c) {
    auto tr = [](const char* text) { return QCoreApplication::translate("DeliverPage", text); };
    DeliverControllers& d = *c.out;
    auto* oneSheet =
        new OneSheetView({c.messages, c.files, c.drafts, d.delivering, d.sheet, c.releases, c.people});
    auto* page = new PageView(d.pages, d.delivering, c.index, c.messages);
    auto* rowsOut = new RowsOutView(d.rowsOut, d.delivering, c.index, c.messages);
    auto* rowsIn = new RowsInView(d.rowsIn, c.index, c.shelves, c.messages);
    auto* lists = new ListsView(d.lists, d.delivering, c.messages);
    auto* device = new DeviceView(d.devices, d.delivering, c.messages);
    auto* package = new PackageView(d.packages, d.delivering, c.messages);
    auto* before = new BeforeView(d.deliveries, d.delivering, d.rowsOut, d.sheet, c.index, c.messages);
    auto* all = new DeliverPage(
        {c.index, d.delivering, d.sheet},
        {{DeliverWay::OneSheet, tr("One-sheet"), tr("Facts, people and lyrics of a song on a page"),
          oneSheet},
         {DeliverWay::SharePage, tr("Share page"), tr("To listen, comment and download, in any browser"),
          page},
         {DeliverWay::SheetOut, tr("Sheet out"), tr("Rows for another system, as it wants them"), rowsOut},
         {DeliverWay::SheetIn, tr("Sheet in"), tr("Rows that others send, taken as drafts"), rowsIn},
         {DeliverWay::Lists, tr("List"), tr("For any player, or the whole library as JSON Lines"), lists},
         {DeliverWay::Device, tr("Device"), tr("Copies that are kept in step"), device},
         {DeliverWay::Package, tr("Package"), tr("For an archive, with sums and what is known"), package},
         {DeliverWay::Before, tr("Delivered before"), tr("What went out, to whom, and what came back"),
          before}});
    QObject::connect(before, &BeforeView::wayWanted, all, &DeliverPage::show);
    QObject::connect(before, &BeforeView::repeated, all, [all, &d](const library::Delivery& delivery) {
        if (delivery.way == "list") {
            if (auto layout = deliver::listLayoutFromJson(delivery.layout))
                d.lists.layouts().change(std::move(*layout));
            return all->show(DeliverWay::Lists);
        }
        if (delivery.way == "device")
            return all->show(DeliverWay::Device);
        if (delivery.way == "package") {
            if (auto layout = deliver::packageLayoutFromJson(delivery.layout))
                d.packages.layouts().change(std::move(*layout));
            return all->show(DeliverWay::Package);
        }
        if (auto layout = deliver::pageLayoutFromJson(delivery.layout))
            d.pages.layouts().change(std::move(*layout));
        d.pages.setForWhom(delivery.forWhom);
        all->show(DeliverWay::SharePage);
    });
    QObject::connect(before, &BeforeView::marksWanted, &d.pages, &PagesController::markPlaces);
    QObject::connect(&d.packages, &PackagesController::takenIn, all,
                     [all] { all->show(DeliverWay::SheetIn); });
    return all;
}

} // namespace moorfrost::app
