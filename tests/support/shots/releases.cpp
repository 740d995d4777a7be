// SPDX-License-Identifier: GPL-3.0-or-later
#include <QListWidget>
#include <QPushButton>
#include <QTreeWidget>

#include "app/library/library_page.h"
#include "app/library/versions_dialog.h"
#include "app/releases/compare_editions.h"
#include "app/releases/fill_dialog.h"
#include "app/releases/new_release_dialog.h"
#include "app/releases/release_lines.h"
#include "app/releases/releases_page.h"
#include "app/releases/set_proposals.h"
#include "app/shell/main_window.h"
#include "app/widgets/fact_table.h"
#include "support/answer.h"
#include "support/sample_files.h"
#include "support/shots/shots.h"

namespace moorfrost::shots {

using namespace moorfrost::app;

void releases(Shots& shots) {
    Driver& d = shots.driver;
    MainWindow& w = d.window();
    ReleasesPage* page = w.releases();
    w.showWorkspace(MainWindow::Releases);
    auto rest = [&] {
        for (int i = 0; i < 3; ++i)
            d.settle();
    };
    rest();
    auto choose = [&](const char* title, const char* year) {
        const auto list = d.controllers().releases.list();
        for (const library::ReleaseEntry& e : list->entries())
            if (e.title == title && e.date.starts_with(year))
                page->showRelease(e.ref);
        rest();
    };
    // A picture of a dialog, which is closed afterwards.
    auto picture = [&](auto* kind, const char* name, auto prepare) {
        using Dialog = std::remove_pointer_t<decltype(kind)>;
        test::answer<Dialog>(&w, [&shots, name, prepare](Dialog* dialog) {
            prepare(dialog);
            shots.take(dialog, name);
        });
    };
    choose("Night Post EP", "1998");
    picture(static_cast<NewReleaseDialog*>(nullptr), "new-edition", [&](NewReleaseDialog* dialog) {
        dialog->box(library::mediaFact)->setText("Cassette");
        dialog->box("labels")->setText("Gannet Row = GR 014 C");
        dialog->box("dates")->setText("1998-10-05 GB");
        dialog->box("barcode")->setText("2000014000063");
    });
    page->newEdition();
    library::ReleaseFilling cassette;
    cassette.facts = {{"title", {"Night Post EP"}},
                      {"credit", {"The Hollow Ferry"}},
                      {"labels", {std::string("Gannet Row") + library::partBreak + "GR 014 C"}},
                      {"dates", {std::string("1998-10-05") + library::partBreak + "GB"}},
                      {"barcode", {"2000014000063"}}};
    cassette.media = library::mediaOf(page->shown()->view);
    cassette.media->front().carrier = "Cassette";
    cassette.source.what = "another edition of the library";
    cassette.source.taken = "4 tracks";
    d.controllers().releases.make(cassette, page->shown()->view.ref, {});
    rest();
    choose("Night Post EP", "1998");
    const library::ReleaseRef single = page->shown()->view.ref;
    d.controllers().releases.setFact(single, "barcode", {"2000014000056"});
    d.controllers().releases.setFact(single, "packaging", {"jewel case"});
    d.controllers().releases.setFact(
        single, "notes",
        {"First pressing, 500 copies, numbered by hand. The cassette has the tracks in another order."});
    rest();
    shots.take(&w, "releases");
    picture(static_cast<FillDialog*>(nullptr), "fill-release", [&](FillDialog* dialog) {
        dialog->picker()->lookUp();
        rest();
        dialog->picker()->results()->setCurrentRow(0);
        rest();
    });
    page->fillShown();
    picture(static_cast<CompareEditions*>(nullptr), "two-editions", [&](CompareEditions*) { rest(); });
    page->compareShown();
    picture(static_cast<SetProposals*>(nullptr), "set-proposals", [](SetProposals*) {});
    page->showProposals();
    // Bounces of a song, with its lead.
    uint32_t seed = 400;
    const Path songs = shots.root / "Music archive/Kestrel & Rook/2021 Lanterns";
    for (const char* title : {"Lanterns", "Lanterns (instrumental)", "Lanterns (radio edit)"}) {
        ++seed;
        test::tag(test::makeSound(songs, std::string(title) + ".flac", seed), {{"title", {title}},
                                                                               {"artist", {"Kestrel & Rook"}},
                                                                               {"album", {"Lanterns"}},
                                                                               {"date", {"2021"}}});
    }
    for (const char* name : {"LANTERNS_stem_drums.wav", "LANTERNS_stem_bass.wav", "LANTERNS_stem_keys.wav",
                             "LANTERNS_acappella.wav"})
        test::makeSound(shots.root / "Music archive/bounces", name, ++seed);
    d.controllers().shelves.read(d.controllers().shelves.all());
    w.showWorkspace(MainWindow::Library);
    rest();
    w.library()->searchBox()->setText("folder:bounces or lanterns");
    rest();
    w.library()->table()->selectAll();
    picture(static_cast<VersionsDialog*>(nullptr), "versions", [](VersionsDialog*) {});
    const auto chosen = w.library()->chosenFiles();
    w.library()->settleVersions(chosen);
    rest();
    test::answer<VersionsDialog>(&w, [](VersionsDialog* dialog) { dialog->takeButton()->click(); });
    w.library()->settleVersions(chosen);
    rest();
    w.library()->table()->setCurrentIndex(w.library()->table()->model()->index(0, 0));
    w.library()->turnFamily(0);
    rest();
    shots.take(&w, "family");
    w.library()->searchBox()->setText("");
    rest();
}

} // namespace moorfrost::shots
