// SPDX-License-Identifier: GPL-3.0-or-later
// Where the manual tells of what is in sight.
#include "app/shell/main_window.h"

#include "app/audit/audit_page.h"
#include "app/bench/bench_page.h"
#include "app/deliver/deliver_page.h"
#include "app/people/release_parts.h"

namespace moorfrost::app {

namespace {

// Each in the order of its enumeration.
constexpr const char* ofStep[] = {"bring-in", "identify", "describe", "put-away"};
constexpr const char* ofReleasePart[] = {"releases", "people#people", "people#works", "people#agreements"};
constexpr const char* ofAuditPart[] = {"audit", "audit#codes to fill", "audit#fixity"};
constexpr const char* ofWay[] = {"deliver#one-sheet",
                                 "deliver#share page",
                                 "deliver#sheet out",
                                 "deliver#sheet in",
                                 "deliver#lists",
                                 "deliver#devices",
                                 "deliver#package for an archive",
                                 "deliver#delivered before"};
static_assert(std::size(ofStep) == BenchPage::PutAway + 1);
static_assert(std::size(ofReleasePart) == PartButtons::Agreements + 1);
static_assert(std::size(ofAuditPart) == AuditPage::FixityPart + 1);
static_assert(std::size(ofWay) == static_cast<size_t>(DeliverWay::Before) + 1);

} // namespace

QString MainWindow::placeInManual() const {
    switch (workspace()) {
    case Bench:
        return ofStep[bench_->step()];
    case Library:
        return "library";
    case Releases:
        return ofReleasePart[releaseParts_->part()];
    case Audit:
        return ofAuditPart[audit_->part()];
    case Deliver:
        return ofWay[static_cast<size_t>(deliver_->way())];
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
