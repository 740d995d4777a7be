// SPDX-License-Identifier: GPL-3.0-or-later
// moorfrost-shots OUT-FOLDER [light|dark] [WIDTH HEIGHT]: goes the whole way of work through the real
// interface on a copy of the demo data and takes a picture of each main view.
#include <QApplication>
#include <QDialog>
#include <QDir>
#include <QListWidget>
#include <fstream>

#include <QScrollArea>
#include <QScrollBar>
#include <QSpinBox>
#include <QTest>
#include <QTimer>
#include <QTreeWidget>

#include <csignal>
#include <sys/wait.h>
#include <unistd.h>

#include "app/bench/bench_page.h"
#include "app/bench/bring_in_page.h"
#include "app/bench/describe_page.h"
#include "app/bench/discs/disc_answers.h"
#include "app/bench/discs/disc_dialog.h"
#include "app/bench/discs/rip_panel.h"
#include "app/bench/gather_dialog.h"
#include "app/bench/identify_page.h"
#include "app/bench/kinds_dialog.h"
#include "app/bench/mend_text_dialog.h"
#include "app/bench/picture_dialog.h"
#include "app/bench/put_away_page.h"
#include "app/bench/read_names_dialog.h"
#include "app/bench/release_pictures_view.h"
#include "app/bench/review_page.h"
#include "app/bench/sheet_columns.h"
#include "app/bench/spelling_hint.h"
#include "app/bench/steps_dialog.h"
#include "app/bench/take_rules_dialog.h"
#include "app/control/plans.h"
#include "app/journal/journal_page.h"
#include "app/library/check_files_dialog.h"
#include "app/library/library_page.h"
#include "app/library/same_sound_page.h"
#include "app/library/sound_group_list.h"
#include "app/library/track_model.h"
#include "app/settings/custom_field_list.h"
#include "app/settings/reference_list.h"
#include "app/settings/settings_page.h"
#include "app/shell/foot.h"
#include "app/shell/text_utils.h"
#include "app/widgets/chip_editor.h"
#include "app/widgets/comparison_table.h"
#include "app/widgets/controls.h"
#include "app/widgets/custom_field_dialog.h"
#include "app/widgets/field_sets.h"
#include "app/widgets/file_details.h"
#include "core/files/io.h"
#include "core/library/writing.h"
#include "demo/reference_world.h"
#include "support/driver.h"
#include "support/sample_files.h"
#include "support/shared_data.h"

using namespace moorfrost;
using namespace moorfrost::app;

namespace {

/// A write that is killed half way, in a process of its own; then another program changes one of the files.
void interruptAWrite(const Path& library, const std::vector<FilePtr>& files, const Path& shelf) {
    pid_t child = ::fork();
    if (child == 0) {
        int renames = 0;
        struct KillAtRename : files::io::Observer {
            int& count;
            explicit KillAtRename(int& c) : count(c) { files::io::observe(this); }
            int before(files::io::Event& e) override {
                if (e.call == files::io::Call::Rename && ++count == 3)
                    ::raise(SIGKILL);
                return 0;
            }
            void after(const files::io::Event&) override {}
        } killer(renames);
        files::ChangeSet set{"Put away " + std::to_string(files.size()) + " files", {}, {}};
        for (const FilePtr& f : files) {
            files::Step step;
            step.file = f->id;
            step.source = f->path;
            step.changes = {{"genre", {"Field recording"}}};
            step.target = shelf / "Unsorted" / f->path.filename();
            set.steps.push_back(step);
        }
        auto store = library::Store::open(library);
        work::Progress progress;
        library::writeSet(**store, set, 0, {}, progress);
        ::_exit(0);
    }
    int status = 0;
    ::waitpid(child, &status, 0);
    if (!WIFSIGNALED(status))
        qFatal("the write was not interrupted");
    for (auto it = files.rbegin(); it != files.rend(); ++it)
        if (std::filesystem::exists((*it)->path)) {
            test::tag((*it)->path, {{"genre", {"by another program"}}});
            break;
        }
}

} // namespace

