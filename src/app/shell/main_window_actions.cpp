// SPDX-License-Identifier: GPL-3.0-or-later
// Every command of the main window: in the menu, with its keys, and for the finder.
#include <QActionGroup>
#include <QApplication>
#include <QLineEdit>
#include <QMenu>

#include "app/audit/audit_page.h"
#include "app/bench/bench_page.h"
#include "app/bench/bring_in_page.h"
#include "app/bench/describe_page.h"
#include "app/bench/identify_page.h"
#include "app/bench/sleeve_tools.h"
#include "app/bench/spelling_hint.h"
#include "app/deliver/deliver_page.h"
#include "app/deliver/layout_bar.h"
#include "app/deliver/one_sheet_view.h"
#include "app/help/help.h"
#include "app/help/trouble_report.h"
#include "app/library/collections/collection_menus.h"
#include "app/library/families_in_lists.h"
#include "app/library/library_page.h"
#include "app/listen/track_strip.h"
#include "app/people/people_page.h"
#include "app/people/release_parts.h"
#include "app/people/works_page.h"
#include "app/releases/releases_page.h"
#include "app/shell/command_finder.h"
#include "app/shell/foot.h"
#include "app/shell/main_window.h"
#include "app/shell/parts.h"
#include "app/shell/sample_files.h"
#include "app/widgets/field_box.h"
#include "core/base/log.h"
#include <QCheckBox>
#include <QSlider>

