// SPDX-License-Identifier: GPL-3.0-or-later
// Identify in the real window, beside the simulated reference over HTTP: look up, choose, re-seat, take,
// undo.
#include <QtTest>

#include <QCheckBox>
#include <QComboBox>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QTreeWidget>

#include "app/bench/bench_page.h"
#include "app/bench/identify_overview.h"
#include "app/bench/identify_page.h"
#include "app/bench/line_up_table.h"
#include "app/bench/release_pictures_view.h"
#include "app/bench/stray_list.h"
#include "app/bench/take_rules_dialog.h"
#include "app/settings/reference_list.h"
#include "app/settings/settings_page.h"
#include "app/shell/foot.h"
#include "app/shell/text_utils.h"
#include "app/widgets/comparison_table.h"
#include "core/tags/picture_changes.h"
#include "core/tags/tag_io.h"
#include "support/driver.h"
#include "support/sample_files.h"
#include "support/shared_data.h"

namespace moorfrost::app {

class TestIdentify : public QObject {
    Q_OBJECT

    MainWindow& w() { return d_->window(); }
    Controllers& c() { return d_->controllers(); }
    IdentifyPage* page() { return w().bench()->identify(); }
    QString cell(int row, int column) {
        const QAbstractItemModel* m = page()->candidates()->model();
        return m->index(row, column).data().toString();
    }
    /// In the row of this caption.
    QString fact(const QString& caption, int candidate) {
        for (int row = 0; row < page()->candidates()->model()->rowCount(); ++row)
            if (cell(row, 0) == caption)
                return cell(row, candidate + 1);
        return "no such row";
    }
    QString seat(int row) { return page()->lineUp()->model()->index(row, 0).data().toString(); }
    std::string drafted(const char* file, const char* field) {
        const library::Draft* draft = c().drafts.session().find(d_->fileNamed(file), field);
        return draft && !draft->values.empty() ? draft->values[0] : std::string();
    }
    void lookUp(const QString& sleeve) {
        QVERIFY(d_->chooseSleeve(sleeve));
        QTest::keyClick(&w(), Qt::Key_I, Qt::ControlModifier);
        d_->settle();
    }

private slots:
    void initTestCase() { Driver::prepareApplication("light"); }

    void init() {
        box_ = std::make_unique<test::Sandbox>(true);
        test::copyOf(test::sharedReference(), *box_ / "reference");
        std::filesystem::create_directories(*box_ / "incoming");
        for (const char* folder : {"label-drive", "donation-lindqvist", "harbour-transfers"})
            test::copyOf(test::sharedDemo() / "incoming" / folder, *box_ / "incoming" / folder);
        d_ = std::make_unique<Driver>(*box_ / "library.db");
        c().batch.create("Autumn");
        d_->settle();
        d_->bringIn({*box_ / "incoming"});
        w().bench()->showStep(BenchPage::Identify);
        d_->settle();
    }
    void cleanup() {
        d_.reset();
        box_.reset();
    }