int main(int argc, char** argv) {
    qputenv("QT_QPA_PLATFORM", "offscreen");
    QApplication application(argc, argv);
    QDir out(argc > 1 ? argv[1] : ".");
    QString themeName = argc > 2 ? argv[2] : "light";
    Driver::prepareApplication(themeName);
    // A place with a name fit for pictures.
    Path root = std::filesystem::temp_directory_path() / "Tarnholm Sound Archive";
    std::filesystem::remove_all(root);
    test::copyOf(test::sharedDemo(), root);
    if (!demo::makeReference(root / "reference", false, 5000))
        qFatal("the reference could not be made");
    auto opened = std::make_unique<Driver>(root / "library.db");
    Driver& d = *opened;
    auto resized = [&](Driver& driver) {
        if (argc > 4)
            driver.window().resize(atoi(argv[3]), atoi(argv[4]));
    };
    resized(d);
    auto shot = [&](QWidget* w, const QString& name) {
        d.settle();
        QString file = out.filePath(name + (themeName == "dark" ? "-dark" : "") + ".png");
        if (!w->grab().save(file))
            qFatal("cannot write %s", qPrintable(file));
        qInfo("%s", qPrintable(file));
        if (qEnvironmentVariable("LAST") == name) // the others are not wanted
            ::_exit(0);
    };
    MainWindow& w = d.window();
    Controllers& s = d.controllers();
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
    // Identify: what all sleeves are, then one of them.
    w.bench()->showStep(BenchPage::Identify);
    w.bench()->identify()->lookUpAll();
    d.settle();
    shot(&w, "identify-all");
    if (!d.chooseSleeve("Night Post EP"))
        qFatal("no such sleeve");
    w.bench()->identify()->lookUpBySound();
    shot(&w, "identify");
    w.bench()->identify()->showChanges()->click();
    shot(&w, "identify-changes");
    w.bench()->identify()->showPictures()->click();
    shot(&w, "identify-pictures");
    QTimer::singleShot(300, &w, [&w, &shot] {
        if (auto* large = w.findChild<QDialog*>("sideBySide")) {
            shot(large, "identify-large");
            large->close();
        }
    });
    w.bench()->identify()->pictures()->list()->setFocus();
    QTest::keyClick(w.bench()->identify()->pictures()->list(), Qt::Key_Return);
    {
        TakeRulesDialog rules(s.identify, {"Folk", "Celtic", "Folk, traditional"}, &w);
        rules.show();
        shot(&rules, "take-rules");
    }
    w.bench()->identify()->findChild<QPushButton*>("left")->click();
    d.chooseSleeve("Strays");
    w.bench()->identify()->lookUp();
    shot(&w, "identify-strays");
    {
        MendTextDialog mend({s.files, s.drafts}, s.sleeves.files(), &w);
        mend.show();
        shot(&mend, "mend-text");
    }
    {
        CheckFilesDialog check({s.messages, s.jobs, s.library}, s.files.pathsOf(s.sleeves.files()),
                               QString("the %1 files shown").arg(s.sleeves.files().size()), &w);
        check.choose(CheckFilesDialog::Decoding);
        check.show();
        check.start();
        d.settle();
        shot(&check, "check-files");
    }

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
    ReadNamesDialog dialog(
        {s.jobs, s.settings, s.files, s.drafts, s.index, s.customFields, s.sleeves},
        [&] {
            std::vector<FileId> files;
            for (FileId f : s.sleeves.files())
                if (s.files.file(f)->path.native().find("/strays/") != std::string::npos)
                    files.push_back(f);
            return files;
        }(),
        &w);
    dialog.show();
    d.settle();
    shot(&dialog, "read-names");
    dialog.setPlan("{artist} - {title}");
    d.settle();
    dialog.takeButton()->click();
    // Every folder that has a pattern is read by it, so that there is much to put away.
    auto readFolder = [&](const std::string& part, const char* plan) {
        std::vector<FileId> files;
        for (FileId f : s.sleeves.files())
            if (s.files.file(f)->path.native().find(part) != std::string::npos)
                files.push_back(f);
        ReadNamesDialog reader({s.jobs, s.settings, s.files, s.drafts, s.index, s.customFields, s.sleeves},
                               files, &w);
        reader.setPlan(plan);
        d.settle();
        reader.takeButton()->click();
        d.settle();
    };
    readFolder("/donation-lindqvist/Odran", "{artist}/{album}/CD{disc}/{track} {title}");
    readFolder("/donation-lindqvist/Хор", "{artist}/{album}/{track} {title}");
    s.batch.sortAnew();
    w.bench()->showStep(BenchPage::PutAway);
    d.chooseSleeve("Night Post EP");
    shot(&w, "put-away");
    w.bench()->putAway()->draftButton()->click();
    d.settle();
    d.chooseSleeve("Live at Tarnholm Hall");
    w.bench()->putAway()->draftButton()->click();
    d.chooseSleeve("Salt Road");
    w.bench()->putAway()->draftButton()->click();
    d.chooseSleeve("Северный ветер");
    w.bench()->putAway()->draftButton()->click();
    d.settle();
    w.showWorkspace(MainWindow::Review);
    // From the release with a new picture on.
    QTreeWidget* reviewed = w.findChild<ReviewPage*>()->tree();
    for (QTreeWidgetItem* item : reviewed->findItems("01_nightpost_MASTER.flac", Qt::MatchExactly))
        reviewed->scrollToItem(item, QAbstractItemView::PositionAtTop);
    shot(&w, "review");
    w.foot()->writeButton()->click();
    d.settle();
    shot(&w, "written");
    w.showWorkspace(MainWindow::Library);
    shot(&w, "library");
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
    w.showWorkspace(MainWindow::Settings);
    shot(&w, "settings");
    {
        for (const char* sheet :
             {"Night Post EP/night post.cue", "Salt Road/salt road.cue", "Processional/PROCESSIONAL.CUE"}) {
            s.discs.open(root / "discs" / sheet);
            d.settle();
        }
        w.bench()->bringIn()->readDiscs();
        DiscDialog* discs = w.bench()->bringIn()->discs();
        if (argc > 4)
            discs->resize(std::min(1240, atoi(argv[3])), std::min(720, atoi(argv[4])));
        auto find = [&](int row, size_t answer) {
            discs->list()->setCurrentRow(row);
            discs->findButton()->click();
            d.settle();
            emit discs->answers()->table()->chosen(answer);
            d.settle();
        };
        find(0, 1);
        discs->panel()->setPlan(plansOf(s.settings)[2].second); // no name is taken there
        s.discs.pick(discs->current(), 2, "title", 1);
        d.settle();
        shot(discs, "disc");
        discs->panel()->setPlan(usualPlanText());
        find(1, 1);
        discs->ripButton()->click();
        for (int i = 0; i < 400 && s.rips.progress().done < 4300; ++i)
            QTest::qWait(20);
        discs->grab().save(out.filePath(QString("ripping") + (themeName == "dark" ? "-dark" : "") + ".png"));
        d.settle();
        shot(discs, "ripped");
        discs->hide();
    }

    // A write with troubles: a file with another name, and one that something else has changed.
    w.showWorkspace(MainWindow::Bench);
    std::vector<FileId> left;
    for (FileId f : s.sleeves.files())
        if (s.files.file(f)->readable() &&
            s.files.file(f)->path.native().find("/broken/") == std::string::npos &&
            std::filesystem::exists(s.files.file(f)->path))
            left.push_back(f);
    if (left.size() < 6)
        qFatal("too few files are left on the bench");
    wishes.clear();
    for (size_t i = 0; i < 6; ++i)
        wishes.push_back({left[i], "genre", {"Field recording"}});
    s.drafts.session().propose("Edit", wishes, typed);
    std::filesystem::create_hard_link(s.files.file(left[1])->path, root / "another name");
    test::tag(s.files.file(left[2])->path, {{"comment", {"by another program"}}});
    d.settle();
    w.showWorkspace(MainWindow::Review);
    w.foot()->writeButton()->click();
    d.settle();
    shot(&w, "write-troubles");

    std::vector<FilePtr> some;
    for (size_t i = 0; i < left.size() && some.size() < 5; ++i)
        if (FilePtr f = s.files.file(left[i]); i != 1 && i != 2)
            some.push_back(f);
    dialog.setParent(nullptr); // it is not the window's to delete
    opened.reset();
    interruptAWrite(root / "library.db", some, root / "Music archive");
    Driver again(root / "library.db");
    resized(again);
    again.settle();
    again.settle();
    QString file = out.filePath(QString("interrupted") + (themeName == "dark" ? "-dark" : "") + ".png");
    if (!again.window().grab().save(file))
        qFatal("cannot write %s", qPrintable(file));
    std::filesystem::remove_all(root);
    return 0;
}
