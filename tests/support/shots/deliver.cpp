// SPDX-License-Identifier: GPL-3.0-or-later
#include <QListWidget>

#include "app/deliver/deliver_page.h"
#include "app/deliver/entry_dialog.h"
#include "app/deliver/page_view.h"
#include "app/deliver/rows_in_view.h"
#include "app/deliver/rows_out_view.h"
#include "app/shell/deliver_controllers.h"
#include "app/shell/main_window.h"
#include "core/files/disk.h"
#include "support/shots/shots.h"

namespace moorfrost::shots {

using namespace app;
namespace rows = moorfrost::deliver;

void deliver(Shots& shots) {
    Driver& d = shots.driver;
    MainWindow& w = d.window();
    DeliverControllers& out = *d.controllers().out;
    const auto searcher = d.controllers().index.searcher();
    std::vector<FileId> all, lanterns;
    for (const library::Row row : searcher->ordered(searcher->all(), {{"album", true}}))
        all.push_back(searcher->idOf(row));
    for (const library::Row row :
         searcher->ordered(searcher->find(library::parseQuery("artist:kestrel").query), {{"title", true}}))
        lanterns.push_back(searcher->idOf(row));
    auto show = [&](DeliverWay way) {
        w.showWorkspace(MainWindow::Deliver);
        w.deliver()->show(way);
        d.settle();
    };
    out.delivering.setOf({all, {}}, "Harbour Day");
    show(DeliverWay::SheetOut);
    out.rowsOut.layouts().choose("For a playout system");
    d.settle();
    shots.take(&w, "sheet-out");
    out.rowsOut.save(shots.root / "Harbour Day.csv", "Tarnholm Harbour Radio");
    d.settle();
    // What comes back: corrected, with rows that mean something else.
    std::string sheet = "Playout number;Title;Artist;Length;ISRC;Year\r\n";
    size_t row = 0;
    for (const FileId id : all) {
        const auto at = searcher->rowOf(id);
        if (++row > 14 || !at)
            break;
        std::string title = searcher->text(*at, "title");
        if (row == 3)
            title += " (from the tape)";
        sheet += (row % 4 == 0 ? std::to_string(7000 + row) : "") + ";" + title + ";" +
                 searcher->text(*at, "artist") + ";" +
                 rows::lengthText(searcher->durationOf(*at), "m:ss", '.') + ";" +
                 (row == 6 ? "ZZGRW9900006" : "") + ";" + (row % 5 == 0 ? "1999" : "") + "\r\n";
    }
    sheet += "7100;Harbour ident;;0:08;;\r\n;Nobody's Song;Wren-Low;3:20;;\r\n;Processional;Tarnholm Harbour "
             "Band;;;\r\n";
    files::writeWhole(shots.root / "corrected list.csv", sheet).ignore();
    show(DeliverWay::SheetIn);
    shots.take(&w, "sheet-in-empty");
    out.rowsIn.open(shots.root / "corrected list.csv");
    d.settle();
    auto* in = w.deliver()->view<RowsInView>();
    shots.take(&w, "sheet-in");
    in->part(RowsInModel::Part::Changes)->click();
    shots.take(&w, "sheet-in-changes");
    EntryDialog entries(d.controllers().shelves.all(), out.rowsIn.kindRules(), 2, &w);
    entries.show();
    shots.take(&entries, "sheet-in-entries");
    entries.close();
    out.delivering.setOf({lanterns, {}}, {});
    show(DeliverWay::SharePage);
    out.pages.layouts().choose("With stems and originals");
    out.pages.setForWhom("Tarnholm Players");
    d.settle();
    shots.take(&w, "share-page");
    out.pages.make(shots.root / "Lanterns");
    d.settle();
    if (qEnvironmentVariableIsSet("KEEP")) // the page, for a browser
        std::filesystem::copy(shots.root / "Lanterns", shots.out.filePath("page").toStdString(),
                              std::filesystem::copy_options::recursive);
    show(DeliverWay::Lists);
    shots.take(&w, "list-out");
    show(DeliverWay::Device);
    shots.take(&w, "device-empty");
    out.delivering.setOf({all, {}}, "Harbour Day");
    out.devices.addSimulated("Small player");
    d.settle();
    out.devices.wantTracks();
    d.settle();
    shots.take(&w, "device");
    show(DeliverWay::Package);
    d.settle();
    deliver::PackageLayout layout = out.packages.layout();
    layout.organisation = "Tarnholm Sound Archive";
    layout.forWhom = "The county archive";
    out.packages.layouts().change(layout);
    out.packages.make(shots.root / "Harbour Day package", "TSA 2026-7");
    d.settle();
    out.packages.verify(shots.root / "Harbour Day package");
    d.settle();
    shots.take(&w, "package");
    show(DeliverWay::Before);
    shots.take(&w, "delivered-before");
    out.delivering.setOf({});
    show(DeliverWay::SharePage);
    shots.take(&w, "share-page-empty");
    show(DeliverWay::OneSheet);
}

} // namespace moorfrost::shots
