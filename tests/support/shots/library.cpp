// SPDX-License-Identifier: GPL-3.0-or-later
#include "support/shots/shots.h"

#include <QApplication>
#include <QListWidget>
#include <QPushButton>
#include <QScrollArea>
#include <QScrollBar>
#include <QTest>
#include <QTimer>
#include <QTreeWidget>

#include "app/journal/journal_page.h"
#include "app/library/collections/collection_menus.h"
#include "app/library/compare_by_ear.h"
#include "app/library/find_again_dialog.h"
#include "app/library/library_page.h"
#include "app/library/same_sound_page.h"
#include "app/library/sound_group_list.h"
#include "app/library/track_model.h"
#include "app/settings/mirror_rules.h"
#include "app/settings/settings_page.h"
#include "app/widgets/controls.h"
#include "app/widgets/file_details.h"
#include "app/widgets/judging_box.h"
#include "support/sample_files.h"

using namespace moorfrost;
using namespace moorfrost::app;

namespace moorfrost::shots {

void libraryAndJournal(Shots& shots) {
    Driver& d = shots.driver;
    MainWindow& w = d.window();
    Controllers& s = d.controllers();
    const Path& root = shots.root;
    auto shot = [&shots](QWidget* widget, const char* name) { shots.take(widget, name); };
    w.showWorkspace(MainWindow::Library);
    d.settle();
    auto* tracksThere = static_cast<TrackModel*>(w.library()->table()->model());
    auto idOf = [&](const char* title) {
        for (const library::Row row : tracksThere->rows())
            if (tracksThere->searcher()->text(row, "title") == title)
                return tracksThere->searcher()->idOf(row);
        qFatal("%s is not in the library", title);
    };
    // What is gathered.
    auto make = [&](library::Collection::Kind kind, const char* name, library::CollectionId in,
                    const std::vector<FileId>& files = {}, const char* query = "") {
        library::Collection c;
        c.kind = kind;
        c.name = name;
        c.query = query;
        library::CollectionId made = 0;
        s.collections.make(c, in, files, [&](library::CollectionId id) { made = id; });
        d.settle();
        return made;
    };
    using Kind = library::Collection::Kind;
    const library::CollectionId reissues = make(Kind::Folder, "Reissues 2027", 0);
    const library::CollectionId sideA =
        make(Kind::List, "Side A shortlist", reissues,
             {idOf("Night Post"), idOf("Tide Table"), idOf("Whin Moor"), idOf("Cold Slip"), idOf("Gorse"),
              idOf("Last Ferry Home"), idOf("The Keeper's Wife")});
    make(Kind::List, "Liner audio", reissues, {idOf("Lapwing"), idOf("Seven Bridges")});
    make(Kind::List, "Harbour Radio, spring", 0, {idOf("Salt Road"), idOf("Winter Harbour")});
    make(Kind::Search, "To be coded", 0, {}, "missing:isrc");
    shot(&w, "library");
    for (const auto& [title, rating] : {std::pair("Night Post", 5), {"Cold Slip", 4}, {"Whin Moor", 2}})
        s.recordings.rate({idOf(title)}, rating);
    s.recordings.note({idOf("Cold Slip")}, "The fiddle is clear on this one.\nUse the first half only.");
    s.recordings.setPlayout({idOf("Cold Slip")}, "HR-0042");
    s.recordings.addUse({idOf("Cold Slip")}, {"2024-05-01", "Tide and Timber, part 2", "Harbour Radio", ""});
    s.recordings.addUse({idOf("Cold Slip")},
                        {"2019-11", "Lights on the Quay", "", "the first minute, under the titles"});
    d.settle();
    const std::vector<std::string> usual = tracksThere->columns();
    tracksThere->setColumns(
        {"title", "artist", "album", ratingColumn, usedColumn, lastUsedColumn, lengthColumn});
    for (int row = 0; row < tracksThere->rowCount(); ++row)
        if (tracksThere->fileAt(row) == idOf("Cold Slip"))
            w.library()->table()->selectRow(row);
    d.settle();
    w.library()->table()->setColumnWidth(4, 130);
    s.recordings.addBookmark(idOf("Cold Slip"), {9.5, "the fiddle comes in"});
    s.recordings.addBookmark(idOf("Cold Slip"), {21.0, "a cough"});
    d.settle();
    shot(&w, "judging");
    w.library()->showList(sideA);
    d.settle();
    for (int row = 0; row < tracksThere->rowCount(); ++row)
        if (tracksThere->fileAt(row) == idOf("Cold Slip"))
            w.library()->table()->selectRow(row);
    d.settle();
    shot(&w, "list");
    w.library()->showList(0);
    d.settle();
    // The dialogs of collections and playlists.
    auto picture = [&](const char* name) {
        QTimer::singleShot(300, &w, [&shots, name] {
            if (QWidget* dialog = QApplication::activeModalWidget()) {
                shots.takeNow(dialog, name);
                dialog->close();
            }
        });
    };
    picture("collection");
    w.library()->collectionMenus()->edit(sideA);
    picture("export-playlist");
    w.library()->collectionMenus()->exportPlaylist("Side A shortlist", {idOf("Night Post"), idOf("Gorse")});
    d.settle();
    QTest::qWait(500);
    exchange::Playlist foreign;
    foreign.title = "Harbour evening";
    foreign.entries = {
        {"M:\\Music\\Night Post EP\\01 Night Post.mp3", "Night Post", "The Hollow Ferry", "", 21, ""},
        {"/mnt/old/Lapwing.mp3", "Lapwing", "Odran Fell Quartet", "", 0, ""},
        {"https://127.0.0.1/stream", "", "", "", 0, ""},
        {"/mnt/old/Gorse.mp3", "Gorse", "Isla Varnholt", "", 28, ""},
        {"/mnt/old/Grey Seal.mp3", "Grey Seal", "Wren-Low", "", 80, ""}};
    if (!exchange::savePlaylist(foreign, root / "evening.xspf"))
        qFatal("no playlist");
    picture("import-playlist");
    w.library()->collectionMenus()->importPlaylist(root / "evening.xspf");
    d.settle();
    QTest::qWait(600);
    s.files.withFile(&w, idOf("Cold Slip"), [&](const FilePtr& a) {
        s.files.withFile(&w, idOf("Night Post"), [&, a](const FilePtr& b) {
            CompareByEar dialog({s.peaks, s.loudness, s.sounds, s.recordings, w.player()}, a, b, &w);
            dialog.setModal(false);
            dialog.QWidget::show();
            for (int i = 0; i < 100 && dialog.told().contains("being measured"); ++i)
                QTest::qWait(50);
            d.settle();
            shots.takeNow(&dialog, "compare-by-ear");
        });
    });
    d.settle();
    QTest::qWait(200);
    QTimer::singleShot(300, &w, [&shots] {
        if (QWidget* dialog = QApplication::activeModalWidget()) {
            shots.takeNow(dialog, "note-a-use");
            dialog->close();
        }
    });
    w.library()->details()->judging()->useButton()->click();
    tracksThere->setColumns(usual);
    w.library()->searchBox()->setText("year:1980-2019 unmet:>=1 (genre:folk or artist:varnholt)");
    auto* tracks = static_cast<TrackModel*>(w.library()->table()->model());
    const std::vector<std::string> columns = tracks->columns();
    tracks->setColumns({"title", "artist", "album", "date", readyColumn, lengthColumn, formatColumn});
    w.library()->table()->setColumnWidth(4, 128);
    shot(&w, "library-search");
    w.library()->table()->setColumnWidth(4, 92);
    tracks->setColumns(columns);
    // One song came three times: from the master, and twice as a copy for the radio.
    const Path singles = root / "Music archive" / "Radio singles";
    std::filesystem::create_directories(singles);
    const Path from = root / "incoming" / "label-drive";
    std::filesystem::copy_file(from / "copies" / "Salt Road.mp3", singles / "Salt Road.mp3");
    std::filesystem::copy_file(from / "Salt Road" / "02 Salt Road.flac", singles / "Salt Road (master).flac");
    s.shelves.read(s.shelves.all());
    d.settle();
    w.library()->searchBox()->setText("artist:varnholt");
    d.settle();
    std::vector<FileId> same;
    for (library::Row row : tracks->rows())
        if (tracks->searcher()->text(row, "title") == "Salt Road")
            same.push_back(tracks->searcher()->idOf(row));
    if (same.size() < 2)
        qFatal("too few files of one recording");
    s.recordings.merge(same);
    d.settle();
    for (int row = 0; row < tracks->rowCount(); ++row)
        if (tracks->fileAt(row) == same.front())
            w.library()->table()->selectRow(row);
    d.settle();
    // Another one is not where it was.
    std::filesystem::remove(tracks->searcher()->pathOf(tracks->rows().front()));
    s.shelves.read(s.shelves.all());
    d.settle();
    auto* details = w.library()->details()->findChild<QScrollArea*>();
    details->ensureWidgetVisible(w.library()->details()->recording(), 0, 200);
    shot(&w, "recording");
    w.library()->searchBox()->clear();
    d.settle();
    w.library()->groupChoice()->setCurrentIndex(1);
    w.library()->sleevesButton()->click();
    shot(&w, "library-sleeves");
    // Two transfers of one tape, one of them fast.
    const Path reels = root / "Music archive" / "Tarnholm Harbour Band";
    std::filesystem::create_directories(reels);
    for (const char* side : {"A", "B_fast"}) {
        const Path to = reels / (std::string("processional_tape_") + side + ".wav");
        std::filesystem::copy_file(root / "incoming/harbour-transfers" / to.filename(), to,
                                   std::filesystem::copy_options::overwrite_existing);
        test::tag(to, {{"title", {"Processional"}}, {"artist", {"Tarnholm Harbour Band"}}});
    }
    s.shelves.read(s.shelves.all());
    d.settle();
    for (int i = 0; i < 200 && s.sounds.isListening(); ++i)
        QTest::qWait(50);
    w.library()->sameSoundButton()->click();
    d.settle();
    for (int i = 0; i < w.library()->sameSound()->list()->count(); ++i)
        if (w.library()->sameSound()->list()->item(i)->text() == "Processional")
            w.library()->sameSound()->list()->setCurrentRow(i);
    shot(&w, "library-same-sound");
    w.library()->tracksButton()->click();
    w.showWorkspace(MainWindow::Journal);
    w.findChild<JournalPage*>()->sets()->setCurrentRow(1);
    shot(&w, "journal");
    library::FoundAgain again;
    again.was = root / "Music archive/Isla Varnholt/Salt Road/05 Gorse.mp3";
    again.by = library::FoundAgain::By::SameSound;
    again.told = "By another name, with the same sound, byte for byte.";
    again.now.path = "/media/stick/gorse (radio).mp3";
    library::FoundAgain lost = again;
    lost.was = root / "Music archive/Isla Varnholt/Salt Road/01 Tide Table.mp3";
    lost.by = library::FoundAgain::By::Nothing;
    lost.told = "Nothing that could be it was found.";
    FindAgainDialog found({again, lost}, &w);
    found.setModal(false);
    found.show();
    d.settle();
    shots.takeNow(&found, "find-again");
    found.hide();
    w.showWorkspace(MainWindow::Settings);
    shot(&w, "settings");
    w.settings()->findChild<QScrollArea*>()->ensureWidgetVisible(w.settings()->findChild<MirrorRules*>(), 0,
                                                                 300);
    shot(&w, "settings-mirroring");
    QScrollArea* all = w.settings()->findChild<QScrollArea*>();
    all->verticalScrollBar()->setValue(all->verticalScrollBar()->maximum());
    shot(&w, "settings-shelves");
}

} // namespace moorfrost::shots
