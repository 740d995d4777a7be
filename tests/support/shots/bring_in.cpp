// SPDX-License-Identifier: GPL-3.0-or-later
#include "support/shots/shots.h"

#include "app/bench/bench_page.h"
#include <QScrollArea>
#include <QScrollBar>
#include <QTreeWidget>

#include "app/bench/bring_in_page.h"
#include "app/bench/gather_dialog.h"
#include "app/bench/kinds_dialog.h"
#include "app/settings/custom_field_list.h"
#include "app/settings/reference_list.h"
#include "app/settings/settings_page.h"
#include "app/widgets/custom_field_dialog.h"

using namespace moorfrost;
using namespace moorfrost::app;

namespace moorfrost::shots {

void bringIn(Shots& shots) {
    Driver& d = shots.driver;
    MainWindow& w = d.window();
    Controllers& s = d.controllers();
    const Path& root = shots.root;
    auto shot = [&shots](QWidget* widget, const char* name) { shots.take(widget, name); };
    shot(&w, "start");
    d.addShelf(root / "Music archive");
    s.batch.create("Tarnholm, autumn transfers");
    d.settle();
    d.bringIn({root / "incoming"});
    // The file whose text was stored in another encoding.
    const QModelIndex mist = d.bringInRow(QString::fromUtf8("Хор Маяка - Туман"));
    w.bench()->bringIn()->tree()->setCurrentIndex(mist);
    w.bench()->bringIn()->tree()->scrollTo(mist, QAbstractItemView::PositionAtCenter);
    shot(&w, "bring-in");
    {
        GatherDialog gather({s.jobs, s.bringIn}, &w);
        gather.look(root / "incoming");
        gather.show();
        shot(&gather, "gather");
    }
    {
        KindsDialog kinds({s.files, s.kinds}, &w);
        kinds.show();
        shot(&kinds, "kinds");
    }
    s.standards.setOfBatch("Archive");
    w.showWorkspace(MainWindow::Settings);
    w.settings()->showStandards();
    shot(&w, "standards");
    auto* area = w.settings()->findChild<QScrollArea*>();
    area->verticalScrollBar()->setValue(w.settings()->references()->mapTo(area->widget(), QPoint()).y() -
                                        120);
    shot(&w, "references");
    {
        using tags::FieldKind;
        for (const tags::CustomField& field : std::vector<tags::CustomField>{
                 {"Source tape", "SOURCETAPE", FieldKind::Text, true, {}},
                 {"Tape speed", "TAPESPEED", FieldKind::Decimal, false, {}},
                 {"Transferred", "TRANSFERDATE", FieldKind::Date, false, {}},
                 {"Rights cleared", "RIGHTSCLEARED", FieldKind::YesNo, false, {}},
                 {"Condition", "CONDITION", FieldKind::Choice, false, {"good", "worn", "sticky", "broken"}}})
            s.customFields.describe(field, {});
        d.settle();
        auto* fields = w.settings()->findChild<CustomFieldList*>();
        area->verticalScrollBar()->setValue(fields->mapTo(area->widget(), QPoint()).y() - 120);
        shot(&w, "custom-fields");
        CustomFieldDialog dialog(s.customFields, "condition", &w);
        dialog.show();
        shot(&dialog, "custom-field");
    }
    s.standards.setOfBatch("Everyday");
    w.settings()->findChild<QScrollArea*>()->verticalScrollBar()->setValue(0);
    w.showWorkspace(MainWindow::Bench);
}

} // namespace moorfrost::shots