    void aSleeveIsLookedUpChosenAndTaken() {
        lookUp("Night Post EP");
        QVERIFY(page()->candidates()->isVisible());
        QCOMPARE(fact("Title", 0), QString("Night Post EP"));
        QCOMPARE(fact("Seated", 0), QString("4 of 4 tracks"));
        QVERIFY(c().drafts.session().all().empty()); // nothing is taken by itself
        // The cassette instead, by the keyboard.
        int cassette = 0;
        while (fact("Carrier", cassette) != "Cassette")
            QVERIFY(++cassette < 5);
        page()->candidates()->setFocus();
        page()->candidates()->setCurrentIndex(page()->candidates()->model()->index(1, cassette + 1));
        QTest::keyClick(page()->candidates(), Qt::Key_Return);
        d_->settle();
        QCOMPARE(cell(0, cassette + 1), QString("Chosen"));
        QTest::keyClick(&w(), Qt::Key_T, Qt::ControlModifier);
        d_->settle();
        QCOMPARE(drafted("03_untitled_v2.flac", "title"), std::string("Cold Slip"));
        QCOMPARE(drafted("04_bonus.flac", "catalogue_number"), std::string("GR 014 C"));
        QCOMPARE(drafted("04_bonus.flac", "carrier"), std::string("Cassette"));
        const library::Draft* draft = c().drafts.session().find(d_->fileNamed("04_bonus.flac"), "label");
        QVERIFY(draft);
        QVERIFY2(draft->origin.starts_with("Cairn: Night Post EP, Cassette, GR 014 C"),
                 draft->origin.c_str());
        // What only fetching tells was there, too.
        page()->candidates()->setCurrentIndex(page()->candidates()->model()->index(1, 1));
        QTest::keyClick(page()->candidates(), Qt::Key_Space);
        d_->settle();
        QTest::keyClick(&w(), Qt::Key_T, Qt::ControlModifier);
        d_->settle();
        QCOMPARE(drafted("01_nightpost_MASTER.flac", "producer"), std::string("Marit Osk"));
        // One step back is all of the last taking.
        QTest::keyClick(&w(), Qt::Key_Z, Qt::ControlModifier);
        d_->settle();
        QCOMPARE(drafted("04_bonus.flac", "catalogue_number"), std::string("GR 014 C"));
        QTest::keyClick(&w(), Qt::Key_Z, Qt::ControlModifier);
        d_->settle();
        QVERIFY(c().drafts.session().all().empty());
    }

    void filesAreReseated() {
        lookUp("Night Post EP");
        LineUpTable* seats = page()->lineUp();
        QCOMPARE(seat(0), QString("01_nightpost_MASTER.flac"));
        seats->setFocus();
        seats->setCurrentIndex(seats->model()->index(0, 0));
        QTest::keyClick(seats, Qt::Key_Down, Qt::AltModifier);
        QCOMPARE(seat(0), QString("02_ferryman_MASTER.flac")); // they change places
        QCOMPARE(seat(1), QString("01_nightpost_MASTER.flac"));
        QCOMPARE(seats->currentIndex().row(), 1); // the hand stays on it
        QTest::keyClick(seats, Qt::Key_Delete);
        QCOMPARE(seat(1), QString("empty seat"));
        QCOMPARE(seat(4), QString("01_nightpost_MASTER.flac")); // without a seat, below the others
        QTest::keyClick(&w(), Qt::Key_T, Qt::ControlModifier);
        d_->settle();
        QCOMPARE(drafted("02_ferryman_MASTER.flac", "title"), std::string("Night Post"));
        QVERIFY(!c().drafts.session().all().contains(d_->fileNamed("01_nightpost_MASTER.flac")));
        // By drag, as the view hands it over.
        std::unique_ptr<QMimeData> data(seats->model()->mimeData({seats->model()->index(4, 0)}));
        seats->model()->dropMimeData(data.get(), Qt::MoveAction, -1, -1, seats->model()->index(1, 0));
        QTRY_COMPARE(seat(1), QString("01_nightpost_MASTER.flac"));
        c().identify.seatAnew(c().sleeves.all().front().key); // of another sleeve: nothing here
        QCOMPARE(seat(1), QString("01_nightpost_MASTER.flac"));
    }

    void wordsOfAPerson() {
        QVERIFY(d_->chooseSleeve("Reel01"));
        QTest::keyClick(&w(), Qt::Key_I, Qt::ControlModifier);
        d_->settle();
        const QList<QLineEdit*> words = page()->findChildren<QLineEdit*>();
        QLineEdit* code = nullptr;
        for (QLineEdit* line : words) {
            line->clear();
            if (line->accessibleName().startsWith("Barcode"))
                code = line;
        }
        QVERIFY(code);
        QTest::keyClicks(code, "gr 003");
        QTest::keyClick(code, Qt::Key_Return);
        d_->settle();
        QCOMPARE(fact("Title", 0), QString("Processional"));
        QVERIFY(page()->isVisible());
    }