namespace moorfrost::app {

void MainWindow::makeActions() {
    auto* menu = new QMenu(this);
    QMenu* section = nullptr;
    auto open = [&](const QString& title) { section = menu->addMenu(title); };
    auto add = [&](const QString& text, const QKeySequence& keys, auto slot) {
        auto* action = new QAction(text, this);
        action->setShortcut(keys);
        action->setShortcutContext(Qt::WindowShortcut);
        connect(action, &QAction::triggered, this, slot);
        section->addAction(action);
        addAction(action);
        actions_ << action;
        return action;
    };
    // Cells and boxes have editing keys of their own: the sheet gets them only when it has the focus.
    auto sheet = [this]() -> SheetView* {
        QWidget* f = QApplication::focusWidget();
        for (SheetView* v : {bench_->describe()->sheet(), library_->table()})
            if (f == v)
                return v;
        return nullptr;
    };
    auto addForSheet = [&](const QString& text, const QKeySequence& keys, void (SheetView::*what)()) {
        auto* action = new QAction(text, this);
        action->setShortcut(keys);
        action->setShortcutContext(Qt::WidgetShortcut);
        connect(action, &QAction::triggered, this, [this, sheet, what] {
            SheetView* view = sheet();
            if (!view && workspace() == Bench)
                view = bench_->describe()->sheet();
            if (view)
                (view->*what)();
        });
        section->addAction(action);
        bench_->describe()->sheet()->addAction(action);
        if (what == &SheetView::copy)
            library_->table()->addAction(action);
        actions_ << action;
    };
    auto step = [this](BenchPage::Step s) {
        showWorkspace(Bench);
        bench_->showStep(s);
    };

    open(tr("Bench"));
    add(tr("Add folder\u2026"), QKeySequence("Ctrl+O"), [this, step] {
        step(BenchPage::BringIn);
        bench_->bringIn()->addFolder();
    });
    add(tr("Add files\u2026"), QKeySequence("Ctrl+Shift+O"), [this, step] {
        step(BenchPage::BringIn);
        bench_->bringIn()->addFiles();
    });
    add(tr("Gather\u2026"), QKeySequence("Ctrl+Alt+O"), [this, step] {
        step(BenchPage::BringIn);
        bench_->bringIn()->gather();
    });
    add(tr("Read discs\u2026"), QKeySequence("Ctrl+Alt+R"), [this, step] {
        step(BenchPage::BringIn);
        bench_->bringIn()->readDiscs();
    });
    add(tr("Folder by folder\u2026"), QKeySequence("Ctrl+Alt+D"), [this] {
        showWorkspace(Bench);
        bench_->lookThrough();
    });
    auto folder = [this](int by) {
        if (!c_.folders.isOn()) {
            c_.messages.say(tr("Choose first what is looked through: Folder by folder\u2026 (Ctrl+Alt+D)."));
        } else if (workspace() == Bench && bench_->showsFolders()) {
            c_.folders.step(by);
        } else { // the one that was in sight
            showWorkspace(Bench);
            bench_->showStep(BenchPage::Describe);
        }
    };
    add(tr("The next folder, with its files"), QKeySequence("F8"), [folder] { folder(1); });
    add(tr("The folder before"), QKeySequence("Shift+F8"), [folder] { folder(-1); });
    add(tr("Back to the sleeves"), {}, [this] { c_.folders.end(); });
    add(tr("Confirm kinds\u2026"), {}, [this, step] {
        step(BenchPage::BringIn);
        bench_->bringIn()->confirmKinds();
    });
    add(tr("Sort into sleeves again"), {}, [this] { c_.batch.sortAnew(); });
    auto tools = [this] { return bench_->sleeveTools(); };
    add(tr("Put the chosen files into a sleeve\u2026"), QKeySequence("Ctrl+J"),
        [tools] { tools()->putInto(); });
    add(tr("Make strays of the chosen files"), {}, [tools] { tools()->toStrays(); });
    add(tr("Let Moorfrost sort the chosen files again"), {}, [tools] { tools()->letSort(); });
    add(tr("Merge the chosen sleeves"), QKeySequence("Ctrl+M"), [tools] { tools()->merge(); });
    add(tr("Split the chosen sleeve\u2026"), QKeySequence("Ctrl+Shift+J"), [tools] { tools()->split(); });
    add(tr("Rename the sleeve\u2026"), QKeySequence("Shift+F2"), [tools] { tools()->rename(); });
    add(tr("Undo the last change of sleeves"), QKeySequence("Ctrl+Alt+Z"), [this] { c_.batch.undoByHand(); });
    section->addSeparator();
    add(tr("New batch\u2026"), {}, [this] { bench_->newBatch(); });
    add(tr("About this batch\u2026"), {}, [this] { bench_->describeBatch(); });
    add(tr("Clear this batch off the bench\u2026"), {}, [this] { bench_->forgetBatch(); });
    add(tr("Read the shelves again"), {}, [this] { c_.shelves.read(c_.shelves.all()); });
    section->addSeparator();
    add(tr("Step: Bring in"), QKeySequence("Alt+1"), [step] { step(BenchPage::BringIn); });
    add(tr("Step: Identify"), QKeySequence("Alt+2"), [step] { step(BenchPage::Identify); });
    add(tr("Step: Describe"), QKeySequence("Alt+3"), [step] { step(BenchPage::Describe); });
    add(tr("Step: Put away"), QKeySequence("Alt+4"), [step] { step(BenchPage::PutAway); });
    section->addSeparator();
    add(tr("Look up the chosen sleeve"), QKeySequence("Ctrl+I"), [this, step] {
        step(BenchPage::Identify);
        bench_->identify()->lookUp();
    });
    add(tr("Look up the chosen sleeve by its sound"), QKeySequence("Ctrl+Alt+I"), [this, step] {
        step(BenchPage::Identify);
        bench_->identify()->lookUpBySound();
    });
    add(tr("Look up all sleeves"), QKeySequence("Ctrl+Shift+I"), [this, step] {
        step(BenchPage::Identify);
        bench_->identify()->lookUpAll();
    });
    add(tr("Take the chosen candidate as drafts"), QKeySequence("Ctrl+T"), [this, step] {
        step(BenchPage::Identify);
        bench_->identify()->take();
    });
    add(tr("What is taken from references\u2026"), {}, [this] { bench_->identify()->editRules(); });

    open(tr("Drafts"));
    add(tr("Undo"), QKeySequence("Ctrl+Z"), [this] { c_.undo.undo(); });
    add(tr("Redo"), QKeySequence("Ctrl+Shift+Z"), [this] { c_.undo.redo(); });
    section->addSeparator();
    addForSheet(tr("Copy cells"), QKeySequence("Ctrl+C"), &SheetView::copy);
    addForSheet(tr("Paste cells"), QKeySequence("Ctrl+V"), &SheetView::paste);
    add(tr("Another value, in the field being typed"), QKeySequence("Ctrl+,"), [] {
        auto* edit = qobject_cast<QLineEdit*>(QApplication::focusWidget());
        if (edit && (edit->objectName() == "cellEditor" || edit->objectName() == "field"))
            beginValue(edit);
    });
    addForSheet(tr("Fill down"), QKeySequence("Ctrl+D"), &SheetView::fillDown);
    addForSheet(tr("Fill a series"), QKeySequence("Ctrl+Shift+D"), &SheetView::fillSeries);
    addForSheet(tr("Blank cells"), QKeySequence("Delete"), &SheetView::blank);
    addForSheet(tr("Drop drafts of cells"), QKeySequence("Ctrl+Backspace"), &SheetView::dropDrafts);
    section->addSeparator();
    add(tr("Read from names\u2026"), QKeySequence("Ctrl+R"), [this, step] {
        step(BenchPage::Describe);
        bench_->describe()->readFromNames();
    });
    add(tr("Find and replace\u2026"), QKeySequence("Ctrl+Shift+F"), [this, step] {
        step(BenchPage::Describe);
        bench_->describe()->change({{}, {{"find-replace", {}}}});
    });
    add(tr("Change values by steps\u2026"), QKeySequence("Ctrl+Shift+E"), [this, step] {
        step(BenchPage::Describe);
        bench_->describe()->change({{}, {{"tidy", {}}}});
    });
    add(tr("Copy fields to others\u2026"), {}, [this, step] {
        step(BenchPage::Describe);
        bench_->describe()->copyToOthers();
    });
    add(tr("Mend the text\u2026"), {}, [this, step] {
        step(BenchPage::Describe);
        bench_->describe()->mendText();
    });
    add(tr("Look up codes that are missing\u2026"), QKeySequence("Ctrl+Shift+K"), [this, step] {
        step(BenchPage::Describe);
        bench_->describe()->fillCodes();
    });
    add(tr("Narrow the sheet"), QKeySequence("Ctrl+Shift+N"), [this, step] {
        step(BenchPage::Describe);
        bench_->describe()->narrow();
    });
    add(tr("Use the usual spelling"), QKeySequence("Ctrl+U"), [this] {
        if (workspace() == Bench)
            bench_->describe()->spelling()->use();
    });
    add(tr("Columns\u2026"), {}, [this, step] {
        step(BenchPage::Describe);
        bench_->describe()->chooseColumns();
    });
    QAction* disk = add(tr("Show what is on disk (or hold Alt)"), {},
                        [this] { c_.drafts.setShowsDisk(!c_.drafts.showsDisk()); });
    disk->setCheckable(true);
    connect(&c_.drafts, &DraftsController::diskShown, disk, &QAction::setChecked);
    section->addSeparator();
    add(tr("Review"), QKeySequence("Ctrl+E"), [this] { foot_->reviewButton()->click(); });
    add(tr("Write"), QKeySequence("Ctrl+Return"), [this] { foot_->writeButton()->click(); });

    open(tr("Library"));
    add(tr("Search the library"), QKeySequence("Ctrl+F"), [this] {
        showWorkspace(Library);
        library_->searchBox()->setFocus();
        library_->searchBox()->selectAll();
    });
    add(tr("Save this search\u2026"), QKeySequence("Ctrl+Shift+S"), [this] {
        if (workspace() == Library && library_->saveButton()->isEnabled())
            library_->saveButton()->click();
    });
    add(tr("Show tracks"), QKeySequence("Ctrl+Shift+T"), [this] {
        showWorkspace(Library);
        library_->tracksButton()->click();
    });
    add(tr("Show sleeves"), QKeySequence("Ctrl+Shift+V"), [this] {
        showWorkspace(Library);
        library_->sleevesButton()->click();
    });
    add(tr("Show what sounds the same"), QKeySequence("Ctrl+Shift+U"), [this] {
        showWorkspace(Library);
        library_->sameSoundButton()->click();
    });
    auto collections = [this] {
        showWorkspace(Library);
        return library_->collectionMenus();
    };
    using Kind = library::Collection::Kind;
    add(tr("New list\u2026"), QKeySequence("Ctrl+L"), [collections] { collections()->make(Kind::List); });
    add(tr("New list of the chosen tracks\u2026"), QKeySequence("Ctrl+Shift+L"), [this, collections] {
        if (workspace() == Library)
            collections()->make(Kind::List, library_->chosenFiles());
    });
    add(tr("New folder for lists\u2026"), {}, [collections] { collections()->make(Kind::Folder); });
    add(tr("Import playlist\u2026"), {}, [collections] { collections()->importPlaylist(); });
    add(tr("Export playlist\u2026"), {}, [this] {
        if (workspace() == Library)
            library_->exportPlaylist();
    });
    add(tr("Mirror to tags"), {}, [this] {
        if (workspace() == Library)
            library_->mirrorToTags();
    });
    add(tr("Versions of the chosen tracks\u2026"), QKeySequence("Ctrl+Alt+V"), [this] {
        if (workspace() == Library && !library_->chosenFiles().empty())
            library_->settleVersions(library_->chosenFiles());
        else if (workspace() == Bench)
            settleAtBench(bench_->chosenFiles());
    });
    add(tr("Find versions in the whole library\u2026"), {}, [this] {
        showWorkspace(Library);
        library_->settleVersions({});
    });
    QAction* folds = add(tr("Versions under their lead (+ and - open and close)"), {},
                         [this] { library_->setFoldsFamilies(!library_->foldsFamilies()); });
    folds->setCheckable(true);
    folds->setChecked(library_->foldsFamilies());
    auto* goesAlong = new QActionGroup(this);
    for (const auto& [goes, text] : {std::pair(GoesAlong::Ask, tr("Versions in lists: ask each time")),
                                     {GoesAlong::LeadOnly, tr("Versions in lists: the lead only")},
                                     {GoesAlong::Versions, tr("Versions in lists: with versions")},
                                     {GoesAlong::Stems, tr("Versions in lists: with versions and stems")}}) {
        QAction* action = add(text, {}, [goes = goes] { setFamiliesInLists(goes); });
        action->setCheckable(true);
        goesAlong->addAction(action);
        // It may be chosen in the question, too.
        connect(section, &QMenu::aboutToShow, action,
                [action, goes = goes] { action->setChecked(familiesInLists() == goes); });
    }
    add(tr("Leave the list"), {}, [this] { library_->showList(0); });
    add(tr("Choose facets\u2026"), {}, [this] {
        showWorkspace(Library);
        library_->facets()->chooseFacets(library_->facets()->mapToGlobal(QPoint(12, 12)));
    });
    add(tr("Send to bench"), QKeySequence("Ctrl+B"), [this] {
        if (workspace() == Library)
            library_->sendToBench();
    });
    add(tr("Put away again\u2026"), QKeySequence("Ctrl+Shift+Y"), [this] {
        if (workspace() == Library)
            putAwayAgain(library_->chosenFiles());
    });
    add(tr("Misplaced files of a shelf\u2026"), {}, [this] { putAwayAgain({}); });
    add(tr("Check files\u2026"), QKeySequence("Ctrl+Shift+C"), [this] {
        if (workspace() == Library)
            library_->checkFiles();
        else
            bench_->bringIn()->checkFiles();
    });

    open(tr("Releases"));
    add(tr("New release\u2026"), QKeySequence("Ctrl+Alt+N"), [this] {
        showWorkspace(Releases);
        releaseParts_->showPart(PartButtons::Editions);
        releases_->newRelease();
    });
    add(tr("Another edition of this release\u2026"), {}, [this] {
        if (workspace() == Releases && releaseParts_->part() == PartButtons::Editions)
            releases_->newEdition();
    });
    add(tr("Fill the release from a source\u2026"), {}, [this] {
        if (workspace() == Releases && releaseParts_->part() == PartButtons::Editions)
            releases_->fillShown();
    });
    add(tr("Compare with another edition\u2026"), {}, [this] {
        if (workspace() == Releases && releaseParts_->part() == PartButtons::Editions)
            releases_->compareShown();
    });
    add(tr("New party\u2026"), {}, [this] {
        releaseParts_->showPart(PartButtons::People);
        showWorkspace(Releases);
        releaseParts_->people()->newParty();
    });
    add(tr("New work\u2026"), {}, [this] {
        releaseParts_->showPart(PartButtons::Works);
        showWorkspace(Releases);
        releaseParts_->works()->newWork();
    });
    add(tr("Works of all recordings"), {}, [this] {
        releaseParts_->showPart(PartButtons::Works);
        showWorkspace(Releases);
        releaseParts_->works()->makeAll();
    });
    add(tr("Write the release to its files"), {}, [this] {
        if (workspace() == Releases && releaseParts_->part() == PartButtons::Editions)
            releases_->writeToFiles();
    });
    add(tr("Proposals for sets of editions\u2026"), {}, [this] {
        showWorkspace(Releases);
        releaseParts_->showPart(PartButtons::Editions);
        releases_->showProposals();
    });
    open(tr("Deliver"));
    add(tr("One-sheet of what is chosen"), QKeySequence("Ctrl+Alt+S"), [this] { wantSheet(); });
    add(tr("Deliver what is chosen"), QKeySequence("Ctrl+Alt+H"), [this] { wantDelivery(false); });
    add(tr("Deliver all that is shown"), QKeySequence("Ctrl+Alt+Shift+H"), [this] { wantDelivery(true); });
    const std::pair<QString, DeliverWay> ways[] = {
        {tr("Share page"), DeliverWay::SharePage},   {tr("Sheet out"), DeliverWay::SheetOut},
        {tr("Sheet in"), DeliverWay::SheetIn},       {tr("List of what goes out"), DeliverWay::Lists},
        {tr("Devices"), DeliverWay::Device},         {tr("Package for an archive"), DeliverWay::Package},
        {tr("Delivered before"), DeliverWay::Before}};
    for (const auto& [name, way] : ways)
        add(name, {}, [this, way = way] {
            showWorkspace(Deliver);
            deliver_->show(way);
            deliver_->takeKeyboard();
        });
    auto onSheet = [this](auto what) {
        return [this, what] {
            if (workspace() == Deliver && deliver_->way() == DeliverWay::OneSheet)
                what(deliver_->view<OneSheetView>());
        };
    };
    add(tr("Copy the one-sheet as text"), {}, onSheet([](OneSheetView* sheet) { sheet->copyText(); }));
    add(tr("Save the one-sheet as PDF\u2026"), {},
        onSheet([](OneSheetView* sheet) { sheet->saveAs(".pdf"); }));
    add(tr("Keep the layout of the one-sheet\u2026"), {},
        onSheet([](OneSheetView* sheet) { sheet->layouts()->keep(); }));
    open(tr("Play"));
    add(tr("Play or pause"), QKeySequence("Ctrl+Space"), [this] { player_.toggle(); });
    add(tr("Back 5 seconds"), QKeySequence("Ctrl+Shift+Left"),
        [this] { player_.seek(player_.position() - 5); });
    add(tr("On 5 seconds"), QKeySequence("Ctrl+Shift+Right"),
        [this] { player_.seek(player_.position() + 5); });
    add(tr("Next track"), QKeySequence("Ctrl+Alt+Down"), [this] { queue_.next(); });
    add(tr("Previous track"), QKeySequence("Ctrl+Alt+Up"), [this] { queue_.previous(); });
    add(tr("On 10 seconds"), QKeySequence("Ctrl+Alt+Right"), [this] { queue_.onBySeconds(10); });
    add(tr("Back 10 seconds"), QKeySequence("Ctrl+Alt+Left"), [this] { queue_.onBySeconds(-10); });
    add(tr("To the middle"), QKeySequence("Ctrl+Alt+M"), [this] { queue_.toMiddle(); });
    add(tr("To the last 20 seconds"), QKeySequence("Ctrl+Alt+E"), [this] { queue_.toLastSeconds(20); });
    add(tr("Louder"), QKeySequence("Ctrl+Shift+Up"), [this] { changeVolume(5); });
    add(tr("Softer"), QKeySequence("Ctrl+Shift+Down"), [this] { changeVolume(-5); });
    add(tr("All tracks equally loud"), {}, [this] { foot_->playerBar()->loudnessBox()->toggle(); });
    add(tr("Show what is heard"), {}, [this] {
        if (player_.file())
            emit foot_->playerBar()->fileWanted(player_.file()->id);
    });
    add(tr("Bookmark the place that is heard\u2026"), QKeySequence("Ctrl+Shift+B"), [this] {
        if (workspace() == Library)
            library_->strip()->markHere();
    });
    add(tr("Compare two tracks by ear\u2026"), QKeySequence("Ctrl+Alt+X"), [this] {
        if (workspace() == Library)
            compareByEar();
    });
    add(tr("Stop playing"), {}, [this] { player_.stop(); });

    open(tr("Go to"));
    add(tr("Next part of the page"), QKeySequence("F6"), [this] { goToPart(this, 1); });
    add(tr("Previous part of the page"), QKeySequence("Shift+F6"), [this] { goToPart(this, -1); });
    add(tr("Go to Bench"), QKeySequence("Ctrl+1"), [this] { showWorkspace(Bench); });
    add(tr("Go to Library"), QKeySequence("Ctrl+2"), [this] { showWorkspace(Library); });
    add(tr("Go to the people"), QKeySequence("Ctrl+Alt+P"), [this] {
        releaseParts_->showPart(PartButtons::People);
        showWorkspace(Releases);
    });
    add(tr("Go to the works"), QKeySequence("Ctrl+Alt+W"), [this] {
        releaseParts_->showPart(PartButtons::Works);
        showWorkspace(Releases);
    });
    add(tr("Go to the agreements"), QKeySequence("Ctrl+Alt+A"), [this] {
        releaseParts_->showPart(PartButtons::Agreements);
        showWorkspace(Releases);
    });
    add(tr("Go to Audit"), QKeySequence("Ctrl+4"), [this] { showWorkspace(Audit); });
    add(tr("Codes to fill"), QKeySequence("Ctrl+Alt+K"), [this] {
        audit_->showPart(AuditPage::CodesPart);
        showWorkspace(Audit);
    });
    add(tr("Fixity, night by night"), QKeySequence("Ctrl+Alt+F"), [this] {
        audit_->showPart(AuditPage::FixityPart);
        showWorkspace(Audit);
    });
    add(tr("Go to Deliver"), QKeySequence("Ctrl+5"), [this] { showWorkspace(Deliver); });
    add(tr("Go to Releases"), QKeySequence("Ctrl+3"), [this] { showWorkspace(Releases); });
    add(tr("Go to Journal"), QKeySequence("Ctrl+6"), [this] { showWorkspace(Journal); });
    add(tr("Go to Settings"), QKeySequence("Ctrl+7"), [this] { showWorkspace(Settings); });

    open(tr("Help"));
    add(tr("Manual of this screen"), QKeySequence("F1"), [this] { help_->openHere(); });
    add(tr("Manual"), QKeySequence("Shift+F1"), [this] { help_->open("index"); });
    add(tr("Keys"), {}, [this] { help_->open("keys"); });
    add(tr("About this trouble\u2026"), {}, [this] {
        const Path log = log::isOpen() ? log::file() : log::defaultFile();
        TroubleReportDialog(troubleReport(log), this).exec();
    });
    add(tr("Try it with sample files\u2026"), {}, [this] { trySampleFiles(this); });

    menu->addSeparator();
    section = menu;
    add(tr("Find a command\u2026"), QKeySequence("Ctrl+K"), [this] {
        CommandFinder finder(actions_, this);
        finder.exec();
    });
    add(tr("Show the menu"), QKeySequence("F10"), [this] { menuButton_->showMenu(); });
    add(tr("Quit"), QKeySequence("Ctrl+Q"), [this] { close(); });
    menuButton_->setMenu(menu);
}

} // namespace moorfrost::app
