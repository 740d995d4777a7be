// SPDX-License-Identifier: GPL-3.0-or-later
#include <QLineEdit>

#include "app/audit/audit_page.h"
#include "app/audit/own_codes_dialog.h"
#include "app/audit/take_fixes_dialog.h"
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
}

} // namespace moorfrost::shots