    void theWholeBatchAtOnce() {
        w().bench()->sleeves(); // none is chosen: the whole batch is in sight
        QTest::keyClick(&w(), Qt::Key_I, Qt::ControlModifier | Qt::ShiftModifier);
        d_->settle();
        QVERIFY(c().drafts.session().all().empty());
        auto* tree = page()->overview()->findChild<QTreeWidget*>();
        QStringList groups;
        for (int i = 0; i < tree->topLevelItemCount(); ++i)
            groups << tree->topLevelItem(i)->text(0);
        QVERIFY2(groups.contains("Sure") && groups.contains("Likely") &&
                     !groups.contains("Not looked up yet"),
                 qPrintable(groups.join(", ")));
        const size_t sure = c().identify.sure().size(), left = c().identify.left();
        QVERIFY(sure >= 4);
        for (QPushButton* b : page()->overview()->findChildren<QPushButton*>())
            if (b->objectName() == "accent")
                b->click();
        d_->settle();
        QCOMPARE(c().identify.left(), left - sure);
        QCOMPARE(drafted("01 浜の朝.opus", "album"), std::string("浜のうた"));
        QCOMPARE(drafted("02 Fyrlys.mp3", "isrc"), std::string("ZZGRW9900012"));
        QVERIFY(drafted("01 Whin Moor.mp3", "title").empty()); // only likely: which edition is open
        // A click on a row brings its sleeve in sight.
        for (int i = 0; i < tree->topLevelItemCount(); ++i)
            if (tree->topLevelItem(i)->text(0) == "Likely")
                emit tree->itemClicked(tree->topLevelItem(i)->child(0), 0);
        d_->settle();
        QVERIFY(page()->candidates()->isVisible());
        // It is undone as one.
        QTest::keyClick(&w(), Qt::Key_Z, Qt::ControlModifier);
        d_->settle();
        QVERIFY(c().drafts.session().all().empty());
        QCOMPARE(c().identify.left(), left);
    }

    void writtenAndStillKnown() {
        lookUp(QString::fromUtf8("浜のうた 2003"));
        QTest::keyClick(&w(), Qt::Key_T, Qt::ControlModifier);
        d_->settle();
        w().showWorkspace(MainWindow::Review);
        w().foot()->writeButton()->click();
        d_->settle();
        const FileId id = d_->fileNamed("02 灯台のうた.opus");
        auto written = tags::readTags(c().files.file(id)->path);
        QVERIFY(written);
        QCOMPARE(written->fields.at("artist"), std::vector<std::string>{"灯台うた会"});
        QCOMPARE(written->fields.at("date"), std::vector<std::string>{"2003-07-20"});
        QCOMPARE(written->fields.at(matching::referenceNumberField),
                 std::vector<std::string>{"cairn:beach-songs"});
        for (const SleeveView& s : c().sleeves.all())
            if (std::ranges::find(s.files, id) != s.files.end())
                QVERIFY(c().identify.isTaken(s));
    }

    void fieldsByRule() {
        lookUp("Night Post EP");
        bench::TakeRules rules;
        rules.fields["genre"] = bench::TakeRule::Never;
        rules.fields["date"] = bench::TakeRule::WhenBlank;
        rules.genres["folk"] = "Tarn songs";
        // The genres of the library are there to choose from.
        d_->addShelf(*box_ / "shelf");
        std::filesystem::create_directories(*box_ / "shelf/one");
        std::filesystem::copy_file(
            *box_ / "incoming/label-drive/Night Post remaster" /
                std::filesystem::directory_iterator(*box_ / "incoming/label-drive/Night Post remaster")
                    ->path()
                    .filename(),
            *box_ / "shelf/one/a.mp3");
        test::tag(*box_ / "shelf/one/a.mp3", {{"genre", {"Tarn songs"}}});
        c().shelves.read(c().shelves.all());
        d_->settle();
        {
            TakeRulesDialog dialog(c().identify, {"Folk"}, &w());
            for (QComboBox* box : dialog.findChildren<QComboBox*>())
                if (box->accessibleName() == "What Folk is called here") {
                    QCOMPARE(box->currentText(), QString("Folk"));
                    QVERIFY(box->findText("Tarn songs") > 0);
                    box->setCurrentIndex(box->findText("Tarn songs"));
                }
            for (QComboBox* box : dialog.findChildren<QComboBox*>())
                if (box->accessibleName() == "Genre")
                    box->setCurrentIndex(2);
                else if (box->accessibleName() == "Date")
                    box->setCurrentIndex(1);
            dialog.accept();
        }
        QVERIFY(c().identify.rules() == rules);
        QTest::keyClick(&w(), Qt::Key_T, Qt::ControlModifier);
        d_->settle();
        QVERIFY(drafted("01_nightpost_MASTER.flac", "date").empty()); // 1998 stays
        QVERIFY(drafted("04_bonus.flac", "genre").empty());
        // They are remembered with the library.
        d_.reset();
        d_ = std::make_unique<Driver>(*box_ / "library.db");
        QVERIFY(c().identify.rules() == rules);
    }

