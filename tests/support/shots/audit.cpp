// SPDX-License-Identifier: GPL-3.0-or-later
#include <QLineEdit>
#include <QTest>

#include "app/audit/audit_page.h"
#include "app/audit/take_fixes_dialog.h"
#include "app/codes/fill_codes_dialog.h"
#include "app/codes/own_codes_dialog.h"
#include "app/shell/main_window.h"
#include "support/shots/shots.h"

namespace moorfrost::shots {

using namespace moorfrost::app;

/// The drive of the label as it came, on a shelf: what is wrong with it.
void audit(Shots& shots) {
    Driver& d = shots.driver;
    MainWindow& w = d.window();
    d.addShelf(shots.root / "incoming" / "label-drive");
    d.controllers().shelves.read(d.controllers().shelves.all());
    d.settle();
    w.showWorkspace(MainWindow::Audit);
    d.settle();
    d.settle();
    shots.take(&w, "audit");
    AuditPage* page = w.audit();
    page->rules()->choose("near-values");
    shots.take(&w, "audit-rule");
    page->rules()->choose("");
    d.settle();
    std::vector<size_t> fixes;
    for (int row = 0; row < page->model()->rowCount(); ++row)
        if (d.controllers().audit.hasFix(page->model()->findingAt(row)))
            fixes.push_back(page->model()->findingAt(row));
    TakeFixesDialog dialog(d.controllers().audit, fixes, &w);
    dialog.show();
    shots.take(&dialog, "audit-fixes");
    dialog.close();
    page->rules()->choose("coded-before");
    for (int i = 0; i < 400 && page->model()->rowCount() == 0; ++i) // the sound is measured in the background
        QTest::qWait(100);
    d.settle();
    page->list()->setCurrentIndex(page->model()->index(0));
    d.settle();
    shots.take(&w, "audit-sound");
    page->rules()->choose("dropouts");
    for (int i = 0; i < 400 && page->model()->rowCount() == 0; ++i)
        QTest::qWait(100);
    d.settle();
    shots.take(&w, "audit-gap");
    page->showPart(AuditPage::FixityPart);
    // Half a year of nights, one of them with something found.
    QDate day = QDate::currentDate().addDays(-170);
    for (uint64_t n = 0; day < QDate::currentDate(); day = day.addDays(1), ++n)
        if (n % 9 != 4 && n % 31 > 2)
            d.controllers().library.write([day, n](library::Store& store) {
                const int64_t when = QDateTime(day, QTime(1, 5)).toSecsSinceEpoch();
                const uint64_t files = 20 + n * 37 % 90;
                library::FixityRoundTable(store.database())
                    .save({when, when + 900, files, files * 31'000'000, n < 40 ? files : 0,
                           n == 113 ? 1u : 0u, false});
                return Done{};
            });
    d.settle();
    d.controllers().fixity.verifyNow();
    for (int i = 0; i < 100 && d.controllers().fixity.isVerifying(); ++i)
        QTest::qWait(50);
    d.settle();
    shots.take(&w, "fixity");
    page->showPart(AuditPage::CodesPart);
    d.settle();
    d.controllers().codes.lookUpAll();
    for (int i = 0; i < 6; ++i)
        d.settle();
    shots.take(&w, "codes");
    OwnCodesDialog own(d.controllers().codes, {d.controllers().codes.gaps().front()},
                       d.controllers().codes.unknown(), &w);
    own.prefix()->setText("ZZFSR");
    own.show();
    d.settle();
    shots.take(&own, "own-codes");
    own.close();
    library::ReleaseFiles releases(1);
    for (const library::FileRecord& file : d.libraryFiles())
        if (tags::firstValue(file.tags.fields, "album").starts_with("Night Post"))
            releases.front().push_back(file.id);
    FillCodesDialog fill(d.controllers().benchCodes, releases, &w);
    fill.show();
    for (int i = 0; i < 3; ++i)
        d.settle();
    d.controllers().benchCodes.lookUpAll();
    for (int i = 0; i < 6; ++i)
        d.settle();
    shots.take(&fill, "fill-codes");
}

} // namespace moorfrost::shots
