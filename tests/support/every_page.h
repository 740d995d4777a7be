// SPDX-License-Identifier: GPL-3.0-or-later
// Every page and part of the window, one after the other, with something in it: for what must hold on all of
// them.
#pragma once

#include <QtTest>

#include "app/audit/audit_page.h"
#include "app/bench/bench_page.h"
#include "app/deliver/deliver_page.h"
#include "app/people/release_parts.h"
#include "support/driver.h"
#include "support/sample_files.h"

namespace moorfrost::app {

struct PageOfAll {
    const char* name;
    MainWindow::Workspace workspace;
    int part = 0;
};

inline std::vector<PageOfAll> everyPage() {
    return {{"bring in", MainWindow::Bench, BenchPage::BringIn},
            {"identify", MainWindow::Bench, BenchPage::Identify},
            {"describe", MainWindow::Bench, BenchPage::Describe},
            {"put away", MainWindow::Bench, BenchPage::PutAway},
            {"library", MainWindow::Library},
            {"editions", MainWindow::Releases, PartButtons::Editions},
            {"people", MainWindow::Releases, PartButtons::People},
            {"works", MainWindow::Releases, PartButtons::Works},
            {"agreements", MainWindow::Releases, PartButtons::Agreements},
            {"findings", MainWindow::Audit, AuditPage::FindingsPart},
            {"codes", MainWindow::Audit, AuditPage::CodesPart},
            {"fixity", MainWindow::Audit, AuditPage::FixityPart},
            {"one-sheet", MainWindow::Deliver, int(DeliverWay::OneSheet)},
            {"share page", MainWindow::Deliver, int(DeliverWay::SharePage)},
            {"sheet out", MainWindow::Deliver, int(DeliverWay::SheetOut)},
            {"sheet in", MainWindow::Deliver, int(DeliverWay::SheetIn)},
            {"lists", MainWindow::Deliver, int(DeliverWay::Lists)},
            {"device", MainWindow::Deliver, int(DeliverWay::Device)},
            {"package", MainWindow::Deliver, int(DeliverWay::Package)},
            {"before", MainWindow::Deliver, int(DeliverWay::Before)},
            {"journal", MainWindow::Journal},
            {"settings", MainWindow::Settings},
            {"review", MainWindow::Review}};
}

/// A small library and a batch of two tracks beside it, in that folder.
inline std::unique_ptr<Driver> somethingOnEveryPage(const Path& folder) {
    makeSmallLibrary(folder);
    auto out = std::make_unique<Driver>(folder / "library.db");
    out->settle();
    test::tag(test::makeSound(folder / "in", "a.flac"),
              {{"title", {"Gorse"}}, {"artist", {"Isla Varnholt"}}});
    test::tag(test::makeSound(folder / "in", "b.flac"), {{"title", {"Tern"}}, {"artist", {"Isla Varnholt"}}});
    out->bringIn({folder / "in"});
    return out;
}

inline void showPage(Driver& d, const PageOfAll& page) {
    MainWindow& w = d.window();
    w.showWorkspace(page.workspace);
    if (page.workspace == MainWindow::Bench)
        w.bench()->showStep(BenchPage::Step(page.part));
    if (page.workspace == MainWindow::Releases)
        w.releaseParts()->showPart(PartButtons::Part(page.part));
    if (page.workspace == MainWindow::Audit)
        w.audit()->showPart(AuditPage::Part(page.part));
    if (page.workspace == MainWindow::Deliver)
        w.deliver()->show(DeliverWay(page.part));
    d.settle();
}

} // namespace moorfrost::app