    void onlySomeFieldsAreTaken() {
        lookUp("Night Post EP");
        page()->showChanges()->click();
        d_->settle();
        QTreeWidget* changes = page()->changes();
        QVERIFY(changes->topLevelItemCount() > 40);
        int left = 0;
        for (int i = 0; i < changes->topLevelItemCount(); ++i)
            if (QTreeWidgetItem* item = changes->topLevelItem(i);
                item->text(1) == "Composer" || item->text(1) == "Producer") {
                QCOMPARE(item->checkState(1), Qt::Checked);
                item->setCheckState(1, Qt::Unchecked);
                ++left;
            }
        QCOMPARE(left, 8);
        QTest::keyClick(&w(), Qt::Key_T, Qt::ControlModifier);
        d_->settle();
        QCOMPARE(drafted("01_nightpost_MASTER.flac", "engineer"), std::string("Jonas Fell"));
        QVERIFY(drafted("01_nightpost_MASTER.flac", "producer").empty());
        QVERIFY(drafted("04_bonus.flac", "composer").empty());
        QCOMPARE(changes->topLevelItemCount(), 8); // what was left can be taken still
        QCOMPARE(changes->topLevelItem(0)->checkState(1), Qt::Unchecked);
    }

    void picturesAreCandidatesToo() {
        lookUp("Night Post EP");
        page()->showPictures()->click();
        d_->settle();
        ReleasePicturesView* view = page()->pictures();
        QCOMPARE(view->list()->topLevelItemCount(), 2);
        QCOMPARE(view->list()->topLevelItem(0)->checkState(0), Qt::Checked); // 1200 pixels beside 600
        QVERIFY(c().drafts.session().all().empty());
        view->takeButton()->click();
        d_->settle();
        for (const char* name : {"01_nightpost_MASTER.flac", "04_bonus.flac"}) {
            const auto pictures = c().pictures.of(d_->fileNamed(name));
            QCOMPARE(pictures.size(), size_t{2});
            QVERIFY(std::ranges::any_of(
                pictures, [](const auto& p) { return p.type == "front cover" && p.width == 1200; }));
            const library::Draft* draft =
                c().drafts.session().find(d_->fileNamed(name), tags::pictureKey("front cover"));
            QVERIFY(draft && draft->origin.starts_with("Cairn: Night Post EP"));
        }
        // Once more, for two files only; and what was cleaned away meanwhile is fetched again.
        view->list()->setFocus();
        QTest::keyClick(&w(), Qt::Key_Z, Qt::ControlModifier);
        d_->settle();
        QVERIFY(c().drafts.session().all().empty());
        std::filesystem::remove_all(c().pictures.folder());
        view->takeFor({d_->fileNamed("01_nightpost_MASTER.flac"), d_->fileNamed("04_bonus.flac")});
        QCOMPARE(view->receivers()->currentText(), QString("for 2 that were chosen\u2026"));
        view->takeButton()->click();
        d_->settle();
        QCOMPARE(c().drafts.session().all().size(), size_t{2});
        QVERIFY(!c().drafts.session().all().contains(d_->fileNamed("02_ferryman_MASTER.flac")));
        w().showWorkspace(MainWindow::Review);
        w().foot()->writeButton()->click();
        d_->settle();
        auto written = tags::readPictures(c().files.file(d_->fileNamed("04_bonus.flac"))->path);
        QVERIFY(written);
        QCOMPARE(written->size(), size_t{2});
        QCOMPARE(written->at(0).data, test::readBytes(*box_ / "reference/pictures/night-post-cd-front"));
    }

