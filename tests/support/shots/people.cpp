// SPDX-License-Identifier: GPL-3.0-or-later
#include <QLineEdit>
#include <QScrollArea>
#include <QScrollBar>

#include "app/people/agreements_page.h"
#include "app/people/keywords_dialog.h"
#include "app/people/lyrics_view.h"
#include "app/people/people_page.h"
#include "app/people/release_parts.h"
#include "app/people/share_terms.h"
#include "app/people/works_page.h"
#include "app/settings/settings_page.h"
#include "app/settings/standard_editor.h"
#include "app/shell/deliver_controllers.h"
#include "app/shell/main_window.h"
#include "core/files/disk.h"
#include "support/shots/shots.h"

namespace moorfrost::shots {

using namespace moorfrost::app;
using library::CardKind;
using library::Fraction;
using library::Share;
using library::Side;

/// The songs of "Lanterns" (releases() has put them on a shelf) with their writers, publishers and owners.
void people(Shots& shots) {
    Driver& d = shots.driver;
    MainWindow& w = d.window();
    PeopleController& c = d.controllers().people;
    w.showWorkspace(MainWindow::Releases);
    w.releaseParts()->showPart(PartButtons::Works);
    WorksPage* page = w.releaseParts()->works();
    auto rest = [&] {
        for (int i = 0; i < 3; ++i)
            d.settle();
    };
    rest();
    page->makeAll();
    rest();
    auto party = [&](const char* name, const char* kind, const char* ipi) {
        library::CardValues facts = {{"name", {name}}, {"kind", {kind}}};
        if (*ipi)
            facts["ipi"] = {ipi};
        library::CardId id = 0;
        c.make(CardKind::Party, facts, [&](library::CardId made) { id = made; });
        rest();
        return id;
    };
    const library::CardId mara = party("Mara Kestrel", "person", "99900001057"),
                          tom = party("Tom Rook", "person", "99900002054"),
                          isla = party("Isla Varnholt", "person", ""),
                          songs = party("Fellside Songs", "organisation", "99900003051"),
                          owner = party("Fellside Reissues", "organisation", ""),
                          duo = party("Kestrel & Rook", "group", "");
    c.setFact(mara, CardKind::Party, "spellings", {"M. Kestrel", "Kestrel, M."});
    c.setFact(mara, CardKind::Party, "roles", {"author", "composer", "singer"});
    c.setFact(mara, CardKind::Party, "contacts",
              {library::contactText({"mail", "licences@example.org", "licences"})});
    party("Rook, Tom", "person", "");
    library::CardId work = 0;
    FileId lead = 0;
    const auto list = c.list();
    for (const library::WorkEntry& e : list->works())
        if (e.title == "Lanterns") {
            work = e.id;
            lead = e.lead;
        }
    c.setFact(work, CardKind::Work, "language", {"English"});
    c.setFact(work, CardKind::Work, "iswc", {"T-999.000.104-2"});
    c.setFact(work, CardKind::Work, "description",
              {"A slow walk home along the quay, late, with the lights of the boats coming on one by one."});
    c.setFact(work, CardKind::Work, "lyrics",
              {"Lanterns down along the quay,\none for you and one for me,\none for all who are at sea."});
    c.setFact(work, CardKind::Work, "keywords", {"night", "harbour", "slow build", "winter"});
    c.setShares({work}, Side::Writers,
                {{mara, {}, {"author", "composer"}, Fraction(1, 2)},
                 {tom, {}, {"composer"}, Fraction(1, 3)},
                 {isla, {}, {"composer"}, Fraction(1, 6)}},
                "Writers");
    c.setShares({work}, Side::Publishers,
                {{songs, {}, {"original publisher"}, Fraction(2, 3), {mara, isla}},
                 {0, {}, {}, Fraction(1, 3), {tom}}},
                "Publishers");
    c.setOwners({lead}, {{owner, {}, {"owner"}, Fraction(3, 5)}, {duo, {}, {"owner"}, Fraction(3, 10)}},
                "Owners");
    rest();
    page->showCard(work);
    rest();
    shots.take(&w, "works");
    // With chords, and what is asked in dialogs.
    LyricsDialog lyrics("Lanterns",
                        "[Verse]\nAm        G/B\nLanterns down along the quay,\nC          Em\none for you "
                        "and one for me,\n\n[Chorus]\nF    G\none for all who are at sea.",
                        &w);
    lyrics.show();
    shots.take(&lyrics, "lyrics");
    c.setFact(work, CardKind::Work, "lyrics", {lyrics.lyrics()});
    lyrics.close();
    KeywordsDialog keywords("Lanterns", {{"night", 3}, {"harbour", 1}, {"slow build", 1}},
                            {"winter", "brass"}, {"night", "harbour"}, &w);
    keywords.show();
    shots.take(&keywords, "keywords");
    keywords.close();
    ShareTerms terms("Mara Kestrel", {mara, {}, {"author"}, Fraction(1, 2), {}, "NO", "2024-07"},
                     Side::Writers, &w);
    terms.show();
    shots.take(&terms, "share-terms");
    terms.territory()->setText("Norway");
    shots.take(&terms, "share-terms-wrong");
    terms.close();
    rest();
    for (QScrollArea* area : page->findChildren<QScrollArea*>())
        area->verticalScrollBar()->setValue(area->verticalScrollBar()->maximum());
    shots.take(&w, "works-lyrics");
    w.releaseParts()->showPart(PartButtons::People);
    w.releaseParts()->people()->showCard(mara);
    rest();
    shots.take(&w, "people");
    c.setFact(songs, CardKind::Party, "contacts",
              {library::contactText({"mail", "licences@example.org", "licences"})});
    d.controllers().agreements.make(
        "Split sheet, Lanterns", {mara, tom, isla}, {work}, 0, {}, [&](library::CardId id) {
            c.setFact(id, CardKind::Agreement, "signed", {"2021-03-14"});
            c.setFact(id, CardKind::Agreement, "ends",
                      {QDate::currentDate().addDays(40).toString(Qt::ISODate).toStdString()});
        });
    rest();
    w.releaseParts()->showPart(PartButtons::Agreements);
    rest();
    const Path paper = shots.root / "Split sheet.pdf";
    files::writeWhole(paper, std::string("%PDF-1.4 one half, one third, one sixth")).ignore();
    w.releaseParts()->agreements()->addDocuments({paper});
    rest();
    shots.take(&w, "agreements");
    d.controllers().out->delivering.setOf({{lead}, {}});
    w.showWorkspace(MainWindow::Deliver);
    rest();
    shots.take(&w, "one-sheet");
    d.controllers().out->sheet.layouts().choose("Everything");
    d.controllers().out->delivering.setOf({{}, d.controllers().releases.list()->entries().at(2).ref});
    rest();
    shots.take(&w, "one-sheet-release");
    d.controllers().out->delivering.setOf({});
    rest();
    shots.take(&w, "deliver-empty");
    w.showWorkspace(MainWindow::Settings);
    w.settings()->showStandards();
    w.settings()->standards()->show("For licences");
    rest();
    shots.take(&w, "standards-songs");
    w.showWorkspace(MainWindow::Releases);
    w.releaseParts()->showPart(PartButtons::Editions);
}

} // namespace moorfrost::shots
