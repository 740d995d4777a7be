// SPDX-License-Identifier: GPL-3.0-or-later
// Where the manual tells of what is in sight.
#include "app/shell/main_window.h"

#include "app/audit/audit_page.h"
#include "app/bench/bench_page.h"
#include "app/deliver/deliver_page.h"
#include "app/people/release_parts.h"

namespace moorfrost::app {

namespace {

QString ofStep(BenchPage::Step step) {
    switch (step) {
    case BenchPage::BringIn:
        return "bring-in";
    case BenchPage::Identify:
        return "identify";
    case BenchPage::Describe:
        return "describe";
    case BenchPage::PutAway:
        return "put-away";
    }
    return {};
}

QString ofPart(PartButtons::Part part) {
    switch (part) {
    case PartButtons::Editions:
        return "releases";
    case PartButtons::People:
        return "people#people";
    case PartButtons::Works:
        return "people#works";
    case PartButtons::Agreements:
        return "people#agreements";
    }
    return {};
}

QString ofWay(DeliverWay way) {
    switch (way) {
    case DeliverWay::OneSheet:
        return "deliver#one-sheet";
    case DeliverWay::SharePage:
        return "deliver#share page";
    case DeliverWay::SheetOut:
        return "deliver#sheet out";
    case DeliverWay::SheetIn:
        return "deliver#sheet in";
    case DeliverWay::Lists:
        return "deliver#lists";
    case DeliverWay::Device:
        return "deliver#devices";
    case DeliverWay::Package:
        return "deliver#package for an archive";
    case DeliverWay::Before:
        return "deliver#delivered before";
    }
    return {};
}

QString ofPart(AuditPage::Part part) {
    return part == AuditPage::CodesPart    ? "audit#codes to fill"
           : part == AuditPage::FixityPart ? "audit#fixity"
                                           : "audit";
}

} // namespace

QString MainWindow::placeInManual() const {
    switch (workspace()) {
    case Bench:
        return ofStep(bench_->step());
    case Library:
        return "library";
    case Releases:
        return ofPart(releaseParts_->part());
    case Audit:
        return ofPart(audit_->part());
    case Deliver:
        return ofWay(deliver_->way());
    case Journal:
        return "journal";
    case Settings:
        return "settings";
    case Review:
        return "writing#review";
    case Interruption:
        return "writing#after an interruption";
    }
    return {};
}

} // namespace moorfrost::app