    void picturesThatAreNone() {
        // A bomb, one that is cut, one that is not there; and a small one made large.
        const Path pictures = *box_ / "reference/pictures";
        test::writeBytes(
            pictures / "night-post-cd-front",
            std::string("\x89PNG\r\n\x1a\n\0\0\0\x0dIHDR\0\0\x4e\x20\0\0\x4e\x20\x08\x06\0\0\0", 29));
        std::filesystem::remove(pictures / "night-post-cd-back");
        lookUp("Night Post EP");
        page()->showPictures()->click();
        d_->settle();
        QTreeWidget* list = page()->pictures()->list();
        QCOMPARE(list->topLevelItemCount(), 2);
        for (int i = 0; i < 2; ++i) {
            QVERIFY(!list->topLevelItem(i)->text(2).isEmpty());
            QVERIFY(list->topLevelItem(i)->data(0, Qt::CheckStateRole).isNull());
        }
        QVERIFY(!page()->pictures()->takeButton()->isEnabled());
        QVERIFY(c().drafts.session().all().empty());
    }

    void straysJoinTheirSleeves() {
        QTest::keyClick(&w(), Qt::Key_I,
                        Qt::ControlModifier | Qt::ShiftModifier); // one is known for sure, by codes
        d_->settle();
        const FileId gorse = d_->fileNamed("Varnholt, Isla - Gorse (rough).mp3");
        const FileId march = d_->fileNamed("HARBOUR BAND - QUAYSIDE MARCH.aiff");
        QVERIFY(gorse && march);
        QVERIFY(d_->chooseSleeve("Strays"));
        QTest::keyClick(&w(), Qt::Key_I, Qt::ControlModifier);
        d_->settle();
        QVERIFY(c().drafts.session().all().empty());
        QTreeWidget* tree = page()->strays()->tree();
        QTreeWidgetItem *of = nullptr, *other = nullptr;
        for (int i = 0; i < tree->topLevelItemCount(); ++i) {
            if (tree->topLevelItem(i)->text(0).contains("Gorse"))
                of = tree->topLevelItem(i);
            else if (tree->topLevelItem(i)->text(0).contains("QUAYSIDE"))
                other = tree->topLevelItem(i);
            else if (tree->topLevelItem(i)->flags() & Qt::ItemIsUserCheckable)
                tree->topLevelItem(i)->setCheckState(0, Qt::Unchecked);
        }
        QVERIFY(of && other);
        QCOMPARE(of->checkState(0), Qt::Checked);
        QCOMPARE(of->text(4), QString("Salt Road"));
        QCOMPARE(other->text(4), QString("a new sleeve"));
        for (QPushButton* b : page()->strays()->findChildren<QPushButton*>())
            if (b->objectName() == "accent") {
                QCOMPARE(b->text(), QString("Take 2 as drafts"));
                b->click();
            }
        d_->settle();
        QCOMPARE(drafted("Varnholt, Isla - Gorse (rough).mp3", "album"), std::string("Salt Road"));
        QCOMPARE(drafted("Varnholt, Isla - Gorse (rough).mp3", "track"), std::string("5"));
        QCOMPARE(drafted("HARBOUR BAND - QUAYSIDE MARCH.aiff", "title"), std::string("Quayside March"));
        std::string home, fresh;
        for (const SleeveView& s : c().sleeves.all()) {
            if (std::ranges::find(s.files, gorse) != s.files.end())
                home = ss(s.title);
            if (std::ranges::find(s.files, march) != s.files.end())
                fresh = ss(s.title);
        }
        QCOMPARE(home, std::string("Salt Road"));
        // That one file of a sleeve is known does not make the sleeve taken.
        for (const SleeveView& v : c().sleeves.all())
            if (std::ranges::find(v.files, gorse) != v.files.end())
                QVERIFY(!c().identify.isTaken(v));
        QCOMPARE(fresh, std::string("Processional"));
    }

