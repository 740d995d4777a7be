// SPDX-License-Identifier: GPL-3.0-or-later
#include "support/shots/shots.h"

#include <QPushButton>

#include <QScrollBar>
#include <QSpinBox>
#include <QTest>

#include "app/bench/bench_page.h"
#include "app/bench/describe_page.h"
#include "app/bench/picture_dialog.h"
#include "app/bench/sheet_columns.h"
#include "app/bench/spelling_hint.h"
#include "app/bench/steps_dialog.h"
#include "app/widgets/field_sets.h"

using namespace moorfrost;
using namespace moorfrost::app;

namespace moorfrost::shots {

void describe(Shots& shots) {
    Driver& d = shots.driver;
    MainWindow& w = d.window();
    Controllers& s = d.controllers();
    const Path& root = shots.root;
    auto shot = [&shots](QWidget* widget, const char* name) { shots.take(widget, name); };
    // Describe: a sleeve with work to do.
    w.bench()->showStep(BenchPage::Describe);
    if (!d.chooseSleeve("Night Post EP"))
        qFatal("no such sleeve");
    auto id = [&](const char* name) { return d.fileNamed(name); };
    std::string typed = "typed";
    s.drafts.session().propose("Edit",
                               {{id("03_untitled_v2.flac"), "title", {"Cold Slip"}},
                                {id("04_bonus.flac"), "artist", {"The Hollow Ferry"}},
                                {id("04_bonus.flac"), "track", {"4"}}},
                               typed);
    std::vector<library::DraftSession::Wish> wishes;
    for (const char* name :
         {"01_nightpost_MASTER.flac", "02_ferryman_MASTER.flac", "03_untitled_v2.flac", "04_bonus.flac"}) {
        wishes.push_back({id(name), "label", {"Gannet Row"}});
        wishes.push_back({id(name), "catalogue_number", {"GR 014"}});
        if (std::string(name) != "04_bonus.flac")
            wishes.push_back({id(name), "date", {"1998-10-05"}});
    }
    wishes.push_back({id("02_ferryman_MASTER.flac"), "artist", {"The Hollow Ferry", "Isla Varnholt"}});
    s.drafts.session().propose("Edit", wishes, typed);
    std::vector<FileId> ep;
    for (const char* name :
         {"01_nightpost_MASTER.flac", "02_ferryman_MASTER.flac", "03_untitled_v2.flac", "04_bonus.flac"})
        ep.push_back(id(name));
    s.pictures.addFiles({root / "incoming/harbour-transfers/scan.jpg"}, ep, "front cover");
    d.settle();
    w.bench()->describe()->sheet()->selectAll();
    w.player().play(s.files.file(id("01_nightpost_MASTER.flac")));
    shot(&w, "describe");
    {
        s.folders.begin(root / "incoming");
        d.settle();
        std::vector<library::DraftSession::Wish> years;
        for (int i = 0; i < 3; ++i) {
            s.folders.step(1);
            d.settle();
        }
        for (FileId f : s.folders.files())
            years.push_back({f, "date", {"2021"}});
        s.drafts.session().propose("Edit", years, typed);
        w.bench()->describe()->sheet()->setFocus();
        QTest::qWait(1500); // pictures are measured when the hands rest
        shot(&w, "folders");
        s.undo.undo();
        s.folders.end();
        d.settle();
    }

    {
        DescribePage* page = w.bench()->describe();
        FieldSetDialog columns("Columns of the sheet", "describe/columns", page->columns()->all(),
                               static_cast<SheetModel*>(page->sheet()->model())->columns(), columnLabel, &w);
        columns.show();
        d.settle();
        shot(&columns, "columns");
        s.values.prepare("genre");
        page->spelling()->look(ep, "genre", {"Fokl"});
        page->sheet()->horizontalScrollBar()->setValue(400);
        d.settle();
        shot(&w, "describe-hint");
        page->spelling()->leave();
        page->sheet()->horizontalScrollBar()->setValue(0);
    }
    {
        const auto pictures = s.pictures.of(ep.front());
        PictureDialog large(s.pictures, {{pictures.front(), ep}}, 0, ep, &w);
        large.side()->setValue(600);
        large.show();
        d.settle();
        large.fitButton()->click();
        d.settle();
        shot(&large, "picture");
    }
    {
        StepsDialog steps({s.jobs, s.files, s.drafts, s.customFields, s.chains}, s.sleeves.files(),
                          {"Names of tapes",
                           {{"find-replace",
                             {{"fields", {"title", "album"}},
                              {"find", {"_(MASTER|v\\d+|FINAL\\d*)\\b"}},
                              {"put", {""}},
                              {"how", {"expression"}}}},
                            {"tidy", {{"quotes", {"yes"}}}},
                            {"casing", {{"fields", {"title"}}, {"language", {"en"}}}}}},
                          &w);
        steps.show();
        d.settle();
        QTest::qWait(200);
        d.settle();
        shot(&steps, "steps");
    }
}

} // namespace moorfrost::shots