    void whatStandsOnAShelfAlready() {
        d_->addShelf(*box_ / "shelf");
        // The remaster stands there, its EP does not.
        const Path from = *box_ / "incoming/label-drive/Night Post remaster";
        std::filesystem::create_directories(*box_ / "shelf/remaster");
        for (const auto& entry : std::filesystem::directory_iterator(from))
            if (entry.path().extension() == ".mp3")
                test::tag(std::filesystem::copy_file(entry.path(),
                                                     *box_ / "shelf/remaster" / entry.path().filename())
                              ? *box_ / "shelf/remaster" / entry.path().filename()
                              : Path(),
                          {{"catalogue_number", {"FSR 207"}}});
        c().shelves.read(c().shelves.all());
        d_->settle();
        lookUp("Night Post (2011 remaster)");
        const SleeveView* view = nullptr;
        for (const SleeveView& s : c().sleeves.all())
            if (s.title == "Night Post (2011 remaster)")
                view = &s;
        QVERIFY(view && c().identify.answer(view->key));
        const library::AlreadyHere& here = c().identify.answer(view->key)->here;
        QCOMPARE(here.what, library::AlreadyHere::What::Edition);
        QCOMPARE(here.files, size_t{6});
        QCOMPARE(here.quality, 0); // they are the same files
        QCOMPARE(hereText(here), QString("this edition, 6 files"));
        bool told = false;
        for (QLabel* l : page()->findChildren<QLabel*>())
            told = told || (l->isVisible() && l->text().contains("On your shelves already: this edition"));
        QVERIFY(told);
        // The library is a reference of its own; what both tell stands in one column.
        QCOMPARE(fact("Reference", 0), QString("Cairn (simulated), Your library"));
        // With the other switched off, it answers alone.
        auto entries = c().references.entries();
        entries[0].on = false;
        c().references.setEntries(entries);
        QTest::keyClick(&w(), Qt::Key_I, Qt::ControlModifier);
        d_->settle();
        QCOMPARE(page()->candidates()->model()->columnCount(), 2);
        QCOMPARE(fact("Catalogue no.", 0), QString("FSR 207"));
        QCOMPARE(fact("Seated", 0), QString("6 of 6 tracks"));
        QCOMPARE(c().identify.answer(view->key)->here.what, library::AlreadyHere::What::Edition);
        QTest::keyClick(&w(), Qt::Key_T, Qt::ControlModifier);
        d_->settle();
        const Path file = *std::filesystem::directory_iterator(*box_ / "shelf/remaster");
        const library::Draft* draft =
            c().drafts.session().find(d_->fileNamed(file.filename().c_str()), "catalogue_number");
        QVERIFY(draft && draft->origin.starts_with("Your library: Night Post"));
    }

    void aStrayIsPutIntoASeat() {
        // One file of the sleeve stands alone, under another name.
        const FileId gorse = d_->fileNamed("Varnholt, Isla - Gorse (rough).mp3");
        lookUp("Salt Road");
        LineUpTable* seats = page()->lineUp();
        QAbstractItemModel* m = seats->model();
        std::string sleeve;
        for (const SleeveView& v : c().sleeves.all())
            if (c().identify.answer(v.key))
                sleeve = v.key; // the one that was looked up
        const SleeveAnswer* before = c().identify.answer(sleeve);
        QVERIFY(before);
        int stray = -1, empty = -1;
        for (int row = 0; row < m->rowCount(); ++row)
            if (m->index(row, 2).data().toString() == "a stray" && seat(row).contains("Gorse"))
                stray = row;
        if (stray < 0) { // its seat is taken: who has it gives it up
            for (int row = 0; row < m->rowCount(); ++row)
                if (m->index(row, 4).data().toString().startsWith("Gorse"))
                    seats->setCurrentIndex(m->index(row, 0));
            seats->setFocus();
            QTest::keyClick(seats, Qt::Key_Delete);
            for (int row = 0; row < m->rowCount(); ++row)
                if (m->index(row, 2).data().toString() == "a stray" && seat(row).contains("Gorse"))
                    stray = row;
        }
        QVERIFY(stray >= 0);
        for (int row = 0; row < stray; ++row)
            if (m->index(row, 4).data().toString().startsWith("Gorse"))
                empty = row;
        QVERIFY(empty >= 0);
        QCOMPARE(seat(empty), QString("empty seat"));
        QVERIFY(m->index(stray, 4).data().toString().startsWith("may be"));
        const size_t candidates = before->candidates.size(), files = before->clues.files.size();
        std::vector<std::string> others;
        for (int row = 0; row < empty; ++row)
            others.push_back(ss(seat(row)));
        seats->setFocus();
        seats->setCurrentIndex(m->index(stray, 0));
        QTest::keyClick(seats, Qt::Key_Return);
        d_->settle();
        // It has joined, what was known of the sleeve still is, and the others sit where they sat.
        const SleeveAnswer* after = c().identify.answer(sleeve);
        QVERIFY(after);
        QCOMPARE(after->candidates.size(), candidates);
        QCOMPARE(after->clues.files.size(), files + 1);
        QVERIFY(after->seatedByHand);
        QCOMPARE(seat(empty), QString("Varnholt, Isla - Gorse (rough).mp3"));
        for (int row = 0; row < empty; ++row)
            QCOMPARE(ss(seat(row)), others[static_cast<size_t>(row)]);
        QTest::keyClick(&w(), Qt::Key_T, Qt::ControlModifier);
        d_->settle();
        QCOMPARE(drafted("Varnholt, Isla - Gorse (rough).mp3", "album"), std::string("Salt Road"));
        QVERIFY(gorse);
    }

    void whichReferencesAreAsked() {
        ReferenceList* list = w().settings()->references();
        QVERIFY(list->add("Elsewhere", "http://example.org:80").contains("only this machine"));
        QVERIFY(list->add("", "http://127.0.0.1:4711").contains("name"));
        QCOMPARE(list->add("Town library", "http://127.0.0.1:4711"), QString());
        QCOMPARE(c().references.entries().size(), size_t{3});
        QCOMPARE(c().references.entries()[2].key, std::string("town-library"));
        for (QCheckBox* box : list->findChildren<QCheckBox*>())
            if (box->text() == "Cairn")
                box->click();
        QVERIFY(!c().references.entries()[0].on);
        QCOMPARE(c().references.held().size(), size_t{2}); // it, and the library
        // Nobody answers there: it says so, and nothing is lost.
        w().showWorkspace(MainWindow::Bench);
        lookUp("Night Post EP");
        bool told = false;
        for (QLabel* l : page()->findChildren<QLabel*>())
            told = told || (l->isVisible() && l->text().contains("Town library"));
        QVERIFY(told);
    }

    void theReferenceCannotBeAsked() {
        std::filesystem::remove_all(*box_ / "reference");
        lookUp("Night Post EP");
        QVERIFY(!page()->candidates()->isVisible());
        bool told = false;
        for (QLabel* l : page()->findChildren<QLabel*>())
            told = told || (l->isVisible() && l->text().contains("moorfrost-demo"));
        QVERIFY(told);
        QVERIFY(c().drafts.session().all().empty());
    }

    void answersAboutOtherFilesAreForgotten() {
        lookUp("Night Post EP");
        const SleeveView* view = nullptr;
        for (const SleeveView& s : c().sleeves.all())
            if (s.title == "Night Post EP")
                view = &s;
        QVERIFY(view);
        const std::string key = view->key;
        QVERIFY(c().identify.answer(key));
        c().batch.putIntoSleeve({d_->fileNamed("04_bonus.flac")}, "");
        d_->settle();
        QVERIFY(!c().identify.answer(key));
        QVERIFY(!page()->candidates()->isVisible());
    }

private:
    std::unique_ptr<test::Sandbox> box_;
    std::unique_ptr<Driver> d_;
};

} // namespace moorfrost::app

QTEST_MAIN(moorfrost::app::TestIdentify)
#include "test_identify.moc"
